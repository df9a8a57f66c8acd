import type { HeadBody } from './body.ts';
import { bareHead, mostAside, profileExtent, reachAt, widestOf } from './body.ts';
import { halve } from '../numeric/halve.ts';
import { clamp } from '../numeric/vec.ts';
import type { Span } from './features/shape.ts';
import type { Section } from './profile.ts';

/** Greatest sizes of a head, mm. */
export interface Extent {
  /** rear face to nose, what cuts leave of it */
  readonly length: number;
  readonly breadth: number;
  readonly height: number;
  /** above and below the shank line */
  readonly rise: number;
  readonly drop: number;
}

/** Places looked at along and across before the best of them is closed in on. */
const ALONG = 48;
const ACROSS = 12;
/**
 * Halvings of the step while closing in: to a fifteen-thousandth of the first, a hundred-thousandth of a
 * millimetre or so.
 */
const HALVINGS = 14;

/** A bound on steps along a narrow ridge. */
const MOST_TRIES = 400;

/** What a body reaches at a place along and across it, mm. */
interface Place {
  readonly x: number;
  readonly y: number;
  readonly value: number;
}

const extents = new WeakMap<HeadBody, Extent>();

/**
 * Greatest sizes of a body over its length, fins and cuts included, its collar left out, mm; the height is
 * from its lowest to its highest, wherever they are.
 */
export function extent(head: HeadBody): Extent {
  let known = extents.get(head);
  if (!known) {
    known = measured(bareHead(head));
    extents.set(head, known);
  }
  return known;
}

function measured(head: HeadBody): Extent {
  const { profile, shapes } = head;
  const { half, rise, drop } = profileExtent(profile);
  const { length } = profile;
  if (shapes.length === 0) return { length, breadth: 2 * half, height: rise + drop, rise, drop };
  const inside = (x: number) => clamp(x, length * 1e-6, length * (1 - 1e-6));
  const xs = [
    ...profile.breaks,
    ...shapes.flatMap(({ breaks }) => breaks.flatMap((x) => [x - 1e-6, x + 1e-6])),
    ...Array.from({ length: ALONG - 1 }, (_, i) => (length * (i + 1)) / ALONG),
  ].map(inside);
  const widest = widestOf(head);
  const even = Array.from({ length: ACROSS }, (_, j) => (half * j) / ACROSS);
  // Where a cut begins the edge stands highest: a hair to either side of it is looked at.
  const across = (x: number) => [
    ...even,
    ...shapes.flatMap(({ edges }) => edges(x).flatMap((y) => [y - 1e-6, y + 1e-6])),
  ];
  const spans = (x: number, y: number) => head.spans(inside(x), clamp(Math.abs(y), 0, widest));
  const top = (of: readonly number[]) => of.at(-1) ?? -Infinity;
  const bottom = (of: readonly number[]) => -(of[0] ?? Infinity);
  /** What a way of a body's own reaches at x at most, with what its shapes leave and add there. */
  const mostOf = (own: (section: Section) => number, side: (bounds: Span) => number) => (x: number) => {
    if (head.mesh) return Infinity;
    let most = own(profile.section(x));
    for (const { sign, from, to, bounds } of shapes) {
      if (x < from || x > to) continue;
      if (sign > 0) most = Math.max(most, bounds ? side(bounds(x)) : Infinity);
      else if (bounds) most = Math.min(most, side(bounds(x)));
    }
    return most;
  };
  /**
   * Looks along the head for the greatest of something, first where it can be most: where that is no more
   * than what is found no place is looked at.
   */
  const greatest = (mostAt: (x: number) => number, look: (x: number) => Place[]): Place => {
    let best: Place = { x: 0, y: 0, value: -Infinity };
    for (const { x, most } of xs.map((at) => ({ x: at, most: mostAt(at) })).sort((m, n) => n.most - m.most)) {
      if (most <= best.value) break;
      for (const place of look(x)) if (place.value > best.value) best = place;
    }
    return best;
  };
  const highest = (mostAt: (x: number) => number, end: (of: readonly number[]) => number) => {
    const place = greatest(mostAt, (x) => across(x).map((y) => ({ x, y, value: end(spans(x, y)) })));
    return closeIn((x, y) => end(spans(x, y)), place, length / ALONG, half / ACROSS);
  };
  const up = highest(
    mostOf(
      ({ t }) => t,
      ([, upper]) => upper,
    ),
    top,
  );
  const down = highest(
    mostOf(
      ({ d }) => d,
      ([lower]) => -lower,
    ),
    bottom,
  );
  const reach = (x: number) => reachAt(head, inside(x), widest);
  const wide = greatest(
    (x) => (head.mesh ? Infinity : mostAside(head, x)),
    (x) => [{ x, y: 0, value: reach(x) }],
  );
  const breadth = 2 * closeIn(reach, wide, length / ALONG, 0);
  return {
    length: lengthOf(head),
    breadth,
    height: up + down,
    rise: Math.max(0, up),
    drop: Math.max(0, down),
  };
}

/** Columns looked at over one place of the length. */
const COLUMNS = 64;

/**
 * From the hindmost to the foremost of a body within its profile: a pocket at the nose or a fin past it
 * counts.
 */
function lengthOf({ profile, shapes, spans }: HeadBody): number {
  const { length } = profile;
  const joined = shapes.filter(({ sign }) => sign > 0);
  const [from, to] = [
    Math.min(0, ...joined.map((shape) => shape.from)),
    Math.max(length, ...joined.map((shape) => shape.to)),
  ];
  const isThere = (x: number) => {
    const edges = shapes.flatMap((shape) => shape.edges(x));
    if (edges.some((y) => spans(x, y - 1e-6).length > 0 || spans(x, y + 1e-6).length > 0)) return true;
    for (const wide of [profile.section(x).b, widestOf({ profile, shapes })])
      for (let j = 0; j < COLUMNS; j++) if (spans(x, (wide * j) / COLUMNS).length > 0) return true;
    return false;
  };
  const end = (outer: number, inner: number) => {
    // Mostly nothing is cut off the ends.
    if (isThere(outer + (inner - outer) * 1e-9)) return outer;
    for (let i = 1; i < ALONG; i++) {
      const [out, within] = [
        outer + ((inner - outer) * (i - 1)) / ALONG,
        outer + ((inner - outer) * i) / ALONG,
      ];
      if (isThere(within)) return halve(within, out, 24, isThere)[0];
    }
    return inner;
  };
  return end(to, from) - end(from, to);
}

/**
 * The greatest value near a place, by steps each way that are halved when none of them helps (compass
 * search).
 */
function closeIn(f: (x: number, y: number) => number, start: Place, stepX: number, stepY: number): number {
  let { x, y, value } = start;
  let share = 1;
  let tries = 0;
  for (let halving = 0; halving < HALVINGS && tries < MOST_TRIES; tries++) {
    let moved = false;
    for (const [along, across] of [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
    ] as const) {
      if (across !== 0 && stepY === 0) continue;
      const [u, v] = [x + along * share * stepX, y + across * share * stepY];
      const there = f(u, v);
      if (there <= value) continue;
      [x, y, value, moved] = [u, v, there, true];
    }
    if (moved) continue;
    share /= 2;
    halving++;
  }
  return value;
}
