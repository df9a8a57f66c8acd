import { setImmediate as turn } from 'node:timers/promises';
import { and, asc, count, eq, gt, ilike, inArray, isNull, or, sql } from 'drizzle-orm';
import type { Kept, Page } from '../contract/api.ts';
import type { Collection, Documents } from '../contract/collections/index.ts';
import { nounOf } from '../contract/collections/index.ts';
import type { ListQuery } from '../contract/requests.ts';
import { PAGE_LIMIT } from '../contract/requests.ts';
import type { Database } from './database.ts';
import { readCursor, writeCursor } from './page-mark.ts';
import { HttpProblem, notFound } from './problem.ts';
import type { Expected, Reader, Stored } from './saving.ts';
import type { designs } from './schema.ts';
import { DOCUMENT_TABLES } from './tables.ts';

/** A document as its table has it. */
export type Row = typeof designs.$inferSelect;

/**
 * Documents read in one go where all are gone through: their bytes as they lie in the database, and how many.
 */
const PIECE = { bytes: 400_000, rows: 200 } as const;

/** Documents read by id in one go. */
const SOME = 50;

/** Reads one collection of documents: one, a page, or all of them a bounded piece at a time. */
export class DocumentReader<C extends Collection> {
  protected readonly table: typeof designs;
  protected readonly db: Database;
  protected readonly collection: C;

  constructor(db: Database, collection: C) {
    this.db = db;
    this.collection = collection;
    this.table = DOCUMENT_TABLES[collection];
  }

  /** A page in order of name. `after` is the `next` of the page before. */
  async list({ limit = PAGE_LIMIT, after, q }: ListQuery): Promise<Page<Documents[C]>> {
    const { table } = this;
    const search = q?.trim();
    const matching = and(
      isNull(table.deletedAt),
      search ? ilike(table.name, `%${search.replace(/[\\%_]/g, '\\$&')}%`) : undefined,
    );
    const from = after === undefined ? undefined : readCursor(after);
    const beyond =
      from && or(gt(table.name, from.name), and(eq(table.name, from.name), gt(table.id, from.id)));
    const rows = await this.db
      .select()
      .from(table)
      .where(and(matching, beyond))
      .orderBy(asc(table.name), asc(table.id))
      .limit(limit + 1);
    const [total] = await this.db.select({ n: count() }).from(table).where(matching);
    const items = rows.slice(0, limit);
    const last = items.at(-1);
    return {
      items: items.map((row) => this.kept(row)),
      total: total?.n ?? 0,
      ...(rows.length > limit && last ? { next: writeCursor(last) } : {}),
    };
  }

  async read(id: string, reader: Reader = this.db, holds = false): Promise<Kept<Documents[C]>> {
    const query = reader
      .select()
      .from(this.table)
      .where(and(eq(this.table.id, id), isNull(this.table.deletedAt)));
    const [row] = await (holds ? query.for('update') : query);
    if (!row) throw notFound(`This ${nounOf(this.collection)}`);
    return this.kept(row);
  }

  /**
   * Throws unless a document is there at the expected version; its row is held to the end of the transaction.
   */
  async at(tx: Reader, id: string, expected: Expected): Promise<void> {
    const { version } = await this.read(id, tx, true);
    if (expected !== undefined && expected !== version) throw this.changed(version);
  }

  /**
   * Every document that is not deleted, in order of name, a bounded piece at a time: memory does not grow
   * with the shop, and everything else that waits has its turn between two pieces. Summaries come along only
   * where they are wanted.
   */
  async *each(withSummary = false): AsyncGenerator<Stored<Documents[C]>[]> {
    const { table } = this;
    const size = sql<number>`pg_column_size(${table.document})${withSummary ? sql` + coalesce(pg_column_size(${table.summary}), 0)` : sql``}`;
    let after: { name: string; id: string } | undefined;
    for (;;) {
      const beyond =
        after && or(gt(table.name, after.name), and(eq(table.name, after.name), gt(table.id, after.id)));
      const next = await this.db
        .select({ id: table.id, name: table.name, size })
        .from(table)
        .where(and(isNull(table.deletedAt), beyond))
        .orderBy(asc(table.name), asc(table.id))
        .limit(PIECE.rows);
      if (next.length === 0) return;
      let bytes = 0;
      const fits = next.filter((row, i) => (bytes += row.size) <= PIECE.bytes || i === 0);
      yield await this.few(
        fits.map(({ id }) => id),
        withSummary,
      );
      after = fits.at(-1);
      await turn();
    }
  }

  /** Documents by their ids, in order of name; those not there, or deleted, are left out. */
  async few(ids: readonly string[], withSummary = false): Promise<Stored<Documents[C]>[]> {
    const { table } = this;
    if (ids.length === 0) return [];
    const rows = await this.db
      .select({
        id: table.id,
        document: table.document,
        version: table.version,
        summary: withSummary ? table.summary : sql<null>`null`,
      })
      .from(table)
      .where(and(inArray(table.id, [...ids]), isNull(table.deletedAt)))
      .orderBy(asc(table.name), asc(table.id));
    return rows as Stored<Documents[C]>[];
  }

  /** The same for any number of ids, a bounded piece at a time. */
  async *some(ids: readonly string[], withSummary = false): AsyncGenerator<Stored<Documents[C]>[]> {
    for (let from = 0; from < ids.length; from += SOME) {
      yield await this.few(ids.slice(from, from + SOME), withSummary);
      await turn();
    }
  }

  /** The step of its history a document stands at. */
  async stepOf(id: string): Promise<number> {
    const [row] = await this.db
      .select({ step: this.table.step })
      .from(this.table)
      .where(eq(this.table.id, id));
    return row?.step ?? 0;
  }

  protected versionIs(expected: Expected) {
    return expected === undefined ? undefined : eq(this.table.version, expected);
  }

  protected async refuse(id: string, reader: Reader = this.db): Promise<never> {
    const now = await this.read(id, reader);
    throw this.changed(now.version);
  }

  protected changed(version: number): HttpProblem {
    return new HttpProblem(
      412,
      'Changed elsewhere',
      `This ${nounOf(this.collection)} was saved elsewhere since you opened it (now version ` +
        `${version}). Compare the two and choose.`,
    );
  }

  protected kept(
    row: Pick<Row, 'id' | 'version' | 'updatedAt' | 'archivedAt' | 'document' | 'summary'>,
  ): Kept<Documents[C]> {
    return {
      id: row.id,
      version: row.version,
      updatedAt: row.updatedAt.toISOString(),
      ...(row.archivedAt ? { archived: true as const } : {}),
      document: row.document as Documents[C],
      ...(row.summary ? { summary: row.summary as NonNullable<Kept<Documents[C]>['summary']> } : {}),
    };
  }
}
