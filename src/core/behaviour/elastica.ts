import { gaussLegendre } from '../numeric/gauss.ts';
import { findRoot } from '../numeric/root.ts';

/** How far a bent strand's end has gone, as shares of its length. */
export interface Bent {
  /** square to the strand as it was */
  readonly drop: number;
  /** along it, towards where it is held */
  readonly shortening: number;
}

const RULE = gaussLegendre(32);

/**
 * ∫ over a steep middle, taken along the hyperbolic angle w of sin t = (q/p) sinh w, in which it is smooth.
 */
function steep(p: number, q: number, f: (root: number, cosine: number) => number): number {
  const end = Math.asinh((p / q) * Math.sqrt(1 - 1 / (2 * p * p)));
  let sum = 0;
  RULE.nodes.forEach((node, i) => {
    const w = (end / 2) * (node + 1);
    const sine = (q / p) * Math.sinh(w);
    sum += (RULE.weights[i] ?? 0) * f(q * Math.cosh(w), Math.sqrt(1 - sine * sine));
  });
  return (sum * end) / 2;
}

/**
 * Load and shape from the complement q of the elliptic modulus p, 0 < q < √½: the angle of the end is asin(1
 * − 2q²).
 */
function bentBy(q: number) {
  const p = Math.sqrt(1 - q * q);
  // K(p) − F(φ, p) and E(p) − E(φ, p) with sin φ = 1/(p√2), and t = π/2 − φ.
  const first = steep(p, q, (_, cosine) => 1 / (p * cosine));
  const second = steep(p, q, (root, cosine) => (root * root) / (p * cosine));
  const load = first * first;
  return {
    load,
    drop: 1 - (2 * second) / first,
    shortening: 1 - Math.sqrt((2 * (1 - 2 * q * q)) / load),
  };
}

/**
 * Logarithms of the moduli's complements looked through: from bent all but along the load to all but
 * straight.
 */
const MODULI = [Math.log(1e-10), Math.log(Math.SQRT1_2 * (1 - 1e-12))] as const;

/** Loads beyond which the end points all but along the load and the shape hardly changes. */
const MOST = 400;

/**
 * A thin strand held at one end and loaded at the other, square to how it stood, by a force that keeps its
 * direction: large deflection of a cantilever (Bisshopp & Drucker, Quarterly of Applied Mathematics 3 (1945)
 * 272). `load` is P L²/(E I), 0 to 400; throws a RangeError outside that.
 */
export function elastica(load: number): Bent {
  if (!(load >= 0 && load <= MOST)) throw new RangeError(`load: must be from 0 to ${MOST}.`);
  // Small deflection: P L³/3EI, and its shortening ∫ slope²/2, which the integrals below cannot tell from
  // nothing any more.
  if (load < 1e-3) return { drop: load / 3, shortening: load ** 2 / 15 };
  const root = findRoot((x) => Math.log(bentBy(Math.exp(x)).load / load), ...MODULI, 1e-13);
  const { drop, shortening } = bentBy(root.ok ? Math.exp(root.x) : Math.SQRT1_2);
  return { drop, shortening };
}

/** The end's drop under the greatest load, as a share of the length. */
const DEEPEST = elastica(MOST).drop;

/** Load P L²/(E I) that brings the end down by a share of the length, 0 to 0.95; Infinity beyond it. */
export function loadFor(drop: number): number {
  if (drop <= 0) return 0;
  if (drop >= DEEPEST) return Infinity;
  // Drop and load both follow from the modulus, so that is what is looked for; under the least of drops it
  // cannot be told from a straight strand.
  const root = findRoot((x) => bentBy(Math.exp(x)).drop - drop, ...MODULI, 1e-13);
  return root.ok && drop > 1e-4 ? bentBy(Math.exp(root.x)).load : 3 * drop;
}
