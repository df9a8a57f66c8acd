import { massProperties, projectedArea } from '../head/mesh.ts';
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

/** Attitudes the projected area is worked out at; between them it is taken linearly. Half a turn, since both sides show the same. */
const ATTITUDES = 36;

/** Sphericities of a closed surface in every attitude of pitch. */
export function shadowsOf(mesh: Mesh): Shadows {
  const { volume, area } = massProperties(mesh);
  const equalDiameter = Math.cbrt((6 * volume) / Math.PI);
  const sphereSection = (Math.PI / 4) * equalDiameter ** 2;
  const sphericity = Math.min(1, (Math.PI * equalDiameter ** 2) / area);
  const shadows = Array.from({ length: ATTITUDES }, (_, i) => {
    const psi = (Math.PI * i) / ATTITUDES;
    return projectedArea(mesh, [Math.sin(psi), 0, -Math.cos(psi)]);
  });
  const fromSide = projectedArea(mesh, [0, 1, 0]);
  const shadow = (psi: number) => {
    const turns = ((((psi / Math.PI) % 1) + 1) % 1) * ATTITUDES;
    const i = Math.floor(turns);
    const [a, b] = [shadows[i % ATTITUDES] ?? 0, shadows[(i + 1) % ATTITUDES] ?? 0];
    return a + (b - a) * (turns - i);
  };
  return {
    equalDiameter,
    factors: (psi) => ({
      sphericity,
      crosswise: sphereSection / shadow(psi),
      // Seen along the flow's sides: once from the left, once along the axis square to both.
      lengthwise: clamp(
        sphereSection / Math.max(area / 2 - (fromSide + shadow(psi + Math.PI / 2)) / 2, 1e-9),
        0.05,
        20,
      ),
    }),
  };
}
