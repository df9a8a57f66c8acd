import type { QuantityKind, UnitSystem } from './units.ts';
import { shownUnit } from './units.ts';

/** How far a default may be moved to be round, as a share: less than what it is known by. */
const NEAR = 0.04;

/** Steps of a first digit that are tried in turn: whole, halves, tenths. */
const STEPS = [1, 0.5, 0.1] as const;

/**
 * Returns a default, stored units, that is round in the unit a reader is shown: the nearest number of one
 * digit, else of halves of it, else of two digits, within 4% of what was given; 3 m are 10 ft, 20 m are 65
 * ft, 4.5 kg are 10 lb. Nothing is rounded that a person has typed.
 */
export function roundIn(value: number, kind: QuantityKind, system: UnitSystem): number {
  if (!Number.isFinite(value) || value === 0) return value;
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
