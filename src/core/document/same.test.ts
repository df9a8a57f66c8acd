import { describe, expect, it } from 'vitest';
import { FAMILIES } from '../head/families/index.ts';
import { differences } from './differences.ts';
import { sameDocument } from './same.ts';
import { starterDesign } from './starter.ts';

describe('two documents are the same', () => {
  it.each([
    [1, 1, true],
    [1, '1', false],
    [NaN, NaN, true],
    [null, null, true],
    [null, {}, false],
    [{}, null, false],
    ['a', {}, false],
    [{ a: 1, b: 2 }, { b: 2, a: 1 }, true],
    [{ a: 1, b: undefined }, { a: 1 }, true],
    [{ a: 1 }, { a: 1, b: undefined }, true],
    [{ a: undefined }, { b: undefined }, true],
    [{ a: 1 }, { a: 1, b: 2 }, false],
    [{ a: 1, b: 2 }, { a: 1 }, false],
    [{ a: 1 }, { b: 1 }, false],
    [{ a: { b: [1, { c: 2 }] } }, { a: { b: [1, { c: 2 }] } }, true],
    [{ a: { b: [1, { c: 2 }] } }, { a: { b: [1, { c: 3 }] } }, false],
    [[1, 2], [1, 2, 3], false],
    [[1, 2], [2, 1], false],
  ])('%j and %j: %s', (a, b, same) => {
    expect(sameDocument(a, b)).toBe(same);
    expect(sameDocument(b, a)).toBe(same);
  });
});

describe('where they differ', () => {
  it('tells leaves, lists whole, and what counts whole as one', () => {
    const before = { name: 'A', hook: { size: '1', grade: 'x' }, list: [1, 2], solid: { a: 1, b: { c: 2 } } };
    const after = {
      name: 'A',
      hook: { size: '2', grade: 'x' },
      list: [1, 3],
      solid: { a: 1, b: { c: 3 } },
      more: 4,
    };
    const told = (options?: Parameters<typeof differences>[2]) =>
      Object.fromEntries(
        differences(before, after, options).map((one) => [one.path.join('.'), [one.before, one.after]]),
      );
    expect(told()).toEqual({
      'hook.size': ['1', '2'],
      list: [
        [1, 2],
        [1, 3],
      ],
      'solid.b.c': [2, 3],
      more: [undefined, 4],
    });
    expect(told({ isWhole: (path) => path.join('.') === 'solid' })).toHaveProperty('solid', [
      before.solid,
      after.solid,
    ]);
    expect(told({ isOpen: (path) => path.join('.') === 'list' })).toHaveProperty(['list.1'], [2, 3]);
    expect(differences({ a: null }, { a: { b: 1 } })).toEqual([
      { path: ['a'], before: null, after: { b: 1 } },
    ]);
    expect(differences({ a: undefined }, {})).toEqual([]);
    // The first key of a document never counts whole of itself, even where it looks like a place in a list.
    expect(differences([1], [2]).map(({ path }) => path)).toEqual([['0']]);
  });
});

describe('what a new head begins as', () => {
  it.each(
    FAMILIES.filter(({ start }) => start !== undefined).map((family) => [family.name, family] as const),
  )('%s: as that shape is usually made', (_, family) => {
    const { head, hook, eye, keeper, guard } = starterDesign(family, 'New');
    const { start = {} } = family;
    if (start.grams !== undefined) expect(head.target?.grams).toBe(start.grams);
    if (start.hook?.size !== undefined) expect(hook.size).toBe(start.hook.size);
    if (start.hook?.style !== undefined) expect(hook.style).toBe(start.hook.style);
    else expect(hook).not.toHaveProperty('style');
    if (start.eye?.angle !== undefined) expect(eye.angle).toBe(start.eye.angle);
    if (start.keeper !== undefined) expect(keeper.kind).toBe(start.keeper);
    if (start.guard !== undefined) expect(guard.kind).toBe(start.guard);
    expect(head.metal).toBe('lead');
  });
  it('or 3/8 oz of lead on a 3/0 with a collar and the eye at 60°', () => {
    const [plain] = FAMILIES.filter(({ start }) => start === undefined);
    if (!plain) throw new Error('every shape has a start of its own');
    const { head, hook, eye, keeper, guard } = starterDesign(plain, 'New');
    expect(head.target?.grams).toBeCloseTo(10.631, 3);
    expect([hook.size, eye.angle, eye.setback, keeper.kind, guard.kind]).toEqual([
      '3/0',
      60,
      0.42,
      'collar',
      'none',
    ]);
  });
});
