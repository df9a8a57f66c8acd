import { gamma } from './distributions.ts';

/**
 * Share K(n) of the box 2b × 2t that the superellipse |y/b|^n + |z/t|^n = 1 fills: K(n) = Γ(1 + 1/n)² / Γ(1 +
 * 2/n), after the Dirichlet integral. K(1) = 1/2, K(2) = π/4, K(4) = 0.927037. n ≥ 0.5.
 */
export const fullness = remembering(2, Math.PI / 4, (n) => gamma(1 + 1 / n) ** 2 / gamma(1 + 2 / n));

/**
 * First moment ∫ z dA of the half |y/b|^n + (z/t)^n ≤ 1, z ≥ 0, divided by b·t²: (2/n)·Γ(2/n)·Γ(1 + 1/n) /
 * Γ(1 + 3/n). For n = 2 it is 2/3.
 */
export const halfMoment = remembering(
  2,
  2 / 3,
  (n) => ((2 / n) * gamma(2 / n) * gamma(1 + 1 / n)) / gamma(1 + 3 / n),
);

/**
 * Second moment ∫ u² dA of the quarter u^n + v^n ≤ 1, u, v ≥ 0: Γ(3/n)·Γ(1/n) / (n²·Γ(4/n + 1)), after the
 * Dirichlet integral. For n = 2 it is π/16.
 */
export const quarterInertia = remembering(
  2,
  Math.PI / 16,
  (n) => (gamma(3 / n) * gamma(1 / n)) / (n * n * gamma(4 / n + 1)),
);

/** One exponent is asked for hundreds of times in a row along a head: the last answer is kept. */
function remembering(
  firstArgument: number,
  firstValue: number,
  f: (n: number) => number,
): (n: number) => number {
  let [argument, value] = [firstArgument, firstValue];
  return (n) => {
    if (n !== argument) [argument, value] = [n, f(n)];
    return value;
  };
}
