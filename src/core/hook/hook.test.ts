import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { integrateRounded } from '../numeric/gauss.ts';
import { norm, sub } from '../numeric/vec.ts';
import { chartIndex, HOOK_CHART, hookMeasures } from './chart.ts';
import { LEAST_WALL, sureBite } from './bite.ts';
import { eyeRadius, hookPath } from './path.ts';
import { bentWire, pathLength } from './polyline.ts';
import { STYLES } from './styles/index.ts';
import { torusVolume, wholeWire, wireWithin } from './wire.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

/**
 * A round-bend hook worked by hand: gap 13, straight shank 31, wire 1; knee 8 mm in front of the rear face, 3
 * mm of leg in metal.
 */
const measures = { gap: 13, shank: 31, wire: 1 };
const eye = { angle: 60, plane: 'in line' as const, setback: 0.2 };
/** Made anew in each test, so that a change of what makes it is seen by each. */
const made = () => hookPath(measures, { style: 'round bend' }, eye, { knee: 8, legInside: 3 });

describe('a hook worked by hand', () => {
  it('has its bend a shank’s length behind the knee, and reaches a radius farther', () => {
    const path = made();
    expect(path.bendStart[0]).toBe(8 - 31);
    expect(path.bendStart[2]).toBeCloseTo(0, 12);
    // The bend’s centre line is half of gap and wire in radius.
    expect(path.bendRear[0]).toBe(8 - 31 - 7);
    expect(path.bendRear[2]).toBeCloseTo(7, 12);
    expect(path.shankLevel).toBeCloseTo(0, 12);
  });

  it('has its point a gap and a wire above the shank where it is not turned', () => {
    const path = made();
    expect(path.pointHeight - path.shankLevel - measures.wire).toBeCloseTo(
      measures.gap + (path.tip[0] - path.bendStart[0]) * Math.tan((path.pointLean * Math.PI) / 180),
      9,
    );
    expect(path.tip[0]).toBeGreaterThan(path.bendStart[0]);
  });

  it('has its eye along the leg: metal, 0.3 mm of stand, then the ring’s half', () => {
    const path = made();
    // Ring of an eye 1.2 wires + 0.5 mm wide inside: centre line (1.2 + 0.5 + 1)/2 = 1.35.
    expect(eyeRadius({}, 1)).toBeCloseTo(1.35, 12);
    expect(eyeRadius({ size: 3 }, 1)).toBe(2);
    const out = 3 + 0.3 + 1.35 + 0.5;
    expect(path.eye.centre[0]).toBeCloseTo(8 + out * 0.5, 9);
    expect(path.eye.centre[2]).toBeCloseTo((out * Math.sqrt(3)) / 2, 9);
    expect(path.eye.top).toBeCloseTo(path.eye.centre[2] + 1.35 + 0.5, 9);
    const across = hookPath(measures, {}, { ...eye, plane: 'crosswise' }, { knee: 8, legInside: 3 });
    expect(across.eye.top).toBeCloseTo(across.eye.centre[2] + (1.35 * Math.sqrt(3)) / 2 + 0.5, 9);
  });

  it('is bent at its knee by one and a half wires, whatever the wire', () => {
    for (const wire of [0.6, 1, 2]) {
      const path = hookPath(
        { ...measures, wire },
        { style: 'round bend' },
        { ...eye, angle: 90 },
        { knee: 8, legInside: 6 },
        0.02,
      );
      expect(path.knee).toEqual([8, 0, 0]);
      // The bend touches both lines and comes no nearer to where they meet than its radius times √2 − 1.
      const nearest = Math.min(...path.legAndShank.map(([x, , z]) => Math.hypot(x - 8, z)));
      expect(nearest).toBeCloseTo(1.5 * wire * (Math.SQRT2 - 1), 3);
    }
  });

  it('is as long as its straights and half a circle, less what the knee’s bend saves', () => {
    const path = made();
    const leg = 3 + 0.3 + 0.5;
    const point = Math.hypot(path.tip[0] - path.bendStart[0], path.tip[2] - 14);
    // A turn of 60° at radius 1.5: two tangents of r·tan 30° become an arc of r·π/3.
    const saved = 1.5 * (2 * Math.tan(Math.PI / 6) - Math.PI / 3);
    expect(path.length / (leg + 31 + Math.PI * 7 + point - saved)).toBeCloseTo(1, 3);
  });

  it('of a hinge swings behind a loop that stands off the head', () => {
    const { hinge } = hookPath(measures, { joint: { kind: 'open loop', size: 4 } }, eye, {
      knee: 8,
      legInside: 3,
    });
    // Loop of 4 mm inside: centre line 2.5; 0.3 mm and half a wire off the head.
    expect(hinge?.loop.centre[0]).toBeCloseTo(-(0.3 + 0.5 + 2.5), 12);
    expect(hinge?.at[0]).toBeCloseTo(-(0.3 + 0.5 + 5), 12);
    expect(hinge?.hookEye.radius).toBeCloseTo(1.35, 12);
  });
});

describe('the chart', () => {
  // Values of the design notes, from memory.
  it('has the sizes of the notes', () => {
    expect(HOOK_CHART.map(({ size, gap, shank, wire }) => [size, gap, shank, wire])).toEqual([
      ['#8', 4.8, 12, 0.55],
      ['#6', 5.8, 14, 0.62],
      ['#4', 6.8, 17, 0.7],
      ['#2', 8.3, 20, 0.8],
      ['#1', 9.2, 22, 0.85],
      ['1/0', 10.3, 25, 0.92],
      ['2/0', 11.6, 28, 1],
      ['3/0', 13, 31, 1.08],
      ['4/0', 14.5, 35, 1.17],
      ['5/0', 16.2, 39, 1.27],
      ['6/0', 18, 43, 1.37],
      ['8/0', 21, 51, 1.57],
    ]);
  });

  it('is of the round bend; other styles are wider or longer by their own factors, whatever the size', () => {
    for (const { key, gap, shank } of STYLES)
      for (const { size, ...row } of HOOK_CHART) {
        const found = hookMeasures({ size, grade: 'standard', style: key });
        expect((found?.gap ?? NaN) / row.gap, `${key} ${size}`).toBeCloseTo(gap, 9);
        expect((found?.shank ?? NaN) / row.shank, `${key} ${size}`).toBeCloseTo(shank, 9);
      }
    const of = (style: string) => hookMeasures({ size: '3/0', grade: 'standard', style });
    // As they are called: common practice, no source.
    expect(of('wide gap')?.gap).toBeGreaterThan(of('round bend')?.gap ?? NaN);
    expect(of('long shank')?.shank).toBeGreaterThan(of('round bend')?.shank ?? NaN);
    expect(of('short shank')?.shank).toBeLessThan(of('round bend')?.shank ?? NaN);
  });

  it('shifts wire by sizes: 1X fine a size down, 2X strong two up, and on beyond the ends', () => {
    const wire = (size: string, grade: '1X fine' | 'standard' | '2X strong' | '3X strong') =>
      hookMeasures({ size, grade })?.wire;
    expect(wire('3/0', '1X fine')).toBe(1);
    expect(wire('3/0', 'standard')).toBe(1.08);
    expect(wire('3/0', '2X strong')).toBe(1.27);
    expect(wire('8/0', '3X strong')).toBeCloseTo(1.57 * (1.57 / 0.55) ** (3 / 11), 9);
    expect(wire('#8', '1X fine')).toBeCloseTo(0.55 / (1.57 / 0.55) ** (1 / 11), 9);
    expect(hookMeasures({ size: '11/0', grade: 'standard' })).toBeUndefined();
  });

  // Common practice, no source: a quarter inch above the eye is a sure bite; small hooks need half their gap.
  it('of a size that is none, or that it lacks, says so', () => {
    for (const size of ['', 'none', '12/0', '#30', '3/0x']) {
      expect(chartIndex(size), size).toBe(-1);
      expect(hookMeasures({ size, grade: 'standard' }), size).toBeUndefined();
    }
  });

  it('wants a quarter inch of bite, or half the gap of a small hook', () => {
    expect(sureBite(20)).toBe(25.4 / 4);
    expect(sureBite(8)).toBe(4);
    expect(LEAST_WALL).toBe(0.3);
  });
});

describe('wire', () => {
  it('is a rounded corner of the right length, no piece too long', () => {
    const bent = bentWire(
      [
        { x: 0, z: 0, radius: 0 },
        { x: 10, z: 0, radius: 2 },
        { x: 10, z: 10, radius: 0 },
      ],
      0.5,
    );
    // Two legs of 8 and a quarter circle of radius 2.
    expect(pathLength(bent) / (16 + Math.PI)).toBeCloseTo(1, 3);
    for (let i = 1; i < bent.length; i++)
      expect(pathLength([bent[i - 1] ?? [0, 0, 0], bent[i] ?? [0, 0, 0]])).toBeLessThanOrEqual(0.5 + 1e-9);
    expect(bent[0]).toEqual([0, 0, 0]);
    expect(bent.at(-1)).toEqual([10, 0, 10]);
  });

  it('through any corners, to either side and whichever way they lie, is its legs less what each bend saves', () => {
    const corner = fc.record({
      along: between(8, 20),
      turn: between(-150, 150),
      radius: between(0.3, 1),
    });
    fc.assert(
      fc.property(between(0, 360), fc.array(corner, { minLength: 1, maxLength: 4 }), (first, bends) => {
        let [x, z, way] = [3, -7, (first * Math.PI) / 180];
        let wanted = 0;
        const corners = [{ x, z, radius: 0 }];
        for (const { along, turn, radius } of bends) {
          [x, z] = [x + along * Math.cos(way), z + along * Math.sin(way)];
          corners.push({ x, z, radius });
          const angle = (Math.abs(turn) * Math.PI) / 180;
          // Two tangents become an arc: r·tan(φ/2) twice against r·φ; no leg here is too short for its bends
          // (1 mm at 150° takes 3.73).
          wanted += along - radius * (2 * Math.tan(angle / 2) - angle);
          way += (turn * Math.PI) / 180;
        }
        [x, z] = [x + 9 * Math.cos(way), z + 9 * Math.sin(way)];
        corners.push({ x, z, radius: 0 });
        const bent = bentWire(corners, 0.05);
        expect(pathLength(bent) / (wanted + 9)).toBeCloseTo(1, 3);
        expect(bent[0]).toEqual([3, 0, -7]);
        const end = bent.at(-1) ?? [NaN, NaN, NaN];
        expect(Math.hypot(end[0] - x, end[1], end[2] - z)).toBeLessThan(1e-9);
        // No point stands twice, and nowhere does it turn by more than a third of its tightest bend at once.
        const steps = bent.slice(1).map((point, i) => sub(point, bent[i] ?? point));
        expect(Math.min(...steps.map(norm))).toBeGreaterThan(1e-9);
        const turned = steps.slice(1).map(([u, , v], i) => {
          const [p, , q] = steps[i] ?? [NaN, NaN, NaN];
          return Math.abs(Math.atan2(p * v - q * u, p * u + q * v));
        });
        const sharpest = Math.max(...bends.map(({ turn }) => (Math.abs(turn) * Math.PI) / 180));
        expect(Math.max(...turned)).toBeLessThanOrEqual(sharpest / 3 + 1e-6);
      }),
    );
  });

  it.each([0, 45, 90, 135, 180, 225, 270, 315])(
    'that runs at %s° and turns a quarter to either side is a quarter circle there',
    (first) => {
      for (const turn of [-90, 90]) {
        const [way, next] = [first, first + turn].map((degrees) => (degrees * Math.PI) / 180) as [
          number,
          number,
        ];
        const [x, z] = [10 * Math.cos(way), 10 * Math.sin(way)];
        const end = { x: x + 10 * Math.cos(next), z: z + 10 * Math.sin(next), radius: 0 };
        const bent = bentWire([{ x: 0, z: 0, radius: 0 }, { x, z, radius: 2 }, end], 0.1);
        expect(pathLength(bent) / (16 + Math.PI)).toBeCloseTo(1, 4);
        // Its middle stands on the circle that touches both legs, nearest to the corner: 2 (√2 − 1) from it.
        const nearest = Math.min(...bent.map((point) => Math.hypot(point[0] - x, point[2] - z)));
        expect(nearest).toBeCloseTo(2 * (Math.SQRT2 - 1), 2);
      }
    },
  );

  it('through a corner that is none, or one that comes back on itself, goes straight', () => {
    const straight = bentWire(
      [
        { x: -2, z: 5, radius: 0 },
        { x: 1, z: 5, radius: 2 },
        { x: 4, z: 5, radius: 0 },
      ],
      1,
    );
    expect(straight.map(([x]) => x)).toEqual(
      [-2, -1, 0, 1, 2, 3, 4].map((x) => expect.closeTo(x, 12) as number),
    );
    expect(straight.every(([, y, z]) => y === 0 && z === 5)).toBe(true);
    // A leg of nothing is one point, not two.
    const one = { x: 1, z: 2, radius: 0 };
    expect(bentWire([one, one], 1)).toEqual([[1, 0, 2]]);
  });

  it('weighs as a cylinder and a torus do (Pappus)', () => {
    const { volume, centroid } = wholeWire(
      [
        [0, 0, 0],
        [10, 0, 0],
      ],
      0.5,
    );
    expect(volume).toBeCloseTo(Math.PI * 0.25 * 10, 12);
    expect(centroid).toEqual([5, 0, 0]);
    expect(torusVolume(3, 0.5)).toBeCloseTo(2 * Math.PI ** 2 * 3 * 0.25, 12);
  });

  it('weighs where its length lies: of a bent one the middle of its legs, by their length', () => {
    const { volume, centroid } = wholeWire(
      [
        [0, 0, 0],
        [6, 0, 0],
        [6, 0, 3],
        [6, 2, 3],
      ],
      1,
    );
    expect(volume).toBeCloseTo(Math.PI * 11, 12);
    // Legs of 6, 3 and 2, their middles at (3, 0, 0), (6, 0, 1.5) and (6, 1, 3).
    expect(centroid).toEqual([
      expect.closeTo((18 + 18 + 12) / 11, 12),
      expect.closeTo(2 / 11, 12),
      expect.closeTo((4.5 + 6) / 11, 12),
    ]);
  });

  it('that lies along a surface, in it by more or less than half, is held by the segment of its section', () => {
    const line = Array.from({ length: 41 }, (_, i): [number, number, number] => [i * 0.5, 0, 0]);
    for (const share of [-0.5, -0.2, 0, 0.3, 0.6]) {
      // Held where z ≤ d: the disc without the segment r² acos(d/r) − d √(r² − d²).
      const d = share * 0.8;
      const segment = 0.64 * Math.acos(share) - d * Math.sqrt(0.64 - d * d);
      const within = wireWithin(line, 0.8, (_x, _y, z) => z <= d);
      const held = (Math.PI * 0.64 - segment) * 20;
      // Ninety filaments see a section to a few hundredths, seven to a fifth.
      expect(Math.abs(within.volume / held - 1), `${share}`).toBeLessThan(0.08);
      expect(within.centroid[0]).toBeCloseTo(10, 6);
      expect(within.centroid[2]).toBeLessThan(0.02);
    }
  });

  it('that goes through a surface and then lies along another is the sum of what each holds', () => {
    // Down through a face at x = 4, where it is whole, and beyond 6 along the face z ≤ 0.2 that leaves part
    // of it out.
    const line = Array.from({ length: 61 }, (_, i): [number, number, number] => [i * 0.25, 0, 0]);
    const segment = 0.64 * Math.acos(0.25) - 0.2 * Math.sqrt(0.64 - 0.04);
    const within = wireWithin(line, 0.8, (x, _y, z) => x >= 1 && x <= 14 && (x <= 6 || z <= 0.2));
    const whole = Math.PI * 0.64 * 5 + (Math.PI * 0.64 - segment) * 8;
    expect(Math.abs(within.volume / whole - 1)).toBeLessThan(0.02);
    const middle = (Math.PI * 0.64 * 5 * 3.5 + (Math.PI * 0.64 - segment) * 8 * 10) / whole;
    expect(Math.abs(within.centroid[0] - middle)).toBeLessThan(0.1);
  });

  it('that lies along a round surface is held on its inner or its outer side, by Pappus', () => {
    // Half a ring of 10 with a wire of 0.8 radius; a cylinder of 10 about its middle parts every section in two.
    const arc = Array.from({ length: 91 }, (_, i): [number, number, number] => {
      const turn = (Math.PI * i) / 90;
      return [10 * Math.cos(turn), 0, 10 * Math.sin(turn)];
    });
    const [half, middle] = [(Math.PI * 0.64) / 2, (4 * 0.8) / (3 * Math.PI)];
    for (const way of [-1, 1]) {
      const held = wireWithin(arc, 0.8, (x, _y, z) => way * (Math.hypot(x, z) - 10) >= 0);
      // The half section’s own moments: its middle 4r/3π off, its square r²/4 about the ring’s line.
      const first = half * (10 + way * middle);
      const second = half * (100 + way * 20 * middle + 0.16);
      // Ninety filaments tell a half to a few hundredths.
      expect(Math.abs(held.volume / (Math.PI * first) - 1)).toBeLessThan(0.1);
      expect(Math.abs(held.centroid[0])).toBeLessThan(0.1);
      expect(Math.abs(held.centroid[2] - (2 * second) / (Math.PI * first))).toBeLessThan(0.1);
    }
  });

  it('that is held whole and then in part rolls by the sum of both', () => {
    const line = Array.from({ length: 61 }, (_, i): [number, number, number] => [i * 0.25, 0, 0]);
    const within = wireWithin(line, 0.8, (x, _y, z) => x >= 1 && x <= 14 && (x <= 6 || z <= 0.2));
    // Polar moment of the section, πr⁴/2, less that of the segment beyond 0.2, by quadrature.
    const polar = (Math.PI * 0.8 ** 4) / 2;
    const beyond = integrateRounded(
      (z) => {
        const y = Math.sqrt(Math.max(0, 0.64 - z * z));
        return 2 * (y * z * z + y ** 3 / 3);
      },
      0.2,
      0.8,
    );
    expect(within.roll / (5 * polar + 8 * (polar - beyond))).toBeCloseTo(1, 1);
  });

  it('has of it inside a half space the right part, with its centre and its roll moment', () => {
    const line = Array.from({ length: 21 }, (_, i): [number, number, number] => [i * 0.5, 0, 2]);
    for (const isFat of [false, true]) {
      const within = wireWithin(line, 0.4, (x) => x <= 4.2, isFat);
      const whole = Math.PI * 0.16 * 4.2;
      expect(within.volume / whole).toBeCloseTo(1, 4);
      expect(within.centroid[0]).toBeCloseTo(2.1, 3);
      // A cylinder along x, two away: m·(r²/2 + 4).
      expect(within.roll / (whole * (0.08 + 4))).toBeCloseTo(1, 2);
    }
    expect(wireWithin(line, 0.4, () => false)).toEqual({ volume: 0, centroid: [0, 0, 0], roll: 0 });
  });
});

describe('curves', () => {
  /** The longest step between neighbours of a line. */
  const longest = (points: readonly (readonly [number, number, number])[]) =>
    Math.max(...points.slice(1).map((p, i) => pathLength([points[i] ?? p, p])));

  it.each([undefined, 'open loop', 'split ring', 'clip'] as const)(
    'of a hook hung by %s run without a gap from the eye to the tip',
    (kind) => {
      for (const style of ['round bend', 'wide gap', 'straight worm', 'short shank', 'long shank'] as const) {
        const built = hookPath(measures, { style, joint: kind && { kind, size: 4 } }, eye, {
          knee: 8,
          legInside: 3,
        });
        expect(longest(built.centre)).toBeLessThan(0.51 + 0.01);
        expect(longest(built.legAndShank)).toBeLessThan(0.51);
        expect(built.centre.at(-1)?.[0]).toBeCloseTo(built.tip[0], 9);
        expect(built.centre.at(-1)?.[2]).toBeCloseTo(built.tip[2], 9);
        expect(Math.min(...built.centre.map(([x]) => x))).toBeCloseTo(built.bendRear[0], 1);
        // What is fixed in the head ends at the loop behind it, or where the bend begins.
        const end = built.legAndShank.at(-1)?.[0];
        const loop = built.hinge?.loop;
        expect(end).toBeCloseTo(loop ? loop.centre[0] + loop.radius : built.bendStart[0], 9);
        if (built.hinge) expect(built.centre[0]?.[0]).toBeCloseTo(built.bendStart[0] + 31 - 0.5, 9);
      }
    },
  );

  it('hang ring in ring: a split ring’s front in the loop’s rear, the hook’s eye in its rear', () => {
    const { hinge } = hookPath(measures, { joint: { kind: 'split ring', size: 4 } }, eye, {
      knee: 8,
      legInside: 3,
    });
    const link = hinge?.link;
    if (!hinge || !link) throw new Error('no ring');
    // Two turns of wire that leave 4 mm inside: the centre line of both stands out by their thickness.
    expect(link.turns).toBe(2);
    expect(link.radius - link.wireRadius).toBeGreaterThanOrEqual(2);
    expect(link.radius).toBeLessThan(2 + 3 * link.wireRadius + 1e-9);
    // The ring's inside lies on the loop's wire, the eye's inside on the ring's.
    expect(link.centre[0]).toBeLessThan(hinge.at[0]);
    expect(hinge.hookEye.centre[0] + hinge.hookEye.radius).toBeCloseTo(
      link.centre[0] - link.radius + link.wireRadius + 0.5,
      9,
    );
    expect(
      hookPath(measures, { joint: { kind: 'clip', size: 4 } }, eye, { knee: 8, legInside: 3 }).hinge?.link
        ?.turns,
    ).toBe(1);
  });

  it('of a ring are as thick as a ring of its size is made of: 0.14 of what it leaves inside (from memory)', () => {
    for (const size of [4, 7]) {
      const { hinge } = hookPath(measures, { joint: { kind: 'split ring', size } }, eye, {
        knee: 8,
        legInside: 3,
      });
      const link = hinge?.link;
      if (!hinge || !link) throw new Error('no ring');
      expect(2 * link.wireRadius).toBeCloseTo(0.14 * size, 12);
      // It leaves its size inside, and its front wire lies on the loop's rear wire from within.
      expect(2 * (link.radius - link.wireRadius)).toBeCloseTo(size, 12);
      expect(link.centre[0] + link.radius).toBeCloseTo(hinge.at[0] + 0.5 + link.wireRadius, 12);
    }
  });

  it('of a hook that hangs in the loop itself pass through it without touching, nearer than a wire', () => {
    for (const wire of [0.6, 1, 2]) {
      const { hinge } = hookPath({ ...measures, wire }, { joint: { kind: 'open loop', size: 5 } }, eye, {
        knee: 8,
        legInside: 3,
      });
      if (!hinge) throw new Error('no hinge');
      // Front of the hook's eye and rear of the loop, both as thick as the wire.
      const apart = hinge.hookEye.centre[0] + hinge.hookEye.radius - hinge.at[0];
      expect(apart).toBeGreaterThanOrEqual(wire);
      expect(apart).toBeLessThan(2 * wire);
    }
  });

  it('of a recessed eye begin nearer by as much, yet never without a leg', () => {
    const at = (recess: number) =>
      hookPath(measures, {}, { ...eye, angle: 90, recess }, { knee: 8, legInside: 3 }).eye.centre;
    // Straight up: leg of 3 mm in the metal and 0.3 of stand, and the ring's half.
    expect(at(0)).toEqual([expect.closeTo(8, 9), 0, expect.closeTo(3.3 + 1.35 + 0.5, 9)]);
    expect(at(2)[2]).toBeCloseTo(1.3 + 1.35 + 0.5, 9);
    expect(at(8)[2]).toBeCloseTo(0.2 + 1.35 + 0.5, 9);
    // Laid forward it stands off the nose by the same.
    const level = hookPath(measures, {}, { ...eye, angle: 0 }, { knee: 8, legInside: 3 }).eye.centre;
    expect(level).toEqual([expect.closeTo(8 + 3.3 + 1.35 + 0.5, 9), 0, expect.closeTo(0, 9)]);
  });

  it('of every style have the point as far from the bend as its leg is long, turned as it leans', () => {
    for (const { key, pointLeg, lean } of STYLES) {
      const built = hookPath(measures, { style: key }, eye, { knee: 8, legInside: 3 });
      // From the upper end of the half circle to the tip.
      const [dx, dz] = [built.tip[0] - built.bendStart[0], built.tip[2] - (built.shankLevel + 14)];
      expect(Math.hypot(dx, dz), key).toBeCloseTo(pointLeg * 13, 9);
      expect((Math.atan2(dz, dx) * 180) / Math.PI, key).toBeCloseTo(lean, 9);
    }
  });

  it('of an offset shank begin to step down a wire behind what is cast about it, or behind a free hook’s own eye', () => {
    const steps = (joint: 'open loop' | undefined, straight: number) => {
      const built = hookPath(
        measures,
        { style: 'wide gap', joint: joint && { kind: joint, size: 4 } },
        eye,
        { knee: 8, legInside: 3, straight },
        0.05,
      );
      // The last place that is still on the shank's own line.
      const last = Math.min(...built.centre.filter(([, , z]) => z > -1e-6 && z < 1e-6).map(([x]) => x));
      return { last, built };
    };
    // Bent to a radius of a wire, it leaves its line a little before the corner.
    for (const straight of [0, 6]) {
      const { last } = steps(undefined, straight);
      expect(last).toBeLessThan(-straight);
      expect(last).toBeGreaterThan(-straight - 1);
    }
    const { last, built } = steps('open loop', 0);
    const own = (built.hinge?.hookEye.centre[0] ?? NaN) - (built.hinge?.hookEye.radius ?? NaN);
    expect(last).toBeLessThan(own - 0.5);
    expect(last).toBeGreaterThan(own - 1.5);
  });

  it('of a wide gap step down behind the neck and turn the point in; common proportions, from memory', () => {
    const wide = hookPath(measures, { style: 'wide gap' }, eye, { knee: 8, legInside: 3 });
    expect(wide.shankLevel).toBeLessThan(-0.2 * measures.gap);
    expect(wide.shankLevel).toBeGreaterThan(-0.35 * measures.gap);
    expect(wide.pointLean).toBeLessThan(0);
    expect(wide.tip[2]).toBeLessThan(wide.shankLevel + 14);
    // From the neck on the shank lies level: a step as long as 1.3 times its depth.
    const down = wide.centre.filter(([, , z]) => Math.abs(z - wide.shankLevel) < 1e-6);
    const first = Math.max(...down.map(([x]) => x));
    expect(first).toBeCloseTo(-1 + 1.3 * wide.shankLevel, 0);
    expect(wide.bendStart[2]).toBeCloseTo(wide.shankLevel, 12);
  });

  it('bend to either side alike', () => {
    const corner = (z: number) =>
      bentWire(
        [
          { x: 0, z: 0, radius: 0 },
          { x: 10, z: 0, radius: 3 },
          { x: 14, z, radius: 0 },
        ],
        0.5,
      );
    const [up, down] = [corner(6), corner(-6)];
    expect(up.length).toBe(down.length);
    up.forEach(([x, , z], i) => {
      expect(down[i]?.[0]).toBeCloseTo(x, 9);
      expect(down[i]?.[2]).toBeCloseTo(-z, 9);
    });
    // Towards the rear too, where angles run over half a turn.
    const back = bentWire(
      [
        { x: 0, z: 0, radius: 0 },
        { x: -10, z: 0, radius: 3 },
        { x: -14, z: -6, radius: 0 },
      ],
      0.5,
    );
    expect(pathLength(back)).toBeCloseTo(pathLength(up), 9);
    // All corners on one line: nothing is bent, and no place is there twice.
    const straight = bentWire(
      [
        { x: 0, z: 0, radius: 0 },
        { x: 4, z: 0, radius: 2 },
        { x: 10, z: 0, radius: 0 },
      ],
      0.5,
    );
    expect(pathLength(straight)).toBeCloseTo(10, 12);
    expect(straight).toHaveLength(21);
  });

  it('of a wire that climbs out of a half space are cut where it leaves it', () => {
    // 45° up in the plane y = 0, cut at z = 3: √2·3 of it, its middle at (1.5, 0, 1.5).
    const climb = Array.from({ length: 41 }, (_, i): [number, number, number] => [i * 0.25, 0, i * 0.25]);
    for (const isFat of [false, true]) {
      const cut = wireWithin(climb, 0.5, (_x, _y, z) => z <= 3, isFat);
      const whole = Math.PI * 0.25 * 3 * Math.SQRT2;
      expect(cut.volume / whole).toBeCloseTo(1, 2);
      expect(cut.centroid[1]).toBeCloseTo(0, 9);
      expect(cut.centroid[2]).toBeCloseTo(1.5, 1);
      // Only the upper half of it, cut along its length: half the volume, its middle 4r/3π above the line.
      const level = Array.from({ length: 21 }, (_, i): [number, number, number] => [i * 0.5, 0, 0]);
      const upper = wireWithin(level, 0.5, (_x, _y, z) => z >= 1e-9, isFat);
      expect(upper.volume / ((Math.PI * 0.25 * 10) / 2)).toBeGreaterThan(0.7);
      // Seven filaments tell a half only roughly.
      expect(Math.abs(upper.centroid[2] - (4 * 0.5) / (3 * Math.PI))).toBeLessThan(isFat ? 0.03 : 0.15);
      // Its middle alone, from half a radius to the left to half a radius to the right: r²(π/3 + √3/2) of
      // section.
      const middle = wireWithin(level, 0.5, (_x, y) => Math.abs(y) <= 0.25, isFat);
      expect(Math.abs(middle.volume / (0.25 * (Math.PI / 3 + Math.sqrt(3) / 2) * 10) - 1)).toBeLessThan(
        isFat ? 0.08 : 0.2,
      );
    }
  });
});
