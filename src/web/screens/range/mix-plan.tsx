import type { Kept } from '../../../contract/api.ts';
import type { RangePlan } from '../../../core/document/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import { mixed, spanning } from '../../../core/range/index.ts';
import { Segments } from '../../parts/choice.tsx';
import type { HeadRow } from '../../workers/range.worker.ts';

interface Props {
  readonly plan: RangePlan;
  readonly heads: readonly HeadRow[];
  readonly plastics: readonly Kept<Plastic>[];
  readonly edit: (change: (plan: RangePlan) => RangePlan) => void;
}

/** A few heads, colours and trailers that span the field, mixed so that each meets each. */
export function MixPlan({ plan, heads, plastics, edit }: Props) {
  const each = plan.each;
  const chosenHeads = spanning(
    heads.flatMap(({ design, values }) => {
      const fall = values['fall.speed'];
      return fall && fall > 0 ? [{ id: design.name, at: Math.log(fall) }] : [];
    }),
    each,
  );
  const chosenColours = spanning(
    plan.colours.map((colour, i) => ({ id: colour, at: i })),
    each,
  );
  const chosenTrailers = spanning(
    plastics
      .filter(({ id }) => plan.trailers.includes(id))
      .map(({ document }) => ({ id: document.name, at: Math.log(document.length) })),
    each,
  );
  const rows = mixed(
    chosenHeads.map(({ id }) => id),
    chosenColours.map(({ id }) => id),
    chosenTrailers.map(({ id }) => id),
  );
  return (
    <section aria-label="Mix">
      <h2>Colours, heads and trailers mixed</h2>
      <div className="shop-two">
        <div>
          <Segments
            label="Of each"
            value={String(each)}
            options={[
              ['3', 'three'],
              ['4', 'four'],
              ['5', 'five'],
            ]}
            onChange={(value) => edit((now) => ({ ...now, each: Number(value) }))}
          />
          {rows.length === 0 ? (
            <p>Name some colours, from light to dark, and tick some trailers; the mix is laid out here.</p>
          ) : (
            <table className="shop-table">
              <thead>
                <tr>
                  <th scope="col">Head</th>
                  {chosenColours.map(({ id }) => (
                    <th key={id} scope="col">
                      {id}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {chosenHeads.map(({ id: head }) => (
                  <tr key={head}>
                    <th scope="row">{head}</th>
                    {chosenColours.map(({ id: colour }) => (
                      <td key={colour}>
                        {rows.find((row) => row.head === head && row.colour === colour)?.trailer}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <p className="shop-note">
            Heads span by how fast they fall, colours by their order, trailers by length; every head meets
            every colour, and trailers turn so that none sticks to one of either.
          </p>
        </div>
        <div className="range-colours">
          <label>
            Colours, one a line, from light to dark
            <textarea
              rows={5}
              defaultValue={plan.colours.join('\n')}
              key={plan.colours.join('\n')}
              onBlur={(event) => {
                const colours = event.currentTarget.value
                  .split('\n')
                  .map((line) => line.trim().slice(0, 60))
                  .filter(Boolean)
                  .slice(0, 40);
                if (colours.join('\n') !== plan.colours.join('\n')) edit((now) => ({ ...now, colours }));
              }}
            />
          </label>
          <fieldset className="range-trailers">
            <legend>Trailers</legend>
            {plastics.slice(0, 40).map(({ id, document }) => (
              <label key={id}>
                <input
                  type="checkbox"
                  checked={plan.trailers.includes(id)}
                  onChange={() =>
                    edit((now) => ({
                      ...now,
                      trailers: now.trailers.includes(id)
                        ? now.trailers.filter((one) => one !== id)
                        : [...now.trailers, id].slice(0, 40),
                    }))
                  }
                />{' '}
                {document.name}
              </label>
            ))}
          </fieldset>
        </div>
      </div>
    </section>
  );
}
