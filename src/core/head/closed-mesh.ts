import { float32At, float64At, uint32At } from '../numeric/at.ts';
import type { Manifold } from 'manifold-3d';
import type { Mesh } from './mesh.ts';
import { openEdges } from './mesh.ts';
import { meshOf } from './solid.ts';

/** How far corners that fall together are moved apart, mm. */
const PARTED = 3e-4;

/**
 * A solid of the library as a mesh for a file, in which every edge joins two facets: as it is, or where its
 * surface touches itself, with the sheets that touch moved a hair apart. What is open even so comes back as
 * it is: the caller asks `openEdges`.
 */
export function closedMesh(solid: Manifold): Mesh {
  const mesh = meshOf(solid);
  return openEdges(mesh) === 0 ? mesh : partedMesh(solid);
}

/**
 * The mesh of a solid whose surface touches itself: corners that fall together in the 32-bit floats of a
 * file, but belong to sheets of their own, are each moved a hair into their own sheet, so that every edge
 * joins two facets there too.
 */
function partedMesh(solid: Manifold): Mesh {
  const { vertProperties, numProp, triVerts } = solid.getMesh();
  const count = vertProperties.length / numProp;
  const positions = new Float64Array(3 * count);
  for (let i = 0; i < count; i++)
    for (let k = 0; k < 3; k++) positions[3 * i + k] = float32At(vertProperties, i * numProp + k);
  const groups = new Map<string, number[]>();
  for (let i = 0; i < count; i++) {
    const key = positions.subarray(3 * i, 3 * i + 3).join(' ');
    const group = groups.get(key);
    if (group) group.push(i);
    else groups.set(key, [i]);
  }
  const twins = new Set([...groups.values()].filter(({ length }) => length > 1).flat());
  const middles = new Map(
    [...twins].map((i): [number, [number, number, number, number]] => [i, [0, 0, 0, 0]]),
  );
  for (let i = 0; i < triVerts.length; i += 3) {
    const corners = [0, 1, 2].map((k) => uint32At(triVerts, i + k));
    for (const corner of corners) {
      const middle = middles.get(corner);
      if (!middle) continue;
      for (const other of corners) {
        for (const k of [0, 1, 2] as const) middle[k] += float64At(positions, 3 * other + k);
        middle[3]++;
      }
    }
  }
  const moved = positions.slice();
  for (const [i, [x, y, z, n]] of middles) {
    const way = [x / n, y / n, z / n].map((value, k) => value - float64At(positions, 3 * i + k));
    const length = Math.hypot(...way) || 1;
    way.forEach((value, k) => {
      moved[3 * i + k] = Math.fround(float64At(positions, 3 * i + k) + (PARTED * value) / length);
    });
  }
  return { positions: moved, triangles: Uint32Array.from(triVerts) };
}
