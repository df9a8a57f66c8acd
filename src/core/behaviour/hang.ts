import type { Assembly } from '../build/assemble.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { degrees } from '../numeric/vec.ts';
import { submerged } from './submerged.ts';

/**
 * Attitude on a tight vertical line, degrees, nose down positive: the effective centre hangs straight below the eye.
 * −90 is nose straight up, as with an eye out of the nose.
 */
export function hangAttitude(eye: Vec3, centre: Vec3): number {
  return degrees(Math.atan2(centre[0] - eye[0], eye[2] - centre[2]));
}

/**
 * The point the submerged weights of what hangs from the eye balance at. A free hook pulls at its hinge, wherever it swings to, so its
 * weight counts there; everything else counts where it is. rho in kg/m³.
 */
export function hangingCentre({ parts, hook }: Pick<Assembly, 'parts' | 'hook'>, rho: number): Vec3 {
  const { hinge } = hook;
  if (!hinge) return submerged({ parts }, rho).centre;
  return submerged(
    { parts: parts.map((part) => (part.name === 'hook' ? { ...part, centroid: hinge.at } : part)) },
    rho,
  ).centre;
}
