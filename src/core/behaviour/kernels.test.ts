import fc from 'fast-check';
import { Solver } from 'odex';
import { describe, expect, it } from 'vitest';
import { elastica, loadFor } from './elastica.ts';
import { hookSet, lineFacts, USUAL_FISHING } from './fishing.ts';
import { pendulum } from './pendulum.ts';
import { lineUpTo, towedLine } from './towed-line.ts';
import { lineDiameter, LINE_KINDS } from '../material/lines.ts';
import { runs } from '../test-kit/runs.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

describe('a strand bent far', () => {
  // Bisshopp & Drucker, Quarterly of Applied Mathematics 3 (1945) 272: drop and what is left of the length,
  // over the length.
  it.each([
    [1, 0.3017, 0.9436],
    [2, 0.4935, 0.8394],
    [5, 0.7138, 0.6124],
    [10, 0.8106, 0.445],
  ])('under P L²/EI = %d drops as the published table says', (load, drop, left) => {
    const bent = elastica(load);
    expect(bent.drop).toBeCloseTo(drop, 4);
    expect(1 - bent.shortening).toBeCloseTo(left, 4);
  });

  it.each([0.001, 0.3, 3.7, 12, 30])(
    'under %d as its differential equation says, shot from the held end',
    (load) => {
      // θ″ = −k cos θ, θ(0) = 0, θ′(1) = 0: the slope at the held end that leaves the free one straight.
      const end = (slope: number) => {
        let [angle, turn, x, y] = [0, slope, 0, 0];
        const n = 4000;
        for (let i = 0; i < n; i++) {
          // Midpoint rule.
          const [a, t] = [angle + turn / n / 2, turn - (load * Math.cos(angle)) / n / 2];
          angle += t / n;
          turn -= (load * Math.cos(a)) / n;
          x += Math.cos(a) / n;
          y += Math.sin(a) / n;
        }
        return { turn, x, y };
      };
      let [low, high] = [0, load];
      for (let i = 0; i < 60; i++) {
        const middle = (low + high) / 2;
        if (end(middle).turn > 0) high = middle;
        else low = middle;
      }
      const { x, y } = end(low);
      const bent = elastica(load);
      expect(bent.drop).toBeCloseTo(y, 3);
      expect(bent.shortening).toBeCloseTo(1 - x, 3);
      expect(loadFor(bent.drop) / load).toBeCloseTo(1, 4);
    },
  );

  it('a little bends like any cantilever, and nonsense is refused', () => {
    expect(elastica(1e-3).drop).toBeCloseTo(1e-3 / 3, 8);
    expect(elastica(1e-5).drop).toBeCloseTo(1e-5 / 3, 12);
    // Its shortening is half the sum of its slopes squared: for a slope P L²/2EI·(1 − (1 − s)²) that is
    // load²/15.
    expect(elastica(1e-5).shortening / (1e-10 / 15)).toBeCloseTo(1, 6);
    expect(elastica(1.01e-3).shortening / (1.01e-3 ** 2 / 15)).toBeCloseTo(1, 3);
    expect(loadFor(0)).toBe(0);
    // P L²/EI of a small drop is three times it.
    expect(loadFor(1e-5)).toBeCloseTo(3e-5, 12);
    expect(loadFor(0.99)).toBe(Infinity);
    expect(() => elastica(-1)).toThrow(/load/);
    expect(() => elastica(401)).toThrow(/from 0 to 400/);
    expect(elastica(400).drop).toBeLessThan(1);
    expect(() => elastica(NaN)).toThrow(/load/);
  });
});

describe('a towed line', () => {
  const water = 1000;
  const still = {
    weight: 0.06,
    drag: 0.04,
    speed: 0,
    diameter: 0.0008,
    density: 1780,
    waterDensity: water,
    lineOut: 30,
  };

  it('without drag on it hangs in a catenary', () => {
    const line = towedLine(still);
    const w = (1780 - water) * 9.80665 * (Math.PI / 4) * 0.0008 ** 2;
    // From the lowest point of the whole curve: a = H/w, s = a sinh(x/a), y = a cosh(x/a).
    const a = 0.04 / w;
    const s0 = 0.06 / w;
    const x = (s: number) => a * Math.asinh(s / a);
    const y = (s: number) => Math.hypot(a, s);
    expect(line.distance / (x(s0 + 30) - x(s0))).toBeCloseTo(1, 6);
    expect(line.depth / (y(s0 + 30) - y(s0))).toBeCloseTo(1, 6);
    expect(line.tension).toBeCloseTo(w * y(s0 + 30), 9);
  });

  it('with a heavy lure is straight, at the angle of weight over drag', () => {
    const line = towedLine({ ...still, weight: 60, drag: 25, diameter: 0.0002 });
    expect(line.depth).toBeCloseTo(30 * Math.sin(Math.atan2(60, 25)), 3);
    expect(line.angle).toBeCloseTo(Math.atan2(60, 25), 4);
  });

  it('pulled level by its end alone carries the drag along it, ½ρ Ct πd V² L', () => {
    // Skin friction on the wetted surface: Hoerner 1965, Ct 0.02 (from memory).
    const line = towedLine({ ...still, weight: 0, drag: 0.5, speed: 2, density: water });
    expect(line.depth).toBeCloseTo(0, 9);
    expect(line.tension - 0.5).toBeCloseTo(0.5 * water * 0.02 * Math.PI * 0.0008 * 4 * 30, 9);
  });

  it('with drag along it alone stays straight however it slopes, and pulls by ½ρ Ct πd V² cos²θ L more at the rod', () => {
    for (const [weight, drag] of [
      [0.5, 0.5],
      [0.3, 0.6],
      [0.8, 0.2],
    ] as const) {
      const line = towedLine({ ...still, weight, drag, speed: 2, density: water, normal: 0 });
      const [pull, slope] = [Math.hypot(weight, drag), Math.atan2(weight, drag)];
      expect(line.angle).toBeCloseTo(slope, 9);
      expect(line.depth).toBeCloseTo(30 * Math.sin(slope), 6);
      const along = 0.5 * water * 0.02 * Math.PI * 0.0008 * 4;
      expect(line.tension - pull).toBeCloseTo(along * Math.cos(slope) ** 2 * 30, 9);
    }
  });

  it('of no weight bends back so that cot θ grows by the drag over the pull', () => {
    // Weightless and steep: T dθ/ds = −½ρ Cn d V² sin²θ, so cot θ = cot θ₀ + ½ρ Cn d V² s/T (Pode 1951; Cn
    // 1.15 from Hoerner 1965).
    const tow = { ...still, weight: 20, drag: 0.5, speed: 1.5, density: water, lineOut: 10 };
    const line = towedLine(tow);
    const grown = (0.5 * water * 1.15 * 0.0008 * 1.5 ** 2 * 10) / Math.hypot(20, 0.5);
    expect(1 / Math.tan(line.angle)).toBeCloseTo(0.5 / 20 + grown, 3);
  });

  it('of any head from 0.3 to 60 g, at up to 3 m/s, on any line is where another solver has it', () => {
    // Hairer's extrapolation code ODEX (Hairer, Nørsett & Wanner, Solving Ordinary Differential Equations I,
    // 1993), to nine digits, in the line's slope and the logarithm of its pull instead of its parts; the
    // lure's pull by ½ρ C A V² with areas of 20 mm² for each gram's two thirds.
    const share = () => between(0, 1);
    let [worst, largest] = [0, 0];
    fc.assert(
      fc.property(
        fc.record({
          grams: share().map((x) => 0.3 * 200 ** x),
          speed: between(0.01, 3),
          line: fc.constantFrom(...LINE_KINDS.map(({ key }) => key)),
          test: between(0.5, 30),
          bluff: between(0.2, 1.2),
          waterDensity: between(998, 1026),
          lineOut: between(1, 60),
          normal: between(1, 1.4),
        }),
        ({ grams, speed, line: kind, test, bluff, waterDensity, lineOut, normal }) => {
          const { diameter, density } = lineFacts({ line: kind, test });
          const weight = (0.91 * grams * 9.80665) / 1000;
          const drag = 0.5 * 1000 * bluff * 20e-6 * grams ** (2 / 3) * speed ** 2;
          const heavy = (density - waterDensity) * 9.80665 * (Math.PI / 4) * diameter ** 2;
          const across = 0.5 * waterDensity * normal * diameter * speed ** 2;
          const along = 0.5 * waterDensity * 0.02 * Math.PI * diameter * speed ** 2;
          const solver = new Solver(4);
          solver.absoluteTolerance = solver.relativeTolerance = 1e-9;
          solver.maxSteps = 100_000;
          const { y } = solver.solve(
            (_, [slope = 0, log = 0]) => {
              const [pull, c, s] = [Math.exp(log), Math.cos(slope), Math.sin(slope)];
              return [
                (heavy * c - across * s * Math.abs(s)) / pull,
                (heavy * s + along * c * Math.abs(c)) / pull,
                c,
                s,
              ];
            },
            0,
            [Math.atan2(weight, drag), Math.log(Math.hypot(weight, drag)), 0, 0],
            lineOut,
          );
          const line = towedLine({ weight, drag, speed, diameter, density, waterDensity, lineOut, normal });
          const off = Math.abs(line.depth - (y[3] as number));
          // Two tenths of a millimetre besides: a floating line may end as high as it began.
          worst = Math.max(worst, off / (Math.abs(y[3] as number) + 1));
          expect(off).toBeLessThan(1e-4 * Math.abs(y[3] as number) + 2e-4);
          // Its own estimate is one, not a bound: a tenth of a millimetre besides.
          expect(off).toBeLessThan(4 * line.error + 1e-4);
          largest = Math.max(largest, line.error / Math.max(0.1, Math.abs(line.depth)));
        },
      ),
      { numRuns: runs(5_000) },
    );
    // What it tells of its own error is far below half a per cent, and it has some.
    expect(largest).toBeLessThan(1e-3);
    expect(worst).toBeGreaterThan(0);
  });

  it('leaves the water where what is left reaches the rod in a straight line', () => {
    const tow = { ...still, weight: 60, drag: 60, diameter: 0.0002, lineOut: 30 };
    const line = lineUpTo(tow, 4);
    // Straight at 45°: 4 m of height take 4·√2 m of line.
    expect(line.wet).toBeCloseTo(30 - 4 * Math.SQRT2, 2);
    expect(line.depth).toBeCloseTo(line.wet / Math.SQRT2, 2);
    expect(lineUpTo(tow, 0).wet).toBeCloseTo(30, 6);
    expect(lineUpTo(tow, 40).wet).toBe(0);
  });
});

describe('a swing on a tight line', () => {
  it('from level to straight down takes 2.622 times the line over the fall', () => {
    // ∫ dα/√cos α from 0 to π/2 = Γ(1/4)²/(2√(2π)) = 2.62206 (Gauss’s lemniscate; Abramowitz & Stegun 17.3).
    const swung = pendulum(10, 0, 10 * (1 - 1e-12), 2);
    expect((swung?.time ?? 0) / (2.62206 * (10 / 2))).toBeCloseTo(1, 2);
    expect(swung?.back).toBeCloseTo(10, 4);
  });
  it('through a small angle near level is the depth over the fall, and needs line enough', () => {
    const swung = pendulum(100, 0, 1, 1.3);
    expect(swung?.time).toBeCloseTo(1 / 1.3, 3);
    expect(swung?.back).toBeCloseTo(100 - Math.hypot(100, 0) * Math.cos(Math.asin(0.01)), 6);
    expect(pendulum(5, 2, 4, 1)).toBeUndefined();
    expect(pendulum(5, 2, 2, 0)).toBeUndefined();
  });

  // The line's moments summed piece by piece about the tip, and time stepped forward: nothing of the closed
  // sums of the model. A cylinder's 1.15 after Hoerner 1965.
  it.each([
    [20, 1.5, 3, 1.1, 0.12, 0.29, 1780],
    [12, 0, 8, 0.6, 0.02, 0.16, 970],
    [30, 3, 20, 1.5, 0.25, 0.4, 1140],
    // A thick line and next to no head: the line’s own weight brings it down.
    [20, 1.5, 6, 0.8, 0.004, 0.8, 1780],
  ])(
    'with its line’s own weight and drag: %d m of line, tip %d m up, %d m deep',
    (L, height, depth, fall, weight, mm, density) => {
      const rho = 999.1;
      const d = mm / 1000;
      const section = (Math.PI / 4) * d * d;
      const swung = pendulum(L, height, depth, fall, { diameter: d, density, waterDensity: rho, weight });
      const pieces = 400;
      let [angle, time] = [Math.asin(height / L) + 1e-9, 0];
      const to = Math.asin((height + depth) / L);
      const step = (to - angle) / 4000;
      for (let i = 0; i < 4000; i++) {
        const here = angle + step / 2;
        let [pull, hold] = [weight * L * Math.cos(here), (weight / fall ** 2) * L ** 3];
        for (let k = 0; k < pieces; k++) {
          const s = ((k + 0.5) * L) / pieces;
          const isWet = s * Math.sin(here) > height;
          pull += (density - (isWet ? rho : 0)) * section * 9.80665 * (L / pieces) * s * Math.cos(here);
          if (isWet) hold += 0.5 * rho * 1.15 * d * s * s * (L / pieces) * s;
        }
        time += step / Math.sqrt(pull / hold);
        angle += step;
      }
      expect((swung?.time ?? 0) / time).toBeCloseTo(1, 2);
      expect(swung?.time).toBeGreaterThan(pendulum(L, height, depth, fall)?.time ?? Infinity);
    },
  );

  it('never comes down where the line in the water floats more than the head weighs', () => {
    // 40 m of braid (970 kg/m³), all of it in sea water of 1025 kg/m³, lifts at its middle: half of (1025 −
    // 970) π/4 d² g L.
    const [L, d] = [40, 0.4e-3];
    const lift = ((1025 - 970) * (Math.PI / 4) * d ** 2 * 9.80665 * L) / 2;
    const line = (share: number) => ({ diameter: d, density: 970, waterDensity: 1025, weight: share * lift });
    expect(pendulum(L, 0, 20, 0.4, line(0.99))).toBeUndefined();
    expect(pendulum(L, 0, 20, 0.4, line(1.01))?.time).toBeGreaterThan(100);
    // With the tip up a part of the line is in air, where it weighs.
    expect(pendulum(L, 4, 20, 0.4, line(0.99))?.time).toBeGreaterThan(0);
  });
});

describe('line and rod', () => {
  it('are as thick as the Japanese line standard says, nylon by 4 lb and braid by 18 lb a number (from memory)', () => {
    const kilograms = (pounds: number) => pounds * 0.45359237;
    expect(lineDiameter('nylon', kilograms(4))).toBeCloseTo(0.165, 6);
    expect(lineDiameter('fluorocarbon', kilograms(12))).toBeCloseTo(0.2858, 4);
    expect(lineDiameter('braid', kilograms(18))).toBeCloseTo(0.165, 6);
    // The same in SI: 12 lb is 53.38 N, 2600 N/mm² over π/4·0.2858² mm² are 166.8 N; of a leader of 8 lb,
    // 35.59 N, the strength alone.
    const facts = lineFacts({ line: 'fluorocarbon', test: kilograms(12) });
    expect(facts.diameter).toBeCloseTo(0.2858e-3, 7);
    expect(facts.density).toBeCloseTo(1780, 6);
    expect(facts.strength).toBeCloseTo(53.38, 2);
    expect(facts.stiffness).toBeCloseTo(166.8, 1);
    const led = lineFacts({ line: 'fluorocarbon', test: kilograms(12), leader: kilograms(8) });
    expect(led).toEqual({ ...facts, strength: expect.closeTo(35.586, 2) as number });
    expect(lineFacts({ line: 'fluorocarbon', test: kilograms(12), leader: kilograms(20) })).toEqual(facts);
    expect(() => lineDiameter('wire', 5)).toThrow(/wire/);
  });

  it('share the sweep of a hook-set like springs in series, and the brake slips', () => {
    // By hand: 12 lb fluorocarbon, 20 m: EA = 2600·π/4·0.2858² = 166.8 N; L/EA = 0.1199 m/N; medium rod 28
    // N/m; 1 m of sweep.
    const { stiffness, strength } = lineFacts({ line: 'fluorocarbon', test: 5.4431 });
    expect(stiffness).toBeCloseTo(166.8, 1);
    expect(strength).toBeCloseTo(53.38, 2);
    expect(hookSet({ ...USUAL_FISHING, test: 5.4431 })).toBeCloseTo(1 / (0.11991 + 1 / 28), 2);
    // Every rod by hand: its tip gives 1/k, the line 0.11991 m/N.
    for (const [rod, k] of [
      ['ultra light', 6],
      ['light', 12],
      ['medium light', 18],
      ['medium', 28],
      ['medium heavy', 45],
      ['heavy', 70],
    ] as const)
      expect(hookSet({ ...USUAL_FISHING, test: 5.4431, rod })).toBeCloseTo(1 / (0.11991 + 1 / k), 2);
    expect(hookSet({ ...USUAL_FISHING, lineOut: 3, rod: 'heavy', test: 5.4431 })).toBeCloseTo(0.3 * 53.38, 2);
    expect(hookSet({ ...USUAL_FISHING, line: 'braid', test: 20 })).toBeGreaterThan(
      hookSet({ ...USUAL_FISHING, test: 20 }),
    );
  });
});
