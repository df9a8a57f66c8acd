import type { Bait } from '../../core/assembly/index.ts';
import type { ReadingId, Readings, Surroundings } from '../../core/behaviour/index.ts';
import type { Design, Problem } from '../../core/document/index.ts';
import type { Fit, GuardWays, PullFigure, Verdict, WaterFigure } from '../../core/judge/index.ts';
import type { HookPairing } from '../../core/match/index.ts';
import type { Metal } from '../../core/material/index.ts';
import type { Plastic } from '../../core/plastic/index.ts';
import type { Drawing, TurnedRig } from '../../core/plate/index.ts';
import type { MethodKey } from '../../core/rigging/index.ts';
import { solveTarget } from '../../core/assembly/index.ts';
import {
  bestPairing,
  evaluate,
  guardWays,
  judgeFit,
  mostPull,
  pullFigure,
  waterFigure,
} from '../../core/judge/index.ts';
import { hooksFor } from '../../core/match/index.ts';
import { drawingOf, turnedRig } from '../../core/plate/index.ts';
import type { Judged } from './judged.ts';
import { inTwoMetals } from './judged.ts';

/** A plastic on a head: the fit, the judged rig, and what it looks like turned about the shank. */
export interface Rigged {
  readonly fit: Fit | undefined;
  readonly judged: Judged;
  /** seen from the side the person turned it to, and from above */
  readonly turned: TurnedRig | undefined;
  readonly above: TurnedRig | undefined;
  readonly guard: GuardWays | undefined;
}

/** A plastic on a design's head by a method, judged and drawn. */
export function rig(
  design: Design,
  plastic: Plastic,
  method: MethodKey,
  surroundings: Surroundings,
  turn: number,
): Rigged {
  const result = evaluate(design, surroundings, { plastic, method });
  if (!result.ok)
    return { fit: undefined, judged: result, turned: undefined, above: undefined, guard: undefined };
  const { rig: built, ...rest } = result;
  return {
    fit: judgeFit(result, surroundings.metals),
    judged: { ...rest, drawing: drawingOf(built) },
    turned: turnedRig(built, turn),
    above: turnedRig(built, turn + 90),
    guard: guardWays(rest.design, surroundings.metals),
  };
}

/** A head with a bait on it, for a table: how it goes on, and every reading there at once. */
export interface Baited {
  readonly method: MethodKey;
  readonly verdict: Verdict;
  readonly readings: Partial<Record<ReadingId, number>>;
}

/**
 * The same bait on several heads, by one method or on each by its best; undefined for a head that cannot be
 * built.
 */
export function baited(
  designs: readonly Design[],
  plastic: Plastic,
  surroundings: Surroundings,
  method?: MethodKey,
): (Baited | undefined)[] {
  return designs.map((design) => {
    const solved = solveTarget(design, surroundings.metals);
    if (!solved.ok) return undefined;
    const way = method ?? bestPairing(solved.rig, plastic).method;
    const result = evaluate(design, surroundings, { plastic, method: way });
    if (!result.ok) return undefined;
    const readings = Object.fromEntries(
      Object.entries(result.readings).map(([id, { value }]) => [id, value]),
    );
    return { method: way, verdict: judgeFit(result, surroundings.metals).verdict, readings };
  });
}

/** Hooks for a plastic on a design's head, best first. */
export const hooks = (
  design: Design,
  plastic: Plastic,
  metals: readonly Metal[] | undefined,
): HookPairing[] => hooksFor(design, plastic, metals);

/** One head in the water: its readings and what the pictures are drawn from. */
export type Wet =
  | {
      readonly ok: true;
      readonly name: string;
      readonly metal: string;
      readonly drawing: Drawing;
      readonly readings: Readings;
      /** undefined where it floats */
      readonly water: WaterFigure | undefined;
      /** hook, line and rod as they are pulled, where asked for */
      readonly pull: PullFigure | undefined;
    }
  | { readonly ok: false; readonly name: string; readonly problems: readonly Problem[] };

/**
 * Several heads in the same water, each with the bait on it if there is one; the first in two metals, and
 * each as it is pulled, where asked for.
 */
export function wet(
  designs: readonly Design[],
  surroundings: Surroundings,
  bait?: Bait,
  inMetals = false,
  isPulled = false,
): Wet[] {
  const [first] = designs;
  const shown = inMetals && first ? inTwoMetals(first, surroundings) : designs;
  const results = shown.map((design) => ({ design, result: evaluate(design, surroundings, bait) }));
  const opens = results.map(({ result }) => (result.ok && result.readings['hook.openingLoad']?.value) || 0);
  const most = mostPull(surroundings, opens);
  return results.map(({ design, result }): Wet => {
    if (!result.ok) return { ok: false, name: design.name, problems: result.problems };
    const { rig: built, readings } = result;
    return {
      ok: true,
      name: design.name,
      metal: design.head.metal,
      drawing: drawingOf(built),
      readings,
      water: waterFigure(built, surroundings),
      pull: isPulled ? pullFigure(built, surroundings, most) : undefined,
    };
  });
}
