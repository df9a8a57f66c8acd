import { describe, expect, it } from 'vitest';
import type { Design } from '../document/design.ts';
import { guardInitial } from '../fitting/guards/index.ts';
import { evaluate } from '../judge/evaluate.ts';
import type { SampleChange } from '../test-kit/sample.test-kit.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import { guard } from './guard.ts';

/** A design judged; throws where it cannot be built. */
function judged(family: string, change: SampleChange = {}) {
  const result = evaluate(sampleDesign(family, change), AT_ONCE);
  if (!result.ok) throw new Error(result.problems[0]?.message);
  return result;
}
const codesOf = (result: ReturnType<typeof judged>) => result.flags.map(({ code }) => code);

describe('the hook’s readings', () => {
  const measured = { gap: 13, shank: 31, wire: 1 };
  const { readings, rig } = judged('ball', {
    keeper: { kind: 'none' },
    hook: { measured, style: 'round bend' },
    eye: { angle: 90, setback: 0.5 },
    head: { dimensions: { breadth: 10 } },
  });
  const value = (id: keyof typeof readings) => readings[id]?.value ?? NaN;

  // By hand: the knee stands amid the ball of 10 mm, the bend begins 31 mm behind it and reaches half of gap
  // and wire farther.
  it('tell throat and shank from the ball’s rear face by the hook’s own sizes', () => {
    expect(value('hook.shankOutside')).toBeCloseTo(31 - 5 + 7, 9);
    expect(value('hook.throat')).toBeCloseTo(rig.places.point[0] - (5 - 31 - 7) - 0.5, 9);
    expect(value('hook.gap')).toBeCloseTo(13 + (rig.places.point[2] - 14), 9);
    expect(value('hook.wire')).toBe(1);
  });

  it('tell where the eye stands: over the knee, as high as ball, stand and ring', () => {
    expect(value('eye.x')).toBeCloseTo(5, 9);
    expect(value('eye.z')).toBeCloseTo(5 + 0.3 + 1.35 + 0.5, 6);
    expect(value('hook.biteAboveEye')).toBeCloseTo(rig.places.point[2] - (value('eye.z') + 1.35 + 0.5), 6);
  });

  // A ball's roll moment is 2/5·m·r² about its middle (Beyer); the wire in it, out of the middle line by
  // nothing, takes ½·m·(d/2)² away along the shank and its own share up the leg.
  it('tell the roll of a ball of metal less the wire in it', () => {
    const radius = 5;
    const ball = (2 / 5) * (4 / 3) * Math.PI * radius ** 5 * 11.34e-3;
    const shank = Math.PI * 0.25 * 5 * (0.5 ** 2 / 2) * 11.34e-3;
    const leg = Math.PI * 0.25 * (5 ** 3 / 3) * 11.34e-3;
    expect(value('mass.rollInertia')).toBeLessThan(ball - shank);
    // The corner where leg and shank meet is rounded, so the leg takes a little less; and the centre shifts
    // by a hundredth.
    expect(value('mass.rollInertia') / (ball - shank - leg)).toBeCloseTo(1, 2);
  });
});

describe('the bite', () => {
  it('is told small just below what is sure, and not above', () => {
    const at = (gap: number) =>
      judged('ball', {
        keeper: { kind: 'none' },
        hook: { measured: { gap, shank: 31, wire: 1 } },
        eye: { angle: 90, setback: 0.5 },
        head: { dimensions: { breadth: 14 } },
      });
    // The gap at which bite is a quarter inch, by halving on the reading.
    let [low, high] = [8, 30];
    for (let i = 0; i < 40; i++) {
      const middle = (low + high) / 2;
      if ((at(middle).readings['hook.biteAboveEye']?.value ?? 0) < 6.35) low = middle;
      else high = middle;
    }
    expect(high).toBeGreaterThan(12.7);
    expect(codesOf(at(high + 0.05))).not.toContain('bite.small');
    expect(codesOf(at(low - 0.05))).toContain('bite.small');
  });
});

describe('the guard', () => {
  const flagsAt = (overPoint: number, pastPoint: number) =>
    guard
      .flags?.(
        { guard: { overPoint, pastPoint }, hook: { pointHeight: 10 } } as unknown as Parameters<
          NonNullable<typeof guard.flags>
        >[0],
        () => NaN,
        {} as Parameters<NonNullable<typeof guard.flags>>[2],
      )
      .map(({ code }) => code);

  // Working limits, common practice, no source: a millimetre short, a third of the point's height behind, the
  // whole of it in front.
  it('is told short, behind and in front by its limits', () => {
    expect(flagsAt(-1.05, 0)).toEqual(['guard.short']);
    expect(flagsAt(-0.95, 0)).toEqual([]);
    expect(flagsAt(0, 3.6)).toEqual(['guard.behind']);
    expect(flagsAt(0, 3.4)).toEqual([]);
    expect(flagsAt(0, -10.1)).toEqual(['guard.front']);
    expect(flagsAt(0, -9.9)).toEqual([]);
  });

  it('whose hole is broader than the head is refused with what to do', () => {
    const wide = { ...guardInitial('fibre'), count: 60, fibre: 0.6 } as Design['guard'];
    const slim = sampleDesign('pointed', {
      guard: wide,
      head: { dimensions: { ...sampleDesign('pointed').head.dimensions, breadth: 5.3 } },
    });
    const result = evaluate(slim, AT_ONCE);
    expect(result.ok).toBe(false);
    expect(!result.ok && result.problems.map(({ path }) => path)).toContain('/guard');
    // A usual brush in a usual head of the kind is taken.
    expect(evaluate(sampleDesign('ball', { guard: guardInitial('fibre') }), AT_ONCE).ok).toBe(true);
  });
});
