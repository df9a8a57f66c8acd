import fc from 'fast-check';
import { expect, it } from 'vitest';
import { roundIn } from './round.ts';
import { shownUnit } from './units.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

it.each([
  // How a default is said at a counter (common practice, no source).
  [3, 'depth', 'imperial', 10],
  [20, 'depth', 'imperial', 65],
  [20, 'depth', 'metric', 20],
  [4.5, 'lineTest', 'imperial', 10],
  [5.4, 'lineTest', 'imperial', 12],
  [5.4, 'lineTest', 'metric', 5.5],
  [100, 'size', 'imperial', 4],
  [0.5, 'speed', 'imperial', 1.6],
  [6.35, 'size', 'imperial', 0.25],
  [0, 'speed', 'imperial', 0],
] as const)('%d of %s is %s %d', (value, kind, system, shown) => {
  expect(shownUnit(kind, system).fromStored(roundIn(value, kind, system))).toBeCloseTo(shown, 6);
});

it('stays within four per cent and has two digits at most; what is of one digit already stays', () => {
  fc.assert(
    fc.property(between(0.01, 500), (value) => {
      for (const system of ['imperial', 'metric'] as const) {
        const round = roundIn(value, 'depth', system);
        expect(Math.abs(round - value)).toBeLessThanOrEqual(0.04 * value + 1e-9);
        const shown = shownUnit('depth', system).fromStored(round);
        if (round !== value) expect(shown).toBeCloseTo(Number(shown.toPrecision(2)), 6);
        const one = shownUnit('depth', system).toStored(Number(shown.toPrecision(1)));
        expect(roundIn(one, 'depth', system)).toBeCloseTo(one, 9);
      }
    }),
  );
});
