import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { sql } from 'drizzle-orm';
import { messageOf } from '../core/kind/index.ts';
import { restoreBackup, writeBackup } from './backup.ts';
import type { Database, Filling, FreshDatabase, OpenDatabase } from './database.ts';
import { TABLES } from './tables.ts';
import type { StoredTable } from './stored-table.ts';

/** What is made from the documents, and made anew where it is of another form: no part of what is compared. */
const MADE_ANEW = ['summary', 'card', 'revision'];

/** How many rows a table has, and what tells their contents from any others. */
interface Contents {
  readonly rows: number;
  readonly digest: string;
}

/** What every table holds, by its name. */
async function contents(db: Pick<Database, 'execute'>): Promise<ReadonlyMap<string, Contents>> {
  const found = new Map<string, Contents>();
  for (const { name, primaryKey } of TABLES) {
    const row = MADE_ANEW.reduce((json, column) => sql`${json} - ${column}::text`, sql`to_jsonb(t)`);
    // Ordered by bytes, whatever order of letters a server has.
    const key = sql.join(
      primaryKey.map((column) => sql`t.${sql.identifier(column)}::text collate "C"`),
      sql`, `,
    );
    const { rows } = await db.execute<{ rows: number; digest: string }>(
      sql`select count(*)::int as rows, md5(coalesce(string_agg(md5((${row})::text), '' order by ${key}), '')) as digest from ${sql.identifier(name)} t`,
    );
    if (rows[0]) found.set(name, rows[0]);
  }
  return found;
}

/** The table that differs between two databases, with what is wrong of it; nothing where none does. */
function difference(
  from: ReadonlyMap<string, Contents>,
  to: ReadonlyMap<string, Contents>,
): { readonly table: StoredTable; readonly words: string } | undefined {
  for (const table of TABLES) {
    const [before, after] = [from.get(table.name), to.get(table.name)];
    if (before?.rows !== after?.rows)
      return { table, words: `${before?.rows ?? 0} rows there and ${after?.rows ?? 0} here` };
    if (before?.digest !== after?.digest) return { table, words: 'rows that are not the same' };
  }
  return undefined;
}

/**
 * Carries a shop over into a database that holds none: as a backup, which is given back there and compared
 * row by row with what it came from, all of it or nothing. The shop it came from stays as it is. `open`
 * begins the other database. Resolves to the rows carried over; throws with a sentence where one does not
 * fit, or where the shop was changed meanwhile.
 */
export async function moveShop(
  from: Database,
  open: (fill: Filling) => Promise<OpenDatabase>,
): Promise<number> {
  const folder = await mkdtemp(join(tmpdir(), 'fern-anvil-move-'));
  try {
    const file = join(folder, 'shop.fern-backup.gz');
    await pipeline(writeBackup(from), createWriteStream(file, { mode: 0o600 }));
    let carried = 0;
    const fill = async (fresh: FreshDatabase): Promise<void> => {
      carried = (await restoreBackup(fresh, file)).rows;
      const differs = difference(await contents(from), await contents(fresh));
      if (differs)
        throw new Error(
          `Its ${differs.table.name} have ${differs.words}: the shop was changed while it was carried over. ` +
            'Nothing was kept. Stop every server of it, then try again.',
        );
    };
    await (await open(fill)).close();
    return carried;
  } catch (error) {
    const words = messageOf(error).replace(/^--restore: /, '');
    throw new Error(
      `--move-to: ${words.replace(/ Add --set-aside FILE.*$/s, ' Correct or delete them first.')}`,
      { cause: error },
    );
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
