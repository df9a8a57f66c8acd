import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { loadSolids } from '../head/kernel.ts';
import { loft } from '../head/loft.ts';
import { solidOf } from '../head/solid.ts';
import { runs } from '../test-kit/runs.ts';
import {
  leftLength,
  limbsOf,
  limbVolume,
  plasticDensity,
  plasticMass,
  plasticSection,
  plasticVolume,
  sectionArea,
  sectionFull,
  sectionRise,
  tailStart,
  wallOf,
  weighedDensity,
} from './body.ts';
import { PLASTIC_KINDS, plasticKindOf } from './kinds/index.ts';
import type { PlasticKey } from './kinds/index.ts';
import { bladeOutline, plasticFigure, plasticReach } from './outline.ts';
import type { Plastic } from './schema.ts';
import { usualPlastic } from './usual.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

const INCH = 25.4;
const usual = usualPlastic;
/** An own body of straight-sided stations. */
const own = (
  stations: readonly (readonly [number, number, number])[],
  change: Partial<Plastic> = {},
): Plastic =>
  usual('own', 4, {
    length: 100,
    breadth: 10,
    height: 14,
    stations: stations.map(([at, height, breadth]) => ({ at, height, breadth })),
    ...change,
  });

describe('places along a body', () => {
  const straight = own([
    [0, 1, 1],
    [0.5, 1, 1],
    [1, 1, 1],
  ]);
  it('nose and tail belong to it, nothing beyond either does', () => {
    expect([-0.01, 0, 100, 100.01].map((at) => plasticSection(straight, at).halfHeight)).toEqual([
      0, 7, 7, 0,
    ]);
    const cut = { ...straight, cut: 30 };
    expect([0, 70, 70.01].map((at) => plasticSection(cut, at).halfBreadth)).toEqual([5, 5, 0]);
  });

  it('the room of a hollow body begins behind the full nose, at 12 in a hundred, and ends where the tail moves', () => {
    const hollow = usual('hollow', 4, { wall: 1 });
    const isFull = (share: number) => {
      const at = share * hollow.length;
      return Math.abs(sectionArea(hollow, at) / sectionFull(plasticSection(hollow, at)) - 1) < 1e-9;
    };
    expect([0.1, 0.1199, 0.1201, 0.5, 0.7999, 0.8001, 0.95].map(isFull)).toEqual([
      true,
      true,
      false,
      false,
      false,
      true,
      true,
    ]);
    // A wall of 1 mm leaves an ellipse that is 1 mm less all round.
    const { halfBreadth: b, halfHeight: h } = plasticSection(hollow, 0.4 * hollow.length);
    expect(sectionArea(hollow, 0.4 * hollow.length)).toBeCloseTo(Math.PI * (b * h - (b - 1) * (h - 1)), 6);
    // One that is all wall there has no room.
    expect(sectionArea({ ...hollow, wall: 40 }, 0.4 * hollow.length)).toBeCloseTo(Math.PI * b * h, 6);
  });

  it('an upright face is as broad as a share of the height, a level one of the breadth', () => {
    for (const { key, limbs } of PLASTIC_KINDS) {
      const plastic = usual(key, 4, { breadth: 9, height: 15 });
      const placed = limbsOf(plastic);
      expect(placed).toHaveLength(limbs.reduce((sum, { isPair }) => sum + (isPair ? 2 : 1), 0));
      for (const limb of placed) {
        expect(limb.broad).toBeCloseTo(limb.breadth * (limb.stands === 'upright' ? 15 : 9), 9);
        expect(limb.thickness).toBeCloseTo(limb.thick * 15, 9);
      }
    }
    const stands = new Set(PLASTIC_KINDS.flatMap(({ limbs }) => limbs.map((limb) => limb.stands)));
    expect([...stands].sort()).toEqual(['level', 'upright']);
  });
});

describe('figures of a plastic', () => {
  const area = (outline: readonly (readonly [number, number])[]) =>
    Math.abs(
      outline.reduce((sum, [x, y], i) => {
        const [u, v] = outline[(i + 1) % outline.length] ?? [0, 0];
        return sum + x * v - u * y;
      }, 0) / 2,
    );
  it('a cone is a triangle from the side and from above: half of length times size', () => {
    const cone = own([
      [0, 0, 0],
      [1, 1, 1],
    ]);
    for (const [view, size] of [
      ['side', 14],
      ['top', 10],
    ] as const) {
      const { body, limbs } = plasticFigure(cone, view);
      expect(limbs).toEqual([]);
      expect(area(body)).toBeCloseTo((100 * size) / 2, 3);
      expect(plasticReach(cone, view)).toEqual({ up: size / 2, down: size / 2, back: 100 });
      // Nose first, tail in the middle of the round.
      expect([body[0]?.[0], body[64]?.[0]]).toEqual([expect.closeTo(0, 9), -100]);
    }
  });

  it('a straight blade is as long as from root to end, a curled one winds over to its side', () => {
    for (const end of [
      [-30, 0],
      [18, 24],
    ] as const) {
      const outline = bladeOutline([0, 0], end, 4, 0);
      const long = Math.hypot(...end);
      const along = outline.map(([x, y]) => (x * end[0] + y * end[1]) / long);
      const across = outline.map(([x, y]) => (x * end[1] - y * end[0]) / long);
      expect(Math.max(...along)).toBeCloseTo(long, 9);
      expect(Math.min(...along)).toBeCloseTo(0, 9);
      // As broad as told where it is broadest, and alike on both sides.
      expect(Math.max(...across)).toBeCloseTo(2, 1);
      expect(Math.max(...across)).toBeCloseTo(-Math.min(...across), 9);
    }
    const middle = (curls: -1 | 0 | 1) => {
      const outline = bladeOutline([0, 0], [-30, 0], 4, curls);
      const half = outline.length / 2;
      const [a, b] = [outline[half - 1], outline[half]];
      return [((a?.[0] ?? 0) + (b?.[0] ?? 0)) / 2, ((a?.[1] ?? 0) + (b?.[1] ?? 0)) / 2] as const;
    };
    // Backwards is to the left: anticlockwise from there is down.
    expect(middle(1)[1]).toBeLessThan(-3);
    expect(middle(-1)[1]).toBeCloseTo(-middle(1)[1], 9);
    expect(middle(1)[0]).toBeGreaterThan(-29);
    // A blade of no length is a point of its breadth, and no nonsense.
    expect(bladeOutline([1, 2], [1, 2], 4, 0).flat().every(Number.isFinite)).toBe(true);
  });

  it('each limb is drawn from its root to where it points, as the view shows it', () => {
    for (const { key } of PLASTIC_KINDS) {
      const plastic = usual(key, 4);
      const placed = limbsOf(plastic);
      for (const view of ['side', 'top'] as const) {
        const { limbs } = plasticFigure(plastic, view);
        expect(limbs).toHaveLength(placed.length);
        limbs.forEach((outline, i) => {
          const limb = placed[i];
          if (!limb) return;
          // The two corners at the root lie to either side of it.
          const [a, b] = [outline[0], outline.at(-1)];
          const root = [((a?.[0] ?? 0) + (b?.[0] ?? 0)) / 2, ((a?.[1] ?? 0) + (b?.[1] ?? 0)) / 2] as const;
          expect(root[0]).toBeCloseTo(-limb.from, 9);
          // From the side a pair leaves the middle; from above, six tenths of the way out.
          const out = view === 'top' ? limb.side * 0.6 * plasticSection(plastic, limb.from).halfBreadth : 0;
          expect(root[1]).toBeCloseTo(out, 9);
          if (limb.curls) return;
          const half = outline.length / 2;
          const [c, d] = [outline[half - 1], outline[half]];
          const end = [((c?.[0] ?? 0) + (d?.[0] ?? 0)) / 2, ((c?.[1] ?? 0) + (d?.[1] ?? 0)) / 2] as const;
          const turn = (limb.off * Math.PI) / 180;
          const aside = view === 'top' ? limb.side * Math.sin(turn) : limb.side === 0 ? Math.sin(turn) : 0;
          expect(root[0] - end[0]).toBeCloseTo(limb.long * Math.cos(turn), 6);
          expect(end[1] - root[1]).toBeCloseTo(limb.long * aside, 6);
        });
      }
    }
  });

  it('what is cut off takes the limbs in front of it, and moves the others up', () => {
    const kind = PLASTIC_KINDS.find(({ limbs }) => limbs.length > 0);
    if (!kind) throw new Error('no limbs');
    const plastic = usual(kind.key, 4);
    const cut = { ...plastic, cut: 10 };
    expect(limbsOf(cut).map(({ from }) => from)).toEqual(
      limbsOf(plastic)
        .map(({ from }) => from - 10)
        .filter((from) => from > 0),
    );
  });

  it('limbs begin at the body’s sides and reach as far back as they are long', () => {
    const tube = usual('tube', 4);
    expect(plasticReach(tube, 'top').back).toBeGreaterThan(0.99 * tube.length);
    const { limbs } = plasticFigure(tube, 'top');
    expect(limbs).toHaveLength(4);
    for (const limb of limbs) expect(Math.max(...limb.map(([x]) => x))).toBeCloseTo(-0.68 * tube.length, 0);
  });
});

describe('volumes against closed forms', () => {
  it('an elliptic cylinder: π/4 · b · h · L', () => {
    const straight = own([
      [0, 1, 1],
      [0.5, 1, 1],
      [1, 1, 1],
    ]);
    expect(plasticVolume(straight)).toBeCloseTo((Math.PI / 4) * 10 * 14 * 100, 6);
  });
  it('a cone’s frustum: πL/12 · (b₁h₁ + b₁h₂/2 + b₂h₁/2 + b₂h₂)', () => {
    const frustum = own(
      [
        [0, 1, 1],
        [0.5, 0.6, 0.6],
        [1, 0.2, 0.2],
      ],
      { breadth: 14 },
    );
    const [r, s] = [7, 1.4];
    expect(plasticVolume(frustum)).toBeCloseTo((Math.PI / 3) * 100 * (r * r + r * s + s * s), 4);
  });
  it('cut in half, half a cylinder is left, and all places run from the cut', () => {
    const straight = own(
      [
        [0, 1, 1],
        [0.5, 1, 1],
        [1, 1, 1],
      ],
      { cut: 50 },
    );
    expect(plasticVolume(straight)).toBeCloseTo((Math.PI / 4) * 10 * 14 * 50, 6);
    expect(leftLength(straight)).toBe(50);
    expect(tailStart(straight)).toBeCloseTo(30, 9);
    expect(plasticSection(straight, 49.9).halfHeight).toBe(7);
    expect(plasticSection(straight, 50.1).halfHeight).toBe(0);
    expect(plasticSection(straight, -0.1).halfHeight).toBe(0);
    // However much is cut, something is left.
    expect(leftLength({ ...straight, cut: 200 })).toBe(5);
  });
  it('a superellipse of exponent 5 fills 0.9526 of its half box, a round one π/4', () => {
    // K(5) = Γ(1.2)²/Γ(1.4) = 0.91817²/0.88726 = 0.95015.
    const round = sectionFull({ halfBreadth: 3, halfHeight: 4, nt: 2, nb: 2 });
    const flat = sectionFull({ halfBreadth: 3, halfHeight: 4, nt: 5, nb: 2 });
    expect(round).toBeCloseTo(Math.PI * 12, 9);
    expect(flat / 24).toBeCloseTo(0.95015 + Math.PI / 4, 3);
    // A flat back lifts the middle: by moments, summed in thin strips.
    let [area, moment] = [0, 0];
    for (let i = 0; i < 4000; i++) {
      const z = -4 + ((i + 0.5) * 8) / 4000;
      const n = z > 0 ? 5 : 2;
      const wide = 6 * (1 - Math.abs(z / 4) ** n) ** (1 / n);
      area += wide;
      moment += wide * z;
    }
    expect(sectionRise({ halfBreadth: 3, halfHeight: 4, nt: 5, nb: 2 })).toBeCloseTo(moment / area, 3);
    expect(sectionRise({ halfBreadth: 3, halfHeight: 4, nt: 2, nb: 5 })).toBeCloseTo(-moment / area, 3);
    expect(sectionRise({ halfBreadth: 3, halfHeight: 4, nt: 2, nb: 2 })).toBe(0);
  });
});

describe('every kind against the solid library', () => {
  it.each(PLASTIC_KINDS.map(({ key, usual: { inches } }) => [key, inches[0] ?? 3] as const))(
    'a full %s of %d in is the loft of its sections',
    async (key, inches) => {
      const kernel = await loadSolids();
      const plastic = usual(key, inches);
      const breaks = plasticKindOf(key).stations.map(([at]) => at * plastic.length);
      const solid = solidOf(
        kernel,
        loft(
          {
            length: plastic.length,
            breaks,
            section: (x) => {
              const { halfBreadth: b, halfHeight: h, nt, nb } = plasticSection(plastic, x);
              return { b, t: h, d: h, nt, nb };
            },
          },
          undefined,
          { rings: 240, corners: 96 },
        ),
      );
      const limbs = limbsOf(plastic).reduce((sum, limb) => sum + limbVolume(limb), 0);
      // The library's room of a hollow one is its wall drawn in: by the same sections, made smaller.
      const room = wallOf(plastic) > 0 ? roomBySlices(plastic) : 0;
      expect((plasticVolume(plastic) - limbs + room) / solid.volume()).toBeCloseTo(1, 2);
      solid.delete();
    },
  );

  /** Room within the walls, in twenty thousand slices. */
  function roomBySlices(plastic: Plastic): number {
    const wall = wallOf(plastic);
    const { tail } = plasticKindOf(plastic.kind);
    const n = 20_000;
    let sum = 0;
    for (let i = 0; i < n; i++) {
      const at = (i + 0.5) / n;
      if (at < 0.12 || at > tail) continue;
      const { halfBreadth, halfHeight } = plasticSection(plastic, at * plastic.length);
      sum +=
        Math.PI * Math.max(0, halfBreadth - wall) * Math.max(0, halfHeight - wall) * (plastic.length / n);
    }
    return sum;
  }
});

describe('weights', () => {
  // What such baits weigh on a scale, g, from memory of generic ones (no source): makers differ by a quarter
  // and more.
  it.each<readonly [PlasticKey, number, number]>([
    ['stick', 3, 2.4],
    ['stick', 4, 5.3],
    ['stick', 5, 9.6],
    ['paddle-tail', 3, 3],
    ['paddle-tail', 4, 6.8],
    ['curl-tail', 3, 3],
    ['curl-tail', 4, 6.5],
    ['tapered-worm', 4, 2.5],
    ['tapered-worm', 6, 7],
    ['ribbon-worm', 6, 6.5],
    ['stubby', 2.75, 4],
    ['claw', 3.5, 5.5],
    ['creature', 4, 9.5],
    ['chunk', 3, 6.5],
    ['tube', 3.5, 6],
    ['hollow', 3.75, 6.5],
    ['flat-creature', 3, 4],
    ['straight-tail', 4, 4.5],
    ['micro', 1.6, 0.35],
  ])('a %s of %d in weighs about %d g', (key, inches, grams) => {
    expect(plasticMass(usual(key, inches)) / grams).toBeGreaterThan(0.7);
    expect(plasticMass(usual(key, inches)) / grams).toBeLessThan(1.35);
  });

  it('a weighed one goes before its density, and says what that must be', () => {
    const plastic = usual('stick', 5, { weighed: 9 });
    expect(weighedDensity(plastic)).toBeCloseTo(9000 / plasticVolume(plastic), 9);
    expect(plasticMass(plastic)).toBeCloseTo(9, 9);
    expect(weighedDensity(usual('stick', 5))).toBeUndefined();
    expect(plasticDensity(usual('stick', 5))).toBe(1.15);
    // It was weighed as bought: a cut takes its share off.
    const cut = { ...plastic, cut: 25.4 };
    expect(plasticDensity(cut)).toBeCloseTo(plasticDensity(plastic), 9);
    expect(plasticMass(cut)).toBeLessThan(8);
  });

  it('a 5 in stick cut by an inch is a 4 in (common practice, no source)', () => {
    const cut = usual('stick', 5, { cut: INCH });
    expect(leftLength(cut)).toBeCloseTo(4 * INCH, 9);
    expect(plasticMass(cut) / (plasticMass(usual('stick', 5)) * 0.8)).toBeCloseTo(1, 1);
  });
});

describe('kinds', () => {
  it('there are as many as the trade sells, each with a name, what it does, sizes and sound limits', () => {
    expect(PLASTIC_KINDS).toHaveLength(17);
    for (const { key, name, does, stations, tail, exit, moves, usual: sizes, limbs } of PLASTIC_KINDS) {
      expect([key, name, does].every((text) => text.length > 1)).toBe(true);
      expect(stations[0]?.[0]).toBe(0);
      expect(stations.at(-1)?.[0]).toBe(1);
      for (let i = 1; i < stations.length; i++)
        expect(stations[i]?.[0]).toBeGreaterThan(stations[i - 1]?.[0] ?? 1);
      expect(Math.max(...stations.map(([, height]) => height))).toBe(1);
      expect(Math.max(...stations.map(([, , breadth]) => breadth))).toBe(1);
      expect(exit.tight[0]).toBeLessThan(exit.good[0]);
      expect(exit.tight[1]).toBeGreaterThan(exit.good[1]);
      expect(exit.good[1]).toBeLessThanOrEqual(tail);
      expect(Math.max(moves.cold, moves.warm)).toBeLessThanOrEqual(1);
      expect(sizes.inches.length).toBeGreaterThan(0);
      for (const limb of limbs) expect(limb.at + limb.length).toBeLessThanOrEqual(1.01);
    }
  });

  it('thin tails still move in the cold, broad kicking ones go dead (common practice, no source)', () => {
    const cold = (key: string) => plasticKindOf(key).moves.cold;
    for (const thin of ['micro', 'straight-tail', 'tapered-worm', 'minnow'])
      for (const broad of ['paddle-tail', 'hollow', 'claw', 'creature'])
        expect(cold(thin)).toBeGreaterThan(cold(broad));
  });

  it('any sizes and stations give finite figures', () => {
    const station = fc.record({
      at: between(0, 1),
      height: between(0.01, 1),
      breadth: between(0.01, 1),
    });
    fc.assert(
      fc.property(
        fc.constantFrom(...PLASTIC_KINDS.map(({ key }) => key)),
        between(20, 400),
        between(2, 80),
        between(2, 80),
        between(0, 240),
        between(0.3, 20),
        fc.array(station, { minLength: 3, maxLength: 16 }),
        (kind, length, breadth, height, cut, wall, stations) => {
          const plastic = { ...usual(kind, 3), length, breadth, height, cut, wall, stations };
          const volume = plasticVolume(plastic);
          const box = breadth * height * length;
          return Number.isFinite(volume) && volume > 0 && volume < 2 * box && plasticMass(plastic) > 0;
        },
      ),
      { numRuns: runs(300) },
    );
  });
});
