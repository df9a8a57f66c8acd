import type { Metal } from './metal.ts';

/** Pure tin. */
export const tin: Metal = {
  key: 'tin',
  name: 'Tin',
  alsoCalled: ['pewter'],
  density: 7.29,
  densityRange: [7.26, 7.31],
  making: 'poured',
  melting: {
    liquid: 231.9,
    solid: 231.9,
    fusion: 60.2,
    heat: [0.227, 0.25],
    pour: [260, 320],
    shrink: 0.007,
  },
  source: 'CRC Handbook of Chemistry and Physics, white tin (from memory)',
  caution: 'Molten metal burns.',
  price: 32,
};
