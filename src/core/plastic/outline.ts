import type { Vec2 } from '../numeric/vec.ts';
import type { PlacedLimb, PlasticSection } from './body.ts';
import { leftLength, limbsOf, plasticSection } from './body.ts';
import type { Plastic } from './schema.ts';
import { radians } from '../numeric/vec.ts';

/** Steps along a drawn body, and along a drawn limb. */
const STEPS = 64;
const LIMB_STEPS = 14;
/** How far a curled end turns over, and at which share of its length it begins to. */
const CURL = { turn: 3.4, from: 0.35 };

/**
 * How far a section reaches along a direction in its plane: the support function of |y/b|^n + |z/h|^n ≤ 1, by
 * its dual norm. (up, aside) is a unit vector: up the body, and to its left.
 */
export function reachOf(
  { halfBreadth: b, halfHeight: h, nt, nb }: PlasticSection,
  up: number,
  aside: number,
): number {
  const n = up >= 0 ? nt : nb;
  const q = n / (n - 1);
  return (Math.abs(b * aside) ** q + Math.abs(h * up) ** q) ** (1 / q);
}

/**
 * A tapering blade from its root to its end, as broad as told, which may curl over at its end: 1
 * anticlockwise, −1 clockwise, 0 not at all.
 */
export function bladeOutline([x0, y0]: Vec2, [x1, y1]: Vec2, broad: number, curls: -1 | 0 | 1): Vec2[] {
  const length = Math.hypot(x1 - x0, y1 - y0) || 1e-6;
  const upper: Vec2[] = [];
  const lower: Vec2[] = [];
  let [x, y] = [x0, y0];
  let turn = Math.atan2(y1 - y0, x1 - x0);
  for (let i = 0; i <= LIMB_STEPS; i++) {
    const share = i / LIMB_STEPS;
    const half = (broad / 2) * Math.max(0.12, Math.sin(Math.PI * (0.18 + 0.74 * share)));
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    upper.push([x - half * s, y + half * c]);
    lower.push([x + half * s, y - half * c]);
    const step = length / LIMB_STEPS;
    if (share >= CURL.from) turn += (curls * CURL.turn) / (LIMB_STEPS * (1 - CURL.from));
    x += step * Math.cos(turn);
    y += step * Math.sin(turn);
  }
  return [...upper, ...lower.reverse()];
}

/** Which way a curled end turns: a single one down, a pair apart. */
export const curlOf = ({ side }: PlacedLimb): -1 | 1 => (side === 1 ? -1 : 1);

/**
 * Share of its greatest height below which what is left of a body is only the root of its limbs, and is not
 * drawn.
 */
export const THREAD = 0.05;

/**
 * Breadth that a limb shows to a view turned about the body’s axis: upright faces from the side, level ones
 * from above.
 */
export function shownBreadth(
  { of, stands, broad, thickness }: PlacedLimb,
  up: number,
  aside: number,
): number {
  if (of === 'stick') return (broad + thickness) / 2;
  const flat = stands === 'upright' ? Math.abs(up) : Math.abs(aside);
  return Math.max(thickness, broad * flat);
}

/** A plastic by itself, nose at 0, tail to the left, mm: the outline of its body and of each limb. */
export interface PlasticFigure {
  readonly body: readonly Vec2[];
  readonly limbs: readonly (readonly Vec2[])[];
}

/** What a plastic reaches in a view, mm: how far up and down from its axis, and how far back. */
export function plasticReach(
  plastic: Plastic,
  view: 'side' | 'top',
): { up: number; down: number; back: number } {
  const { body, limbs } = plasticFigure(plastic, view);
  const points = [...body, ...limbs.flat()];
  return {
    up: Math.max(...points.map(([, v]) => v)),
    down: Math.max(...points.map(([, v]) => -v)),
    back: Math.max(...points.map(([u]) => -u)),
  };
}

/** A plastic seen from the side, or from above. */
export function plasticFigure(plastic: Plastic, view: 'side' | 'top'): PlasticFigure {
  const length = leftLength(plastic);
  const [up, aside] = view === 'side' ? [1, 0] : [0, 1];
  const places = Array.from(
    { length: STEPS + 1 },
    (_, i) => (length * (1 - Math.cos((Math.PI * i) / STEPS))) / 2,
  );
  const hasLimbs = limbsOf(plastic).length > 0;
  const drawn = places.filter(
    (at) => !hasLimbs || 2 * plasticSection(plastic, at).halfHeight > THREAD * plastic.height,
  );
  const edge = (sign: 1 | -1): Vec2[] =>
    drawn.map((at): Vec2 => {
      return [-at, sign * reachOf(plasticSection(plastic, at), sign * up, sign * aside)];
    });
  const limbs = limbsOf(plastic).map((limb) => {
    const { from, long, side, off, curls = false } = limb;
    const turn = radians(off);
    const seen = view === 'side' ? (side === 0 ? Math.sin(turn) : 0) : side * Math.sin(turn);
    const root: Vec2 = [-from, view === 'top' ? side * plasticSection(plastic, from).halfBreadth * 0.6 : 0];
    const isFlat = limb.stands === (view === 'side' ? 'upright' : 'level');
    return bladeOutline(
      root,
      [root[0] - long * Math.cos(turn), root[1] + long * seen],
      shownBreadth(limb, up, aside),
      curls && isFlat ? curlOf(limb) : 0,
    );
  });
  return { body: [...edge(1), ...edge(-1).reverse()], limbs };
}
