import { cornersAt } from '../head/mesh.ts';
import { float64At } from '../numeric/at.ts';
import type { Manifold, ManifoldToplevel } from 'manifold-3d';
import { ROUND } from '../cutter/cutter.ts';
import { cutterOf } from '../cutter/kinds.ts';
import type { Cut } from '../document/mould.ts';
import type { Mesh } from '../head/mesh.ts';

/** Angle of a point that is not told, degrees: the usual spotting drill. */
const USUAL_TIP = 90;

/**
 * Volume of a polygonal body of revolution falls short of the round one by this factor of its radius:
 * sections have the area of the circle.
 */
const fattened = (corners: number): number =>
  Math.sqrt((2 * Math.PI) / corners / Math.sin((2 * Math.PI) / corners));

/**
 * What a cut takes out of the halves it is made in, in the cavity's frame: the cutter stands square to the
 * parting plane with its end `depth` below the face of the half, and is drawn straight to `to` where that is
 * given. Nothing of the other half is touched. The caller deletes it.
 */
export function cutterSolid(kernel: ManifoldToplevel, cut: Cut): Manifold {
  const { CrossSection, Manifold } = kernel;
  // Its polygon has the area of the circle, so that it takes the right volume: each radius is a hair larger.
  const outline = cutterOf(cut.cutter).outline(cut.diameter / 2, cut.depth, cut.tip ?? USUAL_TIP);
  const top = outline.at(-1)?.[1] ?? 0;
  const fat = fattened(ROUND);
  const section = new CrossSection([[...outline.map(([r, h]): [number, number] => [fat * r, h]), [0, top]]]);
  const whole = Manifold.revolve(section, ROUND);
  section.delete();
  // Its axis is z with the tip at 0: tipped so that the end points to +y at the depth, the shank back to the
  // parting plane and beyond.
  const turned = whole.rotate([90, 0, 0]);
  const placed = turned.translate([cut.at.x, cut.depth, cut.at.z]);
  whole.delete();
  turned.delete();
  let swept = placed;
  if (cut.to) {
    const end = placed.translate([cut.to.x - cut.at.x, 0, cut.to.z - cut.at.z]);
    // A ball on a neck is not convex: only its ball is drawn along, which is all that cuts below the face.
    swept = Manifold.hull([placed, end]);
    placed.delete();
    end.delete();
  }
  const inHalf = swept.trimByPlane([0, 1, 0], 0);
  swept.delete();
  if (cut.side === 'left') return inHalf;
  const other = inHalf.mirror([0, 1, 0]);
  if (cut.side === 'right') {
    inHalf.delete();
    return other;
  }
  const both = inHalf.add(other);
  inHalf.delete();
  other.delete();
  return both;
}

/**
 * How deep a cavity is below the face of a half at a place, mm: the floor as it was made. 0 where there is no
 * cavity. `mesh` is the cavity's in its own frame; `side` +1 for the left half, −1 for the right.
 */
export function floorDepth({ positions: p, triangles }: Mesh, x: number, z: number, side: 1 | -1): number {
  let deepest = 0;
  for (let i = 0; i < triangles.length; i += 3) {
    const [a, b, c] = cornersAt(triangles, i);
    const [ax, az] = [float64At(p, a) - x, float64At(p, a + 2) - z];
    const [bx, bz] = [float64At(p, b) - x, float64At(p, b + 2) - z];
    const [cx, cz] = [float64At(p, c) - x, float64At(p, c + 2) - z];
    const [u, v, w] = [bx * cz - cx * bz, cx * az - ax * cz, ax * bz - bx * az];
    const whole = u + v + w;
    if (whole === 0 || u / whole < 0 || v / whole < 0 || w / whole < 0) continue;
    const y = (u * float64At(p, a + 1) + v * float64At(p, b + 1) + w * float64At(p, c + 1)) / whole;
    deepest = Math.max(deepest, side * y);
  }
  return deepest;
}
