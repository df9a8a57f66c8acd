import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import type { RulesInForce } from '../../../contract/api.ts';
import type { Brief, Design } from '../../../core/document/index.ts';
import type { Service } from '../../../core/match/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { questionOf, SITUATIONS } from '../../../core/match/index.ts';
import { useList, useOne, useRules, useStores } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { Panel } from '../../parts/panel.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { useTitle } from '../../parts/title.ts';
import { Working } from '../../parts/working.tsx';
import type { GoesOn } from '../../workers/in-parts.ts';
import { judgeWorker } from '../../workers/judge.ts';
import { useParts } from '../../workers/use-parts.ts';
import type { UseRow } from '../../workers/match-rows.ts';
import './uses.css';

const TITLES: readonly (readonly [Service, string])[] = [
  ['serves', '● Serves'],
  ['with care', '◐ With care'],
  ['not there', '✕ Not there'],
];

interface Job {
  readonly design: Design;
  readonly briefs: readonly { readonly key: string; readonly brief: Brief }[];
  readonly rules: RulesInForce['document'];
  readonly metals: readonly Metal[] | undefined;
}
const run = ({ design, briefs, rules, metals }: Job, goesOn: GoesOn): Promise<UseRow[]> =>
  judgeWorker('later').uses(design, briefs, rules, metals, goesOn);

/**
 * What a head is good for: the shop's own briefs and the situations of the trade it serves, and where it must
 * not go.
 */
export function Uses() {
  const { id = '' } = useParams();
  const design = useOne('designs', id);
  const briefs = useList('briefs');
  const rules = useRules();
  const stores = useStores();
  const { say } = useUnits();
  const job = useMemo<Job | undefined>(
    () =>
      design.data && briefs.data && rules.data
        ? {
            design: design.data.document,
            briefs: [
              ...briefs.data.map((row) => ({ key: `brief ${row.id}`, brief: row.document })),
              ...SITUATIONS,
            ],
            rules: rules.data.document,
            metals: stores.data?.metals,
          }
        : undefined,
    [design.data, briefs.data, rules.data, stores.data],
  );
  const work = useParts(job, run);
  const { output, error } = work;
  useTitle(design.data?.document.name ?? '');
  if (design.isPending) return <Loading what="the head" />;
  if (design.isError)
    return (
      <Failed error={design.error} retry={() => void design.refetch()} of={{ collection: 'designs', id }} />
    );
  const { name } = design.data.document;
  return (
    <div className="uses">
      <h1>
        <Link to={`/designs/${id}`}>{name}</Link>: what it is for
      </h1>
      <p>
        Held against the shop’s own briefs and {SITUATIONS.length} situations of the trade, each with a bait
        of its kind in the length that fits this head.{' '}
        <a href={`/api/designs/${id}/counter-card`} download>
          Counter card (PDF)
        </a>
      </p>
      {error && <p className="problems">■ {error}</p>}
      <Working what="situations asked" of={work} />
      <Panel what="The uses">
        {output &&
          TITLES.map(([service, title]) => {
            const rows = output.filter((row) => row.service === service);
            return (
              <section key={service} className="use-group" data-service={service}>
                <h2>
                  {title} <small>{rows.length}</small>
                </h2>
                <ul>
                  {rows.map(({ key, name: brief, question, why }) => (
                    <li key={key}>
                      {key.startsWith('brief ') ? (
                        <Link to={`/briefs/${key.slice(6)}`}>{brief}</Link>
                      ) : (
                        <b>{brief}</b>
                      )}
                      {question && (
                        <span>
                          {' '}
                          {questionOf(question).name}: {say(why)}
                        </span>
                      )}
                    </li>
                  ))}
                  {rows.length === 0 && <li>None.</li>}
                </ul>
              </section>
            );
          })}
      </Panel>
    </div>
  );
}
