import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { Brief, Design, Metal, Surroundings } from '../../../core/index.ts';
import { compareStandings, inUnits, METALS, reasonText, SALINITY } from '../../../core/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useCreate, useList, useRemove, useStores } from '../../data/queries.ts';
import { useTray } from '../../data/tray.ts';
import { useUnits } from '../../data/units.ts';
import { HangingHead, hangingBox } from '../../drawing/hanging-head.tsx';
import { useKeys } from '../../parts/keys.ts';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { StaleDialog } from '../../parts/stale-dialog.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { judgeWorker } from '../../workers/judge.ts';
import type { Ranked } from '../../workers/judge.worker.ts';
import { BriefForm } from './brief-form.tsx';

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
  const create = useCreate('briefs');
  const navigate = useNavigate();
  const [find, setFind] = useState('');
  const makeNew = () => create.mutate(STARTER, { onSuccess: (kept) => void navigate(`/briefs/${kept.id}`) });
  useKeys({ n: makeNew });
  if (briefs.isPending || designs.isPending) return <Loading what="the briefs" />;
  if (briefs.isError) return <Failed error={briefs.error} retry={() => void briefs.refetch()} />;
  if (designs.isError) return <Failed error={designs.error} retry={() => void designs.refetch()} />;
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

interface Ranking {
  readonly ranked: readonly Ranked[];
  readonly done: number;
  readonly total: number;
  readonly error: string;
}

/** Readings and standing of one design, kept while brief, design and metals are the same. */
const judgedBefore = new WeakMap<Design, { key: string; ranked: Ranked }>();

/** Ranks all designs for a brief in the worker, best so far first; a change of brief or `stop` ends the run under way. */
function useRanking(brief: Brief, designs: readonly Kept<Design>[], metals: readonly Metal[]) {
  const [ranking, setRanking] = useState<Ranking>({ ranked: [], done: 0, total: designs.length, error: '' });
  const cancel = useRef<() => void>(() => undefined);
  const stop = () => {
    cancel.current();
    setRanking((now) => ({ ...now, total: now.done }));
  };
  useEffect(() => {
    let wanted = true;
    const end = () => {
      wanted = false;
    };
    cancel.current = end;
    const surroundings: Surroundings = {
      water: { temperature: brief.water.temperature, salinity: SALINITY[brief.water.kind] },
      depth: brief.water.depth,
      metals,
    };
    const key = JSON.stringify([brief, metals.map(({ density }) => density)]);
    const work = async () => {
      const ranked: Ranked[] = [];
      let told = 0;
      for (const { id, document } of designs) {
        const known = judgedBefore.get(document);
        const answer =
          known?.key === key
            ? known.ranked
            : await judgeWorker('later').rankOne(id, document, brief, surroundings);
        if (!wanted) return;
        judgedBefore.set(document, { key, ranked: answer });
        ranked.push(answer);
        // Showing every single answer would cost more than computing it.
        if (performance.now() - told > 120 || ranked.length === designs.length) {
          told = performance.now();
          setRanking({ ranked: [...ranked], done: ranked.length, total: designs.length, error: '' });
        }
      }
    };
    work().catch((error: unknown) =>
      setRanking((now) => ({ ...now, error: String((error as Error).message) })),
    );
    return end;
  }, [brief, designs, metals]);
  const sorted = useMemo(
    () =>
      [...ranking.ranked].sort((a, b) =>
        a.standing && b.standing
          ? compareStandings(a.standing, b.standing)
          : Number(!a.standing) - Number(!b.standing),
      ),
    [ranking.ranked],
  );
  return { ...ranking, ranked: sorted, stop };
}

function BriefOf({
  kept,
  designs,
  metals,
}: {
  readonly kept: Kept<Brief>;
  readonly designs: readonly Kept<Design>[];
  readonly metals: readonly Metal[];
}) {
  const draft = useDraft('briefs', kept);
  const create = useCreate('briefs');
  const remove = useRemove('briefs');
  const navigate = useNavigate();
  const { ranked, done, total, error, stop } = useRanking(draft.document, designs, metals);
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
                { id: kept.id, name: kept.document.name },
                { onSuccess: () => void navigate('/briefs') },
              )
            }
          >
            Delete
          </button>
        </div>
        <BriefForm brief={draft.document} problems={draft.problems} edit={draft.edit} />
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
        {designs.length === 0 && <p>There are no heads on the Rack to rank. Make one there first.</p>}
        <ol className="ranks">
          {ranked.map((entry, i) => {
            const row = byId.get(entry.id);
            return row && <Rank key={entry.id} place={i + 1} row={row} entry={entry} k={k} />;
          })}
        </ol>
        <p className="rig-source">
          Reasons are rules of the trade (common practice, no source) unless they say otherwise; the balance
          only orders them. A hard objection is never averaged away.
        </p>
      </section>
      <StaleDialog
        mine={draft.document}
        theirs={draft.theirs}
        onKeepMine={draft.keepMine}
        onTakeTheirs={draft.takeTheirs}
        onKeepBoth={() =>
          create.mutate(
            { ...draft.document, name: `${draft.document.name.slice(0, 110)} (mine)` },
            { onSuccess: () => draft.takeTheirs() },
          )
        }
      />
    </>
  );
}

/** Room for a head beside its reasons, px. */
const FIGURE = { width: 120, height: 100, drop: 8 };

/** The scale at which the largest of the heads still fits its room, px per mm. */
function commonScale(designs: readonly Kept<Design>[]): number {
  let k = 2.4;
  for (const { summary } of designs) {
    if (!summary?.ok) continue;
    const box = hangingBox(summary.drawing, summary.readings['hang.attitude'] ?? 0, 1);
    k = Math.min(k, FIGURE.width / (box.right - box.left), (FIGURE.height - FIGURE.drop) / box.bottom);
  }
  return k;
}

/** Reasons shown before the rest is folded away. */
const FIRST = 3;

function Rank({
  place,
  row,
  entry,
  k,
}: {
  readonly place: number;
  readonly row: Kept<Design>;
  readonly entry: Ranked;
  /** px per mm, one for all */
  readonly k: number;
}) {
  const { system, format } = useUnits();
  const { ids, toggle } = useTray();
  const [all, setAll] = useState(place === 1);
  const { document, summary } = row;
  const stand = entry.standing;
  const inTray = ids.includes(row.id);
  const list = (reasons: NonNullable<Ranked['standing']>['for'], sign: string, tone: string) =>
    (all ? reasons : reasons.slice(0, FIRST)).map((reason) => (
      <li
        key={reason.rule.id}
        className={`reason reason-${tone}`}
        title={`Weight ${reason.rule.weight}. Source: ${reason.rule.source}`}
      >
        <b aria-hidden="true">{sign}</b>
        <span className="visually-hidden">{tone}:</span> {reasonText(reason, system)}
        {reason.rule.school && <small> school: {reason.rule.school.side}</small>}
        {!reason.rule.source.startsWith('common') && <small> ({reason.rule.source})</small>}
      </li>
    ));
  const hidden = stand
    ? Math.max(0, stand.for.length - FIRST) + Math.max(0, stand.against.length - FIRST)
    : 0;
  return (
    <li className="rank" data-out={stand === undefined || stand.never.length > 0} data-design={row.id}>
      <div className="rank-place">
        <b>{stand && stand.never.length === 0 ? place : '✕'}</b>
        {stand && <small>{stand.balance > 0 ? `+${stand.balance}` : stand.balance}</small>}
      </div>
      <div className="rank-figure">
        {summary?.ok && (
          <HangingHead
            drawing={summary.drawing}
            attitude={summary.readings['hang.attitude'] ?? 0}
            k={k}
            metal={document.head.metal}
            {...FIGURE}
          />
        )}
      </div>
      <div className="rank-body">
        <h3>
          <Link to={`/designs/${row.id}`}>{document.name}</Link>{' '}
          <small>
            {summary?.ok ? format(summary.readings['mass.metal'] ?? NaN, 'mass') : ''}
            {entry.readings['fall.timeToDepth']
              ? ` · ${format(entry.readings['fall.timeToDepth'].value, 'time')} to the bottom`
              : ''}
          </small>
        </h3>
        {stand ? (
          <ul className="reasons">
            {list(stand.never, '✕ never', 'never')}
            {list(stand.for, '+', 'for')}
            {list(stand.against, '−', 'against')}
          </ul>
        ) : (
          <p className="field-said">{inUnits(entry.problems[0]?.message ?? '', system)}</p>
        )}
        <div className="rank-tools">
          {hidden > 0 && (
            <button type="button" className="btn-link-brass" aria-expanded={all} onClick={() => setAll(!all)}>
              {all ? 'Fewer reasons' : `${hidden} more reasons`}
            </button>
          )}
          <button
            type="button"
            className="btn-link-brass"
            aria-pressed={inTray}
            onClick={() => toggle(row.id)}
          >
            {inTray ? '✓ in the tray' : '+ tray'}
          </button>
        </div>
      </div>
    </li>
  );
}
