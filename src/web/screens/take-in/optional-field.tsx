import type { QuantityKind } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';
import { QuantityField } from '../../parts/quantity-field.tsx';

/** A size that may be left unmeasured. */
export function OptionalField({
  label,
  kind,
  value,
  initial,
  min,
  max,
  onChange,
}: {
  readonly label: string;
  readonly kind: QuantityKind;
  readonly value: number | undefined;
  readonly initial: number;
  readonly min: number;
  readonly max: number;
  readonly onChange: (value: number | undefined) => void;
}) {
  const { format } = useUnits();
  if (value === undefined)
    return (
      <div className="qf">
        <span>{label}</span>
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          onClick={() => onChange(Math.round(initial * 100) / 100)}
        >
          <span className="visually-hidden">{label}, measured: </span>
          {format(initial, kind)} ?
        </button>
      </div>
    );
  return (
    <div className="take-measured">
      <QuantityField label={label} kind={kind} value={value} min={min} max={max} onCommit={onChange} />
      <button
        type="button"
        className="btn-x"
        aria-label={`${label}: not measured`}
        onClick={() => onChange(undefined)}
      >
        ×
      </button>
    </div>
  );
}
