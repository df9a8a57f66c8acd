import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import type { Highs } from 'highs';
import { addedBy, coverageOf, worthOf } from './coverage.ts';
import { ladderSteps } from './ladder-gaps.ts';
import { mixed, spanning } from './mix.ts';
import { marginOf, outlayOf } from './money.ts';
import type { Candidate, RangeLimits, RangeProblem, Serving } from './programme.ts';
import { leastRange, loadSolver } from './solve.ts';

let highs: Highs;
beforeAll(async () => {
  highs = await loadSolver();
});

/**
 * Every subset tried: what any solver must agree with. Counts in the order of the aims, the last two turned
 * round.
 */
function bruteForce({
  candidates,
  serves,
  limits,
  keep = [],
  drop = [],
}: RangeProblem): number[] | undefined {
  let best: number[] | undefined;
  for (let mask = 0; mask < 2 ** candidates.length; mask++) {
    const taken = candidates.flatMap((_, i) => ((mask >> i) & 1 ? [i] : []));
    if (!keep.every((i) => taken.includes(i)) || drop.some((i) => taken.includes(i))) continue;
    const kinds = (key: 'mould' | 'metal' | 'hook') =>
      new Set(taken.flatMap((i) => candidates[i]?.[key] ?? [])).size;
    const outlay = taken.reduce((sum, i) => sum + (candidates[i]?.outlay ?? 0), 0);
    if (taken.length > (limits.heads ?? Infinity) || outlay > (limits.outlay ?? Infinity)) continue;
    if (kinds('mould') > (limits.moulds ?? Infinity) || kinds('metal') > (limits.metals ?? Infinity))
      continue;
    if (kinds('hook') > (limits.hooks ?? Infinity)) continue;
    const reached = (least: number) =>
      serves.filter((row) => taken.some((i) => (row[i] ?? 0) >= least)).length;
    const score = [reached(2), reached(1), -taken.length, -outlay];
    const at = best ? score.findIndex((value, k) => value !== best?.[k]) : 0;
    if (!best || (at >= 0 && (score[at] as number) > (best[at] as number))) best = score;
  }
  return best;
}

const anyProblem: fc.Arbitrary<RangeProblem> = fc.integer({ min: 1, max: 9 }).chain((n) =>
  fc.record({
    candidates: fc.array(
      fc.record({
        id: fc.constant('head'),
        metal: fc.constantFrom('lead', 'tin', 'tungsten'),
        hook: fc.constantFrom('1/0', '2/0', '3/0'),
        mould: fc.constantFrom('A', 'B', 'C', undefined),
        outlay: fc.integer({ min: 1, max: 40 }),
      }),
      { minLength: n, maxLength: n },
    ),
    serves: fc.array(fc.array(fc.constantFrom<Serving>(0, 0, 1, 2), { minLength: n, maxLength: n }), {
      minLength: 1,
      maxLength: 6,
    }),
    limits: fc.record(
      {
        heads: fc.integer({ min: 1, max: 5 }),
        moulds: fc.integer({ min: 0, max: 2 }),
        metals: fc.integer({ min: 1, max: 2 }),
        hooks: fc.integer({ min: 1, max: 2 }),
        outlay: fc.integer({ min: 5, max: 80 }),
      },
      { requiredKeys: [] },
    ) as fc.Arbitrary<RangeLimits>,
    keep: fc.constantFrom<readonly number[]>([], [0]),
    drop: fc.constantFrom<readonly number[]>([], [n - 1]),
  }),
);

describe('the least range', () => {
  it('is the best of every subset, tried one by one, within any limits', () => {
    fc.assert(
      fc.property(anyProblem, (problem) => {
        const found = leastRange(highs, problem);
        const best = bruteForce(problem);
        if (!best) {
          expect(found).toEqual({ ok: false, reason: 'impossible' });
          return;
        }
        expect(found.ok).toBe(true);
        if (!found.ok) return;
        expect(found.isProven).toBe(true);
        const { briefs } = coverageOf(problem.serves, found.taken);
        expect([
          briefs.filter(({ well }) => well > 0).length,
          briefs.filter(({ served }) => served > 0).length,
          -found.taken.length,
          -found.taken.reduce((sum, i) => sum + (problem.candidates[i]?.outlay ?? 0), 0),
        ]).toEqual(best);
      }),
      { numRuns: 120, endOnFailure: true },
    );
  });

  it('of 60 heads for 20 briefs is proven, and a search can be stopped', () => {
    let seed = 9;
    const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    const candidates = Array.from({ length: 60 }, (_, i): Candidate => ({
      id: String(i),
      metal: ['lead', 'tin', 'tungsten'][i % 3] ?? 'lead',
      hook: `${i % 5}/0`,
      mould: `m${i % 12}`,
      outlay: 5 + Math.floor(60 * random()),
    }));
    const serves = Array.from({ length: 20 }, () =>
      candidates.map((): Serving => (random() < 0.08 ? 2 : random() < 0.15 ? 1 : 0)),
    );
    const seen: string[] = [];
    const problem = { candidates, serves, limits: { heads: 9, moulds: 6, hooks: 4 } };
    const found = leastRange(highs, problem, { onProgress: ({ aim }) => seen.push(aim) });
    expect(found).toMatchObject({ ok: true, isProven: true, gap: 0 });
    expect(new Set(seen)).toEqual(new Set(['well', 'served', 'heads', 'outlay']));
    expect(leastRange(highs, problem, { isStopped: () => true })).toEqual({ ok: false, reason: 'stopped' });
  });
});

describe('coverage', () => {
  const serves: Serving[][] = [
    [2, 2, 0],
    [0, 1, 0],
    [0, 0, 0],
    [0, 0, 2],
  ];
  it('tells missed, doubled and care', () => {
    const found = coverageOf(serves, [0, 1, 2]);
    expect(found.missed).toEqual([2]);
    expect(found.care).toEqual([1]);
    expect(found.doubled).toEqual([0]);
  });
  it('says what dropping one loses and what each adds', () => {
    const worth = worthOf(serves, [0, 1, 2]);
    expect(worth.map(({ lost }) => lost)).toEqual([[], [1], [3]]);
    expect(worth[1]?.gone).toEqual([1]);
    // The second serves one well and one with care, the first only what that has: it comes last and adds
    // nothing.
    expect(addedBy(serves, [0, 1, 2])).toEqual([
      { head: 1, adds: [0, 1] },
      { head: 2, adds: [3] },
      { head: 0, adds: [] },
    ]);
  });
});

describe('steps of a ladder', () => {
  it('are judged by what they do in the water, not by ounces', () => {
    const steps = ladderSteps([
      { id: 'c', grams: 14, fall: 1.35, bottom: 1.2 },
      { id: 'a', grams: 7, fall: 0.9, bottom: 0.7 },
      { id: 'b', grams: 10, fall: 0.95, bottom: 0.74 },
      { id: 'd', grams: 15, fall: 1.6, bottom: undefined },
    ]);
    expect(steps.map(({ from, to, kind }) => `${from}${to} ${kind}`)).toEqual([
      'ab double',
      'bc gap',
      'cd even',
    ]);
    expect(steps[1]?.between).toBeCloseTo(Math.sqrt(140), 10);
    expect(steps[0]?.weight).toBeCloseTo(10 / 7, 10);
  });
});

describe('what counts as a step (working values)', () => {
  const rung = (grams: number, fall: number, bottom?: number) => ({ id: `${grams}`, grams, fall, bottom });
  const step = (fall: number, bottom?: number) =>
    ladderSteps([rung(7, 1, bottom === undefined ? undefined : 1), rung(14, fall, bottom)])[0];

  it.each([
    [1.079, undefined, 'double'],
    [1.081, undefined, 'even'],
    [1.329, undefined, 'even'],
    [1.331, undefined, 'gap'],
    [1.05, 1.09, 'double'],
    [1.05, 1.11, 'even'],
    [1.05, 1.49, 'even'],
    [1.05, 1.51, 'gap'],
  ] as const)('falls %d times as fast, keeps the bottom to %s times the speed: %s', (fall, bottom, kind) => {
    const found = step(fall, bottom);
    expect(found?.kind).toBe(kind);
    expect(found?.fall).toBeCloseTo(fall, 12);
    expect(found?.bottom).toBe(bottom);
    expect(found?.weight).toBe(2);
    // A gap is halved, by the ratio of the weights.
    expect(found?.between).toBe(kind === 'gap' ? Math.sqrt(98) : undefined);
  });

  it('says what decided, and counts the bottom only where both are known', () => {
    expect(step(1.05, 1.6)?.why).toBe('keeps the bottom to 1.60 × the speed');
    expect(step(1.4, 1.6)?.why).toBe('falls 1.40 × as fast');
    expect(step(1.2, 1.2)?.why).toBe('falls 1.20 × as fast');
    const half = ladderSteps([rung(14, 1.05, 2), rung(7, 1)])[0];
    expect(half).toMatchObject({ from: '7', to: '14', bottom: undefined, kind: 'double' });
  });
});

describe('building a wall up', () => {
  // Briefs down, heads across: 2 well, 1 with care.
  const serves: Serving[][] = [
    [1, 2, 0],
    [1, 0, 0],
    [0, 0, 2],
    [0, 0, 1],
  ];
  it('a brief served well counts for two served with care; of equals the first given goes first', () => {
    // Head 2 adds one well and one with care, three; heads 0 and 1 two each.
    expect(addedBy(serves, [0, 1, 2])).toEqual([
      { head: 2, adds: [2, 3] },
      { head: 0, adds: [0, 1] },
      { head: 1, adds: [0] },
    ]);
    expect(addedBy(serves, [1, 0]).map(({ head }) => head)).toEqual([1, 0]);
    expect(addedBy(serves, [1, 0])[1]).toEqual({ head: 0, adds: [1] });
    expect(addedBy(serves, [])).toEqual([]);
  });
  it('a head without which nothing is worse adds nothing, and loses nothing', () => {
    const twice: Serving[][] = [[2, 2]];
    expect(addedBy(twice, [0, 1])).toEqual([
      { head: 0, adds: [0] },
      { head: 1, adds: [] },
    ]);
    expect(worthOf(twice, [0, 1])).toEqual([
      { head: 0, lost: [], gone: [] },
      { head: 1, lost: [], gone: [] },
    ]);
  });
});

describe('a mix', () => {
  it('spans the field as no other choice does', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 60 }), { minLength: 2, maxLength: 9 }),
        fc.integer({ min: 2, max: 5 }),
        (places, count) => {
          const things = places.map((at) => ({ id: String(at), at }));
          const gap = (list: readonly number[]) =>
            Math.max(0, ...list.slice(1).map((at, i) => at - (list[i] as number)));
          const chosen = spanning(things, count).map(({ at }) => at);
          const sorted = [...places].sort((a, b) => a - b);
          const n = Math.min(count, sorted.length);
          expect(chosen).toHaveLength(n);
          expect([chosen[0], chosen.at(-1)]).toEqual([sorted[0], sorted.at(-1)]);
          // Every other choice with both ends.
          let best = Infinity;
          for (let mask = 0; mask < 2 ** sorted.length; mask++) {
            const list = sorted.filter((_, i) => (mask >> i) & 1);
            if (list.length === n && list[0] === sorted[0] && list.at(-1) === sorted.at(-1))
              best = Math.min(best, gap(list));
          }
          expect(gap(chosen)).toBe(best);
        },
      ),
    );
    expect(
      spanning(
        [
          { id: 'a', at: 1 },
          { id: 'b', at: 2 },
          { id: 'c', at: 3 },
        ],
        1,
      ),
    ).toEqual([{ id: 'b', at: 2 }]);
  });
  it('lets every head meet every colour, and trailers turn', () => {
    const rows = mixed(['a', 'b', 'c'], ['red', 'brown', 'white'], ['x', 'y', 'z']);
    expect(rows).toHaveLength(9);
    for (const side of ['head', 'colour'] as const)
      for (const value of new Set(rows.map((row) => row[side])))
        expect(new Set(rows.filter((row) => row[side] === value).map(({ trailer }) => trailer)).size).toBe(3);
    expect(mixed(['a'], ['red'], [])).toEqual([]);
  });
});

it('money: outlay and margin', () => {
  const trade = { cost: 0.8, price: 2, pack: 5, minimum: 4 };
  expect(outlayOf(trade)).toBeCloseTo(16, 10);
  expect(marginOf(trade)).toBeCloseTo(0.6, 10);
  expect(marginOf({ ...trade, price: 0 })).toBeNaN();
});
