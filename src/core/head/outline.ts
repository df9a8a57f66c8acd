import type { Vec2 } from '../numeric/vec.ts';
import type { HeadBody } from './body.ts';
import { headBody, profileExtent, reachAt, widestOf } from './body.ts';
import type { HeadSpec } from './schema.ts';
import type { Family } from './family.ts';
import { completeDimensions } from './family.ts';
import type { Profile } from './profile.ts';
import { sectionRadius, stationsAlong } from './profile.ts';
import type { Revolve } from './revolve.ts';

/**
 * Closed outlines of a head in its three views, mm. Side is (x, z), top is (x, y), front is (y, z) seen from
 * the nose.
 */
export interface HeadOutlines {
  readonly side: readonly Vec2[];
  readonly top: readonly Vec2[];
  readonly front: readonly Vec2[];
}

/** Outlines of a plain loft from the side and from above; `count` stations along it. */
export function sideAndTop(profile: Profile, count: number): Pick<HeadOutlines, 'side' | 'top'> {
  const sections = stationsAlong(profile, count).map((x) => ({ x, ...profile.section(x) }));
  const upper = sections.map(({ x, t }): Vec2 => [x, t]);
  const lower = sections.map(({ x, d }): Vec2 => [x, -d]).reverse();
  const left = sections.map(({ x, b }): Vec2 => [x, b]);
  const right = left.map(([x, y]): Vec2 => [x, -y]).reverse();
  return { side: [...upper, ...lower], top: [...left, ...right] };
}

/** Directions of the view from the nose; twice as many where it is drawn finely. */
const TURNS = 72;

/** Outlines of a plain loft; `count` stations along it. */
export function headOutlines(profile: Profile, count = 48): HeadOutlines {
  const sections = stationsAlong(profile, count).map((x) => profile.section(x));
  const turns = count < FINELY ? TURNS : 4 * Math.round((2 * TURNS * count) / FINELY / 4);
  const front = Array.from({ length: turns }, (_, k): Vec2 => {
    const turn = (2 * Math.PI * k) / turns;
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    // The front view's edge is the furthest any section reaches in that direction.
    let reach = 0;
    for (const section of sections) reach = Math.max(reach, sectionRadius(section, c, s));
    return [reach * c, reach * s];
  });
  return { ...sideAndTop(profile, count), front };
}

/**
 * Places across the half-breadth at which a worked body is read: evenly for what is judged, and closer toward
 * the side for what is drawn finely.
 */
const ACROSS = 20;
/** Stations from which on an outline is drawn finely, for a file. */
const FINELY = 120;

/**
 * Outlines of a body with its features: the furthest its columns reach, seen from each side. A collar behind
 * the rear face is left to its own outline.
 */
export function bodyOutlines(head: HeadBody, count = 48): HeadOutlines {
  const shapes = head.shapes.filter(({ isCollar }) => !isCollar);
  if (shapes.length === 0) return headOutlines(head.profile, count);
  const { profile } = head;
  const { half } = profileExtent(profile);
  const wide = widestOf(head);
  const inside = (x: number) => x > 0 && x < profile.length;
  const xs = [
    ...stationsAlong(profile, count),
    ...shapes.flatMap(({ breaks }) => breaks.flatMap((x) => [x - 1e-4, x + 1e-4]).filter(inside)),
  ].sort((a, b) => a - b);
  const across = count < FINELY ? ACROSS : Math.ceil((2 * ACROSS * count) / FINELY);
  const ys = [
    ...Array.from({ length: across + 1 }, (_, j) =>
      count < FINELY ? (wide * j) / across : wide * Math.sin((Math.PI * j) / (2 * across)),
    ),
    half * 0.999,
    ...shapes.flatMap(({ edges }) => edges(profile.length / 2).flatMap((y) => [y - 1e-4, y + 1e-4])),
  ]
    .filter((y) => y >= 0 && y <= wide)
    .sort((a, b) => a - b);
  const into = (x: number) => Math.min(Math.max(x, 1e-6), profile.length - 1e-6);
  const spansAt = (x: number, y: number) => head.spans(into(x), y);
  const reach = xs.map((x) => reachAt(head, into(x), wide));
  // The furthest place itself is one of those looked at, so that the view from the nose is as wide as the one
  // from above.
  ys.push(Math.max(...reach));
  ys.sort((a, b) => a - b);
  const up = xs.map(() => 0);
  const down = xs.map(() => 0);
  const crown = ys.map(() => -Infinity);
  const belly = ys.map(() => Infinity);
  xs.forEach((x, i) => {
    let [top, bottom] = [-Infinity, Infinity];
    ys.forEach((y, j) => {
      const spans = spansAt(x, y);
      const [lo, hi] = [spans[0], spans.at(-1)];
      if (lo === undefined || hi === undefined) return;
      top = Math.max(top, hi);
      bottom = Math.min(bottom, lo);
      crown[j] = Math.max(crown[j] ?? hi, hi);
      belly[j] = Math.min(belly[j] ?? lo, lo);
    });
    up[i] = Number.isFinite(top) ? top : 0;
    down[i] = Number.isFinite(bottom) ? bottom : 0;
  });
  const upper = xs.map((x, i): Vec2 => [x, up[i] ?? 0]);
  const lower = xs.map((x, i): Vec2 => [x, down[i] ?? 0]).reverse();
  const left = xs.map((x, i): Vec2 => [x, reach[i] ?? 0]);
  const seen = ys.flatMap((y, j) =>
    Number.isFinite(crown[j]) ? [{ y, top: crown[j] ?? 0, bottom: belly[j] ?? 0 }] : [],
  );
  const right = seen.map(({ y, top }): Vec2 => [y, top]);
  const rightBelow = seen.map(({ y, bottom }): Vec2 => [y, bottom]).reverse();
  const mirrored = (points: readonly Vec2[]) => points.map(([y, z]): Vec2 => [-y, z]).reverse();
  return {
    side: [...upper, ...lower],
    top: [...left, ...left.map(([x, y]): Vec2 => [x, -y]).reverse()],
    front: [...right, ...rightBelow, ...mirrored(rightBelow), ...mirrored(right)],
  };
}

/**
 * The cut through a body at x, as closed outlines in (y, z): what a section shows. `lines` columns to each
 * side.
 */
export function bodySection(head: HeadBody, x: number, lines = 60): Vec2[][] {
  const { b } = head.profile.section(x);
  const wide = Math.max(
    b,
    ...head.shapes
      .filter(({ sign, from, to }) => sign > 0 && x >= from && x <= to)
      .flatMap(({ edges }) => edges(x)),
  );
  if (!(wide > 0)) return [];
  const ys = [
    ...Array.from({ length: lines + 1 }, (_, j) => wide * Math.sin((Math.PI / 2) * (j / lines))),
    ...head.shapes.flatMap(({ edges, from, to }) =>
      x >= from && x <= to ? edges(x).flatMap((y) => [y - 1e-4, y + 1e-4]) : [],
    ),
  ]
    .filter((y) => y >= 0 && y <= wide)
    .sort((m, n) => m - n);
  const across = [
    ...ys
      .slice(1)
      .map((y) => -y)
      .reverse(),
    ...ys,
  ];
  // Runs of columns with the same number of spans are one outline each.
  const out: Vec2[][] = [];
  let open: { upper: Vec2[]; lower: Vec2[] }[] = [];
  const close = () => {
    for (const { upper, lower } of open) if (upper.length > 1) out.push([...upper, ...lower.reverse()]);
    open = [];
  };
  for (const y of across) {
    const spans = head.spans(x, Math.abs(y) < 1e-9 ? 1e-9 : y);
    if (spans.length / 2 !== open.length) {
      close();
      open = Array.from({ length: spans.length / 2 }, () => ({ upper: [], lower: [] }));
    }
    open.forEach((piece, i) => {
      piece.lower.push([y, spans[2 * i] ?? 0]);
      piece.upper.push([y, spans[2 * i + 1] ?? 0]);
    });
  }
  close();
  return out;
}

/**
 * Outline of a collar, the same from the side and from above. Only the part behind the rear face and where it
 * enters.
 */
export function collarOutline(collar: Revolve): Vec2[] {
  const hair = 1e-6;
  const xs = [collar.from, ...collar.breaks.flatMap((x) => [x - hair, x + hair]), collar.to].sort(
    (a, b) => a - b,
  );
  const upper = xs.map((x): Vec2 => [x, collar.radius(x)]);
  return [...upper, ...upper.map(([x, r]): Vec2 => [x, -r]).reverse()];
}

/** Outlines of a family at the sizes it begins with. */
export function familyOutlines(family: Family): HeadOutlines {
  const dimensions = completeDimensions(family, {});
  const head: HeadSpec = { family: family.key, dimensions, metal: 'lead' };
  return bodyOutlines(headBody(family, head, dimensions, { wire: 1 }), 40);
}
