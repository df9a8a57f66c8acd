import { useState } from 'react';
import type { Batch } from '../../../core/document/index.ts';
import type { CostPart } from '../../../core/make/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { BATCH_RANGES } from '../../../core/document/index.ts';
import { COST_PARTS, costOf, lossPerHour, meltingOf, pourPlan } from '../../../core/make/index.ts';
import { useUnits } from '../../data/units.ts';
import { QuantityField } from '../../parts/quantity-field.tsx';

interface Props {
  readonly batch: Batch;
  readonly metals: readonly Metal[];
  readonly castGrams: number;
  readonly edit: (change: (batch: Batch) => Batch) => void;
}

const FIELDS: readonly (readonly [keyof Batch['cost'], string])[] = [
  ['hook', 'One hook'],
  ['wire', 'Keeper wire'],
  ['guard', 'Guard'],
  ['paint', 'Paint'],
  ['energy', 'A kilowatt-hour'],
  ['wage', 'An hour of work'],
  ['price', 'Sold for'],
];
const NAMES: Readonly<Record<CostPart, string>> = {
  metal: 'Metal',
  hook: 'Hook',
  wire: 'Wire',
  guard: 'Guard',
  paint: 'Paint',
  energy: 'Energy',
  time: 'Work',
  rejects: 'Rejects',
};

/** What a head costs, part by part, against its price, and what losing them costs. */
export function Cost({ batch, metals, castGrams, edit }: Props) {
  const { format } = useUnits();
  const [lost, setLost] = useState(1.5);
  const melting = meltingOf(batch.design.head.metal);
  const metal = metals.find(({ key }) => key === batch.design.head.metal);
  const plan =
    melting &&
    pourPlan({
      melting,
      castPerShot: castGrams * batch.cavities,
      spruePerShot: batch.pour.sprue * batch.cavities,
      heads: batch.heads,
      cavities: batch.cavities,
      ...batch.pour,
    });
  const found = costOf({
    metal: castGrams,
    lost: plan ? plan.used / plan.sound - castGrams : 0,
    metalPrice: metal?.price ?? 0,
    hook: batch.cost.hook,
    wire: batch.cost.wire,
    guard: batch.cost.guard,
    paint: batch.cost.paint,
    energy: plan ? plan.energy / plan.sound : 0,
    energyPrice: batch.cost.energy,
    time: plan ? plan.whole / plan.sound : 0,
    wage: batch.cost.wage,
    rejects: batch.pour.rejects,
  });
  const money = (value: number) => format(value, 'money');
  const { price } = batch.cost;
  const most = Math.max(...COST_PARTS.map((part) => found.parts[part]), 1e-9);
  return (
    <section aria-label="Cost">
      <div className="shop-two">
        <div>
          <dl className="shop-figures">
            <div>
              <dt>Cost per sound head</dt>
              <dd>{money(found.total)}</dd>
            </div>
            <div>
              <dt>Sold for</dt>
              <dd>{money(price)}</dd>
            </div>
            <div>
              <dt>Margin</dt>
              <dd>{price > 0 ? `${Math.round(100 * (1 - found.total / price))}%` : '–'}</dd>
            </div>
            <div>
              <dt>The batch</dt>
              <dd>{money(found.total * batch.heads)}</dd>
            </div>
          </dl>
          <table className="shop-table">
            <tbody>
              {COST_PARTS.map((part) => (
                <tr key={part}>
                  <th scope="row">{NAMES[part]}</th>
                  <td className="num">{money(found.parts[part])}</td>
                  <td style={{ width: '50%' }}>
                    <svg viewBox="0 0 100 8" width="100%" height="10" preserveAspectRatio="none" aria-hidden>
                      <rect className="cost-bar" width={(100 * found.parts[part]) / most} height={8} />
                    </svg>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="shop-note">
            In the shop’s own money. Metal at the price in the stores, with its share of dross; sprues go back
            into the pot. Sound heads carry what rejects waste.
          </p>
          <h2>Lost while fishing</h2>
          <div className="shop-row">
            <QuantityField
              label="Heads lost per hour"
              kind="number"
              value={lost}
              min={0}
              max={100}
              step={0.5}
              onCommit={setLost}
            />
            <span>
              cost <b>{money(lossPerHour(lost, 1, found.total))}</b> an hour to make,{' '}
              <b>{money(lossPerHour(lost, 1, price))}</b> to buy. Days on the water tell how many are lost.
            </span>
          </div>
        </div>
        <div>
          <h2>Prices</h2>
          {FIELDS.map(([key, label]) => (
            <QuantityField
              key={key}
              label={label}
              kind="money"
              value={batch.cost[key]}
              min={BATCH_RANGES.money[0]}
              max={BATCH_RANGES.money[1]}
              step={0.01}
              onCommit={(value) => edit((now) => ({ ...now, cost: { ...now.cost, [key]: value } }))}
            />
          ))}
        </div>
      </div>
    </section>
  );
}
