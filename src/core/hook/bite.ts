/**
 * Height of the point above the eye that gives a sure bite, mm: 1/4 in, or half the gap on hooks too small
 * for it (common practice, no source). gap in mm.
 */
export const sureBite = (gap: number): number => Math.min(6.35, 0.5 * gap);

/**
 * Least metal that must stand around the wire for a head to be a head at all, mm on each side (common
 * practice, no source).
 */
export const LEAST_WALL = 0.3;
