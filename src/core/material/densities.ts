/** Carbon steel of hook wire, g/cm³ (usual handbook value, from memory). */
export const STEEL_DENSITY = 7.85;

/** What guards' fibres are made of; the first is meant where a document is silent. */
export const FIBRES = ['nylon', 'polypropylene', 'fluorocarbon'] as const;

/** Fibres of guards, g/cm³: nylon 6 and 6/6, polypropylene, fluorocarbon (usual data-sheet values, from memory). */
export const FIBRE_DENSITY: Readonly<Record<(typeof FIBRES)[number], number>> = {
  nylon: 1.14,
  polypropylene: 0.91,
  fluorocarbon: 1.78,
};
