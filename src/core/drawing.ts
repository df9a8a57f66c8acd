import type { Assembly } from './assemble.ts';
import { totalMass } from './assemble.ts';
import { collarOutline, headOutlines } from './head/outline.ts';
import type { Vec2 } from './numeric/vec.ts';
import { extent } from './evaluate.ts';

/** Everything a plate needs, in mm, as plain data that crosses to the interface. Side view is (x, z), top (x, y), front (y, z). */
export interface Drawing {
  readonly length: number;
  readonly breadth: number;
  readonly height: number;
  readonly rise: number;
  readonly drop: number;
  /** x of the greatest breadth, rise and drop, where handles sit */
  readonly fullest: number;
  readonly side: readonly Vec2[];
  readonly top: readonly Vec2[];
  readonly front: readonly Vec2[];
  readonly collar: readonly Vec2[] | undefined;
  readonly hook: readonly Vec2[];
  readonly wire: number;
  readonly eye: {
    readonly at: Vec2;
    readonly radius: number;
    readonly wire: number;
    readonly crosswise: boolean;
    readonly along: Vec2;
    readonly top: number;
  };
  readonly knee: Vec2;
  readonly tip: Vec2;
  readonly bendRear: Vec2;
  readonly keeper: { readonly path: readonly Vec2[]; readonly wire: number } | undefined;
  readonly guard: { readonly base: Vec2; readonly end: Vec2; readonly radius: number; readonly fan: number } | undefined; // prettier-ignore
  /** centre of mass in the side view */
  readonly centre: Vec2;
}

const round = ([u, v]: Vec2): Vec2 => [Math.round(u * 1000) / 1000, Math.round(v * 1000) / 1000];

/** The drawing of an assembly. `stations` sets how fine the outlines are. `fan` is the guard's spread in degrees. */
export function drawingOf(assembly: Assembly, fan = 0, stations = 48): Drawing {
  const { profile, collar, hook, keeperWire, guard, parts } = assembly;
  const outlines = headOutlines(profile, stations);
  const sizes = extent(assembly);
  const total = totalMass(assembly);
  const centre = (axis: 0 | 2) =>
    parts.reduce((sum, part) => sum + part.mass * part.centroid[axis], 0) / total;
  let [fullest, most] = [profile.length / 2, 0];
  for (const x of [...profile.breaks, profile.length / 2]) {
    const { b } = profile.section(x);
    if (b > most) [fullest, most] = [x, b];
  }
  const flat = (path: readonly (readonly [number, number, number])[]) =>
    path.map(([x, , z]) => round([x, z]));
  return {
    length: profile.length,
    ...sizes,
    fullest,
    side: outlines.side.map(round),
    top: outlines.top.map(round),
    front: outlines.front.map(round),
    collar: collar && collarOutline(collar).map(round),
    hook: flat(hook.centre),
    wire: hook.wire,
    eye: {
      at: round([hook.eye.centre[0], hook.eye.centre[2]]),
      radius: hook.eye.radius,
      wire: 2 * hook.eye.wireRadius,
      crosswise: hook.eye.plane === 'crosswise',
      along: [hook.eye.along[0], hook.eye.along[2]],
      top: hook.eye.top,
    },
    knee: [hook.knee[0], 0],
    tip: [hook.tip[0], hook.tip[2]],
    bendRear: [hook.bendRear[0], hook.bendRear[2]],
    keeper: keeperWire && { path: flat(keeperWire.path), wire: keeperWire.diameter },
    guard: guard && {
      base: [guard.base[0], guard.base[2]],
      end: [guard.end[0], guard.end[2]],
      radius: guard.bundleRadius,
      fan,
    },
    centre: [centre(0), centre(2)],
  };
}
