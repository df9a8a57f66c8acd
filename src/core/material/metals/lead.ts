import type { Metal } from './metal.ts';
import { LEAD_CAUTION } from './metal.ts';

/** Pure lead. */
export const lead: Metal = {
  key: 'lead',
  name: 'Lead',
  alsoCalled: ['pb', 'soft lead', 'pure lead'],
  density: 11.34,
  densityRange: [11.3, 11.36],
  making: 'poured',
  melting: {
    liquid: 327.5,
    solid: 327.5,
    fusion: 23.1,
    heat: [0.129, 0.148],
    pour: [360, 430],
    shrink: 0.01,
  },
  source: 'CRC Handbook of Chemistry and Physics, lead at 20 °C (from memory)',
  isLead: true,
  caution: LEAD_CAUTION,
  price: 3,
};
