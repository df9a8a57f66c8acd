import { fullness, halfMoment, quarterInertia } from '../numeric/superellipse.ts';

/**
 * One cross-section of a head, seen along the shank: above the shank line |y/b|^nt + |z/t|^nt = 1, below it
 * likewise with d and nb. Lengths in mm.
 */
export interface Section {
  /** half-breadth */
  readonly b: number;
  /** rise above the shank line */
  readonly t: number;
  /** drop below the shank line */
  readonly d: number;
  /** superellipse exponent above; 2 is round, 1 a diamond, 4 nearly square */
  readonly nt: number;
  /** superellipse exponent below */
  readonly nb: number;
}

/** A head body as stations along the shank: x from 0 (rear face) to `length` (nose). */
export interface Profile {
  readonly length: number;
  /** Where the outline has a kink or a change of rule; starts with 0, ends with `length`, rising. */
  readonly breaks: readonly number[];
  /** Section at x; x outside 0..length gives a section of no size. */
  readonly section: (x: number) => Section;
}

/** A section without any area. */
export const EMPTY_SECTION: Section = { b: 0, t: 0, d: 0, nt: 2, nb: 2 };

/** Area of a section, mm². */
export function sectionArea({ b, t, d, nt, nb }: Section): number {
  return 2 * b * (t * fullness(nt) + d * fullness(nb));
}

/** First moment of a section's area about the shank line, ∫ z dA, mm³. */
export function sectionMoment({ b, t, d, nt, nb }: Section): number {
  return b * (t * t * halfMoment(nt) - d * d * halfMoment(nb));
}

/**
 * Share of its height or drop at which a section's edge stands `side` half-breadths from the middle; 0 beyond
 * its side.
 */
const edgeShare = (side: number, n: number): number => {
  if (side >= 1) return 0;
  return n === 2 ? Math.sqrt(1 - side * side) : (1 - side ** n) ** (1 / n);
};

/** Height of a section's edge above the shank line, y from the middle, mm; 0 where there is none. */
export function riseAt({ b, t, nt }: Section, y: number): number {
  return b > 0 && t > 0 ? t * edgeShare(Math.abs(y) / b, nt) : 0;
}

/** Depth of a section's edge below the shank line, y from the middle, mm; 0 where there is none. */
export function dropAt({ b, d, nb }: Section, y: number): number {
  return b > 0 && d > 0 ? d * edgeShare(Math.abs(y) / b, nb) : 0;
}

/** Second moment of a section's area about the shank line, ∫ (y² + z²) dA, mm⁴. */
export function sectionRoll({ b, t, d, nt, nb }: Section): number {
  const half = (h: number, n: number) => 2 * quarterInertia(n) * b * h * (b * b + h * h);
  return half(t, nt) + half(d, nb);
}

/** Distance from the shank line to the section's edge in the direction (cos φ, sin φ) of (y, z), mm. */
export function sectionRadius({ b, t, d, nt, nb }: Section, cosine: number, sine: number): number {
  const [h, n] = sine >= 0 ? [t, nt] : [d, nb];
  if (b <= 0 || h <= 0) return 0;
  // Not Math.hypot, which is many times slower.
  if (n === 2) return 1 / Math.sqrt((cosine / b) ** 2 + (sine / h) ** 2);
  return (Math.abs(cosine / b) ** n + Math.abs(sine / h) ** n) ** (-1 / n);
}

/**
 * Radius of the largest bar on the shank line that a section holds all round, mm. From exponent 2 on a
 * superellipse is nearest on an axis; below, the least of (|cos φ/b|^n + |sin φ/h|^n)^(−1/n) is (b^−m +
 * h^−m)^(−1/m), m = 2n/(2 − n) (Hölder’s inequality).
 */
export function innerRadius({ b, t, d, nt, nb }: Section): number {
  const half = (h: number, n: number) => {
    const [low, high] = b < h ? [b, h] : [h, b];
    if (n >= 2 || low <= 0) return Math.max(0, low);
    const m = (2 * n) / (2 - n);
    return low * (1 + (low / high) ** m) ** (-1 / m);
  };
  return Math.min(half(t, nt), half(d, nb));
}

/** Whether the point (y, z) lies within the section. */
export function sectionHolds({ b, t, d, nt, nb }: Section, y: number, z: number): boolean {
  const [h, n] = z >= 0 ? [t, nt] : [d, nb];
  if (b <= 0 || h <= 0) return false;
  const [u, v] = [Math.abs(y / b), Math.abs(z / h)];
  const isInEllipse = u * u + v * v <= 1;
  // A fuller section holds its ellipse, a leaner one lies within it: powers, which are slow, are only for
  // what is between.
  if (n === 2 || isInEllipse === n > 2) return isInEllipse;
  return u ** n + v ** n <= 1;
}

/**
 * x-values through a profile, close together where rounded ends turn fast; about `count` intervals shared out
 * by length.
 */
export function stationsAlong(profile: Profile, count: number): number[] {
  const xs: number[] = [0];
  for (let i = 1; i < profile.breaks.length; i++) {
    const from = profile.breaks[i - 1] ?? 0;
    const to = profile.breaks[i] ?? profile.length;
    // No piece gets fewer than a third of them, however short, since its end may be round.
    const steps = Math.max(Math.ceil(count / 3), Math.round((count * (to - from)) / profile.length));
    for (let k = 1; k <= steps; k++)
      xs.push(from + ((to - from) * (1 - Math.cos((Math.PI * k) / steps))) / 2);
  }
  return xs;
}
