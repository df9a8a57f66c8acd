import type { Drawing } from './drawing.ts';
import type { Vec2 } from '../numeric/vec.ts';
import type { UnitSystem } from '../quantity/units.ts';
import { MM_PER_INCH, shownUnit } from '../quantity/units.ts';
import type { Dimension, PlacedDimension, PlateViewName } from './dimensions.ts';
import { dimensionsOf, placeDimensions } from './dimensions.ts';
import type { Entity, SheetDimension } from './entities.ts';
import { moved, pointsOf } from './entities.ts';
import { viewsOf } from './views.ts';

/**
 * How the three views stand to each other: with third angle the view from above lies above, with first angle
 * below.
 */
export const ARRANGEMENTS = ['third', 'first'] as const;
/** How the views of a sheet stand to each other. */
export type Arrangement = (typeof ARRANGEMENTS)[number];

/** A drawing laid out at true scale. */
export interface Sheet {
  readonly width: number;
  readonly height: number;
  readonly entities: readonly Entity[];
  /** dimensions among them */
  readonly dimensions: readonly SheetDimension[];
  /** where the three views' origins stand on the sheet */
  readonly origins: Readonly<Record<PlateViewName, Vec2>>;
}

/** How a sheet is laid out. */
export interface SheetOptions {
  readonly arrangement: Arrangement;
  readonly units: UnitSystem | 'both';
  /** mm of sheet for a mm of head; 1 is true scale */
  readonly scale?: number;
}

/** Height of figures on the sheet and distance between dimension lines, mm. */
const FIGURE = 2.5;
const LANE = 6;
const MARGIN = 10;
const ARROW = 1.6;

/** Digits of every size on a plate: what a mould is cut to and a caliper tells. */
const PLATE_DIGITS = { metric: 1, imperial: 3 } as const;
/** What the digits mean, for the foot of a drawing in the chosen units. */
export const toleranceText = (units: SheetOptions['units']): string =>
  `${{ metric: '±0.1 mm', imperial: '±0.005 in', both: '±0.005 in [±0.1 mm]' }[units]} where nothing else is said`;

/**
 * A figure of a dimension in the chosen units, with the same digits whatever its size; both puts millimetres
 * in brackets.
 */
export function dimensionText(value: number, units: SheetOptions['units']): string {
  const one = (system: UnitSystem) => {
    const { label, fromStored } = shownUnit('size', system);
    return `${fromStored(value).toFixed(PLATE_DIGITS[system])} ${label}`;
  };
  return units === 'both' ? `${one('imperial')} [${one('metric')}]` : one(units);
}

interface Box {
  from: Vec2;
  to: Vec2;
}

const boxOf = (points: readonly Vec2[]): Box => ({
  from: [Math.min(...points.map(([u]) => u)), Math.min(...points.map(([, v]) => v))],
  to: [Math.max(...points.map(([u]) => u)), Math.max(...points.map(([, v]) => v))],
});

/**
 * Lays a drawing out as a dimensioned sheet in three views at true scale (or another), with a scale bar and
 * its name.
 */
export function plateSheet(
  drawing: Drawing,
  title: string,
  { arrangement, units, scale = 1 }: SheetOptions,
): Sheet {
  const views = viewsOf(drawing);
  const boxes = {
    side: boxOf(views.side.flatMap(pointsOf)),
    top: boxOf(views.top.flatMap(pointsOf)),
    front: boxOf(views.front.flatMap(pointsOf)),
  };
  const placed = placeDimensions(
    dimensionsOf(drawing, true),
    ({ value }) => (dimensionText(value, units).length * FIGURE * 0.62) / scale,
  );
  const figureWidth = ({ value }: { readonly value: number }) =>
    dimensionText(value, units).length * FIGURE * 0.6 + 2;
  const isShort = (d: PlacedDimension) => d.value * scale <= figureWidth(d) + 2 * ARROW;
  /**
   * Room a side of a view needs: its lanes, the figures that lie beside a short upright line, and those that
   * stick out beyond a short level one.
   */
  const lanes = (view: PlateViewName, stands: Dimension['stands']) => {
    const here = placed.filter((d) => d.view === view && d.stands === stands);
    const beside = here.filter((d) => d.upright && isShort(d)).map(figureWidth);
    const beyond =
      stands === 'right'
        ? placed
            .filter((d) => d.view === view && !d.upright && isShort(d))
            .map((d) => (Math.max(d.from[0], d.to[0]) - boxes[view].to[0]) * scale + figureWidth(d) + 4)
        : [];
    const run = Math.max(0, ...here.map(({ lane }) => lane + 1)) * LANE + LANE;
    return Math.max(run + Math.max(0, ...beside), ...beyond);
  };
  const third = arrangement === 'third';
  const s = (value: number) => value * scale;
  // Columns: with third angle the view from the nose stands at the nose, with first angle at the tail.
  const frontWide =
    s(boxes.front.to[0] - boxes.front.from[0]) + lanes('front', 'left') + lanes('front', 'right');
  const leftMost = Math.min(boxes.side.from[0], boxes.top.from[0]);
  const rightMost = Math.max(boxes.side.to[0], boxes.top.to[0]);
  const sideLeft = Math.max(lanes('side', 'left'), lanes('top', 'left'));
  const sideWide =
    s(rightMost - leftMost) + sideLeft + Math.max(lanes('side', 'right'), lanes('top', 'right'));
  const sideX = MARGIN + (third ? 0 : frontWide) + sideLeft - s(leftMost);
  const frontX = MARGIN + (third ? sideWide : 0) + lanes('front', 'left') - s(boxes.front.from[0]);
  const topHigh = s(boxes.top.to[1] - boxes.top.from[1]) + lanes('top', 'below') + lanes('top', 'above');
  const rowBottom = Math.min(boxes.side.from[1], boxes.front.from[1]);
  const rowTop = Math.max(boxes.side.to[1], boxes.front.to[1]);
  const rowBelow = Math.max(lanes('side', 'below'), lanes('front', 'below'));
  const rowAbove = Math.max(lanes('side', 'above'), lanes('front', 'above'));
  const rowHigh = s(rowTop - rowBottom) + rowBelow + rowAbove;
  const foot = MARGIN + 10;
  const rowY = foot + (third ? 0 : topHigh) + rowBelow - s(rowBottom);
  const topY = foot + (third ? rowHigh : 0) + lanes('top', 'below') - s(boxes.top.from[1]);
  const origins: Record<PlateViewName, Vec2> = {
    side: [sideX, rowY],
    top: [sideX, topY],
    front: [frontX, rowY],
  };

  const at = (view: PlateViewName, [u, v]: Vec2): Vec2 => [origins[view][0] + s(u), origins[view][1] + s(v)];
  const entities: Entity[] = [];
  for (const view of ['side', 'top', 'front'] as const) {
    for (const entity of views[view]) entities.push(moved(entity, (point) => at(view, point), scale));
  }
  const dimensions: SheetDimension[] = [];
  for (const dimension of placed) {
    const text = dimensionText(dimension.value, units);
    const { parts, from, to, run } = dimensionEntities(dimension, boxes, at, text);
    const { upright } = dimension;
    dimensions.push({ from, to, run, upright, text, first: entities.length, count: parts.length });
    entities.push(...parts);
  }
  const width = MARGIN * 2 + sideWide + frontWide;
  const height = foot + rowHigh + topHigh + MARGIN;
  const bar = units === 'imperial' ? MM_PER_INCH : 10;
  entities.push(
    {
      kind: 'line',
      layer: 'dimension',
      points: [
        [MARGIN, MARGIN + 2],
        [MARGIN, MARGIN],
        [MARGIN + s(bar), MARGIN],
        [MARGIN + s(bar), MARGIN + 2],
      ],
      closed: false,
    },
    {
      kind: 'text',
      layer: 'text',
      at: [MARGIN + s(bar) + 3, MARGIN],
      text:
        `${units === 'imperial' ? '1 in' : '10 mm'} · scale ${scale}:1 · ${third ? 'third' : 'first'}-angle ` +
        `· ${toleranceText(units)} · ${title}`,
      height: FIGURE,
      anchor: 'start',
    },
  );
  return { width, height, entities, dimensions, origins };
}

/** Extension lines, dimension line with arrows, and figure. */
function dimensionEntities(
  { view, upright, stands, from, to, lane }: PlacedDimension,
  boxes: Record<PlateViewName, Box>,
  at: (view: PlateViewName, point: Vec2) => Vec2,
  text: string,
): { readonly parts: readonly Entity[]; readonly from: Vec2; readonly to: Vec2; readonly run: Vec2 } {
  const box = boxes[view];
  const edge = at(view, stands === 'below' || stands === 'left' ? box.from : box.to);
  const out = LANE * (lane + 1) - 1;
  const [a, b] = [at(view, from), at(view, to)];
  const line = (points: Vec2[]): Entity => ({ kind: 'line', layer: 'dimension', points, closed: false });
  const run = upright
    ? edge[0] + (stands === 'left' ? -out : out)
    : edge[1] + (stands === 'below' ? -out : out);
  const onRun = (point: Vec2): Vec2 => (upright ? [run, point[1]] : [point[0], run]);
  const [p, q] = [onRun(a), onRun(b)];
  const [first, second] = (upright ? p[1] <= q[1] : p[0] <= q[0]) ? [p, q] : [q, p];
  const arrow = (tip: Vec2, way: number): Entity =>
    line(
      upright
        ? [[tip[0] - ARROW / 4, tip[1] + way * ARROW], tip, [tip[0] + ARROW / 4, tip[1] + way * ARROW]]
        : [[tip[0] + way * ARROW, tip[1] - ARROW / 4], tip, [tip[0] + way * ARROW, tip[1] + ARROW / 4]],
    );
  const span = upright ? second[1] - first[1] : second[0] - first[0];
  const inside = span > text.length * FIGURE * 0.6 + 2 + 2 * ARROW;
  const middle: Vec2 = [(first[0] + second[0]) / 2, (first[1] + second[1]) / 2];
  const figure = (at: Vec2, anchor: 'start' | 'middle' | 'end', turned = false): Entity => ({
    kind: 'text',
    layer: 'dimension',
    at,
    text,
    height: FIGURE,
    anchor,
    ...(turned ? { turned } : {}),
  });
  // A figure too long for its line stands beside an upright one, and beyond the end of a level one.
  const beside = upright
    ? stands === 'left'
      ? figure([run - 1.5, middle[1] - FIGURE / 2], 'end')
      : figure([run + 1.5, middle[1] - FIGURE / 2], 'start')
    : figure([second[0] + 2 + ARROW, run - FIGURE / 2], 'start');
  const within = upright
    ? figure([run - 0.8, middle[1]], 'middle', true)
    : figure([middle[0], run + 0.8], 'middle');
  const parts = [
    line([a, p]),
    line([b, q]),
    line([first, second]),
    arrow(first, inside ? 1 : -1),
    arrow(second, inside ? -1 : 1),
    inside ? within : beside,
  ];
  return { parts, from: a, to: b, run: q };
}
