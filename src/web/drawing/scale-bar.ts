import type { UnitSystem } from '../../core/quantity/index.ts';
import { MM_PER_INCH } from '../../core/quantity/index.ts';

/** A length that a drawing shows beside it, round in the reader’s unit. */
export interface ScaleBar {
  /** mm of what is drawn */
  readonly mm: number;
  readonly text: string;
}

/** Returns the bar of a drawing: of heads half an inch or 10 mm, of baits an inch or 20 mm. */
export const scaleBar = (system: UnitSystem, of: 'head' | 'bait'): ScaleBar =>
  of === 'head'
    ? system === 'imperial'
      ? { mm: MM_PER_INCH / 2, text: '1/2 in' }
      : { mm: 10, text: '10 mm' }
    : system === 'imperial'
      ? { mm: MM_PER_INCH, text: '1 in' }
      : { mm: 20, text: '20 mm' };
