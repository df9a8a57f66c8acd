import { MM_PER_INCH } from '../quantity/units.ts';
import type { PlasticKey } from './kinds/index.ts';
import { plasticKindOf } from './kinds/index.ts';
import type { Plastic } from './schema.ts';
import { PLASTIC_RANGES } from './schema.ts';

const tenths = (mm: number): number => Math.round(mm * 10) / 10;

/**
 * A plastic of a kind in its usual proportions, so many inches long; what is said in `change` goes before
 * them. Sizes are rounded to a tenth of a millimetre.
 */
export function usualPlastic(kind: PlasticKey, inches: number, change: Partial<Plastic> = {}): Plastic {
  const { usual, name } = plasticKindOf(kind);
  const length = tenths(inches * MM_PER_INCH);
  const size = (key: 'breadth' | 'height') => Math.max(PLASTIC_RANGES[key][0], tenths(usual[key] * length));
  return {
    format: 'fern-anvil/plastic',
    version: 1,
    name: `New ${name}`,
    kind,
    length,
    breadth: size('breadth'),
    height: size('height'),
    density: usual.density,
    toughness: usual.toughness,
    ...change,
  };
}
