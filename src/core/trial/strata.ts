import type { ShareDifference } from './proportion.ts';
import { CONFIDENCE, deviations, judged, newcombe } from './proportion.ts';

type Counted = readonly [events: number, of: number];

/** The same two things counted at one place. */
export interface Stratum {
  readonly place: string;
  readonly first: Counted;
  readonly second: Counted;
}

/** A difference of shares over places, each compared with itself. */
export interface Stratified extends ShareDifference {
  /** places where both were fished: only those tell anything */
  readonly places: readonly string[];
  /** the difference with all places thrown together */
  readonly pooled: ShareDifference;
  /**
   * true where throwing the places together would have told something else: another sign, or a winner that is
   * none
   */
  readonly isMixed: boolean;
}

/**
 * Difference of two proportions held place by place, so that the one fished more often where it is easy is
 * not flattered: Mantel-Haenszel's weighted difference with the variance of Sato (Biometrics 45 (1989) 1323),
 * which holds for few large and for many small places. Where one place alone has both, Newcombe's interval
 * there. Undefined where no place has both.
 */
export function stratified(strata: readonly Stratum[], confidence = CONFIDENCE): Stratified | undefined {
  const both = strata.filter(({ first, second }) => first[1] > 0 && second[1] > 0);
  if (both.length === 0) return undefined;
  const sum = (side: 'first' | 'second') =>
    both.reduce<Counted>(
      ([events, of], stratum) => [events + stratum[side][0], of + stratum[side][1]],
      [0, 0],
    );
  const pooled = newcombe(sum('first'), sum('second'), confidence);
  const places = both.map(({ place }) => place);
  const [only] = both;
  const held =
    both.length === 1 && only
      ? newcombe(only.first, only.second, confidence)
      : mantelHaenszel(both, confidence);
  const isMixed =
    pooled.winner !== held.winner || Math.sign(pooled.difference) * Math.sign(held.difference) < 0;
  return { ...held, places, pooled, isMixed };
}

function mantelHaenszel(strata: readonly Stratum[], confidence: number): ShareDifference {
  let [weight, weighed, p, q] = [0, 0, 0, 0];
  for (const {
    first: [a, m],
    second: [b, n],
  } of strata) {
    const all = m + n;
    weight += (m * n) / all;
    weighed += (a * n - b * m) / all;
    p += (m * m * b - n * n * a + (m * n * (n - m)) / 2) / all ** 2;
    q += (a * (n - b) + b * (m - a)) / (2 * all);
  }
  const difference = weighed / weight;
  const deviation = Math.sqrt(Math.max(0, difference * p + q)) / weight;
  const half = deviations(confidence) * deviation;
  // With no event at all, or nothing but events, the variance is none: Newcombe's interval of all together is
  // wider and true.
  if (deviation === 0) {
    const total = (side: 'first' | 'second') =>
      strata.reduce<Counted>(([e, o], stratum) => [e + stratum[side][0], o + stratum[side][1]], [0, 0]);
    return newcombe(total('first'), total('second'), confidence);
  }
  return judged(difference, Math.max(-1, difference - half), Math.min(1, difference + half));
}

/**
 * Chance of naming a winner where there is none, when one looks after every day and stops at the first 95%
 * interval that leaves zero out (Armitage, McPherson & Rowe, J. Royal Stat. Soc. A 132 (1969) 235, table 2,
 * from memory).
 */
const LOOKS: readonly (readonly [looks: number, chance: number])[] = [
  [1, 0.05],
  [2, 0.083],
  [3, 0.107],
  [4, 0.126],
  [5, 0.142],
  [10, 0.193],
  [20, 0.248],
  [50, 0.32],
];

/**
 * What a 95% interval is worth after so many looks at evenly growing counts: the chance of a false winner, 0
 * to 1; between the table's lines by the logarithm.
 */
export function falseWinner(looks: number): number {
  const at = Math.max(1, looks);
  const above = LOOKS.findIndex(([n]) => n >= at);
  if (above === 0) return 0.05;
  const [n1, p1] = LOOKS.at(above < 0 ? -2 : above - 1) ?? [1, 0.05];
  const [n2, p2] = LOOKS.at(above < 0 ? -1 : above) ?? [1, 0.05];
  const share = Math.log(at / n1) / Math.log(n2 / n1);
  return Math.min(1, p1 + share * (p2 - p1));
}
