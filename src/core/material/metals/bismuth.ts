import type { Metal } from './metal.ts';

export const bismuth: Metal = {
  key: 'bismuth',
  name: 'Bismuth',
  density: 9.78,
  densityRange: [9.75, 9.81],
  making: 'poured',
  source: 'CRC Handbook of Chemistry and Physics, bismuth (from memory)',
  caution: 'Brittle, and swells as it sets. Molten metal burns.',
  price: 22,
};
