import { GRAMS_PER_OUNCE, KILOGRAMS_PER_POUND } from '../../../core/quantity/index.ts';
import type { UnitSystem } from '../../../core/quantity/index.ts';

/** The weight that every metal is shown as, g: half an ounce, or 15 g for who reads grams. */
export const shownWeight = (system: UnitSystem): number => (system === 'imperial' ? GRAMS_PER_OUNCE / 2 : 15);

/** Returns the diameter in mm of a ball of a weight, g, and a density, g/cm³. */
export const ballDiameter = (grams: number, density: number): number =>
  2 * Math.cbrt((3 * (grams / density) * 1000) / (4 * Math.PI));

/** Tests that every line is shown at, kg: as they are sold in pounds or in kilograms. */
export const shownTests = (system: UnitSystem): readonly number[] =>
  system === 'imperial'
    ? [4, 8, 12, 20, 40].map((pounds) => pounds * KILOGRAMS_PER_POUND)
    : [2, 4, 6, 10, 20];

/** The hydrometer that hangs in every water: its mass, g, and the section of its stem, cm². */
const HYDROMETER = { mass: 50, section: 0.45, heaviest: 1.035 } as const;

/**
 * Returns how much of the hydrometer’s stem is under water of a density, g/cm³, in mm: what floats puts aside
 * its own mass of water (Archimedes), the bulb all but the stem’s part. None of it in water of 1.035.
 */
export const stemUnder = (density: number): number =>
  (10 * HYDROMETER.mass * (1 / density - 1 / HYDROMETER.heaviest)) / HYDROMETER.section;
