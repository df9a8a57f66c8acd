import { appendFileSync } from 'node:fs';
import type { Readable } from 'node:stream';
import { sql } from 'drizzle-orm';
import { keepsHistory, WITH_HISTORY } from '../contract/collections/index.ts';
import type { Collection } from '../contract/collections/index.ts';
import { checkCard, checkSummary } from '../contract/validate.ts';
import type { Design } from '../core/document/index.ts';
import { causeOf, messageOf } from '../core/kind/index.ts';
import type { Misfit } from '../disk/backup-file.ts';
import { BackupProblem, checkRow, misfitSentence, readBackup, verifyBackup } from '../disk/backup-file.ts';
import type { ForgetLine, RowLine } from '../disk/backup-format.ts';
import { BACKUP_VERSION } from '../disk/backup-format.ts';
import { CHECKPOINT_BYTES } from './checkpoints.ts';
import type { Database, FreshDatabase } from './database.ts';
import { isDiskFull } from './guards.ts';
import { among } from './pieces.ts';
import { pendingCard } from './summary.ts';
import type { StoredTable } from './stored-table.ts';
import { OWNED, ownerKey } from './stored-table.ts';
import { TABLES } from './tables.ts';

/**
 * The whole shop as gzipped lines of JSON, as `backupStream` writes them in the database's own thread: rows
 * pass through its heap, which is small, and not through the server's, which holds a large shop and grows by
 * as much again before it lets anything go.
 */
export const writeBackup = ({ $client }: Database): Readable =>
  $client.backup({ tables: TABLES, withHistory: WITH_HISTORY });

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
  db: FreshDatabase,
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
async function forget(db: FreshDatabase, collection: Collection, ids: readonly string[]): Promise<number> {
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
function rowWriter(db: FreshDatabase) {
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
      await db.checkpoint();
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
