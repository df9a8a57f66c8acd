import { halve } from './halve.ts';

/**
 * Places on [from, from + step · count] where a function goes from above zero to zero or below: where a moment that turns on gives way to one that
 * turns back. It is looked at in steps, and each such place halved `halvings` times; `f` is told when it is being halved, so that the scan
 * may be coarser.
 */
export function steadyPlaces(
  f: (x: number, isFine: boolean) => number,
  { from, step, count, halvings }: Readonly<Record<'from' | 'step' | 'count' | 'halvings', number>>,
): number[] {
  const places: number[] = [];
  let before = f(from, false);
  for (let i = 0; i < count; i++) {
    const start = from + i * step;
    const after = f(start + step, false);
    if (before > 0 && after <= 0) {
      const [low, high] = halve(start, start + step, halvings, (middle) => f(middle, true) > 0);
      places.push((low + high) / 2);
    }
    before = after;
  }
  return places;
}

/** The place nearest to another; that one itself where there is none. */
export const nearestTo = (places: readonly number[], wanted: number): number =>
  places.reduce(
    (best, place) => (Math.abs(place - wanted) < Math.abs(best - wanted) ? place : best),
    places[0] ?? wanted,
  );
