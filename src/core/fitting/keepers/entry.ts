import { numberAt } from '../../numeric/at.ts';
import type { Profile } from '../../head/profile.ts';
import { innerRadius } from '../../head/profile.ts';
import { findRoot } from '../../numeric/root.ts';

/**
 * How far in, as a share of the length, a bar may have entered at the latest: in front of that there would be
 * no room for the hook.
 */
const DEEPEST = 0.65;
const STEPS = 60;
const places = ({ length }: Profile) =>
  Array.from({ length: STEPS + 1 }, (_, i) => (DEEPEST * length * i) / STEPS);

/**
 * Diameter of the thickest round bar on the shank line that can enter a head all round from its rear face,
 * mm.
 */
export const widestEntry = (profile: Profile): number =>
  2 * Math.max(...places(profile).map((x) => innerRadius(profile.section(x))));

/**
 * How far in from the rear face a round bar of radius r on the shank line has entered the head all round;
 * undefined when it never has.
 */
export function entryOf(profile: Profile, r: number): number | undefined {
  const slack = (x: number) => innerRadius(profile.section(x)) - r;
  // A full flat face takes the bar at once; just inside it, so that the face itself belongs to the head.
  if (slack(0) > 0) return Math.min(1e-3, profile.length / 100);
  const xs = places(profile);
  for (let i = 1; i < xs.length; i++) {
    const [a, b] = [numberAt(xs, i - 1), numberAt(xs, i)];
    if (slack(b) <= 0) continue;
    const root = findRoot(slack, a, b, 1e-9);
    return root.ok ? Math.max(root.x, 1e-6) : Math.max(a, 1e-6);
  }
  return undefined;
}
