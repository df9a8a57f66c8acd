import { metalPart, totalMass } from '../assembly/rig.ts';
import { describe, expect, it } from 'vitest';
import type { Design } from '../document/design.ts';
import type { HOOK_RULES } from '../document/design.ts';
import { extent } from '../head/extent.ts';
import { chartIndex, HOOK_CHART } from '../hook/chart.ts';
import { bentWire, pathLength } from '../hook/polyline.ts';
import { STYLES } from '../hook/styles/index.ts';
import { buildLadder, rungName, starterLadder } from './ladder.ts';
import { GRAMS_PER_OUNCE } from '../quantity/units.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import { evaluate } from '../judge/evaluate.ts';
import { solveTarget, weightOf } from '../assembly/solve.ts';

const base = (): Design => ({
  ...sampleDesign('wedge', { hook: { size: '4/0' } }),
  head: { ...sampleDesign('wedge').head, target: { grams: 14, of: 'metal' } },
});

describe('weight ladder', () => {
  it('rungs hit their targets to 0.1%, whichever weight is meant', () => {
    for (const of of ['metal', 'total', 'submerged'] as const) {
      const design = { ...base(), head: { ...base().head, target: { grams: 14, of } } };
      const rungs = buildLadder(design, starterLadder());
      expect(rungs).toHaveLength(9);
      for (const rung of rungs) {
        if (!rung.ok) throw new Error(rung.problems[0]?.message);
        expect(Math.abs(weightOf(rung.rig, of) / rung.grams - 1)).toBeLessThan(1e-3);
      }
    }
  });

  it('the hook is kept, steps with each doubling, or keeps its proportion to the head', () => {
    const hooks = (rule: 'keep' | 'step' | 'proportion') =>
      buildLadder(base(), { ...starterLadder(), rule }).map(({ hook }) => hook);
    expect(new Set(hooks('keep'))).toEqual(new Set(['4/0']));
    // From 14 g on a 4/0: a quarter is two sizes down, twice is one up.
    const quarter = buildLadder(base(), {
      rule: 'step',
      rungs: [{ grams: 3.5 }, { grams: 14 }, { grams: 28 }],
    }).map(({ hook }) => hook);
    expect(quarter).toEqual(['2/0', '4/0', '5/0']);
    const ranks = hooks('proportion').map(chartIndex);
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
    expect(hooks('proportion')[5]).toBe('4/0');
  });

  it('a rung’s own hook and name go before the rule, and one that cannot be built says why', () => {
    const rungs = buildLadder(base(), {
      rule: 'keep',
      rungs: [
        { grams: 7, hook: '2/0', name: 'Mine' },
        { grams: 0.3, hook: '8/0' },
      ],
    });
    expect(rungs[0]).toMatchObject({ ok: true, hook: '2/0', ruled: false, design: { name: 'Mine' } });
    expect(rungs[1]?.ok === false && rungs[1].problems[0]?.message.length).toBeGreaterThan(20);
  });

  it.each([
    ['Alder Wedge 1/2', 'Alder Wedge 1/4'],
    ['Alder Wedge 12 g', 'Alder Wedge 1/4'],
    ['Pip', 'Pip 1/4'],
    ['1/2', '1/2 1/4'],
    ['Alder Wedge 1 1/2 oz', 'Alder Wedge 1/4'],
    ['Alder Wedge 12 1/16', 'Alder Wedge 1/4'],
    ['Alder Wedge 10/32  ', 'Alder Wedge 1/4'],
    ['Alder Wedge 12.25 g', 'Alder Wedge 1/4'],
    ['  Alder   7g', 'Alder 1/4'],
  ])('%s becomes %s', (name, wanted) => {
    expect(rungName(name, GRAMS_PER_OUNCE / 4)).toBe(wanted);
  });

  it('a weight that no packet names in ounces is named in grams', () => {
    expect(rungName('Pip', 10)).toBe('Pip 10 g');
    expect(rungName('Pip', 3.14159)).toBe('Pip 3.14 g');
    // 0.39% off a quarter is still said as one, half a per cent is not (what a scale of ±0.03 g tells apart).
    expect(rungName('Pip', (GRAMS_PER_OUNCE / 4) * 1.0039)).toBe('Pip 1/4');
    expect(rungName('Pip', (GRAMS_PER_OUNCE / 4) * 1.005)).toBe('Pip 7.12 g');
  });

  it('steps stay on the chart: beyond its ends the last hook is kept', () => {
    const hooks = (size: string, grams: readonly number[]) =>
      buildLadder(
        { ...base(), hook: { ...base().hook, size } },
        { rule: 'step', rungs: grams.map((one) => ({ grams: one })) },
      ).map(({ hook }) => hook);
    // From 14 g: 7 is one size down, 112 three up.
    expect(hooks('6/0', [112, 28, 7])).toEqual(['8/0', '8/0', '5/0']);
    expect(hooks('#8', [0.5, 7, 28])).toEqual(['#8', '#8', '#6']);
    // Half a doubling, the root of two, is where the next size begins.
    expect(hooks('4/0', [14 * 1.41, 14 * 1.42])).toEqual(['4/0', '5/0']);
    // A measured hook that no chart has is kept.
    const odd: Design = {
      ...base(),
      hook: { ...base().hook, size: '7/0', measured: { gap: 19, shank: 46, wire: 1.4 } },
    };
    const rungs = buildLadder(odd, { rule: 'step', rungs: [{ grams: 7 }] });
    expect(rungs[0]).toMatchObject({ ok: true, hook: '7/0' });
  });

  it('names that there are not are told in every rung, never thrown', () => {
    const ladder = { rule: 'step' as const, rungs: [{ grams: 7 }, { grams: 14, hook: '9/0' }] };
    const told = (design: Design) =>
      buildLadder(design, ladder).map((rung) => (rung.ok ? '' : rung.problems[0]?.path));
    expect(told(base())).toEqual(['', '/hook/size']);
    expect(told({ ...base(), hook: { ...base().hook, size: '7/0' } })).toEqual(['/hook/size', '/hook/size']);
    expect(told({ ...base(), head: { ...base().head, metal: 'gold' } })).toEqual([
      '/head/metal',
      '/head/metal',
    ]);
    expect(told({ ...base(), head: { ...base().head, family: 'doughnut' } })).toEqual([
      '/head/family',
      '/head/family',
    ]);
  });

  it('in proportion: the gap of the chart that stands to the head’s height as the design’s own does', () => {
    const rungs = buildLadder(base(), {
      rule: 'proportion',
      rungs: [{ grams: 3.5 }, { grams: 14 }, { grams: 28 }],
    });
    // Heights go with the cube root of the weight; gaps of the chart as printed (common practice, from
    // memory).
    const gaps = [4.8, 5.8, 6.8, 8.3, 9.2, 10.3, 11.6, 13.0, 14.5, 16.2, 18.0, 21.0];
    for (const { grams, hook } of rungs) {
      const wanted = 14.5 * Math.cbrt(grams / 14);
      const nearest = gaps.reduce((a, b) =>
        Math.abs(Math.log(b / wanted)) < Math.abs(Math.log(a / wanted)) ? b : a,
      );
      expect(gaps[chartIndex(hook)]).toBe(nearest);
    }
  });

  it.each(['metal', 'total', 'submerged'] as const)(
    'in proportion whichever weight is meant: of %s each rung’s hook stands to its own solved head',
    (of) => {
      const design = sampleDesign('football', { head: { target: { grams: 12, of } } as never });
      const base = solveTarget(design);
      if (!base.ok) throw new Error(base.problem.message);
      const ratio = base.rig.measures.gap / extent(base.rig.head).height;
      const rungs = buildLadder(design, {
        rule: 'proportion',
        rungs: [3, 6, 12, 24, 40].map((grams) => ({ grams })),
      });
      // At its own weight it is the design itself.
      expect(rungs[2]?.hook).toBe(design.hook.size);
      const built = rungs.flatMap((rung) => (rung.ok ? [rung] : []));
      expect(built.length).toBeGreaterThan(3);
      for (const { rig, hook } of built) {
        const { height } = extent(rig.head);
        const miss = (gap: number) => Math.abs(Math.log(gap / height / ratio));
        const place = chartIndex(hook);
        for (const beside of [place - 1, place + 1]) {
          const row = HOOK_CHART[beside];
          // A hair's breadth of grace: the size beside it would have a head a little other than this.
          if (row) expect(miss(rig.measures.gap)).toBeLessThan(miss(row.gap) + 0.05);
        }
      }
    },
  );

  it('in proportion on the scale: no other size stands nearer to the head that goes with it', () => {
    // Small heads on heavy wire: half of what is weighed is the hook, so that a larger one leaves a smaller head.
    const heavy = (of: 'metal' | 'total' | 'submerged', grams: number, size = '2/0'): Design => ({
      ...sampleDesign('ball', { hook: { size, grade: '3X strong' } as never }),
      head: { ...sampleDesign('ball').head, target: { grams, of } },
    });
    const own = solveTarget(heavy('metal', 3));
    if (!own.ok) throw new Error(own.problem.message);
    const standing = ({ measures, head }: typeof own.rig) => measures.gap / extent(head).height;
    for (const of of ['total', 'submerged'] as const) {
      const weight = weightOf(own.rig, of);
      const rungs = buildLadder(heavy(of, weight), {
        rule: 'proportion',
        rungs: [0.55, 0.7, 0.85, 1, 1.2, 1.6, 2.2, 3, 4.5].map((share) => ({ grams: share * weight })),
      });
      expect(rungs[3]?.hook).toBe('2/0');
      for (const { grams, hook } of rungs) {
        // Every size of the chart with the head that it leaves.
        const misses = HOOK_CHART.map(({ size }) => {
          const solved = solveTarget(heavy(of, grams, size));
          return solved.ok ? Math.abs(Math.log(standing(solved.rig) / standing(own.rig))) : Infinity;
        });
        expect(hook, `${of} ${grams} g`).toBe(HOOK_CHART[misses.indexOf(Math.min(...misses))]?.size);
      }
    }
  });

  it('begins with weights round in the reader’s unit', () => {
    expect(starterLadder('metric').rungs).toEqual(
      [2, 3, 5, 7, 10, 14, 18, 21, 28].map((grams) => ({ grams })),
    );
    expect(starterLadder('metric').rule).toBe('proportion');
  });

  it('a measured hook a tenth wider than the chart’s keeps being a tenth wider in its proportion', () => {
    const measured = { gap: 14.5 * 1.1, shank: 36, wire: 1.17 };
    const design: Design = { ...base(), hook: { ...base().hook, measured } };
    const [same, half] = buildLadder(design, { rule: 'proportion', rungs: [{ grams: 14 }, { grams: 7 }] });
    // At its own weight the measured hook itself stays.
    expect(same).toMatchObject({ hook: '4/0', design: { hook: { measured } } });
    // 16 mm over the cube root of two is 12.7 mm, of which the chart’s are 11.5: a 2/0 of 11.6 mm.
    expect(half).toMatchObject({ hook: '2/0', design: { hook: { measured: undefined } } });
  });

  it('a rung that is met in weight and does not fit its hook is refused with the reason', () => {
    const [rung] = buildLadder(base(), { rule: 'keep', rungs: [{ grams: 90, hook: '#8' }] });
    expect(rung?.ok).toBe(false);
    expect(rung?.ok === false && rung.problems.map(({ path }) => path)).toContain('/hook/size');
  });

  it('a design whose own weight cannot be met still has its series, counted from the weight it asks for', () => {
    const design: Design = { ...base(), head: { ...base().head, target: { grams: 2000, of: 'metal' } } };
    const rungs = buildLadder(design, { rule: 'step', rungs: [{ grams: 1000 }, { grams: 14 }] });
    expect(rungs.map(({ hook }) => hook)).toEqual(['3/0', '#6']);
    const kept = buildLadder(design, { rule: 'proportion', rungs: [{ grams: 14 }] });
    expect(kept[0]).toMatchObject({ ok: true, hook: '4/0' });
  });

  it('a rung has its name and weight from the ladder, and no ladder of its own', () => {
    const design: Design = { ...base(), ladder: starterLadder() };
    for (const rung of buildLadder(design, starterLadder())) {
      expect(rung.design.ladder).toBeUndefined();
      expect(rung.design.head.target).toEqual({ grams: rung.grams, of: 'metal' });
      expect(rung.ruled).toBe(true);
    }
    expect(starterLadder().rungs.map(({ grams }) => grams / GRAMS_PER_OUNCE)).toEqual([
      1 / 16,
      1 / 8,
      3 / 16,
      1 / 4,
      3 / 8,
      1 / 2,
      5 / 8,
      3 / 4,
      1,
    ]);
  });
});

describe('solving', () => {
  it('locked sizes stay, the others meet the weight; all locked says so', () => {
    const design = {
      ...base(),
      head: { ...base().head, target: { grams: 20, of: 'total' as const }, locks: ['breadth'] },
    };
    const solved = solveTarget(design);
    if (!solved.ok) throw new Error(solved.problem.message);
    expect(solved.design.head.dimensions['breadth']).toBe(design.head.dimensions['breadth']);
    expect(totalMass(solved.rig)).toBeCloseTo(20, 5);
    const stuck = solveTarget({
      ...design,
      head: { ...design.head, locks: ['breadth', 'length', 'height'] },
    });
    expect(stuck.ok ? '' : stuck.problem.message).toMatch(/Every size is locked/);
  });

  it('submerged weight is metal and wire less water, in fresh water whatever it is judged in', () => {
    const solved = solveTarget({
      ...base(),
      head: { ...base().head, target: { grams: 12, of: 'submerged' } },
    });
    if (!solved.ok) throw new Error(solved.problem.message);
    const volume = solved.rig.parts.reduce((sum, part) => sum + part.volume, 0);
    // 999.1 kg/m³ at 15 °C (Kell 1975, value from memory).
    expect(totalMass(solved.rig) - volume * 0.9991e-3).toBeCloseTo(12, 3);
    expect(metalPart(solved.rig).mass).toBeGreaterThan(12);
  });
});

describe('hook styles and hinges', () => {
  const built = (hook: Partial<Design['hook']>, change: Partial<Design> = {}) => {
    const result = evaluate(
      {
        ...sampleDesign('ball', { keeper: { kind: 'none' }, hook: { size: '4/0', ...hook } }),
        ...change,
      },
      AT_ONCE,
    );
    if (!result.ok) throw new Error(result.problems[0]?.message);
    return result;
  };

  it.each(STYLES.map((style) => [style.key, style] as const))(
    '%s: its gap and shank are the chart’s by its factors, and the wire never jumps',
    (key, style) => {
      const { rig, readings } = built({ style: key });
      expect(rig.measures.gap).toBeCloseTo(14.5 * style.gap, 9);
      // A point that is turned in comes nearer to the shank by the rise of its leg.
      const turnedIn = Math.sin((style.lean * Math.PI) / 180) * style.pointLeg * 14.5 * style.gap;
      expect(readings['hook.gap']?.value).toBeCloseTo(14.5 * style.gap + turnedIn, 9);
      expect(rig.measures.shank).toBeCloseTo(35 * style.shank, 9);
      expect(readings['hook.pointDirection']?.value).toBe(style.lean);
      rig.hook.centre.slice(1).forEach((point, i) => {
        const before = rig.hook.centre[i] ?? point;
        expect(Math.hypot(point[0] - before[0], point[2] - before[2])).toBeLessThan(0.8);
      });
      // Clear gap between shank and the start of the point leg.
      const { bendStart, tip, wire } = rig.hook;
      const legStart = tip[2] - Math.sin((style.lean * Math.PI) / 180) * style.pointLeg * rig.measures.gap;
      expect(legStart - bendStart[2] - wire).toBeCloseTo(rig.measures.gap, 6);
    },
  );

  it('a bent wire is straights and arcs: a right angle of radius r saves 2r − π·r/2', () => {
    const path = bentWire(
      [
        { x: 0, z: 0, radius: 0 },
        { x: 10, z: 0, radius: 3 },
        { x: 10, z: 10, radius: 0 },
      ],
      0.05,
    );
    expect(pathLength(path)).toBeCloseTo(20 - 6 + (Math.PI * 3) / 2, 2);
  });

  it('a hinge: loop, link and hook behind each other; on the line the hook pulls at the hinge', () => {
    const free = built({ joint: { kind: 'split ring', size: 4 } });
    const { hinge } = free.rig.hook;
    if (!hinge?.link) throw new Error('there is no hinge');
    expect(hinge.loop.centre[0]).toBeLessThan(0);
    expect(hinge.link.centre[0]).toBeLessThan(hinge.loop.centre[0]);
    expect(hinge.hookEye.centre[0]).toBeLessThan(hinge.link.centre[0]);
    // Rings that pass through each other: the inner edges overlap by no more than the wires are thick.
    const gap = hinge.loop.centre[0] - hinge.loop.radius - (hinge.link.centre[0] + hinge.link.radius);
    expect(Math.abs(gap)).toBeLessThanOrEqual(hinge.loop.wireRadius + hinge.link.wireRadius + 1e-9);
    expect(free.readings['mass.joint']?.value).toBeGreaterThan(0.1);
    const fixed = built({});
    // The hook's weight acts nearer, so the head hangs flatter.
    expect(free.readings['hang.attitude']?.value).toBeGreaterThan(
      fixed.readings['hang.attitude']?.value ?? NaN,
    );
  });

  it('an eye of its own size is that wide, and a recess lets it into the head', () => {
    const plain = built({});
    const large = built({}, { eye: { angle: 60, plane: 'in line', setback: 0.42, size: 4 } });
    expect(2 * large.rig.hook.eye.radius - large.rig.hook.wire).toBeCloseTo(4, 9);
    const sunk = built({}, { eye: { ...sampleDesign('ball').eye, recess: 1 } });
    expect(sunk.readings['eye.z']?.value).toBeLessThan((plain.readings['eye.z']?.value ?? NaN) - 0.5);
    expect(sunk.readings['head.castVolume']?.value).toBeLessThan(
      plain.readings['head.castVolume']?.value ?? NaN,
    );
    expect(sunk.readings['hook.biteAboveEye']?.value).toBeGreaterThan(
      plain.readings['hook.biteAboveEye']?.value ?? NaN,
    );
  });

  it.each([
    [
      'a collar on a hinged head',
      { joint: { kind: 'clip', size: 4 } },
      { keeper: { kind: 'collar', length: 5, diameter: 3, barb: 0.3, barbs: 1 } },
      /in the way of its swing/,
    ],
    [
      'a guard on a hinged head',
      { joint: { kind: 'clip', size: 4 } },
      { guard: { kind: 'twin wire', wire: 0.3, length: 20, spread: 10, lean: 40, setback: 0.5 } },
      /point swings away/,
    ],
    [
      'a stepped shank with no room',
      { size: '#8', style: 'wide gap' },
      { eye: { angle: 60, plane: 'in line', setback: 0 } },
      /stepped shank needs|ends inside the head/,
    ],
    [
      'an eye too wide to be set in',
      {},
      { eye: { angle: 60, plane: 'in line', setback: 0.4, size: 10, recess: 2 } },
      /cut the head in two/,
    ],
  ] as const)('%s says why', (_, hook, change, message) => {
    const result = evaluate(
      {
        ...sampleDesign('ball', {
          keeper: { kind: 'none' },
          hook: { size: '4/0', ...hook } as Partial<Design['hook']>,
        }),
        ...(change as Partial<Design>),
      },
      AT_ONCE,
    );
    expect(result.ok ? '' : result.problems.map((problem) => problem.message).join(' ')).toMatch(message);
  });
});

describe('names of rungs', () => {
  it.each([
    ['Alder Wedge 1/2', 10.631071, 'Alder Wedge 3/8'],
    ['Alder Wedge 1 1/2 oz', 28.349523, 'Alder Wedge 1'],
    ['Alder Wedge 12.5 g', 7.0873808, 'Alder Wedge 1/4'],
    ['Alder Wedge', 5, 'Alder Wedge 5 g'],
    ['Alder 4x Wedge', 12.3456, 'Alder 4x Wedge 12.35 g'],
    ['1/2', 10.631071, '1/2 3/8'],
    ['Wedge1/2', 10.631071, 'Wedge 3/8'],
  ])('%s at %d g is %s', (name, grams, expected) => {
    expect(rungName(name, grams)).toBe(expected);
  });

  it('a long name is cut so that its weight still stands at the end', () => {
    const made = rungName('x'.repeat(140), 10.631071);
    expect(made.endsWith(' 3/8')).toBe(true);
    expect(made.length).toBeLessThanOrEqual(120);
  });
});

describe('hooks of rungs', () => {
  const design = sampleDesign('ball', { hook: { size: '2/0' } });
  const own = evaluate(design, AT_ONCE);
  const grams = own.ok ? (own.readings['mass.metal']?.value ?? NaN) : NaN;
  const sizes = (rule: (typeof HOOK_RULES)[number], factors: readonly number[]) =>
    buildLadder(design, { rule, rungs: factors.map((factor) => ({ grams: grams * factor })) }).map(
      ({ hook }) => hook,
    );

  it('are kept, go up a size with each doubling, or keep their proportion to the head', () => {
    expect(sizes('keep', [0.5, 1, 4])).toEqual(['2/0', '2/0', '2/0']);
    // Rows of the chart: 1/0, 2/0, 3/0, 4/0; the ends of the chart are its ends.
    expect(sizes('step', [0.5, 1, 2, 4, 1e5, 1e-5])).toEqual(['1/0', '2/0', '3/0', '4/0', '8/0', '#8']);
    // Twice the size is eight times the weight: a gap of 23.2 mm, past the largest of 21; half the size a gap
    // of 5.8, a #6.
    expect(sizes('proportion', [1, 8, 1 / 8])).toEqual(['2/0', '8/0', '#6']);
  });

  it('a rung’s own hook goes before the rule, and one that cannot be built says why', () => {
    const [rung, bad] = buildLadder(design, {
      rule: 'keep',
      rungs: [{ grams, hook: '4/0', name: 'Mine' }, { grams: 1e-4 }],
    });
    expect(rung).toMatchObject({ ok: true, hook: '4/0', ruled: false, design: { name: 'Mine' } });
    expect(bad).toMatchObject({ ok: false, ruled: true });
    expect(bad && !bad.ok ? bad.problems.length : 0).toBeGreaterThan(0);
  });
});
