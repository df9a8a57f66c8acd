import type { Field, Fields } from '../../../core/kind/index.ts';
import { Choice } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';

type FieldValue = number | string | boolean;

interface Props {
  readonly fields: Fields;
  readonly values: object;
  /** JSON pointer they stand under */
  readonly path: string;
  readonly problemAt: (...paths: string[]) => string | undefined;
  readonly onSet: (change: Readonly<Record<string, FieldValue>>) => void;
}

/** The fields of a fitting or a feature as its kind describes them. */
export function SpecFields({ fields, values, path, problemAt, onSet }: Props) {
  return Object.entries(fields).map(([key, field]) => (
    <SpecField
      key={key}
      field={field}
      value={Object.entries(values).find(([name]) => name === key)?.[1] ?? field.initial}
      problem={problemAt(`${path}/${key}`)}
      onSet={(value) => onSet({ [key]: value })}
    />
  ));
}

interface FieldProps {
  readonly field: Field;
  readonly value: FieldValue;
  readonly problem: string | undefined;
  readonly onSet: (value: FieldValue) => void;
}

function SpecField({ field, value, problem, onSet }: FieldProps) {
  const { label, note } = field;
  if (field.type === 'choice') {
    return (
      <Choice
        label={label}
        value={String(value)}
        options={field.options.map((option) => [option, option] as const)}
        problem={problem}
        onChange={onSet}
      />
    );
  }
  if (field.type === 'flag') {
    return (
      <label className="spec-flag">
        <input type="checkbox" checked={value === true} onChange={() => onSet(value !== true)} /> {label}
        {note && <small> {note}</small>}
      </label>
    );
  }
  return (
    <QuantityField
      label={label}
      kind={field.whole ? 'count' : field.quantity}
      value={Number(value)}
      min={field.min}
      max={field.max}
      step={field.step}
      {...(note ? { note } : {})}
      problem={problem}
      onCommit={(next) => onSet(field.whole ? Math.round(next) : next)}
    />
  );
}
