import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { Batch, Design } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { newBatch } from '../../../core/document/index.ts';
import { PLAIN_WATER } from '../../../core/judge/index.ts';
import { meltingOf } from '../../../core/make/index.ts';
import { METALS } from '../../../core/material/index.ts';
import { today } from '../../data/day.ts';
import { useDraft } from '../../data/draft.ts';
import { useCreate, useList, useOne, useRack, useRemove, useStores } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { SearchField } from '../../parts/search-field.tsx';
import { useAddress } from '../../parts/address.ts';
import { Choice, Segments } from '../../parts/choice.tsx';
import { Gone } from '../../parts/gone.tsx';
import { Panel } from '../../parts/panel.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { Steps } from '../../parts/steps.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import { roundedPour } from './rounded-pour.ts';
import { BatchSide } from './batch-side.tsx';
import { Cost } from './cost.tsx';
import { Cure } from './cure.tsx';
import { Pour } from './pour.tsx';
import { ScalePanel } from './scale-panel.tsx';
import { Weights } from './weights.tsx';
import '../../parts/workshop.css';
import { useTitle } from '../../parts/title.ts';
import './batches.css';

/** Batches: what was poured, what each cavity throws, how it was melted, painted and what it cost. */
export function Batches() {
  const { id } = useParams();
  const batches = useList('batches');
  const stores = useStores();
  const [find, setFind] = useState('');
  if (batches.isPending || stores.isPending) return <Loading what="the batches" />;
  if (batches.isError) return <Failed error={batches.error} retry={() => void batches.refetch()} />;
  const metals: readonly Metal[] = stores.data?.metals ?? METALS;
  const chosen = batches.data.find((kept) => kept.id === id);
  if (chosen) return <BatchOf key={chosen.id} kept={chosen} metals={metals} />;
  const shown = batches.data.filter(({ document }) =>
    `${document.name} ${document.design.name} ${document.day}`.toLowerCase().includes(find.toLowerCase()),
  );
  return (
    <div className="shop" data-list="true">
      <div className="shop-head">
        <h1>Batches</h1>
      </div>
      <aside className="shop-side" aria-label="Batches">
        <SearchField label="Search the batches" value={find} onChange={setFind} />
        <ul>
          {shown.map(({ id: key, document }) => (
            <li key={key}>
              <Link to={`/batches/${key}`}>
                <b>{document.name}</b>
                <small>
                  {document.day}, {document.cavities} cavities, {document.weighings.length} weighings
                </small>
              </Link>
            </li>
          ))}
        </ul>
      </aside>
      <div className="shop-sheet">
        {id !== undefined ? (
          <Gone collection="batches" id={id} />
        ) : (
          <Empty title={batches.data.length === 0 ? 'No batch yet' : 'Which batch?'}>
            <p>
              A batch is poured from a head as it is now, and keeps that version for ever: weigh its pieces by
              cavity, and each cavity’s verdict says what to do.
            </p>
            <NewBatch metals={metals} />
          </Empty>
        )}
      </div>
    </div>
  );
}

/** Begins a batch of a head of the Rack. */
function NewBatch({ metals }: { readonly metals: readonly Metal[] }) {
  const rack = useRack();
  const [of, setOf] = useState('');
  const { system } = useUnits();
  const design = useOne('designs', of);
  const create = useCreate('batches');
  const navigate = useNavigate();
  const { output } = useJudged(design.data?.document, runWeighed);
  const pourable = (rack.data?.cards ?? []).filter(
    ({ archived, grams, metal }) => !archived && grams !== null && meltingOf(metal),
  );
  const begin = () => {
    if (!design.data || !output) return;
    const { document, id, version } = design.data;
    const melting = meltingOf(document.head.metal);
    const at = melting ? Math.round((melting.pour[0] + melting.pour[1]) / 2) : 400;
    const begun = newBatch(document, { id, version }, today(), {
      target: Math.round(output.total * 100) / 100,
      at,
    });
    create.mutate(
      { ...begun, pour: roundedPour(begun.pour, melting?.pour, system) },
      { onSuccess: (kept) => void navigate(`/batches/${kept.id}`) },
    );
  };
  return (
    <div className="shop-row">
      <Choice
        label="Head to pour"
        value={of}
        options={[['', 'choose a head'], ...pourable.map(({ id, name }) => [id, name] as const)]}
        onChange={setOf}
      />
      <button
        type="button"
        className="btn btn-fern"
        disabled={!design.data || !output || create.isPending || metals.length === 0}
        onClick={begin}
      >
        New batch
      </button>
    </div>
  );
}

/** What a head weighs, metal alone and as it lies on a scale, g. */
async function runWeighed(design: Design): Promise<{ metal: number; total: number } | undefined> {
  const judged = await judgeWorker('later').judge(design, { ...PLAIN_WATER, isShort: true });
  if (!judged.ok) return undefined;
  return {
    metal: judged.readings['mass.metal']?.value ?? 0,
    total: judged.readings['mass.total']?.value ?? 0,
  };
}

const VIEWS = [
  ['weigh', 'Weigh'],
  ['pour', 'Melt and pour'],
  ['cure', 'Paint and cure'],
  ['cost', 'Cost'],
] as const;
type View = (typeof VIEWS)[number][0];

function BatchOf({ kept, metals }: { readonly kept: Kept<Batch>; readonly metals: readonly Metal[] }) {
  const draft = useDraft('batches', kept);
  const remove = useRemove('batches');
  const navigate = useNavigate();
  const { search, set } = useAddress();
  const batch = draft.document;
  const view = VIEWS.find(([key]) => key === search.get('view'))?.[0] ?? 'weigh';
  const { output: weighed } = useJudged(batch.design, runWeighed);
  const castGrams = weighed?.metal ?? 0;
  useTitle(batch.name);
  return (
    <div className="shop">
      <div className="shop-head">
        <h1>
          {batch.name} <small>batch of {batch.day}</small>
        </h1>
        <SaveBadge state={draft.state} />
        <Steps collection="batches" id={kept.id} draft={draft} />
        <Segments<View>
          label="What is shown"
          value={view}
          options={VIEWS}
          onChange={(next) => set('view', next, 'weigh')}
        />
        <span className="spring" />
        <Link className="btn btn-sm btn-quiet" to="/batches">
          All batches
        </Link>
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          onClick={() =>
            remove.mutate(
              { id: kept.id, name: batch.name, version: draft.version },
              { onSuccess: () => void navigate('/batches') },
            )
          }
        >
          Delete
        </button>
      </div>
      <BatchSide batch={batch} weighed={weighed} problems={draft.problems} edit={draft.edit} />
      <div className="shop-sheet">
        <Panel what="The batch" key={view}>
          {view === 'weigh' && (
            <>
              <ScalePanel batch={batch} edit={draft.edit} />
              <Weights id={kept.id} batch={batch} edit={draft.edit} flush={draft.flush} />
            </>
          )}
          {view === 'pour' && <Pour batch={batch} metals={metals} castGrams={castGrams} edit={draft.edit} />}
          {view === 'cure' && <Cure batch={batch} edit={draft.edit} />}
          {view === 'cost' && <Cost batch={batch} metals={metals} castGrams={castGrams} edit={draft.edit} />}
        </Panel>
      </div>
      <StaleDraft collection="batches" draft={draft} />
    </div>
  );
}
