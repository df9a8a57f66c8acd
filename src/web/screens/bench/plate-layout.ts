import type { Drawing, Vec2 } from '../../../core/index.ts';

/** Scales a draughtsman would use, sheet over life. */
const SCALES = [0.5, 0.75, 1, 1.25, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10, 12, 16] as const;
/** CSS pixels in a millimetre of sheet: the CSS inch is 96 px. */
export const PX_PER_MM = 96 / 25.4;

export type PlateView = 'whole' | 'head';

/** Where the three views stand on the sheet. Third-angle: the view from above lies above, the view from the nose lies at the nose. */
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
  /** upper edge of what the side view may fill, px */
  readonly sideTop: number;
}

/** Room kept for dimensions, px. */
const MARGIN = { left: 46, right: 64, top: 34, bottom: 64, between: 52 };

interface Extents {
  readonly from: number;
  readonly to: number;
  readonly up: number;
  readonly down: number;
  readonly half: number;
}

function extents(drawing: Drawing, view: PlateView): Extents {
  const collarEnd = Math.min(
    0,
    ...(drawing.collar ?? []).map(([x]) => x),
    ...(drawing.keeper?.path ?? []).map(([x]) => x),
  );
  const whole = view === 'whole';
  const guardUp = drawing.guard && whole ? drawing.guard.end[1] : 0;
  const eyeUp = Math.max(drawing.eye.top, drawing.eye.at[1] + drawing.eye.radius);
  return {
    from: whole ? drawing.bendRear[0] - drawing.wire : collarEnd - 3,
    to: Math.max(drawing.length, drawing.eye.at[0] + drawing.eye.radius + drawing.wire),
    up: Math.max(whole ? drawing.tip[1] + drawing.wire : 0, eyeUp + 0.5, guardUp, drawing.rise),
    down: Math.max(drawing.drop, drawing.wire),
    half: drawing.breadth / 2,
  };
}

/** Lays the plate out in a space of the given size (px) at the largest drawing scale that fits. */
export function plateLayout(drawing: Drawing, width: number, height: number, view: PlateView): PlateLayout {
  const { from, to, up, down, half } = extents(drawing, view);
  const wide = to - from + 2 * half;
  const high = up + down + 2 * half;
  const fits = Math.min(
    (width - MARGIN.left - MARGIN.right - MARGIN.between) / wide,
    (height - MARGIN.top - MARGIN.bottom - MARGIN.between) / high,
  );
  const scale = [...SCALES].reverse().find((candidate) => candidate * PX_PER_MM <= fits) ?? SCALES[0];
  const k = scale * PX_PER_MM;
  // What is left over is shared evenly, so that the views stand in the middle of the sheet.
  const spareX = Math.max(0, (width - MARGIN.left - MARGIN.right - MARGIN.between - wide * k) / 2);
  const spareY = Math.max(0, (height - MARGIN.top - MARGIN.bottom - MARGIN.between - high * k) / 2);
  const x0 = MARGIN.left + spareX - from * k;
  const topY = MARGIN.top + spareY + half * k;
  const sideY = topY + half * k + MARGIN.between + up * k;
  const frontX = x0 + to * k + MARGIN.between + half * k;
  return {
    k,
    scale,
    width,
    height,
    from,
    sideTop: sideY - up * k - MARGIN.between / 2,
    side: ([x, z]) => [x0 + x * k, sideY - z * k],
    // Seen from above with the nose to the right, the left side of the head is up.
    top: ([x, y]) => [x0 + x * k, topY - y * k],
    // Seen from the nose the head's left lies on the right.
    front: ([y, z]) => [frontX + y * k, sideY - z * k],
  };
}
