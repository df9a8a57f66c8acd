import type { Part, Rig, Stick } from '../assembly/rig.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assemble } from '../assembly/assemble.ts';
import { evaluate } from '../judge/evaluate.ts';
import { waterDensity, waterViscosity } from '../material/water.ts';
import { radians } from '../numeric/vec.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import { solveTarget } from '../assembly/solve.ts';
import { shadowsOf } from './shadow.ts';
import {
  anyShapeDrag,
  anyWayDrag,
  bodyDrag,
  roundness,
  slenderness,
  sphereDrag,
  streamlinedDrag,
  WIRE_NORMAL,
  WIRE_TANGENT,
} from './drag.ts';
import { pitchInWords } from './fall.ts';
import { fall, steadyPitches } from './terminal-fall.ts';
import type { WetBody } from './wet-body.ts';
import { dragAt, wetHead, wetHook } from './wet-body.ts';
import { submerged } from '../assembly/submerged.ts';
import { hangAttitude } from './hang.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

/**
 * Standard drag curve of the sphere in the piecewise form of Clift, Grace & Weber, Bubbles, Drops and
 * Particles (1978), table 5.2, 0.01 < Re < 3.38e5 (coefficients from memory).
 */
function standardCurve(re: number): number {
  const w = Math.log10(re);
  if (re <= 20) return (24 / re) * (1 + 10 ** (-0.881 + 0.82 * w - 0.05 * w * w));
  if (re <= 260) return (24 / re) * (1 + 10 ** (-0.7133 + 0.6305 * w));
  if (re <= 1500) return 10 ** (1.6435 - 1.1242 * w + 0.1558 * w * w);
  if (re <= 1.2e4) return 10 ** (-2.4571 + 2.5558 * w - 0.9295 * w * w + 0.1049 * w ** 3);
  if (re <= 4.4e4) return 10 ** (-1.9181 + 0.637 * w - 0.0636 * w * w);
  return 10 ** (-4.339 + 1.5809 * w - 0.1546 * w * w);
}

/** What drag sees of a rig’s head. */
function shadowsIn(rig: Rig) {
  const faces = rig.bodies[0].faces;
  if (!faces) throw new Error('the head has no surface');
  return shadowsOf(faces());
}

describe('drag of a sphere', () => {
  // At the upper end the two published forms part by 7%; jig heads fall at Re 5e3 to 4e4.
  it('follows the standard drag curve from Re 0.1 to 7e4 within 6%, and to 1e5 within 8%', () => {
    for (let exponent = -1; exponent <= 5; exponent += 0.05) {
      const re = 10 ** exponent;
      expect(Math.abs(sphereDrag(re) / standardCurve(re) - 1), `Re ${re.toFixed(2)}`).toBeLessThan(
        re < 7e4 ? 0.06 : 0.08,
      );
    }
  });

  it('is Stokes’ 24/Re for the slowest flow', () => {
    expect(sphereDrag(1e-4) * 1e-4).toBeCloseTo(24, 1);
    // 24/Re·(1 + 0.15·Re^0.681) + 0.407/(1 + 8710/Re) by a pocket calculator (Brown & Lawler 2003).
    for (const [re, drag] of [
      [1, 27.6],
      [10, 4.1275],
      [100, 1.0731],
      [1e3, 0.46338],
      [1e4, 0.41061],
      [1e5, 0.46611],
    ] as const)
      expect(sphereDrag(re) / drag).toBeCloseTo(1, 4);
  });
});

describe('drag of other bodies', () => {
  // They part most near the sphere, where Hölzer & Sommerfeld’s form rises steeply: 27% at 0.98. The
  // reading’s range says so.
  it('agrees with Ganser for bodies as round as heads are to 30%', () => {
    for (const sphericity of [0.92, 0.95, 0.98]) {
      for (const re of [3e3, 1e4, 3e4]) {
        const ours = anyShapeDrag(re, { sphericity, crosswise: 1, lengthwise: 1 });
        expect(Math.abs(ours / anyWayDrag(re, sphericity) - 1), `${sphericity} at ${re}`).toBeLessThan(0.3);
      }
    }
  });

  // Hölzer & Sommerfeld 2008, equation 9, worked by hand for a cube (Ψ = 0.806) at Re 1e4, flat to the flow:
  // crosswise π/4·1.2407² = 1.209. Ganser 1993: at high Reynolds numbers a cube (Ψ 0.806) has
  // 0.4305·10^(1.8148·0.0937^0.5743) = 1.26; a sphere keeps 0.4305.
  it('has Ganser’s limits for bodies in no particular attitude', () => {
    expect(anyWayDrag(1e9, 1)).toBeCloseTo(0.4305, 2);
    expect(anyWayDrag(1e9, 0.806)).toBeCloseTo(1.26, 1);
    expect(anyWayDrag(1e-4, 1) * 1e-4).toBeCloseTo(24, 1);
  });

  it('is Hölzer & Sommerfeld’s form away from the sphere', () => {
    const cube = { sphericity: 0.806, crosswise: 1.209, lengthwise: 1.209 };
    const byHand =
      8 / 1e4 / Math.sqrt(1.209) +
      16 / 1e4 / Math.sqrt(0.806) +
      3 / 100 / 0.806 ** 0.75 +
      (0.42 * 10 ** (0.4 * 0.093665 ** 0.2)) / 1.209;
    expect(anyShapeDrag(1e4, cube)).toBeCloseTo(byHand, 4);
    expect(bodyDrag(1e4, { ...cube, fineness: 0.89 })).toBeCloseTo(byHand, 4);
  });

  it('passes from the sphere’s law to the other without a step, and never falls as a body grows less round', () => {
    let before = bodyDrag(1e4, { sphericity: 1, crosswise: 1, lengthwise: 1, fineness: 1 });
    expect(before).toBe(sphereDrag(1e4));
    for (let sphericity = 0.9995; sphericity > 0.93; sphericity -= 0.0005) {
      const here = bodyDrag(1e4, { sphericity, crosswise: 1, lengthwise: 1, fineness: 1 });
      expect(here).toBeGreaterThan(before);
      expect(here / before).toBeLessThan(1.02);
      before = here;
    }
  });

  // Hoerner 1965, chapter 3: streamline bodies of revolution at subcritical Reynolds numbers have a least
  // frontal coefficient of about 0.2 near l/d = 4, and a sphere 0.47 (values from memory).
  it('has the sphere’s coefficient for a streamlined body as short as a ball, and the least of some 0.2 for a slender one', () => {
    // By calculator, Cf = 1.328/√Re: at 10⁴ and 3 to 1 0.14667 + 12·0.01328 + 4·0.01328/√3, at 10⁵ and 4 to 1
    // 0.11 + 16·0.0041995 + 2·0.0041995.
    expect(streamlinedDrag(1e4, 3)).toBeCloseTo(0.3367, 4);
    expect(streamlinedDrag(1e5, 4)).toBeCloseTo(0.18559, 5);
    expect(streamlinedDrag(1e5, 1)).toBeGreaterThan(0.44);
    expect(streamlinedDrag(1e5, 1)).toBeLessThan(0.5);
    const coefficients = [1, 2, 3, 4, 5, 6, 8].map((fineness) => streamlinedDrag(3e4 * fineness, fineness));
    const least = Math.min(...coefficients);
    expect(least).toBeGreaterThan(0.12);
    expect(least).toBeLessThan(0.25);
    expect(coefficients[0]).toBeGreaterThan(1.8 * least);
  });

  it('spans the published laws for slender bodies, and takes one alone for compact ones', () => {
    const slender = { sphericity: 0.85, crosswise: 2.2, lengthwise: 0.7, fineness: 3 };
    const drag = (law: 'likely' | 'most' | 'least') => bodyDrag(2e4, slender, law);
    const edged = anyShapeDrag(2e4, slender);
    expect(drag('most')).toBeCloseTo(anyWayDrag(2e4, 0.85), 12);
    expect(drag('least')).toBeCloseTo(streamlinedDrag((2e4 * 3) / Math.sqrt(2.2), 3) / 2.2, 12);
    // A quarter of the way to the streamlined law, in ratios (working value).
    expect(drag('likely') / edged).toBeCloseTo((drag('least') / edged) ** 0.25, 9);
    // Half way between round and the edge of it at 0.98, half slender at 1.75 to 1 (working values).
    expect([roundness(0.96), roundness(0.98), roundness(1)]).toEqual([0, expect.closeTo(0.5, 9), 1]);
    expect([slenderness(1), slenderness(1.75), slenderness(2.5)]).toEqual([0, expect.closeTo(0.5, 9), 1]);
    expect(drag('likely')).toBeLessThan(edged);
    expect(drag('likely')).toBeGreaterThan(drag('least'));
    const compact = { ...slender, fineness: 0.9 };
    expect(bodyDrag(2e4, compact, 'most')).toBe(bodyDrag(2e4, compact, 'least'));
  });

  it('half way from ball to edged, and half way to slender, weighs the laws by halves and a quarter', () => {
    // Half way from 0.96 to 1, and from 1 to 2.5: the mean of sphere and Hölzer & Sommerfeld, and of slender
    // laws half of a half.
    const shape = { sphericity: 0.98, crosswise: 1.2, lengthwise: 0.9, fineness: 1.75 };
    const re = 2e4;
    const compact = (sphereDrag(re) + anyShapeDrag(re, shape)) / 2;
    const smoothly = streamlinedDrag((re * 1.75) / Math.sqrt(1.2), 1.75) / 1.2;
    expect(bodyDrag(re, shape, 'least')).toBeCloseTo(compact ** 0.75 * smoothly ** 0.25, 9);
    expect(bodyDrag(re, shape, 'most')).toBeCloseTo(compact ** 0.75 * anyWayDrag(re, 0.98) ** 0.25, 9);
    // And likeliest a quarter of the way to the streamlined one.
    expect(bodyDrag(re, shape)).toBeCloseTo(compact ** (15 / 16) * smoothly ** (1 / 16), 9);
  });

  it('is asked only for bodies that round: the families’ own heads', () => {
    for (const family of ['football', 'pointed']) {
      expect(shadowsIn(assemble(sampleDesign(family))).factors(0).sphericity).toBeGreaterThan(0.9);
    }
  });

  it('grows when a body turns its broad side to the flow', () => {
    const narrow = bodyDrag(1e4, { sphericity: 0.93, crosswise: 1.3, lengthwise: 1, fineness: 1 });
    const broad = bodyDrag(1e4, { sphericity: 0.93, crosswise: 0.8, lengthwise: 1, fineness: 1 });
    expect(broad).toBeGreaterThan(narrow);
  });

  it('sees a ball as a ball, and an ellipsoid with its known areas', () => {
    const ball = shadowsIn(assemble(sampleDesign('ball', { keeper: { kind: 'none' } })));
    expect(ball.factors(0.4).crosswise).toBeCloseTo(1, 2);
    expect(ball.factors(0.4).fineness).toBeCloseTo(1, 2);
    const oval = sampleDesign('football', {
      head: { dimensions: { breadth: 20, length: 10, height: 10, ends: 2, belly: 0.5 } },
    });
    const { factors } = shadowsIn(assemble(oval));
    // Prolate spheroid 2:1, semi-axes 10, 5, 5: surface 2πb²(1 + (a/b)·asin(e)/e), e = √3/2 (Beyer, CRC
    // Standard Mathematical Tables).
    const e = Math.sqrt(3) / 2;
    const surface = 2 * Math.PI * 25 * (1 + (2 * Math.asin(e)) / e);
    const equal = Math.cbrt(20 * 10 * 10);
    expect(factors(0).sphericity).toBeCloseTo((Math.PI * equal ** 2) / surface, 2);
    // Falling flat it shows its long ellipse of 20 × 10, 10 deep: fineness 10 / √200.
    expect(factors(0).crosswise).toBeCloseTo(equal ** 2 / 200, 1);
    expect(factors(0).fineness).toBeCloseTo(10 / Math.sqrt(200), 2);
    // One long in the way of the shank, seen along (sin ψ, 0, −cos ψ), shows π √((bc sin ψ)² + (ab cos ψ)²),
    // also between the attitudes it is measured in.
    const long = shadowsIn(
      assemble(
        sampleDesign('football', {
          head: { dimensions: { breadth: 10, length: 20, height: 10, ends: 2, belly: 0.5 } },
        }),
      ),
    );
    for (let pitch = -90; pitch <= 270; pitch += 1.7) {
      const [s, c] = [Math.sin(radians(pitch)), Math.cos(radians(pitch))];
      const shown = 4 * Math.sqrt((5 * 5 * s) ** 2 + (10 * 5 * c) ** 2);
      expect((long.factors(radians(pitch)).crosswise * shown) / equal ** 2, `${pitch}°`).toBeCloseTo(1, 1.8);
      // Along the flow: half the surface less the mean of what is shown to the left and square to flow and
      // left.
      const besides = (4 * 50 + 4 * Math.sqrt((25 * c) ** 2 + (50 * s) ** 2)) / 2;
      const along = equal ** 2 / ((4 / Math.PI) * (surface / 2) - besides);
      expect(long.factors(radians(pitch)).lengthwise / along, `${pitch}°`).toBeCloseTo(1, 1.3);
      const deep = 2 * Math.sqrt((10 * s) ** 2 + (5 * c) ** 2);
      expect((long.factors(radians(pitch)).fineness * Math.sqrt(shown)) / deep, `${pitch}°`).toBeCloseTo(
        1,
        1.7,
      );
    }
  });
});

const water = { temperature: 15, salinity: 0 };
const [rho, viscosity] = [waterDensity(water), waterViscosity(water)];

/** A bare ball of metal without hook or eye, as the real fall takes it. Sizes in mm and g/cm³. */
function bareBall(diameter: number, density: number, sticks: readonly Stick[] = []): Rig {
  const rig = assemble(
    sampleDesign('ball', { keeper: { kind: 'none' }, head: { dimensions: { breadth: diameter } } }),
  );
  const metal = {
    name: 'metal' as const,
    material: 'lead',
    volume: rig.body.volume,
    mass: (density * rig.body.volume) / 1000,
    centroid: rig.body.centroid,
  };
  const [head] = rig.bodies;
  return {
    ...rig,
    parts: [metal],
    joint: undefined,
    bodies: [{ ...head, parts: [metal], sticks: () => sticks }],
  };
}

/**
 * Terminal speed of a sphere by halving on the standard curve, written out anew. d in mm, density in kg/m³.
 */
function onStandardCurve(d: number, density: number): number {
  let [low, high] = [1e-3, 20];
  for (let i = 0; i < 80; i++) {
    const mid = (low + high) / 2;
    const drag =
      standardCurve((mid * d * 1e-3 * rho) / viscosity) *
      0.5 *
      rho *
      mid *
      mid *
      (Math.PI / 4) *
      (d * 1e-3) ** 2;
    const weight = ((density - rho) * 9.80665 * Math.PI * (d * 1e-3) ** 3) / 6;
    if (drag < weight) low = mid;
    else high = mid;
  }
  return low;
}

describe('pitches a body keeps', () => {
  const turn = (degrees: number) => radians(degrees);
  it('are where a weathervane points, whichever way round it gets there', () => {
    // A vane that points to a: its moment is sin(a − ψ).
    for (const at of [10, 75, 110, 170, 200, 300, 355]) {
      const { stable, first, fromNose } = steadyPitches((psi) => Math.sin(turn(at) - psi));
      expect(stable, `${at}°`).toHaveLength(1);
      for (const found of [stable[0], first, fromNose]) expect(found).toBeCloseTo(turn(at), 5);
    }
  });

  it('of a body that keeps two are found from level and from nose-down by the way its moment turns it', () => {
    // sin 2(a − ψ): steady at a and at its back, and turned away from both half way between.
    const two = (at: number) => steadyPitches((psi) => Math.sin(2 * (turn(at) - psi)));
    for (const [at, first, fromNose] of [
      [40, 40, 40], // from level down to 40; from 90 back up, since 130 is where it parts
      [60, 60, 60],
      [80, 80, 80],
      [30, 30, 30],
      [100, 280, 100], // level is past the parting at 10: round by the back to 280
      [130, 310, 130],
      [90, 90, 90], // in it, it stays; level is the parting itself
    ] as const) {
      const found = two(at);
      expect(
        found.stable.map((psi) => Math.round((psi * 180) / Math.PI)),
        `${at}°`,
      ).toEqual([at % 180, (at % 180) + 180]);
      if (at !== 90) expect(found.first, `${at}° from level`).toBeCloseTo(turn(first), 5);
      expect(found.fromNose, `${at}° from nose-down`).toBeCloseTo(turn(fromNose), 5);
    }
  });

  it('are passed round the whole turn: down past straight back to the first, up past level to the last', () => {
    // A moment that drives on everywhere but by one short hold: whatever side it comes from it ends there.
    const hold = (at: number, way: 1 | -1) => (psi: number) =>
      Math.abs(psi - turn(at)) < turn(8) ? turn(at) - psi : way * 0.1;
    expect(steadyPitches(hold(45, 1)).fromNose).toBeCloseTo(turn(45), 4);
    expect(steadyPitches(hold(45, 1)).first).toBeCloseTo(turn(45), 4);
    expect(steadyPitches(hold(250, -1)).fromNose).toBeCloseTo(turn(250), 4);
    // Two holds, both before nose-down, in a moment that drives down: round by level to the first of them.
    const both = steadyPitches((psi) => Math.min(hold(22, 1)(psi), hold(62, 1)(psi)));
    expect(both.stable).toHaveLength(2);
    expect(both.fromNose).toBeCloseTo(turn(22), 4);
    // Two behind, in one that drives up: round by the tail to the last.
    const behind = steadyPitches((psi) => Math.max(hold(222, -1)(psi), hold(302, -1)(psi)));
    expect(behind.stable).toHaveLength(2);
    expect(behind.fromNose).toBeCloseTo(turn(302), 4);
    expect(behind.first).toBeCloseTo(turn(302), 4);
  });

  it('are level where nothing turns it', () => {
    expect(steadyPitches(() => 0)).toEqual({ stable: [], first: 0, fromNose: 0 });
  });

  it('in words say nose down or up, and on its back beyond a right angle', () => {
    expect([12.4, 90, -12.6, 150, -140.2].map(pitchInWords)).toEqual([
      'nose down by 12°',
      'nose down by 90°',
      'nose up by 13°',
      'on its back, nose down by 30°',
      'on its back, nose up by 40°',
    ]);
  });
});

describe('fall of a bare ball', () => {
  it('is that of the standard curve within 3.5%, whatever its size and metal', () => {
    fc.assert(
      fc.property(between(3, 25), between(2, 19), (d, density) => {
        const { speed, speeds } = fall(bareBall(d, density), water);
        const right = onStandardCurve(d, density * 1000);
        return Math.abs(speed / right - 1) < 0.035 && speeds[0] < right && right < speeds[1];
      }),
      { numRuns: 60 },
    );
  });

  it('changes little when the ball is drawn out by a hundredth: near-balls pass over without a step', () => {
    const oval = (stretch: number) => {
      const dimensions = { breadth: 9, height: 9, length: 9 * stretch, ends: 2, belly: 0.5 };
      const rig = assemble(sampleDesign('football', { keeper: { kind: 'none' }, head: { dimensions } }));
      const metal = { ...rig.parts[0], volume: rig.body.volume, centroid: rig.body.centroid } as Part;
      const parts = [{ ...metal, mass: (11.34 * rig.body.volume) / 1000 }];
      return fall({ ...rig, parts, bodies: [{ ...rig.bodies[0], parts, sticks: () => [] }] }, water).speed;
    };
    const round = fall(bareBall(9, 11.34), water).speed;
    expect(Math.abs(oval(1) / round - 1)).toBeLessThan(0.002);
    let before = oval(1);
    for (let stretch = 1.01; stretch < 1.3; stretch += 0.01) {
      const here = oval(stretch);
      expect(Math.abs(here / before - 1), `stretched by ${stretch}`).toBeLessThan(0.02);
      before = here;
    }
  });

  it('does not fall when it is lighter than water', () => {
    expect(fall(bareBall(10, 0.9), water).speed).toBe(0);
    expect(fall(bareBall(10, 0.9), water).timeTo(1)).toBe(Infinity);
  });

  // Worked check of the design notes for a bare 1/4 oz ball at 15 °C. Common practice says 30-40% faster (no
  // source), which is nearer to the same size than to the same weight: the interface says which it compares.
  it('tungsten over lead: same weight +17%, same size +25%, pure tungsten at the same size +31%', () => {
    const grams = 28.349523125 / 4;
    const diameter = (density: number) => Math.cbrt((6 * (grams / density) * 1e3) / Math.PI);
    const speed = (d: number, density: number) => fall(bareBall(d, density), water).speed;
    const lead = speed(diameter(11.34), 11.34);
    expect(speed(diameter(17.5), 17.5) / lead).toBeCloseTo(1.17, 2);
    expect(speed(diameter(11.34), 17.5) / lead).toBeCloseTo(1.25, 2);
    expect(speed(diameter(11.34), 19.25) / lead).toBeCloseTo(1.31, 2);
  });

  // Hoerner 1965, chapter 3: 1.1 to 1.2 on diameter × length square to the flow, 0.01 to 0.03 on the wetted
  // surface along it.
  it('is braked by a wire square to the fall as Hoerner’s cross-flow says', () => {
    expect(WIRE_NORMAL).toBeGreaterThanOrEqual(1.1);
    expect(WIRE_NORMAL).toBeLessThanOrEqual(1.2);
    expect(WIRE_TANGENT).toBeGreaterThanOrEqual(0.01);
    expect(WIRE_TANGENT).toBeLessThanOrEqual(0.03);
    const d = 9;
    // Through the middle, so that it does not turn the ball: 40 mm of 1 mm wire to each side.
    const wire: Stick = { middle: [d / 2, 0, 0], along: [0, 1, 0], length: 80, diameter: 1 };
    const speed = fall(bareBall(d, 11.34, [wire]), water).speed;
    const weight = ((11340 - rho) * 9.80665 * Math.PI * (d * 1e-3) ** 3) / 6;
    const ballArea = (Math.PI / 4) * (d * 1e-3) ** 2;
    const drag = (v: number) =>
      0.5 * rho * v * v * (standardCurve((v * d * 1e-3 * rho) / viscosity) * ballArea + 1.15 * 80e-6);
    expect(drag(speed) / weight).toBeGreaterThan(0.96);
    expect(drag(speed) / weight).toBeLessThan(1.04);
  });

  // Lamb, Hydrodynamics, article 92: a sphere moves half of the water it pushes aside along. From rest x =
  // a·t²/2 with a = g·(m − m_w)/(m + m_w/2), for any ball; here one not much heavier than water, where that
  // half weighs.
  it('starts with the acceleration of its weight against its own mass and half the water it pushes aside', () => {
    const [density, x] = [1.5, 1e-7];
    const a = (9.80665 * (density * 1000 - rho)) / (density * 1000 + rho / 2);
    const t = fall(bareBall(10, density), water).timeTo(x);
    expect((2 * x) / (t * t) / a).toBeCloseTo(1, 4);
  });
});

describe('fall of a whole head', () => {
  const lead = evaluate(sampleDesign('ball', { keeper: { kind: 'none' } }), AT_ONCE);
  if (!lead.ok) throw new Error('the sample cannot be built');

  it('is slower than its bare ball, since hook and eye brake, but not by half', () => {
    const { rig } = lead;
    const bare = fall(bareBall(rig.dimensions['breadth'] ?? 0, 11.34), water).speed;
    const whole = fall(rig, water).speed;
    expect(whole).toBeLessThan(bare);
    expect(whole).toBeGreaterThan(0.5 * bare);
  });

  it('goes nose down, with the hook trailing', () => {
    const { attitude } = fall(lead.rig, water);
    expect(attitude).toBeGreaterThan(30);
    expect(attitude).toBeLessThan(100);
  });

  it('takes longer than the depth at full speed, by the run-up alone', () => {
    const { speed, timeTo } = fall(lead.rig, water);
    for (const depth of [1, 5, 20]) {
      expect(timeTo(depth)).toBeGreaterThan(depth / speed);
      expect(timeTo(depth)).toBeLessThan(depth / speed + 0.5);
    }
    // From rest the first hand's breadth is a free fall of the weight against all that moves: x = a·t²/2.
    const small = 1e-6;
    expect(timeTo(small) ** 2 / small).toBeGreaterThan(2 / 9.81);
  });

  it('is faster in tungsten than in lead, and slower in bismuth-tin, at one weight', () => {
    const speeds = ['bismuth-tin', 'lead', 'tungsten'].map((metal) => {
      const design = sampleDesign('football', {
        keeper: { kind: 'none' },
        head: { metal, target: { grams: 14, of: 'metal' } },
      });
      const solved = solveTarget(design);
      if (!solved.ok) throw new Error(solved.problem.message);
      return fall(solved.rig, water).speed;
    });
    expect(speeds).toEqual([...speeds].sort((a, b) => a - b));
  });

  // Published forms for a streamlined 1/2 oz torpedo of lead range from 1.1 to 2.1 m/s (design notes).
  it('gives slender heads a span as wide as what is published, and less drag end on than a football', () => {
    const rigOf = (family: string) => {
      const head = { target: { grams: 14, of: 'metal' as const } };
      const solved = solveTarget(sampleDesign(family, { keeper: { kind: 'none' }, head }));
      if (!solved.ok) throw new Error(solved.problem.message);
      return solved.rig;
    };
    const [torpedo, football] = [rigOf('torpedo'), rigOf('football')];
    const { speeds } = fall(torpedo, water);
    expect(speeds[0]).toBeLessThan(1.15);
    expect(speeds[1]).toBeGreaterThan(2);
    const endOn = (rig: Rig) =>
      dragAt(wetHead(rig), [0, 0, 0], Math.PI / 2, 1.5, waterDensity(water), waterViscosity(water)).force;
    expect(endOn(torpedo)).toBeLessThan(0.6 * endOn(football));
  });

  it('is slower with a thick coat of paint that weighs as much as water: it adds size', () => {
    const painted = (paint: { thickness: number; density: number } | undefined) => {
      const built = evaluate(sampleDesign('ball', { keeper: { kind: 'none' }, head: { paint } }), AT_ONCE);
      if (!built.ok) throw new Error('cannot be built');
      return fall(built.rig, water).speed;
    };
    expect(painted({ thickness: 0.3, density: 1 })).toBeLessThan(painted(undefined));
    expect(painted({ thickness: 0.3, density: 1.3 })).toBeLessThan(painted(undefined));
  });

  it('of a hinged head carries the hook in its own balance, and slows for it as for sticks standing in the flow', () => {
    const joint = { kind: 'open loop' as const, size: 4 };
    const built = evaluate(sampleDesign('ball', { keeper: { kind: 'none' }, hook: { joint } }), AT_ONCE);
    if (!built.ok) throw new Error(built.problems[0]?.message);
    const { rig } = built;
    const found = fall(rig, water);
    // Nothing holds the hook level: it trails above the head, its point's weight against the drag of its
    // bend.
    expect(found.hookPitch).toBeGreaterThan(60);
    expect(found.hookPitch).toBeLessThan(120);
    // Forces once more, by hand: the weight in water is the drag of the two bodies at their pitches and that
    // speed.
    const rho = waterDensity(water);
    const { weight } = submerged(rig, rho);
    const [head, free] = rig.bodies;
    if (!free) throw new Error('no hook');
    const drag = (body: WetBody, pitch: number) =>
      dragAt(body, [0, 0, 0], radians(pitch), found.speed, rho, waterViscosity(water)).force;
    const whole = drag(wetHead(rig), found.attitude) + drag(wetHook(free, rig), found.hookPitch ?? NaN);
    expect(whole / ((weight / 1000) * 9.80665)).toBeCloseTo(1, 3);
    expect(head.name).toBe('head');
  });

  it('is slower in the sea than in fresh water', () => {
    const sea = fall(lead.rig, { temperature: 15, salinity: 35 }).speed;
    expect(sea).toBeLessThan(fall(lead.rig, water).speed);
  });
});

describe('submerged weight and hang', () => {
  it('is mass less the water pushed aside (Archimedes)', () => {
    const parts = [
      { name: 'metal' as const, material: 'lead', mass: 10, volume: 900, centroid: [5, 0, 0] as const },
      { name: 'guard' as const, material: 'nylon', mass: 0.5, volume: 1000, centroid: [-5, 0, 10] as const },
    ];
    const wet = submerged({ parts }, 1000);
    expect(wet.weight).toBeCloseTo(10 - 0.9 + (0.5 - 1), 12);
    // A part that floats pulls the effective centre away from itself.
    expect(wet.centre[0]).toBeGreaterThan(5);
  });

  it('gives no hang for what floats', () => {
    const cork = evaluate(
      sampleDesign('ball', { keeper: { kind: 'none' }, head: { density: 0.2, dimensions: { breadth: 16 } } }),
    );
    if (!cork.ok) throw new Error('cannot be built');
    expect(cork.readings['mass.submerged']?.value).toBeLessThan(0);
    expect(cork.readings['hang.attitude']).toBeUndefined();
    expect(cork.flags.map(({ code }) => code)).toContain('floats');
  });

  it.each([
    ['centre straight below the eye', [5, 0, 8], [5, 0, 0], 0],
    ['centre ahead of the eye by as much as below it', [5, 0, 8], [13, 0, 0], 45],
    ['eye out of the nose', [10, 0, 0], [2, 0, 0], -90],
  ] as const)('hangs right with the %s', (_, eye, centre, degrees) => {
    expect(hangAttitude(eye, centre)).toBeCloseTo(degrees, 9);
  });

  it('a 90° eye hangs flatter than a 30° one (common practice, no source)', () => {
    const hang = (angle: number) => {
      const result = evaluate(sampleDesign('ball', { eye: { angle, setback: 0.5 } }), AT_ONCE);
      return result.ok ? Math.abs(result.readings['hang.attitude']?.value ?? NaN) : NaN;
    };
    expect(hang(90)).toBeLessThan(hang(60));
    expect(hang(60)).toBeLessThan(hang(30));
  });
});
