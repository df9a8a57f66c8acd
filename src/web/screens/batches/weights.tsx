import { fixed } from '../../data/locale.ts';
import { useMemo } from 'react';
import type { Batch } from '../../../core/document/index.ts';
import { cavityVerdicts, gaugeStudy } from '../../../core/make/index.ts';
import { useUnits } from '../../data/units.ts';
import { VerdictTable } from './verdict-table.tsx';
import type { WeightsFilesProps } from './weights-files.tsx';
import { WeightsFiles } from './weights-files.tsx';
import { PiecesNeeded, WhichCavity } from './which-cavity.tsx';

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

/**
 * Weight by cavity: charts, verdicts with what to do, the scale's noise apart, and one head in hand placed.
 */
export function Weights({ id, batch, edit, flush }: WeightsFilesProps) {
  const { format } = useUnits();
  const { target, room } = batch.wanted;
  const { pieces, cavities } = useMemo(() => piecesBy(batch), [batch]);
  const verdicts = useMemo(
    () => cavityVerdicts(cavities, { target, low: target - room, high: target + room }),
    [cavities, target, room],
  );
  const study = useMemo(() => gaugeStudy(pieces.map(({ weights }) => weights)), [pieces]);
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
        <VerdictTable verdicts={verdicts} low={target - room} high={target + room} />
      )}
      <p className="shop-note">
        Limits of a chart: three deviations by the moving ranges; the band is the tolerance. Capability: the
        tolerance over six deviations, and to its nearer limit (NIST/SEMATECH e-Handbook 6.1.6, 6.3.2).
      </p>
      <h2>The scale apart from the pieces</h2>
      {study ? (
        <p>
          Scale repeatability <b>{fixed(study.scale, 4)} g</b>, the pieces <b>{fixed(study.pieces, 4)} g</b> (
          {study.repeated} pieces weighed again, {study.weighings} weighings).{' '}
          {study.scale > study.pieces / 3
            ? 'The scale is too coarse to tell these pieces apart well: weigh several together, or take ' +
              'the mean of repeats.'
            : 'The scale is fine enough for these pieces.'}
        </p>
      ) : (
        <p>Weigh two pieces twice or more (“the same piece again”), and the scale’s noise is told apart.</p>
      )}
      <WhichCavity verdicts={verdicts} />
      {verdicts.length > 1 && <PiecesNeeded verdicts={verdicts} />}
    </section>
  );
}
