import { CONFIDENCE, deviations, wilson } from './proportion.ts';

/** Fish, or anything else counted, over time. */
export interface Rate {
  readonly events: number;
  /** h */
  readonly hours: number;
}

/** How many times one rate is another, with its interval. */
export interface RateRatio {
  readonly ratio: number;
  readonly low: number;
  readonly high: number;
  readonly winner: 'first' | 'second' | undefined;
}

/**
 * Ratio of two rates of events that come by chance, the first over the second: given all that were counted,
 * those of the first are a share of them (Przyborowski & Wilenski, Biometrika 31 (1940) 313), and that share
 * has Wilson's interval. Infinite where the second has none. Undefined where nothing was counted or one was
 * not fished.
 */
export function rateRatio(first: Rate, second: Rate, confidence = CONFIDENCE): RateRatio | undefined {
  const all = first.events + second.events;
  if (all === 0 || !(first.hours > 0) || !(second.hours > 0)) return undefined;
  const { share, low, high } = wilson(first.events, all, confidence);
  const odds = (part: number) => (part >= 1 ? Infinity : (part / (1 - part)) * (second.hours / first.hours));
  return {
    ratio: odds(share),
    low: odds(low),
    high: odds(high),
    winner: odds(low) > 1 ? 'first' : odds(high) < 1 ? 'second' : undefined,
  };
}

/** How a rate follows a weight. */
export interface Trend {
  /** the rate is multiplied by this for each `step` grams */
  readonly factor: number;
  readonly low: number;
  readonly high: number;
  readonly step: number;
}

/** Most steps of Newton's method; it needs five or so. */
const STEPS = 60;

/**
 * Whether weight matters: events over hours at several weights by Poisson regression, log rate = a + b ·
 * weight, by Newton's method with the interval of Wald (McCullagh & Nelder, Generalized Linear Models, 1989,
 * chapter 6). Told for a step in grams. Undefined where fewer than two weights were fished or nothing was
 * caught, or where all was caught at one end, so that no finite factor fits.
 */
export function weightTrend(
  rows: readonly (Rate & { readonly grams: number })[],
  step = 0.05,
  confidence = CONFIDENCE,
): Trend | undefined {
  const fished = rows.filter(({ hours }) => hours > 0);
  const events = fished.reduce((sum, row) => sum + row.events, 0);
  const weights = new Set(fished.map(({ grams }) => grams));
  if (weights.size < 2 || events === 0) return undefined;
  // About the mean weight, in steps: the two unknowns hardly pull at each other.
  const mean = fished.reduce((sum, { grams, hours }) => sum + grams * hours, 0) / total(fished);
  const at = ({ grams }: { readonly grams: number }) => (grams - mean) / step;
  let a = Math.log(events / total(fished));
  let b = 0;
  for (let i = 0; i < STEPS; i++) {
    let [g0, g1, h00, h01, h11] = [0, 0, 0, 0, 0];
    for (const row of fished) {
      const x = at(row);
      const expected = row.hours * Math.exp(a + b * x);
      g0 += row.events - expected;
      g1 += (row.events - expected) * x;
      h00 += expected;
      h01 += expected * x;
      h11 += expected * x * x;
    }
    const det = h00 * h11 - h01 * h01;
    if (!(det > 1e-12 * h00 * h11)) return undefined;
    const [da, db] = [(h11 * g0 - h01 * g1) / det, (h00 * g1 - h01 * g0) / det];
    // A step of more than a doubling is cut short, so that a far start does not overshoot.
    const hold = Math.min(1, 1 / Math.max(1e-12, Math.abs(da), Math.abs(db)));
    a += hold * da;
    b += hold * db;
    if (Math.abs(da) + Math.abs(db) < 1e-10) {
      const half = deviations(confidence) * Math.sqrt(h00 / det);
      return { factor: Math.exp(b), low: Math.exp(b - half), high: Math.exp(b + half), step };
    }
  }
  return undefined;
}

const total = (rows: readonly Rate[]): number => rows.reduce((sum, { hours }) => sum + hours, 0);
