import fc from 'fast-check';
import { expect, it } from 'vitest';
import { leastOf } from './least.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

it('finds the bottom of a valley wherever it lies, to what the figures of a double tell', () => {
  fc.assert(
    fc.property(between(-50, 50), between(0.1, 40), between(0.1, 40), (bottom, left, right) => {
      const found = leastOf((x) => Math.abs(x - bottom), bottom - left, bottom + right);
      expect(Math.abs(found - bottom)).toBeLessThan(1e-7 * (left + right) + 1e-12);
    }),
  );
});

it('of a valley that falls to one side it is that end', () => {
  expect(leastOf((x) => x, 2, 5)).toBeCloseTo(2, 6);
  expect(leastOf((x) => -x, 2, 5)).toBeCloseTo(5, 6);
});

it('looks no oftener than golden section must: the span shrinks by 0.618 with each look (Kiefer 1953)', () => {
  let looks = 0;
  leastOf((x) => (looks++, (x - 1) ** 2), 0, 3);
  // Two to begin with, then ln 1e-7 / ln 0.618.
  expect(looks).toBe(2 + Math.ceil(Math.log(1e-7) / Math.log((Math.sqrt(5) - 1) / 2)));
});
