import type { Rig } from '../build/rig.ts';
import { totalMass } from '../build/rig.ts';
import type { Water } from '../material/water.ts';
import { GRAVITY, waterDensity, waterViscosity } from '../material/water.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { halve } from '../numeric/halve.ts';
import { degrees } from '../numeric/vec.ts';
import type { Flag, Surroundings } from './behaviour.ts';
import { behaviour } from './behaviour.ts';
import type { Shadows } from './shadow.ts';
import { shadowsOf } from './shadow.ts';
import { submerged } from '../build/submerged.ts';
import { bareHead, wholeBulk } from '../head/body.ts';
import { surfaceOf } from '../head/surface.ts';
import type { DragLaw } from './drag.ts';
import { bodyDrag, roundness, WIRE_NORMAL, WIRE_TANGENT } from './drag.ts';

export interface Fall {
  /** m/s; 0 when it floats */
  readonly speed: number;
  /** plausible span of the speed, m/s */
  readonly speeds: readonly [number, number];
  /** nose-down pitch while falling, degrees from −180 to 180; beyond 90 it falls on its back */
  readonly attitude: number;
  /** plausible span of it, degrees */
  readonly attitudes: readonly [number, number];
  /** every other pitch it could keep falling at, degrees: which one it takes depends on how it enters the water */
  readonly others: readonly number[];
  /** s to fall `depth` m from rest, for a terminal speed; Infinity when it floats */
  readonly timeTo: (depth: number, terminal?: number) => number;
}

/** Scan step of the attitude search, radians. */
const STEP = Math.PI / 45;
/** Steps of a whole turn. */
const TURN = 90;

/**
 * Share by which speed may be off either way. A ball's drag is known to 6%, which is 3% of speed, and its hook adds to that;
 * for other heads published forms differ by up to 27% in drag, which is 13% of speed; for slender ones by far more: their span goes beyond the outermost of those forms by what a hook adds.
 */
const SPREAD = { ball: 0.07, other: 0.13 };
/** How far the drag of the head's body may act from its middle, as a share of its size: what the attitude's span comes from (working value, no source). */
const OFF_CENTRE = 0.03;
/** Share of the water pushed aside that moves along: a sphere's (Lamb, Hydrodynamics, article 92). */
const MOVED_ALONG = 0.5;

/**
 * Terminal fall on a slack line: speed from submerged weight = drag of head and sticks, attitude where the moment of the drag
 * about the effective centre vanishes and turning away is opposed, reached from level. The path is taken as vertical.
 */
export function fall(rig: Rig, water: Water, isQuick = false): Fall {
  const rho = waterDensity(water);
  const viscosity = waterViscosity(water);
  const { weight, centre } = submerged(rig, rho);
  if (weight <= 0)
    return {
      speed: 0,
      speeds: [0, 0],
      attitude: 0,
      attitudes: [0, 0],
      others: [],
      timeTo: () => Infinity,
    };
  const body = wetBody(rig, isQuick);
  const force = (weight / 1000) * GRAVITY;

  let last = 1;
  const at = (psi: number, tolerance = 1e-7, law?: DragLaw) => {
    let v = last;
    let drag = dragAt(body, centre, psi, v, rho, viscosity, law);
    for (let step = 0; step < 30; step++) {
      const next = v * Math.sqrt(force / drag.force);
      const settled = Math.abs(next - v) < tolerance * v;
      v = next;
      drag = dragAt(body, centre, psi, v, rho, viscosity, law);
      if (settled) break;
    }
    last = v;
    return { speed: v, moment: drag.moment };
  };

  // Once round: the moment at every step, from level on. Its sign hardly hangs on the speed.
  const moments = Array.from({ length: TURN + 1 }, (_, i) => at(i * STEP, 1e-2).moment);
  const stable: number[] = [];
  for (let i = 0; i < TURN; i++) {
    // Steady where a nose that drops further is pushed up again: the moment that turns it down goes from + to −.
    if (!((moments[i] as number) > 0 && (moments[i + 1] as number) <= 0)) continue;
    const [low, high] = halve(i * STEP, (i + 1) * STEP, 20, (middle) => at(middle, 1e-4).moment > 0);
    stable.push((low + high) / 2);
  }
  const way = (moments[0] as number) < 0 ? -1 : 1;
  // The first one met when it turns the way level drag turns it; angles run up from 0 to a whole turn.
  const psi = (way > 0 ? stable[0] : stable.at(-1)) ?? 0;
  const { speed } = at(psi);

  const { roundness: round, size } = body;
  const spread = round * SPREAD.ball + (1 - round) * SPREAD.other;
  const slow = Math.min(speed * (1 - spread), at(psi, 1e-7, 'most').speed * (1 - SPREAD.ball));
  const fast = Math.max(speed * (1 + spread), at(psi, 1e-7, 'least').speed * (1 + SPREAD.ball));
  // What a shift of the body's drag by its share of the size turns it by, at the steepness of the moment there.
  const steep = (at(psi + STEP / 4).moment - at(psi - STEP / 4).moment) / (STEP / 2);
  const sway = Math.min(Math.PI / 4, Math.abs((force * size * OFF_CENTRE) / (steep || 1e-12)));

  // Run-up with the terminal drag factor: x(t) = v²/a · ln cosh(a·t/v), a from weight over mass with the water that moves along.
  const pushed = rig.parts.reduce((sum, part) => sum + part.volume, 0) * rho * 1e-9;
  const a = force / (totalMass(rig) / 1000 + MOVED_ALONG * pushed);
  const pitch = (turn: number) => degrees(turn > Math.PI ? turn - 2 * Math.PI : turn);
  const attitude = pitch(psi);
  return {
    speed,
    speeds: [slow, fast],
    attitude,
    attitudes: [attitude - degrees(sway), attitude + degrees(sway)],
    others: stable.filter((turn) => turn !== psi).map(pitch),
    timeTo: (depth, terminal = speed) => (terminal / a) * acoshOfExp((a * depth) / terminal ** 2),
  };
}

/** acosh(e^y) without overflow, y ≥ 0. */
function acoshOfExp(y: number): number {
  return y > 30 ? y + Math.LN2 : Math.acosh(Math.exp(y));
}

/** What falls, as the water sees it: the head's body with its drag factors, and sticks. */
interface WetBody extends Shadows {
  readonly centroid: Vec3;
  /** of each stick in turn: x y z of its middle, x y z along it, and its drag areas square to it and along it, mm²; flat, because every attitude reads them all */
  readonly sticks: Float64Array;
  /** share of the sphere's law in its drag */
  readonly roundness: number;
  /** length of the head, mm */
  readonly size: number;
}

/** Numbers of a stick in the list of them. */
const STICK = 8;

/** A hinged head is taken with its hook trailing straight. Paint makes the body larger by its own volume. */
function wetBody(rig: Rig, isQuick: boolean): WetBody {
  const faces = rig.bodies[0].faces;
  if (!faces) throw new Error('A head without a surface is a mistake of the program.');
  const bare = bareHead(rig.head);
  const shadows = shadowsOf(faces(), {
    volume: wholeBulk(bare).volume,
    area: surfaceOf(rig.head, isQuick).bare,
  });
  const paint = rig.parts.find(({ name }) => name === 'paint')?.volume ?? 0;
  const { equalDiameter } = shadows;
  return {
    ...shadows,
    equalDiameter: Math.cbrt(equalDiameter ** 3 + (6 * paint) / Math.PI),
    centroid: rig.body.centroid,
    sticks: Float64Array.from(
      rig.bodies.flatMap((body) =>
        body
          .sticks()
          .flatMap(({ middle, along, length, diameter }) => [
            ...middle,
            ...along,
            WIRE_NORMAL * diameter * length,
            WIRE_TANGENT * Math.PI * diameter * length,
          ]),
      ),
    ),
    roundness: roundness(shadows.factors(0).sphericity),
    size: rig.profile.length,
  };
}

/**
 * Drag force against the fall (N) and its moment about the centre (N·mm, positive turns the nose down). v in m/s; `law` says
 * which of the published forms a slender body takes.
 */
function dragAt(
  body: WetBody,
  centre: Vec3,
  psi: number,
  v: number,
  rho: number,
  viscosity: number,
  law?: DragLaw,
) {
  const [ux, uz] = [Math.sin(psi), -Math.cos(psi)];
  const pressure = 0.5 * rho * v * v * 1e-6; // N/mm²
  const re = (rho * v * body.equalDiameter) / 1000 / viscosity;
  const headForce = pressure * bodyDrag(re, body.factors(psi), law) * (Math.PI / 4) * body.equalDiameter ** 2;
  let force = headForce;
  let moment =
    (body.centroid[2] - centre[2]) * -headForce * ux - (body.centroid[0] - centre[0]) * -headForce * uz;
  const { sticks } = body;
  for (let i = 0; i < sticks.length; i += STICK) {
    const ax = sticks[i + 3] as number;
    const ay = sticks[i + 4] as number;
    const az = sticks[i + 5] as number;
    const tangent = ux * ax + uz * az;
    const nx = ux - tangent * ax;
    const nz = uz - tangent * az;
    const ny = -tangent * ay;
    const normal = Math.sqrt(nx * nx + ny * ny + nz * nz);
    const kn = pressure * (sticks[i + 6] as number) * normal;
    const kt = pressure * (sticks[i + 7] as number) * Math.abs(tangent) * tangent;
    const fx = -kn * nx - kt * ax;
    const fz = -kn * nz - kt * az;
    force -= fx * ux + fz * uz;
    moment += ((sticks[i + 2] as number) - centre[2]) * fx - ((sticks[i] as number) - centre[0]) * fz;
  }
  return { force, moment };
}

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
      note: 'Terminal fall on a slack line. Submerged weight = drag. Ball: Brown & Lawler 2003, into which near-balls pass without a step; other heads: Hölzer & Sommerfeld 2008 in the attitude of motion; slender ones a quarter of the way from that to Hoerner’s law for streamlined bodies (1965), with a span from Ganser 1993 to his. Paint adds its size. Hook, keeper and guard by the cross-flow principle (Hoerner 1965). The hook of a hinged head is taken as trailing straight. No line, no plastic, vertical path.',
      compared: true,
    },
    'fall.attitude': {
      name: 'Nose down in the fall',
      quantity: 'angle',
      unit: '°',
      kind: 'model',
      group: 'In the water',
      formula: 'ψ where M_drag(ψ) = 0',
      note: 'Pitch at which the drag has no moment about the effective centre and turning away is opposed: the first met from level. The span is what a centre of drag 3% of the length away would turn it by (working value). Hinged heads: the hook trails straight.',
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
  read(rig, around) {
    const { speed, speeds, attitude, attitudes, timeTo } = fallen(rig, around);
    if (speed === 0) return { 'fall.speed': { value: 0, range: [0, 0] } };
    const { depth } = around;
    return {
      'fall.speed': { value: speed, range: speeds },
      'fall.attitude': { value: attitude, range: attitudes },
      'fall.timeToDepth': {
        value: timeTo(depth),
        range: [timeTo(depth, speeds[1]), timeTo(depth, speeds[0])],
      },
    };
  },
  flags(rig, _value, around) {
    const { speed, attitudes, others } = fallen(rig, around);
    const flags: Flag[] = [];
    if (speed > 0 && others.length > 0) {
      const [first = 0] = others;
      flags.push({
        level: 'note',
        code: 'falls two ways',
        path: '/head',
        text: `Fall: it can also keep falling ${tilted(first)}. Which way it takes depends on how it enters the water.`,
        brief: `falls two ways, also ${tilted(first)}`,
      });
    }
    if (speed > 0 && attitudes[0] < 0 && attitudes[1] > 0) {
      flags.push({
        level: 'note',
        code: 'falls near level',
        path: '/head',
        text: 'Fall: its weight sits so near the middle of its drag that it may fall nose down or nose up. A little weight moved decides it.',
        brief: 'may fall nose down or up',
      });
    }
    if (rig.joint && speed > 0) {
      flags.push({
        level: 'note',
        code: 'hook taken as trailing',
        path: '/hook/joint',
        text: 'Fall: the free hook is reckoned as trailing straight behind the head. In truth it swings, and the head falls somewhat otherwise.',
        brief: 'free hook reckoned as straight',
      });
    }
    return flags;
  },
});

/** Falls found last, by rig: readings and flags of one judgement ask for the same. */
const falls = new WeakMap<Rig, { readonly around: Surroundings; readonly fall: Fall }>();

function fallen(rig: Rig, around: Surroundings): Fall {
  const known = falls.get(rig);
  if (known?.around === around) return known.fall;
  const found = fall(rig, around.water, around.isQuick);
  falls.set(rig, { around, fall: found });
  return found;
}

/** A pitch in words. */
const tilted = (pitch: number): string => {
  const whole = `${Math.round(Math.abs(pitch))}°`;
  return pitch < 0 ? `nose up by ${whole}` : `nose down by ${whole}`;
};
