import { messageOf } from '../core/kind/index.ts';
import { createWriteStream, existsSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { resolve } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { misfitSentence, verifyBackup } from '../disk/backup-file.ts';
import { restoreBackup, writeBackup } from './backup.ts';
import { openDatabase } from './database.ts';
import { loadDemo } from './demo.ts';

const HELP = `Usage: npm start -- [--data DIR [--demo] [--restore FILE]] [--port N]
  --data DIR   keep a real shop's data in DIR (begins empty); without it the demo workshop is served
  --demo       load the demo workshop into DIR as well
  --restore FILE  give a backup back into DIR, which must hold no shop yet
  --set-aside FILE  with --restore: write documents that do not fit to FILE and give back the rest
  --backup FILE   write a backup of the shop in DIR to FILE and end, without serving it
  --port N     port on this machine, 4600 unless given; 0 takes any free one`;

/** Longest that an end in good order may take, ms. */
const LONGEST_STOP_MS = 8_000;

const root = fileURLToPath(new URL('../..', import.meta.url));

async function main(): Promise<void> {
  const { values } = parseArgs({
    options: {
      data: { type: 'string' },
      port: { type: 'string', default: '4600' },
      demo: { type: 'boolean', default: false },
      web: { type: 'string' },
      restore: { type: 'string' },
      'set-aside': { type: 'string' },
      backup: { type: 'string' },
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
  const given = (file: string | undefined) =>
    file === undefined ? undefined : resolve(process.env['INIT_CWD'] ?? process.cwd(), file);
  const [from, aside, to] = [given(restore), given(values['set-aside']), given(values.backup)];
  // A signal that comes while the data are being opened ends the process at once: whatever was answered for
  // is on the device.
  let stop = (): void => process.exit(143);
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => stop());
  const { db, close } = await openDatabase(
    folder,
    from
      ? async (fresh) => {
          const { rows, aside: misfits } = await restoreBackup(fresh, from, aside);
          console.log(`Given back: ${rows} rows.`);
          for (const misfit of misfits) console.log(`Set aside: ${misfitSentence(misfit)}`);
        }
      : undefined,
  );
  if (to !== undefined) {
    await pipeline(writeBackup(db), createWriteStream(to, { mode: 0o600 }));
    const { rows } = await verifyBackup(to, 'seal');
    await close();
    console.log(`Backup of ${rows} rows in ${to}.`);
    return;
  }
  const web = resolve(values.web ?? `${root}/dist/web`);
  const { koa, end, ...stores } = createApp(db, { web, data: folder, isDemo: demo }, log);
  if (demo) await loadDemo(stores, `${root}/demo`, folder);

  const server = createServer(koa.callback());
  // Longer than any asker keeps an idle connection: who closes first must not be the one that is asked.
  server.keepAliveTimeout = 75_000;
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
  stop = () => {
    // What was begun is finished where it can be; a disk that does not answer holds nobody for longer than
    // this.
    setTimeout(() => process.kill(process.pid, 'SIGKILL'), LONGEST_STOP_MS);
    server.close();
    server.closeAllConnections();
    void end()
      .then(close)
      .catch((error: unknown) => {
        log.error(error, 'the shop was not closed in good order');
      })
      .finally(() => process.exit(0));
  };
}

main().catch((error: unknown) => {
  console.error(messageOf(error));
  process.exit(1);
});
