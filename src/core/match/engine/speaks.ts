import { wordName } from '../../document/brief-words.ts';
import type { Condition, Rule } from '../../document/rules.ts';
import type { Asked } from './conditions.ts';
import { every } from './conditions.ts';
import { markedRound } from '../../quantity/phrase.ts';
import { factOf } from './facts.ts';
import type { Head } from './head.ts';
import { questionOf } from '../questions/index.ts';
import type { Situation } from './situation.ts';

/**
 * Whether a rule holds for a head in a situation: its question is asked there, and all of its conditions
 * hold. Whether it is the one that speaks is for the judge to say.
 */
export function holdsFor(
  rule: Pick<Rule, 'when' | 'claim' | 'question'>,
  situation: Situation,
  head: Head,
): boolean {
  if (!questionOf(rule.question).isAsked(situation)) return false;
  const holds = (asked: Asked) => (typeof asked === 'boolean' ? asked : asked(head));
  return holds(every(rule.when, situation)) && holds(every(rule.claim ?? [], situation, true));
}

/** Returns a condition in words, its quantities marked. */
export function conditionText(condition: Condition): string {
  if ('not' in condition) return `not (${conditionText(condition.not)})`;
  if ('all' in condition) return condition.all.map(conditionText).join(' and ');
  if ('any' in condition) return `(${condition.any.map(conditionText).join(' or ')})`;
  const words = (factOf(condition.fact)?.words ?? condition.fact).toLowerCase();
  if ('in' in condition)
    return `${words}: ${condition.in.map((word) => wordName(String(word))).join(' or ')}`;
  const { min, max } = condition;
  const spec = factOf(condition.fact);
  const told = (value: number) =>
    spec && 'quantity' in spec ? markedRound(value, spec.quantity) : String(value);
  if (min !== undefined && max !== undefined) return `${words} from ${told(min)} to ${told(max)}`;
  return min !== undefined ? `${words} from ${told(min)}` : `${words} to ${told(max ?? Infinity)}`;
}
