import { expect, it } from 'vitest';
import { withOneMore } from './with-one-more.ts';

const at = (place: number, height: number, breadth: number) => ({ at: place, height, breadth });

it('one more station stands in the middle of the widest space, on the line between its neighbours', () => {
  const before = [at(0, 0.2, 0.4), at(0.2, 0.6, 1), at(0.8, 1, 0.5), at(1, 0, 0)];
  expect(withOneMore(before)).toEqual([before[0], before[1], at(0.5, 0.8, 0.75), before[2], before[3]]);
});

it('of spaces alike the first is taken, and fewer than two stations stay as they are', () => {
  expect(withOneMore([at(0, 1, 1), at(0.5, 1, 1), at(1, 1, 1)]).map((one) => one.at)).toEqual([
    0, 0.25, 0.5, 1,
  ]);
  expect(withOneMore([at(0, 1, 1)])).toEqual([at(0, 1, 1)]);
});
