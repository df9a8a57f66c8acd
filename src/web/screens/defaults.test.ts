import { describe, expect, it } from 'vitest';
import { newBatch } from '../../core/document/index.ts';
import { guardOf, keeperOf } from '../../core/fitting/index.ts';
import { DRAWN_FAMILIES } from '../../core/head/index.ts';
import { SITUATIONS } from '../../core/match/index.ts';
import type { QuantityKind, UnitSystem } from '../../core/quantity/index.ts';
import { shownUnit, shownUsual } from '../../core/quantity/index.ts';
import { starterLadder } from '../../core/series/index.ts';
import { sampleDesign } from '../../core/test-kit/sample.test-kit.ts';
import { exampleHeads, newHead } from '../parts/new-head.ts';
import { roundedPour } from './batches/rounded-pour.ts';
import { briefFrom, starterBrief } from './briefs/brief-templates.ts';

/* What screens begin with is round in the unit it is shown in: a whole number, halves or two digits of it. */

const SYSTEMS = ['imperial', 'metric'] as const;

/**
 * Whether a stored value is shown as a round figure: two digits at most, halves and fifths, or 64ths of an
 * ounce.
 */
function isRound(value: number, kind: QuantityKind, system: UnitSystem): boolean {
  const shown = shownUnit(kind, system).fromStored(value);
  if (shown === 0) return true;
  const off = (figure: number) =>
    Math.abs(figure - Math.round(figure)) < 1e-6 * Math.max(1, Math.abs(figure));
  if (kind === 'mass' && system === 'imperial' && off(shown * 32)) return true;
  const digit = 10 ** Math.floor(Math.log10(Math.abs(shown)) - 1);
  return off(shown / digit) || off((2 * shown) / digit);
}

describe.each(SYSTEMS)('in %s units', (system) => {
  it('a new head of every shape and the examples begin with round weights and fittings', () => {
    const heads = [...DRAWN_FAMILIES.map(({ key }) => newHead(key, system)), ...exampleHeads(system)];
    expect(heads.length).toBeGreaterThan(20);
    for (const { name, head, keeper, guard } of heads) {
      if (head.target) expect([name, isRound(head.target.grams, 'mass', system)]).toEqual([name, true]);
      for (const [spec, { fields }] of [
        [keeper, keeperOf(keeper.kind)],
        [guard, guardOf(guard.kind)],
      ] as const)
        for (const [key, field] of Object.entries(fields)) {
          const value = (spec as Readonly<Record<string, unknown>>)[key];
          if (field.type !== 'number' || typeof value !== 'number') continue;
          expect(value).toBeGreaterThanOrEqual(field.min);
          expect(value).toBeLessThanOrEqual(field.max);
          if (field.quantity === 'size')
            expect([name, key, value, isRound(value, 'size', system)]).toEqual([name, key, value, true]);
        }
    }
  });

  it('a new brief and one of every usual situation are round in what they say', () => {
    for (const brief of [starterBrief(system), ...SITUATIONS.map(({ key }) => briefFrom(key, system))]) {
      const { water, fishing, line, bait } = brief;
      const said: readonly (readonly [number | undefined, QuantityKind])[] = [
        [water.depth, 'depth'],
        [water.sight, 'depth'],
        [fishing.cast, 'depth'],
        [line.test, 'lineTest'],
        [bait.length, 'size'],
      ];
      for (const [value, kind] of said)
        if (value !== undefined)
          expect([brief.name, kind, isRound(value, kind, system)]).toEqual([brief.name, kind, true]);
    }
  });

  it('a ladder and what a batch is poured with', () => {
    for (const { grams } of starterLadder(system).rungs) expect(isRound(grams, 'mass', system)).toBe(true);
    const { pour } = newBatch(sampleDesign('Sample'), { id: 'a', version: 1 }, '2026-04-01', {
      target: 10,
      at: 395,
    });
    const round = roundedPour(pour, [370, 420], system);
    expect(isRound(round.pot, 'mass', system)).toBe(true);
    expect(isRound(round.at, 'temperature', system)).toBe(true);
    expect(round.at).toBeGreaterThanOrEqual(370);
    expect(round.at).toBeLessThanOrEqual(420);
    // A metal that is poured within a few degrees is poured there.
    expect(roundedPour(pour, [394, 396], 'imperial').at).toBe(395);
  });
});

it('an assumed temperature is shown to the degree, anything else round', () => {
  expect(shownUsual(15, 'temperature', 'imperial')).toBe(15);
  expect(shownUsual(3, 'depth', 'imperial') / 0.3048).toBeCloseTo(10, 9);
});
