import type { Design } from '../document/design.ts';
import type { Problem } from '../document/problem.ts';
import type { Metal } from '../material/metals/metal.ts';
import { METALS } from '../material/metals/index.ts';
import { checkBuilt, checkFitted, checkSizes } from './check.ts';
import { lookUp } from './known.ts';
import type { Rig } from './rig.ts';
import { meetTarget } from './solve.ts';

/**
 * A design that can be made, with the sizes that meet its weight and its rig; or all that keeps it from that.
 */
export type Sound =
  | { readonly ok: true; readonly design: Design; readonly rig: Rig }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/**
 * Meets a design's weight and asks everything of it that a head must be to be made: names, sizes, fit, and
 * what only the built head shows.
 */
export function buildSound(design: Design, metals: readonly Metal[] = METALS): Sound {
  const looked = lookUp(design, metals);
  if (!looked.ok) return looked;
  const { known } = looked;
  const outside = checkSizes(design, known);
  if (outside.length > 0) return { ok: false, problems: outside };
  const solved = meetTarget(design, known);
  if (!solved.ok) return { ok: false, problems: [solved.problem] };
  // Only the solved sizes count: a target may rescue ones that do not fit the hook yet.
  const unfit = checkFitted(solved.design, known);
  if (unfit.length > 0) return { ok: false, problems: unfit };
  const unsound = checkBuilt(solved.rig);
  return unsound.length > 0 ? { ok: false, problems: unsound } : solved;
}
