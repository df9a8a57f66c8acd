import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const claw = plasticKind({
  key: 'claw',
  name: 'claw',
  does: 'A short body before two broad claws.',
  stations: [
    [0, 0.46, 0.42],
    [0.06, 0.78, 0.66],
    [0.24, 1, 0.84],
    [0.42, 0.9, 0.78],
    [0.54, 0.52, 0.6],
    [0.66, 0.22, 0.82],
    [0.86, 0.2, 1],
    [0.97, 0.16, 0.8],
    [1, 0.06, 0.3],
  ],
  tail: 0.56,
  action: 'flap',
  moves: { cold: 0.6, warm: 1 },
  // The hook should come out before the claws (common practice, no source).
  exit: { good: [0.24, 0.34], tight: [0.18, 0.38] },
  usual: { inches: [2.5, 3, 3.5, 4], breadth: 0.18, height: 0.115, density: 1.02, toughness: 'standard' },
});
