import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const doubleCurl = plasticKind({
  key: 'double-curl',
  name: 'double curl-tail grub',
  does: 'A short ringed body with two thin tails that curl apart.',
  stations: [
    [0, 0.62, 0.62],
    [0.06, 0.88, 0.88],
    [0.2, 1, 1],
    [0.4, 0.95, 0.95],
    [0.5, 0.7, 0.8],
    [0.56, 0.3, 0.4],
    [0.6, 0.05, 0.05],
    [1, 0.02, 0.02],
  ],
  limbs: [
    {
      name: 'tail',
      at: 0.52,
      length: 0.48,
      of: 'face',
      stands: 'level',
      breadth: 0.55,
      thick: 0.1,
      off: 18,
      isPair: true,
      curls: true,
    },
  ],
  tail: 0.52,
  action: 'flap',
  moves: { cold: 0.65, warm: 1 },
  // The hook should come out where the body ends, clear of the tails (common practice, no source).
  exit: { good: [0.24, 0.5], tight: [0.16, 0.56] },
  usual: { inches: [3, 4, 5], breadth: 0.15, height: 0.15, density: 1.04, toughness: 'standard' },
});
