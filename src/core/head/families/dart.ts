import type { Family } from '../family.ts';
import { proportion, SHOULDER, threeSizes } from '../family.ts';
import { egg, eggBreaks } from './egg.ts';

/**
 * A keeled dart: V-shaped below, flat on the keel, its cheeks hollowed, so that no path through the water is
 * straight.
 */
export const dart: Family = {
  key: 'dart',
  name: 'Keeled dart',
  alsoCalled: ['darter'],
  group: 'swimming',
  purpose: 'Twitched: it shoots off in random directions, for fish that ignore steadier baits.',
  badAt: 'Straight retrieves: flat planes give no straight path.',
  dimensions: [
    ...threeSizes([5, 16, 50], [3, 9, 35], [3, 10, 35]),
    proportion('keel', 'Keel', 'number', [1, 1.3, 2], 'Exponent of the section below: 1 is a V, 2 is round.'),
    proportion(
      'flat',
      'Flat of the keel',
      'share',
      [0.02, 0.15, 0.5],
      'How much of the drop is cut off flat below.',
    ),
    proportion(
      'cheek',
      'Hollow of the cheeks',
      'share',
      [0.02, 0.3, 0.6],
      'Depth of the hollow in each side, as a share of the half-breadth.',
    ),
    SHOULDER(0.25, 0.4, 0.6),
    proportion(
      'belly',
      'Below the shank',
      'share',
      [0.4, 0.6, 0.75],
      'Share of the height below the shank, before the keel is cut flat.',
    ),
  ],
  profile: ({ length = 0, breadth = 0, height = 0, keel = 1.3, shoulder = 0.4, belly = 0.6 }) => {
    const swell = egg(length, { shoulder, rear: 0.3, bluntness: 0.3 });
    return {
      length,
      breaks: eggBreaks(length, shoulder),
      section: (x) => {
        const s = swell(x);
        return { b: (breadth / 2) * s, t: height * (1 - belly) * s, d: height * belly * s, nt: 2, nb: keel };
      },
    };
  },
  features: ({ flat = 0.15, cheek = 0.3, shoulder = 0.4 }) => ({
    sole: { cut: flat, tilt: 0 },
    cheeks: { depth: cheek, length: 0.7, at: shoulder },
  }),
  start: { hook: { size: '2/0' }, eye: { angle: 60, plane: 'in line', setback: 0.3 } },
};
