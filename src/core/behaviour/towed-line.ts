import { float64At, itemAt } from '../numeric/at.ts';
import { GRAVITY } from '../material/water.ts';
import { findRoot } from '../numeric/root.ts';
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
}

/** Where a towed lure runs, and what its line does. */
export interface TowedLine {
  /** of the lure below the line's upper end, m */
  readonly depth: number;
  /** of the lure behind it, m */
  readonly distance: number;
  /** at the upper end, N */
  readonly tension: number;
  /** angle of the line at the upper end above level, radians */
  readonly angle: number;
  /**
   * estimate of what the march's steps may have put the depth off by, m: what each puts off by its own
   * estimate, the turn carried on up the line
   */
  readonly error: number;
  /** from the lure up: distance ahead of it and height above it, m */
  readonly shape: readonly (readonly [ahead: number, above: number])[];
}

/** Forces on a piece of line in steady tow, per metre. */
interface Pulls {
  readonly heavy: number;
  readonly across: number;
  readonly along: number;
}

/**
 * Pull (level, upright, N) and place (ahead, above, m) at a point of the line: they stay smooth where it
 * hangs straight down, or pulls with nothing.
 */
type State = readonly [px: number, pz: number, x: number, z: number];

/**
 * Coefficients of Dormand & Prince's pair of the fifth and fourth order (J. Comput. Appl. Math. 6 (1980) 19,
 * table 2), row by row.
 */
const A = [
  [1 / 5],
  [3 / 40, 9 / 40],
  [44 / 45, -56 / 15, 32 / 9],
  [19372 / 6561, -25360 / 2187, 64448 / 6561, -212 / 729],
  [9017 / 3168, -355 / 33, 46732 / 5247, 49 / 176, -5103 / 18656],
  [35 / 384, 0, 500 / 1113, 125 / 192, -2187 / 6784, 11 / 84],
].map((row) => Float64Array.from(row));
const LAST = itemAt(A, 5);
/** Weights of the fifth order less those of the fourth. */
const E = Float64Array.of(71 / 57600, 0, -71 / 16695, 71 / 1920, -17253 / 339200, 22 / 525, -1 / 40);

interface Step {
  readonly to: State;
  /** of pull, over the pull there, and of depth, m */
  readonly error: { readonly pull: number; readonly depth: number };
}

/**
 * The change of pull and place with each metre at the seven stages of a step: of the pull's level and upright
 * parts, and the cosine and sine of the line's slope. One set for all: a march is hundreds of steps, and
 * nothing in it waits.
 */
const [DX, DZ, COS, SIN] = [
  new Float64Array(7),
  new Float64Array(7),
  new Float64Array(7),
  new Float64Array(7),
];

/**
 * Works out a stage: weight down, drag along the line back down it, drag square to it back and up. Where the
 * line lies changes nothing.
 */
function ratesAt({ heavy, across, along }: Pulls, px: number, pz: number, stage: number): void {
  const pull = Math.sqrt(px * px + pz * pz) || 1e-12;
  const c = px / pull;
  const s = pz / pull;
  const normal = across * s * Math.abs(s);
  const tangent = along * c * Math.abs(c);
  DX[stage] = normal * s + tangent * c;
  DZ[stage] = heavy - normal * c + tangent * s;
  COS[stage] = c;
  SIN[stage] = s;
}

/** The first stages of a kind, weighted and summed. */
function weighted(rates: Float64Array, weights: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < weights.length; i++) sum += float64At(weights, i) * float64At(rates, i);
  return sum;
}

/** One step of that pair up the line from a state. */
function stepUp(pulls: Pulls, [px, pz, x, z]: State, step: number): Step {
  ratesAt(pulls, px, pz, 0);
  let [qx, qz] = [px, pz];
  for (let stage = 1; stage < 7; stage++) {
    const row = itemAt(A, stage - 1);
    qx = px + step * weighted(DX, row);
    qz = pz + step * weighted(DZ, row);
    ratesAt(pulls, qx, qz, stage);
  }
  const [offX, offZ] = [step * weighted(DX, E), step * weighted(DZ, E)];
  return {
    to: [qx, qz, x + step * weighted(COS, LAST), z + step * weighted(SIN, LAST)],
    error: {
      pull: Math.sqrt((offX * offX + offZ * offZ) / (qx * qx + qz * qz || 1e-24)),
      depth: Math.abs(step * weighted(SIN, E)),
    },
  };
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

/**
 * Error that one step may make, of the pull and of the depth so far: some dozens of them, carried on along
 * the line, stay under a ten-thousandth.
 */
const TOLERANCE = { pull: 1e-7, depth: 1e-6 };
/**
 * First step, over the length in which load alone would make up the pull: the line may lay over within it.
 */
const FIRST = 0.05;
/** Steps that no march comes near to: one that needs more is a mistake of the program. */
const MOST_STEPS = 10_000;

/** A line from a rod's tip over the water: the part in the water, and the straight part above it. */
export interface LineToRod extends TowedLine {
  /** line in the water, m */
  readonly wet: number;
}

/**
 * Marches the line from the lure up, in steps as long as its bend allows, to the end or to where `over` (of a
 * state and the metres of line below it) falls to nothing.
 */
function march(towed: Towed, over: (at: State, wet: number) => number): LineToRod {
  const { weight, drag, lineOut } = towed;
  const pulls = pullsOn(towed);
  let state: State = [drag, weight, 0, 0];
  let [wet, error, turned] = [0, 0, 0];
  const shape: (readonly [number, number])[] = [[0, 0]];
  /** What a step may have put off, its turn of the line carried on over all that follows. */
  const erred = (step: Step, length: number) => {
    turned += step.error.pull;
    error += step.error.depth + turned * length;
  };
  const ended = (): LineToRod => ({
    depth: state[3],
    distance: state[2],
    tension: Math.hypot(state[0], state[1]),
    angle: Math.atan2(state[1], state[0]),
    error,
    shape,
    wet,
  });
  if (!(over(state, 0) > 0)) return ended();
  const load = Math.hypot(pulls.heavy, pulls.across + pulls.along);
  let step = Math.min(lineOut, FIRST * (Math.hypot(weight, drag) / load)) || lineOut;
  for (let count = 0; wet < lineOut; count++) {
    if (count > MOST_STEPS) throw new Error('A line was marched without end: a mistake of the program.');
    const isLast = step >= lineOut - wet;
    const length = isLast ? lineOut - wet : step;
    const tried = stepUp(pulls, state, length);
    const deep = Math.max(Math.abs(tried.to[3]), 1e-6 * lineOut);
    const off = Math.max(tried.error.pull / TOLERANCE.pull, tried.error.depth / deep / TOLERANCE.depth);
    // The usual rule for a pair of this order: the error goes with the fifth power of the step (Hairer,
    // Nørsett & Wanner 1993, II.4).
    step = length * Math.min(5, Math.max(0.2, 0.9 * (off || 1e-12) ** -0.2));
    if (off > 1) continue;
    const end = isLast ? lineOut : wet + length;
    if (over(tried.to, end) > 0) {
      bend(shape, state, tried.to, length);
      state = tried.to;
      erred(tried, length);
      wet = end;
      continue;
    }
    // Within this step the line leaves the water.
    const [from, below] = [state, wet];
    const root = findRoot((part) => over(stepUp(pulls, from, part).to, below + part), 0, length, 1e-9);
    const part = root.ok ? root.x : length;
    const last = stepUp(pulls, from, part);
    bend(shape, state, last.to, part);
    state = last.to;
    erred(last, part);
    wet = below + part;
    break;
  }
  return ended();
}

/** Points between those of the march that its picture is drawn through. */
const BETWEEN = 3;

/**
 * Adds a step's points to a shape: where it ends, and some between on the cubic through its ends and
 * directions.
 */
function bend(
  shape: (readonly [number, number])[],
  [px, pz, x, z]: State,
  [qx, qz, u, w]: State,
  length: number,
): void {
  const [begins, ends] = [length / (Math.hypot(px, pz) || 1e-12), length / (Math.hypot(qx, qz) || 1e-12)];
  for (let i = 1; i <= BETWEEN; i++) {
    const t = i / (BETWEEN + 1);
    const [h0, h1] = [(1 + 2 * t) * (1 - t) ** 2, t * t * (3 - 2 * t)];
    const [d0, d1] = [t * (1 - t) ** 2 * begins, -t * t * (1 - t) * ends];
    shape.push([h0 * x + h1 * u + d0 * px + d1 * qx, h0 * z + h1 * w + d0 * pz + d1 * qz]);
  }
  shape.push([u, w]);
}

/**
 * A line towed at a steady speed, marched from the lure up: tension and angle from the weight of the line in
 * water and its drag by the cross-flow principle, ½ρ Cn d (V sin θ)² square to it and ½ρ Ct πd (V cos θ)²
 * along it (Hoerner, Fluid-Dynamic Drag, 1965), by Dormand & Prince's pair with steps as long as the line's
 * bend allows: one that lays over within a hand's breadth of a light lure is followed there, and one that
 * hangs straight for fifty metres takes a few steps. Without drag it is a catenary.
 */
export const towedLine = (towed: Towed): TowedLine => march(towed, () => 1);

/**
 * As {@link towedLine}, but the line leaves the water where what is left of it reaches `height` (m, 0 or more)
 * over the water in a straight line: depth, distance and tension are those of the part in the water. Where it
 * never leaves it, all of it is in the water.
 */
export const lineUpTo = (towed: Towed, height: number): LineToRod =>
  // What the line left would reach over the tip; less with every metre in the water.
  march(towed, ([px, pz], wet) => (towed.lineOut - wet) * (pz / (Math.hypot(px, pz) || 1e-12)) - height);
