import { fixed } from '../../data/locale.ts';
import { useState } from 'react';
import type { CavityVerdict } from '../../../core/make/index.ts';
import { belongsTo, tellApart } from '../../../core/make/index.ts';
import { useUnits } from '../../data/units.ts';

interface Props {
  readonly verdicts: readonly CavityVerdict[];
}

/** One head in hand, placed by its weight. */
export function WhichCavity({ verdicts }: Props) {
  const { format, read } = useUnits();
  const [hand, setHand] = useState('');
  const inHand = read(hand, 'mass');
  const belongs = inHand.ok && hand.trim() !== '' ? belongsTo(inHand.value, verdicts) : [];
  return (
    <>
      <h2>Which cavity is it from?</h2>
      <div className="shop-row">
        <label>
          Its weight{' '}
          <input
            className="batch-hand"
            inputMode="decimal"
            value={hand}
            aria-label="Weight of a head"
            onChange={(event) => setHand(event.currentTarget.value)}
          />
        </label>
        <span role="status">
          {belongs[0]
            ? `This ${inHand.ok ? format(inHand.value, 'mass') : ''} head belongs to cavity ` +
              `${belongs[0].cavity}, ${fixed(Math.abs(belongs[0].off), 1)} spreads ${belongs[0].off < 0 ? 'light' : 'heavy'} ` +
              `(${Math.round(100 * belongs[0].chance)} in 100${belongs[1] ? `; cavity ${belongs[1].cavity}: ${Math.round(100 * belongs[1].chance)}` : ''}).`
            : hand.trim() !== '' && !inHand.ok
              ? inHand.message
              : ''}
        </span>
      </div>
    </>
  );
}

/** How many pieces of each tell two cavities apart. */
export function PiecesNeeded({ verdicts }: Props) {
  const [first, second] = verdicts;
  const [pair, setPair] = useState<readonly [number, number] | undefined>(undefined);
  const [one, other] = pair
    ? [verdicts.find((v) => v.cavity === pair[0]), verdicts.find((v) => v.cavity === pair[1])]
    : [first, second];
  const apart = one && other ? tellApart(one, other) : undefined;
  return (
    <>
      <h2>Pieces needed to tell two cavities apart</h2>
      <div className="shop-row">
        {[0, 1].map((side) => (
          <select
            key={side}
            aria-label={side === 0 ? 'One cavity' : 'The other'}
            value={(side === 0 ? one : other)?.cavity}
            onChange={(event) => {
              const chosen = Number(event.currentTarget.value);
              const [a, b] = [one?.cavity ?? 1, other?.cavity ?? 2];
              setPair(side === 0 ? [chosen, b] : [a, chosen]);
            }}
          >
            {verdicts.map(({ cavity }) => (
              <option key={cavity} value={cavity}>
                cavity {cavity}
              </option>
            ))}
          </select>
        ))}
        <span>
          {apart === undefined
            ? 'They throw alike, or too few are weighed to say.'
            : `If they are as far apart as they seem, ${apart} of each tell it (19 times in 20, found 9 times in 10).`}
        </span>
      </div>
    </>
  );
}
