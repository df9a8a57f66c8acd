import type { Design } from './design.ts';
import type { GuardBody } from './fitting/guard.ts';
import { guardBody } from './fitting/guard.ts';
import { collarRevolve, wireKeeperPath } from './fitting/keeper.ts';
import type { Family } from './head/family.ts';
import { completeDimensions } from './head/family.ts';
import { familyOf } from './head/families/index.ts';
import type { Profile } from './head/profile.ts';
import { sectionHolds } from './head/profile.ts';
import type { Bulk } from './head/quadrature.ts';
import { bodyBulk, collarBulk } from './head/quadrature.ts';
import type { Revolve } from './head/revolve.ts';
import type { HookMeasures } from './hook/chart.ts';
import { hookMeasures } from './hook/chart.ts';
import type { HookPath } from './hook/path.ts';
import { hookPath, legDirection } from './hook/path.ts';
import { torusVolume, wholeWire, wireWithin } from './hook/wire.ts';
import type { Metal } from './material/metals.ts';
import { METALS, NYLON_DENSITY, STEEL_DENSITY } from './material/metals.ts';
import { findRoot } from './numeric/root.ts';
import type { Vec3 } from './numeric/vec.ts';

/** One thing of one material, where it sits. */
export interface Part {
  readonly name: 'metal' | 'hook' | 'keeper' | 'guard';
  /** g */
  readonly mass: number;
  /** mm³ of water it pushes aside */
  readonly volume: number;
  /** mm */
  readonly centroid: Vec3;
}

/** A design as built: shape, wire and parts in the body frame. Every behaviour reads this and nothing else. */
export interface Assembly {
  readonly family: Family;
  readonly dimensions: Readonly<Record<string, number>>;
  readonly profile: Profile;
  readonly collar: Revolve | undefined;
  readonly hook: HookPath;
  readonly measures: HookMeasures;
  readonly keeperWire: { readonly path: readonly Vec3[]; readonly diameter: number } | undefined;
  readonly guard: GuardBody | undefined;
  readonly metal: Metal;
  readonly density: number;
  /** body alone, without collar, before wire and holes are taken out */
  readonly body: Bulk;
  readonly collarBody: Bulk | undefined;
  /** hook wire inside metal */
  readonly wireInside: number;
  /** keeper wire and guard hole inside metal */
  readonly otherInside: number;
  readonly parts: readonly Part[];
}

/** Metal of a design: from the given store, or the reference list. */
export function designMetal(design: Design, metals: readonly Metal[] = METALS): Metal | undefined {
  return metals.find((metal) => metal.key === design.head.metal);
}

/** Total of the parts, g. */
export const totalMass = (assembly: Assembly): number =>
  assembly.parts.reduce((sum, part) => sum + part.mass, 0);

/** The metal part. */
export function metalPart({ parts }: Assembly): Part {
  const part = parts[0];
  if (part?.name !== 'metal') throw new Error('An assembly starts with its metal.');
  return part;
}

/**
 * Builds a design with the dimensions it names (no weight target is met here; see `solveTarget`).
 * The document must have passed `checkDesign`; throws where it names a family, metal or hook that does not exist.
 */
export function assemble(design: Design, metals: readonly Metal[] = METALS): Assembly {
  const family = familyOf(design.head.family);
  const metal = designMetal(design, metals);
  const measures = hookMeasures(design.hook);
  if (!family || !metal || !measures)
    throw new Error('The design names a family, metal or hook that is not known.');
  const dimensions = completeDimensions(family, design.head.dimensions);
  const profile = family.profile(dimensions);
  const density = design.head.density ?? metal.density;

  const collar = design.keeper.kind === 'collar' ? collarRevolve(design.keeper, profile) : undefined;
  const knee = profile.length * (1 - design.eye.setback);
  const legInside = legLengthInside(profile, knee, design.eye.angle);
  const hook = hookPath(measures, design.eye, { knee, legInside });
  const guard = design.guard.kind === 'fibre' ? guardBody(design.guard, profile, hook.tip) : undefined;
  const keeperWire =
    design.keeper.kind === 'wire'
      ? { path: wireKeeperPath(design.keeper, measures.wire), diameter: design.keeper.wire }
      : undefined;

  const holds = (x: number, y: number, z: number): boolean => {
    if (x >= 0 && sectionHolds(profile.section(x), y, z)) return true;
    const r = collar?.radius(x) ?? 0;
    return r > 0 && y * y + z * z <= r * r;
  };

  const body = bodyBulk(profile);
  const collarBody = collar && collarBulk(profile, collar);
  // Only leg and shank can lie in metal: `checkDesign` keeps the bend behind head and collar.
  const wire = wireWithin(hook.legAndShank, hook.wire / 2, holds);
  const keeperIn = keeperWire && wireWithin(keeperWire.path, keeperWire.diameter / 2, holds);
  // Where the guard's hole runs into the hook, that metal is gone already.
  const holdsMetal = (x: number, y: number, z: number) =>
    holds(x, y, z) && !nearPath(hook.centre, hook.wire / 2, x, y, z);
  const guardHole = guard && wireWithin(guard.bore, guard.bundleRadius, holdsMetal);

  const pieces = [
    { ...body, sign: 1 },
    ...(collarBody ? [{ ...collarBody, sign: 1 }] : []),
    ...[wire, keeperIn, guardHole]
      .filter((hole) => hole !== undefined)
      .map((hole) => ({ ...hole, sign: -1 })),
  ];
  const volume = pieces.reduce((sum, piece) => sum + piece.sign * piece.volume, 0);
  const moment = (axis: 0 | 1 | 2) =>
    pieces.reduce((sum, piece) => sum + piece.sign * piece.volume * piece.centroid[axis], 0) / volume;

  const parts: Part[] = [
    { name: 'metal', mass: (density * volume) / 1000, volume, centroid: [moment(0), moment(1), moment(2)] },
    hookPart(hook),
  ];
  if (keeperWire) {
    const whole = wholeWire(keeperWire.path, keeperWire.diameter / 2);
    parts.push({ name: 'keeper', mass: (STEEL_DENSITY * whole.volume) / 1000, ...whole });
  }
  if (guard) {
    const reach = (guard.free - guard.depth) / 2;
    const [x, y, z] = guard.base;
    parts.push({
      name: 'guard',
      mass: (NYLON_DENSITY * guard.fibreVolume) / 1000,
      volume: guard.fibreVolume,
      centroid: [x + guard.along[0] * reach, y, z + guard.along[2] * reach],
    });
  }
  return {
    family,
    dimensions,
    profile,
    collar,
    hook,
    measures,
    keeperWire,
    guard,
    metal,
    density,
    body,
    collarBody,
    wireInside: wire.volume,
    otherInside: (keeperIn?.volume ?? 0) + (guardHole?.volume ?? 0),
    parts,
  };
}

/** Hook with its eye; the last three wire diameters taper to the tip and so weigh a third. */
function hookPart(hook: HookPath): Part {
  const whole = wholeWire(hook.centre, hook.wire / 2);
  const section = (Math.PI * hook.wire ** 2) / 4;
  const taper = 2 * hook.wire * section;
  const ring = torusVolume(hook.eye.radius, hook.eye.wireRadius);
  const volume = whole.volume - taper + ring;
  const tipAt: Vec3 = [hook.tip[0] - hook.wire, 0, hook.tip[2]];
  const at = (axis: 0 | 1 | 2) =>
    (whole.volume * whole.centroid[axis] - taper * tipAt[axis] + ring * hook.eye.centre[axis]) / volume;
  return { name: 'hook', mass: (STEEL_DENSITY * volume) / 1000, volume, centroid: [at(0), at(1), at(2)] };
}

/** Whether a point lies within `radius` of a centre line in the plane y = 0. */
function nearPath(path: readonly Vec3[], radius: number, x: number, y: number, z: number): boolean {
  if (Math.abs(y) >= radius) return false;
  for (let i = 1; i < path.length; i++) {
    const [a, b] = [path[i - 1] as Vec3, path[i] as Vec3];
    const [dx, dz] = [b[0] - a[0], b[2] - a[2]];
    const share = Math.min(1, Math.max(0, ((x - a[0]) * dx + (z - a[2]) * dz) / (dx * dx + dz * dz || 1)));
    if (Math.hypot(x - a[0] - share * dx, z - a[2] - share * dz) < Math.sqrt(radius ** 2 - y ** 2))
      return true;
  }
  return false;
}

/** Length of the eye's leg from the knee on the shank line to where its centre line leaves the head, mm. */
function legLengthInside(profile: Profile, knee: number, angle: number): number {
  const along = legDirection(angle);
  const reach = 2 * profile.length + profile.section(knee).t * 2;
  // Signed by how far the point is inside: the section function itself, so that the root is smooth.
  const depth = (s: number) => {
    const x = knee + along[0] * s;
    const z = along[2] * s;
    const section = profile.section(x);
    if (section.t <= 0) return -1;
    return 1 - z / section.t;
  };
  const root = findRoot(depth, 1e-9, reach, 1e-9);
  return root.ok ? root.x : 0;
}
