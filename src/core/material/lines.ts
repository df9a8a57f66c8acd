import { KILOGRAMS_PER_POUND } from '../quantity/units.ts';
/** A kind of line. Values from memory: makers differ by a fifth. */
export interface LineKind {
  readonly key: string;
  readonly name: string;
  /** g/cm³ */
  readonly density: number;
  /** breaking strain in pounds of a line of No. 1 */
  readonly poundsPerNumber: number;
  /** stiffness in pull, N/mm² */
  readonly modulus: number;
  /**
   * slack that coils of the spool leave in a line that hangs loose, as a share of its length (common
   * practice, no source)
   */
  readonly coil: number;
}

/**
 * Lines by what they are made of: densities of model nylon 6/66, polyvinylidene fluoride and high-modulus
 * polyethylene; the numbers of the Japanese line standard (No. n is 0.165 √n mm thick); pounds and stiffness
 * as usual data sheets give them.
 */
export const LINE_KINDS = [
  { key: 'nylon', name: 'nylon', density: 1.14, poundsPerNumber: 4, modulus: 2200, coil: 0.02 },
  {
    key: 'fluorocarbon',
    name: 'fluorocarbon',
    density: 1.78,
    poundsPerNumber: 4,
    modulus: 2600,
    coil: 0.015,
  },
  { key: 'braid', name: 'braid', density: 0.97, poundsPerNumber: 18, modulus: 60000, coil: 0.002 },
] as const satisfies readonly LineKind[];
/** The key of a line’s material. */
export type LineKey = (typeof LINE_KINDS)[number]['key'];

/** The line of a key. Throws for one that is not of `LINE_KINDS`. */
export function lineOf(key: string): LineKind {
  const found = LINE_KINDS.find((line) => line.key === key);
  if (!found) throw new Error(`There is no line called ${key}.`);
  return found;
}

const POUNDS_PER_KILOGRAM = 1 / KILOGRAMS_PER_POUND;

/**
 * Diameter in mm of a line that breaks at so many kilograms: 0.165 √n, n its number (Japanese line standard,
 * from memory).
 */
export function lineDiameter(key: string, test: number): number {
  return 0.165 * Math.sqrt((test * POUNDS_PER_KILOGRAM) / lineOf(key).poundsPerNumber);
}
