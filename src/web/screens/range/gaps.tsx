import { fixed, localised } from '../../data/locale.ts';
import { Scrolls } from '../../parts/sheet.tsx';
import { useMemo } from 'react';
import type { FallRung } from '../../../core/range/index.ts';
import { familyOf } from '../../../core/head/index.ts';
import { ladderSteps } from '../../../core/range/index.ts';
import { useUnits } from '../../data/units.ts';
import type { HeadRow } from '../../workers/range.worker.ts';

const MARK = {
  gap: ['✕', 'bad', 'gap'],
  double: ['◐', 'care', 'alike'],
  even: ['●', 'good', 'even'],
} as const;

/** Ladders of the heads by shape and metal: their steps by what they do in the water, not by ounces alone. */
export function Gaps({ heads }: { readonly heads: readonly HeadRow[] }) {
  const { format } = useUnits();
  const ladders = useMemo(() => {
    const by = new Map<string, HeadRow[]>();
    for (const head of heads) {
      const key = `${head.design.head.family} ${head.design.head.metal}`;
      by.set(key, [...(by.get(key) ?? []), head]);
    }
    return [...by.values()].filter((rows) => rows.length > 1);
  }, [heads]);
  const nameOf = (id: string) => heads.find((head) => head.id === id)?.design.name ?? id;
  if (ladders.length === 0)
    return (
      <section aria-label="Ladders">
        <h2>Steps of the ladders</h2>
        <p>
          No shape is on the wall in more than one weight of a metal, so there is no ladder to check for gaps.
        </p>
      </section>
    );
  return (
    <section aria-label="Ladders">
      <h2>Steps of the ladders</h2>
      <Scrolls label="Steps of the ladders">
        <table className="shop-table">
          <thead>
            <tr>
              <th scope="col">From</th>
              <th scope="col">To</th>
              <th scope="col" className="num">
                Weight
              </th>
              <th scope="col" className="num">
                Fall
              </th>
              <th scope="col" className="num">
                Holds bottom
              </th>
              <th scope="col">Step</th>
            </tr>
          </thead>
          <tbody>
            {ladders.flatMap((rows) =>
              ladderSteps(
                rows.map(({ id, values }): FallRung => ({
                  id,
                  grams: values['mass.metal'] ?? 1,
                  fall: values['fall.speed'] ?? NaN,
                  bottom: values['retrieve.maxBottomSpeed'],
                })),
              ).map((step) => {
                const [mark, tone, word] = MARK[step.kind];
                return (
                  <tr key={`${step.from} ${step.to}`}>
                    <th scope="row">
                      {nameOf(step.from)} <small>{familyOf(rows[0]?.design.head.family ?? '')?.name}</small>
                    </th>
                    <td>{nameOf(step.to)}</td>
                    <td className="num">{fixed(step.weight, 2)} ×</td>
                    <td className="num">{fixed(step.fall, 2)} ×</td>
                    <td className="num">{step.bottom === undefined ? '–' : `${fixed(step.bottom, 2)} ×`}</td>
                    <td>
                      <span className={`state-${tone}`}>
                        {mark} {word}
                      </span>
                      : {localised(step.why)}
                      {step.between !== undefined && `; ${format(step.between, 'mass')} would halve it`}
                    </td>
                  </tr>
                );
              }),
            )}
          </tbody>
        </table>
      </Scrolls>
    </section>
  );
}
