import { useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { CountKey, Trial, TrialRig } from '../../../core/document/index.ts';
import { COUNTS, freshRig, MOST_RIGS } from '../../../core/document/index.ts';
import { askew } from '../../../core/trial/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useList, useRemove } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { Panel } from '../../parts/panel.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Steps } from '../../parts/steps.tsx';
import { Measures } from './measures.tsx';
import { keepAtHand } from './offline.ts';
import { useTitle } from '../../parts/title.ts';
import { NameInPlace } from '../../parts/name-in-place.tsx';
import { RigForm } from './rig-form.tsx';

const NAMES: Readonly<Record<CountKey, string>> = {
  casts: 'Cast',
  hangUps: 'Hung up',
  freed: 'Freed',
  lost: 'Lost',
  touches: 'Touch',
  hookUps: 'Hook-up',
  landed: 'Landed',
  thrown: 'Thrown',
};

const now = (): number => Date.now();
const hoursSince = (began: number): number => (now() - began) / 3_600_000;

/** One day, made for a thumb: which rig is on, and one tap for whatever happens. */
export function Day({ kept }: { readonly kept: Kept<Trial> }) {
  const draft = useDraft('trials', kept);
  const remove = useRemove('trials');
  const navigate = useNavigate();
  const designs = useList('designs');
  const plastics = useList('plastics');
  const { format, say } = useUnits();
  const trial = draft.document;
  const [chosen, setChosen] = useState(0);
  const [adding, setAdding] = useState(false);
  const [atHand, setAtHand] = useState(false);
  const [began, setBegan] = useState<number | undefined>(undefined);
  const heads = [...new Set(trial.rigs.flatMap(({ design }) => design ?? []))].join(' ');
  const isLoaded = designs.isSuccess && plastics.isSuccess;
  useEffect(() => {
    if (!isLoaded) return;
    keepAtHand(kept.id, heads === '' ? [] : heads.split(' '))
      .then(() => setAtHand(true))
      .catch(() => undefined);
  }, [isLoaded, kept.id, heads]);
  useTitle(trial.name);
  const at = Math.min(chosen, trial.rigs.length - 1);
  const rig = trial.rigs[at];
  const setRig = (change: (rig: TrialRig) => TrialRig) =>
    draft.edit((now) => ({ ...now, rigs: now.rigs.map((one, i) => (i === at ? change(one) : one)) }));
  const count = (key: CountKey, by: 1 | -1) =>
    setRig((one) => ({ ...one, [key]: Math.max(0, one[key] + by) }));
  const stopClock = () => {
    if (began === undefined) return;
    const hours = hoursSince(began);
    setBegan(undefined);
    setRig((one) => ({ ...one, hours: Math.min(48, Math.round((one.hours + hours) * 1000) / 1000) }));
  };
  const choose = (next: number) => {
    stopClock();
    setChosen(next);
  };
  const place = rig && trial.places[rig.place];
  return (
    <div className="trial" data-at-hand={atHand}>
      <h1 className="visually-hidden">{trial.name}</h1>
      <div className="trial-head">
        <Link className="btn btn-sm btn-quiet" to="/trials">
          ‹ Days
        </Link>
        <NameInPlace
          label="Name of the day"
          name={trial.name}
          onCommit={(name) => draft.edit((now) => ({ ...now, name }))}
        />
        <input
          type="date"
          aria-label="Day"
          value={trial.day}
          onChange={(event) => {
            const day = event.currentTarget.value;
            if (day) draft.edit((now) => ({ ...now, day }));
          }}
        />
        <SaveBadge state={draft.state} />
        <Steps collection="trials" id={kept.id} draft={draft} />
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          onClick={() =>
            remove.mutate(
              { id: kept.id, name: trial.name, version: draft.version },
              { onSuccess: () => void navigate('/trials') },
            )
          }
        >
          Delete
        </button>
      </div>
      {draft.problems.map(({ path, message }) => (
        <p key={path + message} className="problems" role="alert">
          ■ {say(message)}
        </p>
      ))}
      <div className="trial-rigs" role="group" aria-label="Rig in use">
        {trial.rigs.map((one, i) => (
          <button
            key={i}
            type="button"
            className="btn btn-quiet"
            aria-pressed={i === at}
            onClick={() => choose(i)}
          >
            {one.head}
            <small>
              {[one.plastic, trial.places[one.place]?.name, one.grams && format(one.grams, 'mass')]
                .filter(Boolean)
                .join(', ')}
            </small>
          </button>
        ))}
        <button
          type="button"
          className="btn btn-quiet"
          disabled={trial.rigs.length >= MOST_RIGS}
          aria-expanded={adding}
          onClick={() => setAdding(!adding)}
        >
          + Rig
        </button>
      </div>
      {(adding || trial.rigs.length === 0) && (
        <RigForm
          trial={trial}
          designs={designs.data ?? []}
          plastics={plastics.data ?? []}
          onPlace={(name) => draft.edit((now) => ({ ...now, places: [...now.places, { name }] }))}
          onAdd={(added) => {
            stopClock();
            draft.edit((now) => ({
              ...now,
              rigs: [...now.rigs, { ...freshRig(added.head, added.place), ...added }],
            }));
            setChosen(trial.rigs.length);
            setAdding(false);
          }}
        />
      )}
      {rig && (
        <>
          <div className="counters" role="group" aria-label={`Counters of ${rig.head}`}>
            {COUNTS.map((key) => (
              <div key={key} className="counter">
                <button type="button" className="counter-more" onClick={() => count(key, 1)}>
                  <span>{NAMES[key]}</span> <b>{rig[key]}</b>
                  <span className="visually-hidden">, one more</span>
                </button>
                <button
                  type="button"
                  className="counter-less"
                  aria-label={`${NAMES[key]}: one less`}
                  disabled={rig[key] === 0}
                  onClick={() => count(key, -1)}
                >
                  −
                </button>
              </div>
            ))}
          </div>
          <div className="shop-row">
            <button
              type="button"
              className="btn btn-quiet"
              onClick={() => (began === undefined ? setBegan(now()) : stopClock())}
            >
              {began === undefined ? '▶ Fishing' : '■ Stop the clock'}
            </button>
            <span>
              {rig.hours.toFixed(2)} h{place ? ` at ${place.name}` : ''}
            </span>
            <label>
              hours{' '}
              <input
                inputMode="decimal"
                aria-label="Hours fished"
                style={{ width: '5rem' }}
                key={rig.hours}
                defaultValue={rig.hours}
                onBlur={(event) => {
                  const hours = Number(event.currentTarget.value.replace(',', '.'));
                  if (hours >= 0 && hours <= 48 && hours !== rig.hours) setRig((one) => ({ ...one, hours }));
                }}
              />
            </label>
            <button
              type="button"
              className="btn btn-sm btn-quiet"
              onClick={() => {
                draft.edit((now) => ({ ...now, rigs: now.rigs.filter((_, i) => i !== at) }));
                setChosen(0);
              }}
            >
              Remove this rig
            </button>
          </div>
          {askew(rig).map((words) => (
            <p key={words} className="shop-care">
              ◐ {words}
            </p>
          ))}
        </>
      )}
      <Panel what="The measures">
        <Measures trial={trial} designs={designs.data ?? []} edit={draft.edit} />
      </Panel>
      <p className="shop-note">
        {atHand
          ? 'This page works without a network: what is counted is kept in this browser and sent when the server is back.'
          : 'What is counted is kept in this browser at once, and sent to the server.'}
      </p>
      <StaleDraft collection="trials" draft={draft} />
    </div>
  );
}
