import { GRAVITY } from '../material/water.ts';
import { halve } from '../numeric/halve.ts';
import { WIRE_NORMAL, WIRE_TANGENT } from './drag.ts';

/** What is towed, and on what. SI units. */
export interface Towed {
  /** submerged weight of the lure, N */
  readonly weight: number;
  /** its drag at that speed, N */
  readonly drag: number;
  /** through the water, m/s */
  readonly speed: number;
  /** of the line, m */
  readonly diameter: number;
  /** of the line, kg/m³ */
  readonly density: number;
  /** kg/m³ */
  readonly waterDensity: number;
  /** line in the water, m */
  readonly lineOut: number;
  /** drag coefficient square to the line; that of a still cylinder where absent */
  readonly normal?: number | undefined;
  /** pieces it is marched in; 200 where absent */
  readonly steps?: number;
}

export interface TowedLine {
  /** of the lure below the line's upper end, m */
  readonly depth: number;
  /** of the lure behind it, m */
  readonly distance: number;
  /** at the upper end, N */
  readonly tension: number;
  /** angle of the line at the upper end above level, radians */
  readonly angle: number;
  /** from the lure up: distance ahead of it and height above it, m */
  readonly shape: readonly (readonly [ahead: number, above: number])[];
}

/** Forces on a piece of line in steady tow, per metre. */
interface Pulls {
  readonly heavy: number;
  readonly across: number;
  readonly along: number;
}

/** Pull (level, upright) and place (ahead, above) at a point of the line: they stay smooth where it hangs straight down, or pulls with nothing. */
type State = [px: number, pz: number, x: number, z: number];

/** One step of the classical Runge-Kutta rule up the line, from `state` into `next`. */
function stepUp({ heavy, across, along }: Pulls, state: State, step: number, next: State): void {
  const [px, pz, x, z] = state;
  let [sx, sz, cx, cz] = [0, 0, 0, 0];
  let [qx, qz] = [px, pz];
  for (let stage = 0; stage < 4; stage++) {
    const pull = Math.sqrt(qx * qx + qz * qz) || 1e-12;
    const c = qx / pull;
    const s = qz / pull;
    const normal = across * s * Math.abs(s);
    const tangent = along * c * Math.abs(c);
    // Weight down, drag along it back down the line, drag square to it back and up.
    const dx = normal * s + tangent * c;
    const dz = heavy - normal * c + tangent * s;
    const weight = stage === 0 || stage === 3 ? 1 / 6 : 1 / 3;
    sx += weight * dx;
    sz += weight * dz;
    cx += weight * c;
    cz += weight * s;
    const ahead = stage === 2 ? step : step / 2;
    qx = px + ahead * dx;
    qz = pz + ahead * dz;
  }
  next[0] = px + step * sx;
  next[1] = pz + step * sz;
  next[2] = x + step * cx;
  next[3] = z + step * cz;
}

const pullsOn = ({
  speed,
  diameter,
  density,
  waterDensity,
  normal = WIRE_NORMAL,
}: Omit<Towed, 'weight' | 'drag' | 'lineOut'>): Pulls => ({
  heavy: (density - waterDensity) * GRAVITY * (Math.PI / 4) * diameter ** 2,
  across: 0.5 * waterDensity * normal * diameter * speed * speed,
  along: 0.5 * waterDensity * WIRE_TANGENT * Math.PI * diameter * speed * speed,
});

const ended = ([px, pz, distance, depth]: State, shape: TowedLine['shape']): TowedLine => ({
  depth,
  distance,
  tension: Math.hypot(px, pz),
  angle: Math.atan2(pz, px),
  shape,
});

/**
 * A line towed at a steady speed, marched from the lure up: tension and angle from the weight of the line in water and its drag by the
 * cross-flow principle, ½ρ Cn d (V sin θ)² square to it and ½ρ Ct πd (V cos θ)² along it (Hoerner, Fluid-Dynamic Drag, 1965), by the
 * classical Runge-Kutta rule. Without drag it is a catenary.
 */
export function towedLine(towed: Towed): TowedLine {
  const { weight, drag, lineOut, steps = 200 } = towed;
  const pulls = pullsOn(towed);
  const state: State = [drag, weight, 0, 0];
  const shape: (readonly [number, number])[] = [[0, 0]];
  for (let i = 0; i < steps; i++) {
    stepUp(pulls, state, lineOut / steps, state);
    shape.push([state[2], state[3]]);
  }
  return ended(state, shape);
}

/** A line from a rod's tip over the water: the part in the water, and the straight part above it. */
export interface LineToRod extends TowedLine {
  /** line in the water, m */
  readonly wet: number;
}

/**
 * As {@link towedLine}, but the line leaves the water where what is left of it reaches `height` (m, 0 or more) over the water in a straight
 * line: depth, distance and tension are those of the part in the water. Where it never leaves it, all of it is in the water.
 */
export function lineUpTo(towed: Towed, height: number): LineToRod {
  const { weight, drag, lineOut, steps = 200 } = towed;
  const pulls = pullsOn(towed);
  let state: State = [drag, weight, 0, 0];
  const shape: (readonly [number, number])[] = [[0, 0]];
  const step = lineOut / steps;
  // What the line left would reach over the tip; less with every metre in the water.
  const over = (at: State, wet: number) =>
    (lineOut - wet) * (at[1] / (Math.hypot(at[0], at[1]) || 1e-12)) - height;
  if (over(state, 0) <= 0) return { ...ended(state, shape), wet: 0 };
  for (let i = 0; i < steps; i++) {
    const next: State = [0, 0, 0, 0];
    stepUp(pulls, state, step, next);
    if (over(next, (i + 1) * step) <= 0) {
      const part: State = [0, 0, 0, 0];
      const [low] = halve(0, step, 30, (share) => {
        stepUp(pulls, state, share, part);
        return over(part, i * step + share) > 0;
      });
      stepUp(pulls, state, low, part);
      shape.push([part[2], part[3]]);
      return { ...ended(part, shape), wet: i * step + low };
    }
    state = next;
    shape.push([next[2], next[3]]);
  }
  return { ...ended(state, shape), wet: lineOut };
}
