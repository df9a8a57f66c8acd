import type { Brief, BriefRange } from '../../../core/document/index.ts';
import type { Situation } from '../../../core/match/index.ts';
import type { QuantityKind } from '../../../core/quantity/index.ts';
import { BRIEF_RANGES, wordName } from '../../../core/document/index.ts';
import { shownUsual } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';
import { QuantityField } from '../../parts/quantity-field.tsx';

/** A change of a brief. */
export type Change = (brief: Brief) => Brief;
/** What a part of the brief’s form needs to know. */
export interface PartProps {
  readonly brief: Brief;
  readonly at: Situation;
  /** the message of a field, or of what lies under it */
  readonly problem: (path: string) => string | undefined;
  readonly edit: (change: Change) => void;
}

/** Returns words of a brief as options, each said as the trade says it. */
export const plain = <T extends string>(values: readonly T[]) =>
  values.map((value) => [value, wordName(value)] as const);
/** No and yes as options. */
export const either = [
  ['no', 'no'],
  ['yes', 'yes'],
] as const;
/** Returns yes or no as an option. */
export const told = (value: boolean): 'yes' | 'no' => (value ? 'yes' : 'no');

interface NumberProps {
  readonly label: string;
  readonly kind: QuantityKind;
  readonly range: BriefRange;
  readonly path: string;
  /** what is taken, said or usual */
  readonly value: number;
  readonly step: number;
  readonly part: PartProps;
  readonly put: (brief: Brief, value: number) => Brief;
  /** takes it back, so that the usual counts again */
  readonly clear?: (brief: Brief) => Brief;
}

/** A number of the brief; one that is not said shows the usual, and says so. */
export function Said({ label, kind, range, path, value, step, part, put, clear }: NumberProps) {
  const [min, max] = BRIEF_RANGES[range];
  const { system } = useUnits();
  const isUsual = part.at.assumed.includes(path);
  return (
    <div className="said" data-usual={isUsual}>
      <QuantityField
        label={label}
        kind={kind}
        value={isUsual ? shownUsual(value, kind, system) : value}
        min={min}
        max={max}
        step={step}
        problem={part.problem(path)}
        onCommit={(next) => part.edit((now) => put(now, next))}
      />
      {isUsual ? (
        <small className="said-usual">usual</small>
      ) : (
        clear && (
          <button
            type="button"
            className="btn-link-brass"
            title={`Use the usual ${label.toLowerCase()}`}
            aria-label={`${label}: use the usual`}
            onClick={() => part.edit(clear)}
          >
            usual
          </button>
        )
      )}
    </div>
  );
}

/** Leaves a field out of one part of a brief. */
export function without<K extends 'water' | 'bottom' | 'cover' | 'fishing' | 'rod' | 'fish'>(
  key: K,
  field: string,
) {
  return (brief: Brief): Brief => {
    const { [field]: _gone, ...rest } = { ...brief[key] } as Record<string, unknown>;
    return { ...brief, [key]: rest } as Brief;
  };
}
