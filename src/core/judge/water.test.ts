import fc from 'fast-check';
import { expect, it } from 'vitest';
import type { Surroundings } from '../behaviour/behaviour.ts';
import { ROD_POWERS } from '../behaviour/fishing.ts';
import type { RodPower } from '../behaviour/fishing.ts';
import { LINE_KINDS } from '../material/lines.ts';
import { PLASTIC_KINDS } from '../plastic/kinds/index.ts';
import { METHODS } from '../rigging/methods/index.ts';
import { runs } from '../test-kit/runs.ts';
import { anyDesign } from '../test-kit/wild.test-kit.ts';
import { between } from '../test-kit/numbers.test-kit.ts';
import { evaluate, PLAIN_WATER } from './evaluate.ts';
import { waterFigure } from './water.ts';

const anyFishing: fc.Arbitrary<Surroundings> = fc.record({
  water: fc.record({ temperature: between(0, 35), salinity: between(0, 38) }),
  depth: between(0.3, 60),
  fishing: fc.record({
    lineOut: between(1, 150),
    rodHeight: between(0, 4),
    speed: between(0, 3),
    current: between(0, 2),
    line: fc.constantFrom(...LINE_KINDS.map(({ key }) => key)),
    test: between(0.5, 40),
    rod: fc.constantFrom(...(Object.keys(ROD_POWERS) as RodPower[])),
    friction: between(0.05, 1.2),
    crack: between(0, 40),
  }),
});
const anyBait = fc.option(
  fc.record({
    plastic: fc.record({
      format: fc.constant('fern-anvil/plastic' as const),
      version: fc.constant(1 as const),
      name: fc.constant('Any'),
      kind: fc.constantFrom(...PLASTIC_KINDS.map(({ key }) => key)),
      length: between(30, 250),
      breadth: between(3, 30),
      height: between(3, 30),
      density: between(0.8, 1.3),
      toughness: fc.constantFrom('soft' as const, 'standard' as const, 'stretchy' as const),
    }),
    method: fc.constantFrom(...METHODS.map(({ key }) => key)),
  }),
  { nil: undefined },
);

const isSound = (value: unknown): boolean =>
  typeof value === 'number'
    ? !Number.isNaN(value)
    : Array.isArray(value)
      ? value.every(isSound)
      : typeof value !== 'object' || value === null || Object.values(value).every(isSound);

it('any head in any water, fished anyhow, with a bait or without, gives figures with their spans about them, or none', () => {
  let readable = 0;
  fc.assert(
    fc.property(anyDesign, anyFishing, anyBait, (design, around, bait) => {
      if (!evaluate(design, { ...PLAIN_WATER, isShort: true }).ok) return;
      const result = evaluate(design, around, bait);
      if (!result.ok) return;
      readable++;
      for (const [id, { value, range }] of Object.entries(result.readings)) {
        expect(Number.isFinite(value), `${id} of ${JSON.stringify(design)}`).toBe(true);
        if (!range) continue;
        const slack = 1e-6 * Math.abs(value) + 1e-9;
        expect(
          range[0] <= value + slack && range[1] >= value - slack,
          `${id}: ${value} within ${range.join(' to ')}`,
        ).toBe(true);
      }
      const shares = (['rest.hookUp', 'rest.onSide', 'rest.pointDown'] as const).map(
        (id) => result.readings[id]?.value,
      );
      if (shares[0] !== undefined)
        expect(shares.reduce((sum: number, share) => sum + (share ?? 0), 0)).toBeCloseTo(1, 6);
      expect(isSound(waterFigure(result.rig, around))).toBe(true);
    }),
    { numRuns: runs(150), endOnFailure: true },
  );
  expect(readable).toBeGreaterThan(1);
});
