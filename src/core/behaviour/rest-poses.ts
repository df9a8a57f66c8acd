import { float64At, int32At, numberAt } from '../numeric/at.ts';
import type { Vec3 } from '../numeric/vec.ts';
import type { Facets, Points } from './facets.ts';
import { facetsOf } from './facets.ts';
import { rollingOver } from './rolling.ts';
import { spread } from './spread.ts';

/** A way a body stays on a level bottom. */
export interface RestPose {
  /** unit vector of the body that points down */
  readonly down: Vec3;
  /** height of the centre over the bottom, mm */
  readonly height: number;
  /** share of landings, from any direction alike, that end in it */
  readonly share: number;
  /** height of the centre at the lowest pass out of it, mm; Infinity where there is no other pose */
  readonly saddle: number;
}

/** Poses of a body, and which of them a landing ends in. */
export interface Resting {
  readonly poses: readonly RestPose[];
  /** corners of the hull, x y z in turn, mm: nothing else touches */
  readonly corners: Float64Array;
  /** the pose that a body ends in which touches the bottom with this direction of it down */
  readonly landing: (down: Vec3) => RestPose | undefined;
}

/**
 * Share of its height that a pass must rise over a pose to part it from the next: what is shallower is a
 * facet of a round body, and any current rocks it out.
 */
export const SHALLOW = 0.01;

/**
 * Resting poses of a rigid body on a level bottom: minima of h(n) = max n·(p − c) over unit vectors n, the
 * height of the centre when n points down. On the hull h has a minimum at each facet over which the foot of
 * the centre lies; from anywhere else a body rolls down, over a corner, an edge, a facet. Where every corner
 * stands out, the basins are the facets as seen from the centre (Goldberg, Mirtich, Zhuang, Craig, Carlisle &
 * Canny, IEEE Trans. Robotics and Automation 15 (1999) 244); elsewhere 1500 even landings are followed down.
 * Minima parted by less than a hundredth of the height are one.
 *
 * `points`: at least four not in one plane, mm, flat or one triple each; `centre`: where the weight acts, mm.
 * Poses come most likely first. Throws a RangeError for points in one plane.
 */
export function restPoses(points: Points, centre: Vec3): RestPose[] {
  return [...resting(points, centre).poses];
}

/** As {@link restPoses}, with the pose each landing ends in. */
export function resting(points: Points, centre: Vec3): Resting {
  const facets = facetsOf(points, centre);
  const { count, heights, normals, shares: pierced } = facets;
  const rolling = rollingOver(facets);
  const heightOf = (facet: number) => float64At(heights, facet);
  // Downhill from facet to facet, as the body rolls.
  const pose = forest(count);
  for (let f = 0; f < count; f++) {
    const to = rolling.next(f);
    if (to !== f && heightOf(to) < heightOf(f)) pose.join(f, to);
  }
  const lowest = Int32Array.from({ length: count }, (_, i) => i);
  for (let f = 0; f < count; f++) {
    const root = pose.find(f);
    if (heightOf(f) < heightOf(int32At(lowest, root))) lowest[root] = f;
  }
  // Water rising from the lowest place: basins that meet over a shallow pass are one pose, the others have
  // found their lowest pass.
  const level = forest(count);
  const deepest = lowest.slice();
  const waiting = Array.from({ length: count }, (_, i) => [pose.find(i)]);
  for (let f = 0; f < count; f++) {
    const root = pose.find(f);
    if (root !== f) level.join(f, root);
  }
  for (let f = 0; f < count; f++) {
    const root = level.find(f);
    deepest[root] = int32At(lowest, pose.find(f));
    waiting[root] = [pose.find(f)];
  }
  const saddles = new Map<number, number>();
  for (const { a, b, level: pass } of passesOf(facets)) {
    const [x, y] = [level.find(a), level.find(b)];
    if (x === y) continue;
    const [dx, dy] = [int32At(deepest, x), int32At(deepest, y)];
    const shallower = Math.max(heightOf(dx), heightOf(dy));
    const all = [...(waiting[x] ?? []), ...(waiting[y] ?? [])];
    const deep = heightOf(dx) <= heightOf(dy) ? dx : dy;
    const together = level.join(x, y);
    deepest[together] = deep;
    if (pass - shallower < SHALLOW * Math.abs(shallower)) {
      const [p, q] = [pose.find(a), pose.find(b)];
      const [lp, lq] = [int32At(lowest, p), int32At(lowest, q)];
      const pass1 = saddles.get(p);
      const pass2 = saddles.get(q);
      const root = pose.join(p, q);
      lowest[root] = heightOf(lp) <= heightOf(lq) ? lp : lq;
      const known = pass1 ?? pass2;
      if (known !== undefined) saddles.set(root, known);
      waiting[together] = [...new Set(all.map((one) => pose.find(one)))].filter((one) => !saddles.has(one));
    } else {
      for (const one of all) saddles.set(pose.find(one), Math.min(pass, saddles.get(pose.find(one)) ?? pass));
      waiting[together] = [];
    }
  }
  const shares = new Map<number, number>();
  const landing = (down: Vec3) => pose.find(rolling.from(down));
  // One that no sample finds is there all the same.
  for (let f = 0; f < count; f++) shares.set(pose.find(f), 0);
  const more = (root: number, by: number) => shares.set(root, (shares.get(root) ?? 0) + by);
  if (rolling.isSimple) for (let f = 0; f < count; f++) more(pose.find(f), float64At(pierced, f));
  else for (const down of DIRECTIONS) more(landing(down), 1 / DIRECTIONS.length);
  const made = new Map(
    [...shares].map(([root, share]): [number, RestPose] => {
      const f = int32At(lowest, root);
      const down: Vec3 = [
        float64At(normals, 3 * f),
        float64At(normals, 3 * f + 1),
        float64At(normals, 3 * f + 2),
      ];
      return [root, { down, height: heightOf(f), share, saddle: saddles.get(root) ?? Infinity }];
    }),
  );
  return {
    corners: facets.corners.map((at, i) => at + numberAt(centre, i % 3)),
    poses: [...made.values()].sort((a, b) => b.share - a.share),
    landing: (down) => made.get(landing(down)),
  };
}

/**
 * Ways from each facet to each of its neighbours, by how high the centre must be lifted on it, mm, the lowest
 * first.
 */
function passesOf({ count, heights, across, inside, distances }: Facets) {
  const passes: { readonly a: number; readonly b: number; readonly level: number }[] = [];
  for (let a = 0; a < count; a++)
    for (let side = 3 * a; side < 3 * a + 3; side++) {
      const b = int32At(across, side);
      if (b <= a) continue;
      const back = [0, 1, 2].find((k) => across[3 * b + k] === a) ?? 0;
      const isRidge = float64At(inside, side) > 0 && float64At(inside, 3 * b + back) > 0;
      const level = isRidge
        ? float64At(distances, side)
        : Math.max(float64At(heights, a), float64At(heights, b));
      passes.push({ a, b, level });
    }
  return passes.sort((one, other) => one.level - other.level);
}

/** Of the directions of a spiral those this many apart are neighbours: a number of Fibonacci's. */
const NEXT_ROUND = 34;
const SPIRAL = spread(1500);
/**
 * Directions that shares are sampled in where they have no closed form, most of them beside the one before,
 * so that what each finds is near too.
 */
const DIRECTIONS = Array.from({ length: NEXT_ROUND }, (_, from) =>
  SPIRAL.filter((__, k) => k % NEXT_ROUND === from),
).flat();

/** Sets that are joined (union-find). */
function forest(count: number) {
  const parent = Int32Array.from({ length: count }, (_, i) => i);
  const find = (i: number): number => {
    let at = i;
    while (parent[at] !== at) {
      parent[at] = int32At(parent, int32At(parent, at));
      at = int32At(parent, at);
    }
    return at;
  };
  return {
    find,
    /** the root of both */
    join: (a: number, b: number): number => {
      const [x, y] = [find(a), find(b)];
      parent[x] = y;
      return y;
    },
  };
}
