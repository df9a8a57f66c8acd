import { memo } from 'react';
import type { GuardSpec, KeeperSpec } from '../../../core/index.ts';
import {
  FIBRES,
  GUARD_FIELDS,
  GUARDS,
  KEEPER_FIELDS,
  KEEPERS,
  starterGuard,
  starterKeeper,
} from '../../../core/index.ts';
import { useUnits } from '../../data/units.ts';
import { Choice, Segments } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { SpecFields } from './spec-fields.tsx';
import type { StagesProps } from './stage-kit.ts';
import { alike, finder } from './stage-kit.ts';

/** A problem that no field below shows: of the fitting as a whole. */
function useWhole(problems: StagesProps['problems'], path: string): string | undefined {
  const { say } = useUnits();
  const whole = problems.find((problem) => problem.path === path)?.message;
  return whole && say(whole);
}

export const KeeperStage = memo(function KeeperStage({ design, problems, edit }: StagesProps) {
  const whole = useWhole(problems, '/keeper');
  const { keeper } = design;
  return (
    <section className="stage" aria-labelledby="stage-keeper">
      <h3 id="stage-keeper">Keeper</h3>
      <Choice
        label="Kind of keeper"
        value={keeper.kind}
        options={KEEPERS.map(({ kind, name }) => [kind, name] as const)}
        onChange={(kind) => edit((now) => ({ ...now, keeper: starterKeeper(kind) }))}
      />
      {whole && <p className="field-said">{whole}</p>}
      <SpecFields
        fields={KEEPER_FIELDS[keeper.kind]}
        values={keeper}
        path="/keeper"
        problemAt={finder(problems)}
        onSet={(change) => edit((now) => ({ ...now, keeper: { ...now.keeper, ...change } as KeeperSpec }))}
      />
    </section>
  );
}, alike('keeper'));

export const GuardStage = memo(function GuardStage({ design, problems, edit }: StagesProps) {
  const whole = useWhole(problems, '/guard');
  const { guard } = design;
  const set = (change: Partial<GuardSpec>) =>
    edit((now) => ({ ...now, guard: { ...now.guard, ...change } as GuardSpec }));
  return (
    <section className="stage" aria-labelledby="stage-guard">
      <h3 id="stage-guard">Guard</h3>
      <Choice
        label="Kind of guard"
        value={guard.kind}
        options={GUARDS.map(({ kind, name }) => [kind, name] as const)}
        onChange={(kind) => edit((now) => ({ ...now, guard: starterGuard(kind) }))}
      />
      {whole && <p className="field-said">{whole}</p>}
      <SpecFields
        fields={GUARD_FIELDS[guard.kind]}
        values={guard}
        path="/guard"
        problemAt={finder(problems)}
        onSet={(change) => set(change as Partial<GuardSpec>)}
      />
      {guard.kind === 'fibre' && (
        <>
          <Choice
            label="Material"
            value={guard.material ?? 'nylon'}
            options={FIBRES.map((material) => [material, material] as const)}
            onChange={(material) => set({ material })}
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
          {guard.trimmed && (
            <QuantityField
              label="Trim line over the point"
              kind="size"
              value={guard.over ?? 0}
              min={-10}
              max={20}
              step={0.1}
              note="0 cuts the ends level with the hook point; more leaves them over it."
              onCommit={(over) => set({ over })}
            />
          )}
        </>
      )}
    </section>
  );
}, alike('guard'));
