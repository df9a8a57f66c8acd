import { itemAt, numberAt } from '../numeric/at.ts';
import { gaussLegendre, KRONROD } from '../numeric/gauss.ts';
import type { Shape } from './features/shape.ts';
import type { Profile, Section } from './profile.ts';
import { dropAt, riseAt } from './profile.ts';
import type { RollingBulk } from './quadrature.ts';
import type { Revolve } from './revolve.ts';

/**
 * Constructive solid geometry on upright lines: over each place (x, y) of the plan a head is a list of spans
 * [lower, upper, lower, upper, …] in z, to which shapes are joined and from which they are cut. It needs no
 * mesh, so it is quick, and it is an independent check of what the solid library makes of the same shapes.
 */
export type Spans = number[];

/** Joins [lower, upper] to rising spans, in place. */
export function joinSpan(spans: Spans, lower: number, upper: number): void {
  let from = lower;
  let to = upper;
  let kept = 0;
  for (let i = 0; i < spans.length; i += 2) {
    const a = numberAt(spans, i);
    const b = numberAt(spans, i + 1);
    if (b < from || a > to) {
      spans[kept++] = a;
      spans[kept++] = b;
    } else {
      from = Math.min(from, a);
      to = Math.max(to, b);
    }
  }
  // Those above it move up by one to make room.
  let at = kept;
  if (spans.length !== kept + 2) spans.length = kept + 2;
  for (; at > 0 && numberAt(spans, at - 2) > from; at -= 2) {
    spans[at] = numberAt(spans, at - 2);
    spans[at + 1] = numberAt(spans, at - 1);
  }
  spans[at] = from;
  spans[at + 1] = to;
}

/** Cuts [lower, upper] out of rising spans, in place. */
export function cutSpan(spans: Spans, lower: number, upper: number): void {
  for (let i = 0; i < spans.length; i += 2) {
    const a = numberAt(spans, i);
    const b = numberAt(spans, i + 1);
    if (b <= lower || a >= upper) continue;
    if (a < lower && b > upper) {
      spans.splice(i, 2, a, lower, upper, b);
      i += 2;
    } else if (a < lower) spans[i + 1] = lower;
    else if (b > upper) spans[i] = upper;
    else {
      spans.splice(i, 2);
      i -= 2;
    }
  }
}

/** Spans of a section over y, written into `spans`. */
export function sectionSpans(section: Section, y: number, spans: Spans): void {
  const upper = riseAt(section, y);
  const lower = -dropAt(section, y);
  const wanted = upper > lower ? 2 : 0;
  // To set a length is slow, and mostly it is right.
  if (spans.length !== wanted) spans.length = wanted;
  if (wanted === 0) return;
  spans[0] = lower;
  spans[1] = upper;
}

/** Applies shapes, in their order, to the spans over (x, y). */
export function applyShapes(shapes: readonly Shape[], x: number, y: number, spans: Spans): void {
  for (const shape of shapes) {
    const span = shape.span(x, y);
    if (!span) continue;
    if (shape.sign > 0) joinSpan(spans, span[0], span[1]);
    else if (spans.length > 0) cutSpan(spans, span[0], span[1]);
  }
}

/**
 * Share of the volume by which the coarser of two rules may be off over all pieces; the finer one, whose sum
 * is taken, is off by far less.
 */
const TOLERANCE = 5e-4;
/** Most pieces along a head. */
const MOST_PIECES = 160;

/**
 * Sums over a slice of a head, or over a piece of its length: volume, first moments along x and z, and ∫(y² +
 * z²).
 */
type Sums = [volume: number, mx: number, mz: number, roll: number];

interface Piece {
  readonly a: number;
  readonly b: number;
  readonly sums: Sums;
  readonly error: number;
}

// Nodes of x = mid − half·cos θ, which takes the square-root ends of rounded bodies out of the integrand,
// along and across.
const cosines = (nodes: readonly number[]) => nodes.map((node) => Math.cos((Math.PI / 2) * (node + 1)));
const sines = (nodes: readonly number[], weights: readonly number[]) =>
  nodes.map((node, i) => (Math.PI / 2) * (weights[i] ?? 0) * Math.sin((Math.PI / 2) * (node + 1)));
const LONG = {
  cos: cosines(KRONROD.nodes),
  fine: sines(KRONROD.nodes, KRONROD.weights),
  coarse: sines(KRONROD.nodes, KRONROD.gauss),
};
const across = (points: number) => {
  const { nodes, weights } = gaussLegendre(points);
  const fine = sines(nodes, weights);
  return { cos: cosines(nodes), fine, coarse: fine };
};
/** Across slices of one shape or none, whose edges are all known: one rule, which agrees with itself. */
const PLAIN = across(7);
/**
 * Share of the box about the fullest section by which the coarser of two rules may be off over a strip of a
 * slice, and how often a strip is halved.
 */
const STRIP_TOLERANCE = 3e-4;
const STRIP_HALVINGS = 5;

/**
 * What is summed over the columns of a loft: its shapes, and those without which it is subtracted; as far out
 * as `widest`.
 */
interface Summed {
  readonly after: readonly Shape[];
  readonly before?: readonly Shape[];
  readonly widest?: (x: number) => number;
}

/**
 * Sums over the slice at x, per mm of length, by quadrature between the edges of the shapes there. Where one
 * shape may come out of another at a place neither knows of, strips are halved until two rules agree.
 */
function slice(
  { section: sectionAt }: Profile,
  { after, before, widest: most }: Summed,
  x: number,
  spans: Spans,
  fullest: number,
): Sums {
  const section = sectionAt(x);
  const present = after.filter((shape) => x >= shape.from && x <= shape.to);
  const without = before?.filter((shape) => x >= shape.from && x <= shape.to) ?? [];
  const least = before ? -1 : 1;
  let widest = section.b;
  const ys = [0, section.b];
  for (const shape of present) {
    const edges = shape.edges(x);
    ys.push(...edges);
    if (shape.sign > 0) widest = Math.max(widest, edges.at(-1) ?? 0);
  }
  if (most) widest = Math.min(widest, most(x));
  ys.sort((m, n) => m - n);
  const { cos, fine, coarse } = present.length > 1 ? LONG : PLAIN;
  // Hot, and so without functions or arrays made in it.
  const sums: Sums = [0, 0, 0, 0];
  const strip = (y0: number, y1: number, halvings: number) => {
    let a = 0;
    let m = 0;
    let r = 0;
    let roughly = 0;
    for (let q = 0; q < cos.length; q++) {
      const y = (y0 + y1) / 2 - ((y1 - y0) / 2) * numberAt(cos, q);
      // Twice the half: the other side is the same.
      const weight = (y1 - y0) * numberAt(fine, q);
      let high = 0;
      for (let sign = 1; sign >= least; sign -= 2) {
        sectionSpans(section, y, spans);
        applyShapes(sign > 0 ? present : without, x, y, spans);
        for (let s = 0; s < spans.length; s += 2) {
          const lo = numberAt(spans, s);
          const hi = numberAt(spans, s + 1);
          high += sign * (hi - lo);
          m += (sign * weight * (hi * hi - lo * lo)) / 2;
          r += sign * weight * (y * y * (hi - lo) + (hi * hi * hi - lo * lo * lo) / 3);
        }
      }
      a += weight * high;
      roughly += (y1 - y0) * numberAt(coarse, q) * high;
    }
    if (halvings > 0 && Math.abs(a - roughly) > STRIP_TOLERANCE * fullest) {
      strip(y0, (y0 + y1) / 2, halvings - 1);
      strip((y0 + y1) / 2, y1, halvings - 1);
      return;
    }
    sums[0] += a;
    sums[1] += a * x;
    sums[2] += m;
    sums[3] += r;
  };
  for (let j = 1; j < ys.length; j++) {
    const [y0, y1] = [Math.max(0, numberAt(ys, j - 1)), Math.min(widest, numberAt(ys, j))];
    if (y1 - y0 >= 1e-9 * widest) strip(y0, y1, STRIP_HALVINGS);
  }
  return sums;
}

/**
 * Places along a head, rising, between which the columns of a loft with shapes follow one rule each, as far
 * as the shapes know alone.
 */
export function columnStops(profile: Profile, shapes: readonly Shape[]): number[] {
  const joined = shapes.filter(({ sign }) => sign > 0);
  const from = Math.min(0, ...joined.map((shape) => shape.from));
  const to = Math.max(profile.length, ...joined.map((shape) => shape.to));
  return [...profile.breaks, ...shapes.flatMap(({ breaks }) => breaks), from, to]
    .filter((x) => x >= from && x <= to)
    .sort((a, b) => a - b)
    .filter((x, i, all) => i === 0 || x - (all[i - 1] ?? 0) > 1e-9 * (to - from));
}

/**
 * Volume, centroid and roll moment ∫(y² + z²) about the shank's line of a loft with shapes joined and cut, by
 * quadrature over columns; left and right are alike. Along the shank the rule is adaptive (QUADPACK's QAG,
 * Piessens et al. 1983): where one shape passes another the slices have a kink that no shape knows of alone,
 * and there the pieces are halved.
 */
export const columnBulk = (profile: Profile, shapes: readonly Shape[]): RollingBulk =>
  summed(profile, { after: shapes }, columnStops(profile, shapes));

/**
 * What of the same is changed by a collar: with it less without it, over the collar alone. `whole` is the
 * volume of the rest, mm³, by a share of which the sum may be off.
 */
export function columnChange(
  profile: Profile,
  { before, after }: Readonly<Record<'before' | 'after', readonly Shape[]>>,
  { from, to, radius }: Revolve,
  whole: number,
): RollingBulk {
  const stops = [from, ...columnStops(profile, after).filter((x) => x > from && x < to), to];
  return summed(profile, { after, before, widest: radius }, stops, whole);
}

function summed(profile: Profile, of: Summed, stops: readonly number[], whole?: number): RollingBulk {
  const spans: Spans = [];
  const box = (x: number) => {
    const { b, t, d } = profile.section(x);
    return b * (t + d);
  };
  const fullest = Math.max(
    ...(whole === undefined
      ? stops.slice(1).map((b, i) => (numberAt(stops, i) + b) / 2)
      : profile.breaks
    ).map(box),
  );
  const piece = (a: number, b: number): Piece => {
    const sums: Sums = [0, 0, 0, 0];
    let coarse = 0;
    const [mid, half] = [(a + b) / 2, (b - a) / 2];
    LONG.cos.forEach((cos, k) => {
      const there = slice(profile, of, mid - half * cos, spans, fullest);
      for (let i = 0; i < 4; i++)
        sums[i] = numberAt(sums, i) + half * numberAt(LONG.fine, k) * numberAt(there, i);
      coarse += half * numberAt(LONG.coarse, k) * there[0];
    });
    return { a, b, sums, error: Math.abs(sums[0] - coarse) };
  };
  const pieces = stops.slice(1).map((b, i) => piece(numberAt(stops, i), b));
  const total = (i: number) => pieces.reduce((sum, { sums }) => sum + numberAt(sums, i), 0);
  const error = () => pieces.reduce((sum, one) => sum + one.error, 0);
  while (error() > TOLERANCE * (whole ?? total(0)) && pieces.length < MOST_PIECES) {
    const worst = pieces.reduce((at, { error: one }, i) => (one > itemAt(pieces, at).error ? i : at), 0);
    const { a, b } = itemAt(pieces, worst);
    pieces.splice(worst, 1, piece(a, (a + b) / 2), piece((a + b) / 2, b));
  }
  const volume = total(0);
  return {
    volume,
    centroid: volume !== 0 ? [total(1) / volume, 0, total(2) / volume] : [0, 0, 0],
    roll: total(3),
  };
}
