import type { Batch } from '../../../core/document/index.ts';
import { BATCH_RANGES } from '../../../core/document/index.ts';
import { BY_EYE, cureVerdict, meltingOf } from '../../../core/make/index.ts';
import { useUnits } from '../../data/units.ts';
import { CureLog } from './cure-log.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';

interface Props {
  readonly batch: Batch;
  readonly edit: (change: (batch: Batch) => Batch) => void;
}

/** A powder as many makers give it, to begin with: 177 °C for 15 min (common practice, no source). */
const BEGUN: NonNullable<Batch['cure']> = { celsius: 177, seconds: 900, log: [] };

/** Powder paint and its cure by the maker's schedule, logged. */
export function Cure({ batch, edit }: Props) {
  const { say } = useUnits();
  const { cure } = batch;
  const set = (change: Partial<NonNullable<Batch['cure']>>) =>
    edit((now) => ({ ...now, cure: { ...(now.cure ?? BEGUN), ...change } }));
  if (!cure)
    return (
      <section aria-label="Cure">
        <p>This batch is not painted yet.</p>
        <button type="button" className="btn btn-fern" onClick={() => set(BEGUN)}>
          Powder paint, cured in an oven
        </button>
      </section>
    );
  const verdict = cureVerdict(cure, cure.log, meltingOf(batch.design.head.metal));
  return (
    <section aria-label="Cure">
      <div className="shop-two">
        <div>
          <p role="status">
            <span className={verdict.isCured ? 'state-good' : 'state-care'}>
              {verdict.isCured ? '● cured' : '◐ not yet'}
            </span>{' '}
            {say(verdict.words)}
          </p>
          <CureLog cure={cure} onLog={(log) => set({ log })} />
          <p className="shop-note">{BY_EYE}</p>
          <p className="shop-care">
            Powder in the air can burn; an oven for paint never sees food again; fumes go outdoors. The
            maker’s schedule and local rules decide.
          </p>
        </div>
        <div>
          <h2>The maker’s schedule</h2>
          <QuantityField
            label="Head temperature"
            kind="temperature"
            value={cure.celsius}
            min={BATCH_RANGES.celsius[0]}
            max={BATCH_RANGES.celsius[1]}
            step={1}
            onCommit={(value) => set({ celsius: value })}
          />
          <QuantityField
            label="For"
            kind="time"
            value={cure.seconds}
            min={BATCH_RANGES.seconds[0]}
            max={BATCH_RANGES.seconds[1]}
            step={30}
            onCommit={(seconds) => set({ seconds })}
          />
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            onClick={() =>
              edit((now) => {
                const { cure: _, ...rest } = now;
                return rest;
              })
            }
          >
            Remove the paint
          </button>
        </div>
      </div>
    </section>
  );
}
