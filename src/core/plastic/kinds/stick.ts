import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const stick = plasticKind({
  key: 'stick',
  name: 'stick',
  does: 'A straight body, nearly as thick at both ends.',
  stations: [
    [0, 0.4, 0.4],
    [0.04, 0.72, 0.72],
    [0.16, 0.94, 0.94],
    [0.4, 1, 1],
    [0.7, 0.94, 0.94],
    [0.9, 0.7, 0.7],
    [0.98, 0.42, 0.42],
    [1, 0.12, 0.12],
  ],
  tail: 0.92,
  action: 'glide',
  moves: { cold: 0.7, warm: 0.8 },
  // The hook should come out in the front half (common practice, no source).
  exit: { good: [0.2, 0.5], tight: [0.14, 0.65] },
  usual: { inches: [3, 4, 5], breadth: 0.083, height: 0.083, density: 1.15, toughness: 'soft' },
});
