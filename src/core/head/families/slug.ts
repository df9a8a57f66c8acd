import type { Dimensions } from '../family.ts';
import { swollen } from '../family.ts';
import type { Profile } from '../profile.ts';

/**
 * A straight body with both ends rounded by a quarter ellipse, each `ends` of the length long (a half makes
 * it an ellipsoid).
 */
export function slugProfile(dimensions: Dimensions): Profile {
  const { length = 0, ends = 0.3 } = dimensions;
  const [from, to] = [ends * length, (1 - ends) * length];
  return {
    length,
    breaks: ends < 0.5 ? [0, from, to, length] : [0, from, length],
    section: (x) => {
      const u = x < from ? (from - x) / from : x > to ? (x - to) / (length - to) : 0;
      return swollen(Math.sqrt(Math.max(0, 1 - u * u)), dimensions);
    },
  };
}
