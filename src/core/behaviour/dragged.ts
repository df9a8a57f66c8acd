import type { Rig } from '../build/rig.ts';
import { collarOutline } from '../head/outline.ts';
import { GRAVITY, waterDensity } from '../material/water.ts';
import { steadyPlaces } from '../numeric/steady.ts';
import type { Vec2 } from '../numeric/vec.ts';
import { clamp, degrees, radians } from '../numeric/vec.ts';
import type { Surroundings } from './behaviour.ts';
import { fishingOf } from './fishing.ts';
import { hanging } from './hang.ts';
import { oncePer } from './once.ts';
import type { Flat } from './outline.ts';
import { hull2, seenAlong, touchdown, turned } from './outline.ts';
import { viewsOf } from './views.ts';

/** Steps in which a rolling head's balance is looked at, rad: 3°. */
const ROLLED = Math.PI / 60;

/** How a head is dragged: in the side view, forward and up from its eye, mm. */
export interface Dragged {
  /** nose-down pitch, degrees */
  readonly pitch: number;
  /** angle of the line over the level at the head, degrees */
  readonly line: number;
  /** outline of the head's metal, counter-clockwise, forward and up from the eye */
  readonly outline: Flat;
  /** of all that can touch, likewise */
  readonly hull: Flat;
  /** outline of the metal from above, counter-clockwise, forward and to the left from the rear face */
  readonly above: Flat;
  /** of the bottom below the eye, mm */
  readonly floor: number;
}

/** Elevation of a straight line from head to rod, degrees: depth and the rod's height over the line that is out. */
export function lineAngle(depth: number, rodHeight: number, lineOut: number): number {
  return degrees(Math.asin(clamp((depth + rodHeight) / lineOut, 0, 1)));
}

/** What of a rig does not hang on the line or the ground: how it lies before it is pulled. Undefined where it floats. */
const lying = oncePer((rig, around) => {
  const { weight: grams, centre } = hanging(rig, waterDensity(around.water));
  if (!(grams > 0)) return undefined;
  const weight = (grams / 1000) * GRAVITY;
  const { eye } = rig.places;
  const fromEye = ([x, z]: Vec2): Vec2 => [x - eye[0], z - eye[2]];
  const { side, top } = viewsOf(rig.head);
  const metal = hull2(side.map(fromEye));
  const outline = hull2([
    ...metal,
    ...seenAlong(rig.bodies[0].besides(), 0, 2).map(fromEye),
    ...(rig.collar ? collarOutline(rig.collar) : []).map(fromEye),
  ]);
  const weightAt = fromEye([centre[0], centre[2]]);
  // Where the weight acts, forward of and above what carries it.
  const overFoot = (pitch: number, [footAt, foot] = touchdown(outline, pitch)): Vec2 => {
    const [at, up] = turned(pitch, weightAt);
    return [at - footAt, up - foot];
  };
  // Moments about where it touches, nose down positive, under a pull at the eye forward and up, N.
  const moment =
    ([forward, up]: Vec2) =>
    (pitch: number) => {
      const foot = touchdown(outline, pitch);
      const [ahead] = overFoot(pitch, foot);
      return weight * ahead + forward * -foot[1] - up * -foot[0];
    };
  const poses = steadyPlaces(moment([0, 0]), {
    from: -Math.PI / 2,
    step: ROLLED,
    count: Math.PI / ROLLED,
    halvings: 14,
  });
  const heights = poses.map((pitch) => overFoot(pitch)[1]);
  const rested = poses[heights.indexOf(Math.min(...heights))] ?? 0;
  return { weight, metal, outline, above: hull2(top), moment, rested };
});

/**
 * Head dragged over a level bottom, in the hook's plane with the point up: pull T = μW/(cos θ + μ sin θ) at the eye, weight at the
 * effective centre, friction and support where it touches. Of the ways it rests in that plane with the point up it is in the lowest, and
 * once it is pulled it rolls on from there until all of these balance. `friction`: other than that of its surroundings. Undefined where it floats.
 */
export function draggedOver(
  rig: Rig,
  around: Surroundings,
  friction = fishingOf(around).friction,
): Dragged | undefined {
  const lies = lying(rig, around);
  if (!lies) return undefined;
  const { weight, metal, outline, above, moment, rested } = lies;
  const { rodHeight, lineOut } = fishingOf(around);
  const line = lineAngle(around.depth, rodHeight, lineOut);
  const [c, s] = [Math.cos(radians(line)), Math.sin(radians(line))];
  const pull = (friction * weight) / (c + friction * s);
  const pitch = rolledTo(moment([pull * c, pull * s]), rested);
  const hull = outline.map((point) => turned(pitch, point));
  return {
    pitch: degrees(pitch),
    line,
    outline: metal.map((point) => turned(pitch, point)),
    hull,
    above,
    floor: Math.min(...hull.map(([, z]) => z)),
  };
}

/** Where a body turns to from a pitch, the way its moment turns it, rad; the pitch itself where nothing ever holds it. */
function rolledTo(moment: (pitch: number) => number, from: number): number {
  const way = Math.sign(moment(from));
  if (way === 0) return from;
  const [first] = steadyPlaces((turn) => way * moment(from + way * turn), {
    from: 0,
    step: ROLLED,
    count: Math.ceil((2 * Math.PI) / ROLLED),
    halvings: 14,
  });
  return first === undefined ? from : from + way * first;
}
