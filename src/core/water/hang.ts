import type { Vec3 } from '../numeric/vec.ts';
import { degrees } from '../numeric/vec.ts';

/**
 * Attitude on a tight vertical line, degrees, nose down positive: the effective centre hangs straight below the eye.
 * −90 is nose straight up, as with an eye out of the nose.
 */
export function hangAttitude(eye: Vec3, centre: Vec3): number {
  return degrees(Math.atan2(centre[0] - eye[0], eye[2] - centre[2]));
}
