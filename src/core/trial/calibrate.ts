import { normalCdf, normalQuantile, studentQuantile } from '../numeric/distributions.ts';
import { leastOf } from '../numeric/least.ts';
import { findRoot } from '../numeric/root.ts';
import { stepRead } from '../numeric/steps.ts';
import { CONFIDENCE, deviations } from './proportion.ts';

/** A head let fall beside a measure. */
export interface TimedDrop {
  /** m */
  readonly depth: number;
  /** s from rest */
  readonly seconds: number;
}

/** What the factor found is, and how sure. */
export interface Calibrated {
  /** what the drag reckoned is multiplied by */
  readonly factor: number;
  readonly low: number;
  readonly high: number;
  readonly count: number;
}

/** Factors looked for: outside of them something else than drag is wrong, such as the weight or the clock. */
export const SPAN = [0.1, 10] as const;

/**
 * How far a hand on a stop watch is off, s, one standard deviation (common practice, no source): what a
 * single drop's span is made of.
 */
export const STOPWATCH = 0.15;

/**
 * The factor on the drag of one drop: that at which the head would have taken the time it took. `timeTo`
 * gives the time to a depth by a factor. Undefined where no factor from a tenth to ten fits.
 */
export function factorOfDrop(
  { depth, seconds }: TimedDrop,
  timeTo: (depth: number, factor: number) => number,
): number | undefined {
  const root = findRoot(
    (log) => timeTo(depth, Math.exp(log)) - seconds,
    Math.log(SPAN[0]),
    Math.log(SPAN[1]),
    1e-9,
  );
  return root.ok ? Math.exp(root.x) : undefined;
}

/**
 * The same from a depth measured on the retrieve: `depthAt` gives the running depth by a factor, m; more drag
 * runs shallower.
 */
export function factorOfTow(depth: number, depthAt: (factor: number) => number): number | undefined {
  const root = findRoot((log) => depthAt(Math.exp(log)) - depth, Math.log(SPAN[0]), Math.log(SPAN[1]), 1e-6);
  return root.ok ? Math.exp(root.x) : undefined;
}

/** One measurement, and what the model has for it. */
export interface Observation {
  readonly observed: number;
  /** the same by a factor on the drag, in the unit of what was observed; only up or only down with it */
  readonly predicted: (factor: number) => number;
  /** how far the hand or the sounder is off, one standard deviation, in that unit; above 0 */
  readonly deviation: number;
  /** steps the figure was read in, in that unit; 0 where it is as fine as it likes */
  readonly step?: number;
}

/** Steps a watch or a sounder may be read in. */
const READ_IN = [0.5, 0.2, 0.1, 0.05, 0.02, 0.01];

/**
 * Step that all of some figures seem to be read in: the largest usual one that divides them; 0 where none
 * does, or of none.
 */
export const stepOf = (figures: readonly number[]): number => stepRead(figures, READ_IN);

/** Share of sound logs whose scatter is taken for another hand than the usual one, on either side. */
const ODD = 0.025;

/**
 * Quantile of chi-squared after Wilson & Hilferty (Proc. Natl. Acad. Sci. 17 (1931) 684): within some per
 * cent from one degree of freedom on.
 */
const chiSquared = (share: number, freedom: number): number => {
  const ninth = 2 / (9 * freedom);
  return freedom * Math.max(0, 1 - ninth + normalQuantile(share) * Math.sqrt(ninth)) ** 3;
};

/**
 * Twice the negative logarithm of the likelihood of a figure, less a constant: of what lies `off` (in
 * deviations) from what was foretold, read in steps of `wide` deviations. Without steps the square of `off`;
 * with them by the share of a normal distribution that rounds to that figure.
 */
function deviance(off: number, wide: number): number {
  if (wide < 1e-3) return off * off;
  const [near, far] = [Math.abs(off) - wide / 2, Math.abs(off) + wide / 2];
  // The smaller tails: their difference keeps its digits.
  const share = normalCdf(-near) - normalCdf(-far);
  // Beyond what a double holds the tail is that of its nearer edge.
  return share > 1e-200 ? -2 * Math.log(share / wide) - Math.log(2 * Math.PI) : near * near;
}

/**
 * One factor from several measurements of any kinds, by maximum likelihood, each with its own deviation and
 * the steps it was read in. The interval is where the deviance rises by the square of the normal quantile
 * (Wilks 1938); of logs that scatter otherwise than the usual hand, by Student's for the scatter they have,
 * which is never taken for less than their steps leave, a twelfth of their square (Sheppard 1898). Undefined
 * without measurements, and where the best factor is at an end of those looked for.
 */
export function calibrated(
  observations: readonly Observation[],
  confidence = CONFIDENCE,
): Calibrated | undefined {
  const count = observations.length;
  if (count === 0) return undefined;
  const rows = observations.map(({ observed, predicted, deviation, step = 0 }) => ({
    off: (log: number) => (observed - predicted(Math.exp(log))) / deviation,
    wide: step / deviation,
  }));
  const [from, to] = [Math.log(SPAN[0]), Math.log(SPAN[1])];
  const sum = (log: number): number => rows.reduce((all, { off, wide }) => all + deviance(off(log), wide), 0);
  const best = leastOf(sum, from, to);
  if (best - from < 1e-3 || to - best < 1e-3) return undefined;
  const freedom = count - 1;
  const least = sum(best);
  // Squares over what hand and steps leave together, of which one degree of freedom went into the factor.
  const squares = rows.reduce((all, { off, wide }) => all + off(best) ** 2 / (1 + wide ** 2 / 12), 0);
  const steps = rows.reduce((all, { wide }) => all + wide ** 2 / 12 / (1 + wide ** 2 / 12), 0);
  const scatter = Math.max(squares, (freedom / count) * steps);
  const isOdd = freedom > 0 && (scatter < chiSquared(ODD, freedom) || scatter > chiSquared(1 - ODD, freedom));
  const rise = isOdd
    ? (studentQuantile((1 + confidence) / 2, freedom) ** 2 * scatter) / freedom
    : deviations(confidence) ** 2;
  const end = (low: number, high: number, outside: number) => {
    const root = findRoot((log) => sum(log) - least - rise, low, high, 1e-7);
    return Math.exp(root.ok ? root.x : outside);
  };
  return { factor: Math.exp(best), low: end(from, best, from), high: end(best, to, to), count };
}
