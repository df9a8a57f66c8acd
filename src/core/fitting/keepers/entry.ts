import type { Profile, Section } from '../../head/profile.ts';
import { sectionRadius } from '../../head/profile.ts';
import { findRoot } from '../../numeric/root.ts';

/** Directions over the left half of a section; left and right are alike. */
const AROUND = Array.from({ length: 65 }, (_, k) => {
  const turn = (Math.PI * k) / 64 - Math.PI / 2;
  return [Math.cos(turn), Math.sin(turn)] as const;
});

/** Radius of the largest bar on the shank line that a section holds all round, mm. A section rounder than a diamond is least along an axis only from exponent 2 on. */
export function innerRadius(section: Section): number {
  const { b, t, d, nt, nb } = section;
  const least = Math.min(b, t, d);
  if (nt >= 2 && nb >= 2) return least;
  return AROUND.reduce((found, [c, s]) => Math.min(found, sectionRadius(section, c, s)), least);
}

/** How far in, as a share of the length, a bar may have entered at the latest: in front of that there would be no room for the hook. */
const DEEPEST = 0.65;
const STEPS = 60;
const places = ({ length }: Profile) =>
  Array.from({ length: STEPS + 1 }, (_, i) => (DEEPEST * length * i) / STEPS);

/** Diameter of the thickest round bar on the shank line that can enter a head all round from its rear face, mm. */
export const widestEntry = (profile: Profile): number =>
  2 * Math.max(...places(profile).map((x) => innerRadius(profile.section(x))));

/** How far in from the rear face a round bar of radius r on the shank line has entered the head all round; undefined when it never has. */
export function entryOf(profile: Profile, r: number): number | undefined {
  const slack = (x: number) => innerRadius(profile.section(x)) - r;
  // A full flat face takes the bar at once; just inside it, so that the face itself belongs to the head.
  if (slack(0) > 0) return Math.min(1e-3, profile.length / 100);
  const xs = places(profile);
  for (let i = 1; i < xs.length; i++) {
    const [a, b] = [xs[i - 1] as number, xs[i] as number];
    if (slack(b) <= 0) continue;
    const root = findRoot(slack, a, b, 1e-9);
    return root.ok ? Math.max(root.x, 1e-6) : Math.max(a, 1e-6);
  }
  return undefined;
}
