import { float64At } from '../numeric/at.ts';
import { massProperties, meshArea, shadowOf } from '../head/mesh.ts';
import type { Mesh } from '../head/mesh.ts';
import { clamp } from '../numeric/vec.ts';
import type { ShapeFactors } from './drag.ts';

/** A closed surface as drag sees it. */
export interface Shadows {
  /** diameter of the sphere of equal volume, mm */
  readonly equalDiameter: number;
  /** factors for flow along (sin ψ, 0, −cos ψ), ψ the nose-down pitch in radians */
  readonly factors: (psi: number) => ShapeFactors;
}

/**
 * Attitudes the projected area is worked out at; between them it is taken linearly. Half a turn, since both
 * sides show the same.
 */
const ATTITUDES = 36;

/**
 * Shape factors of a closed surface in every attitude of pitch. `whole` is the volume (mm³) and surface (mm²)
 * the mesh stands for, its own where absent: facets cut corners short, and a ball's would never be quite
 * round. Areas shown to the flow are set right by the same share.
 */
export function shadowsOf(mesh: Mesh, whole?: { readonly volume: number; readonly area: number }): Shadows {
  const { volume, area } = whole ?? massProperties(mesh);
  const equalDiameter = Math.cbrt((6 * volume) / Math.PI);
  const sphereSection = (Math.PI / 4) * equalDiameter ** 2;
  const sphericity = Math.min(1, (Math.PI * equalDiameter ** 2) / area);
  const across = shadowOf(mesh);
  const right = area / meshArea(mesh);
  const pitches = Array.from({ length: ATTITUDES }, (_, i) => (Math.PI * i) / ATTITUDES);
  const shadows = pitches.map((psi) => right * across(Math.sin(psi), 0, -Math.cos(psi)));
  const reaches = pitches.map((psi) => reachAlong(mesh, Math.sin(psi), -Math.cos(psi)));
  const fromSide = right * across(0, 1, 0);
  const between = (values: readonly number[]) => (psi: number) => {
    const turns = ((((psi / Math.PI) % 1) + 1) % 1) * ATTITUDES;
    const i = Math.floor(turns);
    const [a, b] = [values[i % ATTITUDES] ?? 0, values[(i + 1) % ATTITUDES] ?? 0];
    return a + (b - a) * (turns - i);
  };
  const [shadow, reach] = [between(shadows), between(reaches)];
  return {
    equalDiameter,
    factors: (psi) => {
      const shown = shadow(psi);
      return {
        sphericity,
        crosswise: sphereSection / shown,
        // Seen along the flow's sides: once from the left, once along the axis square to both.
        lengthwise: clamp(
          sphereSection / Math.max(area / 2 - (fromSide + shadow(psi + Math.PI / 2)) / 2, 1e-9),
          0.05,
          20,
        ),
        fineness: reach(psi) / Math.sqrt((4 * shown) / Math.PI),
      };
    },
  };
}

/** Length of a mesh along (x, 0, z), a unit vector, mm. */
function reachAlong({ positions: p }: Mesh, x: number, z: number): number {
  let [low, high] = [Infinity, -Infinity];
  for (let i = 0; i < p.length; i += 3) {
    const along = x * float64At(p, i) + z * float64At(p, i + 2);
    if (along < low) low = along;
    if (along > high) high = along;
  }
  return high - low;
}
