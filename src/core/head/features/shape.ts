import type { Manifold, ManifoldToplevel } from 'manifold-3d';
import type { FeatureSpec } from '../../document/design.ts';
import { findRoot } from '../../numeric/root.ts';
import type { Profile, Section } from '../profile.ts';
import { dropAt, riseAt } from '../profile.ts';

export type FeatureKey = keyof FeatureSpec | 'collar' | 'recess';

/** The span of a region over one place of the plan, z from lower to upper, mm. */
export type Span = readonly [lower: number, upper: number];

/**
 * A region of space joined to a head or cut out of it. It is given twice, once as columns for the quadrature and for
 * asking whether a point lies in it, and once as a solid for the solid library, so that each checks the other. It is the same to left
 * and right of the shank.
 */
export interface Shape {
  readonly feature: FeatureKey;
  /** joined, or cut out */
  readonly sign: 1 | -1;
  /** reach along the shank, mm */
  readonly from: number;
  readonly to: number;
  /** places along the shank where its rule changes */
  readonly breaks: readonly number[];
  /** distances from the middle, rising, at which its rule changes at x; the last is its half-width where it is joined */
  readonly edges: (x: number) => readonly number[];
  /** its span over (x, y), or undefined where it is not */
  readonly span: (x: number, y: number) => Span | undefined;
  /** the same region as a solid of the library, `corners` about what is round; the caller deletes it */
  readonly solid: (kernel: ManifoldToplevel, corners: number) => Manifold;
  /** what to do when a mould cannot part with it, in words */
  readonly undercut?: string;
}

/** What a feature is given to shape itself by. */
export interface FeatureGround {
  readonly profile: Profile;
  /** greatest half-breadth, rise and drop of the body, mm */
  readonly half: number;
  readonly rise: number;
  readonly drop: number;
  /** diameter of the hook's wire, mm */
  readonly wire: number;
}

/** A margin well outside any head, mm: cuts that are open to one side reach this far. */
export const FAR = 500;

/** Factor on a circle's radius that gives its polygon of so many corners the area of the circle. */
export const roundStretch = (corners: number): number =>
  Math.sqrt((2 * Math.PI) / corners / Math.sin((2 * Math.PI) / corners));

/** An outline in (y, z) drawn out along the shank from x0 to x1. Anticlockwise seen from the nose. */
export function alongShank(
  kernel: ManifoldToplevel,
  outline: readonly (readonly [number, number])[],
  x0: number,
  x1: number,
): Manifold {
  const { Manifold } = kernel;
  const upright = Manifold.extrude(
    outline.map(([y, z]): [number, number] => [y, z]),
    x1 - x0,
  );
  // The library draws out along its own z: that becomes our x, its x our y, its y our z.
  const turned = upright.transform([0, 1, 0, 0, 0, 0, 1, 0, 1, 0, 0, 0, x0, 0, 0, 1]);
  upright.delete();
  return turned;
}

/** A box between two corners. */
export function box(
  kernel: ManifoldToplevel,
  [x0, y0, z0]: readonly [number, number, number],
  [x1, y1, z1]: readonly [number, number, number],
): Manifold {
  return alongShank(kernel, [[y0, z0], [y1, z0], [y1, z1], [y0, z1]], x0, x1); // prettier-ignore
}

/** Strips of a half-section in which a meeting is looked for. */
const STRIPS = 10;

/**
 * Distances from the middle, mm, at which a section's edge passes through a surface z = above(y) on its upper side and z = below(y)
 * on its lower side, no farther out than `out`: there a cut's rule changes. Two passages within one strip cancel and are missed together.
 */
export function meetings(
  section: Section,
  above: (y: number) => number,
  below: (y: number) => number = above,
  out = section.b,
): number[] {
  const found: number[] = [];
  const wide = Math.min(section.b, out);
  if (!(wide > 0)) return found;
  const gaps = [(y: number) => riseAt(section, y) - above(y), (y: number) => dropAt(section, y) + below(y)];
  for (const gap of gaps)
    for (let strip = 0; strip < STRIPS; strip++) {
      const met = findRoot(gap, (wide * strip) / STRIPS, (wide * (strip + 1)) / STRIPS, 1e-6 * wide);
      if (met.ok) found.push(met.x);
    }
  return found.sort((m, n) => m - n);
}

/** Places along a head where a width that is nothing at first begins, or ends. */
export function endsOf(width: (x: number) => number, length: number): number[] {
  const ends: number[] = [];
  const steps = 24;
  for (let i = 1; i <= steps; i++) {
    let [low, high] = [(length * (i - 1)) / steps, (length * i) / steps];
    const there = width(low) > 0;
    if (there === width(high) > 0) continue;
    for (let halving = 0; halving < 30; halving++) {
      const mid = (low + high) / 2;
      if (width(mid) > 0 === there) low = mid;
      else high = mid;
    }
    ends.push((low + high) / 2);
  }
  return ends;
}
