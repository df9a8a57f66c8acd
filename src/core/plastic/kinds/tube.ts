import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const tube = plasticKind({
  key: 'tube',
  name: 'tube',
  does: 'A hollow body open behind, with a skirt of tentacles.',
  stations: [
    [0, 0.35, 0.35],
    [0.05, 0.75, 0.75],
    [0.16, 0.98, 0.98],
    [0.3, 1, 1],
    [0.62, 1, 1],
    [0.68, 0.9, 0.9],
    [0.72, 0.4, 0.4],
    [0.76, 0.1, 0.1],
    [1, 0.05, 0.05],
  ],
  make: 'tube',
  wall: 0.15,
  limbs: [
    {
      name: 'tentacle',
      at: 0.68,
      length: 0.32,
      of: 'stick',
      stands: 'level',
      breadth: 0.1,
      thick: 0.1,
      off: 8,
      isPair: true,
    },
    {
      name: 'tentacle',
      at: 0.68,
      length: 0.3,
      of: 'stick',
      stands: 'level',
      breadth: 0.1,
      thick: 0.1,
      off: 3,
      isPair: true,
    },
  ],
  tail: 0.7,
  action: 'spiral',
  moves: { cold: 0.8, warm: 0.9 },
  // The hook should come out before the tentacles (common practice, no source).
  exit: { good: [0.3, 0.62], tight: [0.22, 0.7] },
  usual: { inches: [2.5, 3, 3.5, 4.5], breadth: 0.155, height: 0.155, density: 1.05, toughness: 'soft' },
  weights: [
    { retrieves: ['snap'], steps: [[0, 17, 24]], says: 'for a tube that is snapped' },
    // Tubes dragged: 1/4 oz usual, 3/8 oz deeper.
    {
      steps: [
        [1, 3.5, 7.2],
        [3, 5.3, 9],
        [6, 7, 11],
        [10, 10, 15],
        [25, 16, 30],
      ],
      says: 'for a dragged tube',
    },
  ],
});
