import { runs } from '../test-kit/runs.ts';
import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import type { Design } from '../document/design.ts';
import { evaluate, PLAIN_WATER } from './evaluate.ts';
import { monotoneCurve } from '../numeric/monotone.ts';
import { plasticSection, plasticVolume, tailStart } from '../plastic/body.ts';
import { PLASTIC_KINDS } from '../plastic/kinds/index.ts';
import type { Plastic } from '../plastic/schema.ts';
import type { MethodKey } from '../rigging/methods/index.ts';
import { METHODS, methodOf } from '../rigging/methods/index.ts';
import { inUnits } from '../quantity/phrase.ts';
import { sampleDesign } from '../test-kit/sample.test-kit.ts';
import { judgeFit } from './fit.ts';
import { applyRemedy } from './remedies.ts';
import { layOnHead } from '../rigging/lay.ts';
import { COVER } from '../rigging/limits.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

const paddle: Plastic = {
  format: 'fern-anvil/plastic',
  version: 1,
  name: 'Paddle',
  kind: 'paddle-tail',
  length: 102,
  breadth: 11,
  height: 14,
  density: 1.06,
  toughness: 'standard',
};
const claw: Plastic = {
  ...paddle,
  name: 'Claw',
  kind: 'claw',
  length: 89,
  breadth: 17,
  height: 12,
  density: 0.93,
  toughness: 'stretchy',
};
const stick: Plastic = {
  ...paddle,
  name: 'Stick',
  kind: 'stick',
  length: 127,
  breadth: 9.5,
  height: 9.5,
  density: 1.18,
  toughness: 'soft',
};

function assemblyOf(design: Design) {
  const result = evaluate(design);
  if (!result.ok) throw new Error(result.problems[0]?.message);
  return result.rig;
}
function evaluated(design: Design, plastic: Plastic, method: MethodKey = 'threaded') {
  const result = evaluate(design, { ...PLAIN_WATER, isShort: true }, { plastic, method });
  if (!result.ok) throw new Error(result.problems[0]?.message);
  return result;
}
const fitOf = (design: Design, plastic: Plastic, method?: MethodKey) =>
  judgeFit(evaluated(design, plastic, method));
const check = (fit: ReturnType<typeof fitOf>, id: string) => {
  const found = fit.checks.find((candidate) => candidate.id === id);
  if (!found) throw new Error(`${id} was not looked at`);
  return found;
};

describe('plastics', () => {
  it('curves run through their stations and never beyond them', () => {
    const knots = [
      [0, 1],
      [1, 3],
      [2, 3],
      [4, 0],
    ] as const;
    const curve = monotoneCurve(knots);
    for (const [x, y] of knots) expect(curve(x)).toBeCloseTo(y, 12);
    for (let x = 1; x <= 2; x += 0.05) expect(curve(x)).toBeCloseTo(3, 9);
    for (let x = 0; x < 1; x += 0.05) expect(curve(x + 0.05)).toBeGreaterThanOrEqual(curve(x));
    expect(curve(-3)).toBe(1);
    expect(curve(9)).toBe(0);
  });

  it.each(PLASTIC_KINDS.map(({ key }) => key))(
    'a %s has its length, breadth and height and ends where it should',
    (kind) => {
      const plastic = { ...paddle, kind };
      const sections = Array.from({ length: 2041 }, (_, i) =>
        plasticSection(plastic, (i * plastic.length) / 2040),
      );
      expect(Math.max(...sections.map(({ halfHeight }) => 2 * halfHeight))).toBeCloseTo(plastic.height, 2);
      expect(Math.max(...sections.map(({ halfBreadth }) => 2 * halfBreadth))).toBeCloseTo(plastic.breadth, 2);
      expect(plasticSection(plastic, -0.1)).toMatchObject({ halfBreadth: 0, halfHeight: 0 });
      expect(plasticSection(plastic, plastic.length + 0.1).halfHeight).toBe(0);
      expect(tailStart(plastic)).toBeLessThan(plastic.length);
    },
  );

  it('volume is that of a slow sum over thin slices', () => {
    for (const plastic of [paddle, claw, stick]) {
      const slices = 20_000;
      let sum = 0;
      for (let i = 0; i < slices; i++) {
        const { halfBreadth, halfHeight } = plasticSection(plastic, ((i + 0.5) * plastic.length) / slices);
        sum += (Math.PI * halfBreadth * halfHeight * plastic.length) / slices;
      }
      expect(plasticVolume(plastic) / sum).toBeCloseTo(1, 4);
    }
  });
});

describe('threaded', () => {
  const design = sampleDesign('ball', { hook: { size: '5/0' }, head: { dimensions: { breadth: 12 } } });

  it('the hook comes out where its centre line crosses the back', () => {
    const rig = assemblyOf(design);
    const laid = layOnHead(rig, paddle, methodOf('threaded'));
    // On the straight piece of the wire that it crosses, at the back's own height.
    const { centre, bendStart } = rig.hook;
    const over = centre.findIndex(([x]) => x < bendStart[0] && -x >= laid.exit);
    const [a, b] = [centre[over - 1], centre[over]];
    if (!a || !b) throw new Error('it never comes out');
    const z = a[2] + ((b[2] - a[2]) * (laid.exit + a[0])) / (a[0] - b[0]);
    expect(z).toBeCloseTo(plasticSection(paddle, laid.exit).halfHeight, 6);
    // Before that place the wire is inside the body.
    for (const [x, , height] of centre.slice(0, over))
      if (x < bendStart[0]) expect(height).toBeLessThanOrEqual(plasticSection(paddle, -x).halfHeight + 1e-9);
  });

  // Common practice, no source: on a 4 in paddle-tail the point comes out near the middle of the body.
  it('a 5/0 in a 4 in paddle-tail comes out well along the body and is good', () => {
    const exit = check(fitOf(design, paddle), 'rig.exit');
    expect(exit.value).toBeGreaterThan(0.33);
    expect(exit.verdict).toBe('good');
  });

  it('free gap is what is left between the point’s wire and the highest of the back', () => {
    const rig = assemblyOf(design);
    const { freeGap } = layOnHead(rig, stick, methodOf('threaded'));
    expect(freeGap).toBeGreaterThan(rig.measures.gap - stick.height / 2 - 0.8);
    expect(freeGap).toBeLessThan(rig.measures.gap);
  });

  it('a taller body leaves less gap, and one taller than the hook hides it for good', () => {
    const rig = assemblyOf(sampleDesign('ball', { hook: { size: '#4' } }));
    const gaps = [6, 9, 12].map(
      (height) => layOnHead(rig, { ...paddle, height }, methodOf('threaded')).freeGap,
    );
    expect(gaps).toEqual([...gaps].sort((a, b) => b - a));
    const buriedForGood = layOnHead(rig, { ...paddle, height: 34 }, methodOf('threaded'));
    expect(buriedForGood.exit).toBeNaN();
  });

  it('says what to do, and what it says works', () => {
    const small = sampleDesign('ball', { hook: { size: '#2' } });
    const { fix, remedies } = check(fitOf(small, paddle), 'rig.exit');
    const remedy = remedies.find(({ path }) => path === '/hook/size');
    if (!remedy) throw new Error('no hook is proposed');
    // What code does and what the sentence says are the same.
    expect(fix).toContain(`Go to ${String(remedy.value)}`);
    const { design: larger } = applyRemedy({ design: small, plastic: paddle, method: 'threaded' }, remedy);
    const mended = fitOf(larger, paddle);
    for (const id of ['rig.exit', 'rig.freeGap', 'rig.tailRoom'])
      expect(check(mended, id).verdict).toBe('good');
  });

  it('the cut it proposes brings the exit to where it should be', () => {
    const short = sampleDesign('ball', { hook: { size: '#1' } });
    const { fix, remedies } = check(fitOf(short, stick), 'rig.exit');
    const remedy = remedies.find(({ path }) => path === '/cut');
    const cut = Number(remedy?.value);
    expect(cut).toBeGreaterThan(0);
    expect(fix).toContain(`⟦${cut}|size⟧ off the nose`);
    expect(inUnits(fix, 'metric')).toMatch(/cut \d+\.\d+ mm off the nose/);
    expect(layOnHead(assemblyOf(short), stick, methodOf('threaded'), cut).exitShare).toBeGreaterThanOrEqual(
      0.2,
    );
  });
});

describe('buried', () => {
  it('the back just covers the point', () => {
    const rig = assemblyOf(sampleDesign('ball', { hook: { size: '4/0' } }));
    const { body } = layOnHead(rig, stick, methodOf('buried'));
    const at = body.reduce((best, piece) =>
      Math.abs(piece.at[0] - rig.hook.tip[0]) < Math.abs(best.at[0] - rig.hook.tip[0]) ? piece : best,
    );
    const skin = at.at[1] + at.halfHeight - (rig.hook.pointHeight + rig.hook.wire / 2);
    expect(skin).toBeGreaterThan(COVER.buried - 0.4);
    expect(skin).toBeLessThan(COVER.buried + 0.4);
  });

  it('a body as high as the gap cannot drop, and is told so', () => {
    const fit = fitOf(sampleDesign('ball', { hook: { size: '1/0' } }), { ...stick, height: 12 }, 'buried');
    expect(check(fit, 'rig.freeGap').verdict).toBe('bad');
    expect(check(fit, 'rig.freeGap').says).toMatch(/% of the gap/);
    expect(fit.verdict).toBe('bad');
  });
});

describe('seat and shoulder', () => {
  it('the same collar splits a soft plastic and is borne by a stretchy one (common practice, no source)', () => {
    const design = sampleDesign('ball', {
      keeper: { kind: 'collar', length: 7, diameter: 4.4, barb: 0.6, barbs: 2 },
    });
    expect(check(fitOf(design, { ...paddle, toughness: 'soft' }), 'rig.seat').verdict).toBe('bad');
    expect(check(fitOf(design, { ...paddle, toughness: 'stretchy' }), 'rig.seat').verdict).toBe('good');
  });

  it('a head much higher than the nose behind it is told so', () => {
    const fit = fitOf(
      sampleDesign('ball', { head: { dimensions: { breadth: 22 } }, hook: { size: '6/0' } }),
      stick,
    );
    expect(check(fit, 'rig.shoulder').verdict).toBe('bad');
    expect(check(fit, 'rig.shoulder').fix).toMatch(/Take a plastic about/);
  });

  it('a wire keeper has no collar to split the nose', () => {
    const fit = fitOf(
      sampleDesign('ball', { keeper: { kind: 'wire', length: 8, wire: 0.6, flare: 14 } }),
      paddle,
    );
    expect(fit.checks.some(({ id }) => id === 'rig.seat')).toBe(false);
  });
});

describe('together', () => {
  it('a floating plastic lightens the rig, a salted one adds to it', () => {
    const design = sampleDesign('ball');
    const bare = evaluate(design);
    const rigged = (plastic: Plastic) => evaluated(design, plastic).readings['rig.submerged']?.value ?? NaN;
    const weight = bare.ok ? (bare.readings['mass.submerged']?.value ?? NaN) : NaN;
    expect(rigged(claw)).toBeLessThan(weight);
    expect(rigged(stick)).toBeGreaterThan(weight);
  });

  it('any plastic on any head gives figures and verdicts, never a crash', () => {
    const sizes = fc.constantFrom('#8', '#2', '1/0', '4/0', '8/0');
    const body = fc.record({
      kind: fc.constantFrom(...PLASTIC_KINDS.map(({ key }) => key)),
      length: between(20, 400),
      breadth: between(2, 80),
      height: between(2, 80),
    });
    fc.assert(
      fc.property(sizes, body, fc.constantFrom(...METHODS.map(({ key }) => key)), (size, shape, method) => {
        const design = sampleDesign('football', { hook: { size } });
        if (!evaluate(design, { ...PLAIN_WATER, isShort: true }).ok) return true;
        const fit = fitOf(design, { ...paddle, ...shape }, method);
        return (
          fit.checks.every(
            ({ verdict, says, fix }) => says !== '' && (verdict === 'good') === (fix === ''),
          ) && fit.laid.volume > 0
        );
      }),
      { numRuns: runs(150) },
    );
  });
});
