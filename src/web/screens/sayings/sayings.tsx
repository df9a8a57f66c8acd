import { useMemo } from 'react';
import { Link } from 'react-router';
import type { SayingRow, SayingVerdict } from '../../../core/match/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { SAYINGS } from '../../../core/match/index.ts';
import { useList, useStores } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { Panel } from '../../parts/panel.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { Working } from '../../parts/working.tsx';
import type { GoesOn } from '../../workers/in-parts.ts';
import { judgeWorker } from '../../workers/judge.ts';
import { useParts } from '../../workers/use-parts.ts';
import './sayings.css';

const SIGNS: Readonly<Record<SayingVerdict, string>> = {
  agreed: '● agreed',
  not: '✕ not here',
  depends: '◐ it depends',
  'nothing to test it on': '· no such head',
};

interface Job {
  readonly heads: Parameters<ReturnType<typeof judgeWorker>['sayings']>[0];
  readonly metals: readonly Metal[] | undefined;
}
const run = ({ heads, metals }: Job, goesOn: GoesOn<SayingRow>) =>
  judgeWorker('later').sayings(heads, metals, goesOn);

/**
 * Sayings of the trade, held against the shop's own heads: agreed, not, or it depends, with the figures and
 * why.
 */
export function Sayings() {
  const designs = useList('designs');
  const stores = useStores();
  const { say } = useUnits();
  const job = useMemo<Job | undefined>(
    () =>
      designs.data && {
        heads: designs.data.flatMap(({ document, summary }) =>
          summary?.ok ? [{ name: document.name, design: document, values: summary.readings }] : [],
        ),
        metals: stores.data?.metals,
      },
    [designs.data, stores.data],
  );
  const work = useParts(job, run);
  const { output, parts, error, progress } = work;
  if (designs.isPending) return <Loading what="the heads" />;
  if (designs.isError) return <Failed error={designs.error} retry={() => void designs.refetch()} />;
  return (
    <div className="sayings">
      <h1>Sayings, tested on your own heads</h1>
      <p>
        {SAYINGS.length} things that are said across the counter (common practice, no source), each held
        against what is computed for up to six heads of the sort it is about. A model has its span: where it
        and the trade part, both stand here. What the match is told of the trade stands under{' '}
        <Link to="/rules">Rules</Link>.
      </p>
      {error && <p className="problems">■ {error}</p>}
      <Working what="sayings tested" of={work} />
      <Panel what="The sayings">
        <ul className="saying-list">
          {(progress ? parts : (output ?? [])).map(({ key, says, why, verdict, evidence }) => (
            <li key={key} className="saying" data-verdict={verdict}>
              <h2>
                “{say(says)}” <span>{SIGNS[verdict]}</span>
              </h2>
              <p>{say(why)}</p>
              {evidence.length > 0 && (
                <table className="saying-table">
                  <tbody>
                    {evidence.map(({ name, holds, figures }) => (
                      <tr key={name}>
                        <th scope="row">{name}</th>
                        <td>{holds ? '● holds' : '✕ does not'}</td>
                        <td>{say(figures)}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              )}
            </li>
          ))}
        </ul>
      </Panel>
    </div>
  );
}
