import type { Manifold } from 'manifold-3d';
import type { Mesh } from '../head/mesh.ts';
import { openEdges } from '../head/mesh.ts';
import { closedMesh } from '../head/closed-mesh.ts';

/** Edges shorter than this are drawn together before a half leaves as a file, mm. */
const FILE_GRAIN = 1e-5;
/**
 * Less than this is no piece of a half, mm³: a facet without thickness, or a crumb between two cuts that goes
 * with the chips. Of lead it would be a milligram.
 */
const CRUMB = 0.1;

/**
 * A half as it leaves in a file: in one piece, without crumbs; undefined where its corners, rounded, leave it
 * open. Throws a sentence where nothing is left of it or where it falls into pieces.
 */
export function fileMesh(half: Manifold, side: string): Mesh | undefined {
  if (half.isEmpty()) throw new Error(`Nothing is left of the ${side} half. Make the walls thicker.`);
  const simple = half.simplify(FILE_GRAIN);
  // Drawing its short edges together sets facets free, too.
  const pieces = simple.decompose();
  try {
    const [body, ...others] = pieces.filter((piece) => piece.volume() > CRUMB);
    if (others.length > 0)
      throw new Error(
        `The ${side} half falls into ${others.length + 1} pieces: what is cut out of it meets its edges or ` +
          'another cut. Make the walls thicker, or take a cut back.',
      );
    // A hollow is a piece of its own, of less than no volume, and stays.
    const isHollow = pieces.some((piece) => piece.volume() < -CRUMB);
    const mesh = closedMesh(isHollow || !body ? simple : body);
    return openEdges(mesh) === 0 ? mesh : undefined;
  } finally {
    for (const piece of [simple, ...pieces]) piece.delete();
  }
}
