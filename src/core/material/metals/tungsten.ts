import type { Metal } from './metal.ts';

/** Sintered tungsten heavy alloy. */
export const tungsten: Metal = {
  key: 'tungsten',
  name: 'Tungsten (heavy alloy)',
  alsoCalled: ['wolfram'],
  density: 17.5,
  densityRange: [14.5, 19.3],
  making: 'sintered',
  source:
    'ASTM B777 classes 1-4 span 16.85-18.85 and pure tungsten is 19.25 (from memory); what is ' +
    'sold as tungsten is 14.5 to 18.5 (common practice, no source)',
  caution: 'Density differs between makers: weigh a sample, then type the density here.',
  price: 85,
};
