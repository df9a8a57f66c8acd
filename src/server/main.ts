import { createWriteStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { pino } from 'pino';
import { messageOf } from '../core/kind/index.ts';
import { misfitSentence, verifyBackup } from '../disk/backup-file.ts';
import { restoreBackup, writeBackup } from './backup.ts';
import type { Filling, OpenDatabase } from './database.ts';
import { openDatabase } from './database.ts';
import { moveShop } from './move.ts';
import type { Place } from './options.ts';
import { HELP, parseOptions, placeText } from './options.ts';
import { serve } from './serve.ts';
import { openServerDatabase } from './server-database.ts';

const open = ({ folder, database }: Place, fill?: Filling): Promise<OpenDatabase> =>
  database ? openServerDatabase(database.url, database.connections, fill) : openDatabase(folder, fill);

/** Gives a backup back into a database that is begun for it, and says what was. */
const givingBack =
  (file: string, setAside: string | undefined): Filling =>
  async (fresh) => {
    const { rows, aside } = await restoreBackup(fresh, file, setAside);
    console.log(`Given back: ${rows} rows.`);
    for (const misfit of aside) console.log(`Set aside: ${misfitSentence(misfit)}`);
  };

async function main(): Promise<void> {
  const options = parseOptions();
  const { place, isHelp, restore, setAside, backup, moveTo } = options;
  if (isHelp) {
    console.log(HELP);
    return;
  }
  const log = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' });
  // A signal that comes while the data are being opened ends the process at once: whatever was answered for
  // is on the device.
  let stop = (): void => process.exit(143);
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => stop());
  const { db, close } = await open(place, restore === undefined ? undefined : givingBack(restore, setAside));
  if (backup !== undefined) {
    await pipeline(writeBackup(db), createWriteStream(backup, { mode: 0o600 }));
    const { rows } = await verifyBackup(backup, 'seal');
    await close();
    console.log(`Backup of ${rows} rows in ${backup}.`);
    return;
  }
  if (moveTo) {
    const rows = await moveShop(db, (fill) => open(moveTo, fill)).finally(close);
    console.log(`Carried over: ${rows} rows, from ${placeText(place)} to ${placeText(moveTo)}.`);
    console.log('What is there now was compared with what it came from, which stays as it was.');
    return;
  }
  await serve({ db, close }, options, log, (how) => {
    stop = how;
  });
}

main().catch((error: unknown) => {
  console.error(messageOf(error));
  process.exit(1);
});
