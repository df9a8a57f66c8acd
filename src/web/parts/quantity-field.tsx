import { useId, useState } from 'react';
import type { KeyboardEvent } from 'react';
import type { QuantityKind } from '../../core/quantity/index.ts';
import { useUnits } from '../data/units.ts';
import { useStepped } from './stepped.ts';
import { FieldSaid } from './field-said.tsx';

/** What a field of a quantity needs to know. */
export interface QuantityFieldProps {
  readonly label: string;
  readonly kind: QuantityKind;
  /** stored value */
  readonly value: number;
  readonly min: number;
  readonly max: number;
  /** one step of an arrow key, stored units; a hundredth of the value where absent */
  readonly step?: number;
  readonly note?: string;
  /** something the computation has to say about this field */
  readonly problem?: string | undefined;
  readonly disabled?: boolean;
  /** the name is for assistive technology alone: a table says it already */
  readonly bare?: boolean;
  /** a value while it is being dragged or stepped */
  readonly onLive?: (value: number) => void;
  readonly onCommit: (value: number) => void;
}

/**
 * A field that takes what people type, in any unit of its kind. Arrow keys step, the name can be dragged
 * sideways, a bad value stays in the field with a sentence that says what to type, and Escape gives the old
 * one back.
 */
export function QuantityField(props: QuantityFieldProps) {
  const {
    label,
    kind,
    value,
    min,
    max,
    note,
    problem,
    disabled = false,
    bare = false,
    onLive,
    onCommit,
  } = props;
  const { unit: unitOf, figure, format, editing, say, read: readTyped } = useUnits();
  const id = useId();
  const [text, setText] = useState<string | undefined>(undefined);
  const [error, setError] = useState('');
  /** how what was typed last was read, where that may surprise */
  const [read, setRead] = useState('');
  const unit = unitOf(kind);
  const step = props.step ?? Math.max(1e-3, Math.abs(value) / 100);

  const within = (next: number) => Math.min(max, Math.max(min, next));
  const { dragging, stepBy, settle, startDrag } = useStepped({
    value,
    step,
    within,
    disabled,
    onLive,
    onCommit,
  });
  const commitText = () => {
    if (text === undefined) return;
    const parsed = readTyped(text, kind);
    if (!parsed.ok) {
      setError(parsed.message);
      return;
    }
    // A hair of tolerance: bounds are stored in mm and g, and may be typed in inches and ounces.
    const slack = Math.abs(max - min) * 1e-9;
    if (parsed.value < min - slack || parsed.value > max + slack) {
      setError(
        `${label} must be from ${format(min, kind)} to ${format(max, kind)}. Type a value between them.`,
      );
      return;
    }
    setError('');
    setText(undefined);
    setRead(parsed.said ?? '');
    if (Math.abs(parsed.value - value) > 1e-9 * Math.max(1, Math.abs(value))) onCommit(within(parsed.value));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Enter') commitText();
    else if (event.key === 'Escape') {
      setText(undefined);
      setError('');
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      setText(undefined);
      setError('');
      stepBy((event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : 1));
    }
  };

  const said = error || (problem && say(problem));
  return (
    <div className={bare ? 'qf qf-bare' : 'qf'} data-bad={Boolean(said)} data-dragging={dragging}>
      <label
        className={bare ? 'visually-hidden' : undefined}
        htmlFor={id}
        onPointerDown={startDrag}
        title={note ? `${note} Drag sideways to change.` : 'Drag sideways to change.'}
      >
        {label}
      </label>
      <span className="qf-box">
        <input
          id={id}
          type="text"
          inputMode="text"
          autoComplete="off"
          spellCheck={false}
          disabled={disabled}
          data-editing={text !== undefined}
          value={text ?? figure(value, kind)}
          aria-invalid={Boolean(said)}
          aria-describedby={said ? `${id}-said` : undefined}
          onFocus={(event) => event.currentTarget.select()}
          onChange={(event) => {
            setText(event.currentTarget.value.slice(0, 80));
            setRead('');
          }}
          onBlur={() => {
            commitText();
            settle();
          }}
          onKeyUp={(event) => (event.key === 'ArrowUp' || event.key === 'ArrowDown') && settle()}
          onKeyDown={onKeyDown}
          onDoubleClick={() => setText(editing(value, kind))}
        />
        {unit && <span className="qf-unit">{unit}</span>}
      </span>
      <FieldSaid id={id} text={said} />
      {read && !said && (
        <small className="field-read" role="status">
          {read}
        </small>
      )}
    </div>
  );
}
