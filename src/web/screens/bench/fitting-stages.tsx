import { memo } from 'react';
import type { GuardSpec, KeeperSpec } from '../../../core/fitting/index.ts';
import {
  guardInitial,
  guardOf,
  GUARDS,
  keeperInitial,
  keeperOf,
  KEEPERS,
} from '../../../core/fitting/index.ts';
import { useUnits } from '../../data/units.ts';
import { Choice } from '../../parts/choice.tsx';
import { SpecFields } from './spec-fields.tsx';
import type { StagesProps } from './stage-kit.ts';
import { alike, finder } from './stage-kit.ts';

/** A problem that no field below shows: of the fitting as a whole. */
function useWhole(problems: StagesProps['problems'], path: string): string | undefined {
  const { say } = useUnits();
  const whole = problems.find((problem) => problem.path === path)?.message;
  return whole && say(whole);
}

/** The keeper’s fields on the Bench. */
export const KeeperStage = memo(function KeeperStage({ design, problems, edit }: StagesProps) {
  const whole = useWhole(problems, '/keeper');
  const { keeper } = design;
  return (
    <section className="stage" aria-labelledby="stage-keeper">
      <h3 id="stage-keeper">Keeper</h3>
      <Choice
        label="Kind of keeper"
        term="keeper"
        value={keeper.kind}
        options={KEEPERS.map(({ key, name }) => [key, name] as const)}
        onChange={(kind) => edit((now) => ({ ...now, keeper: keeperInitial(kind) }))}
      />
      {whole && <p className="field-said">{whole}</p>}
      <SpecFields
        fields={keeperOf(keeper.kind).fields}
        values={keeper}
        path="/keeper"
        problemAt={finder(problems)}
        onSet={(change) => edit((now) => ({ ...now, keeper: { ...now.keeper, ...change } as KeeperSpec }))}
      />
    </section>
  );
}, alike('keeper'));

/** The weed guard’s fields on the Bench. */
export const GuardStage = memo(function GuardStage({ design, problems, edit }: StagesProps) {
  const whole = useWhole(problems, '/guard');
  const { guard } = design;
  return (
    <section className="stage" aria-labelledby="stage-guard">
      <h3 id="stage-guard">Guard</h3>
      <Choice
        label="Kind of guard"
        term="weed guard"
        value={guard.kind}
        options={GUARDS.map(({ key, name }) => [key, name] as const)}
        onChange={(kind) => edit((now) => ({ ...now, guard: guardInitial(kind) }))}
      />
      {whole && <p className="field-said">{whole}</p>}
      <SpecFields
        fields={guardOf(guard.kind).fields}
        values={guard}
        path="/guard"
        problemAt={finder(problems)}
        onSet={(change) => edit((now) => ({ ...now, guard: { ...now.guard, ...change } as GuardSpec }))}
      />
    </section>
  );
}, alike('guard'));
