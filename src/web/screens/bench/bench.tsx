import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import type { Kept, RulesInForce } from '../../../contract/api.ts';
import type { Brief, Design, Problem } from '../../../core/document/index.ts';
import { designDifferences } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { METALS } from '../../../core/material/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useList, useOne, useRules, useStores } from '../../data/queries.ts';
import { useAddress } from '../../parts/address.ts';
import { Problems } from '../../parts/problems.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { useAgainst } from './against.tsx';
import type { BenchPanel } from './bench-head.tsx';
import { BenchHead } from './bench-head.tsx';
import { BenchPanels } from './bench-panels.tsx';
import { BenchReadings } from './bench-readings.tsx';
import { MetalStrip } from './metal-strip.tsx';
import type { PlateView } from './plate-layout.ts';
import { BenchSheet } from './bench-sheet.tsx';
import { PlateTools } from './plate-tools.tsx';
import { Stages } from './stages.tsx';
import { useBench } from './use-bench.ts';
import { useBenchKeys } from './use-bench-keys.ts';
import { useHistory } from './use-history.ts';
import { useSection } from './use-section.ts';
import { useStand } from './use-stand.ts';
import { Panel } from '../../parts/panel.tsx';
import { useTitle } from '../../parts/title.ts';
import './bench.css';

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
  const { search, set: setParam } = useAddress();
  const view: PlateView = search.get('view') === 'head' ? 'head' : 'whole';
  const isSolid = search.get('show') === 'solid';
  const against = search.get('against') ?? '';
  const brief = briefs.find((candidate) => candidate.id === search.get('brief'))?.document;
  const bench = useBench(draft, brief, metals);
  const { surroundings, judged, last, lines, error, pulling, isSettling, shown } = bench;
  const hand = useHistory(kept.id, draft);
  const earlier = useAgainst(kept.id, against, surroundings);
  const [panel, setPanel] = useState<BenchPanel>(search.get('panel') === 'photo' ? 'photo' : '');
  const section = useSection(last?.design, surroundings);

  useTitle(document.name);

  const turns = useBenchKeys({
    id: kept.id,
    view,
    isSolid,
    onCut: section.onToggle,
    onHold: bench.onHold,
    setPanel,
  });

  const problems = useMemo(
    () => [...(judged && !judged.ok ? judged.problems : []), ...draft.problems],
    [judged, draft.problems],
  );
  const readings = last?.readings;
  const stand = useStand({ id: kept.id, design: document, judged, brief, rules, metals });
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
            isCut={section.isCut}
            onView={turns.z}
            onCut={turns.x}
            onSolid={turns.s}
            hasPhoto={document.photo !== undefined}
            onPhoto={() => setPanel('photo')}
          />
          <BenchSheet
            bench={bench}
            view={view}
            isSolid={isSolid}
            isDoubtful={problems.length > 0}
            section={section}
            before={earlier?.judged.ok ? earlier.judged.drawing : undefined}
          />
        </Panel>
        <Unbuilt problems={problems} error={error} />
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
      <StaleDraft collection="designs" draft={draft} compare={designDifferences} />
      <BenchPanels
        id={kept.id}
        panel={panel}
        draft={draft}
        bench={bench}
        hand={hand}
        onHide={() => setPanel('')}
      />
    </div>
  );
}

/** What keeps the design from being built, and what stopped the computation. */
function Unbuilt({ problems, error }: { readonly problems: readonly Problem[]; readonly error: string }) {
  return (
    <>
      <Problems of={problems} />
      {error && <p className="problems">■ The computation stopped: {error}</p>}
    </>
  );
}
