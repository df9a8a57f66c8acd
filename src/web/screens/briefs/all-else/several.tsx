import { wordName } from '../../../../core/document/index.ts';

/** Several of some words, each ticked for itself. */
export function Several<T extends string>({
  label,
  options,
  chosen,
  least,
  onChange,
}: {
  readonly label: string;
  readonly options: readonly T[];
  readonly chosen: readonly T[];
  readonly least: number;
  readonly onChange: (kinds: T[]) => void;
}) {
  return (
    <fieldset className="several">
      <legend>{label}</legend>
      {options.map((kind) => {
        const isOn = chosen.includes(kind);
        const isFull = isOn ? chosen.length <= least : chosen.length >= 4;
        return (
          <label key={kind} data-on={isOn}>
            <input
              type="checkbox"
              checked={isOn}
              disabled={isFull}
              onChange={() => onChange(isOn ? chosen.filter((one) => one !== kind) : [...chosen, kind])}
            />
            {wordName(kind)}
          </label>
        );
      })}
    </fieldset>
  );
}
