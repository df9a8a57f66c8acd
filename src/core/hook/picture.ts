import type { Vec2, Vec3 } from '../numeric/vec.ts';
import type { HookMeasures } from './chart.ts';
import { hookPath } from './path.ts';
import type { StyleKey } from './styles/index.ts';

/** Two places a size is read between, mm. */
export type Span = readonly [from: Vec2, to: Vec2];

/**
 * A loose hook from the side, mm: x towards the eye, z towards the point; the shank's rear end, where the
 * bend begins, at x = 0.
 */
export interface HookPicture {
  /** centre line from the eye's ring to the tip */
  readonly centre: readonly Vec2[];
  readonly wire: number;
  readonly eye: { readonly at: Vec2; readonly radius: number };
  /** clear of wire, from shank to point, where the point stands */
  readonly gap: Span;
  /** the straight shank, from the eye's bend to the round one */
  readonly shank: Span;
  /** across the bend, from its rearmost wire to where it begins */
  readonly bend: Span;
  /** corners of all of it, wire and ring too */
  readonly box: readonly [low: Vec2, high: Vec2];
}

/**
 * Angle of the eye hooks are drawn with on a shelf, degrees, and the leg that stands in the metal of a head,
 * mm.
 */
const [EYE_ANGLE, LEG] = [60, 2];

/** Where the step of an offset shank begins behind the eye's bend, wires. */
const STEP_BEHIND = 4;

/** The picture of a hook by its measures (mm) and style. `step` is the longest piece of its line, mm. */
export function hookPicture(measures: HookMeasures, style: StyleKey, step = 0.4): HookPicture {
  const eye = { angle: EYE_ANGLE, plane: 'in line', setback: 0 } as const;
  // Of an offset shank the step stands near the eye, where no head is in its way.
  const straight = STEP_BEHIND * measures.wire - measures.shank;
  const path = hookPath(measures, { style }, eye, { knee: measures.shank, legInside: LEG, straight }, step);
  const flat = ([x, , z]: Vec3): Vec2 => [x, z];
  const half = path.wire / 2;
  const centre = path.centre.map(flat);
  const reach = path.eye.radius + half;
  const [ex, ez] = flat(path.eye.centre);
  const all: Vec2[] = [
    ...centre.flatMap(([x, z]): Vec2[] => [
      [x - half, z - half],
      [x + half, z + half],
    ]),
    [ex - reach, ez - reach],
    [ex + reach, ez + reach],
  ];
  const [xs, zs] = [all.map(([x]) => x), all.map(([, z]) => z)];
  // Where the bend ends the point leg stands a gap and two halves of wire over the shank, however it leans
  // from there.
  const level = path.shankLevel;
  return {
    centre,
    wire: path.wire,
    eye: { at: [ex, ez], radius: path.eye.radius },
    gap: [
      [0, level + half],
      [0, level + half + measures.gap],
    ],
    shank: [
      [0, level],
      [measures.shank, level],
    ],
    bend: [
      [path.bendRear[0] - half, path.bendRear[2]],
      [0, path.bendRear[2]],
    ],
    box: [
      [Math.min(...xs), Math.min(...zs)],
      [Math.max(...xs), Math.max(...zs)],
    ],
  };
}
