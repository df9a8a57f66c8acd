import { memo } from 'react';
import type { Design, GuardSpec, KeeperSpec } from '../../../core/index.ts';
import { chartIndex, GRADES, HOOK_CHART, inUnits, starterGuard, starterKeeper } from '../../../core/index.ts';
import { useUnits } from '../../data/units.ts';
import { Choice, Segments } from '../../parts/choice.tsx';
import { HookSizeField } from '../../parts/hook-size-field.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import type { StagesProps } from './stage-kit.ts';
import { alike, finder } from './stage-kit.ts';

export const HookStage = memo(
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

export const KeeperStage = memo(function KeeperStage({ design, problems, edit }: StagesProps) {
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

export const GuardStage = memo(function GuardStage({ design, problems, edit }: StagesProps) {
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
