import { randomUUID } from 'node:crypto';
import { and, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import type { Kept } from '../contract/api.ts';
import type { Collection, Documents } from '../contract/collections/index.ts';
import { nounOf } from '../contract/collections/index.ts';
import type { Database } from './database.ts';
import type { Row } from './document-reader.ts';
import { DocumentReader } from './document-reader.ts';
import { isTaken } from './guards.ts';
import { HttpProblem } from './problem.ts';
import type { Expected, Made, OnSave, Reader, Recorded, Replacing, Writer } from './saving.ts';
import { PLAIN } from './saving.ts';

/** Summaries made in one go, so that a save that comes meanwhile has its turn between two of them. */
const TOGETHER = 5;

/** A save that is ready to be written: the version it was read at, and what goes with it. */
interface Ready {
  readonly version: number;
  readonly step: number;
  readonly record: Recorded | undefined;
}

/**
 * Reads and writes one collection of documents. Every write is one transaction, so it is kept whole or not at
 * all.
 */
export class DocumentStore<C extends Collection> extends DocumentReader<C> {
  private readonly make: (documents: readonly Documents[C][]) => Promise<readonly Made[]>;
  private readonly onSave: OnSave<Documents[C]> | undefined;

  constructor(
    db: Database,
    collection: C,
    make: (documents: readonly Documents[C][]) => Promise<readonly Made[]> = (all) =>
      Promise.resolve(all.map(() => PLAIN)),
    onSave?: OnSave<Documents[C]>,
  ) {
    super(db, collection);
    this.make = make;
    this.onSave = onSave;
  }

  async create(document: Documents[C], id: string = randomUUID()): Promise<Kept<Documents[C]>> {
    const [kept] = await this.createMany([{ id, document }]);
    return kept as Kept<Documents[C]>;
  }

  /** Creates a document under an id of the caller's; 412 where there is one already, deleted or not. */
  async createAs(id: string, document: Documents[C]): Promise<Kept<Documents[C]>> {
    const made = await this.makeAll([document]);
    const there = () =>
      new HttpProblem(
        412,
        'Already there',
        `There is a ${nounOf(this.collection)} under this id already, archived or deleted it may ` +
          'be. Read it, and change it from its version.',
      );
    const [kept] = await this.db
      .transaction(async (tx) => {
        const [present] = await tx
          .select({ version: this.table.version })
          .from(this.table)
          .where(eq(this.table.id, id));
        if (present) throw there();
        return this.insertAll(tx, [{ id, document }], made);
      })
      .catch((error: unknown) => {
        // Another process made it between the two.
        throw isTaken(error) ? there() : error;
      });
    return kept as Kept<Documents[C]>;
  }

  /**
   * Creates several at once, all or none; `ready` is what their saves make besides them, where it need not be
   * made first.
   */
  async createMany(
    items: readonly { readonly id?: string; readonly document: Documents[C] }[],
    ready?: readonly Made[],
  ): Promise<Kept<Documents[C]>[]> {
    const made = ready ?? (await this.makeAll(items.map(({ document }) => document)));
    return this.db.transaction((tx) => this.insertAll(tx, items, made));
  }

  /**
   * What saves of these documents make besides them, found before any transaction begins: it takes longer
   * than one should.
   */
  async makeAll(documents: readonly Documents[C][]): Promise<readonly Made[]> {
    const goes = Array.from({ length: Math.ceil(documents.length / TOGETHER) }, (_, i) =>
      documents.slice(i * TOGETHER, (i + 1) * TOGETHER),
    );
    return (await Promise.all(goes.map((some) => this.make(some)))).flat();
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

  /**
   * Replaces a document if it still is at the expected version; a stale save gets 412 and changes nothing.
   */
  async replace(
    id: string,
    document: Documents[C],
    expected: Expected,
    how: Replacing = {},
  ): Promise<Kept<Documents[C]>> {
    const making = this.makeAll([document]);
    // It may fail before it is waited for: then that is told below, and is nobody's loss meanwhile.
    making.catch(() => undefined);
    // What there is to read is read while the summary is made; the version it was read at is asked for again
    // in the transaction.
    const ready = await this.look(this.db, id, document, expected, how);
    const [made = PLAIN] = await making;
    return this.db.transaction((tx) => this.write(tx, id, document, ready, made));
  }

  /**
   * The same inside a transaction of the caller's. Throws when the document is not there at that version, so
   * that everything the transaction has written falls away with it.
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
      .where(and(eq(table.id, id), isNull(table.deletedAt), this.versionIs(expected)));
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

  /** Puts a document away or takes it out again, if it still is at the expected version. */
  async archive(id: string, away: boolean, expected: Expected): Promise<Kept<Documents[C]>> {
    const { table } = this;
    const [row] = await this.db
      .update(table)
      .set({ archivedAt: away ? new Date() : null, version: sql`${table.version} + 1` })
      .where(and(eq(table.id, id), isNull(table.deletedAt), this.versionIs(expected)))
      .returning();
    return row ? this.kept(row) : this.refuse(id);
  }

  /** Deletes a document; the version it then has. */
  async remove(id: string, expected: Expected): Promise<number> {
    const { table } = this;
    const [row] = await this.db
      .update(table)
      .set({ deletedAt: new Date(), version: sql`${table.version} + 1` })
      .where(and(eq(table.id, id), isNull(table.deletedAt), this.versionIs(expected)))
      .returning({ version: table.version });
    return row?.version ?? this.refuse(id);
  }

  /** Deletes several, all or none: 412 where one was saved meanwhile, 404 where one is not there. */
  async removeMany(items: readonly { readonly id: string; readonly version: number }[]): Promise<void> {
    const { table } = this;
    await this.db.transaction(async (tx) => {
      // Always in one order: two that delete the same ones would wait for each other otherwise.
      for (const { id, version } of items.toSorted((a, b) => (a.id < b.id ? -1 : 1))) {
        const [row] = await tx
          .update(table)
          .set({ deletedAt: new Date(), version: sql`${table.version} + 1` })
          .where(and(eq(table.id, id), isNull(table.deletedAt), this.versionIs(version)))
          .returning({ version: table.version });
        // Asked within the transaction: the embedded engine has one connection, which it holds.
        if (!row) await this.refuse(id, tx);
      }
    });
  }

  /**
   * Brings a deleted document back, if it still is at the expected version; one that was never deleted is
   * given as it is.
   */
  async restore(id: string, expected: Expected): Promise<Kept<Documents[C]>> {
    const { table } = this;
    const [row] = await this.db
      .update(table)
      .set({ deletedAt: null, version: sql`${table.version} + 1` })
      .where(and(eq(table.id, id), isNotNull(table.deletedAt), this.versionIs(expected)))
      .returning();
    if (row) return this.kept(row);
    const [now] = await this.db
      .select({ version: table.version, deletedAt: table.deletedAt })
      .from(table)
      .where(eq(table.id, id));
    if (now?.deletedAt) throw this.changed(now.version);
    return this.read(id);
  }
}
