import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Kept, RulesInForce } from '../../../contract/api.ts';
import type { Brief, Design, Metal } from '../../../core/index.ts';
import { METALS } from '../../../core/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useCreate, useList, useRemove, useRules, useStores } from '../../data/queries.ts';
import { useKeys } from '../../parts/keys.ts';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { BriefForm } from './brief-form.tsx';
import { commonScale, Rank } from './rank.tsx';
import { useRanking } from './use-ranking.ts';
import { Panel } from '../../parts/panel.tsx';
import './briefs.css';

/** A brief to begin from: mild fresh water over a clean bottom. */
const STARTER: Brief = {
  format: 'fern-anvil/brief',
  version: 1,
  name: 'New brief',
  water: { kind: 'fresh', temperature: 15, depth: 3, current: 0, clarity: 'stained' },
  bottom: { kind: 'flat clean', slope: 5 },
  cover: 'none',
  retrieve: 'hop',
  line: { material: 'fluorocarbon', test: 4.5 },
  bait: { kind: 'paddle-tail', length: 100 },
  mood: 'willing',
};

/** Briefs: a situation on the water, and the ranked answer with every reason. */
export function Briefs() {
  const { id } = useParams();
  const briefs = useList('briefs');
  const designs = useList('designs');
  const stores = useStores();
  const rules = useRules();
  const create = useCreate('briefs');
  const navigate = useNavigate();
  const [find, setFind] = useState('');
  const makeNew = () => create.mutate(STARTER, { onSuccess: (kept) => void navigate(`/briefs/${kept.id}`) });
  useKeys({ n: makeNew });
  if (briefs.isPending || designs.isPending || rules.isPending) return <Loading what="the briefs" />;
  if (briefs.isError) return <Failed error={briefs.error} retry={() => void briefs.refetch()} />;
  if (designs.isError) return <Failed error={designs.error} retry={() => void designs.refetch()} />;
  if (rules.isError) return <Failed error={rules.error} retry={() => void rules.refetch()} />;
  const chosen = id === undefined ? undefined : briefs.data.find((brief) => brief.id === id);
  const shown = briefs.data.filter(({ document }) =>
    `${document.name} ${document.notes ?? ''}`.toLowerCase().includes(find.toLowerCase()),
  );
  return (
    <div className="briefs">
      <aside className="brief-list" aria-label="Briefs">
        <h1>Briefs</h1>
        <input
          type="search"
          aria-label="Search the briefs"
          placeholder="Search"
          value={find}
          onChange={(event) => setFind(event.currentTarget.value)}
        />
        <ul>
          {shown.map(({ id: key, document }) => (
            <li key={key}>
              <Link to={`/briefs/${key}`} aria-current={key === id ? 'page' : undefined}>
                <b>{document.name}</b>
                <small>
                  {document.retrieve}, {document.bottom.kind}
                  {document.cover === 'none' ? '' : `, ${document.cover}`}
                </small>
              </Link>
            </li>
          ))}
        </ul>
        <button type="button" className="btn btn-sm btn-fern" onClick={makeNew} disabled={create.isPending}>
          + New brief
        </button>
      </aside>
      {chosen ? (
        <BriefOf
          key={chosen.id}
          kept={chosen}
          designs={designs.data}
          metals={stores.data?.metals ?? METALS}
          rules={rules.data}
        />
      ) : id !== undefined ? (
        <Empty title="This brief is not here">
          <p>It may have been deleted. Choose another on the left.</p>
        </Empty>
      ) : (
        <Empty title={briefs.data.length === 0 ? 'No briefs yet' : 'Which water, which bait?'}>
          <p>
            {briefs.data.length === 0
              ? 'Describe a situation on the water, and every head on the Rack is ranked for it with reasons for and against.'
              : 'Open a brief on the left to see every head ranked for it, with reasons for and against.'}
          </p>
          <button type="button" className="btn btn-fern" onClick={makeNew}>
            + New brief
          </button>
        </Empty>
      )}
    </div>
  );
}

function BriefOf({
  kept,
  designs,
  metals,
  rules,
}: {
  readonly kept: Kept<Brief>;
  readonly designs: readonly Kept<Design>[];
  readonly metals: readonly Metal[];
  readonly rules: RulesInForce;
}) {
  const draft = useDraft('briefs', kept);
  const remove = useRemove('briefs');
  const navigate = useNavigate();
  const { ranked, done, total, error, stop } = useRanking(
    draft.document,
    designs,
    metals,
    rules.document.rules,
  );
  const byId = useMemo(() => new Map(designs.map((row) => [row.id, row])), [designs]);
  const k = useMemo(() => commonScale(designs), [designs]);
  return (
    <>
      <section className="brief-form" aria-label="The situation">
        <div className="brief-form-head">
          <SaveBadge state={draft.state} />
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            onClick={() =>
              remove.mutate(
                { id: kept.id, name: kept.document.name, version: kept.version },
                { onSuccess: () => void navigate('/briefs') },
              )
            }
          >
            Delete
          </button>
        </div>
        <Panel what="The situation">
          <BriefForm brief={draft.document} problems={draft.problems} edit={draft.edit} />
        </Panel>
      </section>
      <section className="ranking" aria-label="Ranked answer">
        <div className="ranking-head">
          <h2>Ranked answer</h2>
          {done < total ? (
            <span className="ranking-progress">
              <progress value={done} max={total} aria-label="Ranking" /> {done} of {total}{' '}
              <button type="button" className="btn btn-sm btn-quiet" onClick={stop}>
                Stop
              </button>
            </span>
          ) : (
            <span role="status">{done} heads ranked</span>
          )}
        </div>
        {error && <p className="problems">■ {error}</p>}
        {rules.problems.length > 0 && (
          <p className="problems" role="status">
            ■ The shop’s own rules cannot be used, so the reference rules judge: {rules.problems[0]?.message}
          </p>
        )}
        {designs.length === 0 && <p>There are no heads on the Rack to rank. Make one there first.</p>}
        <Panel what="The answer">
          <ol className="ranks">
            {ranked.map((entry, i) => {
              const row = byId.get(entry.id);
              return row && <Rank key={entry.id} place={i + 1} row={row} entry={entry} k={k} />;
            })}
          </ol>
        </Panel>
        <p className="rig-source">
          Reasons are rules of the trade (common practice, no source) unless they say otherwise; the balance
          only orders them. A hard objection is never averaged away.
        </p>
      </section>
      <StaleDraft collection="briefs" draft={draft} />
    </>
  );
}
