import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Pairing } from './pairings.ts';
import { byFit, pairingOf } from './pairings.ts';
import { evaluate } from './evaluate.ts';
import { keeperInitial } from '../fitting/keepers/index.ts';
import { usualPlastic } from '../plastic/usual.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';

const pairing = (change: Partial<Pairing>): Pairing => ({
  method: 'threaded',
  verdict: 'good',
  why: [],
  checks: [],
  margin: 0.5,
  meant: 'usual',
  ...change,
});

describe('which way of putting a plastic on is better', () => {
  // Each later reason counts only where those before it are equal.
  it.each<[string, Partial<Pairing>, Partial<Pairing>]>([
    [
      'what fits at all, before what is made for each other',
      { meant: 'seldom' },
      { verdict: 'bad', meant: 'made' },
    ],
    [
      'what is made for each other, before the verdict',
      { meant: 'made', verdict: 'tight' },
      { meant: 'usual' },
    ],
    ['what is usual, before what is seldom', { meant: 'usual', verdict: 'tight' }, { meant: 'seldom' }],
    ['the verdict, before what is wrong', { why: ['a', 'b'] }, { verdict: 'tight', why: ['a'] }],
    [
      'the fewest things wrong, before the margin',
      { why: ['a'], margin: 0.1 },
      { why: ['a', 'b'], margin: 0.9 },
    ],
    ['what lies further within its limits', { margin: 0.6 }, { margin: 0.5 }],
  ])('is %s', (_, better, worse) => {
    expect(byFit(pairing(better), pairing(worse))).toBeLessThan(0);
    expect(byFit(pairing(worse), pairing(better))).toBeGreaterThan(0);
  });

  it('is one order: what is equal is equal both ways, and nothing beats itself', () => {
    const any = fc.record({
      method: fc.constant('threaded' as const),
      verdict: fc.constantFrom('good' as const, 'tight' as const, 'bad' as const),
      why: fc.array(fc.constant('a'), { maxLength: 3 }),
      checks: fc.constant([]),
      margin: fc.constantFrom(0, 0.5, 1),
      meant: fc.constantFrom('made' as const, 'usual' as const, 'seldom' as const),
    });
    fc.assert(
      fc.property(any, any, any, (a, b, c) => {
        expect(Math.sign(byFit(a, b)) + Math.sign(byFit(b, a))).toBe(0);
        if (byFit(a, b) <= 0 && byFit(b, c) <= 0) expect(byFit(a, c)).toBeLessThanOrEqual(0);
      }),
    );
  });
});

describe('a pairing', () => {
  it('is as bad as the worst of its checks, and says what is wrong from the worst on', () => {
    const result = evaluate(
      sampleDesign('ball', { keeper: keeperInitial('collar'), hook: { size: '1/0' } }),
      AT_ONCE,
    );
    if (!result.ok) throw new Error('a ball cannot be built');
    const order = { good: 0, tight: 1, bad: 2 } as const;
    let wrong = 0;
    for (const inches of [1.5, 2, 3, 4, 6, 9]) {
      const plastic = usualPlastic('paddle-tail', inches, { name: `${inches} in` });
      const { verdict, why, checks } = pairingOf(result.rig, { plastic, method: 'threaded' });
      const verdicts = checks.map((check) => order[check.verdict]);
      expect(order[verdict]).toBe(Math.max(...verdicts));
      const told = checks.filter((check) => check.verdict !== 'good');
      expect(why).toHaveLength(told.length);
      const ranks = why.map((text) => {
        const of = told.find(({ name }) => text.startsWith(`${name}: `));
        return of ? order[of.verdict] : NaN;
      });
      expect(ranks).toEqual([...ranks].sort((a, b) => b - a));
      wrong += told.length;
    }
    // Some of these lengths do not fit a 1/0: it is no test of nothing.
    expect(wrong).toBeGreaterThan(0);
  });
});
