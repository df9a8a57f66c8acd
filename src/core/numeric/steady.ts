import { crossing } from './root.ts';

/**
 * A function looked at in steps: whether it is told that a place is being narrowed down, so that the scan may
 * be coarser.
 */
type Turning = (x: number, isFine: boolean) => number;

/**
 * Places on [from, from + step · count] where a function goes from above zero to zero or below: where a
 * moment that turns on gives way to one that turns back. It is looked at in steps, and each such place
 * narrowed down to `step / 2^halvings`. They come one by one, so that who takes the first alone looks no
 * further.
 */
export function* steadyPlaces(
  f: Turning,
  { from, step, count, halvings }: Readonly<Record<'from' | 'step' | 'count' | 'halvings', number>>,
): Generator<number, void> {
  let before = f(from, false);
  for (let i = 0; i < count; i++) {
    const start = from + i * step;
    const after = f(start + step, false);
    if (before > 0 && after <= 0) yield narrowed(f, [start, before], [start + step, after], halvings);
    before = after;
  }
}

/**
 * The place nearest to another of those that {@link steadyPlaces} finds within so many steps to either side;
 * that other itself where there is none. It is looked at from there outwards, and no further than need be.
 */
export function steadyNear(
  f: Turning,
  near: number,
  { step, count, halvings }: Readonly<Record<'step' | 'count' | 'halvings', number>>,
): number {
  const own = f(near, false);
  let [below, above] = [own, own];
  for (let i = 0; i < count; i++) {
    const [low, high] = [near - i * step, near + i * step];
    const [lower, higher] = [f(low - step, false), f(high + step, false)];
    const found = [
      ...(lower > 0 && below <= 0 ? [narrowed(f, [low - step, lower], [low, below], halvings)] : []),
      ...(above > 0 && higher <= 0 ? [narrowed(f, [high, above], [high + step, higher], halvings)] : []),
    ];
    if (found.length > 0) return nearestTo(found, near);
    [below, above] = [lower, higher];
  }
  return near;
}

const narrowed = (
  f: Turning,
  low: readonly [x: number, f: number],
  high: readonly [x: number, f: number],
  halvings: number,
): number => crossing((x) => f(x, true), low, high, (high[0] - low[0]) / 2 ** halvings);

/** The place nearest to another; that one itself where there is none. */
export const nearestTo = (places: readonly number[], wanted: number): number =>
  places.reduce(
    (best, place) => (Math.abs(place - wanted) < Math.abs(best - wanted) ? place : best),
    places[0] ?? wanted,
  );
