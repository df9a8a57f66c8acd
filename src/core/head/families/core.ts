import type { Family } from '../family.ts';
import { proportion, SHOULDER, swollen, threeSizes } from '../family.ts';
import { egg, eggBreaks } from './egg.ts';

/** A belly-heavy core that fills the nose of a hollow-bodied swimbait, its eye square on top. */
export const core: Family = {
  key: 'core',
  name: 'Hollow-body core',
  alsoCalled: ['hollow body'],
  group: 'inside the bait',
  purpose: 'Inside fully hollow swimbaits, dragged: nose down, tail up.',
  badAt: 'Solid or slit-belly baits, which it does not go into.',
  within: true,
  dimensions: [
    ...threeSizes([6, 20, 60], [3, 10, 35], [3, 11, 35]),
    SHOULDER(0.4, 0.6, 0.8),
    proportion(
      'bluntness',
      'Bluntness of nose',
      'share',
      [0.2, 0.6, 1],
      '0 is a cone to the nose, 1 a rounded bullet nose. Match it to the bait’s nose.',
    ),
    proportion(
      'belly',
      'Below the shank',
      'share',
      [0.5, 0.65, 0.8],
      'Share of the height that hangs below the shank.',
    ),
  ],
  profile: (dimensions) => {
    const { length = 0, shoulder = 0.6, bluntness = 0.6 } = dimensions;
    const swell = egg(length, { shoulder, rear: 0.25, bluntness });
    return {
      length,
      breaks: eggBreaks(length, shoulder),
      section: (x) => swollen(swell(x), dimensions, 2, 2.2),
    };
  },
  start: {
    grams: 14,
    hook: { size: '5/0' },
    eye: { angle: 90, plane: 'in line', setback: 0.45 },
    keeper: 'none',
  },
};
