import type { Profile } from '../../head/profile.ts';
import { sectionRadius } from '../../head/profile.ts';
import { findRoot } from '../../numeric/root.ts';

/** How far in from the rear face a round bar of radius r on the shank line has entered the head all round; undefined when it never has. */
export function entryOf(profile: Profile, r: number): number | undefined {
  const slack = (x: number) => {
    const section = profile.section(x);
    let least = Infinity;
    for (let k = 0; k < 16; k++) {
      const turn = (Math.PI * k) / 8;
      least = Math.min(least, sectionRadius(section, Math.cos(turn), Math.sin(turn)));
    }
    return least - r;
  };
  // A full flat face takes the bar at once; just inside it, so that the face itself belongs to the head.
  if (slack(0) > 0) return Math.min(1e-3, profile.length / 100);
  const steps = 60;
  for (let i = 1; i < steps; i++) {
    const [a, b] = [((i - 1) / steps) * profile.length, (i / steps) * profile.length];
    if (slack(b) <= 0) continue;
    const root = findRoot(slack, a, b, 1e-9);
    return root.ok ? Math.max(root.x, 1e-6) : Math.max(a, 1e-6);
  }
  return undefined;
}
