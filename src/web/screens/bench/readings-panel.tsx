import { fixed } from '../../data/locale.ts';
import { READING_GROUPS, READING_IDS, READINGS } from '../../../core/behaviour/index.ts';
import { useState } from 'react';
import type { Flag, ReadingId, Readings } from '../../../core/behaviour/index.ts';
import type { QuantityKind } from '../../../core/quantity/index.ts';
import { withUsual } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';

/** Every reading under its group, in the order the registry keeps. */
const GROUPS = READING_GROUPS.map((title) => ({
  title,
  ids: READING_IDS.filter((id) => READINGS[id].group === title),
}));

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

/** Flags first, then every reading with its kind; a reading opens to tell how it was made. */
export function ReadingsPanel({
  readings,
  flags,
  isSettling,
}: {
  readonly readings: Readings;
  readonly flags: readonly Flag[];
  /** slow readings are still those of the state before: shown pale until theirs come */
  readonly isSettling: boolean;
}) {
  const { format, say } = useUnits();
  const [open, setOpen] = useState<ReadingId | undefined>(undefined);
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
      {GROUPS.map(({ title, ids }) => {
        const present = ids.filter((id) => readings[id] !== undefined);
        if (present.length === 0) return null;
        return (
          <section key={title}>
            <h3>{title}</h3>
            <dl>
              {present.map((id) => {
                const reading = readings[id];
                if (!reading) return null;
                const { name } = READINGS[id];
                const isOpen = open === id;
                return (
                  <div
                    key={id}
                    className="reading"
                    data-open={isOpen}
                    data-settling={isSettling && READINGS[id].isSlow}
                  >
                    <dt>
                      <button
                        type="button"
                        aria-expanded={isOpen}
                        onClick={() => setOpen(isOpen ? undefined : id)}
                      >
                        {name}
                        <small className={`kind kind-${reading.kind}`}>{reading.kind}</small>
                      </button>
                    </dt>
                    <dd>
                      <output data-reading={id}>{readingText(id, reading.value, format)}</output>
                      <Span of={reading.range?.map((end) => readingText(id, end, format))} />
                    </dd>
                    {isOpen && <p className="reading-note">{say(withUsual(reading.note))}</p>}
                  </div>
                );
              })}
            </dl>
          </section>
        );
      })}
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
