import { compiled, gamma as cephesGamma, ndtr, ndtri, stdtri } from 'cephes';
import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { gamma, logGamma, normalCdf, normalQuantile, studentQuantile } from './distributions.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

/** What a double can hold after the few dozen operations each figure takes. */
const ALIKE = 1e-12;
const off = (found: number, right: number): number => Math.abs(found / right - 1);

// Another implementation altogether: the Cephes library (Moshier 1989), compiled.
beforeAll(() => compiled);

describe('the gamma function', () => {
  it('has the values known in closed form, and grows by its own argument', () => {
    expect(gamma(0.5)).toBeCloseTo(Math.sqrt(Math.PI), 13);
    expect(gamma(1.5)).toBeCloseTo(Math.sqrt(Math.PI) / 2, 13);
    for (const [n, factorial] of [
      [1, 1],
      [5, 24],
      [11, 3_628_800],
      [21, 2_432_902_008_176_640_000],
    ] as const)
      expect(off(gamma(n), factorial)).toBeLessThan(ALIKE);
    expect(logGamma(1000)).toBeCloseTo(5905.220_423_209_181, 9);
  });

  it('is that of the Cephes library', () => {
    fc.assert(
      fc.property(between(0.01, 60), (x) => {
        expect(off(gamma(x), cephesGamma(x))).toBeLessThan(ALIKE);
      }),
    );
  });

  it('is no number where it has none, and infinite where a double ends', () => {
    expect(gamma(-0.5)).toBeNaN();
    expect(gamma(200)).toBe(Infinity);
  });
});

describe('the normal distribution', () => {
  it('is that of the Cephes library, the far tail with all its digits', () => {
    fc.assert(
      fc.property(between(-26, 8), (z) => {
        expect(off(normalCdf(z), ndtr(z))).toBeLessThan(ALIKE);
      }),
    );
  });

  it('has the quantiles of the Cephes library, in both tails', () => {
    fc.assert(
      fc.property(between(-12, Math.log10(0.5)), (log) => {
        const share = 10 ** log;
        expect(Math.abs(normalQuantile(share) - ndtri(share))).toBeLessThan(ALIKE);
        expect(normalQuantile(1 - share) + normalQuantile(1 - (1 - share))).toBe(0);
      }),
    );
  });

  it('goes on smoothly from the series to the fraction', () => {
    const [inside, outside] = [normalCdf(-2 + 1e-9), normalCdf(-2 - 1e-9)];
    // By the density at 2, 0.053990966513188 (Abramowitz & Stegun, table 26.1).
    expect((inside - outside) / 2e-9).toBeCloseTo(0.053_990_966_5, 6);
  });

  it('ends at the ends', () => {
    expect([normalCdf(-Infinity), normalCdf(0), normalCdf(Infinity)]).toEqual([0, 0.5, 1]);
    expect([normalQuantile(0), normalQuantile(0.5), normalQuantile(1)]).toEqual([-Infinity, 0, Infinity]);
    expect(normalQuantile(1.01)).toBeNaN();
    expect(normalQuantile(NaN)).toBeNaN();
  });
});

describe('Student’s quantile', () => {
  it('is what the tables print (NIST/SEMATECH e-Handbook, 1.3.6.7.2)', () => {
    for (const [freedom, at95, at975, at995] of [
      [1, 6.314, 12.706, 63.657],
      [4, 2.132, 2.776, 4.604],
      [10, 1.812, 2.228, 3.169],
      [30, 1.697, 2.042, 2.75],
      [100, 1.66, 1.984, 2.626],
    ] as const) {
      expect(studentQuantile(0.95, freedom)).toBeCloseTo(at95, 2);
      expect(studentQuantile(0.975, freedom)).toBeCloseTo(at975, 2);
      expect(studentQuantile(0.995, freedom)).toBeCloseTo(at995, 2);
    }
  });

  it('has the closed forms of one and two degrees of freedom', () => {
    for (const share of [0.001, 0.2, 0.5000001, 0.8, 0.9999]) {
      const u = 2 * share - 1;
      expect(studentQuantile(share, 1)).toBeCloseTo(Math.tan((Math.PI * u) / 2), 7);
      expect(studentQuantile(share, 2)).toBeCloseTo(u * Math.sqrt(2 / (1 - u * u)), 8);
    }
  });

  it('is that of the Cephes library', () => {
    fc.assert(
      fc.property(between(1e-4, 1 - 1e-4), fc.integer({ min: 1, max: 400 }), (share, freedom) => {
        const right = stdtri(freedom, share);
        expect(Math.abs(studentQuantile(share, freedom) - right) / (1 + Math.abs(right))).toBeLessThan(
          5 * ALIKE,
        );
      }),
    );
  });

  it('has ends, and no value without a degree of freedom', () => {
    expect([studentQuantile(0, 3), studentQuantile(1, 3)]).toEqual([-Infinity, Infinity]);
    expect(studentQuantile(0.9, 0)).toBeNaN();
    expect(studentQuantile(-0.1, 3)).toBeNaN();
  });
});
