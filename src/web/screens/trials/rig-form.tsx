import { useState } from 'react';
import type { Kept } from '../../../contract/api.ts';
import type { Design, Trial, TrialRig } from '../../../core/document/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import type { MethodKey } from '../../../core/rigging/index.ts';
import { TRIAL_RANGES } from '../../../core/document/index.ts';
import { METHODS } from '../../../core/rigging/index.ts';
import { useUnits } from '../../data/units.ts';

interface Props {
  readonly trial: Trial;
  readonly designs: readonly Kept<Design>[];
  readonly plastics: readonly Kept<Plastic>[];
  readonly onPlace: (name: string) => void;
  readonly onAdd: (rig: Pick<TrialRig, 'head' | 'place'> & Partial<TrialRig>) => void;
}

/** A rig that is tied on: a head of the Rack or any other, what it carries, and where. */
export function RigForm({ trial, designs, plastics, onPlace, onAdd }: Props) {
  const { format, read } = useUnits();
  const [design, setDesign] = useState('');
  const [other, setOther] = useState('');
  const [plastic, setPlastic] = useState('');
  const [method, setMethod] = useState('');
  const [place, setPlace] = useState(0);
  const [weight, setWeight] = useState('');
  const [said, setSaid] = useState('');
  const found = designs.find(({ id }) => id === design);
  const readings = found?.summary?.ok ? found.summary.readings : undefined;
  const add = () => {
    const head = found?.document.name ?? other.trim();
    if (!head) return setSaid('Head: choose one of the Rack, or name another.');
    const grams = weight.trim() === '' ? readings?.['mass.metal'] : undefined;
    const typed = weight.trim() === '' ? undefined : read(weight, 'mass');
    if (typed && !typed.ok) return setSaid(typed.message);
    const [least, most] = TRIAL_RANGES.grams;
    if (typed?.ok && !(typed.value >= least && typed.value <= most))
      return setSaid(`Weight: enter a weight from ${format(least, 'mass')} to ${format(most, 'mass')}.`);
    setSaid('');
    const kept = typed?.ok ? typed.value : grams;
    onAdd({
      head: head.slice(0, 120),
      place,
      ...(found ? { design: found.id } : {}),
      ...(kept ? { grams: kept } : {}),
      ...(plastic ? { plastic: plastic.slice(0, 120) } : {}),
      ...(method ? { method: method as MethodKey } : {}),
    });
  };
  return (
    <form
      className="trial-form"
      aria-label="A rig"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <label>
        Head
        <select value={design} onChange={(event) => setDesign(event.currentTarget.value)}>
          <option value="">another …</option>
          {designs.map(({ id, document }) => (
            <option key={id} value={id}>
              {document.name}
            </option>
          ))}
        </select>
      </label>
      {!found && (
        <label>
          Name of the head
          <input value={other} maxLength={120} onChange={(event) => setOther(event.currentTarget.value)} />
        </label>
      )}
      <label>
        Weight
        <input
          inputMode="decimal"
          value={weight}
          placeholder={readings?.['mass.metal'] ? format(readings['mass.metal'], 'mass') : 'total weight'}
          onChange={(event) => setWeight(event.currentTarget.value)}
        />
      </label>
      <label>
        Plastic
        <select value={plastic} onChange={(event) => setPlastic(event.currentTarget.value)}>
          <option value="">none</option>
          {plastics.map(({ id, document }) => (
            <option key={id} value={document.name}>
              {document.name}
            </option>
          ))}
        </select>
      </label>
      <label>
        Put on
        <select value={method} onChange={(event) => setMethod(event.currentTarget.value)}>
          <option value="">not said</option>
          {METHODS.map(({ key, name }) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <PlaceFields trial={trial} place={place} onChoose={setPlace} onPlace={onPlace} />
      <button type="submit" className="btn btn-fern">
        Add this rig
      </button>
      {said && (
        <p className="field-said" role="alert">
          {said}
        </p>
      )}
    </form>
  );
}

/** Where the rig is fished: a place of the day, or a new one. */
function PlaceFields({
  trial,
  place,
  onChoose,
  onPlace,
}: Pick<Props, 'trial' | 'onPlace'> & {
  /** which of the day's places */
  readonly place: number;
  readonly onChoose: (place: number) => void;
}) {
  const [newPlace, setNewPlace] = useState('');
  return (
    <>
      <label>
        Place
        <select value={place} onChange={(event) => onChoose(Number(event.currentTarget.value))}>
          {trial.places.map(({ name }, i) => (
            <option key={i} value={i}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <label>
        Another place
        <span className="shop-row">
          <input
            value={newPlace}
            maxLength={80}
            placeholder="its name"
            style={{ flex: 1 }}
            onChange={(event) => setNewPlace(event.currentTarget.value)}
          />
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            disabled={newPlace.trim() === '' || trial.places.length >= 20}
            onClick={() => {
              onPlace(newPlace.trim());
              onChoose(trial.places.length);
              setNewPlace('');
            }}
          >
            add
          </button>
        </span>
      </label>
    </>
  );
}
