import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gaussLegendre, integrateRounded, KRONROD } from './gauss.ts';
import { crossing, findRoot } from './root.ts';
import { nearestTo, steadyNear, steadyPlaces } from './steady.ts';
import { clamp, cross, degrees, dot, norm, radians } from './vec.ts';
import type { Vec3 } from './vec.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

describe('Gauss-Legendre', () => {
  // Abramowitz & Stegun, table 25.4.
  it('has the tabled nodes and weights', () => {
    const { nodes, weights } = gaussLegendre(3);
    expect([...nodes].sort((a, b) => a - b)).toEqual([
      expect.closeTo(-0.774596669241483, 14),
      expect.closeTo(0, 14),
      expect.closeTo(0.774596669241483, 14),
    ]);
    expect(weights.reduce((sum, weight) => sum + weight, 0)).toBeCloseTo(2, 13);
    expect(gaussLegendre(2).nodes.map(Math.abs)[0]).toBeCloseTo(1 / Math.sqrt(3), 14);
    expect(Math.max(...gaussLegendre(5).weights)).toBeCloseTo(0.568888888888889, 14);
  });

  it('is exact for polynomials of degree 2n − 1', () => {
    for (const n of [2, 5, 12, 24]) {
      const { nodes, weights } = gaussLegendre(n);
      for (let power = 0; power < 2 * n; power++) {
        const sum = nodes.reduce((total, x, i) => total + (weights[i] ?? 0) * x ** power, 0);
        expect(sum).toBeCloseTo(power % 2 === 0 ? 2 / (power + 1) : 0, 12);
      }
    }
  });

  it('Kronrod’s eleven points hold Gauss’s five, and are exact to degree 17, those five to degree 9', () => {
    const { nodes, weights, gauss } = KRONROD;
    const five = gaussLegendre(5);
    nodes.forEach((node, i) => {
      const weight = gauss[i] ?? NaN;
      const same = five.nodes.findIndex((other) => Math.abs(other - node) < 1e-13);
      expect(weight).toBeCloseTo(same < 0 ? 0 : (five.weights[same] ?? NaN), 13);
    });
    expect(gauss.filter((weight) => weight !== 0)).toHaveLength(5);
    const sum = (rule: readonly number[], power: number) =>
      nodes.reduce((total, x, i) => total + (rule[i] ?? NaN) * x ** power, 0);
    for (let power = 0; power <= 17; power++) {
      const exact = power % 2 === 0 ? 2 / (power + 1) : 0;
      expect(sum(weights, power)).toBeCloseTo(exact, 14);
      if (power <= 9) expect(sum(gauss, power)).toBeCloseTo(exact, 14);
    }
    expect(Math.abs(sum(gauss, 10) - 2 / 11)).toBeGreaterThan(1e-6);
  });

  it('with rounded ends: a half-disc, a cycloid-like cusp and a plain polynomial', () => {
    expect(integrateRounded((x) => Math.sqrt(1 - x * x), -1, 1)).toBeCloseTo(Math.PI / 2, 12);
    expect(integrateRounded((x) => x * x, 0, 3)).toBeCloseTo(9, 10);
    // ∫ √x over 0..1 = 2/3: a root at one end only.
    expect(integrateRounded((x) => Math.sqrt(x), 0, 1)).toBeCloseTo(2 / 3, 8);
  });
});

describe('crossings', () => {
  const across = (f: (x: number) => number, low: number, high: number, tolerance: number) =>
    crossing(f, [low, f(low)], [high, f(high)], tolerance);

  it('of smooth functions are found within the tolerance, in far fewer steps than halving takes', () => {
    // The functions Chandrupatla (1997) tries his method with, turned round to fall; their roots to ten
    // places from them.
    for (const [f, low, high, root, most] of [
      [(x: number) => 5 + 2 * x - x ** 3, 2, 3, 2.0945514815, 12],
      [(x: number) => 1 / (x - 3) - 6, 3.01, 4, 3 + 1 / 6, 14],
      [(x: number) => -((x - 3) ** 3), 0, 5.5, 3, 45],
      [(x: number) => Math.cos(x) - x, 0, 2, 0.7390851332, 12],
    ] as const) {
      let count = 0;
      const found = across((x) => (count++, f(x)), low, high, 1e-9);
      expect(Math.abs(found - root)).toBeLessThan(2e-9);
      // A threefold root is flat: there halving does the most of it.
      expect(count - 2).toBeLessThan(most);
    }
  });

  it('of a jump are found too, and of a function that is zero at an end', () => {
    for (const jump of [0.1, 1 / 3, 0.99])
      expect(across((x) => (x < jump ? 1 : -5), 0, 1, 1e-7)).toBeCloseTo(jump, 6);
    expect(across((x) => 1 - x, 0, 1, 1e-9)).toBeCloseTo(1, 8);
    expect(across((x) => (x < 0.4 ? 1e9 : -1e-9), 0, 1, 1e-6)).toBeCloseTo(0.4, 5);
    // With an infinite end, and within less than numbers tell apart.
    expect(across((x) => (x > 2 ? -Infinity : 1.5 - x), 0, 3, 1e-9)).toBeCloseTo(1.5, 8);
    expect(across((x) => 1e6 / 3 - x, 0, 1e6, 0)).toBeCloseTo(1e6 / 3, 6);
  });

  it('of a wave are all those where it falls, one by one, and the nearest to a place without the others', () => {
    const steps = { step: 0.1, count: 200, halvings: 30 };
    const places = [...steadyPlaces(Math.sin, { from: -10, ...steps })];
    expect(places.map((place) => place / Math.PI)).toEqual([-3, -1, 1, 3].map((k) => expect.closeTo(k, 9)));
    let looked = 0;
    const [first] = steadyPlaces((x) => (looked++, Math.sin(x)), { from: 2.9, ...steps });
    expect(first).toBeCloseTo(Math.PI, 9);
    expect(looked).toBeLessThan(20);
    for (const near of [-9.4, -4, -0.3, 0.3, 2, 3.2, 6.2, 6.4]) {
      const found = steadyNear(Math.sin, near, steps);
      expect(found).toBeCloseTo(
        nearestTo(
          [-5, -3, -1, 1, 3, 5].map((k) => k * Math.PI),
          near,
        ),
        8,
      );
    }
    // Where it falls nowhere the place itself is given back.
    expect(steadyNear(() => 1, 0.7, steps)).toBe(0.7);
    expect([...steadyPlaces(() => 1, { from: 0, ...steps })]).toEqual([]);
  });
});

describe('roots', () => {
  it('finds those that are known', () => {
    const two = findRoot((x) => x * x - 2, 0, 2);
    expect(two.ok && two.x).toBeCloseTo(Math.SQRT2, 9);
    // Dottie's number, cos x = x.
    const dottie = findRoot((x) => Math.cos(x) - x, 0, 1);
    expect(dottie.ok && dottie.x).toBeCloseTo(0.7390851332151607, 9);
  });

  it('says so when both ends have one sign, with what it saw there', () => {
    expect(findRoot((x) => x + 10, 0, 5)).toEqual({ ok: false, atLow: 10, atHigh: 15 });
  });

  it('takes an end that is the root itself', () => {
    expect(findRoot((x) => x, 0, 1)).toEqual({ ok: true, x: 0 });
    expect(findRoot((x) => x - 1, 0, 1)).toEqual({ ok: true, x: 1 });
  });

  it('finds the root of any rising cubic to nine digits', () => {
    fc.assert(
      fc.property(between(0.1, 10), between(0, 5), between(0.2, 900), (a, b, target) => {
        const f = (x: number) => a * x ** 3 + b * x - target;
        const root = findRoot(f, 0, 30, 1e-10);
        return root.ok && Math.abs(f(root.x)) < 1e-6 * target;
      }),
    );
  });
});

describe('vectors', () => {
  const vector = fc.tuple(
    ...([0, 1, 2].map(() => between(-50, 50)) as [
      fc.Arbitrary<number>,
      fc.Arbitrary<number>,
      fc.Arbitrary<number>,
    ]),
  );

  it('a cross product stands square on both and is as long as the parallelogram is large', () => {
    fc.assert(
      fc.property(vector, vector, (a, b) => {
        const c = cross(a, b);
        // Lagrange's identity.
        const area = Math.sqrt(Math.max(0, norm(a) ** 2 * norm(b) ** 2 - dot(a, b) ** 2));
        return Math.abs(dot(a, c)) < 1e-6 && Math.abs(dot(b, c)) < 1e-6 && Math.abs(norm(c) - area) < 1e-3;
      }),
    );
  });

  it('the frame is right-handed: forward × left = up', () => {
    const [x, y, z]: Vec3[] = [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ];
    expect(cross(x as Vec3, y as Vec3)).toEqual(z);
  });

  it('degrees, radians, clamp', () => {
    expect(degrees(radians(37.5))).toBeCloseTo(37.5, 12);
    expect([clamp(-1, 0, 2), clamp(1, 0, 2), clamp(9, 0, 2)]).toEqual([0, 1, 2]);
  });
});
