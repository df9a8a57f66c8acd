import { describe, expect, it } from 'vitest';
import type { ReadingId } from '../behaviour/registry.ts';
import type { Bait, Rig } from '../assembly/rig.ts';
import type { Design } from '../document/design.ts';
import type { Plastic } from '../plastic/schema.ts';
import { hookSizeLimits } from '../rigging/limits.ts';
import { usualPlastic } from '../plastic/usual.ts';
import type { LaidMeasures } from '../rigging/method.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import { evaluate } from './evaluate.ts';
import { fitChecks } from './checks.ts';
import type { FitCheck, Verdict } from './verdict.ts';
import { worst } from './verdict.ts';
import { applyRemedy, cutForExit, firstFittingHook } from './remedies.ts';
import { METALS } from '../material/metals/index.ts';
import { methodOf } from '../rigging/methods/index.ts';
import { measureOnHead } from '../rigging/lay.ts';

/*
 * Every check of a fit at its limits, from either side. The limits are common practice, no source, and are
 * written out here anew: a limit that moves is to be moved on purpose. A bait that lies well is changed in
 * one measure at a time.
 */

const rigOf = (design: Design): Rig => {
  const result = evaluate(design, AT_ONCE);
  if (!result.ok) throw new Error(result.problems[0]?.message);
  return result.rig;
};
const DESIGN = sampleDesign('ball', { hook: { size: '4/0' }, guard: { kind: 'none' } });
const RIG = rigOf(DESIGN);
const GAP = RIG.measures.gap;
const PLASTIC = usualPlastic('paddle-tail', 4);

/** A bait of 100 mm that lies well in every respect. */
const WELL: LaidMeasures = {
  seatAt: 0,
  standOff: 0,
  cut: 0,
  start: 0,
  entry: NaN,
  exit: 35,
  exitShare: 0.35,
  freeGap: 10,
  fill: 0.4,
  cover: -1,
  bite: 8,
  reach: 40,
  tailRoom: 30,
  shoulderHeight: 1,
  shoulderBreadth: 1,
  isWithin: false,
  seat: 0.4,
  crest: 1.5,
  bend: 0,
  length: 100,
  tailAt: 70,
};
const READINGS: Partial<Record<ReadingId, number>> = {
  'rig.exit': 0.35,
  'rig.freeGap': 10,
  'rig.fill': 0.4,
  'rig.tailRoom': 30,
  'rig.bite': 8,
  'hook.biteAboveEye': 12,
  'rig.bend': 0,
  'rig.cover': 0.8,
  'head.height': 12,
};

interface Case {
  readonly laid?: Partial<LaidMeasures>;
  readonly read?: Partial<Record<ReadingId, number>>;
  readonly method?: Bait['method'];
  readonly plastic?: Plastic;
  readonly rig?: Rig;
  readonly design?: Design;
  readonly hook?: string;
}
function check(
  id: string,
  { laid, read, method = 'threaded', plastic = PLASTIC, rig = RIG, ...ways }: Case,
): FitCheck {
  const values = { ...READINGS, ...read };
  const found = fitChecks(
    rig,
    { plastic, method, laid: { ...WELL, ...laid } },
    (reading) => values[reading] ?? NaN,
    { design: ways.design ?? DESIGN, hook: () => ways.hook ?? '5/0' },
  ).find((one) => one.id === id);
  if (!found) throw new Error(`${id} is not looked at`);
  return found;
}
const verdict = (id: string, given: Case): Verdict => check(id, given).verdict;
/** Just inside and just outside of a limit. */
const HAIR = 1e-6;

describe('limits (common practice, no source)', () => {
  it.each<
    [string, (value: number) => Case, tight: number | undefined, good: number, most?: number, bad?: number]
  >([
    // Plastic's own span for a bare hook in a paddle-tail is told by the next test; here a buried point’s: 10
    // to 50%, to 6 and 60% barely.
    ['rig.exit', (v) => ({ method: 'buried', read: { 'rig.exit': v } }), 0.06, 0.1, 0.5, 0.6],
    ['rig.exit', (v) => ({ method: 'nose-hooked', read: { 'rig.exit': v } }), 0, 0.01, 0.12, 0.18],
    // Half the gap free over a bare point's plastic, a third of it barely.
    ['rig.freeGap', (v) => ({ read: { 'rig.freeGap': v * GAP } }), 0.35, 0.5],
    ['rig.freeGap', (v) => ({ method: 'buried', read: { 'rig.freeGap': v * GAP } }), 0.05, 0.16],
    ['rig.freeGap', (v) => ({ method: 'hollow-insert', read: { 'rig.freeGap': v * GAP } }), 0.15, 0.3],
    // A sixteenth of the body behind the hook.
    ['rig.tailRoom', (v) => ({ read: { 'rig.tailRoom': v * PLASTIC.length } }), 0, 0.06],
    // A quarter of an inch above what stands before the point, half of that barely.
    ['rig.bite', (v) => ({ read: { 'rig.bite': v } }), 3.175, 6.35],
    ['rig.shoulder', (v) => ({ laid: { shoulderHeight: v, shoulderBreadth: 1 } }), 0.6, 0.8, 1.35, 1.9],
    ['rig.shoulder', (v) => ({ laid: { shoulderHeight: 1, shoulderBreadth: v } }), 0.6, 0.8, 1.35, 1.9],
    [
      'rig.shoulder',
      (v) => ({ laid: { shoulderHeight: v, shoulderBreadth: 0.05, isWithin: true } }),
      0.08,
      0.15,
      0.72,
      0.9,
    ],
    [
      'rig.shoulder',
      (v) => ({
        laid: { shoulderHeight: 0.05, shoulderBreadth: v, isWithin: true },
        plastic: usualPlastic('tube', 3.5),
      }),
      0.15,
      0.3,
      1.15,
      1.35,
    ],
    [
      'rig.seat',
      (v) => ({ laid: { seat: v }, plastic: { ...PLASTIC, toughness: 'soft' } }),
      0.1,
      0.2,
      0.55,
      0.7,
    ],
    [
      'rig.seat',
      (v) => ({ laid: { seat: v }, plastic: { ...PLASTIC, toughness: 'standard' } }),
      0.1,
      0.2,
      0.65,
      0.8,
    ],
    [
      'rig.seat',
      (v) => ({ laid: { seat: v }, plastic: { ...PLASTIC, toughness: 'stretchy' } }),
      0.1,
      0.2,
      0.85,
      1.05,
    ],
    ['rig.straight', (v) => ({ method: 'buried', read: { 'rig.bend': v } }), -16, -8, 28, 40],
    ['rig.straight', (v) => ({ method: 'bent', read: { 'rig.bend': v } }), -22, -14, -4, 0],
    ['rig.back', (v) => ({ method: 'exposed', read: { 'rig.cover': -v } }), -1.5, -0.6, 1.2, 2.5],
  ])('%s %#: good, barely and not', (id, given, tight, good, most, bad) => {
    const at = (value: number) => verdict(id, given(value));
    expect(at(good + HAIR)).toBe('good');
    if (tight !== undefined) {
      expect(at(good - HAIR)).toBe('tight');
      expect(at(tight + HAIR)).toBe('tight');
      expect(at(tight - HAIR)).toBe('bad');
    }
    if (most === undefined || bad === undefined) {
      expect(at(good + 1000)).toBe('good');
    } else {
      expect(at(most - HAIR)).toBe('good');
      expect(at(most + HAIR)).toBe('tight');
      expect(at(bad - HAIR)).toBe('tight');
      expect(at(bad + HAIR)).toBe('bad');
    }
  });

  it('what cannot be said is bad, not good', () => {
    const never = check('rig.exit', { read: { 'rig.exit': NaN } });
    expect(never.verdict).toBe('bad');
    expect(never.says).toMatch(/never leaves the body/);
    expect(verdict('rig.freeGap', { read: { 'rig.freeGap': NaN } })).toBe('bad');
  });

  it('a bite on a small hook needs half its gap and not a quarter of an inch', () => {
    const small = rigOf(
      sampleDesign('ball', {
        hook: { size: '#4' },
        head: { dimensions: { breadth: 5 } },
        keeper: { kind: 'none' },
        guard: { kind: 'none' },
      }),
    );
    const half = small.measures.gap / 2;
    expect(half).toBeLessThan(6.35);
    const at = (value: number) => verdict('rig.bite', { rig: small, read: { 'rig.bite': value } });
    expect([at(half + HAIR), at(half - HAIR), at(half / 2 - HAIR)]).toEqual(['good', 'tight', 'bad']);
  });

  it('of a round back the wire lies on a ridge; a flat one lets it in by half of itself', () => {
    const flat = usualPlastic('flat-creature', 4);
    const off = (plastic: Plastic) =>
      check('rig.back', { method: 'exposed', plastic, read: { 'rig.cover': -1 }, laid: { cover: -1.2 } })
        .value;
    expect(off(PLASTIC)).toBeCloseTo(1, 9);
    expect(off(flat)).toBeCloseTo(1 - 0.6, 9);
  });

  it('of a broad head only the height counts; of others the direction further from 1', () => {
    const football = rigOf(sampleDesign('football', { hook: { size: '4/0' }, guard: { kind: 'none' } }));
    const laid = { shoulderHeight: 1.1, shoulderBreadth: 2.5 };
    expect(verdict('rig.shoulder', { laid })).toBe('bad');
    expect(verdict('rig.shoulder', { laid, rig: football })).toBe('good');
    // A third is as far from 1 as three, the other way.
    expect(check('rig.shoulder', { laid: { shoulderHeight: 0.7, shoulderBreadth: 1.3 } }).value).toBe(0.7);
    expect(check('rig.shoulder', { laid: { shoulderHeight: 0.8, shoulderBreadth: 1.3 } }).value).toBe(1.3);
  });

  it('a bait on a free hook swings clear of the head', () => {
    const hinged = rigOf(
      sampleDesign('football', {
        hook: { size: '4/0', joint: { kind: 'clip', size: 4 } },
        keeper: { kind: 'none' },
        guard: { kind: 'none' },
      }),
    );
    const found = check('rig.shoulder', { rig: hinged, laid: { shoulderHeight: 9 } });
    expect([found.verdict, found.says, found.fix]).toEqual([
      'good',
      'The bait swings free behind the head.',
      '',
    ]);
  });

  it('a seat is looked at only where a collar goes into a nose', () => {
    const ids = (laid: Partial<LaidMeasures>, method: Bait['method'] = 'threaded') =>
      fitChecks(
        RIG,
        { plastic: PLASTIC, method, laid: { ...WELL, ...laid } },
        (id) => READINGS[id] ?? NaN,
      ).map(({ id }) => id);
    expect(ids({})).toContain('rig.seat');
    expect(ids({ seat: 0 })).not.toContain('rig.seat');
    expect(ids({ isWithin: true })).not.toContain('rig.seat');
    expect(ids({}, 'nose-hooked')).not.toContain('rig.seat');
    expect(ids({}, 'nose-hooked')).not.toContain('rig.shoulder');
    expect(ids({})).not.toContain('rig.straight');
    expect(ids({})).not.toContain('rig.back');
    expect(ids({}, 'trailer')).toContain('rig.trailer');
    expect(ids({}, 'trailer')).not.toContain('rig.hookSize');
    expect(ids({}, 'trailer')).not.toContain('rig.skirt');
  });
});

describe('what is said, and what to do', () => {
  it('too near the nose: another hook, or a cut where one helps; too far back: another hook', () => {
    const near = check('rig.exit', { read: { 'rig.exit': 0.01 } });
    expect(near.says).toMatch(/too near the nose/);
    expect(near.fix).toMatch(/^Go to 5\/0/);
    expect(near.remedies[0]).toMatchObject({ of: 'design', path: '/hook/size', value: '5/0' });
    const far = check('rig.exit', { read: { 'rig.exit': 0.95 } });
    expect(far.says).toMatch(/deadens the tail/);
    expect(far.fix).toBe('Go to 5/0.');
    const none = check('rig.exit', { read: { 'rig.exit': 0.95 }, hook: '' });
    expect(none.fix).toBe('No hook of the chart fits this body.');
    expect(none.remedies).toEqual([]);
    expect(check('rig.exit', {}).says).toBe('It leaves the body where it should.');
    expect(check('rig.exit', { method: 'buried', read: { 'rig.exit': 0.3 } }).says).toBe(
      'It lies where it should.',
    );
  });

  it('the cut that is offered is that on top of what was cut before', () => {
    // A long stick on a short hook: it comes out near the nose, and a cut brings it back.
    const plastic = { ...usualPlastic('stick', 5), cut: 3 };
    const rig = rigOf(sampleDesign('ball', { hook: { size: '#1' }, guard: { kind: 'none' } }));
    const method = methodOf('threaded');
    const laid = measureOnHead(rig, plastic, method);
    const by = cutForExit(rig, plastic, method, laid);
    if (by === 0) throw new Error('no cut helps here');
    const found = check('rig.exit', { rig, plastic, laid, read: { 'rig.exit': laid.exitShare } });
    expect(found.remedies.find(({ of }) => of === 'plastic')).toMatchObject({ path: '/cut', value: 3 + by });
    // Right by one millimetre: with it the exit is where it should be, with one less it is not.
    const share = (cut: number) => measureOnHead(rig, plastic, method, cut).exitShare;
    expect(share(by)).toBeGreaterThanOrEqual(found.good[0]);
    if (by > 1) expect(share(by - 1)).toBeLessThan(found.good[0]);
    // For a list no cut is looked for.
    const listed = fitChecks(
      rig,
      { plastic, method: 'threaded', laid: { ...WELL, ...laid } },
      () => laid.exitShare,
    );
    expect(listed.find(({ id }) => id === 'rig.exit')?.remedies).toEqual([]);
  });

  it('a full gap tells by how much it is full', () => {
    const found = check('rig.freeGap', { read: { 'rig.freeGap': 1, 'rig.fill': 0.876 } });
    expect(found.says).toMatch(/takes 88% of the gap/);
    expect(found.fix).toBe('Go to 5/0, or take a slimmer plastic.');
    expect(check('rig.freeGap', {}).says).toMatch(/room to take hold/);
    const tail = check('rig.tailRoom', { read: { 'rig.tailRoom': -5 } });
    expect([tail.says, tail.fix]).toEqual(['The hook reaches into the part that should move.', 'Go to 5/0.']);
  });

  it('a low point: over the eye the eye is leaned, over the bait the bait is slimmer', () => {
    const eye = check('rig.bite', { read: { 'rig.bite': 3, 'hook.biteAboveEye': 3 } });
    expect(eye.says).toMatch(/too little above the eye/);
    expect(eye.fix).toMatch(/Lean the eye forward/);
    expect(eye.remedies).toMatchObject([{ path: '/eye/angle', value: DESIGN.eye.angle - 15 }]);
    const flat: Design = { ...DESIGN, eye: { ...DESIGN.eye, angle: 20 } };
    expect(
      check('rig.bite', { read: { 'rig.bite': 3, 'hook.biteAboveEye': 3 }, design: flat }).remedies,
    ).toEqual([]);
    const bait = check('rig.bite', { read: { 'rig.bite': 3, 'hook.biteAboveEye': 9 } });
    expect(bait.says).toBe('The bait before it stands nearly as high as the point.');
    expect(bait.fix).toMatch(/slimmer plastic or a wider hook/);
    const screw = check('rig.bite', {
      laid: { standOff: 4 },
      read: { 'rig.bite': 3, 'hook.biteAboveEye': 9 },
    });
    expect(screw.says).toMatch(/the screw stands it back/);
  });

  it('metal in a body: too much splits it, too little is lost', () => {
    const inside = (value: number) =>
      check('rig.shoulder', { laid: { shoulderHeight: value, shoulderBreadth: 0.01, isWithin: true } });
    expect(inside(0.8).says).toMatch(/will split it/);
    expect(inside(0.8).fix).toMatch(/denser metal/);
    expect(inside(0.1).says).toMatch(/lost in the body/);
    expect(inside(0.1).fix).toMatch(/more weight/);
    expect(inside(0.5).says).toMatch(/closes around/);
  });

  it('a head against a body names the height that would run into it', () => {
    const low = check('rig.shoulder', { laid: { shoulderHeight: 0.5 } });
    expect(low.says).toMatch(/body stands out behind the head/);
    // 12 mm of head at half the body's height: the body is 24 mm, and nine tenths of it is a head of 21.6 mm.
    expect(low.fix).toContain('⟦21.6|size⟧');
    const high = check('rig.shoulder', { laid: { shoulderHeight: 2 } });
    expect(high.says).toMatch(/head stands out over the body/);
    // 12 mm over 1.2.
    expect(high.fix).toContain('⟦10|size⟧');
  });

  it('a collar is brought to what the nose bears', () => {
    // A nose of 7.5 mm with a crest of 1.5 mm: 0.4 of it.
    const seat = (value: number, toughness: Plastic['toughness']) =>
      check('rig.seat', { laid: { seat: value, crest: 1.5 }, plastic: { ...PLASTIC, toughness } });
    const wide = seat(0.8, 'soft');
    expect(wide.says).toMatch(/soft plastic may split/);
    // The nose is 3 / 0.8 = 3.75 mm; what it bears is 0.55 of that, 2.06 mm with the barbs.
    expect(wide.fix).toContain('⟦2.0625|size⟧');
    const thin = seat(0.15, 'standard');
    expect(thin.says).toMatch(/too thin to hold/);
    // 3 / 0.15 = 20 mm of nose, of which two fifths hold.
    expect(thin.fix).toContain('⟦8|size⟧');
    const core = DESIGN.keeper.kind === 'collar' ? DESIGN.keeper.diameter : NaN;
    expect(thin.remedies[0]?.value).toBeCloseTo(Math.round((core + 8 - 3) * 20) / 20, 9);
    expect(seat(0.4, 'soft').says).toMatch(/fills the nose/);
    const wired: Design = { ...DESIGN, keeper: { kind: 'none' } };
    expect(check('rig.seat', { laid: { seat: 0.15 }, design: wired }).remedies).toEqual([]);
  });

  it('a bent body may be threaded instead, and a meant bend is praised', () => {
    const bent = check('rig.straight', { method: 'buried', read: { 'rig.bend': 60 } });
    expect(bent.says).toMatch(/will spin/);
    expect(bent.fix).toBe('Go to 5/0, or thread it with the point bare.');
    expect(bent.remedies.map(({ of, value }) => [of, value])).toEqual([
      ['design', '5/0'],
      ['method', 'threaded'],
    ]);
    expect(check('rig.straight', { method: 'bent', read: { 'rig.bend': -9 } }).says).toMatch(/slight bend/);
    expect(check('rig.straight', { method: 'buried' }).says).toBe('The body lies straight.');
  });

  it('a point off the back goes under the skin; a large hook on a short bait goes', () => {
    const off = check('rig.back', { method: 'exposed', read: { 'rig.cover': -9 } });
    expect(off.remedies).toMatchObject([{ of: 'method', value: 'skin' }]);
    expect(off.says).toMatch(/stands off the back/);
    const large = check('rig.hookSize', { laid: { length: 60 }, plastic: { ...PLASTIC, height: 8 } });
    expect(large.value).toBeCloseTo(RIG.soldGap / 60, 12);
    expect(large.fix).toBe('Go to 5/0, or take a longer bait.');
  });

  it('a trailer is measured against head and hook together', () => {
    const whole = RIG.profile.length - RIG.hook.bendRear[0];
    const trailer = (share: number) =>
      check('rig.trailer', { method: 'trailer', laid: { length: share * whole } });
    expect([0.69, 0.71, 0.91, 2.19, 2.21, 2.81].map((share) => trailer(share).verdict)).toEqual([
      'bad',
      'tight',
      'good',
      'good',
      'tight',
      'bad',
    ]);
    const long = trailer(2.5);
    expect(long.says).toMatch(/Too long/);
    expect(long.remedies).toMatchObject([{ of: 'plastic', path: '/cut', value: Math.round(0.3 * whole) }]);
    expect(trailer(0.5)).toMatchObject({ fix: 'Take a longer trailer.', remedies: [] });
    const cut = check('rig.trailer', {
      method: 'trailer',
      laid: { length: 2.5 * whole },
      plastic: { ...PLASTIC, cut: 4 },
    });
    expect(cut.remedies[0]?.value).toBe(4 + Math.round(0.3 * whole));
  });

  it('a skirt ends at the meat’s end, and uneven', () => {
    const skirted = (length: number, uneven: number): Rig => ({ ...RIG, skirt: { length, uneven } });
    const off = (length: number) => check('rig.skirt', { method: 'trailer', rig: skirted(length, 6) });
    expect([56.9, 57.1, 63.7, 76.3, 76.5, 83.1].map((length) => off(length).verdict)).toEqual([
      'bad',
      'tight',
      'good',
      'good',
      'tight',
      'bad',
    ]);
    expect(off(80).says).toMatch(/hides the legs/);
    expect(off(60).says).toMatch(/leaves the meat/);
    expect(off(60).remedies).toMatchObject([{ path: '/skirt/length', value: 70 }]);
    const uneven = (by: number) => check('rig.uneven', { method: 'trailer', rig: skirted(70, by) });
    expect([0.9, 1.1, 3.1, 12.9, 13.1, 20.1].map((by) => uneven(by).verdict)).toEqual([
      'bad',
      'tight',
      'good',
      'good',
      'tight',
      'bad',
    ]);
    expect(uneven(0).says).toMatch(/ends are even/);
    expect(uneven(18).says).toMatch(/so uneven/);
    expect(uneven(18).remedies).toMatchObject([{ path: '/skirt/uneven', value: 6.4 }]);
    // A skirt is never longer than one can be made.
    const far = check('rig.skirt', { method: 'trailer', rig: skirted(70, 6), laid: { tailAt: 400 } });
    expect(far.remedies[0]?.value).toBe(150);
  });

  it('the whole is as good as its worst part', () => {
    expect(worst([])).toBe('good');
    expect(worst(['good', 'tight', 'good'])).toBe('tight');
    expect(worst(['tight', 'bad', 'good'])).toBe('bad');
  });
});

describe('a remedy done', () => {
  const rigging = { design: DESIGN, plastic: PLASTIC, method: 'threaded' } as const;
  it('changes what it names and nothing else', () => {
    const leaned = applyRemedy(rigging, { of: 'design', path: '/eye/angle', value: 45, says: '' });
    expect(leaned).toEqual({ ...rigging, design: { ...DESIGN, eye: { ...DESIGN.eye, angle: 45 } } });
    const cut = applyRemedy(rigging, { of: 'plastic', path: '/cut', value: 7, says: '' });
    expect(cut).toEqual({ ...rigging, plastic: { ...PLASTIC, cut: 7 } });
    const skirt = applyRemedy(rigging, { of: 'design', path: '/skirt/length', value: 50, says: '' });
    expect(skirt.design).toMatchObject({ skirt: { length: 50 } });
    expect(applyRemedy(rigging, { of: 'method', path: '', value: 'buried', says: '' }).method).toBe('buried');
    expect(applyRemedy(rigging, { of: 'method', path: '', value: 'by magic', says: '' })).toEqual(rigging);
  });

  it('another hook leaves the measured sizes of the old one behind', () => {
    const measured: Design = {
      ...DESIGN,
      hook: { ...DESIGN.hook, measured: { gap: 13, shank: 30, wire: 1.1 } },
    };
    const after = applyRemedy(
      { ...rigging, design: measured },
      { of: 'design', path: '/hook/size', value: '2/0', says: '' },
    );
    expect(after.design.hook).toMatchObject({ size: '2/0' });
    expect(after.design.hook.measured).toBeUndefined();
  });

  it('the hook it names fits in every respect, and no nearer one of the chart does', () => {
    const sizes = ['#8', '#6', '#4', '#2', '#1', '1/0', '2/0', '3/0', '4/0', '5/0', '6/0', '8/0'];
    const design = sampleDesign('ball', { hook: { size: '1/0' }, guard: { kind: 'none' } });
    for (const method of ['threaded', 'buried'] as const) {
      const kind = methodOf(method);
      for (const plastic of [
        usualPlastic('paddle-tail', 4),
        usualPlastic('stubby', 2.75),
        usualPlastic('stick', 5),
      ]) {
        const named = firstFittingHook(design, plastic, kind, METALS);
        const fits = (size: string) => {
          const result = evaluate({ ...design, hook: { ...design.hook, size } }, AT_ONCE, {
            plastic,
            method,
          });
          if (!result.ok) return false;
          const { laid } = result.rig.bait ?? {};
          if (!laid) return false;
          const { gap } = result.rig.measures;
          const [least, most] = kind.exit?.good ?? [0, 1];
          const own = kind.exit ? laid.exitShare >= least && laid.exitShare <= most : true;
          return (
            own &&
            laid.freeGap >= kind.freeGap.good * gap &&
            laid.tailRoom >= 0.06 * plastic.length &&
            gap <= hookSizeLimits({ length: laid.length, height: plastic.height }).good[1] * laid.length &&
            (!kind.straight || laid.bend <= kind.straight.good[1])
          );
        };
        if (named !== '')
          expect([plastic.kind, method, named, fits(named)]).toEqual([plastic.kind, method, named, true]);
        else if (kind.exit) expect(sizes.filter((size) => size !== '1/0' && fits(size))).toEqual([]);
      }
    }
  });
});
