import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';
import type { PgliteDatabase } from 'drizzle-orm/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { lockFolder } from './folder-lock.ts';
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
  const release = await lockFolder(folder, (reason) => {
    // Another process may be writing here now: going on could only do harm.
    console.error(`The data in ${folder} is no longer held by this server (${reason.message}). It stops.`);
    process.exit(1);
  });
  const client = new PGlite(join(folder, 'postgres'));
  const db = drizzle(client, { schema });
  await migrate(db, { migrationsFolder: fileURLToPath(new URL('./migrations', import.meta.url)) });
  return {
    db,
    close: async () => {
      await client.close();
      await release();
    },
  };
}
