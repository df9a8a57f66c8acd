import { describe, expect, it } from 'vitest';
import type { Part, Rig } from '../assembly/rig.ts';
import { assemble } from '../assembly/assemble.ts';
import { DRAWN_FAMILIES } from '../head/families/index.ts';
import type { Mesh } from '../head/mesh.ts';
import { waterDensity, waterViscosity } from '../material/water.ts';
import { degrees, radians } from '../numeric/vec.ts';
import { sampleDesign } from '../test-kit/sample.test-kit.ts';
import { addedMassOf, broadsideMoment, ellipsoidAddedMass, MUNK_SHARE, takenAlong } from './added-mass.ts';
import { fall } from './terminal-fall.ts';
import { dragAt, waterAlong, wetHead } from './wet-body.ts';

const water = { temperature: 15, salinity: 0 };

/** A lattice of an ellipsoid, turned nose-down by an angle in the hook's plane, so fine as asked. */
function ellipsoidMesh([a, b, c]: readonly [number, number, number], turn = 0, n = 60): Mesh {
  const positions: number[] = [];
  const triangles: number[] = [];
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  for (let i = 0; i <= n; i++)
    for (let j = 0; j < n; j++) {
      const [theta, phi] = [(Math.PI * i) / n, (2 * Math.PI * j) / n];
      const [x, y, z] = [
        a * Math.cos(theta),
        b * Math.sin(theta) * Math.cos(phi),
        c * Math.sin(theta) * Math.sin(phi),
      ];
      positions.push(x * cos + z * sin, y, -x * sin + z * cos);
    }
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      const [p, q] = [i * n + j, i * n + ((j + 1) % n)];
      triangles.push(p, p + n, q, q, p + n, q + n);
    }
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) };
}

describe('water that an ellipsoid takes along', () => {
  // Lamb, Hydrodynamics, 1932, article 115: table of k1 (end on) and k2 (broadside) of prolate spheroids
  // (from memory).
  it('is what Lamb’s table has for prolate spheroids', () => {
    for (const [fineness, endOn, broadside] of [
      [1, 0.5, 0.5],
      [1.5, 0.305, 0.621],
      [2, 0.209, 0.702],
      [2.51, 0.156, 0.763],
      [2.99, 0.122, 0.803],
      [3.99, 0.082, 0.86],
      [4.99, 0.059, 0.895],
      [6.01, 0.045, 0.918],
      [8.01, 0.029, 0.945],
    ] as const) {
      const [k1, k2, k3] = ellipsoidAddedMass([fineness, 1, 1]);
      expect(k1, `end on, ${fineness}`).toBeCloseTo(endOn, 2.2);
      expect(k2, `broadside, ${fineness}`).toBeCloseTo(broadside, 2.2);
      expect(k3).toBeCloseTo(k2, 12);
    }
  });

  // Lamb, article 114: a prolate spheroid in closed form, α = 2(1−e²)/e³ (½ ln((1+e)/(1−e)) − e).
  it('is the closed form of a prolate spheroid to a millionth, whatever its unit', () => {
    for (const fineness of [1.2, 2, 3.7, 8]) {
      const e = Math.sqrt(1 - 1 / fineness ** 2);
      const alpha = ((2 * (1 - e * e)) / e ** 3) * (0.5 * Math.log((1 + e) / (1 - e)) - e);
      const beta = 1 / e ** 2 - ((1 - e * e) / (2 * e ** 3)) * Math.log((1 + e) / (1 - e));
      const [k1, k2] = ellipsoidAddedMass([7 * fineness, 7, 7]);
      expect(k1 / (alpha / (2 - alpha))).toBeCloseTo(1, 6);
      expect(k2 / (beta / (2 - beta))).toBeCloseTo(1, 6);
    }
  });

  // Lamb, article 102: a circular disc of radius r moving broadside takes 8/3 ρ r³ along, which of a flat
  // spheroid is k = 2/π · r/c.
  it('nears a disc’s 8/3 ρ r³ as a spheroid grows flat', () => {
    const [, , k] = ellipsoidAddedMass([1, 1, 0.02]);
    expect(((4 / 3) * Math.PI * 0.02 * k) / (8 / 3)).toBeCloseTo(1, 1.4);
  });

  it('sums to one half of the three of a sphere’s α: ∑ α = 2 for any three axes', () => {
    for (const axes of [
      [3, 2, 1],
      [1, 5, 2],
      [9, 1, 4],
    ] as const) {
      const sum = ellipsoidAddedMass(axes).reduce((total, k) => total + (2 * k) / (1 + k), 0);
      expect(sum).toBeCloseTo(2, 8);
    }
  });
});

describe('the moment that turns a body broadside', () => {
  it('of an ellipsoid at any tilt is (k₃ − k₁) V sin α cos α, nose away from where it goes', () => {
    const axes = [9, 5, 4] as const;
    const [k1, , k3] = ellipsoidAddedMass(axes);
    const volume = (4 / 3) * Math.PI * axes[0] * axes[1] * axes[2];
    for (const tilt of [-70, -20, 0, 35, 80]) {
      const added = addedMassOf(ellipsoidMesh(axes, radians(tilt)), volume);
      for (const pitch of [-60, 0, 10, 45, 90, 150]) {
        // Its long axis points nose-down by the tilt in the frame of the body, so the stream meets it at 90°
        // less pitch less tilt.
        const attack = radians(90 - pitch - tilt);
        const expected = -(k3 - k1) * volume * Math.sin(attack) * Math.cos(attack);
        const near = 0.01 * volume;
        expect(
          Math.abs(broadsideMoment(added, radians(pitch)) - expected),
          `${tilt}° at ${pitch}°`,
        ).toBeLessThan(near);
        const along = k1 * Math.cos(attack) ** 2 + k3 * Math.sin(attack) ** 2;
        expect(takenAlong(added, radians(pitch))).toBeCloseTo(along, 2);
      }
    }
  });

  it('is nothing for a ball, and of a head grows with the square of its speed', () => {
    const rig = assemble(sampleDesign('ball', { keeper: { kind: 'none' } }));
    const { added } = wetHead(rig);
    for (let pitch = 0; pitch < 180; pitch += 15)
      expect(Math.abs(broadsideMoment(added, radians(pitch)))).toBeLessThan(0.02 * added.volume);
    const slim = wetHead(assemble(sampleDesign('torpedo', { keeper: { kind: 'none' } })));
    const bare = { ...slim, sticks: new Float64Array() };
    const rho = waterDensity(water);
    const couple = (v: number, share: number) => {
      const at = (munk: number) =>
        dragAt(bare, bare.centroid, radians(40), v, rho, waterViscosity(water), undefined, munk).moment;
      return at(share) - at(0);
    };
    expect(couple(2, 1) / couple(1, 1)).toBeCloseTo(4, 9);
    expect(couple(1, 0.5) / couple(1, 1)).toBeCloseTo(0.5, 9);
    // ρ V v² (k₃ − k₁) sin α cos α at 1 m/s, N·mm.
    expect(couple(1, 1) / (rho * broadsideMoment(bare.added, radians(40)) * 1e-6)).toBeCloseTo(1, 9);
  });
});

/**
 * A family's head without hook or fittings, its weight moved ahead of its middle by so many mm along the
 * shank.
 */
function bodyAlone(rig: Rig, forward: number, density = 11.34): Rig {
  const [x, y, z] = rig.body.centroid;
  const metal: Part = {
    name: 'metal',
    material: 'lead',
    mass: (density * rig.body.volume) / 1000,
    volume: rig.body.volume,
    centroid: [x + forward, y, z],
  };
  const [head] = rig.bodies;
  return {
    ...rig,
    parts: [metal],
    joint: undefined,
    bodies: [{ ...head, parts: [metal], sticks: () => [] }],
  };
}

describe('fall of a slender body', () => {
  const long = (length: number) =>
    assemble(
      sampleDesign('football', {
        keeper: { kind: 'none' },
        head: { dimensions: { breadth: 10, length, height: 10, ends: 2, belly: 0.5 } },
      }),
    );

  // Clift, Grace & Weber 1978, chapter 6, and Marchildon, Clamen & Gauvin 1964: in free fall bodies longer
  // than they are thick lie across, flat ones fall on their flats. (Published observations at Reynolds
  // numbers of 100 to 10⁴; beyond they swing about that attitude.)
  it('of even weight lies across when long, and end on when flat', () => {
    for (const [length, across] of [
      [14, true],
      [20, true],
      [30, true],
      [8, false],
      [6, false],
    ] as const) {
      const { attitude, others } = fall(bodyAlone(long(length), 0), water);
      const folded = [attitude, ...others].map((pitch) => Math.abs(((pitch % 180) + 180) % 180));
      for (const pitch of folded) {
        const off = across ? Math.min(pitch, 180 - pitch) : Math.abs(pitch - 90);
        expect(off, `${length} long: ${attitude}°`).toBeLessThan(2.5);
      }
    }
  });

  // By hand: the weight's lever F d cos ψ against λ ρ V v² (k₃ − k₁) sin ψ cos ψ, so that sin ψ = F d / (λ ρ
  // V v² (k₃ − k₁)), or straight down beyond.
  it('with its weight ahead drops its nose until the two moments are equal', () => {
    const rho = waterDensity(water);
    for (const length of [16, 20, 28])
      for (const forward of [0.2, 0.5, 1]) {
        const rig = bodyAlone(long(length), forward);
        const { attitude, attitudes, speed } = fall(rig, water);
        const [k1, , k3] = ellipsoidAddedMass([length / 2, 5, 5]);
        const volume = (Math.PI / 6) * length * 100;
        const mass = (11.34 * volume) / 1000;
        const force = ((mass - (rho * volume) / 1e6) / 1000) * 9.80665;
        const sine = (share: number) =>
          (force * forward) / (share * rho * volume * speed ** 2 * (k3 - k1) * 1e-6);
        if (sine(MUNK_SHARE.likely) > 0.97) expect(attitude).toBeGreaterThan(74);
        else
          expect(attitude, `${length} mm, ${forward} mm ahead`).toBeCloseTo(
            degrees(Math.asin(sine(MUNK_SHARE.likely))),
            -0.3,
          );
        expect(attitudes[0]).toBeLessThan(attitude);
        expect(attitudes[1]).toBeGreaterThanOrEqual(attitude);
      }
  });

  it('of every family stands within its span whatever share of the moment is left, from half to all', () => {
    const rho = waterDensity(water);
    for (const { key } of DRAWN_FAMILIES) {
      const rig = assemble(sampleDesign(key));
      if (rig.joint) continue;
      const { attitudes, speed, speeds } = fall(rig, water);
      const body = wetHead(rig);
      const { parts } = rig;
      const weights = parts.map(({ mass, volume }) => mass - (rho * volume) / 1e6);
      const weight = weights.reduce((sum, part) => sum + part, 0);
      const centre = [0, 1, 2].map(
        (axis) =>
          parts.reduce(
            (sum, { centroid }, i) => sum + (centroid[axis] as number) * (weights[i] as number),
            0,
          ) / weight,
      ) as [number, number, number];
      const force = (weight / 1000) * 9.80665;
      for (const share of [0.5, 0.75, 1]) {
        const moment = (pitch: number) => {
          let v = speed;
          for (let i = 0; i < 40; i++)
            v *= Math.sqrt(force / dragAt(body, centre, radians(pitch), v, rho, waterViscosity(water)).force);
          return dragAt(body, centre, radians(pitch), v, rho, waterViscosity(water), undefined, share).moment;
        };
        // A zero of the moment lies inside the span, and it turns back to it from both ends.
        expect(moment(attitudes[0]), `${key} ${share}`).toBeGreaterThan(0);
        expect(moment(attitudes[1]), `${key} ${share}`).toBeLessThan(0);
      }
      expect(speeds[0]).toBeLessThan(speed);
      expect(speeds[1]).toBeGreaterThan(speed);
    }
  });

  it('begins with its own mass and the water that goes with it in its attitude', () => {
    const rig = bodyAlone(long(20), 3, 1.6);
    const found = fall(rig, water);
    const rho = waterDensity(water);
    const psi = radians(found.attitude);
    const along = waterAlong(wetHead(rig), psi) / ((Math.PI / 6) * 20 * 100);
    const [k1, , k3] = ellipsoidAddedMass([10, 5, 5]);
    expect(along).toBeCloseTo(k1 * Math.sin(psi) ** 2 + k3 * Math.cos(psi) ** 2, 2);
    const x = 1e-7;
    const a = (9.80665 * (1600 - rho)) / (1600 + rho * along);
    expect((2 * x) / found.timeTo(x) ** 2 / a).toBeCloseTo(1, 3);
  });
});
