import { describe, expect, it } from 'vitest';
import { itemAt, lastOf, pair, triple } from './at.ts';
import { integrateRounded } from './gauss.ts';
import { findRoot } from './root.ts';
import { fullness, halfMoment, quarterInertia } from './superellipse.ts';

/** ∫₀¹ of a function of u over the quarter u^n + v^n ≤ 1, by quadrature and not by gamma functions. */
const overQuarter = (n: number, f: (u: number, v: number) => number): number =>
  integrateRounded((u) => f(u, (1 - u ** n) ** (1 / n)), 0, 1, 96);

describe('a superellipse', () => {
  it('has the area, first and second moment that quadrature finds', () => {
    for (const n of [1.5, 2, 2.5, 3, 4, 6]) {
      expect(fullness(n)).toBeCloseTo(
        overQuarter(n, (_, v) => v),
        5,
      );
      // Of the half, both quarters: ∫ v²/2 du, twice.
      expect(halfMoment(n)).toBeCloseTo(
        overQuarter(n, (_, v) => v * v),
        5,
      );
      expect(quarterInertia(n)).toBeCloseTo(
        overQuarter(n, (u, v) => u * u * v),
        5,
      );
    }
  });

  it('is a square on its corner at one and its box far out', () => {
    // ∫ u² (1 − u) du = 1/12; of the whole box ∫ u² du = 1/3, ∫ 1/2 du twice = 1.
    expect([fullness(1), halfMoment(1), quarterInertia(1)]).toEqual(
      [1 / 2, 1 / 3, 1 / 12].map((value) => expect.closeTo(value, 12) as number),
    );
    expect([fullness(400), halfMoment(400), quarterInertia(400)]).toEqual(
      [1, 1, 1 / 3].map((value) => expect.closeTo(value, 3) as number),
    );
    // Asked in turn, each answer is its own: Γ(4/3)² / Γ(5/3) = 0.892980² / 0.902745 (Abramowitz & Stegun, table
    // 6.1).
    expect([2, 3, 2].map(fullness)).toEqual(
      [Math.PI / 4, 0.883_32, Math.PI / 4].map((value) => expect.closeTo(value, 5) as number),
    );
  });
});

describe('items by their place', () => {
  it('are there, or told which is not', () => {
    expect([itemAt([4, 5, 6], 2), lastOf([4, 5, 6])]).toEqual([6, 6]);
    expect(() => itemAt([4, 5], 2)).toThrow(RangeError);
    expect(() => itemAt([4, 5], -1)).toThrow(RangeError);
    expect(() => lastOf([])).toThrow(RangeError);
    expect(pair((place) => 10 * place + 1)).toEqual([1, 11]);
    expect(triple((place) => place * place)).toEqual([0, 1, 4]);
  });
});

describe('false position by its looks', () => {
  it('takes few where a curve bends to one side, as halving the end that stays lets it (Dowell & Jarratt 1971)', () => {
    for (const [f, root] of [
      [(x: number) => x * x - 2, Math.SQRT2],
      [(x: number) => x ** 5 - 3, 3 ** 0.2],
      [(x: number) => Math.exp(x) - 4, Math.log(4)],
      [(x: number) => 1 - 1 / (x + 0.2), 0.8],
    ] as const) {
      let looks = 0;
      const found = findRoot((x) => (looks++, f(x)), 0, 2, 1e-12);
      expect(found.ok && found.x).toBeCloseTo(root, 11);
      // Plain false position takes 40 to 190 of them here, halving 42.
      expect(looks).toBeLessThanOrEqual(18);
    }
  });

  it('ends after a hundred looks at what never comes near to nothing', () => {
    let looks = 0;
    const found = findRoot((x) => (looks++, x < 1.1 ? -1 : 1), 0, 2, 0);
    expect(found.ok && found.x).toBeCloseTo(1.1, 9);
    expect(looks).toBeLessThanOrEqual(102);
  });
});
