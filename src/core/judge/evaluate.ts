import type { Flag, Surroundings } from '../behaviour/behaviour.ts';
import type { ReadingId, Readings } from '../behaviour/registry.ts';
import { BEHAVIOURS, reading } from '../behaviour/registry.ts';
import { withBait } from '../assembly/assemble.ts';
import { checkBuilt, checkFitted, checkSizes } from '../assembly/check.ts';
import { lookUp } from '../assembly/known.ts';
import type { Bait, Rig } from '../assembly/rig.ts';
import { meetTarget } from '../assembly/solve.ts';
import type { Design } from '../document/design.ts';
import type { Problem } from '../document/problem.ts';
import { METALS } from '../material/metals/index.ts';

/** Fresh water at 15 °C, 3 m deep: what a design is judged in where no brief says otherwise. */
export const PLAIN_WATER: Surroundings = { water: { temperature: 15, salinity: 0 }, depth: 3 };

/** A design judged: its rig, readings and flags, or why it cannot be built. */
export type Evaluation =
  | {
      readonly ok: true;
      /** the design with the sizes that meet its weight target */
      readonly design: Design;
      readonly rig: Rig;
      readonly readings: Readings;
      readonly flags: readonly Flag[];
    }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/**
 * A design in its surroundings, judged, with a plastic on it if one is given: document in, flat record of readings and flags out. Never
 * throws for a document of the schema's shape.
 */
export function evaluate(design: Design, around: Surroundings = PLAIN_WATER, bait?: Bait): Evaluation {
  const metals = around.metals ?? METALS;
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
  if (unsound.length > 0) return { ok: false, problems: unsound };
  const rig = bait ? withBait(solved.rig, bait) : solved.rig;
  return { ok: true, design: solved.design, rig, ...behave(rig, around) };
}

/** Every behaviour's readings of a rig, and what is to be said of it. */
export function behave(rig: Rig, around: Surroundings): { readings: Readings; flags: Flag[] } {
  const readings: Partial<Record<string, Readings[ReadingId]>> = {};
  // What is not asked for says nothing either: its flags would have its figures made after all.
  const asked = BEHAVIOURS.filter(({ key }) => !around.only || around.only.has(key));
  for (const { read, needs } of asked) {
    // While a value is dragged, what takes longer waits for the hand to rest.
    if (around.isShort && needs === 'a moment later') continue;
    for (const [id, given] of Object.entries(read(rig, around))) {
      if (given === undefined) continue;
      readings[id] = reading(id as ReadingId, given);
    }
  }
  const valueOf = (id: string) => readings[id]?.value ?? NaN;
  return { readings, flags: asked.flatMap(({ flags }) => flags?.(rig, valueOf, around) ?? []) };
}
