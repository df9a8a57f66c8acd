import { randomUUID } from 'node:crypto';
import { and, asc, desc, eq, gt, lt } from 'drizzle-orm';
import type { History, Kept, NamedVersion } from '../contract/api.ts';
import type { Design } from '../core/index.ts';
import { describeChange } from '../core/index.ts';
import type { Database } from './database.ts';
import type { DocumentStore, Expected, OnSave } from './documents.ts';
import { HttpProblem, notFound } from './problem.ts';
import { designs, namedVersions, steps } from './schema.ts';

/** Most steps kept of one design; older ones fall away. */
const MOST_STEPS = 400;
/** A save that says the same as the one before it within this time is one step with it: a note being typed is not fifty steps. */
const ONE_STEP_MS = 15_000;
/** Most named versions of one design. */
const MOST_VERSIONS = 200;

/** Writes a step for every save of a design, in the transaction of that save. Steps that could have been redone are dropped by a new one. */
export const recordStep: OnSave<Design> = async (tx, { id, before, after, step, isFresh }) => {
  if (before === undefined) {
    // One brought in anew under the id of a deleted one begins anew.
    await tx.delete(steps).where(eq(steps.designId, id));
    await tx.insert(steps).values({ designId: id, step: 0, words: 'Made', document: after });
    return 0;
  }
  const words = describeChange(before, after) || 'Saved again';
  await tx.delete(steps).where(and(eq(steps.designId, id), gt(steps.step, step)));
  const [last] = await tx
    .select()
    .from(steps)
    .where(eq(steps.designId, id))
    .orderBy(desc(steps.step))
    .limit(1);
  // A design older than its history begins it with the state it is changed from.
  if (!last) await tx.insert(steps).values({ designId: id, step, words: 'As it was', document: before });
  const field = (text: string) => text.split(':')[0];
  if (
    last &&
    !isFresh &&
    step > 0 &&
    field(last.words) === field(words) &&
    Date.now() - last.at.getTime() < ONE_STEP_MS
  ) {
    const [earlier] = await tx
      .select()
      .from(steps)
      .where(and(eq(steps.designId, id), eq(steps.step, step - 1)));
    // Told from where the run began, and only while its words stay about one field.
    const whole = earlier ? describeChange(earlier.document as Design, after) || words : words;
    await tx
      .update(steps)
      .set({ words: whole, document: after, at: new Date() })
      .where(and(eq(steps.designId, id), eq(steps.step, step)));
    return step;
  }
  const next = step + 1;
  await tx.insert(steps).values({ designId: id, step: next, words, document: after });
  if (next > MOST_STEPS)
    await tx.delete(steps).where(and(eq(steps.designId, id), lt(steps.step, next - MOST_STEPS)));
  return next;
};

/** The history of designs: steps to go back and forth on, and versions with names. */
export class HistoryStore {
  private readonly db: Database;
  private readonly designs: DocumentStore<'designs'>;

  constructor(db: Database, store: DocumentStore<'designs'>) {
    this.db = db;
    this.designs = store;
  }

  async read(id: string): Promise<History> {
    await this.designs.read(id);
    const [row] = await this.db.select({ step: designs.step }).from(designs).where(eq(designs.id, id));
    const list = await this.db
      .select({ step: steps.step, words: steps.words, at: steps.at })
      .from(steps)
      .where(eq(steps.designId, id))
      .orderBy(asc(steps.step));
    const versions = await this.db
      .select({ id: namedVersions.id, name: namedVersions.name, at: namedVersions.at })
      .from(namedVersions)
      .where(eq(namedVersions.designId, id))
      .orderBy(desc(namedVersions.at));
    return {
      now: row?.step ?? 0,
      steps: list.map((step) => ({ ...step, at: step.at.toISOString() })),
      versions: versions.map((version) => ({ ...version, at: version.at.toISOString() })),
    };
  }

  /** The state of a design at a step. */
  async document(id: string, step: number): Promise<Design> {
    const [row] = await this.db
      .select({ document: steps.document })
      .from(steps)
      .where(and(eq(steps.designId, id), eq(steps.step, step)));
    if (!row) throw notFound(`Step ${step} of this design`);
    return row.document as Design;
  }

  /** Puts a design at a step of its history; the steps after it stay, to be redone. */
  async go(id: string, step: number, expected: Expected): Promise<Kept<Design>> {
    const document = await this.document(id, step);
    return this.designs.replace(id, document, expected, { step });
  }

  /** Gives the present state a name. */
  async keep(id: string, name: string): Promise<NamedVersion> {
    const { document } = await this.designs.read(id);
    const count = await this.db.$count(namedVersions, eq(namedVersions.designId, id));
    if (count >= MOST_VERSIONS)
      throw new HttpProblem(
        409,
        'Too many versions',
        `This design has ${MOST_VERSIONS} named versions. Delete one first.`,
      );
    const [row] = await this.db
      .insert(namedVersions)
      .values({ id: randomUUID(), designId: id, name, document })
      .returning();
    if (!row) throw new Error('A version was not kept.');
    return { id: row.id, name: row.name, at: row.at.toISOString() };
  }

  async version(id: string, versionId: string): Promise<Design> {
    const [row] = await this.db
      .select({ document: namedVersions.document })
      .from(namedVersions)
      .where(and(eq(namedVersions.id, versionId), eq(namedVersions.designId, id)));
    if (!row) throw notFound('This version');
    return row.document as Design;
  }

  async drop(id: string, versionId: string): Promise<void> {
    await this.db
      .delete(namedVersions)
      .where(and(eq(namedVersions.id, versionId), eq(namedVersions.designId, id)));
  }
}
