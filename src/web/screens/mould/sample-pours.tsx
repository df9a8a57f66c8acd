import { samplesToTell } from '../../../core/make/index.ts';
import { useUnits } from '../../data/units.ts';
import type { CavityFigure } from './use-cutter.ts';

/**
 * How far pieces of a sound cavity spread, as a share of their weight, one standard deviation (common
 * practice, no source).
 */
const USUAL_SPREAD = 0.008;
/** Metal below which nothing was cut, g. */
const UNCUT = 1e-6;

/** How many pieces of each changed cavity show that its cuts did what they should. */
export function SamplePours({ cavities }: { readonly cavities: readonly CavityFigure[] }) {
  const { format } = useUnits();
  const told = cavities.flatMap(({ metal, was, total }, i) => {
    if (Math.abs(metal - was) <= UNCUT) return [];
    const pieces = samplesToTell(USUAL_SPREAD * total, metal - was);
    return [`cavity ${i + 1}, ${pieces} before and ${pieces} after the cut`];
  });
  if (told.length === 0) return null;
  return (
    <p className="shop-note">
      Sample pours: {told.join('; ')}, weighed one by one, show that the cut did what it should where pieces
      spread by {format(USUAL_SPREAD, 'share')}.
    </p>
  );
}
