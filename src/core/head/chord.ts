import { isPlain } from './body.ts';
import type { HeadBody } from './body.ts';
import { loft } from './loft.ts';
import type { MeshQuality } from './loft.ts';
import { massProperties } from './mesh.ts';
import type { Profile, Section } from './profile.ts';
import { sectionRadius, stationsAlong } from './profile.ts';

/** Fewest and most rings and corners: below, nothing is round; above, a file holds nothing a mould shows. */
const [LEAST, MOST] = [16, 960];
/**
 * Share of what is asked for that the body keeps to: the enlargement moves corners out by up to a chord, and
 * where most of a body is cut away it stands elsewhere than what it makes up for.
 */
const STRICTER = 0.6;
/** What is round in features is not enlarged to its volume, and is made by so much finer. */
const ROUNDER = 3;
/** Sections along a head whose edges are looked at. */
const SECTIONS = 24;
/** Places between two corners, and directions between two rings, at which they are. */
const BETWEEN = [0.1, 0.25, 0.5, 0.75, 0.9] as const;
const DIRECTIONS = Array.from({ length: 12 }, (_, i) => {
  const turn = -Math.PI / 2 + (Math.PI * (i + 0.5)) / 12;
  return [Math.cos(turn), Math.sin(turn)] as const;
});

/**
 * Fineness of a head's facets at which none lies farther than `chord` (mm) from the surface it stands for,
 * and at which they hold its volume: as few rings and corners as that takes, enlarged across the shank by
 * what straight lines between rings leave out (less than the chord).
 */
export function qualityWithin(head: HeadBody, chord: number): MeshQuality {
  const { profile } = head;
  const half = profile.length / 2;
  const round = cornersWithin([{ b: half, t: half, d: half, nt: 2, nb: 2 }], chord / ROUNDER);
  if (head.mesh) return { rings: LEAST, corners: round, round };
  const sections = stationsAlong(profile, SECTIONS).map(profile.section);
  const asked = chord * STRICTER;
  const corners = cornersWithin(sections, asked);
  const rings = leastWithin((count) => ringChord(profile, count), asked);
  const collar = isPlain(head) ? head.collar : undefined;
  const volume = (count: number) => massProperties(loft(profile, collar, { rings: count, corners })).volume;
  const [few, many] = [volume(rings), volume(2 * rings)];
  // What is left out goes with the square of the distance of rings: of twice as many a quarter (Richardson).
  const whole = many + (many - few) / 3;
  return { rings, corners, round, stretch: Math.sqrt(whole / few) };
}

/**
 * The fewest corners, a multiple of four, whose chords lie no farther than `chord` within any of some
 * sections' edges.
 */
const cornersWithin = (sections: readonly Section[], chord: number): number =>
  4 *
  Math.ceil(
    leastWithin((count) => Math.max(...sections.map((section) => edgeChord(section, count))), chord) / 4,
  );

/**
 * The least count, in steps of an eighth, at which an error that falls with it is within bounds; the most
 * where none is.
 */
function leastWithin(errorAt: (count: number) => number, bound: number): number {
  for (let count = LEAST; count < MOST; count = Math.ceil(count * 1.125))
    if (errorAt(count) <= bound) return count;
  return MOST;
}

/** How far the chords between so many corners of a section lie within its edge, at most, mm. */
function edgeChord({ b, t, d, nt, nb }: Section, corners: number): number {
  const quarter = Math.ceil(corners / 4);
  let worst = 0;
  for (const [h, n] of [
    [t, nt],
    [d, nb],
  ] as const) {
    const at = (k: number): readonly [number, number] => {
      const turn = (Math.PI * k) / (2 * quarter);
      return [b * Math.cos(turn) ** (2 / n), h * Math.sin(turn) ** (2 / n)];
    };
    for (let k = 0; k < quarter; k++) {
      const [from, to] = [at(k), at(k + 1)];
      const [u, v] = [to[0] - from[0], to[1] - from[1]];
      const length = Math.hypot(u, v);
      if (length === 0) continue;
      for (const share of BETWEEN) {
        const [y, z] = at(k + share);
        worst = Math.max(worst, Math.abs(u * (z - from[1]) - v * (y - from[0])) / length);
      }
    }
  }
  return worst;
}

/** How far straight lines between so many rings lie from a profile's surface, at most, mm. */
function ringChord(profile: Profile, rings: number): number {
  const xs = stationsAlong(profile, rings);
  let worst = 0;
  for (let i = 1; i < xs.length; i++) {
    const [from, to] = [xs[i - 1] ?? 0, xs[i] ?? 0];
    const [rear, front] = [profile.section(from), profile.section(to)];
    for (const share of BETWEEN) {
      const middle = profile.section(from + (to - from) * share);
      for (const [y, z] of DIRECTIONS) {
        const [r0, r1] = [sectionRadius(rear, y, z), sectionRadius(front, y, z)];
        const off = Math.abs(sectionRadius(middle, y, z) - (r0 + (r1 - r0) * share));
        // Square to the line, which lies steep at a round end.
        worst = Math.max(worst, (off * (to - from)) / Math.hypot(to - from, r1 - r0));
      }
    }
  }
  return worst;
}
