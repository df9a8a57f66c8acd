import { gaussLegendre } from '../numeric/gauss.ts';
import type { Shape } from './features/shape.ts';
import type { Profile, Section } from './profile.ts';
import { dropAt, riseAt } from './profile.ts';
import type { Bulk } from './quadrature.ts';

/**
 * Constructive solid geometry on upright lines: over each place (x, y) of the plan a head is a list of spans
 * [lower, upper, lower, upper, …] in z, to which shapes are joined and from which they are cut. It needs no mesh, so it is quick, and it
 * is an independent check of what the solid library makes of the same shapes.
 */
export type Spans = number[];

/** Joins [lower, upper] to rising spans, in place. */
export function joinSpan(spans: Spans, lower: number, upper: number): void {
  let [from, to] = [lower, upper];
  let kept = 0;
  for (let i = 0; i < spans.length; i += 2) {
    const [a, b] = [spans[i] as number, spans[i + 1] as number];
    if (b < from || a > to) {
      spans[kept++] = a;
      spans[kept++] = b;
    } else {
      from = Math.min(from, a);
      to = Math.max(to, b);
    }
  }
  spans.length = kept;
  let at = kept;
  while (at > 0 && (spans[at - 2] as number) > from) at -= 2;
  spans.splice(at, 0, from, to);
}

/** Cuts [lower, upper] out of rising spans, in place. */
export function cutSpan(spans: Spans, lower: number, upper: number): void {
  for (let i = 0; i < spans.length; i += 2) {
    const [a, b] = [spans[i] as number, spans[i + 1] as number];
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
  spans.length = 0;
  const [upper, lower] = [riseAt(section, y), -dropAt(section, y)];
  if (upper > lower) spans.push(lower, upper);
}

/** Applies shapes, in their order, to the spans over (x, y). */
export function applyShapes(shapes: readonly Shape[], x: number, y: number, spans: Spans): void {
  for (const shape of shapes) {
    if (x < shape.from || x > shape.to) continue;
    const span = shape.span(x, y);
    if (!span) continue;
    if (shape.sign > 0) joinSpan(spans, span[0], span[1]);
    else cutSpan(spans, span[0], span[1]);
  }
}

/** Points along and across each piece. */
const ALONG = 12;
const ACROSS = 9;

/** Volume, centroid and roll moment ∫(y² + z²) about the shank's line of a loft with shapes joined and cut, by Gauss-Legendre quadrature over columns; left and right are alike. */
export function columnBulk(profile: Profile, shapes: readonly Shape[]): Bulk & { readonly roll: number } {
  const { nodes: us, weights: wus } = gaussLegendre(ALONG);
  const { nodes: vs, weights: wvs } = gaussLegendre(ACROSS);
  const joined = shapes.filter(({ sign }) => sign > 0);
  const from = Math.min(0, ...joined.map((shape) => shape.from));
  const to = Math.max(profile.length, ...joined.map((shape) => shape.to));
  const stops = [...profile.breaks, ...shapes.flatMap(({ breaks }) => breaks), from, to]
    .filter((x) => x >= from && x <= to)
    .sort((a, b) => a - b)
    .filter((x, i, all) => i === 0 || x - (all[i - 1] ?? 0) > 1e-9 * (to - from));
  // Nodes of x = mid − half·cos θ, which takes the square-root ends of rounded bodies out of the integrand, here and across.
  const cosines = (nodes: readonly number[]) => nodes.map((node) => Math.cos((Math.PI / 2) * (node + 1)));
  const sines = (nodes: readonly number[], weights: readonly number[]) =>
    nodes.map((node, i) => (Math.PI / 2) * (weights[i] ?? 0) * Math.sin((Math.PI / 2) * (node + 1)));
  const [cu, su, cv, sv] = [cosines(us), sines(us, wus), cosines(vs), sines(vs, wvs)];
  let [volume, mx, mz, roll] = [0, 0, 0, 0];
  const spans: Spans = [];
  for (let i = 1; i < stops.length; i++) {
    const [a, b] = [stops[i - 1] as number, stops[i] as number];
    for (let k = 0; k < ALONG; k++) {
      const x = (a + b) / 2 - ((b - a) / 2) * (cu[k] as number);
      const wx = ((b - a) / 2) * (su[k] as number);
      const section = profile.section(x);
      const present = shapes.filter((shape) => x >= shape.from && x <= shape.to);
      let widest = section.b;
      const ys = [0, section.b];
      for (const shape of present) {
        const edges = shape.edges(x);
        ys.push(...edges);
        if (shape.sign > 0) widest = Math.max(widest, edges.at(-1) ?? 0);
      }
      ys.sort((m, n) => m - n);
      for (let j = 1; j < ys.length; j++) {
        const [y0, y1] = [Math.max(0, ys[j - 1] as number), Math.min(widest, ys[j] as number)];
        if (y1 - y0 < 1e-9 * widest) continue;
        for (let q = 0; q < ACROSS; q++) {
          const y = (y0 + y1) / 2 - ((y1 - y0) / 2) * (cv[q] as number);
          sectionSpans(section, y, spans);
          applyShapes(present, x, y, spans);
          // Twice: the other side is the same.
          const weight = (y1 - y0) * wx * (sv[q] as number);
          for (let s = 0; s < spans.length; s += 2) {
            const [lo, hi] = [spans[s] as number, spans[s + 1] as number];
            volume += weight * (hi - lo);
            mx += weight * (hi - lo) * x;
            mz += (weight * (hi * hi - lo * lo)) / 2;
            roll += weight * (y * y * (hi - lo) + (hi ** 3 - lo ** 3) / 3);
          }
        }
      }
    }
  }
  return { volume, centroid: volume > 0 ? [mx / volume, 0, mz / volume] : [0, 0, 0], roll };
}
