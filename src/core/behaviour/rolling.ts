import type { Vec3 } from '../numeric/vec.ts';
import type { Facets } from './facets.ts';

/** How a body rolls from however it touches: over a corner, then over an edge, until it lies on a facet; and on from there. */
export interface Rolling {
  /** the facet it lies on next, itself where it stays */
  readonly next: (facet: number) => number;
  /** the facet it first lies on when it touches with this direction down */
  readonly from: (down: Vec3) => number;
  /** every corner stands out farther than all around it: then a landing ends on the facet the direction leaves through */
  readonly isSimple: boolean;
}

/** Corners beside each corner, each with a facet that has both: those of corner i are from `first[i]` to before `first[i + 1]`. */
interface Beside {
  readonly first: Int32Array;
  readonly corner: Int32Array;
  readonly facet: Int32Array;
}

/** Of a closed surface each edge runs once each way: a corner's neighbours are where the edges that leave it end. */
function besideOf({ ids, count, corners }: Facets): Beside {
  const size = corners.length / 3;
  const first = new Int32Array(size + 1);
  for (const id of ids) first[id + 1] = (first[id + 1] as number) + 1;
  for (let i = 0; i < size; i++) first[i + 1] = (first[i + 1] as number) + (first[i] as number);
  const filled = first.slice(0, size);
  const corner = new Int32Array(ids.length);
  const facet = new Int32Array(ids.length);
  for (let f = 0; f < count; f++)
    for (let k = 0; k < 3; k++) {
      const id = ids[3 * f + k] as number;
      const place = filled[id] as number;
      filled[id] = place + 1;
      corner[place] = ids[3 * f + ((k + 1) % 3)] as number;
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

/**
 * Steepest descent of h. While one corner p touches, n turns straight away from p; while an edge does, it turns about the edge away from the
 * foot of the centre on it; from a facet it goes away from the place of the facet nearest to that foot.
 */
export function rollingOver(facets: Facets): Rolling {
  const { corners, ids, normals, heights, across, inside, count } = facets;
  const size = corners.length / 3;
  const beside = besideOf(facets);
  const reachOf = (id: number, u: number, v: number, w: number): number =>
    u * (corners[3 * id] as number) +
    v * (corners[3 * id + 1] as number) +
    w * (corners[3 * id + 2] as number);
  // Farthest along each axis, and so near to what is farthest any way; and the last that was found, since one landing is near another.
  const starts = AXES.map(([u, v, w]) => {
    let best = 0;
    for (let id = 1; id < size; id++) if (reachOf(id, u, v, w) > reachOf(best, u, v, w)) best = id;
    return best;
  });
  starts.push(0);
  /**
   * The corner that reaches farthest, of equals the first, so that it does not hang on where the looking began: of a convex body one that is not has a
   * neighbour that reaches farther.
   */
  const farthest = (u: number, v: number, w: number): number => {
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
      const end = beside.first[from + 1] as number;
      for (let i = beside.first[from] as number; i < end; i++) {
        const corner = beside.corner[i] as number;
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

  /** The facet reached from a direction while a corner touches. */
  const overCorner = (u: number, v: number, w: number, id: number): number => {
    const px = corners[3 * id] as number;
    const py = corners[3 * id + 1] as number;
    const pz = corners[3 * id + 2] as number;
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
    const end = beside.first[id + 1] as number;
    for (let i = beside.first[id] as number; i < end; i++) {
      const corner = beside.corner[i] as number;
      const dx = px - (corners[3 * corner] as number);
      const dy = py - (corners[3 * corner + 1] as number);
      const dz = pz - (corners[3 * corner + 2] as number);
      const nearer = -(ax * dx + ay * dy + az * dz);
      // Only what comes nearer takes over; the angle of its turn grows with its tangent.
      if (nearer <= 0) continue;
      const turn = Math.max(0, u * dx + v * dy + w * dz) / nearer;
      if (turn < least) {
        best = beside.facet[i] as number;
        least = turn;
        edge = corner;
      }
    }
    if (best < 0) return beside.facet[beside.first[id] as number] as number;
    // Of the length that the tangent leaves it; only its direction counts.
    return overEdge(u + least * ax, v + least * ay, w + least * az, id, edge, best);
  };
  /** The facet at whose side of an edge the body comes to lie. `known` is one of the two, whose edge runs from a to b. */
  const overEdge = (u: number, v: number, w: number, a: number, b: number, known: number): number => {
    let other = known;
    for (let k = 0; k < 3; k++) if (ids[3 * known + k] === b) other = across[3 * known + k] as number;
    const px = corners[3 * a] as number;
    const py = corners[3 * a + 1] as number;
    const pz = corners[3 * a + 2] as number;
    const ex = (corners[3 * b] as number) - px;
    const ey = (corners[3 * b + 1] as number) - py;
    const ez = (corners[3 * b + 2] as number) - pz;
    const share = (px * ex + py * ey + pz * ez) / (ex * ex + ey * ey + ez * ez || 1);
    const fx = px - share * ex;
    const fy = py - share * ey;
    const fz = pz - share * ez;
    // Turning about the edge: on this side of the foot it goes on to this side. (foot × n) · along = n · (along × foot)
    const sx = ey * fz - ez * fy;
    const sy = ez * fx - ex * fz;
    const sz = ex * fy - ey * fx;
    const sense = (f: number) =>
      sx * (normals[3 * f] as number) +
      sy * (normals[3 * f + 1] as number) +
      sz * (normals[3 * f + 2] as number);
    return (sx * u + sy * v + sz * w) * (sense(known) - sense(other)) >= 0 ? known : other;
  };
  const next = (f: number): number => {
    const first = 3 * f;
    const [in0, in1, in2] = [
      inside[first] as number,
      inside[first + 1] as number,
      inside[first + 2] as number,
    ];
    if (in0 >= 0 && in1 >= 0 && in2 >= 0) return f;
    const height = heights[f] as number;
    const u = normals[first] as number;
    const v = normals[first + 1] as number;
    const w = normals[first + 2] as number;
    const [x, y, z] = [u * height, v * height, w * height];
    // The place of the facet nearest to the foot: on a side, or at a corner.
    let nearest = Infinity;
    let to = f;
    let corner = -1;
    for (let k = 0; k < 3; k++) {
      const [end, begin] = [3 * (ids[first + k] as number), 3 * (ids[first + ((k + 2) % 3)] as number)];
      const ex = corners[end] as number;
      const ey = corners[end + 1] as number;
      const ez = corners[end + 2] as number;
      const bx = corners[begin] as number;
      const by = corners[begin + 1] as number;
      const bz = corners[begin + 2] as number;
      const [rx, ry, rz] = [ex - bx, ey - by, ez - bz];
      const share = ((x - bx) * rx + (y - by) * ry + (z - bz) * rz) / (rx * rx + ry * ry + rz * rz);
      const beyond = -(inside[first + k] as number);
      if (beyond > 0 && share >= 0 && share <= 1 && beyond < nearest) {
        nearest = beyond;
        to = across[first + k] as number;
        corner = -1;
      }
      const off = Math.sqrt((ex - x) ** 2 + (ey - y) ** 2 + (ez - z) ** 2);
      if (off < nearest) {
        nearest = off;
        to = f;
        corner = ids[first + k] as number;
      }
    }
    return corner < 0 ? to : overCorner(u, v, w, corner);
  };
  const memo = Int32Array.from({ length: count }, (_, f) => next(f));
  return {
    next: (f) => memo[f] as number,
    from: ([u, v, w]) => overCorner(u, v, w, farthest(u, v, w)),
    isSimple: standsOutEverywhere(facets),
  };
}

/** Whether the centre lies inside, and every corner stands out farther than all that share a facet with it. */
function standsOutEverywhere({ heights, ids, corners }: Facets): boolean {
  if (!heights.every((height) => height > 0)) return false;
  for (let i = 0; i < ids.length; i++) {
    const p = 3 * (ids[i] as number);
    const q = 3 * (ids[i % 3 === 2 ? i - 2 : i + 1] as number);
    const [px, py, pz] = [corners[p] as number, corners[p + 1] as number, corners[p + 2] as number];
    const [qx, qy, qz] = [corners[q] as number, corners[q + 1] as number, corners[q + 2] as number];
    const across = qx * px + qy * py + qz * pz;
    // Each edge is met from both its ends, once from either facet.
    if (across > (px * px + py * py + pz * pz) * (1 + 1e-9)) return false;
  }
  return true;
}
