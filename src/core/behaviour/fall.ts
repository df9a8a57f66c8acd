import type { Rig, Stick } from '../build/rig.ts';
import { totalMass } from '../build/rig.ts';
import type { Water } from '../material/water.ts';
import { GRAVITY, waterDensity, waterViscosity } from '../material/water.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { halve } from '../numeric/halve.ts';
import { degrees } from '../numeric/vec.ts';
import { behaviour, within } from './behaviour.ts';
import type { Shadows } from './shadow.ts';
import { shadowsOf } from './shadow.ts';
import { submerged } from '../build/submerged.ts';
import { bodyDrag, WIRE_NORMAL, WIRE_TANGENT } from './drag.ts';

export interface Fall {
  /** m/s; 0 when it floats */
  readonly speed: number;
  /** nose-down pitch while falling, degrees */
  readonly attitude: number;
  /** s to fall `depth` from rest */
  readonly timeTo: (depth: number) => number;
}

/** Scan step of the attitude search, radians. */
const STEP = Math.PI / 45;

/**
 * Terminal fall on a slack line: speed from submerged weight = drag of head and sticks, attitude where the moment of the drag
 * about the effective centre vanishes and turning away is opposed, reached from level. The path is taken as vertical.
 */
export function fall(rig: Rig, water: Water): Fall {
  const rho = waterDensity(water);
  const viscosity = waterViscosity(water);
  const { weight, centre } = submerged(rig, rho);
  if (weight <= 0) return { speed: 0, attitude: 0, timeTo: () => Infinity };
  const body = wetBody(rig);
  const force = (weight / 1000) * GRAVITY;

  const at = (psi: number) => {
    let v = 1;
    let drag = dragAt(body, centre, psi, v, rho, viscosity);
    for (let step = 0; step < 30; step++) {
      const next = v * Math.sqrt(force / drag.force);
      const settled = Math.abs(next - v) < 1e-7 * v;
      v = next;
      drag = dragAt(body, centre, psi, v, rho, viscosity);
      if (settled) break;
    }
    return { speed: v, moment: drag.moment };
  };

  let psi = 0;
  let here = at(psi);
  const way = Math.sign(here.moment) || 1;
  // Half a turn is enough: beyond it every head has met a place where the moment turns it back.
  for (let i = 0; i < Math.ceil(Math.PI / STEP); i++) {
    const next = at(psi + way * STEP);
    if (next.moment * way <= 0) {
      const [low, high] = halve(psi, psi + way * STEP, 20, (middle) => {
        here = at(middle);
        return here.moment * way > 0;
      });
      psi = (low + high) / 2;
      break;
    }
    psi += way * STEP;
    here = next;
  }
  const { speed } = here;

  // Run-up with the terminal drag factor: x(t) = v²/a · ln cosh(a·t/v), a from weight over mass with half the pushed-aside water moving along.
  const pushed = rig.parts.reduce((sum, part) => sum + part.volume, 0) * rho * 1e-9;
  const a = force / (totalMass(rig) / 1000 + 0.5 * pushed);
  return {
    speed,
    attitude: degrees(psi),
    timeTo: (depth) => (speed / a) * acoshOfExp((a * depth) / speed ** 2),
  };
}

/** acosh(e^y) without overflow, y ≥ 0. */
function acoshOfExp(y: number): number {
  return y > 30 ? y + Math.LN2 : Math.acosh(Math.exp(y));
}

/** What falls, as the water sees it: the head's body with its drag factors, and sticks. */
interface WetBody extends Shadows {
  readonly centroid: Vec3;
  readonly sticks: readonly Stick[];
}

/** A hinged head is taken with its hook trailing straight. */
function wetBody(rig: Rig): WetBody {
  const faces = rig.bodies[0].faces;
  if (!faces) throw new Error('A head without a surface is a mistake of the program.');
  return {
    ...shadowsOf(faces()),
    centroid: rig.body.centroid,
    sticks: rig.bodies.flatMap((body) => body.sticks()),
  };
}

/** Drag force against the fall (N) and its moment about the centre (N·mm, positive turns the nose down). v in m/s. */
function dragAt(body: WetBody, centre: Vec3, psi: number, v: number, rho: number, viscosity: number) {
  const [ux, uz] = [Math.sin(psi), -Math.cos(psi)];
  const pressure = 0.5 * rho * v * v * 1e-6; // N/mm²
  const re = (rho * v * body.equalDiameter) / 1000 / viscosity;
  const headForce = pressure * bodyDrag(re, body.factors(psi)) * (Math.PI / 4) * body.equalDiameter ** 2;
  let force = headForce;
  let moment =
    (body.centroid[2] - centre[2]) * -headForce * ux - (body.centroid[0] - centre[0]) * -headForce * uz;
  for (const { middle, along, length, diameter } of body.sticks) {
    const tangent = ux * along[0] + uz * along[2];
    const [nx, nz] = [ux - tangent * along[0], uz - tangent * along[2]];
    const ny = -tangent * along[1];
    const normal = Math.hypot(nx, ny, nz);
    const kn = pressure * WIRE_NORMAL * diameter * length * normal;
    const kt = pressure * WIRE_TANGENT * Math.PI * diameter * length * Math.abs(tangent) * tangent;
    const fx = -kn * nx - kt * along[0];
    const fz = -kn * nz - kt * along[2];
    force -= fx * ux + fz * uz;
    moment += (middle[2] - centre[2]) * fx - (middle[0] - centre[0]) * fz;
  }
  return { force, moment };
}

/**
 * Share by which the fall may be off either way. A ball's drag is known to 6%, which is 3% of speed, and its hook adds to that;
 * for other heads published forms differ by up to 27% in drag, which is 13% of speed.
 */
const SPREAD = { ball: 0.07, other: 0.13 };

/** Terminal fall on a slack line. */
export const falling = behaviour({
  key: 'fall',
  needs: 'at once',
  readings: {
    'fall.speed': {
      name: 'Fall',
      quantity: 'speed',
      unit: 'm/s',
      kind: 'model',
      group: 'In the water',
      formula: 'W g = ½ ρ v² Σ Cd A',
      note: 'Terminal fall on a slack line. Submerged weight = drag. Ball: Brown & Lawler 2003; other heads: Hölzer & Sommerfeld 2008 in the attitude of motion; hook, keeper and guard by the cross-flow principle (Hoerner 1965). No line, no plastic, vertical path.',
      compared: true,
    },
    'fall.attitude': {
      name: 'Nose down in the fall',
      quantity: 'angle',
      unit: '°',
      kind: 'model',
      group: 'In the water',
      formula: 'ψ where M_drag(ψ) = 0',
      note: 'Pitch at which the drag has no moment about the effective centre.',
      compared: true,
    },
    'fall.timeToDepth': {
      name: 'Time to depth',
      quantity: 'time',
      unit: 's',
      kind: 'model',
      group: 'In the water',
      formula: 'x = v²/a · ln cosh (a t / v)',
      note: 'Fall from rest to the given depth, with run-up; half of the displaced water moves along.',
      compared: true,
    },
  },
  read(rig, { water, depth }) {
    const { speed, attitude, timeTo } = fall(rig, water);
    const share = rig.family.isSphere ? SPREAD.ball : SPREAD.other;
    const time = timeTo(depth);
    return {
      'fall.speed': within(speed, share),
      'fall.attitude': attitude,
      'fall.timeToDepth': Number.isFinite(time) ? within(time, share) : undefined,
    };
  },
});
