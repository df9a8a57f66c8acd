import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { Design } from '../../../core/document/index.ts';
import { questionOf } from '../../../core/match/index.ts';
import { METHODS } from '../../../core/rigging/index.ts';
import { useTray } from '../../data/tray.ts';
import { useUnits } from '../../data/units.ts';
import { HangingHead, hangingBox } from '../../drawing/hanging-head.tsx';
import { AnswerList, MarkSign } from '../../parts/marks.tsx';
import type { AnswerRow, Asking, MatchRow } from '../../workers/match-rows.ts';
import { ChangeOffer } from './change-offer.tsx';

/** Room for a head beside its marks, px. */
const FIGURE = { width: 84, height: 64, drop: 6 };

/** The scale at which the largest of the heads still fits its room, px per mm. */
export function commonScale(designs: readonly Kept<Design>[]): number {
  let k = 2;
  for (const { summary } of designs) {
    if (!summary?.ok) continue;
    const box = hangingBox(summary.drawing, summary.readings['hang.attitude'] ?? 0, 1);
    k = Math.min(k, FIGURE.width / (box.right - box.left), (FIGURE.height - FIGURE.drop) / box.bottom);
  }
  return k;
}

/** In a few words, what decided: of the first what it has over the next, of the others what is against it. */
function decided(entry: MatchRow, isFirst: boolean): AnswerRow | undefined {
  if (isFirst)
    return entry.answers.find(({ isDecisive, mark }) => isDecisive && mark === 'yes') ?? entry.answers[0];
  return entry.answers[entry.worst];
}

/**
 * One head of the answer: its place, its drawing, the mark of every question, and its grounds where it is
 * opened.
 */
export function HeadRow({
  place,
  row,
  entry,
  asking,
  columns,
  k,
  isVariant = false,
}: {
  readonly place: number;
  readonly row: Kept<Design>;
  readonly entry: MatchRow;
  readonly asking: Asking;
  /** places of the questions that are asked, in `entry.answers` */
  readonly columns: readonly number[];
  readonly k: number;
  readonly isVariant?: boolean;
}) {
  const { say, format } = useUnits();
  const { ids, toggle } = useTray();
  // Opened from an answer, the head is judged in the same brief on the Bench.
  const { id: brief = '' } = useParams();
  const [isOpen, setOpen] = useState(false);
  const { document, summary } = row;
  const isOut = !entry.standing || entry.standing.out > 0;
  const inTray = ids.includes(row.id);
  const why = decided(entry, place === 1 && !isOut);
  const ground = why?.grounds[0];
  const method = METHODS.find(({ key }) => key === entry.method)?.name;
  return (
    <li
      className="head-row"
      data-out={isOut}
      data-variant={isVariant}
      data-design={row.id}
      data-settled={entry.isSettled}
    >
      <div className="head-row-line">
        <b className="head-row-place" title={isOut ? 'out' : `place ${place}`}>
          {isOut ? '✕' : place}
        </b>
        <div className="head-row-figure">
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
        <div className="head-row-name">
          <h3>
            <Link to={`/designs/${row.id}?brief=${brief}`}>{document.name}</Link>{' '}
            <small>{summary?.ok ? format(summary.readings['mass.metal'] ?? NaN, 'mass') : ''}</small>
          </h3>
          {entry.plastic && (
            <p className="head-row-way">
              {entry.plastic}, {method}
            </p>
          )}
          {why && ground && (
            <p className="head-row-why" data-mark={why.mark}>
              <b>{questionOf(why.key).name}:</b> {say(ground.text)}
            </p>
          )}
          {entry.problems[0] && <p className="field-said">{say(entry.problems[0].message)}</p>}
        </div>
        <div className="head-row-marks">
          {columns.map((i) => {
            const answer = entry.answers[i];
            return answer ? <MarkSign key={answer.key} answer={answer} /> : null;
          })}
        </div>
        <div className="head-row-tools">
          <button
            type="button"
            className="btn-link-brass"
            aria-expanded={isOpen}
            onClick={() => setOpen(!isOpen)}
          >
            {isOpen ? 'Close' : 'Why'}
          </button>
          <button
            type="button"
            className="btn-link-brass"
            aria-pressed={inTray}
            onClick={() => toggle(row.id)}
          >
            {inTray ? '✓ tray' : '+ tray'}
          </button>
        </div>
      </div>
      {isOpen && (
        <div className="head-row-open">
          <AnswerList answers={entry.answers} />
          <ChangeOffer asking={asking} row={row} />
          <p>
            <Link to={`/designs/${row.id}/uses`}>Other uses</Link>
            {' · '}
            <a href={`/api/designs/${row.id}/counter-card`} download>
              Counter card (PDF)
            </a>
          </p>
        </div>
      )}
    </li>
  );
}
