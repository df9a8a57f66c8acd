import { numberAt } from '../numeric/at.ts';
import { normalCdf, studentQuantile } from '../numeric/distributions.ts';
import { stepRead } from '../numeric/steps.ts';
import { deviationOf, meanOf } from './spread.ts';

/** Chance below which a spread is not taken for one of the others'. */
const ODD = 0.01;
/**
 * Share of the weight that a short fill is lighter by, at least: less is spread, whatever its cause (working
 * value, no source).
 */
const SHORT_LEAST = 0.01;
/** Share of the pieces that can be short fills of an else sound cavity. */
const SHORT_MOST = 1 / 3;
/**
 * Pieces at the start of a run that a cold mould or melt shows in; so many of them must each lie low by so
 * many deviations, and so many must follow.
 */
export const COLD = { first: 3, low: 2, each: 1.5, rest: 4 };
/**
 * Deviation that pieces may have which all read alike, in steps of the scale (working value, held by
 * simulated pours: less tells sound cavities of a coarse scale as short).
 */
export const ALIKE = 0.4;

/** Steps a scale may show in, g, and that of most scales in a shop (common practice, no source). */
const READ_IN = [0.1, 0.05, 0.02, 0.01, 0.005, 0.002, 0.001];
const USUAL_STEP = 0.01;

/**
 * Step of the scale that some weights were read on, g: the largest usual one that most of them are whole
 * numbers of, and no larger than what two of them differ by. Of weights that are all alike nothing is seen:
 * the usual one, where it fits. A piece weighed twice is a mean and may lie between. 0 where there is none.
 */
export function stepOfScale(weights: readonly number[]): number {
  const sorted = [...weights].sort((a, b) => a - b);
  const gaps = sorted
    .slice(1)
    .map((value, i) => value - numberAt(sorted, i))
    .filter((gap) => gap > 1e-6);
  const most = gaps.length > 0 ? Math.min(...gaps) * 1.001 : USUAL_STEP;
  return stepRead(
    weights,
    READ_IN.filter((step) => step <= most),
    0.8,
  );
}

/** What some weights spread, never less than their steps allow: their deviation, g. */
export const spreadOf = (weights: readonly number[], step: number): number =>
  Math.max(deviationOf(weights) || 0, ALIKE * step);

/** Student's quantile, one side. */
export const studentAt = (chance: number, freedom: number): number => studentQuantile(1 - chance, freedom);

/** What one cavity's weights are read with: the scale's step, and the spread of the other cavities. */
export interface Around {
  readonly step: number;
  readonly others: { readonly deviation: number; readonly freedom: number } | undefined;
}

/** A deviation, and how many degrees of freedom it is known by. */
export interface Known {
  readonly deviation: number;
  readonly freedom: number;
}

/**
 * The spread some weights of one sort are judged by: their own, with that of the other cavities unless it is
 * wider than theirs beyond chance. A few pieces say little of their spread by themselves.
 */
export function knownSpread(weights: readonly number[], { step, others }: Around): Known {
  const own = { deviation: spreadOf(weights, step), freedom: weights.length - 1 };
  if (!others || (own.freedom > 0 && isWider(own, others, ODD))) return own;
  const freedom = own.freedom + others.freedom;
  const squares = own.freedom * own.deviation ** 2 + others.freedom * others.deviation ** 2;
  return { deviation: Math.sqrt(squares / freedom), freedom };
}

/** Whether one spread is wider than another beyond what chance has. */
export const isWider = (one: Known, other: Known, chance: number): boolean =>
  chanceOfRatio((one.deviation / other.deviation) ** 2, one.freedom, other.freedom) < chance;

/** The spread of all pieces, of those after the first few, or of all but the lightest, whichever is least. */
export function narrowest(weights: readonly number[], step: number): Known {
  const lightest = weights.indexOf(Math.min(...weights));
  const some = [weights, weights.filter((_, i) => i !== lightest)];
  if (weights.length >= COLD.first + COLD.rest) some.push(weights.slice(COLD.first));
  return some
    .map((of) => ({ deviation: spreadOf(of, step), freedom: of.length - 1 }))
    .reduce((least, one) => (one.deviation < least.deviation ? one : least));
}

/** How many ways there are to choose so many of a number, as a logarithm. */
function logChoices(count: number, of: number): number {
  let sum = 0;
  for (let i = 0; i < count; i++) sum += Math.log((of - i) / (i + 1));
  return sum;
}

/**
 * Whether the lightest pieces lie farther below the rest than chance would have it: Grubbs' test
 * (Technometrics 11 (1969) 1) for several at once, the heaviest of them against mean and spread of the rest
 * by Student's quantile at the chance over the ways to choose so many. As if there were `count` pieces in
 * all.
 */
export function isApart(
  weights: readonly number[],
  rest: readonly number[],
  around: Around,
  chance: number,
  count = weights.length,
): boolean {
  const low = weights.length - rest.length;
  const edge = numberAt(
    [...weights].sort((a, b) => a - b),
    low - 1,
  );
  const mean = meanOf(rest);
  const { deviation, freedom } = knownSpread(rest, around);
  const more = count - weights.length;
  if (freedom + more < 1) return false;
  const each = Math.exp(Math.log(chance) - logChoices(low, count));
  const limit =
    studentAt(Math.max(each, 1e-12), freedom + more) * deviation * Math.sqrt(1 + 1 / (count - low)) +
    around.step / 2;
  return mean - edge > Math.max(limit, SHORT_LEAST * mean);
}

/** The weights without those far below the rest, in their order; all of them where there are none such. */
export function withoutShort(weights: readonly number[], around: Around, chance: number): readonly number[] {
  const order = weights.map((_, i) => i).sort((a, b) => numberAt(weights, a) - numberAt(weights, b));
  for (let low = Math.floor(SHORT_MOST * weights.length); low > 0; low--) {
    const short = new Set(order.slice(0, low));
    const rest = weights.filter((_, i) => !short.has(i));
    if (isApart(weights, rest, around, chance)) return rest;
  }
  return weights;
}

/**
 * How far the first pieces lie under the rest where that is no accident and no single one's doing, g;
 * undefined else. `sound`: the weights without short fills. One that lies far below by itself is a short
 * fill, unless it is the very first, or all of the first lie low; so is one that comes later.
 */
export function coldStart(
  weights: readonly number[],
  sound: readonly number[],
  around: Around,
  chance: number,
): number | undefined {
  const { first, low, rest } = COLD;
  if (weights.length < first + rest) return undefined;
  const [head, tail] = [weights.slice(0, first), weights.slice(first)];
  const least = Math.min(...sound);
  const isShort = weights.map((value) => value < least);
  if (isShort.slice(first).includes(true)) return undefined;
  const isAlone = isShort.filter(Boolean).length === 1 && !isShort[0];
  const { deviation, freedom } = knownSpread(tail, around);
  const mean = meanOf(tail);
  const under = mean - meanOf(head);
  const limit =
    studentAt(chance, freedom) * deviation * Math.sqrt(1 / first + 1 / tail.length) + around.step / 4;
  const each = head.filter((value) => value < mean - COLD.each * deviation - around.step / 4).length;
  return under > limit && each >= (isAlone ? first : low) ? under : undefined;
}

/**
 * Chance of a ratio of two variances or more, of normal values with so many degrees of freedom above and
 * below, after Paulson (Ann. Math. Stat. 13 (1942) 233).
 */
function chanceOfRatio(ratio: number, above: number, below: number): number {
  const [a, b] = [2 / (9 * above), 2 / (9 * below)];
  const root = Math.cbrt(ratio);
  return 1 - normalCdf(((1 - b) * root - (1 - a)) / Math.sqrt(b * root * root + a));
}
