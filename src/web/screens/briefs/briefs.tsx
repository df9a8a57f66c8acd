import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Kept, RulesInForce } from '../../../contract/api.ts';
import type { Brief, Design } from '../../../core/document/index.ts';
import { wordName } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import {
  assumedOf,
  doubtsOf,
  soldWithin,
  questionOf,
  QUESTIONS,
  situationOf,
  tipsOf,
  usualWindow,
} from '../../../core/match/index.ts';
import { METALS } from '../../../core/material/index.ts';
import { useAsking } from '../../data/asking.ts';
import { useDraft } from '../../data/draft.ts';
import { useCreate, useList, useRemove, useRules, useStores } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { useKeys } from '../../parts/keys.ts';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { BriefForm } from './brief-form.tsx';
import { Remarks } from './remarks.tsx';
import { AnswerTable } from './answer.tsx';
import { Proposal } from './proposal.tsx';
import { SituationPicture } from './situation-picture.tsx';
import { useAnswer } from './use-answer.ts';
import type { MatchRow } from '../../workers/match-rows.ts';
import { Panel } from '../../parts/panel.tsx';
import { useTitle } from '../../parts/title.ts';
import './briefs.css';

/** A brief to begin from: mild fresh water over a clean bottom. */
const STARTER: Brief = {
  format: 'fern-anvil/brief',
  version: 2,
  name: 'New brief',
  water: { kind: 'fresh', depth: 3 },
  bottom: { kinds: ['gravel'] },
  cover: { kinds: [] },
  fishing: { retrieve: 'hop' },
  line: { material: 'fluorocarbon', test: 4.5 },
  bait: { kind: 'paddle-tail', length: 100 },
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
                  {wordName(document.fishing.retrieve)}, {document.bottom.kinds.join(' and ')}
                  {document.cover.kinds.length === 0 ? '' : `, ${document.cover.kinds.join(' and ')}`}
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
        <Empty title="Brief not found">
          <p>It may have been deleted. Choose another on the left.</p>
        </Empty>
      ) : (
        <Empty title={briefs.data.length === 0 ? 'No briefs yet' : 'Which water, which bait?'}>
          <p>
            {briefs.data.length === 0
              ? 'Describe a situation on the water, and every head on the Rack is answered for it, question by question.'
              : 'Open a brief on the left to see which heads serve it, and why not the others.'}
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
  const { say, format } = useUnits();
  const plastics = useList('plastics').data ?? [];
  const brief = draft.document;
  useTitle(brief.name);
  const at = useMemo(() => situationOf(brief), [brief]);
  const asking = useAsking(brief, rules, metals);
  const { rows, settled, total, error, stop } = useAnswer(asking, designs);
  const window = useMemo(() => usualWindow(at), [at]);
  const [from, to] = soldWithin(window);
  const isWanting =
    rows.length > 0 && settled === total && rows.every(({ standing }) => (standing?.out ?? 1) > 0);
  const assumed = assumedOf(at);
  const mistake = useMemo(() => mistakeIn(rows), [rows]);
  const held = rows[0]?.answers
    .find(({ key }) => key === 'hold')
    ?.grounds.find(({ by, text }) => by === 'retrieve.leastWeight' && !text.endsWith('to spare.'))?.text;
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
          <BriefForm brief={brief} at={at} plastics={plastics} problems={draft.problems} edit={draft.edit} />
        </Panel>
      </section>
      <section className="ranking" aria-label="Answer">
        <Panel what="The picture">
          <SituationPicture at={at} />
        </Panel>
        <Remarks title="A shop would ask" remarks={doubtsOf(at)} tone="ask" />
        <div className="ranking-head">
          <h2>Which head</h2>
          {settled < total ? (
            <span className="ranking-progress">
              <progress value={settled} max={total} aria-label="Settling" /> {settled} of {total} settled{' '}
              <button type="button" className="btn btn-sm btn-quiet" onClick={stop}>
                Stop
              </button>
            </span>
          ) : (
            <span role="status">
              {rows.length > 0 || designs.length === 0 ? `${rows.length} heads answered` : '…'}
            </span>
          )}
        </div>
        <p className="answer-summary">
          Usual {window.what}: <b>{format(from, 'mass')}</b>
          {to > from && (
            <>
              {' '}
              to <b>{format(to, 'mass')}</b>
            </>
          )}
          .{held && ` By the line: ${say(held)}`} Decided by:{' '}
          {QUESTIONS.filter(
            (question) => question.isAsked(at) && (brief.decisive?.[question.key] ?? question.isDecisive(at)),
          )
            .map(({ name }) => name.toLowerCase())
            .join(', ')}
          .{mistake && ` The first choice avoids ${mistake}.`}
        </p>
        {error && <p className="problems">■ {error}</p>}
        {rules.problems.length > 0 && (
          <p className="problems" role="status">
            ■ The shop’s own rules cannot be used, so the shipped rules judge: {rules.problems[0]?.message}
          </p>
        )}
        {designs.length === 0 && (
          <p>There are no heads on the Rack. Make one there first, or have one worked out.</p>
        )}
        <Panel what="The answer">
          {asking && <AnswerTable rows={rows} designs={designs} asking={asking} at={at} />}
        </Panel>
        {asking && <Proposal asking={asking} isWanting={isWanting} />}
        <Remarks title="How it is fished" remarks={tipsOf(at)} tone="tip" />
        {assumed.length > 0 && (
          <p className="rig-source">
            Not specified – assumed: {assumed.map(({ says }) => say(says)).join('; ')}.
          </p>
        )}
        <p className="rig-source">
          ● yes, ◐ barely, ✕ no, · not said. A framed mark decides: a no to it is out, and nothing outvotes
          it. Grounds name their reading or their rule; rules are common practice with no source unless they
          say otherwise.
        </p>
      </section>
      <StaleDraft collection="briefs" draft={draft} />
    </>
  );
}

/** The mistake most of the others would be, which the first choice is not. */
function mistakeIn(rows: readonly MatchRow[]): string | undefined {
  const [best, ...others] = rows;
  if (!best?.standing || best.standing.out > 0) return undefined;
  let found: { says: string; heads: number } | undefined;
  best.answers.forEach(({ key, isDecisive }, i) => {
    if (!isDecisive) return;
    const heads = others.filter(({ answers }) => answers[i]?.mark === 'no').length;
    if (heads > (found?.heads ?? 0)) found = { says: questionOf(key).mistake, heads };
  });
  return found?.says;
}
