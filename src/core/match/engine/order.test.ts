import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sampleDesign } from '../../test-kit/sample.test-kit.ts';
import { runs } from '../../test-kit/runs.ts';
import type { Answer, Answers } from './judge.ts';
import { markOf } from './marks.ts';
import type { Standing } from './order.ts';
import { compareStandings, placed, standFor, worstAnswer } from './order.ts';
import { weakest } from './propose.ts';
import { QUESTIONS } from '../questions/index.ts';
import { situationOf } from './situation.ts';
import { between } from '../../test-kit/numbers.test-kit.ts';

const situation = situationOf({
  format: 'fern-anvil/brief',
  version: 2,
  name: 'Any',
  water: { kind: 'fresh', depth: 4 },
  bottom: { kinds: ['gravel'] },
  cover: { kinds: [] },
  fishing: { retrieve: 'hop' },
  line: { material: 'fluorocarbon', test: 5 },
  bait: { kind: 'claw', length: 80 },
});

/** Answers with these scores, the first few of them decisive; undefined is unsaid. */
const answers = (scores: readonly (number | undefined)[], decisive: number, hard = -1): Answers => ({
  head: { design: sampleDesign('ball'), values: { 'mass.metal': 8, 'cost.metal': 0.1 } },
  all: scores.map((score, i): Answer => {
    const question = QUESTIONS[i];
    if (!question) throw new Error('there are not so many questions');
    return {
      question,
      mark: markOf(score),
      score,
      isDecisive: i < decisive,
      isHard: i === hard,
      found: [],
      rule: undefined,
    };
  }),
});
const stand = (...about: Parameters<typeof answers>) => standFor(situation)(answers(...about));

const anyStanding: fc.Arbitrary<Standing> = fc.record({
  out: fc.nat(2),
  wrong: fc.nat(3),
  cares: fc.nat(3),
  short: fc.nat(5),
  made: fc.nat(15),
  doubts: fc.nat(4),
  lacks: fc.nat(6),
  far: fc.nat(20),
  fits: fc.nat(5),
  fine: fc.nat(6),
  cost: fc.integer({ min: -12, max: 8 }),
});

describe('the count of answers', () => {
  it('tells out, wrong, cares and doubts apart', () => {
    expect(stand([0.1, 0.5, 0.7, 0.95, 0.1, 0.5, 0.7, 0.95, undefined], 4)).toMatchObject({
      out: 1,
      cares: 1,
      wrong: 1,
      doubts: 1,
    });
    // At the very figures: 0.35 is no no any more, 0.65 no care and no doubt.
    expect(stand([0.35, 0.65, 0.9], 3)).toMatchObject({ out: 0, cares: 1 });
    expect(stand([0.35, 0.65, 0.9], 0)).toMatchObject({ wrong: 0, doubts: 1 });
    // A hard stop is out wherever it stands.
    expect(stand([1, 1, 0], 0, 2)).toMatchObject({ out: 1, wrong: 0 });
  });

  it('counts each answer once', () => {
    const score = fc.option(between(0, 1), { nil: undefined });
    fc.assert(
      fc.property(fc.array(score, { maxLength: 16 }), fc.nat(16), (scores, decisive) => {
        const { out, wrong, cares, doubts } = stand(scores, decisive);
        const yes = scores.filter((one) => one !== undefined && one >= 0.65).length;
        expect(out + wrong + cares + doubts + yes).toBe(scores.filter((one) => one !== undefined).length);
      }),
      { numRuns: runs(200) },
    );
  });

  it('compares decisive answers by degree, the worst first, and one bad one outweighs two that are half as bad', () => {
    const { short: none } = stand([0.65, 0.8, 1], 3);
    expect(none).toBe(0);
    const at = (...scores: readonly number[]) => stand(scores, scores.length).short;
    expect(at(0.6, 1, 1)).toBeGreaterThan(0);
    expect(at(0.4, 1, 1)).toBeGreaterThan(at(0.5, 0.5, 0.5));
    expect(at(0.5, 0.6, 1)).toBeGreaterThan(at(0.5, 1, 1));
    expect(at(0.5, 1, 0.6)).toBe(at(0.6, 0.5, 1));
    // A hundredth of a score never turns more than one step.
    for (let score = 0.35; score < 0.65; score += 0.01)
      expect(at(score)).toBeGreaterThanOrEqual(at(score + 0.01));
  });

  it('tells what a shape was made for by the decisive questions that ask for the shape, and by no other', () => {
    const shapes = QUESTIONS.map(({ isOfShape }, i) => (isOfShape ? i : -1)).filter((i) => i >= 0);
    const others = QUESTIONS.map((_, i) => i).filter((i) => !shapes.includes(i));
    const all = QUESTIONS.length;
    const plain = new Array<number>(all).fill(0.8);
    const { made } = stand(plain, all);
    for (const i of shapes)
      expect(stand(plain.with(i, 1), all).made, QUESTIONS[i]?.key).toBeGreaterThan(made);
    for (const i of others) expect(stand(plain.with(i, 1), all).made, QUESTIONS[i]?.key).toBe(made);
  });
});

describe('the order', () => {
  const base: Standing = {
    out: 0,
    wrong: 0,
    cares: 0,
    short: 0,
    made: 10,
    doubts: 0,
    lacks: 0,
    far: 0,
    fits: 4,
    fine: 30,
    cost: 0,
  };
  // What comes first in this list outweighs any amount of what comes after it.
  it.each([
    ['a decisive no', { out: 1, made: 15, fine: 60, cost: -20 }],
    ['a wrong answer', { wrong: 1, made: 15, fine: 60, cost: -20 }],
    ['what falls short in what decides', { short: 1, made: 15, fine: 60, cost: -20 }],
    ['a shape made for something else', { made: 9, fits: 5, fine: 60, cost: -20 }],
    ['further from the window', { far: 1, fits: 5, fine: 60, cost: -20 }],
    ['what falls short elsewhere', { lacks: 1, fits: 5, fine: 60, cost: -20 }],
    ['a bait that goes on less well', { fits: 3, fine: 60, cost: -20 }],
    ['less that is fine', { fine: 29, cost: -20 }],
    ['dearer', { cost: 1 }],
  ])('%s comes after, whatever speaks for it', (_, change) => {
    expect(compareStandings(base, { ...base, ...change })).toBeLessThan(0);
    expect(compareStandings({ ...base, ...change }, base)).toBeGreaterThan(0);
  });

  it('is one: through a third, and the same from both sides', () => {
    fc.assert(
      fc.property(anyStanding, anyStanding, anyStanding, (a, b, c) => {
        expect(compareStandings(a, a)).toBe(0);
        expect(Math.sign(compareStandings(a, b)) + Math.sign(compareStandings(b, a))).toBe(0);
        if (compareStandings(a, b) <= 0 && compareStandings(b, c) <= 0)
          expect(compareStandings(a, c)).toBeLessThanOrEqual(0);
      }),
      { numRuns: runs(400) },
    );
  });

  it('gives places as a race does, and keeps the order of what is equal', () => {
    const items = [
      { name: 'b', stand: { ...base, lacks: 1 } },
      { name: 'a', stand: base },
      { name: 'c', stand: { ...base, lacks: 1 } },
      { name: 'd', stand: { ...base, out: 1 } },
    ];
    expect(placed(items, ({ stand: one }) => one).map(({ place, item }) => [place, item.name])).toEqual([
      [1, 'a'],
      [2, 'b'],
      [2, 'c'],
      [4, 'd'],
    ]);
  });
});

describe('answers that are worth mending', () => {
  const order = (...about: Parameters<typeof answers>) => {
    const given = answers(...about);
    return weakest(given).map((one) => given.all.indexOf(one));
  };
  it('come weakest first, what decides before what does not, and those from 0.9 on not at all', () => {
    expect(order([0.8, 0.2, 0.1, 0.5], 2)).toEqual([1, 0, 2, 3]);
    expect(order([0.1, 0.2, 0.8, 0.5], 0)).toEqual([0, 1, 3, 2]);
    expect(order([0.9, 0.89, 0.95, undefined, 0.899], 3)).toEqual([1, 4]);
    expect(order([], 0)).toEqual([]);
  });
});

describe('the answer that decided against it', () => {
  const worst = (...about: Parameters<typeof answers>) => {
    const given = answers(...about);
    return given.all.findIndex((one) => one === worstAnswer(given));
  };
  it('is a hard stop, then a decisive no, then any no, then a decisive care', () => {
    expect(worst([0.1, 0.2, 0], 2, 2)).toBe(2);
    expect(worst([0.3, 0.9, 0.05], 1)).toBe(0);
    expect(worst([0.4, 0.9, 0.3], 1)).toBe(2);
    expect(worst([0.6, 0.9, 0.4], 1)).toBe(0);
    expect(worst([undefined, 0.8, 0.7], 0)).toBe(2);
    expect(worst([undefined], 0)).toBe(-1);
    // A care that is not decisive goes before what is a yes, and of equals the first.
    expect(worst([0.7, 0.6], 1)).toBe(1);
    expect(worst([0.9, 0.6], 1)).toBe(1);
    expect(worst([0.8, 0.8], 0)).toBe(0);
  });
});
