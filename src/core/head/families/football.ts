import type { Family } from '../family.ts';
import { BELLY, proportion, size } from '../family.ts';
import { EMPTY_SECTION } from '../profile.ts';

/**
 * An oval set crosswise on the shank. Its outline from the side is an ellipse; every section is a
 * superellipse of one exponent: 2 makes it an ellipsoid (closed form π/6·length·breadth·height), less points
 * the ends.
 */
export const football: Family = {
  key: 'football',
  name: 'Football',
  alsoCalled: ['football head', 'rugby'],
  group: 'bottom',
  purpose: 'Gravel, clay, ledges, points and rock rubble; stays upright through long pauses.',
  badAt: 'Grass, which it rakes, and brush.',
  isBroad: true,
  dimensions: [
    size('breadth', 'Breadth', [3, 15, 50], 'Across the shank, end to end.'),
    size('length', 'Length', [2, 9, 40], 'Along the shank, rear face to nose.'),
    size('height', 'Height', [2, 9, 40], 'Through the shank, belly to crown.'),
    proportion(
      'ends',
      'Roundness of ends',
      'number',
      [1.2, 1.8, 3],
      '2 is a true oval, less points the ends, more squares them.',
    ),
    BELLY,
  ],
  profile: (dimensions) => {
    const { breadth = 0, length = 0, height = 0, ends = 2, belly = 0.5 } = dimensions;
    return {
      length,
      breaks: [0, length],
      section: (x) => {
        const u = (2 * x) / length - 1;
        if (!(u > -1 && u < 1)) return EMPTY_SECTION;
        const swell = Math.sqrt(1 - u * u);
        return {
          b: (breadth / 2) * swell,
          t: height * (1 - belly) * swell,
          d: height * belly * swell,
          nt: ends,
          nb: ends,
        };
      },
    };
  },
};
