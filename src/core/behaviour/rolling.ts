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
    from: ([u, v, w]) => {
      let [best, most] = [0, -Infinity];
      // Asked thousands of times of hundreds of corners.
      for (let i = 0, at = 0; at < own.length; i++, at += 3) {
        const reach = u * (own[at] as number) + v * (own[at + 1] as number) + w * (own[at + 2] as number);
        if (reach > most) {
          most = reach;
          best = i;
        }
      }
      return overCorner([u, v, w], best);
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
