import type { Rig } from './rig.ts';
import type { Vec3 } from '../numeric/vec.ts';

/** Submerged weight and the point it acts at. */
export interface Submerged {
  /** gram-force; negative when it floats */
  readonly weight: number;
  /** effective centre c*: where the submerged weights balance, mm */
  readonly centre: Vec3;
}

/**
 * Submerged weight of an assembly: each part's mass less the water it pushes aside (Archimedes). density
 * kg/m³.
 */
export function submerged({ parts }: Pick<Rig, 'parts'>, density: number): Submerged {
  let weight = 0;
  let [x, y, z] = [0, 0, 0];
  for (const part of parts) {
    const w = part.mass - density * 1e-6 * part.volume;
    weight += w;
    x += w * part.centroid[0];
    y += w * part.centroid[1];
    z += w * part.centroid[2];
  }
  return { weight, centre: [x / weight, y / weight, z / weight] };
}
