import type { Design } from '../document/design.ts';
import type { ReadingId } from '../behaviour/registry.ts';
import type { Rig } from '../assembly/rig.ts';
import type { Limits } from '../plastic/kinds/kind.ts';
import type { Plastic } from '../plastic/schema.ts';
import type { QuantityKind } from '../quantity/units.ts';
import type { LaidMeasures, MethodKind, Remedy } from '../rigging/method.ts';

/** How well something fits. */
export type Verdict = 'good' | 'tight' | 'bad';

/** One thing looked at when a plastic is put on a head. */
export interface FitCheck extends Limits {
  readonly id: string;
  readonly name: string;
  readonly value: number;
  readonly quantity: QuantityKind;
  readonly verdict: Verdict;
  /** what the verdict means, in words */
  readonly says: string;
  /** what to change, in words; empty when good */
  readonly fix: string;
  /** what of that can be done at once */
  readonly remedies: readonly Remedy[];
}

const ORDER: readonly Verdict[] = ['good', 'tight', 'bad'];
/** Returns the worst of some verdicts, good where there are none. */
export const worst = (verdicts: readonly Verdict[]): Verdict =>
  ORDER[Math.max(0, ...verdicts.map((verdict) => ORDER.indexOf(verdict)))] ?? 'good';

function judge(value: number, good: readonly [number, number], tight: readonly [number, number]): Verdict {
  if (value >= good[0] && value <= good[1]) return 'good';
  return value >= tight[0] && value <= tight[1] ? 'tight' : 'bad';
}

/** What one look at a rig needs. */
export interface Look {
  readonly rig: Rig;
  /** as a document, where fixes are wanted */
  readonly design: Design | undefined;
  readonly plastic: Plastic;
  readonly laid: LaidMeasures;
  readonly method: MethodKind;
  /** a reading, NaN where it does not apply */
  readonly value: (id: ReadingId) => number;
  /** the way out by another hook, as the start of a sentence */
  readonly anyHook: () => string;
  /** the same, to be done at once */
  readonly remedies: () => readonly Remedy[];
}

/** Returns limits of what should be at least `good` and must be at least `tight`. */
export const atLeast = (good: number, tight: number): Limits => ({
  good: [good, Infinity],
  tight: [tight, Infinity],
});

/** A check from its value and limits; words and fix are made only for the verdict that came out. */
export function checked(
  { id, name, value, quantity, good, tight }: Pick<FitCheck, 'id' | 'name' | 'value' | 'quantity'> & Limits,
  says: (verdict: Verdict) => string,
  fix: () => string,
  remedies: () => readonly Remedy[] = () => [],
): FitCheck {
  const verdict = Number.isNaN(value) ? 'bad' : judge(value, good, tight);
  const isGood = verdict === 'good';
  // Each by its own name: thousands of heads are looked at for one order, and of that, copying by spreading
  // took a quarter by itself.
  return {
    id,
    name,
    value,
    quantity,
    good,
    tight,
    verdict,
    says: says(verdict),
    fix: isGood ? '' : fix(),
    remedies: isGood ? [] : remedies(),
  };
}
