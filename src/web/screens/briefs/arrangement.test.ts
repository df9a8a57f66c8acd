import { describe, expect, it } from 'vitest';
import type { MatchRow } from '../../workers/match-rows.ts';
import { arrange, idsOf, movesBetween, withLateComers } from './arrangement.ts';

const row = (id: string, shape: string, score: number, out = 0): MatchRow => ({
  id,
  shape,
  standing: { out, barely: 0, unsaid: 0, preference: score, score } as unknown as MatchRow['standing'],
  answers: [],
  method: undefined,
  plastic: undefined,
  worst: -1,
  isSettled: true,
  problems: [],
});

describe('The order of an answer', () => {
  it('counts the fewest heads that have to be lifted and put elsewhere', () => {
    expect(movesBetween(['a', 'b', 'c', 'd'], ['a', 'b', 'c', 'd'])).toBe(0);
    // One goes from the end to the front: the others give way, and have not moved.
    expect(movesBetween(['a', 'b', 'c', 'd'], ['d', 'a', 'b', 'c'])).toBe(1);
    expect(movesBetween(['a', 'b', 'c', 'd'], ['d', 'c', 'b', 'a'])).toBe(3);
    expect(movesBetween(['a', 'b'], ['c', 'b', 'a'])).toBe(1);
  });

  it('counts as many moves as trying every choice of heads to leave in place', () => {
    const all = ['a', 'b', 'c', 'd', 'e', 'f'];
    const orders = (ids: readonly string[]): string[][] =>
      ids.length === 0
        ? [[]]
        : ids.flatMap((id) => orders(ids.filter((other) => other !== id)).map((rest) => [id, ...rest]));
    for (const after of orders(all)) {
      let most = 0;
      for (let choice = 0; choice < 1 << all.length; choice++) {
        const left = all.filter((_, i) => choice & (1 << i));
        const isInOrder = left.every(
          (id, i) => i === 0 || after.indexOf(left[i - 1] ?? '') < after.indexOf(id),
        );
        if (isInOrder) most = Math.max(most, left.length);
      }
      expect(movesBetween(all, after), after.join('')).toBe(all.length - most);
    }
  });

  it('puts the best of each shape first and the shape’s others under it, what is out by itself', () => {
    const groups = arrange([
      row('b1', 'ball', 1),
      row('c1', 'cone', 3),
      row('b2', 'ball', 2, 1),
      row('c2', 'cone', 2),
    ]);
    expect(groups.map(({ shape, heads }) => [shape, heads.map(({ id }) => id)])).toHaveLength(3);
    expect(groups.at(-1)).toMatchObject({ shape: 'ball', heads: [{ id: 'b2', place: 4 }] });
  });

  it('puts late comers at the end and moves nothing', () => {
    const rows = [row('a', 'ball', 1), row('b', 'cone', 0)];
    const shown = arrange(rows);
    const more = withLateComers(shown, new Map([...rows, row('c', 'ball', 9)].map((one) => [one.id, one])));
    expect(idsOf(more)).toEqual([...idsOf(shown), 'c']);
    expect(withLateComers(shown, new Map(rows.map((one) => [one.id, one])))).toBe(shown);
  });
});
