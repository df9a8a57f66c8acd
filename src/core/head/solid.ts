import { float32At, itemAt, uint32At } from '../numeric/at.ts';
import type { Manifold, ManifoldToplevel } from 'manifold-3d';
import type { HeadBody } from './body.ts';
import { isPlain } from './body.ts';
import { solids } from './kernel.ts';
import { loft } from './loft.ts';
import type { MeshQuality } from './loft.ts';
import type { Mesh } from './mesh.ts';
import type { Vec3 } from '../numeric/vec.ts';

/**
 * A solid of the library from a mesh of ours, an empty one from no facets at all; throws with its reason when
 * that is not closed.
 */
export function solidOf(kernel: ManifoldToplevel, mesh: Mesh): Manifold {
  // A slot as broad as the body leaves nothing: that is no mistake of the mesh.
  if (mesh.triangles.length === 0) return nothing(kernel);
  const made = toManifold(kernel, mesh);
  if (made.status() !== 'NoError') throw new Error(`The solid could not be closed: ${made.status()}.`);
  return made;
}

/** A solid without any metal. */
function nothing(kernel: ManifoldToplevel): Manifold {
  const one = kernel.Manifold.cube(1);
  const none = one.subtract(one);
  one.delete();
  return none;
}

/**
 * The body of a head as a solid of the library: loft or imported mesh, with its shapes joined and cut in
 * their order. The caller deletes it.
 */
export function bodySolid(
  kernel: ManifoldToplevel,
  { profile, mesh, shapes }: HeadBody,
  quality: MeshQuality,
): Manifold {
  let solid = solidOf(kernel, mesh ?? loft(profile, undefined, quality));
  for (const shape of shapes) {
    const other = shape.solid(kernel, quality.round ?? quality.corners);
    const next = shape.sign > 0 ? solid.add(other) : solid.subtract(other);
    solid.delete();
    other.delete();
    solid = next;
  }
  return solid;
}

/**
 * A solid of the library as a mesh of ours. Corners that fall together in its 32-bit floats are one, and
 * facets that lose their area by that are dropped.
 */
export function meshOf(solid: Manifold): Mesh {
  const { vertProperties, numProp, triVerts } = solid.getMesh();
  const { positions, moved } = weld(vertProperties, numProp);
  const triangles = new Uint32Array(triVerts.length);
  let kept = 0;
  for (let i = 0; i < triVerts.length; i += 3) {
    const a = uint32At(moved, uint32At(triVerts, i));
    const b = uint32At(moved, uint32At(triVerts, i + 1));
    const c = uint32At(moved, uint32At(triVerts, i + 2));
    if (a === b || b === c || c === a) continue;
    triangles[kept++] = a;
    triangles[kept++] = b;
    triangles[kept++] = c;
  }
  return { positions, triangles: triangles.slice(0, kept) };
}

/**
 * Corners that fall together made one: three coordinates of each that is kept, in the order they come in, and
 * which of those each corner is. By open addressing over the bits of the coordinates, since a map of texts
 * takes ten times as long.
 */
function weld(properties: Float32Array, stride: number): { positions: Float64Array; moved: Uint32Array } {
  const count = properties.length / stride;
  const coordinates = new Float32Array(3 * count);
  for (let i = 0; i < count; i++)
    // Adding nothing makes one zero of the two there are.
    for (let k = 0; k < 3; k++) coordinates[3 * i + k] = float32At(properties, i * stride + k) + 0;
  const bits = new Uint32Array(coordinates.buffer);
  // A power of two at least twice the count: half of the places stay free, and looking ends soon.
  const places = 2 ** Math.ceil(Math.log2(2 * count + 1));
  // The corner kept at each place, counted from one.
  const table = new Uint32Array(places);
  const moved = new Uint32Array(count);
  const positions = new Float64Array(3 * count);
  let kept = 0;
  for (let i = 0; i < count; i++) {
    const [x, y, z] = [uint32At(bits, 3 * i), uint32At(bits, 3 * i + 1), uint32At(bits, 3 * i + 2)];
    // Odd multipliers over 2³² scatter the bits (Knuth, TAOCP 3, 6.4); their upper half is the better mixed
    // one.
    const mixed = Math.imul(x, 0x9e3779b1) ^ Math.imul(y, 0x85ebca77) ^ Math.imul(z, 0xc2b2ae3d);
    let place = ((mixed ^ (mixed >>> 15)) >>> 0) & (places - 1);
    for (;;) {
      const known = uint32At(table, place);
      if (known === 0) {
        table[place] = kept + 1;
        for (let k = 0; k < 3; k++) positions[3 * kept + k] = float32At(coordinates, 3 * i + k);
        moved[i] = kept++;
        break;
      }
      const at = 3 * (known - 1);
      const [px, py, pz] = [positions[at], positions[at + 1], positions[at + 2]];
      if (px === coordinates[3 * i] && py === coordinates[3 * i + 1] && pz === coordinates[3 * i + 2]) {
        moved[i] = known - 1;
        break;
      }
      place = (place + 1) & (places - 1);
    }
  }
  return { positions: positions.slice(0, 3 * kept), moved };
}

/**
 * Surfaces made of worked bodies, by body and fineness: one evaluation asks for the same one more than once.
 */
const surfaces = new WeakMap<HeadBody, Map<MeshQuality, Mesh>>();
/**
 * Fineness of a worked body's surface while what it touches is judged; volume and inertia are not read from
 * it.
 */
export const WORKED: MeshQuality = { rings: 14, corners: 24 };
/**
 * The same for what follows the hand, where the library is needed for it: areas are within one per cent as a
 * rule.
 */
export const ROUGH: MeshQuality = { rings: 10, corners: 16, round: 16 };

/**
 * The closed surface of a body with its collar and features, wire and holes still filled: for areas, inertia
 * and shadows. A plain loft needs no library and is as fine as `quality`, a worked one as `worked`.
 */
export function surfaceMesh(head: HeadBody, quality: MeshQuality, worked: MeshQuality = WORKED): Mesh {
  if (isPlain(head)) return loft(head.profile, head.collar, quality);
  if (head.mesh && head.shapes.length === 0) return head.mesh;
  const known = surfaces.get(head) ?? new Map<MeshQuality, Mesh>();
  surfaces.set(head, known);
  let mesh = known.get(worked);
  if (!mesh) {
    const solid = bodySolid(solids(), head, worked);
    mesh = meshOf(solid);
    solid.delete();
    known.set(worked, mesh);
  }
  return mesh;
}

/** A mesh of ours as a solid of the library's. The caller deletes it. */
export function toManifold(kernel: ManifoldToplevel, { positions, triangles }: Mesh) {
  const mesh = new kernel.Mesh({
    numProp: 3,
    vertProperties: new Float32Array(positions),
    triVerts: new Uint32Array(triangles),
  });
  mesh.merge();
  return new kernel.Manifold(mesh);
}

/**
 * Closed tube about a path in the plane y = 0, rings mitred at the corners. Its polygon has the area of the
 * round section, so that cutting it out removes the right volume.
 */
export function tube(path: readonly Vec3[], radius: number, corners: number): Mesh {
  const r = radius * Math.sqrt((2 * Math.PI) / corners / Math.sin((2 * Math.PI) / corners));
  const positions: number[] = [];
  const triangles: number[] = [];
  path.forEach((p, i) => {
    const before = itemAt(path, Math.max(0, i - 1));
    const after = itemAt(path, Math.min(path.length - 1, i + 1));
    const length = Math.hypot(after[0] - before[0], after[2] - before[2]);
    const [tx, tz] = [(after[0] - before[0]) / length, (after[2] - before[2]) / length];
    // Side vectors: +y, and the tangent turned a quarter in the plane, so that (side, up, tangent) is
    // right-handed.
    for (let k = 0; k < corners; k++) {
      const turn = (2 * Math.PI * k) / corners;
      const [c, s] = [r * Math.cos(turn), r * Math.sin(turn)];
      positions.push(p[0] - s * tz, c, p[2] + s * tx);
    }
  });
  const rings = path.length;
  for (let i = 0; i + 1 < rings; i++) {
    for (let k = 0; k < corners; k++) {
      const next = (k + 1) % corners;
      const [a, b, c, d] = [
        i * corners + k,
        i * corners + next,
        (i + 1) * corners + next,
        (i + 1) * corners + k,
      ];
      triangles.push(a, b, c, a, c, d);
    }
  }
  const last = (rings - 1) * corners;
  for (let k = 1; k + 1 < corners; k++) {
    triangles.push(0, k + 1, k, last, last + k, last + k + 1);
  }
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) };
}
