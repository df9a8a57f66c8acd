import { itemAt } from './at.ts';
/** A point a curve runs through: place and height, places rising. */
export type Knot = readonly [x: number, y: number];

/**
 * Smooth curve through knots that never overshoots them: cubic Hermite pieces with the limited slopes of
 * Fritsch & Carlson (SIAM J. Numer. Anal. 17, 1980, 238), in the harmonic-mean form of Fritsch & Butland
 * (1984). Outside the knots the ends hold.
 */
export function monotoneCurve(knots: readonly Knot[]): (x: number) => number {
  const n = knots.length;
  const slope = (i: number): number => {
    const [a, b] = [knots[i], knots[i + 1]];
    return a && b ? (b[1] - a[1]) / (b[0] - a[0]) : 0;
  };
  const tangents = knots.map((_, i) => {
    if (i === 0) return slope(0);
    if (i === n - 1) return slope(n - 2);
    const [left, right] = [slope(i - 1), slope(i)];
    return left * right <= 0 ? 0 : (2 * left * right) / (left + right);
  });
  return (x) => {
    const after = knots.findIndex(([at]) => at >= x);
    if (after === 0) return knots[0]?.[1] ?? 0;
    if (after < 0) return knots[n - 1]?.[1] ?? 0;
    const [x0, y0] = itemAt(knots, after - 1);
    const [x1, y1] = itemAt(knots, after);
    const h = x1 - x0;
    const u = (x - x0) / h;
    const [m0, m1] = [(tangents[after - 1] ?? 0) * h, (tangents[after] ?? 0) * h];
    return (
      y0 * (1 + 2 * u) * (1 - u) ** 2 +
      m0 * u * (1 - u) ** 2 +
      y1 * u * u * (3 - 2 * u) +
      m1 * u * u * (u - 1)
    );
  };
}
