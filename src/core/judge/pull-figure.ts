import type { Rig } from '../assembly/rig.ts';
import type { Surroundings } from '../behaviour/behaviour.ts';
import { elasticaLine } from '../behaviour/elastica.ts';
import { fishingOf, lineFacts, ROD_POWERS } from '../behaviour/fishing.ts';
import type { PulledShape } from '../behaviour/hook-opening.ts';
import { pulledHook, pulledShapes } from '../behaviour/hook-opening.ts';
import { WIRE_YIELD } from '../behaviour/opening.ts';
import type { Vec2 } from '../numeric/vec.ts';

/** How long a rod is drawn, m: seven feet (common practice, no source). */
const ROD_LENGTH = 2.1;
/** Shapes of a hook between nothing and the most it is pulled by. */
const STEPS = 72;

/** A hook as it is pulled, for a picture: mm in its plane, along the shank and up to the point. */
export interface PullFigure {
  /** where the line is tied */
  readonly tie: Vec2;
  /** diameter of the wire */
  readonly wire: number;
  /** centre line in the metal */
  readonly held: readonly Vec2[];
  /** under pulls that rise from nothing; it opens where they end early */
  readonly shapes: readonly PulledShape[];
  /** rod and line under those pulls, every one of them */
  readonly tackle: readonly TackleFigure[];
}

/** Rod and line under a pull, for a picture. */
export interface TackleFigure {
  /** N */
  readonly pull: number;
  /** the rod’s line from its grip: up and towards the pull, m */
  readonly rod: readonly Vec2[];
  /** how far the tip has come from where it stood, m */
  readonly tip: number;
  /** of the line as it lies slack, m */
  readonly length: number;
  /** how much longer the line is, m */
  readonly stretch: number;
  /** what bears least of line and leader bears no more: nothing bends the rod */
  readonly isParted: boolean;
  /** the reel gives line, its drag set as it is */
  readonly isSlipping: boolean;
}

/**
 * Returns rod and line under a pull, N: the rod a blank of one thickness whose tip gives as its power says,
 * the pull square to how it stood, and the line as stiff as its section.
 */
function tackleFigure(around: Surroundings, pull: number): TackleFigure {
  const fishing = fishingOf(around);
  const { stiffness, strength } = lineFacts(fishing);
  // P L²/EI with the stiffness of a cantilever’s end, k = 3 EI/L³.
  const isParted = pull >= strength;
  const load = isParted ? 0 : Math.min(400, (3 * pull) / (ROD_POWERS[fishing.rod] * ROD_LENGTH));
  const rod = elasticaLine(load).map(([up, off]): Vec2 => [up * ROD_LENGTH, off * ROD_LENGTH]);
  const [up, off] = rod.at(-1) ?? [ROD_LENGTH, 0];
  return {
    pull,
    rod,
    tip: Math.hypot(ROD_LENGTH - up, off),
    length: fishing.lineOut,
    stretch: (fishing.lineOut * Math.min(pull, strength)) / stiffness,
    isParted,
    isSlipping: pull >= fishing.brake * strength,
  };
}

/** How far beyond all that gives a pull is shown, as a ratio. */
const BEYOND = 1.08;

/** Returns the most that heads are shown pulled by, N: beyond the line's test and every pull that opens one. */
export const mostPull = (around: Surroundings, opens: readonly number[]): number =>
  BEYOND * Math.max(lineFacts(fishingOf(around)).strength, ...opens);

/** Returns the shapes of a rig’s hook, and of rod and line, under the same pulls from nothing up to `most`, N. */
export function pullFigure(rig: Rig, around: Surroundings, most: number): PullFigure {
  const hook = pulledHook(rig);
  const pulls = Array.from({ length: STEPS + 1 }, (_, i) => (most * i) / STEPS);
  return {
    tie: hook.tie,
    wire: hook.diameter,
    held: hook.held,
    shapes: pulledShapes(hook, WIRE_YIELD.usual, pulls),
    tackle: pulls.map((pull) => tackleFigure(around, pull)),
  };
}
