import { useState } from 'react';
import { Link } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { Design } from '../../../core/index.ts';
import { inUnits } from '../../../core/index.ts';
import { useTray } from '../../data/tray.ts';
import { useUnits } from '../../data/units.ts';
import { HangingHead, hangingBox } from '../../drawing/hanging-head.tsx';
import { Reasons } from '../../parts/reasons.tsx';
import type { Ranked } from '../../workers/judge.worker.ts';

/** Room for a head beside its reasons, px. */
const FIGURE = { width: 120, height: 100, drop: 8 };

/** The scale at which the largest of the heads still fits its room, px per mm. */
export function commonScale(designs: readonly Kept<Design>[]): number {
  let k = 2.4;
  for (const { summary } of designs) {
    if (!summary?.ok) continue;
    const box = hangingBox(summary.drawing, summary.readings['hang.attitude'] ?? 0, 1);
    k = Math.min(k, FIGURE.width / (box.right - box.left), (FIGURE.height - FIGURE.drop) / box.bottom);
  }
  return k;
}

/** Reasons shown before the rest is folded away. */
const FIRST = 3;

/** One design in the ranked answer, with its reasons. */
export function Rank({
  place,
  row,
  entry,
  k,
}: {
  readonly place: number;
  readonly row: Kept<Design>;
  readonly entry: Ranked;
  /** px per mm, one for all */
  readonly k: number;
}) {
  const { system, format } = useUnits();
  const { ids, toggle } = useTray();
  const [all, setAll] = useState(place === 1);
  const { document, summary } = row;
  const stand = entry.standing;
  const inTray = ids.includes(row.id);
  const hidden = stand
    ? Math.max(0, stand.for.length - FIRST) + Math.max(0, stand.against.length - FIRST)
    : 0;
  return (
    <li className="rank" data-out={stand === undefined || stand.never.length > 0} data-design={row.id}>
      <div className="rank-place">
        <b>{stand && stand.never.length === 0 ? place : '✕'}</b>
        {stand && <small>{stand.balance > 0 ? `+${stand.balance}` : stand.balance}</small>}
      </div>
      <div className="rank-figure">
        {summary?.ok && (
          <HangingHead
            drawing={summary.drawing}
            attitude={summary.readings['hang.attitude'] ?? 0}
            k={k}
            metal={document.head.metal}
            {...FIGURE}
          />
        )}
      </div>
      <div className="rank-body">
        <h3>
          <Link to={`/designs/${row.id}`}>{document.name}</Link>{' '}
          <small>
            {summary?.ok ? format(summary.readings['mass.metal'] ?? NaN, 'mass') : ''}
            {entry.readings['fall.timeToDepth']
              ? ` · ${format(entry.readings['fall.timeToDepth'].value, 'time')} to the bottom`
              : ''}
          </small>
        </h3>
        {stand ? (
          <Reasons standing={stand} most={all ? Infinity : FIRST} />
        ) : (
          <p className="field-said">{inUnits(entry.problems[0]?.message ?? '', system)}</p>
        )}
        <div className="rank-tools">
          {hidden > 0 && (
            <button type="button" className="btn-link-brass" aria-expanded={all} onClick={() => setAll(!all)}>
              {all ? 'Fewer reasons' : `${hidden} more reasons`}
            </button>
          )}
          <button
            type="button"
            className="btn-link-brass"
            aria-pressed={inTray}
            onClick={() => toggle(row.id)}
          >
            {inTray ? '✓ in the tray' : '+ tray'}
          </button>
        </div>
      </div>
    </li>
  );
}
