import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { findRoot } from '../numeric/root.ts';
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
const SPAN = [0.1, 10] as const;

/** How far a hand on a stop watch is off, s, one standard deviation (common practice, no source): what a single drop's span is made of. */
export const STOPWATCH = 0.15;

/**
 * The factor on the drag of one drop: that at which the head would have taken the time it took. `timeTo` gives the time to a depth by a factor.
 * Undefined where no factor from a tenth to ten fits.
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

/** The same from a depth measured on the retrieve: `depthAt` gives the running depth by a factor, m; more drag runs shallower. */
export function factorOfTow(depth: number, depthAt: (factor: number) => number): number | undefined {
  const root = findRoot((log) => depthAt(Math.exp(log)) - depth, Math.log(SPAN[0]), Math.log(SPAN[1]), 1e-6);
  return root.ok ? Math.exp(root.x) : undefined;
}

/** One measurement's factor, and how far its logarithm may be off, one standard deviation. */
export interface FactorFound {
  readonly factor: number;
  readonly deviation: number;
}

/**
 * One factor from several measurements: the mean of their logarithms, since drag is off by shares, each with the weight of how sure it is, with Student's
 * interval from how far they scatter about it (NIST/SEMATECH e-Handbook 1.3.5.2; weights as 1/σ²). Of a single one the interval is its own.
 */
export function calibrated(found: readonly FactorFound[], confidence = CONFIDENCE): Calibrated | undefined {
  const sound = found.filter(({ factor, deviation }) => factor > 0 && factor < Infinity && deviation > 0);
  const count = sound.length;
  if (count === 0) return undefined;
  const rows = sound.map(({ factor, deviation }) => ({ log: Math.log(factor), weight: 1 / deviation ** 2 }));
  const all = rows.reduce((sum, { weight }) => sum + weight, 0);
  const mean = rows.reduce((sum, { log, weight }) => sum + weight * log, 0) / all;
  const scatter = rows.reduce((sum, { log, weight }) => sum + weight * (log - mean) ** 2, 0);
  const half =
    count === 1
      ? deviations(confidence) / Math.sqrt(all)
      : tQuantile((1 + confidence) / 2, count - 1) * Math.sqrt(scatter / (count - 1) / all);
  return { factor: Math.exp(mean), low: Math.exp(mean - half), high: Math.exp(mean + half), count };
}

/** Standard deviation of the logarithm of a factor that a stop watch leaves: drag goes with the square of the time. */
export const watchDeviation = ({ seconds }: TimedDrop): number => (2 * STOPWATCH) / Math.max(seconds, 1e-9);
