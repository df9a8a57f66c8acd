import { normalQuantile } from '../numeric/distributions.ts';

/** A share that was counted, with the span it is sure of. */
export interface Proportion {
  readonly events: number;
  readonly of: number;
  readonly share: number;
  readonly low: number;
  readonly high: number;
}

/** How sure an interval is wanted to be, where nothing else is said. */
export const CONFIDENCE = 0.95;

/** Standard deviations either side that hold the given share of a normal distribution. */
export const deviations = (confidence = CONFIDENCE): number => normalQuantile((1 + confidence) / 2);

function checkCounts(events: number, of: number): void {
  if (!(Number.isInteger(events) && Number.isInteger(of) && events >= 0 && of >= events))
    throw new Error(
      `${events} of ${of} cannot be. Give whole numbers from 0, the first no larger than the second.`,
    );
}

/**
 * A proportion with its score interval after Wilson (J. Am. Stat. Assoc. 22 (1927) 209), without continuity
 * correction: right for small counts and for none at all. `events` of `of`, whole, 0 ≤ events ≤ of; of
 * nothing counted the share is unknown and may be anything. Throws on counts that cannot be.
 */
export function wilson(events: number, of: number, confidence = CONFIDENCE): Proportion {
  checkCounts(events, of);
  if (of === 0) return { events, of, share: NaN, low: 0, high: 1 };
  const z = deviations(confidence);
  const share = events / of;
  const middle = share + (z * z) / (2 * of);
  const half = z * Math.sqrt((share * (1 - share)) / of + (z * z) / (4 * of * of));
  const whole = 1 + (z * z) / of;
  // At its ends the interval reaches 0 and 1 exactly.
  return {
    events,
    of,
    share,
    low: events === 0 ? 0 : (middle - half) / whole,
    high: events === of ? 1 : (middle + half) / whole,
  };
}

/** A difference of two proportions. */
export interface ShareDifference {
  readonly difference: number;
  readonly low: number;
  readonly high: number;
  /** which has the larger share; undefined while zero is inside the span */
  readonly winner: 'first' | 'second' | undefined;
}

/** Returns a difference of shares with its interval, and which of the two is ahead beyond doubt. */
export const judged = (difference: number, low: number, high: number): ShareDifference => ({
  difference,
  low,
  high,
  winner: low > 0 ? 'first' : high < 0 ? 'second' : undefined,
});

/**
 * Returns the difference of two independent proportions, the first less the second, with the hybrid score
 * interval (Newcombe, Statistics in Medicine 17 (1998) 873, method 10). Nothing counted on one side leaves it
 * open from −1 to 1.
 */
export function newcombe(
  [a, m]: readonly [events: number, of: number],
  [b, n]: readonly [events: number, of: number],
  confidence = CONFIDENCE,
): ShareDifference {
  const first = wilson(a, m, confidence);
  const second = wilson(b, n, confidence);
  if (m === 0 || n === 0) return judged(NaN, -1, 1);
  const difference = first.share - second.share;
  return judged(
    difference,
    difference - Math.hypot(first.share - first.low, second.high - second.share),
    difference + Math.hypot(first.high - first.share, second.share - second.low),
  );
}

/** Most times over the counts so far that are looked ahead for. */
const FARTHEST = 1000;

/**
 * How many more of each it would take to tell two shares apart, were they to stay as they are: the least
 * multiple of the present counts at which Newcombe's interval leaves zero out, less what is there. 0 when it
 * does already; undefined where even a thousand times as many would not do.
 */
export function moreWanted(
  [a, m]: readonly [events: number, of: number],
  [b, n]: readonly [events: number, of: number],
  confidence = CONFIDENCE,
): readonly [first: number, second: number] | undefined {
  if (m === 0 || n === 0) return undefined;
  const tells = (times: number) => {
    const [firstOf, secondOf] = [Math.ceil(m * times), Math.ceil(n * times)];
    const first = [Math.round((a / m) * firstOf), firstOf] as const;
    const second = [Math.round((b / n) * secondOf), secondOf] as const;
    return newcombe(first, second, confidence).winner !== undefined;
  };
  if (tells(1)) return [0, 0];
  if (!tells(FARTHEST)) return undefined;
  let [low, high] = [1, FARTHEST];
  while (high - low > 1 / Math.max(m, n)) {
    const middle = (low + high) / 2;
    if (tells(middle)) high = middle;
    else low = middle;
  }
  return [Math.ceil(m * high) - m, Math.ceil(n * high) - n];
}
