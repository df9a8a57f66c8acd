import type { Family } from '../family.ts';
import { BELLY, proportion, swollen, threeSizes } from '../family.ts';

/**
 * A half dome with its flat to the plastic: a short straight rim behind, then a quarter ellipse to the nose.
 * Without a rim, breadth and height equal and the length half of them, it is a hemisphere (2/3·π·r³).
 */
export const mushroom: Family = {
  key: 'mushroom',
  name: 'Mushroom',
  alsoCalled: ['mushroom head', 'button'],
  group: 'bottom',
  purpose: 'Short stubby baits seated flush on its flat; floating plastic stands up on it at once.',
  badAt: 'Cover, when the point is bare.',
  dimensions: [
    ...threeSizes([1.5, 5, 25], [2.5, 9, 35], [2.5, 9, 35]),
    proportion(
      'rim',
      'Rim',
      'share',
      [0, 0.15, 0.5],
      'Straight part behind the dome, as a share of the length.',
    ),
    BELLY,
  ],
  profile: (dimensions) => {
    const { length = 0, rim = 0 } = dimensions;
    const split = rim * length;
    return {
      length,
      breaks: rim > 0 ? [0, split, length] : [0, length],
      section: (x) => {
        if (x < 0 || x > length) return swollen(0, dimensions);
        const u = Math.max(0, (x - split) / (length - split));
        return swollen(Math.sqrt(Math.max(0, 1 - u * u)), dimensions);
      },
    };
  },
  start: {
    grams: 3.5,
    hook: { size: '1/0' },
    eye: { angle: 90, plane: 'in line', setback: 0.6 },
    keeper: 'wire',
  },
};
