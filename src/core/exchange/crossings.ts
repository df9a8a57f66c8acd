import { BufferAttribute, BufferGeometry, Line3, Matrix4, Vector3 } from 'three';
import { MeshBVH } from 'three-mesh-bvh';
import type { Mesh } from '../head/mesh.ts';

/** Places where a surface crosses itself. */
export interface Crossings {
  readonly count: number;
  /** the first of them */
  readonly at: readonly [number, number, number];
}

/** Most crossings counted: by then it is clear. */
const ENOUGH = 200;

/** Looks for facets that cut through others they share no corner with, by a tree of boxes over the facets. */
export function crossings({ positions, triangles }: Mesh): Crossings {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(Float32Array.from(positions), 3));
  geometry.setIndex(new BufferAttribute(Uint32Array.from(triangles), 1));
  const tree = new MeshBVH(geometry);
  const index = geometry.index;
  if (!index) return { count: 0, at: [0, 0, 0] };
  const line = new Line3();
  const first = new Vector3();
  let count = 0;
  const corner = (triangle: number, k: number) => index.getX(3 * triangle + k);
  tree.bvhcast(tree, new Matrix4(), {
    intersectsTriangles: (one, other, i, j) => {
      if (j <= i || count >= ENOUGH) return false;
      for (let a = 0; a < 3; a++) for (let b = 0; b < 3; b++) if (corner(i, a) === corner(j, b)) return false;
      if (!one.intersectsTriangle(other, line)) return false;
      // A mere touch at a point is no crossing.
      if (line.distance() < 1e-7) return false;
      if (count === 0) first.copy(line.start);
      count++;
      return false;
    },
  });
  geometry.dispose();
  return { count, at: [first.x, first.y, first.z] };
}
