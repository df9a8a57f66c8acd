import { arcFromTip, cutterKind, HAIR } from './cutter.ts';

/** A hemisphere under a shank of its own breadth. */
export const roundNosed = cutterKind({
  key: 'round-nosed',
  name: 'round-nosed',
  outline: (radius, reach) => [...arcFromTip(radius, Math.PI / 2), [radius, Math.max(reach, radius + HAIR)]],
});
