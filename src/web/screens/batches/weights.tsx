import { Scrolls } from '../../parts/sheet.tsx';
import { useMemo, useState } from 'react';
import type { Batch } from '../../../core/document/index.ts';
import type { CavityVerdict } from '../../../core/make/index.ts';
import { belongsTo, cavityVerdicts, gaugeStudy, tellApart } from '../../../core/make/index.ts';
import { parseQuantity } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';
import { ControlChart } from './control-chart.tsx';
import type { WeightsFilesProps } from './weights-files.tsx';
import { WeightsFiles } from './weights-files.tsx';

const MARKS: Readonly<Record<CavityVerdict['state'], readonly [mark: string, tone: string, word: string]>> = {
  good: ['●', 'good', 'on target'],
  light: ['▽', 'bad', 'light'],
  heavy: ['△', 'bad', 'heavy'],
  wild: ['◇', 'care', 'spreads'],
  cold: ['❄', 'care', 'cold start'],
  short: ['◔', 'bad', 'short fills'],
  few: ['·', 'plain', 'too few'],
};

/** Weights of each piece once, by cavity, in the order poured: the mean where a piece was weighed again. */
function piecesBy(batch: Batch) {
  const byPiece = new Map<string, { cavity: number; piece: number; weights: number[] }>();
  for (const { cavity, piece, grams } of batch.weighings) {
    const key = `${cavity} ${piece}`;
    const known = byPiece.get(key) ?? { cavity, piece, weights: [] };
    known.weights.push(grams);
    byPiece.set(key, known);
  }
  const pieces = [...byPiece.values()].sort((a, b) => a.cavity - b.cavity || a.piece - b.piece);
  const cavities = new Map<number, number[]>();
  for (const { cavity, weights } of pieces) {
    const mean = weights.reduce((sum, g) => sum + g, 0) / weights.length;
    cavities.set(cavity, [...(cavities.get(cavity) ?? []), mean]);
  }
  return { pieces, cavities };
}

/** Weight by cavity: charts, verdicts with what to do, the scale's noise apart, and one head in hand placed. */
export function Weights({ id, batch, edit, flush }: WeightsFilesProps) {
  const { format, say, system } = useUnits();
  const { target, room } = batch.wanted;
  const { pieces, cavities } = useMemo(() => piecesBy(batch), [batch]);
  const verdicts = useMemo(
    () => cavityVerdicts(cavities, { target, low: target - room, high: target + room }),
    [cavities, target, room],
  );
  const study = useMemo(() => gaugeStudy(pieces.map(({ weights }) => weights)), [pieces]);
  const [hand, setHand] = useState('');
  const inHand = parseQuantity(hand, 'mass', system);
  const belongs = inHand.ok && hand.trim() !== '' ? belongsTo(inHand.value, verdicts) : [];
  const [first, second] = verdicts;
  const [pair, setPair] = useState<readonly [number, number] | undefined>(undefined);
  const [one, other] = pair
    ? [verdicts.find((v) => v.cavity === pair[0]), verdicts.find((v) => v.cavity === pair[1])]
    : [first, second];
  const apart = one && other ? tellApart(one, other) : undefined;
  const rejected = verdicts.reduce((sum, { rejects }) => sum + rejects.length, 0);
  return (
    <section aria-label="Weight by cavity">
      <div className="shop-row">
        <h2>Weight by cavity</h2>
        <span>
          {pieces.length} pieces, {rejected} beyond {format(target - room, 'mass')} to{' '}
          {format(target + room, 'mass')}
        </span>
        <WeightsFiles id={id} batch={batch} edit={edit} flush={flush} />
      </div>
      {verdicts.length === 0 ? (
        <p>Weigh a piece from each cavity, some of them twice; the verdicts appear here.</p>
      ) : (
        <Scrolls label="Verdicts by cavity">
          <table className="shop-table">
            <thead>
              <tr>
                <th scope="col">Cavity</th>
                <th scope="col">Control chart</th>
                <th scope="col" className="num">
                  Mean
                </th>
                <th scope="col" className="num">
                  Spread
                </th>
                <th scope="col" className="num">
                  Capability
                </th>
                <th scope="col">Verdict</th>
              </tr>
            </thead>
            <tbody>
              {verdicts.map((verdict) => {
                const [mark, tone, word] = MARKS[verdict.state];
                return (
                  <tr key={verdict.cavity}>
                    <th scope="row">{verdict.cavity}</th>
                    <td>
                      <ControlChart verdict={verdict} low={target - room} high={target + room} />
                    </td>
                    <td className="num">{format(verdict.mean, 'mass')}</td>
                    <td className="num">
                      {Number.isFinite(verdict.deviation) ? `${verdict.deviation.toFixed(3)} g` : '–'}
                    </td>
                    <td className="num">
                      {verdict.capability
                        ? `${verdict.capability.cp.toFixed(2)} / ${verdict.capability.cpk.toFixed(2)}`
                        : '–'}
                    </td>
                    <td className="verdict-words">
                      <span className={`state-${tone}`}>
                        {mark} {word}
                      </span>
                      <br />
                      {say(verdict.words)}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </Scrolls>
      )}
      <p className="shop-note">
        Limits of a chart: three deviations by the moving ranges; the band is the tolerance. Capability: the
        tolerance over six deviations, and to its nearer limit (NIST/SEMATECH e-Handbook 6.1.6, 6.3.2).
      </p>
      <h2>The scale apart from the pieces</h2>
      {study ? (
        <p>
          Scale repeatability <b>{study.scale.toFixed(4)} g</b>, the pieces <b>{study.pieces.toFixed(4)} g</b>{' '}
          ({study.repeated} pieces weighed again, {study.weighings} weighings).{' '}
          {study.scale > study.pieces / 3
            ? 'The scale is too coarse to tell these pieces apart well: weigh several together, or take the mean of repeats.'
            : 'The scale is fine enough for these pieces.'}
        </p>
      ) : (
        <p>Weigh two pieces twice or more (“the same piece again”), and the scale’s noise is told apart.</p>
      )}
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
            ? `This ${inHand.ok ? format(inHand.value, 'mass') : ''} head belongs to cavity ${belongs[0].cavity}, ${Math.abs(belongs[0].off).toFixed(1)} spreads ${belongs[0].off < 0 ? 'light' : 'heavy'} (${Math.round(100 * belongs[0].chance)} in 100${belongs[1] ? `; cavity ${belongs[1].cavity}: ${Math.round(100 * belongs[1].chance)}` : ''}).`
            : hand.trim() !== '' && !inHand.ok
              ? inHand.message
              : ''}
        </span>
      </div>
      {verdicts.length > 1 && (
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
      )}
    </section>
  );
}
