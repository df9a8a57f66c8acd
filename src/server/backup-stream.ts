import { createHash } from 'node:crypto';
import { pipeline, Readable } from 'node:stream';
import { createGzip } from 'node:zlib';
import type { PGlite } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/pglite';
import type { WithHistory } from '../contract/collections/index.ts';
import { MADE_BY } from '../contract/version.ts';
import type { BackupFoot, BackupHead, ForgetLine } from '../disk/backup-format.ts';
import { BACKUP_FORMAT, BACKUP_VERSION, lineOf } from '../disk/backup-format.ts';
import type { MapperSource } from './engine.ts';
import type { Queryable, RowText } from './pieces.ts';
import { among, collected, pieces } from './pieces.ts';
import type { StoredTable } from './stored-table.ts';
import { OWNED, ownerKey } from './stored-table.ts';

/** What goes into a backup, as plain data, which the database's thread is sent. */
export interface BackupPlan {
  /** every table, in the order of the file */
  readonly tables: readonly StoredTable[];
  /** collections whose documents keep their steps */
  readonly withHistory: readonly WithHistory[];
}

/**
 * How often a document that is saved again and again while it is read is begun anew; then its history is read
 * in one go.
 */
const MOST_TRIES = 5;

/**
 * A whole shop as gzipped lines of JSON: a head, a line for every row of every table, and a foot that counts
 * and seals them. Rows are read in pieces of one or two megabytes between other requests, and no faster than
 * they are taken, so that work goes on and memory stays level. A document goes out with the history and the
 * named versions it had at one moment. Runs in the thread of the database.
 */
export function backupStream(client: MapperSource, plan: BackupPlan): Readable {
  // Of the class the mapper calls these two.
  const db = drizzle(client as PGlite);
  const lines = async function* () {
    const seal = createHash('sha256');
    let rows = 0;
    const head: BackupHead = {
      format: BACKUP_FORMAT,
      version: BACKUP_VERSION,
      at: new Date().toISOString(),
      by: MADE_BY,
    };
    const first = lineOf(JSON.stringify(head));
    seal.update(first);
    yield first;
    for await (const some of everyRow(db, plan)) {
      rows += some.length;
      // A line at a time: a piece as one text of a megabyte is kept long after it is done with.
      for (const row of some) {
        const text = lineOf(row);
        seal.update(text);
        yield text;
      }
    }
    const foot: BackupFoot = { rows, sha256: seal.digest('hex') };
    yield `${JSON.stringify(foot)}\n`;
  };
  const packed = createGzip({ level: 6 });
  // One piece is being packed and one waits: what is read ahead is kept in memory.
  pipeline(Readable.from(lines(), { highWaterMark: 1 }), packed, () => {
    // An error, or a reader that went away, ends both sides; who reads is told by the packed one.
  });
  return packed;
}

const rowLine = (table: string, text: string): string => `{"table":"${table}","row":${text}}`;

/** Lines of every row, a piece at a time. */
async function* everyRow(db: Queryable, plan: BackupPlan): AsyncGenerator<string[]> {
  const owned = OWNED.map((name) => tableOf(plan, name));
  for (const table of plan.tables) {
    if (owned.includes(table)) continue;
    const collection = plan.withHistory.find((one) => one === table.collection);
    if (collection) yield* withHistory(db, table, collection, owned);
    else
      for await (const piece of pieces(db, table)) yield piece.map(({ text }) => rowLine(table.name, text));
  }
  // What belongs to a document that is not there any more: nothing is left out for that.
  for (const table of owned) {
    const orphaned = sql.join(
      plan.withHistory.map(
        (collection) =>
          sql`not exists (select from ${sql.identifier(collection)} o where ${
            collection === 'designs' ? sql`o.id` : sql`${`${collection}/`} || o.id`
          } = t.design_id)`,
      ),
      sql` and `,
    );
    for await (const piece of pieces(db, table, orphaned))
      yield piece.map(({ text }) => rowLine(table.name, text));
  }
}

const tableOf = ({ tables }: BackupPlan, name: string): StoredTable => {
  const table = tables.find((one) => one.name === name);
  if (!table) throw new Error(`There is no table “${name}”.`);
  return table;
};

/** What tells two states of a document apart: one brought in anew begins at version 1 again. */
const STATE = sql`concat_ws(' ', t.version, t.step, extract(epoch from t.created_at))`;

/**
 * Documents with their steps and named versions. One that was saved while those were read is taken back and
 * follows anew.
 */
async function* withHistory(
  db: Queryable,
  table: StoredTable,
  collection: WithHistory,
  owned: readonly StoredTable[],
): AsyncGenerator<string[]> {
  for await (const piece of pieces(db, table, undefined, STATE)) {
    let rows: readonly RowText[] = piece;
    for (let tries = 1; rows.length > 0; tries++) {
      yield rows.map(({ text }) => rowLine(table.name, text));
      const ids = rows.map(({ key }) => String(key[0]));
      yield* belongings(db, collection, ids, owned);
      const { rows: now } = await db.execute<{ id: string; state: string }>(
        sql`select t.id, ${STATE} as state from ${sql.identifier(table.name)} t where ${among(sql`t.id`, ids)}`,
      );
      const states = new Map(now.map(({ id, state }) => [id, state]));
      const moved = rows.filter(({ key, also }) => states.get(String(key[0])) !== also);
      if (moved.length === 0) break;
      const again = moved.map(({ key }) => String(key[0]));
      const forget: ForgetLine = { forget: collection, ids: again };
      yield [JSON.stringify(forget)];
      if (tries === MOST_TRIES) {
        yield await atOneMoment(db, table, collection, again, owned);
        break;
      }
      rows = await collected(pieces(db, table, among(sql`t.id`, again), STATE));
    }
  }
}

/** Steps and named versions of some documents. */
async function* belongings(
  db: Queryable,
  collection: WithHistory,
  ids: readonly string[],
  owned: readonly StoredTable[],
): AsyncGenerator<string[]> {
  const keys = ids.map((id) => ownerKey(collection, id));
  for (const table of owned)
    for await (const piece of pieces(db, table, among(sql`t.design_id`, keys)))
      yield piece.map(({ text }) => rowLine(table.name, text));
}

/** Documents with everything that belongs to them in one transaction, however large: the last resort. */
const atOneMoment = (
  db: Queryable,
  table: StoredTable,
  collection: WithHistory,
  ids: readonly string[],
  owned: readonly StoredTable[],
): Promise<string[]> =>
  db.transaction(async (tx) => [
    ...(await collected(pieces(tx, table, among(sql`t.id`, ids)))).map(({ text }) =>
      rowLine(table.name, text),
    ),
    ...(await collected(belongings(tx, collection, ids, owned))),
  ]);
