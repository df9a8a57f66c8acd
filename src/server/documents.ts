import type { SQL } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import { availableParallelism } from 'node:os';
import { and, asc, count, eq, gt, ilike, isNotNull, isNull, or, sql } from 'drizzle-orm';
import type { Collection, Documents, Kept, ListQuery, Page } from '../contract/api.ts';
import { PAGE_LIMIT } from '../contract/api.ts';
import type { Database } from './database.ts';
import { HttpProblem, notFound } from './problem.ts';
import { batches, briefs, designs, hooks, moulds, photos, plastics, ranges, trials } from './schema.ts';
import type { CardBody } from './summary.ts';

const TABLES = { designs, plastics, briefs, hooks, moulds, batches, ranges, trials, photos };
const NOUN: Readonly<Record<Collection, string>> = {
  designs: 'design',
  plastics: 'plastic',
  briefs: 'brief',
  hooks: 'hook',
  moulds: 'mould',
  batches: 'batch',
  ranges: 'range',
  trials: 'day',
  photos: 'photograph',
};

/** What a collection's documents are called in a sentence. */
export const nounOf = (collection: Collection): string => NOUN[collection];

type Row = typeof designs.$inferSelect;

/** What a save was made against: the version it saw, or nothing in particular. */
export type Expected = number | undefined;

/** What a save makes besides the document itself: columns of its row. */
export interface Made {
  readonly summary: Kept<unknown>['summary'] | null;
  readonly card: CardBody | null;
  /** the summary’s revision, and the metal it follows */
  readonly revision: number;
  readonly metal: string;
}

/** What documents without a summary are saved with. */
export const PLAIN: Made = { summary: null, card: null, revision: 0, metal: '' };

/** A transaction, or the database itself. */
export type Writer = Pick<Database, 'select' | 'insert' | 'update' | 'delete'>;

/** Something to read with: a transaction, or the database itself. */
export type Reader = Pick<Database, 'select'>;

/** Summaries made in one go: a thread is busy with them for half a second or so, and a save that comes meanwhile waits for that. */
const TOGETHER = 5;
/** Such goes that are asked for at once: as many as there are threads, so that a save waits for one of them and not for all. */
const GOES = Math.max(1, availableParallelism() - 1);

/** How a replaced document stands in its history. */
export interface Replacing {
  /** goes to this step instead of adding one */
  readonly step?: number;
  /** makes a step of its own, whatever came just before it */
  readonly isFresh?: boolean;
}

/** What goes with a save besides the document: the step of its history it then stands at, and what writes that in the save's transaction. */
export interface Recorded {
  readonly step: number;
  readonly write: (writer: Writer) => Promise<void>;
}

/** Asked before every save of a document what is to be recorded of it. It only reads; what it found counts as long as the document's version does. */
export type OnSave<T> = (
  reader: Reader,
  saved: { id: string; before: T | undefined; after: T; step: number; isFresh?: boolean },
) => Promise<Recorded>;

/** A save that is ready to be written: the version it was read at, and what goes with it. */
interface Ready {
  readonly version: number;
  readonly step: number;
  readonly record: Recorded | undefined;
}

/** Reads and writes one collection of documents. Every write is one transaction, so it is kept whole or not at all. */
export class DocumentStore<C extends Collection> {
  private readonly table: typeof designs;
  private readonly db: Database;
  private readonly collection: C;
  private readonly make: (documents: readonly Documents[C][]) => Promise<readonly Made[]>;
  /** summaries still being made anew */
  private following: Promise<void> = Promise.resolve();
  private isEnding = false;
  private readonly onSave: OnSave<Documents[C]> | undefined;

  constructor(
    db: Database,
    collection: C,
    make: (documents: readonly Documents[C][]) => Promise<readonly Made[]> = (all) =>
      Promise.resolve(all.map(() => PLAIN)),
    onSave?: OnSave<Documents[C]>,
  ) {
    this.db = db;
    this.collection = collection;
    this.make = make;
    this.onSave = onSave;
    this.table = TABLES[collection];
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

  async read(id: string, reader: Pick<Database, 'select'> = this.db): Promise<Kept<Documents[C]>> {
    const [row] = await reader
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
  async createMany(
    items: readonly { readonly id?: string; readonly document: Documents[C] }[],
  ): Promise<Kept<Documents[C]>[]> {
    const made = await this.makeAll(items.map(({ document }) => document));
    return this.db.transaction((tx) => this.insertAll(tx, items, made));
  }

  /** What saves of these documents make besides them, found before any transaction begins: it takes longer than one should. */
  async makeAll(documents: readonly Documents[C][]): Promise<readonly Made[]> {
    const made: Made[] = [];
    for (let from = 0; from < documents.length; from += GOES * TOGETHER) {
      const goes = Array.from({ length: GOES }, (_, i) => from + i * TOGETHER)
        .map((at) => documents.slice(at, at + TOGETHER))
        .filter((some) => some.length > 0);
      made.push(...(await Promise.all(goes.map((some) => this.make(some)))).flat());
    }
    return made;
  }

  /** The same inside a transaction of the caller's; `made` is in the order of the items. */
  async insertAll(
    tx: Writer,
    items: readonly { readonly id?: string; readonly document: Documents[C] }[],
    made: readonly Made[],
  ): Promise<Kept<Documents[C]>[]> {
    const kept: Kept<Documents[C]>[] = [];
    for (const [i, { id = randomUUID(), document }] of items.entries()) {
      const record = await this.onSave?.(tx, { id, before: undefined, after: document, step: -1 });
      const [row] = await tx
        .insert(this.table)
        .values({ id, name: document.name, document, step: record?.step ?? 0, ...(made[i] ?? PLAIN) })
        .returning();
      await record?.write(tx);
      kept.push(this.kept(row as Row));
    }
    return kept;
  }

  /** Puts a document under an id of the caller's, over one that was deleted under it. */
  async bringIn(tx: Writer, id: string, document: Documents[C], made: Made): Promise<void> {
    await tx.delete(this.table).where(and(eq(this.table.id, id), isNotNull(this.table.deletedAt)));
    await this.insertAll(tx, [{ id, document }], [made]);
  }

  /** Replaces a document if it still is at the expected version; a stale save gets 412 and changes nothing. */
  async replace(
    id: string,
    document: Documents[C],
    expected: Expected,
    how: Replacing = {},
  ): Promise<Kept<Documents[C]>> {
    const making = this.makeAll([document]);
    // It may fail before it is waited for: then that is told below, and is nobody's loss meanwhile.
    making.catch(() => undefined);
    // What there is to read is read while the summary is made; the version it was read at is asked for again in the transaction.
    const ready = await this.look(this.db, id, document, expected, how);
    const [made = PLAIN] = await making;
    return this.db.transaction((tx) => this.write(tx, id, document, ready, made));
  }

  /**
   * The same inside a transaction of the caller's. Throws when the document is not there at that version, so that everything the
   * transaction has written falls away with it.
   */
  async replaceIn(
    tx: Writer,
    id: string,
    document: Documents[C],
    expected: Expected,
    made: Made,
    how: Replacing = {},
  ): Promise<Kept<Documents[C]>> {
    return this.write(tx, id, document, await this.look(tx, id, document, expected, how), made);
  }

  /** Reads what a save needs to know. Throws when the document is not there at that version. */
  private async look(
    reader: Reader,
    id: string,
    document: Documents[C],
    expected: Expected,
    { step, isFresh = false }: Replacing,
  ): Promise<Ready> {
    const { table } = this;
    // Only what is asked of it is read: a summary is larger than its document.
    const [now] = await reader
      .select({ document: table.document, step: table.step, version: table.version })
      .from(table)
      .where(and(eq(table.id, id), isNull(table.deletedAt), this.at(expected)));
    if (!now) return this.refuse(id, reader);
    const record =
      step === undefined
        ? await this.onSave?.(reader, {
            id,
            before: now.document as Documents[C],
            after: document,
            step: now.step,
            isFresh,
          })
        : undefined;
    return { version: now.version, step: step ?? record?.step ?? 0, record };
  }

  /** Writes a save. Throws when the document is not at the version any more that it was read at. */
  private async write(
    tx: Writer,
    id: string,
    document: Documents[C],
    { version, step, record }: Ready,
    made: Made,
  ): Promise<Kept<Documents[C]>> {
    const { table } = this;
    const [row] = await tx
      .update(table)
      .set({
        name: document.name,
        document,
        step,
        ...made,
        version: sql`${table.version} + 1`,
        updatedAt: new Date(),
      })
      .where(and(eq(table.id, id), eq(table.version, version), isNull(table.deletedAt)))
      .returning({
        id: table.id,
        version: table.version,
        updatedAt: table.updatedAt,
        archivedAt: table.archivedAt,
      });
    // After it, since it is what holds other writers off.
    if (!row) return this.refuse(id, tx);
    await record?.write(tx);
    return this.kept({ ...row, document, summary: made.summary });
  }

  /** Puts a document away or takes it out again. */
  async archive(id: string, away: boolean): Promise<Kept<Documents[C]>> {
    const { table } = this;
    const [row] = await this.db
      .update(table)
      .set({ archivedAt: away ? new Date() : null, version: sql`${table.version} + 1` })
      .where(and(eq(table.id, id), isNull(table.deletedAt)))
      .returning();
    if (!row) throw notFound(`This ${NOUN[this.collection]}`);
    return this.kept(row);
  }

  /** Every document that is not deleted, in order of name, for export. */
  async all(): Promise<{ id: string; document: Documents[C]; summary: Kept<unknown>['summary'] | null }[]> {
    const { table } = this;
    const rows = await this.db
      .select({ id: table.id, document: table.document, summary: table.summary })
      .from(table)
      .where(isNull(table.deletedAt))
      .orderBy(asc(table.name), asc(table.id));
    return rows as Awaited<ReturnType<DocumentStore<C>['all']>>;
  }

  async remove(id: string, expected: Expected): Promise<void> {
    const { table } = this;
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
    const [row] = await this.db
      .update(table)
      .set({ deletedAt: null, version: sql`${table.version} + 1` })
      .where(and(eq(table.id, id), isNotNull(table.deletedAt)))
      .returning();
    return row ? this.kept(row) : this.read(id);
  }

  /**
   * Makes summaries anew that are out of date by the given condition, so many at a time and away from the event loop. The first are done when
   * `begun` resolves, all when `done` does. Those not reached before the end of the process are found by the same condition at the next start.
   */
  resummarise(
    isStale: SQL,
    failed: (reason: unknown) => void,
  ): { begun: Promise<void>; done: Promise<void> } {
    const { table } = this;
    const some = async (): Promise<boolean> => {
      const rows = await this.db.select().from(table).where(isStale).limit(TOGETHER);
      if (rows.length === 0) return false;
      const made = await this.make(rows.map(({ document }) => document as Documents[C]));
      await this.db.transaction(async (tx) => {
        for (const [i, row] of rows.entries()) {
          // A save meanwhile has made its own, from the newest metals: only the row that was read is touched.
          await tx
            .update(table)
            .set(made[i] ?? PLAIN)
            .where(and(eq(table.id, row.id), eq(table.version, row.version)));
        }
      });
      return true;
    };
    const begun = this.following.then(() => some());
    const done = begun
      .then(async (isMore) => {
        while (isMore && !this.isEnding) isMore = await some();
      })
      // The database may be closed under it at the end of the process.
      .catch((reason: unknown) => {
        if (!this.isEnding) failed(reason);
      });
    this.following = done;
    return { begun: begun.then(() => undefined), done };
  }

  /** The step of its history a document stands at. */
  async stepOf(id: string): Promise<number> {
    const [row] = await this.db
      .select({ step: this.table.step })
      .from(this.table)
      .where(eq(this.table.id, id));
    return row?.step ?? 0;
  }

  /** Resolves when no summary is being made anew any more. */
  settled(): Promise<void> {
    return this.following;
  }

  /** Lets summaries be that are still being made anew; resolves when the last of them is written. */
  async end(): Promise<void> {
    this.isEnding = true;
    await this.following;
  }

  private at(expected: Expected) {
    return expected === undefined ? undefined : eq(this.table.version, expected);
  }

  private async refuse(id: string, reader: Reader = this.db): Promise<never> {
    const now = await this.read(id, reader);
    throw new HttpProblem(
      412,
      'Changed elsewhere',
      `This ${NOUN[this.collection]} was saved elsewhere since you opened it (now version ${now.version}). Compare the two and choose.`,
    );
  }

  private kept(
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
