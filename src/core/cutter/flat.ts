import { cutterKind, HAIR } from './cutter.ts';

/** A flat end, square to the shank. */
export const flat = cutterKind({
  key: 'flat',
  name: 'flat',
  outline: (radius, reach) => [
    [0, 0],
    [radius, 0],
    [radius, Math.max(reach, HAIR)],
  ],
});
