import { useState } from 'react';
import { Link } from 'react-router';
import { DndContext } from '@dnd-kit/core';
import { horizontalListSortingStrategy, SortableContext } from '@dnd-kit/sortable';
import type { ReadingId } from '../../../core/behaviour/index.ts';
import { READING_IDS, READINGS } from '../../../core/behaviour/index.ts';
import { useTray } from '../../data/tray.ts';
import type { Columns } from '../../parts/data-table.tsx';
import { column, DataTable } from '../../parts/data-table.tsx';
import { useDragged } from '../../parts/dragged.tsx';
import { orderAnnouncements, useTrayOrder } from '../../parts/tray.tsx';
import type { Row } from './laid.ts';
import { DASHES } from './laid.ts';

/** One line of the comparison. */
export interface Line {
  readonly key: string;
  readonly name: string;
  readonly texts: readonly string[];
  /** spread of the values as a share of the largest; words that differ count as 1 */
  readonly spread: number;
  readonly least: number;
  readonly most: number;
  /** true where the values lie further apart than their ranges: a difference that is sure */
  readonly isSure?: boolean;
  /** an answer to a question of the brief: it stands first, whatever differs */
  readonly isAsked?: boolean;
}

/** Readings worth a line side by side. */
export const IDS: readonly ReadingId[] = READING_IDS.filter((id) => READINGS[id].compared);

/** Readings closer than this share count as alike. */
const ALIKE = 0.01;

/** Differences first; what is alike on request. Columns are drawn into another order. */
export function LineTable({
  rows,
  lines,
  pinned,
  onPin,
}: {
  readonly rows: readonly Row[];
  readonly lines: readonly Line[];
  /** the head the others are told against, or empty */
  readonly pinned: string;
  readonly onPin: (id: string) => void;
}) {
  const { ids, setIds } = useTray();
  const [showAlike, setShowAlike] = useState(false);
  const order = useTrayOrder();
  const differing = lines.filter(({ spread, isAsked }) => isAsked || spread > ALIKE);
  const alike = lines.filter(({ spread, isAsked }) => !isAsked && spread <= ALIKE);
  const name = (id: string) => rows.find((row) => row.id === id)?.document.name ?? '';
  const columns: Columns<Line> = [
    column(
      'name',
      'Differences first',
      ({ name: title, spread, most, isSure }) => (
        <>
          {title}
          {spread > ALIKE && most >= 0 && (
            <small>
              {' '}
              {Math.round(spread * 100)}% apart{isSure === false ? ', within their ranges' : ''}
            </small>
          )}
        </>
      ),
      { isRowHead: true },
    ),
    ...rows.map((row, i) =>
      column<Line>(row.id, name(row.id), (line) => <Text line={line} index={i} />, {
        head: () => (
          <ColumnHead
            row={row}
            index={i}
            isPinned={row.id === pinned}
            onPin={() => onPin(row.id === pinned ? '' : row.id)}
            onRemove={() => setIds(ids.filter((id) => id !== row.id))}
          />
        ),
      }),
    ),
  ];
  return (
    <div className="compare-table" tabIndex={0} role="region" aria-label="Readings side by side">
      <DndContext {...order} accessibility={{ announcements: orderAnnouncements(name) }}>
        <SortableContext items={rows.map(({ id }) => id)} strategy={horizontalListSortingStrategy}>
          <DataTable
            columns={columns}
            rows={showAlike ? [...differing, ...alike] : differing}
            rowKey={({ key }) => key}
            rowProps={({ spread }) => ({ 'data-differs': spread > ALIKE })}
          />
        </SortableContext>
      </DndContext>
      {alike.length > 0 && (
        <p className="alike-bar">
          <button
            type="button"
            className="btn-link-brass"
            aria-expanded={showAlike}
            onClick={() => setShowAlike(!showAlike)}
          >
            {showAlike ? 'Hide' : 'Show'} {alike.length} that are alike
          </button>
        </p>
      )}
    </div>
  );
}

function Text({
  line: { texts, spread, least, most },
  index,
}: {
  readonly line: Line;
  readonly index: number;
}) {
  const differs = spread > ALIKE;
  return (
    <>
      {texts[index]}
      {/* Two that read the same are marked alike, whatever their last digits say. */}
      {differs && texts[index] === texts[most] && <small className="most"> ▲ most</small>}
      {differs && texts[index] === texts[least] && <small className="least"> ▽ least</small>}
    </>
  );
}

function ColumnHead({
  row,
  index,
  isPinned,
  onPin,
  onRemove,
}: {
  readonly row: Row;
  readonly index: number;
  readonly isPinned: boolean;
  readonly onPin: () => void;
  readonly onRemove: () => void;
}) {
  const { document } = row;
  const { item, grip } = useDragged(row.id, document.name, onRemove);
  return (
    <div className="column-head" {...item}>
      {grip}
      <svg width="34" height="10" aria-hidden="true">
        <line x1="0" y1="5" x2="34" y2="5" className={`overlay-${index}`} strokeDasharray={DASHES[index]} />
      </svg>
      <Link to={`/designs/${row.id}`}>{document.name}</Link>
      <button
        type="button"
        className="btn-link-brass"
        aria-pressed={isPinned}
        aria-label={`Pin ${document.name}: the others as differences from it`}
        onClick={onPin}
      >
        {isPinned ? 'pinned' : 'pin'}
      </button>
      <button type="button" className="btn-x" aria-label={`Remove ${document.name}`} onClick={onRemove}>
        ×
      </button>
    </div>
  );
}
