import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const micro = plasticKind({
  key: 'micro',
  name: 'micro body',
  does: 'A tiny body with a thin quivering tail, fished straight down.',
  stations: [
    [0, 0.7, 0.7],
    [0.08, 0.95, 0.95],
    [0.25, 1, 1],
    [0.42, 0.75, 0.75],
    [0.55, 0.36, 0.36],
    [0.72, 0.16, 0.16],
    [1, 0.07, 0.07],
  ],
  tail: 0.5,
  action: 'quiver',
  moves: { cold: 1, warm: 0.9 },
  // A short hook comes out in the thick of the body (common practice, no source).
  exit: { good: [0.18, 0.46], tight: [0.12, 0.55] },
  usual: { inches: [1, 1.25, 1.6], breadth: 0.125, height: 0.125, density: 1.02, toughness: 'soft' },
});
