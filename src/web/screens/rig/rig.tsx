import { useCallback, useMemo } from 'react';
import { Link, useParams } from 'react-router';
import type { Kept, RulesInForce } from '../../../contract/api.ts';
import type { Surroundings } from '../../../core/behaviour/index.ts';
import type { Design } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import type { MethodKey, Remedy } from '../../../core/rigging/index.ts';
import { applyRemedy } from '../../../core/judge/index.ts';
import { METALS } from '../../../core/material/index.ts';
import { methodOf } from '../../../core/rigging/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useDraftSteps } from '../../parts/keys.ts';
import { useList, useOne, useRules, useStores } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { useAddress } from '../../parts/address.ts';
import { Panel } from '../../parts/panel.tsx';
import { Problems } from '../../parts/problems.tsx';
import { Slider } from '../../parts/slider.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { useTitle } from '../../parts/title.ts';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import type { PairRow } from '../../workers/pair-rows.ts';
import { RigChoices } from './rig-choices.tsx';
import { RigDrawing } from './rig-drawing.tsx';
import { RigHead } from './rig-head.tsx';
import { RigVerdict } from './rig-verdict.tsx';
import { RigWays } from './rig-ways.tsx';
import { useNear, useRigAddress } from './use-rig.ts';
import './rig.css';

/** The Rig: a plastic on the hook, to scale, with every point of the fit judged. */
export function RigScreen() {
  const { id = '' } = useParams();
  const design = useOne('designs', id);
  const plastics = useList('plastics');
  const stores = useStores();
  const rules = useRules();
  if (design.isPending || plastics.isPending || stores.isPending || rules.isPending)
    return <Loading what="the rig" />;
  if (design.isError)
    return (
      <Failed error={design.error} retry={() => void design.refetch()} of={{ collection: 'designs', id }} />
    );
  if (rules.isError) return <Failed error={rules.error} retry={() => void rules.refetch()} />;
  if (plastics.isError) return <Failed error={plastics.error} retry={() => void plastics.refetch()} />;
  if (plastics.data.length === 0) {
    return (
      <Empty title="No plastics in the stores" whole>
        <p>Put a plastic into the stores first: its kind, length, breadth and height are enough.</p>
        <Link className="btn btn-fern" to="/stores?shelf=plastics">
          To the plastics
        </Link>
      </Empty>
    );
  }
  return (
    <RigOf
      key={design.data.id}
      kept={design.data}
      plastics={plastics.data}
      rules={rules.data.document}
      metals={stores.data?.metals ?? METALS}
    />
  );
}

interface Job {
  readonly design: Design;
  readonly plastic: Plastic;
  readonly method: MethodKey;
  readonly surroundings: Surroundings;
  readonly turn: number;
}
const runRig = ({ design, plastic, method, surroundings, turn }: Job) =>
  judgeWorker('now').rig(design, plastic, method, surroundings, turn);

interface ListJob {
  readonly design: Design;
  readonly plastics: readonly Plastic[];
  readonly rules: RulesInForce['document'];
  readonly metals: readonly Metal[];
}
const runPairings = ({ design, plastics, rules, metals }: ListJob): Promise<PairRow[]> =>
  judgeWorker('later').pairings(design, plastics, rules, metals);

interface Props {
  readonly kept: Kept<Design>;
  readonly plastics: readonly Kept<Plastic>[];
  readonly rules: RulesInForce['document'];
  readonly metals: readonly Metal[];
}

function RigOf({ kept, plastics, rules, metals }: Props) {
  const { document, edit, state, step } = useDraft('designs', kept);
  useDraftSteps(step);
  useTitle(document.name);
  const { set, setAll } = useAddress();
  const heads = useNear(kept.id);
  const { chosen, plastic, method, water, turn, cut, surroundings } = useRigAddress(plastics, metals);
  const job = useMemo<Job | undefined>(
    () => plastic && { design: document, plastic, method, surroundings, turn },
    [document, plastic, method, surroundings, turn],
  );
  const { output, for: answered, error } = useJudged(job, runRig);
  const listJob = useMemo<ListJob>(
    () => ({ design: document, plastics: plastics.map((one) => one.document), rules, metals }),
    [document, plastics, rules, metals],
  );
  const { output: pairings } = useJudged(listJob, runPairings);
  const apply = useCallback(
    (remedy: Remedy) => {
      if (remedy.of === 'method') set('method', String(remedy.value), 'threaded');
      // A bait is cut for this rig; the one in the stores stays as it was bought.
      else if (remedy.of === 'plastic') set('cut', String(remedy.value), '0');
      else edit((now) => (plastic ? applyRemedy({ design: now, plastic, method }, remedy).design : now));
    },
    [set, edit, plastic, method],
  );
  return (
    <div className="rig">
      <RigHead
        id={kept.id}
        name={document.name}
        plastic={chosen?.id ?? ''}
        method={method}
        cut={cut}
        state={state}
      />
      <RigChoices
        plastics={plastics}
        pairings={pairings}
        chosen={chosen?.id ?? ''}
        method={method}
        water={water}
        cut={cut}
        skirt={document.skirt}
        onSkirt={(skirt) => edit((now) => ({ ...now, skirt }))}
        onPlastic={(id, best) => {
          setAll([
            ['plastic', id],
            ['cut', '0', '0'],
            ['method', best ?? method, 'threaded'],
          ]);
        }}
        onMethod={(next) => set('method', next, 'threaded')}
        onWater={(next) => set('water', next, 'fresh')}
      />
      <section className="rig-sheet" aria-label="The rig, drawn to scale">
        {error && <p className="problems">■ {error}</p>}
        {output?.judged.ok && output.fit && output.turned && output.above && answered ? (
          <Panel what="The drawing">
            <div className="rig-turn">
              <Slider
                label="Turn"
                value={turn}
                min={0}
                max={355}
                step={5}
                text={`${turn}°`}
                onChange={(value) => set('turn', String(value), '0')}
              />
            </div>
            <RigDrawing
              turned={output.turned}
              above={output.above}
              fit={output.fit}
              metal={answered.design.head.metal}
              turn={answered.turn}
              cut={output.guard?.cut ?? 0}
              hasSkirt={methodOf(answered.method).isUnderSkirt === true}
            />
            <RigSteps steps={output.fit.steps} />
            {chosen && (
              <RigWays
                design={document}
                plastic={chosen}
                method={method}
                rules={rules}
                metals={metals}
                heads={heads}
                onHook={({ size, style, method: best }) => {
                  edit((now) => ({
                    ...now,
                    hook: { ...now.hook, size, style: style as Design['hook']['style'], measured: undefined },
                  }));
                  set('method', best, 'threaded');
                }}
              />
            )}
          </Panel>
        ) : output && !output.judged.ok ? (
          <Problems of={output.judged.problems} />
        ) : (
          <Loading what="the rig" />
        )}
      </section>
      {output?.judged.ok && output.fit && answered && (
        <RigVerdict
          readings={output.judged.readings}
          fit={output.fit}
          guard={output.guard}
          spec={answered.design.guard}
          water={water}
          onApply={apply}
        />
      )}
    </div>
  );
}

/** The steps of rigging, one after the other. */
function RigSteps({ steps }: { readonly steps: readonly string[] }) {
  const { say } = useUnits();
  return (
    <section className="rig-steps" aria-label="How it is rigged">
      <h2>In this order</h2>
      <ol>
        {steps.map((step) => (
          <li key={step}>{say(step)}</li>
        ))}
      </ol>
    </section>
  );
}
