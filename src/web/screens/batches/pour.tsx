import type { Batch, BatchRange } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { BATCH_RANGES } from '../../../core/document/index.ts';
import { HEATERS, meltingOf, pourPlan, workSteps } from '../../../core/make/index.ts';
import { useUnits } from '../../data/units.ts';
import { Choice } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { PlanFigures, WorkSteps } from './pour-parts.tsx';
import type { QuantityKind } from '../../../core/quantity/index.ts';

interface Props {
  readonly batch: Batch;
  readonly metals: readonly Metal[];
  /** metal of one head, g */
  readonly castGrams: number;
  readonly edit: (change: (batch: Batch) => Batch) => void;
}

type PourKey = Exclude<keyof Batch['pour'], 'heater'>;
const FIELDS: readonly (readonly [PourKey, string, QuantityKind, BatchRange])[] = [
  ['watts', 'Power, W', 'number', 'watts'],
  ['efficiency', 'Share that reaches the metal', 'share', 'efficiency'],
  ['pot', 'Pot holds', 'mass', 'pot'],
  ['room', 'Cold metal', 'temperature', 'celsius'],
  ['at', 'Poured at', 'temperature', 'celsius'],
  ['perShot', 'From shot to shot', 'time', 'seconds'],
  ['sprue', 'Sprue of one head', 'mass', 'sprue'],
  ['loss', 'Dross loss', 'share', 'share'],
  ['rejects', 'Rejects', 'share', 'share'],
];

/** Metal, heat and time of the batch, and its work in order with a timer. */
export function Pour({ batch, metals, castGrams, edit }: Props) {
  const { format } = useUnits();
  const metal = metals.find(({ key }) => key === batch.design.head.metal);
  const melting = meltingOf(batch.design.head.metal);
  const set = (change: Partial<Batch['pour']>) =>
    edit((now) => ({ ...now, pour: { ...now.pour, ...change } }));
  if (!melting)
    return (
      <p>
        {metal?.name ?? 'This metal'} is not poured but pressed and sintered by a licensed works: nothing is
        melted here. The mould screen lays out its press tool.
      </p>
    );
  const plan = pourPlan({
    melting,
    castPerShot: castGrams * batch.cavities,
    spruePerShot: batch.pour.sprue * batch.cavities,
    heads: batch.heads,
    cavities: batch.cavities,
    ...batch.pour,
  });
  const isCold = batch.pour.at < melting.liquid + 10;
  const isHot = batch.pour.at > melting.pour[1] + 30;
  const steps = workSteps(
    plan,
    { name: metal?.name.toLowerCase() ?? 'metal', isLead: metal?.isLead === true },
    batch.cure && { celsius: batch.cure.celsius, minutes: Math.round(batch.cure.seconds / 60) },
  );
  return (
    <section aria-label="Pour">
      <div className="shop-two">
        <div>
          <h2>Plan</h2>
          <PlanFigures plan={plan} />
          <p className="shop-note">
            Heat: solid, fusion and superheat (handbook heats); the pot’s own heat is in the share that
            reaches the metal. {metal?.name} melts at {format(melting.liquid, 'temperature')} and is usually
            poured at {format(melting.pour[0], 'temperature')} to {format(melting.pour[1], 'temperature')}.
          </p>
          {isCold && (
            <p className="shop-care">
              ✕ Poured at {format(batch.pour.at, 'temperature')} it freezes in the gate: short fills.
            </p>
          )}
          {isHot && (
            <p className="shop-care">
              ✕ {format(batch.pour.at, 'temperature')} is hotter than it needs: more fume, more dross, burnt
              moulds.
            </p>
          )}
          <h2>Work, in order</h2>
          <WorkSteps
            steps={steps}
            done={batch.done ?? []}
            onDone={(key, isDone) =>
              edit((now) => ({
                ...now,
                done: [...(now.done ?? []).filter((one) => one !== key), ...(isDone ? [key] : [])],
              }))
            }
          />
        </div>
        <div>
          <h2>Poured with</h2>
          <QuantityField
            label="Sound heads needed"
            kind="count"
            value={batch.heads}
            min={BATCH_RANGES.heads[0]}
            max={BATCH_RANGES.heads[1]}
            step={10}
            onCommit={(heads) => edit((now) => ({ ...now, heads: Math.round(heads) }))}
          />
          <Choice
            label="Heater"
            value={batch.pour.heater}
            options={HEATERS.map(({ key, name }) => [key, name] as const)}
            onChange={(heater) => {
              const found = HEATERS.find(({ key }) => key === heater);
              set({ heater, ...(found ? { watts: found.watts, efficiency: found.share } : {}) });
            }}
          />
          {FIELDS.map(([key, label, kind, range]) => (
            <QuantityField
              key={key}
              label={label}
              kind={kind}
              value={batch.pour[key]}
              min={BATCH_RANGES[range][0]}
              max={BATCH_RANGES[range][1]}
              onCommit={(value) => set({ [key]: value })}
            />
          ))}
        </div>
      </div>
    </section>
  );
}
