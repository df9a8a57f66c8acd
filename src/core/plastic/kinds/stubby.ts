import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const stubby = plasticKind({
  key: 'stubby',
  name: 'stubby stick',
  does: 'A short stick of tough plastic that stands up on its head.',
  stations: [
    [0, 0.7, 0.7],
    [0.05, 0.9, 0.9],
    [0.2, 1, 1],
    [0.6, 0.98, 0.98],
    [0.85, 0.82, 0.82],
    [0.96, 0.55, 0.55],
    [1, 0.2, 0.2],
  ],
  tail: 0.94,
  action: 'quiver',
  moves: { cold: 0.9, warm: 0.85 },
  // A short body takes the hook well along it (common practice, no source).
  exit: { good: [0.28, 0.62], tight: [0.2, 0.72] },
  usual: { inches: [2.5, 2.75, 3], breadth: 0.135, height: 0.135, density: 0.93, toughness: 'stretchy' },
  weights: [
    // Stubby baits: 1/16 oz very shallow, 1/8 oz at 7-8 ft, 1/5-3/8 oz deep.
    {
      steps: [
        [0.6, 1.5, 2.6],
        [2.3, 2.6, 4.6],
        [5, 4.5, 8.5],
        [8, 5.6, 10.8],
        [20, 9, 18],
      ],
      says: 'for a stubby bait at that depth',
    },
  ],
});
