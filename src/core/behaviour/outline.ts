import { itemAt, triple } from '../numeric/at.ts';
import { polygonHull } from 'd3-polygon';
import type { Vec2 } from '../numeric/vec.ts';
import { radians } from '../numeric/vec.ts';

/** Convex outline of points in a plane, counter-clockwise; fewer than three points as they are. */
export function hull2(points: readonly (readonly [number, number])[]): (readonly [number, number])[] {
  // The library counts y downwards, so that its turn is the other one.
  const hull: (readonly [number, number])[] | null = polygonHull(
    points.map(([u, v]): [number, number] => [u, v]),
  );
  return hull ? hull.reverse() : [...points];
}

/** Points x y z in turn as the two of their coordinates that a view shows: 0 forward, 1 to the left, 2 up. */
export const seenAlong = (
  points: ArrayLike<number>,
  across: 0 | 1,
  up: 1 | 2,
): (readonly [number, number])[] =>
  Array.from({ length: Math.floor(points.length / 3) }, (_, i) => [
    itemAt(points, 3 * i + across),
    itemAt(points, 3 * i + up),
  ]);

/** An outline in a plane, counter-clockwise. */
export type Flat = readonly Vec2[];

/**
 * Neighbouring sides of an outline that turn by less than this are chords of a curve, degrees: fewer than
 * thirty make a round.
 */
export const BENT = 12;

/** A point forward and up, turned nose down by a pitch in rad. */
export const turned = (pitch: number, [x, z]: Vec2): Vec2 => [
  x * Math.cos(pitch) + z * Math.sin(pitch),
  z * Math.cos(pitch) - x * Math.sin(pitch),
];

/**
 * Where an outline, forward and up, touches a level floor, turned nose down by a pitch in rad. Where sides
 * are chords of a curve the curve rolls: it touches at the middle of a chord that lies level, and between two
 * such places on the way from one to the other; at a corner it is the corner.
 */
export function touchdown(outline: Flat, pitch: number): Vec2 {
  const [c, s] = [Math.cos(pitch), Math.sin(pitch)];
  let [i, lowest] = [0, Infinity];
  outline.forEach(([x, z], k) => {
    const height = z * c - x * s;
    if (height < lowest) [i, lowest] = [k, height];
  });
  const [before, at, after] = triple((k) =>
    turned(pitch, itemAt(outline, (i + k - 1 + outline.length) % outline.length)),
  );
  const [fall, rise] = [
    Math.atan2(before[1] - at[1], at[0] - before[0]),
    Math.atan2(after[1] - at[1], after[0] - at[0]),
  ];
  if (!(fall + rise > 0 && fall + rise < radians(BENT))) return at;
  const lengthTo = ([x, z]: Vec2) => Math.hypot(x - at[0], z - at[1]) || 1;
  const half = Math.min(lengthTo(before), lengthTo(after)) / 2;
  const towards = (end: Vec2): Vec2 => {
    const share = half / lengthTo(end);
    return [at[0] + share * (end[0] - at[0]), at[1] + share * (end[1] - at[1])];
  };
  const [back, on] = [towards(before), towards(after)];
  const share = fall / (fall + rise);
  return [back[0] + share * (on[0] - back[0]), back[1] + share * (on[1] - back[1])];
}
