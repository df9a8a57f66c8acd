import { Vector3 } from 'three';
import { ConvexHull } from 'three/examples/jsm/math/ConvexHull.js';
import type { Vec3 } from '../numeric/vec.ts';
import { cross, degrees, dot, norm, scale, sub } from '../numeric/vec.ts';

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

/** Points as x y z in turn, or as one triple each. */
export type Points = ArrayLike<number> | readonly (readonly number[])[];

/**
 * Share of its height that a pass must rise over a pose to part it from the next: what is shallower is a facet of a round body, and any
 * current rocks it out.
 */
const SHALLOW = 0.01;

/** A facet of the hull: where h, the height of the centre over the plane it lies in, may have a minimum. */
interface Facet {
  readonly normal: Vec3;
  readonly height: number;
  /** share of all directions that pierce it, seen from the centre */
  readonly share: number;
  readonly corners: readonly Vec3[];
  /** their numbers among the corners of the hull */
  readonly ids: readonly number[];
  /** across each side: the other facet, how far the foot of the centre lies inside that side, and the side's distance from the centre */
  readonly sides: readonly { readonly to: number; readonly inside: number; readonly distance: number }[];
}

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

/** Unit vectors evenly about the sphere (Fibonacci spiral). */
export function spread(count: number): Vec3[] {
  const turn = Math.PI * (3 - Math.sqrt(5));
  return Array.from({ length: count }, (_, k): Vec3 => {
    const z = 1 - (2 * k + 1) / count;
    const r = Math.sqrt(1 - z * z);
    return [r * Math.cos(k * turn), r * Math.sin(k * turn), z];
  });
}

/** Directions that shares are sampled in where they have no closed form. */
const DIRECTIONS = spread(1500);

/** How a body rolls from however it touches: over a corner, then over an edge, until it lies on a facet; and on from there. */
interface Rolling {
  /** the facet it lies on next, itself where it stays */
  readonly next: (facet: number) => number;
  /** the facet it first lies on when it touches with this direction down */
  readonly from: (down: Vec3) => number;
  /** every corner stands out farther than all around it: then a landing ends on the facet the direction leaves through */
  readonly isSimple: boolean;
}

/**
 * Steepest descent of h. While one corner p touches, n turns straight away from p; while an edge does, it turns about the edge away from the
 * foot of the centre on it; from a facet it goes away from the place of the facet nearest to that foot.
 */
function rollingOver(facets: readonly Facet[], flat: Float64Array, centre: Vec3): Rolling {
  const corners = Array.from({ length: flat.length / 3 }, (_, i): Vec3 =>
    sub([flat[3 * i] as number, flat[3 * i + 1] as number, flat[3 * i + 2] as number], centre),
  );
  const around: number[][] = corners.map(() => []);
  facets.forEach(({ ids }, f) => ids.forEach((id) => around[id]?.push(f)));
  const unit = (v: Vec3): Vec3 => scale(v, 1 / (norm(v) || 1));

  /** The facet reached from a direction while a corner touches. */
  const overCorner = (start: Vec3, id: number): number => {
    const p = corners[id] as Vec3;
    const away = unit(sub(scale(start, dot(start, p)), p));
    // n(t) = cos t · n + sin t · away; the corner q takes over where n·(p − q) = 0.
    let [best, least, edge] = [-1, Infinity, -1];
    for (const f of around[id] ?? []) {
      for (const q of (facets[f] as Facet).ids) {
        if (q === id) continue;
        const d = sub(p, corners[q] as Vec3);
        const [c, w] = [dot(start, d), dot(away, d)];
        // Only what comes nearer takes over.
        if (w >= 0) continue;
        const turn = Math.atan2(Math.max(0, c), -w);
        if (turn < least) [best, least, edge] = [f, turn, q];
      }
    }
    if (best < 0) return around[id]?.[0] ?? 0;
    const n = unit(sub(scale(start, Math.cos(least)), scale(away, -Math.sin(least))));
    return overEdge(n, id, edge, best);
  };
  /** The facet at whose side of an edge the body comes to lie. */
  const overEdge = (n: Vec3, a: number, b: number, known: number): number => {
    const facet = facets[known] as Facet;
    const side = facet.sides.find(({ to }) => {
      const { ids } = facets[to] as Facet;
      return ids.includes(a) && ids.includes(b);
    });
    const other = side?.to ?? known;
    const [p, q] = [corners[a] as Vec3, corners[b] as Vec3];
    const along = unit(sub(q, p));
    const foot = unit(sub(p, scale(along, dot(p, along))));
    // Turning about the edge: on this side of the foot it goes on to this side.
    const sense = (v: Vec3) => dot(cross(foot, v), along);
    return sense(n) * (sense(facet.normal) - sense((facets[other] as Facet).normal)) >= 0 ? known : other;
  };
  const next = (f: number): number => {
    const { corners: own, ids, sides, normal, height } = facets[f] as Facet;
    if (sides.every(({ inside }) => inside >= 0)) return f;
    const foot = scale(normal, height);
    // The place of the facet nearest to the foot: on a side, or at a corner.
    let [nearest, to, corner] = [Infinity, f, -1];
    sides.forEach(({ to: across, inside }, k) => {
      const [end, begin] = [own[k] as Vec3, own[(k + 2) % 3] as Vec3];
      const run = sub(end, begin);
      const share = dot(sub(foot, begin), run) / dot(run, run);
      if (inside < 0 && share >= 0 && share <= 1 && -inside < nearest)
        [nearest, to, corner] = [-inside, across, -1];
      const off = norm(sub(end, foot));
      if (off < nearest) [nearest, to, corner] = [off, f, k];
    });
    return corner < 0 ? to : overCorner(normal, ids[corner] as number);
  };
  const memo = facets.map((_, i) => next(i));
  return {
    next: (f) => memo[f] as number,
    from: (down) => {
      let [best, most] = [0, -Infinity];
      corners.forEach((corner, i) => {
        const reach = dot(corner, down);
        if (reach > most) [best, most] = [i, reach];
      });
      return overCorner(down, best);
    },
    isSimple:
      facets.every(({ height }) => height > 0) &&
      corners.every((p, id) =>
        (around[id] ?? []).every((f) =>
          (facets[f] as Facet).ids.every((q) => dot(corners[q] as Vec3, p) <= dot(p, p) * (1 + 1e-9)),
        ),
      ),
  };
}

const triples = (points: Points): Vector3[] => {
  const first = points[0];
  if (typeof first === 'number') {
    const flat = points as ArrayLike<number>;
    return Array.from(
      { length: Math.floor(flat.length / 3) },
      (_, i) => new Vector3(flat[3 * i], flat[3 * i + 1], flat[3 * i + 2]),
    );
  }
  return Array.from(points as readonly (readonly number[])[], ([x, y, z]) => new Vector3(x, y, z));
};

function facetsOf(
  points: Points,
  centre: Vec3,
): { readonly facets: Facet[]; readonly corners: Float64Array } {
  const hull = new ConvexHull().setFromPoints(triples(points));
  const numbers = new Map(hull.faces.map((face, i) => [face, i]));
  const ids = new Map<Vector3, number>();
  const idOf = (point: Vector3): number => {
    const known = ids.get(point) ?? ids.size;
    ids.set(point, known);
    return known;
  };
  const whole: Facet[] = hull.faces.map((face) => {
    const edges = [face.edge, face.edge.next, face.edge.prev];
    const corners = edges.map(({ vertex }): Vec3 => {
      const { x, y, z } = vertex.point;
      return sub([x, y, z], centre);
    });
    const [a, b, c] = corners as [Vec3, Vec3, Vec3];
    const across = cross(sub(b, a), sub(c, a));
    const normal = scale(across, 1 / (norm(across) || 1));
    const height = dot(normal, a);
    return {
      normal,
      height,
      share: solidAngle(a, b, c) / (4 * Math.PI),
      corners,
      ids: edges.map(({ vertex }) => idOf(vertex.point)),
      // An edge ends at its own corner and comes from that of the one before.
      sides: edges.map((edge, k) => {
        const [to, from] = [corners[k] as Vec3, corners[(k + 2) % 3] as Vec3];
        const along = sub(to, from);
        const length = norm(along) || 1;
        const inward = scale(cross(normal, along), 1 / length);
        const inside = dot(inward, sub(scale(normal, height), from));
        return {
          to: numbers.get(edge.twin.face) ?? 0,
          inside,
          distance: norm(cross(from, along)) / length,
        };
      }),
    };
  });
  const volume =
    whole.reduce((sum, { corners: [a, b, c] }) => sum + dot(a as Vec3, cross(b as Vec3, c as Vec3)), 0) / 6;
  const size = Math.max(0, ...whole.flatMap(({ corners }) => corners.map(norm)));
  if (!(volume > 1e-9 * size ** 3))
    throw new RangeError('points: lie in one plane. Give at least four that do not.');
  return {
    facets: whole,
    corners: Float64Array.from([...ids.keys()].flatMap(({ x, y, z }) => [x, y, z])),
  };
}

/** Solid angle of a triangle seen from the origin, signed by its turn (Van Oosterom & Strackee 1983). */
function solidAngle(a: Vec3, b: Vec3, c: Vec3): number {
  const [x, y, z] = [norm(a), norm(b), norm(c)];
  const over = dot(a, cross(b, c));
  const under = x * y * z + dot(a, b) * z + dot(b, c) * x + dot(c, a) * y;
  return 2 * Math.atan2(over, under);
}

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

/** Turn at a corner below which the outline is taken as round there, radians: a circle of 32 corners turns by 11° at each. */
const ROUND = (12 * Math.PI) / 180;

/**
 * Steepest slope that a pose is held on, degrees, when the bottom falls away `towards` a direction of the body: the greatest
 * atan(h′/h) on the way from the pose over to the next, rolling in the plane of the two. A flat holds until the centre stands over its
 * edge, a rocker until its centre stands over the steepest place it can roll to. Friction is left out.
 *
 * `points` and `centre` as for {@link restPoses}, mm; `pose`: a pose, or its direction that points down; `towards`: any vector not along it.
 */
export function slopeHeld(
  points: Points,
  centre: Vec3,
  pose: Pick<RestPose, 'down'> | Vec3,
  towards: Vec3,
): number {
  const down = 'down' in pose ? pose.down : pose;
  const level = sub(towards, scale(down, dot(towards, down)));
  const size = norm(level);
  if (size < 1e-12) return NaN;
  const side = scale(level, 1 / size);
  // Seen along the axis it rolls about: how deep and how far to the side each point lies.
  const outline = hull2(
    triples(points).map(({ x, y, z }): readonly [number, number] => {
      const from = sub([x, y, z], centre);
      return [dot(from, side), dot(from, down)];
    }),
  );
  // Corners in the order they touch as it rolls to that side. While one touches, tan of the slope held is the tangent of its own direction
  // less the roll, which is greatest as it begins to touch.
  const count = outline.length;
  const at = (i: number) => outline[(i + count) % count] as readonly [number, number];
  const turnTo = ([u, v]: readonly [number, number]) => Math.atan2(u, v);
  const flat = 1e-6;
  let first = 0;
  outline.forEach(([u, v], i) => {
    const [bu, bv] = at(first);
    const scaleOf = Math.abs(bv) + Math.abs(v) + 1e-12;
    if (v > bv + flat * scaleOf || (v > bv - flat * scaleOf && u > bu)) first = i;
  });
  // The hull runs counter-clockwise with u to the right and v up; rolling to +u goes through corners the other way.
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
    const isRound = k > 0 && until - roll < ROUND;
    best = Math.max(best, turnTo(corner) - (isRound ? (roll + until) / 2 : roll));
    // Over the top: lower than it has been by more than the facets of a round body make it.
    const height = corner[0] * Math.sin(until) + corner[1] * Math.cos(until);
    highest = Math.max(highest, height);
    if (height < highest - SHALLOW * Math.abs(highest)) break;
    roll = until;
  }
  return Math.max(0, degrees(best));
}

/** Convex outline of points in a plane, counter-clockwise (Andrew 1979). */
export function hull2(points: readonly (readonly [number, number])[]): (readonly [number, number])[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (list: readonly (readonly [number, number])[]) => {
    const chain: (readonly [number, number])[] = [];
    for (const p of list) {
      for (;;) {
        const [a, b] = [chain.at(-2), chain.at(-1)];
        if (!a || !b || (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]) > 0) break;
        chain.pop();
      }
      chain.push(p);
    }
    return chain.slice(0, -1);
  };
  return [...half(sorted), ...half(sorted.toReversed())];
}
