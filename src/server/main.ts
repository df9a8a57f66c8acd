import { existsSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { restoreBackup } from './backup.ts';
import { openDatabase } from './database.ts';
import { loadDemo } from './demo.ts';

const HELP = `Usage: npm start -- [--data DIR [--demo] [--restore FILE]] [--port N]
  --data DIR   keep a real shop's data in DIR (begins empty); without it the demo workshop is served
  --demo       load the demo workshop into DIR as well
  --restore FILE  give a backup (GET /api/backup) back into DIR, which must hold no shop yet
  --port N     port on this machine, 4600 unless given; 0 takes any free one`;

const root = fileURLToPath(new URL('../..', import.meta.url));

async function main(): Promise<void> {
  const { values } = parseArgs({
    options: {
      data: { type: 'string' },
      port: { type: 'string', default: '4600' },
      demo: { type: 'boolean', default: false },
      web: { type: 'string' },
      restore: { type: 'string' },
      help: { type: 'boolean', default: false },
    },
  });
  if (values.help) {
    console.log(HELP);
    return;
  }
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 0 || port > 65535) {
    throw new Error(`--port: “${values.port}” is not a port. Give a whole number from 0 to 65535.`);
  }
  const log = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' });
  const demo = values.demo || values.data === undefined;
  const folder = resolve(values.data ?? `${root}/.data/demo`);
  const { restore } = values;
  if (restore !== undefined && (values.data === undefined || values.demo))
    throw new Error('--restore: name an empty folder for the shop with --data, without --demo.');
  const from = restore && resolve(process.env['INIT_CWD'] ?? process.cwd(), restore);
  const { db, close } = await openDatabase(
    folder,
    from
      ? async (fresh) => {
          console.log(`Given back: ${await restoreBackup(fresh, from)} rows.`);
        }
      : undefined,
  );
  const web = resolve(values.web ?? `${root}/dist/web`);
  const { koa, end, ...stores } = await createApp(db, web, log);
  if (demo) await loadDemo(stores, `${root}/demo`, folder);

  const server = createServer(koa.callback());
  server.on('error', (error: NodeJS.ErrnoException) => {
    const inUse = error.code === 'EADDRINUSE';
    console.error(
      inUse ? `Port ${port} is taken. Choose another with --port, or --port 0 for any.` : error.message,
    );
    process.exit(1);
  });
  server.listen(port, '127.0.0.1', () => {
    const { port: taken } = server.address() as AddressInfo;
    console.log(`Fern Anvil is at http://127.0.0.1:${taken}/`);
    console.log(demo ? 'Serving the demo workshop.' : `Serving the shop in ${folder}.`);
    if (!existsSync(web)) console.log('The interface is not built yet: run npm start, or npm run build.');
  });
  const stop = () => {
    server.close();
    server.closeAllConnections();
    void end()
      .then(close)
      .finally(() => process.exit(0));
  };
  process.once('SIGINT', stop);
  process.once('SIGTERM', stop);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
