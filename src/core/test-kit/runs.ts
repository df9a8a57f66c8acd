/** Whether every random check is run whole, as before a change lands, or its everyday share. */
export const isWhole = process.env['FERN_ANVIL_WHOLE'] === '1';

/**
 * Runs of a random check that is costly: all of them before a change lands, a sixth (and some at the least)
 * every day.
 */
export const runs = (whole: number): number =>
  isWhole ? whole : Math.max(Math.min(whole, 3), Math.ceil(whole / 6));

/**
 * A sweep’s cases: all of them before a change lands, every day one in so many, drawn anew with each seed so
 * that all have their day. There is always one at the least.
 */
export function share<T>(cases: readonly T[], oneIn: number): T[] {
  if (isWhole) return [...cases];
  let state = Number(process.env['SEED'] ?? 1) % 2147483647 || 1;
  // The minimal standard generator (Park & Miller 1988), thrown away a few times: neighbouring seeds begin
  // alike.
  const next = () => (state = (state * 48271) % 2147483647) / 2147483647;
  for (let i = 0; i < 5; i++) next();
  const from = Math.floor(next() * Math.min(oneIn, cases.length));
  return cases.filter((_, i) => i % oneIn === from % oneIn);
}
