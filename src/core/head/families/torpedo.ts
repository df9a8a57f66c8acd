import type { Family } from '../family.ts';
import { BELLY, proportion, swollen, threeSizes } from '../family.ts';

/**
 * A long round-nosed cylinder with a tapered tail; its eye stands two thirds back, so that the pull keeps the
 * nose sloping down.
 */
export const torpedo: Family = {
  key: 'torpedo',
  name: 'Torpedo',
  alsoCalled: ['cigar'],
  group: 'swimming',
  purpose: 'Deep water and fast retrieves that must stay down: the pull acts behind the front.',
  badAt: 'Shallow water.',
  dimensions: [
    ...threeSizes([8, 26, 80], [2.5, 8, 30], [2.5, 8, 30]),
    proportion(
      'nose',
      'Rounded nose',
      'share',
      [0.1, 0.25, 0.45],
      'Length of the rounded nose, as a share of the whole.',
    ),
    proportion(
      'tail',
      'Tapered tail',
      'share',
      [0.1, 0.35, 0.5],
      'Length of the taper behind, as a share of the whole.',
    ),
    proportion(
      'rear',
      'Rear face',
      'share',
      [0.2, 0.5, 0.95],
      'Size of the flat behind, as a share of the fullest section.',
    ),
    BELLY,
  ],
  profile: (dimensions) => {
    const { length = 0, nose = 0.25, tail = 0.35, rear = 0.5 } = dimensions;
    const [from, to] = [tail * length, (1 - nose) * length];
    return {
      length,
      breaks: [0, from, to, length],
      section: (x) => {
        if (x < 0 || x > length) return swollen(0, dimensions);
        if (x < from) return swollen(rear + (1 - rear) * Math.sin((Math.PI / 2) * (x / from)), dimensions);
        const u = Math.max(0, (x - to) / (length - to));
        return swollen(Math.sqrt(Math.max(0, 1 - u * u)), dimensions);
      },
    };
  },
  start: { grams: 14, hook: { size: '4/0' }, eye: { angle: 60, setback: 0.66 } },
};
