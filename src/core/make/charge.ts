import type { MouldSolids } from './mould-solids.ts';
import { cavityFactor } from './mould-layout.ts';

/**
 * Density of the wax or polymer that holds a pressed powder together until it is sintered, g/cm³ (from
 * memory: paraffins and polyethylenes 0.9 to 0.96).
 */
const BINDER = 0.93;

/** What goes into a mould for one shot. */
export interface Charge {
  /** what the mould it was worked out for is for */
  readonly making: 'pour' | 'press';
  /** metal, g: heads, sprues and vents as they come out */
  readonly metal: number;
  /** of it in sprues and vents, for each head, g */
  readonly spruePerHead: number;
  /**
   * of a pressing, what fills the room that the powder leaves, g: at most, of a powder that sinters dense; 0
   * of a pour
   */
  readonly binder: number;
}

/**
 * Metal that one shot takes, g. Cavities are larger than their heads by what a length loses as it cools or
 * sinters, but no more metal is in them than comes out: their volume as cut, over the cube of that factor, at
 * the density of what is made. `shrink`: per cent of a length; `density`: of each cavity's metal, g/cm³. What
 * of a press tool's cavity the powder leaves free is binder, told apart.
 */
export function chargeOf(
  { metal, sprue }: Pick<MouldSolids, 'metal' | 'sprue'>,
  density: readonly number[],
  { making, shrink }: { readonly making: 'pour' | 'press'; readonly shrink: number },
): Charge {
  const share = cavityFactor(shrink) ** -3;
  const grams = (volumes: readonly number[]) =>
    volumes.reduce((sum, volume, i) => sum + (share * volume * (density[i] ?? 0)) / 1000, 0);
  const sprues = grams(sprue);
  const room = metal.reduce((sum, volume) => sum + volume, 0);
  return {
    making,
    metal: grams(metal) + sprues,
    spruePerHead: sprues / Math.max(1, sprue.length),
    binder: making === 'press' ? ((1 - share) * room * BINDER) / 1000 : 0,
  };
}
