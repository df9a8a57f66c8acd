import { runs, share } from '../test-kit/runs.ts';
import { initialValues } from '../kind/field.ts';
import type { FeatureSpec } from './features/index.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../judge/evaluate.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import { dimensionsOf, featuresOf } from '../test-kit/wild.test-kit.ts';
import { headBody } from './body.ts';
import { wholeBulk } from './bulk.ts';
import { columnBulk, cutSpan, joinSpan } from './columns.ts';
import type { Spans } from './columns.ts';
import { collarRevolve } from '../fitting/keepers/collar.ts';
import { completeDimensions } from './family.ts';
import { DRAWN_FAMILIES, familyOf } from './families/index.ts';
import { football } from './families/football.ts';
import { mushroom } from './families/mushroom.ts';
import { own } from './families/own.ts';
import { standup } from './families/standup.ts';
import { wedge } from './families/wedge.ts';
import { FEATURES } from './features/index.ts';
import { recess } from './features/recess.ts';
import { solids } from './kernel.ts';
import { FINE, loft } from './loft.ts';
import { massProperties, openEdges } from './mesh.ts';
import { bodyOutlines, bodySection, collarOutline } from './outline.ts';
import { sectionHolds } from './profile.ts';
import { bodyBulk } from './quadrature.ts';
import { closedMesh } from './closed-mesh.ts';
import { extent } from './extent.ts';
import { meshColumns } from './imported.ts';
import { bodySolid, meshOf } from './solid.ts';

/** A sphere of diameter 10, as a football. */
const SPHERE = { breadth: 10, length: 10, height: 10, ends: 2, belly: 0.5 };
const ball = (features: FeatureSpec) =>
  headBody(football, { family: 'football', dimensions: SPHERE, metal: 'lead', features }, SPHERE, {
    wire: 1,
  });
const libraryVolume = (body: ReturnType<typeof ball>) => {
  const solid = bodySolid(solids(), body, FINE);
  const mesh = meshOf(solid);
  expect(solid.status()).toBe('NoError');
  solid.delete();
  expect(openEdges(mesh)).toBe(0);
  return massProperties(mesh).volume;
};

describe('spans', () => {
  it('join and cut like sets of numbers', () => {
    const ends = fc
      .tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 1, max: 12 }))
      .map(([a, n]) => [a, a + n] as const);
    fc.assert(
      fc.property(fc.array(fc.tuple(ends, fc.boolean()), { maxLength: 8 }), (acts) => {
        const spans: Spans = [];
        const held = new Set<number>();
        for (const [[a, b], joins] of acts) {
          if (joins) joinSpan(spans, a, b);
          else cutSpan(spans, a, b);
          for (let i = a; i < b; i++) {
            if (joins) held.add(i);
            else held.delete(i);
          }
        }
        const inside = (x: number) =>
          spans.some((lo, i) => i % 2 === 0 && x > lo && x < (spans[i + 1] ?? lo));
        return Array.from({ length: 60 }, (_, i) => i).every((i) => inside(i + 0.5) === held.has(i));
      }),
    );
  });
});

describe('sections', () => {
  const section = { b: 4, t: 3, d: 5, nt: 2, nb: 1.5 };
  it('hold what lies within each half’s own curve', () => {
    expect([sectionHolds(section, 0, 2.99), sectionHolds(section, 0, 3.01)]).toEqual([true, false]);
    expect([sectionHolds(section, 0, -4.99), sectionHolds(section, 0, -5.01)]).toEqual([true, false]);
    // Above an ellipse: at 2 of 4 aside √(1 − 1/4)·3; below (1 − 0.5^1.5)^(2/3)·5.
    const [up, low] = [3 * Math.sqrt(0.75), 5 * (1 - 0.5 ** 1.5) ** (2 / 3)];
    expect([sectionHolds(section, -2, up - 1e-6), sectionHolds(section, 2, up + 1e-6)]).toEqual([
      true,
      false,
    ]);
    expect([sectionHolds(section, 2, -low + 1e-6), sectionHolds(section, -2, -low - 1e-6)]).toEqual([
      true,
      false,
    ]);
    const full = { ...section, nt: 4 };
    const high = 3 * (1 - 0.5 ** 4) ** 0.25;
    expect([sectionHolds(full, 2, high - 1e-6), sectionHolds(full, 2, high + 1e-6)]).toEqual([true, false]);
  });
  it('of no breadth or no height hold nothing, not even their own line', () => {
    expect(sectionHolds({ ...section, b: 0 }, 0, 0)).toBe(false);
    expect(sectionHolds({ ...section, b: 0 }, 0, -1)).toBe(false);
    expect(sectionHolds({ ...section, t: 0 }, 0, 0)).toBe(false);
    expect(sectionHolds({ ...section, t: 0 }, 0, -1)).toBe(true);
    expect(sectionHolds({ ...section, d: 0 }, 0, -1)).toBe(false);
  });
});

describe('hollow cheeks', () => {
  /** On a head that hangs lower than it rises. */
  const dimensions = { breadth: 12, length: 14, height: 10, ends: 2, belly: 0.7 };
  const body = headBody(
    football,
    {
      family: 'football',
      dimensions,
      metal: 'lead',
      features: { cheeks: { depth: 0.3, length: 0.8, at: 0.5 } },
    },
    dimensions,
    { wire: 1 },
  );
  const [cheeks] = body.shapes;
  it('lie in the middle of the height, as high as the head where they are deepest', () => {
    // Half-axes 5.6, 6 and 5 about (7, 6·0.7 + 6, −2): over the middle of the length and 6 mm aside 5·√(1 −
    // (4.2/6)²) up and down.
    const reach = 5 * Math.sqrt(1 - (4.2 / 6) ** 2);
    const span = cheeks?.span(7, 6);
    expect(span?.[0]).toBeCloseTo(-2 - reach, 9);
    expect(span?.[1]).toBeCloseTo(-2 + reach, 9);
    expect(cheeks?.span(7, 4.1)).toBeUndefined();
    expect([cheeks?.from, cheeks?.to]).toEqual([expect.closeTo(1.4, 9), expect.closeTo(12.6, 9)]);
  });
  it('are drawn by a closed rim about that middle, where the ellipsoid comes out of the side', () => {
    const rim = cheeks?.drawn?.().side?.[0]?.path ?? [];
    expect(rim.length).toBeGreaterThan(10);
    expect(rim.at(-1)).toEqual(rim[0]);
    // On the rim the body's side stands on the ellipsoid, or at the crown or keel where it reaches so far.
    for (const [x, z] of rim) {
      const { b, t, d } = body.profile.section(x);
      const h = z >= 0 ? t : d;
      const y = b * Math.sqrt(Math.max(0, 1 - (z / h) ** 2));
      const on = ((x - 7) / 5.6) ** 2 + ((y - 10.2) / 6) ** 2 + ((z + 2) / 5) ** 2;
      expect(on).toBeLessThan(1.02);
    }
    const heights = rim.map(([, z]) => z);
    expect(Math.max(...heights)).toBeGreaterThan(0);
    expect(Math.min(...heights)).toBeLessThan(-4);
  });
});

describe('the outline of a collar', () => {
  it('is its radius above and below the shank’s line, from its rear to where it enters', () => {
    const collar = collarRevolve({ length: 6, diameter: 4, barb: 0.5, barbs: 2 }, football.profile(SPHERE));
    if (!collar) throw new Error('there is no collar');
    const outline = collarOutline(collar);
    expect(outline.length % 2).toBe(0);
    const half = outline.length / 2;
    for (let i = 0; i < half; i++) {
      const [[x, r], [u, low]] = [outline[i] ?? [NaN, NaN], outline[outline.length - 1 - i] ?? [NaN, NaN]];
      expect(u).toBe(x);
      expect(low).toBe(-r);
      expect(r).toBeCloseTo(collar.radius(x), 12);
    }
    expect([outline[0]?.[0], outline[half - 1]?.[0]]).toEqual([collar.from, collar.to]);
  });
});

describe('features in closed form, on a sphere of radius 5', () => {
  const sphere = (4 / 3) * Math.PI * 125;
  /** Cap of height h (Beyer, CRC Standard Mathematical Tables): π·h²·(3r − h)/3. */
  const cap = (h: number) => (Math.PI * h * h * (15 - h)) / 3;

  it('a sole takes off a cap', () => {
    expect(wholeBulk(ball({ sole: { cut: 0.4, tilt: 0 } })).volume).toBeCloseTo(sphere - cap(2), 1);
  });

  it('one flat on top does the same above, and the centre sinks by the cap’s moment', () => {
    const bulk = wholeBulk(ball({ flats: { cut: 0.4, slope: 0 } }));
    expect(bulk.volume / (sphere - cap(2))).toBeCloseTo(1, 3);
    // Moment of a cap about the centre: π·(r² − d²)²/4 with d the flat's distance.
    expect(bulk.centroid[2] * bulk.volume).toBeCloseTo((-Math.PI * (25 - 9) ** 2) / 4, 0);
  });

  it('a pocket around a point on its surface is a lens', () => {
    // Two spheres R = 5, r = 2 at distance 5: π(R + r − d)²(d² + 2dr − 3r² + 2dR − 3R² + 6rR)/12d (Weisstein,
    // Sphere-Sphere Intersection).
    const [R, r, d] = [5, 2, 5];
    const lens =
      (Math.PI * (R + r - d) ** 2 * (d * d + 2 * d * r - 3 * r * r + 2 * d * R + 6 * r * R - 3 * R * R)) /
      (12 * d);
    const body = headBody(football, { family: 'football', dimensions: SPHERE, metal: 'lead' }, SPHERE, {
      wire: 1,
      after: [recess([5, 0, 5], 2, football.profile(SPHERE))],
    });
    expect(Math.abs(wholeBulk(body).volume / (sphere - lens) - 1)).toBeLessThan(1e-3);
    expect(Math.abs(libraryVolume(body) / (sphere - lens) - 1)).toBeLessThan(1e-3);
  });

  it('a slot between steep flats, which meet where neither knows of the other, leaves what a count of small cubes leaves', () => {
    const dimensions = {
      length: 18.06,
      breadth: 8.76,
      height: 8.92,
      nose: 0.28,
      corners: 2.08,
      shoulder: 0.342,
      belly: 0.42,
    };
    const features: FeatureSpec = {
      sole: { cut: 0.01, tilt: 0 },
      flats: { cut: 0.6675, slope: 39.67 },
      slot: { open: 'below', width: 5.28 },
    };
    const body = headBody(wedge, { family: 'wedge', dimensions, metal: 'lead', features }, dimensions, {
      wire: 1,
    });
    // Columns shared out evenly, each with what the shapes leave of it: slow, and blind to every edge.
    const [along, across] = [500, 4000];
    let volume = 0;
    for (let i = 0; i < along; i++)
      for (let j = 0; j < across; j++) {
        const spans = body.spans((18.06 * (i + 0.5)) / along, (4.38 * (j + 0.5)) / across);
        for (let s = 0; s < spans.length; s += 2) volume += (spans[s + 1] ?? 0) - (spans[s] ?? 0);
      }
    volume *= (2 * 18.06 * 4.38) / along / across;
    expect(Math.abs(wholeBulk(body).volume / volume - 1)).toBeLessThan(1e-3);
  });

  it('a sole that leans so far that it passes the shank leaves what a count of small columns leaves', () => {
    const dimensions = {
      length: 19.5,
      breadth: 6.4,
      height: 3.12,
      sole: 0.7,
      tilt: 29.5,
      shoulder: 0.3,
      bluntness: 0.71,
      belly: 0.57,
    };
    const body = headBody(standup, { family: 'standup', dimensions, metal: 'lead' }, dimensions, { wire: 1 });
    const [along, across] = [1000, 2000];
    let volume = 0;
    for (let i = 0; i < along; i++)
      for (let j = 0; j < across; j++) {
        const spans = body.spans((19.5 * (i + 0.5)) / along, (3.2 * (j + 0.5)) / across);
        for (let s = 0; s < spans.length; s += 2) volume += (spans[s + 1] ?? 0) - (spans[s] ?? 0);
      }
    volume *= (2 * 19.5 * 3.2) / along / across;
    expect(Math.abs(wholeBulk(body).volume / volume - 1)).toBeLessThan(2e-4);
  });

  it('a hemisphere: 2/3·π·r³, its centre 3/8·r from the flat', () => {
    const dimensions = { length: 5, breadth: 10, height: 10, rim: 0, belly: 0.5 };
    const bulk = bodyBulk(mushroom.profile(dimensions));
    expect(bulk.volume).toBeCloseTo((2 / 3) * Math.PI * 125, 6);
    expect(bulk.centroid[0]).toBeCloseTo((3 / 8) * 5, 6);
  });

  it('a cylinder from stations: π/4·d²·L', () => {
    const dimensions = { length: 20, breadth: 8, height: 8, top: 2, bottom: 2, straight: 1, belly: 0.5 };
    const full = { breadth: 1, rise: 1, drop: 1 };
    const profile = own.profile(dimensions, {
      stations: [
        { at: 0, ...full },
        { at: 1, ...full },
      ],
    });
    expect(bodyBulk(profile).volume).toBeCloseTo((Math.PI / 4) * 64 * 20, 6);
    // Inertia of a cylinder: m·r²/2 about its axis, m·(3r² + L²)/12 across (same tables).
    const { inertia, volume } = massProperties(loft(profile, undefined, FINE));
    expect(inertia[0] / (volume * 8)).toBeCloseTo(1, 2);
    expect(inertia[1] / ((volume * (3 * 16 + 400)) / 12)).toBeCloseTo(1, 2);
  });

  it('roll moment by columns is that of a sphere: 2/5·V·r²', () => {
    const { roll, volume } = columnBulk(football.profile(SPHERE), []);
    expect(roll / ((2 / 5) * volume * 25)).toBeCloseTo(1, 3);
  });
});

describe.each(share(DRAWN_FAMILIES, 4).map((family) => [family.key, family] as const))(
  '%s with its features',
  (key, family) => {
    it('columns and the solid library agree to 0.1% over random dimensions, and the mesh is closed', () => {
      fc.assert(
        fc.property(dimensionsOf(family, 0.5), (dimensions) => {
          const complete = completeDimensions(family, dimensions);
          const body = headBody(family, { family: key, dimensions: complete, metal: 'lead' }, complete, {
            wire: 1,
          });
          const { volume } = columnBulk(body.profile, body.shapes);
          expect(Math.abs(libraryVolume(body) / volume - 1)).toBeLessThan(1e-3);
        }),
        { numRuns: runs(8), endOnFailure: true },
      );
    });
  },
);

it('any features together: columns and the solid library agree to 0.1%, with a collar too', () => {
  fc.assert(
    fc.property(fc.constantFrom(...DRAWN_FAMILIES), featuresOf(70), (family, features) => {
      const dimensions = completeDimensions(family, {});
      const profile = family.profile(dimensions);
      const collar = collarRevolve({ length: 6, diameter: 2.2, barb: 0.4, barbs: 2 }, profile);
      const body = headBody(family, { family: family.key, dimensions, metal: 'lead', features }, dimensions, {
        collar,
        wire: 1,
      });
      const { volume } = wholeBulk(body);
      // What is cut almost whole away is no head: a share of a small rest means nothing.
      if (volume < 0.4 * bodyBulk(profile).volume) return;
      expect(Math.abs(libraryVolume(body) / volume - 1)).toBeLessThan(1e-3);
    }),
    // Each run builds a fine solid: a failure is told as it came, not made smaller.
    { numRuns: runs(45), endOnFailure: true },
  );
});

describe('outlines and sections', () => {
  it('a sole shows in the side view, a channel in the view from the nose', () => {
    const { side } = bodyOutlines(ball({ sole: { cut: 0.4, tilt: 0 } }));
    expect(Math.min(...side.map(([, z]) => z))).toBeCloseTo(-3, 2);
    const { front } = bodyOutlines(ball({ channel: { width: 0.3, depth: 0.3 } }));
    const under = front.filter(([y, z]) => Math.abs(y) < 0.3 && z < 0).map(([, z]) => z);
    expect(Math.max(...under)).toBeCloseTo(-3.5, 1);
  });

  it('fins stand out in the view from above', () => {
    const { top } = bodyOutlines(ball({ fins: { span: 0.6, length: 0.6, thickness: 1, at: 0.5 } }));
    expect(Math.max(...top.map(([, y]) => y))).toBeCloseTo(8, 1);
  });

  it('a section through the middle has the area of its circle less what is cut', () => {
    const area = (outlines: readonly (readonly (readonly [number, number])[])[]) =>
      outlines.reduce(
        (sum, points) =>
          sum +
          Math.abs(
            points.reduce((twice, [u, v], i) => {
              const [u1, v1] = points[(i + 1) % points.length] ?? [0, 0];
              return twice + u * v1 - u1 * v;
            }, 0),
          ) /
            2,
        0,
      );
    expect(area(bodySection(ball({}), 5)) / (Math.PI * 25)).toBeCloseTo(1, 2);
    const slotted = bodySection(ball({ slot: { open: 'below', width: 2 } }), 5);
    // A strip 2 wide from half a wire above the shank down to the circle: about 2·(4.93 + 0.5).
    expect(area(slotted)).toBeCloseTo(Math.PI * 25 - 2 * (4.93 + 0.5), 0);
  });
});

describe('a place in the metal', () => {
  const collar = { kind: 'collar', length: 8, diameter: 3, barb: 0.5, barbs: 2 } as const;
  const bodies: readonly (readonly [string, () => ReturnType<typeof ball>])[] = [
    ['a plain ball', () => ball({})],
    ['one with a sole', () => ball({ sole: { cut: 0.4, tilt: 8 } })],
    ['one with a channel', () => ball({ channel: { width: 0.3, depth: 0.3 } })],
    ['one with fins', () => ball({ fins: { span: 0.6, length: 0.6, thickness: 1, at: 0.5 } })],
    [
      'one with fins above a sole',
      () => ball({ fins: { span: 0.6, length: 0.4, thickness: 1, at: 0.7 }, sole: { cut: 0.3, tilt: 0 } }),
    ],
    [
      'one with a collar',
      () =>
        headBody(football, { family: 'football', dimensions: SPHERE, metal: 'lead', features: {} }, SPHERE, {
          wire: 1,
          collar: collarRevolve(collar, football.profile(SPHERE, {})),
        }),
    ],
  ];

  it.each(share(bodies, 3))(
    'of %s is where its column has it, and where the library’s solid of it has it',
    (_, make) => {
      const body = make();
      const solid = bodySolid(solids(), body, FINE);
      const mesh = meshOf(solid);
      solid.delete();
      const columns = meshColumns(mesh);
      let [within, beside, apart] = [0, 0, 0];
      for (let i = 0; i < 41; i++)
        for (let j = 0; j < 23; j++)
          for (let k = 0; k < 31; k++) {
            const [x, y, z] = [-7.93 + i * 0.461, -7.81 + j * 0.717, -6.07 + k * 0.403];
            const isIn = (spans: ArrayLike<number>) => {
              for (let at = 0; at < spans.length; at += 2)
                if (z >= (spans[at] as number) && z <= (spans[at + 1] as number)) return true;
              return false;
            };
            const holds = body.holds(x, y, z);
            expect(holds, `${x} ${y} ${z}`).toBe(isIn(body.spans(x, y)));
            if (holds) within++;
            else beside++;
            if (holds !== isIn(columns(x, y))) apart++;
          }
      expect(within).toBeGreaterThan(500);
      expect(beside).toBeGreaterThan(5000);
      // Facets cut round things short by a hair.
      expect(apart).toBeLessThan(0.02 * within);
    },
  );

  it('is as long as from its hindmost to its foremost, whichever part that is', () => {
    expect(extent(ball({})).length).toBeCloseTo(10, 6);
    // The pocket of a sole that rises steeply takes the ball’s rear or its nose: a plane through a circle.
    for (const tilt of [-30, 30]) {
      const { length } = extent(ball({ sole: { cut: 0.9, tilt } }));
      const slope = Math.tan((Math.PI * tilt) / 180);
      const level = -5 * 0.1;
      // z = level + slope (x − 5) on (x − 5)² + z² = 25: what is left stands above it.
      const [a, b, c] = [1 + slope * slope, 2 * slope * level, level * level - 25];
      const cuts = [-1, 1].map((sign) => 5 + (-b + sign * Math.sqrt(b * b - 4 * a * c)) / (2 * a));
      const ends = tilt > 0 ? [0, Math.max(...cuts)] : [Math.min(...cuts), 10];
      expect(length).toBeCloseTo((ends[1] ?? NaN) - (ends[0] ?? NaN), 3);
    }
  });

  it('before the nose and behind the rear there is none, of any family', () => {
    for (const family of DRAWN_FAMILIES) {
      const dimensions = completeDimensions(family, {});
      const profile = family.profile(dimensions, {});
      for (const x of [-3, -1e-6, profile.length + 1e-6, profile.length + 3])
        expect(profile.section(x), `${family.key} at ${x}`).toMatchObject({ b: 0, t: 0, d: 0 });
      expect(profile.section(profile.length / 2).b, family.key).toBeGreaterThan(0);
    }
  });
});

describe('a mesh', () => {
  it('of a corner of a cuboid has the products of inertia of the closed form, ∫ xy = a²b²c/120 about the corner', () => {
    const [a, b, c] = [3, 5, 8];
    const positions = Float64Array.from([0, 0, 0, a, 0, 0, 0, b, 0, 0, 0, c]);
    const triangles = Uint32Array.from([0, 2, 1, 0, 1, 3, 0, 3, 2, 1, 2, 3]);
    const { volume, inertia } = massProperties({ positions, triangles });
    expect(volume).toBeCloseTo((a * b * c) / 6, 9);
    // About its own centre, a quarter of the way along each edge: m·ab/16 less, which leaves a²b²c/480 with
    // the other sign.
    expect(inertia[3]).toBeCloseTo((a * a * b * b * c) / 480, 9);
    expect(inertia[4]).toBeCloseTo((a * b * b * c * c) / 480, 9);
    expect(inertia[5]).toBeCloseTo((a * a * b * c * c) / 480, 9);
  });

  it('whose sheets touch along an edge is parted there by a hair, and any other is as it was', () => {
    const { Manifold } = solids();
    const one = Manifold.cube([4, 4, 4]);
    expect(closedMesh(one)).toEqual(meshOf(one));
    const two = one.add(one.translate([4, 4, 0]));
    expect(openEdges(meshOf(two))).toBeGreaterThan(0);
    const parted = closedMesh(two);
    expect(openEdges(parted)).toBe(0);
    expect(massProperties(parted).volume).toBeCloseTo(128, 1);
    // Only the four corners on the touching edge have moved, each by 0.3 µm into its own cube.
    let moved = 0;
    for (let i = 0; i < parted.positions.length; i += 3) {
      const off = Math.hypot(
        ...[0, 1, 2].map((k) => {
          const value = parted.positions[i + k] as number;
          return value - Math.round(value);
        }),
      );
      if (off === 0) continue;
      moved++;
      expect(off).toBeLessThan(3.1e-4);
      expect(off).toBeGreaterThan(2.9e-4);
    }
    expect(moved).toBe(4);
    for (const solid of [one, two]) solid.delete();
  });

  it('of a head with a collar that enters a one-sided body has the centre of its quadrature', () => {
    for (const family of [wedge, football]) {
      const dimensions = { ...completeDimensions(family, {}), belly: 0.7 };
      const head = { family: family.key, dimensions, metal: 'lead', features: {} };
      const profile = family.profile(dimensions, {});
      const middle = profile.section(profile.length / 2);
      const spec = {
        kind: 'collar',
        length: 8,
        diameter: 1.7 * Math.min(middle.b, middle.t, middle.d),
        barb: 0.4,
        barbs: 1,
      } as const;
      const collar = collarRevolve(spec, profile);
      expect(collar).toBeDefined();
      const body = headBody(family, head, dimensions, { wire: 1, collar });
      const { centroid, volume } = wholeBulk(body);
      const solid = bodySolid(solids(), body, FINE);
      const library = massProperties(meshOf(solid));
      solid.delete();
      expect(Math.abs(library.volume / volume - 1)).toBeLessThan(1e-3);
      for (const axis of [0, 2] as const)
        expect(Math.abs(library.centroid[axis] - centroid[axis])).toBeLessThan(0.01);
    }
  });
});

describe('what cannot be', () => {
  const problem = (family: string, features: FeatureSpec) => {
    const result = evaluate(sampleDesign(family, { head: { features } }), AT_ONCE);
    return result.ok ? '' : (result.problems[0]?.message ?? '');
  };
  it.each([
    ['a sole through the wire', 'ball', { sole: { cut: 0.95, tilt: 0 } }, /Sole: it comes within/],
    ['flats through the wire', 'ball', { flats: { cut: 0.9, slope: 30 } }, /Top flats: they leave/],
    [
      'a channel into the wire',
      'ball',
      { channel: { width: 0.3, depth: 0.9 } },
      /Belly channel: its roof leaves/,
    ],
    [
      'a channel the sole takes away',
      'ball',
      { sole: { cut: 0.4, tilt: 0 }, channel: { width: 0.3, depth: 0.3 } },
      /the sole takes it away/,
    ],
    [
      'cheeks down to the wire',
      'oval',
      { cheeks: { depth: 0.8, length: 1, at: 0.5 } },
      /Hollow cheeks: they leave/,
    ],
    [
      'fins beyond the head',
      'ball',
      { fins: { span: 1, length: 0.9, thickness: 1, at: 0.1 } },
      /beyond the end of the head/,
    ],
    [
      'fins too thick',
      'ball',
      { fins: { span: 1, length: 0.5, thickness: 6, at: 0.5 } },
      /thicker than half/,
    ],
    [
      'a slot too narrow for its wire',
      'ball',
      { slot: { open: 'below', width: 0.5 } },
      /does not take a wire/,
    ],
    [
      'a slot that splits the head',
      'oval',
      { slot: { open: 'below', width: 6 } },
      /cut the head in two|does not fit/,
    ],
  ] as const)('%s says why', (_, family, features, message) => {
    expect(problem(family, features)).toMatch(message);
  });

  it('every feature has a name, says what it does, and can be put on some head as it begins', () => {
    for (const { key, does, fields } of FEATURES) {
      expect(does.length).toBeGreaterThan(15);
      expect(problem('wedge', { [key]: initialValues(fields) })).toBe('');
    }
  });

  it('every family begins as a head that can be built', () => {
    for (const { key } of DRAWN_FAMILIES) expect([key, familyOf(key) && problem(key, {})]).toEqual([key, '']);
  });
});
