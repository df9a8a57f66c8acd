import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { Design } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import { METALS } from '../../../core/material/index.ts';
import { useFew, useList, useOne, useStores } from '../../data/queries.ts';
import { useTray } from '../../data/tray.ts';
import { Segments } from '../../parts/choice.tsx';
import { Panel } from '../../parts/panel.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { useTitle } from '../../parts/title.ts';
import { useUnits } from '../../data/units.ts';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import { Bottom } from './bottom.tsx';
import { Conditions } from './conditions.tsx';
import { Drop } from './drop.tsx';
import { PullView } from './pull-view.tsx';
import { LineView } from './line-view.tsx';
import { Through } from './through.tsx';
import type { WetHead } from './tank-kit.ts';
import { useConditions } from './use-conditions.ts';
import './tank.css';

const VIEWS = [
  ['drop', 'Drop'],
  ['bottom', 'Bottom'],
  ['through', 'Through'],
  ['line', 'Line'],
  ['hook', 'Hook and guard'],
] as const;
type View = (typeof VIEWS)[number][0];

const COMPANY = [
  ['tray', 'with the tray'],
  ['metals', 'in lead and tungsten'],
  ['alone', 'alone'],
] as const;
type Company = (typeof COMPANY)[number][0];

/**
 * The Tank: what water, bottom, line and fish do with a head, in pictures drawn to scale from the
 * computation.
 */
export function Tank() {
  const { id = '' } = useParams();
  const design = useOne('designs', id);
  const plastics = useList('plastics');
  const stores = useStores();
  const { ids } = useTray();
  const tray = useFew(ids.filter((other) => other !== id));
  if (design.isPending || plastics.isPending || stores.isPending || tray.isPending)
    return <Loading what="the tank" />;
  if (design.isError)
    return (
      <Failed error={design.error} retry={() => void design.refetch()} of={{ collection: 'designs', id }} />
    );
  if (plastics.isError) return <Failed error={plastics.error} retry={() => void plastics.refetch()} />;
  return (
    <TankOf
      key={design.data.id}
      kept={design.data}
      tray={tray.rows}
      plastics={plastics.data}
      metals={stores.data?.metals ?? METALS}
    />
  );
}

interface Props {
  readonly kept: Kept<Design>;
  readonly tray: readonly Kept<Design>[];
  readonly plastics: readonly Kept<Plastic>[];
  readonly metals: readonly Metal[];
}

type Job = Parameters<typeof run>[0];
const run = ({
  designs,
  conditions,
  inMetals,
  isPulled,
}: {
  readonly designs: readonly Design[];
  readonly conditions: Pick<ReturnType<typeof useConditions>, 'surroundings' | 'bait'>;
  readonly inMetals: boolean;
  readonly isPulled: boolean;
}) => judgeWorker('now').wet(designs, conditions.surroundings, conditions.bait, inMetals, isPulled);

/** A design at another weight of what its own target is of; as it is where none is asked for. */
const atWeight = (design: Design, grams: number | undefined): Design =>
  grams === undefined
    ? design
    : { ...design, head: { ...design.head, target: { of: 'metal', ...design.head.target, grams } } };

/** Heads shown at once. */
const MOST = 6;

function TankOf({ kept, tray, plastics, metals }: Props) {
  useTitle(kept.document.name);
  const { say } = useUnits();
  const conditions = useConditions(plastics, metals);
  const { address, surroundings, bait, grams } = conditions;
  const view = VIEWS.find(([key]) => key === address.search.get('view'))?.[0] ?? 'drop';
  const company = COMPANY.find(([key]) => key === address.search.get('with'))?.[0] ?? 'tray';
  const job = useMemo<Job>(
    () => ({
      designs: [
        atWeight(kept.document, grams),
        ...(company === 'tray' ? tray : []).map(({ document }) => document),
      ].slice(0, MOST),
      conditions: { surroundings, bait },
      inMetals: company === 'metals',
      isPulled: view === 'hook',
    }),
    [kept, tray, company, surroundings, bait, grams, view],
  );
  const { output, error } = useJudged(job, run);
  const heads = useMemo<readonly WetHead[]>(
    () => (output ?? []).flatMap((head) => (head.ok && head.water ? [{ ...head, water: head.water }] : [])),
    [output],
  );
  const left = (output ?? []).filter((head) => !head.ok || !head.water);
  return (
    <div className="tank">
      <div className="tank-head">
        <h1>
          <Link to={`/designs/${kept.id}`}>{kept.document.name}</Link> <small>in the water</small>
        </h1>
        <Segments<View>
          label="What is shown"
          value={view}
          options={VIEWS}
          onChange={(value) => address.set('view', value, 'drop')}
        />
        <Segments<Company>
          label="Heads"
          value={company}
          options={COMPANY}
          onChange={(value) => address.set('with', value, 'tray')}
        />
      </div>
      <Conditions conditions={conditions} plastics={plastics} />
      <div className="tank-sheet" data-ready={output !== undefined}>
        {error && <p className="problems">■ {error}</p>}
        {left.map((head) => (
          <p key={head.name} className="problems">
            ■ {head.name}:{' '}
            {head.ok
              ? 'it floats in this water, so it neither falls nor rests.'
              : say(head.problems[0]?.message ?? '')}
          </p>
        ))}
        {!output ? (
          <Loading what="the water" />
        ) : heads.length === 0 ? null : (
          <Panel what="The picture" key={view}>
            {view === 'drop' && <Drop heads={heads} depth={surroundings.depth} address={address} />}
            {view === 'bottom' && <Bottom heads={heads} address={address} />}
            {view === 'through' && <Through heads={heads} conditions={conditions} />}
            {view === 'line' && <LineView heads={heads} conditions={conditions} />}
            {view === 'hook' && <PullView heads={heads} address={address} />}
          </Panel>
        )}
      </div>
    </div>
  );
}
