import { radians } from '../numeric/vec.ts';
import { cutterKind, HAIR } from './cutter.ts';

/** A point of some angle. */
export const cone = cutterKind({
  key: 'cone',
  name: 'cone',
  hasTip: true,
  outline: (radius, reach, tip) => {
    const height = radius / Math.tan(radians(tip / 2));
    return [
      [0, 0],
      [radius, height],
      [radius, Math.max(reach, height + HAIR)],
    ];
  },
});
