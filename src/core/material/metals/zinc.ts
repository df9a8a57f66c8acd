import type { Metal } from './metal.ts';

/** Zinc die-casting alloy. */
export const zinc: Metal = {
  key: 'zinc',
  name: 'Zinc die-cast alloy',
  alsoCalled: ['zinc alloy'],
  density: 6.6,
  densityRange: [6.6, 6.8],
  making: 'poured',
  melting: { liquid: 419.5, solid: 419.5, fusion: 108, heat: [0.388, 0.48], pour: [440, 500], shrink: 0.012 },
  source: 'Usual data for zinc-aluminium die-casting alloys (from memory)',
  caution: 'Overheated zinc gives off harmful fume. Follow the maker’s instructions.',
  price: 4,
};
