import { castSolid } from '../assembly/cast-solid.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../judge/evaluate.ts';
import { importedSolid, meshColumns, packSolid, unpackMesh } from '../head/imported.ts';
import { solids } from '../head/kernel.ts';
import type { Mesh } from '../head/mesh.ts';
import { massProperties, openEdges } from '../head/mesh.ts';
import { bodySolid, meshOf } from '../head/solid.ts';
import { sampleDesign } from '../test-kit/sample.test-kit.ts';
import { crossings } from '../head/crossings.ts';
import { AXES, examineSolid, importedDesign, placeSolid, PLAIN_PLACEMENT } from './import-solid.ts';

/** A box from the origin. */
function box(x: number, y: number, z: number): Mesh {
  const corners = [
    [0, 0, 0],
    [x, 0, 0],
    [x, y, 0],
    [0, y, 0],
    [0, 0, z],
    [x, 0, z],
    [x, y, z],
    [0, y, z],
  ];
  const faces = [
    [0, 2, 1],
    [0, 3, 2],
    [4, 5, 6],
    [4, 6, 7],
    [0, 1, 5],
    [0, 5, 4],
    [1, 2, 6],
    [1, 6, 5],
    [2, 3, 7],
    [2, 7, 6],
    [3, 0, 4],
    [3, 4, 7],
  ];
  return { positions: Float64Array.from(corners.flat()), triangles: Uint32Array.from(faces.flat()) };
}
const merged = (...meshes: Mesh[]): Mesh => {
  let shift = 0;
  const triangles: number[] = [];
  for (const { positions, triangles: own } of meshes) {
    triangles.push(...[...own].map((corner) => corner + shift));
    shift += positions.length / 3;
  }
  return {
    positions: Float64Array.from(meshes.flatMap(({ positions }) => [...positions])),
    triangles: Uint32Array.from(triangles),
  };
};
const moved = ({ positions, triangles }: Mesh, by: readonly [number, number, number]): Mesh => ({
  positions: positions.map((value, i) => value + (by[i % 3] ?? 0)),
  triangles,
});
const without = ({ positions, triangles }: Mesh, facets: readonly number[]): Mesh => ({
  positions,
  triangles: triangles.filter((_, i) => !facets.includes(Math.floor(i / 3))),
});
const examine = (mesh: Mesh) => examineSolid(solids(), mesh);

describe('a solid from outside', () => {
  it('that is sound is kept corner for corner', () => {
    const report = examine(box(10, 8, 6));
    expect(report.repairs).toEqual([]);
    expect(report.volume).toBeCloseTo(480, 9);
    expect(report.mesh?.triangles).toEqual(box(10, 8, 6).triangles);
  });

  it('with loose corners, doubled and flat facets is mended, and says so', () => {
    const sound = box(10, 8, 6);
    // Every facet with corners of its own, one twice, one without area.
    const loose = {
      positions: Float64Array.from(
        [...sound.triangles, 0, 2, 1, 0, 0, 1].flatMap((corner) => [
          ...sound.positions.slice(3 * corner, 3 * corner + 3),
        ]),
      ),
      triangles: Uint32Array.from({ length: 42 }, (_, i) => i),
    };
    const report = examine(loose);
    expect(report.refused).toBe('');
    expect(report.repairs[0]).toMatch(/2 facets without area, or there twice/);
    expect(report.volume).toBeCloseTo(480, 6);
  });

  it('with facets turned the wrong way, or inside out altogether, is turned', () => {
    const twisted = box(10, 8, 6);
    [twisted.triangles[1], twisted.triangles[2]] = [twisted.triangles[2] ?? 0, twisted.triangles[1] ?? 0];
    expect(examine(twisted)).toMatchObject({
      refused: '',
      repairs: [expect.stringMatching(/1 facets faced the wrong way/)],
    });
    const inside = box(10, 8, 6);
    for (let i = 0; i < inside.triangles.length; i += 3)
      [inside.triangles[i + 1], inside.triangles[i + 2]] = [
        inside.triangles[i + 2] ?? 0,
        inside.triangles[i + 1] ?? 0,
      ];
    const report = examine(inside);
    expect(report.repairs.join()).toMatch(/inside-out/);
    expect(report.volume).toBeCloseTo(480, 6);
  });

  it('with a flat hole is closed', () => {
    const report = examine(without(box(10, 8, 6), [2, 3]));
    expect(report.repairs.join()).toMatch(/1 flat hole was closed/);
    expect(report.volume).toBeCloseTo(480, 6);
  });

  it('with a hole around a corner is refused: it cannot be closed without guessing', () => {
    expect(examine(without(box(10, 8, 6), [2, 3, 4, 5])).refused).toMatch(/It is open: \d+ edges/);
  });

  it('that crosses itself is refused, and says near where', () => {
    // A box whose one corner is pulled through the opposite wall.
    const torn = box(10, 8, 6);
    torn.positions.set([20, 4, 3], 0);
    expect(crossings(torn).count).toBeGreaterThan(0);
    expect(examine(torn).refused).toMatch(/crosses itself in \d+ places, the first near/);
    expect(crossings(box(10, 8, 6)).count).toBe(0);
  });

  it('of two shells that run into each other is joined: the union’s volume', () => {
    const report = examine(merged(box(10, 8, 6), moved(box(10, 4, 3), [5, 2, 1])));
    expect(report.repairs.join()).toMatch(/2 shells that run into each other/);
    expect(report.volume).toBeCloseTo(480 + 120 - 5 * 4 * 3, 4);
  });

  it('in separate pieces, empty, or with an edge of three facets is refused', () => {
    expect(examine(merged(box(2, 2, 2), moved(box(2, 2, 2), [9, 0, 0]))).refused).toMatch(
      /2 separate pieces/,
    );
    expect(examine({ positions: new Float64Array(), triangles: new Uint32Array() }).refused).toMatch(
      /no facets/,
    );
    const winged = merged(box(4, 4, 4));
    const fin = {
      positions: Float64Array.from([...winged.positions, 2, 2, 9]),
      triangles: Uint32Array.from([...winged.triangles, 4, 5, 8]),
    };
    expect(examine(fin).refused).toMatch(/More than two facets meet/);
  });

  it('that is very fine is thinned within two thousandths of its volume', () => {
    const ball = solids().Manifold.sphere(6, 200);
    const report = examine(meshOf(ball));
    ball.delete();
    expect(report.repairs.join()).toMatch(/Thinned to/);
    expect((report.mesh?.triangles.length ?? 0) / 3).toBeLessThanOrEqual(16_000);
    expect(report.volume / ((4 / 3) * Math.PI * 216)).toBeCloseTo(1, 2);
  });
});

describe('setting it on the shank', () => {
  it('any two axes and units turn it without mirroring: volume and sizes go along', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...AXES),
        fc.constantFrom(...AXES),
        fc.constantFrom('mm', 'cm', 'in'),
        (nose, up, unit) => {
          const place = { ...PLAIN_PLACEMENT, nose, up, unit } as const;
          if (nose[1] === up[1]) {
            expect(() => placeSolid(box(3, 2, 1), place)).toThrow(/same axis/);
            return;
          }
          const factor = { mm: 1, cm: 10, in: 25.4 }[unit];
          const mesh = placeSolid(box(3, 2, 1), place);
          expect(massProperties(mesh).volume).toBeCloseTo(6 * factor ** 3, 3);
          const read = importedSolid(packSolid('x', mesh));
          const along = { x: 3, y: 2, z: 1 };
          expect(read?.length).toBeCloseTo(along[nose[1] as 'x'] * factor, 3);
          expect(read?.height).toBeCloseTo(along[up[1] as 'x'] * factor, 3);
        },
      ),
    );
  });

  it('the design around it has its own mass properties, and scales to a weight', () => {
    const design = importedDesign('Block', 'block.stl', placeSolid(box(14, 10, 9), PLAIN_PLACEMENT));
    const plain = evaluate(design);
    if (!plain.ok) throw new Error(plain.problems[0]?.message);
    // 14 × 10 × 9 less the wire that runs through it.
    expect(
      (plain.readings['head.castVolume']?.value ?? 0) + (plain.readings['hook.wireInside']?.value ?? 0),
    ).toBeCloseTo(1260, 3);
    expect(plain.readings['head.surface']?.value).toBeCloseTo(2 * (140 + 126 + 90), 3);
    const solved = evaluate({ ...design, head: { ...design.head, target: { grams: 20, of: 'metal' } } });
    if (!solved.ok) throw new Error(solved.problems[0]?.message);
    expect(solved.readings['mass.metal']?.value).toBeCloseTo(20, 5);
    const cast = castSolid(solids(), solved.rig);
    expect(openEdges(cast)).toBe(0);
    expect(
      Math.abs(massProperties(cast).volume / (solved.readings['head.castVolume']?.value ?? 1) - 1),
    ).toBeLessThan(1e-3);
  });

  it('a collar joined to it counts only where it stands out', () => {
    const design = {
      ...importedDesign('Block', 'b.stl', placeSolid(box(14, 10, 9), PLAIN_PLACEMENT)),
      keeper: { kind: 'collar', length: 6, diameter: 3, barb: 0, barbs: 0 } as const,
    };
    const result = evaluate(design);
    if (!result.ok) throw new Error(result.problems[0]?.message);
    expect(result.rig.body.volume / (1260 + Math.PI * 2.25 * 6)).toBeCloseTo(1, 3);
    const solid = bodySolid(solids(), result.rig.head, { rings: 10, corners: 96 });
    expect(solid.volume() / result.rig.body.volume).toBeCloseTo(1, 3);
    solid.delete();
  });

  it('one that does not reach round the shank, broken data and features on it are told', () => {
    expect(() => importedDesign('x', 'x', moved(box(5, 4, 4), [0, 2, 2]))).toThrow(/does not run through/);
    expect(unpackMesh({ name: 'x', positions: 'AAAA', triangles: 'AAAA' })).toBeUndefined();
    const design = importedDesign('Block', 'block.stl', placeSolid(box(14, 10, 9), PLAIN_PLACEMENT));
    const said = (head: Partial<typeof design.head>) => {
      const result = evaluate({ ...design, head: { ...design.head, ...head } });
      return result.ok ? '' : (result.problems[0]?.message ?? '');
    };
    expect(said({ solid: undefined })).toMatch(/needs its solid/);
    expect(said({ solid: { name: 'x', positions: 'AAAA', triangles: 'AAAA' } })).toMatch(/cut short/);
    expect(said({ features: { sole: { cut: 0.2, tilt: 0 } } })).toMatch(/taken as it is/);
  });

  it('columns through a mesh are its spans, hollows included', () => {
    const hollow = merged(
      box(10, 10, 10),
      (() => {
        const inner = moved(box(4, 4, 4), [3, 3, 3]);
        for (let i = 0; i < inner.triangles.length; i += 3)
          [inner.triangles[i + 1], inner.triangles[i + 2]] = [
            inner.triangles[i + 2] ?? 0,
            inner.triangles[i + 1] ?? 0,
          ];
        return inner;
      })(),
    );
    const columns = meshColumns(hollow);
    expect(columns(1, 1).map((z) => Math.round(z))).toEqual([0, 10]);
    expect(columns(5, 5).map((z) => Math.round(z))).toEqual([0, 3, 7, 10]);
    expect(columns(11, 5)).toEqual([]);
  });

  it('a head of ours goes out as STL and comes back as an imported one of the same volume', () => {
    const result = evaluate(sampleDesign('hooded', { keeper: { kind: 'none' } }));
    if (!result.ok) throw new Error(result.problems[0]?.message);
    const report = examine(castSolid(solids(), result.rig));
    expect(report.refused).toBe('');
    expect(Math.abs(report.volume / (result.readings['head.castVolume']?.value ?? 1) - 1)).toBeLessThan(1e-3);
  });
});
