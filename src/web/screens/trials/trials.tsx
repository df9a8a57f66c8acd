import { SearchField } from '../../parts/search-field.tsx';
import { Scrolls } from '../../parts/sheet.tsx';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { newTrial } from '../../../core/document/index.ts';
import { today } from '../../data/day.ts';
import { useCreate, useList, useOne } from '../../data/queries.ts';
import { useAddress } from '../../parts/address.ts';
import { Segments } from '../../parts/choice.tsx';
import { Panel } from '../../parts/panel.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { TableFiles } from '../stores/table-files.tsx';
import type { TrialRow } from '../../../core/exchange/trials-csv.ts';
import { Calibration } from './calibration.tsx';
import { CompareDays } from './compare-days.tsx';
import { Day } from './day.tsx';
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
  const day = useOne('trials', id);
  if (day.isPending) return <Loading what="the day" />;
  if (day.isError)
    return <Failed error={day.error} retry={() => void day.refetch()} of={{ collection: 'trials', id }} />;
  return <Day key={day.data.id} kept={day.data} />;
}

function AllDays() {
  const trials = useList('trials');
  const create = useCreate('trials');
  const navigate = useNavigate();
  const { search, set } = useAddress();
  const [find, setFind] = useState('');
  const view = VIEWS.find(([key]) => key === search.get('view'))?.[0] ?? 'days';
  if (trials.isPending) return <Loading what="the days" />;
  if (trials.isError) return <Failed error={trials.error} retry={() => void trials.refetch()} />;
  const days = [...trials.data].sort((a, b) => b.document.day.localeCompare(a.document.day));
  const begin = () =>
    create.mutate(newTrial(`Day of ${today()}`, today()), {
      onSuccess: (kept) => void navigate(`/trials/${kept.id}`),
    });
  const documents = days.map(({ document }) => document);
  const shown = days.filter(({ document }) =>
    `${document.name} ${document.day} ${document.places.map(({ name }) => name).join(' ')}`
      .toLowerCase()
      .includes(find.toLowerCase()),
  );
  return (
    <div className="trial">
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
            <Scrolls label="Days">
              <table className="shop-table">
                <thead>
                  <tr>
                    <th scope="col">Day</th>
                    <th scope="col">Name</th>
                    <th scope="col" className="num">
                      Casts
                    </th>
                    <th scope="col" className="num">
                      Hang-ups
                    </th>
                    <th scope="col" className="num">
                      Touches
                    </th>
                    <th scope="col" className="num">
                      Landed
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {shown.map(({ id, document }) => {
                    const sum = (key: 'casts' | 'hangUps' | 'touches' | 'landed') =>
                      document.rigs.reduce((total, rig) => total + rig[key], 0);
                    return (
                      <tr key={id}>
                        <td>{document.day}</td>
                        <th scope="row">
                          <Link to={`/trials/${id}`}>{document.name}</Link>
                        </th>
                        <td className="num">{sum('casts')}</td>
                        <td className="num">{sum('hangUps')}</td>
                        <td className="num">{sum('touches')}</td>
                        <td className="num">{sum('landed')}</td>
                      </tr>
                    );
                  })}
                </tbody>
              </table>
            </Scrolls>
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
