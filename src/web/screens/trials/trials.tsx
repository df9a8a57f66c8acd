import { SearchField } from '../../parts/search-field.tsx';
import { useEffect, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { useNavigate, useParams } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { Trial } from '../../../core/document/index.ts';
import { newTrial } from '../../../core/document/index.ts';
import { today } from '../../data/day.ts';
import { fetchList, useCreate, useList, useOne } from '../../data/queries.ts';
import { allBegunHere, beginHere, begunHere, sendUnsaved } from '../../data/unsent.ts';
import { useAddress } from '../../parts/address.ts';
import { Segments } from '../../parts/choice.tsx';
import { Panel } from '../../parts/panel.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { TableFiles } from '../stores/table-files.tsx';
import type { TrialRow } from '../../../core/exchange/trials-csv.ts';
import { Calibration } from './calibration.tsx';
import { CompareDays } from './compare-days.tsx';
import { Day } from './day.tsx';
import { DaysTable } from './days-table.tsx';
import { keepAtHand } from './offline.ts';
import { WeightTrend } from './weight-trend.tsx';
import '../../parts/workshop.css';
import './trials.css';

const VIEWS = [
  ['days', 'Days'],
  ['compare', 'Compare'],
  ['weight', 'Does weight matter'],
  ['drag', 'Measured drag'],
] as const;
type View = (typeof VIEWS)[number][0];

const readDays = async (text: string): Promise<readonly TrialRow[]> => {
  const { readTrialsCsv } = await import('../../../core/exchange/trials-csv.ts');
  return readTrialsCsv(text);
};

/** Trials: days on the water, counted with a wet thumb, and what they say for sure. */
export function Trials() {
  const { id } = useParams();
  return id === undefined ? <AllDays /> : <OneDay id={id} />;
}

function OneDay({ id }: { readonly id: string }) {
  // A day that was begun here is here, whether or not a server has it yet.
  const [begun] = useState(() => begunHere('trials', id));
  const day = useOne('trials', id, begun === undefined);
  const kept = day.data ?? begun;
  if (kept) return <Day key={kept.id} kept={kept} />;
  if (day.isPending) return <Loading what="the day" />;
  if (day.isError)
    return <Failed error={day.error} retry={() => void day.refetch()} of={{ collection: 'trials', id }} />;
  return null;
}

/**
 * Days begun here that the server has not got yet; whatever of any day is unsaved is sent meanwhile, and a
 * phone is made ready for where there is no network.
 */
function useUnsent(known: readonly Kept<Trial>[] | undefined): {
  readonly begun: readonly Kept<Trial>[];
  readonly isAtHand: boolean;
} {
  const client = useQueryClient();
  const [begun] = useState(() => allBegunHere('trials'));
  const [isAtHand, setAtHand] = useState(false);
  useEffect(() => {
    if (known) sendUnsaved(client, 'trials', known);
  }, [client, known]);
  const isLoaded = known !== undefined;
  useEffect(() => {
    if (!isLoaded) return;
    // What a new day chooses from is asked for once, so that it is at hand too.
    Promise.all((['designs', 'plastics'] as const).map((collection) => fetchList(client, collection)))
      .then(() => keepAtHand([], []))
      .then(() => setAtHand(true))
      .catch(() => undefined);
  }, [client, isLoaded]);
  return { begun, isAtHand };
}

function AllDays() {
  const trials = useList('trials');
  const create = useCreate('trials');
  const navigate = useNavigate();
  const { search, set } = useAddress();
  const [find, setFind] = useState('');
  const { begun, isAtHand } = useUnsent(trials.data);
  const view = VIEWS.find(([key]) => key === search.get('view'))?.[0] ?? 'days';
  if (trials.isPending) return <Loading what="the days" />;
  if (trials.isError) return <Failed error={trials.error} retry={() => void trials.refetch()} />;
  const days = [...begun.filter(({ id }) => trials.data.every((day) => day.id !== id)), ...trials.data].sort(
    (a, b) => b.document.day.localeCompare(a.document.day),
  );
  const begin = () => {
    const day = newTrial(`Day of ${today()}`, today());
    // Begun in this browser, with or without a network; where nothing can be kept here, the server has to
    // answer.
    const id = beginHere('trials', day);
    if (id !== undefined) void navigate(`/trials/${id}`);
    else create.mutate(day, { onSuccess: (kept) => void navigate(`/trials/${kept.id}`) });
  };
  const documents = days.map(({ document }) => document);
  const shown = days.filter(({ document }) =>
    `${document.name} ${document.day} ${document.places.map(({ name }) => name).join(' ')}`
      .toLowerCase()
      .includes(find.toLowerCase()),
  );
  return (
    <div className="trial" data-at-hand={isAtHand}>
      <div className="trial-head">
        <h1>Trials</h1>
        <Segments<View>
          label="What is shown"
          value={view}
          options={VIEWS}
          onChange={(next) => set('view', next, 'days')}
        />
      </div>
      {view === 'days' && (
        <>
          <div className="shop-row">
            <button type="button" className="btn btn-fern" onClick={begin} disabled={create.isPending}>
              + A day on the water
            </button>
            <TableFiles
              what="trials"
              read={readDays}
              heads={['Day', 'Name', 'Rigs']}
              cells={({ document }) =>
                document ? [document.day, document.name, String(document.rigs.length)] : []
              }
            />
            <span className="trials-search">
              <SearchField label="Search the days" value={find} onChange={setFind} />
            </span>
          </div>
          {days.length === 0 ? (
            <Empty title="No day counted yet">
              <p>
                Take a phone along: casts, hang-ups, touches and fish by head and place, one tap each. It
                works without a network and is sent when there is one.
              </p>
            </Empty>
          ) : (
            <DaysTable days={shown} />
          )}
        </>
      )}
      <Panel what="The days" key={view}>
        {view === 'compare' && <CompareDays days={documents} />}
        {view === 'weight' && <WeightTrend days={documents} />}
        {view === 'drag' && <Calibration days={documents} />}
      </Panel>
    </div>
  );
}
