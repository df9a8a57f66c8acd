import type { Family } from '../family.ts';
import { BELLY, proportion, threeSizes } from '../family.ts';
import { EMPTY_SECTION } from '../profile.ts';

/** A long oval across the shank, nearly a bar with rounded ends: mass far out from the centre line. */
export const roller: Family = {
  key: 'roller',
  name: 'Crosswise roller',
  alsoCalled: ['crosswise'],
  group: 'swimming',
  isBroad: true,
  purpose: 'Straight retrieves with a paddle-tail: mass out from the centre line adds roll.',
  badAt: 'Cracks, stems and anything narrow.',
  dimensions: [
    ...threeSizes([2, 6, 25], [5, 20, 60], [2, 6, 25]),
    proportion(
      'ends',
      'Fullness of ends',
      'number',
      [2, 3.2, 6],
      '2 is an oval, more makes it a bar with rounded ends.',
    ),
    BELLY,
  ],
  profile: ({ length = 0, breadth = 0, height = 0, ends = 3.2, belly = 0.5 }) => ({
    length,
    breaks: [0, length],
    section: (x) => {
      const u = (2 * x) / length - 1;
      if (!(u > -1 && u < 1)) return EMPTY_SECTION;
      // The bar keeps its breadth while its section stays round: the half-breadth follows the same exponent
      // as the ends.
      const wide = (1 - Math.abs(u) ** ends) ** (1 / ends);
      const high = Math.sqrt(1 - u * u);
      return {
        b: (breadth / 2) * wide,
        t: height * (1 - belly) * high,
        d: height * belly * high,
        nt: ends,
        nb: ends,
      };
    },
  }),
  start: { hook: { size: '4/0' }, eye: { angle: 60, setback: 0.5 } },
};
