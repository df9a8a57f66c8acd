import { itemAt, lastOf, numberAt, pair } from '../numeric/at.ts';
import { LuDecomposition, Matrix } from 'ml-matrix';
import type { Vec2 } from '../numeric/vec.ts';

/**
 * A vertex of a line and how its way to the next bulges: the tangent of a quarter of the arc's angle,
 * positive anticlockwise; 0 is straight.
 */
export interface BulgedVertex {
  readonly at: Vec2;
  readonly bulge: number;
}

/** A cubic B-spline: control points and knots, four more than those. */
export interface CubicSpline {
  readonly control: readonly Vec2[];
  readonly knots: readonly number[];
}

const apart = (a: Vec2, b: Vec2): number => Math.hypot(b[0] - a[0], b[1] - a[1]);
const turnAt = (a: Vec2, b: Vec2, c: Vec2): number => {
  const [u, v, p, q] = [b[0] - a[0], b[1] - a[1], c[0] - b[0], c[1] - b[1]];
  return Math.atan2(u * q - v * p, u * p + v * q);
};

/** Centre of the circle through three points; undefined where they lie in a line. */
function circleThrough(a: Vec2, b: Vec2, c: Vec2): Vec2 | undefined {
  const [bx, by, cx, cy] = [b[0] - a[0], b[1] - a[1], c[0] - a[0], c[1] - a[1]];
  const twice = 2 * (bx * cy - by * cx);
  if (Math.abs(twice) < 1e-12) return undefined;
  const [b2, c2] = [bx * bx + by * by, cx * cx + cy * cy];
  return [a[0] + (cy * b2 - by * c2) / twice, a[1] + (bx * c2 - cx * b2) / twice];
}

/** The most an arc turns by: half a circle, whose bulge is 1, but for rounding. */
const MOST_TURN = Math.PI + 1e-3;

/**
 * How much farther than its points an arc may leave the chords between them, in bounds: points are drawn
 * closer where a line bends.
 */
const MOST_SAGITTA = 40;

/**
 * The bulge of one arc, or straight line, through points in a row, and undefined where none passes within
 * `within` of all of them.
 */
function bulgeThrough(points: readonly Vec2[], within: number): number | undefined {
  const first = itemAt(points, 0);
  const last = lastOf(points);
  const middle = itemAt(points, Math.floor(points.length / 2));
  const chord = apart(first, last);
  if (chord < within) return undefined;
  const off = (point: Vec2) =>
    Math.abs((last[0] - first[0]) * (point[1] - first[1]) - (last[1] - first[1]) * (point[0] - first[0])) /
    chord;
  if (points.every((point) => off(point) <= within)) return 0;
  const centre = circleThrough(first, middle, last);
  if (!centre) return undefined;
  const radius = apart(centre, first);
  if (points.some((point) => Math.abs(apart(centre, point) - radius) > within)) return undefined;
  let turned = 0;
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [itemAt(points, i - 1), itemAt(points, i)];
    const step = 2 * Math.asin(Math.min(1, apart(a, b) / (2 * radius)));
    // A chord that leaves the arc by more than the points do is a corner cut off, not a piece of it.
    if (radius * (1 - Math.cos(step / 2)) > within * MOST_SAGITTA) return undefined;
    turned += step;
  }
  if (turned > MOST_TURN) return undefined;
  const way = Math.sign(turnAt(first, middle, last));
  return way * Math.tan(turned / 4);
}

/**
 * A line through points as few straight pieces and true arcs, each within `within` (mm) of all points it
 * stands for. Wire, which is made of straights and bends, comes out as those.
 */
export function arcsThrough(points: readonly Vec2[], within: number): BulgedVertex[] {
  const vertices: BulgedVertex[] = [];
  let at = 0;
  while (at + 1 < points.length) {
    let [end, bulge] = [at + 1, 0];
    // An arc is of four points at least: through any three there is one.
    for (let next = at + 2; next < points.length; next++) {
      const found = bulgeThrough(points.slice(at, next + 1), within);
      if (found === undefined && next > at + 4) break;
      if (found !== undefined && (found === 0 || next >= at + 3)) [end, bulge] = [next, found];
    }
    vertices.push({ at: itemAt(points, at), bulge });
    at = end;
  }
  const last = points.at(-1);
  if (last) vertices.push({ at: last, bulge: 0 });
  return vertices;
}

/**
 * Turn from which on two pieces of a line meet in a corner, radians: round ends are drawn in far smaller
 * steps.
 */
const CORNER = (15 * Math.PI) / 180;

/**
 * How many times as long as a neighbour a piece is that stands between curves as a straight: one spline
 * through all would swing about it.
 */
const STRAIGHT = 2.5;

/**
 * A line cut at its corners, and at both ends of what is straight in it, into smooth runs; a closed one
 * begins at such a cut where it has one. The end of each is the start of the next.
 */
export function smoothRuns(points: readonly Vec2[], isClosed: boolean): (readonly Vec2[])[] {
  const all = points.filter((point, i) => i === 0 || apart(point, itemAt(points, i - 1)) > 1e-6);
  if (isClosed && all.length > 1 && apart(itemAt(all, 0), lastOf(all)) <= 1e-6) all.pop();
  const count = all.length;
  const isCorner = (i: number) =>
    Math.abs(turnAt(itemAt(all, (i - 1 + count) % count), itemAt(all, i), itemAt(all, (i + 1) % count))) >
    CORNER;
  const long = (i: number) => apart(itemAt(all, (i + count) % count), itemAt(all, (i + 1 + count) % count));
  // A piece begins a straight, or ends one, where the next is so much shorter; at the ends of an open line
  // there is no next.
  const isEndOfStraight = (i: number) => {
    const [before, after] = [long(i - 1), long(i)];
    return before > STRAIGHT * after || after > STRAIGHT * before;
  };
  const corners = all.flatMap((_, i) =>
    (isClosed || (i > 0 && i < count - 1)) && count > 2 && (isCorner(i) || isEndOfStraight(i)) ? [i] : [],
  );
  const cuts = isClosed
    ? corners.length > 0
      ? [...corners, numberAt(corners, 0) + count]
      : [0, count]
    : [0, ...corners, count - 1];
  return cuts.slice(1).map((to, i) => {
    const from = numberAt(cuts, i);
    return Array.from({ length: to - from + 1 }, (_, k) => itemAt(all, (from + k) % count));
  });
}

/**
 * The cubic spline through points in a row, twice continuously differentiable, its parameter the length of
 * the chords (de Boor, A Practical Guide to Splines, IV); smooth where it closes on itself, and with its
 * third derivative going on over the last knots ("not a knot") where it does not. At least two points; two
 * make a straight line.
 */
export function splineThrough(points: readonly Vec2[]): CubicSpline {
  const steps = points.slice(1).map((point, i) => apart(itemAt(points, i), point));
  const isRing = points.length > 3 && apart(itemAt(points, 0), lastOf(points)) < 1e-6;
  const [us, vs] = pair((axis) =>
    slopes(
      points.map((point) => point[axis]),
      steps,
      isRing,
    ),
  );
  const control: Vec2[] = [itemAt(points, 0)];
  const knots = [0, 0, 0, 0];
  let along = 0;
  steps.forEach((step, i) => {
    const [[u0, v0], [u1, v1]] = [itemAt(points, i), itemAt(points, i + 1)];
    const third = step / 3;
    control.push([u0 + third * numberAt(us, i), v0 + third * numberAt(vs, i)]);
    control.push([u1 - third * numberAt(us, i + 1), v1 - third * numberAt(vs, i + 1)]);
    along += step;
    const isLast = i === steps.length - 1;
    knots.push(...Array<number>(isLast ? 4 : 2).fill(along));
  });
  control.push(lastOf(points));
  return { control, knots };
}

/** Slopes at its knots of the cubic spline through values so far apart. */
function slopes(values: readonly number[], steps: readonly number[], isRing: boolean): number[] {
  const last = values.length - 1;
  const rise = steps.map((step, i) => (numberAt(values, i + 1) - numberAt(values, i)) / step);
  const h = (i: number) => numberAt(steps, (i + last) % last);
  const d = (i: number) => numberAt(rise, (i + last) % last);
  if (last === 1) return [d(0), d(0)];
  const size = isRing ? last : last + 1;
  const [left, right] = [Matrix.zeros(size, size), Matrix.zeros(size, 1)];
  // Of a short ring two neighbours may be one.
  const put = (row: number, column: number, value: number) =>
    left.set(row, column, left.get(row, column) + value);
  for (let i = isRing ? 0 : 1; i < last; i++) {
    put(i, (i - 1 + size) % size, h(i));
    put(i, i, 2 * (h(i - 1) + h(i)));
    put(i, (i + 1) % size, h(i - 1));
    right.set(i, 0, 3 * (h(i) * d(i - 1) + h(i - 1) * d(i)));
  }
  if (!isRing) {
    // Not a knot, as de Boor has it; of three points the parabola.
    const end = (row: number, next: number, a: number, b: number, da: number, db: number) => {
      put(row, row, b);
      put(row, next, a + b);
      right.set(row, 0, ((a + 2 * (a + b)) * b * da + a * a * db) / (a + b));
    };
    if (last === 2) {
      put(0, 0, 1);
      right.set(0, 0, (d(0) * (2 * h(0) + h(1)) - d(1) * h(0)) / (h(0) + h(1)));
      put(2, 2, 1);
      right.set(2, 0, (d(1) * (2 * h(1) + h(0)) - d(0) * h(1)) / (h(0) + h(1)));
    } else {
      end(0, 1, h(0), h(1), d(0), d(1));
      end(last, last - 1, h(last - 1), h(last - 2), d(last - 1), d(last - 2));
    }
  }
  const solved = new LuDecomposition(left).solve(right).to1DArray();
  return isRing ? [...solved, numberAt(solved, 0)] : solved;
}
