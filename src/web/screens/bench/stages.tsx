import { memo, useRef } from 'react';
import { Anchor, Lock, LockOpen } from 'lucide-react';
import type { Design, KeeperSpec, GuardSpec, Metal, Problem } from '../../../core/index.ts';
import {
  chartIndex,
  completeDimensions,
  FAMILIES,
  familyOf,
  fractionGrams,
  GRADES,
  GRAMS_PER_OUNCE,
  HOOK_CHART,
  inUnits,
  nearestOunceFraction,
  starterGuard,
  starterKeeper,
} from '../../../core/index.ts';
import { useUnits } from '../../data/units.ts';
import { Choice, Segments } from '../../parts/choice.tsx';
import { HookSizeField } from '../../parts/hook-size-field.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';

export type Edit = (change: (design: Design) => Design) => void;

interface StagesProps {
  readonly design: Design;
  /** dimensions as they are built, after the weight target */
  readonly built: Readonly<Record<string, number>>;
  /** metal weight as built, g */
  readonly grams: number;
  readonly total: number;
  readonly metals: readonly Metal[];
  readonly problems: readonly Problem[];
  readonly edit: Edit;
  readonly onDimension: (key: string, value: number, live: boolean) => void;
  readonly onTarget: (grams: number, live: boolean) => void;
  readonly onHold: () => void;
}

/** The stages of the specification, in the order of work: head, weight, hook and eye, keeper, guard. */
export function Stages(props: StagesProps) {
  const { design, problems } = props;
  const problemAt = finder(problems);
  return (
    <div className="stages">
      <HeadStage {...props} problemAt={problemAt} />
      <HookStage {...props} />
      <KeeperStage {...props} />
      <GuardStage {...props} />
      <details className="stage">
        <summary>Notes</summary>
        <textarea
          aria-label="Notes"
          rows={4}
          maxLength={8000}
          value={design.notes ?? ''}
          onChange={(event) => {
            const notes = event.currentTarget.value;
            props.edit((now) => ({ ...now, notes }));
          }}
        />
      </details>
    </div>
  );
}

/** The message, if any, of the problems at one of the given fields or below it. */
const finder =
  (problems: readonly Problem[]) =>
  (...paths: string[]): string | undefined =>
    problems.find(({ path }) => paths.some((wanted) => path === wanted || path.startsWith(`${wanted}/`)))
      ?.message;

/** Stages that a pulled size does not touch are not drawn again while it is pulled. */
const alike =
  (...parts: readonly (keyof Design)[]) =>
  (a: StagesProps, b: StagesProps): boolean =>
    a.problems === b.problems &&
    a.edit === b.edit &&
    parts.every((part) => a.design[part] === b.design[part]);

type StageProps = StagesProps & { readonly problemAt: (...paths: string[]) => string | undefined };

function HeadStage({
  design,
  built,
  grams,
  total,
  metals,
  problemAt,
  edit,
  onDimension,
  onTarget,
  onHold,
}: StageProps) {
  const { system } = useUnits();
  const { head } = design;
  const family = familyOf(head.family);
  const metal = metals.find(({ key }) => key === head.metal);
  const held = head.target !== undefined;
  const of = head.target?.of ?? 'metal';
  const weight = head.target?.grams ?? grams;
  const setHead = (change: Partial<Design['head']>) =>
    edit((now) => ({ ...now, head: { ...now.head, ...change } }));
  const toggleLock = (key: string) => {
    const locks = head.locks ?? [];
    setHead({ locks: locks.includes(key) ? locks.filter((other) => other !== key) : [...locks, key] });
  };
  return (
    <section className="stage" aria-labelledby="stage-head">
      <h3 id="stage-head">Head</h3>
      <Choice
        label="Shape"
        value={head.family}
        options={FAMILIES.map(({ key, name }) => [key, name] as const)}
        problem={problemAt('/head/family')}
        onChange={(key) =>
          edit((now) => {
            const next = familyOf(key);
            if (!next) return now;
            // Sizes the two shapes share are carried over; the weight target does the rest.
            const shared = Object.fromEntries(
              Object.entries(now.head.dimensions).filter(([name]) =>
                next.dimensions.some((spec) => spec.key === name),
              ),
            );
            return {
              ...now,
              head: { ...now.head, family: key, dimensions: completeDimensions(next, shared), locks: [] },
            };
          })
        }
      />
      {family && (
        <p className="stage-purpose">
          <b>Good:</b> {family.purpose} <b>Bad:</b> {family.badAt}
        </p>
      )}
      <div className="weight-row" data-held={held}>
        <QuantityField
          label="Weight"
          kind="mass"
          value={weight}
          min={0.1}
          max={500}
          step={Math.max(0.02, weight / 60)}
          problem={problemAt('/head/target')}
          note="Typing or dragging a weight scales the unlocked sizes until it is met."
          onLive={(next) => onTarget(next, true)}
          onCommit={(next) => onTarget(next, false)}
        />
        <button
          type="button"
          className="btn btn-sm btn-hold"
          aria-pressed={held}
          onClick={onHold}
          title="Hold the weight while sizes change (H)"
        >
          {held && <Anchor size={13} aria-hidden />} {held ? 'Held' : 'Hold'}
        </button>
      </div>
      <WeightSlider grams={weight} onTarget={onTarget} />
      {held && (
        <Segments
          label="The weight is that of"
          value={of}
          options={[
            ['metal', 'the metal'],
            ['total', 'all, as weighed'],
          ]}
          onChange={(next) => {
            const now = next === 'total' ? total : grams;
            setHead({ target: { grams: now, of: next } });
          }}
        />
      )}
      {family?.dimensions.map((spec) => {
        const locked = head.locks?.includes(spec.key) ?? false;
        return (
          <div key={spec.key} className="dim-row">
            <QuantityField
              label={spec.name}
              kind={spec.kind}
              value={built[spec.key] ?? spec.initial}
              min={spec.min}
              max={spec.max}
              step={spec.kind === 'size' ? 0.1 : 0.01}
              note={spec.note}
              problem={problemAt(`/head/dimensions/${spec.key}`)}
              onLive={(next) => onDimension(spec.key, next, true)}
              onCommit={(next) => onDimension(spec.key, next, false)}
            />
            {spec.scales && held && family.dimensions.filter(({ scales }) => scales).length > 1 && (
              <button
                type="button"
                className="lock"
                aria-pressed={locked}
                aria-label={`Lock ${spec.name}`}
                title={locked ? 'Locked: the weight does not change it' : 'Free: the weight may change it'}
                onClick={() => toggleLock(spec.key)}
              >
                {locked ? <Lock size={14} aria-hidden /> : <LockOpen size={14} aria-hidden />}
              </button>
            )}
          </div>
        );
      })}
      {problemAt('/head/dimensions', '/head/locks') &&
        family?.dimensions.every(({ key }) => !problemAt(`/head/dimensions/${key}`)) && (
          <p className="field-said">{inUnits(problemAt('/head/dimensions', '/head/locks') ?? '', system)}</p>
        )}
      <Choice
        label="Metal"
        value={head.metal}
        options={metals.map(({ key, name }) => [key, name] as const)}
        problem={problemAt('/head/metal')}
        onChange={(key) => setHead({ metal: key, density: undefined })}
      />
      <QuantityField
        label="Density"
        kind="density"
        value={head.density ?? metal?.density ?? 1}
        min={1}
        max={23}
        step={0.05}
        note={
          metal ? `${metal.name}: ${metal.densityRange[0]} to ${metal.densityRange[1]}. ${metal.source}.` : ''
        }
        problem={problemAt('/head/density')}
        onCommit={(density) => setHead({ density })}
      />
      {metal && <p className="stage-caution">▲ {metal.caution}</p>}
    </section>
  );
}

/** Span of the weight slider, ounces: from a pip to a heavy deep head. It runs by ratio, as packets do. */
const SLIDER = { least: 1 / 64, most: 3, steps: 240 };

function WeightSlider({
  grams,
  onTarget,
}: {
  readonly grams: number;
  readonly onTarget: StagesProps['onTarget'];
}) {
  const { format } = useUnits();
  const last = useRef<number | undefined>(undefined);
  const span = Math.log(SLIDER.most / SLIDER.least);
  const gramsAt = (step: number) => SLIDER.least * GRAMS_PER_OUNCE * Math.exp((span * step) / SLIDER.steps);
  const step =
    (SLIDER.steps * Math.log(Math.max(grams / GRAMS_PER_OUNCE, SLIDER.least) / SLIDER.least)) / span;
  const settle = () => {
    if (last.current !== undefined) onTarget(last.current, false);
    last.current = undefined;
  };
  return (
    <input
      type="range"
      className="weight-slider"
      aria-label="Target weight"
      aria-valuetext={format(grams, 'mass')}
      min={0}
      max={SLIDER.steps}
      step={1}
      value={Math.round(step)}
      onChange={(event) => {
        const wanted = gramsAt(Number(event.currentTarget.value));
        // The slider catches at packet weights, which is what a designer aims at.
        const packet = nearestOunceFraction(wanted);
        last.current = Math.abs(packet.error) < 0.012 ? fractionGrams(packet) : wanted;
        onTarget(last.current, true);
      }}
      onPointerUp={settle}
      onKeyUp={settle}
      onBlur={settle}
    />
  );
}

const HookStage = memo(
  function HookStage({ design, problems, edit }: StagesProps) {
    const problemAt = finder(problems);
    const { hook, eye } = design;
    const index = chartIndex(hook.size);
    const setEye = (change: Partial<Design['eye']>) =>
      edit((now) => ({ ...now, eye: { ...now.eye, ...change } }));
    const setHook = (change: Partial<Design['hook']>) =>
      edit((now) => ({ ...now, hook: { ...now.hook, ...change } }));
    const step = (by: number) => {
      const next = HOOK_CHART[index + by];
      if (next) setHook({ size: next.size });
    };
    return (
      <section className="stage" aria-labelledby="stage-hook">
        <h3 id="stage-hook">Hook and eye</h3>
        <div className="hook-row">
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            onClick={() => step(-1)}
            disabled={index <= 0}
            aria-label="Smaller hook"
          >
            −
          </button>
          <HookSizeField
            value={hook.size}
            problem={problemAt('/hook/size')}
            onChange={(size) => setHook({ size })}
          />
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            onClick={() => step(1)}
            disabled={index >= HOOK_CHART.length - 1}
            aria-label="Larger hook"
          >
            +
          </button>
        </div>
        <Choice
          label="Wire"
          value={hook.grade}
          options={GRADES.map((grade) => [grade, grade] as const)}
          onChange={(grade) => setHook({ grade })}
        />
        <QuantityField
          label="Eye angle"
          kind="angle"
          value={eye.angle}
          min={0}
          max={90}
          step={1}
          note="Between the shank’s forward line and the eye’s leg."
          problem={problemAt('/eye/angle', '/eye')}
          onCommit={(angle) => setEye({ angle })}
        />
        <Segments
          label="Plane of the eye"
          value={eye.plane}
          options={[
            ['crosswise', 'crosswise'],
            ['in line', 'in line'],
          ]}
          onChange={(plane) => setEye({ plane })}
        />
        <QuantityField
          label="Eye behind the nose"
          kind="share"
          value={eye.setback}
          min={0}
          max={1}
          step={0.01}
          note="Where the eye’s leg leaves the shank, as a share of the head’s length."
          problem={problemAt('/eye/setback')}
          onCommit={(setback) => setEye({ setback })}
        />
      </section>
    );
  },
  alike('hook', 'eye'),
);

const KeeperStage = memo(function KeeperStage({ design, problems, edit }: StagesProps) {
  const problemAt = finder(problems);
  const { system } = useUnits();
  const { keeper } = design;
  const set = (change: Partial<KeeperSpec>) =>
    edit((now) => ({ ...now, keeper: { ...now.keeper, ...change } as KeeperSpec }));
  return (
    <section className="stage" aria-labelledby="stage-keeper">
      <h3 id="stage-keeper">Keeper</h3>
      <Segments
        label="Kind of keeper"
        value={keeper.kind}
        options={[
          ['collar', 'cast collar'],
          ['wire', 'wire'],
          ['none', 'none'],
        ]}
        onChange={(kind) => edit((now) => ({ ...now, keeper: starterKeeper(kind) }))}
      />
      {problemAt('/keeper') && keeper.kind !== 'collar' && (
        <p className="field-said">{inUnits(problemAt('/keeper') ?? '', system)}</p>
      )}
      {keeper.kind === 'collar' && (
        <>
          <QuantityField
            label="Collar length"
            kind="size"
            value={keeper.length}
            min={1}
            max={40}
            step={0.1}
            problem={problemAt('/keeper/length')}
            onCommit={(length) => set({ length })}
          />
          <QuantityField
            label="Collar diameter"
            kind="size"
            value={keeper.diameter}
            min={0.8}
            max={20}
            step={0.05}
            problem={problemAt('/keeper/diameter')}
            onCommit={(diameter) => set({ diameter })}
          />
          <QuantityField
            label="Barb height"
            kind="size"
            value={keeper.barb}
            min={0}
            max={6}
            step={0.05}
            problem={problemAt('/keeper/barb')}
            onCommit={(barb) => set({ barb })}
          />
          <QuantityField
            label="Barbs"
            kind="count"
            value={keeper.barbs}
            min={0}
            max={6}
            step={1}
            onCommit={(barbs) => set({ barbs: Math.round(barbs) })}
          />
        </>
      )}
      {keeper.kind === 'wire' && (
        <>
          <QuantityField
            label="Keeper length"
            kind="size"
            value={keeper.length}
            min={2}
            max={40}
            step={0.1}
            onCommit={(length) => set({ length })}
          />
          <QuantityField
            label="Keeper wire"
            kind="size"
            value={keeper.wire}
            min={0.2}
            max={2}
            step={0.02}
            onCommit={(wire) => set({ wire })}
          />
          <QuantityField
            label="Flare"
            kind="angle"
            value={keeper.flare}
            min={0}
            max={45}
            step={1}
            onCommit={(flare) => set({ flare })}
          />
        </>
      )}
    </section>
  );
}, alike('keeper'));

const GuardStage = memo(function GuardStage({ design, problems, edit }: StagesProps) {
  const problemAt = finder(problems);
  const { guard } = design;
  const set = (change: Partial<GuardSpec>) =>
    edit((now) => ({ ...now, guard: { ...now.guard, ...change } as GuardSpec }));
  return (
    <section className="stage" aria-labelledby="stage-guard">
      <h3 id="stage-guard">Guard</h3>
      <Segments
        label="Kind of guard"
        value={guard.kind}
        options={[
          ['none', 'none'],
          ['fibre', 'fibre brush'],
        ]}
        onChange={(kind) => edit((now) => ({ ...now, guard: starterGuard(kind) }))}
      />
      {guard.kind === 'fibre' && (
        <>
          <QuantityField
            label="Fibres"
            kind="count"
            value={guard.count}
            min={1}
            max={120}
            step={1}
            onCommit={(count) => set({ count: Math.round(count) })}
          />
          <QuantityField
            label="Fibre"
            kind="size"
            value={guard.fibre}
            min={0.1}
            max={1.5}
            step={0.01}
            onCommit={(fibre) => set({ fibre })}
          />
          <QuantityField
            label="Length as bought"
            kind="size"
            value={guard.length}
            min={2}
            max={80}
            step={0.5}
            onCommit={(length) => set({ length })}
          />
          <QuantityField
            label="Lean"
            kind="angle"
            value={guard.lean}
            min={15}
            max={90}
            step={1}
            note="Above the shank, leaning back to the point."
            onCommit={(lean) => set({ lean })}
          />
          <QuantityField
            label="Base behind the nose"
            kind="share"
            value={guard.setback}
            min={0}
            max={1}
            step={0.01}
            problem={problemAt('/guard/setback')}
            onCommit={(setback) => set({ setback })}
          />
          <QuantityField
            label="Fan"
            kind="angle"
            value={guard.fan}
            min={0}
            max={90}
            step={1}
            note="Spread sideways: softer in middling cover, bundled in the thickest."
            onCommit={(fan) => set({ fan })}
          />
          <Segments
            label="Ends"
            value={guard.trimmed ? 'trimmed' : 'bought'}
            options={[
              ['trimmed', 'trimmed to the point'],
              ['bought', 'as bought'],
            ]}
            onChange={(next) => set({ trimmed: next === 'trimmed' })}
          />
        </>
      )}
    </section>
  );
}, alike('guard'));
