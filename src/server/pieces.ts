import { setImmediate as turn } from 'node:timers/promises';
import type { SQL } from 'drizzle-orm';
import { sql } from 'drizzle-orm';
import type { Database } from './database.ts';
import type { StoredTable } from './stored-table.ts';

/** Most rows of one piece. */
const MOST_ROWS = 200;
/**
 * Most bytes of one piece as they lie in the database, packed; one row may be more. Unpacked that is one or
 * two megabytes.
 */
const MOST_BYTES = 200_000;

/** A row whole, as the JSON text the database makes of it, and its key. */
export interface RowText {
  readonly text: string;
  readonly key: readonly unknown[];
  /** what was asked of the row besides */
  readonly also: string;
}

/** A transaction, or the database itself, for SQL of its own. */
export interface Queryable {
  readonly execute: Database['execute'];
  readonly transaction: <T>(act: (tx: Queryable) => Promise<T>) => Promise<T>;
}

/**
 * The rows of a piece are found by the table’s index and in its order, whatever the planner thinks of it: it
 * takes a few rows of many to be many of few, reads the whole table for every piece, and the time for all of
 * them grows with the square of their number. Holds within a transaction.
 */
const BY_INDEX = sql`select ${sql.join(
  ['seqscan', 'bitmapscan', 'hashjoin', 'mergejoin', 'sort'].map(
    (way) => sql`set_config(${`enable_${way}`}, 'off', true)`,
  ),
  sql`, `,
)}`;

/**
 * One piece of a table in the order of its primary key, bounded in rows and bytes, from after the given key
 * on. `where` narrows it, and `also` is a text asked of every row; columns of the table stand in them as
 * `t.name`.
 */
async function readPiece(
  db: Queryable,
  { name, columns, primaryKey }: StoredTable,
  after: readonly unknown[] | undefined,
  where: SQL,
  also: SQL,
): Promise<{ readonly rows: readonly RowText[]; readonly isLast: boolean }> {
  const key = (alias: string) =>
    sql.join(
      primaryKey.map((column) => sql`${sql.identifier(alias)}.${sql.identifier(column)}`),
      sql`, `,
    );
  const beyond = after
    ? sql`(${key('t')}) > (${sql.join(
        after.map((value) => sql`${value}`),
        sql`, `,
      )})`
    : sql`true`;
  // How large a row is, is asked of its packed form: nothing is unpacked that does not go out.
  const size = sql.join(
    columns.map((column) => sql`coalesce(pg_column_size(t.${sql.identifier(column)}), 0)`),
    sql` + `,
  );
  const asked = sql`
    with sized as (
      select ${key('t')}, ${size} as size from ${sql.identifier(name)} t
      where ${beyond} and ${where} order by ${key('t')} limit ${MOST_ROWS}
    ), counted as (
      select *, sum(size) over (order by ${key('sized')}) as total, row_number() over (order by ${key('sized')}) as place from sized
    )
    select row_to_json(t)::text as "text", ${also} as also, (select count(*)::int from sized) as "found", ${sql.join(
      primaryKey.map((column, i) => sql`t.${sql.identifier(column)} as ${sql.identifier(`key_${i}`)}`),
      sql`, `,
    )}
    from ${sql.identifier(name)} t join counted on (${key('t')}) = (${key('counted')})
    where counted.place = 1 or counted.total <= ${MOST_BYTES}
    order by ${key('t')}`;
  const { rows } = await db.transaction(async (tx) => {
    await tx.execute(BY_INDEX);
    return tx.execute<Record<string, unknown> & { text: string; also: string; found: number }>(asked);
  });
  return {
    rows: rows.map((row) => ({
      text: row.text,
      also: row.also,
      key: primaryKey.map((_, i) => row[`key_${i}`]),
    })),
    // None were left out, for their number or their bytes: what is written after this is no part of it, and a
    // table that grows while it is read comes to an end.
    isLast: rows.length < MOST_ROWS && rows.length === (rows[0]?.found ?? 0),
  };
}

/** A table piece by piece. Between two pieces everything else that waits has its turn. */
export async function* pieces(
  db: Queryable,
  table: StoredTable,
  where: SQL = sql`true`,
  also: SQL = sql`''`,
): AsyncGenerator<readonly RowText[]> {
  let after: readonly unknown[] | undefined;
  for (;;) {
    const { rows, isLast } = await readPiece(db, table, after, where, also);
    if (rows.length > 0) yield rows;
    if (isLast) return;
    after = rows.at(-1)?.key;
    await turn();
  }
}

/** All of what comes a piece at a time: for what is known to be little. */
export async function collected<T>(some: AsyncIterable<readonly T[]>): Promise<T[]> {
  const all: T[] = [];
  for await (const piece of some) all.push(...piece);
  return all;
}

/** The condition that a column holds one of some keys, of which there must be one at least. */
export const among = (column: SQL, keys: readonly string[]): SQL =>
  sql`${column} in (${sql.join(
    keys.map((key) => sql`${key}`),
    sql`, `,
  )})`;
