import { Value } from '@sinclair/typebox/value';
import { describe, expect, it } from 'vitest';
import { sampleDesign } from '../test-kit/sample.test-kit.ts';
import { BatchSchema } from './batch.ts';
import { newBatch, newMould, newRange, newTrial } from './begun.ts';
import { BriefSchema } from './brief.ts';
import { HookSchema } from './hook.ts';
import { idOf, NAMES } from './ids.ts';
import { MouldSchema } from './mould.ts';
import { RangeSchema } from './range.ts';
import { TrialSchema } from './trial.ts';
import { plainBrief } from '../test-kit/brief.test-kit.ts';

const design = JSON.parse(JSON.stringify(sampleDesign('ball'))) as ReturnType<typeof sampleDesign>;
const batch = (target: number) =>
  newBatch(design, { id: 'one', version: 3 }, '2026-11-30', { target, at: 370 });

describe('documents to begin with', () => {
  it('fit their schemas', () => {
    expect([...Value.Errors(MouldSchema, newMould(design, 'one', 'pour'))]).toEqual([]);
    expect([...Value.Errors(BatchSchema, batch(7))]).toEqual([]);
    expect([...Value.Errors(RangeSchema, newRange('Wall'))]).toEqual([]);
    expect([...Value.Errors(TrialSchema, newTrial('Day', '2026-11-30'))]).toEqual([]);
  });

  // Lead castings shrink 0.7%, sintered tungsten about 17% of length (common practice, no source).
  it('a mould allows for what pouring or pressing shrinks by', () => {
    expect(newMould(design, 'one', 'pour').shrink).toBe(0.7);
    expect(newMould(design, 'one', 'press').shrink).toBe(17);
    const long = newMould({ ...design, name: 'x'.repeat(120) }, 'one', 'pour');
    expect(long.name).toBe(`${'x'.repeat(110)} mould`);
  });

  it('a batch wants its weight to three per cent, in hundredths of a gram, and never finer than two of them', () => {
    expect(batch(7).wanted).toEqual({ target: 7, room: 0.21 });
    expect(batch(28.35).wanted.room).toBe(0.85);
    expect(batch(0.4).wanted.room).toBe(0.02);
    expect(batch(7)).toMatchObject({ of: 'one', ofVersion: 3, pour: { at: 370 }, day: '2026-11-30' });
  });
});

describe('schemas of documents', () => {
  const brief = JSON.parse(JSON.stringify(plainBrief())) as Record<string, unknown>;
  it('of a brief takes its own questions as decisive or not, and no others', () => {
    expect(Value.Check(BriefSchema, brief)).toBe(true);
    expect(Value.Check(BriefSchema, { ...brief, decisive: { hold: true, rest: false } })).toBe(true);
    expect(Value.Check(BriefSchema, { ...brief, decisive: { hold: 'yes' } })).toBe(false);
    expect(Value.Check(BriefSchema, { ...brief, decisive: { colour: true } })).toBe(false);
  });

  it('of a measured hook is closed: what it does not know is refused', () => {
    const hook = {
      format: 'fern-anvil/hook',
      version: 1,
      name: 'Own',
      size: '3/0',
      style: 'round bend',
      gap: 13,
      shank: 31,
      wire: 1,
    };
    expect([...Value.Errors(HookSchema, hook)]).toEqual([]);
    expect(Value.Check(HookSchema, { ...hook, colour: 'red' })).toBe(false);
  });

  it('of an id says whose it is, and takes no empty one', () => {
    const schema = idOf('photos', 'Id of a photograph');
    expect(schema).toMatchObject({ [NAMES]: 'photos', description: 'Id of a photograph' });
    expect(['', 'a', 'x'.repeat(100), 'x'.repeat(101)].map((id) => Value.Check(schema, id))).toEqual([
      false,
      true,
      true,
      false,
    ]);
  });
});
