import type { UnitSystem } from '../quantity/units.ts';
import type { Brief, SchoolTopic } from '../document/brief.ts';
import { SCHOOLS } from '../document/brief.ts';
import type { Facts, Subject } from './facts.ts';
import { factsOf, factText } from './facts.ts';
import type { Condition, Rule } from '../document/rules.ts';

/** A rule that held, with its words still to be put into units. */
export interface Reason {
  readonly rule: Rule;
  readonly facts: Facts;
}

/** How a design stands to a brief. */
export interface Standing {
  readonly for: readonly Reason[];
  readonly against: readonly Reason[];
  /** hard objections: they are never averaged away */
  readonly never: readonly Reason[];
  /** weights for less weights against; means nothing beyond the order */
  readonly balance: number;
}

/** Whether a condition holds. A fact that is absent or of the wrong sort never holds. */
export function holds(condition: Condition, facts: Facts): boolean {
  const fact = facts[condition.fact];
  if ('in' in condition) return typeof fact === 'string' && condition.in.includes(fact);
  if (typeof fact !== 'number' || Number.isNaN(fact)) return false;
  return fact >= (condition.min ?? -Infinity) && fact <= (condition.max ?? Infinity);
}

/** The school a brief follows on a topic: its own choice, or the default. */
export function schoolOf(brief: Brief, topic: string): string | undefined {
  if (!(topic in SCHOOLS)) return undefined;
  const known = topic as SchoolTopic;
  return brief.schools?.[known] ?? Object.keys(SCHOOLS[known].sides)[0];
}

/** Every rule that speaks about a head in a brief. */
export function standing(brief: Brief, subject: Subject, rules: readonly Rule[]): Standing {
  const facts = factsOf(brief, subject);
  const held = rules.filter(
    (rule) =>
      (!rule.school || schoolOf(brief, rule.school.topic) === rule.school.side) &&
      rule.when.every((condition) => holds(condition, facts)) &&
      rule.if.every((condition) => holds(condition, facts)),
  );
  const of = (verdict: Rule['verdict']): Reason[] =>
    held
      .filter((rule) => rule.verdict === verdict)
      .sort((a, b) => b.weight - a.weight)
      .map((rule) => ({ rule, facts }));
  const sum = (reasons: readonly Reason[]) => reasons.reduce((total, { rule }) => total + rule.weight, 0);
  const [pro, contra, never] = [of('for'), of('against'), of('never')];
  return { for: pro, against: contra, never, balance: sum(pro) - sum(contra) };
}

/** Better first: no hard objection before any, then by balance, then fewer objections. */
export function compareStandings(a: Standing, b: Standing): number {
  return (
    Math.sign(a.never.length) - Math.sign(b.never.length) ||
    b.balance - a.balance ||
    a.against.length - b.against.length
  );
}

/** The reason in the reader's units. */
export function reasonText({ rule, facts }: Reason, system: UnitSystem): string {
  return rule.says.replace(/\{([^}]+)\}/g, (_, name: string) => factText(name, facts[name], system));
}
