import type { Plastic } from '../../../core/plastic/index.ts';
import {
  cutOf,
  leftLength,
  PLAUSIBLE_DENSITY,
  plasticDensity,
  plasticKindOf,
  plasticMass,
  weighedDensity,
} from '../../../core/plastic/index.ts';
import { useUnits } from '../../data/units.ts';
import { DENSITY_OF } from './density-of.ts';

/** How freely something moves, in a word. */
const freely = (moves: number): string =>
  moves >= 0.85 ? 'freely' : moves >= 0.65 ? 'well enough' : 'little';

/** What follows from a plastic's fields: weight, whether it floats, what its weight means, how it moves. */
export function PlasticFacts({ plastic }: { readonly plastic: Plastic }) {
  const { format } = useUnits();
  const { moves } = plasticKindOf(plastic.kind);
  const weighed = weighedDensity(plastic);
  const isOdd =
    weighed !== undefined && !(weighed >= PLAUSIBLE_DENSITY[0] && weighed <= PLAUSIBLE_DENSITY[1]);
  return (
    <p className="plastic-facts">
      <b>{format(plasticMass(plastic), 'mass')}</b>
      {cutOf(plastic) > 0 && `, ${format(leftLength(plastic), 'size')} after the cut`}.{' '}
      {(['fresh', 'brackish', 'sea'] as const)
        .map(
          (water) => `${plasticDensity(plastic) < DENSITY_OF[water] ? 'Floats' : 'Sinks'} in ${water} water`,
        )
        .join(', ')
        .replace(/, (Floats|Sinks)/g, (_, word: string) => `, ${word.toLowerCase()}`)}
      .{' '}
      {weighed !== undefined &&
        `Its weight means ${format(weighed, 'density')}${isOdd ? ': no plastic is so dense or so light, so weigh it again, or measure its sizes' : ''}. `}
      Moves {freely(moves.cold)} in cold water, {freely(moves.warm)} in warm (index, common practice).
    </p>
  );
}
