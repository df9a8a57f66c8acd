import { Vector3 } from 'three';
import { ConvexHull } from 'three/examples/jsm/math/ConvexHull.js';
import type { Vec3 } from '../numeric/vec.ts';
import { cross, dot, norm, scale, sub } from '../numeric/vec.ts';

/** Points as x y z in turn, or as one triple each. */
export type Points = ArrayLike<number> | readonly (readonly number[])[];

/** A facet of the hull: where h, the height of the centre over the plane it lies in, may have a minimum. */
export interface Facet {
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

/** Points as vectors of the hull library. */
export const triples = (points: Points): Vector3[] => {
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

/** Facets of the hull of points, seen from a centre, and its corners. Throws a RangeError for points in one plane. */
export function facetsOf(
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
  // About a corner of its own: what is lifted almost all by water has its weight act far outside of it.
  const own = whole[0]?.corners[0] ?? [0, 0, 0];
  const about = whole.map(({ corners: at }) => at.map((corner) => sub(corner, own)));
  const volume = about.reduce((sum, [a, b, c]) => sum + dot(a as Vec3, cross(b as Vec3, c as Vec3)), 0) / 6;
  const size = Math.max(0, ...about.flat().map(norm));
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
