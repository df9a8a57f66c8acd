import type { Assembly } from '../build/assemble.ts';
import { totalMass } from '../build/assemble.ts';
import { extent } from '../judge/evaluate.ts';
import type { Plastic } from '../document/plastic.ts';
import { plasticSection, plasticVolume, tailStart } from '../plastic/body.ts';
import type { Vec2 } from '../numeric/vec.ts';
import { degrees } from '../numeric/vec.ts';
import { submerged } from '../behaviour/submerged.ts';

export const RIG_METHODS = ['threaded', 'buried'] as const;
/** Threaded with the point bare, or weedless with the point buried in the back of the plastic. */
export type RigMethod = (typeof RIG_METHODS)[number];

/** How a plastic lies on a head, before anything is judged. Lengths in mm. */
export interface RigGeometry {
  readonly method: RigMethod;
  /** x at which the plastic's nose sits on the shank's line, mm */
  readonly seatAt: number;
  /** cut off the nose before rigging */
  readonly cut: number;
  /** distance along the body, from its (cut) nose, at which the hook comes out; NaN when it never does */
  readonly exit: number;
  /** the same as a share of the rigged body's length */
  readonly exitShare: number;
  /** clear room between plastic and point (threaded), or for the body to drop when bitten (buried) */
  readonly freeGap: number;
  /** body height where it fills the gap, as a share of the gap */
  readonly fill: number;
  /** body left between the exit and the start of tail or claws; negative when the hook reaches into them */
  readonly tailRoom: number;
  /** head height over body height just behind the seat */
  readonly shoulderHeight: number;
  /** head breadth over body breadth just behind the seat */
  readonly shoulderBreadth: number;
  /** widest of the keeper over the least thickness of the nose it goes into; 0 without a cast collar */
  readonly seat: number;
  /** largest radius of the cast collar with its barbs, mm; 0 without one */
  readonly crest: number;
  /** how far the body is bent off the shank's line, degrees */
  readonly bend: number;
  /** centre line of the body in the side view, nose first, with half-heights */
  readonly body: readonly { readonly at: Vec2; readonly halfHeight: number; readonly halfBreadth: number }[];
  /** g of head and plastic together */
  readonly mass: number;
  /** gram-force in water of the given density; negative floats */
  readonly submerged: number;
}

/** Skin left over a buried point, mm (common practice, no source). */
const SKIN = 0.8;
const STATIONS = 72;

/**
 * Lays a plastic on a head. Threaded: the body's axis follows the shank to the bend, and the hook comes out where its
 * bend rises through the back. Buried: the hook takes a little nose, leaves by the belly, and the body is laid so that its back
 * just covers the point. `cut` mm are taken off the nose first. waterDensity in kg/m³.
 */
export function layOnHead(
  assembly: Assembly,
  plastic: Plastic,
  method: RigMethod,
  waterDensity: number,
  cut = 0,
): RigGeometry {
  const { hook, collar, measures } = assembly;
  const seat = seatOf(assembly);
  const length = plastic.length - cut;
  const section = (fromNose: number) => plasticSection(plastic, fromNose + cut);
  const rise = method === 'threaded' ? threadedRise() : buriedRise(assembly, plastic, cut);
  const tipFromNose = Math.max(0, seat - hook.tip[0]);

  let exit = NaN;
  if (method === 'threaded') {
    const out = hook.centre.find(([x, , z]) => x < hook.bendStart[0] && z > section(seat - x).halfHeight);
    if (out) exit = seat - out[0];
  } else if (tipFromNose > 0 && section(tipFromNose).halfHeight > 0) {
    exit = tipFromNose;
  }
  const atPoint = section(tipFromNose).halfHeight;
  const pointClear = hook.pointHeight - hook.wire / 2;
  // Threaded, the highest of the back anywhere under the point leg is what the fish must squeeze past.
  let back = 0;
  const to = Number.isNaN(exit) ? tipFromNose : Math.max(exit, tipFromNose);
  for (let i = 0; i <= 8; i++)
    back = Math.max(back, section(tipFromNose + ((to - tipFromNose) * i) / 8).halfHeight);
  const freeGap = method === 'threaded' ? pointClear - back : rise(tipFromNose) - atPoint - hook.wire / 2;

  // What head and body are measured against each other at: just behind the seat, or amid the metal that lies in the bait.
  const amid = assembly.family.within && !hook.hinge ? seat - assembly.profile.length / 2 : 6;
  const behind = section(Math.min(amid, length * (assembly.family.within ? 0.5 : 0.1)));
  const nose = section(Math.min(-(collar?.from ?? -3), length * 0.1) / 2);
  const sizes = extent(assembly);
  const crest = collar
    ? Math.max(collar.radius(-1e-6), ...collar.breaks.map((x) => collar.radius(x - 1e-6)))
    : 0;
  const volume = plasticVolume(plastic) * (length / plastic.length);
  const part = {
    mass: (plastic.density * volume) / 1000,
    volume,
    centroid: [seat - length / 2, 0, 0] as const,
  };
  return {
    method,
    seatAt: seat,
    cut,
    exit,
    exitShare: exit / length,
    freeGap,
    fill: (2 * (method === 'threaded' ? back : atPoint)) / measures.gap,
    tailRoom: tailStart(plastic) - cut - exit,
    shoulderHeight: sizes.height / (2 * behind.halfHeight),
    shoulderBreadth: sizes.breadth / (2 * behind.halfBreadth),
    crest,
    seat: crest / Math.min(nose.halfHeight, nose.halfBreadth),
    bend: method === 'threaded' ? 0 : degrees(Math.atan2(rise(tipFromNose), Math.max(tipFromNose, 1e-9))),
    body: Array.from({ length: STATIONS + 1 }, (_, i) => {
      const fromNose = (length * i) / STATIONS;
      return { at: [seat - fromNose, rise(fromNose)] as Vec2, ...section(fromNose) };
    }),
    mass: totalMass(assembly) + part.mass,
    submerged:
      submerged({ parts: assembly.parts }, waterDensity).weight + part.mass - waterDensity * 1e-6 * volume,
  };
}

/** x at which the plastic's nose sits: at the rear face; with the metal inside the bait at the eye; with a free hook at the hook's own eye. */
export function seatOf({ family, hook }: Pick<Assembly, 'family' | 'hook'>): number {
  if (hook.hinge) return hook.hinge.hookEye.centre[0] - hook.hinge.hookEye.radius;
  return family.within ? hook.knee[0] : 0;
}

const threadedRise = () => (_fromNose: number) => 0;

/** Height of the body's axis over the shank line, weedless: up from the seat in an S-curve, level behind the point. */
function buriedRise(assembly: Assembly, plastic: Plastic, cut: number): (fromNose: number) => number {
  const { hook } = assembly;
  const tip = Math.max(seatOf(assembly) - hook.tip[0], 1);
  const level = hook.pointHeight + SKIN + hook.wire / 2 - plasticSection(plastic, tip + cut).halfHeight;
  return (fromNose) => {
    const u = Math.min(1, Math.max(0, fromNose / tip));
    return level * u * u * (3 - 2 * u);
  };
}
