import { describe, expect, it } from 'vitest';
import type { FitCheck } from '../../judge/verdict.ts';
import type { Pairing } from '../../judge/pairings.ts';
import { carries } from './carries.ts';

const check = (id: string, value: number, change: Partial<FitCheck> = {}): FitCheck => ({
  id,
  name: id,
  value,
  quantity: 'size',
  good: [2, 6],
  tight: [1, 8],
  verdict: 'good',
  says: `It is ${value}.`,
  fix: '',
  remedies: [],
  ...change,
});
const pairing = (checks: readonly FitCheck[], change: Partial<Pairing> = {}): Pairing => ({
  method: 'threaded',
  verdict: 'good',
  why: [],
  checks,
  margin: 0.5,
  meant: 'usual',
  ...change,
});

describe('how well a bait is carried', () => {
  it('glides from the good span through the tight one to nothing, without a step', () => {
    const at = (value: number) => carries(pairing([check('rig.exit', value)])).score;
    expect([at(2), at(4), at(6)]).toEqual([1, 1, 1]);
    expect(at(8)).toBeCloseTo(0.5, 9);
    expect(at(1)).toBeCloseTo(0.5, 9);
    expect(at(7)).toBeCloseTo(0.675, 9);
    expect(at(9)).toBeCloseTo(0.25, 9);
    expect(at(10)).toBe(0);
    expect(at(0)).toBe(0);
    expect(at(NaN)).toBe(0);
    for (let value = 6.02; value < 10; value += 0.01) expect(at(value) - at(value + 0.01)).toBeLessThan(0.01);
  });

  it('where good ends at once it is a tenth of that end, or 1, to half as good', () => {
    const at = (value: number, good: readonly [number, number]) =>
      carries(pairing([check('rig.exit', value, { good, tight: good })])).score;
    // A tenth of 6: at 6.6 it is what the end of a tight span is, at 7.2 nothing.
    expect([at(6, [2, 6]), at(7.2, [2, 6])]).toEqual([1, 0]);
    expect(at(6.6, [2, 6])).toBeCloseTo(0.5, 9);
    expect(at(-0.5, [0, 6])).toBeCloseTo(0.675, 9);
    expect(at(-2, [0, 6])).toBe(0);
  });

  it('the worst check decides and says why; the bite is asked elsewhere; a head that stands out is seen everywhere', () => {
    const two = carries(pairing([check('rig.exit', 7), check('rig.freeGap', 8)]));
    expect(two).toEqual({ score: expect.closeTo(0.5, 9), why: 'rig.freeGap: It is 8.' });
    expect(carries(pairing([check('rig.exit', 8), check('rig.freeGap', 7)])).why).toBe('rig.exit: It is 8.');
    expect(carries(pairing([check('rig.exit', 7), check('rig.freeGap', 7)])).why).toBe('rig.exit: It is 7.');
    expect(carries(pairing([check('rig.bite', 0)])).score).toBe(1);
    const proud = check('rig.shoulder', 30, { name: 'Head against body' });
    expect(carries(pairing([proud])).score).toBe(0.5);
    expect(carries(pairing([{ ...proud, name: 'Metal inside the body' }])).score).toBe(0);
  });

  it('a way that is seldom used is worth less, and a verdict alone stands where no check does', () => {
    expect(carries(pairing([check('rig.exit', 4)], { meant: 'seldom' })).score).toBeCloseTo(0.55, 9);
    expect(carries(pairing([check('rig.exit', 8)], { meant: 'seldom' })).score).toBeCloseTo(0.3, 9);
    const obstacle = pairing([], { verdict: 'bad', why: ['No screw.'] });
    expect(carries(obstacle)).toEqual({ score: 0.1, why: 'No screw.' });
    expect(carries(pairing([])).score).toBe(1);
  });
});
