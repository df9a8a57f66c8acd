import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const ribbonWorm = plasticKind({
  key: 'ribbon-worm',
  name: 'ribbon worm',
  does: 'A round body that runs out into a long rippling ribbon.',
  stations: [
    [0, 0.6, 0.6],
    [0.04, 0.88, 0.88],
    [0.15, 1, 1],
    [0.38, 0.92, 0.92],
    [0.48, 0.6, 0.5],
    [0.54, 0.2, 0.15],
    [0.58, 0.05, 0.05],
    [1, 0.02, 0.02],
  ],
  limbs: [
    {
      name: 'ribbon',
      at: 0.5,
      length: 0.5,
      of: 'face',
      stands: 'upright',
      breadth: 0.95,
      thick: 0.14,
      off: 0,
      isPair: false,
    },
  ],
  tail: 0.5,
  action: 'curl',
  moves: { cold: 0.6, warm: 1 },
  // The hook should come out in the front of the body (common practice, no source).
  exit: { good: [0.14, 0.42], tight: [0.09, 0.5] },
  usual: { inches: [4, 6, 7.5], breadth: 0.07, height: 0.07, density: 1.04, toughness: 'standard' },
});
