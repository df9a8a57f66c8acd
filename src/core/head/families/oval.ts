import type { Family } from '../family.ts';
import { BELLY, BLUNTNESS, proportion, SHOULDER, swollen, threeSizes } from '../family.ts';
import { egg, eggBreaks } from './egg.ts';

/** A slim streamlined oval with a low eye, for worms and sticks. */
export const oval: Family = {
  key: 'oval',
  name: 'Slim oval',
  alsoCalled: ['minnow', 'slim'],
  group: 'cover',
  purpose: 'Brush, laydowns, bushes, dock cross-bars and grass: it comes up and over.',
  badAt: 'Standing: it lies on its side.',
  dimensions: [
    ...threeSizes([4, 15, 50], [2, 6.5, 30], [2, 7.5, 30]),
    proportion(
      'rear',
      'Rear face',
      'share',
      [0.2, 0.55, 0.9],
      'Size of the flat behind, as a share of the fullest section: match it to the worm.',
    ),
    SHOULDER(0.25, 0.45, 0.7),
    BLUNTNESS(0.2, 0.8, 1),
    BELLY,
  ],
  profile: (dimensions) => {
    const { length = 0, rear = 0.55, shoulder = 0.45, bluntness = 0.8 } = dimensions;
    const swell = egg(length, { shoulder, rear, bluntness });
    return { length, breaks: eggBreaks(length, shoulder), section: (x) => swollen(swell(x), dimensions) };
  },
  start: {
    hook: { size: '3/0', style: 'straight worm' },
    eye: { angle: 30, plane: 'in line', setback: 0.1 },
    keeper: 'barbs',
  },
};
