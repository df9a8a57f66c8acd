import { beforeEach, describe, expect, it } from 'vitest';
import { evaluate } from '../judge/evaluate.ts';
import { keeperInitial } from '../fitting/keepers/index.ts';
import type { Rig } from '../assembly/rig.ts';
import type { Plastic } from '../plastic/schema.ts';
import { limbVolume, plasticSection, wallOf } from '../plastic/body.ts';
import { PLASTIC_KINDS } from '../plastic/kinds/index.ts';
import { usualPlastic } from '../plastic/usual.ts';
import { extent } from '../head/extent.ts';
import { inUnits } from '../quantity/phrase.ts';
import type { SampleChange } from '../test-kit/sample.test-kit.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import type { LaidPlastic } from './method.ts';
import { hasRoom, layOnHead, measureOnHead, seatOf } from './lay.ts';
import { methodOf, METHODS } from './methods/index.ts';

/*
 * A bait that is a plain cylinder on a hook of known sizes: where it lies, what is free and where the hook
 * comes out are plain geometry of a half circle and straight lines.
 */

const HOOK = { gap: 14, shank: 34, wire: 1 };
/** Radius of the bend's centre line. */
const BEND = (HOOK.gap + HOOK.wire) / 2;
const rigOf = (family: string, change: SampleChange = {}): Rig => {
  const result = evaluate(
    sampleDesign(family, {
      keeper: { kind: 'none' },
      guard: { kind: 'none' },
      hook: { size: '4/0', style: 'round bend', measured: HOOK },
      ...change,
    }),
    AT_ONCE,
  );
  if (!result.ok) throw new Error(result.problems[0]?.message);
  return result.rig;
};
const RIG = rigOf('ball', { head: { dimensions: { breadth: 10 } } });
/** A cylinder of a diameter and length, mm. */
const cylinder = (diameter: number, length: number, change: Partial<Plastic> = {}): Plastic => ({
  format: 'fern-anvil/plastic',
  version: 1,
  name: 'Cylinder',
  kind: 'own',
  length,
  breadth: diameter,
  height: diameter,
  density: 1.1,
  toughness: 'standard',
  stations: [0, 0.5, 1].map((at) => ({ at, height: 1, breadth: 1 })),
  ...change,
});
/** A round body of 100 mm whose thickness is such shares of a diameter at such shares of its length. */
const shaped = (diameter: number, shares: readonly (readonly [at: number, share: number])[]): Plastic =>
  cylinder(diameter, 100, {
    stations: shares.map(([at, share]) => ({ at, height: share, breadth: share })),
  });
const lay = (method: string, plastic: Plastic, rig = RIG, cut = 0) =>
  layOnHead(rig, plastic, methodOf(method), cut);

describe('a cylinder threaded straight on', () => {
  const plastic = cylinder(8, 100);
  let laid: LaidPlastic;
  beforeEach(() => {
    laid = lay('threaded', plastic);
  });

  it('holds π/4·d²·L about its own middle, on the shank’s line', () => {
    expect(laid.volume).toBeCloseTo((Math.PI / 4) * 64 * 100, 3);
    expect(laid.centre[0]).toBeCloseTo(-50, 6);
    expect(laid.centre[1]).toBe(0);
    expect(laid.centre[2]).toBeCloseTo(0, 9);
    expect(laid.density).toBe(1.1);
    expect(laid.seatAt).toBe(0);
    for (const { at, halfHeight } of laid.body) {
      expect(at[1]).toBeCloseTo(0, 9);
      expect(halfHeight).toBeCloseTo(4, 9);
    }
    expect(laid.body.at(-1)?.at[0]).toBeCloseTo(-100, 9);
  });

  it('lets the hook out where its half circle rises through the back', () => {
    // On a circle of radius R about R over the shank: at the height h it stands √(R² − (R − h)²) behind the
    // bend's start.
    const behind = Math.sqrt(BEND ** 2 - (BEND - 4) ** 2);
    const start = RIG.hook.bendStart[0];
    expect(Math.abs(laid.exit - (behind - start))).toBeLessThan(0.5);
    expect(laid.exitShare).toBeCloseTo(laid.exit / 100, 12);
    // An own outline’s tail begins at four fifths.
    expect(laid.tailAt).toBeCloseTo(80, 9);
    expect(laid.tailRoom).toBeCloseTo(80 - laid.exit, 9);
  });

  it('leaves the height of the point less its wire and half the bait', () => {
    const free = RIG.hook.pointHeight - HOOK.wire / 2 - 4;
    expect(laid.freeGap).toBeCloseTo(free, 9);
    expect(laid.cover).toBeCloseTo(-free, 9);
    expect(laid.fill).toBeCloseTo(8 / HOOK.gap, 9);
    expect(laid.reach).toBeCloseTo(-RIG.hook.tip[0], 9);
    expect(laid.bend).toBe(0);
    expect(laid.start).toBe(0);
    expect(laid.entry).toBeNaN();
  });

  it('a bite is over the higher of eye and back', () => {
    const { tip, eye } = RIG.hook;
    expect(laid.bite).toBeCloseTo(tip[2] - Math.max(eye.top, 4), 9);
    const thick = lay('threaded', cylinder(24, 100));
    expect(thick.bite).toBeCloseTo(tip[2] - 12, 9);
    // It never comes out of one that is thicker than the hook is high.
    expect(lay('threaded', cylinder(40, 100)).exit).toBeNaN();
  });

  it('a bite is over the thickest place of a back between nose and point', () => {
    const { tip } = RIG.hook;
    const point = -tip[0];
    // A hump of 26 a third of the way to the point, thin at the nose, behind it and on to the tail.
    const humped = shaped(26, [
      [0, 0.4],
      [point / 300, 1],
      [(2 * point) / 300, 0.4],
      [1, 0.4],
    ]);
    expect(lay('threaded', humped).bite).toBeCloseTo(tip[2] - 13, 1);
    // One behind the point is in nobody's way.
    const behind = shaped(26, [
      [0, 0.4],
      [(point + 12) / 100, 0.4],
      [0.8, 1],
      [1, 0.4],
    ]);
    expect(lay('threaded', behind).bite).toBeGreaterThan(tip[2] - 8);
  });

  it('cut shorter, its nose still at the head: the hook comes out as far behind, of a shorter body', () => {
    const cut = lay('threaded', plastic, RIG, 20);
    expect(cut.exit).toBeCloseTo(laid.exit, 9);
    expect(cut.length).toBe(80);
    expect(cut.exitShare).toBeCloseTo(laid.exit / 80, 12);
    expect(cut.volume).toBeCloseTo((Math.PI / 4) * 64 * 80, 3);
    expect(cut.tailAt).toBeCloseTo(60, 9);
    // What was cut before counts with it.
    expect(lay('threaded', { ...plastic, cut: 5 }, RIG, 15)).toMatchObject({ length: 80, cut: 15 });
  });

  it('is measured for lists as it is laid', () => {
    for (const { key } of METHODS) {
      const {
        body: _body,
        limbs: _limbs,
        volume: _v,
        centre: _c,
        density: _d,
        ...measured
      } = lay(key, plastic);
      expect(measureOnHead(RIG, plastic, methodOf(key))).toEqual(measured);
    }
  });

  it('head over body: 10 mm against 8 mm', () => {
    expect(laid.shoulderHeight).toBeCloseTo(10 / 8, 6);
    expect(laid.shoulderBreadth).toBeCloseTo(10 / 8, 6);
    expect(laid.isWithin).toBe(false);
  });
});

describe('a seat', () => {
  it('a cast collar goes into the nose by its widest over half the nose', () => {
    const keeper = { kind: 'collar', length: 6, diameter: 3, barb: 0.5, barbs: 2 } as const;
    const collared = rigOf('ball', { head: { dimensions: { breadth: 10 } }, keeper });
    const laid = lay('threaded', cylinder(8, 100), collared);
    expect(laid.crest).toBeCloseTo(2, 2);
    expect(laid.seat).toBeCloseTo(2 / 4, 2);
    // Half the height or half the breadth, whichever is less.
    const flat = lay('threaded', { ...cylinder(8, 100), breadth: 5 }, collared);
    expect(flat.seat).toBeCloseTo(2 / 2.5, 2);
    expect(lay('threaded', cylinder(8, 100)).seat).toBe(0);
  });

  it('a screw stands the nose off, and all behind it by as much', () => {
    const screw = { ...keeperInitial('screw'), standoff: 3 } as never;
    const screwed = rigOf('ball', { head: { dimensions: { breadth: 10 } }, keeper: screw });
    const laid = lay('threaded', cylinder(8, 100), screwed);
    expect(laid.standOff).toBe(3);
    expect(laid.seatAt).toBe(-3);
    expect(laid.centre[0]).toBeCloseTo(-53, 6);
    expect(laid.reach).toBeCloseTo(lay('threaded', cylinder(8, 100)).reach - 3, 9);
  });

  it('a body thickest between point and bend shields the point by that, and no part of it beyond', () => {
    // Full from a quarter of its length to half of it, thin before and behind.
    const swollen = shaped(6, [
      [0, 0.5],
      [0.24, 0.5],
      [0.26, 1],
      [0.5, 1],
      [0.52, 0.5],
      [1, 0.5],
    ]);
    const tip = -RIG.hook.tip[0];
    expect(tip).toBeLessThan(26);
    const under = lay('threaded', swollen);
    expect(under.exit).toBeGreaterThan(30);
    expect(under.fill).toBeCloseTo(6 / HOOK.gap, 9);
    expect(under.freeGap).toBeCloseTo(RIG.hook.pointHeight - HOOK.wire / 2 - 3, 9);
    // The same swelling behind the exit takes nothing off the gap.
    const behind = shaped(6, [
      [0, 0.5],
      [0.6, 0.5],
      [0.64, 1],
      [1, 1],
    ]);
    expect(lay('threaded', behind).fill).toBeCloseTo(3 / HOOK.gap, 9);
  });

  it('metal within a bait is measured against the room about its own middle', () => {
    const core = rigOf('core', { hook: { size: '4/0' } });
    const hollow = usualPlastic('hollow', 4.5);
    const laid = lay('hollow-insert', hollow, core);
    expect(laid.isWithin).toBe(true);
    const amid = laid.seatAt - core.profile.length / 2;
    const there = plasticSection(hollow, amid);
    const wall = wallOf(hollow);
    expect(laid.shoulderBreadth).toBeCloseTo(
      (2 *
        Math.max(
          ...core.profile.breaks.map((x) => core.profile.section(x).b),
          core.profile.section(core.profile.length / 2).b,
        )) /
        (2 * (there.halfBreadth - wall)),
      1,
    );
    expect(laid.shoulderHeight * 2 * (there.halfHeight - wall)).toBeCloseTo(extent(core.head).height, 9);
    // A free hook carries its bait behind the head, whatever the head is made for.
    expect(
      lay('threaded', hollow, rigOf('core', { hook: { size: '4/0', joint: { kind: 'clip', size: 4 } } }))
        .isWithin,
    ).toBe(false);
  });

  it('limbs stand where the kind has them: their roots on the sides, their ends as long and as far off as told', () => {
    // Tentacles of a tube: a pair of 32 in a hundred and 8° off, a pair of 30 and 3°, all from 68 in a
    // hundred on.
    const tube = usualPlastic('tube', 4);
    const { limbs } = lay('threaded', tube);
    expect(limbs.map(({ side }) => side)).toEqual([-1, 1, -1, 1]);
    const { halfBreadth } = plasticSection(tube, 0.68 * tube.length);
    limbs.forEach(({ root, end, side }, i) => {
      const [long, off] = i < 2 ? [0.32 * tube.length, 8] : [0.3 * tube.length, 3];
      const turn = (off * Math.PI) / 180;
      expect(root[0]).toBeCloseTo(-0.68 * tube.length, 9);
      expect(root[1]).toBeCloseTo(side * 0.6 * halfBreadth, 9);
      expect(root[2]).toBeCloseTo(0, 9);
      expect([end[0] - root[0], end[1] - root[1], end[2] - root[2]]).toEqual([
        expect.closeTo(-long * Math.cos(turn), 9),
        expect.closeTo(side * long * Math.sin(turn), 9),
        expect.closeTo(0, 9),
      ]);
    });
  });

  it('a single limb stands in the middle and rises by its own angle, a curled tail off the end of its body', () => {
    const grub = usualPlastic('curl-tail', 3);
    const { limbs } = lay('threaded', grub);
    expect(limbs.map(({ side }) => side)).toEqual([0]);
    for (const { root, end, long, off } of limbs) {
      const turn = (off * Math.PI) / 180;
      expect([root[1], end[1]]).toEqual([0, 0]);
      expect(end[0]).toBeCloseTo(root[0] - long * Math.cos(turn), 9);
      expect(end[2]).toBeCloseTo(root[2] + long * Math.sin(turn), 9);
    }
  });

  it('on a hinge it is the free hook’s own eye, within a bait the eye’s place', () => {
    const hinged = rigOf('football', { hook: { size: '4/0', joint: { kind: 'clip', size: 4 } } });
    const eye = hinged.hook.hinge?.hookEye;
    expect(seatOf(hinged)).toBeCloseTo((eye?.centre[0] ?? NaN) - (eye?.radius ?? NaN), 9);
    const core = rigOf('core', { hook: { size: '4/0' } });
    expect(seatOf(core)).toBe(core.hook.knee[0]);
    expect(seatOf(RIG)).toBe(0);
    expect([hasRoom({ kind: 'tube' }), hasRoom({ kind: 'hollow' }), hasRoom({ kind: 'stick' })]).toEqual([
      true,
      true,
      false,
    ]);
  });
});

describe('a point covered', () => {
  const plastic = cylinder(8, 100);
  it.each([
    ['buried', 1.5],
    ['skin', 0.8],
  ] as const)(
    '%s: the back lies %d mm over the wire at the point (working values), level from there',
    (method, cover) => {
      const laid = lay(method, plastic);
      const behind = laid.body.filter(({ at }) => at[0] < RIG.hook.tip[0]);
      expect(behind.length).toBeGreaterThan(10);
      for (const { at, halfHeight } of behind)
        expect(at[1] + halfHeight - (RIG.hook.tip[2] + HOOK.wire / 2)).toBeCloseTo(cover, 9);
      expect(laid.cover).toBe(cover);
      // From the seat on, up in an even S: nothing at the nose, half way up half way along.
      expect(laid.body[0]?.at[1]).toBeCloseTo(0, 9);
      const level = RIG.hook.pointHeight + cover + HOOK.wire / 2 - 4;
      const tip = -RIG.hook.tip[0];
      const half = laid.body.reduce((a, b) =>
        Math.abs(b.at[0] + tip / 2) < Math.abs(a.at[0] + tip / 2) ? b : a,
      );
      expect(half.at[1] / level).toBeCloseTo(0.5, 1);
      // The hook goes through 5 mm of nose first (common practice: 1/8 to 1/4 in), and lies at its point.
      expect(laid.start).toBe(5);
      expect(laid.exit).toBeCloseTo(tip, 9);
      expect(laid.entry).toBeGreaterThan(laid.exit);
      // Room to drop: what the belly has over the shank’s wire, less what lies over the point and its wire.
      expect(laid.freeGap).toBeCloseTo(level - 4 - HOOK.wire / 2 - cover - HOOK.wire, 9);
      expect(laid.bend).toBeCloseTo((Math.atan2(level - 4 - HOOK.wire / 2, tip) * 180) / Math.PI, 9);
      // Only the eye stands before a covered point.
      expect(laid.bite).toBeCloseTo(RIG.hook.tip[2] - RIG.hook.eye.top, 9);
    },
  );

  it('along a round back the wire lies on its ridge, along a flat one beside it', () => {
    const round = lay('exposed', plastic);
    expect(round.cover).toBeCloseTo(-Math.min(HOOK.wire, 4), 9);
    const flat = lay('exposed', { ...usualPlastic('flat-creature', 4), stations: undefined } as Plastic);
    expect(flat.cover).toBeCloseTo(-HOOK.wire, 9);
  });

  it('on a screw nothing of the nose is gone through', () => {
    const keeper = { ...keeperInitial('screw'), standoff: 3 } as never;
    const laid = lay('screwed', plastic, rigOf('ball', { head: { dimensions: { breadth: 10 } }, keeper }));
    expect(laid.start).toBe(0);
    expect(laid.cover).toBe(1.5);
  });
});

describe('other ways', () => {
  const plastic = cylinder(8, 100);
  it('a bend left in lowers the tail: 10° from the point on, half of it on the way (working value)', () => {
    const laid = lay('bent', plastic);
    const [a, b] = [laid.body.at(-2), laid.body.at(-1)];
    const slope = ((b?.at[1] ?? 0) - (a?.at[1] ?? 0)) / ((b?.at[0] ?? 0) - (a?.at[0] ?? 0));
    expect(slope).toBeCloseTo(Math.tan(Math.PI / 18), 6);
    expect(laid.bend).toBe(-10);
    const tip = -RIG.hook.tip[0];
    expect(b?.at[1]).toBeCloseTo(-Math.tan(Math.PI / 18) * (100 - tip / 2), 6);
    // The hook is out the sooner for it.
    expect(laid.exit).toBeLessThan(lay('threaded', plastic).exit);
  });

  it('through the nose alone it hangs level in the bend, the gap as it was', () => {
    const laid = lay('nose-hooked', plastic);
    expect(laid.exit).toBe(4);
    expect(laid.seatAt).toBeCloseTo(RIG.hook.bendRear[0] + 4, 9);
    for (const { at } of laid.body) expect(at[1]).toBeCloseTo(RIG.hook.bendRear[2], 9);
    expect(laid.freeGap).toBeCloseTo(RIG.hook.pointHeight - RIG.hook.shankLevel - HOOK.wire, 9);
    expect(laid.fill).toBe(0);
    expect(laid.cover).toBeCloseTo(-(RIG.hook.pointHeight - RIG.hook.bendRear[2] - 4), 9);
  });

  it('in a tube the front of the metal lies half way into the full of the nose', () => {
    const tube = rigOf('tube', { hook: { size: '2/0' } });
    const bait = usualPlastic('tube', 3.5);
    const laid = layOnHead(tube, bait, methodOf('tube-insert'));
    // Twelve hundredths of the length are full.
    expect(laid.seatAt).toBeCloseTo(tube.profile.length + (0.12 * bait.length) / 2, 9);
    expect(laid.isWithin).toBe(true);
  });
});

describe('the centre of what is laid', () => {
  /**
   * Area and height of the centre of |y/b|^n + |z/h|^n ≤ 1, an exponent above and one below, by thin level
   * strips.
   */
  function stripped({ halfBreadth: b, halfHeight: h, nt, nb }: ReturnType<typeof plasticSection>) {
    let [area, moment] = [0, 0];
    const strips = 400;
    for (let i = 0; i < strips; i++) {
      const z = h * ((2 * (i + 0.5)) / strips - 1);
      const n = z >= 0 ? nt : nb;
      const wide = 2 * b * Math.max(0, 1 - Math.abs(z / h) ** n) ** (1 / n) * ((2 * h) / strips);
      area += wide;
      moment += wide * z;
    }
    return { area, rise: area > 0 ? moment / area : 0 };
  }
  it.each([
    ['flat-creature', 'threaded'],
    ['flat-creature', 'buried'],
    ['minnow', 'bent'],
    ['curl-tail', 'buried'],
    ['creature', 'skin'],
    ['paddle-tail', 'threaded'],
  ] as const)('of a %s that is %s is its sections’ and its limbs’ together, summed anew', (kind, method) => {
    const plastic = usualPlastic(kind, 4);
    const laid = lay(method, plastic);
    let [volume, x, z] = [0, 0, 0];
    // The axis lies where the drawn body says; between its stations it is taken straight.
    for (let i = 1; i < laid.body.length; i++) {
      const [a, b] = [laid.body[i - 1], laid.body[i]];
      if (!a || !b) continue;
      const at = [(a.at[0] + b.at[0]) / 2, (a.at[1] + b.at[1]) / 2] as const;
      const { area, rise } = stripped(plasticSection(plastic, laid.seatAt - at[0]));
      const piece = area * (a.at[0] - b.at[0]);
      volume += piece;
      x += piece * at[0];
      z += piece * (at[1] + rise);
    }
    for (const limb of laid.limbs) {
      const own = limbVolume(limb);
      volume += own;
      x += (own * (limb.root[0] + limb.end[0])) / 2;
      z += (own * (limb.root[2] + limb.end[2])) / 2;
    }
    expect(laid.centre[0] / (x / volume)).toBeCloseTo(1, 3);
    expect(laid.centre[1]).toBe(0);
    expect(Math.abs(laid.centre[2] - z / volume)).toBeLessThan(0.02);
  });

  it('a tail that stands up lifts it, a flat back too', () => {
    const up = PLASTIC_KINDS.filter(({ limbs }) => limbs.some(({ isPair, off }) => !isPair && off > 0));
    for (const { key } of up) {
      const single = lay('threaded', usualPlastic(key, 4)).limbs.find(({ side }) => side === 0);
      expect(single?.root[1]).toBe(0);
      expect(single?.end[1]).toBe(0);
      expect(single?.end[2]).toBeGreaterThan(single?.root[2] ?? NaN);
    }
    expect(lay('threaded', usualPlastic('flat-creature', 4)).centre[2]).not.toBeCloseTo(0, 1);
  });
});

describe('places where a covered hook goes in and out', () => {
  it('it goes in where it meets the belly from below, wherever the nose sits', () => {
    const keeper = { ...keeperInitial('screw'), standoff: 3 } as never;
    for (const [rig, method] of [
      [RIG, 'buried'],
      [rigOf('ball', { head: { dimensions: { breadth: 10 } }, keeper }), 'screwed'],
    ] as const) {
      const laid = lay(method, cylinder(8, 100), rig);
      const x = laid.seatAt - laid.entry;
      const near = laid.body.reduce((a, b) => (Math.abs(b.at[0] - x) < Math.abs(a.at[0] - x) ? b : a));
      const bend = rig.hook.centre.filter(([at]) => at < rig.hook.bendStart[0]);
      const meets = bend.filter(([at]) => Math.abs(at - x) < 0.05);
      const heights = meets.map(([, , z]) => Math.abs(z - (near.at[1] - near.halfHeight)));
      expect(Math.min(...heights)).toBeLessThan(0.6);
    }
  });

  it('nothing covers a point in front of the nose, or behind a bait’s end', () => {
    expect(lay('buried', cylinder(8, -RIG.hook.tip[0] - 1)).exit).toBeNaN();
    expect(lay('buried', cylinder(8, -RIG.hook.tip[0] + 1)).exit).toBeCloseTo(-RIG.hook.tip[0], 9);
  });

  it('a body that swells to the tail shields the point by what it is where the hook comes out', () => {
    const cone = shaped(12, [
      [0, 0.1],
      [1, 1],
    ]);
    const laid = lay('threaded', cone);
    expect((laid.fill * HOOK.gap) / 2).toBeCloseTo(plasticSection(cone, laid.exit).halfHeight, 9);
  });

  it('threaded over a barrel, and within a body, the hook comes out where it does threaded plain', () => {
    const plain = lay('threaded', cylinder(8, 100));
    const { exit, freeGap, bend } = lay('barrelled', cylinder(8, 100));
    expect({ exit, freeGap, bend }).toEqual({ exit: plain.exit, freeGap: plain.freeGap, bend: 0 });
    // Within, the nose sits farther forward by the head and half the full nose.
    const core = rigOf('core', { hook: { size: '4/0', style: 'round bend', measured: HOOK } });
    const hollow = usualPlastic('hollow', 4.5);
    const laid = lay('hollow-insert', hollow, core);
    expect(laid.seatAt).toBeCloseTo(core.profile.length + 0.06 * hollow.length, 9);
    expect(laid.bend).toBe(0);
    expect(laid.body.every(({ at }) => at[1] === 0)).toBe(true);
  });
});

describe('what a way is for', () => {
  it('a bend for flat bellies, along the back for flat backs, over a barrel for tough plastic', () => {
    const suited = (method: string, change: Partial<Plastic> = {}) =>
      PLASTIC_KINDS.filter(({ key }) => methodOf(method).suits?.({ ...usualPlastic(key, 4), ...change })).map(
        ({ key }) => key,
      );
    expect(suited('bent')).toEqual(
      PLASTIC_KINDS.filter(({ section }) => section === 'flat-bellied').map(({ key }) => key),
    );
    expect(suited('exposed')).toEqual(
      PLASTIC_KINDS.filter(({ section }) => section === 'flat-backed').map(({ key }) => key),
    );
    expect(suited('bent').length).toBeGreaterThan(0);
    expect(suited('exposed').length).toBeGreaterThan(0);
    expect(suited('barrelled', { toughness: 'soft' })).toEqual([]);
    expect(suited('barrelled', { toughness: 'stretchy' })).toHaveLength(PLASTIC_KINDS.length);
  });
  it('a head that lies within wants a core, a plastic without a room another way', () => {
    const plain = methodOf('hollow-insert').obstacle?.(RIG, usualPlastic('hollow', 4.5));
    expect(plain?.remedies).toMatchObject([{ of: 'design', path: '/head/family', value: 'core' }]);
    const core = rigOf('core', { hook: { size: '4/0' } });
    const way = (kind: 'tube' | 'stick') =>
      methodOf('hollow-insert').obstacle?.(core, usualPlastic(kind, 4))?.remedies[0]?.value;
    expect([way('tube'), way('stick')]).toEqual(['tube-insert', 'threaded']);
    expect(methodOf('hollow-insert').obstacle?.(core, usualPlastic('hollow', 4.5))).toBeUndefined();
  });
});

describe('steps of a person’s hands', () => {
  const said = (method: string, rig = RIG, plastic = cylinder(8, 100), cut = 0) => {
    const laid = layOnHead(rig, plastic, methodOf(method), cut);
    return {
      laid,
      text: methodOf(method)
        .steps(laid, rig)
        .map((step) => inUnits(step, 'metric')),
    };
  };
  it('tell the exit, the seat and the cut of this very rig', () => {
    const { laid, text } = said('threaded', RIG, cylinder(8, 100), 12);
    expect(text[0]).toMatch(/^Cut 12(\.0)? mm off the nose/);
    expect(text.join(' ')).toContain(`out of the back at ${laid.exit.toFixed(1)} mm`);
    expect(text.join(' ')).toMatch(/Nothing holds it there/);
    expect(said('threaded', RIG, cylinder(40, 100)).text.join(' ')).toMatch(/does not come out/);
  });
  it('a keeper is told by what it is and how deep it goes', () => {
    const wire = rigOf('ball', {
      head: { dimensions: { breadth: 10 } },
      keeper: keeperInitial('wire') as never,
    });
    expect(said('threaded', wire).text.join(' ')).toMatch(/over the wire holder, [\d.]+ mm deep/);
    const screw = rigOf('ball', {
      head: { dimensions: { breadth: 10 } },
      keeper: { ...keeperInitial('screw'), standoff: 3 } as never,
    });
    expect(said('threaded', screw).text.join(' ')).toMatch(/stands 3(\.\d+)? mm off the head/);
  });
  it('where nothing keeps the nose no keeper is told of, and on a hinge it meets the hook’s eye', () => {
    const usable = METHODS.filter(({ obstacle }) => !obstacle?.(RIG, cylinder(8, 100)));
    expect(usable.length).toBeGreaterThan(4);
    for (const { key } of usable) {
      const { text } = said(key);
      expect(text.join(' ')).not.toMatch(/the none|\b0(\.0+)? mm deep/);
    }
    expect(said('buried').text.join(' ')).toMatch(/up the shank to the head/);
    const wire = rigOf('ball', {
      head: { dimensions: { breadth: 10 } },
      keeper: keeperInitial('wire') as never,
    });
    expect(said('buried', wire).text.join(' ')).toMatch(/past the keeper/);
    const hinged = rigOf('football', { hook: { size: '4/0', joint: { kind: 'clip', size: 4 } } });
    expect(said('threaded', hinged).text.join(' ')).toMatch(/up against the eye of the hook/);
    // A weight on the shank is the bulge itself, as long as it is.
    const belly = rigOf('bellyweight', { hook: { size: '4/0' } });
    const over = said('barrelled', belly).text.join(' ');
    expect(over).toContain(`over the bulge, ${belly.profile.length.toFixed(1)} mm deep`);
    expect(over).not.toMatch(/Nothing holds it/);
  });
  it('weedless: nose first, then the belly, then how the point is hidden', () => {
    const { laid, text } = said('buried');
    expect(text[0]).toMatch(/^Point into the nose 5(\.\d+)? mm, and out below/);
    expect(text[2]).toContain(`from the nose; out of the back at ${laid.exit.toFixed(1)} mm`);
    expect(text.at(-1)).toMatch(/Sight along it/);
    expect(said('exposed').text.join(' ')).toMatch(/lying flat along the back/);
    // A bend that is left in is not sighted away.
    const bent = said('bent').text;
    expect(bent.at(-1)).toMatch(/^Leave the bend in/);
    expect(bent.join(' ')).not.toMatch(/Sight along/);
    expect(bent.slice(0, -1)).toEqual(
      said('threaded')
        .text.slice(0, -1)
        .map((step) => step.replace(/at [\d.]+ mm\.$/, `at ${said('bent').laid.exit.toFixed(1)} mm.`)),
    );
  });
});

describe('where the hook leaves a body', () => {
  it.each(['ball', 'football', 'wedge', 'dart'])(
    'is where its centre line crosses the back of a %s’s bait, not at a point of its drawing',
    (family) => {
      const rig = rigOf(family);
      for (const diameter of [5, 7, 9, 11]) {
        const plastic = cylinder(diameter, 100);
        const { exit, seatAt, body } = lay('threaded', plastic, rig);
        // Walked along in thousandths of a millimetre, against the half-height of a cylinder.
        const { centre, bendStart } = rig.hook;
        let found = NaN;
        for (let i = 1; i < centre.length && Number.isNaN(found); i++) {
          const [a, b] = [centre[i - 1], centre[i]];
          if (!a || !b) continue;
          const steps = Math.ceil(Math.hypot(b[0] - a[0], b[2] - a[2]) / 0.001);
          for (let k = 0; k <= steps; k++) {
            const [x, z] = [a[0] + ((b[0] - a[0]) * k) / steps, a[2] + ((b[2] - a[2]) * k) / steps];
            if (x < bendStart[0] && z > diameter / 2) {
              found = seatAt - x;
              break;
            }
          }
        }
        expect(body.length).toBeGreaterThan(2);
        expect(exit).toBeCloseTo(found, 2);
      }
    },
  );
});
