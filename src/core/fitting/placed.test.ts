import { describe, expect, it } from 'vitest';
import { ball } from '../head/families/ball.ts';
import { innerRadius, sectionHolds, sectionRadius } from '../head/profile.ts';
import { FIBRE_DENSITY, STEEL_DENSITY } from '../material/densities.ts';
import { degrees } from '../numeric/vec.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { guardBody, guardInitial } from './guards/index.ts';
import type { GuardSpec } from './guards/index.ts';
import { entryOf, widestEntry } from './keepers/entry.ts';
import { barbs } from './keepers/barbs.ts';
import { barrel, barrelRevolve } from './keepers/barrel.ts';
import { collar, collarRevolve } from './keepers/collar.ts';
import { screw } from './keepers/screw.ts';
import { spring } from './keepers/spring.ts';
import { wire } from './keepers/wire.ts';

/**
 * Every fitting set on a 12 mm ball, against places and volumes worked by hand: the crown is at z = 6, a
 * guard stands at x = 6, leaning 30°, so that a place s along it is (6 − s·cos 30°, y, 6 + s/2).
 */
const profile = ball.profile({ breadth: 12 });
const ground = {
  length: 12,
  crown: (x: number) => profile.section(x).t,
  tip: [-10, 0, 16] as const,
  holds: (x: number, y: number, z: number) => x >= 0 && sectionHolds(profile.section(x), y, z),
};
const PLACE = { lean: 30, setback: 0.5 };
const COS = Math.cos(Math.PI / 6);
const along = (s: number, y = 0): Vec3 => [6 - s * COS, y, 6 + s / 2];
const near = (at: readonly number[]) => at.map((value) => expect.closeTo(value, 9) as number);
function set(spec: GuardSpec) {
  const built = guardBody(spec, ground);
  if (!built) throw new Error('there is no guard');
  return built;
}
const wireVolume = (length: number, d: number) => length * (Math.PI / 4) * d * d;

describe('guards stand where they are told', () => {
  it('a hole goes in 0.7 of the crown’s height, along the lean, and out past the crown by its own width', () => {
    const { bore, depth, bundleRadius, isSet } = set({
      ...guardInitial('y'),
      ...PLACE,
      wire: 1,
    } as GuardSpec);
    expect(isSet).toBe(true);
    // 0.7 · 6 / sin 30°; no deeper than a guard is ever set.
    expect(depth).toBeLessThanOrEqual(8.4);
    expect(bundleRadius).toBe(0.5);
    expect(bore).toHaveLength(17);
    expect(bore[0]).toEqual(near(along(-depth)));
    expect(bore[8]).toEqual(near(along((1 - depth) / 2)));
    expect(bore.at(-1)).toEqual(near(along(1)));
  });

  it('a hole too wide for the crown it is drilled in is not set', () => {
    const thick = { ...guardInitial('fibre'), ...PLACE, count: 120, fibre: 1.2 } as GuardSpec;
    expect(set(thick).isSet).toBe(false);
  });

  it('a Y: its stem, then two arms', () => {
    const y = set({ kind: 'y', ...PLACE, wire: 1, length: 20, fork: 0.4, spread: 60 });
    // Stem 8, arms 12 at 30° to either side: 12·cos 30° on, 6 aside.
    const end = 8 + 12 * COS;
    expect(y.strands.map(({ path }) => path)).toEqual([
      [along(0), along(8)].map(near),
      [along(8), along(end, -6)].map(near),
      [along(8), along(end, 6)].map(near),
    ]);
    expect(y.free).toBeCloseTo(end, 9);
    expect(y.end).toEqual(near(along(end)));
    expect(y.overPoint).toBeCloseTo(6 + end / 2 - 16, 9);
    expect(y.volume).toBeCloseTo(wireVolume(32 + y.depth, 1), 9);
    expect([y.material, y.density]).toEqual(['nylon', FIBRE_DENSITY.nylon]);
    // Centres by length: stem at 4, arms at 8 + 6·cos 30°, what is set at half its depth behind the crown.
    const middle = (8 * 4 + 24 * (8 + 6 * COS) - (y.depth * y.depth) / 2) / (32 + y.depth);
    expect(y.centroid).toEqual(near(along(middle)));
  });

  it('twin wires: one to each side', () => {
    const twin = set({ kind: 'twin wire', ...PLACE, wire: 0.4, length: 20, spread: 60 });
    const end = 20 * COS;
    expect(twin.strands.map(({ path }) => path)).toEqual([
      [along(0, -0.2), along(end, -10.2)].map(near),
      [along(0, 0.2), along(end, 10.2)].map(near),
    ]);
    expect(twin.end).toEqual(near(along(end)));
    expect(twin.volume).toBeCloseTo(wireVolume(40 + 2 * twin.depth, 0.4), 9);
    expect(twin.density).toBe(STEEL_DENSITY);
  });

  it('a wire loop: out, half a circle round, and back', () => {
    const loop = set({ kind: 'wire loop', ...PLACE, wire: 0.4, length: 20, width: 4 });
    const path = loop.strands[0]?.path ?? [];
    expect(path[0]).toEqual(near(along(0, -0.2)));
    expect(path[1]).toEqual(near(along(18, -2)));
    expect(path.at(-2)).toEqual(near(along(18, 2)));
    expect(path[9]).toEqual(near(along(20)));
    expect(loop.spread).toBeCloseTo(degrees(2 * Math.atan2(2, 18)), 9);
    // Two legs that draw apart by 1.8 mm over 18, and an arc of 2π: a polygon of 16 sides is within 0.2% of
    // it.
    const legs = 2 * Math.hypot(18, 1.8);
    expect(loop.volume / wireVolume(legs + 2 * Math.PI + 2 * loop.depth, 0.4)).toBeCloseTo(1, 3);
  });

  it('a brush: its outer fibres, as one stick to the water, and its glued part', () => {
    const brush = set({
      kind: 'fibre',
      ...PLACE,
      count: 12,
      fibre: 0.4,
      length: 14,
      fan: 60,
      trimmed: false,
    });
    // Twelve fibres of 0.4 in a circle three quarters full: radius 0.2·√16 = 0.8.
    expect(brush.bundleRadius).toBeCloseTo(0.8, 12);
    expect(brush.strands.map(({ path }) => path)).toEqual([
      [along(0, -0.8), along(14, -7.8)].map(near),
      [along(0), along(14)].map(near),
      [along(0, 0.8), along(14, 7.8)].map(near),
    ]);
    expect(brush.sticks).toEqual([
      { path: [near(along(0)), near(along(14))], diameter: expect.closeTo(1.6, 12) as number },
    ]);
    expect(brush.volume).toBeCloseTo(12 * wireVolume(14 + brush.depth, 0.4), 9);
    expect(brush.centroid).toEqual(near(along((14 - brush.depth) / 2)));
    expect(brush.shown()).toHaveLength(18);
    const { path = [] } = brush.shown()[0] ?? {};
    // The first drawn fibre is the outermost left one, lifted half the bundle's radius square to the lean.
    expect(path[0]).toEqual(near([6 - 0.4 * 0.5, -0.8, 6 + 0.4 * COS]));
  });
});

describe('keepers are where they are told, and hold by what stands out', () => {
  const on = { profile, wire: 1 };
  const ring = (outer: number, inner: number) => (Math.PI / 4) * (outer ** 2 - inner ** 2);
  const rub = (diameter: number, length: number) => 0.05 * Math.PI * diameter * length;

  it('a collar enters a ball where the ball’s section is as wide as it', () => {
    // A 12 mm ball has radius 2 at x = 6 − √(36 − 4).
    expect(entryOf(profile, 2)).toBeCloseTo(6 - Math.sqrt(32), 6);
    expect(entryOf(profile, 6.5)).toBeUndefined();
    // The places looked at end at 0.65 of the length and hold the middle only nearly.
    expect(widestEntry(profile)).toBeCloseTo(12, 2);
    // A diamond of 3 by 4 holds a bar of 3·4/5.
    expect(innerRadius({ b: 3, t: 4, d: 4, nt: 1, nb: 1 })).toBeCloseTo(2.4, 9);
    expect(innerRadius({ b: 3, t: 4, d: 2, nt: 2, nb: 2 })).toBe(2);
    expect(innerRadius({ b: 3, t: 0, d: 2, nt: 1.5, nb: 2 })).toBe(0);
  });

  it.each([
    { b: 3, t: 4, d: 5, nt: 1.3, nb: 1.8 },
    { b: 6, t: 2, d: 3, nt: 1.999, nb: 1.2 },
    { b: 2, t: 5, d: 2.1, nt: 2.4, nb: 1.05 },
  ])(
    'the widest bar in a section of $b by $t and $d is its nearest edge, looked for all round',
    (section) => {
      const turns = Array.from({ length: 20_001 }, (_, i) => -Math.PI / 2 + (Math.PI * i) / 20_000);
      const nearest = Math.min(
        ...turns.map((turn) => sectionRadius(section, Math.cos(turn), Math.sin(turn))),
      );
      expect(innerRadius(section) / nearest).toBeCloseTo(1, 6);
    },
  );

  it('a barbed collar rises towards the head over three fifths of each barb', () => {
    const spec = { length: 8, diameter: 3, barb: 0.5, barbs: 2 };
    const made = collarRevolve(spec, profile);
    if (!made) throw new Error('the collar does not fit');
    const { radius, from, to, breaks } = made;
    expect([from, to]).toEqual(near([-8, 6 - Math.sqrt(36 - 2.25)]));
    expect(breaks).toEqual(near([-5.6, -4, -1.6, 0]));
    const places = [-8.01, -8, -6.8, -5.61, -5.5, -4, -2.8, -1.5, to - 1e-9, to + 0.01];
    expect(places.map(radius)).toEqual([0, 1.5, 1.75, expect.closeTo(1.998, 3), 1.5, 1.5, 1.75, 1.5, 1.5, 0]);
    const body = collar.build({ kind: 'collar', ...spec }, on);
    expect(body).toMatchObject({ insertion: 8, diameter: 4, wires: [] });
    expect(body?.holdArea).toBeCloseTo(2 * ring(4, 3) + rub(3, 8), 9);
    const plain = collar.build({ kind: 'collar', ...spec, barbs: 0 }, on);
    expect(plain).toMatchObject({ diameter: 3, cast: { breaks: [0] } });
    expect(plain?.holdArea).toBeCloseTo(rub(3, 8), 9);
  });

  it('a barrel is fullest three eighths of the way back, narrower at head and tail', () => {
    const spec = { length: 10, diameter: 4, taper: 0.5 };
    const made = barrelRevolve(spec, profile);
    if (!made) throw new Error('the barrel does not fit');
    expect([-10.1, -10, -6.9, -3.8, -1.9, 0, 0.1].map(made.radius)).toEqual(
      near([0, 1, 1.5, 2, 1.82, 1.64, 1.64]),
    );
    expect(barrel.build({ kind: 'barrel', ...spec }, on)?.holdArea).toBeCloseTo(
      ring(4, 3.28) + rub(4, 10),
      9,
    );
  });

  it('barbs stand out from the shank by their height', () => {
    const body = barbs.build({ kind: 'barbs', at: 3, length: 2, height: 1, wire: 0.5 }, on);
    expect(body?.wires.map(({ path }) => path)).toEqual([
      [near([-5, 0, 0.5]), near([-3, 0, 1.5])],
      [near([-5, 0, -0.5]), near([-3, 0, -1.5])],
    ]);
    expect(body).toMatchObject({ insertion: 5, diameter: 3 });
    expect(body?.holdArea).toBeCloseTo(1 + rub(1, 5), 9);
  });

  it('a wire holder leaves beside the shank, flares, and turns back 1.2 mm on and 0.9 mm out', () => {
    const body = wire.build({ kind: 'wire', length: 10, wire: 0.6, flare: 30 }, on);
    const path = body?.wires[0]?.path ?? [];
    const z = -0.95;
    expect([path[0], path[12], path[18], path[24], path[25]]).toEqual(
      [
        [3, 0, z],
        [0, 0, z],
        [-5 * COS, 0, z - 2.5],
        [-10 * COS, 0, z - 5],
        [1.2 - 10 * COS, 0, z - 5.9],
      ].map(near),
    );
    expect(body?.insertion).toBeCloseTo(10 * COS, 9);
    expect(body?.diameter).toBeCloseTo(6.85 + 0.5 + 0.3, 9);
    expect(body?.holdArea).toBeCloseTo(0.6 * 5.9 + rub(0.6, 10), 9);
  });

  it.each([
    [
      'screw',
      screw.build({ kind: 'screw', length: 8, diameter: 4, wire: 0.6, turns: 4, standoff: 3 }, on),
      3,
      11,
      4,
    ],
    ['spring', spring.build({ kind: 'spring', length: 8, diameter: 4, wire: 0.6, turns: 4 }, on), 0, 8, 2],
  ] as const)('a %s is wound about the shank behind its stand-off', (_, body, standoff, insertion, rings) => {
    const path = body?.wires[0]?.path ?? [];
    // Anchored 3 mm in, 1.7 mm below the shank; then the helix, 24 steps to a turn.
    expect(path[0]).toEqual(near([3, 0, -1.7]));
    expect(path[16]).toEqual(near([-standoff, 0, -1.7]));
    expect(path[16 + 6]).toEqual(near([-standoff - 0.5, 1.7, 0]));
    expect(path[16 + 12]).toEqual(near([-standoff - 1, 0, 1.7]));
    expect(path.at(-1)).toEqual(near([-standoff - 8, 0, -1.7]));
    expect(body?.insertion).toBe(insertion);
    expect(body?.holdArea).toBeCloseTo(rings * ring(4, 2.8) + rub(4, 8), 9);
  });

  it('says what of a keeper cannot be', () => {
    const check = { ...on, shankEnd: -20 };
    const fields = (found: readonly { readonly field: string }[]) => found.map(({ field }) => field);
    const cast = { kind: 'collar', length: 7, diameter: 3, barb: 0.5, barbs: 2 } as const;
    expect(fields(collar.check(cast, check))).toEqual([]);
    expect(fields(collar.check({ ...cast, diameter: 1.5 }, check))).toEqual(['diameter']);
    expect(fields(collar.check({ ...cast, diameter: 11.5 }, check))).toEqual(['diameter']);
    expect(fields(collar.check({ ...cast, barb: 10.6 }, check))).toEqual(['barb']);
    expect(fields(collar.check({ ...cast, barb: 10.4 }, check))).toEqual([]);
    // Half a millimetre must be left before the bend.
    expect(fields(collar.check(cast, { ...on, shankEnd: -7.4 }))).toEqual(['length']);
    expect(fields(collar.check(cast, { ...on, shankEnd: -7.6 }))).toEqual([]);
    const wound = { kind: 'screw', length: 8, diameter: 4, wire: 0.6, turns: 4, standoff: 3 } as const;
    expect(fields(screw.check(wound, check))).toEqual([]);
    expect(fields(screw.check({ ...wound, diameter: 2.1 }, check))).toEqual(['diameter']);
    expect(fields(screw.check({ ...wound, turns: 14 }, check))).toEqual(['turns']);
    expect(fields(screw.check(wound, { ...on, shankEnd: -10.9 }))).toEqual(['length']);
    expect(fields(screw.check(wound, { ...on, shankEnd: -11.1 }))).toEqual([]);
    expect(fields(spring.check({ ...wound, kind: 'spring' }, { ...on, shankEnd: -7.9 }))).toEqual(['length']);
    expect(
      fields(
        barbs.check({ kind: 'barbs', at: 3, length: 2, height: 1, wire: 0.5 }, { ...on, shankEnd: -4.9 }),
      ),
    ).toEqual(['length']);
  });
});

describe('what fittings are as a whole', () => {
  it('a brush bent as one rod is as much stiffer as the metal that fills its circle, one fibre is itself', () => {
    for (const count of [1, 2, 12, 40]) {
      const { asOneRod, bundleRadius, strand } = set({
        ...guardInitial('fibre'),
        ...PLACE,
        count,
      } as GuardSpec);
      // (π/4) R⁴ of a circle, so much of it filled as its fibres fill, over that of so many fibres.
      const filled = (count * (strand / 2) ** 2) / bundleRadius ** 2;
      const wanted = count === 1 ? 1 : (filled * bundleRadius ** 4) / (count * (strand / 2) ** 4);
      expect(asOneRod).toBeCloseTo(wanted, 9);
      expect(asOneRod).toBeGreaterThanOrEqual(1);
    }
  });

  it('a collar has fine detail where it has barbs that stand out', () => {
    const plain = { kind: 'collar', length: 8, diameter: 3, barb: 0.6, barbs: 2 } as const;
    expect(collar.detail?.(plain)).toMatchObject({ size: 0.6, path: '/keeper/barb' });
    expect(collar.detail?.({ ...plain, barbs: 0 })).toBeUndefined();
    expect(collar.detail?.({ ...plain, barb: 0 })).toBeUndefined();
    expect(collar.detail?.({ ...plain, barbs: 1, barb: 0.2 })).toMatchObject({ size: 0.2 });
  });
});
