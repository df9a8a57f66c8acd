import type { Vec2 } from '../../core/numeric/index.ts';

/** What points reach, in their own unit. */
export interface Bounds {
  readonly left: number;
  readonly right: number;
  readonly low: number;
  readonly high: number;
}

/** The box around points, wider by a margin on every side. */
export function boundsOf(points: readonly Vec2[], margin = 0): Bounds {
  let [left, right, low, high] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const [u, v] of points) {
    left = Math.min(left, u);
    right = Math.max(right, u);
    low = Math.min(low, v);
    high = Math.max(high, v);
  }
  return { left: left - margin, right: right + margin, low: low - margin, high: high + margin };
}

/** Scale at which a box fits into a sheet, px per unit, and no larger than `most`. */
export const fitScale = (
  { left, right, low, high }: Bounds,
  { width, height }: { readonly width: number; readonly height: number },
  most = Infinity,
): number => Math.min(width / (right - left), height / (high - low), most);
