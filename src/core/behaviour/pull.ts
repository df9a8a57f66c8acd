import type { Rig } from '../build/rig.ts';
import { halve } from '../numeric/halve.ts';
import { nearestTo, steadyPlaces } from '../numeric/steady.ts';
import { clamp, degrees, radians } from '../numeric/vec.ts';
import { behaviour } from './behaviour.ts';
import { fishingOf } from './fishing.ts';
import type { Surroundings } from './behaviour.ts';
import { restOf } from './rest.ts';
import { hull2, seenAlong } from './outline.ts';

/** Share of its length a nose must go into a crack to be held there (working value, no source). */
const ENTERED = 0.25;
/** Share of the front's height that must slide before a head counts as come free (working value, no source). */
const FREED = 0.8;

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
  /** of the bottom below the eye, mm */
  readonly floor: number;
}

/** Elevation of a straight line from head to rod, degrees: depth and the rod's height over the line that is out. */
export function lineAngle(depth: number, rodHeight: number, lineOut: number): number {
  return degrees(Math.asin(clamp((depth + rodHeight) / lineOut, 0, 1)));
}

/**
 * Head dragged over a level bottom, in the hook's plane with the point up: pull T = μW/(cos θ + μ sin θ) at the eye, weight at the
 * effective centre, friction and support where it touches. It takes the pitch, the nearest to how it rests, at which these balance.
 * Undefined where it floats.
 */
export function draggedOver(rig: Rig, around: Surroundings): Dragged | undefined {
  const found = restOf(rig, around);
  if (!found) return undefined;
  const fishing = fishingOf(around);
  const line = lineAngle(around.depth, fishing.rodHeight, fishing.lineOut);
  const [c, s] = [Math.cos(radians(line)), Math.sin(radians(line))];
  const { eye } = rig.places;
  const { friction: mu } = fishing;
  const pull = (mu * found.weight) / (c + mu * s);
  const fromEye = ([x, z]: readonly [number, number]): [number, number] => [x - eye[0], z - eye[2]];
  const outline = hull2(seenAlong(found.hull, 0, 2).map(fromEye));
  const [cx, cz] = [found.centre[0] - eye[0], found.centre[2] - eye[2]];
  const turned = (pitch: number, [x, z]: readonly [number, number]): [number, number] => [
    x * Math.cos(pitch) + z * Math.sin(pitch),
    z * Math.cos(pitch) - x * Math.sin(pitch),
  ];
  // Moments about where it touches, nose down positive.
  const moment = (pitch: number) => {
    let low: [number, number] = [0, Infinity];
    for (const point of outline) {
      const at = turned(pitch, point);
      if (at[1] < low[1]) low = at;
    }
    const [weightAt] = turned(pitch, [cx, cz]);
    return found.weight * (weightAt - low[0]) + pull * (c * -low[1] - s * -low[0]);
  };
  const start = restPitch(found.usual.down);
  const step = radians(3);
  const pitch = nearestTo(
    steadyPlaces(moment, { from: start - 29.5 * step, step, count: 60, halvings: 14 }),
    start,
  );
  const metal = seenAlong(rig.bodies[0].faces?.().positions ?? [], 0, 2).map((at) =>
    turned(pitch, fromEye(at)),
  );
  const hull = outline.map((point) => turned(pitch, point));
  return {
    pitch: degrees(pitch),
    line,
    outline: hull2(metal),
    hull,
    floor: Math.min(...hull.map(([, z]) => z)),
  };
}

/** Nose-down pitch of a pose turned upright about its shank. */
const restPitch = (down: readonly [number, number, number]): number => Math.asin(clamp(down[0], -1, 1));

/** Sides of an outline that face forward, from the bottom up: how far each faces down, degrees, and the height it takes. */
export function frontOf(outline: Flat): {
  readonly down: number;
  readonly height: number;
  readonly ends: readonly [Flat[number], Flat[number]];
}[] {
  return outline.flatMap(([x, z], i) => {
    const next = outline[(i + 1) % outline.length] as Flat[number];
    // Counter-clockwise: a side that faces forward runs up.
    const rise = next[1] - z;
    return rise > 1e-9
      ? [{ down: degrees(Math.atan2(next[0] - x, rise)), height: rise, ends: [[x, z], next] as const }]
      : [];
  });
}

/**
 * Share of a front's height on which an edge makes it ride up: the pull's share along the surface beats friction where the line's angle and
 * how far the surface faces down add up to the angle of friction. All in degrees.
 */
export function climbShare(outline: Flat, line: number, friction: number): number {
  const sides = frontOf(outline);
  const whole = sides.reduce((sum, { height }) => sum + height, 0);
  const climbs = sides.reduce((sum, { down, height }) => sum + (line + down >= friction ? height : 0), 0);
  return whole > 0 ? climbs / whole : NaN;
}

/** Least angle of the line, degrees, at which four fifths of a front's height slides off what holds it. */
export function popFree(outline: Flat, friction: number): number {
  const sides = frontOf(outline).sort((a, b) => b.down - a.down);
  const whole = sides.reduce((sum, { height }) => sum + height, 0);
  let so = 0;
  for (const { down, height } of sides) {
    so += height;
    if (so >= FREED * whole) return Math.max(0, friction - down);
  }
  return NaN;
}

/** Share of the frontal breadth, seen from above, whose sweep lets a stem slide off to the side. Outline (forward, aside); friction in degrees. */
export function sheddingShare(outline: Flat, friction: number): number {
  const sides = frontOf(outline);
  const whole = sides.reduce((sum, { height }) => sum + height, 0);
  // How far a side is swept back from square to the way it goes, whichever way it is swept.
  const sheds = sides.reduce((sum, { down, height }) => sum + (Math.abs(down) > friction ? height : 0), 0);
  return whole > 0 ? sheds / whole : NaN;
}

/** Width the nose needs at a distance behind its tip, the lesser of breadth and height, never less than nearer the tip, mm. */
function noseWidth({ profile }: Rig, back: number): number {
  let widest = 0;
  const pieces = 24;
  for (let i = 0; i <= pieces; i++) {
    const { b, t, d } = profile.section(profile.length - (back * i) / pieces - 1e-6);
    widest = Math.max(widest, Math.min(2 * b, t + d));
  }
  return widest;
}

/**
 * The narrowest crack a nose enters, mm, and the angle its sides close at there, degrees; or where they close to a crack of a given width, if it
 * is wider than that. A crack that takes all of the head closes at 180°: it does not hold it.
 */
export function crackOf(rig: Rig, crack = 0): { readonly width: number; readonly angle: number } {
  const { length } = rig.profile;
  let back = ENTERED * length;
  const narrowest = noseWidth(rig, back);
  if (crack >= noseWidth(rig, length)) return { width: narrowest, angle: 180 };
  if (crack > narrowest) {
    const [low, high] = halve(back, length, 20, (at) => noseWidth(rig, at) < crack);
    back = (low + high) / 2;
  }
  const step = 0.02 * rig.profile.length;
  const [before, after] = [noseWidth(rig, back - step), noseWidth(rig, back + step)];
  return {
    width: narrowest,
    angle: 2 * degrees(Math.atan((after - before) / 2 / (2 * step))),
  };
}

/** What happens as it is dragged over, into and out of things. */
export const pull = behaviour({
  key: 'pull',
  needs: 'a moment later',
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
      note: 'Dragged slowly over a level bottom in the hook’s plane, point up: T = μW/(cos θ + μ sin θ) at the eye.',
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
    const above = seenAlong(rig.bodies[0].faces?.().positions ?? [], 0, 1);
    const { width, angle } = crackOf(rig, fishing.crack);
    return {
      'pull.lineAngle': line,
      'pull.pitch': pitch,
      'pull.noseAhead': ahead,
      'pull.climbShare': climbShare(outline, line, phi),
      'pull.crackWidth': width,
      'pull.jams': angle < 2 * phi ? 1 : 0,
      'pull.shedding': sheddingShare(hull2(above), phi),
      'pull.popFree': popFree(outline, phi),
      'pull.climbsBar': rig.hook.eye.plane === 'crosswise' ? 1 : 0,
    };
  },
});
