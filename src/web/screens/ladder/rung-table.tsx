import type { ReadingId } from '../../../core/behaviour/index.ts';
import type { LadderSpec } from '../../../core/document/index.ts';
import { HEAD_RANGES } from '../../../core/head/index.ts';
import { useUnits } from '../../data/units.ts';
import type { Columns } from '../../parts/data-table.tsx';
import { column, DataTable } from '../../parts/data-table.tsx';
import { HookSizeField } from '../../parts/hook-size-field.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import type { RungFigure } from '../../workers/judge.worker.ts';

interface Props {
  readonly ladder: LadderSpec;
  /** as last judged; a row keeps what was last known of it while the worker is at it */
  readonly rungs: readonly RungFigure[] | undefined;
  /** the design's own hook */
  readonly own: string;
  readonly put: (change: Partial<LadderSpec>) => void;
}

interface Row {
  readonly rung: LadderSpec['rungs'][number];
  readonly figure: RungFigure | undefined;
}

/** The rungs of a ladder, each with its weight, hook and name to set, and what comes of it. */
export function RungTable({ ladder, rungs, own, put }: Props) {
  const { format, say } = useUnits();
  const putRung = (i: number, change: Partial<Row['rung']>) =>
    put({ rungs: ladder.rungs.map((rung, k) => (k === i ? { ...rung, ...change } : rung)) });
  const value = ({ figure }: Row, id: ReadingId) =>
    (figure?.judged.ok ? figure.judged.readings[id]?.value : undefined) ?? NaN;
  const columns: Columns<Row> = [
    column('weight', 'Weight', ({ rung }, i) => (
      <QuantityField
        label={`Weight of rung ${i + 1}`}
        bare
        kind="mass"
        value={rung.grams}
        min={HEAD_RANGES.grams[0]}
        max={HEAD_RANGES.grams[1]}
        step={rung.grams / 50}
        onCommit={(grams) => putRung(i, { grams })}
      />
    )),
    column(
      'hook',
      'Hook',
      ({ rung, figure }, i) => (
        <>
          <HookSizeField
            label={`Hook of rung ${i + 1}`}
            value={rung.hook ?? figure?.hook ?? own}
            problem={undefined}
            onChange={(hook) => putRung(i, { hook })}
          />
          {rung.hook && (
            <button type="button" className="btn-link-brass" onClick={() => putRung(i, { hook: undefined })}>
              by rule
            </button>
          )}
        </>
      ),
      { className: 'ladder-hook' },
    ),
    column('name', 'Name', ({ rung, figure }, i) => (
      <RungName
        label={`Name of rung ${i + 1}`}
        name={rung.name ?? figure?.name ?? ''}
        onName={(name) => putRung(i, { name: name || undefined })}
      />
    )),
    column('sizes', 'Length × breadth × height', (row) =>
      (['head.length', 'head.breadth', 'head.height'] as const)
        .map((id) => format(value(row, id), 'size'))
        .join(' × '),
    ),
    column('total', 'Total weight', (row) => format(value(row, 'mass.total'), 'mass')),
    column('fall', 'Falls', (row) => format(value(row, 'fall.speed'), 'speed')),
    column('bite', 'Bite above eye', (row) => format(value(row, 'hook.biteAboveEye'), 'size')),
    column('out', '', (_, i) => (
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        aria-label={`Remove rung ${i + 1}`}
        onClick={() => put({ rungs: ladder.rungs.filter((_rung, k) => k !== i) })}
      >
        ×
      </button>
    )),
  ];
  return (
    <div className="ladder-table" tabIndex={0} role="region" aria-label="Rungs">
      <DataTable
        columns={columns}
        rows={ladder.rungs.map((rung, i): Row => ({ rung, figure: rungs?.[i] }))}
        rowKey={(_, i) => String(i)}
        rowProps={({ figure }) => ({ 'data-bad': figure && !figure.judged.ok })}
        instead={({ figure }) =>
          figure && !figure.judged.ok
            ? { from: 'sizes', to: 'bite', words: say(figure.judged.problems[0]?.message ?? '') }
            : undefined
        }
      />
      {ladder.rungs.length === 0 && <p>No rung yet. Add one, or begin with the usual series.</p>}
    </div>
  );
}

function RungName({
  label,
  name,
  onName,
}: {
  readonly label: string;
  readonly name: string;
  readonly onName: (name: string) => void;
}) {
  return (
    <input
      key={name}
      aria-label={label}
      defaultValue={name}
      maxLength={120}
      onBlur={(event) => {
        const typed = event.currentTarget.value.trim();
        if (typed !== name) onName(typed);
      }}
    />
  );
}
