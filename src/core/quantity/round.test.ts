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

it.each([
  // A packet's fraction of an ounce is round as it is; of a pot of metal it is not.
  ['3/16 oz', 3 / 16, 3 / 16],
  ['5/8 oz', 5 / 8, 5 / 8],
  ['7 1/2 oz', 7.5, 7.5],
  ['8 oz', 8, 8],
  ['8 1/4 oz', 8.25, 8],
  ['12 7/16 oz', 12 + 7 / 16, 12],
] as const)('of mass %s stays or is rounded', (_, ounces, wanted) => {
  const { fromStored, toStored } = shownUnit('mass', 'imperial');
  expect(fromStored(roundIn(toStored(ounces), 'mass', 'imperial'))).toBeCloseTo(wanted, 9);
});

it('of other kinds and in metric a packet’s fraction is no reason to stay', () => {
  // 3/16 oz is 5.3155 g, and so many millimetres.
  const grams = (3 / 16) * 28.349523125;
  expect(roundIn(grams, 'mass', 'metric')).toBeCloseTo(5.5, 9);
  expect(roundIn(grams, 'size', 'metric')).toBeCloseTo(5.5, 9);
  const { fromStored } = shownUnit('size', 'imperial');
  expect(fromStored(roundIn(grams, 'size', 'imperial'))).toBeCloseTo(0.2, 1);
});
