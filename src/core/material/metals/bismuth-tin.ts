import type { Metal } from './metal.ts';

/** Bismuth and tin at their eutectic. */
export const bismuthTin: Metal = {
  key: 'bismuth-tin',
  name: 'Bismuth-tin 58/42',
  alsoCalled: ['bismuth tin', 'bismuth alloy'],
  density: 8.65,
  densityRange: [8.56, 8.75],
  making: 'poured',
  melting: { liquid: 139, solid: 138, fusion: 56, heat: [0.167, 0.193], pour: [165, 220], shrink: 0 },
  source: 'Usual data for the 58Bi-42Sn eutectic (from memory)',
  caution: 'Melts far below lead and still burns. Pour with the same care as lead.',
  price: 26,
};
