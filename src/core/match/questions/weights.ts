import { numberAt } from '../../numeric/at.ts';
import { SOLD_OUNCES } from '../../quantity/sold.ts';
import { GRAMS_PER_OUNCE } from '../../quantity/units.ts';
import type { Remedy } from '../../rigging/method.ts';
import { marked } from '../../quantity/phrase.ts';
import type { Head } from '../engine/head.ts';
import type { Situation } from '../engine/situation.ts';
import type { Window } from '../engine/window.ts';
import { usualWindow } from '../engine/window.ts';
import { leastFor } from './least.ts';
import { toDesign } from './question.ts';

/** The weight heads are sold in that is nearest, g: what a window is told by. */
export const nearestSold = (grams: number): number => {
  let best = numberAt(SOLD_OUNCES, 0) * GRAMS_PER_OUNCE;
  for (const ounces of SOLD_OUNCES)
    if (Math.abs(Math.log((ounces * GRAMS_PER_OUNCE) / grams)) < Math.abs(Math.log(best / grams)))
      best = ounces * GRAMS_PER_OUNCE;
  return best;
};

const SOLD = SOLD_OUNCES.map((ounces) => ounces * GRAMS_PER_OUNCE);
/** A weight that is a hair off one that is sold is that one. */
const HAIR = 1.005;

/**
 * The lightest weight that is sold and does, g: what is needed, as it can be bought; beyond what is sold the
 * weight itself.
 */
export const soldFrom = (grams: number): number => SOLD.find((sold) => sold * HAIR >= grams) ?? grams;

/** The heaviest weight that is sold up to one, g; below what is sold the weight itself. */
export const soldTo = (grams: number): number => SOLD.findLast((sold) => sold <= grams * HAIR) ?? grams;

/**
 * A window of weights by what is sold within it, g; where nothing is, by what is sold nearest to its ends.
 */
export function soldWithin({ least, most }: Pick<Window, 'least' | 'most'>): readonly [number, number] {
  const [from, to] = [soldFrom(least), soldTo(most)];
  return from <= to ? [from, to] : [nearestSold(least), nearestSold(most)];
}

const toWeight = (grams: number, from: number): Remedy =>
  toDesign('/head/target', { grams, of: 'metal' }, `${marked(from, 'mass')} → ${marked(grams, 'mass')}`);

const steps = (head: Head, isWanted: (grams: number, now: number) => boolean): Remedy[] => {
  const now = head.values['mass.metal'] ?? NaN;
  return SOLD_OUNCES.map((ounces) => ounces * GRAMS_PER_OUNCE)
    .filter((grams) => isWanted(grams, now))
    .sort((a, b) => Math.abs(Math.log(a / now)) - Math.abs(Math.log(b / now)))
    .slice(0, 4)
    .map((grams) => toWeight(grams, now));
};

/** The next weights up that are sold, the nearest first. */
export const heavier = (_situation: Situation, head: Head): Remedy[] =>
  steps(head, (grams, now) => grams > now * 1.05);

/** The next weights down. */
export const lighter = (head: Head): Remedy[] => steps(head, (grams, now) => grams < now * 0.95);

/** Weights that are sold and lie in the window of a situation, the nearest first. */
export function fitting(situation: Situation, head: Head): Remedy[] {
  const { least, most } = usualWindow(situation);
  const held = leastFor(situation)(head) ?? 0;
  return steps(
    head,
    (grams, now) =>
      grams >= Math.max(least, held) * 0.9 &&
      grams <= Math.max(most, 2 * held) * 1.1 &&
      Math.abs(grams / now - 1) > 0.04,
  );
}
