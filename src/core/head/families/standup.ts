import type { Family } from '../family.ts';
import { BLUNTNESS, proportion, SHOULDER, swollen, threeSizes } from '../family.ts';
import { egg, eggBreaks } from './egg.ts';

/** A broad head with a flat sole to stand on. */
export const standup: Family = {
  key: 'standup',
  name: 'Stand-up',
  alsoCalled: ['stand up head', 'tip up', 'shaky'],
  group: 'bottom',
  purpose: 'Flat clean bottoms, pea gravel, ledge tops and level treads: it stands with the hook up.',
  badAt: 'Slopes of 45 to 60°, crossing branches, weed and crevices, where the broad head wedges.',
  dimensions: [
    ...threeSizes([4, 13, 45], [3, 11, 40], [3, 11, 40]),
    proportion(
      'sole',
      'Sole',
      'share',
      [0.05, 0.35, 0.7],
      'How much of the drop below the shank the flat takes off. More makes the sole larger.',
    ),
    proportion(
      'tilt',
      'Sole leans',
      'angle',
      [0, 12, 30],
      'The sole rises to the nose by this angle, so that the shank stands tail up by it.',
    ),
    SHOULDER(0.3, 0.55, 0.75),
    BLUNTNESS(0.2, 0.7, 1),
    proportion(
      'belly',
      'Below the shank',
      'share',
      [0.45, 0.62, 0.75],
      'Share of the height below the shank, before the sole is cut.',
    ),
  ],
  profile: (dimensions) => {
    const { length = 0, shoulder = 0.55, bluntness = 0.7 } = dimensions;
    const swell = egg(length, { shoulder, rear: 0.3, bluntness });
    return {
      length,
      breaks: eggBreaks(length, shoulder),
      section: (x) => swollen(swell(x), dimensions, 2, 2.4),
    };
  },
  features: ({ sole = 0.35, tilt = 12 }) => ({ sole: { cut: sole, tilt } }),
  start: { eye: { angle: 60, setback: 0.35 } },
};
