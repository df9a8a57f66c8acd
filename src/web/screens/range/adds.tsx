import type { Serving } from '../../../core/range/index.ts';
import { addedBy, worthOf } from '../../../core/range/index.ts';
import { Scrolls } from '../../parts/sheet.tsx';

interface Props {
  readonly serves: readonly (readonly Serving[])[];
  /** places of the heads on the wall */
  readonly taken: readonly number[];
  readonly nameOf: (head: number) => string;
  readonly briefOf: (brief: number) => string;
}

/** What each head on the wall adds, and what would be lost without it. */
export function Adds({ serves, taken, nameOf, briefOf }: Props) {
  const worth = worthOf(serves, taken);
  const added = addedBy(serves, taken);
  return (
    <section aria-label="What each adds">
      <h2>What each head adds, and what dropping it would lose</h2>
      <Scrolls label="What each head adds">
        <table className="shop-table">
          <thead>
            <tr>
              <th scope="col">Head, in the order they add most</th>
              <th scope="col">Adds</th>
              <th scope="col">Lost if dropped</th>
            </tr>
          </thead>
          <tbody>
            {added.map(({ head, adds }) => {
              const lost = worth.find((one) => one.head === head);
              return (
                <tr key={head}>
                  <th scope="row">{nameOf(head)}</th>
                  <td>{adds.length > 0 ? adds.map(briefOf).join('; ') : 'nothing new'}</td>
                  <td>
                    {lost && lost.lost.length > 0 ? (
                      lost.lost
                        .map((b) => `${briefOf(b)}${lost.gone.includes(b) ? ' (nobody else serves it)' : ''}`)
                        .join('; ')
                    ) : (
                      <span className="state-care">◐ nothing: the others do it as well</span>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </Scrolls>
    </section>
  );
}
