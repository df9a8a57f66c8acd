import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { DndContext } from '@dnd-kit/core';
import { horizontalListSortingStrategy, SortableContext, useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { Kept } from '../../../contract/api.ts';
import type { Design, ReadingId, Vec2 } from '../../../core/index.ts';
import {
  familyOf,
  guardOf,
  keeperOf,
  METALS,
  PLAIN_STYLE,
  READING_IDS,
  READINGS,
} from '../../../core/index.ts';
import { useFew } from '../../data/queries.ts';
import { useTray } from '../../data/tray.ts';
import { useUnits } from '../../data/units.ts';
import { pathOf } from '../../drawing/path.ts';
import { Segments } from '../../parts/choice.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { orderAnnouncements, useTrayOrder } from '../../parts/tray.tsx';
import { readingText } from '../bench/readings-panel.tsx';
import { PX_PER_MM } from '../bench/plate-layout.ts';
import './compare.css';
import '../../styles/tables.css';

type Row = Kept<Design>;

/** Dash patterns that tell overlaid outlines apart without colour. */
const DASHES = ['', '7 3', '2 3', '9 3 2 3', '4 4', '12 4'];
const ALIGN = {
  seat: 'rear face',
  eye: 'eye',
  point: 'hook point',
} as const;
type Align = keyof typeof ALIGN;

/** Two to six designs side by side, differences first. */
export function Compare() {
  const { ids } = useTray();
  const { rows, isPending, error, refetch } = useFew(ids);
  if (isPending) return <Loading what="the designs" />;
  if (error) return <Failed error={error} retry={() => void refetch()} />;
  if (rows.length < 2) {
    return (
      <Empty title="Two heads or more, please">
        <p>
          Put two to six heads into the tray: press <kbd>T</kbd> on a head on the Rack.{' '}
          {rows.length === 1 ? 'One is there already.' : ''}
        </p>
        <Link className="btn btn-fern" to="/">
          To the Rack
        </Link>
      </Empty>
    );
  }
  return <CompareOf rows={rows} />;
}

interface Line {
  readonly key: string;
  readonly name: string;
  readonly texts: readonly string[];
  /** spread of the values as a share of the largest; words that differ count as 1 */
  readonly spread: number;
  readonly least: number;
  readonly most: number;
}

/** Readings worth a line side by side. */
const IDS: readonly ReadingId[] = READING_IDS.filter((id) => READINGS[id].compared);

/** Readings closer than this share count as alike. */
const ALIKE = 0.01;

function CompareOf({ rows }: { readonly rows: readonly Row[] }) {
  const { ids, setIds } = useTray();
  const { format } = useUnits();
  const [align, setAlign] = useState<Align>('seat');
  const [showAlike, setShowAlike] = useState(false);
  const order = useTrayOrder();
  const lines = useMemo<Line[]>(() => {
    const words = (key: string, name: string, of: (design: Design) => string): Line => {
      const texts = rows.map(({ document }) => of(document));
      return { key, name, texts, spread: new Set(texts).size > 1 ? 1 : 0, least: -1, most: -1 };
    };
    const figures = IDS.map((id): Line => {
      const values = rows.map(({ summary }) => (summary?.ok ? (summary.readings[id] ?? NaN) : NaN));
      const present = values.filter(Number.isFinite);
      const [low, high] = [Math.min(...present), Math.max(...present)];
      // Angles are compared against a right angle: a share of a value near zero would mean nothing.
      const base = READINGS[id].quantity === 'angle' ? 90 : Math.max(Math.abs(low), Math.abs(high), 1e-9);
      return {
        key: id,
        name: READINGS[id].name,
        texts: values.map((value) => (Number.isFinite(value) ? readingText(id, value, format) : '–')),
        spread: present.length > 1 ? (high - low) / base : 0,
        least: values.indexOf(low),
        most: values.indexOf(high),
      };
    });
    return [
      words('metal', 'Metal', ({ head }) => METALS.find(({ key }) => key === head.metal)?.name ?? head.metal),
      words('family', 'Shape', ({ head }) => familyOf(head.family)?.name ?? head.family),
      words('hook', 'Hook', ({ hook }) => `${hook.size} ${hook.style ?? PLAIN_STYLE}, ${hook.grade}`),
      words('eye', 'Eye', ({ eye }) => `${format(eye.angle, 'angle')} ${eye.plane}`),
      words('keeper', 'Keeper', ({ keeper }) => keeperOf(keeper.kind).name),
      words('guard', 'Guard', ({ guard }) => guardOf(guard.kind).name),
      ...figures,
    ].sort((a, b) => b.spread - a.spread);
  }, [rows, format]);
  const differing = lines.filter(({ spread }) => spread > ALIKE);
  const alike = lines.filter(({ spread }) => spread <= ALIKE);
  const name = (id: string) => rows.find((row) => row.id === id)?.document.name ?? '';
  const present = rows.map(({ id }) => id);
  return (
    <div className="compare">
      <div className="compare-head">
        <h1>Side by side</h1>
        <Segments
          label="Outlines laid over each other at the"
          value={align}
          options={Object.entries(ALIGN).map(([key, text]) => [key as Align, text] as const)}
          onChange={setAlign}
        />
      </div>
      <Overlay rows={rows} align={align} />
      <div className="compare-table" tabIndex={0} role="region" aria-label="Readings side by side">
        <DndContext {...order} accessibility={{ announcements: orderAnnouncements(name) }}>
          <table>
            <thead>
              <SortableContext items={present} strategy={horizontalListSortingStrategy}>
                <tr>
                  <th scope="col">Differences first</th>
                  {rows.map((row, i) => (
                    <ColumnHead
                      key={row.id}
                      row={row}
                      index={i}
                      onRemove={() => setIds(ids.filter((id) => id !== row.id))}
                    />
                  ))}
                </tr>
              </SortableContext>
            </thead>
            <tbody>
              {differing.map((line) => (
                <LineRow key={line.key} line={line} />
              ))}
              {alike.length > 0 && (
                <tr className="alike-bar">
                  <th colSpan={rows.length + 1} scope="rowgroup">
                    <button
                      type="button"
                      className="btn-link-brass"
                      aria-expanded={showAlike}
                      onClick={() => setShowAlike(!showAlike)}
                    >
                      {showAlike ? 'Hide' : 'Show'} {alike.length} that are alike
                    </button>
                  </th>
                </tr>
              )}
              {showAlike && alike.map((line) => <LineRow key={line.key} line={line} />)}
            </tbody>
          </table>
        </DndContext>
      </div>
    </div>
  );
}

function LineRow({ line: { name, texts, spread, least, most } }: { readonly line: Line }) {
  const differs = spread > ALIKE;
  return (
    <tr data-differs={differs}>
      <th scope="row">
        {name}
        {differs && most >= 0 && <small> {Math.round(spread * 100)}% apart</small>}
      </th>
      {texts.map((text, i) => (
        <td key={i}>
          {text}
          {differs && i === most && <small className="most"> ▲ most</small>}
          {differs && i === least && <small className="least"> ▽ least</small>}
        </td>
      ))}
    </tr>
  );
}

function ColumnHead({
  row,
  index,
  onRemove,
}: {
  readonly row: Row;
  readonly index: number;
  readonly onRemove: () => void;
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: row.id,
  });
  const { document } = row;
  return (
    <th
      scope="col"
      ref={setNodeRef}
      data-dragging={isDragging}
      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      <div className="column-head">
        <button
          type="button"
          className="grip"
          {...attributes}
          {...listeners}
          aria-label={`Move ${document.name}`}
        >
          ⠿
        </button>
        <svg width="34" height="10" aria-hidden="true">
          <line x1="0" y1="5" x2="34" y2="5" className={`overlay-${index}`} strokeDasharray={DASHES[index]} />
        </svg>
        <Link to={`/designs/${row.id}`}>{document.name}</Link>
        <button type="button" className="btn-x" aria-label={`Take ${document.name} out`} onClick={onRemove}>
          ×
        </button>
      </div>
    </th>
  );
}

/** Outlines of all laid over each other, one scale, each with its own dash. */
function Overlay({ rows, align }: { readonly rows: readonly Row[]; readonly align: Align }) {
  const figures = rows.flatMap(({ id, document, summary }, index) =>
    summary?.ok ? [{ id, name: document.name, drawing: summary.drawing, index }] : [],
  );
  const anchor = (drawing: (typeof figures)[number]['drawing']): Vec2 =>
    align === 'eye' ? drawing.eye.at : align === 'point' ? drawing.tip : [0, 0];
  const all = figures.flatMap(({ drawing }) => {
    const [ax, az] = anchor(drawing);
    const eye = drawing.eye;
    return [...drawing.side, ...drawing.hook, [eye.at[0] + eye.radius, eye.at[1] + eye.radius] as Vec2].map(
      ([x, z]): Vec2 => [x - ax, z - az],
    );
  });
  const [left, right] = [Math.min(...all.map(([x]) => x)) - 2, Math.max(...all.map(([x]) => x)) + 2];
  const [low, high] = [Math.min(...all.map(([, z]) => z)) - 2, Math.max(...all.map(([, z]) => z)) + 2];
  const half = Math.max(...figures.map(({ drawing }) => drawing.breadth / 2));
  const frontRoom = 2 * half + 8;
  const [width, height] = [1180, 250];
  const k = Math.min((width - 40) / (right - left + frontRoom), (height - 24) / (high - low), 10 * PX_PER_MM);
  const x0 = (width - (right - left + frontRoom) * k) / 2 - left * k;
  const y0 = 12 + high * k;
  return (
    <figure className="overlay">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`Outlines of ${figures.map(({ name }) => name).join(', ')} laid over each other`}
      >
        {figures.map(({ id, drawing, index }) => {
          const [ax, az] = anchor(drawing);
          const place = ([x, z]: Vec2): Vec2 => [x0 + (x - ax) * k, y0 - (z - az) * k];
          const front = ([y, z]: Vec2): Vec2 => [x0 + (right + 6 + half + y) * k, y0 - (z - az) * k];
          const [ex, ey] = place(drawing.eye.at);
          return (
            <g key={id} className={`overlay-${index}`} strokeDasharray={DASHES[index]}>
              <path d={pathOf(drawing.side, place)} className="overlay-head" />
              {drawing.collar && <path d={pathOf(drawing.collar, place)} />}
              <path d={pathOf(drawing.hook, place, false)} />
              <circle cx={ex} cy={ey} r={drawing.eye.radius * k} />
              {drawing.guard && <path d={pathOf([drawing.guard.base, drawing.guard.end], place, false)} />}
              <path d={pathOf(drawing.front, front)} className="overlay-head" />
            </g>
          );
        })}
        <g className="scale-bar">
          <path d={`M14 ${height - 18}V${height - 14}H${14 + 10 * k}V${height - 18}`} />
          <text x={22 + 10 * k} y={height - 13}>
            10 mm · all to one scale
          </text>
        </g>
      </svg>
    </figure>
  );
}
