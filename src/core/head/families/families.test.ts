import { runs } from '../../test-kit/runs.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../../judge/evaluate.ts';
import { sampleDesign } from '../../test-kit/sample.test-kit.ts';
import { dimensionsOf } from '../../test-kit/wild.test-kit.ts';
import { headBody } from '../body.ts';
import { wholeBulk } from '../bulk.ts';
import { columnBulk } from '../columns.ts';
import type { Dimensions, Family } from '../family.ts';
import { completeDimensions } from '../family.ts';
import { bodyBulk } from '../quadrature.ts';
import { ball } from './ball.ts';
import { bellyweight } from './bellyweight.ts';
import { egg } from './egg.ts';
import { football } from './football.ts';
import { hidden } from './hidden.ts';
import { DRAWN_FAMILIES, FAMILIES, familyOf } from './index.ts';
import { mushroom } from './mushroom.ts';
import { own } from './own.ts';
import { roller } from './roller.ts';
import { torpedo } from './torpedo.ts';
import { tube } from './tube.ts';
import { between } from '../../test-kit/numbers.test-kit.ts';

const bodyOf = (family: Family, dimensions: Dimensions) =>
  headBody(family, { family: family.key, dimensions, metal: 'lead' }, dimensions, { wire: 1 });
const bulkOf = (family: Family, dimensions: Dimensions) => {
  const { profile, shapes } = bodyOf(family, dimensions);
  return columnBulk(profile, shapes);
};
const volumeOf = (family: Family, dimensions: Dimensions) =>
  bodyBulk(family.profile(completeDimensions(family, dimensions))).volume;

// Volumes of solids of revolution, stretched to an ellipse across: π·(B/2)·(H/2)·∫ s(x)² dx with s the swell
// (general calculus; the cone, frustum, cylinder and ellipsoid as in Beyer, CRC Standard Mathematical
// Tables).
describe('families whose volume has a closed form', () => {
  const sizes = { length: 18, breadth: 8, height: 6 };
  const disc = Math.PI * 4 * 3;

  it('ball: π·d³/6', () => {
    const key = ball.dimensions.find(({ scales }) => scales)?.key ?? '';
    expect(volumeOf(ball, { [key]: 12 })).toBeCloseTo((Math.PI * 12 ** 3) / 6, 4);
  });

  it('football and roller with ends of 2: ellipsoids, 4/3·π·a·b·c', () => {
    for (const family of [football, roller])
      expect(volumeOf(family, { ...sizes, ends: 2 }) / ((4 / 3) * 9 * disc)).toBeCloseTo(1, 6);
  });

  it.each([0, 0.2, 0.5])('mushroom with a rim of %s: a cylinder and half an ellipsoid', (rim) => {
    const expected = disc * 18 * (rim + (2 / 3) * (1 - rim));
    expect(volumeOf(mushroom, { ...sizes, rim }) / expected).toBeCloseTo(1, 6);
  });

  it.each([0.15, 0.3, 0.5])(
    'hidden weight with ends of %s: a cylinder between two half ellipsoids',
    (ends) => {
      const expected = disc * 18 * (1 - 2 * ends + (2 / 3) * 2 * ends);
      expect(volumeOf(hidden, { ...sizes, ends }) / expected).toBeCloseTo(1, 6);
    },
  );

  it('belly weight: the same volume wherever the shank runs through it, its centre lower with more below', () => {
    const of = (belly: number) =>
      bodyBulk(bellyweight.profile(completeDimensions(bellyweight, { ...sizes, belly })));
    expect(of(0.6).volume / of(0.85).volume).toBeCloseTo(1, 9);
    expect(of(0.85).centroid[2]).toBeLessThan(of(0.6).centroid[2]);
    // Half ellipse above and below: centres at 4·h/3π from the shank, weighed by their areas (same tables).
    const [t, d] = [0.15 * 6, 0.85 * 6];
    const z = ((4 / (3 * Math.PI)) * (t * t - d * d)) / (t + d);
    const straight = bodyBulk(
      own.profile(
        { ...sizes, belly: 0.85, top: 2, bottom: 2, straight: 1 },
        {
          stations: [
            { at: 0, breadth: 1, rise: 1, drop: 1 },
            { at: 1, breadth: 1, rise: 1, drop: 1 },
          ],
        },
      ),
    );
    expect(straight.centroid[2]).toBeCloseTo(z, 9);
  });

  it.each([
    [0.25, 0.35, 0.5],
    [0.45, 0.5, 0.2],
  ])('torpedo, nose %s, tail %s, rear %s: sine taper, cylinder, half ellipsoid', (nose, tail, rear) => {
    // ∫ (r + (1 − r)·sin(πu/2))² du over 0..1 = r² + 4·r·(1 − r)/π + (1 − r)²/2.
    const taper = rear ** 2 + (4 * rear * (1 - rear)) / Math.PI + (1 - rear) ** 2 / 2;
    const expected = disc * 18 * (tail * taper + (1 - nose - tail) + (2 / 3) * nose);
    expect(volumeOf(torpedo, { ...sizes, nose, tail, rear }) / expected).toBeCloseTo(1, 6);
  });

  it.each([
    [0.35, 0.5],
    [0.6, 0.9],
  ])('tube insert, nose %s, rear %s: a frustum and half an ellipsoid', (nose, rear) => {
    const expected = disc * 18 * (((1 - nose) * (1 + rear + rear * rear)) / 3 + (2 / 3) * nose);
    expect(volumeOf(tube, { ...sizes, nose, rear }) / expected).toBeCloseTo(1, 6);
  });

  it('own profile, straight, closing to a point: pyramid for a square-cornered section, cone for a round one', () => {
    const stations = [
      { at: 0, breadth: 1, rise: 1, drop: 1 },
      { at: 1, breadth: 0, rise: 0, drop: 0 },
    ];
    const volume = (exponent: number) =>
      bodyBulk(
        own.profile({ ...sizes, top: exponent, bottom: exponent, straight: 1, belly: 0.5 }, { stations }),
      );
    // A diamond of half-axes 4 and 3 has the area 2·4·3.
    expect(volume(1).volume).toBeCloseTo((24 * 18) / 3, 6);
    expect(volume(2).volume).toBeCloseTo((disc * 18) / 3, 6);
    // A quarter of the height from the base, for both.
    expect(volume(1).centroid[0]).toBeCloseTo(18 / 4, 6);
  });
});

describe('the egg', () => {
  it('is full at its shoulder, flat there on both sides, and ends where it is told', () => {
    const s = egg(20, { shoulder: 0.4, rear: 0.3, bluntness: 0.7, face: 0.2 });
    expect(s(8)).toBeCloseTo(1, 12);
    expect((s(8 + 1e-4) - s(8 - 1e-4)) / 2e-4).toBeCloseTo(0, 2);
    expect(s(0)).toBeCloseTo(0.3, 12);
    expect(s(20)).toBeCloseTo(0.2, 12);
    expect([s(-0.1), s(20.1)]).toEqual([0, 0]);
  });

  it('with bluntness 0 runs straight to the nose, with 1 it is a quarter ellipse', () => {
    const cone = egg(10, { shoulder: 0.5, rear: 0.5, bluntness: 0 });
    expect(cone(7.5)).toBeCloseTo(0.5, 12);
    const round = egg(10, { shoulder: 0.5, rear: 0.5, bluntness: 1 });
    expect(round(8)).toBeCloseTo(Math.sqrt(1 - 0.6 ** 2), 12);
  });
});

describe.each(DRAWN_FAMILIES.map((family) => [family.key, family] as const))('%s', (key, family) => {
  const first = completeDimensions(family, {});

  it('is known by its key, alone', () => {
    expect(familyOf(key)).toBe(family);
    expect(FAMILIES.filter((other) => other.key === key || other.name === family.name)).toHaveLength(1);
  });

  it('grown k times weighs k³ times as much, its centre k times as far, its roll moment k⁵ times', () => {
    fc.assert(
      fc.property(dimensionsOf(family, 0.3), between(0.5, 2), (dimensions, k) => {
        const small = completeDimensions(family, dimensions);
        // Every length: a glider’s plate keeps its thickness when a weight is solved for, but here all must
        // grow.
        const large = Object.fromEntries(
          family.dimensions.map(({ key: name, kind }) => [
            name,
            (small[name] ?? NaN) * (kind === 'size' ? k : 1),
          ]),
        );
        const [a, b] = [bulkOf(family, small), bulkOf(family, large)];
        expect(b.volume / (a.volume * k ** 3)).toBeCloseTo(1, 6);
        expect(b.roll / (a.roll * k ** 5)).toBeCloseTo(1, 6);
        expect(Math.abs(b.centroid[0] - k * a.centroid[0])).toBeLessThan(1e-6 * (large['length'] ?? 60));
      }),
      { numRuns: runs(5) },
    );
  });

  it('keeps within its sizes and is nowhere torn between its breaks', () => {
    fc.assert(
      fc.property(dimensionsOf(family), (dimensions) => {
        const complete = completeDimensions(family, dimensions);
        const { length, breaks, section } = family.profile(complete);
        expect(breaks[0]).toBe(0);
        expect(breaks.at(-1)).toBeCloseTo(length, 9);
        expect(breaks).toEqual([...breaks].sort((a, b) => a - b));
        const widest = complete['breadth'] ?? complete['diameter'] ?? Infinity;
        const highest = complete['height'] ?? complete['diameter'] ?? Infinity;
        for (let i = 1; i < breaks.length; i++) {
          const [from, to] = [breaks[i - 1] ?? 0, breaks[i] ?? 0];
          // Close to the ends of a piece a rounded body turns as a square root: looked at between.
          for (let step = 1; step < 40; step++) {
            const x = from + ((to - from) * step) / 40;
            const [here, next] = [section(x), section(x + (to - from) * 1e-6)];
            for (const measure of ['b', 't', 'd'] as const) {
              expect(here[measure]).toBeGreaterThanOrEqual(0);
              expect(Math.abs(next[measure] - here[measure])).toBeLessThan(1e-3 * (widest + highest));
            }
            expect(2 * here.b).toBeLessThanOrEqual(widest * (1 + 1e-9));
            expect(here.t + here.d).toBeLessThanOrEqual(highest * (1 + 1e-9));
          }
        }
        for (const x of [-1e-6, length + 1e-6]) expect(section(x).b).toBe(0);
      }),
      { numRuns: runs(20) },
    );
  });

  it.each(family.dimensions.map(({ key: name, min, max, initial }) => [name, min, max, initial] as const))(
    '%s changes the head: it is no dead handle',
    (name, min, max, initial) => {
      // Own profiles begin straight or smooth, not both: towards the farther end there is always room.
      const other =
        max - initial > initial - min ? initial + (max - initial) * 0.3 : initial - (initial - min) * 0.3;
      const [before, after] = [bulkOf(family, first), bulkOf(family, { ...first, [name]: other })];
      const moved =
        Math.abs(after.volume / before.volume - 1) +
        Math.abs(after.centroid[0] - before.centroid[0]) +
        Math.abs(after.centroid[2] - before.centroid[2]) +
        Math.abs(after.roll / before.roll - 1);
      expect(moved).toBeGreaterThan(1e-4);
    },
  );

  it.each(family.dimensions.map((dimension) => [dimension.key, dimension] as const))(
    '%s beyond its range is refused at its field, with the range',
    (name, { min, max, name: called }) => {
      for (const value of [min - 0.01 * (max - min), max + 0.01 * (max - min)]) {
        const result = evaluate(
          sampleDesign(key, { head: { family: key, dimensions: { ...first, [name]: value } } }),
        );
        expect(result.ok).toBe(false);
        if (result.ok) return;
        const told = result.problems.find(({ path }) => path === `/head/dimensions/${name}`);
        expect(told?.message).toContain(called);
      }
    },
  );

  it('whole bulk is that of its columns, cut as the family says', () => {
    const body = bodyOf(family, first);
    expect(wholeBulk(body).volume / bulkOf(family, first).volume).toBeCloseTo(1, 3);
  });
});
