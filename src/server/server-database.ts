import { sql } from 'drizzle-orm';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { causeOf } from '../core/kind/index.ts';
import { openClient } from './database-client.ts';
import type { Database, Filling, OpenDatabase } from './database.ts';
import { mapped, MIGRATIONS, refuseNewer } from './database.ts';
import { hostsOf, refusedAt, shownAddress } from './postgres-address.ts';

/** What every process that begins a shop, or brings one to a newer form, holds meanwhile. */
const BEGINNING = 'fern-anvil/migrations';

/** Most connections of one process, besides the one that stays, where nothing else is said. */
export const USUAL_CONNECTIONS = 10;

/**
 * Opens the shop in a database of a PostgreSQL server and brings it to the newest form: one process at a time
 * of all that start at once, and all of it or nothing. Several may have it open. `fill` puts something into a
 * shop that is begun by this; there must be none yet then. Throws with a sentence where the server cannot be
 * reached or will not do, and where the data are of a newer version than this program.
 */
export async function openServerDatabase(
  url: string,
  connections = USUAL_CONNECTIONS,
  fill?: Filling,
): Promise<OpenDatabase> {
  // Before anything is asked: an address that is none is told as such.
  hostsOf(url);
  const client = await openClient({ url, connections });
  const db = mapped(client);
  try {
    await db.transaction(async (tx) => {
      // However long another one is at it, and a large backup takes.
      await tx.execute(
        sql`select set_config('lock_timeout', '0', true), set_config('statement_timeout', '0', true), set_config('idle_in_transaction_session_timeout', '0', true)`,
      );
      await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${BEGINNING}, 0))`);
      await refuseNewer(tx, `at ${shownAddress(url)}`, 'name another database with --database');
      if (fill && (await isShop(tx)))
        throw new Error(
          `--restore: there is a shop at ${shownAddress(url)} already, and nothing of it is overwritten. ` +
            'Name a database that holds none.',
        );
      // Of the mapper's own class it calls what a transaction has too.
      await migrate(tx as unknown as Database, { migrationsFolder: MIGRATIONS });
      if (fill) await fill({ execute: tx.execute.bind(tx), checkpoint: () => Promise.resolve() });
    });
  } catch (error) {
    await client.close().catch(() => undefined);
    const cause = causeOf(error) as { code?: string };
    throw cause.code === '42501' ? refusedAt(url, cause) : error;
  }
  return { db, close: () => client.close() };
}

/** Whether a shop has been begun in a database. */
async function isShop(db: Pick<Database, 'execute'>): Promise<boolean> {
  const { rows } = await db.execute<{ there: boolean }>(
    sql`select to_regclass('drizzle.__drizzle_migrations') is not null as there`,
  );
  return rows[0]?.there ?? false;
}
