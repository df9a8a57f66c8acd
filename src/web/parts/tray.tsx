import { useMemo } from 'react';
import { Link, useNavigate } from 'react-router';
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import type { DragEndEvent } from '@dnd-kit/core';
import {
  arrayMove,
  horizontalListSortingStrategy,
  SortableContext,
  sortableKeyboardCoordinates,
} from '@dnd-kit/sortable';
import { useDragged } from './dragged.tsx';
import type { Kept } from '../../contract/api.ts';
import type { Design } from '../../core/document/index.ts';
import { useFew } from '../data/queries.ts';
import { TRAY_SIZE, useTray } from '../data/tray.ts';
import { useUnits } from '../data/units.ts';
import { SideFigure } from '../drawing/side-figure.tsx';

/** What the tray's drag and drop says to those who do not see it. */
export function orderAnnouncements(name: (id: string) => string) {
  return {
    onDragStart: ({ active }: { active: { id: string | number } }) => `${name(String(active.id))} lifted.`,
    onDragOver: ({
      active,
      over,
    }: {
      active: { id: string | number };
      over: { id: string | number } | null;
    }) =>
      // A lift is at once "over" its own place, which would talk over the word that it was lifted.
      over && over.id !== active.id
        ? `${name(String(active.id))} is over the place of ${name(String(over.id))}.`
        : undefined,
    onDragEnd: ({ active }: { active: { id: string | number } }) => `${name(String(active.id))} set down.`,
    onDragCancel: ({ active }: { active: { id: string | number } }) => `${name(String(active.id))} put back.`,
  };
}

/** Sensors and the end of a drag for a row of ids in the tray's order. */
export function useTrayOrder() {
  const { ids, setIds } = useTray();
  const sensors = useSensors(
    // A click must stay a click: the drag begins after a few pixels.
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const [from, to] = [ids.indexOf(String(active.id)), ids.indexOf(String(over.id))];
    if (from >= 0 && to >= 0) setIds(arrayMove(ids, from, to));
  };
  return { sensors, onDragEnd, collisionDetection: closestCenter };
}

/** The strip at the foot of every screen; on a phone only while something is in it. */
export function Tray({ isNarrow }: { readonly isNarrow: boolean }) {
  const { ids, setIds } = useTray();
  const { rows } = useFew(ids);
  const order = useTrayOrder();
  const navigate = useNavigate();
  const byId = useMemo(() => new Map(rows.map((kept) => [kept.id, kept])), [rows]);
  const name = (id: string) => byId.get(id)?.document.name ?? 'a head';
  // A head deleted meanwhile keeps its place, so that undoing the delete brings it back into the tray.
  const present = ids.filter((id) => byId.has(id));
  if (isNarrow && present.length === 0) return null;
  return (
    <footer className="tray" aria-label="Tray">
      <span className="tray-title">Tray</span>
      <DndContext {...order} accessibility={{ announcements: orderAnnouncements(name) }}>
        <SortableContext items={present} strategy={horizontalListSortingStrategy}>
          <ol className="tray-items">
            {present.map((id) => {
              const kept = byId.get(id);
              return (
                kept && (
                  <TrayItem
                    key={id}
                    kept={kept}
                    onRemove={() => setIds(ids.filter((other) => other !== id))}
                  />
                )
              );
            })}
            {present.length === 0 && (
              <li className="tray-empty">
                Add up to {TRAY_SIZE} heads with <kbd>T</kbd> to compare them.
              </li>
            )}
          </ol>
        </SortableContext>
      </DndContext>
      <div className="tray-actions">
        {present.length > 0 && (
          <button type="button" className="btn btn-sm btn-quiet-dark" onClick={() => setIds([])}>
            Clear
          </button>
        )}
        <button
          type="button"
          className="btn btn-sm btn-fern"
          disabled={present.length < 2}
          onClick={() => void navigate('/compare')}
        >
          Compare {present.length >= 2 ? present.length : ''}
        </button>
      </div>
    </footer>
  );
}

function TrayItem({ kept, onRemove }: { readonly kept: Kept<Design>; readonly onRemove: () => void }) {
  const { format } = useUnits();
  const { document, summary } = kept;
  const { item, grip } = useDragged(kept.id, document.name, onRemove);
  const drawing = summary?.ok ? summary.drawing : undefined;
  const k = 1.25;
  return (
    <li className="tray-item" {...item}>
      {grip}
      {drawing && (
        <svg width={40} height={36} aria-hidden="true" focusable="false">
          <SideFigure
            drawing={drawing}
            k={k}
            cutAt={-9}
            metal={document.head.metal}
            place={([x, z]) => [36 - (drawing.length - x) * k, 22 - z * k]}
          />
        </svg>
      )}
      <Link to={`/designs/${kept.id}`} className="tray-name">
        <span>{document.name}</span>
        <small>
          {summary?.ok ? format(summary.readings['mass.metal'] ?? NaN, 'mass') : 'cannot be built'}
        </small>
      </Link>
      <button
        type="button"
        className="btn-x"
        aria-label={`Remove ${document.name} from the tray`}
        onClick={onRemove}
      >
        ×
      </button>
    </li>
  );
}
