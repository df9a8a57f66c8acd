import { useId, useState } from 'react';
import { FieldSaid } from '../../parts/field-said.tsx';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly maxLength: number;
  readonly inputMode?: 'numeric' | 'decimal';
  /** what was typed as it is kept */
  readonly tidied?: (text: string) => string;
  /** what is wrong with it, once tidied; undefined where nothing is */
  readonly wrong?: (text: string) => string | undefined;
  readonly onCommit: (text: string) => void;
}

/**
 * A line of text that is kept when it is left. What cannot be kept stays in the field with a sentence; Escape
 * gives the old one back.
 */
export function TypedField({
  label,
  value,
  maxLength,
  inputMode,
  tidied = (text) => text,
  wrong = () => undefined,
  onCommit,
}: Props) {
  const id = useId();
  const [text, setText] = useState<string | undefined>(undefined);
  const [said, setSaid] = useState<string | undefined>(undefined);
  const commit = () => {
    if (text === undefined) return;
    const tidy = tidied(text.trim());
    const problem = wrong(tidy);
    setSaid(problem);
    if (problem !== undefined) return;
    setText(undefined);
    if (tidy !== value) onCommit(tidy);
  };
  return (
    <div className="qf qf-typed" data-bad={said !== undefined}>
      <label htmlFor={id}>{label}</label>
      <span className="qf-box">
        <input
          id={id}
          value={text ?? value}
          maxLength={maxLength}
          inputMode={inputMode}
          aria-invalid={said !== undefined}
          aria-describedby={said === undefined ? undefined : `${id}-said`}
          onChange={(event) => setText(event.currentTarget.value)}
          onBlur={commit}
          onKeyDown={(event) => {
            if (event.key === 'Enter') commit();
            if (event.key !== 'Escape') return;
            setText(undefined);
            setSaid(undefined);
          }}
        />
      </span>
      <FieldSaid id={id} text={said} />
    </div>
  );
}
