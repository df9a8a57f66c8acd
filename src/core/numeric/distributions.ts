import { crossing } from './root.ts';

/** Terms and steps go on until one no longer changes what they add up to. */
const NO_CHANGE = Number.EPSILON / 4;

/** Coefficients of Stirling’s series, B₂ₖ / (2k (2k − 1)) (DLMF 5.11.1). */
const STIRLING = [1 / 12, -1 / 360, 1 / 1260, -1 / 1680, 1 / 1188, -691 / 360360, 1 / 156, -3617 / 122400];
/** From here on those eight are as good as a double (the first left out is below 1e-17 of the whole). */
const FAR_OUT = 12;

/**
 * Natural logarithm of Γ(x), x > 0, by Stirling’s series (DLMF 5.11.1) after as many steps of Γ(x + 1) = x
 * Γ(x) as it takes to be far out.
 */
export function logGamma(x: number): number {
  let steps = 1;
  let far = x;
  for (; far < FAR_OUT; far++) steps *= far;
  const square = far * far;
  let series = 0;
  for (let k = STIRLING.length - 1; k >= 0; k--) series = series / square + (STIRLING[k] ?? 0);
  return (far - 0.5) * Math.log(far) - far + Math.log(2 * Math.PI) / 2 + series / far - Math.log(steps);
}

/** Γ(x), x > 0: NaN elsewhere, Infinity beyond 171.6. */
export const gamma = (x: number): number => Math.exp(logGamma(x));

const ROOT_TWO_PI = Math.sqrt(2 * Math.PI);
/** Deviations at which the tail’s continued fraction takes over from the series round the middle. */
const TAIL = 2;

/** Density of the standard normal distribution at z. */
const normalDensity = (z: number): number => Math.exp((-z * z) / 2) / ROOT_TWO_PI;

/**
 * Share of the standard normal distribution below z, with all its digits in the lower tail: about the middle
 * by the series of positive terms (DLMF 7.6.2), farther out by Laplace’s continued fraction (DLMF 7.9.1),
 * from its far end inwards.
 */
export function normalCdf(z: number): number {
  const far = Math.abs(z);
  if (far < TAIL) {
    let [term, sum] = [z, z];
    for (let k = 3; Math.abs(term) > NO_CHANGE * Math.abs(sum); k += 2) sum += term *= (z * z) / k;
    return 0.5 + normalDensity(z) * sum;
  }
  let fraction = far;
  for (let k = Math.ceil(20 + 500 / (far * far)); k > 0; k--) fraction = far + k / fraction;
  const tail = normalDensity(z) / fraction;
  return z < 0 ? tail : 1 - tail;
}

/**
 * z below which a share of the standard normal distribution lies: −Infinity at 0, Infinity at 1, NaN outside.
 * From a rational guess (Abramowitz & Stegun 26.2.23, good to 5e-4) by Halley’s steps.
 */
export function normalQuantile(share: number): number {
  if (!(share >= 0 && share <= 1)) return NaN;
  if (share > 0.5) return -normalQuantile(1 - share);
  if (share === 0) return -Infinity;
  // The middle itself, and not a hair beside it.
  if (share === 0.5) return 0;
  const t = Math.sqrt(-2 * Math.log(share));
  let z =
    (2.515517 + t * (0.802853 + t * 0.010328)) / (1 + t * (1.432788 + t * (0.189269 + t * 0.001308))) - t;
  for (let step = 0; step < 3; step++) {
    const off = (normalCdf(z) - share) / normalDensity(z);
    z -= off / (1 + (off * z) / 2);
  }
  return z;
}

/**
 * The regularized incomplete beta function I_x(a, b), 0 ≤ x ≤ (a + 1) / (a + b + 2), a, b > 0, by its
 * continued fraction (DLMF 8.17.22), from the front by Lentz’s products; `rest` is 1 − x with its own
 * digits.
 */
function betaFraction(x: number, rest: number, a: number, b: number): number {
  const before = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(rest));
  let d = 0;
  let c = 1;
  let fraction = 1;
  for (let by = 2, m = 1; Math.abs(by - 1) > 2 * Number.EPSILON; m++) {
    const odd = (-(a + m - 1) * (a + b + m - 1) * x) / ((a + 2 * m - 2) * (a + 2 * m - 1));
    d = 1 / (1 + odd * d);
    c = 1 + odd / c;
    fraction *= c * d;
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / (1 + even * d);
    c = 1 + even / c;
    by = c * d;
    fraction *= by;
  }
  return before / (a * fraction);
}

/**
 * Share of Student’s distribution above t ≥ 0, of any positive number of degrees of freedom, by the side on
 * which the fraction converges.
 */
function studentTail(t: number, freedom: number): number {
  const [x, rest] = [freedom / (freedom + t * t), (t * t) / (freedom + t * t)];
  const half = freedom / 2;
  if (rest === 0) return 0.5;
  return x <= (half + 1) / (half + 2.5)
    ? betaFraction(x, rest, half, 0.5) / 2
    : 0.5 - betaFraction(rest, x, 0.5, half) / 2;
}

/**
 * t below which a share of Student’s distribution lies (Student 1908), of `freedom` > 0 degrees: −Infinity at
 * 0, Infinity at 1, NaN outside. Its tail falls with t, so that it is bracketed by doubling and closed in
 * on.
 */
export function studentQuantile(share: number, freedom: number): number {
  if (!(share >= 0 && share <= 1 && freedom > 0)) return NaN;
  if (share < 0.5) return -studentQuantile(1 - share, freedom);
  const tail = 1 - share;
  if (tail === 0) return Infinity;
  // On a scale on which a tail of any weight is nearly a straight line.
  const above = (log: number) => Math.log(studentTail(Math.expm1(log), freedom) / tail);
  let high = 1;
  while (above(high) > 0 && high < 512) high *= 2;
  return Math.expm1(crossing(above, [0, above(0)], [high, above(high)], 0));
}
