/**
 * Most facets of a solid from outside that are looked at: a scan finer than this is thinned where it was
 * made.
 */
export const MOST_READ = 120_000;
/** Longest rim of a flat hole that is closed, in edges. */
export const MOST_RIM = 2000;
/** Most shells a solid may come in: they are joined where they touch, and dust is not a head. */
export const MOST_SHELLS = 64;
