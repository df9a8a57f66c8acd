/** A quadrature rule on [-1, 1]. */
export interface Rule {
  readonly nodes: readonly number[];
  readonly weights: readonly number[];
}

const rules = new Map<number, Rule>();

/**
 * Gauss-Legendre rule of n points on [-1, 1], nodes by Newton's method on the Legendre recurrence (Abramowitz
 * & Stegun 25.4.29). Kept once made. n from 1 to 128.
 */
export function gaussLegendre(n: number): Rule {
  const kept = rules.get(n);
  if (kept) return kept;
  const nodes: number[] = [];
  const weights: number[] = [];
  for (let i = 0; i < n; i++) {
    let x = Math.cos((Math.PI * (i + 0.75)) / (n + 0.5));
    let slope = 1;
    for (let step = 0; step < 60; step++) {
      let [p, previous] = [1, 0];
      for (let k = 0; k < n; k++) [p, previous] = [((2 * k + 1) * x * p - k * previous) / (k + 1), p];
      slope = (n * (x * p - previous)) / (x * x - 1);
      const change = p / slope;
      x -= change;
      if (Math.abs(change) < 1e-15) break;
    }
    nodes.push(x);
    weights.push(2 / ((1 - x * x) * slope * slope));
  }
  const rule = { nodes, weights };
  rules.set(n, rule);
  return rule;
}

/**
 * The 11 points of Kronrod with their weights, and the weights of the 5 points of Gauss among them (0
 * elsewhere): one set of values gives an integral and, by the difference of the two, how far it may be off
 * (Kronrod 1965; values from memory, proved by what they are exact for).
 */
export const KRONROD = symmetric([
  [0.984085360094842, 0.0425820367510818, 0],
  [0.906179845938664, 0.1152333166224734, 0.236926885056189],
  [0.7541667265708492, 0.1868007965564926, 0],
  [0.5384693101056831, 0.2410403392286476, 0.478628670499366],
  [0.279630413161783, 0.2728498019125589, 0],
  [0, 0.282987417857491, 0.5688888888888889],
]);

/** A rule given by its half from the end to the middle. */
function symmetric(half: readonly (readonly [node: number, kronrod: number, gauss: number])[]) {
  const mirrored = half.slice(0, -1).map(([node, kronrod, gauss]) => [-node, kronrod, gauss] as const);
  const all = [...mirrored, ...half.toReversed()];
  return {
    nodes: all.map(([node]) => node),
    weights: all.map(([, kronrod]) => kronrod),
    gauss: all.map(([, , gauss]) => gauss),
  };
}

/**
 * Integral of f over [a, b] with x = mid − half·cos θ, which takes the square-root ends of rounded bodies out
 * of the integrand, so that few points suffice.
 */
export function integrateRounded(f: (x: number) => number, a: number, b: number, points = 24): number {
  const { nodes, weights } = gaussLegendre(points);
  const [mid, half] = [(a + b) / 2, (b - a) / 2];
  let sum = 0;
  nodes.forEach((node, i) => {
    const theta = (Math.PI / 2) * (node + 1);
    sum += (weights[i] ?? 0) * f(mid - half * Math.cos(theta)) * Math.sin(theta);
  });
  return sum * half * (Math.PI / 2);
}
