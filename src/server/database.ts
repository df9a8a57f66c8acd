import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';
import type { PgliteDatabase } from 'drizzle-orm/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import * as schema from './schema.ts';

export type Database = PgliteDatabase<typeof schema>;

export interface OpenDatabase {
  readonly db: Database;
  readonly close: () => Promise<void>;
}

/**
 * Opens the shop's data in a folder and brings it to the newest form. One process at a time: a second one is refused with a
 * sentence, while the lock of a process that was killed is taken over.
 */
export async function openDatabase(folder: string): Promise<OpenDatabase> {
  mkdirSync(folder, { recursive: true });
  const lock = join(folder, 'in-use-by');
  if (existsSync(lock)) {
    const holder = Number(readFileSync(lock, 'utf8'));
    if (holder !== process.pid && isAlive(holder)) {
      throw new Error(
        `The data in ${folder} is in use by process ${holder}. Stop that one first, or choose another folder with --data.`,
      );
    }
  }
  writeFileSync(lock, String(process.pid));
  const client = new PGlite(join(folder, 'postgres'));
  const db = drizzle(client, { schema });
  await migrate(db, { migrationsFolder: fileURLToPath(new URL('./migrations', import.meta.url)) });
  return {
    db,
    close: async () => {
      await client.close();
      rmSync(lock, { force: true });
    },
  };
}

function isAlive(pid: number): boolean {
  if (!Number.isInteger(pid) || pid <= 0) return false;
  try {
    process.kill(pid, 0);
    // A pid may have been handed to some other program since: only a Node process can be a server of ours.
    const cmdline = `/proc/${pid}/cmdline`;
    return existsSync(cmdline) ? readFileSync(cmdline, 'utf8').includes('node') : true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}
