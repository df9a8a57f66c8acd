import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import type { ManifoldToplevel } from 'manifold-3d';
import { assemble } from '../assembly/assemble.ts';
import { castSolid } from '../assembly/cast-solid.ts';
import { solveTarget } from '../assembly/solve.ts';
import type { Rig } from '../assembly/rig.ts';
import { metalPart } from '../assembly/rig.ts';
import type { Design } from '../document/design.ts';
import type { Cut, Mould } from '../document/mould.ts';
import { CUTTERS } from '../cutter/kinds.ts';
import { starterDesign } from '../document/starter.ts';
import { DRAWN_FAMILIES, familyOf } from '../head/families/index.ts';
import { loadSolids } from '../head/kernel.ts';
import { bareHead } from '../head/body.ts';
import { wholeBulk } from '../head/bulk.ts';
import { importedSolid } from '../head/imported.ts';
import { loft } from '../head/loft.ts';
import { massProperties, openEdges } from '../head/mesh.ts';
import { qualityWithin } from '../head/chord.ts';
import { USUAL_CHORD } from '../head/schema.ts';
import { meshOf, solidOf, toManifold } from '../head/solid.ts';
import { isWhole, runs, share } from '../test-kit/runs.ts';
import { sampleDesign } from '../test-kit/sample.test-kit.ts';
import { chargeOf } from './charge.ts';
import { cutterSolid, floorDepth } from './cutter.ts';
import { gatingFor } from './gating.ts';
import { fileMesh } from './half-mesh.ts';
import { meltingOf } from './melting.ts';
import { cavityFactor, layMould } from './mould-layout.ts';
import { cavitySolid, mouldSolids } from './mould-solids.ts';
import { opening } from './opening.ts';
import { cutsFor, recut } from './recut.ts';
import { between } from '../test-kit/numbers.test-kit.ts';

let kernel: ManifoldToplevel;
beforeAll(async () => {
  kernel = await loadSolids();
});

const built = (design: Design): Rig => {
  const solved = solveTarget(design);
  if (!solved.ok) throw new Error(solved.problem.message);
  return solved.rig;
};
const starter = (key: string, change: Partial<Design> = {}): Design => {
  const family = familyOf(key);
  if (!family) throw new Error(key);
  return { ...starterDesign(family, key), ...change };
};
const mouldOf = (designs: readonly Design[], change: Partial<Mould> = {}): Mould => ({
  format: 'fern-anvil/mould',
  version: 1,
  name: 'Test',
  making: 'pour',
  shrink: 1,
  wall: 6,
  between: 5,
  pin: 5,
  draft: 1,
  cavities: designs.map((design) => ({ design, cuts: [] })),
  ...change,
});
const made = (mould: Mould) => {
  const rigs = mould.cavities.map(({ design }) => built(design));
  const layout = layMould(mould, rigs);
  return {
    rigs,
    layout,
    solids: mouldSolids(
      kernel,
      layout,
      mould.cavities.map(({ cuts }) => cuts),
    ),
  };
};
const ball = (breadth: number): Design =>
  starter('ball', {
    head: { family: 'ball', dimensions: { breadth }, metal: 'lead' },
    keeper: { kind: 'none' },
  });
const COARSE = { rings: 60, corners: 64 };

describe('a mould', () => {
  it.each(share(DRAWN_FAMILIES, 6).map(({ key }) => key))(
    'of %s: both halves closed, and what fills the block adds up',
    (key) => {
      const { solids, layout } = made(mouldOf([starter(key)]));
      for (const half of [solids.left, solids.right]) {
        expect(openEdges(half)).toBe(0);
        expect(massProperties(half).volume).toBeGreaterThan(0);
      }
      const { block, left, right, heads, channels, sprues, vents, sockets } = solids.volumes;
      expect((left + right + heads + channels + sprues + vents + sockets) / block).toBeCloseTo(1, 6);
      const { from, to } = layout.block;
      expect(block).toBeCloseTo((to[0] - from[0]) * (to[1] - from[1]) * (to[2] - from[2]), 3);
      // The halves as they leave in files, added by the divergence theorem and not by the library.
      expect(
        (massProperties(solids.left).volume + massProperties(solids.right).volume) / (left + right),
      ).toBeCloseTo(1, 5);
      expect(sprues).toBeGreaterThan(0);
      expect(vents).toBeGreaterThan(0);
    },
  );

  it('holds the head as it is cast, enlarged: what the closed halves leave of the block less steel and sprue', () => {
    const design = starter('football');
    const { solids, layout, rigs } = made(mouldOf([design], { shrink: 2 }));
    const [rig] = rigs;
    const [cavity] = layout.cavities;
    if (!rig || !cavity) throw new Error('nothing laid');
    // Cut the head's own room out of the block by the halves themselves, in the library, and look at its
    // volume near the head.
    const { from, to } = layout.block;
    const cube = kernel.Manifold.cube([to[0] - from[0], to[1] - from[1], to[2] - from[2]]).translate([
      ...from,
    ]);
    const room = cube.subtract(toManifold(kernel, solids.left)).subtract(toManifold(kernel, solids.right));
    const enlarged = solidOf(
      kernel,
      castSolid(kernel, rig, qualityWithin(rig.head, USUAL_CHORD), 1 / 0.98),
    ).translate([cavity.shift[0], 0, cavity.shift[1]]);
    // Every bit of the enlarged head is room.
    expect(enlarged.subtract(room).volume() / enlarged.volume()).toBeLessThan(1e-4);
    // And its metal is the drawn head's, larger by the cube of the factor, less the room about the wire.
    const drawn = rig.parts.find(({ name }) => name === 'metal')?.volume ?? NaN;
    expect(cavityFactor(2)).toBeCloseTo(1 / 0.98, 12);
    expect((solids.metal[0] ?? 0) / (drawn / 0.98 ** 3)).toBeGreaterThan(0.985);
    expect((solids.metal[0] ?? 0) / (drawn / 0.98 ** 3)).toBeLessThan(1.01);
  });

  it('with a shallow flat cut in one half, as broad as the head, adds up', () => {
    // As a random check found it, to the last digit: almost no way from where the cutters go in to where they
    // come out.
    const first: Cut = {
      cutter: 'flat',
      diameter: 14.979128651100348,
      side: 'left',
      at: { x: 1.727236918261717e-60, z: -3.3758670232522206e-132 },
      to: { x: -1.6252528268698233e-124, z: -9.022240120342847e-120 },
      depth: 0.28130872669745804,
    };
    const second: Cut = {
      cutter: 'round-nosed',
      diameter: 1.8122679799862043,
      side: 'both',
      at: { x: -2.9393861738981805e-111, z: -4.662581241722509e-46 },
      to: { x: -1.712077934087926e-121, z: 1.2504625228658131e-43 },
      depth: 0.6185629410055242,
    };
    const third: Cut = {
      cutter: 'ball',
      diameter: 3.697614654365996,
      side: 'both',
      at: { x: 1.4968283234857509e-13, z: 0 },
      depth: 0.09930228658036838,
    };
    const { solids } = made(
      mouldOf([], {
        making: 'press',
        shrink: 7.707754644627151e-238,
        wall: 14.13249983152459,
        between: 2.4859410780407485,
        pin: 6.76261216617718,
        cavities: [
          { design: starter('tube'), cuts: [first, second] },
          { design: starter('tube'), cuts: [third] },
        ],
      }),
    );
    const { block, left, right, heads, channels, sprues, vents, sockets } = solids.volumes;
    expect((left + right + heads + channels + sprues + vents + sockets) / block).toBeCloseTo(1, 6);
  });

  it('of which two cuts leave a crumb goes into its file without it', () => {
    // As a random check found it: 0.03 mm³ stand free between a groove and the cavity.
    const groove: Cut = {
      cutter: 'ball',
      diameter: 15.852339153623467,
      side: 'right',
      at: { x: 23.27348, z: 12.81549 },
      to: { x: 0, z: -3.57 },
      depth: 14.89608255,
    };
    const hollow: Cut = {
      cutter: 'ball',
      diameter: 13.8466722,
      side: 'left',
      at: { x: 10.81396, z: -9.11727 },
      depth: 4.4369579,
    };
    const round: Cut = {
      cutter: 'round-nosed',
      diameter: 11.1463179,
      side: 'left',
      at: { x: 14.56028, z: 12.87972 },
      to: { x: 0, z: -3.55308 },
      depth: 8.99128105,
    };
    const cone: Cut = {
      cutter: 'cone',
      diameter: 22.8625819,
      tip: 130.9643,
      side: 'right',
      at: { x: -10.26016, z: 0 },
      depth: 12.4136799,
    };
    const { solids } = made(
      mouldOf([], {
        shrink: 0,
        wall: 3,
        between: 19.999802,
        pin: 5.109013505927505,
        cavities: [
          { design: starter('swimmer'), cuts: [hollow, groove] },
          { design: starter('roller'), cuts: [round, cone] },
        ],
      }),
    );
    for (const half of [solids.left, solids.right]) {
      expect(openEdges(half)).toBe(0);
      expect(toManifold(kernel, half).decompose()).toHaveLength(1);
    }
    expect(massProperties(solids.right).volume / solids.volumes.right).toBeCloseTo(1, 5);
  });

  it('that falls into pieces is refused, with what to do; a hollow within it stays', () => {
    const cube = (side: number, at = 0) => kernel.Manifold.cube(side, true).translate([at, 0, 0]);
    const volumeOf = (half: ReturnType<typeof cube>) => {
      const mesh = fileMesh(half, 'left');
      return mesh && massProperties(mesh).volume;
    };
    expect(() => volumeOf(cube(10).add(cube(1, 20)))).toThrow(
      'The left half falls into 2 pieces: what is cut out of it meets its edges or another cut. ' +
        'Make the walls thicker, or take a cut back.',
    );
    expect(() => volumeOf(cube(10).subtract(cube(20)))).toThrow(/Nothing is left of the left half/);
    expect(volumeOf(cube(10).add(cube(0.3, 20)))).toBeCloseTo(1000, 3);
    expect(volumeOf(cube(10).subtract(cube(2)))).toBeCloseTo(992, 3);
  });

  it('of any shapes, sizes and cuts, even wild ones, is closed and adds up', () => {
    const number = (min: number, max: number) => between(min, max);
    const place = fc.record({ x: number(-15, 25), z: number(-15, 15) });
    const anyCut: fc.Arbitrary<Cut> = fc.record(
      {
        cutter: fc.constantFrom(...CUTTERS.map(({ key }) => key)),
        diameter: number(0.3, 40),
        tip: number(20, 170),
        side: fc.constantFrom('left' as const, 'right' as const, 'both' as const),
        at: place,
        to: place,
        depth: number(0.05, 15),
      },
      { requiredKeys: ['cutter', 'diameter', 'side', 'at', 'depth'] },
    );
    fc.assert(
      fc.property(
        fc.record({
          making: fc.constantFrom('pour' as const, 'press' as const),
          shrink: number(0, 25),
          wall: number(3, 20),
          between: number(2, 20),
          pin: number(2, 12),
        }),
        fc.array(
          fc.tuple(
            fc.constantFrom(...DRAWN_FAMILIES.map(({ key }) => key)),
            fc.array(anyCut, { maxLength: 2 }),
          ),
          { minLength: 1, maxLength: 2 },
        ),
        (sizes, cavities) => {
          const { solids } = made(
            mouldOf([], {
              ...sizes,
              cavities: cavities.map(([key, cuts]) => ({ design: starter(key), cuts })),
            }),
          );
          const { block, left, right, heads, channels, sprues, vents, sockets } = solids.volumes;
          expect((left + right + heads + channels + sprues + vents + sockets) / block).toBeCloseTo(1, 6);
          expect(openEdges(solids.left)).toBe(0);
          expect(openEdges(solids.right)).toBe(0);
        },
      ),
      { numRuns: runs(24), endOnFailure: true },
    );
  });

  it.runIf(isWhole)('of eight cavities of a ladder keeps them apart, each with its own sprue', () => {
    const rungs = [2, 3, 4, 5, 7, 9, 11, 14].map((grams) =>
      starter('ball', { head: { ...starter('ball').head, target: { grams, of: 'metal' } } }),
    );
    const { layout, solids } = made(
      mouldOf(rungs, { cavities: rungs.map((design) => ({ design, cuts: [] })) }),
    );
    expect(layout.cavities).toHaveLength(8);
    expect(openEdges(solids.left)).toBe(0);
    // Weights of the cavities stand as the rungs do.
    const ratio = (solids.metal[7] ?? 0) / (solids.metal[0] ?? 1);
    expect(ratio).toBeGreaterThan(6.3);
    expect(ratio).toBeLessThan(7.7);
    const spans = layout.cavities.map(({ outline, shift }) => {
      const zs = outline.map(([, z]) => z + shift[1]);
      return [Math.min(...zs), Math.max(...zs)] as const;
    });
    for (let i = 1; i < spans.length; i++)
      expect((spans[i]?.[0] ?? 0) - (spans[i - 1]?.[1] ?? 0)).toBeGreaterThanOrEqual(5);
  });

  it('to press a sintered head is a solid and its bore: no sprue, no vents, larger by what it loses', () => {
    const design = starter('ball', {
      head: { family: 'ball', dimensions: { breadth: 8 }, metal: 'tungsten' },
      keeper: { kind: 'none' },
    });
    const { solids, layout } = made(mouldOf([design], { making: 'press', shrink: 16 }));
    expect(solids.volumes.sprues).toBe(0);
    expect(solids.volumes.vents).toBe(0);
    expect(layout.cavities[0]?.gating).toBeUndefined();
    expect(layout.cavities[0]?.factor).toBeCloseTo(1 / 0.84, 10);
    expect(openEdges(solids.right)).toBe(0);
    const { block, left, right, heads, channels, sockets } = solids.volumes;
    expect((left + right + heads + channels + sockets) / block).toBeCloseTo(1, 6);
    // A ball of 8 mm, a sixth and more larger: 4/3 π (4/0.84)³.
    expect(heads / ((4 / 3) * Math.PI * (4 / 0.84) ** 3)).toBeCloseTo(1, 3);
    // Sintering loses no powder: what is pressed is what comes out; the rest of the room is binder.
    const rig = built(design);
    const charge = chargeOf(solids, [rig.density], { making: 'press', shrink: 16 });
    expect(charge.metal / metalPart(rig).mass).toBeCloseTo(1, 2);
    expect(charge.spruePerHead).toBe(0);
    const room = solids.metal[0] ?? NaN;
    expect(charge.binder / ((room - metalPart(rig).volume) * 0.93e-3)).toBeCloseTo(1, 2);
  });

  it('a gate passes its head before it freezes, by hand for 10 g of lead', () => {
    // 882 mm³: height 1.4·∛882 = 13.43 mm, v = √(2·9806.65·13.43) = 513 mm/s, area 882/(0.7·513·0.3) = 8.19
    // mm² but for the lead's own usual heat.
    const melting = meltingOf('lead');
    const found = gatingFor(882, 11.34, melting);
    expect(found.height).toBeCloseTo(13.43, 2);
    expect(found.gate).toBeCloseTo(Math.sqrt((4 / Math.PI) * 8.19), 1);
    expect(gatingFor(882, 11.34, melting, { gate: 2, sprue: 1 })).toMatchObject({ gate: 2, sprue: 2 });
    // A larger head wants a wider gate, a crumb the least one.
    expect(gatingFor(20, 11.34, melting).gate).toBe(1.4);
    expect(gatingFor(4000, 11.34, melting).gate).toBeGreaterThan(found.gate);
  });
});

describe('a cavity is cut for the metal while it is hot', () => {
  it('its gate is for the larger head: the cube of what the metal loses', () => {
    const rig = built(ball(10));
    const layout = (shrink: number) => layMould(mouldOf([ball(10)], { shrink }), [rig]);
    for (const shrink of [0, 2, 5]) {
      const [cavity] = layout(shrink).cavities;
      const volume = rig.body.volume / (1 - shrink / 100) ** 3;
      expect(cavity?.gating).toEqual(
        gatingFor(volume, rig.density, meltingOf(rig.metal.key), { gate: undefined, sprue: undefined }),
      );
    }
  });

  it('where wire leaves no clear place the sprue takes the roomiest', () => {
    // A knee far back lays the leg across the whole face of a small head.
    const small = starter('ball', {
      head: { family: 'ball', dimensions: { breadth: 5 }, metal: 'lead' },
      keeper: { kind: 'none' },
      hook: { size: '5/0', grade: 'standard', style: 'round bend' },
      guard: { kind: 'none' },
      eye: { angle: 30, plane: 'in line', setback: 0.3 },
    });
    const rig = built(small);
    const [cavity] = layMould(mouldOf([small], { gate: 3 }), [rig]).cavities;
    expect(cavity?.isGateTight).toBe(true);
    const zs = cavity?.outline.map(([, z]) => z) ?? [];
    const gateAt = cavity?.gateAt[1] ?? NaN;
    expect(gateAt).toBeGreaterThanOrEqual(Math.min(...zs));
    expect(gateAt).toBeLessThanOrEqual(Math.max(...zs));
    // As far from the leg, which rises from the shank’s line, as the head goes: at its lower end.
    expect(gateAt).toBeLessThan(Math.min(...zs) + 0.35 * (Math.max(...zs) - Math.min(...zs)));
  });
});

describe('what binds', () => {
  it('a ball releases, and one whose middle stands off the parting plane does not', () => {
    const mesh = meshOf(solidOf(kernel, loft(built(ball(10)).profile, undefined, COARSE)));
    expect(opening(mesh, 0).bound).toBeLessThan(0.01);
    const moved = { ...mesh, positions: mesh.positions.map((value, i) => (i % 3 === 1 ? value + 2 : value)) };
    // A ball's zone between the parting plane and its middle, 2 mm high: 2 π R h = 62.8 mm² is undercut.
    expect(opening(moved, 0).bound / (2 * Math.PI * 5 * 2)).toBeCloseTo(1, 1);
    expect(opening(moved, 0).facets.length % 9).toBe(0);
  });
  it('square walls that run deep are steep, shallow ones are not', () => {
    const deep = meshOf(kernel.Manifold.cube([10, 6, 10], true));
    // Four walls of 10 × 6; of each half they reach 3 mm deep, their facets' middles at 1 and 2 mm.
    expect(opening(deep, 2).steep).toBeCloseTo(240, 6);
    expect(opening(deep, 2).bound).toBe(0);
    const flat = meshOf(kernel.Manifold.cube([10, 1, 10], true));
    expect(opening(flat, 2).steep).toBe(0);
  });
});

const cut = (change: Partial<Cut>): Cut => ({
  cutter: 'round-nosed',
  diameter: 6,
  side: 'both',
  at: { x: 0, z: 0 },
  depth: 3,
  ...change,
});
const volumeOf = (change: Partial<Cut>): number => cutterSolid(kernel, cut(change)).volume();

describe('cutters', () => {
  it('take what their shapes say, in closed form', () => {
    // Half a ball of 3 mm: 2/3 π 27; a cap 1 mm deep: π h²(3r − h)/3; deeper than its radius, a shank above
    // it.
    expect(volumeOf({ side: 'left' }) / ((2 / 3) * Math.PI * 27)).toBeCloseTo(1, 2);
    expect(volumeOf({ side: 'left', depth: 1 }) / ((Math.PI * (9 - 1)) / 3)).toBeCloseTo(1, 2);
    expect(volumeOf({ side: 'right', depth: 5 }) / ((2 / 3) * Math.PI * 27 + Math.PI * 9 * 2)).toBeCloseTo(
      1,
      2,
    );
    expect(volumeOf({ cutter: 'flat', side: 'left' })).toBeCloseTo(Math.PI * 9 * 3, 1);
    // A cone of 90°: π h³/3 while it is not deeper than its radius.
    expect(volumeOf({ cutter: 'cone', tip: 90, side: 'left', depth: 2 }) / ((Math.PI * 8) / 3)).toBeCloseTo(
      1,
      3,
    );
    expect(volumeOf({})).toBeCloseTo(2 * volumeOf({ side: 'left' }), 6);
    // Drawn 4 mm: a half round bar besides, π r²/2 · 4.
    expect(
      volumeOf({ side: 'left', to: { x: 4, z: 0 } }) / ((2 / 3) * Math.PI * 27 + 18 * Math.PI),
    ).toBeCloseTo(1, 2);
    // A ball that is wholly under the face has its neck above it.
    expect(volumeOf({ cutter: 'ball', side: 'left', depth: 8 })).toBeGreaterThan(
      (4 / 3) * Math.PI * 27 * 0.99,
    );
  });
  it('a ball cut by a ball-nosed cutter loses the lens they share', () => {
    // R = 5 about (5, 0, 0), a ball of r = 3 about a point d = 6 from there, both halves to its middle: the
    // union is both less the lens π (R + r − d)² (d² + 2dr − 3r² + 2dR + 6rR − 3R²)/(12 d).
    const [R, r, d] = [5, 3, 6];
    const lens =
      (Math.PI * (R + r - d) ** 2 * (d * d + 2 * d * r - 3 * r * r + 2 * d * R + 6 * r * R - 3 * R * R)) /
      (12 * d);
    const rig = built(ball(10));
    const solid = cavitySolid(kernel, { rig, factor: 1 }, [cut({ at: { x: 5 + 6, z: 0 } })]);
    const added = solid.volume() - cavitySolid(kernel, { rig, factor: 1 }, []).volume();
    expect(added / ((4 / 3) * Math.PI * r ** 3 - lens)).toBeCloseTo(1, 2);
  });
  it('know the floor of the cavity', () => {
    const mesh = meshOf(cavitySolid(kernel, { rig: built(ball(10)), factor: 1 }, []));
    expect(floorDepth(mesh, 5, 0, 1)).toBeCloseTo(5, 1);
    expect(floorDepth(mesh, 5, 3.01, -1)).toBeCloseTo(Math.sqrt(25 - 3.01 ** 2), 1);
    expect(floorDepth(mesh, 30, 0, 1)).toBe(0);
  });
});

describe('a cavity changed by cutter', () => {
  const design = ball(10);
  const cap = (h: number, r: number) => (Math.PI * h * h * (3 * r - h)) / 3;

  it('weighs what its metal and the cap or cylinder besides weigh', () => {
    const rig = built(design);
    // A flat end of 4 mm through the middle, 7 mm deep in both halves: a bar that stands 2 mm out of the ball
    // on each side, less the caps.
    const flat = cut({ cutter: 'flat', diameter: 4, at: { x: 5, z: 0 }, depth: 7 });
    const found = recut(kernel, rig, design, 1, [flat]);
    const sagitta = 5 - Math.sqrt(25 - 4);
    const added = 2 * (Math.PI * 4 * (2 + sagitta) - cap(sagitta, 5));
    expect((found.metal - found.was) / ((11.34 * added) / 1000)).toBeCloseTo(1, 2);
    expect(found.total - found.metal).toBeCloseTo(
      rig.parts.reduce((sum, part) => sum + (part.name === 'metal' ? 0 : part.mass), 0),
      8,
    );
    // In a mould that allows for shrinkage the same cutter adds less, by its cube.
    const shrunk = recut(kernel, rig, design, 1.02, [
      { ...flat, depth: 7 * 1.02, diameter: 4 * 1.02, at: { x: 5.1, z: 0 } },
    ]);
    expect(shrunk.metal).toBeCloseTo(found.metal, 3);
  });
  it('is judged as the solid it has become', () => {
    const rig = built(design);
    const found = recut(kernel, rig, design, 1, [cut({ diameter: 8, depth: 6, at: { x: 5, z: 0 } })]);
    const anew = built(found.design);
    const metal = anew.parts.find(({ name }) => name === 'metal')?.mass ?? NaN;
    expect(metal / found.metal).toBeGreaterThan(0.995);
    expect(metal / found.metal).toBeLessThan(1.005);
    expect(found.design.head.dimensions['breadth']).toBeCloseTo(12, 1);
    // Cuts that part the solid from the shank are refused in words.
    expect(() => recut(kernel, rig, design, 1, [cut({ at: { x: 60, z: 0 } })])).toThrow(
      /no single closed solid/,
    );
    expect(recut(kernel, rig, design, 1, []).design).toBe(design);
  });

  it('takes every cutter along a way that another takes, and adds what it sweeps', () => {
    const along = [
      { depth: 4.86, diameter: 2.41, at: { x: 2.2, z: 1.07 }, to: { x: 3.12, z: 1.46 } },
      { depth: 1.22, diameter: 2.95, at: { x: 6.12, z: -0.24 }, to: { x: 9.88, z: -1.35 } },
      { depth: 3.13, diameter: 2.57, at: { x: 1.92, z: -2.26 }, to: { x: 7.61, z: -3.01 } },
      { depth: 2.4, diameter: 3.5, at: { x: 3, z: 0.4 }, to: { x: 6.5, z: 0 } },
    ];
    const pointed = sampleDesign('pointed');
    const head = assemble(pointed);
    for (const way of share(along, 2))
      for (const { key: cutter } of CUTTERS) {
        const {
          metal,
          was,
          design: made,
        } = recut(kernel, head, pointed, 1.01, [cut({ ...way, cutter, side: 'both' })]);
        // A shallow cone may stay within the cavity as it is.
        expect(metal, `${cutter} ${way.depth}`).toBeGreaterThanOrEqual(was);
        // What the document keeps weighs what was told: thinned out it moves by less than a thousandth.
        const { solid } = made.head;
        if (!solid) throw new Error('no solid is kept');
        const kept = importedSolid(solid);
        const before = wholeBulk(bareHead(head.head)).volume;
        expect((kept?.volume ?? 0) / (before + ((metal - was) * 1000) / head.density)).toBeCloseTo(1, 2);
      }
  });
  it('finds the depth for a weight, and what a tenth too deep costs', () => {
    const rig = built(design);
    const was = rig.parts.find(({ name }) => name === 'metal')?.mass ?? NaN;
    // A flat end of 6 mm over the middle of one half: 0.5 g more is 44.1 mm³ out of the ball, so (44.1 +
    // cap)/(9π) beyond the cap's foot.
    const sagitta = 5 - Math.sqrt(25 - 9);
    const over = 500 / 11.34;
    const depth = 4 + (over + cap(sagitta, 5)) / (Math.PI * 9);
    const [offer] = cutsFor(
      kernel,
      rig,
      1,
      [],
      was + 0.5,
      [cut({ cutter: 'flat', side: 'left', at: { x: 5, z: 0 } })],
      30,
    );
    expect(offer?.cut.depth).toBeCloseTo(depth, 1);
    expect(offer?.metal).toBeCloseTo(was + 0.5, 2);
    expect(offer?.perTenth).toBeCloseTo((11.34 * Math.PI * 9 * 0.1) / 1000, 3);
    expect(cutsFor(kernel, rig, 1, [], was + 50, [cut({})], 30)).toEqual([]);
  });
});
