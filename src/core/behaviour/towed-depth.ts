import type { Rig } from '../assembly/rig.ts';
import { crossing } from '../numeric/root.ts';
import type { Fishing } from './fishing.ts';
import { oncePer } from './once.ts';
import type { Tow } from './tow.ts';
import { lineToRod, towed } from './tow.ts';

/**
 * What drags, against what is reckoned with: the head's drag times a factor, and the line's coefficient where
 * it is another.
 */
export interface Dragging {
  readonly factor: number;
  readonly normal?: number;
}
/** Drag and line as they are usually reckoned with. */
export const USUAL: Dragging = { factor: 1 };
/**
 * The head's drag 27% more and less, what published forms differ by (see the fall); the line's coefficient
 * from 1.0, a still cylinder at its Reynolds numbers of some hundreds (Hoerner 1965, from memory), to 1.4, a
 * line that hums (working value, no source).
 */
const LINE = { still: 1, humming: 1.4 };
const MOST: Dragging = { factor: 1.27, normal: LINE.humming };
const LEAST: Dragging = { factor: 0.73, normal: LINE.still };

/**
 * The head's drag as likely and as its span goes: as published forms part, or as it was measured; the line's
 * own in both.
 */
export const draggings = ({ drag }: Rig) => ({
  usual: USUAL,
  least: drag ? { ...LEAST, factor: drag.low / drag.factor } : LEAST,
  most: drag ? { ...MOST, factor: drag.high / drag.factor } : MOST,
});
/** Speeds looked at, m/s. */
export const SLOWEST = 0.02;
const FASTEST = 6;
/** Sizes over the design's own between which the one that just keeps the bottom is looked for. */
const SMALLEST = 0.05;
const LARGEST = 6;
/** How near speeds and sizes are found, as a share of the greatest. */
const NARROW = 2e-5;

/** Depth a towed head keeps at a speed through the water, m, its drag times a factor. */
export function depthAt(
  tow: Tow,
  speed: number,
  density: number,
  fishing: Fishing,
  { factor, normal } = USUAL,
): number {
  const { drag, lift } = tow.at(speed);
  const pull = { weight: tow.weight - lift, drag: drag * factor };
  return lineToRod(pull, speed, density, fishing, normal).depth;
}

/**
 * Greatest speed through the water at which the head still reaches a depth, m/s; undefined where the line is
 * too short for it.
 */
export function bottomSpeed(
  tow: KnownTow,
  depth: number,
  density: number,
  fishing: Fishing,
  { factor, normal } = USUAL,
): number | undefined {
  const over = (speed: number) => {
    const { drag, lift } = tow.near(speed);
    const pull = { weight: tow.weight - lift, drag: drag * factor };
    return lineToRod(pull, speed, density, fishing, normal).depth - depth;
  };
  const [slowest, fastest] = [over(SLOWEST), over(FASTEST)];
  if (!(slowest >= 0)) return undefined;
  if (fastest >= 0) return FASTEST;
  return crossing(over, [SLOWEST, slowest], [FASTEST, fastest], NARROW * FASTEST);
}

/**
 * Size of the head, over its own, that just reaches a depth at a speed through the water: weight grows with
 * its cube, drag with its square. Undefined where even six times is too little.
 */
export function leastSize(
  tow: Tow,
  speed: number,
  depth: number,
  density: number,
  fishing: Fishing,
  { factor, normal } = USUAL,
): number | undefined {
  const { drag, lift } = tow.at(speed);
  const short = (k: number) => {
    const pull = { weight: tow.weight * k ** 3 - lift * k ** 2, drag: drag * factor * k ** 2 };
    return depth - lineToRod(pull, speed, density, fishing, normal).depth;
  };
  const [smallest, largest] = [short(SMALLEST), short(LARGEST)];
  if (!(largest <= 0)) return undefined;
  if (smallest <= 0) return SMALLEST;
  return crossing(short, [SMALLEST, smallest], [LARGEST, largest], NARROW * LARGEST);
}

/** A tow that is asked for many speeds. */
export interface KnownTow extends Tow {
  /** drag and lift at a speed between those they are worked out at, N, the drag within a few thousandths */
  readonly near: (speed: number) => { readonly drag: number; readonly lift: number };
}

/**
 * Ratio between the speeds a drag is worked out at, as a logarithm: eleven from the slowest to the fastest.
 */
const PER_STEP = Math.log(FASTEST / SLOWEST) / 10;

/** The head on the line, found once for a rig and its surroundings; undefined where it floats. */
export const towOf = oncePer((rig, around): KnownTow | undefined => {
  const found = towed(rig, around.water);
  const cache = new Map<number, ReturnType<Tow['at']>>();
  const exactly = (of: Tow, speed: number) => {
    const known = cache.get(speed);
    if (known) return known;
    const made = of.at(speed);
    cache.set(speed, made);
    return made;
  };
  return (
    found && {
      weight: found.weight,
      at: (speed: number, munk?: number) =>
        munk === undefined ? exactly(found, speed) : found.at(speed, munk),
      // Drag over the speed squared hardly changes from one of a few speeds to the next.
      near: (speed: number) => {
        const place = Math.max(0, Math.log(speed / SLOWEST) / PER_STEP);
        const low = Math.floor(place);
        const at = (step: number) => {
          const v = SLOWEST * Math.exp(step * PER_STEP);
          const { drag, lift } = exactly(found, v);
          return { drag: Math.log(drag / (v * v)), lift: lift / (v * v) };
        };
        const [a, b] = [at(low), at(low + 1)];
        const between = (x: number, y: number) => x + (y - x) * (place - low);
        return {
          drag: Math.exp(between(a.drag, b.drag)) * speed * speed,
          lift: between(a.lift, b.lift) * speed * speed,
        };
      },
    }
  );
});
