import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { Design, Mould } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { newMould } from '../../../core/document/index.ts';
import { METALS } from '../../../core/material/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useCreate, useList, useOne, useRemove, useStores } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { useAddress } from '../../parts/address.ts';
import { Panel } from '../../parts/panel.tsx';
import { Problems } from '../../parts/problems.tsx';
import { Others } from '../../parts/others.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { Steps } from '../../parts/steps.tsx';
import { useJudged } from '../../workers/judge.ts';
import { makeWorker } from '../../workers/make.ts';
import type { MouldFigures } from '../../workers/make.worker.ts';
import { CavityPanel } from './cavity-panel.tsx';
import { MouldFace } from './mould-face.tsx';
import { MouldFields } from './mould-fields.tsx';
import { MouldFiguresPanel } from './mould-figures.tsx';
import '../../parts/workshop.css';
import { useTitle } from '../../parts/title.ts';
import './mould.css';

interface Job {
  readonly mould: Mould;
  readonly metals: readonly Metal[];
  readonly system: 'imperial' | 'metric';
}
const runLaid = ({ mould, metals, system }: Job): Promise<MouldFigures> =>
  makeWorker().laid(mould, metals, system);

/** Sizes a mould begins with where it is shown in inches: a wall of 1/4, 0.2 between, pins of 3/16. */
const INCHES = { wall: 6.35, between: 5.08, pin: 4.7625 } as const;

/**
 * The mould of a head: its halves laid out, its cavities changed by cutter before any metal is cut, and its
 * files.
 */
export function MouldScreen() {
  const { id = '' } = useParams();
  const design = useOne('designs', id);
  const moulds = useList('moulds');
  const stores = useStores();
  const create = useCreate('moulds');
  const { search, set } = useAddress();
  const { system } = useUnits();
  if (design.isPending || moulds.isPending || stores.isPending) return <Loading what="the mould" />;
  if (design.isError)
    return (
      <Failed error={design.error} retry={() => void design.refetch()} of={{ collection: 'designs', id }} />
    );
  if (moulds.isError) return <Failed error={moulds.error} retry={() => void moulds.refetch()} />;
  const metals: readonly Metal[] = stores.data?.metals ?? METALS;
  const mine = moulds.data.filter(
    ({ document }) => document.of === id || document.cavities.some((cavity) => cavity.of === id),
  );
  const chosen = mine.find((kept) => kept.id === search.get('mould')) ?? mine[0];
  const isPressed = metals.find(({ key }) => key === design.data.document.head.metal)?.making === 'sintered';
  const lay = () => {
    const begun = newMould(design.data.document, id, isPressed ? 'press' : 'pour');
    create.mutate(system === 'imperial' ? { ...begun, ...INCHES } : begun, {
      onSuccess: (kept) => set('mould', kept.id),
    });
  };
  if (!chosen)
    return (
      <Empty title="No mould for this head yet" whole>
        <p>
          {isPressed
            ? 'A press tool is laid out around the solid and its bore, larger by what sintering takes.'
            : 'A mould is laid out around the head as it is cast: halves, hook channel, sprue, vents, ' +
              'pins. Cavities are changed by cutter here before any metal is cut.'}
        </p>
        <button type="button" className="btn btn-fern" onClick={lay} disabled={create.isPending}>
          {isPressed ? 'Lay out a press tool' : 'Lay out a mould'}
        </button>{' '}
        <Link className="btn btn-quiet" to={`/designs/${id}`}>
          Back to the Bench
        </Link>
      </Empty>
    );
  return (
    <MouldOf
      key={chosen.id}
      kept={chosen}
      design={design.data}
      others={mine}
      metals={metals}
      onChoose={(other) => set('mould', other)}
      onNew={lay}
    />
  );
}

interface Props {
  readonly kept: Kept<Mould>;
  readonly design: Kept<Design>;
  readonly others: readonly Kept<Mould>[];
  readonly metals: readonly Metal[];
  readonly onChoose: (id: string) => void;
  readonly onNew: () => void;
}

function MouldOf({ kept, design, others, metals, onChoose, onNew }: Props) {
  const draft = useDraft('moulds', kept);
  const remove = useRemove('moulds');
  const { system } = useUnits();
  const mould = draft.document;
  const { search, set } = useAddress();
  const place = Math.min(mould.cavities.length - 1, Math.max(0, Number(search.get('cavity') ?? 1) - 1 || 0));
  const job = useMemo<Job>(() => ({ mould, metals, system }), [mould, metals, system]);
  const { output, for: drawnFor, error } = useJudged(job, runLaid);
  // Aimed in one cavity, and of no other.
  const [aimed, setAimed] = useState<{ place: number; at: { x: number; z: number } } | undefined>(undefined);
  const aim = aimed?.place === place ? aimed.at : undefined;
  useTitle(mould.name);
  return (
    <div className="shop">
      <div className="shop-head">
        <h1>
          <Link to={`/designs/${design.id}`}>{design.document.name}</Link>{' '}
          <small>{mould.making === 'press' ? 'its press tool' : 'its mould'}</small>
        </h1>
        <Others label="Mould" id={kept.id} all={others} onChoose={onChoose} />
        <SaveBadge state={draft.state} />
        <Steps collection="moulds" id={kept.id} draft={draft} />
        <span className="spring" />
        <button type="button" className="btn btn-sm btn-quiet" onClick={onNew}>
          + Another mould
        </button>
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          onClick={() => remove.mutate({ id: kept.id, name: mould.name, version: draft.version })}
        >
          Delete
        </button>
      </div>
      <aside className="shop-side" aria-label="The mould">
        <Panel what="The fields">
          <MouldFields mould={mould} design={design} edit={draft.edit} problems={draft.problems} />
        </Panel>
      </aside>
      <div className="shop-sheet" data-ready={output !== undefined && drawnFor === job}>
        {error && <p className="problems">■ The computation stopped: {error}</p>}
        {output && !output.ok && <Problems of={output.problems} />}
        {!output && !error && <Loading what="the mould" />}
        {output?.ok && (
          <>
            <Panel what="The parting face">
              <MouldFace
                figures={output}
                mould={mould}
                place={place}
                aim={aim}
                onAim={(at) => setAimed({ place, at })}
                onPlace={(next) => set('cavity', String(next + 1), '1')}
              />
            </Panel>
            <div className="shop-two">
              <Panel what="The cavities">
                <CavityPanel
                  mould={mould}
                  figures={output}
                  place={place}
                  aim={aim}
                  metals={metals}
                  edit={draft.edit}
                  onPlace={(next) => set('cavity', String(next + 1), '1')}
                />
              </Panel>
              <Panel what="What it holds">
                <MouldFiguresPanel
                  kept={kept}
                  mould={mould}
                  metals={metals}
                  flush={draft.flush}
                  figures={output}
                />
              </Panel>
            </div>
          </>
        )}
      </div>
      <StaleDraft collection="moulds" draft={draft} />
    </div>
  );
}
