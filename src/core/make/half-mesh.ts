import type { Manifold } from 'manifold-3d';
import type { Mesh } from '../head/mesh.ts';
import { openEdges } from '../head/mesh.ts';
import { meshOf } from '../head/solid.ts';

/** Edges shorter than this are drawn together before a half leaves as a file, mm. */
const FILE_GRAIN = 1e-5;
/** How far corners that fall together are moved apart, mm. */
const PARTED = 3e-4;
/** Less than this is no piece of a half but a facet without thickness, mm³. */
const FLAKE = 1e-3;

/** A half as it leaves in a file; undefined where its corners, rounded, leave it open. */
export function fileMesh(half: Manifold, side: string): Mesh | undefined {
  if (half.isEmpty()) throw new Error(`Nothing is left of the ${side} half. Make the walls thicker.`);
  const pieces = half.decompose();
  const count = pieces.filter((piece) => piece.volume() > FLAKE).length;
  for (const piece of pieces) piece.delete();
  if (count > 1)
    throw new Error(
      `The ${side} half falls into ${count} pieces: what is cut out of it meets its edges. Make the walls thicker, or take a cut back.`,
    );
  const simple = half.simplify(FILE_GRAIN);
  const mesh = meshOf(simple);
  const apart = openEdges(mesh) === 0 ? mesh : partedMesh(simple);
  simple.delete();
  return openEdges(apart) === 0 ? apart : undefined;
}

/**
 * The mesh of a solid whose surface touches itself: corners that fall together in the 32-bit floats of a file, but belong to sheets of their own, are each moved
 * a hair into their own sheet, so that every edge joins two facets there too.
 */
function partedMesh(solid: Manifold): Mesh {
  const { vertProperties, numProp, triVerts } = solid.getMesh();
  const count = vertProperties.length / numProp;
  const positions = new Float64Array(3 * count);
  for (let i = 0; i < count; i++)
    for (let k = 0; k < 3; k++) positions[3 * i + k] = vertProperties[i * numProp + k] as number;
  const groups = new Map<string, number[]>();
  for (let i = 0; i < count; i++) {
    const key = positions.subarray(3 * i, 3 * i + 3).join(' ');
    const group = groups.get(key);
    if (group) group.push(i);
    else groups.set(key, [i]);
  }
  const twins = new Set([...groups.values()].filter(({ length }) => length > 1).flat());
  const middles = new Map([...twins].map((i) => [i, [0, 0, 0, 0] as [number, number, number, number]]));
  for (let i = 0; i < triVerts.length; i += 3) {
    const corners = [0, 1, 2].map((k) => triVerts[i + k] as number);
    for (const corner of corners) {
      const middle = middles.get(corner);
      if (!middle) continue;
      for (const other of corners) {
        for (let k = 0; k < 3; k++) middle[k as 0 | 1 | 2] += positions[3 * other + k] as number;
        middle[3]++;
      }
    }
  }
  const moved = positions.slice();
  for (const [i, [x, y, z, n]] of middles) {
    const way = [x / n, y / n, z / n].map((value, k) => value - (positions[3 * i + k] as number));
    const length = Math.hypot(...way) || 1;
    way.forEach((value, k) => {
      moved[3 * i + k] = Math.fround((positions[3 * i + k] as number) + (PARTED * value) / length);
    });
  }
  return { positions: moved, triangles: Uint32Array.from(triVerts) };
}
