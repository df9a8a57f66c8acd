import type { Manifold } from 'manifold-3d';
import type { Mesh } from '../head/mesh.ts';
import { openEdges } from '../head/mesh.ts';
import { closedMesh } from '../head/closed-mesh.ts';

/** Edges shorter than this are drawn together before a half leaves as a file, mm. */
const FILE_GRAIN = 1e-5;
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
      `The ${side} half falls into ${count} pieces: what is cut out of it meets its edges. Make ` +
        'the walls thicker, or take a cut back.',
    );
  const simple = half.simplify(FILE_GRAIN);
  const mesh = closedMesh(simple);
  simple.delete();
  return openEdges(mesh) === 0 ? mesh : undefined;
}
