import type { Kept } from '../../../contract/api.ts';
import type { Design } from '../../../core/document/index.ts';

/** A design laid beside others. */
export type Row = Kept<Design>;

/** Places in which overlaid outlines can be made to meet, and what each is called. */
export const ALIGN = {
  seat: 'rear face',
  eye: 'eye',
  collar: 'collar',
  centre: 'centre of mass',
  point: 'hook point',
} as const;
/** Where outlines are laid over each other. */
export type Align = keyof typeof ALIGN;

/** Dash patterns that tell overlaid outlines apart without colour. */
export const DASHES = ['', '7 3', '2 3', '9 3 2 3', '4 4', '12 4'];
