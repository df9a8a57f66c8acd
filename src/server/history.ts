import { randomUUID } from 'node:crypto';
import { and, asc, desc, eq, gt, gte, lte, sql } from 'drizzle-orm';
import type { History, Kept, NamedVersion } from '../contract/api.ts';
import type { Database } from './database.ts';
import type { DocumentStore } from './documents.ts';
import type { Expected, OnSave, Writer } from './saving.ts';
import type { Collection, Documents, WithHistory } from '../contract/collections/index.ts';
import { nounOf, stepsOf } from '../contract/collections/index.ts';
import { HttpProblem, notFound } from './problem.ts';
import { GONE } from './people/audit.ts';
import { requester } from './people/requester.ts';
import { namedVersions, people, steps } from './schema.ts';
import { ownerKey } from './stored-table.ts';

/**
 * A save that says the same as the one before it within this time is one step with it: a note being typed is
 * not fifty steps.
 */
const ONE_STEP_MS = 15_000;
/** Most named versions of one design. */
const MOST_VERSIONS = 200;

/**
 * Returns what makes a step of every save of a document; undefined of a collection that keeps none. Steps
 * that could have been redone are dropped by a new one.
 */
export function stepRecorder<C extends Collection>(collection: C): OnSave<Documents[C]> | undefined {
  const how = stepsOf(collection);
  if (!how) return undefined;
  const { most, words: wordsFor, isAlike } = how;
  return async (reader, { id, before, after, step, isFresh }) => {
    const key = ownerKey(collection, id);
    const by = requester()?.person?.id;
    if (before === undefined) {
      const write = async (tx: Writer) => {
        // One brought in anew under the id of a deleted one begins anew.
        await tx.delete(steps).where(eq(steps.designId, key));
        await tx.insert(steps).values({ designId: key, step: 0, words: 'Made', document: after, by });
      };
      return { step: 0, write };
    }
    const words = wordsFor(before, after) || 'Saved again';
    // One look at what is about the present step: the one before it, itself, and those that could have been
    // redone.
    const near = await reader
      .select({
        step: steps.step,
        words: steps.words,
        at: steps.at,
        document: sql<object | null>`case when ${steps.step} < ${step} then ${steps.document} end`,
      })
      .from(steps)
      .where(and(eq(steps.designId, key), gte(steps.step, step - 1)))
      .orderBy(asc(steps.step));
    const last = near.findLast((one) => one.step <= step);
    const clear = async (tx: Writer) => {
      if (near.some((one) => one.step > step))
        await tx.delete(steps).where(and(eq(steps.designId, key), gt(steps.step, step)));
    };
    if (
      last &&
      !isFresh &&
      step > 0 &&
      isAlike(last.words, words) &&
      Date.now() - last.at.getTime() < ONE_STEP_MS
    ) {
      const earlier = near.find((one) => one.step === step - 1)?.document;
      // Told from where the run began, and only while its words stay about one field.
      const whole = earlier ? wordsFor(earlier as Documents[C], after) || words : words;
      const write = async (tx: Writer) => {
        await clear(tx);
        await tx
          .update(steps)
          .set({ words: whole, document: after, at: new Date(), by: by ?? null })
          .where(and(eq(steps.designId, key), eq(steps.step, step)));
      };
      return { step, write };
    }
    const next = step + 1;
    const write = async (tx: Writer) => {
      await clear(tx);
      // A document older than its history begins it with the state it is changed from.
      if (!last) await tx.insert(steps).values({ designId: key, step, words: 'As it was', document: before });
      await tx.insert(steps).values({ designId: key, step: next, words, document: after, by });
      // The newest so many, this one among them.
      await tx.delete(steps).where(and(eq(steps.designId, key), lte(steps.step, next - most)));
    };
    return { step: next, write };
  };
}

/** Who did it, where people have accounts; he may have left since. */
const byName = (by: string | null, person: string | null): { readonly by?: string } =>
  by === null ? {} : { by: person ?? GONE };

/** The history of a collection's documents: steps to go back and forth on, and versions with names. */
export class HistoryStore<C extends WithHistory> {
  private readonly db: Database;
  private readonly collection: C;
  private readonly store: DocumentStore<C>;

  constructor(db: Database, collection: C, store: DocumentStore<C>) {
    this.db = db;
    this.collection = collection;
    this.store = store;
  }

  async read(id: string): Promise<History> {
    await this.store.read(id);
    const key = ownerKey(this.collection, id);
    const now = await this.store.stepOf(id);
    const list = await this.db
      .select({ step: steps.step, words: steps.words, at: steps.at, by: steps.by, person: people.name })
      .from(steps)
      .leftJoin(people, eq(people.id, steps.by))
      .where(eq(steps.designId, key))
      .orderBy(asc(steps.step));
    const versions = await this.db
      .select({
        id: namedVersions.id,
        name: namedVersions.name,
        at: namedVersions.at,
        by: namedVersions.by,
        person: people.name,
      })
      .from(namedVersions)
      .leftJoin(people, eq(people.id, namedVersions.by))
      .where(eq(namedVersions.designId, key))
      .orderBy(desc(namedVersions.at));
    return {
      now,
      steps: list.map(({ at, by, person, ...step }) => ({
        ...step,
        at: at.toISOString(),
        ...byName(by, person),
      })),
      versions: versions.map(({ at, by, person, ...version }) => ({
        ...version,
        at: at.toISOString(),
        ...byName(by, person),
      })),
    };
  }

  /** The state of a document at a step. */
  async document(id: string, step: number): Promise<Documents[C]> {
    const key = ownerKey(this.collection, id);
    const [row] = await this.db
      .select({ document: steps.document })
      .from(steps)
      .where(and(eq(steps.designId, key), eq(steps.step, step)));
    if (!row) throw notFound(`Step ${step} of this ${nounOf(this.collection)}`);
    return row.document as Documents[C];
  }

  /** Puts a document at a step of its history; the steps after it stay, to be redone. */
  async go(id: string, step: number, expected: Expected): Promise<Kept<Documents[C]>> {
    const document = await this.document(id, step);
    return this.store.replace(id, document, expected, { step });
  }

  /** Gives the present state a name. */
  async keep(id: string, name: string): Promise<NamedVersion> {
    const key = ownerKey(this.collection, id);
    // The document's row is held meanwhile: of two at once the second counts the first.
    const row = await this.db.transaction(async (tx) => {
      const { document } = await this.store.read(id, tx, true);
      const count = await tx.$count(namedVersions, eq(namedVersions.designId, key));
      if (count >= MOST_VERSIONS)
        throw new HttpProblem(
          409,
          'Too many versions',
          `This ${nounOf(this.collection)} has ${MOST_VERSIONS} named versions. Delete one first.`,
        );
      const [inserted] = await tx
        .insert(namedVersions)
        .values({ id: randomUUID(), designId: key, name, document, by: requester()?.person?.id })
        .returning();
      return inserted;
    });
    if (!row) throw new Error('A version was not kept.');
    return { id: row.id, name: row.name, at: row.at.toISOString() };
  }

  async version(id: string, versionId: string): Promise<Documents[C]> {
    const key = ownerKey(this.collection, id);
    const [row] = await this.db
      .select({ document: namedVersions.document })
      .from(namedVersions)
      .where(and(eq(namedVersions.id, versionId), eq(namedVersions.designId, key)));
    if (!row) throw notFound('This version');
    return row.document as Documents[C];
  }

  /** Deletes a named version, if its document still is at the expected version. */
  async drop(id: string, versionId: string, expected: Expected): Promise<void> {
    await this.db.transaction(async (tx) => {
      await this.store.at(tx, id, expected);
      const gone = await tx
        .delete(namedVersions)
        .where(
          and(eq(namedVersions.id, versionId), eq(namedVersions.designId, ownerKey(this.collection, id))),
        )
        .returning({ id: namedVersions.id });
      if (gone.length === 0) throw notFound('This version');
    });
  }
}
