import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const creature = plasticKind({
  key: 'creature',
  name: 'creature',
  does: 'A ringed body with arms at its sides and two flapping tails.',
  stations: [
    [0, 0.5, 0.55],
    [0.06, 0.82, 0.85],
    [0.2, 1, 1],
    [0.45, 0.92, 0.95],
    [0.6, 0.7, 0.75],
    [0.68, 0.3, 0.45],
    [0.72, 0.06, 0.08],
    [1, 0.02, 0.02],
  ],
  limbs: [
    {
      name: 'tail',
      at: 0.64,
      length: 0.36,
      of: 'face',
      stands: 'level',
      breadth: 0.42,
      thick: 0.16,
      off: 14,
      isPair: true,
    },
    {
      name: 'arm',
      at: 0.3,
      length: 0.22,
      of: 'stick',
      stands: 'level',
      breadth: 0.14,
      thick: 0.14,
      off: 50,
      isPair: true,
    },
  ],
  tail: 0.62,
  action: 'flap',
  moves: { cold: 0.6, warm: 1 },
  // The hook should come out before the tails (common practice, no source).
  exit: { good: [0.26, 0.52], tight: [0.18, 0.6] },
  usual: { inches: [3, 4, 4.5], breadth: 0.15, height: 0.13, density: 1.06, toughness: 'standard' },
});
