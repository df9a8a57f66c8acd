import { Scrolls } from '../../parts/sheet.tsx';
import { useMemo } from 'react';
import type { Kept } from '../../../contract/api.ts';
import type { Brief, Design, RangePlan, RuleSet } from '../../../core/document/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import type { Serving } from '../../../core/range/index.ts';
import { addedBy, coverageOf, worthOf } from '../../../core/range/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useRemove } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { useNotices } from '../../parts/notices.tsx';
import { Panel } from '../../parts/panel.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Loading } from '../../parts/states.tsx';
import { Steps } from '../../parts/steps.tsx';
import { useJudged } from '../../workers/judge.ts';
import { rangeWorker } from '../../workers/range.ts';
import type { HeadRow } from '../../workers/range.worker.ts';
import { download } from '../exchange/download.ts';
import { Gaps } from './gaps.tsx';
import { Least } from './least.tsx';
import { MixPlan } from './mix-plan.tsx';
import { Offers } from './offers.tsx';
import { useTitle } from '../../parts/title.ts';
import { RangeFields } from './range-fields.tsx';

interface Props {
  readonly kept: Kept<RangePlan>;
  readonly others: readonly Kept<RangePlan>[];
  readonly designs: readonly Kept<Design>[];
  readonly briefs: readonly Kept<Brief>[];
  readonly plastics: readonly Kept<Plastic>[];
  readonly rules: RuleSet;
  readonly onChoose: (id: string) => void;
  readonly onNew: () => void;
}

interface Job {
  readonly briefs: readonly Brief[];
  readonly heads: readonly HeadRow[];
  readonly rules: RuleSet;
}
const run = ({ briefs, heads, rules }: Job): Promise<Serving[][]> =>
  rangeWorker().serving(briefs, heads, rules);

const MARK = ['·', '◐', '●'] as const;
const WORD = ['does not serve', 'with care', 'serves'] as const;

/** One plan: the matrix of heads and briefs, the least range, gaps, mix, prices, and the wall to print. */
export function RangeOf({ kept, others, designs, briefs, plastics, rules, onChoose, onNew }: Props) {
  const draft = useDraft('ranges', kept);
  const remove = useRemove('ranges');
  const { tell } = useNotices();
  const { say, system } = useUnits();
  const plan = draft.document;
  const byId = useMemo(() => new Map(designs.map((row) => [row.id, row])), [designs]);
  const heads = useMemo<readonly HeadRow[]>(
    () =>
      plan.offers.flatMap(({ design }) => {
        const row = byId.get(design);
        return row?.summary?.ok ? [{ id: design, design: row.document, values: row.summary.readings }] : [];
      }),
    [plan.offers, byId],
  );
  const wanted = useMemo(
    () => plan.briefs.flatMap((id) => briefs.find((row) => row.id === id) ?? []),
    [plan.briefs, briefs],
  );
  const job = useMemo<Job>(
    () => ({ briefs: wanted.map(({ document }) => document), heads, rules }),
    [wanted, heads, rules],
  );
  const { output, for: answered, error } = useJudged(job, run);
  const serves = answered === job ? output : undefined;
  useTitle(plan.name);
  const taken = heads.flatMap(({ id }, i) => (plan.wall.includes(id) ? [i] : []));
  const coverage = serves && coverageOf(serves, taken);
  const worth = serves ? worthOf(serves, taken) : [];
  const added = serves ? addedBy(serves, taken) : [];
  const nameOf = (i: number) => heads[i]?.design.name ?? '';
  const briefOf = (b: number) => wanted[b]?.document.name ?? '';
  const toggle = (id: string) =>
    draft.edit((now) => ({
      ...now,
      wall: now.wall.includes(id) ? now.wall.filter((one) => one !== id) : [...now.wall, id],
    }));
  const printWall = async () => {
    if (!(await draft.flush()))
      return tell({ tone: 'bad', text: 'The plan could not be saved yet. Try again.' });
    await download(`/ranges/${kept.id}/wall.pdf?units=${system}`, (text) => tell({ tone: 'bad', text }));
  };
  return (
    <div className="shop">
      <div className="shop-head">
        <h1>
          {plan.name} <small>the range</small>
        </h1>
        {others.length > 1 && (
          <select aria-label="Plan" value={kept.id} onChange={(event) => onChoose(event.currentTarget.value)}>
            {others.map(({ id, document }) => (
              <option key={id} value={id}>
                {document.name}
              </option>
            ))}
          </select>
        )}
        <SaveBadge state={draft.state} />
        <Steps collection="ranges" id={kept.id} draft={draft} />
        <span className="spring" />
        <button
          type="button"
          className="btn btn-sm btn-fern"
          disabled={plan.wall.length === 0}
          onClick={() => void printWall()}
        >
          Wall plan, PDF
        </button>
        <button type="button" className="btn btn-sm btn-quiet" onClick={onNew}>
          + Another plan
        </button>
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          onClick={() => remove.mutate({ id: kept.id, name: plan.name, version: draft.version })}
        >
          Delete
        </button>
      </div>
      <aside className="shop-side" aria-label="The plan">
        <Panel what="The plan">
          <RangeFields plan={plan} briefs={briefs} edit={draft.edit} />
        </Panel>
      </aside>
      <div className="shop-sheet" data-ready={serves !== undefined}>
        {draft.problems.map(({ path, message }) => (
          <p key={path + message} className="problems" role="alert">
            ■ {say(message)}
          </p>
        ))}
        {error && <p className="problems">■ {error}</p>}
        {!serves && !error && <Loading what="who serves what" />}
        {serves && coverage && (
          <>
            <Panel what="The smallest range">
              <Least plan={plan} heads={heads} serves={serves} edit={draft.edit} />
            </Panel>
            <section aria-label="Coverage">
              <h2>What the wall covers</h2>
              <p role="status">
                {plan.wall.length === 0
                  ? 'The wall is empty: tick heads, or find the smallest range.'
                  : `${taken.length} heads for ${wanted.length} briefs: ${coverage.briefs.filter(({ well }) => well > 0).length} served well, ${coverage.care.length} with care, ${coverage.missed.length} missed, ${coverage.doubled.length} by more than one.`}
              </p>
              {coverage.missed.length > 0 && plan.wall.length > 0 && (
                <p className="shop-care">Missed: {coverage.missed.map(briefOf).join('; ')}.</p>
              )}
              <Scrolls label="Heads and briefs">
                <table className="matrix">
                  <thead>
                    <tr>
                      <th scope="col">On the wall</th>
                      <th scope="col">Head</th>
                      {wanted.map(({ id, document }) => (
                        <th key={id} scope="col" title={document.name}>
                          <span>{document.name}</span>
                        </th>
                      ))}
                    </tr>
                  </thead>
                  <tbody>
                    {heads.map(({ id, design }, i) => (
                      <tr key={id} data-hangs={plan.wall.includes(id)}>
                        <td>
                          <input
                            type="checkbox"
                            aria-label={`${design.name} on the wall`}
                            checked={plan.wall.includes(id)}
                            onChange={() => toggle(id)}
                          />
                        </td>
                        <th scope="row">{design.name}</th>
                        {wanted.map(({ id: brief }, b) => {
                          const service = serves[b]?.[i] ?? 0;
                          return (
                            <td key={brief} data-serves={service}>
                              <span aria-hidden>{MARK[service]}</span>
                              <span className="visually-hidden">{WORD[service]}</span>
                            </td>
                          );
                        })}
                      </tr>
                    ))}
                  </tbody>
                </table>
              </Scrolls>
              <p className="shop-note">
                ● serves well, ◐ with care, · not there; at first, from readings kept at save, as the briefs’
                own lists begin.
              </p>
            </section>
            {taken.length > 0 && (
              <section aria-label="What each adds">
                <h2>What each head adds, and what dropping it would lose</h2>
                <Scrolls label="What each head adds">
                  <table className="shop-table">
                    <thead>
                      <tr>
                        <th scope="col">Head, in the order they add most</th>
                        <th scope="col">Adds</th>
                        <th scope="col">Lost if dropped</th>
                      </tr>
                    </thead>
                    <tbody>
                      {added.map(({ head, adds }) => {
                        const lost = worth.find((one) => one.head === head);
                        return (
                          <tr key={head}>
                            <th scope="row">{nameOf(head)}</th>
                            <td>{adds.length > 0 ? adds.map(briefOf).join('; ') : 'nothing new'}</td>
                            <td>
                              {lost && lost.lost.length > 0 ? (
                                lost.lost
                                  .map(
                                    (b) =>
                                      `${briefOf(b)}${lost.gone.includes(b) ? ' (nobody else serves it)' : ''}`,
                                  )
                                  .join('; ')
                              ) : (
                                <span className="state-care">◐ nothing: the others do it as well</span>
                              )}
                            </td>
                          </tr>
                        );
                      })}
                    </tbody>
                  </table>
                </Scrolls>
              </section>
            )}
            <Panel what="The ladders">
              <Gaps heads={taken.length > 0 ? taken.flatMap((i) => heads[i] ?? []) : heads} />
            </Panel>
            <Panel what="The mix">
              <MixPlan
                plan={plan}
                heads={taken.length > 0 ? taken.flatMap((i) => heads[i] ?? []) : heads}
                plastics={plastics}
                edit={draft.edit}
              />
            </Panel>
            <Panel what="The prices">
              <Offers plan={plan} heads={heads} edit={draft.edit} />
            </Panel>
          </>
        )}
      </div>
      <StaleDraft collection="ranges" draft={draft} />
    </div>
  );
}
