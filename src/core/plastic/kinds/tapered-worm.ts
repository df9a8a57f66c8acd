import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const taperedWorm = plasticKind({
  key: 'tapered-worm',
  name: 'tapered worm',
  does: 'A thin straight worm that tapers to a point.',
  stations: [
    [0, 0.6, 0.6],
    [0.04, 0.86, 0.86],
    [0.15, 1, 1],
    [0.4, 0.9, 0.9],
    [0.6, 0.7, 0.7],
    [0.8, 0.46, 0.46],
    [0.94, 0.24, 0.24],
    [1, 0.08, 0.08],
  ],
  tail: 0.8,
  action: 'quiver',
  moves: { cold: 0.95, warm: 0.7 },
  // The hook should come out in the front half (common practice, no source).
  exit: { good: [0.16, 0.45], tight: [0.1, 0.58] },
  usual: { inches: [3, 4, 6], breadth: 0.068, height: 0.068, density: 1.05, toughness: 'standard' },
});
