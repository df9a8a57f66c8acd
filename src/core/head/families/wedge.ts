import type { Family } from '../family.ts';
import { BELLY, proportion, SHOULDER, threeSizes } from '../family.ts';
import { egg, eggBreaks } from './egg.ts';

/** A rounded wedge: seen from above a bullet, from the side it runs down to a low broad nose. */
export const wedge: Family = {
  key: 'wedge',
  name: 'Rounded wedge',
  alsoCalled: ['flipping', 'pitching'],
  group: 'cover',
  purpose:
    'A little of everything: rock, wood, grass, mud and docks; skips well. The one to own if only one.',
  badAt: 'Best at nothing.',
  dimensions: [
    ...threeSizes([4, 14, 45], [3, 11, 40], [3, 10, 40]),
    proportion(
      'nose',
      'Height of nose',
      'share',
      [0.1, 0.4, 0.9],
      'Height just behind the rounded nose, as a share of the whole height.',
    ),
    proportion(
      'corners',
      'Fullness of section',
      'number',
      [1.6, 2.4, 4],
      '2 is an oval section, more fills its corners.',
    ),
    SHOULDER(0.2, 0.35, 0.6),
    BELLY,
  ],
  profile: ({
    length = 0,
    breadth = 0,
    height = 0,
    nose = 0.4,
    corners = 2.4,
    shoulder = 0.35,
    belly = 0.5,
  }) => {
    const swell = egg(length, { shoulder, rear: 0.35, bluntness: 1 });
    return {
      length,
      breaks: eggBreaks(length, shoulder),
      section: (x) => {
        const s = swell(x);
        const u = Math.max(0, (x / length - shoulder) / (1 - shoulder));
        const low = s * (1 - (1 - nose) * u);
        return {
          b: (breadth / 2) * s,
          t: height * (1 - belly) * low,
          d: height * belly * low,
          nt: corners,
          nb: corners,
        };
      },
    };
  },
  start: { hook: { size: '4/0' }, eye: { angle: 45, plane: 'crosswise', setback: 0.25 }, guard: 'fibre' },
};
