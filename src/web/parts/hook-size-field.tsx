import { useId, useState } from 'react';
import { chartIndex, HOOK_CHART } from '../../core/hook/index.ts';
import { useUnits } from '../data/units.ts';
import { FieldSaid } from './field-said.tsx';

interface Props {
  readonly value: string;
  /** for assistive technology alone, where a table says it already */
  readonly label?: string;
  readonly problem?: string | undefined;
  readonly onChange: (size: string) => void;
}

/**
 * Hook size as it is spoken: typed (`5/0`, `#2`, `2`) or picked from the chart. A size the chart lacks stays
 * typed, with a sentence.
 */
export function HookSizeField({ value, label: name, problem, onChange }: Props) {
  const id = useId();
  const { say } = useUnits();
  const [text, setText] = useState<string | undefined>(undefined);
  const [error, setError] = useState('');
  const label = HOOK_CHART[chartIndex(value)]?.size ?? value;
  const commit = (typed: string) => {
    const row = HOOK_CHART[chartIndex(typed)];
    if (!row) {
      setError(
        `“${typed.slice(0, 20)}” is not in the chart. Type one of ${HOOK_CHART.map(({ size }) => size).join(', ')}.`,
      );
      return;
    }
    setError('');
    setText(undefined);
    if (row.size !== label) onChange(row.size);
  };
  const reset = () => {
    setText(undefined);
    setError('');
  };
  const said = error || (problem && say(problem));
  return (
    <div className={name ? 'qf qf-bare' : 'qf'} data-bad={Boolean(said)}>
      <label htmlFor={id} className={name ? 'visually-hidden' : undefined}>
        {name ?? 'Hook size'}
      </label>
      <span className="qf-box">
        <input
          id={id}
          list={`${id}-chart`}
          autoComplete="off"
          value={text ?? label}
          aria-invalid={Boolean(said)}
          aria-describedby={said ? `${id}-said` : undefined}
          onFocus={(event) => event.currentTarget.select()}
          onChange={(event) => {
            const typed = event.currentTarget.value.slice(0, 20);
            setText(typed);
            // Picking from the list gives a whole size at once; typing gives one only by chance, and then it
            // is meant.
            if (HOOK_CHART.some(({ size }) => size === typed)) commit(typed);
          }}
          onBlur={() => text !== undefined && commit(text)}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && text !== undefined) commit(text);
            if (event.key === 'Escape') reset();
          }}
        />
        <datalist id={`${id}-chart`}>
          {HOOK_CHART.map(({ size }) => (
            <option key={size} value={size} />
          ))}
        </datalist>
      </span>
      <FieldSaid id={id} text={said} />
    </div>
  );
}
