/** Carbon steel of hook wire, g/cm³ (usual handbook value, from memory). */
export const STEEL_DENSITY = 7.85;

/** What guards' fibres are made of; the first is meant where a document is silent. */
export const FIBRES = ['nylon', 'polypropylene', 'fluorocarbon'] as const;

/**
 * Fibres of guards, g/cm³: nylon 6 and 6/6, polypropylene, fluorocarbon (usual data-sheet values, from
 * memory).
 */
export const FIBRE_DENSITY: Readonly<Record<(typeof FIBRES)[number], number>> = {
  nylon: 1.14,
  polypropylene: 0.91,
  fluorocarbon: 1.78,
};

/**
 * Stiffness in bending of guards' fibres, N/mm²: least, usual, most (usual data-sheet values, from memory;
 * nylon loses half when wet).
 */
export const FIBRE_MODULUS: Readonly<Record<string, readonly [least: number, usual: number, most: number]>> =
  {
    nylon: [2000, 2800, 4000],
    polypropylene: [1100, 1400, 1800],
    fluorocarbon: [1800, 2400, 3000],
  };

/** Of hardened hook wire, N/mm² (carbon steel, handbook value). */
export const HOOK_MODULUS = 200_000;

/** Of steel wire, N/mm² (handbook value for stainless spring wire, from memory). */
export const WIRE_MODULUS = [185000, 193000, 200000] as const;
