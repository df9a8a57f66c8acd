import { numberAt } from '../numeric/at.ts';
import { gamma, normalCdf } from '../numeric/distributions.ts';
import { gaussLegendre } from '../numeric/gauss.ts';
import { deviationOf, meanOf } from './spread.ts';

/**
 * Expected sample standard deviation of n normal values over their true one: c₄ = √(2/(n−1))
 * Γ(n/2)/Γ((n−1)/2). n ≥ 2.
 */
export const c4 = (n: number): number => Math.sqrt(2 / (n - 1)) * (gamma(n / 2) / gamma((n - 1) / 2));

/** Farthest from the middle the range is integrated to, deviations, and nodes on it. */
const FAR = 8;
const RULE = gaussLegendre(200);

/**
 * Expected range of n normal values over their deviation: d₂ = ∫ 1 − Φⁿ − (1 − Φ)ⁿ (Tippett, Biometrika 17
 * (1925) 364). n ≥ 2.
 */
export function d2(n: number): number {
  let sum = 0;
  RULE.nodes.forEach((node, i) => {
    const below = normalCdf(node * FAR);
    sum += (RULE.weights[i] ?? 0) * (1 - below ** n - (1 - below) ** n);
  });
  return sum * FAR;
}

/** Limits a stable process stays within, and the places where it did not. */
export interface Chart {
  readonly centre: number;
  readonly low: number;
  readonly high: number;
  /** places in the row of values that are beyond a limit */
  readonly beyond: readonly number[];
  /** first place of a run of at least eight on one side of the centre; undefined where there is none */
  readonly run: number | undefined;
  /** deviation of one value from piece to piece, by the moving ranges */
  readonly deviation: number;
}

/**
 * Values in a row on one side of the centre that are no accident (NIST/SEMATECH e-Handbook 6.3.2, WECO
 * rules).
 */
const RUN = 8;

/**
 * Chart of single values in the order they were made: centre at the mean, limits at three deviations, the
 * deviation from the mean moving range over d₂ of two (NIST/SEMATECH e-Handbook of Statistical Methods
 * 6.3.2.2). Undefined of fewer than two.
 */
export function individuals(values: readonly number[]): Chart | undefined {
  if (values.length < 2) return undefined;
  const centre = meanOf(values);
  const ranges = values.slice(1).map((value, i) => Math.abs(value - numberAt(values, i)));
  const deviation = meanOf(ranges) / d2(2);
  const [low, high] = [centre - 3 * deviation, centre + 3 * deviation];
  return {
    centre,
    low,
    high,
    beyond: values.flatMap((value, i) => (value < low || value > high ? [i] : [])),
    run: firstRun(values, centre),
    deviation,
  };
}

function firstRun(values: readonly number[], centre: number): number | undefined {
  let from = 0;
  for (let i = 0; i < values.length; i++) {
    const side = Math.sign(numberAt(values, i) - centre);
    if (i > 0 && side !== Math.sign(numberAt(values, i - 1) - centre)) from = i;
    if (side !== 0 && i - from + 1 >= RUN) return from;
  }
  return undefined;
}

/**
 * Limits for the means and the deviations of subgroups of one size (NIST/SEMATECH e-Handbook 6.3.2.1): three
 * deviations of each either side.
 */
export function meanAndDeviation(groups: readonly (readonly number[])[]): {
  readonly mean: readonly [low: number, centre: number, high: number];
  readonly deviation: readonly [low: number, centre: number, high: number];
} {
  const n = groups[0]?.length ?? 0;
  if (n < 2 || groups.some((group) => group.length !== n))
    throw new Error('Give subgroups of one size, of two at least.');
  const centre = meanOf(groups.map(meanOf));
  const spread = meanOf(groups.map(deviationOf));
  const a3 = 3 / (c4(n) * Math.sqrt(n));
  const b = (3 / c4(n)) * Math.sqrt(1 - c4(n) ** 2);
  return {
    mean: [centre - a3 * spread, centre, centre + a3 * spread],
    deviation: [Math.max(0, 1 - b) * spread, spread, (1 + b) * spread],
  };
}

/** Capability of a process (ISO 22514-2), without a unit. */
export interface Capability {
  /** room between the limits over six deviations */
  readonly cp: number;
  /** the same to the nearer limit, over three */
  readonly cpk: number;
  /** share beyond a limit, were the weights normal */
  readonly outside: number;
}

/**
 * Capability of a process against its limits (NIST/SEMATECH e-Handbook 6.1.6). `low` < `high`, deviation
 * above 0.
 */
export function capability(mean: number, deviation: number, low: number, high: number): Capability {
  return {
    cp: (high - low) / (6 * deviation),
    cpk: Math.min(high - mean, mean - low) / (3 * deviation),
    outside: normalCdf((low - mean) / deviation) + normalCdf((mean - high) / deviation),
  };
}
