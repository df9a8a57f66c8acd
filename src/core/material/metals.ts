/** A metal a head is made of. */
export interface Metal {
  readonly key: string;
  readonly name: string;
  /** g/cm³ */
  readonly density: number;
  /** Span met with in practice, g/cm³. */
  readonly densityRange: readonly [number, number];
  /** Poured into a mould, or pressed and sintered. */
  readonly making: 'poured' | 'sintered';
  readonly source: string;
  readonly caution: string;
  /** what a kilogram costs a small shop, in the shop's money; a starting value to be replaced (common practice, no source) */
  readonly price: number;
}

const LEAD_CAUTION =
  'Lead and its dust are poisonous, and lead tackle is banned or limited in many waters. Local rules decide, and they change.';

/**
 * Metals of the reference stores. Elements after the CRC Handbook of Chemistry and Physics (values from memory);
 * alloys as their usual data sheets give them (from memory). Every density can be replaced in a design.
 */
export const METALS: readonly Metal[] = [
  {
    key: 'lead',
    name: 'Lead',
    density: 11.34,
    densityRange: [11.3, 11.36],
    making: 'poured',
    source: 'CRC Handbook of Chemistry and Physics, lead at 20 °C (from memory)',
    caution: LEAD_CAUTION,
    price: 3,
  },
  {
    key: 'lead-antimony',
    name: 'Hard lead (4% antimony)',
    density: 11.05,
    densityRange: [10.9, 11.2],
    making: 'poured',
    source: 'Usual data for 2-6% antimonial lead (from memory)',
    caution: LEAD_CAUTION,
    price: 4,
  },
  {
    key: 'bismuth-tin',
    name: 'Bismuth-tin 58/42',
    density: 8.65,
    densityRange: [8.56, 8.75],
    making: 'poured',
    source: 'Usual data for the 58Bi-42Sn eutectic (from memory)',
    caution: 'Melts near 139 °C and still burns. Pour with the same care as lead.',
    price: 26,
  },
  {
    key: 'bismuth',
    name: 'Bismuth',
    density: 9.78,
    densityRange: [9.75, 9.81],
    making: 'poured',
    source: 'CRC Handbook of Chemistry and Physics, bismuth (from memory)',
    caution: 'Brittle, and swells as it sets. Molten metal burns.',
    price: 22,
  },
  {
    key: 'tin',
    name: 'Tin',
    density: 7.29,
    densityRange: [7.26, 7.31],
    making: 'poured',
    source: 'CRC Handbook of Chemistry and Physics, white tin (from memory)',
    caution: 'Molten metal burns.',
    price: 32,
  },
  {
    key: 'zinc',
    name: 'Zinc die-cast alloy',
    density: 6.6,
    densityRange: [6.6, 6.8],
    making: 'poured',
    source: 'Usual data for zinc-aluminium die-casting alloys (from memory)',
    caution: 'Overheated zinc gives off harmful fume. Follow the maker’s instructions.',
    price: 4,
  },
  {
    key: 'tungsten',
    name: 'Tungsten (heavy alloy)',
    density: 17.5,
    densityRange: [14.5, 19.3],
    making: 'sintered',
    source:
      'ASTM B777 classes 1-4 span 16.85-18.85 and pure tungsten is 19.25 (from memory); what is sold as tungsten is 14.5 to 18.5 (common practice, no source)',
    caution: 'Density differs between makers: weigh a sample, then type the density here.',
    price: 85,
  },
];

/** The metal of a key, or undefined. */
export function metalOf(key: string): Metal | undefined {
  return METALS.find((metal) => metal.key === key);
}

/** Carbon steel of hook wire, g/cm³ (usual handbook value, from memory). */
export const STEEL_DENSITY = 7.85;
/** Fibres of guards, g/cm³: nylon 6 and 6/6, polypropylene, fluorocarbon (usual data-sheet values, from memory). */
export const FIBRE_DENSITY = { nylon: 1.14, polypropylene: 0.91, fluorocarbon: 1.78 } as const;
