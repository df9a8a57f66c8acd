import { fixed } from '../../data/locale.ts';
import { Scrolls } from '../../parts/sheet.tsx';
import { useMemo } from 'react';
import type { CountKey, Trial } from '../../../core/document/index.ts';
import type { Compared, Proportion, Split } from '../../../core/trial/index.ts';
import { compareGroups, OUTCOMES, peekingWarning, SPLITS, totalsBy } from '../../../core/trial/index.ts';
import { useAddress } from '../../parts/address.ts';
import { Segments } from '../../parts/choice.tsx';

const percent = (share: number): string => (Number.isFinite(share) ? `${fixed(100 * share, 0)}%` : '–');
const spanned = ({ share, low, high, events, of }: Proportion): string =>
  of === 0 ? 'none counted' : `${percent(share)} (${percent(low)} to ${percent(high)}), ${events} of ${of}`;

const COUNT_WORDS: Readonly<Record<CountKey, string>> = {
  casts: 'casts',
  hangUps: 'hang-ups',
  freed: 'freed',
  lost: 'lost',
  touches: 'touches',
  hookUps: 'hook-ups',
  landed: 'landed',
  thrown: 'thrown',
};
const SPLIT_NAMES: Readonly<Record<Split, string>> = { design: 'Head', plastic: 'Plastic', method: 'Method' };

/**
 * Two heads, plastics or methods against each other, place by place, with no winner named before there is
 * one.
 */
export function CompareDays({ days }: { readonly days: readonly Trial[] }) {
  const { search, set } = useAddress();
  const split = SPLITS.find((key) => key === search.get('by')) ?? 'design';
  const totals = useMemo(() => totalsBy(days, split), [days, split]);
  // Those that were fished most come first.
  const weight = (key: string) => (totals.get(key)?.casts ?? 0) + (totals.get(key)?.touches ?? 0);
  const groups = [...totals.keys()].sort((a, b) => weight(b) - weight(a));
  const one = groups.find((key) => key === search.get('one')) ?? groups[0];
  const other =
    groups.find((key) => key === search.get('other') && key !== one) ?? groups.find((key) => key !== one);
  const rows =
    one !== undefined && other !== undefined
      ? OUTCOMES.map((outcome) => compareGroups(days, split, [one, other], outcome))
      : [];
  const shared = days.filter(({ rigs }) => rigs.length > 0).length;
  if (one === undefined || other === undefined)
    return (
      <p>
        Count a day with two heads, plastics or methods at the same place, and they are held against each
        other here.
      </p>
    );
  const warning = peekingWarning(shared);
  const pick = (key: 'one' | 'other', label: string, value: string) => (
    <label>
      {label}{' '}
      <select value={value} onChange={(event) => set(key, event.currentTarget.value)}>
        {groups.map((group) => (
          <option key={group} value={group}>
            {group}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <section aria-label="Compare">
      <div className="shop-row">
        <Segments<Split>
          label="By"
          value={split}
          options={SPLITS.map((key) => [key, SPLIT_NAMES[key]] as const)}
          onChange={(next) => set('by', next, 'design')}
        />
        {pick('one', 'One', one)}
        {pick('other', 'The other', other)}
      </div>
      <Scrolls label="Outcomes">
        <table className="shop-table">
          <thead>
            <tr>
              <th scope="col">Outcome</th>
              <th scope="col">{one}</th>
              <th scope="col">{other}</th>
              <th scope="col">Difference, place by place</th>
              <th scope="col">Says</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.outcome.key}>
                <th scope="row">{row.outcome.name}</th>
                <td>{spanned(row.first)}</td>
                <td>{spanned(row.second)}</td>
                <td>
                  {row.by ? (
                    <Interval
                      low={row.by.low}
                      high={row.by.high}
                      at={row.by.difference}
                      isSure={row.better !== undefined}
                    />
                  ) : (
                    'no place saw both'
                  )}
                </td>
                <td>
                  <Verdict row={row} one={one} other={other} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrolls>
      {warning && <p className="shop-care">◐ {warning}</p>}
      <p className="shop-note">
        Shares with Wilson’s interval at 95%; differences by Newcombe’s at one place, by Mantel and Haenszel’s
        weights with Sato’s variance over several: only places that saw both count. While zero is inside there
        is no winner yet.
      </p>
    </section>
  );
}

function Verdict({
  row,
  one,
  other,
}: {
  readonly row: Compared;
  readonly one: string;
  readonly other: string;
}) {
  const { by, better, more } = row;
  if (!by) return <>Fish both at one place to compare them.</>;
  return (
    <>
      {better ? (
        <span className="state-good">● {better === 'first' ? one : other} does better</span>
      ) : (
        <span className="state-care">◐ no winner yet</span>
      )}
      {!better &&
        (more
          ? `: were the shares to stay, ${more[0]} and ${more[1]} more ${COUNT_WORDS[row.outcome.of]} would tell`
          : ': they look alike')}
      {by.isMixed && (
        <>
          <br />
          Thrown together the days would have said something else: the places were not shared evenly.
        </>
      )}
    </>
  );
}

/** A difference with its span, zero in the middle. */
function Interval({
  low,
  high,
  at,
  isSure,
}: {
  readonly low: number;
  readonly high: number;
  readonly at: number;
  readonly isSure: boolean;
}) {
  const x = (share: number) => 80 + 78 * Math.max(-1, Math.min(1, share));
  return (
    <svg
      className="interval"
      viewBox="0 0 160 16"
      role="img"
      aria-label={`${percent(at)}, from ${percent(low)} to ${percent(high)}`}
    >
      <line className="interval-axis" x1={2} x2={158} y1={8} y2={8} />
      <line className="interval-zero" x1={80} x2={80} y1={1} y2={15} />
      <line className="interval-span" data-sure={isSure} x1={x(low)} x2={x(high)} y1={8} y2={8} />
      <circle className="interval-dot" cx={x(at)} cy={8} r={3.2} />
    </svg>
  );
}
