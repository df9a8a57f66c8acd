import type { Condition } from '../../document/rules.ts';
import type { ReadingId } from '../../behaviour/registry.ts';
import type { Fact } from './facts.ts';
import { readerOf } from './facts.ts';
import type { Head } from './head.ts';
import type { Situation } from './situation.ts';

/** A condition within one situation: settled by it, or still to be asked of a head. */
export type Asked = boolean | ((head: Head) => boolean);

/**
 * Whether a fact is one of these words; of several words any will do. A fact that is absent or a number is
 * not.
 */
function isOneOf(fact: Fact | undefined, words: readonly string[]): boolean {
  if (fact === undefined || typeof fact === 'number') return false;
  return typeof fact === 'string' ? words.includes(fact) : fact.some((one) => words.includes(one));
}

/** Whether a fact lies in a span, its ends with it. A fact that is absent or a word does not. */
const isWithin = (fact: Fact | undefined, min = -Infinity, max = Infinity): boolean =>
  typeof fact === 'number' && fact >= min && fact <= max;

/**
 * Prepares a condition for many heads in one situation: whatever the situation settles is settled here. A
 * fact that nobody has holds of a claim, which only what is known can refute; of a condition it never does.
 * Where the shape is given, what asks for it is settled too.
 */
export function prepare(condition: Condition, situation: Situation, isClaim = false, shape?: string): Asked {
  if ('not' in condition) {
    // Of what nobody has the negation holds, in a claim as elsewhere.
    const inner = prepare(condition.not, situation, false, shape);
    return typeof inner === 'boolean' ? !inner : (head) => !inner(head);
  }
  if ('all' in condition) return every(condition.all, situation, isClaim, shape);
  if ('any' in condition) {
    const open: ((head: Head) => boolean)[] = [];
    for (const one of condition.any) {
      const asked = prepare(one, situation, isClaim, shape);
      if (asked === true) return true;
      if (asked !== false) open.push(asked);
    }
    return open.length === 0 ? false : (head) => open.some((asked) => asked(head));
  }
  const reader = readerOf(condition.fact);
  if (!reader) return isClaim;
  const agrees =
    'in' in condition
      ? (fact: Fact | undefined) => isOneOf(fact, condition.in)
      : (fact: Fact | undefined) => isWithin(fact, condition.min, condition.max);
  const holds = (fact: Fact | undefined) => (fact === undefined ? isClaim : agrees(fact));
  if (reader.about === 'brief') return holds(reader.read(situation));
  if (shape !== undefined && condition.fact === 'shape') return holds(shape);
  if (reader.about === 'reading' && !('in' in condition)) {
    // Most of what is asked of thousands of heads, and so without a call.
    const { fact, min = -Infinity, max = Infinity } = condition;
    return ({ values }) => {
      const value = values[fact as ReadingId];
      return value === undefined ? isClaim : value >= min && value <= max;
    };
  }
  const { read } = reader;
  return (head) => holds(read(head, situation));
}

/** The same of several that must all hold. */
export function every(
  conditions: readonly Condition[],
  situation: Situation,
  isClaim = false,
  shape?: string,
): Asked {
  const open: ((head: Head) => boolean)[] = [];
  for (const one of conditions) {
    const asked = prepare(one, situation, isClaim, shape);
    if (asked === false) return false;
    if (asked !== true) open.push(asked);
  }
  return open.length === 0 ? true : (head) => open.every((asked) => asked(head));
}

/**
 * How many things a condition asks for: of two rules alike in strength the one that asks more is the more
 * special.
 */
export function weigh(condition: Condition): number {
  if ('not' in condition) return weigh(condition.not);
  if ('all' in condition) return condition.all.reduce((sum, one) => sum + weigh(one), 0);
  if ('any' in condition) return Math.min(...condition.any.map(weigh));
  return 1;
}

/** Every fact a condition names. */
export function factsIn(condition: Condition): string[] {
  if ('not' in condition) return factsIn(condition.not);
  if ('all' in condition) return condition.all.flatMap(factsIn);
  if ('any' in condition) return condition.any.flatMap(factsIn);
  return [condition.fact];
}
