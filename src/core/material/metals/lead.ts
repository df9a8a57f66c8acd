import type { Metal } from './metal.ts';
import { LEAD_CAUTION } from './metal.ts';

export const lead: Metal = {
  key: 'lead',
  name: 'Lead',
  density: 11.34,
  densityRange: [11.3, 11.36],
  making: 'poured',
  source: 'CRC Handbook of Chemistry and Physics, lead at 20 °C (from memory)',
  isLead: true,
  caution: LEAD_CAUTION,
  price: 3,
};
