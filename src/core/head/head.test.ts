import { runs, share } from '../test-kit/runs.ts';
import fc from 'fast-check';
import Module from 'manifold-3d';
import { beforeAll, describe, expect, it } from 'vitest';
import type { ManifoldToplevel } from 'manifold-3d';
import { collarRevolve } from '../fitting/keepers/collar.ts';
import type { Family } from './family.ts';
import { completeDimensions } from './family.ts';
import { DRAWN_FAMILIES } from './families/index.ts';
import { ball } from './families/ball.ts';
import { football } from './families/football.ts';
import { pointed } from './families/pointed.ts';
import { roller } from './families/roller.ts';
import { DRAWING, FINE, loft } from './loft.ts';
import { massProperties, openEdges, shadowOf } from './mesh.ts';
import type { Mesh } from './mesh.ts';
import { headOutlines } from './outline.ts';
import { wedge } from './families/wedge.ts';
import { dropAt, riseAt, sectionHolds, sectionRadius } from './profile.ts';
import { bodyBulk, collarBulk } from './quadrature.ts';
import type { Profile } from './profile.ts';
import type { Revolve } from './revolve.ts';
import { toManifold, tube } from './solid.ts';
import { fullness, halfMoment } from '../numeric/superellipse.ts';
import { dimensionsOf } from '../test-kit/wild.test-kit.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

let kernel: ManifoldToplevel;
beforeAll(async () => {
  kernel = await Module();
  kernel.setup();
});

/** Volume as the general solid library sees a mesh. */
function libraryVolume(mesh: Mesh): number {
  const solid = toManifold(kernel, mesh);
  const volume = solid.volume();
  expect(solid.status()).toBe('NoError');
  solid.delete();
  return volume;
}

/**
 * The library takes ten times as long for a fine mesh as all else that is asked of it: one in three is shown
 * to it.
 */
let shown = 0;
const isThird = (): boolean => shown++ % 3 === 0;

const profileOf = (family: Family, dimensions: Record<string, number>) =>
  family.profile(completeDimensions(family, dimensions));

describe('superellipse', () => {
  // Dirichlet's integral; K(1) a diamond, K(2) an ellipse, K(4) the squircle 0.927037 (value from the design
  // notes, from memory).
  it.each([
    [1, 0.5],
    [2, Math.PI / 4],
    [4, 0.927037],
  ])('fills for n = %s a share of %s of its box', (n, share) => {
    expect(fullness(n)).toBeCloseTo(share, 6);
  });

  it('has the first moment of a triangle, a half-disc and nearly a rectangle', () => {
    // Triangle of base 2b and height t: area bt, centroid t/3. Half-ellipse: 2/3·b·t² (Beyer, CRC Standard
    // Mathematical Tables).
    expect(halfMoment(1)).toBeCloseTo(1 / 3, 10);
    expect(halfMoment(2)).toBeCloseTo(2 / 3, 10);
    expect(halfMoment(200)).toBeCloseTo(1, 2);
  });

  it('agrees with itself: a point at the radius lies on the edge', () => {
    fc.assert(
      fc.property(between(0, 2 * Math.PI), between(1.2, 4), (turn, n) => {
        const section = { b: 3, t: 2, d: 1.5, nt: n, nb: n };
        const [c, s] = [Math.cos(turn), Math.sin(turn)];
        const rho = sectionRadius(section, c, s);
        return (
          sectionHolds(section, rho * c * 0.999999, rho * s * 0.999999) &&
          !sectionHolds(section, rho * c * 1.000001, rho * s * 1.000001)
        );
      }),
    );
  });
});

describe('sections', () => {
  it('have no height where there is nothing of them, nor beyond their sides', () => {
    const oval = { b: 6, t: 4, d: 3, nt: 2, nb: 2 };
    expect([riseAt(oval, 0), dropAt(oval, 0)]).toEqual([4, 3]);
    // At 3/5 of the way out 4/5 of the height.
    expect(riseAt(oval, 3.6)).toBeCloseTo(3.2, 12);
    expect(dropAt(oval, -3.6)).toBeCloseTo(2.4, 12);
    for (const [gone, y] of [
      [{ ...oval, b: 0 }, 0],
      [{ ...oval, b: 0, t: 0, d: 0 }, 0],
      [{ ...oval, t: 0, d: 0 }, 1],
      [oval, 6],
      [oval, 7],
    ] as const)
      expect([riseAt(gone, y), dropAt(gone, y)]).toEqual([0, 0]);
  });

  it('of a wedge are lower towards the nose, by degrees, and as broad as an egg’s all the way', () => {
    const sizes = {
      length: 20,
      breadth: 12,
      height: 10,
      nose: 0.4,
      corners: 2.4,
      shoulder: 0.35,
      belly: 0.4,
    };
    const { section } = wedge.profile(sizes, {});
    // From the shoulder, 7 mm from the rear, to the nose the height falls from all of it to 0.4 of it.
    for (const [x, share] of [
      [4, 1],
      [7, 1],
      [10.25, 1 - 0.6 * 0.25],
      [13.5, 1 - 0.6 * 0.5],
      [16.75, 1 - 0.6 * 0.75],
    ] as const) {
      const { b, t, d } = section(x);
      expect(t / b, `${x}`).toBeCloseTo((6 / 6) * share, 9);
      expect(d / b, `${x}`).toBeCloseTo((4 / 6) * share, 9);
    }
  });
});

describe('closed forms', () => {
  it('sphere: 4/3·π·r³ and 4·π·r², inertia 2/5·m·r²', () => {
    const profile = profileOf(ball, { breadth: 10 });
    const volume = (4 / 3) * Math.PI * 125;
    expect(bodyBulk(profile).volume / volume).toBeCloseTo(1, 9);
    const mesh = massProperties(loft(profile, undefined, FINE));
    expect(mesh.volume / volume).toBeCloseTo(1, 3);
    expect(mesh.area / (4 * Math.PI * 25)).toBeCloseTo(1, 3);
    expect(mesh.centroid[0]).toBeCloseTo(5, 4);
    for (const moment of mesh.inertia.slice(0, 3)) expect(moment / ((2 / 5) * volume * 25)).toBeCloseTo(1, 3);
    for (const product of mesh.inertia.slice(3)) expect(Math.abs(product) / volume).toBeLessThan(1e-6);
  });

  it('ellipsoid: 4/3·π·a·b·c, inertia m·(b² + c²)/5', () => {
    const profile = profileOf(football, { breadth: 20, length: 12, height: 10, ends: 2, belly: 0.5 });
    const volume = (Math.PI / 6) * 20 * 12 * 10;
    expect(bodyBulk(profile).volume / volume).toBeCloseTo(1, 9);
    const { inertia } = massProperties(loft(profile, undefined, FINE));
    expect(inertia[0] / ((volume * (10 ** 2 + 5 ** 2)) / 5)).toBeCloseTo(1, 2);
    expect(inertia[1] / ((volume * (6 ** 2 + 5 ** 2)) / 5)).toBeCloseTo(1, 2);
    expect(inertia[2] / ((volume * (6 ** 2 + 10 ** 2)) / 5)).toBeCloseTo(1, 2);
  });

  it('cone with a half-ellipsoid behind it', () => {
    const profile = profileOf(pointed, {
      length: 20,
      breadth: 10,
      height: 8,
      shoulder: 0.25,
      bluntness: 0,
      belly: 0.5,
    });
    const cone = (Math.PI / 3) * 5 * 4 * 15;
    const rear = (2 / 3) * Math.PI * 5 * 4 * 5;
    expect(bodyBulk(profile).volume / (cone + rear)).toBeCloseTo(1, 9);
    // Centroids: a cone's at a quarter of its height, a half-ellipsoid's at 3/8 from its flat.
    const x = (cone * (5 + 15 / 4) + rear * (5 - (3 / 8) * 5)) / (cone + rear);
    expect(bodyBulk(profile).centroid[0]).toBeCloseTo(x, 6);
  });

  it('paraboloid nose: half of its cylinder', () => {
    const blunt = profileOf(pointed, {
      length: 20,
      breadth: 10,
      height: 10,
      shoulder: 0.25,
      bluntness: 1,
      belly: 0.5,
    });
    const nose = (Math.PI * 25 * 15) / 2;
    expect(bodyBulk(blunt).volume / (nose + (2 / 3) * Math.PI * 25 * 5)).toBeCloseTo(1, 8);
  });

  it('shows a sphere’s disc to every side, and an ellipsoid’s ellipse', () => {
    const sphere = loft(profileOf(ball, { breadth: 10 }), undefined, FINE);
    for (const way of [
      [1, 0, 0],
      [0, 1, 0],
      [0.6, 0, 0.8],
    ] as const) {
      expect(shadowOf(sphere)(way[0], way[1], way[2]) / (Math.PI * 25)).toBeCloseTo(1, 2);
    }
    const oval = loft(
      profileOf(football, { breadth: 20, length: 12, height: 10, ends: 2, belly: 0.5 }),
      undefined,
      FINE,
    );
    expect(shadowOf(oval)(1, 0, 0) / (Math.PI * 10 * 5)).toBeCloseTo(1, 2);
    expect(shadowOf(oval)(0, 0, 1) / (Math.PI * 10 * 6)).toBeCloseTo(1, 2);
  });

  it('a collar that enters a wide flat bar keeps its round: the library joins bar and cylinder to the same', () => {
    const profile = profileOf(roller, { length: 13.5, breadth: 60, height: 9.2, ends: 5.4, belly: 0.58 });
    const [length, radius] = [8, 2.3];
    const collar = collarRevolve({ length, diameter: 2 * radius, barb: 0, barbs: 0 }, profile);
    expect(collar).toBeDefined();
    if (!collar) return;
    const bar = toManifold(kernel, loft(profile, undefined, FINE));
    const upright = kernel.Manifold.cylinder(length + collar.to, radius, radius, 512);
    const joined = bar.add(upright.rotate(0, 90, 0).translate(-length, 0, 0));
    const added = joined.volume() - bar.volume();
    expect(collarBulk(profile, collar).volume / added).toBeCloseTo(1, 2);
    const lofted = massProperties(loft(profile, collar, FINE)).volume;
    expect(Math.abs(lofted / joined.volume() - 1)).toBeLessThan(3e-4);
  });

  it('a straight tube is a cylinder, with the area of its round section', () => {
    const mesh = tube(
      [
        [0, 0, 0],
        [3, 0, 0],
        [8, 0, 0],
      ],
      0.5,
      24,
    );
    expect(openEdges(mesh)).toBe(0);
    expect(massProperties(mesh).volume).toBeCloseTo(Math.PI * 0.25 * 8, 9);
    expect(libraryVolume(mesh)).toBeCloseTo(Math.PI * 0.25 * 8, 4);
  });
});

describe.each(share(DRAWN_FAMILIES, 4).map((family) => [family.key, family] as const))(
  '%s over random dimensions',
  (_, family) => {
    it('mesh, quadrature and the solid library agree on volume to 0.1%, and the mesh is closed', () => {
      fc.assert(
        fc.property(dimensionsOf(family), (dimensions) => {
          const profile = profileOf(family, dimensions);
          const { volume, centroid } = bodyBulk(profile);
          const mesh = loft(profile, undefined, FINE);
          const mass = massProperties(mesh);
          expect(openEdges(mesh)).toBe(0);
          expect(Math.abs(mass.volume / volume - 1)).toBeLessThan(1e-3);
          if (isThird()) expect(Math.abs(libraryVolume(mesh) / volume - 1)).toBeLessThan(1e-3);
          expect(Math.abs(mass.centroid[0] - centroid[0])).toBeLessThan(2e-3 * profile.length);
          expect(Math.abs(mass.centroid[2] - centroid[2])).toBeLessThan(2e-3 * profile.length + 1e-3);
        }),
        { numRuns: runs(20) },
      );
    });

    it('the quick mesh for drawing is within 0.1% too', () => {
      fc.assert(
        fc.property(dimensionsOf(family), (dimensions) => {
          const profile = profileOf(family, dimensions);
          const mesh = loft(profile, undefined, DRAWING);
          return (
            openEdges(mesh) === 0 &&
            Math.abs(massProperties(mesh).volume / bodyBulk(profile).volume - 1) < 1e-3
          );
        }),
        { numRuns: runs(20) },
      );
    });

    it('joined with a cast collar it stays closed and agrees to 0.1%', () => {
      fc.assert(
        fc.property(
          dimensionsOf(family),
          between(0.15, 0.6),
          fc.integer({ min: 0, max: 4 }),
          (dimensions, share, barbs) => {
            const profile = profileOf(family, dimensions);
            const middle = profile.section(profile.length / 2);
            const diameter = 2 * share * Math.min(middle.b, middle.t, middle.d);
            const spec = {
              kind: 'collar',
              length: profile.length * 0.6,
              diameter,
              barb: diameter * 0.2,
              barbs,
            } as const;
            const collar = collarRevolve(spec, profile);
            expect(collar).toBeDefined();
            if (!collar) return;
            const volume = bodyBulk(profile).volume + collarBulk(profile, collar).volume;
            const mesh = loft(profile, collar, FINE);
            expect(openEdges(mesh)).toBe(0);
            expect(Math.abs(massProperties(mesh).volume / volume - 1)).toBeLessThan(1e-3);
            if (isThird()) expect(Math.abs(libraryVolume(mesh) / volume - 1)).toBeLessThan(1e-3);
            const drawn = massProperties(loft(profile, collar, DRAWING)).volume;
            // For the eye: the figures are the quadrature's.
            expect(Math.abs(drawn / volume - 1)).toBeLessThan(2e-3);
          },
        ),
        { numRuns: runs(15) },
      );
    });

    it('is drawn as large as it is', () => {
      fc.assert(
        fc.property(dimensionsOf(family), (dimensions) => {
          const complete = completeDimensions(family, dimensions);
          const { side, top, front } = headOutlines(family.profile(complete), 64);
          const span = (values: number[]) => Math.max(...values) - Math.min(...values);
          const near = (a: number, b: number | undefined) => b === undefined || Math.abs(a / b - 1) < 5e-3;
          return (
            near(span(side.map(([x]) => x)), complete['length'] ?? complete['breadth']) &&
            near(span(top.map(([, y]) => y)), complete['breadth']) &&
            near(span(front.map(([y]) => y)), complete['breadth']) &&
            near(span(side.map(([, z]) => z)), complete['height'] ?? complete['breadth'])
          );
        }),
        { numRuns: runs(15) },
      );
    });

    it('names its purpose, what it is bad at, and sensible ranges', () => {
      expect(family.purpose.length).toBeGreaterThan(20);
      expect(family.badAt.length).toBeGreaterThan(10);
      for (const { min, initial, max } of family.dimensions) {
        expect(min).toBeLessThan(max);
        expect(initial).toBeGreaterThanOrEqual(min);
        expect(initial).toBeLessThanOrEqual(max);
      }
    });
  },
);

describe('collar', () => {
  const profile = profileOf(ball, { breadth: 10 });
  const collar = collarRevolve({ length: 8, diameter: 3, barb: 0.5, barbs: 2 }, profile);

  it('behind the head it is cylinders and frustums', () => {
    // Two barbs on 8 mm: each 2.4 mm of frustum from 1.5 to 2 mm radius, then 1.6 mm of plain core.
    const frustum = (Math.PI / 3) * 2.4 * (1.5 ** 2 + 1.5 * 2 + 2 ** 2);
    const core = Math.PI * 1.5 ** 2 * 1.6;
    if (!collar) throw new Error('the ball takes no collar');
    const block: Profile = {
      length: 10,
      breaks: [0, 10],
      section: () => ({ b: 10, t: 10, d: 10, nt: 2, nb: 2 }),
    };
    expect(collarBulk(block, { ...collar, to: 1e-3 }).volume).toBeCloseTo(2 * (frustum + core), 4);
  });

  it('has the centre and the roll moment of a cylinder where it is one, and of a ring around a cone it enters', () => {
    // Cylinder of radius 2 and length 6 behind a broad face: centre half way, ½·m·r².
    const bar: Revolve = { from: -6, to: 1e-3, breaks: [], radius: () => 2 };
    const block: Profile = {
      length: 10,
      breaks: [0, 10],
      section: () => ({ b: 10, t: 10, d: 10, nt: 2, nb: 2 }),
    };
    const behind = collarBulk(block, bar);
    expect(behind.centroid[0]).toBeCloseTo(-3, 9);
    expect(behind.roll / ((24 * Math.PI * 4) / 2)).toBeCloseTo(1, 9);
    // A cone from nothing to radius 2 over 4 mm: the bar outside it is bar less cone, π·r²·h·(1 − 1/3), its
    // roll ½π·r⁴·h·(1 − 1/5).
    const cone: Profile = {
      length: 8,
      breaks: [0, 8],
      section: (x) => ({ b: x / 2, t: x / 2, d: x / 2, nt: 2, nb: 2 }),
    };
    const around = collarBulk(cone, { from: -1e-9, to: 4, breaks: [], radius: () => 2 });
    expect(around.volume / (Math.PI * 4 * 4 * (2 / 3))).toBeCloseTo(1, 5);
    expect(around.roll / (((Math.PI * 16 * 4) / 2) * (4 / 5))).toBeCloseTo(1, 5);
    // Centre of (cylinder less cone): (V_c·2 − V_k·3) / (V_c − V_k) with V_k = V_c/3.
    expect(around.centroid[0]).toBeCloseTo(1.5, 5);
  });

  it('enters a ball where the ball is as wide as its core', () => {
    // Sphere of radius 5: half-breadth 1.5 at x = 5 − √(25 − 2.25).
    expect(collar?.to).toBeCloseTo(5 - Math.sqrt(25 - 2.25), 6);
  });

  it('is refused by a head that is nowhere wide enough', () => {
    expect(collarRevolve({ length: 8, diameter: 11, barb: 0, barbs: 0 }, profile)).toBeUndefined();
  });
});

describe('torus', () => {
  it('the bend of a hook: 2·π²·R·r² (Pappus)', async () => {
    const { torusVolume, wholeWire, wireWithin } = await import('../hook/wire.ts');
    const circle = Array.from({ length: 721 }, (_, i) => {
      const turn = (2 * Math.PI * i) / 720;
      return [7 * Math.cos(turn), 0, 7 * Math.sin(turn)] as const;
    });
    expect(wholeWire(circle, 0.5).volume / torusVolume(7, 0.5)).toBeCloseTo(1, 4);
    // Filaments inside and outside the bend differ in length and make up for each other.
    const all = wireWithin(circle, 0.5, () => true).volume;
    expect(all / torusVolume(7, 0.5)).toBeCloseTo(1, 4);
  });

  it('a wire through a slab keeps just the slab’s thickness, slanting or not', async () => {
    const { wireWithin } = await import('../hook/wire.ts');
    const line = Array.from({ length: 41 }, (_, i) => [i * 0.5 - 10, 0, (i * 0.5 - 10) * 0.75] as const);
    const within = wireWithin(line, 0.6, (x) => x >= -1 && x <= 2).volume;
    // Cavalieri: section / cos of the slant × thickness; the slant is atan 0.75, so 1/cos = 1.25.
    expect(within).toBeCloseTo(Math.PI * 0.36 * 3 * 1.25, 3);
  });
});
