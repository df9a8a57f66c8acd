import { useState } from 'react';
import type { Kept } from '../../../contract/api.ts';
import type { Design, Drop, Trial } from '../../../core/document/index.ts';
import { MOST_DROPS } from '../../../core/document/index.ts';
import { useUnits } from '../../data/units.ts';
import { DropFields, TowFields } from './measure-fields.tsx';
import { MeasureList } from './measure-list.tsx';
import { dropFrom, towFrom } from './measured.ts';

interface Props {
  readonly trial: Trial;
  readonly designs: readonly Kept<Design>[];
  readonly edit: (change: (trial: Trial) => Trial) => void;
}

/** Drops timed beside a measure, and depths a head ran at: what a design's drag is measured from. */
export function Measures({ trial, designs, edit }: Props) {
  const { format, system } = useUnits();
  const [kind, setKind] = useState<'drop' | 'tow'>('drop');
  const [design, setDesign] = useState('');
  const [texts, setTexts] = useState<Readonly<Record<string, string>>>({});
  const [water, setWater] = useState<Drop['water']>('fresh');
  const [line, setLine] = useState('fluorocarbon');
  const [said, setSaid] = useState('');
  const nameOf = (id: string) =>
    designs.find((row) => row.id === id)?.document.name ?? 'a head since deleted';
  const add = () => {
    if (!design) return setSaid('Head: choose one of the Rack.');
    if (trial.drops.length + trial.tows.length >= MOST_DROPS)
      return setSaid(`A day keeps ${MOST_DROPS} measurements. Note more on another day.`);
    const given =
      kind === 'drop' ? dropFrom(texts, { design, water }, system) : towFrom(texts, { design, line }, system);
    if (!given.ok) return setSaid(given.message);
    edit(given.added);
    setTexts((now) => ({ ...now, seconds: '' }));
    setSaid('');
  };
  const field = (key: string, label: string, hint: string) => (
    <label>
      {label}
      <input
        inputMode="decimal"
        value={texts[key] ?? ''}
        placeholder={hint}
        onChange={(event) => {
          const { value } = event.currentTarget;
          setTexts((now) => ({ ...now, [key]: value }));
        }}
      />
    </label>
  );
  return (
    <details open={trial.drops.length + trial.tows.length > 0}>
      <summary>Measured: timed drops and running depths ({trial.drops.length + trial.tows.length})</summary>
      <form
        className="trial-form"
        aria-label="A measurement"
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <label>
          What
          <select
            value={kind}
            onChange={(event) => setKind(event.currentTarget.value === 'tow' ? 'tow' : 'drop')}
          >
            <option value="drop">a timed drop</option>
            <option value="tow">a running depth</option>
          </select>
        </label>
        <label>
          Head, bare
          <select value={design} onChange={(event) => setDesign(event.currentTarget.value)}>
            <option value="">choose</option>
            {designs.map(({ id, document }) => (
              <option key={id} value={id}>
                {document.name}
              </option>
            ))}
          </select>
        </label>
        {field('depth', 'Depth', format(3, 'depth'))}
        {kind === 'drop' ? (
          <DropFields
            field={field}
            water={water}
            onWater={setWater}
            onSeconds={(seconds) => setTexts((now) => ({ ...now, seconds: `${seconds.toFixed(2)} s` }))}
          />
        ) : (
          <TowFields field={field} line={line} onLine={setLine} />
        )}
        <button type="submit" className="btn btn-fern">
          Add
        </button>
        {said && (
          <p className="field-said" role="alert">
            {said}
          </p>
        )}
      </form>
      <MeasureList trial={trial} nameOf={nameOf} edit={edit} />
    </details>
  );
}
