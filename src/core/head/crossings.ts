import { Box3, BufferAttribute, BufferGeometry, Line3, Matrix4, Plane, Vector3 } from 'three';
import type { ExtendedTriangle } from 'three-mesh-bvh';
import { MeshBVH } from 'three-mesh-bvh';
import type { Mesh } from './mesh.ts';

/** Places where a surface crosses itself. */
export interface Crossings {
  readonly count: number;
  /** true where so many facets lie over each other that it cannot be told in a bearable time */
  readonly isUnclear: boolean;
  /** the first of them */
  readonly at: readonly [number, number, number];
}

/** Most crossings counted: by then it is clear. */
const ENOUGH = 200;
/** Most pairs of facets looked at: a mesh of usual facets has some dozens of neighbours a facet. */
const MOST_PAIRS = 4e6;
/**
 * Depth of a crossing that the rounding of 32-bit floats alone may bring about, as a share of the mesh's
 * size.
 */
const ROUNDING = 1e-6;

const planeOf = new Plane();
/** How far the shallower side of a facet's corners lies past another's plane. */
function depthPast(of: ExtendedTriangle, past: ExtendedTriangle): number {
  const plane = planeOf.setFromCoplanarPoints(past.a, past.b, past.c);
  const [a, b, c] = [plane.distanceToPoint(of.a), plane.distanceToPoint(of.b), plane.distanceToPoint(of.c)];
  return Math.min(Math.max(a, b, c, 0), Math.max(-a, -b, -c, 0));
}

/** Looks for facets that cut through others they share no corner with, by a tree of boxes over the facets. */
export function crossings({ positions, triangles }: Mesh): Crossings {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(Float32Array.from(positions), 3));
  geometry.setIndex(new BufferAttribute(Uint32Array.from(triangles), 1));
  const tree = new MeshBVH(geometry);
  const index = geometry.index;
  if (!index) return { count: 0, isUnclear: false, at: [0, 0, 0] };
  const size = tree.getBoundingBox(new Box3());
  const shallow = ROUNDING * size.getSize(new Vector3()).length();
  const line = new Line3();
  const first = new Vector3();
  let count = 0;
  let pairs = 0;
  const corner = (triangle: number, k: number) => index.getX(3 * triangle + k);
  tree.bvhcast(tree, new Matrix4(), {
    intersectsTriangles: (one, other, i, j) => {
      if (j <= i) return false;
      if (count >= ENOUGH || ++pairs > MOST_PAIRS) return true;
      for (let a = 0; a < 3; a++) for (let b = 0; b < 3; b++) if (corner(i, a) === corner(j, b)) return false;
      if (!one.intersectsTriangle(other, line)) return false;
      // A mere touch at a point is no crossing, nor is what is shorter than floats can tell.
      if (line.distance() < shallow) return false;
      // The library bounds its joins and cuts by the floats of a file: facets that slide past each other by
      // less are one surface.
      if (Math.min(depthPast(one, other), depthPast(other, one)) < shallow) return false;
      if (count === 0) first.copy(line.start);
      count++;
      return false;
    },
  });
  geometry.dispose();
  return { count, isUnclear: pairs > MOST_PAIRS, at: [first.x, first.y, first.z] };
}
