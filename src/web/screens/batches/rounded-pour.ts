import type { Batch } from '../../../core/document/index.ts';
import type { UnitSystem } from '../../../core/quantity/index.ts';
import { roundIn } from '../../../core/quantity/index.ts';

/**
 * What a batch is poured with to begin with, round in the reader’s unit; the heat within what the metal is
 * poured at, °C.
 */
export function roundedPour(
  pour: Batch['pour'],
  heat: readonly [number, number] | undefined,
  system: UnitSystem,
): Batch['pour'] {
  const at = roundIn(pour.at, 'temperature', system);
  return {
    ...pour,
    pot: roundIn(pour.pot, 'mass', system),
    sprue: roundIn(pour.sprue, 'mass', system),
    at: heat && (at < heat[0] || at > heat[1]) ? pour.at : at,
  };
}
