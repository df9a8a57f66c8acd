import { fixed } from '../../data/locale.ts';
import { useMemo, useState } from 'react';
import type { Trial } from '../../../core/document/index.ts';
import { rateRatio, weightTrend, wilson } from '../../../core/trial/index.ts';
import { useUnits } from '../../data/units.ts';
import { Slider } from '../../parts/slider.tsx';

/** Catch by weight, as for slow trolling: does a twentieth of a gram matter? */
export function WeightTrend({ days }: { readonly days: readonly Trial[] }) {
  const { format } = useUnits();
  const [step, setStep] = useState(0.05);
  const rows = useMemo(() => {
    const by = new Map<number, { events: number; hours: number }>();
    for (const { rigs } of days)
      for (const { grams, hours, landed } of rigs) {
        if (grams === undefined || hours <= 0) continue;
        // To a hundredth of a gram: what a small scale tells.
        const at = Math.round(grams * 100) / 100;
        const now = by.get(at) ?? { events: 0, hours: 0 };
        by.set(at, { events: now.events + landed, hours: now.hours + hours });
      }
    return [...by].map(([grams, rate]) => ({ grams, ...rate })).sort((a, b) => a.grams - b.grams);
  }, [days]);
  const trend = weightTrend(rows, step);
  const fished = rows.reduce((sum, { hours }) => sum + hours, 0);
  const caught = rows.reduce((sum, { events }) => sum + events, 0);
  const [light, heavy] = [rows[0], rows.at(-1)];
  const ends = light && heavy && light !== heavy ? rateRatio(heavy, light) : undefined;
  if (rows.length < 2)
    return (
      <p>
        Note weight and hours of rigs at two weights or more, and what they caught; then it is told here
        whether weight matters.
      </p>
    );
  return (
    <section aria-label="Does weight matter">
      <Slider
        label="Step of weight"
        value={step}
        min={0.01}
        max={2}
        step={0.01}
        text={format(step, 'mass')}
        onChange={setStep}
      />
      <p role="status">
        {trend === undefined
          ? 'All was caught at one end, or nothing at all: no finite figure says by how much yet.'
          : `Each ${format(step, 'mass')} more multiplies the catch by ${fixed(trend.factor, 2)} ` +
            `(${fixed(trend.low, 2)} to ${fixed(trend.high, 2)}): ${trend.low > 1 ? 'heavier catches more.' : trend.high < 1 ? 'lighter catches more.' : 'no winner yet, since 1 is inside.'}`}
      </p>
      {ends && light && heavy && (
        <p>
          {format(heavy.grams, 'mass')} against {format(light.grams, 'mass')}:{' '}
          {Number.isFinite(ends.ratio) ? `${fixed(ends.ratio, 2)} times` : 'many times'} as many an hour (
          {fixed(ends.low, 2)} to {Number.isFinite(ends.high) ? fixed(ends.high, 2) : '∞'}).
        </p>
      )}
      <table className="shop-table">
        <thead>
          <tr>
            <th scope="col">Weight</th>
            <th scope="col" className="num">
              Hours
            </th>
            <th scope="col" className="num">
              Landed
            </th>
            <th scope="col" className="num">
              An hour
            </th>
            <th scope="col" className="num">
              Share of all, sure
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ grams, hours, events }) => {
            const part = wilson(events, Math.max(1, caught));
            return (
              <tr key={grams}>
                <th scope="row">{format(grams, 'mass')}</th>
                <td className="num">{fixed(hours, 1)}</td>
                <td className="num">{events}</td>
                <td className="num">{fixed(events / hours, 2)}</td>
                <td className="num">
                  {fixed(100 * part.low, 0)} to {fixed(100 * part.high, 0)}% of fish in{' '}
                  {fixed((100 * hours) / fished, 0)}% of hours
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="shop-note">
        Fish over hours by Poisson regression on weight, with Wald’s interval; two weights by their share of
        what both caught. Days, places and depths differ too: fish the weights side by side.
      </p>
    </section>
  );
}
