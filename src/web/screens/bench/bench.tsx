import { useEffect, useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { Brief, Design, Metal } from '../../../core/index.ts';
import { METALS, RULES, standing } from '../../../core/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useList, useOne, useStores } from '../../data/queries.ts';
import { useTray } from '../../data/tray.ts';
import { useUnits } from '../../data/units.ts';
import { useAddress } from '../../parts/address.ts';
import { Choice } from '../../parts/choice.tsx';
import { useKeys } from '../../parts/keys.ts';
import { Reasons } from '../../parts/reasons.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { MetalStrip } from './metal-strip.tsx';
import type { PlateView } from './plate-layout.ts';
import { Plate } from './plate.tsx';
import { ReadingsPanel } from './readings-panel.tsx';
import { Stages } from './stages.tsx';
import { useBench } from './use-bench.ts';

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
  const view: PlateView = search.get('view') === 'head' ? 'head' : 'whole';
  const brief = briefs.find((candidate) => candidate.id === search.get('brief'))?.document;
  const bench = useBench(draft, brief, metals);
  const { surroundings, judged, last, lines, error, pulling, shown } = bench;

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
      }),
      [bench.onHold, setParam, view, navigate, kept.id, toggle],
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
          onDimension={bench.onDimension}
          onTarget={bench.onTarget}
          onHold={bench.onHold}
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
            onLive={bench.onLive}
            onSettle={bench.onSettle}
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
      <MetalStrip lines={lines} own={shown.head.metal} onChoose={bench.onChoose} />
      <StaleDraft collection="designs" draft={draft} />
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
