import { itemAt, lastOf, numberAt } from '../numeric/at.ts';
import { inMetal } from '../assembly/bodies.ts';
import type { Rig } from '../assembly/rig.ts';
import { halve } from '../numeric/halve.ts';
import { crossing } from '../numeric/root.ts';
import type { Vec3 } from '../numeric/vec.ts';
import type { Place } from './bent-wire.ts';
import { BentWire, between } from './bent-wire.ts';

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

/**
 * The hook of a rig as its line pulls at it: held where its wire last leaves the metal; a free one is held by
 * nothing but the line at its own eye.
 */
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
  i === 0 || between(itemAt(line, i - 1), place) > 1e-6;

/** How much of its gap a hook has lost for good that counts as opened. */
const OPENED = 0.05;

/**
 * The hook as the pull finds it: the wire up to where the load sits, farthest from the tie, and what is
 * beyond.
 */
interface Loaded {
  /** from the place that is held to the load */
  readonly line: readonly Place[];
  /** the same in the pieces it is reckoned in */
  readonly chain: readonly Place[];
  /** from the load to the tip */
  readonly beyond: readonly Place[];
}

function loaded({ wire, tie }: PulledHook): Loaded | undefined {
  const off = wire.map((place) => between(place, tie));
  const far = off.indexOf(Math.max(...off));
  const [before, at, after] = [wire[far - 1], wire[far], wire[far + 1]];
  if (!before || !at || !after) return undefined;
  // The farthest lies between corners: the top of the parabola through three of them.
  const [a, b, c] = [numberAt(off, far - 1), numberAt(off, far), numberAt(off, far + 1)];
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
    lengths.push(numberAt(lengths, i - 1) + between(itemAt(line, i - 1), itemAt(line, i)));
  const whole = lastOf(lengths);
  let at = 1;
  return Array.from({ length: count + 1 }, (_, k): Place => {
    const wanted = (whole * k) / count;
    while (at < line.length - 1 && numberAt(lengths, at) < wanted) at++;
    const [a, b] = [itemAt(line, at - 1), itemAt(line, at)];
    const [from, to] = [numberAt(lengths, at - 1), numberAt(lengths, at)];
    const share = to > from ? (wanted - from) / (to - from) : 0;
    return [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share];
  });
}

/**
 * Pull along the line from the tie to the bend at which the first fibre of the wire yields, N, the hook still
 * in its shape: curved bar of round section (Winkler & Bach; Timoshenko, Strength of Materials II; Roark,
 * curved beams), every section with its own radius and lever. `yieldStrength` in N/mm², above 0. NaN where no
 * wire stands out.
 */
export function yieldLoad(hook: PulledHook, yieldStrength: number): number {
  const found = loaded(hook);
  if (!found) return NaN;
  const { line } = found;
  const load = lastOf(line);
  const reach = between(load, hook.tie);
  const [ux, uz] = [(hook.tie[0] - load[0]) / reach, (hook.tie[1] - load[1]) / reach];
  const c = hook.diameter / 2;
  const area = Math.PI * c * c;
  let worst = 0;
  for (let i = 0; i < line.length - 1; i++) {
    const [at, next] = [itemAt(line, i), itemAt(line, i + 1)];
    const lever = Math.abs((at[0] - load[0]) * uz - (at[1] - load[1]) * ux);
    const length = between(at, next);
    const tension = Math.abs((next[0] - at[0]) * ux + (next[1] - at[1]) * uz) / length / area;
    const before = line[i - 1];
    const turn = before ? turning(before, at, next) : 0;
    const radius = before && turn !== 0 ? (between(before, at) + length) / 2 / Math.abs(turn) : Infinity;
    worst = Math.max(worst, tension + lever * insideFactor(Math.max(radius, TIGHTEST * c), c));
  }
  return yieldStrength / worst;
}

/**
 * Radius of the tightest bend of a wire, over half its thickness: corners of a drawn line may seem tighter.
 */
const TIGHTEST = 2;

/** Angle by which a line turns from one piece to the next, radians. */
function turning(a: Place, b: Place, c: Place): number {
  const [ux, uz, vx, vz] = [b[0] - a[0], b[1] - a[1], c[0] - b[0], c[1] - b[1]];
  const turn = Math.atan2(ux * vz - uz * vx, ux * vx + uz * vz);
  return Math.abs(turn) < 1e-9 ? 0 : turn;
}

/**
 * Stress at the inside of a bar of round section, curved about a radius and `c` thick to either side, for a
 * moment of one, 1/mm³.
 */
export function insideFactor(radius: number, c: number): number {
  if (radius > 1000 * c) return 4 / (Math.PI * c ** 3);
  const neutral = (c * c) / (2 * (radius - Math.sqrt(radius * radius - c * c)));
  const inside = radius - c;
  return (neutral - inside) / (Math.PI * c * c * (radius - neutral) * inside);
}

/**
 * Pull along the line from the tie at which a hook has opened for good: released, its gap is wider by a
 * twentieth. The wire bends as far as it will (large rotations), elastic and then plastic; the load stays
 * where on the wire it sat, and its line runs from there to the tie in every shape. `yieldStrength` in N/mm²,
 * above 0. NaN where no wire stands out, or where nothing opens it.
 */
export const openingLoad = (hook: PulledHook, yieldStrength: number): number =>
  numberAt(openingLoads(hook, [yieldStrength]), 0);

/**
 * As {@link openingLoad} for wires of several strengths, N each: for much less than each by itself, since a
 * stronger wire opens in about the shape of a weaker one, at a pull about as much greater as it is stronger.
 */
export function openingLoads(hook: PulledHook, yieldStrengths: readonly number[]): number[] {
  const found = loaded(hook);
  let known: { readonly perStrength: number; readonly shape: Float64Array } | undefined;
  return yieldStrengths.map((strength) => {
    if (!found) return NaN;
    const chain = new BentWire(found.chain, hook.tie, hook.diameter, strength);
    const yields = yieldLoad(hook, strength);
    let pull = NaN;
    if (known) {
      chain.shape = known.shape;
      pull = opened(
        hook,
        found,
        chain,
        NEARLY * known.perStrength * strength,
        NEAR_STEP,
        MOST_YIELDS * yields,
      );
    }
    if (Number.isNaN(pull)) {
      chain.shape = new Float64Array(chain.shape.length);
      pull = opened(hook, found, chain, yields, STEP_UP, MOST_YIELDS * yields);
    }
    if (Number.isFinite(pull)) known ??= { perStrength: pull / strength, shape: chain.shape };
    return pull;
  });
}

/**
 * The pull that opens a wire, N, looked for from one that does not, in steps of a ratio at first, up to the
 * most that is tried; NaN where it is not found.
 */
function opened(
  hook: PulledHook,
  found: Loaded,
  chain: BentWire,
  from: number,
  firstRatio: number,
  most: number,
): number {
  const whole = gapBetween(hook, found);
  const widened = (pull: number): number =>
    chain.pulled(pull) ? gapBetween(hook, found, chain.turnedForGood()) / whole - 1 - OPENED : NaN;
  // Pulled harder and harder until it is wide enough; in smaller steps where the shape of the last is too far
  // off to find the next from.
  let low = from;
  let atLow = widened(low);
  if (!(atLow <= 0)) return NaN;
  for (let ratio = firstRatio; low < most && ratio > LEAST_STEP;) {
    const before = chain.shape;
    const high = low * ratio;
    const atHigh = widened(high);
    if (atHigh > 0) {
      let isFound = true;
      const pull = crossing(
        (pull) => {
          const wider = widened(pull);
          isFound &&= !Number.isNaN(wider);
          return wider;
        },
        [low, atLow],
        [high, atHigh],
        NARROW * high,
      );
      if (isFound) return pull;
    }
    if (atHigh <= 0) [low, atLow] = [high, atHigh];
    else {
      chain.shape = before;
      ratio = Math.sqrt(ratio);
    }
  }
  // A hair more pull finds no shape at all: taken for the most it bears, and so for what opens it.
  return low < most ? low : NaN;
}

/**
 * Ratio from one pull that is tried to the next, the least of it, and how many times what yields is tried.
 */
const STEP_UP = 1.35;
/** Share of what is expected that is tried first, and the ratio to the next from there. */
const NEARLY = 0.93;
const NEAR_STEP = 1.15;
/** How near the pull is found, as a share of it. */
const NARROW = 3e-4;
const LEAST_STEP = 1.002;
const MOST_YIELDS = 30;

/** The wire outside what holds it, its corners turned, to the tip, mm. */
function turnedWire({ wire }: PulledHook, { chain, beyond }: Loaded, turns?: Float64Array): Place[] {
  const first = itemAt(wire, 0);
  const shape: Place[] = [first];
  let angle = 0;
  const follow = (from: Place, to: Place) => {
    const [x, z] = lastOf(shape);
    const [dx, dz] = [to[0] - from[0], to[1] - from[1]];
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    shape.push([x + dx * cos - dz * sin, z + dx * sin + dz * cos]);
  };
  for (let i = 0; i < chain.length - 1; i++) {
    angle += turns?.[i] ?? 0;
    follow(itemAt(chain, i), itemAt(chain, i + 1));
  }
  for (let i = 0; i < beyond.length - 1; i++) follow(itemAt(beyond, i), itemAt(beyond, i + 1));
  return shape;
}

/** Clear gap of a hook whose corners are turned, from the tip to the nearest of its shank, mm. */
function gapBetween(hook: PulledHook, found: Loaded, turns?: Float64Array): number {
  const shape = turnedWire(hook, found, turns);
  const tip = lastOf(shape);
  // To what lies round the bend, nearer to the tip, there is no gap.
  const shank = shape.slice(0, Math.max(1, shankCount(found.chain)));
  return Math.min(...[...hook.held, ...shank].map((place) => between(place, tip))) - hook.diameter;
}

/** A hook under a pull. */
export interface PulledShape {
  /** N, along the line from the tie to the bend */
  readonly pull: number;
  /** centre line from where metal holds it to the tip, mm */
  readonly wire: readonly Place[];
  /** gap under the pull, and once it is released, as shares of what it was */
  readonly gap: number;
  readonly gapAfter: number;
}

/**
 * Shapes of a hook under pulls that rise from nothing, N, as {@link openingLoad} bends it: as many of them as
 * a shape is found for, none where no wire stands out. `yieldStrength` in N/mm², above 0.
 */
export function pulledShapes(
  hook: PulledHook,
  yieldStrength: number,
  pulls: readonly number[],
): PulledShape[] {
  const found = loaded(hook);
  if (!found) return [];
  const chain = new BentWire(found.chain, hook.tie, hook.diameter, yieldStrength);
  const whole = gapBetween(hook, found);
  const shapes: PulledShape[] = [];
  for (const pull of pulls) {
    if (!chain.pulled(pull)) break;
    const turned = chain.turned();
    shapes.push({
      pull,
      wire: turnedWire(hook, found, turned),
      gap: gapBetween(hook, found, turned) / whole,
      gapAfter: gapBetween(hook, found, chain.turnedForGood()) / whole,
    });
  }
  return shapes;
}

/**
 * Corners of a chain that are shank: before it has turned by an eighth of a turn, half way round to the load.
 */
function shankCount(chain: readonly Place[]): number {
  let turned = 0;
  for (let i = 1; i < chain.length - 1; i++) {
    turned += turning(itemAt(chain, i - 1), itemAt(chain, i), itemAt(chain, i + 1));
    if (Math.abs(turned) > Math.PI / 4) return i;
  }
  return chain.length;
}
