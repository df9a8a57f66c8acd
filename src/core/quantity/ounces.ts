import { GRAMS_PER_OUNCE } from './units.ts';

/**
 * Ounce fractions printed on packets (common practice, no source), as numerator and denominator. Fifths stand
 * here because 1/5 oz heads are sold; 1/24 because re-cut moulds throw it.
 */
export const PACKET_FRACTIONS: readonly (readonly [number, number])[] = [
  [1, 64],
  [1, 48],
  [1, 32],
  [1, 24],
  [1, 20],
  [1, 16],
  [3, 32],
  [1, 10],
  [1, 8],
  [5, 32],
  [3, 16],
  [1, 5],
  [7, 32],
  [1, 4],
  [9, 32],
  [5, 16],
  [3, 8],
  [7, 16],
  [1, 2],
  [9, 16],
  [5, 8],
  [3, 4],
  [7, 8],
];

/** A weight in whole and fractional ounces. */
export interface OunceFraction {
  readonly whole: number;
  readonly numerator: number;
  readonly denominator: number;
  /** (fraction − true weight) / true weight */
  readonly error: number;
}

/**
 * The packet fraction nearest to a weight in grams (> 0), judged by ratio, since makers' tolerances are
 * shares of the weight. `numerator` is 0 for whole ounces.
 */
export function nearestOunceFraction(grams: number): OunceFraction {
  const ounces = grams / GRAMS_PER_OUNCE;
  const wholes = [
    ...new Set([Math.max(0, Math.floor(ounces) - 1), Math.floor(ounces), Math.floor(ounces) + 1]),
  ];
  let best: OunceFraction = { whole: 0, numerator: 1, denominator: 64, error: Infinity };
  let bestDistance = Infinity;
  for (const whole of wholes) {
    for (const [numerator, denominator] of [[0, 1] as const, ...PACKET_FRACTIONS]) {
      const candidate = whole + numerator / denominator;
      // Above an ounce packets only speak of quarters.
      if (candidate <= 0 || (whole >= 1 && numerator > 0 && 4 % denominator !== 0)) continue;
      const distance = Math.abs(Math.log(candidate / ounces));
      if (distance < bestDistance) {
        bestDistance = distance;
        best = { whole, numerator, denominator, error: candidate / ounces - 1 };
      }
    }
  }
  return best;
}

/** `3/8`, `1 1/2`, `2`: the fraction in plain text. */
export function fractionText({ whole, numerator, denominator }: OunceFraction): string {
  if (numerator === 0) return String(whole);
  return whole > 0 ? `${whole} ${numerator}/${denominator}` : `${numerator}/${denominator}`;
}

/** Grams of a fraction. */
export function fractionGrams({ whole, numerator, denominator }: OunceFraction): number {
  return (whole + numerator / denominator) * GRAMS_PER_OUNCE;
}
