import { Scrolls } from '../../parts/sheet.tsx';
import { useState } from 'react';
import type { Offer, RangePlan } from '../../../core/document/index.ts';
import { marginOf, outlayOf } from '../../../core/range/index.ts';
import { fixed, localised } from '../../data/locale.ts';
import { useUnits } from '../../data/units.ts';
import type { HeadRow } from '../../workers/range.worker.ts';
import { tradeOf } from './trade.ts';

interface Props {
  readonly plan: RangePlan;
  readonly heads: readonly HeadRow[];
  readonly edit: (change: (plan: RangePlan) => RangePlan) => void;
}

const FIELDS = [
  ['cost', 'Cost', 0, 100_000, false],
  ['price', 'Price', 0, 100_000, false],
  ['pack', 'Pack', 1, 1000, true],
  ['minimum', 'Packs at once', 1, 1000, true],
] as const;

type Field = (typeof FIELDS)[number];

/** Changes of what heads are bought and sold for, and what is wrong with what was typed last. */
function useOffers(plan: RangePlan, edit: Props['edit']) {
  const { read } = useUnits();
  const [said, setSaid] = useState('');
  // A field that is undefined is one that is absent.
  const setOffer = (design: string, change: { readonly [K in keyof Offer]?: Offer[K] | undefined }) =>
    edit((now) => ({
      ...now,
      offers: now.offers.map((offer) =>
        offer.design === design ? ({ ...offer, ...change } as Offer) : offer,
      ),
    }));
  const choose = (design: string, what: string) =>
    edit((now) => ({
      ...now,
      keep: [...now.keep.filter((id) => id !== design), ...(what === 'keep' ? [design] : [])],
      drop: [...now.drop.filter((id) => id !== design), ...(what === 'drop' ? [design] : [])],
    }));
  /** Takes what was typed for a field of a head; nothing typed gives up the shop's own figure. */
  const commit = (text: string, id: string, name: string, [key, label, least, most, isWhole]: Field) => {
    const offer = plan.offers.find((one) => one.design === id);
    if (text === localised(String(offer?.[key] ?? ''))) return;
    if (text === '') return setOffer(id, { [key]: undefined });
    const typed = read(text, isWhole ? 'count' : 'money');
    const isFit =
      typed.ok && typed.value >= least && typed.value <= most && (!isWhole || Number.isInteger(typed.value));
    setSaid(
      isFit
        ? ''
        : typed.ok
          ? `${label} of ${name}: enter a ${isWhole ? 'whole ' : ''}number from ${least} to ${most}.`
          : `${label} of ${name}: ${typed.message}`,
    );
    if (isFit) setOffer(id, { [key]: typed.value });
  };
  return { said, setOffer, choose, commit };
}

/**
 * What each head costs and sells for, its packs and its mould; and whether it is always on the wall, or
 * never.
 */
export function Offers({ plan, heads, edit }: Props) {
  const { format } = useUnits();
  const { said, setOffer, choose, commit } = useOffers(plan, edit);
  return (
    <section aria-label="Prices">
      <h2>Prices, packs and moulds</h2>
      {said && (
        <p className="field-said" role="alert">
          {said}
        </p>
      )}
      <Scrolls label="Prices of the heads">
        <table className="shop-table offer-table">
          <thead>
            <tr>
              <th scope="col">Head</th>
              {FIELDS.map(([key, label]) => (
                <th key={key} scope="col">
                  {label}
                </th>
              ))}
              <th scope="col" className="num">
                Margin
              </th>
              <th scope="col" className="num">
                First order
              </th>
              <th scope="col">Mould</th>
              <th scope="col">On the wall</th>
            </tr>
          </thead>
          <tbody>
            {heads.map(({ id, design, values }) => {
              const offer = plan.offers.find((one) => one.design === id);
              const trade = tradeOf(offer, values['cost.metal']);
              const margin = marginOf(trade);
              return (
                <tr key={id}>
                  <th scope="row">{design.name}</th>
                  {FIELDS.map((field) => {
                    const [key, label, , , isWhole] = field;
                    return (
                      <td key={key}>
                        <input
                          aria-label={`${label} of ${design.name}`}
                          inputMode="decimal"
                          key={`${offer?.[key] ?? ''}`}
                          defaultValue={localised(String(offer?.[key] ?? ''))}
                          placeholder={isWhole ? String(trade[key]) : fixed(trade[key], 2)}
                          onBlur={(event) => commit(event.currentTarget.value.trim(), id, design.name, field)}
                        />
                      </td>
                    );
                  })}
                  <td className="num">{Number.isFinite(margin) ? `${Math.round(100 * margin)}%` : '–'}</td>
                  <td className="num">{format(outlayOf(trade), 'money')}</td>
                  <td>
                    <input
                      aria-label={`Mould of ${design.name}`}
                      maxLength={120}
                      key={offer?.mould ?? ''}
                      defaultValue={offer?.mould ?? ''}
                      placeholder="bought"
                      onBlur={(event) => {
                        const mould = event.currentTarget.value.trim();
                        if (mould !== (offer?.mould ?? '')) setOffer(id, { mould });
                      }}
                    />
                  </td>
                  <td>
                    <select
                      aria-label={`Keep ${design.name} on the wall`}
                      value={plan.keep.includes(id) ? 'keep' : plan.drop.includes(id) ? 'drop' : ''}
                      onChange={(event) => choose(id, event.currentTarget.value)}
                    >
                      <option value="">auto</option>
                      <option value="keep">always</option>
                      <option value="drop">never</option>
                    </select>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </Scrolls>
      <p className="shop-note">
        What is left empty takes the usual: the metal and half as much again of the shop’s money for making,
        packs of five, one pack at a time. Heads of one mould name it alike.
      </p>
    </section>
  );
}
