import { beforeAll, describe, expect, it } from 'vitest';
import type { Highs } from 'highs';
import { coverageOf, worthOf } from './coverage.ts';
import { ladderSteps } from './ladder-gaps.ts';
import { spanning } from './mix.ts';
import type { Candidate, RangeProblem, Serving } from './programme.ts';
import { lpText, programmeFor } from './programme.ts';
import { leastRange, loadSolver } from './solve.ts';

let highs: Highs;
beforeAll(async () => {
  highs = await loadSolver();
});

const head = (id: string, outlay: number, mould?: string): Candidate => ({
  id,
  metal: 'lead',
  hook: '3/0',
  mould,
  outlay,
});
const problem: RangeProblem = {
  candidates: [head('a', 10, 'm'), head('b', 4), head('c', 7, 'n')],
  serves: [
    [2, 0, 2],
    [1, 2, 0],
    [0, 0, 1],
  ],
  limits: {},
};

describe('a search that is cut short', () => {
  it('between two aims gives what it has, and does not call it proven', () => {
    const told: string[] = [];
    const found = leastRange(highs, problem, {
      onProgress: ({ aim }) => told.push(aim),
      isStopped: () => told.includes('well'),
    });
    expect(found).toMatchObject({ ok: true, isProven: false });
    expect(new Set(told)).toEqual(new Set(['well']));
    // Whole, it is: all three briefs need b and c, a is not wanted.
    expect(leastRange(highs, problem)).toMatchObject({ ok: true, isProven: true, gap: 0, taken: [1, 2] });
  });

  it('by limits that cannot be kept is impossible, not stopped', () => {
    expect(leastRange(highs, { ...problem, limits: { outlay: 3 }, keep: [0] })).toEqual({
      ok: false,
      reason: 'impossible',
    });
  });

  it('of one head or none is the head, or the empty wall', () => {
    const one = { candidates: [head('a', 5)], serves: [[2 as Serving]], limits: {} };
    expect(leastRange(highs, one)).toMatchObject({ ok: true, taken: [0] });
    expect(leastRange(highs, { ...one, drop: [0] })).toMatchObject({ ok: true, taken: [], isProven: true });
  });
});

describe('the programme of an aim', () => {
  it('has a row for a limit only where something can break it', () => {
    const rows = (limits: RangeProblem['limits'], candidates = problem.candidates) =>
      programmeFor({ ...problem, candidates, limits }, 'well', {}).rows.filter(
        ({ relation }) => relation === '<=',
      );
    expect(rows({})).toEqual([]);
    expect(rows({ heads: 2 })).toEqual([
      {
        terms: [
          [1, 'x0'],
          [1, 'x1'],
          [1, 'x2'],
        ],
        relation: '<=',
        bound: 2,
      },
    ]);
    expect(rows({ outlay: 9 })[0]?.terms.map(([factor]) => factor)).toEqual([10, 4, 7]);
    expect(rows({ moulds: 1 })[0]?.terms).toHaveLength(2);
    expect(rows({ moulds: 1 }, [head('a', 1), head('b', 1), head('c', 1)])).toEqual([]);
  });

  it('is written with its signs, and without what counts for nothing', () => {
    const free = { ...problem, candidates: [head('a', 0), head('b', 3), head('c', 0)] };
    const text = lpText(programmeFor(free, 'outlay', {}));
    expect(text).toContain('+ 3 x1');
    expect(text).not.toMatch(/[+-] 0 /);
    expect(text).toMatch(/- 1 \w/);
  });
});

describe('coverage at its edges', () => {
  it('what is served worse without a head is lost, and gone only where nobody serves it any more', () => {
    const serves: Serving[][] = [
      [2, 1],
      [2, 0],
      [1, 1],
    ];
    expect(worthOf(serves, [0, 1])).toEqual([
      { head: 0, lost: [0, 1], gone: [1] },
      { head: 1, lost: [], gone: [] },
    ]);
    expect(coverageOf(serves, []).missed).toEqual([0, 1, 2]);
    expect(coverageOf(serves, [1]).briefs.map(({ best, well, served }) => [best, well, served])).toEqual([
      [1, 0, 1],
      [0, 0, 0],
      [1, 0, 1],
    ]);
  });
});

describe('steps of a ladder at their edges', () => {
  const rung = (id: string, grams: number, fall: number, bottom?: number) => ({ id, grams, fall, bottom });
  it('tell the ratio of what keeps the bottom, the heavier over the lighter', () => {
    const [step] = ladderSteps([rung('a', 5, 0.5, 0.2), rung('b', 10, 0.6, 0.35)]);
    expect(step).toMatchObject({
      fall: expect.closeTo(1.2, 12),
      bottom: expect.closeTo(1.75, 12),
      kind: 'gap',
    });
    expect(step?.why).toBe('keeps the bottom to 1.75 × the speed');
    expect(step?.between).toBeCloseTo(Math.sqrt(50), 12);
  });
  it('tell the fall where the bottom is not known, or decided nothing', () => {
    expect(ladderSteps([rung('a', 5, 0.5), rung('b', 10, 0.9)])[0]).toMatchObject({
      kind: 'gap',
      bottom: undefined,
      why: 'falls 1.80 × as fast',
    });
    expect(ladderSteps([rung('a', 5, 0.5, 0.2), rung('b', 6, 0.51, 0.25)])[0]).toMatchObject({
      kind: 'even',
    });
    expect(ladderSteps([rung('a', 5, 0.5, 0.2), rung('b', 6, 0.51, 0.21)])[0]).toMatchObject({
      kind: 'double',
    });
  });
});

describe('what spans a field at its edges', () => {
  const at = (...places: number[]) => places.map((place) => ({ id: String(place), at: place }));
  it('as many as there are, or more, are all of them; one is the middle; none is none', () => {
    expect(spanning(at(3, 1, 2), 3).map(({ at: place }) => place)).toEqual([1, 2, 3]);
    expect(spanning(at(3, 1, 2), 9)).toHaveLength(3);
    expect(spanning(at(1, 5, 2, 4), 1).map(({ at: place }) => place)).toEqual([2]);
    expect(spanning(at(1, 5), 0)).toEqual([]);
    expect(spanning([], 3)).toEqual([]);
  });
  it('of choices as good as each other the earlier', () => {
    expect(spanning(at(0, 4, 6, 10), 3).map(({ at: place }) => place)).toEqual([0, 4, 10]);
  });
});
