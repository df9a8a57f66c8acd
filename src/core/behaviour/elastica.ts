import { gaussLegendre } from '../numeric/gauss.ts';
import { lastOf, numberAt } from '../numeric/at.ts';
import { crossing, findRoot } from '../numeric/root.ts';
import type { Vec2 } from '../numeric/vec.ts';

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

/** Pieces that a bent strand is drawn in. */
const DRAWN = 48;

/**
 * The same strand from where it is held, at 0, to its end, as places along how it stood and square to it, in
 * lengths of its own. `load` is P L²/(E I), 0 to 400.
 */
export function elasticaLine(load: number): Vec2[] {
  const step = 1 / DRAWN;
  /** From the end, where nothing bends it, back to where it is held: angles, for an angle of the end. */
  const anglesFrom = (end: number): number[] => {
    let [angle, curvature] = [end, 0];
    const angles = [angle];
    for (let i = 0; i < DRAWN; i++) {
      // The moment grows with the way across the load: κ′ = α cos θ (midpoint rule).
      const [halfAngle, halfCurvature] = [
        angle - (curvature * step) / 2,
        curvature + (load * Math.cos(angle) * step) / 2,
      ];
      angle -= halfCurvature * step;
      curvature += load * Math.cos(halfAngle) * step;
      angles.push(angle);
    }
    return angles;
  };
  // Held, it points as it stood.
  const held = (end: number) => -lastOf(anglesFrom(end));
  const end = load === 0 ? 0 : crossing(held, [0, held(0)], [Math.PI / 2, held(Math.PI / 2)], 1e-9);
  const angles = anglesFrom(end).toReversed();
  const line: Vec2[] = [[0, 0]];
  for (let i = 1; i < angles.length; i++) {
    const middle = (numberAt(angles, i - 1) + numberAt(angles, i)) / 2;
    const [along, off] = lastOf(line);
    line.push([along + Math.cos(middle) * step, off + Math.sin(middle) * step]);
  }
  return line;
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
