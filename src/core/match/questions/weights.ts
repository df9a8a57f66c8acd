import type { Remedy } from '../../rigging/method.ts';
import { marked } from '../../quantity/phrase.ts';
import type { Head } from '../head.ts';
import type { Situation } from '../situation.ts';
import { usualWindow } from '../window.ts';
import { leastFor } from './least.ts';
import { toDesign } from './question.ts';

/** Weights heads are sold in, oz (common practice, no source). */
const SOLD = [
  1 / 64,
  1 / 48,
  1 / 32,
  1 / 24,
  1 / 16,
  3 / 32,
  1 / 8,
  3 / 16,
  1 / 4,
  5 / 16,
  3 / 8,
  1 / 2,
  5 / 8,
  3 / 4,
  1,
  1.25,
  1.5,
  2,
  2.5,
  3,
];
const GRAMS = 28.349523125;

/** The weight heads are sold in that is nearest, g: what a window is told by. */
export const nearestSold = (grams: number): number => {
  let best = (SOLD[0] as number) * GRAMS;
  for (const ounces of SOLD)
    if (Math.abs(Math.log((ounces * GRAMS) / grams)) < Math.abs(Math.log(best / grams)))
      best = ounces * GRAMS;
  return best;
};

const toWeight = (grams: number, from: number): Remedy =>
  toDesign('/head/target', { grams, of: 'metal' }, `${marked(from, 'mass')} → ${marked(grams, 'mass')}`);

const steps = (head: Head, isWanted: (grams: number, now: number) => boolean): Remedy[] => {
  const now = head.values['mass.metal'] ?? NaN;
  return SOLD.map((ounces) => ounces * GRAMS)
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
