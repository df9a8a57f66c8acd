import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const own = plasticKind({
  key: 'own',
  name: 'own outline',
  does: 'Stations of your own, pulled on the drawing.',
  stations: [
    [0, 0.5, 0.5],
    [0.1, 0.9, 0.9],
    [0.3, 1, 1],
    [0.6, 0.7, 0.7],
    [0.85, 0.35, 0.35],
    [1, 0.2, 0.2],
  ],
  isOwn: true,
  tail: 0.8,
  action: 'quiver',
  moves: { cold: 0.8, warm: 0.8 },
  // Where the trade would have it in most bodies (common practice, no source).
  exit: { good: [0.22, 0.58], tight: [0.15, 0.68] },
  usual: { inches: [3, 4], breadth: 0.11, height: 0.12, density: 1.05, toughness: 'standard' },
});
