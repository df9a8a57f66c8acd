import type { Family } from '../family.ts';
import { BELLY, proportion, swollen, threeSizes } from '../family.ts';

/** A slug pushed inside a tube bait: a rounded nose, a straight body and a tapered tail. */
export const tube: Family = {
  key: 'tube',
  name: 'Tube insert',
  alsoCalled: ['tube head', 'insert'],
  group: 'inside the bait',
  purpose: 'Inside a tube; a fatter head fattens the bait like a fish that lives on the bottom.',
  badAt: 'Leaving the bottom: it spirals down.',
  within: true,
  dimensions: [
    ...threeSizes([6, 18, 60], [2.5, 8, 30], [2.5, 8, 30]),
    proportion(
      'nose',
      'Rounded nose',
      'share',
      [0.1, 0.35, 0.6],
      'Length of the rounded nose, as a share of the whole.',
    ),
    proportion(
      'rear',
      'Rear',
      'share',
      [0.3, 0.6, 1],
      'Size of the tail end, as a share of the fullest section.',
    ),
    BELLY,
  ],
  profile: (dimensions) => {
    const { length = 0, nose = 0.35, rear = 0.6 } = dimensions;
    const split = (1 - nose) * length;
    return {
      length,
      breaks: [0, split, length],
      section: (x) => {
        if (x < 0 || x > length) return swollen(0, dimensions);
        if (x < split) return swollen(rear + (1 - rear) * (x / split), dimensions);
        const u = (x - split) / (length - split);
        return swollen(Math.sqrt(Math.max(0, 1 - u * u)), dimensions);
      },
    };
  },
  start: { hook: { size: '2/0', style: 'long shank' }, eye: { angle: 60, setback: 0.3 }, keeper: 'none' },
};
