import { pair } from '../../../core/numeric/index.ts';
import { fixed } from '../../data/locale.ts';
import { useState } from 'react';
import type { Batch } from '../../../core/document/index.ts';
import { BATCH_RANGES } from '../../../core/document/index.ts';
import { useUnits } from '../../data/units.ts';

type Cured = NonNullable<Batch['cure']>;

interface Props {
  readonly cure: Cured;
  readonly onLog: (log: Cured['log']) => void;
}

/** How hot the heads were in the oven, reading by reading. */
export function CureLog({ cure, onLog }: Props) {
  const { format, read } = useUnits();
  const [minutes, setMinutes] = useState('');
  const [celsius, setCelsius] = useState('');
  const [said, setSaid] = useState('');
  const note = () => {
    const at = Number(minutes.replace(',', '.'));
    const hot = read(celsius, 'temperature');
    const [soonest, latest] = pair((end) => BATCH_RANGES.inOven[end] / 60);
    if (minutes.trim() === '' || !(at >= soonest && at <= latest))
      return setSaid(`Enter the minutes since they went in, from ${soonest} to ${latest}.`);
    if (!hot.ok) return setSaid(hot.message);
    const [coldest, hottest] = BATCH_RANGES.celsius;
    if (!(hot.value >= coldest && hot.value <= hottest))
      return setSaid(
        `Enter a temperature from ${format(coldest, 'temperature')} to ${format(hottest, 'temperature')}.`,
      );
    setSaid('');
    setMinutes('');
    setCelsius('');
    onLog([...cure.log, { at: at * 60, celsius: hot.value }].sort((a, b) => a.at - b.at));
  };
  return (
    <>
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
              <td className="num">{fixed(one.at / 60, 1)}</td>
              <td className="num">{format(one.celsius, 'temperature')}</td>
              <td>
                <button
                  type="button"
                  className="btn-x"
                  aria-label={`Delete reading ${i + 1}`}
                  onClick={() => onLog(cure.log.filter((_, k) => k !== i))}
                >
                  ×
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
