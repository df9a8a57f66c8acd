import { float64At, int32At } from '../numeric/at.ts';
import type { Vec3 } from '../numeric/vec.ts';
import type { Facets } from './facets.ts';

/**
 * How a body rolls from however it touches: over a corner, then over an edge, until it lies on a facet; and
 * on from there.
 */
export interface Rolling {
  /** the facet it lies on next, itself where it stays */
  readonly next: (facet: number) => number;
  /** the facet it first lies on when it touches with this direction down */
  readonly from: (down: Vec3) => number;
  /**
   * every corner stands out farther than all around it: then a landing ends on the facet the direction leaves
   * through
   */
  readonly isSimple: boolean;
}

/**
 * Corners beside each corner, each with a facet that has both: those of corner i are from `first[i]` to
 * before `first[i + 1]`.
 */
interface Beside {
  readonly first: Int32Array;
  readonly corner: Int32Array;
  readonly facet: Int32Array;
}

/**
 * Of a closed surface each edge runs once each way: a corner's neighbours are where the edges that leave it
 * end.
 */
function besideOf({ ids, count, corners }: Facets): Beside {
  const size = corners.length / 3;
  const first = new Int32Array(size + 1);
  for (const id of ids) first[id + 1] = int32At(first, id + 1) + 1;
  for (let i = 0; i < size; i++) first[i + 1] = int32At(first, i + 1) + int32At(first, i);
  const filled = first.slice(0, size);
  const corner = new Int32Array(ids.length);
  const facet = new Int32Array(ids.length);
  for (let f = 0; f < count; f++)
    for (let k = 0; k < 3; k++) {
      const id = int32At(ids, 3 * f + k);
      const place = int32At(filled, id);
      filled[id] = place + 1;
      corner[place] = int32At(ids, 3 * f + ((k + 1) % 3));
      facet[place] = f;
    }
  return { first, corner, facet };
}

const AXES: readonly Vec3[] = [
  [1, 0, 0],
  [-1, 0, 0],
  [0, 1, 0],
  [0, -1, 0],
  [0, 0, 1],
  [0, 0, -1],
];

/** Finds the corner that reaches farthest in a direction u, v, w; {@link farthestOf} says how. */
type Farthest = (u: number, v: number, w: number) => number;
/**
 * Turns a body that touches with u, v, w down over the edge from a to b, of the facet `known`: the facet it
 * comes to lie on.
 */
type OverEdge = (u: number, v: number, w: number, a: number, b: number, known: number) => number;
/** Turns a body that touches with u, v, w down over a corner: the facet it comes to lie on. */
type OverCorner = (u: number, v: number, w: number, id: number) => number;

/**
 * The corner that reaches farthest, of equals the first, so that it does not hang on where the looking began:
 * of a convex body one that is not has a neighbour that reaches farther.
 */
function farthestOf({ corners }: Facets, beside: Beside): Farthest {
  const size = corners.length / 3;
  const reachOf = (id: number, u: number, v: number, w: number): number =>
    u * float64At(corners, 3 * id) + v * float64At(corners, 3 * id + 1) + w * float64At(corners, 3 * id + 2);
  // Farthest along each axis, and so near to what is farthest any way; and the last that was found, since one
  // landing is near another.
  const starts = AXES.map(([u, v, w]) => {
    let best = 0;
    for (let id = 1; id < size; id++) if (reachOf(id, u, v, w) > reachOf(best, u, v, w)) best = id;
    return best;
  });
  starts.push(0);
  return (u: number, v: number, w: number): number => {
    let best = 0;
    let most = -Infinity;
    for (const id of starts) {
      const reach = reachOf(id, u, v, w);
      if (reach > most || (reach === most && id < best)) {
        best = id;
        most = reach;
      }
    }
    for (let from = -1; from !== best;) {
      from = best;
      const end = int32At(beside.first, from + 1);
      for (let i = int32At(beside.first, from); i < end; i++) {
        const corner = int32At(beside.corner, i);
        const reach = reachOf(corner, u, v, w);
        if (reach > most || (reach === most && corner < best)) {
          best = corner;
          most = reach;
        }
      }
    }
    starts[AXES.length] = best;
    return best;
  };
}

/**
 * The facet at whose side of an edge the body comes to lie. `known` is one of the two, whose edge runs from a
 * to b.
 */
function edgeTurner({ corners, ids, across, normals }: Facets): OverEdge {
  return (u: number, v: number, w: number, a: number, b: number, known: number): number => {
    let other = known;
    for (let k = 0; k < 3; k++) if (ids[3 * known + k] === b) other = int32At(across, 3 * known + k);
    const px = float64At(corners, 3 * a);
    const py = float64At(corners, 3 * a + 1);
    const pz = float64At(corners, 3 * a + 2);
    const ex = float64At(corners, 3 * b) - px;
    const ey = float64At(corners, 3 * b + 1) - py;
    const ez = float64At(corners, 3 * b + 2) - pz;
    const share = (px * ex + py * ey + pz * ez) / (ex * ex + ey * ey + ez * ez || 1);
    const fx = px - share * ex;
    const fy = py - share * ey;
    const fz = pz - share * ez;
    // Turning about the edge: on this side of the foot it goes on to this side. (foot × n) · along = n ·
    // (along × foot)
    const sx = ey * fz - ez * fy;
    const sy = ez * fx - ex * fz;
    const sz = ex * fy - ey * fx;
    const sense = (f: number) =>
      sx * float64At(normals, 3 * f) +
      sy * float64At(normals, 3 * f + 1) +
      sz * float64At(normals, 3 * f + 2);
    return (sx * u + sy * v + sz * w) * (sense(known) - sense(other)) >= 0 ? known : other;
  };
}

/** The facet reached from a direction while a corner touches: n turns straight away from the corner. */
function cornerTurner({ corners }: Facets, beside: Beside, overEdge: OverEdge): OverCorner {
  return (u: number, v: number, w: number, id: number): number => {
    const px = float64At(corners, 3 * id);
    const py = float64At(corners, 3 * id + 1);
    const pz = float64At(corners, 3 * id + 2);
    const along = u * px + v * py + w * pz;
    let ax = u * along - px;
    let ay = v * along - py;
    let az = w * along - pz;
    const far = Math.sqrt(ax * ax + ay * ay + az * az) || 1;
    ax /= far;
    ay /= far;
    az /= far;
    // n(t) = cos t · n + sin t · away; the corner q takes over where n·(p − q) = 0.
    let best = -1;
    let edge = -1;
    let least = Infinity;
    const end = int32At(beside.first, id + 1);
    for (let i = int32At(beside.first, id); i < end; i++) {
      const corner = int32At(beside.corner, i);
      const dx = px - float64At(corners, 3 * corner);
      const dy = py - float64At(corners, 3 * corner + 1);
      const dz = pz - float64At(corners, 3 * corner + 2);
      const nearer = -(ax * dx + ay * dy + az * dz);
      // Only what comes nearer takes over; the angle of its turn grows with its tangent.
      if (nearer <= 0) continue;
      const turn = Math.max(0, u * dx + v * dy + w * dz) / nearer;
      if (turn < least) {
        best = int32At(beside.facet, i);
        least = turn;
        edge = corner;
      }
    }
    if (best < 0) return int32At(beside.facet, int32At(beside.first, id));
    // Of the length that the tangent leaves it; only its direction counts.
    return overEdge(u + least * ax, v + least * ay, w + least * az, id, edge, best);
  };
}

/** The facet that a body lies on after one it lies on: itself where the centre stands over it. */
function afterFacet(
  { corners, ids, normals, heights, across, inside }: Facets,
  overCorner: OverCorner,
): (facet: number) => number {
  return (f: number): number => {
    const first = 3 * f;
    const [in0, in1, in2] = [
      float64At(inside, first),
      float64At(inside, first + 1),
      float64At(inside, first + 2),
    ];
    if (in0 >= 0 && in1 >= 0 && in2 >= 0) return f;
    const height = float64At(heights, f);
    const u = float64At(normals, first);
    const v = float64At(normals, first + 1);
    const w = float64At(normals, first + 2);
    const [x, y, z] = [u * height, v * height, w * height];
    // The place of the facet nearest to the foot: on a side, or at a corner.
    let nearest = Infinity;
    let to = f;
    let corner = -1;
    for (let k = 0; k < 3; k++) {
      const [end, begin] = [3 * int32At(ids, first + k), 3 * int32At(ids, first + ((k + 2) % 3))];
      const ex = float64At(corners, end);
      const ey = float64At(corners, end + 1);
      const ez = float64At(corners, end + 2);
      const bx = float64At(corners, begin);
      const by = float64At(corners, begin + 1);
      const bz = float64At(corners, begin + 2);
      const [rx, ry, rz] = [ex - bx, ey - by, ez - bz];
      const share = ((x - bx) * rx + (y - by) * ry + (z - bz) * rz) / (rx * rx + ry * ry + rz * rz);
      const beyond = -float64At(inside, first + k);
      if (beyond > 0 && share >= 0 && share <= 1 && beyond < nearest) {
        nearest = beyond;
        to = int32At(across, first + k);
        corner = -1;
      }
      const off = Math.sqrt((ex - x) ** 2 + (ey - y) ** 2 + (ez - z) ** 2);
      if (off < nearest) {
        nearest = off;
        to = f;
        corner = int32At(ids, first + k);
      }
    }
    return corner < 0 ? to : overCorner(u, v, w, corner);
  };
}

/**
 * Steepest descent of h. While one corner p touches, n turns straight away from p; while an edge does, it
 * turns about the edge away from the foot of the centre on it; from a facet it goes away from the place of
 * the facet nearest to that foot.
 */
export function rollingOver(facets: Facets): Rolling {
  const beside = besideOf(facets);
  const farthest = farthestOf(facets, beside);
  const overCorner = cornerTurner(facets, beside, edgeTurner(facets));
  const next = afterFacet(facets, overCorner);
  const memo = Int32Array.from({ length: facets.count }, (_, f) => next(f));
  return {
    next: (f) => int32At(memo, f),
    from: ([u, v, w]) => overCorner(u, v, w, farthest(u, v, w)),
    isSimple: standsOutEverywhere(facets),
  };
}

/**
 * Whether the centre lies inside, and every corner stands out farther than all that share a facet with it.
 */
function standsOutEverywhere({ heights, ids, corners }: Facets): boolean {
  if (!heights.every((height) => height > 0)) return false;
  for (let i = 0; i < ids.length; i++) {
    const p = 3 * int32At(ids, i);
    const q = 3 * int32At(ids, i % 3 === 2 ? i - 2 : i + 1);
    const [px, py, pz] = [float64At(corners, p), float64At(corners, p + 1), float64At(corners, p + 2)];
    const [qx, qy, qz] = [float64At(corners, q), float64At(corners, q + 1), float64At(corners, q + 2)];
    const across = qx * px + qy * py + qz * pz;
    // Each edge is met from both its ends, once from either facet.
    if (across > (px * px + py * py + pz * pz) * (1 + 1e-9)) return false;
  }
  return true;
}
