import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { starterDesign } from '../document/starter.ts';
import { freshRig } from '../document/trial.ts';
import type { Trial } from '../document/trial.ts';
import { familyOf } from '../head/families/index.ts';
import { loadSolids } from '../head/kernel.ts';
import { evaluate, PLAIN_WATER } from '../judge/evaluate.ts';
import { calibrated, factorOfDrop, factorOfTow, stepOf, STOPWATCH } from './calibrate.ts';
import { runs } from '../test-kit/runs.ts';
import { calibrationFor } from './from-water.ts';
import { moreWanted, newcombe, wilson } from './proportion.ts';
import { rateRatio, weightTrend } from './rates.ts';
import { falseWinner, stratified } from './strata.ts';
import { askew, compareGroups, OUTCOMES, peekingWarning, shareOf, totalsBy } from './tally.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

/** A small generator with a seed, so that simulated days are the same in every run (mulberry32). */
const seeded = (seed: number) => () => {
  seed = (seed + 0x6d2b79f5) | 0;
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
};
const normal = (random: () => number) =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

describe('a proportion', () => {
  // Newcombe, Statistics in Medicine 17 (1998) 857, table I, method 3 (score).
  it.each([
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718],
  ])('%d of %d has the published interval', (events, of, low, high) => {
    const found = wilson(events, of);
    expect(found.low).toBeCloseTo(low, 4);
    expect(found.high).toBeCloseTo(high, 4);
  });
  it('of nothing counted may be anything, and what cannot be is refused', () => {
    expect(wilson(0, 0)).toMatchObject({ low: 0, high: 1 });
    expect(() => wilson(3, 2)).toThrow(/3 of 2/);
    expect(() => wilson(0.5, 2)).toThrow();
    expect(() => wilson(-1, 2)).toThrow();
  });
  it('solves the score equation at its ends, whatever was counted', () => {
    // |p̂ − p| = z √(p (1 − p)/n) at both ends, by definition.
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), between(0, 1), (n, u) => {
        const x = Math.round(u * n);
        const { share, low, high } = wilson(x, n);
        for (const end of [low, high])
          if (end > 0 && end < 1)
            expect(Math.abs(share - end) / Math.sqrt((end * (1 - end)) / n)).toBeCloseTo(1.959964, 5);
        expect(low).toBeLessThanOrEqual(share);
        expect(high).toBeGreaterThanOrEqual(share);
      }),
    );
  });
});

describe('a difference', () => {
  // Newcombe, Statistics in Medicine 17 (1998) 873, table II, method 10.
  it.each([
    [[56, 70], [48, 80], 0.2, 0.0524, 0.3339],
    [[9, 10], [3, 10], 0.6, 0.1705, 0.809],
    [[10, 10], [0, 10], 1, 0.6075, 1],
  ] as const)('of %j and %j has the published interval', (first, second, difference, low, high) => {
    const found = newcombe(first, second);
    expect(found.difference).toBeCloseTo(difference, 6);
    expect(found.low).toBeCloseTo(low, 4);
    expect(found.high).toBeCloseTo(high, 4);
    expect(found.winner).toBe('first');
  });
  it('names nobody while zero is inside, and the other way round the other', () => {
    expect(newcombe([5, 20], [3, 20]).winner).toBeUndefined();
    expect(newcombe([48, 80], [56, 70]).winner).toBe('second');
    expect(newcombe([0, 0], [3, 20])).toMatchObject({ low: -1, high: 1, winner: undefined });
  });
  it('says how many more it takes, and that many do', () => {
    const more = moreWanted([5, 20], [3, 20]);
    expect(more).toBeDefined();
    const [m, n] = [20 + (more?.[0] ?? 0), 20 + (more?.[1] ?? 0)];
    expect(newcombe([Math.round(m / 4), m], [Math.round((3 * n) / 20), n]).winner).toBe('first');
    // By the usual formula for two shares of 25 and 15%, (1.96)² (p₁q₁ + p₂q₂)/δ² = 121 each: where the
    // interval ends at zero.
    expect(m).toBeGreaterThan(105);
    expect(m).toBeLessThan(140);
    expect(moreWanted([56, 70], [48, 80])).toEqual([0, 0]);
    expect(moreWanted([5, 20], [5, 20])).toBeUndefined();
  });
});

describe('places held apart', () => {
  it('a mixed day does not lie: better at both places, worse when thrown together', () => {
    // Charig and others, British Medical Journal 292 (1986) 879: the textbook case of a reversal. 81/87 and
    // 192/263 against 234/270 and 55/80.
    const found = stratified([
      { place: 'small', first: [81, 87], second: [234, 270] },
      { place: 'large', first: [192, 263], second: [55, 80] },
    ]);
    expect(found?.pooled.difference).toBeCloseTo(273 / 350 - 289 / 350, 10);
    expect(found?.difference).toBeGreaterThan(0.04);
    expect(found?.isMixed).toBe(true);
    // Mantel-Haenszel by hand: weights 87·270/357 and 263·80/343.
    const [w1, w2] = [(87 * 270) / 357, (263 * 80) / 343];
    const byHand = (w1 * (81 / 87 - 234 / 270) + w2 * (192 / 263 - 55 / 80)) / (w1 + w2);
    expect(found?.difference).toBeCloseTo(byHand, 12);
  });
  it('one place alone is Newcombe’s, places with one thing alone tell nothing', () => {
    const one = stratified([
      { place: 'a', first: [56, 70], second: [48, 80] },
      { place: 'b', first: [9, 10], second: [0, 0] },
    ]);
    expect(one?.places).toEqual(['a']);
    expect(one?.low).toBeCloseTo(0.0524, 4);
    expect(stratified([{ place: 'b', first: [9, 10], second: [0, 0] }])).toBeUndefined();
  });
  it('covers a true difference about as often as it says, over simulated seasons', () => {
    const random = seeded(7);
    const draw = (n: number, p: number) =>
      Array.from({ length: n }, () => random() < p).filter(Boolean).length;
    const places = [0.1, 0.25, 0.4, 0.55];
    let inside = 0;
    const seasons = 600;
    for (let i = 0; i < seasons; i++) {
      const found = stratified(
        places.map((p, k) => ({
          place: String(k),
          first: [draw(40, p + 0.1), 40],
          second: [draw(25, p), 25],
        })),
      );
      if (found && found.low <= 0.1 && found.high >= 0.1) inside++;
    }
    expect(inside / seasons).toBeGreaterThan(0.92);
    expect(inside / seasons).toBeLessThan(0.98);
  });
  // Armitage, McPherson & Rowe 1969, table 2 (from memory), and between its lines by the logarithm of the
  // looks.
  it.each([
    [0, 0.05],
    [1, 0.05],
    [2, 0.083],
    [3, 0.107],
    [4, 0.126],
    [5, 0.142],
    [10, 0.193],
    [20, 0.248],
    [50, 0.32],
    [7, 0.142 + (Math.log(7 / 5) / Math.log(2)) * (0.193 - 0.142)],
    [100, 0.248 + (Math.log(100 / 20) / Math.log(50 / 20)) * (0.32 - 0.248)],
  ])('after %d looks a winner that is none is named with a chance of %d', (looks, chance) => {
    expect(falseWinner(looks)).toBeCloseTo(chance, 9);
  });

  it('places where only one was fished tell nothing, whichever it is', () => {
    const here = { place: 'Here', first: [9, 30], second: [3, 30] } as const;
    const held = stratified([here]);
    for (const lone of [
      { place: 'There', first: [5, 10], second: [0, 0] } as const,
      { place: 'There', first: [0, 0], second: [5, 10] } as const,
    ])
      expect(stratified([here, lone])).toEqual(held);
    expect(stratified([{ place: 'There', first: [5, 10], second: [0, 0] }])).toBeUndefined();
  });

  it('many looks name false winners as often as the table says', () => {
    // Sums of normal days, looked at after each: how often any of k looks is beyond 1.96.
    const random = seeded(3);
    const seasons = 4000;
    const over = (looks: number) => {
      let wrong = 0;
      for (let i = 0; i < seasons; i++) {
        let sum = 0;
        for (let k = 1; k <= looks; k++) {
          sum += normal(random);
          if (Math.abs(sum) / Math.sqrt(k) > 1.959964) {
            wrong++;
            break;
          }
        }
      }
      return wrong / seasons;
    };
    for (const looks of [2, 5, 10]) expect(Math.abs(over(looks) - falseWinner(looks))).toBeLessThan(0.02);
    expect(falseWinner(1)).toBe(0.05);
    expect(falseWinner(7)).toBeGreaterThan(falseWinner(5));
    expect(falseWinner(200)).toBeGreaterThan(0.32);
  });
});

describe('rates', () => {
  it('a ratio stands between the exact ends of the published binomial', () => {
    // 11 of 14 events with equal hours: Wilson’s of 11/14 is 0.5241 to 0.9243, as odds 1.101 to 12.2.
    const found = rateRatio({ events: 11, hours: 5 }, { events: 3, hours: 5 });
    expect(found?.ratio).toBeCloseTo(11 / 3, 10);
    expect(found?.low).toBeCloseTo(1.101, 2);
    expect(found?.winner).toBe('first');
    expect(rateRatio({ events: 0, hours: 5 }, { events: 0, hours: 5 })).toBeUndefined();
    expect(rateRatio({ events: 4, hours: 5 }, { events: 0, hours: 5 })?.ratio).toBe(Infinity);
    // The other way round it is the inverse, and the other one wins.
    const turned = rateRatio({ events: 3, hours: 5 }, { events: 11, hours: 5 });
    expect(turned?.high).toBeCloseTo(1 / (found?.low ?? NaN), 10);
    expect(turned?.winner).toBe('second');
    // Three to four, and equal shares by unequal hours, are no difference.
    expect(rateRatio({ events: 4, hours: 5 }, { events: 3, hours: 5 })?.winner).toBeUndefined();
    expect(rateRatio({ events: 10, hours: 10 }, { events: 5, hours: 5 })?.ratio).toBeCloseTo(1, 12);
  });
  it('a trend of two weights is their ratio, and steps scale it', () => {
    const rows = [
      { grams: 1.2, events: 30, hours: 10 },
      { grams: 1.3, events: 45, hours: 10 },
    ];
    // With two weights the fit is exact: 1.5 over 0.1 g.
    expect(weightTrend(rows, 0.1)?.factor).toBeCloseTo(1.5, 8);
    expect(weightTrend(rows, 0.05)?.factor).toBeCloseTo(Math.sqrt(1.5), 8);
    // Var(log ratio) = 1/30 + 1/45 (Wald).
    const half = 1.959964 * Math.sqrt(1 / 30 + 1 / 45);
    expect(weightTrend(rows, 0.1)?.low).toBeCloseTo(1.5 * Math.exp(-half), 5);
    expect(weightTrend(rows, 0.1)?.high).toBeCloseTo(1.5 * Math.exp(half), 5);
    expect(weightTrend([rows[0] ?? { grams: 1, events: 1, hours: 1 }])).toBeUndefined();
    expect(weightTrend(rows.map((row) => ({ ...row, events: 0 })))).toBeUndefined();
    expect(
      weightTrend([
        { grams: 1, events: 0, hours: 4 },
        { grams: 2, events: 9, hours: 4 },
      ]),
    ).toBeUndefined();
  });
});

describe('calibration', () => {
  // A body that falls under constant force against drag in the square of its speed: v = v₀/√k, t from rest by
  // stepping.
  const stepped = (depth: number, factor: number) => {
    let [x, v, t] = [0, 0, 0];
    const dt = 2e-4;
    const a = 6;
    while (x < depth) {
      const push = (speed: number) => a * (1 - (factor * speed * speed) / (0.9 * 0.9));
      const middle = v + (dt / 2) * push(v);
      v += dt * push(middle);
      x += dt * v;
      t += dt;
    }
    return t;
  };
  const closed = (depth: number, factor: number) => {
    const v = 0.9 / Math.sqrt(factor);
    return (v / 6) * Math.acosh(Math.exp((6 * depth) / v ** 2));
  };
  it('finds a known factor from drops stepped in time', () => {
    expect(factorOfDrop({ depth: 3, seconds: stepped(3, 1.3) }, closed)).toBeCloseTo(1.3, 2);
    expect(factorOfDrop({ depth: 3, seconds: 0.01 }, closed)).toBeUndefined();
    expect(factorOfTow(2, (k) => 4 / (1 + k))).toBeCloseTo(1, 4);
  });
  const watched = (drops: readonly { readonly depth: number; readonly seconds: number }[], step: number) =>
    calibrated(
      drops.map(({ depth, seconds }) => ({
        observed: seconds,
        predicted: (factor) => closed(depth, factor),
        deviation: STOPWATCH,
        step,
      })),
    );
  it('its interval holds the true factor nineteen times in twenty, whatever the watch shows and however many drops', () => {
    const random = seeded(Number(process.env['SEED'] ?? 11));
    const logs = runs(1_200);
    let [inside, all] = [0, 0];
    for (const step of [0.01, 0.1, 0.2, 0.5])
      for (const count of [1, 2, 3, 5, 10, 20]) {
        let here = 0;
        for (let i = 0; i < logs; i++) {
          const factor = Math.exp(0.3 * normal(random));
          const depth = 1.5 + 3 * random();
          const drops = Array.from({ length: count }, () => ({
            depth,
            seconds:
              step * Math.max(1, Math.round((closed(depth, factor) + STOPWATCH * normal(random)) / step)),
          }));
          const found = watched(drops, stepOf(drops.map(({ seconds }) => seconds)));
          if (!found || (found.low <= factor && factor <= found.high)) here++;
        }
        // Four standard errors of such a share about the 94 to 96% that are wanted.
        const error = 4 * Math.sqrt((0.95 * 0.05) / logs);
        expect(here / logs, `${count} drops in steps of ${step} s`).toBeGreaterThan(0.94 - error);
        expect(here / logs, `${count} drops in steps of ${step} s`).toBeLessThan(0.965 + error);
        inside += here;
        all += logs;
      }
    expect(inside / all).toBeGreaterThan(0.945 - 2 / Math.sqrt(all));
    expect(inside / all).toBeLessThan(0.957 + 2 / Math.sqrt(all));
  });
  it('readings that coincide leave what the watch cannot tell, and a wild hand a wider span', () => {
    const alike = watched(
      Array.from({ length: 4 }, () => ({ depth: 3, seconds: 3.5 })),
      0.5,
    );
    // A hand of 0.15 s and a watch in half seconds: at least what one drop in twenty read by such a watch
    // would hide.
    const perSecond = Math.log(closed(3, 1.01) / closed(3, 1)) / Math.log(1.01);
    expect(Math.log((alike?.high ?? 1) / (alike?.low ?? 1))).toBeGreaterThan((2 * 0.1) / 3.5 / perSecond);
    const [tame, wild] = [0.05, 0.6].map((off) =>
      watched(
        [1, -1, 1, -1, 1, -1].map((sign) => ({ depth: 3, seconds: 3.5 + sign * off })),
        0,
      ),
    );
    const width = (found: ReturnType<typeof watched>) => Math.log((found?.high ?? 1) / (found?.low ?? 1));
    expect(width(wild) / width(tame)).toBeGreaterThan(3);
    expect(calibrated([])).toBeUndefined();
    // One drop: the usual hand, 1.96 deviations of it either way.
    const one = watched([{ depth: 3, seconds: 3.5 }], 0);
    expect(closed(3, one?.high ?? NaN) - 3.5).toBeCloseTo(1.959964 * STOPWATCH, 4);
    expect(3.5 - closed(3, one?.low ?? NaN)).toBeCloseTo(1.959964 * STOPWATCH, 4);
    expect(stepOf([1.5, 2, 3.5])).toBe(0.5);
    expect(stepOf([1.52, 2.1])).toBe(0.02);
    expect(stepOf([1.523])).toBe(0);
    expect(stepOf([])).toBe(0);
  });
});

describe('drag measured of a design', () => {
  beforeAll(() => loadSolids());
  const family = familyOf('football');
  const design = starterDesign(
    family ??
      (() => {
        throw new Error('football');
      })(),
    'Football',
  );
  const water = { temperature: 15, salinity: 0 };
  const seconds = (factor: number, depth: number) => {
    const drag = { factor, low: factor, high: factor, count: 1 };
    const judged = evaluate({ ...design, drag }, { ...PLAIN_WATER, water, depth, isShort: true });
    return judged.ok ? (judged.readings['fall.timeToDepth']?.value ?? NaN) : NaN;
  };
  it('a known factor is found again, within its interval, and fall and retrieve follow it as measured', () => {
    const random = seeded(21);
    const drops = [2, 3, 4, 5, 3, 4].map((depth) => ({
      design: 'x',
      depth,
      seconds: seconds(1.35, depth) + 0.06 * normal(random),
      water: 'fresh' as const,
      temperature: 15,
    }));
    const found = calibrationFor(design, { drops, tows: [] });
    if (!found.ok || !found.drag) throw new Error('nothing found');
    expect(found.drag.low).toBeLessThan(1.35);
    expect(found.drag.high).toBeGreaterThan(1.35);
    expect(found.drag.high / found.drag.low).toBeLessThan(1.25);
    const [before, after] = [design, { ...design, drag: found.drag }].map((one) =>
      evaluate(one, PLAIN_WATER),
    );
    if (!before?.ok || !after?.ok) throw new Error('not judged');
    expect(after.readings['fall.speed']?.kind).toBe('measured');
    expect(before.readings['fall.speed']?.kind).toBe('model');
    // Speed goes with the root of the drag.
    const ratio =
      (after.readings['fall.speed']?.value ?? NaN) / (before.readings['fall.speed']?.value ?? NaN);
    expect(ratio * Math.sqrt(found.drag.factor)).toBeCloseTo(1, 1);
    expect(after.readings['retrieve.depth']?.kind).toBe('measured');
    expect(after.readings['retrieve.depth']?.value).toBeLessThan(
      before.readings['retrieve.depth']?.value ?? 0,
    );
    // The attitude has little to do with it: a football is hardly turned by what goes with the speed alone.
    const attitudes = [before, after].map(({ readings }) => readings['fall.attitude']?.value ?? NaN);
    expect(Math.abs((attitudes[1] ?? NaN) - (attitudes[0] ?? NaN))).toBeLessThan(1);
  });
  it('a model that misses by more than its range says so', () => {
    const drop = (factor: number) => ({
      design: 'x',
      depth: 4,
      seconds: seconds(factor, 4),
      water: 'fresh' as const,
      temperature: 15,
    });
    const far = calibrationFor(design, { drops: [drop(2.2), drop(2.2)], tows: [] });
    expect(far.ok && far.drops.every(({ isMissed }) => isMissed)).toBe(true);
    expect(far.ok && far.says).toMatch(/missed 2 of 2/);
    // It is worked out in a worker: what does not survive a copy never arrives.
    expect(structuredClone(far)).toEqual(far);
    const near = calibrationFor(design, { drops: [drop(1.02)], tows: [] });
    expect(near.ok && near.says).toMatch(/all of it within/);
    expect(near.ok && near.drag?.factor).toBeCloseTo(1.02, 2);
    // What a tow says of the head's drag is blurred by the line's: beside drops it hardly counts.
    const tow = { design: 'x', speed: 0.6, lineOut: 20, line: 'fluorocarbon', test: 5.4, depth: 4 };
    const towed = calibrationFor(design, { drops: [], tows: [tow] });
    expect(towed.ok && towed.tows[0]?.factor).toBeGreaterThan(2);
    const both = calibrationFor(design, { drops: [drop(1.02), drop(1.04), drop(1)], tows: [tow] });
    expect(both.ok && both.drag?.factor).toBeLessThan(1.2);
    expect(calibrationFor(design, { drops: [], tows: [] })).toMatchObject({ ok: true, drag: undefined });
  });
});

describe('days on the water', () => {
  const rig = (head: string, place: number, counts: Partial<ReturnType<typeof freshRig>>) => ({
    ...freshRig(head, place),
    ...counts,
  });
  const day = (rigs: Trial['rigs']): Trial => ({
    format: 'fern-anvil/trial',
    version: 1,
    name: 'Day',
    day: '2026-05-30',
    places: [{ name: 'Reef' }, { name: 'Sand' }],
    rigs,
    drops: [],
    tows: [],
  });
  // The reversal of above, as hang-ups: the first hangs up more in both places, and less over all, since it
  // was fished on sand.
  const days = [
    day([
      rig('A', 0, { casts: 80, hangUps: 25 }),
      rig('B', 0, { casts: 263, hangUps: 71 }),
      rig('A', 1, { casts: 270, hangUps: 36 }),
      rig('B', 1, { casts: 87, hangUps: 6 }),
    ]),
  ];
  const hang = OUTCOMES.find(({ key }) => key === 'hang');
  if (!hang) throw new Error('hang');
  it('are compared place by place', () => {
    const totals = totalsBy(days, 'design');
    const [a, b] = [totals.get('A'), totals.get('B')];
    expect(a && shareOf(a, hang).share).toBeCloseTo(61 / 350, 10);
    expect(b && shareOf(b, hang).share).toBeCloseTo(77 / 350, 10);
    const found = compareGroups(days, 'design', ['A', 'B'], hang);
    expect(found.by?.difference).toBeGreaterThan(0);
    expect(found.by?.isMixed).toBe(true);
    expect(found.first.of).toBe(350);
    expect(compareGroups(days, 'design', ['A', 'nobody'], hang)).toMatchObject({
      by: undefined,
      better: undefined,
    });
  });
  it('what is good of an outcome decides who is better', () => {
    const sure = [day([rig('A', 0, { casts: 200, hangUps: 80 }), rig('B', 0, { casts: 200, hangUps: 20 })])];
    expect(compareGroups(sure, 'design', ['A', 'B'], hang).better).toBe('second');
    expect(compareGroups(sure, 'design', ['A', 'B'], hang).more).toEqual([0, 0]);
  });
  it('warns of peeking and of counts askew', () => {
    expect(peekingWarning(1)).toBe('');
    expect(peekingWarning(10)).toMatch(/19 of 100/);
    expect(askew(rig('A', 0, { touches: 1, hookUps: 2, casts: 5 }))).toHaveLength(1);
    expect(askew(rig('A', 0, { casts: 5, touches: 3, hookUps: 2, landed: 1, thrown: 1 }))).toEqual([]);
    expect(askew(rig('A', 0, { casts: 1, hangUps: 2, freed: 2, lost: 1, landed: 1 }))).toHaveLength(3);
  });
});
