import type { Rig } from '../build/rig.ts';
import { GRAVITY, waterDensity } from '../material/water.ts';
import { halve } from '../numeric/halve.ts';
import { steadyPlaces } from '../numeric/steady.ts';
import { clamp, degrees, radians } from '../numeric/vec.ts';
import { behaviour } from './behaviour.ts';
import { fishingOf } from './fishing.ts';
import type { Surroundings } from './behaviour.ts';
import { bareHead } from '../head/body.ts';
import type { HeadBody } from '../head/body.ts';
import { bodyOutlines, collarOutline, sideAndTop } from '../head/outline.ts';
import type { HeadOutlines } from '../head/outline.ts';
import type { Vec2 } from '../numeric/vec.ts';
import { hanging } from './hang.ts';
import { hull2, seenAlong } from './outline.ts';

/** Share of its length a nose must go into a crack to be held there (working value, no source). */
const ENTERED = 0.25;
/** Share of the front's height that must slide before a head counts as come free (working value, no source). */
const FREED = 0.8;
/** Neighbouring sides of an outline that turn by less than this are chords of a curve, degrees: fewer than thirty make a round. */
const BENT = 12;
/** A side turned aside by no more than this beyond friction is not yet swept, degrees. */
const SQUARE = 1e-9;
/** Stations along a head at which its outlines are looked at. */
const STATIONS = 96;
/** Steps in which a rolling head's balance is looked at, rad: 3°. */
const ROLLED = Math.PI / 60;

type Flat = readonly (readonly [number, number])[];

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

/**
 * Head dragged over a level bottom, in the hook's plane with the point up: pull T = μW/(cos θ + μ sin θ) at the eye, weight at the
 * effective centre, friction and support where it touches. Of the ways it rests in that plane with the point up it is in the lowest, and
 * once it is pulled it rolls on from there until all of these balance. Undefined where it floats.
 */
export function draggedOver(rig: Rig, around: Surroundings): Dragged | undefined {
  const { weight: grams, centre } = hanging(rig, waterDensity(around.water));
  if (!(grams > 0)) return undefined;
  const weight = (grams / 1000) * GRAVITY;
  const fishing = fishingOf(around);
  const line = lineAngle(around.depth, fishing.rodHeight, fishing.lineOut);
  const [c, s] = [Math.cos(radians(line)), Math.sin(radians(line))];
  const { eye } = rig.places;
  const { collar } = rig;
  const { friction: mu } = fishing;
  const pull = (mu * weight) / (c + mu * s);
  const fromEye = ([x, z]: Flat[number]): [number, number] => [x - eye[0], z - eye[2]];
  const { side, top: above } = viewsOf(rig.head);
  const metal = side.map(fromEye);
  const outline = hull2([
    ...metal,
    ...seenAlong(rig.bodies[0].besides(), 0, 2).map(fromEye),
    ...(collar ? collarOutline(collar) : []).map(fromEye),
  ]);
  const weightAt = fromEye([centre[0], centre[2]]);
  const turned = (pitch: number, [x, z]: Flat[number]): Vec2 => [
    x * Math.cos(pitch) + z * Math.sin(pitch),
    z * Math.cos(pitch) - x * Math.sin(pitch),
  ];
  // Where the weight acts, forward of and above what carries it.
  const overFoot = (pitch: number, [footAt, foot] = touchdown(outline, pitch)): Vec2 => {
    const [at, up] = turned(pitch, weightAt);
    return [at - footAt, up - foot];
  };
  // Moments about where it touches, nose down positive, under a share of the pull.
  const moment = (share: number) => (pitch: number) => {
    const foot = touchdown(outline, pitch);
    const [ahead] = overFoot(pitch, foot);
    return weight * ahead + share * pull * (c * -foot[1] - s * -foot[0]);
  };
  const poses = steadyPlaces(moment(0), {
    from: -Math.PI / 2,
    step: ROLLED,
    count: Math.PI / ROLLED,
    halvings: 14,
  });
  const heights = poses.map((pitch) => overFoot(pitch)[1]);
  const rested = poses[heights.indexOf(Math.min(...heights))] ?? 0;
  const pitch = rolledTo(moment(1), rested);
  const hull = outline.map((point) => turned(pitch, point));
  return {
    pitch: degrees(pitch),
    line,
    outline: hull2(metal).map((point) => turned(pitch, point)),
    hull,
    above: hull2(above),
    floor: Math.min(...hull.map(([, z]) => z)),
  };
}

/** Closed outlines from the side, forward and up, and from above, forward and to the left, mm. */
type Views = Pick<HeadOutlines, 'side' | 'top'>;

const views = new WeakMap<HeadBody, Views>();

/** Views of the bare metal: its columns' reach, or the corners of a solid from outside that is not worked. */
function viewsOf(head: HeadBody): Views {
  let known = views.get(head);
  if (!known) {
    const bare = bareHead(head);
    const { mesh, shapes, profile } = bare;
    known =
      mesh && shapes.length === 0
        ? { side: seenAlong(mesh.positions, 0, 2), top: seenAlong(mesh.positions, 0, 1) }
        : shapes.length === 0
          ? sideAndTop(profile, STATIONS)
          : bodyOutlines(bare, STATIONS);
    views.set(head, known);
  }
  return known;
}

/**
 * Where an outline touches a level floor, turned nose down by a pitch in rad. Where sides are chords of a curve the curve rolls: it touches at the middle of a chord that lies
 * level, and between two such places on the way from one to the other; at a corner it is the corner.
 */
function touchdown(outline: Flat, pitch: number): Flat[number] {
  const [c, s] = [Math.cos(pitch), Math.sin(pitch)];
  const turned = ([x, z]: Flat[number]): Vec2 => [x * c + z * s, z * c - x * s];
  let [i, lowest] = [0, Infinity];
  outline.forEach(([x, z], k) => {
    const height = z * c - x * s;
    if (height < lowest) [i, lowest] = [k, height];
  });
  const [before, at, after] = [outline.at(i - 1), outline[i], outline[(i + 1) % outline.length]].map(
    (point) => turned(point as Vec2),
  ) as [Vec2, Vec2, Vec2];
  const [fall, rise] = [
    Math.atan2(before[1] - at[1], at[0] - before[0]),
    Math.atan2(after[1] - at[1], after[0] - at[0]),
  ];
  if (!(fall + rise > 0 && fall + rise < radians(BENT))) return at;
  const lengths = [before, after].map(([x, z]) => Math.hypot(x - at[0], z - at[1]) || 1) as [number, number];
  const half = Math.min(...lengths) / 2;
  const [back, on] = [before, after].map(([x, z], k): Vec2 => {
    const share = half / (lengths[k] as number);
    return [at[0] + share * (x - at[0]), at[1] + share * (z - at[1])];
  }) as [Vec2, Vec2];
  const share = fall / (fall + rise);
  return [back[0] + share * (on[0] - back[0]), back[1] + share * (on[1] - back[1])];
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

/** A side of an outline that faces forward. */
export interface FrontSide {
  /** how far it faces down, degrees */
  readonly down: number;
  /** the same at its lower and its upper end: they differ where it is the chord of a curve */
  readonly turns: readonly [number, number];
  readonly height: number;
  readonly ends: readonly [Flat[number], Flat[number]];
}

/** Sides of an outline that face forward, from the bottom up. Outline counter-clockwise, forward and up. */
export function frontOf(outline: Flat): FrontSide[] {
  const { length } = outline;
  const downOf = (i: number) => {
    const [[x, z], [u, w]] = [outline[(i + length) % length], outline[(i + 1) % length]] as [
      Flat[0],
      Flat[0],
    ];
    return degrees(Math.atan2(u - x, w - z));
  };
  return outline.flatMap((from, i) => {
    const to = outline[(i + 1) % length] as Flat[number];
    const height = to[1] - from[1];
    // Counter-clockwise: a side that faces forward runs up.
    if (height <= 1e-9) return [];
    const down = downOf(i);
    const shared = (other: number) => (Math.abs(other - down) < BENT ? (down + other) / 2 : down);
    return [{ down, turns: [shared(downOf(i - 1)), shared(downOf(i + 1))], height, ends: [from, to] }];
  });
}

/** Share of a side that faces down by more than an angle, degrees; along the chord of a curve it turns evenly. */
const facing = ({ turns: [low, high] }: FrontSide, angle: number): number =>
  low - high > 1e-9 ? clamp((low - angle) / (low - high), 0, 1) : low >= angle ? 1 : 0;

/** Share of the height of sides of which `part` says how much counts; NaN where there are none. */
function shareOf(sides: readonly FrontSide[], part: (side: FrontSide) => number): number {
  const whole = sides.reduce((sum, { height }) => sum + height, 0);
  return whole > 0 ? sides.reduce((sum, side) => sum + side.height * part(side), 0) / whole : NaN;
}

/**
 * Share of a front's height on which an edge makes it ride up: the pull's share along the surface beats friction where the line's angle and
 * how far the surface faces down add up to the angle of friction. All in degrees.
 */
export const climbShare = (outline: Flat, line: number, friction: number): number =>
  shareOf(frontOf(outline), (side) => facing(side, friction - line));

/** Least angle of the line, degrees, at which four fifths of a front's height slides off what holds it; NaN where nothing faces forward. */
export function popFree(outline: Flat, friction: number): number {
  const sides = frontOf(outline);
  if (sides.length === 0) return NaN;
  const isHeld = (line: number) => shareOf(sides, (side) => facing(side, friction - line)) < FREED;
  return isHeld(0) ? halve(0, 180, 30, isHeld)[1] : 0;
}

/** Share of the frontal breadth, seen from above, whose sweep lets a stem slide off to the side. Outline (forward, aside); friction in degrees. */
export const sheddingShare = (outline: Flat, friction: number): number =>
  // How far a side is swept back from square to the way it goes, whichever way it is swept.
  shareOf(frontOf(outline), (side) => facing(side, friction + SQUARE) + 1 - facing(side, -friction - SQUARE));

/** Width of a head at a place along it, the lesser of breadth and height, mm. */
function widthsOf({ profile, head }: Rig): (x: number) => number {
  if (bareHead(head).shapes.length === 0)
    return (x) => {
      const { b, t, d } = profile.section(x);
      return Math.min(2 * b, t + d);
    };
  const { side, top } = viewsOf(head);
  // Each runs along one side to the nose and back along the other over the same places.
  const widths = top.slice(0, top.length / 2).map(([x, y], i): Vec2 => {
    const [[, up], [, down]] = [side[i], side.at(-1 - i)] as [Vec2, Vec2];
    return [x, Math.min(2 * y, up - down)];
  });
  return (x) => {
    const next = widths.findIndex(([at]) => at >= x);
    const [to, high] = widths[next] ?? [x, 0];
    const [from, low] = widths[next - 1] ?? [to, high];
    return low + ((high - low) * (x - from)) / (to - from || 1);
  };
}

/** Width the nose needs at a distance behind its tip, never less than nearer the tip, mm. */
const noseWidth = (length: number, widthAt: (x: number) => number) => (back: number) => {
  let widest = 0;
  const pieces = 24;
  for (let i = 0; i <= pieces; i++) widest = Math.max(widest, widthAt(length - (back * i) / pieces - 1e-6));
  return widest;
};

/**
 * The narrowest crack a nose enters, mm, and the angle its sides close at there, degrees; or where they close to a crack of a given width, if it
 * is wider than that. A crack that takes all of the head closes at 180°: it does not hold it.
 */
export function crackOf(rig: Rig, crack = 0): { readonly width: number; readonly angle: number } {
  const { length } = rig.profile;
  const width = noseWidth(length, widthsOf(rig));
  let back = ENTERED * length;
  const narrowest = width(back);
  if (crack >= width(length)) return { width: narrowest, angle: 180 };
  if (crack > narrowest) {
    const [low, high] = halve(back, length, 20, (at) => width(at) < crack);
    back = (low + high) / 2;
  }
  const step = 0.02 * length;
  const [before, after] = [width(back - step), width(back + step)];
  return {
    width: narrowest,
    angle: 2 * degrees(Math.atan((after - before) / 2 / (2 * step))),
  };
}

/** What happens as it is dragged over, into and out of things. */
export const pull = behaviour({
  key: 'pull',
  needs: 'at once',
  readings: {
    'pull.lineAngle': {
      name: 'Line at the head',
      quantity: 'angle',
      unit: '°',
      kind: 'geometry',
      group: 'On the line',
      formula: 'asin((depth + rod height) / line out)',
      note: 'Elevation of a straight line from head to rod.',
    },
    'pull.pitch': {
      name: 'Nose down when dragged',
      quantity: 'angle',
      unit: '°',
      kind: 'model',
      group: 'On the bottom',
      formula: 'ψ where pull, weight and support balance',
      note: 'Dragged slowly over a level bottom in the hook’s plane, point up: T = μW/(cos θ + μ sin θ) at the eye. It lies as low as it can with its point up and rolls on from there, pulled, until all balance.',
    },
    'pull.noseAhead': {
      name: 'Nose ahead of the line',
      quantity: 'size',
      unit: 'mm',
      kind: 'model',
      group: 'On the bottom',
      formula: 'max (x − max(0, z)/tan θ)',
      note: 'How far metal stands out in front of the taut line, or of the eye below it, as it is dragged: what meets an edge before the line has lifted the head. Below zero the line meets it first.',
      compared: true,
    },
    'pull.climbShare': {
      name: 'Front that climbs',
      quantity: 'share',
      unit: '1',
      kind: 'model',
      group: 'On the bottom',
      formula: 'heights with θ + β ≥ atan μ',
      note: 'Of the front’s height, the part on which an edge makes the head ride up: line angle and how far the surface faces down beat the angle of friction. The convex outline in the attitude of drag.',
      compared: true,
    },
    'pull.crackWidth': {
      name: 'Narrowest crack entered',
      quantity: 'size',
      unit: 'mm',
      kind: 'model',
      group: 'On the bottom',
      formula: 'min(breadth, height) a quarter behind the nose',
      note: 'Width a quarter of its length behind the nose, the lesser of breadth and height, since it can roll: a narrower crack does not hold it (working value).',
      compared: true,
    },
    'pull.jams': {
      name: 'Jams in it',
      quantity: 'number',
      unit: '1',
      decimals: 0,
      kind: 'model',
      group: 'On the bottom',
      formula: 'closing angle < 2 atan μ',
      note: '1 where the sides of the nose close at less than twice the angle of friction in the crack, or in the narrowest it enters if that is wider: a self-locking wedge (statics of the wedge). Else 0.',
    },
    'pull.shedding': {
      name: 'Sheds stems',
      quantity: 'share',
      unit: '1',
      kind: 'model',
      group: 'On the bottom',
      formula: 'breadths swept back by more than atan μ',
      note: 'Share of the frontal breadth, seen from above, whose sweep lets an upright stem slide off to the side. The convex outline.',
      compared: true,
    },
    'pull.climbsBar': {
      name: 'Climbs a bar',
      quantity: 'number',
      unit: '1',
      decimals: 0,
      kind: 'practice',
      group: 'On the bottom',
      formula: 'eye crosswise',
      note: '1: over a bar or branch a crosswise eye lets the head climb nose up. 0: an in-line eye rolls it aside. Practitioners differ on which is better in wood (common practice, no source).',
    },
    'pull.popFree': {
      name: 'Comes free from',
      quantity: 'angle',
      unit: '°',
      kind: 'model',
      group: 'On the bottom',
      formula: 'θ where 80% of the front slides',
      note: 'Least angle of the line at which four fifths of the front’s height slides up off what holds it (working share): the less, the sooner it pops free.',
      compared: true,
    },
  },
  read(rig, around) {
    const dragged = draggedOver(rig, around);
    if (!dragged) return {};
    const fishing = fishingOf(around);
    const { friction: mu } = fishing;
    const phi = degrees(Math.atan(mu));
    const { outline, line, pitch } = dragged;
    const slope = Math.tan(radians(line));
    const ahead = Math.max(
      ...outline.map(([x, z]) => (z > 0 ? (slope > 1e-9 ? x - z / slope : -Infinity) : x)),
    );
    const { width, angle } = crackOf(rig, fishing.crack);
    return {
      'pull.lineAngle': line,
      'pull.pitch': pitch,
      'pull.noseAhead': ahead,
      'pull.climbShare': climbShare(outline, line, phi),
      'pull.crackWidth': width,
      'pull.jams': angle < 2 * phi ? 1 : 0,
      'pull.shedding': sheddingShare(dragged.above, phi),
      'pull.popFree': popFree(outline, phi),
      'pull.climbsBar': rig.hook.eye.plane === 'crosswise' ? 1 : 0,
    };
  },
});
