import type { Vec3 } from '../numeric/vec.ts';

/** A closed triangle mesh, outward faces anticlockwise; three numbers a vertex (mm), three indices a triangle. */
export interface Mesh {
  readonly positions: Float64Array;
  readonly triangles: Uint32Array;
}

/** Mass properties of a closed mesh of density one. */
export interface MassProperties {
  /** mm³ */
  readonly volume: number;
  /** mm² */
  readonly area: number;
  /** mm */
  readonly centroid: Vec3;
  /** Inertia tensor about the centroid for unit density, mm⁵: xx, yy, zz, xy, yz, zx (products carry their sign as in the tensor). */
  readonly inertia: readonly [xx: number, yy: number, zz: number, xy: number, yz: number, zx: number];
}

/**
 * Volume, area, centroid and inertia of a closed mesh by the divergence theorem, summing the exact polynomial
 * integrals of the tetrahedra between each face and the origin (Lien & Kajiya, IEEE CG&A 4(10), 1984;
 * Blow & Binstock 2004). Error when the mesh is open: none is thrown, the result means nothing.
 */
export function massProperties({ positions: p, triangles }: Mesh): MassProperties {
  let volume6 = 0;
  let area = 0;
  let [cx, cy, cz] = [0, 0, 0];
  let [xx, yy, zz, xy, yz, zx] = [0, 0, 0, 0, 0, 0];
  for (let i = 0; i < triangles.length; i += 3) {
    const a = 3 * (triangles[i] as number);
    const b = 3 * (triangles[i + 1] as number);
    const c = 3 * (triangles[i + 2] as number);
    const [ax, ay, az] = [p[a] as number, p[a + 1] as number, p[a + 2] as number];
    const [bx, by, bz] = [p[b] as number, p[b + 1] as number, p[b + 2] as number];
    const [dx, dy, dz] = [p[c] as number, p[c + 1] as number, p[c + 2] as number];
    const det = ax * (by * dz - bz * dy) + ay * (bz * dx - bx * dz) + az * (bx * dy - by * dx);
    volume6 += det;
    const [sx, sy, sz] = [ax + bx + dx, ay + by + dy, az + bz + dz];
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
    const [ux, uy, uz] = [bx - ax, by - ay, bz - az];
    const [vx, vy, vz] = [dx - ax, dy - ay, dz - az];
    const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
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
    const a = 3 * (triangles[i] as number);
    const b = 3 * (triangles[i + 1] as number);
    const c = 3 * (triangles[i + 2] as number);
    const ux = (p[b] as number) - (p[a] as number);
    const uy = (p[b + 1] as number) - (p[a + 1] as number);
    const uz = (p[b + 2] as number) - (p[a + 2] as number);
    const vx = (p[c] as number) - (p[a] as number);
    const vy = (p[c + 1] as number) - (p[a + 1] as number);
    const vz = (p[c + 2] as number) - (p[a + 2] as number);
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
    const [x, y, z] = [vectors[i] as number, vectors[i + 1] as number, vectors[i + 2] as number];
    // Not Math.hypot, which is many times slower.
    twice += Math.sqrt(x * x + y * y + z * z);
  }
  return twice / 2;
}

/**
 * Area a mesh shows to a direction (x, y, z), a unit vector, mm²: half the sum of its faces' projected areas, which of a body with hollows
 * counts what lies behind too. The faces are made vectors once, since many directions are asked of one mesh.
 */
export function shadowOf(mesh: Mesh): (x: number, y: number, z: number) => number {
  const faces = facetVectors(mesh);
  return (x, y, z) => {
    let sum = 0;
    for (let i = 0; i < faces.length; i += 3)
      sum += Math.abs(x * (faces[i] as number) + y * (faces[i + 1] as number) + z * (faces[i + 2] as number));
    return sum / 4;
  };
}

/** Edges that do not meet exactly one edge running the other way: 0 for a closed, consistently turned mesh. */
export function openEdges({ positions, triangles }: Mesh): number {
  const vertices = positions.length / 3;
  // Each edge as one number, even the one way and odd the other: in order, those of one edge stand side by side.
  const edges = new Float64Array(triangles.length);
  for (let i = 0; i < edges.length; i++) {
    const from = triangles[i] as number;
    const to = triangles[i % 3 === 2 ? i - 2 : i + 1] as number;
    edges[i] = from < to ? 2 * (from * vertices + to) : 2 * (to * vertices + from) + 1;
  }
  edges.sort();
  let open = 0;
  for (let i = 0; i < edges.length;) {
    const edge = Math.floor((edges[i] as number) / 2);
    let end = i + 1;
    while (end < edges.length && Math.floor((edges[end] as number) / 2) === edge) end++;
    const isShared = end === i + 2 && edges[i] === 2 * edge && edges[i + 1] === 2 * edge + 1;
    if (!isShared) open++;
    i = end;
  }
  return open;
}
