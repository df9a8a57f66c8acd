import type { Vec3 } from '../numeric/vec.ts';
import type { Facet, Points } from './facets.ts';
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
 * Share of its height that a pass must rise over a pose to part it from the next: what is shallower is a facet of a round body, and any
 * current rocks it out.
 */
export const SHALLOW = 0.01;

/**
 * Resting poses of a rigid body on a level bottom: minima of h(n) = max n·(p − c) over unit vectors n, the height of the centre when n
 * points down. On the hull h has a minimum at each facet over which the foot of the centre lies; from anywhere
 * else a body rolls down, over a corner, an edge, a facet. Where every corner stands out, the basins are the facets as seen from the centre
 * (Goldberg, Mirtich, Zhuang, Craig, Carlisle & Canny, IEEE Trans. Robotics and Automation 15 (1999) 244); elsewhere 1500 even landings
 * are followed down. Minima parted by less than a hundredth of the height are one.
 *
 * `points`: at least four not in one plane, mm, flat or one triple each; `centre`: where the weight acts, mm. Poses come most likely first. Throws a RangeError for points in one plane.
 */
export function restPoses(points: Points, centre: Vec3): RestPose[] {
  return [...resting(points, centre).poses];
}

/** As {@link restPoses}, with the pose each landing ends in. */
export function resting(points: Points, centre: Vec3): Resting {
  const { facets, corners } = facetsOf(points, centre);
  const count = facets.length;
  const rolling = rollingOver(facets, corners, centre);
  // Downhill from facet to facet, as the body rolls.
  const pose = forest(count);
  facets.forEach(({ height }, i) => {
    const to = rolling.next(i);
    if (to !== i && (facets[to] as Facet).height < height) pose.join(i, to);
  });
  const lowest = Array.from({ length: count }, (_, i) => i);
  facets.forEach(({ height }, i) => {
    const root = pose.find(i);
    if (height < (facets[lowest[root] as number] as Facet).height) lowest[root] = i;
  });
  const passes = facets.flatMap(({ sides, height }, i) =>
    sides
      .filter(({ to }) => to > i)
      .map(({ to, inside, distance }) => {
        const other = facets[to] as Facet;
        const back = other.sides.find((side) => side.to === i)?.inside ?? -1;
        const isRidge = inside > 0 && back > 0;
        return { a: i, b: to, level: isRidge ? distance : Math.max(height, other.height) };
      }),
  );
  passes.sort((a, b) => a.level - b.level);
  // Water rising from the lowest place: basins that meet over a shallow pass are one pose, the others have found their lowest pass.
  const level = forest(count);
  const deepest = [...lowest];
  const waiting = Array.from({ length: count }, (_, i) => [pose.find(i)]);
  facets.forEach((_, i) => {
    const root = pose.find(i);
    if (root !== i) level.join(i, root);
  });
  facets.forEach((_, i) => {
    const root = level.find(i);
    deepest[root] = lowest[pose.find(i)] as number;
    waiting[root] = [pose.find(i)];
  });
  const saddles = new Map<number, number>();
  const heightOf = (facet: number) => (facets[facet] as Facet).height;
  for (const { a, b, level: pass } of passes) {
    const [x, y] = [level.find(a), level.find(b)];
    if (x === y) continue;
    const [dx, dy] = [deepest[x] as number, deepest[y] as number];
    const shallower = Math.max(heightOf(dx), heightOf(dy));
    const all = [...(waiting[x] ?? []), ...(waiting[y] ?? [])];
    const deep = heightOf(dx) <= heightOf(dy) ? dx : dy;
    const together = level.join(x, y);
    deepest[together] = deep;
    if (pass - shallower < SHALLOW * Math.abs(shallower)) {
      const [p, q] = [pose.find(a), pose.find(b)];
      const [lp, lq] = [lowest[p] as number, lowest[q] as number];
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
  if (rolling.isSimple)
    facets.forEach(({ share }, i) => shares.set(pose.find(i), (shares.get(pose.find(i)) ?? 0) + share));
  else {
    for (const down of DIRECTIONS) {
      const root = landing(down);
      shares.set(root, (shares.get(root) ?? 0) + 1 / DIRECTIONS.length);
    }
    // One that no sample found is there all the same.
    facets.forEach((_, i) => {
      const root = pose.find(i);
      if (!shares.has(root)) shares.set(root, 0);
    });
  }
  const made = new Map(
    [...shares].map(([root, share]): [number, RestPose] => {
      const facet = facets[lowest[root] as number] as Facet;
      return [
        root,
        { down: facet.normal, height: facet.height, share, saddle: saddles.get(root) ?? Infinity },
      ];
    }),
  );
  return {
    corners,
    poses: [...made.values()].sort((a, b) => b.share - a.share),
    landing: (down) => made.get(landing(down)),
  };
}

/** Directions that shares are sampled in where they have no closed form. */
const DIRECTIONS = spread(1500);

/** Sets that are joined (union-find). */
function forest(count: number) {
  const parent = Array.from({ length: count }, (_, i) => i);
  const find = (i: number): number => {
    let at = i;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at] as number] as number;
      at = parent[at] as number;
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
