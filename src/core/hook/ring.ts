import type { Vec3 } from '../numeric/vec.ts';

/** A plain ring of wire lying in the plane of the hook. Lengths in mm. */
export interface Ring {
  readonly centre: Vec3;
  readonly radius: number;
  readonly wireRadius: number;
  /** turns of wire in it: a split ring has two */
  readonly turns: number;
}
