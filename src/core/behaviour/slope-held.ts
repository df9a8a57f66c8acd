import { itemAt } from '../numeric/at.ts';
import type { Vec2, Vec3 } from '../numeric/vec.ts';
import { clamp, degrees, dot, norm, radians, scale, sub } from '../numeric/vec.ts';
import type { Points } from './facets.ts';
import { flatOf } from './facets.ts';
import type { Flat } from './outline.ts';
import { BENT, hull2 } from './outline.ts';
import type { RestPose } from './rest-poses.ts';
import { SHALLOW } from './rest-poses.ts';

/**
 * Steepest slope that a pose is held on, degrees, when the bottom falls away `towards` a direction of the
 * body: the greatest atan(h′/h) on the way from the pose over to the next, rolling in the plane of the two. A
 * flat holds until the centre stands over its edge, a rocker until its centre stands over the steepest place
 * it can roll to. Friction is left out.
 *
 * `points` and `centre` as for {@link restPoses}, mm; `pose`: a pose, or its direction that points down;
 * `towards`: any vector not along it.
 */
export const slopeHeld = (
  points: Points,
  centre: Vec3,
  pose: Pick<RestPose, 'down'> | Vec3,
  towards: Vec3,
): number => slopesHeld(points, pose, towards)(centre);

/** As {@link slopeHeld}, for one centre after another. */
export function slopesHeld(
  points: Points,
  pose: Pick<RestPose, 'down'> | Vec3,
  towards: Vec3,
): (centre: Vec3) => number {
  const down = 'down' in pose ? pose.down : pose;
  const level = sub(towards, scale(down, dot(towards, down)));
  const size = norm(level);
  if (size < 1e-12) return () => NaN;
  const side = scale(level, 1 / size);
  // Seen along the axis it rolls about: how deep and how far to the side each point lies.
  const places = flatOf(points);
  const outline = hull2(
    Array.from({ length: Math.floor(places.length / 3) }, (_, i): Vec2 => {
      const place: Vec3 = [itemAt(places, 3 * i), itemAt(places, 3 * i + 1), itemAt(places, 3 * i + 2)];
      return [dot(place, side), dot(place, down)];
    }),
  );
  return (centre) => {
    const [u, v] = [dot(centre, side), dot(centre, down)];
    return heldBy(outline.map(([x, z]): Vec2 => [x - u, z - v]));
  };
}

/**
 * Steepest slope held by an outline about its centre: how far to the side it rolls to and how deep each
 * corner lies, degrees.
 */
function heldBy(outline: Flat): number {
  // Corners in the order they touch as it rolls to that side. While one touches, tan of the slope held is the
  // tangent of its own direction less the roll, which is greatest as it begins to touch.
  const count = outline.length;
  const at = (i: number) => itemAt(outline, (i + count) % count);
  const turnTo = ([u, v]: Vec2) => Math.atan2(u, v);
  const flat = 1e-6;
  let first = 0;
  outline.forEach(([u, v], i) => {
    const [bu, bv] = at(first);
    const scaleOf = Math.abs(bv) + Math.abs(v) + 1e-12;
    if (v > bv + flat * scaleOf || (v > bv - flat * scaleOf && u > bu)) first = i;
  });
  // The hull runs counter-clockwise with u to the right and v up; rolling to +u goes through corners the
  // other way.
  let best = 0;
  let roll = 0;
  let highest = -Infinity;
  for (let k = 0; k < count; k++) {
    const corner = at(first - k);
    const next = at(first - k - 1);
    const [du, dv] = [next[0] - corner[0], next[1] - corner[1]];
    // Roll at which the next corner touches too: the side between them lies on the bottom.
    const until = Math.atan2(-dv, du);
    if (!(until >= roll)) break;
    // A corner of a few degrees is a facet of something round, whose own contact lies in the middle of it.
    const isRound = k > 0 && until - roll < radians(BENT);
    best = Math.max(best, turnTo(corner) - (isRound ? (roll + until) / 2 : roll));
    // Over the top: lower than it has been by more than the facets of a round body make it.
    const height = corner[0] * Math.sin(until) + corner[1] * Math.cos(until);
    highest = Math.max(highest, height);
    if (height < highest - SHALLOW * Math.abs(highest)) break;
    roll = until;
  }
  // One almost afloat, its heavy end down, has its weight act below the bottom: a wall is the steepest there
  // is.
  return clamp(degrees(best), 0, 90);
}
