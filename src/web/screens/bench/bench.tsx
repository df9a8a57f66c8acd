import { lazy, Suspense, useEffect, useMemo, useState } from 'react';
import { Redo2, Undo2 } from 'lucide-react';
import Dropdown from 'react-bootstrap/Dropdown';
import { Link, useNavigate, useParams } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { Brief, Design, Metal, Surroundings } from '../../../core/index.ts';
import { METALS, RULES, standing } from '../../../core/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useArchive, useDuplicate, useList, useOne, useStores } from '../../data/queries.ts';
import { useSettings } from '../../data/settings.ts';
import { useTray } from '../../data/tray.ts';
import { useUnits } from '../../data/units.ts';
import { useAddress } from '../../parts/address.ts';
import { Choice } from '../../parts/choice.tsx';
import { useKeys } from '../../parts/keys.ts';
import { Reasons } from '../../parts/reasons.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import { ExportMenu } from '../exchange/export-menu.tsx';
import { Against, useAgainst } from './against.tsx';
import { HistoryPanel } from './history-panel.tsx';
import { MetalStrip } from './metal-strip.tsx';
import { MetalsSheet } from './metals-sheet.tsx';
import type { PlateView } from './plate-layout.ts';
import { Plate } from './plate.tsx';
import { ReadingsPanel } from './readings-panel.tsx';
import { Stages } from './stages.tsx';
import { useBench } from './use-bench.ts';
import { useHistory } from './use-history.ts';

/** The turnable solid and its library come only when it is asked for. */
const Solid = lazy(async () => ({ default: (await import('./solid.tsx')).Solid }));

const runSection = ({
  design,
  share,
  surroundings,
}: {
  design: Design;
  share: number;
  surroundings: Surroundings;
}) => judgeWorker('later').section(design, share, surroundings);

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
  const { search, set: setParam } = useAddress();
  const settings = useSettings();
  const view: PlateView = search.get('view') === 'head' ? 'head' : 'whole';
  const isSolid = search.get('show') === 'solid';
  const cutShare = search.get('section');
  const against = search.get('against') ?? '';
  const brief = briefs.find((candidate) => candidate.id === search.get('brief'))?.document;
  const bench = useBench(draft, brief, metals);
  const { surroundings, judged, last, lines, error, pulling, shown } = bench;
  const hand = useHistory(kept.id, draft);
  const earlier = useAgainst(kept.id, against, surroundings);
  const [panel, setPanel] = useState<'' | 'history' | 'metals'>('');
  const [share, setShare] = useState(() => Math.min(0.99, Math.max(0.01, Number(cutShare) || 0.5)));
  const sectionJob = useMemo(
    () => (cutShare !== null && last ? { design: last.design, share, surroundings } : undefined),
    [cutShare, last, share, surroundings],
  );
  const { output: cut } = useJudged(sectionJob, runSection);
  const duplicate = useDuplicate();
  const away = useArchive();

  useEffect(() => {
    window.document.title = `${document.name} · Fern Anvil`;
    return () => {
      window.document.title = 'Fern Anvil';
    };
  }, [document.name]);

  useKeys(
    useMemo(
      () => ({
        h: bench.onHold,
        z: () => setParam('view', view === 'whole' ? 'head' : ''),
        r: () => void navigate(`/designs/${kept.id}/rig`),
        t: () => toggle(kept.id),
        s: () => setParam('show', isSolid ? '' : 'solid'),
        x: () => setParam('section', cutShare === null ? String(share) : ''),
        y: () => setPanel((now) => (now === 'history' ? '' : 'history')),
        l: () => void navigate(`/designs/${kept.id}/ladder`),
      }),
      [bench.onHold, setParam, view, navigate, kept.id, toggle, isSolid, cutShare, share],
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
        {kept.archived && <span className="bench-away">put away</span>}
        <div className="bench-tools">
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            onClick={hand.undo}
            disabled={!hand.canUndo}
            title={hand.canUndo ? `Undo: ${hand.undoWords} (Ctrl+Z)` : 'Nothing to undo'}
            aria-label="Undo"
          >
            <Undo2 size={15} aria-hidden />
          </button>
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            onClick={hand.redo}
            disabled={!hand.canRedo}
            title={hand.canRedo ? `Redo: ${hand.redoWords} (Ctrl+Shift+Z)` : 'Nothing to redo'}
            aria-label="Redo"
          >
            <Redo2 size={15} aria-hidden />
          </button>
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            aria-pressed={panel === 'history'}
            onClick={() => setPanel(panel === 'history' ? '' : 'history')}
            title="Y"
          >
            History
          </button>
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            aria-pressed={inTray}
            onClick={() => toggle(kept.id)}
            title="T"
          >
            {inTray ? '✓ In the tray' : 'Into the tray'}
          </button>
          <ExportMenu id={kept.id} flush={draft.flush} />
          <Dropdown align="end">
            <Dropdown.Toggle size="sm" variant="quiet" id="bench-more">
              More
            </Dropdown.Toggle>
            <Dropdown.Menu>
              <Dropdown.Item onClick={() => setPanel('metals')}>Every metal</Dropdown.Item>
              <Dropdown.Item
                onClick={() =>
                  duplicate.mutate(kept.id, { onSuccess: (copy) => void navigate(`/designs/${copy.id}`) })
                }
              >
                Make a copy
              </Dropdown.Item>
              <Dropdown.Item
                onClick={() => away.mutate({ id: kept.id, name: document.name, away: !kept.archived })}
              >
                {kept.archived ? 'Hang on the Rack again' : 'Put away'}
              </Dropdown.Item>
            </Dropdown.Menu>
          </Dropdown>
          <Link className="btn btn-sm btn-quiet" to={`/designs/${kept.id}/ladder`} title="L">
            Ladder
          </Link>
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
          onDimension={bench.onDimension}
          onTarget={bench.onTarget}
          onHold={bench.onHold}
        />
      </aside>
      <section className="bench-plate" aria-label="Drawing">
        <div className="plate-tools">
          {!isSolid && (
            <>
              <button
                type="button"
                className="btn btn-sm btn-quiet"
                aria-pressed={view === 'head'}
                onClick={() => setParam('view', view === 'whole' ? 'head' : '')}
                title="Z"
              >
                {view === 'whole' ? 'Head alone' : 'With the whole hook'}
              </button>
              <button
                type="button"
                className="btn btn-sm btn-quiet"
                aria-pressed={cutShare !== null}
                onClick={() => setParam('section', cutShare === null ? String(share) : '')}
                title="X"
              >
                Section
              </button>
              <button
                type="button"
                className="btn btn-sm btn-quiet"
                onClick={() =>
                  settings.set({ arrangement: settings.arrangement === 'third' ? 'first' : 'third' })
                }
                title="How the three views stand to each other"
              >
                {settings.arrangement === 'third' ? 'Third angle' : 'First angle'}
              </button>
              <button
                type="button"
                className="btn btn-sm btn-quiet"
                aria-pressed={settings.dual}
                onClick={() => settings.set({ dual: !settings.dual })}
                title="Dimensions in inches and millimetres"
              >
                in [mm]
              </button>
            </>
          )}
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            aria-pressed={isSolid}
            onClick={() => setParam('show', isSolid ? '' : 'solid')}
            title="S"
          >
            {isSolid ? 'Plate' : 'Solid'}
          </button>
        </div>
        {last && isSolid ? (
          <Suspense fallback={<Loading what="the solid" />}>
            <Solid design={last.design} surroundings={surroundings} />
          </Suspense>
        ) : last ? (
          <Plate
            design={shown}
            drawing={last.drawing}
            view={view}
            outdated={judged !== undefined && !judged.ok}
            section={cutShare === null ? undefined : { share, cut }}
            before={earlier?.judged.ok ? earlier.judged.drawing : undefined}
            onLive={(field, key, value) => {
              if (field === 'section') setShare(value);
              else bench.onLive(field, key, value);
            }}
            onSettle={() => {
              if (cutShare !== null) setParam('section', String(Math.round(share * 1000) / 1000));
              bench.onSettle();
            }}
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
        {earlier?.judged.ok && last && (
          <Against
            before={{ design: earlier.judged.design, readings: earlier.judged.readings }}
            now={{ design: last.design, readings: last.readings }}
            onStop={() => setParam('against', '')}
          />
        )}
        {last && <ReadingsPanel readings={last.readings} flags={judged?.ok ? judged.flags : []} />}
      </aside>
      <MetalStrip lines={lines} own={shown.head.metal} onChoose={bench.onChoose} />
      <StaleDraft collection="designs" draft={draft} />
      <HistoryPanel
        id={kept.id}
        show={panel === 'history'}
        hand={hand}
        flush={draft.flush}
        against={against}
        onAgainst={(what) => setParam('against', what)}
        onHide={() => setPanel('')}
      />
      {last && (
        <MetalsSheet
          show={panel === 'metals'}
          design={last.design}
          surroundings={surroundings}
          onChoose={bench.onChoose}
          onHide={() => setPanel('')}
        />
      )}
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
