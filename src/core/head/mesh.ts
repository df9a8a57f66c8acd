import { float64At, int32At, triple, uint32At } from '../numeric/at.ts';
import type { Vec3 } from '../numeric/vec.ts';

/**
 * A closed triangle mesh, outward faces anticlockwise; three numbers a vertex (mm), three indices a triangle.
 */
export interface Mesh {
  readonly positions: Float64Array;
  readonly triangles: Uint32Array;
}

/** Places in the flat coordinates x y z, of the three corners of the facet whose ids begin at an index. */
export const cornersAt = (triangles: Uint32Array, index: number): [number, number, number] =>
  triple((k) => 3 * uint32At(triangles, index + k));

/** Mass properties of a closed mesh of density one. */
export interface MassProperties {
  /** mm³ */
  readonly volume: number;
  /** mm² */
  readonly area: number;
  /** mm */
  readonly centroid: Vec3;
  /**
   * Inertia tensor about the centroid for unit density, mm⁵: xx, yy, zz, xy, yz, zx (products carry their
   * sign as in the tensor).
   */
  readonly inertia: readonly [xx: number, yy: number, zz: number, xy: number, yz: number, zx: number];
}

/**
 * Volume, area, centroid and inertia of a closed mesh by the divergence theorem, summing the exact polynomial
 * integrals of the tetrahedra between each face and the origin (Lien & Kajiya, IEEE CG&A 4(10), 1984; Blow &
 * Binstock 2004). Error when the mesh is open: none is thrown, the result means nothing.
 */
export function massProperties({ positions: p, triangles }: Mesh): MassProperties {
  let volume6 = 0;
  let area = 0;
  let [cx, cy, cz] = [0, 0, 0];
  let [xx, yy, zz, xy, yz, zx] = [0, 0, 0, 0, 0, 0];
  // Scalars, not destructured lists: this loop runs over millions of facets.
  for (let i = 0; i < triangles.length; i += 3) {
    const a = 3 * uint32At(triangles, i);
    const b = 3 * uint32At(triangles, i + 1);
    const c = 3 * uint32At(triangles, i + 2);
    const ax = float64At(p, a);
    const ay = float64At(p, a + 1);
    const az = float64At(p, a + 2);
    const bx = float64At(p, b);
    const by = float64At(p, b + 1);
    const bz = float64At(p, b + 2);
    const dx = float64At(p, c);
    const dy = float64At(p, c + 1);
    const dz = float64At(p, c + 2);
    const det = ax * (by * dz - bz * dy) + ay * (bz * dx - bx * dz) + az * (bx * dy - by * dx);
    volume6 += det;
    const sx = ax + bx + dx;
    const sy = ay + by + dy;
    const sz = az + bz + dz;
    cx += det * sx;
    cy += det * sy;
    cz += det * sz;
    // ∫ x² over the tetrahedron is det/120·(Σ x_i² + (Σ x_i)²); the same form mixes for products.
    xx += det * (ax * ax + bx * bx + dx * dx + sx * sx);
    yy += det * (ay * ay + by * by + dy * dy + sy * sy);
    zz += det * (az * az + bz * bz + dz * dz + sz * sz);
    xy += det * (ax * ay + bx * by + dx * dy + sx * sy);
    yz += det * (ay * az + by * bz + dy * dz + sy * sz);
    zx += det * (az * ax + bz * bx + dz * dx + sz * sx);
    const ux = bx - ax;
    const uy = by - ay;
    const uz = bz - az;
    const vx = dx - ax;
    const vy = dy - ay;
    const vz = dz - az;
    const nx = uy * vz - uz * vy;
    const ny = uz * vx - ux * vz;
    const nz = ux * vy - uy * vx;
    // Not Math.hypot, which is many times slower.
    area += Math.sqrt(nx * nx + ny * ny + nz * nz) / 2;
  }
  const volume = volume6 / 6;
  const centroid: Vec3 = [cx / (24 * volume), cy / (24 * volume), cz / (24 * volume)];
  const [gx, gy, gz] = centroid;
  const mxx = xx / 120 - volume * gx * gx;
  const myy = yy / 120 - volume * gy * gy;
  const mzz = zz / 120 - volume * gz * gz;
  return {
    volume,
    area,
    centroid,
    inertia: [
      myy + mzz,
      mzz + mxx,
      mxx + myy,
      -(xy / 120 - volume * gx * gy),
      -(yz / 120 - volume * gy * gz),
      -(zx / 120 - volume * gz * gx),
    ],
  };
}

/** Facets of a mesh as vectors square to them, twice as long as their areas, mm²: x y z of each in turn. */
function facetVectors({ positions: p, triangles }: Mesh): Float64Array {
  const vectors = new Float64Array(triangles.length);
  for (let i = 0; i < triangles.length; i += 3) {
    const a = 3 * uint32At(triangles, i);
    const b = 3 * uint32At(triangles, i + 1);
    const c = 3 * uint32At(triangles, i + 2);
    const ux = float64At(p, b) - float64At(p, a);
    const uy = float64At(p, b + 1) - float64At(p, a + 1);
    const uz = float64At(p, b + 2) - float64At(p, a + 2);
    const vx = float64At(p, c) - float64At(p, a);
    const vy = float64At(p, c + 1) - float64At(p, a + 1);
    const vz = float64At(p, c + 2) - float64At(p, a + 2);
    vectors[i] = uy * vz - uz * vy;
    vectors[i + 1] = uz * vx - ux * vz;
    vectors[i + 2] = ux * vy - uy * vx;
  }
  return vectors;
}

/** Area of a mesh, mm². */
export function meshArea(mesh: Mesh): number {
  const vectors = facetVectors(mesh);
  let twice = 0;
  for (let i = 0; i < vectors.length; i += 3) {
    const [x, y, z] = [float64At(vectors, i), float64At(vectors, i + 1), float64At(vectors, i + 2)];
    // Not Math.hypot, which is many times slower.
    twice += Math.sqrt(x * x + y * y + z * z);
  }
  return twice / 2;
}

/**
 * Area a mesh shows to a direction (x, y, z), a unit vector, mm²: half the sum of its faces' projected areas,
 * which of a body with hollows counts what lies behind too. The faces are made vectors once, since many
 * directions are asked of one mesh.
 */
export function shadowOf(mesh: Mesh): (x: number, y: number, z: number) => number {
  const faces = facetVectors(mesh);
  return (x, y, z) => {
    let sum = 0;
    for (let i = 0; i < faces.length; i += 3)
      sum += Math.abs(x * float64At(faces, i) + y * float64At(faces, i + 1) + z * float64At(faces, i + 2));
    return sum / 4;
  };
}

/**
 * Edges that do not meet exactly one edge running the other way: 0 for a closed, consistently turned mesh.
 */
export function openEdges({ positions, triangles: froms }: Mesh): number {
  const vertices = positions.length / 3;
  const tos = new Uint32Array(froms.length);
  for (let i = 0; i < froms.length; i += 3) {
    tos[i] = uint32At(froms, i + 1);
    tos[i + 1] = uint32At(froms, i + 2);
    tos[i + 2] = uint32At(froms, i);
  }
  // A counting sort: edges listed by the lower of their two corners, a quarter of the time that sorting them
  // as numbers takes.
  const ends = new Uint32Array(vertices + 1);
  for (let i = 0; i < froms.length; i++) add(ends, Math.min(uint32At(froms, i), uint32At(tos, i)) + 1, 1);
  for (let corner = 0; corner < vertices; corner++) add(ends, corner + 1, uint32At(ends, corner));
  // The upper corner of each; ~corner where the edge runs down from it.
  const uppers = new Int32Array(froms.length);
  const places = ends.slice();
  for (let i = 0; i < froms.length; i++) {
    const from = uint32At(froms, i);
    const to = uint32At(tos, i);
    if (from < to) uppers[add(places, from, 1)] = to;
    else uppers[add(places, to, 1)] = ~from;
  }
  // How many run up to a corner, and how many down from it, of those that share the lower one at hand.
  const ups = new Uint32Array(vertices);
  const downs = new Uint32Array(vertices);
  let open = 0;
  for (let corner = 0; corner < vertices; corner++) {
    const first = uint32At(ends, corner);
    const last = uint32At(ends, corner + 1);
    for (let i = first; i < last; i++) {
      const upper = int32At(uppers, i);
      if (upper >= 0) add(ups, upper, 1);
      else add(downs, ~upper, 1);
    }
    for (let i = first; i < last; i++) {
      const upper = Math.max(int32At(uppers, i), ~int32At(uppers, i));
      // Counted with the first edge that names it.
      if (ups[upper] === 0 && downs[upper] === 0) continue;
      if (ups[upper] !== 1 || downs[upper] !== 1) open++;
      ups[upper] = 0;
      downs[upper] = 0;
    }
  }
  return open;
}

/** Adds to a count in place, and returns what it was. */
function add(counts: Uint32Array, at: number, more: number): number {
  const before = uint32At(counts, at);
  counts[at] = before + more;
  return before;
}
