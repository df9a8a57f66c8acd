import type { Family } from '../family.ts';
import { BLUNTNESS, proportion, SHOULDER, swollen, threeSizes } from '../family.ts';
import { egg, eggBreaks } from './egg.ts';

/** A small drop for straight up and down, with two flats on its crown that send a sounder's beam back. */
export const drop: Family = {
  key: 'drop',
  name: 'Flat-spotted drop',
  alsoCalled: ['tear drop', 'teardrop'],
  group: 'vertical',
  purpose: 'Vertical fishing, under ice too: its flats return the beam, so that the sounder shows it well.',
  badAt: 'Swimming: it planes off on its flats.',
  dimensions: [
    ...threeSizes([2.5, 7, 30], [2, 5.5, 25], [2, 5.5, 25]),
    proportion(
      'flat',
      'Flats',
      'share',
      [0.05, 0.35, 0.7],
      'How much of the rise the flats take off at the ridge.',
    ),
    proportion(
      'slope',
      'Flats slope',
      'angle',
      [0, 15, 45],
      'How far each flat falls away from the ridge; 0 makes one flat.',
    ),
    SHOULDER(0.3, 0.5, 0.7),
    BLUNTNESS(0.3, 0.9, 1),
    proportion(
      'belly',
      'Below the shank',
      'share',
      [0.3, 0.5, 0.7],
      'Share of the height that hangs below the shank.',
    ),
  ],
  profile: (dimensions) => {
    const { length = 0, shoulder = 0.5, bluntness = 0.9 } = dimensions;
    const swell = egg(length, { shoulder, rear: 0.25, bluntness });
    return { length, breaks: eggBreaks(length, shoulder), section: (x) => swollen(swell(x), dimensions) };
  },
  features: ({ flat = 0.35, slope = 15 }) => ({ flats: { cut: flat, slope } }),
  start: {
    grams: 1.2,
    hook: { size: '#8' },
    eye: { angle: 90, plane: 'in line', setback: 0.6 },
    keeper: 'none',
  },
};
