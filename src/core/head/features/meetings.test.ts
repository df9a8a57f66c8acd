import { runs } from '../../test-kit/runs.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Section } from '../profile.ts';
import { dropAt, riseAt, sectionArea, sectionHolds } from '../profile.ts';
import { endsOf, FAR, meetings, roundStretch } from './shape.ts';
import { between } from '../../test-kit/numbers.test-kit.ts';

const circle: Section = { b: 5, t: 5, d: 5, nt: 2, nb: 2 };
const anySection: fc.Arbitrary<Section> = fc.record({
  b: between(0.5, 20),
  t: between(0.5, 20),
  d: between(0.5, 20),
  nt: between(1, 6),
  nb: between(1, 6),
});

describe('a section’s edge', () => {
  it('on a circle is √(r² − y²), above and below, and nothing beyond', () => {
    for (const y of [0, 1, -3, 4.9]) {
      expect(riseAt(circle, y)).toBeCloseTo(Math.sqrt(25 - y * y), 12);
      expect(dropAt(circle, y)).toBeCloseTo(Math.sqrt(25 - y * y), 12);
    }
    for (const y of [5, 7, -6]) expect([riseAt(circle, y), dropAt(circle, y)]).toEqual([0, 0]);
  });

  it('on a diamond is straight, and where there is no rise it is the shank line', () => {
    const diamond: Section = { b: 4, t: 6, d: 0, nt: 1, nb: 1 };
    expect(riseAt(diamond, 1)).toBeCloseTo(4.5, 12);
    expect(dropAt(diamond, 1)).toBe(0);
    expect(riseAt({ ...diamond, b: 0 }, 0)).toBe(0);
  });

  it('parts what the section holds from what it does not', () => {
    fc.assert(
      fc.property(anySection, between(-0.95, 0.95), (section, share) => {
        const y = share * section.b;
        const [up, down] = [riseAt(section, y), dropAt(section, y)];
        expect(sectionHolds(section, y, up * 0.999)).toBe(true);
        expect(sectionHolds(section, y, up * 1.001 + 1e-9)).toBe(false);
        expect(sectionHolds(section, y, -down * 0.999)).toBe(true);
        expect(sectionHolds(section, y, -down * 1.001 - 1e-9)).toBe(false);
      }),
    );
  });

  it('bounds the section’s area', () => {
    fc.assert(
      fc.property(anySection, (section) => {
        // Midpoints of y = b·sin θ, so that steep sides are looked at closely.
        const steps = 4000;
        let area = 0;
        for (let i = 0; i < steps; i++) {
          const turn = ((i + 0.5) / steps) * (Math.PI / 2);
          const y = section.b * Math.sin(turn);
          area += (riseAt(section, y) + dropAt(section, y)) * section.b * Math.cos(turn);
        }
        area *= (2 * (Math.PI / 2)) / steps;
        expect(area / sectionArea(section)).toBeCloseTo(1, 3);
      }),
      { numRuns: runs(30) },
    );
  });
});

describe('where a cut comes out of a section', () => {
  it('a level plane leaves a circle at √(r² − h²)', () => {
    expect(meetings(circle, () => 3)).toEqual([expect.closeTo(4, 6)]);
    expect(meetings(circle, () => -3)).toEqual([expect.closeTo(4, 6)]);
    expect(meetings(circle, () => 6)).toEqual([]);
    expect(meetings({ ...circle, b: 0 }, () => 3)).toEqual([]);
  });

  it('a roof of 45° from 3 above a circle of 5 leaves it where 2y² − 6y − 16 = 0, a steeper one below the shank', () => {
    const y = (6 + Math.sqrt(36 + 128)) / 4;
    // That root lies below the shank line: the edge of the lower half is met, not that of the upper.
    expect(3 - y).toBeLessThan(0);
    expect(meetings(circle, (at) => 3 - at)).toEqual([expect.closeTo(y, 6)]);
  });

  it('two circles meet on their radical line', () => {
    // A hollow of radius 4 about (7, 0): y = (7² + 5² − 4²)/(2·7), above and below alike (analytic geometry).
    const hollow = (y: number) => Math.sqrt(Math.max(0, 16 - (y - 7) ** 2));
    const met = meetings(circle, hollow, (y) => -hollow(y));
    expect(met).toEqual([expect.closeTo(58 / 14, 6), expect.closeTo(58 / 14, 6)]);
  });

  it('a surface that ends is looked at no farther out than it goes', () => {
    // The line z = 6 − y would leave the circle at no place, z = 4.5 at 2.18: within 2 there is nothing to
    // find.
    expect(
      meetings(
        circle,
        () => 4.5,
        () => 4.5,
        2,
      ),
    ).toEqual([]);
    expect(
      meetings(
        circle,
        () => 4.5,
        () => 4.5,
        3,
      ),
    ).toEqual([expect.closeTo(Math.sqrt(25 - 20.25), 6)]);
  });

  it('each lies on the edge and on the surface, rising', () => {
    fc.assert(
      fc.property(anySection, between(-20, 20), between(-3, 3), (section, height, slope) => {
        const surface = (y: number) => height - slope * y;
        const met = meetings(section, surface);
        expect(met).toEqual([...met].sort((a, b) => a - b));
        for (const y of met) {
          const off = Math.min(
            Math.abs(riseAt(section, y) - surface(y)),
            Math.abs(dropAt(section, y) + surface(y)),
          );
          // Near its side an edge runs almost upright: a millionth of the breadth is more in height there.
          const steep = y > 0.99 * section.b ? 0.2 : 1e-3;
          expect(off).toBeLessThan(steep * Math.max(section.t, section.d, 1));
        }
      }),
      { numRuns: runs(300) },
    );
  });
});

describe('where a width begins and ends', () => {
  it('is found on both sides of a lens', () => {
    const [from, to] = endsOf((x) => 1 - ((x - 10) / 4) ** 2, 20);
    expect(from).toBeCloseTo(6, 6);
    expect(to).toBeCloseTo(14, 6);
    expect(endsOf(() => 1, 20)).toEqual([]);
    expect(endsOf(() => -FAR, 20)).toEqual([]);
  });
});

describe('a round of corners', () => {
  it.each([6, 24, 96])('of %s corners, stretched, has the area of its circle', (corners) => {
    const area = (corners / 2) * Math.sin((2 * Math.PI) / corners) * roundStretch(corners) ** 2;
    expect(area).toBeCloseTo(Math.PI, 9);
  });
});
