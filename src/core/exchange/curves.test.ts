import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Vec2 } from '../numeric/vec.ts';
import type { CubicSpline } from './curves.ts';
import { arcsThrough, smoothRuns, splineThrough } from './curves.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

/** A cubic B-spline at a parameter by de Boor's recurrence. */
function deBoor({ control, knots }: CubicSpline, at: number): Vec2 {
  let k = 3;
  while (k < control.length - 1 && at >= (knots[k + 1] ?? NaN)) k++;
  const d = [0, 1, 2, 3].map((j): Vec2 => control[j + k - 3] ?? [NaN, NaN]);
  for (let r = 1; r <= 3; r++)
    for (let j = 3; j >= r; j--) {
      const [low, high] = [knots[j + k - 3] ?? NaN, knots[j + 1 + k - r] ?? NaN];
      const a = (at - low) / (high - low);
      const one = d[j - 1] ?? [NaN, NaN];
      const two = d[j] ?? [NaN, NaN];
      d[j] = [(1 - a) * one[0] + a * two[0], (1 - a) * one[1] + a * two[1]];
    }
  return d[3] ?? [NaN, NaN];
}
const ring = (count: number, r: number, from = 0, turn = 2 * Math.PI): Vec2[] =>
  Array.from({ length: count + 1 }, (_, i): Vec2 => [
    r * Math.cos(from + (turn * i) / count),
    r * Math.sin(from + (turn * i) / count),
  ]);
const many = (spline: CubicSpline, count = 500) =>
  Array.from({ length: count }, (_, i) => deBoor(spline, ((spline.knots.at(-1) ?? NaN) * i) / count));

describe('a spline through points', () => {
  it('of a circle stays on it: its error falls with the fourth power of the step', () => {
    const error = (count: number) =>
      Math.max(...many(splineThrough(ring(count, 5))).map(([u, v]) => Math.abs(Math.hypot(u, v) - 5)));
    expect(error(24)).toBeLessThan(0.002);
    expect(error(24) / error(48)).toBeGreaterThan(14);
    // An open piece of it too, up to its ends.
    const open = many(splineThrough(ring(24, 5, 0.3, 2.5)));
    expect(Math.max(...open.map(([u, v]) => Math.abs(Math.hypot(u, v) - 5)))).toBeLessThan(0.002);
  });

  it('passes through every point, has four knots more than control points, and bends without a step', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(between(0.5, 2), between(-1, 1)), { minLength: 1, maxLength: 12 }),
        (ways) => {
          let [u, v] = [0, 0];
          const points: Vec2[] = [[u, v]];
          for (const [across, up] of ways) points.push([(u += across), (v += up)]);
          const spline = splineThrough(points);
          const { control, knots } = spline;
          expect(knots).toHaveLength(control.length + 4);
          const places = [...new Set(knots)];
          expect(places).toHaveLength(points.length);
          places.slice(0, -1).forEach((at, i) => {
            const [x, y] = deBoor(spline, at);
            expect(Math.hypot(x - (points[i]?.[0] ?? NaN), y - (points[i]?.[1] ?? NaN))).toBeLessThan(1e-9);
          });
          // Second derivatives from either side of an inner knot, by differences that are exact for cubics.
          for (const [i, at] of places.slice(1, -1).entries()) {
            const h = Math.min(at - (places[i] ?? NaN), (places[i + 2] ?? NaN) - at) / 4;
            const second = (way: number) => {
              const [a, b, c, d] = [0, 1, 2, 3].map((k) =>
                deBoor(spline, at + way * h * k - (way < 0 && k === 0 ? 1e-13 : 0)),
              );
              return [0, 1].map(
                (axis) =>
                  (2 * (a?.[axis] ?? NaN) -
                    5 * (b?.[axis] ?? NaN) +
                    4 * (c?.[axis] ?? NaN) -
                    (d?.[axis] ?? NaN)) /
                  h ** 2,
              );
            };
            const [before, after] = [second(-1), second(1)];
            for (const axis of [0, 1])
              expect(Math.abs((before[axis] ?? NaN) - (after[axis] ?? NaN))).toBeLessThan(
                (1e-5 * (1 + Math.abs(after[axis] ?? NaN))) / h,
              );
          }
        },
      ),
    );
  });

  it('through points in a line is the line', () => {
    for (const [x, y] of many(
      splineThrough([
        [0, 0],
        [1, 2],
        [3, 6],
        [4, 8],
        [9, 18],
      ]),
    ))
      expect(y).toBeCloseTo(2 * x, 9);
    expect(
      splineThrough([
        [0, 0],
        [3, 3],
      ]).control[1],
    ).toEqual([expect.closeTo(1, 12), expect.closeTo(1, 12)]);
  });
});

describe('a line as straight pieces and arcs', () => {
  it('is a wire’s legs, and its bend a half circle (bulge 1), a quarter tan 22.5°', () => {
    const straight: Vec2[] = Array.from({ length: 9 }, (_, i): Vec2 => [-4 + i / 2, -3]);
    const half = ring(30, 3, -Math.PI / 2, Math.PI);
    const back: Vec2[] = Array.from({ length: 5 }, (_, i): Vec2 => [-(i + 1) / 2, 3]);
    const wire = arcsThrough([...straight, ...half.slice(1), ...back], 0.002);
    expect(wire.map(({ bulge }) => bulge)).toEqual([0, expect.closeTo(1, 3), 0, 0]);
    expect(wire.map(({ at }) => at)).toEqual([
      [-4, -3],
      [0, -3],
      [expect.closeTo(0, 9), 3],
      [-2.5, 3],
    ]);
    const quarter = arcsThrough(ring(12, 2, 0, Math.PI / 2), 0.002);
    expect(quarter.map(({ bulge }) => bulge)).toEqual([expect.closeTo(Math.tan(Math.PI / 8), 6), 0]);
    const other = arcsThrough(ring(12, 2, 0, -Math.PI / 2), 0.002);
    expect(other[0]?.bulge).toBeCloseTo(-Math.tan(Math.PI / 8), 6);
  });

  it('keeps corners and what is no arc', () => {
    const zigzag: Vec2[] = [
      [0, 0],
      [1, 1],
      [2, 0],
      [3, 1],
      [4, 0],
    ];
    expect(arcsThrough(zigzag, 0.002)).toEqual(zigzag.map((at) => ({ at, bulge: 0 })));
    expect(
      arcsThrough(
        [
          [0, 0],
          [5, 0],
        ],
        0.002,
      ),
    ).toHaveLength(2);
    expect(arcsThrough([], 0.002)).toEqual([]);
  });

  it('lies within its bound of all its points, whatever they are', () => {
    const piece = fc.record({
      length: between(2, 9),
      turn: between(-2.5, 2.5),
    });
    fc.assert(
      fc.property(fc.array(piece, { minLength: 1, maxLength: 5 }), (pieces) => {
        let [x, y, way] = [0, 0, 0];
        const points: Vec2[] = [[0, 0]];
        for (const { length, turn } of pieces)
          for (let i = 0; i < 24; i++) {
            way += turn / 48;
            points.push([(x += (length / 24) * Math.cos(way)), (y += (length / 24) * Math.sin(way))]);
            way += turn / 48;
          }
        const told = arcsThrough(points, 0.002);
        expect(told.length).toBeLessThan(points.length / 3);
        let from = 0;
        told.slice(0, -1).forEach(({ at: [u, v], bulge }, i) => {
          const [p, q] = told[i + 1]?.at ?? [NaN, NaN];
          const to = points.findIndex(([a, b], k) => k > from && a === p && b === q);
          const chord = Math.hypot(p - u, q - v);
          // The circle of a bulge: radius chord (1 + b²)/4b, its centre to the left of the chord where b is
          // positive and below 1.
          const radius = (chord * (1 + bulge ** 2)) / (4 * bulge);
          const off = radius - (bulge * chord) / 2;
          const [cx, cy] = [(u + p) / 2 - (off * (q - v)) / chord, (v + q) / 2 + (off * (p - u)) / chord];
          for (const [a, b] of points.slice(from, to + 1)) {
            const far =
              bulge === 0
                ? Math.abs((p - u) * (b - v) - (q - v) * (a - u)) / chord
                : Math.abs(Math.hypot(a - cx, b - cy) - Math.abs(radius));
            expect(far).toBeLessThan(0.0021);
          }
          from = to;
        });
      }),
    );
  });
});

describe('a line cut at its corners', () => {
  it('is the sides of a square, the whole of a ring, the round and the flat of a half disc', () => {
    const square: Vec2[] = [
      [0, 0],
      [4, 0],
      [4, 4],
      [0, 4],
    ];
    expect(smoothRuns(square, true)).toEqual([
      [
        [0, 0],
        [4, 0],
      ],
      [
        [4, 0],
        [4, 4],
      ],
      [
        [4, 4],
        [0, 4],
      ],
      [
        [0, 4],
        [0, 0],
      ],
    ]);
    const whole = smoothRuns(ring(60, 3).slice(0, -1), true);
    expect(whole).toHaveLength(1);
    expect(whole[0]).toHaveLength(61);
    expect(whole[0]?.at(-1)).toEqual(whole[0]?.[0]);
    const half = smoothRuns(ring(40, 3, 0, Math.PI), true);
    expect(half.map((run) => run.length)).toEqual([41, 2]);
    // An open line has its ends, corners or not, and a point that stands twice is one.
    expect(
      smoothRuns(
        [
          [0, 0],
          [1, 0],
          [1, 0],
          [1, 1],
        ],
        false,
      ),
    ).toEqual([
      [
        [0, 0],
        [1, 0],
      ],
      [
        [1, 0],
        [1, 1],
      ],
    ]);
  });
});
