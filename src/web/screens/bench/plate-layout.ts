import type { Vec2 } from '../../../core/numeric/index.ts';
import type {
  Arrangement,
  Dimension,
  Drawing,
  PlacedDimension,
  PlateViewName,
} from '../../../core/plate/index.ts';
import { dimensionsOf, placeDimensions } from '../../../core/plate/index.ts';
import { MM_PER_INCH } from '../../../core/quantity/index.ts';
import { BESIDE, figureSize } from './figure.ts';

/** Scales a draughtsman would use, sheet over life. */
const SCALES = [0.5, 0.75, 1, 1.25, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10, 12, 16] as const;
/** CSS pixels in a millimetre of sheet: the CSS inch is 96 px. */
export const PX_PER_MM = 96 / MM_PER_INCH;

/** How much of the plate is shown. */
export type PlateView = 'whole' | 'head';

/** Where the three views stand on the sheet, and the dimensions about them. */
export interface PlateLayout {
  /** px per mm of head */
  readonly k: number;
  /** sheet scale, e.g. 2 for 2:1 */
  readonly scale: number;
  readonly width: number;
  readonly height: number;
  readonly side: (point: Vec2) => Vec2;
  readonly top: (point: Vec2) => Vec2;
  readonly front: (point: Vec2) => Vec2;
  /** leftmost x of the side view that is shown, mm */
  readonly from: number;
  /** bounds of the side view and of the view from above, px */
  readonly sideBox: Box;
  readonly topBox: Box;
  readonly dimensions: readonly LaidDimension[];
}

interface Box {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** A dimension with its lines on the sheet, px. */
export interface LaidDimension extends PlacedDimension {
  readonly a: Vec2;
  readonly b: Vec2;
  /** where its line runs: a y for level ones, an x for upright ones */
  readonly at: number;
}

/** Distance between dimension lines, and the first from its view, px. */
const LANE = 20;
const FIRST = 18;
/**
 * Room about the sheet and between views that have no dimension between them, px; at the top the tools stand.
 */
const EDGE = { left: 14, right: 18, top: 46, bottom: 30, between: 22 };

interface Extents {
  readonly from: number;
  readonly to: number;
  readonly up: number;
  readonly down: number;
  /** half of the breadth that the views from above and from the nose take */
  readonly half: number;
}

function extents(drawing: Drawing, view: PlateView): Extents {
  const collarEnd = Math.min(
    0,
    ...(drawing.collar ?? []).map(([x]) => x),
    ...drawing.keeper.flatMap(({ side }) => side.map(([x]) => x)),
    ...(drawing.hinge?.rings ?? []).slice(0, -1).map(({ at, radius }) => at[0] - radius),
  );
  const whole = view === 'whole';
  const guardUp = drawing.guard && whole ? drawing.guard.end[1] : 0;
  const eyeUp = Math.max(drawing.eye.top, drawing.eye.at[1] + drawing.eye.radius);
  return {
    from: whole ? drawing.bendRear[0] - drawing.wire : collarEnd - 3,
    to: Math.max(drawing.length, drawing.eye.at[0] + drawing.eye.radius + drawing.wire),
    up: Math.max(whole ? drawing.tip[1] + drawing.wire : 0, eyeUp + 0.5, guardUp, drawing.rise),
    down: Math.max(drawing.drop, drawing.wire, whole ? drawing.wire - drawing.shankLevel : 0),
    half: Math.max(
      drawing.breadth / 2,
      drawing.eye.crosswise ? drawing.eye.radius + drawing.eye.wire / 2 : 0,
      ...(drawing.collar ?? []).map(([, r]) => r),
      ...drawing.keeper.flatMap(({ top, wire }) => top.map(([, y]) => Math.abs(y) + wire / 2)),
      ...(whole ? fanReach(drawing) : []),
    ),
  };
}

/** How far a guard stands out to the sides, seen from the nose, mm. */
function fanReach({ guard }: Drawing): number[] {
  return guard ? guard.strands.flatMap(({ front }) => front.map(([y]) => Math.abs(y))) : [];
}

/** Room that dimension lines and their figures take about the views at `k` px a mm. */
function roomAbout(
  placed: readonly PlacedDimension[],
  sizeOf: (dimension: Dimension) => { readonly wide: number; readonly high: number },
  k: number,
) {
  const standing = (stands: Dimension['stands'], ...views: PlateViewName[]) =>
    placed.filter((d) => views.includes(d.view) && d.stands === stands);
  const lanes = (stands: Dimension['stands'], ...views: PlateViewName[]) => {
    const most = Math.max(0, ...standing(stands, ...views).map(({ lane }) => lane + 1));
    return most > 0 ? FIRST + most * LANE : 0;
  };
  // The figure of an upright line lies across it, or beside it where it is short: on either side of the line
  // it takes this.
  const sides = (d: PlacedDimension): [inner: number, outer: number] => {
    const { wide } = sizeOf(d);
    return d.short ? [0, BESIDE + wide] : [wide / 2, wide / 2];
  };
  const across = (stands: 'left' | 'right', view: PlateViewName) => {
    const taken = standing(stands, view).map(sides);
    const [inner, outer] = [0, 1].map((i) => Math.max(0, ...taken.map((pair) => pair[i] ?? 0)));
    return {
      first: Math.max(FIRST, (inner ?? 0) + 8),
      outer: outer ?? 0,
      pitch: Math.max(LANE, (inner ?? 0) + (outer ?? 0) + 8),
    };
  };
  const upRoom = (stands: 'left' | 'right', view: PlateViewName) => {
    const { outer, first, pitch } = across(stands, view);
    const most = Math.max(0, ...standing(stands, view).map(({ lane }) => lane + 1));
    return most > 0 ? first + (most - 1) * pitch + outer + 4 : 0;
  };
  // What figures of short level lines stick out beyond the right edge of their view.
  const beyond = (view: PlateViewName, edge: number) =>
    Math.max(
      0,
      ...placed
        .filter((d) => d.view === view && !d.upright && d.short)
        .map((d) => (Math.max(d.from[0], d.to[0]) - edge) * k + 10 + sizeOf(d).wide + 4),
    );
  return { lanes, across, upRoom, beyond };
}

/** A dimension line in its lane beside the box of its view. */
function laidOut(
  dimension: PlacedDimension,
  box: Readonly<Record<'left' | 'right' | 'top' | 'bottom', number>>,
  on: (at: Vec2) => Vec2,
  across: ReturnType<typeof roomAbout>['across'],
): PlateLayout['dimensions'][number] {
  const out = FIRST + dimension.lane * LANE;
  const aside = (stands: 'left' | 'right') => {
    const { first, pitch } = across(stands, dimension.view);
    return first + dimension.lane * pitch;
  };
  const at = {
    below: box.bottom + out,
    above: box.top - out,
    left: box.left - aside('left'),
    right: box.right + aside('right'),
  }[dimension.stands];
  return {
    ...dimension,
    a: on(dimension.from),
    b: on(dimension.to),
    at,
  };
}

/**
 * Lays the plate out in a space of the given size (px) at the largest drawing scale that fits, its dimensions
 * in lanes that never lie over each other. Third angle: the view from above lies above, the view from the
 * nose at the nose. First angle: below, and at the tail.
 */
export function plateLayout(
  drawing: Drawing,
  width: number,
  height: number,
  view: PlateView,
  arrangement: Arrangement,
  text: (value: number) => string,
): PlateLayout {
  const ext = extents(drawing, view);
  const wide = ext.to - ext.from + 2 * ext.half;
  const high = ext.up + ext.down + 2 * ext.half;
  const dimensions = dimensionsOf(drawing, view === 'whole');
  const sizeOf = ({ value, upright }: Dimension) => figureSize(text(value), upright);
  const place = (k: number) =>
    placeDimensions(
      dimensions,
      (dimension) => (dimension.upright ? sizeOf(dimension).high + 4 : sizeOf(dimension).wide + 8) / k,
    );
  const third = arrangement === 'third';
  let layout: PlateLayout | undefined;
  // The finest scale whose views and lanes fit; at a smaller scale figures take more lanes, so each is tried.
  for (const scale of [...SCALES].reverse()) {
    const k = scale * PX_PER_MM;
    if (wide * k > width || high * k > height) continue;
    const placed = place(k);
    const { lanes, across, upRoom, beyond } = roomAbout(placed, sizeOf, k);
    const left = Math.max(upRoom('left', 'side'), upRoom('left', 'top'));
    const right = Math.max(
      upRoom('right', 'side'),
      upRoom('right', 'top'),
      beyond('side', ext.to),
      beyond('top', ext.to),
    );
    const frontRight = Math.max(upRoom('right', 'front'), beyond('front', ext.half));
    const below = lanes('below', 'side', 'front');
    const above = Math.max(lanes('above', 'side', 'front'), 14);
    const needWide = EDGE.left + left + wide * k + right + EDGE.between + frontRight + EDGE.right;
    const needHigh = EDGE.top + high * k + above + below + EDGE.between + EDGE.bottom;
    const isLast = scale === SCALES[0];
    if ((needWide > width || needHigh > height) && !isLast) continue;
    const spareX = Math.max(0, (width - needWide) / 2);
    const spareY = Math.max(0, (height - needHigh) / 2);
    const sideWide = (ext.to - ext.from) * k;
    const frontWide = 2 * ext.half * k;
    const start = EDGE.left + spareX;
    const sideLeft = start + left + (third ? 0 : frontWide + frontRight + EDGE.between);
    const frontX = third ? sideLeft + sideWide + right + EDGE.between + ext.half * k : start + ext.half * k;
    const rowTop = EDGE.top + spareY + (third ? 2 * ext.half * k + EDGE.between : 0);
    const sideY = rowTop + above + ext.up * k;
    const rowBottom = sideY + ext.down * k;
    const topY = third ? EDGE.top + spareY + ext.half * k : rowBottom + below + EDGE.between + ext.half * k;
    const x0 = sideLeft - ext.from * k;
    const side = ([x, z]: Vec2): Vec2 => [x0 + x * k, sideY - z * k];
    // Seen from above with the nose to the right, the left side of the head is up.
    const top = ([x, y]: Vec2): Vec2 => [x0 + x * k, topY - y * k];
    // Seen from the nose the head's left lies on the right.
    const front = ([y, z]: Vec2): Vec2 => [frontX + y * k, sideY - z * k];
    const sideBox = { left: sideLeft, right: sideLeft + sideWide, top: rowTop + above, bottom: rowBottom };
    const topBox = {
      left: sideLeft,
      right: sideLeft + sideWide,
      top: topY - ext.half * k,
      bottom: topY + ext.half * k,
    };
    const frontBox = {
      left: frontX - ext.half * k,
      right: frontX + ext.half * k,
      top: sideBox.top,
      bottom: rowBottom,
    };
    const boxes = { side: sideBox, top: topBox, front: frontBox };
    const on = { side, top, front };
    layout = {
      k,
      scale,
      width,
      height,
      side,
      top,
      front,
      from: ext.from,
      sideBox,
      topBox,
      dimensions: placed.map((dimension) =>
        laidOut(dimension, boxes[dimension.view], on[dimension.view], across),
      ),
    };
    break;
  }
  if (!layout)
    return plateLayout(
      drawing,
      Math.max(width, wide * SCALES[0] * PX_PER_MM + 1),
      Math.max(height, high * SCALES[0] * PX_PER_MM + 1),
      view,
      arrangement,
      text,
    );
  return layout;
}

/**
 * Dimensions of the present drawing on a sheet whose views stand still: each keeps its line unless the shape
 * grows over it.
 */
export function followed(
  frozen: PlateLayout,
  drawing: Drawing,
  fresh: PlateLayout,
): PlateLayout['dimensions'] {
  return fresh.dimensions.map((dimension) => {
    const { view, stands, upright } = dimension;
    const before = frozen.dimensions.find(({ id }) => id === dimension.id)?.at ?? dimension.at;
    const far: Vec2 = [view === 'front' ? drawing.breadth / 2 : drawing.length, -drawing.drop];
    const edge = (layout: PlateLayout) => layout[view](far)[upright ? 0 : 1];
    const pushed = edge(frozen) + dimension.at - edge(fresh);
    return {
      ...dimension,
      a: frozen[view](dimension.from),
      b: frozen[view](dimension.to),
      at: stands === 'right' || stands === 'below' ? Math.max(before, pushed) : before,
    };
  });
}
