import type { Family } from '../family.ts';
import { BELLY, proportion, size } from '../family.ts';
import { EMPTY_SECTION } from '../profile.ts';

/**
 * A cone that runs from its shoulder to the nose, with a half-ellipsoid behind the shoulder. The nose follows
 * the power law r = (distance from the tip)^p; p = 1 is a true cone (closed form π·b·h/3 per unit of length),
 * p = 1/2 a paraboloid. Bluntness 0..1 moves p from 1 to 1/2.
 */
export const pointed: Family = {
  key: 'pointed',
  name: 'Pointed cone',
  alsoCalled: ['cone', 'bullet', 'arrow'],
  group: 'cover',
  purpose: 'Grass, reeds and matted cover: it parts stems. Goes with a heavy hook.',
  badAt: 'Rock: it drives into cracks and stays there, and it digs in where others skip.',
  dimensions: [
    size('length', 'Length', [4, 16, 60], 'Along the shank, rear face to nose.'),
    size('breadth', 'Breadth', [2, 9, 40], 'Across the shank at the shoulder.'),
    size('height', 'Height', [2, 9, 40], 'Belly to crown at the shoulder.'),
    proportion(
      'shoulder',
      'Shoulder',
      'share',
      [0.15, 0.3, 0.6],
      'Where the head is fullest, as a share of its length from the rear.',
    ),
    proportion(
      'bluntness',
      'Bluntness of nose',
      'share',
      [0, 0.3, 1],
      '0 is a sharp cone, 1 a rounded bullet nose.',
    ),
    BELLY,
  ],
  profile: (dimensions) => {
    const { length = 0, breadth = 0, height = 0, shoulder = 0.3, bluntness = 0.3, belly = 0.5 } = dimensions;
    const split = shoulder * length;
    const power = 1 - bluntness / 2;
    return {
      length,
      breaks: [0, split, length],
      section: (x) => {
        if (!(x > 0 && x < length)) return EMPTY_SECTION;
        const swell =
          x < split ? Math.sqrt(1 - ((split - x) / split) ** 2) : ((length - x) / (length - split)) ** power;
        return {
          b: (breadth / 2) * swell,
          t: height * (1 - belly) * swell,
          d: height * belly * swell,
          nt: 2,
          nb: 2,
        };
      },
    };
  },
};
