import { arcFromTip, cutterKind, HAIR } from './cutter.ts';

/** A ball cutter's neck, as a share of its ball. */
const NECK = 0.4;

/** A ball on a thin neck, which cuts under itself. */
export const ball = cutterKind({
  key: 'ball',
  name: 'ball',
  outline: (radius, reach) => [
    ...arcFromTip(radius, Math.PI - Math.asin(NECK)),
    [NECK * radius, Math.max(reach, radius + radius * Math.sqrt(1 - NECK ** 2) + HAIR)],
  ],
});
