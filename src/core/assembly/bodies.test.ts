import type { ManifoldToplevel } from 'manifold-3d';
import Module from 'manifold-3d';
import { beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Design } from '../document/design.ts';
import { guardInitial } from '../fitting/guards/index.ts';
import { keeperInitial } from '../fitting/keepers/index.ts';
import { DRAWN_FAMILIES } from '../head/families/index.ts';
import { massProperties, openEdges } from '../head/mesh.ts';
import { surfaceMesh, tube } from '../head/solid.ts';
import type { Ring } from '../hook/ring.ts';
import { evaluate } from '../judge/evaluate.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { dot, norm, sub } from '../numeric/vec.ts';
import { marked } from '../quantity/phrase.ts';
import { usualPlastic } from '../plastic/usual.ts';
import type { SampleChange } from '../test-kit/sample.test-kit.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import { withBait } from './assemble.ts';
import { rigidBodies } from './bodies.ts';
import { castSolid, SolidFlaw } from './cast-solid.ts';
import { readStl, writeStl } from '../exchange/stl.ts';
import { checkDesign } from './check.ts';
import type { Part, Rig } from './rig.ts';
import { metalPart } from './rig.ts';
import { solveTarget, weightOf } from './solve.ts';
import { submerged } from './submerged.ts';
import { share } from '../test-kit/runs.ts';

/*
 * What a rig is made of, held against a solid library's own bodies (manifold-3d) and against sums over wire
 * done here anew: Pappus for rings, Archimedes for what is under water.
 */

let kernel: ManifoldToplevel;
beforeAll(async () => {
  kernel = await Module();
  kernel.setup();
});

const rigOf = (design: Design): Rig => {
  const result = evaluate(design, AT_ONCE);
  if (!result.ok) throw new Error(result.problems.map(({ message }) => message).join('\n'));
  return result.rig;
};
const built = (family: string, change: SampleChange = {}) => rigOf(sampleDesign(family, change));
const part = ({ parts }: Rig, name: Part['name']): Part => {
  const found = parts.find((one) => one.name === name);
  if (!found) throw new Error(`there is no ${name}`);
  return found;
};
const NOTHING = { keeper: { kind: 'none' }, guard: { kind: 'none' } } as const;

describe('the metal against the library’s own cut', () => {
  const cases: [string, Design][] = [
    ...DRAWN_FAMILIES.map(({ key }): [string, Design] => [
      key,
      sampleDesign(key, {
        keeper: keeperInitial('wire'),
        guard: guardInitial('fibre'),
        hook: { size: '6/0' },
      }),
    ]),
    ['ball with a collar', sampleDesign('ball', { hook: { size: '5/0' } })],
    [
      'ball with its eye in a pocket',
      sampleDesign('ball', {
        ...NOTHING,
        head: { dimensions: { breadth: 14 } },
        eye: { recess: 2, angle: 60 },
      }),
    ],
    [
      'a hidden weight whose eye’s pocket comes out of its side',
      sampleDesign('hidden', {
        ...NOTHING,
        head: { dimensions: { length: 16.59, breadth: 6.08, height: 5.62, ends: 0.38, belly: 0.456 } },
        hook: { size: '3/0', style: 'short shank' },
        eye: { angle: 69.4, setback: 0.62, recess: 1.34 },
      }),
    ],
    [
      'a head whose wire leaves along its tapering nose, half of it out',
      sampleDesign('own', {
        ...NOTHING,
        head: {
          dimensions: {
            length: 16.2,
            breadth: 7,
            height: 13.4,
            top: 1.6,
            bottom: 3,
            straight: 0,
            belly: 0.45,
          },
          stations: [
            { at: 0, breadth: 0.4, rise: 0.4, drop: 0.4 },
            { at: 0.2, breadth: 0.94, rise: 0.28, drop: 0.73 },
            { at: 0.87, breadth: 0.45, rise: 0.99, drop: 0.065 },
            { at: 1, breadth: 0, rise: 0, drop: 0 },
          ],
        },
        hook: { size: '8/0', style: 'long shank' },
        eye: { angle: 0, setback: -1 },
      }),
    ],
    ['football with a Y', sampleDesign('football', { keeper: { kind: 'none' }, guard: guardInitial('y') })],
    ['a hinged one', sampleDesign('football', { ...NOTHING, hook: { joint: { kind: 'clip', size: 4 } } })],
  ];
  it.each(share(cases, 4))(
    '%s: volume to 0.1%%, centre to a hundredth of a millimetre, roll to a half per cent',
    (_, design) => {
      const rig = rigOf(design);
      const metal = metalPart(rig);
      const solid = massProperties(castSolid(kernel, rig));
      expect(Math.abs(metal.volume / solid.volume - 1)).toBeLessThan(1e-3);
      for (const axis of [0, 1, 2] as const)
        expect(Math.abs(metal.centroid[axis] - solid.centroid[axis])).toBeLessThan(0.012);
      // ∫ (y² + z²) dV about the centre is the tensor's first member.
      expect(Math.abs(rig.roll / solid.inertia[0] - 1)).toBeLessThan(5e-3);
      expect(metal.mass).toBeCloseTo((rig.density * metal.volume) / 1000, 12);
      // What was cut away is told apart: what is left, and both holes, make the whole body again.
      expect(metal.volume + rig.wireInside + rig.otherInside).toBeCloseTo(rig.body.volume, 6);
    },
  );
});

describe('a solid whose cuts touch', () => {
  it('leaves as one in which every edge joins two facets, as it lies in memory and as it comes back from a file', () => {
    // A loop’s hole that meets the hook’s bore in one edge: found among random heads.
    const design = sampleDesign('pointed', {
      head: {
        metal: 'zinc',
        dimensions: {
          length: 18.9646464,
          breadth: 12.7169874,
          height: 11.510903299999999,
          shoulder: 0.33705485999999996,
          bluntness: 0.22495851,
          belly: 0.4794162665322128,
        },
      },
      hook: { size: '4/0', grade: '3X strong', style: 'long shank' },
      eye: { angle: 7.80282, plane: 'crosswise', setback: 0.10000000000000017 },
      keeper: { kind: 'spring', length: 7, diameter: 3.4, wire: 0.45, turns: 7 } as never,
      guard: { kind: 'wire loop', wire: 0.4, length: 24, width: 4, lean: 38, setback: 0.6 } as never,
    });
    const rig = rigOf(design);
    const mesh = castSolid(kernel, rig);
    expect(openEdges(mesh)).toBe(0);
    const back = readStl(writeStl(mesh, 'Touching'));
    expect(openEdges(back)).toBe(0);
    expect(massProperties(back).volume / metalPart(rig).volume).toBeCloseTo(1, 3);
  });

  it('says so in words where nothing is left', () => {
    const rig = built('ball', NOTHING);
    const bloated: Rig = { ...rig, hook: { ...rig.hook, wire: 90 } };
    expect(() => castSolid(kernel, bloated)).toThrow(SolidFlaw);
    expect(() => castSolid(kernel, bloated)).toThrow(/Make the head larger/);
  });
});

describe('what is made of wire', () => {
  /**
   * Mass and first moment of a round wire along a path, of a radius by the distance left to its end, by small
   * cylinders.
   */
  function bar(path: readonly Vec3[], radius: (left: number) => number) {
    const pieces = path
      .slice(1)
      .map((b, i) => ({ a: path[i] as Vec3, b, long: norm(sub(b, path[i] as Vec3)) }));
    let left = pieces.reduce((sum, { long }) => sum + long, 0);
    let volume = 0;
    const moment = [0, 0, 0];
    for (const { a, b, long } of pieces) {
      const n = 40;
      for (let k = 0; k < n; k++) {
        const share = (k + 0.5) / n;
        const r = radius(left - long * share);
        const piece = (Math.PI * r * r * long) / n;
        volume += piece;
        for (const axis of [0, 1, 2] as const)
          moment[axis] = (moment[axis] ?? 0) + piece * (a[axis] + (b[axis] - a[axis]) * share);
      }
      left -= long;
    }
    return { volume, moment };
  }
  /** A torus by Pappus’s theorem: the section’s area times the way of its centre. */
  const ring = ({ centre, radius, wireRadius, turns }: Ring) => {
    const volume = turns * Math.PI * wireRadius ** 2 * 2 * Math.PI * radius;
    return { volume, moment: centre.map((value) => value * volume) };
  };
  const joined = (pieces: readonly { volume: number; moment: readonly number[] }[]) => {
    const volume = pieces.reduce((sum, piece) => sum + piece.volume, 0);
    return {
      volume,
      centre: [0, 1, 2].map((i) => pieces.reduce((sum, { moment }) => sum + (moment[i] ?? 0), 0) / volume),
    };
  };
  const like = (one: Part, { volume, centre }: ReturnType<typeof joined>, near: number) => {
    expect(Math.abs(one.volume / volume - 1)).toBeLessThan(2e-3);
    // Carbon steel, 7.85 g/cm³ (usual handbook value).
    expect(one.mass).toBeCloseTo((7.85 * one.volume) / 1000, 9);
    for (const axis of [0, 1, 2] as const)
      expect(Math.abs(one.centroid[axis] - (centre[axis] ?? NaN))).toBeLessThan(near);
  };

  it.each(['ball', 'pointed', 'stand-up', 'swimmer'])(
    '%s: the hook is wire with an eye, ground to a point',
    (family) => {
      const rig = built(family, NOTHING);
      const { centre, wire, eye } = rig.hook;
      const shaft = bar(centre, (left) => (wire / 2) * Math.min(1, left / (3 * wire)));
      like(part(rig, 'hook'), joined([shaft, ring({ ...eye, turns: 1 })]), 0.02);
    },
  );

  it.each(['wide gap', 'straight worm', 'short shank', 'long shank'] as const)('a %s hook too', (style) => {
    const rig = built('ball', { ...NOTHING, hook: { size: '4/0', style } });
    const { centre, wire, eye } = rig.hook;
    const shaft = bar(centre, (left) => (wire / 2) * Math.min(1, left / (3 * wire)));
    like(part(rig, 'hook'), joined([shaft, ring({ ...eye, turns: 1 })]), 0.03);
  });

  it.each(['open loop', 'split ring', 'clip'] as const)(
    'a joint by %s: wire through the head, eye, loop and link',
    (kind) => {
      const rig = built('football', { ...NOTHING, hook: { joint: { kind, size: 4 } } });
      const { hook } = rig;
      if (!hook.hinge) throw new Error('it is not hinged');
      const { loop, link, hookEye } = hook.hinge;
      const through = bar(hook.legAndShank, () => hook.wire / 2);
      const rings = [ring({ ...hook.eye, turns: 1 }), ring(loop), ...(link ? [ring(link)] : [])];
      like(part(rig, 'joint'), joined([through, ...rings]), 0.01);
      expect(link?.turns).toBe(kind === 'open loop' ? undefined : kind === 'split ring' ? 2 : 1);
      const shaft = bar(hook.centre, (left) => (hook.wire / 2) * Math.min(1, left / (3 * hook.wire)));
      like(part(rig, 'hook'), joined([shaft, ring(hookEye)]), 0.02);
      expect(rig.joint).toEqual({ kind, at: hook.hinge.at });
      // It swings about the loop’s rear, and each ring hangs in the one before it.
      expect(hook.hinge.at[0]).toBeCloseTo(loop.centre[0] - loop.radius, 9);
      const inner = (one: Ring) => one.radius - one.wireRadius;
      const before = link ?? loop;
      expect(hookEye.centre[0]).toBeLessThan(before.centre[0]);
      expect(Math.abs(hookEye.centre[0] - before.centre[0])).toBeLessThan(
        inner(before) + inner(hookEye) + 1e-9,
      );
    },
  );

  it('a wire keeper is all its wire', () => {
    const rig = built('pointed', { keeper: keeperInitial('wire'), guard: { kind: 'none' } });
    const wires = rig.keeper?.wires.map(({ path, diameter }) => bar(path, () => diameter / 2)) ?? [];
    like(part(rig, 'keeper'), joined(wires), 0.01);
  });
});

describe('paint', () => {
  it('on a ball is π·d² thick as told (closed form), about the ball’s own centre', () => {
    const design = sampleDesign('ball', {
      ...NOTHING,
      head: { dimensions: { breadth: 14 }, paint: { thickness: 0.2, density: 1.5 } },
    });
    const paint = part(rigOf(design), 'paint');
    expect(paint.volume).toBeCloseTo(Math.PI * 14 ** 2 * 0.2, 0);
    expect(paint.mass).toBeCloseTo((1.5 * paint.volume) / 1000, 9);
    expect(paint.centroid[0]).toBeCloseTo(7, 3);
    expect(paint.centroid[2]).toBeCloseTo(0, 3);
  });
});

describe('under water', () => {
  const two = (first: Partial<Part>, second: Partial<Part>): Pick<Rig, 'parts'> => ({
    parts: [first, second].map((one) => ({
      name: 'metal',
      material: '',
      mass: 0,
      volume: 0,
      centroid: [0, 0, 0],
      ...one,
    })),
  });

  it('a body weighs less by the water it pushes aside (Archimedes)', () => {
    // 10 cm³ of lead in fresh water at 4 °C: 113.4 − 10 gf.
    const { weight, centre } = submerged(
      two({ mass: 113.4, volume: 10_000, centroid: [3, 1, -2] }, {}),
      1000,
    );
    expect(weight).toBeCloseTo(103.4, 9);
    expect(centre.map((value) => Math.round(value * 1e9) / 1e9)).toEqual([3, 1, -2]);
  });

  it('lead before and a float behind balance where their moments do', () => {
    // 5 gf down at +10 mm, 2 gf up at −20 mm: 3 gf at (50 + 40)/3 mm.
    const rig = two(
      { mass: 6, volume: 1000, centroid: [10, 0, 1] },
      { mass: 1, volume: 3000, centroid: [-20, 2, 4] },
    );
    const { weight, centre } = submerged(rig, 1000);
    expect(weight).toBeCloseTo(3, 9);
    expect(centre[0]).toBeCloseTo(30, 9);
    expect(centre[1]).toBeCloseTo(-4 / 3, 9);
    expect(centre[2]).toBeCloseTo((5 * 1 - 2 * 4) / 3, 9);
  });

  it('salt water carries more, by its own weight', () => {
    const rig = two({ mass: 10, volume: 1000 }, {});
    expect(submerged(rig, 1025).weight).toBeCloseTo(10 - 1.025, 9);
  });
});

describe('a weight that is asked for', () => {
  const targeted = (of: 'metal' | 'total' | 'submerged', grams: number) =>
    solveTarget(sampleDesign('football', { ...NOTHING, head: { target: { grams, of } } }));

  it.each([
    ['metal', 10],
    ['total', 14],
    ['submerged', 12],
  ] as const)('%s: what a scale would show, summed over the parts anew', (of, grams) => {
    const solved = targeted(of, grams);
    if (!solved.ok) throw new Error(solved.problem.message);
    const { parts } = solved.rig;
    const metal = parts.filter(({ name }) => name === 'metal').reduce((sum, { mass }) => sum + mass, 0);
    const whole = parts.reduce((sum, { mass }) => sum + mass, 0);
    // Fresh water at 15 °C: 999.10 kg/m³ (IAPWS-95 tables, from memory).
    const wet = parts.reduce((sum, { mass, volume }) => sum + mass - 0.9991e-3 * volume, 0);
    expect({ metal, total: whole, submerged: wet }[of]).toBeCloseTo(grams, 4);
    expect(weightOf(solved.rig, of)).toBeCloseTo(grams, 5);
    // The factor it was met by is the one on every free size.
    const before = sampleDesign('football').head.dimensions;
    const after = solved.design.head.dimensions;
    expect((after['length'] ?? NaN) / (before['length'] ?? NaN)).toBeCloseTo(solved.rig.scale, 9);
    expect((after['breadth'] ?? NaN) / (before['breadth'] ?? NaN)).toBeCloseTo(solved.rig.scale, 9);
  });

  it('at the end of what a family allows it says how far it comes, and comes no further', () => {
    const { ok, ...rest } = solveTarget(
      sampleDesign('ball', { ...NOTHING, head: { metal: 'lead', target: { grams: 900, of: 'metal' } } }),
    );
    expect(ok).toBe(false);
    const message = 'problem' in rest ? rest.problem.message : '';
    // A ball of 40 mm, the family’s largest, less some wire: 11.34 · π/6 · 4³ = 380 g.
    const told = /at breadth \S* ?40.*? it is [^0-9]*([\d.]+)/.exec(message.replace(/[^\x20-\x7e·]/g, ' '));
    expect(Number(told?.[1])).toBeGreaterThan(375);
    expect(Number(told?.[1])).toBeLessThan(380.1);
  });

  it('a collar that was asked for is there, or its absence is said, at every weight', () => {
    // A collar as thick as the head is small: below some size it finds no room.
    const answers = Array.from({ length: 24 }, (_, i) =>
      evaluate(
        sampleDesign('ball', {
          head: { target: { grams: 0.5 + i * 0.1, of: 'metal' } },
          keeper: { ...keeperInitial('collar'), diameter: 5 } as never,
          guard: { kind: 'none' },
          hook: { size: '#4' },
        }),
        AT_ONCE,
      ),
    );
    let [with_, without] = [0, 0];
    answers.forEach((answer, i) => {
      if (!answer.ok) {
        const paths = answer.problems.map(({ path }) => path);
        expect(paths.every((path) => path === '/head/target/grams' || path.startsWith('/keeper'))).toBe(true);
        without++;
        return;
      }
      expect(metalPart(answer.rig).mass).toBeCloseTo(0.5 + i * 0.1, 4);
      expect(answer.rig.collar).toBeDefined();
      with_++;
    });
    expect(with_).toBeGreaterThan(0);
    expect(without).toBeGreaterThan(0);
  });
});

describe('rigid bodies', () => {
  /** How far a cloud of corners reaches in a direction. */
  const reach = (points: Float64Array, way: Vec3) => {
    let most = -Infinity;
    for (let i = 0; i < points.length; i += 3)
      most = Math.max(
        most,
        dot([points[i] as number, points[i + 1] as number, points[i + 2] as number], way),
      );
    return most;
  };
  const ways = Array.from({ length: 60 }, (_, i): Vec3 => {
    // Even over the sphere: a golden spiral.
    const z = 1 - (2 * i + 1) / 60;
    const turn = i * Math.PI * (3 - Math.sqrt(5));
    return [Math.sqrt(1 - z * z) * Math.cos(turn), Math.sqrt(1 - z * z) * Math.sin(turn), z];
  });
  const meshReach = (mesh: { positions: Float64Array }, way: Vec3) => reach(mesh.positions, way);
  /** How far a ring of wire reaches: its centre, its own radius as its plane is turned, and its wire. */
  const ringReach = (rig: Rig, way: Vec3) => {
    const { centre, radius, wireRadius, plane, along } = rig.hook.eye;
    const across: Vec3 = plane === 'in line' ? [-along[2], 0, along[0]] : [0, 1, 0];
    return dot(centre, way) + radius * Math.hypot(dot(along, way), dot(across, way)) + wireRadius;
  };

  it.each([
    ['ball', 'in line'],
    ['football', 'crosswise'],
    ['stand-up', 'in line'],
    ['pointed', 'crosswise'],
  ] as const)(
    'what can touch of a %s with its eye %s is its metal, its wire and its ring',
    (family, plane) => {
      const rig = built(family, { ...NOTHING, eye: { plane } });
      const [head] = rig.bodies;
      const hull = head.hull();
      const fine = { rings: 90, corners: 72 };
      const metal = surfaceMesh(rig.head, fine, fine);
      const shaft = tube(rig.hook.centre, rig.hook.wire / 2, 24);
      for (const way of ways) {
        const whole = Math.max(meshReach(metal, way), meshReach(shaft, way), ringReach(rig, way));
        // Coarse by purpose: within 2% of the head's size, and never less than a fifth of a wire short.
        expect(Math.abs(reach(hull, way) - whole)).toBeLessThan(
          0.02 * rig.profile.length + 0.2 * rig.hook.wire,
        );
      }
      expect(rig.bodies).toHaveLength(1);
      expect(head.parts).toBe(rig.parts);
    },
  );

  it('a hinged head is two: what swings is the hook, and each part is in one of them', () => {
    const rig = built('football', { ...NOTHING, hook: { joint: { kind: 'split ring', size: 4 } } });
    const [head, hook] = rig.bodies;
    if (!hook) throw new Error('it is one body');
    expect([...head.parts, ...hook.parts].map(({ name }) => name).sort()).toEqual(
      rig.parts.map(({ name }) => name).sort(),
    );
    expect(hook.parts.map(({ name }) => name)).toEqual(['hook']);
    expect([head.name, hook.name]).toEqual(['head', 'hook']);
    expect(hook.faces).toBeUndefined();
    const shaft = tube(rig.hook.centre, rig.hook.wire / 2, 24);
    const own = rig.hook.hinge?.hookEye;
    for (const way of ways) {
      const loop = own
        ? dot(own.centre, way) + own.radius * Math.hypot(way[0], way[2]) + own.wireRadius
        : -Infinity;
      const whole = Math.max(meshReach(shaft, way), loop);
      expect(Math.abs(reach(hook.hull(), way) - whole)).toBeLessThan(0.3 * rig.hook.wire + 0.05);
    }
    // The head’s own wire runs on to the loop behind it.
    expect(reach(head.hull(), [-1, 0, 0])).toBeGreaterThan(-(rig.hook.hinge?.loop.centre[0] ?? 0) - 4);
  });

  it('what drag sees of the hook is the wire outside the metal, as long and as thick as it is', () => {
    const rig = built('ball', { ...NOTHING, head: { dimensions: { breadth: 12 } } });
    const sticks = rig.bodies[0].sticks();
    const { hook } = rig;
    const wires = sticks.filter(({ diameter }) => diameter === hook.wire);
    // Along the path in small steps, what lies outside a ball of 12 mm about (6, 0, 0).
    let outside = 0;
    hook.centre.slice(1).forEach((b, i) => {
      const a = hook.centre[i] as Vec3;
      for (let k = 0; k < 50; k++) {
        const at = a.map((value, axis) => value + ((b[axis] as number) - value) * ((k + 0.5) / 50)) as [
          number,
          number,
          number,
        ];
        if (Math.hypot(at[0] - 6, at[1], at[2]) > 6) outside += norm(sub(b, a)) / 50;
      }
    });
    const long = wires.reduce((sum, { length }) => sum + length, 0);
    expect(Math.abs(long - outside)).toBeLessThan(1);
    for (const { along } of sticks) expect(norm(along)).toBeCloseTo(1, 9);
    // The ring: two bars of its width, along the leg.
    const eye = sticks.find(({ diameter }) => Math.abs(diameter - 4 * hook.eye.wireRadius) < 1e-9);
    expect(eye).toMatchObject({ middle: hook.eye.centre, length: 2 * hook.eye.radius });
  });

  it('a wire over the head, in front of its rear face, stands in the water; one within its height does not', () => {
    const guard = { kind: 'twin wire', wire: 0.4, length: 18, lean: 85, setback: 0.4, spread: 8 } as const;
    const rig = built('football', { ...NOTHING, guard });
    const wires = rig.bodies[0].sticks().filter(({ diameter }) => diameter === 0.4);
    expect(wires).toHaveLength(2);
    for (const { middle, length } of wires) {
      expect(middle[0]).toBeGreaterThan(0);
      expect(middle[2]).toBeGreaterThan(rig.profile.section(middle[0]).t);
      expect(length).toBeCloseTo(18, 6);
    }
    // Shorter than the head is high over its middle line, its own middle is in the metal.
    const low = {
      ...rig.guard,
      sticks: [
        {
          path: [
            [8, 0, -2],
            [8, 0, 2],
          ] as Vec3[],
          diameter: 0.4,
        },
      ],
    };
    const deep = {
      ...rig.guard,
      sticks: [
        {
          path: [
            [8, 0, -20],
            [8, 0, -12],
          ] as Vec3[],
          diameter: 0.4,
        },
      ],
    };
    const seen = (other: object) =>
      rigidBodies({ ...rig, guard: other } as never, rig.parts)[0]
        .sticks()
        .filter(({ diameter }) => diameter === 0.4).length;
    expect(seen(low)).toBe(0);
    expect(seen(deep)).toBe(1);
  });

  it('a wire touches as round as it is thick, and its point as a point', () => {
    const cornersOf = (points: Float64Array): Vec3[] =>
      Array.from({ length: points.length / 3 }, (_, i) => [...points.slice(3 * i, 3 * i + 3)] as never);
    const rig = built('ball', NOTHING);
    const half = rig.hook.wire / 2;
    const behind = cornersOf(rig.bodies[0].besides()).filter(([x]) => x < -2);
    const aside = behind.map(([, y]) => y);
    expect(Math.max(...aside)).toBeGreaterThan(0.8 * half);
    expect(Math.max(...aside)).toBeLessThan(half + 1e-9);
    expect(Math.min(...aside)).toBeLessThan(-0.8 * half);
    // Of the shank alone, up and down likewise.
    const shank = behind.map(([, , z]) => z).filter((z) => Math.abs(z) < 1.01 * half);
    expect(shank.length).toBeGreaterThan(0);
    for (const end of [Math.max(...shank), -Math.min(...shank)]) {
      expect(end).toBeGreaterThan(0.8 * half);
      expect(end).toBeLessThan(half + 1e-9);
    }
    const tip = rig.places.point;
    const near = behind.filter((at) => norm(sub(at, tip)) < 1.2 * half);
    expect(near).toEqual([tip]);
    // The wire of a hinged head’s own leg is as thick.
    const hinged = built('football', { ...NOTHING, hook: { joint: { kind: 'split ring', size: 4 } } });
    const leg = cornersOf(hinged.bodies[0].besides()).map(([, y]) => y);
    expect(Math.max(...leg)).toBeGreaterThan(0.4 * hinged.hook.wire);
    expect(Math.max(...leg)).toBeLessThan(0.5 * hinged.hook.wire + 1e-9);
  });

  it('a wire in a collar is not in the flow, one beside or behind it is', () => {
    const hook = { size: '3/0', style: 'short shank' } as const;
    const keeper = { kind: 'collar', length: 9, diameter: 3, barb: 0.5, barbs: 2 } as never;
    const bare = built('ball', { ...NOTHING, hook });
    const cast = built('ball', { guard: { kind: 'none' }, keeper, hook });
    const { collar, hook: path } = cast;
    if (!collar) throw new Error('there is no collar');
    const wires = (rig: Rig) => rig.bodies[0].sticks().filter(({ diameter }) => diameter === path.wire);
    const within = ({ middle: [x, , z] }: { readonly middle: Vec3 }) =>
      x <= 0 && x > collar.from && Math.abs(z) < collar.radius(x);
    expect(wires(bare).some(within)).toBe(true);
    expect(wires(cast).some(within)).toBe(false);
    expect(wires(cast)).toEqual(wires(bare).filter((stick) => !within(stick)));
    // The point’s arm lies over the collar, and shows.
    const over = wires(cast).filter(({ middle: [x] }) => x < 0 && x > collar.from);
    expect(over.length).toBeGreaterThan(0);
    for (const { middle } of over) expect(middle[2]).toBeGreaterThan(collar.radius(middle[0]));
    expect(wires(cast).some(({ middle: [x, , z] }) => x < collar.from && Math.abs(z) < 0.1)).toBe(true);
  });

  it('a collar, a keeper and a guard stand out of the head as sticks of their own', () => {
    const rig = built('football', { guard: guardInitial('fibre'), keeper: keeperInitial('collar') });
    const sticks = rig.bodies[0].sticks();
    const { collar, guard } = rig;
    if (!collar || !guard) throw new Error('a part is missing');
    const cast = sticks.find(({ middle, along }) => middle[0] === collar.from / 2 && along[0] === 1);
    expect(cast?.length).toBeCloseTo(-collar.from, 9);
    expect(cast?.diameter).toBeCloseTo(2 * collar.radius(-1e-6), 9);
    const brush = sticks.filter(({ diameter }) => guard.sticks.some((one) => one.diameter === diameter));
    const free = brush.reduce((sum, { length }) => sum + length, 0);
    expect(free).toBeGreaterThan(0.7 * guard.free);
  });
});

describe('a bait on it', () => {
  const plastic = usualPlastic('paddle-tail', 3.5);
  let head: Rig;
  let rig: Rig;
  let laid: NonNullable<Rig['bait']>['laid'] | undefined;
  beforeEach(() => {
    head = built('ball', NOTHING);
    rig = withBait(head, { plastic, method: 'threaded' });
    laid = rig.bait?.laid;
  });

  it('is a part of its own, of its own weight, and the head stays what it was', () => {
    const one = part(rig, 'plastic');
    expect(one.volume).toBe(laid?.volume);
    expect(one.mass).toBeCloseTo(((laid?.density ?? NaN) * one.volume) / 1000, 12);
    expect(rig.parts.filter(({ name }) => name !== 'plastic')).toEqual(head.parts);
    expect(head.parts.some(({ name }) => name === 'plastic')).toBe(false);
  });

  it('touches with its body as far as its moving tail, and with no more', () => {
    const hull = rig.bodies[0].hull();
    let back = Infinity;
    for (let i = 0; i < hull.length; i += 3) back = Math.min(back, hull[i] as number);
    const seat = laid?.seatAt ?? NaN;
    const soft = laid && laid.tailAt > 0 ? laid.tailAt : (laid?.length ?? NaN);
    const hook = Math.min(...rig.hook.centre.map(([x]) => x));
    // No further back than where the tail begins to move, or the bend.
    expect(back).toBeGreaterThanOrEqual(Math.min(seat - soft, hook - rig.hook.wire) - 1e-9);
    const widest = Math.max(...(laid?.body ?? []).map(({ halfBreadth }) => halfBreadth));
    let aside = 0;
    for (let i = 1; i < hull.length; i += 3) aside = Math.max(aside, Math.abs(hull[i] as number));
    expect(aside).toBeGreaterThanOrEqual(Math.max(head.profile.section(4.5).b, widest) - 0.1);
  });

  it('is to drag as broad as its sections on the mean, all along it', () => {
    const sticks = rig.bodies[0].sticks().slice(head.bodies[0].sticks().length);
    const shown = sticks.reduce((sum, { length, diameter }) => sum + length * diameter, 0);
    const body = (laid?.body ?? []).slice(1).reduce((sum, to, i) => {
      const from = laid?.body[i];
      if (!from) return sum;
      const long = Math.hypot(to.at[0] - from.at[0], to.at[1] - from.at[1]);
      const broad = (one: typeof to) => one.halfBreadth + one.halfHeight;
      return sum + (long * (broad(from) + broad(to))) / 2;
    }, 0);
    const limbs = (laid?.limbs ?? []).reduce((sum, { root, end, of, broad, thickness }) => {
      return sum + norm(sub(end, root)) * (of === 'face' ? 0.6 * broad : (broad + thickness) / 2);
    }, 0);
    expect(shown).toBeCloseTo(body + limbs, 6);
    // The sticks of the body follow each other from nose to tail, each from where the one before it ends.
    const ends = ({ middle, along, length }: (typeof sticks)[number]) =>
      ([-0.5, 0.5] as const).map((way) =>
        middle.map((value, axis) => value + way * length * (along[axis] as number)),
      );
    const chain = sticks.slice(0, sticks.length - (laid?.limbs.length ?? 0));
    chain.slice(1).forEach((stick, i) => {
      const [, before] = ends(chain[i] as (typeof sticks)[number]);
      const [after] = ends(stick);
      for (const axis of [0, 1, 2] as const) expect(after?.[axis]).toBeCloseTo(before?.[axis] ?? NaN, 6);
    });
    expect(ends(chain[0] as (typeof sticks)[number])[0]?.[0]).toBeCloseTo(laid?.seatAt ?? NaN, 1);
    // Limbs from root to end.
    const creature = withBait(head, { plastic: usualPlastic('creature', 4), method: 'threaded' });
    const own = creature.bait?.laid.limbs ?? [];
    const shownLimbs = creature.bodies[0].sticks().slice(-own.length);
    own.forEach(({ root, end }, i) => {
      const [from, to] = ends(shownLimbs[i] as (typeof sticks)[number]);
      for (const axis of [0, 1, 2] as const) {
        expect(from?.[axis]).toBeCloseTo(root[axis], 6);
        expect(to?.[axis]).toBeCloseTo(end[axis], 6);
      }
    });
    expect(own.length).toBeGreaterThan(1);
  });

  it('barbs on a free hook’s shank stand in the flow with the hook, and a wire keeper with the head', () => {
    const joint = { hook: { size: '4/0', joint: { kind: 'clip', size: 4 } } } as const;
    const barbed = built('football', {
      ...joint,
      guard: { kind: 'none' },
      keeper: keeperInitial('barbs') as never,
    });
    const plain = built('football', { ...joint, ...NOTHING });
    const count = (one: Rig, body: 0 | 1) => one.bodies[body]?.sticks().length ?? NaN;
    expect(count(barbed, 1) - count(plain, 1)).toBe(2);
    expect(count(barbed, 0)).toBe(count(plain, 0));
    // What is on the shank swings with it, and so does a bait.
    const baited = withBait(barbed, { plastic, method: 'threaded' });
    expect(baited.bodies[1]?.parts.map(({ name }) => name).sort()).toEqual(['hook', 'keeper', 'plastic']);
    expect(baited.bodies[0].parts.map(({ name }) => name)).not.toContain('keeper');
    const wired = built('football', { guard: { kind: 'none' }, keeper: keeperInitial('wire') as never });
    const wire = wired.keeper?.wires[0]?.diameter;
    const own = wired.bodies[0].sticks().filter(({ diameter }) => diameter === wire);
    expect(own.length).toBeGreaterThan(0);
    // None of it where metal hides it.
    for (const { middle } of own) expect(wired.head.holds(middle[0], middle[1], middle[2])).toBe(false);
  });
});

describe('what does not fit is told at its field, and what just fits is not', () => {
  const problems = (family: string, change: SampleChange) => checkDesign(sampleDesign(family, change));
  const told = (family: string, change: SampleChange, path: string) =>
    problems(family, change).find((one) => one.path === path)?.message;

  it('a size outside its family’s range is told with the range, lengths and shares as the reader writes them, angles as they are', () => {
    const sizes = (dimensions: Record<string, number>) => ({ ...NOTHING, head: { dimensions } });
    expect(told('ball', sizes({ breadth: 900 }), '/head/dimensions/breadth')).toContain(marked(900, 'size'));
    expect(told('stubby', sizes({ belly: 3 }), '/head/dimensions/belly')).toContain(marked(3, 'share'));
    expect(told('stubby', sizes({ ends: 77.77777 }), '/head/dimensions/ends')).toMatch(
      /: 77\.78 is outside \d/,
    );
  });

  it('a target cannot be met from sizes outside their range', () => {
    const design = sampleDesign('ball', {
      ...NOTHING,
      head: { dimensions: { breadth: 900 }, target: { grams: 10, of: 'metal' } },
    });
    const solved = solveTarget(design);
    expect(solved.ok ? '' : solved.problem.message).toMatch(/outside the family/);
  });

  it('a wire needs 0.3 mm of metal on either side (common practice)', () => {
    const wire = (breadth: number) => ({
      ...NOTHING,
      head: { dimensions: { breadth } },
      hook: { size: '1/0', measured: { gap: 8, shank: 30, wire: 2 } },
    });
    expect(told('ball', wire(2.59), '/hook/size')).toMatch(/does not fit a head/);
    expect(told('ball', wire(2.61), '/hook/size')).toBeUndefined();
  });

  it('a shank must come out of the head by a millimetre', () => {
    const long = (shank: number) => ({
      ...NOTHING,
      head: { dimensions: { breadth: 12 } },
      eye: { setback: 0 },
      hook: { size: '1/0', measured: { gap: 12, shank, wire: 1 } },
    });
    expect(told('ball', long(12.9), '/hook/size')).toMatch(/ends inside the head/);
    expect(told('ball', long(13.1), '/hook/size')).toBeUndefined();
  });

  it('an eye’s pocket leaves the head whole', () => {
    const pocket = (breadth: number) => ({
      ...NOTHING,
      head: { dimensions: { breadth } },
      eye: { recess: 1, size: 3 },
      hook: { size: '1/0', measured: { gap: 12, shank: 40, wire: 1 } },
    });
    // Outside diameter of the eye 3 + 2 wires = 5 mm: 2.5 over 85% of half the breadth is the limit, 5.88 mm.
    expect(told('ball', pocket(5.85), '/eye/recess')).toMatch(/5(\.\d+)? ?mm|size/);
    expect(told('ball', pocket(5.92), '/eye/recess')).toBeUndefined();
  });

  it('a hinged head carries no keeper on the head and no guard', () => {
    const joint = { hook: { joint: { kind: 'clip', size: 4 } } } as const;
    expect(told('football', { ...joint, guard: { kind: 'none' } }, '/keeper')).toMatch(
      /in the way of its swing/,
    );
    expect(
      told('football', { ...joint, keeper: { kind: 'none' }, guard: guardInitial('fibre') }, '/guard'),
    ).toMatch(/swings away/);
    expect(problems('football', { ...joint, ...NOTHING })).toEqual([]);
  });

  it('a guard needs metal to stand in, and a point over the head to guard', () => {
    const guard = { ...guardInitial('fibre'), setback: 0.5 } as never;
    const high = (gap: number) => ({
      keeper: { kind: 'none' as const },
      guard,
      head: { dimensions: { breadth: 14 } },
      hook: { size: '1/0', measured: { gap, shank: 40, wire: 1 } },
    });
    expect(told('ball', high(5.5), '/guard')).toMatch(/higher than the hook/);
    expect(told('ball', high(12), '/guard')).toBeUndefined();
  });
});
