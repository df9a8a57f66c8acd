import type { SQL } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import { and, asc, count, eq, gt, ilike, isNotNull, isNull, or, sql } from 'drizzle-orm';
import type { Collection, Documents, Kept, ListQuery, Page } from '../contract/api.ts';
import { PAGE_LIMIT } from '../contract/api.ts';
import type { Database } from './database.ts';
import { HttpProblem, notFound } from './problem.ts';
import { briefs, designs, hooks, plastics } from './schema.ts';
import type { CardBody } from './summary.ts';

const TABLES = { designs, plastics, briefs, hooks };
const NOUN: Readonly<Record<Collection, string>> = {
  designs: 'design',
  plastics: 'plastic',
  briefs: 'brief',
  hooks: 'hook',
};

type Row = typeof designs.$inferSelect;

/** What a save was made against: the version it saw, or nothing in particular. */
export type Expected = number | undefined;

/** What a save makes besides the document itself: columns of its row. */
export interface Made {
  readonly summary: Kept<unknown>['summary'] | null;
  readonly card: CardBody | null;
}

/** A transaction, or the database itself. */
export type Writer = Pick<Database, 'select' | 'insert' | 'update' | 'delete'>;

/** Summaries made anew before the request that asked for it is answered. */
const AT_ONCE = 20;

/** How a replaced document stands in its history. */
export interface Replacing {
  /** goes to this step instead of adding one */
  readonly step?: number;
  /** makes a step of its own, whatever came just before it */
  readonly isFresh?: boolean;
}

/** Told of every save of a document inside the transaction it is saved in. */
export type OnSave<T> = (
  writer: Writer,
  saved: { id: string; before: T | undefined; after: T; step: number; isFresh?: boolean },
) => Promise<number>;

/** Reads and writes one collection of documents. Every write is one transaction, so it is kept whole or not at all. */
export class DocumentStore<C extends Collection> {
  private readonly table: typeof designs;
  private readonly db: Database;
  private readonly collection: C;
  private readonly make: (document: Documents[C]) => Made;
  /** Counts writes of this process, the only one on its data: whoever keeps something made of all documents can tell whether it still holds. */
  writes = 0;
  /** summaries still being made anew */
  private following: Promise<void> = Promise.resolve();
  private readonly onSave: OnSave<Documents[C]> | undefined;

  constructor(
    db: Database,
    collection: C,
    make: (document: Documents[C]) => Made = () => ({ summary: null, card: null }),
    onSave?: OnSave<Documents[C]>,
  ) {
    this.db = db;
    this.collection = collection;
    this.make = make;
    this.onSave = onSave;
    this.table = TABLES[collection] as unknown as typeof designs;
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

  async read(id: string): Promise<Kept<Documents[C]>> {
    const [row] = await this.db
      .select()
      .from(this.table)
      .where(and(eq(this.table.id, id), isNull(this.table.deletedAt)));
    if (!row) throw notFound(`This ${NOUN[this.collection]}`);
    return this.kept(row);
  }

  async create(document: Documents[C], id: string = randomUUID()): Promise<Kept<Documents[C]>> {
    const [kept] = await this.createMany([{ id, document }]);
    return kept as Kept<Documents[C]>;
  }

  /** Creates several at once, all or none. */
  createMany(
    items: readonly { readonly id?: string; readonly document: Documents[C] }[],
  ): Promise<Kept<Documents[C]>[]> {
    return this.db.transaction((tx) => this.insertAll(tx, items));
  }

  /** The same inside a transaction of the caller's. */
  async insertAll(
    tx: Writer,
    items: readonly { readonly id?: string; readonly document: Documents[C] }[],
  ): Promise<Kept<Documents[C]>[]> {
    this.writes++;
    const kept: Kept<Documents[C]>[] = [];
    for (const { id = randomUUID(), document } of items) {
      const step = (await this.onSave?.(tx, { id, before: undefined, after: document, step: -1 })) ?? 0;
      const [row] = await tx
        .insert(this.table)
        .values({ id, name: document.name, document, step, ...this.make(document) })
        .returning();
      kept.push(this.kept(row as Row));
    }
    return kept;
  }

  /** Puts a document under an id of the caller's, over one that was deleted under it. */
  async bringIn(tx: Writer, id: string, document: Documents[C]): Promise<void> {
    await tx.delete(this.table).where(and(eq(this.table.id, id), isNotNull(this.table.deletedAt)));
    await this.insertAll(tx, [{ id, document }]);
  }

  /** Replaces a document if it still is at the expected version; a stale save gets 412 and changes nothing. */
  async replace(
    id: string,
    document: Documents[C],
    expected: Expected,
    how: Replacing = {},
  ): Promise<Kept<Documents[C]>> {
    const kept = await this.db.transaction((tx) => this.replaceIn(tx, id, document, expected, how));
    return kept ?? this.refuse(id);
  }

  /** The same inside a transaction of the caller's; undefined when the document is not there at that version. */
  async replaceIn(
    tx: Writer,
    id: string,
    document: Documents[C],
    expected: Expected,
    { step, isFresh = false }: Replacing = {},
  ): Promise<Kept<Documents[C]> | undefined> {
    const { table } = this;
    const [now] = await tx
      .select()
      .from(table)
      .where(and(eq(table.id, id), isNull(table.deletedAt), this.at(expected)));
    if (!now) return undefined;
    this.writes++;
    const made = this.make(document);
    const at =
      step ??
      (await this.onSave?.(tx, {
        id,
        before: now.document as Documents[C],
        after: document,
        step: now.step,
        isFresh,
      })) ??
      0;
    const [row] = await tx
      .update(table)
      .set({
        name: document.name,
        document,
        step: at,
        ...made,
        version: sql`${table.version} + 1`,
        updatedAt: new Date(),
      })
      .where(and(eq(table.id, id), eq(table.version, now.version)))
      .returning();
    return row ? this.kept(row) : undefined;
  }

  /** Puts a document away or takes it out again. */
  async archive(id: string, away: boolean): Promise<Kept<Documents[C]>> {
    const { table } = this;
    this.writes++;
    const [row] = await this.db
      .update(table)
      .set({ archivedAt: away ? new Date() : null, version: sql`${table.version} + 1` })
      .where(and(eq(table.id, id), isNull(table.deletedAt)))
      .returning();
    if (!row) throw notFound(`This ${NOUN[this.collection]}`);
    return this.kept(row);
  }

  /** Every document that is not deleted, in order of name, for export. */
  async all(): Promise<{ id: string; document: Documents[C] }[]> {
    const { table } = this;
    const rows = await this.db
      .select({ id: table.id, document: table.document })
      .from(table)
      .where(isNull(table.deletedAt))
      .orderBy(asc(table.name), asc(table.id));
    return rows as { id: string; document: Documents[C] }[];
  }

  async remove(id: string, expected: Expected): Promise<void> {
    const { table } = this;
    this.writes++;
    const rows = await this.db
      .update(table)
      .set({ deletedAt: new Date(), version: sql`${table.version} + 1` })
      .where(and(eq(table.id, id), isNull(table.deletedAt), this.at(expected)))
      .returning({ id: table.id });
    if (rows.length === 0) await this.refuse(id);
  }

  /** Brings a deleted document back; one that was never deleted is given as it is. */
  async restore(id: string): Promise<Kept<Documents[C]>> {
    const { table } = this;
    this.writes++;
    const [row] = await this.db
      .update(table)
      .set({ deletedAt: null, version: sql`${table.version} + 1` })
      .where(and(eq(table.id, id), isNotNull(table.deletedAt)))
      .returning();
    return row ? this.kept(row) : this.read(id);
  }

  /**
   * Makes summaries anew that are out of date by the given condition. The first few are done when it returns; the rest follow one by one
   * between other requests, since a large shop takes a while. Those not reached before the end of the process are found by the same condition
   * at the next start.
   */
  async resummarise(isStale: SQL): Promise<void> {
    const { table } = this;
    // Lists that were put together before may tell figures that are old now.
    this.writes++;
    const ids = (await this.db.select({ id: table.id }).from(table).where(isStale)).map(({ id }) => id);
    const remake = async (id: string) => {
      const [row] = await this.db.select().from(table).where(eq(table.id, id));
      if (!row) return;
      this.writes++;
      // A save meanwhile has made its own, from the newest metals: only the row that was read is touched.
      await this.db
        .update(table)
        .set(this.make(row.document as Documents[C]))
        .where(and(eq(table.id, id), eq(table.version, row.version)));
    };
    for (const id of ids.slice(0, AT_ONCE)) await remake(id);
    this.following = this.following.then(async () => {
      for (const id of ids.slice(AT_ONCE)) {
        await new Promise((resolve) => setImmediate(resolve));
        // The database may be closed under it at the end of the process.
        await remake(id).catch(() => undefined);
      }
    });
  }

  private at(expected: Expected) {
    return expected === undefined ? undefined : eq(this.table.version, expected);
  }

  private async refuse(id: string): Promise<never> {
    const now = await this.read(id);
    throw new HttpProblem(
      412,
      'Changed elsewhere',
      `This ${NOUN[this.collection]} was saved elsewhere since you opened it (now version ${now.version}). Compare the two and choose.`,
    );
  }

  private kept(row: Row): Kept<Documents[C]> {
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

const writeCursor = ({ name, id }: { name: string; id: string }): string =>
  Buffer.from(JSON.stringify([name, id])).toString('base64url');

function readCursor(text: string): { name: string; id: string } {
  try {
    const [name, id] = JSON.parse(Buffer.from(text, 'base64url').toString('utf8')) as [unknown, unknown];
    if (typeof name === 'string' && typeof id === 'string') return { name, id };
  } catch {
    // Told below, with every other cursor that is not ours.
  }
  throw new HttpProblem(400, 'Bad page', '“after” is not a page mark of this list. Start again without it.');
}
