import type { Vec2 } from '../../core/numeric/index.ts';

/** SVG path of points through a placement; closed when told so. Rounded to a hundredth of a pixel. */
export function pathOf(points: readonly Vec2[], place: (point: Vec2) => Vec2, closed = true): string {
  let d = '';
  points.forEach((point, i) => {
    const [x, y] = place(point);
    d += `${i === 0 ? 'M' : 'L'}${x.toFixed(2)} ${y.toFixed(2)}`;
  });
  return closed ? `${d}Z` : d;
}
