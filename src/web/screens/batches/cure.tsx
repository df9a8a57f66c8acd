import { useState } from 'react';
import type { Batch } from '../../../core/document/index.ts';
import { BATCH_RANGES } from '../../../core/document/index.ts';
import { BY_EYE, cureVerdict, meltingOf } from '../../../core/make/index.ts';
import { parseQuantity } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';
import { QuantityField } from '../../parts/quantity-field.tsx';

interface Props {
  readonly batch: Batch;
  readonly edit: (change: (batch: Batch) => Batch) => void;
}

/** A powder as many makers give it, to begin with: 177 °C for 15 min (common practice, no source). */
const BEGUN: NonNullable<Batch['cure']> = { celsius: 177, seconds: 900, log: [] };

/** Powder paint and its cure by the maker's schedule, logged. */
export function Cure({ batch, edit }: Props) {
  const { format, say, system } = useUnits();
  const [minutes, setMinutes] = useState('');
  const [celsius, setCelsius] = useState('');
  const [said, setSaid] = useState('');
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
  const note = () => {
    const at = Number(minutes.replace(',', '.'));
    const hot = parseQuantity(celsius, 'temperature', system);
    if (minutes.trim() === '' || !(at >= 0 && at <= 1440))
      return setSaid('Enter the minutes since they went in, from 0 to 1440.');
    if (!hot.ok) return setSaid(hot.message);
    if (!(hot.value >= -20 && hot.value <= 900)) return setSaid('Enter a temperature from −20 to 900 °C.');
    setSaid('');
    setMinutes('');
    setCelsius('');
    set({ log: [...cure.log, { at: at * 60, celsius: hot.value }].sort((a, b) => a.at - b.at) });
  };
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
          <form
            className="shop-row"
            onSubmit={(event) => {
              event.preventDefault();
              note();
            }}
          >
            <label>
              Minutes in the oven{' '}
              <input
                inputMode="decimal"
                value={minutes}
                onChange={(event) => setMinutes(event.currentTarget.value)}
              />
            </label>
            <label>
              Head temperature{' '}
              <input
                inputMode="decimal"
                value={celsius}
                placeholder={format(cure.celsius, 'temperature')}
                onChange={(event) => setCelsius(event.currentTarget.value)}
              />
            </label>
            <button type="submit" className="btn btn-sm btn-fern">
              Add reading
            </button>
          </form>
          {said && (
            <p className="field-said" role="alert">
              {said}
            </p>
          )}
          <table className="shop-table">
            <thead>
              <tr>
                <th scope="col" className="num">
                  Minutes
                </th>
                <th scope="col" className="num">
                  Head temperature
                </th>
                <td />
              </tr>
            </thead>
            <tbody>
              {cure.log.map((one, i) => (
                <tr key={`${one.at} ${i}`}>
                  <td className="num">{(one.at / 60).toFixed(1)}</td>
                  <td className="num">{format(one.celsius, 'temperature')}</td>
                  <td>
                    <button
                      type="button"
                      className="btn-x"
                      aria-label={`Delete reading ${i + 1}`}
                      onClick={() => set({ log: cure.log.filter((_, k) => k !== i) })}
                    >
                      ×
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
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
