import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assemble } from '../assembly/assemble.ts';
import { solveTarget } from '../assembly/solve.ts';
import type { Design } from '../document/design.ts';
import { starterDesign } from '../document/starter.ts';
import { keeperInitial } from '../fitting/keepers/index.ts';
import { familyOf } from '../head/families/index.ts';
import { HOOK_CHART } from '../hook/chart.ts';
import { STYLES } from '../hook/styles/index.ts';
import { plasticSection } from '../plastic/body.ts';
import { PLASTIC_KINDS } from '../plastic/kinds/index.ts';
import type { PlasticKey } from '../plastic/kinds/index.ts';
import type { Plastic } from '../plastic/schema.ts';
import { usualPlastic } from '../plastic/usual.ts';
import { inUnits } from '../quantity/phrase.ts';
import { layOnHead } from '../rigging/lay.ts';
import { COVER } from '../rigging/limits.ts';
import type { MethodKey } from '../rigging/methods/index.ts';
import { METHODS, methodOf } from '../rigging/methods/index.ts';
import { runs } from '../test-kit/runs.ts';
import { sampleDesign } from '../test-kit/sample.test-kit.ts';
import { evaluate, PLAIN_WATER } from './evaluate.ts';
import { judgeFit } from './fit.ts';
import { guardWays } from './guard-ways.ts';
import { applyRemedy } from './remedies.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

const SHORT = { ...PLAIN_WATER, isShort: true };
const bait = usualPlastic;
function starter(key: string, size?: string, change: Partial<Design> = {}): Design {
  const family = familyOf(key);
  if (!family) throw new Error(key);
  const design = starterDesign(family, 'Test');
  return { ...design, ...change, hook: { ...design.hook, ...change.hook, ...(size ? { size } : {}) } };
}
function rigged(design: Design, plastic: Plastic, method: MethodKey) {
  const result = evaluate(design, SHORT, { plastic, method });
  if (!result.ok) throw new Error(result.problems[0]?.message);
  const fit = judgeFit(result);
  return { ...result, fit, of: (id: string) => fit.checks.find((check) => check.id === id) };
}

describe('common practice, no source', () => {
  const WIRE = { keeper: keeperInitial('wire') };
  it.each([
    ['#4', 'bad'],
    ['#2', 'tight'],
    ['#1', 'good'],
    ['1/0', 'good'],
    ['2/0', 'good'],
    ['3/0', 'tight'],
    ['4/0', 'bad'],
  ])('a 3 in flat-backed creature on a %s: %s', (size, verdict) => {
    expect(
      rigged(starter('ball', size, WIRE), bait('flat-creature', 3), 'threaded').of('rig.exit')?.verdict,
    ).toBe(verdict);
  });

  it('a stubby bait weedless takes a 2/0 and no larger', () => {
    const verdict = (size: string) =>
      rigged(starter('stubby', size), bait('stubby', 2.75), 'buried').fit.verdict;
    expect(['2/0', '3/0', '4/0'].map(verdict)).toEqual(['good', 'tight', 'bad']);
  });

  it('a 3.5 in compact claw takes a 2/0, a full 4 in one a 4/0, a 5/0 barely and a 6/0 not', () => {
    const exit = (inches: number, size: string) =>
      rigged(starter('wedge', size), bait('claw', inches), 'threaded').of('rig.exit')?.verdict;
    expect(exit(3.5, '2/0')).toBe('good');
    expect(exit(3.5, '4/0')).not.toBe('good');
    expect(['4/0', '5/0', '6/0'].map((size) => exit(4, size))).toEqual(['good', 'tight', 'bad']);
  });

  it('a 4 in paddle-tail comes out near the middle of the body on a long-shanked swinging hook', () => {
    const swinging = starter('ball', '4/0', {
      hook: { size: '4/0', style: 'long shank', grade: 'standard', joint: { kind: 'open loop', size: 4 } },
      keeper: keeperInitial('none'),
    });
    const { fit } = rigged(swinging, bait('paddle-tail', 4), 'threaded');
    expect(fit.laid.exitShare).toBeGreaterThan(0.4);
    expect(fit.laid.exitShare).toBeLessThan(0.6);
  });

  it('a screw’s stand-off shortens the way from the face of the bait to the point by as much', () => {
    const screw = keeperInitial('screw');
    const reach = (standoff: number) =>
      rigged(
        starter('wedge', '4/0', { keeper: { ...screw, standoff } as Design['keeper'] }),
        bait('stick', 5),
        'screwed',
      ).fit.laid;
    expect(reach(0).reach - reach(5).reach).toBeCloseTo(5, 6);
    expect(reach(5).standOff).toBe(5);
  });

  it('tough, stretchy plastic goes over a barrel that splits soft plastic; it floats', () => {
    const barrel = starter('ball', '4/0', {
      keeper: { kind: 'barrel', length: 9, diameter: 5.4, taper: 0.35 },
    });
    const over = (toughness: Plastic['toughness']) =>
      rigged(barrel, bait('stubby', 3, { toughness, breadth: 8, height: 8 }), 'barrelled').of('rig.seat')
        ?.verdict;
    expect([over('soft'), over('stretchy')]).toEqual(['bad', 'good']);
    expect(bait('stubby', 3).density).toBeLessThan(1);
  });

  it('a floating bait on a hinge rises behind a heavy head', () => {
    const hinged = starter('ball', '2/0', {
      hook: { size: '2/0', grade: 'standard', joint: { kind: 'open loop', size: 4 } },
      keeper: keeperInitial('none'),
    });
    const result = evaluate(hinged, PLAIN_WATER, {
      plastic: bait('claw', 4, { density: 0.85 }),
      method: 'buried',
    });
    expect(result.ok && result.readings['rest.tailUp']?.value).toBeGreaterThan(45);
  });

  it('a bend is left in a flat-bellied minnow, and the hook comes out earlier for it', () => {
    const design = starter('glider');
    const minnow = bait('minnow', 3);
    const [bent, straight] = (['bent', 'threaded'] as const).map((method) => rigged(design, minnow, method));
    expect(bent?.of('rig.straight')?.verdict).toBe('good');
    expect(bent?.fit.laid.exit).toBeLessThan(straight?.fit.laid.exit ?? 0);
    expect(bent?.fit.laid.body.at(-1)?.at[1]).toBeLessThan(-5);
  });

  it('soft bait buried lasts fewer fish than tough bait on a bare point', () => {
    const lasts = (toughness: Plastic['toughness'], method: MethodKey) =>
      rigged(starter('wedge', '3/0'), bait('stick', 4, { toughness }), method).readings['rig.lasts']?.value ??
      NaN;
    expect(lasts('soft', 'buried')).toBeLessThan(lasts('soft', 'threaded'));
    expect(lasts('soft', 'threaded')).toBeLessThan(lasts('stretchy', 'threaded') / 3);
  });
});

describe('methods say why they cannot be used, and what would make it so', () => {
  it.each<readonly [MethodKey, string, PlasticKey]>([
    ['screwed', 'ball', 'stick'],
    ['barrelled', 'ball', 'stubby'],
    ['tube-insert', 'ball', 'tube'],
    ['hollow-insert', 'ball', 'hollow'],
    ['tube-insert', 'tube', 'stick'],
    ['hollow-insert', 'core', 'paddle-tail'],
  ])('%s on a %s with a %s', (method, family, kind) => {
    const design = starter(family);
    const plastic = bait(kind, 3.5);
    const { fit } = rigged(design, plastic, method);
    expect(fit.verdict).toBe('bad');
    expect(fit.obstacle?.text.length).toBeGreaterThan(20);
    const [remedy] = fit.obstacle?.remedies ?? [];
    if (!remedy) throw new Error('nothing is offered');
    const mended = applyRemedy({ design, plastic, method }, remedy);
    expect(rigged(mended.design, mended.plastic, mended.method).fit.obstacle).toBeUndefined();
  });

  it('what lies inside a tube or a hollow body fits its starter head', () => {
    expect(rigged(starter('tube'), bait('tube', 3.5), 'tube-insert').of('rig.shoulder')?.verdict).not.toBe(
      'bad',
    );
    expect(
      rigged(starter('core'), bait('hollow', 4.5), 'hollow-insert').of('rig.shoulder')?.verdict,
    ).not.toBe('bad');
  });
});

describe('how a body lies', () => {
  it.each([
    ['buried', COVER.buried],
    ['skin', COVER.skin],
  ] as const)('%s: so much plastic over the point’s wire', (method, cover) => {
    const rig = assemble(sampleDesign('wedge', { hook: { size: '3/0' } }));
    const plastic = bait('stick', 5);
    const laid = layOnHead(rig, plastic, methodOf(method));
    const at = laid.seatAt - rig.hook.tip[0];
    // The body's back where the point stands, by its own section on the axis that was laid.
    const [before, after] = [
      laid.body.filter(({ at: [x] }) => x >= rig.hook.tip[0]).at(-1),
      laid.body.find(({ at: [x] }) => x < rig.hook.tip[0]),
    ];
    const axis = ((before?.at[1] ?? NaN) + (after?.at[1] ?? NaN)) / 2;
    expect(
      axis + plasticSection(plastic, at).halfHeight - rig.hook.pointHeight - rig.hook.wire / 2,
    ).toBeCloseTo(cover, 0);
    expect(laid.cover).toBe(cover);
    expect(laid.start).toBeGreaterThanOrEqual(3.2);
    expect(laid.start).toBeLessThanOrEqual(6.4);
    // Pressed down on the shank, what stands clear is the point's height less the whole body's.
    expect(laid.freeGap).toBeCloseTo(
      rig.hook.pointHeight - 2 * plasticSection(plastic, at).halfHeight - rig.hook.wire,
      6,
    );
  });

  it('hooked through the nose it hangs behind the bend, the gap as it was', () => {
    const design = starter('ball', '2/0');
    const { fit, rig } = rigged(design, bait('minnow', 3), 'nose-hooked');
    expect(fit.laid.body.every(({ at: [x] }) => x < rig.hook.bendRear[0] + 5)).toBe(true);
    expect(fit.laid.freeGap).toBeCloseTo(rig.measures.gap, 1);
    expect(fit.checks.map(({ id }) => id)).not.toContain('rig.shoulder');
  });

  it('steps tell the lengths of this very rig', () => {
    const { fit } = rigged(starter('wedge', '3/0'), bait('stick', 5), 'buried');
    const told = fit.steps.map((step) => inUnits(step, 'metric')).join(' ');
    expect(told).toContain('5.00 mm, and out below');
    expect(told).toContain(`${fit.laid.exit.toFixed(1)} mm`);
    const cut = rigged(starter('wedge', '3/0'), bait('stick', 5), 'threaded');
    expect(cut.fit.steps.length).toBeGreaterThan(3);
  });

  it('limbs hang from the body: a pair to both sides, in the drag and in the weight', () => {
    const { rig } = rigged(starter('ball', '2/0'), bait('creature', 4), 'threaded');
    const limbs = rig.bait?.laid.limbs ?? [];
    expect(limbs.filter(({ side }) => side === 1)).toHaveLength(2);
    for (const limb of limbs) {
      const other = limbs.find((one) => one.name === limb.name && one.side === -limb.side);
      expect(other?.end[1]).toBeCloseTo(-limb.end[1], 9);
      expect(limb.end[0]).toBeLessThan(limb.root[0]);
    }
    const bare = evaluate(starter('ball', '2/0'), SHORT, { plastic: bait('stick', 4), method: 'threaded' });
    if (!bare.ok) throw new Error('it cannot be built');
    expect(rig.bodies[0].sticks().length).toBeGreaterThan(bare.rig.bodies[0].sticks().length);
  });
});

describe('fixes are data', () => {
  it.each(METHODS.map(({ key }) => key))(
    '%s: each that is offered changes what it says, and the document stays sound',
    (method) => {
      for (const [family, size, kind, inches] of [
        ['ball', '#4', 'paddle-tail', 4],
        ['ball', '6/0', 'chunk', 2.5],
        ['wedge', '1/0', 'stick', 5],
      ] as const) {
        const design = starter(family, size);
        const plastic = bait(kind, inches);
        const result = evaluate(design, SHORT, { plastic, method });
        if (!result.ok) continue;
        for (const { id, verdict, remedies } of judgeFit(result).checks) {
          if (verdict === 'good') expect(remedies).toEqual([]);
          for (const remedy of remedies) {
            const next = applyRemedy({ design, plastic, method }, remedy);
            const after = evaluate(next.design, SHORT, { plastic: next.plastic, method: next.method });
            expect(after.ok).toBe(true);
            if (!after.ok) continue;
            const order = ['bad', 'tight', 'good'];
            const then = judgeFit(after).checks.find((check) => check.id === id)?.verdict ?? 'good';
            expect(order.indexOf(then), `${method} ${kind} ${id} ${remedy.says}`).toBeGreaterThanOrEqual(
              order.indexOf(verdict),
            );
          }
        }
      }
    },
  );
});

describe('a skirt against its trailer (common practice, no source)', () => {
  const judged = (skirt: Design['skirt']) =>
    rigged(starter('football', '4/0', { skirt }), bait('chunk', 3), 'trailer');
  it('covers the meat, lets the legs show, and is uneven', () => {
    const { laid } = judged(undefined).fit;
    // The legs of a 3 in chunk begin at 0.48 of its length.
    expect(laid.tailAt).toBeCloseTo(0.48 * 76.2, 1);
    expect(judged(undefined).of('rig.skirt')).toBeUndefined();
    const verdicts = (length: number, uneven: number) =>
      (['rig.skirt', 'rig.uneven'] as const).map((id) => judged({ length, uneven }).of(id)?.verdict);
    expect(verdicts(37, 6)).toEqual(['good', 'good']);
    expect(verdicts(46, 6)).toEqual(['tight', 'good']);
    expect(verdicts(60, 0)).toEqual(['bad', 'bad']);
    expect(verdicts(20, 30)).toEqual(['bad', 'bad']);
  });
  it('what it says mends it', () => {
    const design = starter('football', '4/0', { skirt: { length: 70, uneven: 0 } });
    const plastic = bait('chunk', 3);
    let now = { design, plastic, method: 'trailer' as MethodKey };
    for (const id of ['rig.skirt', 'rig.uneven']) {
      const [remedy] = rigged(now.design, plastic, 'trailer').of(id)?.remedies ?? [];
      if (!remedy) throw new Error(`nothing is offered for ${id}`);
      now = applyRemedy(now, remedy);
    }
    for (const id of ['rig.skirt', 'rig.uneven'])
      expect(rigged(now.design, plastic, 'trailer').of(id)?.verdict).toBe('good');
  });
});

describe('a brush of fibres', () => {
  it('is cut level with the point, and lies down more softly fanned than bundled (common practice, no source)', () => {
    const guard = {
      kind: 'fibre',
      count: 16,
      fibre: 0.4,
      length: 32,
      lean: 38,
      setback: 0.6,
      fan: 45,
      trimmed: true,
    } as const;
    const design = starter('wedge', '4/0', { guard });
    const solved = solveTarget(design);
    if (!solved.ok) throw new Error(solved.problem.message);
    const ways = guardWays(solved.design);
    // What is left reaches the height of the point: the rest was bought for nothing.
    const { guard: body, hook } = solved.rig;
    const left = (hook.tip[2] - (body?.base[2] ?? NaN)) / Math.sin((38 * Math.PI) / 180);
    expect(ways?.cut).toBeCloseTo(32 - left, 6);
    const [fanned, bundled] = ways?.ways ?? [];
    expect(fanned?.force).toBeCloseTo(ways?.force ?? NaN, 9);
    expect(bundled?.force).toBeGreaterThan(fanned?.force ?? Infinity);
    if (!bundled) throw new Error('no way');
    const done = applyRemedy({ design, plastic: bait('stick', 4), method: 'threaded' }, bundled.remedy);
    expect(done.design.guard).toMatchObject({ fan: 0 });
    expect(guardWays(starter('ball'))).toBeUndefined();
    expect(guardWays({ ...solved.design, guard: { ...guard, trimmed: false } })?.cut).toBe(0);
  });
});

describe('anything on anything', () => {
  it('every plastic, method, hook and style gives figures or a reason, never NaN, a throw or a hang', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...PLASTIC_KINDS.map(({ key }) => key)),
        fc.constantFrom(...METHODS.map(({ key }) => key)),
        fc.constantFrom(...HOOK_CHART.map(({ size }) => size)),
        fc.constantFrom(...STYLES.map(({ key }) => key)),
        fc.constantFrom('ball', 'wedge', 'tube', 'core', 'stubby', 'glider', 'bellyweight'),
        fc.constantFrom('collar', 'barrel', 'wire', 'screw', 'spring', 'none'),
        fc.record({
          length: between(20, 400),
          breadth: between(2, 80),
          height: between(2, 80),
          cut: between(0, 240),
        }),
        (kind, method, size, style, family, keeper, sizes) => {
          const design = starter(family, size, { keeper: keeperInitial(keeper) });
          const result = evaluate({ ...design, hook: { ...design.hook, style } }, SHORT, {
            plastic: bait(kind, 3, sizes),
            method,
          });
          if (!result.ok) return result.problems.every(({ message }) => message.length > 20);
          const { laid, checks, obstacle, steps } = judgeFit(result);
          const numbers = [
            laid.volume,
            laid.bite,
            laid.reach,
            laid.freeGap,
            laid.bend,
            laid.cover,
            ...laid.centre,
            ...laid.body.flatMap(({ at, halfHeight }) => [...at, halfHeight]),
          ];
          return (
            numbers.every(Number.isFinite) &&
            laid.volume > 0 &&
            steps.length > 2 &&
            steps.every((step) => !/NaN|undefined/.test(inUnits(step, 'metric'))) &&
            (obstacle === undefined || obstacle.text.length > 20) &&
            checks.every(
              ({ value, verdict, says, fix }) =>
                says !== '' &&
                (Number.isFinite(value) || verdict === 'bad') &&
                (verdict === 'good') === (fix === ''),
            ) &&
            Object.values(result.readings).every(({ value }) => Number.isFinite(value))
          );
        },
      ),
      { numRuns: runs(200), endOnFailure: true },
    );
  });
});
