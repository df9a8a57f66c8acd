/** One frame at sixty a second, and the longest an interface may be busy without a person noticing, ms. */
export const FRAME = 1000 / 60;
export const NOTICEABLE = 50;
/** The runner names functions by a helper that a page does not have. */
export const NAMED = 'globalThis.__name = (named) => named';

/** The middle one of some times; sorts them. */
export const middle = (times: number[]): number =>
  times.sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? NaN;

/** Median time of a call, ms, after warming up. */
export function median(work: () => unknown, runs = 40): number {
  for (let i = 0; i < 8; i++) work();
  return middle(
    Array.from({ length: runs }, () => {
      const from = performance.now();
      work();
      return performance.now() - from;
    }),
  );
}

/** One ratio on a line of its own. */
export const line = (what: string, ratio: number, of: string): void =>
  console.log(`${what.padEnd(58)} ${ratio.toFixed(3).padStart(8)} × ${of}`);
