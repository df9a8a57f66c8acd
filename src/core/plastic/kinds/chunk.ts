import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const chunk = plasticKind({
  key: 'chunk',
  name: 'chunk trailer',
  does: 'A thick short block with two legs, for behind a skirt.',
  stations: [
    [0, 0.7, 0.7],
    [0.08, 0.95, 0.95],
    [0.25, 1, 1],
    [0.42, 0.92, 0.95],
    [0.5, 0.5, 0.7],
    [0.54, 0.08, 0.1],
    [1, 0.02, 0.02],
  ],
  limbs: [
    {
      name: 'leg',
      at: 0.46,
      length: 0.54,
      of: 'face',
      stands: 'level',
      breadth: 0.4,
      thick: 0.22,
      off: 12,
      isPair: true,
    },
  ],
  tail: 0.48,
  action: 'flap',
  moves: { cold: 0.7, warm: 1 },
  // The hook should come out well within the meat (common practice, no source).
  exit: { good: [0.16, 0.44], tight: [0.1, 0.5] },
  usual: { inches: [2.5, 3, 3.5], breadth: 0.21, height: 0.17, density: 1.08, toughness: 'standard' },
});
