import { lazy, Suspense, useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { Kept, RulesInForce } from '../../../contract/api.ts';
import type { Surroundings } from '../../../core/behaviour/index.ts';
import type { Brief, Design, Problem } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { METALS } from '../../../core/material/index.ts';
import { useAsking } from '../../data/asking.ts';
import { useDraft } from '../../data/draft.ts';
import { useList, useOne, useRules, useStores } from '../../data/queries.ts';
import { useTray } from '../../data/tray.ts';
import { useUnits } from '../../data/units.ts';
import { useAddress } from '../../parts/address.ts';
import { useKeys } from '../../parts/keys.ts';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import type { Asking } from '../../workers/match-rows.ts';
import { useAgainst } from './against.tsx';
import type { BenchPanel } from './bench-head.tsx';
import { BenchHead } from './bench-head.tsx';
import { BenchReadings } from './bench-readings.tsx';
import { HistoryPanel } from './history-panel.tsx';
import { MetalStrip } from './metal-strip.tsx';
import { MetalsSheet } from './metals-sheet.tsx';
import type { PlateView } from './plate-layout.ts';
import { PhotoSheet } from './photo-sheet.tsx';
import { PlateTools } from './plate-tools.tsx';
import { Plate } from './plate.tsx';
import { Stages } from './stages.tsx';
import { useBench } from './use-bench.ts';
import { useHistory } from './use-history.ts';
import { Panel } from '../../parts/panel.tsx';
import { useTitle } from '../../parts/title.ts';
import './bench.css';

/** The 3D view and its library come only when it is asked for. */
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

const runStand = async ({ asking, id, design }: { asking: Asking; id: string; design: Design }) =>
  (await judgeWorker('later').matchWhole(asking, [{ id, design }]))[0];

/** The Bench: one design, its drawing live while anything is pulled. */
export function Bench() {
  const { id = '' } = useParams();
  const design = useOne('designs', id);
  const stores = useStores();
  const briefs = useList('briefs');
  const rules = useRules();
  if (design.isPending || stores.isPending) return <Loading what="the design" />;
  if (design.isError)
    return (
      <Failed error={design.error} retry={() => void design.refetch()} of={{ collection: 'designs', id }} />
    );
  return (
    <BenchOf
      key={design.data.id}
      kept={design.data}
      metals={stores.data?.metals ?? METALS}
      briefs={briefs.data ?? []}
      rules={rules.data}
    />
  );
}

interface BenchProps {
  readonly kept: Kept<Design>;
  readonly metals: readonly Metal[];
  readonly briefs: readonly Kept<Brief>[];
  readonly rules: RulesInForce | undefined;
}

function BenchOf({ kept, metals, briefs, rules }: BenchProps) {
  const draft = useDraft('designs', kept);
  const { document, edit } = draft;
  const { toggle } = useTray();
  const navigate = useNavigate();
  const { search, set: setParam } = useAddress();
  const view: PlateView = search.get('view') === 'head' ? 'head' : 'whole';
  const isSolid = search.get('show') === 'solid';
  const cutShare = search.get('section');
  const against = search.get('against') ?? '';
  const brief = briefs.find((candidate) => candidate.id === search.get('brief'))?.document;
  const bench = useBench(draft, brief, metals);
  const { surroundings, judged, last, lines, error, pulling, isSettling, shown } = bench;
  const hand = useHistory(kept.id, draft);
  const earlier = useAgainst(kept.id, against, surroundings);
  const [panel, setPanel] = useState<BenchPanel>(search.get('panel') === 'photo' ? 'photo' : '');
  const [share, setShare] = useState(() => Math.min(0.99, Math.max(0.01, Number(cutShare) || 0.5)));
  const sectionJob = useMemo(
    () => (cutShare !== null && last ? { design: last.design, share, surroundings } : undefined),
    [cutShare, last, share, surroundings],
  );
  const { output: cut } = useJudged(sectionJob, runSection);

  useTitle(document.name);

  const turns = useMemo(
    () => ({
      z: () => setParam('view', view === 'whole' ? 'head' : ''),
      s: () => setParam('show', isSolid ? '' : 'solid'),
      x: () => setParam('section', cutShare === null ? String(share) : ''),
    }),
    [setParam, view, isSolid, cutShare, share],
  );
  useKeys(
    useMemo(
      () => ({
        ...turns,
        h: bench.onHold,
        r: () => void navigate(`/designs/${kept.id}/rig`),
        t: () => toggle(kept.id),
        y: () => setPanel((now) => (now === 'history' ? '' : 'history')),
        l: () => void navigate(`/designs/${kept.id}/ladder`),
        w: () => void navigate(`/designs/${kept.id}/water`),
        f: () => void navigate(`/designs/${kept.id}/uses`),
        m: () => void navigate(`/designs/${kept.id}/mould`),
      }),
      [turns, bench.onHold, navigate, kept.id, toggle],
    ),
  );

  const problems = useMemo(
    () => [...(judged && !judged.ok ? judged.problems : []), ...draft.problems],
    [judged, draft.problems],
  );
  const readings = last?.readings;
  const asking = useAsking(brief, rules, metals);
  const standJob = useMemo(
    () => (asking && judged?.ok ? { asking, id: kept.id, design: document } : undefined),
    [asking, judged, kept.id, document],
  );
  const { output: stand } = useJudged(standJob, runStand);
  return (
    <div className="bench">
      <h1 className="visually-hidden">{document.name}</h1>
      <BenchHead
        kept={kept}
        draft={draft}
        shown={shown}
        metals={metals}
        grams={readings?.['mass.metal']?.value}
        pulling={pulling}
        hand={hand}
        panel={panel}
        onPanel={setPanel}
      />
      <aside className="bench-stages" aria-label="Specification">
        <h2 className="visually-hidden">Specification</h2>
        <Panel what="The specification">
          <Stages
            design={shown}
            built={judged?.ok ? judged.design.head.dimensions : shown.head.dimensions}
            grams={readings?.['mass.metal']?.value ?? 1}
            metals={metals}
            problems={problems}
            edit={edit}
            onDimension={bench.onDimension}
            onTarget={bench.onTarget}
            onHold={bench.onHold}
            onWeighed={bench.onWeighed}
          />
        </Panel>
      </aside>
      <section className="bench-plate" aria-label="Drawing">
        <Panel what="The drawing">
          <PlateTools
            view={view}
            isSolid={isSolid}
            isCut={cutShare !== null}
            onView={turns.z}
            onCut={turns.x}
            onSolid={turns.s}
            hasPhoto={document.photo !== undefined}
            onPhoto={() => setPanel('photo')}
          />
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
        </Panel>
        <Problems problems={problems} error={error} />
      </section>
      <BenchReadings
        briefs={briefs}
        chosen={brief ? (search.get('brief') ?? '') : ''}
        surroundings={surroundings}
        stand={stand}
        earlier={earlier?.judged}
        last={last}
        isSettling={isSettling}
        // What is said of lead stands beside the metal already.
        flags={judged?.ok ? judged.flags.filter(({ code }) => code !== 'metal.lead') : []}
        onParam={setParam}
      />
      <Panel what="The metals">
        <MetalStrip lines={lines} own={shown.head.metal} onChoose={bench.onChoose} />
      </Panel>
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
      {panel === 'photo' && (
        <PhotoSheet
          design={document}
          onPlace={(photo) =>
            edit((now) => {
              const { photo: _, ...rest } = now;
              return photo ? { ...rest, photo } : rest;
            })
          }
          onHide={() => setPanel('')}
        />
      )}
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

/** What keeps the design from being built, and what stopped the computation. */
function Problems({ problems, error }: { readonly problems: readonly Problem[]; readonly error: string }) {
  const { say } = useUnits();
  return (
    <>
      {problems.length > 0 && (
        <ul className="problems" role="alert">
          {problems.map(({ path, message }) => (
            <li key={`${path} ${message}`}>■ {say(message)}</li>
          ))}
        </ul>
      )}
      {error && <p className="problems">■ The computation stopped: {error}</p>}
    </>
  );
}
