import type { Vec3 } from '../numeric/vec.ts';
import { cross, dot, norm, scale, sub } from '../numeric/vec.ts';
import type { Facet } from './facets.ts';

/** How a body rolls from however it touches: over a corner, then over an edge, until it lies on a facet; and on from there. */
export interface Rolling {
  /** the facet it lies on next, itself where it stays */
  readonly next: (facet: number) => number;
  /** the facet it first lies on when it touches with this direction down */
  readonly from: (down: Vec3) => number;
  /** every corner stands out farther than all around it: then a landing ends on the facet the direction leaves through */
  readonly isSimple: boolean;
}

/** A corner beside another, and a facet that has both. */
interface Beside {
  readonly corner: number;
  readonly facet: number;
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
export function rollingOver(facets: readonly Facet[], flat: Float64Array, centre: Vec3): Rolling {
  const corners = Array.from({ length: flat.length / 3 }, (_, i): Vec3 =>
    sub([flat[3 * i] as number, flat[3 * i + 1] as number, flat[3 * i + 2] as number], centre),
  );
  const own = Float64Array.from(corners.flat());
  const around: number[][] = corners.map(() => []);
  facets.forEach(({ ids }, f) => ids.forEach((id) => around[id]?.push(f)));
  // Corners beside each corner, each with a facet that has both.
  const beside = around.map((fs, id): Beside[] => {
    const seen = new Map<number, number>();
    for (const f of fs)
      for (const q of (facets[f] as Facet).ids) if (q !== id && !seen.has(q)) seen.set(q, f);
    return [...seen].map(([corner, facet]) => ({ corner, facet }));
  });
  const reachOf = (id: number, u: number, v: number, w: number): number =>
    u * (own[3 * id] as number) + v * (own[3 * id + 1] as number) + w * (own[3 * id + 2] as number);
  // Farthest along each axis, and so near to what is farthest any way.
  const starts = AXES.map(([u, v, w]) => {
    let best = 0;
    for (let id = 1; id < corners.length; id++) if (reachOf(id, u, v, w) > reachOf(best, u, v, w)) best = id;
    return best;
  });
  /** The corner that reaches farthest: of a convex body one that is not has a neighbour that reaches farther. */
  const farthest = ([u, v, w]: Vec3): number => {
    let [best, most] = [0, -Infinity];
    for (const id of starts) {
      const reach = reachOf(id, u, v, w);
      if (reach > most) [best, most] = [id, reach];
    }
    for (let from = -1; from !== best;) {
      from = best;
      for (const { corner } of beside[from] as Beside[]) {
        const reach = reachOf(corner, u, v, w);
        if (reach > most) [best, most] = [corner, reach];
      }
    }
    return best;
  };
  const unit = (v: Vec3): Vec3 => scale(v, 1 / (norm(v) || 1));

  /** The facet reached from a direction while a corner touches. */
  const overCorner = (start: Vec3, id: number): number => {
    const p = corners[id] as Vec3;
    const away = unit(sub(scale(start, dot(start, p)), p));
    // n(t) = cos t · n + sin t · away; the corner q takes over where n·(p − q) = 0.
    let [best, least, edge] = [-1, Infinity, -1];
    for (const { corner, facet } of beside[id] as Beside[]) {
      const dx = p[0] - (own[3 * corner] as number);
      const dy = p[1] - (own[3 * corner + 1] as number);
      const dz = p[2] - (own[3 * corner + 2] as number);
      const w = away[0] * dx + away[1] * dy + away[2] * dz;
      // Only what comes nearer takes over.
      if (w >= 0) continue;
      const turn = Math.atan2(Math.max(0, start[0] * dx + start[1] * dy + start[2] * dz), -w);
      if (turn < least) [best, least, edge] = [facet, turn, corner];
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
    from: (down) => overCorner(down, farthest(down)),
    isSimple:
      facets.every(({ height }) => height > 0) &&
      corners.every((p, id) =>
        (around[id] ?? []).every((f) =>
          (facets[f] as Facet).ids.every((q) => dot(corners[q] as Vec3, p) <= dot(p, p) * (1 + 1e-9)),
        ),
      ),
  };
}
