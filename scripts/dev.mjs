// The interface with hot reload against a server with the demo workshop. Run: npm run dev [-- the options of
// npm start]. The server itself is made from its sources when this begins; after a change of it, begin anew.
import { spawn } from 'node:child_process';
import { resolve } from 'node:path';
import { ensureInstalled, root } from './ensure.mjs';

ensureInstalled();
const { ensureNode } = await import('./build.mjs');
await ensureNode();
const { createServer } = await import('vite');

const child = spawn(
  process.execPath,
  [resolve(root, 'dist/node/server.js'), '--port', '0', ...process.argv.slice(2)],
  {
    cwd: process.env.INIT_CWD ?? process.cwd(),
    stdio: ['ignore', 'pipe', 'inherit'],
  },
);
child.once('exit', (code) => process.exit(code ?? 1));
process.once('exit', () => child.kill());
for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => process.exit(0));

const target = await new Promise((found) => {
  let said = '';
  child.stdout.on('data', (chunk) => {
    said += chunk;
    const [address] = /http:\/\/[\w.]+:\d+/.exec(said) ?? [];
    if (address) found(address);
  });
});
const vite = await createServer({
  root: resolve(root, 'src/web'),
  configFile: resolve(root, 'vite.config.ts'),
  server: {
    host: '127.0.0.1',
    proxy: {
      // The server answers to its own name only, and to pages of its own.
      '/api': { target, changeOrigin: true, headers: { Origin: target } },
    },
  },
});
await vite.listen();
vite.printUrls();
