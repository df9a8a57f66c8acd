import type { Family } from '../family.ts';
import { BELLY, BLUNTNESS, SHOULDER, swollen, threeSizes } from '../family.ts';
import { egg, eggBreaks } from './egg.ts';

/** A drop lying along the shank with its weight at the front. */
export const caster: Family = {
  key: 'caster',
  name: 'Weight-forward',
  alsoCalled: ['weight forward', 'casting'],
  group: 'swimming',
  purpose: 'Long casts: it flies nose first, and goes with a lighter hook.',
  badAt: 'Heavy cover.',
  dimensions: [
    ...threeSizes([5, 18, 60], [2.5, 8.5, 35], [2.5, 8.5, 35]),
    SHOULDER(0.55, 0.7, 0.85),
    BLUNTNESS(0.4, 1, 1),
    BELLY,
  ],
  profile: (dimensions) => {
    const { length = 0, shoulder = 0.7, bluntness = 1 } = dimensions;
    const swell = egg(length, { shoulder, rear: 0.28, bluntness });
    return {
      length,
      breaks: eggBreaks(length, shoulder),
      // The tail tapers straighter than a quarter ellipse would: the swell is squared behind the shoulder.
      section: (x) => {
        const s = swell(x);
        return swollen(x >= 0 && x < shoulder * length ? 0.28 + (s - 0.28) ** 2 / 0.72 : s, dimensions);
      },
    };
  },
  start: { eye: { angle: 45, setback: 0.3 }, hook: { size: '2/0' } },
};
