import { plasticKind } from './kind.ts';

/** Drawn after what such baits commonly look like (common practice, no source). */
export const minnow = plasticKind({
  key: 'minnow',
  name: 'flat-bellied minnow',
  does: 'A minnow with a rounded back, a flat belly and a forked or straight thin tail.',
  stations: [
    [0, 0.35, 0.4],
    [0.06, 0.7, 0.72],
    [0.2, 1, 1],
    [0.42, 0.88, 0.9],
    [0.62, 0.55, 0.58],
    [0.8, 0.26, 0.3],
    [0.9, 0.14, 0.2],
    [1, 0.1, 0.1],
  ],
  section: 'flat-bellied',
  tail: 0.76,
  action: 'glide',
  moves: { cold: 0.95, warm: 0.8 },
  // Out early, so that the body keeps a slight bend (common practice, no source).
  exit: { good: [0.22, 0.5], tight: [0.15, 0.62] },
  usual: { inches: [2.5, 3, 3.5, 4], breadth: 0.11, height: 0.12, density: 1.03, toughness: 'standard' },
});
