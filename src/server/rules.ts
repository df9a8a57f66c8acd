import type { Expected } from './saving.ts';
import { and, eq, sql } from 'drizzle-orm';
import type { RulesInForce } from '../contract/api.ts';
import { checkRuleSet } from '../contract/validate.ts';
import type { RuleSet } from '../core/document/index.ts';
import { REFERENCE_RULES } from '../core/match/index.ts';
import type { Database } from './database.ts';
import { HttpProblem } from './problem.ts';
import { ruleSets } from './schema.ts';

/** The one set a shop judges by. */
const KEY = 'match';

/**
 * The rules of the match: the reference set until the shop has one of its own. Checked at every load, since
 * facts come and go with versions.
 */
export class RuleStore {
  private readonly db: Database;

  constructor(db: Database) {
    this.db = db;
  }

  async inForce(): Promise<RulesInForce> {
    const [row] = await this.db.select().from(ruleSets).where(eq(ruleSets.key, KEY));
    if (!row) return { version: 0, document: REFERENCE_RULES, problems: [] };
    const checked = checkRuleSet(row.document);
    if (checked.ok) return { version: row.version, document: checked.value, problems: [] };
    // Rules that cannot be used judge nothing: the reference set stands in, and the screen says why.
    return { version: row.version, document: REFERENCE_RULES, problems: checked.problems };
  }

  /**
   * Puts the shipped rules back in force: the shop’s own set is gone. Of two that began from the same version
   * one wins, the other gets 412.
   */
  async restore(expected: Expected): Promise<RulesInForce> {
    const at =
      expected === undefined
        ? eq(ruleSets.key, KEY)
        : and(eq(ruleSets.key, KEY), eq(ruleSets.version, expected));
    const gone = await this.db.delete(ruleSets).where(at).returning();
    if (gone.length === 0 && expected !== undefined && expected !== 0) return this.refuse();
    return this.inForce();
  }

  /** Replaces the set; of two that began from the same version one wins, the other gets 412. */
  async replace(document: RuleSet, expected: Expected): Promise<RulesInForce> {
    if (expected === 0) {
      const [made] = await this.db
        .insert(ruleSets)
        .values({ key: KEY, document })
        .onConflictDoNothing()
        .returning();
      if (made) return { version: made.version, document, problems: [] };
    } else {
      const at =
        expected === undefined
          ? eq(ruleSets.key, KEY)
          : and(eq(ruleSets.key, KEY), eq(ruleSets.version, expected));
      const [row] = await this.db
        .update(ruleSets)
        .set({ document, version: sql`${ruleSets.version} + 1` })
        .where(at)
        .returning();
      if (row) return { version: row.version, document, problems: [] };
    }
    return this.refuse();
  }

  private async refuse(): Promise<never> {
    const { version } = await this.inForce();
    throw new HttpProblem(
      412,
      'Changed elsewhere',
      `The rules were saved elsewhere since you opened them (now version ${version}). Open them again and choose.`,
    );
  }
}
