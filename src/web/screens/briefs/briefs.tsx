import { useEffect, useMemo, useState } from 'react';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import type { Kept, RulesInForce } from '../../../contract/api.ts';
import type { Brief, Design } from '../../../core/document/index.ts';
import { wordName } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import type { Situation } from '../../../core/match/index.ts';
import { assumedOf, doubtsOf, situationOf, tipsOf } from '../../../core/match/index.ts';
import { METALS } from '../../../core/material/index.ts';
import { useAsking } from '../../data/asking.ts';
import { useDraft } from '../../data/draft.ts';
import { useCreate, useList, useRemove, useRules, useStores } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { SearchField } from '../../parts/search-field.tsx';
import { useDraftSteps, useKeys } from '../../parts/keys.ts';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { AnswerPanel } from './answer-panel.tsx';
import { Gone } from '../../parts/gone.tsx';
import { BriefForm } from './brief-form.tsx';
import { briefFrom, starterBrief } from './brief-templates.ts';
import { Remarks } from './remarks.tsx';
import { Proposal } from './proposal.tsx';
import { SituationPicture } from './situation-picture.tsx';
import { TemplateList } from './template-list.tsx';
import { useAnswer } from './use-answer.ts';
import { useNarrow } from '../../parts/narrow.ts';
import { Panel } from '../../parts/panel.tsx';
import { useTitle } from '../../parts/title.ts';
import './briefs.css';

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
  const { system } = useUnits();
  const make = (brief: Brief) =>
    create.mutate(brief, {
      onSuccess: (kept) => void navigate(`/briefs/${kept.id}`, { state: { isFresh: true } }),
    });
  const makeNew = () => make(starterBrief(system));
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
      <aside className="brief-list" aria-label="Briefs" data-chosen={chosen !== undefined}>
        <h1>Briefs</h1>
        <SearchField label="Search the briefs" value={find} onChange={setFind} />
        <ul>
          {shown.map(({ id: key, document }) => (
            <li key={key}>
              <Link to={`/briefs/${key}`} aria-current={key === id ? 'page' : undefined}>
                <b>{document.name}</b>
                <small>{inALine(document)}</small>
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
        <Gone collection="briefs" id={id} />
      ) : (
        <Empty title={briefs.data.length === 0 ? 'No briefs yet' : 'Which water, which bait?'}>
          <p>
            {briefs.data.length === 0
              ? 'Describe a situation on the water, and every head on the Rack is answered for it, ' +
                'question by question.'
              : 'Open a brief on the left to see which heads serve it, and why not the others.'}
          </p>
          <button type="button" className="btn btn-fern" onClick={makeNew}>
            + New brief
          </button>
          <TemplateList isBusy={create.isPending} onPick={(key) => make(briefFrom(key, system))} />
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
  useDraftSteps(draft.step);
  const { say } = useUnits();
  const isNarrow = useNarrow();
  const brief = draft.document;
  useTitle(brief.name);
  const at = useMemo(() => situationOf(brief), [brief]);
  const asking = useAsking(brief, rules, metals);
  const answer = useAnswer(asking, designs);
  const rows = [...answer.rows.values()];
  const isWanting =
    rows.length > 0 &&
    answer.settled === answer.total &&
    rows.every(({ standing }) => (standing?.out ?? 1) > 0);
  const assumed = assumedOf(at);
  const situation = (
    <>
      <Panel what="The picture">
        <SituationPicture at={at} />
      </Panel>
      <Remarks title="A shop would ask" remarks={doubtsOf(at)} tone="ask" />
    </>
  );
  return (
    <>
      <SituationForm kept={kept} draft={draft} at={at} isNarrow={isNarrow} />
      <section className="ranking" aria-label="Answer">
        {/* On a phone the answer comes first, and what it was asked for after it. */}
        {!isNarrow && situation}
        <AnswerPanel id={kept.id} {...{ brief, at, asking, answer, designs, metals, rules }} />
        {asking && <Proposal asking={asking} isWanting={isWanting} />}
        {isNarrow && situation}
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

/** The situation: beside its answer, or on a phone one line that unfolds. */
function SituationForm({
  kept,
  draft,
  at,
  isNarrow,
}: {
  readonly kept: Kept<Brief>;
  readonly draft: ReturnType<typeof useDraft<'briefs'>>;
  readonly at: Situation;
  readonly isNarrow: boolean;
}) {
  const remove = useRemove('briefs');
  const navigate = useNavigate();
  const plastics = useList('plastics').data ?? [];
  const { format } = useUnits();
  const [isOpen, setOpen] = useFreshness();
  const brief = draft.document;
  const form = (
    <>
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
    </>
  );
  return (
    <section className="brief-form" aria-label="The situation">
      {isNarrow ? (
        <details open={isOpen} onToggle={(event) => setOpen(event.currentTarget.open)}>
          <summary>
            <b>{brief.name}</b>: {inALine(brief)}, {format(brief.water.depth, 'depth')}
          </summary>
          {form}
        </details>
      ) : (
        form
      )}
    </section>
  );
}

/**
 * Whether the situation stands open: at first for a brief that was made just now, and not when its address is
 * come back to.
 */
function useFreshness() {
  const { pathname, state } = useLocation();
  const navigate = useNavigate();
  const isFresh = (state as { readonly isFresh?: boolean } | null)?.isFresh === true;
  const open = useState(isFresh);
  useEffect(() => {
    if (isFresh) void navigate(pathname, { replace: true, state: null });
  }, [isFresh, navigate, pathname]);
  return open;
}

/** A brief in a few words: how it is fished, over what, in what. */
const inALine = ({ fishing, bottom, cover }: Brief): string =>
  `${wordName(fishing.retrieve)}, ${bottom.kinds.join(' and ')}${
    cover.kinds.length === 0 ? '' : `, ${cover.kinds.join(' and ')}`
  }`;
