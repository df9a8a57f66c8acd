import { numberAt } from '../../numeric/at.ts';
import type { Head, ReadingValues } from './head.ts';

/** A shape in five numbers that do not change with its size. */
type Form = readonly [
  breadthToHeight: number,
  lengthToBreadth: number,
  shedding: number,
  noseToBody: number,
  rollFactor: number,
];

/**
 * The families a shape of one's own can resemble, as this program finds them at 3/8 oz with a 3/0 hook in
 * their first proportions.
 */
const FORMS: readonly (readonly [family: string, form: Form])[] = [
  ['ball', [1, 1, 0.62, 0.87, 0.94]],
  ['football', [1.68, 0.6, 0.39, 0.87, 1.24]],
  ['stubby', [1.43, 0.65, 0.6, 0.78, 1.25]],
  ['mushroom', [1, 0.55, 0.57, 0.7, 1.5]],
  ['standup', [1.15, 1.18, 0.76, 0.95, 0.82]],
  ['pointed', [1, 1.78, 1, 0.42, 0.72]],
  ['wedge', [1.09, 1.28, 0.73, 0.5, 0.83]],
  ['hooded', [1.11, 1.5, 0.92, 0.35, 0.77]],
  ['oval', [0.87, 2.3, 0.89, 0.78, 0.62]],
  ['caster', [1, 2.12, 0.73, 0.99, 0.58]],
  ['torpedo', [1, 3.25, 0.73, 1, 0.42]],
  ['roller', [3.33, 0.3, 0.12, 0.87, 2.77]],
  ['glider', [1.8, 1.27, 1, 0.82, 0.67]],
  ['swimmer', [0.97, 1.69, 0.8, 0.78, 0.68]],
];

/** Families whose shape the document or a file holds: they are judged by what they turn out to be. */
export const SHAPELESS = new Set(['own', 'imported']);

/**
 * The family a shape comes nearest to by its proportions, nose, sides and roll; undefined where its readings
 * are not there.
 */
export function resembled(values: ReadingValues): string | undefined {
  const {
    'head.breadth': breadth = NaN,
    'head.height': height = NaN,
    'head.length': length = NaN,
    'pull.shedding': shedding = NaN,
    'pull.crackWidth': nose = NaN,
    'roll.factor': roll = NaN,
  } = values;
  const form: Form = [breadth / height, length / breadth, shedding, nose / Math.min(breadth, height), roll];
  let best: string | undefined;
  let least = Infinity;
  for (const [family, known] of FORMS) {
    let far = 0;
    for (let i = 0; i < form.length; i++) {
      // Ratios are compared as ratios; a share of nothing counts as a very small one.
      const step = Math.log(Math.max(0.05, numberAt(form, i)) / numberAt(known, i));
      far += step * step;
    }
    if (far < least) [best, least] = [family, far];
  }
  return best;
}

const known = new WeakMap<ReadingValues, string>();

/** The family a head is judged as: its own, or the one its shape resembles. */
export function shapeOf({ design, values }: Head): string {
  const { family } = design.head;
  if (!SHAPELESS.has(family)) return family;
  let found = known.get(values);
  if (found === undefined) {
    found = resembled(values) ?? family;
    known.set(values, found);
  }
  return found;
}
