import { float64At } from '../numeric/at.ts';
import type { Rig, RigidBody } from '../assembly/rig.ts';
import type { HeadBody } from '../head/body.ts';
import { bareHead } from '../head/body.ts';
import { wholeBulk } from '../head/bulk.ts';
import { sightOf } from '../head/surface.ts';
import type { Vec3 } from '../numeric/vec.ts';
import type { AddedMass } from './added-mass.ts';
import { addedMassOf, broadsideMoment, MUNK_SHARE, takenAlong } from './added-mass.ts';
import type { DragLaw } from './drag.ts';
import { bodyDrag, roundness, WIRE_NORMAL, WIRE_TANGENT } from './drag.ts';
import type { Shadows } from './shadow.ts';
import { shadowsOf } from './shadow.ts';

/** What falls, as the water sees it: the head's body with its drag factors, and sticks. */
export interface WetBody {
  /** drag of the head's surface; a body of wire and plastic alone has none */
  readonly surface: Shadows | undefined;
  readonly centroid: Vec3;
  /** water the head's body takes along; a body of wire and plastic has none but its sticks' */
  readonly added: AddedMass | undefined;
  /**
   * of each stick in turn: x y z of its middle, x y z along it, its drag areas square to it and along it,
   * mm², and the water it pushes aside, mm³; flat, because every attitude reads them all
   */
  readonly sticks: Float64Array;
  /** share of the sphere's law in its drag */
  readonly roundness: number;
  /** length of the head, mm */
  readonly size: number;
  /** what all of its drag is multiplied by: 1, or what was measured of this design */
  readonly factor: number;
}

/** Numbers of a stick in the list of them. */
const STICK = 9;

/** A head's bare body as the water sees it, before paint. */
interface Bare {
  readonly surface: Shadows;
  readonly added: AddedMass;
}

const bares = new WeakMap<HeadBody, Bare>();

/**
 * Found once for a body: fall, retrieve and drag over the bottom ask for it, with a plastic on the head and
 * without.
 */
function bareOf(head: HeadBody): Bare {
  const bare = bareHead(head);
  let known = bares.get(bare);
  if (!known) {
    const { mesh, area } = sightOf(head);
    const { volume } = wholeBulk(bare);
    known = { surface: shadowsOf(mesh, { volume, area }), added: addedMassOf(mesh, volume) };
    bares.set(bare, known);
  }
  return known;
}

/** The head's part of a rig, with all that is fixed to it. Paint makes the body larger by its own volume. */
export function wetHead(rig: Rig): WetBody & Bare {
  const { surface, added } = bareOf(rig.head);
  const paint = rig.parts.find(({ name }) => name === 'paint')?.volume ?? 0;
  return {
    surface: { ...surface, equalDiameter: Math.cbrt(surface.equalDiameter ** 3 + (6 * paint) / Math.PI) },
    centroid: rig.body.centroid,
    added: { ...added, volume: added.volume + paint },
    sticks: sticksOf(rig.bodies[0]),
    roundness: roundness(surface.factors(0).sphericity),
    size: rig.profile.length,
    factor: rig.drag?.factor ?? 1,
  };
}

/** A free hook with what is on it: wire and plastic as sticks, no surface. */
export function wetHook(body: RigidBody, { drag }: Pick<Rig, 'drag'>): WetBody {
  return {
    surface: undefined,
    centroid: [0, 0, 0],
    added: undefined,
    sticks: sticksOf(body),
    roundness: 0,
    size: 0,
    factor: drag?.factor ?? 1,
  };
}

const sticks = new WeakMap<RigidBody, Float64Array>();

/** Found once for a body; who rolls it over takes a copy. */
function sticksOf(body: RigidBody): Float64Array {
  let known = sticks.get(body);
  if (!known) {
    known = Float64Array.from(
      body
        .sticks()
        .flatMap(({ middle, along, length, diameter, volume }) => [
          ...middle,
          ...along,
          WIRE_NORMAL * diameter * length,
          WIRE_TANGENT * Math.PI * diameter * length,
          volume ?? 0,
        ]),
    );
    sticks.set(body, known);
  }
  return known;
}

/**
 * Drag force against the motion (N), the lift of wire and bait square to it (N, up where the body moves
 * level) and the moment about a centre (N·mm, positive turns the nose down), the body moving along (sin ψ, 0,
 * −cos ψ) of its own frame: straight down at a nose-down pitch ψ, or level at a pitch of ψ − 90°. v in m/s;
 * `law` says which of the published forms a slender body takes, `munk` how much of the moment that turns it
 * broadside is left. Of a bait each piece turns as a piece of a slender body does, which takes its own water
 * along across and none lengthwise; a wire's is left out, being so thin.
 */
export function dragAt(
  body: WetBody,
  centre: Vec3,
  psi: number,
  v: number,
  rho: number,
  viscosity: number,
  law?: DragLaw,
  munk = MUNK_SHARE.likely,
) {
  const [ux, uz] = [Math.sin(psi), -Math.cos(psi)];
  const pressure = 0.5 * rho * v * v * 1e-6; // N/mm²
  const { surface, added } = body;
  const diameter = surface?.equalDiameter ?? 0;
  const re = (rho * v * diameter) / 1000 / viscosity;
  const headForce = surface
    ? pressure * bodyDrag(re, surface.factors(psi), law) * (Math.PI / 4) * diameter ** 2
    : 0;
  let force = headForce;
  let lift = 0;
  let moment =
    (body.centroid[2] - centre[2]) * -headForce * ux - (body.centroid[0] - centre[0]) * -headForce * uz;
  const { sticks } = body;
  let couple = added ? broadsideMoment(added, psi) : 0;
  for (let i = 0; i < sticks.length; i += STICK) {
    const ax = float64At(sticks, i + 3);
    const ay = float64At(sticks, i + 4);
    const az = float64At(sticks, i + 5);
    const tangent = ux * ax + uz * az;
    const nx = ux - tangent * ax;
    const nz = uz - tangent * az;
    const ny = -tangent * ay;
    const normal = Math.sqrt(nx * nx + ny * ny + nz * nz);
    const kn = pressure * float64At(sticks, i + 6) * normal;
    const kt = pressure * float64At(sticks, i + 7) * Math.abs(tangent) * tangent;
    const fx = -kn * nx - kt * ax;
    const fz = -kn * nz - kt * az;
    force -= fx * ux + fz * uz;
    // Square to the motion: up, where the body moves level.
    lift += fz * ux - fx * uz;
    moment += (float64At(sticks, i + 2) - centre[2]) * fx - (float64At(sticks, i) - centre[0]) * fz;
    // −U × U_n: what moves across takes its own water along.
    couple += float64At(sticks, i + 8) * (ux * nz - uz * nx);
  }
  const { factor } = body;
  // Twice the pressure is ρ v²; potential flow has no part in the drag that was measured.
  return {
    force: factor * force,
    moment: factor * moment + munk * 2 * pressure * couple,
    lift: factor * lift,
  };
}

/**
 * Water that moves along with a body that moves along (sin ψ, 0, −cos ψ), mm³: the head's, and of a bait what
 * moves across.
 */
export function waterAlong({ added, sticks }: WetBody, psi: number): number {
  const [ux, uz] = [Math.sin(psi), -Math.cos(psi)];
  let water = added ? added.volume * takenAlong(added, psi) : 0;
  for (let i = 0; i < sticks.length; i += STICK) {
    const tangent = ux * float64At(sticks, i + 3) + uz * float64At(sticks, i + 5);
    water += float64At(sticks, i + 8) * (1 - tangent * tangent);
  }
  return water;
}

/**
 * A body's sticks as they lie once it is rolled about its shank, for attitudes of pitch in the plane it then
 * moves in.
 */
export function rolledOver(body: WetBody, roll: Roll): WetBody {
  const sticks = body.sticks.slice();
  for (let i = 0; i < sticks.length; i += STICK)
    for (const at of [i, i + 3]) {
      const [, y, z] = rolled([0, float64At(sticks, at + 1), float64At(sticks, at + 2)], roll);
      sticks[at + 1] = y;
      sticks[at + 2] = z;
    }
  return { ...body, sticks, centroid: rolled(body.centroid, roll) };
}

/** A turn about the shank: what lies along y and z before it. */
export interface Roll {
  readonly cos: number;
  readonly sin: number;
}

/** A place once the body is rolled. */
export const rolled = ([x, y, z]: Vec3, { cos, sin }: Roll): Vec3 => [
  x,
  y * cos - z * sin,
  y * sin + z * cos,
];

/** How far a point lies ahead of another at a nose-down pitch, along the level, mm. */
export const ahead = (point: Vec3, from: Vec3, pitch: number): number =>
  (point[0] - from[0]) * Math.cos(pitch) + (point[2] - from[2]) * Math.sin(pitch);
