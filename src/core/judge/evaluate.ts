import type { Flag, Surroundings } from '../behaviour/behaviour.ts';
import type { ReadingId, Readings } from '../behaviour/registry.ts';
import { BEHAVIOURS, reading } from '../behaviour/registry.ts';
import { withBait } from '../assembly/assemble.ts';
import type { Bait, Rig } from '../assembly/rig.ts';
import { buildSound } from '../assembly/sound.ts';
import type { Design } from '../document/design.ts';
import type { Problem } from '../document/problem.ts';

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
 * A design in its surroundings, judged, with a plastic on it if one is given: document in, flat record of
 * readings and flags out. Never throws for a document of the schema's shape.
 */
export function evaluate(design: Design, around: Surroundings = PLAIN_WATER, bait?: Bait): Evaluation {
  const sound = buildSound(design, around.metals);
  if (!sound.ok) return sound;
  const rig = bait ? withBait(sound.rig, bait) : sound.rig;
  return { ok: true, design: sound.design, rig, ...behave(rig, around) };
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
