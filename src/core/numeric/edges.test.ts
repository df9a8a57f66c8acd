import { describe, expect, it } from 'vitest';
import { studentQuantile } from './distributions.ts';
import { integrateRounded } from './gauss.ts';
import { leastOf } from './least.ts';
import { monotoneCurve } from './monotone.ts';
import { crossing, findRoot } from './root.ts';
import { nearestTo, steadyNear, steadyPlaces } from './steady.ts';
import { cross } from './vec.ts';

/** A function that counts how often it is asked, and where. */
function asked<A extends readonly unknown[]>(f: (...a: A) => number) {
  const calls: A[] = [];
  return {
    calls,
    f: (...a: A) => {
      calls.push(a);
      return f(...a);
    },
  };
}

describe('roots at their edges', () => {
  it('an end that is the root is asked no more than that', () => {
    const one = asked((x: number) => x - 2);
    expect(findRoot(one.f, 2, 5)).toEqual({ ok: true, x: 2 });
    expect(findRoot(one.f, -1, 2)).toEqual({ ok: true, x: 2 });
    expect(one.calls).toHaveLength(4);
  });

  it('a straight line takes one look besides its ends, wherever it lies', () => {
    for (const root of [-3.25, 0.5, 7]) {
      const line = asked((x: number) => 4 * (x - root));
      const found = findRoot(line.f, root - 3, root + 1);
      expect(found).toEqual({ ok: true, x: expect.closeTo(root, 12) });
      expect(line.calls.length).toBeLessThanOrEqual(4);
    }
  });

  it('of a function that is steep or flat is found within its tolerance, and no nearer is looked', () => {
    for (const power of [3, 5, 9]) {
      const curve = asked((x: number) => Math.sign(x - 1) * Math.abs(x - 1) ** power);
      const loose = findRoot(curve.f, -1, 4, 1e-3);
      const looks = curve.calls.length;
      const tight = findRoot(curve.f, -1, 4, 1e-12);
      expect(loose.ok && Math.abs(loose.x - 1)).toBeLessThan(0.5);
      expect(tight.ok && Math.abs(tight.x - 1)).toBeLessThan(0.05);
      expect(curve.calls.length - looks).toBeGreaterThan(looks);
    }
  });

  it('a jump has no root but a place: found from either side of it', () => {
    const jump = findRoot((x) => (x < Math.PI ? -1 : 1), 0, 10, 1e-9);
    expect(jump).toEqual({ ok: true, x: expect.closeTo(Math.PI, 7) });
  });

  it('ends of one sign, and ends of which one is no number, are told as they are', () => {
    expect(findRoot((x) => x * x + 1, -2, 3)).toEqual({ ok: false, atLow: 5, atHigh: 10 });
    expect(findRoot((x) => -x * x - 1, -2, 3)).toEqual({ ok: false, atLow: -5, atHigh: -10 });
    expect(findRoot((x) => (x < 0 ? NaN : 1), -1, 1)).toMatchObject({ ok: false, atHigh: 1 });
  });

  it('a crossing at an end, beside one, or of an infinite end is found', () => {
    for (const at of [1e-9, 0.25, 1 - 1e-9]) {
      const told = crossing((x) => at - x, [0, at], [1, at - 1], 1e-10);
      expect(Math.abs(told - at)).toBeLessThan(2e-10);
    }
    expect(crossing((x) => (x === 0 ? Infinity : 1 / x - 4), [0, Infinity], [1, -3], 1e-10)).toBeCloseTo(
      0.25,
      9,
    );
    // Nearer than numbers lie to each other nothing is looked for.
    const far = asked((x: number) => 1e9 + 0.5 - x);
    expect(crossing(far.f, [1e9, 0.5], [1e9 + 1, -0.5], 0)).toBeCloseTo(1e9 + 0.5, 5);
    expect(far.calls.length).toBeLessThan(10);
  });
});

describe('places where what turns on gives way', () => {
  const options = { from: 0, step: 1, count: 10, halvings: 30 } as const;
  it('are those of a sine, each once, the last step looked at and none beyond', () => {
    const sine = asked((x: number, _isFine: boolean) => Math.sin((Math.PI * x) / 2 - 0.3));
    const places = [...steadyPlaces(sine.f, options)];
    const wanted = [2, 6, 10].map((k) => k + (0.3 * 2) / Math.PI).filter((x) => x <= 10);
    expect(places).toHaveLength(wanted.length);
    places.forEach((place, i) => expect(place).toBeCloseTo(wanted[i] ?? NaN, 8));
    expect(Math.max(...sine.calls.map(([x]) => x))).toBe(10);
    // The scan is coarse, what is narrowed down is fine.
    expect(sine.calls.filter(([, isFine]) => !isFine).map(([x]) => x)).toEqual([
      0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10,
    ]);
  });

  it('one that begins or ends on nothing is counted where it goes below, and once', () => {
    expect([...steadyPlaces((x) => 3 - x, options)]).toEqual([expect.closeTo(3, 8)]);
    expect([...steadyPlaces((x) => x - 3, options)]).toEqual([]);
    expect([...steadyPlaces((x) => -x, options)]).toEqual([]);
    expect([...steadyPlaces((x) => 10 - x, options)]).toEqual([expect.closeTo(10, 8)]);
    expect([...steadyPlaces((x) => 11 - x, options)]).toEqual([]);
  });

  it('the nearest is looked for outwards, coarsely, and no farther than need be', () => {
    const saw = asked((x: number, _isFine: boolean) => Math.sin(x));
    const near = steadyNear(saw.f, 2.2, { step: 0.5, count: 20, halvings: 30 });
    expect(near).toBeCloseTo(Math.PI, 8);
    expect(saw.calls.filter(([, isFine]) => !isFine).map(([x]) => x)).toEqual(
      [2.2, 1.7, 2.7, 1.2, 3.2].map((x) => expect.closeTo(x, 12) as number),
    );
    expect(steadyNear(() => 1, 2.2, { step: 0.5, count: 3, halvings: 5 })).toBe(2.2);
    // To the lower side too.
    expect(steadyNear((x) => Math.sin(x), 3.9, { step: 0.5, count: 20, halvings: 30 })).toBeCloseTo(
      Math.PI,
      8,
    );
    // Of one to either side the nearer.
    expect(
      steadyNear((x) => (x < 1 ? 0.9 - x : 1.05 - x), 1, { step: 0.5, count: 3, halvings: 30 }),
    ).toBeCloseTo(1.05, 8);
  });

  it('the nearest of some is the first of those that are as near; of none the place itself', () => {
    expect(nearestTo([1, 5, 9], 6)).toBe(5);
    expect(nearestTo([4, 8], 6)).toBe(4);
    expect(nearestTo([], 6)).toBe(6);
    expect(nearestTo([0], 6)).toBe(0);
  });
});

describe('curves and sums at their edges', () => {
  it('a monotone curve holds its ends, meets its knots, and of two is the line between them', () => {
    const line = monotoneCurve([
      [1, 5],
      [3, 9],
    ]);
    expect([0, 1, 2, 2.5, 3, 4].map(line)).toEqual([5, 5, 7, 8, 9, 9]);
    const steps = monotoneCurve([
      [0, 2],
      [1, 2],
      [2, 6],
      [4, 6],
    ]);
    expect([-1, 0, 0.5, 1, 2, 3, 4, 5].map(steps)).toEqual([2, 2, 2, 2, 6, 6, 6, 6]);
    expect(steps(1.5)).toBeCloseTo(4, 12);
    expect(monotoneCurve([[2, 7]])(0)).toBe(7);
    expect(monotoneCurve([[2, 7]])(5)).toBe(7);
    expect(monotoneCurve([])(1)).toBe(0);
  });

  it('an integral with rounded ends tells left from right', () => {
    // ∫₂⁶ x √((x − 2)(6 − x)) dx: the half disc’s area times its middle.
    const half = (x: number) => Math.sqrt((x - 2) * (6 - x));
    expect(integrateRounded((x) => x * half(x), 2, 6)).toBeCloseTo(4 * 2 * Math.PI, 9);
    expect(integrateRounded((x) => x ** 3, 0, 2)).toBeCloseTo(4, 9);
    expect(integrateRounded((x) => x, 1, 4)).toBeCloseTo(7.5, 9);
  });

  it('a valley that is flat at its bottom, or the same to both sides, is found', () => {
    expect(Math.abs(leastOf((x) => Math.abs(x - 3), 0, 10) - 3)).toBeLessThan(1e-6);
    expect(Math.abs(leastOf((x) => Math.max(0, Math.abs(x - 5) - 1), 0, 10) - 5)).toBeLessThanOrEqual(1);
  });

  it('a cross product by hand', () => {
    expect(cross([1, 2, 3], [4, 5, 6])).toEqual([-3, 6, -3]);
    expect(cross([2, -1, 0.5], [-3, 4, 7])).toEqual([-9, -15.5, 5]);
  });

  it('Student’s quantile is no number outside its shares, and without freedom', () => {
    for (const share of [-0.1, 1.1, NaN]) expect(studentQuantile(share, 5)).toBeNaN();
    expect(studentQuantile(0.9, 0)).toBeNaN();
    expect(studentQuantile(0.5, 3)).toBeCloseTo(0, 12);
    expect(studentQuantile(0, 3)).toBe(-Infinity);
    expect(studentQuantile(1, 3)).toBe(Infinity);
    // A single degree of freedom is Cauchy’s: tan π(p − ½), out to where it is a million.
    for (const share of [0.6, 0.99, 1 - 1e-6]) {
      const wanted = Math.tan(Math.PI * (share - 0.5));
      expect(studentQuantile(share, 1) / wanted).toBeCloseTo(1, 8);
    }
  });
});
