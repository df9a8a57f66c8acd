import { causeOf, messageOf } from '../core/kind/index.ts';
import { createHash } from 'node:crypto';
import { appendFileSync } from 'node:fs';
import { pipeline, Readable } from 'node:stream';
import { createGzip } from 'node:zlib';
import type { SQL } from 'drizzle-orm';
import { sql } from 'drizzle-orm';
import { MADE_BY } from '../contract/version.ts';
import { checkCard, checkSummary } from '../contract/validate.ts';
import type { BackupFoot, BackupHead, ForgetLine, Misfit, RowLine } from '../disk/backup-file.ts';
import {
  BACKUP_FORMAT,
  BACKUP_VERSION,
  BackupProblem,
  checkRow,
  lineOf,
  misfitSentence,
  readBackup,
  verifyBackup,
} from '../disk/backup-file.ts';
import type { Design } from '../core/document/index.ts';
import { CHECKPOINT_BYTES } from './checkpoints.ts';
import type { Database } from './database.ts';
import { isDiskFull } from './guards.ts';
import type { Queryable, RowText } from './pieces.ts';
import { collected, pieces } from './pieces.ts';
import { pendingCard } from './summary.ts';
import type { StoredTable } from './tables.ts';
import { OWNED, ownerKey, TABLES } from './tables.ts';
import { WITH_HISTORY, keepsHistory } from '../contract/collections/index.ts';
import type { Collection, WithHistory } from '../contract/collections/index.ts';

/**
 * How often a document that is saved again and again while it is read is begun anew; then its history is read
 * in one go.
 */
const MOST_TRIES = 20;

/**
 * A whole shop as gzipped lines of JSON: a head, a line for every row of every table, and a foot that counts
 * and seals them. Rows are read in pieces of one or two megabytes between other requests, and no faster than
 * they are taken, so that work goes on and memory stays level. A document goes out with the history and the
 * named versions it had at one moment.
 */
export function writeBackup(db: Database): Readable {
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
    for await (const some of everyRow(db)) {
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
async function* everyRow(db: Database): AsyncGenerator<string[]> {
  for (const table of TABLES) {
    if ((OWNED as readonly string[]).includes(table.name)) continue;
    if (table.collection && keepsHistory(table.collection)) yield* withHistory(db, table, table.collection);
    else
      for await (const piece of pieces(db, table)) yield piece.map(({ text }) => rowLine(table.name, text));
  }
  // What belongs to a document that is not there any more: nothing is left out for that.
  for (const name of OWNED) {
    const orphaned = sql.join(
      WITH_HISTORY.map(
        (collection) =>
          sql`not exists (select from ${sql.identifier(collection)} o where ${
            collection === 'designs' ? sql`o.id` : sql`${`${collection}/`} || o.id`
          } = t.design_id)`,
      ),
      sql` and `,
    );
    for await (const piece of pieces(db, tableOf(name), orphaned))
      yield piece.map(({ text }) => rowLine(name, text));
  }
}

const tableOf = (name: string): StoredTable => {
  const table = TABLES.find((one) => one.name === name);
  if (!table) throw new Error(`There is no table “${name}”.`);
  return table;
};

const among = (column: SQL, keys: readonly string[]): SQL =>
  sql`${column} in (${sql.join(
    keys.map((key) => sql`${key}`),
    sql`, `,
  )})`;

/** What tells two states of a document apart: one brought in anew begins at version 1 again. */
const STATE = sql`concat_ws(' ', t.version, t.step, extract(epoch from t.created_at))`;

/**
 * Documents with their steps and named versions. One that was saved while those were read is taken back and
 * follows anew.
 */
async function* withHistory(
  db: Database,
  table: StoredTable,
  collection: WithHistory,
): AsyncGenerator<string[]> {
  for await (const piece of pieces(db, table, undefined, STATE)) {
    let rows: readonly RowText[] = piece;
    for (let tries = 1; rows.length > 0; tries++) {
      yield rows.map(({ text }) => rowLine(table.name, text));
      const ids = rows.map(({ key }) => String(key[0]));
      yield* owned(db, collection, ids);
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
        yield await atOneMoment(db, table, collection, again);
        break;
      }
      rows = await collected(pieces(db, table, among(sql`t.id`, again), STATE));
    }
  }
}

/** Steps and named versions of some documents. */
async function* owned(
  db: Queryable,
  collection: WithHistory,
  ids: readonly string[],
): AsyncGenerator<string[]> {
  const keys = ids.map((id) => ownerKey(collection, id));
  for (const name of OWNED)
    for await (const piece of pieces(db, tableOf(name), among(sql`t.design_id`, keys)))
      yield piece.map(({ text }) => rowLine(name, text));
}

/** Documents with everything that belongs to them in one transaction, however large: the last resort. */
const atOneMoment = (
  db: Database,
  table: StoredTable,
  collection: WithHistory,
  ids: readonly string[],
): Promise<string[]> =>
  db.transaction(async (tx) => [
    ...(await collected(pieces(tx, table, among(sql`t.id`, ids)))).map(({ text }) =>
      rowLine(table.name, text),
    ),
    ...(await collected(owned(tx, collection, ids))),
  ]);

const refused = (reason: string) =>
  new Error(`--restore: ${reason} Nothing was changed. Choose another backup, or fetch it anew.`);

/** Most documents that do not fit named in one sentence. */
const MOST_NAMED = 20;
/** Rows written in one go, and their bytes of JSON. */
const AT_ONCE = { rows: 500, bytes: 1_000_000 } as const;

/**
 * Gives a backup back into a database that was begun for it. The whole file is read before a row is written:
 * its seal, and every document against its schema. Documents that do not fit are named and nothing is given
 * back, unless `setAside` names a file: then they are written there whole, a line each, and the rest is given
 * back. Resolves to the rows given back and what was set aside. Throws with a sentence otherwise.
 */
export async function restoreBackup(
  db: Database,
  file: string,
  setAside?: string,
): Promise<{ readonly rows: number; readonly aside: readonly Misfit[] }> {
  const { misfits } = await verifyBackup(file, 'documents').catch((error: unknown) => {
    throw error instanceof BackupProblem ? refused(error.message) : error;
  });
  if (misfits.length > 0 && setAside === undefined) {
    const named = misfits.slice(0, MOST_NAMED).map(misfitSentence).join(' · ');
    const more = misfits.length > MOST_NAMED ? ` · and ${misfits.length - MOST_NAMED} more` : '';
    throw new Error(
      `--restore: ${misfits.length} of its documents do not fit: ${named}${more}. Nothing was ` +
        'changed. Add --set-aside FILE to give back the rest and have these written to FILE.',
    );
  }
  // What a new shop begins with gives way to what the shop had.
  for (const { name } of TABLES) await db.execute(sql`delete from ${sql.identifier(name)}`);
  const batch = rowWriter(db);
  let [rows, version] = [0, BACKUP_VERSION];
  for await (const text of readBackup(file, (head) => {
    version = head.version;
  })) {
    const line = JSON.parse(text) as Partial<RowLine & ForgetLine>;
    if (line.forget !== undefined && line.ids !== undefined) {
      await batch.flush();
      rows -= await forget(db, line.forget, line.ids);
      continue;
    }
    const table = TABLES.find(({ name }) => name === line.table);
    if (!table || !line.row)
      throw refused(`it holds “${String(line.table).slice(0, 40)}”, which this version does not know.`);
    const checked = checkRow({ table: table.name, row: line.row });
    if ('misfit' in checked) {
      // Checked above: it is wanted aside.
      if (setAside !== undefined) appendFileSync(setAside, `${text}\n`, { mode: 0o600 });
      continue;
    }
    const row = version === 1 ? named(table, checked.row) : checked.row;
    await batch.add(table, table.name === 'designs' ? withFigures(row) : row);
    rows++;
  }
  await batch.flush();
  return { rows, aside: misfits };
}

/** A row of version 1 with its columns named as the database does. */
const named = (table: StoredTable, row: RowLine['row']): RowLine['row'] =>
  Object.fromEntries(Object.entries(row).map(([key, value]) => [table.columnOf.get(key) ?? key, value]));

/**
 * A design's row with figures that can be shown: as they came, or, where they are missing or of another form,
 * none and a card with its name.
 */
function withFigures(row: RowLine['row']): RowLine['row'] {
  const { summary, card, document } = row;
  if (checkSummary(summary).ok && checkCard(card).ok) return row;
  return { ...row, summary: null, card: pendingCard(document as Design), revision: 0 };
}

/** Takes back documents with what belongs to them; how many rows that were. */
async function forget(db: Database, collection: Collection, ids: readonly string[]): Promise<number> {
  if (!keepsHistory(collection) || ids.length === 0) return 0;
  const keys = ids.map((id) => ownerKey(collection, id));
  const removed = [
    await db.execute(sql`delete from ${sql.identifier(collection)} where ${among(sql`id`, ids)} returning 1`),
  ];
  for (const name of OWNED)
    removed.push(
      await db.execute(
        sql`delete from ${sql.identifier(name)} where ${among(sql`design_id`, keys)} returning 1`,
      ),
    );
  return removed.reduce((sum, { rows }) => sum + rows.length, 0);
}

/** Writes rows of one table after the other, many in one go. */
function rowWriter(db: Database) {
  let pending:
    | { readonly table: StoredTable; readonly columns: readonly string[]; rows: string[]; bytes: number }
    | undefined;
  let written = 0;
  const flush = async (): Promise<void> => {
    if (!pending) return;
    const { table, columns, rows } = pending;
    pending = undefined;
    const names = sql.join(
      columns.map((name) => sql.identifier(name)),
      sql`, `,
    );
    await db
      .execute(
        sql`insert into ${sql.identifier(table.name)} (${names}) select ${names} from jsonb_populate_recordset(null::${sql.identifier(table.name)}, ${`[${rows.join()}]`}::jsonb)`,
      )
      .catch((cause: unknown) => {
        if (isDiskFull(cause)) throw cause;
        throw refusedFor(table, cause);
      });
    written += rows.reduce((sum, row) => sum + row.length, 0);
    // What a large shop writes is settled as it goes: the log would hold all of it otherwise.
    if (written > CHECKPOINT_BYTES) {
      written = 0;
      await db.execute(sql`checkpoint`);
    }
  };
  const add = async (table: StoredTable, row: RowLine['row']): Promise<void> => {
    const columns = Object.keys(row);
    const unknown = columns.find((name) => !table.columns.includes(name));
    if (unknown !== undefined)
      throw refused(`its ${table.name} hold “${unknown.slice(0, 40)}”, which this version does not know.`);
    const isAlike =
      pending?.table === table &&
      pending.columns.length === columns.length &&
      pending.columns.every((name) => name in row);
    if (!isAlike) await flush();
    pending ??= { table, columns, rows: [], bytes: 0 };
    const text = JSON.stringify(row);
    pending.rows.push(text);
    pending.bytes += text.length;
    if (pending.rows.length >= AT_ONCE.rows || pending.bytes >= AT_ONCE.bytes) await flush();
  };
  return { add, flush };
}

const refusedFor = ({ name }: StoredTable, cause: unknown): Error => {
  const inner = causeOf(cause);
  return refused(`its ${name} cannot be kept (${messageOf(inner).slice(0, 160)}).`);
};
