import type { ManifoldToplevel } from 'manifold-3d';
import type { Assembly } from '../assemble.ts';
import { FINE, loft } from './loft.ts';
import type { MeshQuality } from './loft.ts';
import type { Mesh } from './mesh.ts';
import type { Vec3 } from '../numeric/vec.ts';

/** Corners around a wire cut out of the metal. */
const WIRE_CORNERS = 24;

/**
 * The closed solid of the metal as cast, in mm: body and collar joined, with hook wire, keeper wire and guard hole cut out.
 * Joins and cuts are done by the solid library handed in; throws when the result is not a closed solid.
 */
export function castSolid(kernel: ManifoldToplevel, assembly: Assembly, quality: MeshQuality = FINE): Mesh {
  const { Manifold } = kernel;
  const solid = (mesh: Mesh) => {
    const made = toManifold(kernel, mesh);
    if (made.status() !== 'NoError') throw new Error(`The solid could not be closed: ${made.status()}.`);
    return made;
  };
  const kept = [solid(loft(assembly.profile, assembly.collar, quality))];
  const wires: (readonly [readonly Vec3[], number])[] = [[assembly.hook.legAndShank, assembly.hook.wire / 2]];
  if (assembly.keeperWire) wires.push([assembly.keeperWire.path, assembly.keeperWire.diameter / 2]);
  if (assembly.guard) wires.push([assembly.guard.bore, assembly.guard.bundleRadius]);
  for (const [path, radius] of wires) kept.push(solid(tube(path, radius, WIRE_CORNERS)));
  const cast = Manifold.difference(kept);
  if (cast.isEmpty()) throw new Error('Nothing is left of the metal once wire and holes are taken out.');
  const out = cast.getMesh();
  for (const piece of [...kept, cast]) piece.delete();
  const positions = new Float64Array((out.vertProperties.length / out.numProp) * 3);
  for (let i = 0; i < positions.length / 3; i++) {
    for (let k = 0; k < 3; k++) positions[3 * i + k] = out.vertProperties[i * out.numProp + k] as number;
  }
  return { positions, triangles: Uint32Array.from(out.triVerts) };
}

/** A mesh of ours as a solid of the library's. The caller deletes it. */
export function toManifold(kernel: ManifoldToplevel, { positions, triangles }: Mesh) {
  const mesh = new kernel.Mesh({
    numProp: 3,
    vertProperties: Float32Array.from(positions),
    triVerts: Uint32Array.from(triangles),
  });
  mesh.merge();
  return new kernel.Manifold(mesh);
}

/**
 * Closed tube about a path in the plane y = 0, rings mitred at the corners. Its polygon has the area of the round section,
 * so that cutting it out removes the right volume.
 */
export function tube(path: readonly Vec3[], radius: number, corners: number): Mesh {
  const r = radius * Math.sqrt((2 * Math.PI) / corners / Math.sin((2 * Math.PI) / corners));
  const positions: number[] = [];
  const triangles: number[] = [];
  path.forEach((p, i) => {
    const before = path[Math.max(0, i - 1)] as Vec3;
    const after = path[Math.min(path.length - 1, i + 1)] as Vec3;
    const length = Math.hypot(after[0] - before[0], after[2] - before[2]);
    const [tx, tz] = [(after[0] - before[0]) / length, (after[2] - before[2]) / length];
    // Side vectors: +y, and the tangent turned a quarter in the plane, so that (side, up, tangent) is right-handed.
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
