import { isUsualFraction } from './format.ts';
import type { QuantityKind, UnitSystem } from './units.ts';
import { GRAMS_PER_OUNCE, shownUnit } from './units.ts';

/** How far a default may be moved to be round, as a share: less than what it is known by. */
const NEAR = 0.04;

/** The heaviest that packets name by a fraction of an ounce, g. */
const LARGEST_PACKET = 8 * GRAMS_PER_OUNCE;

/** Steps of a first digit that are tried in turn: whole, halves, tenths. */
const STEPS = [1, 0.5, 0.1] as const;

/**
 * Returns a default, stored units, that is round in the unit a reader is shown: the nearest number of one
 * digit, else of halves of it, else of two digits, within 4% of what was given; 3 m are 10 ft, 20 m are 65
 * ft, 4.5 kg are 10 lb. Nothing is rounded that a person has typed.
 */
export function roundIn(value: number, kind: QuantityKind, system: UnitSystem): number {
  if (!Number.isFinite(value) || value === 0) return value;
  // 3/8 oz is round as it is; of what no packet holds, as a pot of metal, a fraction is not.
  if (kind === 'mass' && system === 'imperial' && value <= LARGEST_PACKET && isUsualFraction(value))
    return value;
  const { fromStored, toStored } = shownUnit(kind, system);
  const shown = fromStored(value);
  const digit = 10 ** Math.floor(Math.log10(Math.abs(shown)));
  for (const step of STEPS) {
    // By a whole number of steps, and back by dividing: a tenth has no exact double.
    const steps = Math.round(shown / (digit * step));
    const round = digit >= 1 ? steps * digit * step : steps / Math.round(1 / (digit * step));
    if (Math.abs(round - shown) <= NEAR * Math.abs(shown)) return toStored(Number(round.toPrecision(6)));
  }
  return value;
}

/**
 * Returns an assumed value, stored units, as it is shown to a reader: round as a default is, and a
 * temperature to the degree, which is as round as it gets (15 °C are 59 °F).
 */
export const shownUsual = (value: number, kind: QuantityKind, system: UnitSystem): number =>
  kind === 'temperature' ? value : roundIn(value, kind, system);
