import { runs } from '../test-kit/runs.ts';
import { keeperInitial } from '../fitting/keepers/index.ts';
import { guardInitial } from '../fitting/guards/index.ts';
import { castSolid } from './cast-solid.ts';
import { metalPart, totalMass } from './rig.ts';
import fc from 'fast-check';
import type { ManifoldToplevel } from 'manifold-3d';
import Module from 'manifold-3d';
import { beforeAll, describe, expect, it } from 'vitest';
import { assemble } from './assemble.ts';
import { checkDesign } from './check.ts';
import type { Design } from '../document/design.ts';
import { evaluate, PLAIN_WATER } from '../judge/evaluate.ts';
import { readStl, writeStl } from '../exchange/stl.ts';
import { football } from '../head/families/football.ts';
import { DRAWN_FAMILIES } from '../head/families/index.ts';
import { massProperties, openEdges } from '../head/mesh.ts';
import { HOOK_CHART, chartIndex, hookMeasures } from '../hook/chart.ts';
import { hookPath } from '../hook/path.ts';
import { metalTable } from '../series/metal-table.ts';
import { GRAMS_PER_OUNCE } from '../quantity/units.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import { growBulk, isGrowing } from '../head/bulk.ts';
import { featuresOf } from '../test-kit/wild.test-kit.ts';
import { scaleHead, solveTarget } from './solve.ts';
import { share } from '../test-kit/runs.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

let kernel: ManifoldToplevel;
beforeAll(async () => {
  kernel = await Module();
  kernel.setup();
});

/** A design that can be built, or a failed test. */
function built(design: Design) {
  const result = evaluate(design, AT_ONCE);
  if (!result.ok) throw new Error(result.problems.map(({ message }) => message).join('\n'));
  return result;
}

describe('hook chart', () => {
  it('rises in every measure with the size', () => {
    for (const key of ['gap', 'shank', 'wire'] as const) {
      const values = HOOK_CHART.map((row) => row[key]);
      expect(values).toEqual([...values].sort((a, b) => a - b));
    }
  });

  it('takes the wire of the next smaller size for 1X fine and of two sizes larger for 2X strong', () => {
    const wire = (size: string, grade: 'standard' | '1X fine' | '2X strong') =>
      hookMeasures({ size, grade })?.wire;
    expect(wire('4/0', '1X fine')).toBe(wire('3/0', 'standard'));
    expect(wire('4/0', '2X strong')).toBe(wire('6/0', 'standard'));
    // Beyond the ends of the chart the wire goes on by the chart's mean ratio.
    expect(wire('#8', '1X fine')).toBeLessThan(0.55);
    expect(wire('8/0', '2X strong')).toBeGreaterThan(1.57);
  });

  it('reads sizes as they are spoken, and knows when it has none', () => {
    expect(chartIndex('2')).toBe(chartIndex('#2'));
    expect(chartIndex('5 / 0')).toBe(chartIndex('5/0'));
    expect(hookMeasures({ size: '7/0', grade: 'standard' })).toBeUndefined();
    const measured = { gap: 15, shank: 30, wire: 1.1 };
    expect(hookMeasures({ size: '7/0', grade: 'standard', measured })).toBe(measured);
  });
});

describe('hook path', () => {
  const measures = { gap: 14.5, shank: 35, wire: 1.17 };
  const path = (angle: number) =>
    hookPath(measures, {}, { angle, plane: 'crosswise', setback: 0.4 }, { knee: 6, legInside: 7 });

  it('is as long as its leg, shank, half circle and point', () => {
    // With the leg along the shank there is no fillet: straight pieces and π·R, R = (gap + wire)/2.
    const bend = (Math.PI * (14.5 + 1.17)) / 2;
    const leg = 7 + 0.3 + 1.17 / 2;
    expect(path(0).length).toBeCloseTo(leg + 35 + bend + 0.62 * 14.5, 1);
  });

  it('has a clear gap of the chart between shank and point', () => {
    const { pointHeight, wire } = path(60);
    expect(pointHeight - wire).toBeCloseTo(14.5, 9);
  });

  it.each([0, 30, 45, 60, 90])('puts the eye at %s° off the shank’s forward line', (angle) => {
    const { eye, knee } = path(angle);
    const seen = (Math.atan2(eye.centre[2] - knee[2], eye.centre[0] - knee[0]) * 180) / Math.PI;
    expect(seen).toBeCloseTo(angle, 9);
  });

  it('never jumps: neighbouring points are close', () => {
    for (const angle of [0, 10, 60, 90]) {
      const { centre } = path(angle);
      centre.slice(1).forEach((point, i) => {
        const before = centre[i] ?? point;
        expect(Math.hypot(point[0] - before[0], point[2] - before[2])).toBeLessThan(0.8);
      });
    }
  });
});

describe('parts of a design', () => {
  it('weighs the hook as its wire, its ring and its point', () => {
    const rig = assemble(sampleDesign('ball'));
    const hook = rig.parts.find(({ name }) => name === 'hook');
    const section = (Math.PI / 4) * rig.hook.wire ** 2;
    const ring = 2 * Math.PI ** 2 * rig.hook.eye.radius * (rig.hook.wire / 2) ** 2;
    const taper = 2 * rig.hook.wire * section;
    expect(hook?.mass).toBeCloseTo((7.85 * (rig.hook.length * section + ring - taper)) / 1000, 4);
  });

  it('takes the wire out of a ball: what is missing is leg and shank inside it', () => {
    const design = sampleDesign('ball', {
      head: { dimensions: { breadth: 12 } },
      keeper: { kind: 'none' },
      eye: { angle: 90, setback: 0.5 },
    });
    const rig = assemble(design);
    const sphere = (Math.PI / 6) * 12 ** 3;
    const section = (Math.PI / 4) * rig.hook.wire ** 2;
    // Leg of 6 mm up and shank of 6 mm back, less what the fillet cuts off the corner: (2 − π/2) of its
    // radius.
    const inside = section * (12 - (2 - Math.PI / 2) * 1.5 * rig.hook.wire);
    expect(metalPart(rig).volume).toBeCloseTo(sphere - inside, 0);
    expect(rig.wireInside / inside).toBeCloseTo(1, 1);
  });

  it('adds every part once to the weight on the scale', () => {
    const rig = assemble(
      sampleDesign('pointed', { keeper: keeperInitial('wire'), guard: guardInitial('fibre') }),
    );
    expect(rig.parts.map(({ name }) => name)).toEqual(['metal', 'hook', 'keeper', 'guard']);
    expect(totalMass(rig)).toBeCloseTo(
      rig.parts.reduce((sum, { mass }) => sum + mass, 0),
      12,
    );
  });
});

describe('the solid as cast', () => {
  const keepers = [{ kind: 'none' }, keeperInitial('collar'), keeperInitial('wire')] as const;
  const cases = DRAWN_FAMILIES.flatMap(({ key }) =>
    keepers.flatMap((keeper) =>
      (['none', 'fibre'] as const).map((guard) => [key, keeper.kind, guard, keeper] as const),
    ),
  );

  it.each(share(cases, 6))(
    '%s with keeper %s and guard %s: the library’s cut agrees with the reading to 0.1%',
    (family, _, guard, keeper) => {
      const design = sampleDesign(family, { keeper, guard: guardInitial(guard), hook: { size: '6/0' } });
      const { rig, readings } = built(design);
      const solid = castSolid(kernel, rig);
      expect(openEdges(solid)).toBe(0);
      expect(
        Math.abs(massProperties(solid).volume / (readings['head.castVolume']?.value ?? 0) - 1),
      ).toBeLessThan(1e-3);
    },
  );

  it('goes out as STL and comes back with the same volume to 1e-6', () => {
    const { rig } = built(sampleDesign('pointed'));
    const solid = castSolid(kernel, rig);
    const bytes = writeStl(solid, 'Reedcutter “3/8”');
    const back = readStl(bytes);
    expect(openEdges(back)).toBe(0);
    expect(Math.abs(massProperties(back).volume / massProperties(solid).volume - 1)).toBeLessThan(1e-6);
    expect(new TextDecoder().decode(bytes.slice(0, 80))).toMatch(/^fern anvil, mm: Reedcutter \?3\/8\?/);
  });

  it('refuses what is not an STL with a sentence', () => {
    expect(() => readStl(new Uint8Array(10))).toThrow(/too short/);
    expect(() => readStl(new Uint8Array(200).fill(1))).toThrow(/does not agree/);
  });
});

describe('a body of which nothing is left', () => {
  // Found by random specifications: a slot as broad as the body, and a weight that asks for the smallest of
  // it.
  it('is told in words at its fields, and throws nothing', () => {
    const design = sampleDesign('bellyweight', {
      head: {
        dimensions: { length: 9.4, breadth: 3.8, height: 5.2, ends: 0.3, belly: 0.69 },
        target: { grams: 0.05, of: 'metal' },
        features: { flats: { cut: 0.73636, slope: 0 }, slot: { open: 'below', width: 3.8000052 } },
      },
      hook: { size: '#2' },
    });
    const result = evaluate(design, AT_ONCE);
    if (result.ok) throw new Error('it was built');
    expect(result.problems.map(({ path }) => path)).toContain('/head/features/slot/width');
    for (const { message } of result.problems) expect(message.length).toBeGreaterThan(20);
  });
});

describe('solving for weight', () => {
  const arbitrary = fc.record({
    family: fc.constantFrom(...DRAWN_FAMILIES.map(({ key }) => key)),
    ounces: fc.constantFrom(1 / 8, 3 / 16, 1 / 4, 3 / 8, 1 / 2, 3 / 4, 1),
    metal: fc.constantFrom('lead', 'bismuth-tin', 'tungsten'),
    of: fc.constantFrom('metal' as const, 'total' as const),
  });

  it('meets metal and total weight to a millionth', () => {
    fc.assert(
      fc.property(arbitrary, ({ family, ounces, metal, of }) => {
        const grams = ounces * GRAMS_PER_OUNCE;
        const keeper = keeperInitial('wire');
        const solved = solveTarget(
          sampleDesign(family, { head: { metal, target: { grams, of } }, hook: { size: '1/0' }, keeper }),
        );
        if (!solved.ok) throw new Error(solved.problem.message);
        const reached = of === 'metal' ? metalPart(solved.rig).mass : totalMass(solved.rig);
        expect(Math.abs(reached / grams - 1)).toBeLessThan(1e-6);
      }),
      { numRuns: runs(60) },
    );
  });

  it('a solved head is what building its solved sizes anew gives, whatever grows of it and whatever keeps its size', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DRAWN_FAMILIES),
        featuresOf(25),
        between(0.8, 1.25),
        fc.boolean(),
        (family, features, factor, isLocked) => {
          const plain = sampleDesign(family.key, { head: { features } });
          const first = solveTarget(plain);
          const free = family.dimensions.filter(({ scales }) => scales);
          if (!first.ok || !(metalPart(first.rig).mass > 0.1)) return;
          const solved = solveTarget({
            ...plain,
            head: {
              ...plain.head,
              target: { grams: metalPart(first.rig).mass * factor, of: 'metal' },
              locks: isLocked && free.length > 1 ? [free[0]?.key ?? ''] : [],
            },
          });
          if (!solved.ok) return;
          const anew = assemble({ ...solved.design, head: { ...solved.design.head, target: undefined } });
          expect(metalPart(anew).mass / metalPart(solved.rig).mass).toBeCloseTo(1, 5);
          for (const axis of [0, 2] as const)
            expect(metalPart(anew).centroid[axis]).toBeCloseTo(metalPart(solved.rig).centroid[axis], 3);
          expect(anew.roll / solved.rig.roll).toBeCloseTo(1, 3);
        },
      ),
      { numRuns: runs(120), endOnFailure: true },
    );
  });

  it('a body is not taken as a grown one where a part of it keeps its size', () => {
    const slotted = built(
      sampleDesign('ball', { head: { features: { slot: { open: 'below', width: 1.6 } } } }),
    );
    const { head } = slotted.rig;
    expect(isGrowing(head)).toBe(false);
    expect(() => growBulk(head, head, 2)).toThrow(/keep their size/);
  });

  it('keeps locked sizes and shares, and moves only the rest', () => {
    const design = sampleDesign('pointed', {
      head: {
        dimensions: { length: 18, breadth: 9, height: 9, shoulder: 0.4 },
        target: { grams: 14, of: 'metal' },
        locks: ['breadth'],
      },
    });
    const solved = solveTarget(design);
    if (!solved.ok) throw new Error(solved.problem.message);
    const { dimensions } = solved.design.head;
    expect(dimensions['breadth']).toBe(9);
    expect(dimensions['shoulder']).toBe(0.4);
    expect((dimensions['length'] ?? 0) / (dimensions['height'] ?? 1)).toBeCloseTo(2, 9);
    expect(metalPart(solved.rig).mass).toBeCloseTo(14, 5);
  });

  it.each([
    [{ grams: 0.02, of: 'metal' as const }, [], /cannot come down/],
    [{ grams: 1900, of: 'metal' as const }, [], /cannot reach/],
    [{ grams: 10, of: 'metal' as const }, ['breadth'], /Every size is locked/],
  ])('says why %j with locks %j cannot be met', (target, locks, why) => {
    const solved = solveTarget(sampleDesign('ball', { head: { target, locks } }));
    expect(solved).toMatchObject({
      ok: false,
      problem: { path: '/head/target/grams', message: expect.stringMatching(why) },
    });
  });

  it('lead to tungsten at equal weight: sizes follow the cube root of the densities once the wire is made up for', () => {
    const design = sampleDesign('football', {
      keeper: { kind: 'none' },
      head: { target: { grams: 20, of: 'metal' } },
    });
    const lead = solveTarget(design);
    const tungsten = solveTarget({ ...design, head: { ...design.head, metal: 'tungsten' } });
    if (!lead.ok || !tungsten.ok) throw new Error('not solved');
    // Body volume = metal volume + wire inside, each known apart: their ratio must be the cube of the scale
    // exactly.
    const scale =
      (tungsten.design.head.dimensions['length'] ?? 0) / (lead.design.head.dimensions['length'] ?? 1);
    const whole = (solved: typeof lead) => 20 / solved.rig.density + solved.rig.wireInside / 1000;
    expect(scale).toBeCloseTo(Math.cbrt(whole(tungsten) / whole(lead)), 6);
    // And the wire is a small correction on the plain cube root of the densities.
    expect(Math.abs(scale / Math.cbrt(11.34 / 17.5) - 1)).toBeLessThan(0.02);
  });

  it('at equal size the weight of the metal follows the densities', () => {
    const rows = metalTable(built(sampleDesign('ball', { keeper: { kind: 'none' } })).design, PLAIN_WATER);
    const mass = (key: string) => {
      const row = rows.find(({ metal }) => metal.key === key);
      return row?.sameSize.ok ? row.sameSize.metal : NaN;
    };
    expect(mass('tungsten') / mass('lead')).toBeCloseTo(17.5 / 11.34, 9);
    expect(mass('bismuth-tin') / mass('lead')).toBeCloseTo(8.65 / 11.34, 9);
  });

  it('warns of what tungsten cannot be: a cast collar, a thin wall', () => {
    const rows = metalTable(built(sampleDesign('ball')).design, PLAIN_WATER);
    const tungsten = rows.find(({ metal }) => metal.key === 'tungsten');
    expect(tungsten?.sameWeight).toMatchObject({
      ok: true,
      caution: expect.stringContaining('no cast collar'),
    });
    const { flags } = built(sampleDesign('ball', { head: { metal: 'tungsten' } }));
    expect(flags).toContainEqual(expect.objectContaining({ level: 'stop', path: '/keeper' }));
  });

  it('scaling twice is scaling once by the product', () => {
    const design = sampleDesign('football');
    const twice = scaleHead(scaleHead(design, football, 1.2), football, 0.7).head.dimensions;
    const once = scaleHead(design, football, 0.84).head.dimensions;
    for (const [key, value] of Object.entries(once)) expect(twice[key]).toBeCloseTo(value, 9);
  });
});

describe('bad input', () => {
  it.each([
    ['unknown family', { head: { family: 'doughnut' } }, '/head/family', /Use one of ball/],
    ['unknown metal', { head: { metal: 'gold' } }, '/head/metal', /not in the stores/],
    ['unknown hook', { hook: { size: '9/0' } }, '/hook/size', /not in the chart/],
    ['unknown dimension', { head: { dimensions: { girth: 4 } } }, '/head/dimensions/girth', /It has breadth/],
    ['dimension of 0', { head: { dimensions: { breadth: 0 } } }, '/head/dimensions/breadth', /outside/],
    ['dimension of 1e9', { head: { dimensions: { breadth: 1e9 } } }, '/head/dimensions/breadth', /outside/],
    ['lock on nothing', { head: { locks: ['shoulder'] } }, '/head/locks', /Lock one of breadth/],
    [
      'a hook thicker than the head',
      { head: { dimensions: { breadth: 2 } }, hook: { size: '8/0' }, keeper: { kind: 'none' } },
      '/hook/size',
      /does not fit a head/,
    ],
    [
      'a hook shorter than the head',
      { head: { dimensions: { breadth: 40 } }, hook: { size: '#8' }, keeper: { kind: 'none' } },
      '/hook/size',
      /ends inside the head/,
    ],
    [
      'a collar as wide as the head',
      { keeper: { kind: 'collar', length: 6, diameter: 9, barb: 0.2, barbs: 2 } },
      '/keeper/diameter',
      /as wide as the head/,
    ],
    [
      'a collar thinner than its wire',
      { keeper: { kind: 'collar', length: 6, diameter: 0.9, barb: 0.2, barbs: 2 } },
      '/keeper/diameter',
      /no metal around/,
    ],
    [
      'a collar into the bend',
      { keeper: { kind: 'collar', length: 34, diameter: 2.6, barb: 0.2, barbs: 2 } },
      '/keeper/length',
      /runs into/,
    ],
    [
      'steep barbs',
      { keeper: { kind: 'collar', length: 1, diameter: 2.6, barb: 4, barbs: 6 } },
      '/keeper/barb',
      /too steep/,
    ],
    ['a guard on nothing', { guard: { ...guardInitial('fibre'), setback: 0 } }, '/guard/setback', /no metal/],
  ] as const)('%s is told at its field', (_, change, path, message) => {
    const problems = checkDesign(sampleDesign('ball', change as Parameters<typeof sampleDesign>[1]));
    expect(problems).toContainEqual({ path, message: expect.stringMatching(message) });
  });
});
