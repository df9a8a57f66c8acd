import { causeOf, messageOf } from '../core/kind/index.ts';
import { createWriteStream, existsSync, renameSync, rmSync } from 'node:fs';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { BackupProblem, misfitSentence, verifyBackup } from '../disk/backup-file.ts';
import { BadInput } from './input.ts';

interface BackupOptions {
  readonly out: string;
  readonly server: string;
  readonly data?: string;
}

/** Most documents that do not fit that are printed. */
const MOST_TOLD = 50;

/**
 * Reads a backup whole, its seal and every document, and prints what it holds. Throws BadInput where it
 * cannot be used or something does not fit.
 */
export async function runVerify(file: string): Promise<void> {
  const { rows, at, misfits } = await verifyBackup(file, 'documents').catch((error: unknown) => {
    throw error instanceof BackupProblem ? new BadInput(`${file}: ${error.message}`) : error;
  });
  if (misfits.length > 0)
    throw new BadInput(
      [
        `${file}: the seal fits, but ${misfits.length} of its documents do not:`,
        ...misfits.slice(0, MOST_TOLD).map((misfit) => `  ${misfitSentence(misfit)}`),
      ].join('\n'),
    );
  console.log(`${file}: a whole backup${at ? ` of ${at}` : ''}, ${rows} rows; every document fits.`);
}

/**
 * Writes a backup of a running server's shop, or of the shop in a folder that no server holds; nothing half
 * made stays under the name.
 */
export async function runBackup({ out, server, data }: BackupOptions): Promise<void> {
  const part = `${out}.part`;
  try {
    if (data === undefined) await fetched(server, part);
    else written(data, part);
    await verifyBackup(part, 'seal');
    renameSync(part, out);
  } catch (error) {
    rmSync(part, { force: true });
    if (error instanceof BackupProblem) throw new BadInput(`The backup did not come whole: ${error.message}`);
    throw error;
  }
  await runVerify(out);
}

async function fetched(server: string, part: string): Promise<void> {
  const answer = await fetch(new URL('/api/backup', server)).catch((error: unknown) => {
    throw new BadInput(
      `--server: nothing answers at ${server} (${String(causeOf(error))}). Start the shop’s ` +
        'server, or name the shop’s folder with --data.',
    );
  });
  if (!answer.ok || !answer.body) throw new BadInput(`--server: ${server} answered ${answer.status}.`);
  await pipeline(
    Readable.fromWeb(answer.body as Parameters<typeof Readable.fromWeb>[0]),
    createWriteStream(part, { mode: 0o600 }),
  ).catch((error: unknown) => {
    throw new BadInput(`--out: ${part} cannot be written, or the server broke off (${messageOf(error)}).`);
  });
}

/** The server's own program writes it, since the folder is its to hold. */
function written(data: string, part: string): void {
  if (!existsSync(data)) throw new BadInput(`--data: there is no folder ${data}.`);
  const program = fileURLToPath(new URL('./server.js', import.meta.url));
  const { status, stderr } = spawnSync(process.execPath, [program, '--data', data, '--backup', part], {
    encoding: 'utf8',
  });
  if (status !== 0) throw new BadInput(`--data: ${stderr.trim()}`);
}
