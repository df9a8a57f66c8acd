import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { Brief, Design, Metal, Surroundings } from '../../../core/index.ts';
import {
  familyOf,
  METALS,
  PLAIN_WATER,
  RULES,
  SALINITY,
  solveTarget,
  standing,
} from '../../../core/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useCreate, useList, useOne, useStores } from '../../data/queries.ts';
import { useTray } from '../../data/tray.ts';
import { useUnits } from '../../data/units.ts';
import { Choice } from '../../parts/choice.tsx';
import { useKeys } from '../../parts/keys.ts';
import { useNotices } from '../../parts/notices.tsx';
import { Reasons } from '../../parts/reasons.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { StaleDialog } from '../../parts/stale-dialog.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import type { Judged, MetalLine } from '../../workers/judge.worker.ts';
import { MetalStrip } from './metal-strip.tsx';
import type { PlateView } from './plate-layout.ts';
import { Plate } from './plate.tsx';
import { ReadingsPanel } from './readings-panel.tsx';
import { Stages } from './stages.tsx';

/** The Bench: one design, its drawing live while anything is pulled. */
export function Bench() {
  const { id = '' } = useParams();
  const design = useOne('designs', id);
  const stores = useStores();
  const briefs = useList('briefs');
  if (design.isPending || stores.isPending) return <Loading what="the design" />;
  if (design.isError) return <Failed error={design.error} retry={() => void design.refetch()} />;
  return (
    <BenchOf
      key={design.data.id}
      kept={design.data}
      metals={stores.data?.metals ?? METALS}
      briefs={briefs.data ?? []}
    />
  );
}

/** Water and depth of a brief, or plain water where none is chosen. */
function surroundingsOf(brief: Brief | undefined, metals: readonly Metal[]): Surroundings {
  if (!brief) return { ...PLAIN_WATER, metals };
  const { temperature, kind, depth } = brief.water;
  return { water: { temperature, salinity: SALINITY[kind] }, depth, metals };
}

interface Job {
  readonly design: Design;
  readonly surroundings: Surroundings;
}
const runJudge = ({ design, surroundings }: Job): Promise<Judged> =>
  judgeWorker('now').judge(design, surroundings);
const runMetals = ({ design, surroundings }: Job): Promise<MetalLine[]> =>
  judgeWorker('later').metals(design, surroundings);

interface BenchProps {
  readonly kept: Kept<Design>;
  readonly metals: readonly Metal[];
  readonly briefs: readonly Kept<Brief>[];
}

function BenchOf({ kept, metals, briefs }: BenchProps) {
  const draft = useDraft('designs', kept);
  const { document, edit } = draft;
  const { format, say } = useUnits();
  const { ids, toggle } = useTray();
  const navigate = useNavigate();
  const { tell } = useNotices();
  const create = useCreate('designs');
  const [search, setSearch] = useSearchParams();
  const view: PlateView = search.get('view') === 'head' ? 'head' : 'whole';
  const brief = briefs.find((candidate) => candidate.id === search.get('brief'))?.document;
  const surroundings = useMemo<Surroundings>(() => surroundingsOf(brief, metals), [brief, metals]);
  const job = useMemo<Job>(() => ({ design: document, surroundings }), [document, surroundings]);
  const { output: judged, for: answered, error, ask } = useJudged(job, runJudge);
  const setParam = useCallback(
    (key: string, value: string) =>
      setSearch(
        (now) => {
          const next = new URLSearchParams(now);
          if (value) next.set(key, value);
          else next.delete(key);
          return next;
        },
        { replace: true },
      ),
    [setSearch],
  );
  // What is being pulled right now is not yet part of the document. It is drawn when the worker has judged it, and not before:
  // one drawing for each state keeps the interface free to follow the pointer.
  const pulled = useRef<Design | undefined>(undefined);
  const [pulling, setPulling] = useState(false);
  const shown = pulling && answered ? answered.design : document;
  const [last, setLast] = useState<Extract<Judged, { ok: true }> | undefined>(undefined);
  if (judged?.ok && judged !== last) setLast(judged);
  const stripJob = useMemo<Job | undefined>(
    () => (last ? { design: last.design, surroundings } : undefined),
    [last, surroundings],
  );
  const { output: lines } = useJudged(stripJob, runMetals);

  useEffect(() => {
    window.document.title = `${document.name} · Fern Anvil`;
    return () => {
      window.document.title = 'Fern Anvil';
    };
  }, [document.name]);

  const pull = useCallback(
    (next: Design) => {
      pulled.current = next;
      setPulling(true);
      ask({ design: next, surroundings });
    },
    [ask, surroundings],
  );
  /** Sizes as they are built now, the base every pull starts from; worked out here only if the worker has not said them yet. */
  const builtHead = useCallback(
    (design: Design): Design['head'] => {
      if (judged?.ok && answered?.design === design)
        return { ...design.head, dimensions: judged.design.head.dimensions };
      const solved = solveTarget(design, metals);
      return {
        ...design.head,
        dimensions: solved.ok ? solved.design.head.dimensions : design.head.dimensions,
      };
    },
    [judged, answered, metals],
  );
  /** Puts a pulled or typed state into the document, with the sizes that are built, so that it says what it means even without its target. */
  const commit = useCallback(
    async (next: Design, locks: string[] | undefined) => {
      pull(next);
      const result = await runJudge({ design: next, surroundings });
      // Something else was pulled meanwhile: that is built on this and will be put in itself.
      if (pulled.current !== next) return;
      pulled.current = undefined;
      const dimensions = result.ok ? result.design.head.dimensions : next.head.dimensions;
      edit(() => ({ ...next, head: { ...next.head, dimensions, locks } }));
      setPulling(false);
    },
    [edit, pull, surroundings],
  );
  const onDimension = useCallback(
    (key: string, value: number, isLive: boolean) => {
      const base = pulled.current ?? document;
      const from = pulled.current ? base.head : builtHead(base);
      const locks = document.head.locks ?? [];
      const specs = familyOf(document.head.family)?.dimensions.filter(({ scales }) => scales) ?? [];
      const isSize = specs.some((spec) => spec.key === key);
      const canGive = !isSize || specs.some((spec) => spec.key !== key && !locks.includes(spec.key));
      const head = { ...from, dimensions: { ...from.dimensions, [key]: value } };
      // While a size is pulled under a held weight it counts as locked, and the others give way; where nothing can give, the weight does.
      const next: Design = {
        ...base,
        head: canGive
          ? { ...head, locks: isSize ? [...new Set([...locks, key])] : locks }
          : { ...head, target: undefined },
      };
      if (!isLive && !canGive && document.head.target) {
        tell({
          tone: 'plain',
          text: 'No other size can give way, so the weight is no longer held. Press H to hold the new one.',
        });
      }
      if (isLive) pull(next);
      else void commit(next, document.head.locks);
    },
    [document, builtHead, commit, pull, tell],
  );
  const onTarget = useCallback(
    (grams: number, isLive: boolean) => {
      const base = pulled.current ?? document;
      const next: Design = {
        ...base,
        head: { ...base.head, target: { grams, of: document.head.target?.of ?? 'metal' } },
      };
      if (isLive) pull(next);
      else void commit(next, document.head.locks);
    },
    [document, commit, pull],
  );
  const onLive = useCallback(
    (field: 'dimension' | 'angle', key: string, value: number) => {
      if (field === 'dimension') onDimension(key, value, true);
      else pull({ ...(pulled.current ?? document), eye: { ...document.eye, angle: value } });
    },
    [document, onDimension, pull],
  );
  const onSettle = useCallback(() => {
    if (pulled.current) void commit(pulled.current, document.head.locks);
  }, [commit, document.head.locks]);
  const onHold = useCallback(() => {
    edit((now) => {
      const head = builtHead(now);
      if (now.head.target) return { ...now, head: { ...head, target: undefined } };
      const solved = solveTarget(now, metals);
      const grams = solved.ok ? solved.assembly.parts[0]?.mass : undefined;
      return grams ? { ...now, head: { ...head, target: { grams, of: 'metal' } } } : now;
    });
  }, [edit, builtHead, metals]);

  const onChoose = useCallback(
    (key: string) => edit((now) => ({ ...now, head: { ...builtHead(now), metal: key, density: undefined } })),
    [edit, builtHead],
  );
  useKeys(
    useMemo(
      () => ({
        h: onHold,
        z: () => setParam('view', view === 'whole' ? 'head' : ''),
        r: () => void navigate(`/designs/${kept.id}/rig`),
        t: () => toggle(kept.id),
      }),
      [onHold, setParam, view, navigate, kept.id, toggle],
    ),
  );

  const problems = useMemo(
    () => [...(judged && !judged.ok ? judged.problems : []), ...draft.problems],
    [judged, draft.problems],
  );
  const readings = last?.readings;
  const stand = useMemo(
    () => (brief && judged?.ok ? standing(brief, judged.design, judged.readings, RULES) : undefined),
    [brief, judged],
  );
  const inTray = ids.includes(kept.id);
  return (
    <div className="bench">
      <div className="bench-head">
        <NameField
          key={document.name}
          name={document.name}
          onCommit={(name) => edit((now) => ({ ...now, name }))}
        />
        <p className="bench-line">
          <b>{readings ? format(readings['mass.metal']?.value ?? NaN, 'mass') : '…'}</b>{' '}
          {metals.find(({ key }) => key === shown.head.metal)?.name ?? shown.head.metal} · {shown.hook.size} ·
          eye {format(shown.eye.angle, 'angle')}
        </p>
        <SaveBadge state={pulling ? 'waiting' : draft.state} />
        <div className="bench-tools">
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            aria-pressed={inTray}
            onClick={() => toggle(kept.id)}
            title="T"
          >
            {inTray ? '✓ In the tray' : 'Into the tray'}
          </button>
          <a className="btn btn-sm btn-quiet" href={`/api/designs/${kept.id}/solid.stl`} download>
            Solid (STL)
          </a>
          <Link className="btn btn-sm btn-fern" to={`/designs/${kept.id}/rig`}>
            Rig it
          </Link>
        </div>
      </div>
      <aside className="bench-stages" aria-label="Specification">
        <Stages
          design={shown}
          built={judged?.ok ? judged.design.head.dimensions : shown.head.dimensions}
          grams={readings?.['mass.metal']?.value ?? 1}
          total={readings?.['mass.total']?.value ?? 1}
          metals={metals}
          problems={problems}
          edit={edit}
          onDimension={onDimension}
          onTarget={onTarget}
          onHold={onHold}
        />
      </aside>
      <section className="bench-plate" aria-label="Drawing">
        <div className="plate-tools">
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            aria-pressed={view === 'head'}
            onClick={() => setParam('view', view === 'whole' ? 'head' : '')}
            title="Z"
          >
            {view === 'whole' ? 'Head alone' : 'With the whole hook'}
          </button>
        </div>
        {last ? (
          <Plate
            design={shown}
            drawing={last.drawing}
            view={view}
            outdated={judged !== undefined && !judged.ok}
            onLive={onLive}
            onSettle={onSettle}
          />
        ) : problems.length > 0 ? (
          <div className="state">
            <h2>This cannot be built yet</h2>
            <p>
              Change the fields on the left that carry a message; the drawing appears as soon as it can be
              built.
            </p>
          </div>
        ) : (
          <Loading what="the drawing" />
        )}
        {problems.length > 0 && (
          <ul className="problems" role="alert">
            {problems.map(({ path, message }) => (
              <li key={`${path} ${message}`}>■ {say(message)}</li>
            ))}
          </ul>
        )}
        {error && <p className="problems">■ The computation stopped: {error}</p>}
      </section>
      <aside className="bench-readings" aria-label="Readings">
        <div className="judged-in">
          <Choice
            label="Judged in"
            value={brief ? (search.get('brief') ?? '') : ''}
            options={[
              ['', 'plain fresh water'],
              ...briefs.map(({ id, document: { name } }) => [id, name] as const),
            ]}
            onChange={(id) => setParam('brief', id)}
          />
          <p>
            {format(surroundings.water.temperature, 'temperature')}, salinity {surroundings.water.salinity},{' '}
            {format(surroundings.depth, 'depth')} deep
          </p>
        </div>
        {stand && (
          <section className="judged-standing" aria-label="In this brief">
            <h3>
              In this brief{' '}
              <span data-balance={stand.balance}>
                {stand.never.length > 0 ? '✕ out' : stand.balance > 0 ? `+${stand.balance}` : stand.balance}
              </span>
            </h3>
            <Reasons standing={stand} />
          </section>
        )}
        {last && <ReadingsPanel readings={last.readings} flags={judged?.ok ? judged.flags : []} />}
      </aside>
      <MetalStrip lines={lines} own={shown.head.metal} onChoose={onChoose} />
      <StaleDialog
        mine={document}
        theirs={draft.theirs}
        onKeepMine={draft.keepMine}
        onTakeTheirs={draft.takeTheirs}
        onKeepBoth={() => {
          create.mutate(
            { ...document, name: `${document.name.slice(0, 110)} (mine)` },
            { onSuccess: () => draft.takeTheirs() },
          );
        }}
      />
    </div>
  );
}

/** The name, edited in place. */
function NameField({ name, onCommit }: { readonly name: string; readonly onCommit: (name: string) => void }) {
  const [text, setText] = useState(name);
  const trimmed = text.trim();
  const bad =
    trimmed === ''
      ? 'Give the design a name.'
      : trimmed.length > 120
        ? `The name has ${trimmed.length} characters; at most 120 fit. Shorten it.`
        : '';
  const commit = () => {
    if (!bad && trimmed !== name) onCommit(trimmed);
  };
  return (
    <span className="name-field">
      <input
        aria-label="Name"
        aria-invalid={Boolean(bad)}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') setText(name);
        }}
      />
      {bad && (
        <span className="field-said" role="alert">
          {bad}
        </span>
      )}
    </span>
  );
}
