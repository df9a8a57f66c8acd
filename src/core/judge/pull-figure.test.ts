import { describe, expect, it } from 'vitest';
import { fishingOf, lineFacts, ROD_POWERS } from '../behaviour/fishing.ts';
import { elastica } from '../behaviour/elastica.ts';
import { openingLoads, pulledHook } from '../behaviour/hook-opening.ts';
import { WIRE_YIELD } from '../behaviour/opening.ts';
import { DRAWN_FAMILIES } from '../head/families/index.ts';
import { sampleDesign } from '../test-kit/sample.test-kit.ts';
import { evaluate, PLAIN_WATER } from './evaluate.ts';
import { pullFigure } from './pull-figure.ts';

const rigOf = (key: string) => {
  const result = evaluate(sampleDesign(key), PLAIN_WATER);
  if (!result.ok) throw new Error(`${key}: ${result.problems[0]?.message}`);
  return result.rig;
};
const lengthOf = (line: readonly (readonly [number, number])[]) =>
  line
    .slice(1)
    .reduce((sum, [x, z], i) => sum + Math.hypot(x - (line[i]?.[0] ?? x), z - (line[i]?.[1] ?? z)), 0);

describe('a hook that is pulled', () => {
  it('of every shape keeps its length, opens steadily, and for good by a twentieth at the load that opens it', () => {
    for (const { key } of DRAWN_FAMILIES) {
      const rig = rigOf(key);
      const [opens = NaN] = openingLoads(pulledHook(rig), [WIRE_YIELD.usual]);
      if (!Number.isFinite(opens)) continue;
      const { shapes } = pullFigure(rig, PLAIN_WATER, 1.2 * opens);
      const [first] = shapes;
      expect(first, key).toMatchObject({ pull: 0, gap: 1, gapAfter: 1 });
      for (const [i, shape] of shapes.entries()) {
        expect(lengthOf(shape.wire) / lengthOf(first?.wire ?? [])).toBeCloseTo(1, 9);
        expect(shape.gapAfter).toBeLessThanOrEqual(shape.gap + 1e-9);
        if (i > 0) expect(shape.gap).toBeGreaterThan((shapes[i - 1]?.gap ?? 0) - 1e-9);
      }
      const before = shapes.findLast(({ pull }) => pull <= opens);
      const after = shapes.find(({ pull }) => pull > opens);
      expect(before?.gapAfter, key).toBeLessThan(1.0501);
      if (after) expect(after.gapAfter, key).toBeGreaterThan(1.0499);
    }
  });

  it('up to where it yields springs back whole', () => {
    const rig = rigOf('ball');
    const [opens = NaN] = openingLoads(pulledHook(rig), [WIRE_YIELD.usual]);
    const { shapes } = pullFigure(rig, PLAIN_WATER, opens / 6);
    expect(shapes.at(-1)?.gapAfter).toBeCloseTo(1, 9);
    // Elastic and small: the gap grows as the pull does.
    const [half, whole] = [shapes[5]?.gap ?? NaN, shapes[10]?.gap ?? NaN];
    expect((whole - 1) / (half - 1)).toBeCloseTo(2, 1);
  });
});

describe('the tackle that pulls it', () => {
  it('bends the rod as Bisshopp and Drucker’s cantilever, by its own stiffness at first', () => {
    const { tackle } = pullFigure(
      rigOf('ball'),
      { ...PLAIN_WATER, fishing: { rod: 'medium', test: 20, brake: 1 } },
      120,
    );
    for (const { pull, rod, tip, isParted } of tackle) {
      expect(isParted).toBe(false);
      const load = (3 * pull) / (ROD_POWERS.medium * 2.1);
      const { drop, shortening } = elastica(load);
      const [up, off] = rod.at(-1) ?? [NaN, NaN];
      expect(off / 2.1).toBeCloseTo(drop, 3);
      expect(up / 2.1).toBeCloseTo(1 - shortening, 3);
      expect(tip).toBeCloseTo(2.1 * Math.hypot(drop, shortening), 2);
      expect(lengthOf(rod)).toBeCloseTo(2.1, 9);
      // Held, it goes on as it stood.
      expect(Math.abs((rod[1]?.[1] ?? 1) / (rod[1]?.[0] ?? 1))).toBeLessThan(0.08);
    }
    const [, little] = tackle;
    expect((little?.tip ?? 0) / ((little?.pull ?? NaN) / ROD_POWERS.medium)).toBeCloseTo(1, 2);
  });

  it('stretches the line by Hooke’s law, slips at its setting, and parts at the weaker of line and leader', () => {
    const fishing = { line: 'nylon' as const, test: 6, leader: 4, brake: 0.5, lineOut: 30 };
    const { tackle } = pullFigure(rigOf('ball'), { ...PLAIN_WATER, fishing }, 60);
    const { stiffness } = lineFacts(fishingOf({ fishing }));
    const parts = 4 * 9.80665;
    for (const { pull, stretch, length, isParted, isSlipping, tip } of tackle) {
      expect(length).toBe(30);
      expect(isParted).toBe(pull >= parts);
      expect(isSlipping).toBe(pull >= parts / 2);
      if (!isParted) expect(stretch).toBeCloseTo((30 * pull) / stiffness, 9);
      else expect(tip).toBeCloseTo(0, 12);
    }
  });
});
