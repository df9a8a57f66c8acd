import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { differences } from './differences.ts';

describe('differences of two versions', () => {
  it('name the leaves that differ and nothing else', () => {
    const mine = { name: 'a', head: { dimensions: { breadth: 1, length: 2 } }, locks: ['x'] };
    const theirs = {
      name: 'a',
      head: { dimensions: { breadth: 3, length: 2 } },
      locks: ['x', 'y'],
      notes: 'n',
    };
    expect(differences(mine, theirs)).toEqual([
      { path: ['head', 'dimensions', 'breadth'], before: 1, after: 3 },
      { path: ['locks'], before: ['x'], after: ['x', 'y'] },
      { path: ['notes'], before: undefined, after: 'n' },
    ]);
    expect(differences(mine, structuredClone(mine))).toEqual([]);
    expect(differences(mine, { ...mine, notes: undefined })).toEqual([]);
  });

  it('an open list is told item by item, a whole part at its root', () => {
    const before = { list: [{ a: 1 }, { a: 2 }], part: { deep: { x: 1 } } };
    const after = { list: [{ a: 1 }, { a: 3 }], part: { deep: { x: 2 } } };
    const open = { isOpen: ([key]: readonly string[]) => key === 'list', isWhole: ([key]: readonly string[]) => key === 'part' }; // prettier-ignore
    expect(differences(before, after, open)).toEqual([
      { path: ['list', '1', 'a'], before: 2, after: 3 },
      { path: ['part'], before: { deep: { x: 1 } }, after: { deep: { x: 2 } } },
    ]);
  });

  it('putting every difference back gives the other document', () => {
    const plain = fc.dictionary(fc.constantFrom('a', 'b', 'c'), fc.oneof(fc.integer(), fc.array(fc.integer(), { maxLength: 3 }), fc.dictionary(fc.constantFrom('d', 'e'), fc.integer()))); // prettier-ignore
    fc.assert(
      fc.property(plain, plain, (before, after) => {
        const made: Record<string, unknown> = structuredClone({ ...before });
        for (const { path, after: value } of differences(before, after)) {
          const [first = '', second] = path;
          const inner = made[first];
          if (second === undefined || typeof inner !== 'object' || inner === null) made[first] = value;
          else made[first] = { ...inner, [second]: value };
        }
        expect(JSON.parse(JSON.stringify(made))).toEqual({ ...JSON.parse(JSON.stringify(after)) });
      }),
    );
  });
});
