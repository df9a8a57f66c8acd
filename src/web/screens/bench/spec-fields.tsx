import { QuantityField } from '../../parts/quantity-field.tsx';
import type { FieldSpec } from '../../../core/index.ts';

interface Props {
  readonly fields: readonly FieldSpec[];
  readonly values: Readonly<Record<string, unknown>>;
  /** JSON pointer they stand under */
  readonly path: string;
  readonly problemAt: (...paths: string[]) => string | undefined;
  readonly onSet: (change: Readonly<Record<string, number>>) => void;
}

/** The numbers of a fitting or a feature, one field each. */
export function SpecFields({ fields, values, path, problemAt, onSet }: Props) {
  return fields.map(({ key, label, kind, min, max, step, note }) => (
    <QuantityField
      key={key}
      label={label}
      kind={kind}
      value={Number(values[key] ?? min)}
      min={min}
      max={max}
      step={step}
      {...(note ? { note } : {})}
      problem={problemAt(`${path}/${key}`)}
      onCommit={(value) => onSet({ [key]: kind === 'count' ? Math.round(value) : value })}
    />
  ));
}
