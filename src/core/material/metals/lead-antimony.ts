import type { Metal } from './metal.ts';
import { LEAD_CAUTION } from './metal.ts';

/** Lead with some antimony. */
export const leadAntimony: Metal = {
  key: 'lead-antimony',
  name: 'Hard lead (4% antimony)',
  alsoCalled: ['hard lead', 'antimony', 'antimonial lead'],
  density: 11.05,
  densityRange: [10.9, 11.2],
  making: 'poured',
  melting: { liquid: 300, solid: 252, fusion: 29, heat: [0.132, 0.15], pour: [340, 410], shrink: 0.007 },
  source: 'Usual data for 2-6% antimonial lead (from memory)',
  isLead: true,
  caution: LEAD_CAUTION,
  price: 4,
};
