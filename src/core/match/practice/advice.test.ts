import { describe, expect, it } from 'vitest';
import type { Brief } from '../../document/brief.ts';
import { plainBrief } from '../../test-kit/brief.test-kit.ts';
import { doubtsOf, tipsOf } from './advice.ts';
import { PRACTICE } from './practice.test-kit.ts';
import { SITUATIONS } from './situations.ts';
import { situationOf } from '../engine/situation.ts';

const tips = (change: Partial<Brief>) => tipsOf(situationOf(plainBrief(change))).map(({ key }) => key);
const doubts = (change: Partial<Brief>) => doubtsOf(situationOf(plainBrief(change))).map(({ key }) => key);

// What is said beside an answer: common practice, no source.
describe('what is said beside an answer', () => {
  it.each([
    ['snagged', { bottom: { kinds: ['broken rock'] }, fishing: { retrieve: 'drag' } }],
    ['contact', { fishing: { retrieve: 'hop' } }],
    ['ledge-trough', { bottom: { kinds: ['ledges'] }, fishing: { retrieve: 'drag' } }],
    ['steps', { bottom: { kinds: ['stair-step'] } }],
    ['current-works', { water: { kind: 'fresh', depth: 4, current: 0.3 }, fishing: { retrieve: 'drag' } }],
    ['pontoons', { cover: { kinds: ['posts and docks'] }, fishing: { retrieve: 'skip' } }],
    ['creep', { water: { kind: 'fresh', depth: 4, temperature: 5 }, fishing: { retrieve: 'drag' } }],
    ['few-large', { fish: { wants: 'largest' }, fishing: { retrieve: 'drag' } }],
    [
      'leader-cover',
      { cover: { kinds: ['posts and docks'] }, leader: { material: 'fluorocarbon', test: 5 } },
    ],
    ['exchange', { bottom: { kinds: ['gravel'], slope: 45 }, fishing: { retrieve: 'hop' } }],
    ['finicky', { fish: { mood: 'wary' } }],
  ] as const)('%s', (key, change) => {
    expect(tips(change as Partial<Brief>)).toContain(key);
    expect(tips({ bottom: { kinds: ['sand'], slope: 2 }, fishing: { retrieve: 'swim' } })).not.toContain(key);
  });

  it('asks back where stroking is meant in cold water, and not in warm', () => {
    const stroke = (temperature: number) =>
      doubts({ water: { kind: 'fresh', depth: 4, temperature }, fishing: { retrieve: 'stroke' } });
    expect(stroke(5)).toContain('cold-stroke');
    expect(stroke(18)).not.toContain('cold-stroke');
  });

  it('is never the same of every situation, and each remark is made of some', () => {
    const all = [...SITUATIONS, ...PRACTICE].map(({ brief }) =>
      tipsOf(situationOf(brief)).map(({ key }) => key),
    );
    const made = new Map<string, number>();
    for (const key of all.flat()) made.set(key, (made.get(key) ?? 0) + 1);
    for (const [key, count] of made) expect(count, key).toBeLessThan(0.75 * all.length);
    expect(made.size).toBeGreaterThan(15);
  });
});
