import type { Family } from '../family.ts';
import { size } from '../family.ts';
import { EMPTY_SECTION } from '../profile.ts';

/** A sphere on the shank: closed form 4/3·π·r³. */
export const ball: Family = {
  key: 'ball',
  name: 'Round ball',
  alsoCalled: ['round', 'round head', 'ball head', 'ball jig'],
  group: 'bottom',
  purpose: 'Broken and chunk rock, steep banks, vertical and mid-water fishing, skipping.',
  isSphere: true,
  badAt: 'Long pauses: with no flat to stand on it falls on its side.',
  dimensions: [size('breadth', 'Breadth', [2, 9, 40], 'Diameter of the ball.')],
  profile: (dimensions) => {
    const radius = (dimensions['breadth'] ?? 0) / 2;
    return {
      length: 2 * radius,
      breaks: [0, 2 * radius],
      section: (x) => {
        const squared = x * (2 * radius - x);
        if (squared <= 0) return EMPTY_SECTION;
        const r = Math.sqrt(squared);
        return { b: r, t: r, d: r, nt: 2, nb: 2 };
      },
    };
  },
};
