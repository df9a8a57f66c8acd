import { useEffect, useState } from 'react';
import type { Kept } from '../../../contract/api.ts';
import type { CountKey, Trial, TrialRig } from '../../../core/document/index.ts';
import { freshRig, TRIAL_RANGES } from '../../../core/document/index.ts';
import { askew } from '../../../core/trial/index.ts';
import { UNSENT } from '../../data/draft-backup.ts';
import { useDraft } from '../../data/draft.ts';
import { useList } from '../../data/queries.ts';
import { Panel } from '../../parts/panel.tsx';
import { Problems } from '../../parts/problems.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Clock, Counters } from './counters.tsx';
import { DayHead } from './day-head.tsx';
import { Measures } from './measures.tsx';
import { keepAtHand } from './offline.ts';
import { useTitle } from '../../parts/title.ts';
import { RigBar } from './rig-bar.tsx';
import { RigForm } from './rig-form.tsx';

const now = (): number => Date.now();
const hoursSince = (began: number): number => (now() - began) / 3_600_000;

/** One day, made for a thumb: which rig is on, and one tap for whatever happens. */
export function Day({ kept }: { readonly kept: Kept<Trial> }) {
  const draft = useDraft('trials', kept);
  const designs = useList('designs');
  const plastics = useList('plastics');

  const trial = draft.document;
  const [chosen, setChosen] = useState(0);
  const [adding, setAdding] = useState(false);
  const [atHand, setAtHand] = useState(false);
  const [began, setBegan] = useState<number | undefined>(undefined);
  const heads = [...new Set(trial.rigs.flatMap(({ design }) => design ?? []))].join(' ');
  const isSent = draft.version !== UNSENT;
  const isLoaded = designs.isSuccess && plastics.isSuccess;
  useEffect(() => {
    if (!isLoaded) return;
    // The server is asked for the day once it has it.
    keepAtHand(isSent ? [kept.id] : [], heads === '' ? [] : heads.split(' '))
      .then(() => setAtHand(true))
      .catch(() => undefined);
  }, [isLoaded, isSent, kept.id, heads]);
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
    setRig((one) => ({
      ...one,
      hours: Math.min(TRIAL_RANGES.hours[1], Math.round((one.hours + hours) * 1000) / 1000),
    }));
  };
  const choose = (next: number) => {
    stopClock();
    setChosen(next);
  };
  return (
    <div className="trial" data-at-hand={atHand}>
      <h1 className="visually-hidden">{trial.name}</h1>
      <DayHead kept={kept} draft={draft} />
      <Problems of={draft.problems} />
      <RigBar trial={trial} at={at} adding={adding} onChoose={choose} onAdd={() => setAdding(!adding)} />
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
          <Counters rig={rig} onCount={count} />
          <Clock
            rig={rig}
            place={trial.places[rig.place]?.name}
            isRunning={began !== undefined}
            onPress={() => (began === undefined ? setBegan(now()) : stopClock())}
            onHours={(hours) => setRig((one) => ({ ...one, hours }))}
            onRemove={() => {
              draft.edit((now) => ({ ...now, rigs: now.rigs.filter((_, i) => i !== at) }));
              setChosen(0);
            }}
          />
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
          ? 'This page works without a network: what is counted is kept in this browser and sent when ' +
            'the server is back.'
          : 'What is counted is kept in this browser at once, and sent to the server.'}
      </p>
      <StaleDraft collection="trials" draft={draft} />
    </div>
  );
}
