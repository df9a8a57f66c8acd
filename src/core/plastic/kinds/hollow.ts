import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const hollow = plasticKind({
  key: 'hollow',
  name: 'hollow swimmer',
  does: 'A fish’s body around a room, with a kicking tail.',
  stations: [
    [0, 0.3, 0.35],
    [0.06, 0.62, 0.66],
    [0.2, 0.96, 0.96],
    [0.32, 1, 1],
    [0.5, 0.86, 0.84],
    [0.68, 0.52, 0.48],
    [0.82, 0.28, 0.24],
    [0.9, 0.4, 0.24],
    [0.97, 0.8, 0.28],
    [1, 0.5, 0.14],
  ],
  make: 'hollow',
  wall: 0.09,
  tail: 0.8,
  action: 'kick',
  moves: { cold: 0.5, warm: 1 },
  // The hook should come out at the top of the back, before the tail (common practice, no source).
  exit: { good: [0.32, 0.58], tight: [0.24, 0.66] },
  usual: { inches: [3, 3.75, 4.5], breadth: 0.15, height: 0.2, density: 1.03, toughness: 'standard' },
  weights: [
    {
      retrieves: ['drag'],
      steps: [
        [1, 7, 15],
        [4, 10, 22],
        [9, 14, 29],
        [20, 21, 43],
      ],
      says: 'for a dragged hollow body',
    },
  ],
  madeFor: { retrieves: ['drag', 'swim'], says: 'A hollow body on its core is made to be dragged.' },
});
