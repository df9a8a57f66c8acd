import { cornersAt } from '../head/mesh.ts';
import { float64At } from '../numeric/at.ts';
import type { Mesh } from '../head/mesh.ts';
import { radians } from '../numeric/vec.ts';

/** How a cavity releases when the halves are drawn apart square to the parting plane. */
export interface Opening {
  /** undercut surface, towards the parting plane, so that the half cannot be drawn off, mm² */
  readonly bound: number;
  /** surface that slopes by less than the draft wanted and lies deeper than what is tolerated, mm² */
  readonly steep: number;
  /** all of it, mm² */
  readonly area: number;
  /** facets that bind, corner by corner (x, y, z), to be drawn */
  readonly facets: Float32Array;
}

/**
 * Slope under which a facet counts as facing back, as a sine: what a mesh's chords leave of a wall that
 * stands square is no undercut.
 */
const BACK = 0.01;
/**
 * Nearer to the parting plane than this a wall may stand square: it releases at once, mm (common practice, no
 * source).
 */
const NEAR = 0.8;

/**
 * Undercut and draft of a cavity: facets of the half above the parting plane must face away from it, those
 * below likewise. A thing half the facets of which face back cannot be drawn; square walls that run deep
 * drag. `draft` in degrees.
 */
export function opening({ positions: p, triangles }: Mesh, draft: number): Opening {
  let [bound, steep, area] = [0, 0, 0];
  const facets: number[] = [];
  const wanted = Math.sin(radians(draft));
  for (let i = 0; i < triangles.length; i += 3) {
    const [a, b, c] = cornersAt(triangles, i);
    const at = (corner: number, axis: 0 | 1 | 2) => float64At(p, corner + axis);
    const [ux, uy, uz] = [at(b, 0) - at(a, 0), at(b, 1) - at(a, 1), at(b, 2) - at(a, 2)];
    const [vx, vy, vz] = [at(c, 0) - at(a, 0), at(c, 1) - at(a, 1), at(c, 2) - at(a, 2)];
    const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
    const twice = Math.sqrt(nx * nx + ny * ny + nz * nz);
    if (!(twice > 0)) continue;
    const y = (at(a, 1) + at(b, 1) + at(c, 1)) / 3;
    area += twice / 2;
    const away = (ny / twice) * Math.sign(y);
    if (away < -BACK && Math.abs(y) > 1e-3) {
      bound += twice / 2;
      for (const corner of [a, b, c]) facets.push(at(corner, 0), at(corner, 1), at(corner, 2));
    } else if (away < wanted && Math.abs(y) > NEAR) steep += twice / 2;
  }
  return { bound, steep, area, facets: Float32Array.from(facets) };
}
