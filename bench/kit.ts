/** One frame at sixty a second, and the longest an interface may be busy without a person noticing, ms. */
export const FRAME = 1000 / 60;
export const NOTICEABLE = 50;
/** The runner names functions by a helper that a page does not have. */
export const NAMED = 'globalThis.__name = (named) => named';

/** Median time of a call, ms, after warming up. */
export function median(work: () => unknown, runs = 40): number {
  for (let i = 0; i < 8; i++) work();
  const times = Array.from({ length: runs }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  }).sort((a, b) => a - b);
  return times[Math.floor(runs / 2)] ?? NaN;
}

/** One ratio on a line of its own. */
export const line = (what: string, ratio: number, of: string): void =>
  console.log(`${what.padEnd(58)} ${ratio.toFixed(3).padStart(8)} × ${of}`);
