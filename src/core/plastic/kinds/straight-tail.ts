import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const straightTail = plasticKind({
  key: 'straight-tail',
  name: 'straight-tail shad',
  does: 'A minnow’s body that runs out into a thin straight tail.',
  stations: [
    [0, 0.4, 0.5],
    [0.07, 0.74, 0.8],
    [0.24, 1, 1],
    [0.45, 0.8, 0.84],
    [0.65, 0.46, 0.5],
    [0.82, 0.22, 0.24],
    [1, 0.08, 0.1],
  ],
  tail: 0.72,
  action: 'quiver',
  moves: { cold: 0.9, warm: 0.7 },
  // The hook should come out ahead of the thin tail (common practice, no source).
  exit: { good: [0.3, 0.55], tight: [0.22, 0.68] },
  usual: { inches: [2.5, 3, 4, 5], breadth: 0.1, height: 0.125, density: 1.03, toughness: 'standard' },
});
