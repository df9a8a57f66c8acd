import { messageOf } from '../../core/kind/index.ts';
import type { ManifoldToplevel } from 'manifold-3d';
import type { Surroundings } from '../../core/behaviour/index.ts';
import type { Design } from '../../core/document/index.ts';
import type { Vec3 } from '../../core/numeric/index.ts';
import type { Mesh } from '../../core/head/mesh.ts';
import type { Placement, SolidReport } from '../../core/exchange/import-solid.ts';
import { surfaceMesh } from '../../core/head/index.ts';
import { evaluate, PLAIN_WATER } from '../../core/judge/index.ts';
import type { Judged } from './judged.ts';
import { judge } from './judged.ts';

/** What a turnable picture needs: the closed mesh of the metal and the wires about it, in mm. */
export interface SolidModel {
  readonly positions: Float32Array;
  readonly triangles: Uint32Array;
  readonly wires: readonly {
    readonly path: readonly Vec3[];
    readonly diameter: number;
    readonly of: 'hook' | 'keeper' | 'guard';
  }[];
  readonly rings: readonly {
    readonly centre: Vec3;
    readonly radius: number;
    readonly wire: number;
    readonly axis: Vec3;
  }[];
}

/** The turnable picture of a design; undefined where it cannot be built. */
export function model(design: Design, surroundings: Surroundings): SolidModel | undefined {
  const result = evaluate(design, { ...surroundings, isShort: true });
  if (!result.ok) return undefined;
  const { hook, keeper, guard, head } = result.rig;
  const fine = { rings: 72, corners: 64 };
  const mesh = surfaceMesh(head, fine, fine);
  const { eye, hinge } = hook;
  // The ring's axis: square to the leg, and to the plane it lies in.
  const axis: Vec3 = eye.plane === 'in line' ? [0, 1, 0] : [-eye.along[2], 0, eye.along[0]];
  return {
    positions: Float32Array.from(mesh.positions),
    triangles: mesh.triangles,
    wires: [
      { path: hook.centre, diameter: hook.wire, of: 'hook' },
      ...(hinge ? [{ path: hook.legAndShank, diameter: hook.wire, of: 'hook' as const }] : []),
      ...(keeper?.wires ?? []).map((wire) => ({ ...wire, of: 'keeper' as const })),
      ...(guard?.shown() ?? []).map((wire) => ({ ...wire, of: 'guard' as const })),
    ],
    rings: [
      { centre: eye.centre, radius: eye.radius, wire: 2 * eye.wireRadius, axis },
      ...(hinge ? [hinge.loop, ...(hinge.link ? [hinge.link] : []), hinge.hookEye] : []).map((ring, i) => ({
        centre: ring.centre,
        radius: ring.radius,
        wire: 2 * ring.wireRadius,
        // Rings through each other stand crosswise in turn.
        axis: (i % 2 === 0 ? [0, 1, 0] : [0, 0, 1]) satisfies Vec3,
      })),
    ],
  };
}

/** Reads an STL or 3MF and tells what is to be said of it. */
export async function examine(kernel: ManifoldToplevel, bytes: Uint8Array): Promise<SolidReport> {
  const [{ examineSolid }, { readStl }, { readThreeMf }] = await Promise.all([
    import('../../core/exchange/import-solid.ts'),
    import('../../core/exchange/stl.ts'),
    import('../../core/exchange/threemf.ts'),
  ]);
  const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b;
  return examineSolid(kernel, isZip ? readThreeMf(bytes) : readStl(bytes));
}

/** A design around a solid set on the shank, judged, or why it cannot be. */
export async function placedSolid(
  mesh: Mesh,
  placement: Placement,
  name: string,
  file: string,
): Promise<{ design: Design; judged: Judged } | { reason: string }> {
  const { importedDesign, placeSolid } = await import('../../core/exchange/import-solid.ts');
  try {
    const design = importedDesign(name, file, placeSolid(mesh, placement));
    return { design, judged: judge(design, PLAIN_WATER) };
  } catch (error) {
    return { reason: messageOf(error) };
  }
}
