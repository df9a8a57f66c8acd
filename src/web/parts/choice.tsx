import { useId } from 'react';
import { useUnits } from '../data/units.ts';
import { FieldSaid } from './field-said.tsx';
import type { TermWord } from './term-words.ts';
import { Term } from './term.tsx';

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly (readonly [value: T, text: string])[];
  readonly onChange: (value: T) => void;
  readonly problem?: string | undefined;
  /** the word of the trade that is explained beside the label */
  readonly term?: TermWord;
}

/** A list to choose one thing from. */
export function Choice<T extends string>({ label, value, options, onChange, problem, term }: ChoiceProps<T>) {
  const id = useId();
  const { say } = useUnits();
  // A value that is not on offer is shown as it stands, so that nothing stored is silently replaced.
  const known = options.some(([key]) => key === value);
  return (
    <div className="qf" data-bad={Boolean(problem)}>
      {term ? (
        <span className="qf-label">
          <label htmlFor={id}>{label}</label> <Term word={term} />
        </span>
      ) : (
        <label htmlFor={id}>{label}</label>
      )}
      <span className="qf-box">
        <select
          id={id}
          value={value}
          aria-invalid={Boolean(problem)}
          aria-describedby={problem ? `${id}-said` : undefined}
          aria-keyshortcuts={term && 'F1'}
          onKeyDown={(event) => {
            if (!term || event.key !== 'F1') return;
            event.preventDefault();
            event.currentTarget.closest('.qf')?.querySelector<HTMLButtonElement>('.term')?.click();
          }}
          onChange={({ currentTarget }) => {
            const chosen = options.find(([key]) => key === currentTarget.value);
            if (chosen) onChange(chosen[0]);
          }}
        >
          {!known && <option value={value}>{value} (not in the stores)</option>}
          {options.map(([key, text]) => (
            <option key={key} value={key}>
              {text}
            </option>
          ))}
        </select>
      </span>
      <FieldSaid id={id} text={problem && say(problem)} />
    </div>
  );
}

/** A few choices side by side. */
export function Segments<T extends string>({ label, value, options, onChange }: ChoiceProps<T>) {
  const name = useId();
  return (
    <fieldset className="segments">
      <legend>{label}</legend>
      <div>
        {options.map(([key, text]) => (
          <label key={key} data-on={key === value}>
            <input
              type="radio"
              name={name}
              value={key}
              checked={key === value}
              onChange={() => onChange(key)}
            />
            {text}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
