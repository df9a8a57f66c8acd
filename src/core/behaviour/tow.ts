import type { Rig } from '../assembly/rig.ts';
import { submerged } from '../assembly/submerged.ts';
import type { Water } from '../material/water.ts';
import { GRAVITY, waterDensity, waterViscosity } from '../material/water.ts';
import { steadyNear } from '../numeric/steady.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { degrees } from '../numeric/vec.ts';
import type { Fishing } from './fishing.ts';
import { lineFacts } from './fishing.ts';
import { hanging } from './hang.ts';
import type { LineToRod } from './towed-line.ts';
import { lineUpTo } from './towed-line.ts';
import type { WetBody } from './wet-body.ts';
import { ahead, dragAt, wetHead, wetHook } from './wet-body.ts';

/** Steps of a whole turn in which steady pitches are looked for. */
const TURN = 72;

/** A head on a line, in water: what it weighs there and how it goes. */
export interface Tow {
  /** submerged weight, N */
  readonly weight: number;
  /**
   * drag at a speed through the water (m/s), N, and the nose-down pitch it takes there, degrees; `munk` is
   * how much of the moment that turns it broadside is left, the likely share where absent
   */
  readonly at: (speed: number, munk?: number) => Towing;
}

/** How a head is towed at a speed. */
export interface Towing {
  /** of head, hook and bait, N */
  readonly drag: number;
  /** what wire and bait, met at an angle, are lifted by, N; below zero they are pressed down */
  readonly lift: number;
  /** nose-down pitch of the head, degrees */
  readonly pitch: number;
  /**
   * nose-down pitch of a free hook's shank, degrees: below 0 its bend lies deeper than the hinge; undefined
   * of a fixed one
   */
  readonly hookPitch: number | undefined;
}

/**
 * A head towed level: it takes the pitch in which its weight and drag balance about the eye, the one nearest
 * to how it hangs. A free hook is a body of its own: it takes the pitch in which its weight, or the lift of a
 * bait that floats, and its drag balance about the hinge, and pulls there at the head. Undefined where it
 * floats.
 */
export function towed(rig: Rig, water: Water): Tow | undefined {
  const rho = waterDensity(water);
  const viscosity = waterViscosity(water);
  const { weight } = submerged(rig, rho);
  if (!(weight > 0)) return undefined;
  const { eye } = rig.places;
  const newtons = (grams: number) => (grams / 1000) * GRAVITY;
  const head = wetHead(rig);
  const { hinge } = rig.hook;
  // What hangs from the eye: a free hook's weight counts at its hinge.
  const hung = hanging(rig, rho).centre;
  const hang = Math.atan2(hung[0] - eye[0], eye[2] - hung[2]);
  const ballast = submerged(rig.bodies[0], rho);
  const at = (speed: number, munk?: number): Towing => {
    // Level motion at a pitch is motion straight down at a quarter turn more.
    const dragged = (body: WetBody, about: Vec3, pitch: number) =>
      dragAt(body, about, pitch + Math.PI / 2, speed, rho, viscosity, undefined, munk);
    const steady = (moment: (pitch: number) => number, near: number) =>
      steadyNear(moment, near, { step: (2 * Math.PI) / TURN, count: TURN / 2, halvings: 24 });
    const [, free] = rig.bodies;
    if (!free || !hinge) {
      const pitch = steady(
        (p) => dragged(head, eye, p).moment + newtons(ballast.weight) * ahead(ballast.centre, eye, p),
        hang,
      );
      const { force, lift } = dragged(head, eye, pitch);
      return { drag: force, lift, pitch: degrees(pitch), hookPitch: undefined };
    }
    const wet = wetHook(free, rig);
    const { weight: hookWeight, centre } = submerged(free, rho);
    const hookPitch = steady(
      (p) => dragged(wet, hinge.at, p).moment + newtons(hookWeight) * ahead(centre, hinge.at, p),
      0,
    );
    const hooked = dragged(wet, hinge.at, hookPitch);
    const pitch = steady(
      (p) =>
        dragged(head, eye, p).moment +
        newtons(ballast.weight) * ahead(ballast.centre, eye, p) +
        newtons(hookWeight) * ahead(hinge.at, eye, p) -
        hooked.force * ahead(hinge.at, eye, p + Math.PI / 2),
      hang,
    );
    const own = dragged(head, eye, pitch);
    return {
      drag: own.force + hooked.force,
      lift: own.lift + hooked.lift,
      pitch: degrees(pitch),
      hookPitch: degrees(hookPitch),
    };
  };
  return { weight: newtons(weight), at };
}

/**
 * The line from a head to the rod at a speed through the water (m/s), weight and drag in N; water in kg/m³;
 * `normal` as for the line.
 */
export function lineToRod(
  pull: { readonly weight: number; readonly drag: number },
  speed: number,
  waterDensity: number,
  fishing: Fishing,
  normal?: number,
): LineToRod {
  const { diameter, density } = lineFacts(fishing);
  const { lineOut, rodHeight } = fishing;
  return lineUpTo({ ...pull, speed, diameter, density, waterDensity, lineOut, normal }, rodHeight);
}
