import { normalQuantile } from '../numeric/distributions.ts';
import { meanOf } from './spread.ts';

/** What of a spread is the scale's and what the pieces'. */
export interface GaugeStudy {
  /** deviation of one weighing of the same piece, g */
  readonly scale: number;
  /** deviation between pieces with the scale's taken out, g; 0 where the scale alone explains all */
  readonly pieces: number;
  /** pieces weighed more than once, and weighings of them */
  readonly repeated: number;
  readonly weighings: number;
  readonly between: SumOfSquares;
  readonly within: SumOfSquares;
}

interface SumOfSquares {
  readonly sum: number;
  readonly freedom: number;
}

/**
 * Noise of the scale apart from the spread of the pieces: one-way analysis of variance of pieces weighed
 * again, each in a list of its own (NIST/SEMATECH e-Handbook 7.4.3.3 and, for the components, 7.4.4; unequal
 * counts by their effective number n₀). Undefined where no piece was weighed twice, or there is but one.
 */
export function gaugeStudy(pieces: readonly (readonly number[])[]): GaugeStudy | undefined {
  const repeated = pieces.filter((weights) => weights.length > 1);
  const all = repeated.flat();
  if (repeated.length < 2) return undefined;
  const mean = meanOf(all);
  const between = repeated.reduce((sum, list) => sum + list.length * (meanOf(list) - mean) ** 2, 0);
  const within = repeated.reduce(
    (sum, list) => sum + list.reduce((inner, value) => inner + (value - meanOf(list)) ** 2, 0),
    0,
  );
  const [betweenFreedom, withinFreedom] = [repeated.length - 1, all.length - repeated.length];
  const scale = Math.sqrt(within / withinFreedom);
  const n0 =
    (all.length - repeated.reduce((sum, { length }) => sum + length ** 2, 0) / all.length) / betweenFreedom;
  return {
    scale,
    pieces: Math.sqrt(Math.max(0, (between / betweenFreedom - scale ** 2) / n0)),
    repeated: repeated.length,
    weighings: all.length,
    between: { sum: between, freedom: betweenFreedom },
    within: { sum: within, freedom: withinFreedom },
  };
}

/**
 * Pieces of each of two cavities to be weighed so that a true difference of `difference` g is found: n = 2
 * (z₁ + z₂)² σ²/δ², and one more for a deviation that is itself estimated (NIST/SEMATECH e-Handbook 7.2.2.2).
 * `deviation` of one weighed piece, g; `sure` that none is told falsely, `power` that a true one is told.
 */
export function samplesToTell(deviation: number, difference: number, sure = 0.95, power = 0.9): number {
  if (!(deviation > 0)) return 1;
  const z = normalQuantile((1 + sure) / 2) + normalQuantile(power);
  return Math.ceil((2 * z * z * deviation ** 2) / difference ** 2) + 1;
}
