import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const curlTail = plasticKind({
  key: 'curl-tail',
  name: 'single curl-tail grub',
  does: 'A ringed body with one thin tail that curls over.',
  stations: [
    [0, 0.62, 0.62],
    [0.05, 0.86, 0.86],
    [0.18, 1, 1],
    [0.36, 0.96, 0.96],
    [0.46, 0.8, 0.8],
    [0.52, 0.4, 0.3],
    [0.56, 0.06, 0.06],
    [1, 0.02, 0.02],
  ],
  limbs: [
    {
      name: 'tail',
      at: 0.5,
      length: 0.5,
      of: 'face',
      stands: 'upright',
      breadth: 0.75,
      thick: 0.12,
      off: 0,
      isPair: false,
      curls: true,
    },
  ],
  tail: 0.5,
  action: 'curl',
  moves: { cold: 0.75, warm: 1 },
  // The hook should come out where the body ends, clear of the tail (common practice, no source).
  exit: { good: [0.24, 0.48], tight: [0.16, 0.54] },
  usual: { inches: [2, 3, 4, 5], breadth: 0.13, height: 0.135, density: 1.04, toughness: 'standard' },
});
