import { messageOf } from '../../../core/kind/index.ts';
import { fixed } from '../../data/locale.ts';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useQueryClient } from '@tanstack/react-query';
import type { Design, Trial } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import type { WaterCalibration } from '../../../core/trial/index.ts';
import { METALS } from '../../../core/material/index.ts';
import { replace } from '../../data/api.ts';
import { oneKey, refreshLists, useOne, useStores } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { useAddress } from '../../parts/address.ts';
import { useNotices } from '../../parts/notices.tsx';
import { useJudged } from '../../workers/judge.ts';
import { makeWorker } from '../../workers/make.ts';
import { useList } from '../../data/queries.ts';

interface Job {
  readonly design: Design;
  readonly drops: Trial['drops'];
  readonly tows: Trial['tows'];
  readonly metals: readonly Metal[];
}
const run = ({ design, drops, tows, metals }: Job): Promise<WaterCalibration> =>
  makeWorker().calibrate(design, { drops, tows }, metals);

/** The drag of a design as timed drops and running depths say it is, and whether the model had it. */
export function Calibration({ days }: { readonly days: readonly Trial[] }) {
  const { search, set } = useAddress();
  const designs = useList('designs');
  const measured = useMemo(
    () => [...new Set(days.flatMap(({ drops, tows }) => [...drops, ...tows].map(({ design }) => design)))],
    [days],
  );
  const chosen = measured.find((id) => id === search.get('head')) ?? measured[0];
  if (chosen === undefined)
    return (
      <p>
        Time some drops of a bare head beside a measure on a day on the water; its drag is worked out here.
      </p>
    );
  const nameOf = (id: string) =>
    designs.data?.find((row) => row.id === id)?.document.name ?? 'a head since deleted';
  return (
    <section aria-label="Measured drag">
      <label>
        Head{' '}
        <select value={chosen} onChange={(event) => set('head', event.currentTarget.value)}>
          {measured.map((id) => (
            <option key={id} value={id}>
              {nameOf(id)}
            </option>
          ))}
        </select>
      </label>
      <OfHead key={chosen} id={chosen} days={days} />
    </section>
  );
}

function OfHead({ id, days }: { readonly id: string; readonly days: readonly Trial[] }) {
  const design = useOne('designs', id);
  const stores = useStores();
  const client = useQueryClient();
  const { tell } = useNotices();
  const { say } = useUnits();
  const kept = design.data;
  const job = useMemo<Job | undefined>(
    () =>
      kept && {
        design: kept.document,
        drops: days.flatMap(({ drops }) => drops.filter((drop) => drop.design === id)),
        tows: days.flatMap(({ tows }) => tows.filter((tow) => tow.design === id)),
        metals: stores.data?.metals ?? METALS,
      },
    [kept, days, id, stores.data],
  );
  const { output, error } = useJudged(job, run);
  if (design.isError) return <p>This head is no longer on the Rack.</p>;
  if (error) return <p className="problems">■ {error}</p>;
  if (!output || !kept) return <p role="status">Looking …</p>;
  if (!output.ok) return <p className="problems">■ {say(output.problems[0]?.message ?? '')}</p>;
  const { drag } = output;
  const now = kept.document.drag;
  const use = async (next: Design['drag']) => {
    try {
      const { drag: _, ...plain } = kept.document;
      const saved = await replace('designs', id, next ? { ...plain, drag: next } : plain, kept.version);
      client.setQueryData(oneKey('designs', id), saved);
      await refreshLists(client, 'designs');
      tell({
        tone: 'good',
        text: next
          ? `${plain.name} falls and runs by its measured drag now. Undo on its Bench takes it back.`
          : `${plain.name} falls and runs by the model again.`,
      });
    } catch (reason) {
      tell({ tone: 'bad', text: messageOf(reason) });
    }
  };
  return (
    <>
      <p role="status">{say(output.says)}</p>
      {drag && (
        <p>
          Its drag is <b>{fixed(drag.factor, 2)}</b> times what is reckoned ({fixed(drag.low, 2)} to{' '}
          {fixed(drag.high, 2)}, from {drag.count} {drag.count === 1 ? 'measurement' : 'measurements'}), so it
          falls at {fixed(1 / Math.sqrt(drag.factor), 2)} of the speed.
        </p>
      )}
      <ul>
        {[...output.drops, ...output.tows].map(({ says, isMissed }, i) => (
          <li key={i}>
            <span className={isMissed ? 'state-bad' : 'state-good'}>{isMissed ? '✕' : '●'}</span> {say(says)}
          </li>
        ))}
      </ul>
      <div className="shop-row">
        <button
          type="button"
          className="btn btn-fern"
          disabled={!drag || (now && drag.factor === now.factor && drag.count === now.count)}
          onClick={() => void use(drag)}
        >
          Let fall and retrieve use it
        </button>
        {now && (
          <button type="button" className="btn btn-quiet" onClick={() => void use(undefined)}>
            Back to the model
          </button>
        )}
        <Link className="btn btn-quiet" to={`/designs/${id}`}>
          To its Bench
        </Link>
      </div>
      <p className="shop-note">
        One factor on all of its drag, the mean of the logarithms with Student’s interval; drops in the water
        they were timed in, and depths with the line that was out. Measure it bare: what is rigged on it is
        reckoned as before.
      </p>
    </>
  );
}
