import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const paddleTail = plasticKind({
  key: 'paddle-tail',
  name: 'paddle-tail',
  does: 'A body that tapers to a paddle that kicks.',
  stations: [
    [0, 0.42, 0.5],
    [0.06, 0.72, 0.78],
    [0.22, 1, 1],
    [0.42, 0.86, 0.9],
    [0.62, 0.6, 0.62],
    [0.8, 0.34, 0.36],
    [0.88, 0.3, 0.26],
    [0.92, 0.55, 0.34],
    [0.97, 0.9, 0.42],
    [1, 0.5, 0.2],
  ],
  tail: 0.84,
  action: 'kick',
  moves: { cold: 0.55, warm: 1 },
  // The hook should come out near the middle of the body (common practice, no source).
  exit: { good: [0.33, 0.6], tight: [0.25, 0.72] },
  usual: { inches: [2, 3, 4, 5], breadth: 0.108, height: 0.135, density: 1.05, toughness: 'standard' },
});
