import { float64At } from '../numeric/at.ts';
import type { HeadBody } from './body.ts';
import type { MeshQuality } from './loft.ts';
import { loft } from './loft.ts';
import type { Mesh } from './mesh.ts';
import { sectionHolds } from './profile.ts';
import type { Vec2 } from '../numeric/vec.ts';
import { halve } from '../numeric/halve.ts';

/**
 * A worked body's surface without the solid library, beside that of the loft it was worked from: corner by
 * corner the same.
 */
export interface PushedMesh {
  readonly worked: Mesh;
  readonly plain: Mesh;
}

/** Halvings between two corners, one pushed in and one not, to the edge of the cut. */
const TO_EDGE = 8;
/**
 * Share of a section by which a pushed place may lie outside of it: so far at most do the corners of its
 * ring, since their polygon has its area.
 */
const HAIR = 0.02;

/**
 * Surface of a body whose cuts only push its loft's surface in: each corner that a cut takes away goes to the
 * face the cut leaves. Of two neighbours about a ring, one pushed and one not, the nearer one goes to the
 * edge between them. Undefined where a shape is no such cut, or takes a side away whole, or runs into
 * another, and for a solid from outside.
 */
export function pushedMesh(
  { profile, shapes, mesh }: HeadBody,
  quality: MeshQuality,
): PushedMesh | undefined {
  const faces = shapes.flatMap(({ face }) => face ?? []);
  if (mesh || faces.length < shapes.length) return undefined;
  const { corners } = quality;
  const plain = loft(
    profile,
    undefined,
    quality,
    shapes.flatMap(({ breaks }) => breaks),
  );
  const { positions: own } = plain;
  const positions = own.slice();
  const at = (i: number): Vec2 => [float64At(own, 3 * i + 1), float64At(own, 3 * i + 2)];
  /** where a place goes; itself where no cut takes it away */
  const settled = (x: number, place: Vec2): Vec2 => {
    let now = place;
    for (const face of faces) now = face(x, now[0], now[1]) ?? now;
    return now;
  };
  const move = (i: number, place: Vec2) => {
    positions[3 * i + 1] = place[0];
    positions[3 * i + 2] = place[1];
  };
  const count = own.length / 3;
  for (let first = 0; first < count;) {
    const x = float64At(own, 3 * first);
    // A ring, or the pole or the middle of a cap.
    if (own[3 * first + 1] === 0 && own[3 * first + 2] === 0) {
      first++;
      continue;
    }
    const section = profile.section(x);
    const pushed: boolean[] = [];
    for (let k = 0; k < corners; k++) {
      const place = at(first + k);
      const to = settled(x, place);
      pushed.push(to !== place);
      if (to === place) continue;
      // Where two cuts meet one may push it into the other.
      if (settled(x, to) !== to || !sectionHolds(section, to[0] * (1 - HAIR), to[1] * (1 - HAIR)))
        return undefined;
      move(first + k, to);
    }
    for (let k = 0; k < corners; k++) {
      const next = (k + 1) % corners;
      if (pushed[k] === pushed[next]) continue;
      const [a, b] = [at(first + k), at(first + next)];
      const between = (share: number): Vec2 => [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share];
      const [edge] = halve(0, 1, TO_EDGE, (share) => {
        const place = between(share);
        return (settled(x, place) !== place) === pushed[k];
      });
      move(first + (edge < 0.5 ? k : next), between(edge));
    }
    first += corners;
  }
  return { plain, worked: { positions, triangles: plain.triangles } };
}
