import type { Metal } from './metal.ts';

/** Bismuth by itself. */
export const bismuth: Metal = {
  key: 'bismuth',
  name: 'Bismuth',
  alsoCalled: ['bi'],
  density: 9.78,
  densityRange: [9.75, 9.81],
  making: 'poured',
  melting: {
    liquid: 271.4,
    solid: 271.4,
    fusion: 53.3,
    heat: [0.122, 0.152],
    pour: [300, 350],
    shrink: -0.005,
  },
  source: 'CRC Handbook of Chemistry and Physics, bismuth (from memory)',
  caution: 'Brittle, and swells as it sets. Molten metal burns.',
  price: 22,
};
