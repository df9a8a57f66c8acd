import type { Limits } from '../plastic/kinds/kind.ts';
import type { Toughness } from '../plastic/schema.ts';

/**
 * Every limit a fit is judged by, in one place. All of them are common practice, no source, or working values
 * where they say so; a shop's own eye goes before them. Lengths in mm, shares of the rigged body's length or
 * of the hook's gap.
 */

/** Nose the hook goes through before it comes out below, for weedless work: 1/8 to 1/4 in. */
export const START = { usual: 5, least: 3.2, most: 6.4 } as const;

/** Plastic over a point: well buried, and only under the skin (working values). */
export const COVER = { buried: 1.5, skin: 0.8 } as const;

/**
 * Where a covered point lies, as a share of the body. It points back to the head, so it lies further forward
 * than a bare hook comes out.
 */
export const COVERED_AT: Limits = { good: [0.1, 0.5], tight: [0.06, 0.6] };
/** Where a hook through the nose comes out. */
export const NOSE_AT: Limits = { good: [0.01, 0.12], tight: [0, 0.18] };

/**
 * Share of the gap that should stay free over a bare point’s plastic, and for a body to drop off a covered
 * one.
 */
export const FREE_GAP = {
  bare: { good: 0.5, tight: 0.35 },
  covered: { good: 0.16, tight: 0.05 },
  /** inside a soft hollow body the wall folds away */
  folding: { good: 0.3, tight: 0.15 },
} as const;

/** Degrees a body may be bent between seat and point before it spins (working limits). */
export const STRAIGHT: Limits = { good: [-8, 28], tight: [-16, 40] };
/** Bend that is left in a body on purpose, degrees. */
export const LEFT_IN = 10;
/** The same as judged. */
export const BENT: Limits = { good: [-14, -4], tight: [-22, 0] };

/** Body that should stay free behind the hook, as a share of its length (working limit). */
export const TAIL_ROOM = 0.06;

/** A body deeper than this for its length takes no larger a hook for that (working value). */
const DEEP = 0.25;
/**
 * Gap of the hook, by the size it is sold in, over the length of the bait: too large a hook deadens a small
 * bait. Small baits are fished on hooks that are a little larger for them, and a deep body takes the hook
 * that goes round it. It passes through what is said of single kinds: a 2/0 and no larger in short sticks, a
 * 3/0 a squeeze in 3 in, a 4/0 in 4 in and a 5/0 barely (common practice, no source). Length and height in
 * mm.
 */
export function hookSizeLimits({
  length,
  height,
}: {
  readonly length: number;
  readonly height: number;
}): Limits {
  const most = Math.max(0.155 * (100 / length) ** 0.25, Math.min(DEEP, height / length));
  return { good: [0, most], tight: [0, 1.15 * most] };
}

/** Longest piece cut off a nose, as a share of the plastic: beyond it is a waste (working limit). */
export const MOST_CUT = 0.25;

/** Metal inside a bait over the bait there: what is left must close around it. */
export const INSIDE: Limits = { good: [0.15, 0.72], tight: [0.08, 0.9] };
/** The same of a tube’s or a hollow body’s room, which is made to be filled. */
export const IN_ROOM: Limits = { good: [0.3, 1.15], tight: [0.15, 1.35] };
/** Head size over body size at the seat: near 1 they run into each other. */
export const SHOULDER: Limits = { good: [0.8, 1.35], tight: [0.6, 1.9] };

/** Largest keeper over nose thickness each toughness bears before it splits, and the least that holds it. */
export const SEAT: Readonly<
  Record<
    Toughness,
    {
      readonly least: readonly [good: number, tight: number];
      readonly most: readonly [good: number, tight: number];
    }
  >
> = {
  soft: { least: [0.2, 0.1], most: [0.55, 0.7] },
  standard: { least: [0.2, 0.1], most: [0.65, 0.8] },
  stretchy: { least: [0.2, 0.1], most: [0.85, 1.05] },
};
/** Share of the nose's thickness a collar is brought to: where one does not hold it. */
export const SEAT_WANTED = 0.4;

/** How far a hook may stand off a flat back it should lie along, mm. */
export const ALONG_BACK: Limits = { good: [-0.6, 1.2], tight: [-1.5, 2.5] };

/** Length of a trailer over the length of the head and its hook. */
export const TRAILER: Limits = { good: [0.9, 2.2], tight: [0.7, 2.8] };

/**
 * How far a skirt’s strands end to either side of where a trailer’s legs begin, mm: uneven looks better than
 * even (1/4 in).
 */
export const SKIRT_UNEVEN = 6.4;
/** Where most strands end, over where the trailer’s legs begin, mm: its meat covered, its legs to be seen. */
export const SKIRT_ENDS: Limits = { good: [-6.4, 6.4], tight: [-13, 13] };
/** How uneven a skirt’s ends may be, mm. */
export const UNEVEN: Limits = { good: [3, 13], tight: [1, 20] };

/** Fish per bait, by toughness, bare and well seated (index: only their order is meant). */
export const LASTS: Readonly<Record<Toughness, number>> = { soft: 2, standard: 4, stretchy: 12 };
/** What is left of that where the point tears out through the body each time (index). */
export const TORN = 0.6;
