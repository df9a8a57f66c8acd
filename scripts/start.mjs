import { spawn } from 'node:child_process';
import { resolve } from 'node:path';
import { ensureInstalled, root } from './ensure.mjs';

ensureInstalled();
const { ensureBuilt } = await import('./build.mjs');
ensureBuilt();
const args = process.argv.slice(2);
const data = args.indexOf('--data');
// A folder named by the caller is meant from where the caller stands.
if (data >= 0 && args[data + 1])
  args[data + 1] = resolve(process.env.INIT_CWD ?? process.cwd(), args[data + 1]);
const child = spawn(process.execPath, ['--no-warnings', '--import', 'tsx', 'src/server/main.ts', ...args], {
  cwd: root,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
child.on('exit', (code, signal) => process.exit(signal ? 1 : (code ?? 1)));
