import type { Rig } from '../assembly/rig.ts';
import { FIBRE_MODULUS, WIRE_MODULUS } from '../material/densities.ts';
import { degrees, radians } from '../numeric/vec.ts';
import { loadFor } from './elastica.ts';

/** Breadth of a jaw's rim that presses on a guard at once, mm (working value, no source). */
const JAW = 10;

/**
 * Share of the gap by which the point must stand clear of the strands to take hold (working value, no
 * source).
 */
const BARED = 0.25;

/**
 * How far a bundle is from strands that slide freely, 0, to one rod, 1 (working value, no source: what a
 * thumb feels lies between).
 */
const RUBBING = 0.5;

/** What it takes to lay a weed guard down. */
export interface GuardForce {
  /** N, to lay the guard down until the point is bare */
  readonly force: number;
  /** of the softest it may be made of, its strands sliding freely, and of the stiffest, bent as one rod, N */
  readonly forces: readonly [number, number];
  /**
   * how far it must turn down about its base, degrees; none where it lies far enough under the point already
   */
  readonly turn: number;
  /** share of the strands that a jaw presses at once */
  readonly pressed: number;
}

/**
 * Force that lays a guard down to the hook's point: each strand a cantilever from the head, bent by the
 * elastica until the point stands clear of it by a quarter of the gap, the load square to how it stood.
 * Fanned strands stand beside the jaw: only as many are pressed as stand within its breadth. A fork bends as
 * stiffly as it would a little. Fibres of a bundle are held together at its root and rub on each other: it is
 * stiffer than they are each by itself and softer than one rod, and lies half way between in ratio, the less
 * so the wider they stand apart. Undefined without a guard.
 */
export function guardForce({ guard, hook }: Pick<Rig, 'guard' | 'hook'>): GuardForce | undefined {
  if (!guard || guard.free <= 0) return undefined;
  const [x, , z] = guard.base;
  const gap = hook.tip[2] - hook.shankLevel - hook.wire;
  const [px, pz] = [x - hook.tip[0], hook.tip[2] - BARED * gap - z];
  const standing = Math.atan2(guard.along[2], -guard.along[0]);
  const turn = standing - Math.atan2(pz, px);
  if (turn <= 0) return { force: 0, forces: [0, 0], turn: 0, pressed: 1 };
  // Beyond the strand's end the end itself must come down to the line to the point.
  const reach = Math.min(guard.free, Math.hypot(px, pz));
  const load = loadFor(Math.min(0.95, Math.sin(Math.min(turn, Math.PI / 2))));
  const apart = Math.max(0, reach - guard.parting);
  // One alone stands in the middle, whatever the fan.
  const fan = guard.count > 1 ? radians(guard.spread) / 2 : 0;
  const width = 2 * (guard.bundleRadius + apart * Math.sin(fan));
  const pressed = Math.min(1, JAW / width);
  // One strand up to where they part and so many from there: as stiff, bent a little, as this many all the
  // way (compliance ∫ (L − x)²/EI dx).
  const strands = 1 / (1 - (1 - 1 / guard.count) * (apart / reach) ** 3);
  // How close they stand where they are pressed, over how close they leave the head.
  const close = (2 * guard.bundleRadius) / width;
  const stiff = (modulus: number, rubbing: number) =>
    strands * modulus * (Math.PI / 64) * guard.strand ** 4 * guard.asOneRod ** (rubbing * close);
  const [soft, usual, hard] = FIBRE_MODULUS[guard.material] ?? WIRE_MODULUS;
  const force = (modulus: number, rubbing: number) => (pressed * load * stiff(modulus, rubbing)) / reach ** 2;
  return {
    force: force(usual, RUBBING),
    forces: [force(soft, 0), force(hard, 1)],
    turn: degrees(turn),
    pressed,
  };
}
