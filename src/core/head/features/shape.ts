import type { Manifold, ManifoldToplevel } from 'manifold-3d';
import type { Vec2 } from '../../numeric/vec.ts';
import type { FieldedKind } from '../../kind/registry.ts';
import type { Fields, Values } from '../../kind/field.ts';
import { halve } from '../../numeric/halve.ts';
import { findRoot } from '../../numeric/root.ts';
import type { Profile, Section } from '../profile.ts';
import { dropAt, riseAt } from '../profile.ts';

/** The span of a region over one place of the plan, z from lower to upper, mm. */
export type Span = readonly [lower: number, upper: number];

/**
 * A region of space joined to a head or cut out of it. It is given twice, once as columns for the quadrature
 * and for asking whether a point lies in it, and once as a solid for the solid library, so that each checks
 * the other. It is the same to left and right of the shank.
 */
export interface Shape {
  /** key of the feature, or of the fitting, that it comes from */
  readonly of: string;
  /** where its document says it, a JSON pointer */
  readonly path: string;
  /** true for what is cast in one with the head to hold the plastic: drag sees it as a stick, not as body */
  readonly isCollar?: boolean;
  /** true where it is meant to stay open, so that no wall is wanted there */
  readonly staysOpen?: boolean;
  /** true where every length of it is a share of the body's, so that it grows as the body does */
  readonly grows?: true;
  /** joined, or cut out */
  readonly sign: 1 | -1;
  /** reach along the shank, mm */
  readonly from: number;
  readonly to: number;
  /** places along the shank where its rule changes */
  readonly breaks: readonly number[];
  /**
   * distances from the middle, rising, at which its rule changes at x; the last is its half-width where it is
   * joined, nothing or 0 where it is not along the shank
   */
  readonly edges: (x: number) => readonly number[];
  /** its span over (x, y), or undefined where it is not, along the shank or across */
  readonly span: (x: number, y: number) => Span | undefined;
  /**
   * how low and how high a body can be at x on its account, mm: a cut leaves nothing beyond, and what is
   * joined does not stand beyond; not known where absent
   */
  readonly bounds?: (x: number) => Span;
  /**
   * the face that a cut leaves: where a place (y, z) of the body's surface at x that it takes away goes, mm;
   * undefined where it takes nothing. Given by cuts that only push the surface in
   */
  readonly face?: (x: number, y: number, z: number) => Vec2 | undefined;
  /** the same region as a solid of the library, `corners` about what is round; the caller deletes it */
  readonly solid: (kernel: ManifoldToplevel, corners: number) => Manifold;
  /** what to do when a mould cannot part with it, in words */
  readonly undercut?: string;
  /** its smallest detail, mm, with its name at the head of a sentence and where it is typed */
  readonly detail?: Detail;
  /** the edges it leaves inside the outlines of the views from the side and from above, mm */
  readonly drawn?: () => { readonly side?: readonly DrawnEdge[]; readonly top?: readonly DrawnEdge[] };
}

/** A small thing that a mould must fill or a press must show. */
export interface Detail {
  /** at the head of a sentence */
  readonly name: string;
  /** whether the name stands for several */
  readonly isMany: boolean;
  /** mm */
  readonly size: number;
  /** JSON pointer of what it is typed as */
  readonly path: string;
}

/** An edge inside an outline, mm; hidden ones are dashed. */
export interface DrawnEdge {
  readonly path: readonly Vec2[];
  readonly hidden: boolean;
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

/** Something that keeps a feature from being made. */
export interface Complaint {
  /** the field it is about; the whole where empty */
  readonly field: string;
  readonly message: string;
}

/** What a feature is checked against. */
export interface FeatureCheck extends FeatureGround {
  /** metal that must be left beside the shank's line, mm: half the wire and the least wall */
  readonly clear: number;
  /** every feature of the head by key, each with its fields */
  readonly others: Readonly<Record<string, object | undefined>>;
  readonly isGuarded: boolean;
}

/** A kind of feature: a cut or join that any drawn head can be given. One file each. */
export interface FeatureKind<K extends string = string, F extends Fields = Fields> extends FieldedKind {
  readonly key: K;
  readonly does: string;
  readonly fields: F;
  shape(spec: Values<F>, ground: FeatureGround): Shape;
  /** What is wrong with it in this head, each with its remedy. */
  check(spec: Values<F>, ground: FeatureCheck): Complaint[];
}

/** Returns a kind of feature as it is, its key kept as a type. */
export const featureKind = <const K extends string, const F extends Fields>(
  kind: FeatureKind<K, F>,
): FeatureKind<K, F> => kind;

/** Places along a head at which an edge is drawn, mm. */
export const drawnAlong = (length: number): number[] =>
  Array.from({ length: 41 }, (_, i) => (length * (i + 0.002)) / 40.1);

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
  return alongShank(
    kernel,
    [
      [y0, z0],
      [y1, z0],
      [y1, z1],
      [y0, z1],
    ],
    x0,
    x1,
  );
}

/** Strips of a half-section, or of the part of it asked about, in which a meeting is looked for. */
const STRIPS = 10;

/**
 * Distances from the middle, mm, at which a section's edge passes through a surface z = above(y) on its upper
 * side and z = below(y) on its lower side, between `within` and `out` from the middle: there a cut's rule
 * changes. Two passages within one strip cancel and are missed together.
 */
export function meetings(
  section: Section,
  above: (y: number) => number,
  below: (y: number) => number = above,
  out = section.b,
  within = 0,
): number[] {
  const found: number[] = [];
  const start = Math.max(0, within);
  const wide = Math.min(section.b, out) - start;
  if (!(wide > 0)) return found;
  const gaps = [(y: number) => riseAt(section, y) - above(y), (y: number) => dropAt(section, y) + below(y)];
  for (const gap of gaps) {
    let before = gap(start);
    for (let strip = 1; strip <= STRIPS; strip++) {
      const [from, to] = [start + (wide * (strip - 1)) / STRIPS, start + (wide * strip) / STRIPS];
      const after = gap(to);
      if (before === 0 || after === 0 || before < 0 !== after < 0) {
        const met = findRoot(gap, from, to, 1e-6 * wide);
        if (met.ok) found.push(met.x);
      }
      before = after;
    }
  }
  return found.sort((m, n) => m - n);
}

/** Halvings of a step along the head: to a part in a hundred million of its length. */
const HALVINGS = 22;

/** Places along a head where a width that is nothing at first begins, or ends. */
export function endsOf(width: (x: number) => number, length: number): number[] {
  const ends: number[] = [];
  const steps = 24;
  let there = width(0) > 0;
  for (let i = 1; i <= steps; i++) {
    const [low, high] = [(length * (i - 1)) / steps, (length * i) / steps];
    const was = there;
    there = width(high) > 0;
    if (there === was) continue;
    const [last, next] = halve(low, high, HALVINGS, (x) => width(x) > 0 === was);
    ends.push((last + next) / 2);
  }
  return ends;
}
