import type { ReadingId } from '../../behaviour/registry.ts';
import type { Design } from '../../document/design.ts';
import type { Pairing } from '../../judge/pairings.ts';
import type { Plastic } from '../../plastic/schema.ts';
import type { MethodKey } from '../../rigging/methods/index.ts';
import { coversPoint } from '../../rigging/method.ts';
import { methodOf } from '../../rigging/methods/index.ts';

/** Readings by id, as numbers. */
export type ReadingValues = Readonly<Partial<Record<ReadingId, number>>>;

/** A plastic on a head, and how it goes on. */
export interface Worn {
  readonly plastic: Plastic;
  readonly pairing: Pairing;
}

/** What is judged: a head with its readings, and with the plastic it carries where that was looked at. */
export interface Head {
  readonly design: Design;
  readonly values: ReadingValues;
  readonly worn?: Worn | undefined;
  /**
   * true where the readings were made in the brief’s own water, with the plastic on; else they are those kept
   * at save
   */
  readonly isSettled?: boolean | undefined;
}

/** What stands between the point and what it could catch: a guard, the plastic, or nothing. */
export type PointState = 'bare' | 'guarded' | 'buried';

/** Returns how the point stands: bare, guarded or buried. */
export function pointState({ design, worn }: Head): PointState {
  if (design.guard.kind !== 'none') return 'guarded';
  return worn && coversPoint(methodOf(worn.pairing.method)) ? 'buried' : 'bare';
}

/** The method a head is rigged by, where that is known. */
export const methodWorn = ({ worn }: Head): MethodKey | undefined => worn?.pairing.method;
