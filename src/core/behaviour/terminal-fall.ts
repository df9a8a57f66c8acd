import type { Rig } from '../assembly/rig.ts';
import { totalMass } from '../assembly/rig.ts';
import { submerged } from '../assembly/submerged.ts';
import type { Water } from '../material/water.ts';
import { GRAVITY, waterDensity, waterViscosity } from '../material/water.ts';
import { halve } from '../numeric/halve.ts';
import { steadyPlaces } from '../numeric/steady.ts';
import { degrees, radians } from '../numeric/vec.ts';
import { MUNK_SHARE } from './added-mass.ts';
import type { DragLaw } from './drag.ts';
import { ahead, dragAt, waterAlong, wetHead, wetHook } from './wet-body.ts';

/** A steady fall. */
export interface Fall {
  /** m/s; 0 when it floats */
  readonly speed: number;
  /** plausible span of the speed, m/s */
  readonly speeds: readonly [number, number];
  /** nose-down pitch while falling, degrees from −180 to 180; beyond 90 it falls on its back */
  readonly attitude: number;
  /** plausible span of it, degrees */
  readonly attitudes: readonly [number, number];
  /**
   * every other pitch it could keep falling at, degrees: which one it takes depends on how it enters the
   * water
   */
  readonly others: readonly number[];
  /** the pitch it settles to when it enters the water nose first, degrees */
  readonly noseFirst: number;
  /** of a hinged head: nose-down pitch of the free hook's shank, degrees */
  readonly hookPitch: number | undefined;
  /** s to fall `depth` m from rest, for a terminal speed; Infinity when it floats */
  readonly timeTo: (depth: number, terminal?: number) => number;
}

/** Scan step of the attitude search, radians. */
const STEP = Math.PI / 45;
/** Steps of a whole turn. */
const TURN = 90;
/** How near a body is to a pitch it keeps when it is in it, radians: as fine as those are halved to. */
const AT_IT = 1e-6;

/**
 * Share by which speed may be off either way. A ball's drag is known to 6%, which is 3% of speed, and its
 * hook adds to that; for other heads published forms differ by up to 27% in drag, which is 13% of speed; for
 * slender ones by far more: their span goes beyond the outermost of those forms by what a hook adds.
 */
const SPREAD = { ball: 0.07, other: 0.13 };
/**
 * How far the drag of the head's body may act from its middle, as a share of its size: what the attitude's
 * span comes from (working value, no source).
 */
export const OFF_CENTRE = 0.03;
/** Turns beyond which the span of the attitude is not followed, steps: a quarter turn. */
const SPAN_STEPS = TURN / 4;

/**
 * Terminal fall on a slack line: speed from submerged weight = drag of head and sticks, attitude where the
 * moment of the drag about the effective centre and that which turns it broadside vanish together and turning
 * away is opposed, reached from level. The path is taken as vertical.
 */
export function fall(rig: Rig, water: Water): Fall {
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
      noseFirst: 0,
      hookPitch: undefined,
      timeTo: () => Infinity,
    };
  const body = wetHead(rig);
  const force = (weight / 1000) * GRAVITY;
  const free = freeHook(rig, rho, viscosity);
  const own = submerged(rig.bodies[0], rho);
  const pivot = free ? free.hinge : centre;
  const ownForce = (own.weight / 1000) * GRAVITY;

  let last = 1;
  let hook = { pitch: 0, factor: 0 };
  const at = (psi: number, tolerance = 1e-7, law?: DragLaw, munk?: number) => {
    let v = last;
    let drag = dragAt(body, pivot, psi, v, rho, viscosity, law, munk);
    for (let step = 0; step < 30; step++) {
      const next = v * Math.sqrt(force / (drag.force + hook.factor * v * v));
      const settled = Math.abs(next - v) < tolerance * v;
      v = next;
      drag = dragAt(body, pivot, psi, v, rho, viscosity, law, munk);
      if (settled) break;
    }
    last = v;
    // A rigid head turns about the point its weight acts at; a hinged one about its hinge, where its own
    // weight has a lever.
    const lever = free ? ownForce * ahead(own.centre, pivot, psi) : 0;
    return { speed: v, moment: drag.moment + lever };
  };
  const settle = () => {
    // Once round, coarsely: the sign of the moment hardly hangs on the speed, and one step from that of the
    // pitch before is within a hundredth of it.
    const { stable, first, fromNose } = steadyPitches((turn, isFine) => at(turn, isFine ? 1e-4 : 0.1).moment);
    return { stable, psi: first, fromNose, speed: at(first).speed };
  };
  let { stable, psi, speed, fromNose } = settle();
  // The free hook takes its own pitch in the flow, which changes the speed, which changes the pitch: a few
  // rounds are enough.
  for (let round = 0; free && round < 4; round++) {
    hook = free.at(speed, psi);
    ({ stable, psi, speed, fromNose } = settle());
  }

  const { roundness: round, size } = body;
  // Where it turns to were more or less of the broadside moment left, and the drag of its body off its middle
  // by a share of its size.
  const off = force * size * OFF_CENTRE;
  const ends = [MUNK_SHARE.least, MUNK_SHARE.most].flatMap((munk) =>
    [-off, off].map((more) => followed((turn) => at(turn, 1e-3, undefined, munk).moment + more, psi)),
  );
  const span = [Math.min(psi, ...ends), Math.max(psi, ...ends)] as const;

  const spread = round * SPREAD.ball + (1 - round) * SPREAD.other;
  // Measured drag has the span it was measured with; speed goes with its root.
  const { drag } = rig;
  const over = (law: DragLaw) => [psi, ...span].map((turn) => at(turn, 1e-7, law).speed);
  const slow = drag
    ? speed * Math.sqrt(drag.factor / drag.high)
    : Math.min(speed * (1 - spread), ...over('most').map((v) => v * (1 - SPREAD.ball)));
  const fast = drag
    ? speed * Math.sqrt(drag.factor / drag.low)
    : Math.max(speed * (1 + spread), ...over('least').map((v) => v * (1 + SPREAD.ball)));

  // Run-up with the terminal drag factor: x(t) = v²/a · ln cosh(a·t/v), a from weight over mass with the
  // water that moves along.
  const pushed = (waterAlong(body, psi) + (free?.waterAlong(hook.pitch) ?? 0)) * rho * 1e-9;
  const a = force / (totalMass(rig) / 1000 + pushed);
  const pitch = (turn: number) => degrees(turn > Math.PI ? turn - 2 * Math.PI : turn);
  const attitude = pitch(psi);
  return {
    noseFirst: pitch(fromNose),
    hookPitch: free ? pitch(hook.pitch) : undefined,
    speed,
    speeds: [slow, fast],
    attitude,
    attitudes: [attitude - degrees(psi - span[0]), attitude + degrees(span[1] - psi)],
    others: stable.filter((turn) => turn !== psi).map(pitch),
    timeTo: (depth, terminal = speed) => (terminal / a) * acoshOfExp((a * depth) / terminal ** 2),
  };
}

/**
 * Pitches at which a body keeps its way: the moment that turns the nose down goes from + to − as the nose
 * drops. All of them, the one it comes to from level and the one it comes to from straight nose-down; level
 * and 0 where there are none. Radians, 0 to 2π. `moment` of the pitch, in any unit, is told when a place is
 * being halved.
 */
export function steadyPitches(moment: (psi: number, isFine?: boolean) => number) {
  const stable = [...steadyPlaces(moment, { from: 0, step: STEP, count: TURN, halvings: 20 })];
  // The first one met the way the moment turns it from where it starts; angles run up from 0 to a whole turn,
  // and round to 0 again.
  const from = (start: number): number => {
    const down = stable.find((psi) => psi > start - AT_IT) ?? stable[0];
    const up = stable.findLast((psi) => psi < start + AT_IT) ?? stable.at(-1);
    return (moment(start) >= 0 ? down : up) ?? 0;
  };
  return { stable, first: from(0), fromNose: from(Math.PI / 2) };
}

/**
 * The pitch a body goes to from one nearby when its moment has changed: the way that turns it, until it
 * vanishes; at most a quarter turn on. Radians, and not brought back into a turn.
 */
function followed(moment: (psi: number) => number, from: number): number {
  const way = moment(from) >= 0 ? 1 : -1;
  for (let i = 1; i <= SPAN_STEPS; i++) {
    const there = from + way * i * STEP;
    if (way * moment(there) > 0) continue;
    const [low] = halve(there - way * STEP, there, 6, (middle) => way * moment(middle) > 0);
    return low;
  }
  return from + way * SPAN_STEPS * STEP;
}

/**
 * How far a free hook swings off the line of the head before wire meets wire, degrees (working value, no
 * source).
 */
export const SWING = 110;

/** The free hook of a hinged head as the water carries it. */
function freeHook(rig: Rig, rho: number, viscosity: number) {
  const [, body] = rig.bodies;
  if (!body || !rig.joint) return undefined;
  const wet = wetHook(body, rig);
  const { weight, centre } = submerged(body, rho);
  const force = (weight / 1000) * GRAVITY;
  const hinge = rig.joint.at;
  return {
    hinge,
    waterAlong: (pitch: number) => waterAlong(wet, pitch),
    /**
     * its pitch at a speed of fall, the steady one nearest to straight behind the head, and its drag over the
     * speed squared, N s²/m²
     */
    at: (speed: number, headPitch: number) => {
      const moment = (psi: number) =>
        dragAt(wet, hinge, psi, speed, rho, viscosity).moment + force * ahead(centre, hinge, psi);
      const off = (psi: number) => Math.abs(Math.atan2(Math.sin(psi - headPitch), Math.cos(psi - headPitch)));
      const { stable } = steadyPitches(moment);
      const pitch = stable
        .filter((psi) => off(psi) <= radians(SWING))
        .reduce((best, psi) => (off(psi) < off(best) ? psi : best), stable[0] ?? headPitch);
      return { pitch, factor: dragAt(wet, hinge, pitch, speed, rho, viscosity).force / speed ** 2 };
    },
  };
}

/** acosh(e^y) without overflow, y ≥ 0. */
function acoshOfExp(y: number): number {
  return y > 30 ? y + Math.LN2 : Math.acosh(Math.exp(y));
}
