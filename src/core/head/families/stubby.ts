import type { Family } from '../family.ts';
import { BELLY, proportion, swollen, threeSizes } from '../family.ts';

/** A small crosswise oval cut flat at its rear, so that a short stubby bait sits square against it. */
export const stubby: Family = {
  key: 'stubby',
  name: 'Small football',
  alsoCalled: ['mini football', 'finesse football'],
  group: 'bottom',
  purpose: 'Short stubby baits in deep water, current and rock rubble: it pivots when stopped.',
  badAt: 'Weed, which it gathers.',
  dimensions: [
    ...threeSizes([2, 6.5, 25], [3, 10, 30], [2, 7, 25]),
    proportion(
      'seat',
      'Flat at the rear',
      'share',
      [0.1, 0.25, 0.45],
      'How much of the oval is cut off behind, as a share of its whole length.',
    ),
    proportion(
      'ends',
      'Roundness of ends',
      'number',
      [1.2, 1.9, 3],
      '2 is a true oval, less points the ends, more squares them.',
    ),
    BELLY,
  ],
  profile: (dimensions) => {
    const { length = 0, seat = 0.25, ends = 2 } = dimensions;
    const whole = length / (1 - seat);
    const middle = length - whole / 2;
    return {
      length,
      breaks: [0, middle, length],
      section: (x) => {
        if (x < 0 || x > length) return swollen(0, dimensions);
        const u = (x - middle) / (whole / 2);
        return swollen(Math.sqrt(Math.max(0, 1 - u * u)), dimensions, ends);
      },
    };
  },
  start: {
    grams: 3.5,
    hook: { size: '1/0', style: 'short shank' },
    eye: { angle: 60, setback: 0.55 },
    keeper: 'wire',
  },
};
