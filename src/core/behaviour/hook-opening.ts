import { LuDecomposition, Matrix } from 'ml-matrix';
import { inMetal } from '../build/bodies.ts';
import type { Rig } from '../build/rig.ts';
import { halve } from '../numeric/halve.ts';
import { findRoot } from '../numeric/root.ts';
import type { Vec3 } from '../numeric/vec.ts';

/** A place in the hook's plane: along the shank, and up to the point, mm. */
export type Place = readonly [x: number, z: number];

/** The wire of a hook outside what holds it, and the line that pulls at it. */
export interface PulledHook {
  /** centre line from where metal holds it rigidly to the tip, mm */
  readonly wire: readonly Place[];
  /** centre line in the metal, which stays as it is: the gap is measured to it too */
  readonly held: readonly Place[];
  /** where the line is tied */
  readonly tie: Place;
  /** diameter of the wire, mm */
  readonly diameter: number;
}

/** The hook of a rig as its line pulls at it: held where its wire last leaves the metal; a free one is held by nothing but the line at its own eye. */
export function pulledHook(rig: Pick<Rig, 'hook' | 'profile' | 'collar'>): PulledHook {
  const { centre, hinge, eye, wire } = rig.hook;
  const place = ([x, , z]: Vec3): Place => [x, z];
  const isHeld = inMetal(rig);
  const last = hinge ? 0 : Math.max(0, centre.findLastIndex(isHeld));
  const [a, b] = [centre[last], centre[last + 1]];
  // Swallowed by the metal to its tip it has none that could bend.
  if (!a || !b) return { wire: [], held: [], tie: place(eye.centre), diameter: wire };
  const on = (share: number): Vec3 => [a[0] + (b[0] - a[0]) * share, 0, a[2] + (b[2] - a[2]) * share];
  const [share] = hinge ? [0] : halve(0, 1, 12, (at) => isHeld(on(at)));
  return {
    wire: [place(on(share)), ...centre.slice(last + 1).map(place)].filter(isApart),
    // What rises to the eye is no shank, and a tip near it no gap.
    held: centre
      .slice(0, last + 1)
      .map(place)
      .filter(([, z]) => z <= wire / 2),
    tie: place(hinge ? hinge.at : eye.centre),
    diameter: wire,
  };
}

/** Whether a place of a line is not the one before once more: pieces without length have no direction. */
const isApart = (place: Place, i: number, line: readonly Place[]): boolean =>
  i === 0 || between(line[i - 1] as Place, place) > 1e-6;

/** Stiffness of steel, N/mm² (handbook value). */
const E = 200_000;
/** Stiffness left once steel yields, as a share of it: hardened wire goes on hardening a little (working value, no source). */
const HARDENING = 0.01;
/** How much of its gap a hook has lost for good that counts as opened. */
export const OPENED = 0.05;

/**
 * Moment of a round section over the one it yields at, for a curvature over the one it yields at, and how steeply it rises: elastic and perfectly
 * plastic, fibre by fibre, with a little hardening. From π/4 σ c³ it nears the plastic moment 4/3 σ c³, d³/6 (Roark, Formulas for Stress and Strain;
 * any handbook). Odd in the curvature.
 */
export function momentOver(curvature: number): readonly [moment: number, slope: number] {
  const size = Math.abs(curvature);
  if (size <= 1) return [curvature, 1];
  // The core that is still elastic, as a share of the half thickness.
  const e = 1 / size;
  const core = Math.asin(e) - e * Math.sqrt(1 - e * e) * (1 - 2 * e * e);
  const plastic = ((4 / 3) * (1 - e * e) ** 1.5 + core / (2 * e)) / (Math.PI / 4);
  const slope = HARDENING + ((1 - HARDENING) * 2 * core) / Math.PI;
  return [Math.sign(curvature) * (HARDENING * size + (1 - HARDENING) * plastic), slope];
}

/** The hook as the pull finds it: the wire up to where the load sits, farthest from the tie, and what is beyond. */
interface Loaded {
  /** from the place that is held to the load */
  readonly line: readonly Place[];
  /** the same in the pieces it is reckoned in */
  readonly chain: readonly Place[];
  /** from the load to the tip */
  readonly beyond: readonly Place[];
}

const between = (a: Place, b: Place): number => Math.hypot(b[0] - a[0], b[1] - a[1]);

function loaded({ wire, tie }: PulledHook): Loaded | undefined {
  const off = wire.map((place) => between(place, tie));
  const far = off.indexOf(Math.max(...off));
  const [before, at, after] = [wire[far - 1], wire[far], wire[far + 1]];
  if (!before || !at || !after) return undefined;
  // The farthest lies between corners: the top of the parabola through three of them.
  const [a, b, c] = [off[far - 1] as number, off[far] as number, off[far + 1] as number];
  const shift = Math.max(-0.5, Math.min(0.5, (a - c) / (2 * (a - 2 * b + c) || 1)));
  const to = shift < 0 ? before : after;
  const share = Math.abs(shift);
  const load: Place = share > 1e-6 ? [at[0] + (to[0] - at[0]) * share, at[1] + (to[1] - at[1]) * share] : at;
  const upTo = wire.slice(0, load === at || shift < 0 ? far : far + 1);
  const line = [...upTo, load];
  return {
    line,
    chain: inPieces(line, PIECES),
    beyond: [load, ...wire.slice(load === at || shift > 0 ? far + 1 : far)],
  };
}

/** Pieces the wire is reckoned in: with twice as many a pull that opens it moves by less than a hundredth. */
const PIECES = 20;

/** A line in so many pieces of equal length. */
function inPieces(line: readonly Place[], count: number): Place[] {
  const lengths = [0];
  for (let i = 1; i < line.length; i++)
    lengths.push((lengths[i - 1] as number) + between(line[i - 1] as Place, line[i] as Place));
  const whole = lengths.at(-1) as number;
  let at = 1;
  return Array.from({ length: count + 1 }, (_, k): Place => {
    const wanted = (whole * k) / count;
    while (at < line.length - 1 && (lengths[at] as number) < wanted) at++;
    const [a, b] = [line[at - 1] as Place, line[at] as Place];
    const [from, to] = [lengths[at - 1] as number, lengths[at] as number];
    const share = to > from ? (wanted - from) / (to - from) : 0;
    return [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share];
  });
}

/**
 * Pull along the line from the tie to the bend at which the first fibre of the wire yields, N, the hook still in its shape: curved bar of round section
 * (Winkler & Bach; Timoshenko, Strength of Materials II; Roark, curved beams), every section with its own radius and lever. `yieldStrength` in
 * N/mm², above 0. NaN where no wire stands out.
 */
export function yieldLoad(hook: PulledHook, yieldStrength: number): number {
  const found = loaded(hook);
  if (!found) return NaN;
  const { line } = found;
  const load = line.at(-1) as Place;
  const reach = between(load, hook.tie);
  const [ux, uz] = [(hook.tie[0] - load[0]) / reach, (hook.tie[1] - load[1]) / reach];
  const c = hook.diameter / 2;
  const area = Math.PI * c * c;
  let worst = 0;
  for (let i = 0; i < line.length - 1; i++) {
    const [at, next] = [line[i] as Place, line[i + 1] as Place];
    const lever = Math.abs((at[0] - load[0]) * uz - (at[1] - load[1]) * ux);
    const length = between(at, next);
    const tension = Math.abs((next[0] - at[0]) * ux + (next[1] - at[1]) * uz) / length / area;
    const before = line[i - 1];
    const turn = before ? turning(before, at, next) : 0;
    const radius = turn === 0 ? Infinity : (between(before as Place, at) + length) / 2 / Math.abs(turn);
    worst = Math.max(worst, tension + lever * insideFactor(Math.max(radius, TIGHTEST * c), c));
  }
  return yieldStrength / worst;
}

/** Radius of the tightest bend of a wire, over half its thickness: corners of a drawn line may seem tighter. */
const TIGHTEST = 2;

/** Angle by which a line turns from one piece to the next, radians. */
function turning(a: Place, b: Place, c: Place): number {
  const [ux, uz, vx, vz] = [b[0] - a[0], b[1] - a[1], c[0] - b[0], c[1] - b[1]];
  const turn = Math.atan2(ux * vz - uz * vx, ux * vx + uz * vz);
  return Math.abs(turn) < 1e-9 ? 0 : turn;
}

/** Stress at the inside of a bar of round section, curved about a radius and `c` thick to either side, for a moment of one, 1/mm³. */
export function insideFactor(radius: number, c: number): number {
  if (radius > 1000 * c) return 4 / (Math.PI * c ** 3);
  const neutral = (c * c) / (2 * (radius - Math.sqrt(radius * radius - c * c)));
  const inside = radius - c;
  return (neutral - inside) / (Math.PI * c * c * (radius - neutral) * inside);
}

/**
 * Pull along the line from the tie at which a hook has opened for good: let go, its gap is wider by a twentieth. The wire bends as far as it will (large
 * rotations), elastic and then plastic; the load stays where on the wire it sat, and its line runs from there to the tie in every shape.
 * `yieldStrength` in N/mm², above 0. NaN where no wire stands out, or where nothing opens it.
 */
export function openingLoad(hook: PulledHook, yieldStrength: number): number {
  const found = loaded(hook);
  if (!found) return NaN;
  const chain = new BentChain(found.chain, hook.tie, hook.diameter, yieldStrength);
  const whole = gapBetween(hook, found);
  const widened = (pull: number): number =>
    chain.pulled(pull) ? gapBetween(hook, found, chain.turnedForGood()) / whole - 1 - OPENED : NaN;
  // Pulled harder and harder until it is wide enough; in smaller steps where the shape of the last is too far off to find the next from.
  let low = yieldLoad(hook, yieldStrength);
  let atLow = widened(low);
  const most = MOST_YIELDS * low;
  for (let ratio = STEP_UP; low < most && ratio > LEAST_STEP;) {
    const before = chain.shape;
    const high = low * ratio;
    const atHigh = widened(high);
    if (atHigh > 0) {
      const share = crossing(atLow, atHigh, (share) => {
        chain.shape = before;
        return widened(low + (high - low) * share);
      });
      if (Number.isFinite(share)) return low + (high - low) * share;
    }
    if (atHigh <= 0) [low, atLow] = [high, atHigh];
    else {
      chain.shape = before;
      ratio = Math.sqrt(ratio);
    }
  }
  // No more pull is borne at all: it gives way where it stands.
  return low < most ? low : NaN;
}

/** Ratio from one pull that is tried to the next, the least of it, and how many times what yields is tried. */
const STEP_UP = 1.35;
const LEAST_STEP = 1.002;
const MOST_YIELDS = 30;

/** Where a function crosses nothing, as a share of the way between two places with these values, within a thousandth of the way. */
function crossing(atLow: number, atHigh: number, at: (share: number) => number): number {
  const root = findRoot((share) => (share === 0 ? atLow : share === 1 ? atHigh : at(share)), 0, 1, 1e-3);
  return root.ok ? root.x : NaN;
}

/**
 * A wire held at one end and pulled at the other towards the tie, as a chain of stiff pieces that turn against each other at its corners as the section
 * bends, elastic and then plastic. In balance the moment of every corner is the pull times its distance from the line in the bent shape (Newton's
 * method from the shape before, so that it is asked with pulls that rise in steps).
 */
class BentChain {
  private curvatures: Float64Array;
  private readonly lengths: readonly number[];
  private readonly yields: number;
  private readonly bends: number;
  private readonly x: Float64Array;
  private readonly z: Float64Array;

  constructor(
    private readonly chain: readonly Place[],
    private readonly tie: Place,
    diameter: number,
    yieldStrength: number,
  ) {
    const c = diameter / 2;
    this.yields = (Math.PI / 4) * c ** 3 * yieldStrength;
    this.bends = yieldStrength / (E * c);
    const count = chain.length - 1;
    this.curvatures = new Float64Array(count);
    this.x = new Float64Array(count + 1);
    this.z = new Float64Array(count + 1);
    this.lengths = chain.slice(0, -1).map((place, i) => {
      const [before, after] = [chain[i - 1], chain[i + 1] as Place];
      return ((before ? between(before, place) : 0) + between(place, after)) / 2;
    });
  }

  /** Curvature of each corner over the one it yields at. */
  get shape(): Float64Array {
    return this.curvatures.slice();
  }
  set shape(curvatures: Float64Array) {
    this.curvatures = curvatures.slice();
  }

  /** Takes the shape of a pull, N; false where none is found, and then it keeps the one it had. */
  pulled(pull: number): boolean {
    const kept = this.shape;
    const { curvatures, lengths, yields, bends, x, z, tie } = this;
    const n = curvatures.length;
    const slopes = Matrix.zeros(n, n);
    const right = Matrix.zeros(n, 1);
    for (let round = 0; round < MOST_ROUNDS; round++) {
      this.lay();
      const [lx, lz] = [x[n] as number, z[n] as number];
      const reach = Math.hypot(tie[0] - lx, tie[1] - lz);
      const [ux, uz] = [(tie[0] - lx) / reach, (tie[1] - lz) / reach];
      let worst = 0;
      for (let j = 0; j < n; j++) {
        const [rx, rz] = [lx - (x[j] as number), lz - (z[j] as number)];
        const [held, slope] = momentOver(curvatures[j] as number);
        // The load pulls away from the tie: −u.
        const over = held - (pull * (rz * ux - rx * uz)) / yields;
        worst = Math.max(worst, Math.abs(over));
        right.set(j, 0, -over);
        for (let i = 0; i < n; i++) {
          const turn = bends * (lengths[i] as number);
          // What a turn at corner i does to the load, and to corner j where that lies behind it.
          const [gx, gz] = [-(lz - (z[i] as number)) * turn, (lx - (x[i] as number)) * turn];
          const [dx, dz] = i < j ? [-rz * turn, rx * turn] : [gx, gz];
          const along = gx * ux + gz * uz;
          const [dux, duz] = [-(gx - ux * along) / reach, -(gz - uz * along) / reach];
          const moved = (pull * (dz * ux + rz * dux - dx * uz - rx * duz)) / yields;
          slopes.set(j, i, (i === j ? slope : 0) - moved);
        }
      }
      if (worst < BALANCED) return true;
      const change = new LuDecomposition(slopes).solve(right).to1DArray();
      const most = change.reduce(
        (most, by, i) => Math.max(most, Math.abs(by) * bends * (lengths[i] as number)),
        0,
      );
      const share = Math.min(1, MOST_TURN / most);
      for (let i = 0; i < n; i++) curvatures[i] = (curvatures[i] as number) + share * (change[i] as number);
    }
    this.curvatures = kept;
    return false;
  }

  /** Angle each corner keeps when let go, radians: unloading is elastic. */
  turnedForGood(): Float64Array {
    return this.curvatures.map(
      (curvature, i) => (curvature - momentOver(curvature)[0]) * this.bends * (this.lengths[i] as number),
    );
  }

  private lay(): void {
    const { chain, curvatures, lengths, bends, x, z } = this;
    [x[0], z[0]] = chain[0] as Place;
    let angle = 0;
    for (let i = 0; i < curvatures.length; i++) {
      angle += (curvatures[i] as number) * bends * (lengths[i] as number);
      const [a, b] = [chain[i] as Place, chain[i + 1] as Place];
      const [dx, dz, cos, sin] = [b[0] - a[0], b[1] - a[1], Math.cos(angle), Math.sin(angle)];
      x[i + 1] = (x[i] as number) + dx * cos - dz * sin;
      z[i + 1] = (z[i] as number) + dx * sin + dz * cos;
    }
  }
}

/** How near to balance a corner must be, over the moment it yields at; rounds that are tried; and the most a corner turns in one, radians. */
const BALANCED = 1e-6;
const MOST_ROUNDS = 25;
const MOST_TURN = 0.1;

/** Clear gap of a hook whose corners are turned for good, from the tip to the nearest of its shank, mm. */
function gapBetween(
  { held, wire, diameter }: PulledHook,
  { chain, beyond }: Loaded,
  turns?: Float64Array,
): number {
  const first = wire[0] as Place;
  const shape: Place[] = [first];
  let angle = 0;
  const follow = (from: Place, to: Place) => {
    const [x, z] = shape.at(-1) as Place;
    const [dx, dz] = [to[0] - from[0], to[1] - from[1]];
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    shape.push([x + dx * cos - dz * sin, z + dx * sin + dz * cos]);
  };
  for (let i = 0; i < chain.length - 1; i++) {
    angle += turns?.[i] ?? 0;
    follow(chain[i] as Place, chain[i + 1] as Place);
  }
  for (let i = 0; i < beyond.length - 1; i++) follow(beyond[i] as Place, beyond[i + 1] as Place);
  const tip = shape.at(-1) as Place;
  // The shank ends where the wire has come half way round to the load; to what lies nearer to the tip there is no gap.
  const shank = shape.slice(0, Math.max(1, shankCount(chain)));
  return Math.min(...[...held, ...shank].map((place) => between(place, tip))) - diameter;
}

/** Corners of a chain that are shank: before it has turned by an eighth of a turn for good towards the load. */
function shankCount(chain: readonly Place[]): number {
  let turned = 0;
  for (let i = 1; i < chain.length - 1; i++) {
    turned += turning(chain[i - 1] as Place, chain[i] as Place, chain[i + 1] as Place);
    if (Math.abs(turned) > Math.PI / 4) return i;
  }
  return chain.length;
}
