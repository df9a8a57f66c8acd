import type { Family } from '../family.ts';
import { BELLY, BLUNTNESS, proportion, SHOULDER, swollen, threeSizes } from '../family.ts';
import { egg, eggBreaks } from './egg.ts';

/** A bullet with a channel along its belly, which steadies it: it does not roll over. */
export const swimmer: Family = {
  key: 'swimmer',
  name: 'Channel belly',
  alsoCalled: ['swim', 'swimming', 'swim head'],
  group: 'swimming',
  purpose: 'Fast swimming and vertical fishing: the channel keeps it from rolling over.',
  badAt: 'Soft weed, which the channel gathers.',
  dimensions: [
    ...threeSizes([5, 16, 50], [3, 9.5, 35], [3, 10, 35]),
    proportion(
      'channel',
      'Channel width',
      'share',
      [0.1, 0.35, 0.7],
      'Width of the channel, as a share of the breadth.',
    ),
    proportion(
      'depth',
      'Channel depth',
      'share',
      [0.05, 0.3, 0.6],
      'Depth of the channel, as a share of the drop.',
    ),
    SHOULDER(0.25, 0.45, 0.7),
    BLUNTNESS(0.2, 0.8, 1),
    BELLY,
  ],
  profile: (dimensions) => {
    const { length = 0, shoulder = 0.45, bluntness = 0.8 } = dimensions;
    const swell = egg(length, { shoulder, rear: 0.45, bluntness });
    return {
      length,
      breaks: eggBreaks(length, shoulder),
      section: (x) => swollen(swell(x), dimensions, 2, 2.4),
    };
  },
  features: ({ channel = 0.35, depth = 0.3 }) => ({ channel: { width: channel, depth } }),
  start: { hook: { size: '4/0' }, eye: { angle: 45, plane: 'in line', setback: 0.25 } },
};
