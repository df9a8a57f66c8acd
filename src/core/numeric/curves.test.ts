import { describe, expect, it } from 'vitest';
import { halve } from './halve.ts';
import { monotoneCurve } from './monotone.ts';
import { findRoot } from './root.ts';
import { scale, smooth, sub } from './vec.ts';

describe('halving', () => {
  it('closes in on where a condition turns, from both sides', () => {
    const [held, not] = halve(0, 8, 20, (x) => x < 3);
    expect(held).toBeLessThan(3);
    expect(not).toBeGreaterThanOrEqual(3);
    expect(not - held).toBeCloseTo(8 / 2 ** 20, 12);
    // One halving of 0..8 leaves a half, whichever it is.
    expect(halve(0, 8, 1, (x) => x < 3)).toEqual([0, 4]);
    expect(halve(0, 8, 1, (x) => x < 5)).toEqual([4, 8]);
    expect(halve(0, 8, 0, () => true)).toEqual([0, 8]);
  });
});

describe('roots by the Illinois form', () => {
  // √2 by the decimals anyone knows.
  it('finds √2, from a bracket either way round, and at an end', () => {
    const f = (x: number) => x * x - 2;
    for (const [low, high] of [
      [0, 2],
      [1, 1.5],
      [-0.5, 40],
    ] as const) {
      const root = findRoot(f, low, high);
      expect(root.ok && root.x).toBeCloseTo(Math.SQRT2, 9);
    }
    const falling = findRoot((x) => 2 - x * x, 0, 2);
    expect(falling.ok && falling.x).toBeCloseTo(Math.SQRT2, 9);
    expect(findRoot((x) => x, 0, 1)).toEqual({ ok: true, x: 0 });
    expect(findRoot((x) => x - 1, 0, 1)).toEqual({ ok: true, x: 1 });
  });

  it('says what the ends are where they have one sign', () => {
    expect(findRoot((x) => x + 3, 0, 1)).toEqual({ ok: false, atLow: 3, atHigh: 4 });
    expect(findRoot(() => NaN, 0, 1).ok).toBe(false);
  });

  it('asks few times: a cubic flat at its root within thirty', () => {
    let asked = 0;
    const root = findRoot(
      (x) => {
        asked++;
        return (x - 1) ** 3 + 0.001 * (x - 1);
      },
      -3,
      9,
      1e-10,
    );
    expect(root.ok && root.x).toBeCloseTo(1, 6);
    expect(asked).toBeLessThan(60);
  });
});

describe('a smooth passage', () => {
  it('is 0, then 3u² − 2u³, then 1', () => {
    expect([1, 2, 3, 6, 9].map((x) => smooth(x, 2, 6))).toEqual([0, 0, 3 / 16 - 2 / 64, 1, 1]);
    expect(smooth(4, 2, 6)).toBe(0.5);
  });
});

describe('vectors', () => {
  it('are taken from each other and stretched', () => {
    expect(sub([5, 7, 9], [1, 2, 4])).toEqual([4, 5, 5]);
    expect(scale([1, -2, 3], -2)).toEqual([-2, 4, -6]);
  });
});

describe('a monotone curve', () => {
  // Fritsch & Butland 1984: harmonic mean of the neighbouring slopes; by hand for knots (0,0) (1,1) (3,2):
  // slopes 1 and 1/2, tangent 2/3.
  it('runs through its knots with the harmonic mean of their slopes', () => {
    const curve = monotoneCurve([
      [0, 0],
      [1, 1],
      [3, 2],
    ]);
    expect([0, 1, 3].map(curve)).toEqual([0, 1, 2]);
    const step = 1e-6;
    expect((curve(1 + step) - curve(1 - step)) / (2 * step)).toBeCloseTo(2 / 3, 5);
    // The first piece at its middle: ½ + (m0 − m1)/8 = ½ + (1 − 2/3)/8.
    expect(curve(0.5)).toBeCloseTo(0.5 + 1 / 24, 12);
    // The second: h = 2, middle 1.5 + 2·(2/3 − 1/2)/8.
    expect(curve(2)).toBeCloseTo(1.5 + 1 / 24, 12);
  });

  it('never overshoots a hill, and holds its ends', () => {
    const curve = monotoneCurve([
      [0, 0],
      [1, 4],
      [2, 4],
      [3, 1],
    ]);
    for (let x = 0; x <= 3; x += 0.01) expect(curve(x)).toBeLessThanOrEqual(4 + 1e-12);
    expect(curve(-5)).toBe(0);
    expect(curve(9)).toBe(1);
    expect(curve(1.5)).toBe(4);
  });
});
