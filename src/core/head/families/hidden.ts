import type { Family } from '../family.ts';
import { BELLY, proportion, threeSizes } from '../family.ts';
import { slugProfile } from './slug.ts';

/** A slim slug on the shank, wholly inside the plastic. The eye stands in front of the metal. */
export const hidden: Family = {
  key: 'hidden',
  name: 'Hidden weight',
  alsoCalled: ['inside weight', 'internal'],
  group: 'inside the bait',
  purpose: 'Wary fish and a slow natural fall: nothing shows.',
  badAt: 'Depth and current: there is no room for much metal.',
  within: true,
  dimensions: [
    ...threeSizes([4, 14, 50], [1.8, 4.5, 20], [1.8, 4.5, 20]),
    proportion(
      'ends',
      'Rounded ends',
      'share',
      [0.1, 0.3, 0.5],
      'Length of each rounded end, as a share of the whole.',
    ),
    BELLY,
  ],
  profile: slugProfile,
  start: {
    grams: 2,
    hook: { size: '3/0' },
    eye: { angle: 0, plane: 'in line', setback: -0.6 },
    keeper: 'none',
  },
};
