import { float64At, int32At, triple } from '../numeric/at.ts';
import { Vector3 } from 'three';
import { ConvexHull } from 'three/examples/jsm/math/ConvexHull.js';
import type { Vec3 } from '../numeric/vec.ts';

/** Points as x y z in turn, or as one triple each. */
export type Points = ArrayLike<number> | readonly (readonly number[])[];

/**
 * Facets of a hull, seen from a centre: where h, the height of the centre over the plane a facet lies in, may
 * have a minimum. Numbers side by side, three of each facet but its height and share, since every landing
 * reads some dozens of them.
 */
export interface Facets {
  readonly count: number;
  /** x y z of each corner of the hull, from the centre, mm */
  readonly corners: Float64Array;
  /** numbers of each facet's corners */
  readonly ids: Int32Array;
  /** unit vector out of each facet */
  readonly normals: Float64Array;
  /** of the centre over each facet, mm */
  readonly heights: Float64Array;
  /** share of all directions that pierce each facet, seen from the centre */
  readonly shares: Float64Array;
  /** the facet across each side; side k ends at corner k and comes from the corner before */
  readonly across: Int32Array;
  /** how far the foot of the centre lies inside each side, mm */
  readonly inside: Float64Array;
  /** of each side from the centre, mm */
  readonly distances: Float64Array;
}

/** The x y z of points in turn. */
export const flatOf = (points: Points): ArrayLike<number> =>
  typeof points[0] === 'number'
    ? (points as ArrayLike<number>)
    : (points as readonly (readonly number[])[]).flat();

/** Facets of the hull of points, mm, seen from a centre. Throws a RangeError for points in one plane. */
export function facetsOf(points: Points, centre: Vec3): Facets {
  const flat = flatOf(points);
  const hull = new ConvexHull().setFromPoints(
    Array.from(
      { length: Math.floor(flat.length / 3) },
      (_, i) => new Vector3(flat[3 * i], flat[3 * i + 1], flat[3 * i + 2]),
    ),
  );
  const { faces } = hull;
  const count = faces.length;
  const numbers = new Map(faces.map((face, i) => [face, i]));
  const found = new Map<Vector3, number>();
  const ids = new Int32Array(3 * count);
  const across = new Int32Array(3 * count);
  faces.forEach(({ edge }, f) =>
    [edge, edge.next, edge.prev].forEach(({ vertex, twin }, k) => {
      const id = found.get(vertex.point) ?? found.size;
      found.set(vertex.point, id);
      ids[3 * f + k] = id;
      across[3 * f + k] = numbers.get(twin.face) ?? 0;
    }),
  );
  const corners = Float64Array.from(
    [...found.keys()].flatMap(({ x, y, z }) => [x - centre[0], y - centre[1], z - centre[2]]),
  );
  if (!isThick(corners, ids))
    throw new RangeError('points: lie in one plane. Give at least four that do not.');
  return { count, corners, ids, across, ...seenFrom(corners, ids) };
}

/** What is found of facets from their corners alone. */
function seenFrom(corners: Float64Array, ids: Int32Array) {
  const count = ids.length / 3;
  const normals = new Float64Array(3 * count);
  const heights = new Float64Array(count);
  const shares = new Float64Array(count);
  const inside = new Float64Array(3 * count);
  const distances = new Float64Array(3 * count);
  const at = (f: number, k: number, axis: number) => float64At(corners, 3 * int32At(ids, 3 * f + k) + axis);
  for (let f = 0; f < count; f++) {
    const [ax, ay, az] = [at(f, 0, 0), at(f, 0, 1), at(f, 0, 2)];
    const [bx, by, bz] = [at(f, 1, 0), at(f, 1, 1), at(f, 1, 2)];
    const [cx, cy, cz] = [at(f, 2, 0), at(f, 2, 1), at(f, 2, 2)];
    let nx = (by - ay) * (cz - az) - (bz - az) * (cy - ay);
    let ny = (bz - az) * (cx - ax) - (bx - ax) * (cz - az);
    let nz = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
    const size = Math.sqrt(nx * nx + ny * ny + nz * nz) || 1;
    nx /= size;
    ny /= size;
    nz /= size;
    const height = nx * ax + ny * ay + nz * az;
    normals[3 * f] = nx;
    normals[3 * f + 1] = ny;
    normals[3 * f + 2] = nz;
    heights[f] = height;
    // Solid angle of a triangle seen from the origin, signed by its turn (Van Oosterom & Strackee 1983).
    const a = Math.sqrt(ax * ax + ay * ay + az * az);
    const b = Math.sqrt(bx * bx + by * by + bz * bz);
    const c = Math.sqrt(cx * cx + cy * cy + cz * cz);
    const over = ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
    const under =
      a * b * c +
      (ax * bx + ay * by + az * bz) * c +
      (bx * cx + by * cy + bz * cz) * a +
      (cx * ax + cy * ay + cz * az) * b;
    shares[f] = Math.atan2(over, under) / (2 * Math.PI);
    for (let k = 0; k < 3; k++) {
      const from = (k + 2) % 3;
      const [fx, fy, fz] = [at(f, from, 0), at(f, from, 1), at(f, from, 2)];
      const [ux, uy, uz] = [at(f, k, 0) - fx, at(f, k, 1) - fy, at(f, k, 2) - fz];
      const length = Math.sqrt(ux * ux + uy * uy + uz * uz) || 1;
      // Inward is the facet's normal turned along the side.
      inside[3 * f + k] =
        ((ny * uz - nz * uy) * (nx * height - fx) +
          (nz * ux - nx * uz) * (ny * height - fy) +
          (nx * uy - ny * ux) * (nz * height - fz)) /
        length;
      distances[3 * f + k] = Math.hypot(fy * uz - fz * uy, fz * ux - fx * uz, fx * uy - fy * ux) / length;
    }
  }
  return { normals, heights, shares, inside, distances };
}

/** Whether facets close about a volume, over the cube of their size: points in one plane have none. */
function isThick(corners: Float64Array, ids: Int32Array): boolean {
  // From a corner of its own: what is lifted almost all by water has its weight act far outside of it.
  const own = triple((k) => float64At(corners, k));
  const at = (i: number): Vec3 => {
    const first = 3 * int32At(ids, i);
    return [
      float64At(corners, first) - own[0],
      float64At(corners, first + 1) - own[1],
      float64At(corners, first + 2) - own[2],
    ];
  };
  let [volume, size] = [0, 0];
  for (let i = 0; i < ids.length; i += 3) {
    const [[ax, ay, az], [bx, by, bz], [cx, cy, cz]] = [at(i), at(i + 1), at(i + 2)];
    volume += (ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)) / 6;
    size = Math.max(size, Math.hypot(ax, ay, az));
  }
  return volume > 1e-9 * size ** 3;
}
