import type { Metal } from './metal.ts';

export const tin: Metal = {
  key: 'tin',
  name: 'Tin',
  density: 7.29,
  densityRange: [7.26, 7.31],
  making: 'poured',
  source: 'CRC Handbook of Chemistry and Physics, white tin (from memory)',
  caution: 'Molten metal burns.',
  price: 32,
};
