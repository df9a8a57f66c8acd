import type { ManifoldToplevel } from 'manifold-3d';
import { isPlain } from '../head/body.ts';
import { FINE, loft } from '../head/loft.ts';
import type { MeshQuality } from '../head/loft.ts';
import type { Mesh } from '../head/mesh.ts';
import { closedMesh } from '../head/closed-mesh.ts';
import { openEdges } from '../head/mesh.ts';
import { bodySolid, solidOf, tube } from '../head/solid.ts';
import type { Vec3 } from '../numeric/vec.ts';
import type { Rig } from './rig.ts';

/** Edges shorter than this are drawn together before a solid leaves as a file, mm. */
const FILE_GRAIN = 1e-4;
/** Corners around a wire cut out of the metal. */
const WIRE_CORNERS = 24;

/** What keeps a head from being a closed solid, in words with the remedy. */
export class SolidFlaw extends Error {}

/**
 * The closed solid of the metal as cast, in mm: body, collar and features, with hook wire, keeper wire and
 * guard hole cut out, enlarged by `factor` for a mould that allows for shrinkage. Joins and cuts are done by
 * the solid library; throws a `SolidFlaw` when the result is not a closed solid.
 */
export function castSolid(kernel: ManifoldToplevel, rig: Rig, quality: MeshQuality = FINE, factor = 1): Mesh {
  const { Manifold } = kernel;
  const { head, hook, keeper, guard } = rig;
  const whole = isPlain(head)
    ? solidOf(kernel, loft(head.profile, head.collar, quality))
    : bodySolid(kernel, head, quality);
  const kept = [whole];
  const wires: (readonly [readonly Vec3[], number])[] = [[hook.legAndShank, hook.wire / 2]];
  if (keeper?.anchor) wires.push([keeper.anchor.path, keeper.anchor.diameter / 2]);
  if (guard) wires.push([guard.bore, guard.bundleRadius]);
  for (const [path, radius] of wires) kept.push(solidOf(kernel, tube(path, radius, WIRE_CORNERS)));
  const cut = Manifold.difference(kept);
  if (cut.isEmpty())
    throw new SolidFlaw(
      'Nothing is left of the metal once wire and holes are taken out. Make the head larger or the hook smaller.',
    );
  const scaled = cut.scale(factor);
  // Corners closer than a tenth of a micrometre would fall together in the 32-bit floats of a file and leave
  // its mesh open.
  const cast = scaled.simplify(FILE_GRAIN);
  const mesh = closedMesh(cast);
  for (const piece of [...kept, cut, scaled, cast]) piece.delete();
  if (openEdges(mesh) > 0)
    throw new SolidFlaw(
      'The solid is not closed: what is cut out of it meets its own edge. Move the guard or the ' +
        'keeper a little, or change a size by a hair.',
    );
  return mesh;
}
