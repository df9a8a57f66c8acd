import type { Family } from '../family.ts';
import { BELLY, proportion, SHOULDER, threeSizes } from '../family.ts';
import { egg, eggBreaks } from './egg.ts';

/** A wedge with a brow that rises over the nose of the plastic and throws stems over it. */
export const hooded: Family = {
  key: 'hooded',
  name: 'Hooded wedge',
  alsoCalled: ['grass'],
  group: 'cover',
  purpose: 'Deep brush and soft weed where a football fouls; it also swims.',
  badAt: 'Standing up, and bare rock, where the brow catches as it falls back.',
  dimensions: [
    ...threeSizes([4, 15, 45], [3, 10, 40], [3, 9, 40]),
    proportion(
      'hood',
      'Hood',
      'share',
      [0, 0.35, 0.8],
      'How far the brow at the rear rises over the rest, as a share of the rise.',
    ),
    proportion(
      'nose',
      'Height of nose',
      'share',
      [0.05, 0.25, 0.7],
      'Height just behind the nose, as a share of the whole.',
    ),
    SHOULDER(0.25, 0.4, 0.6),
    BELLY,
  ],
  profile: ({
    length = 0,
    breadth = 0,
    height = 0,
    hood = 0.35,
    nose = 0.25,
    shoulder = 0.4,
    belly = 0.5,
  }) => {
    const swell = egg(length, { shoulder, rear: 0.55, bluntness: 0.7 });
    // The brow is what the greatest rise is measured at: the rest lies lower by it.
    const base = 1 / (1 + hood);
    return {
      length,
      breaks: eggBreaks(length, shoulder),
      section: (x) => {
        const s = swell(x);
        const u = Math.max(0, (x / length - shoulder) / (1 - shoulder));
        const brow = base * (1 + hood * Math.max(0, 1 - u * 1.6) ** 2);
        const low = s * (1 - (1 - nose) * u);
        return {
          b: (breadth / 2) * s,
          t: height * (1 - belly) * low * brow,
          d: height * belly * low,
          nt: 2,
          nb: 2.2,
        };
      },
    };
  },
  start: { hook: { size: '4/0' }, eye: { angle: 30, plane: 'in line', setback: 0.15 }, guard: 'fibre' },
};
