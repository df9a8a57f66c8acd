import type { Family } from '../family.ts';
import { BELLY, BLUNTNESS, proportion, size, SHOULDER, swollen, threeSizes } from '../family.ts';
import { egg, eggBreaks } from './egg.ts';

/** A slim head with a fin on either side and the eye on top: snapped up, it glides aside as it falls. */
export const glider: Family = {
  key: 'glider',
  name: 'Fin glider',
  alsoCalled: ['glide', 'gliding'],
  group: 'vertical',
  isBroad: true,
  purpose: 'Snapped with a full fall between snaps: it glides a metre to the left and right.',
  badAt: 'Slack boat control; the fins catch on the roll.',
  dimensions: [
    ...threeSizes([6, 16, 50], [2.5, 7, 30], [2.5, 7, 30]),
    proportion(
      'fin',
      'Fin',
      'share',
      [0.2, 0.8, 2],
      'How far each fin stands out, as a share of the half-breadth.',
    ),
    proportion(
      'chord',
      'Fin along the head',
      'share',
      [0.2, 0.5, 0.9],
      'Length of the fin at its root, as a share of the head.',
    ),
    {
      ...size(
        'plate',
        'Fin thickness',
        [0.5, 1, 4],
        'Thickness of the fins; it does not grow with the head.',
      ),
      scales: false,
    },
    SHOULDER(0.25, 0.5, 0.7),
    BLUNTNESS(0.2, 0.8, 1),
    BELLY,
  ],
  profile: (dimensions) => {
    const { length = 0, shoulder = 0.5, bluntness = 0.8 } = dimensions;
    const swell = egg(length, { shoulder, rear: 0.35, bluntness });
    return { length, breaks: eggBreaks(length, shoulder), section: (x) => swollen(swell(x), dimensions) };
  },
  features: ({ fin = 0.8, chord = 0.5, plate = 1, shoulder = 0.5 }) => ({
    fins: {
      span: fin,
      length: chord,
      thickness: plate,
      at: Math.min(Math.max(shoulder, chord / 2), 1 - chord / 2),
    },
  }),
  start: {
    grams: 9,
    hook: { size: '2/0' },
    eye: { angle: 90, plane: 'in line', setback: 0.5 },
    keeper: 'wire',
  },
};
