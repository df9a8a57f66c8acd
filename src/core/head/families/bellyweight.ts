import type { Family } from '../family.ts';
import { proportion, threeSizes } from '../family.ts';
import { slugProfile } from './slug.ts';

/** A weight cast on the shank that hangs below it, with a little metal around the wire above. */
export const bellyweight: Family = {
  key: 'bellyweight',
  name: 'Belly weight',
  alsoCalled: ['belly weighted', 'weighted hook', 'belly weight hook'],
  group: 'inside the bait',
  purpose: 'On the shank of a weedless hook: the bait swims level and falls flat.',
  badAt: 'Soft plastic, which splits over it; take a tough stretchy one.',
  within: true,
  dimensions: [
    ...threeSizes([4, 13, 45], [2, 5, 20], [2.5, 7, 25]),
    proportion(
      'ends',
      'Rounded ends',
      'share',
      [0.15, 0.4, 0.5],
      'Length of each rounded end, as a share of the whole.',
    ),
    proportion(
      'belly',
      'Below the shank',
      'share',
      [0.6, 0.75, 0.85],
      'Share of the height that hangs below the shank.',
    ),
  ],
  profile: slugProfile,
  start: {
    grams: 3.5,
    hook: { size: '5/0', style: 'wide gap' },
    eye: { angle: 0, plane: 'in line', setback: -0.5 },
    keeper: 'none',
  },
};
