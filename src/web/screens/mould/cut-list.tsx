import type { Cut } from '../../../core/document/index.ts';
import { useUnits } from '../../data/units.ts';

/** The cuts of a cavity in their order, each to be undone. */
export function CutList({
  cuts,
  onUndo,
}: {
  readonly cuts: readonly Cut[];
  readonly onUndo: (place: number) => void;
}) {
  const { format } = useUnits();
  if (cuts.length === 0) return null;
  return (
    <ol className="mould-cuts">
      {cuts.map((cut, k) => (
        <li key={k}>
          {cut.cutter}, {format(cut.diameter, 'size')} across, {format(cut.depth, 'size')} deep, {cut.side}
          {cut.side === 'both' ? ' halves' : ' half'}{' '}
          <button type="button" className="btn-x" aria-label={`Undo cut ${k + 1}`} onClick={() => onUndo(k)}>
            ×
          </button>
        </li>
      ))}
    </ol>
  );
}
