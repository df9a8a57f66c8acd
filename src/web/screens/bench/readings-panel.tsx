import { fixed } from '../../data/locale.ts';
import { READING_GROUPS, READING_IDS, READINGS } from '../../../core/behaviour/index.ts';
import { useState } from 'react';
import type { Flag, ReadingId, Readings } from '../../../core/behaviour/index.ts';
import type { QuantityKind } from '../../../core/quantity/index.ts';
import { withUsual } from '../../../core/quantity/index.ts';
import { useLocal } from '../../data/local.ts';
import { useUnits } from '../../data/units.ts';

/** The few that decide at first sight, and every other reading under its group, in the registry's order. */
const DECIDING = READING_GROUPS.flatMap((title) =>
  READING_IDS.filter((id) => READINGS[id].group === title && READINGS[id].decides === true),
);
const GROUPS = READING_GROUPS.map((title) => ({
  title,
  ids: READING_IDS.filter((id) => READINGS[id].group === title && !DECIDING.includes(id)),
}));

const isTitles = (value: unknown): value is readonly string[] =>
  Array.isArray(value) && value.every((title) => typeof title === 'string');

/** Quantity kinds whose unit lives in the reading itself, since it has no imperial twin here. */
const plainUnit = (unit: string) => (unit === '1' ? '' : unit);

/** Returns a reading’s value as it is shown. */
export function readingText(
  id: ReadingId,
  value: number,
  format: (value: number, kind: QuantityKind) => string,
): string {
  const { quantity, unit, decimals } = READINGS[id];
  if (quantity === 'number' && decimals !== undefined)
    return `${fixed(value, decimals).replace('-', '−')} ${plainUnit(unit)}`.trim();
  return quantity === 'number'
    ? `${format(value, 'number')} ${plainUnit(unit)}`.trim()
    : format(value, quantity);
}

const SIGN: Readonly<Record<Flag['level'], string>> = { stop: '■ Stop', care: '▲ Care', note: '● Note' };

interface PanelProps {
  readonly readings: Readings;
  readonly flags: readonly Flag[];
  /** slow readings are still those of the state before: shown pale until theirs come */
  readonly isSettling: boolean;
}

/**
 * Flags first, then the readings that decide, then the groups of all others, which unfold and stay as they
 * were left; a reading opens to tell how it was made.
 */
export function ReadingsPanel({ readings, flags, isSettling }: PanelProps) {
  const { say } = useUnits();
  const [open, setOpen] = useState<ReadingId | undefined>(undefined);
  const [unfolded, setUnfolded] = useLocal<readonly string[]>('fern-anvil.readings', [], isTitles);
  const row = (id: ReadingId) => (
    <ReadingRow
      key={id}
      id={id}
      reading={readings[id]}
      isOpen={open === id}
      isSettling={isSettling}
      onOpen={(isOpen) => setOpen(isOpen ? id : undefined)}
    />
  );
  return (
    <div className="readings">
      {flags.length > 0 && (
        <ul className="flags" aria-label="What to know">
          {flags.map((flag) => (
            <li key={flag.text} className={`flag flag-${flag.level}`}>
              <b>{SIGN[flag.level]}</b> {say(flag.text)}
            </li>
          ))}
        </ul>
      )}
      <section aria-label="Key readings">
        <dl className="readings-key">
          {/* Those that come a moment later keep their place. */}
          {DECIDING.filter((id) => readings[id] !== undefined || isSettling).map(row)}
        </dl>
      </section>
      {GROUPS.map(({ title, ids }) => {
        const present = ids.filter((id) => readings[id] !== undefined);
        if (present.length === 0) return null;
        return (
          <details
            key={title}
            className="readings-group"
            open={unfolded.includes(title)}
            onToggle={({ currentTarget }) =>
              setUnfolded((now) =>
                currentTarget.open === now.includes(title)
                  ? now
                  : currentTarget.open
                    ? [...now, title]
                    : now.filter((one) => one !== title),
              )
            }
          >
            <summary>
              <h3>{title}</h3> <small>{present.length}</small>
            </summary>
            <dl>{present.map(row)}</dl>
          </details>
        );
      })}
    </div>
  );
}

interface RowProps {
  readonly id: ReadingId;
  /** absent while it is being computed */
  readonly reading: Readings[ReadingId];
  readonly isOpen: boolean;
  readonly isSettling: boolean;
  readonly onOpen: (isOpen: boolean) => void;
}

/** A reading: its name and kind, its value and span, and how it was made where it is opened. */
function ReadingRow({ id, reading, isOpen, isSettling, onOpen }: RowProps) {
  const { format, say } = useUnits();
  const { name, isSlow } = READINGS[id];
  return (
    <div className="reading" data-open={isOpen} data-settling={isSettling && isSlow}>
      <dt>
        <button type="button" aria-expanded={isOpen} disabled={!reading} onClick={() => onOpen(!isOpen)}>
          {name}
          {reading && <small className={`kind kind-${reading.kind}`}>{reading.kind}</small>}
        </button>
      </dt>
      <dd>
        {reading ? (
          <>
            <output data-reading={id}>{readingText(id, reading.value, format)}</output>
            <Span of={reading.range?.map((end) => readingText(id, end, format))} />
          </>
        ) : (
          '…'
        )}
      </dd>
      {isOpen && reading && <p className="reading-note">{say(withUsual(reading.note))}</p>}
    </div>
  );
}

/** The ends of what a reading may be off by, where they are not written alike. */
function Span({ of: [from, to] = [] }: { readonly of: readonly string[] | undefined }) {
  return from === to ? null : (
    <small className="reading-range">
      {from} to {to}
    </small>
  );
}
