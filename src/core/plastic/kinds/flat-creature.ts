import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const flatCreature = plasticKind({
  key: 'flat-creature',
  name: 'flat-backed creature',
  does: 'A body flat on its back, with limbs along the sides and a flat tail.',
  stations: [
    [0, 0.5, 0.5],
    [0.06, 0.84, 0.8],
    [0.22, 1, 1],
    [0.5, 0.92, 0.98],
    [0.66, 0.7, 0.85],
    [0.74, 0.36, 0.6],
    [0.8, 0.16, 0.5],
    [0.94, 0.12, 0.45],
    [1, 0.06, 0.2],
  ],
  section: 'flat-backed',
  limbs: [
    {
      name: 'arm',
      at: 0.35,
      length: 0.2,
      of: 'stick',
      stands: 'level',
      breadth: 0.12,
      thick: 0.14,
      off: 55,
      isPair: true,
    },
    {
      name: 'leg',
      at: 0.55,
      length: 0.24,
      of: 'stick',
      stands: 'level',
      breadth: 0.12,
      thick: 0.14,
      off: 40,
      isPair: true,
    },
  ],
  tail: 0.7,
  action: 'flap',
  moves: { cold: 0.7, warm: 0.95 },
  // The hook should come out before the tail, and lies along the flat back (common practice, no source).
  exit: { good: [0.25, 0.39], tight: [0.2, 0.44] },
  usual: { inches: [3, 3.5, 4], breadth: 0.16, height: 0.1, density: 1.08, toughness: 'standard' },
});
