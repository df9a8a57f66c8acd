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

/**
 * An event of a browser's trace: its name, when it began and how long the processor worked at it,
 * microseconds.
 */
interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly pid: number;
  readonly tid: number;
  readonly ts: number;
  readonly tdur?: number;
}

/**
 * Processor time of the longest task after a mark on the thread that set it, ms: what the work itself takes,
 * where a task's length on the clock also counts what the machine did besides.
 */
export function busiest(trace: Uint8Array, mark: string): number {
  const { traceEvents } = JSON.parse(new TextDecoder().decode(trace)) as { traceEvents: TraceEvent[] };
  const from = traceEvents.find(({ name }) => name === mark);
  if (!from) throw new Error(`The trace has no mark called ${mark}.`);
  const tasks = traceEvents.filter(
    ({ name, ph, pid, tid, ts }) =>
      name.endsWith('RunTask') && ph === 'X' && pid === from.pid && tid === from.tid && ts > from.ts,
  );
  return Math.max(0, ...tasks.map(({ tdur = 0 }) => tdur)) / 1000;
}

/** One ratio on a line of its own. */
export const line = (what: string, ratio: number, of: string): void =>
  console.log(`${what.padEnd(58)} ${ratio.toFixed(3).padStart(8)} × ${of}`);
