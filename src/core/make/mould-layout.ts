import { itemAt, lastOf, numberAt } from '../numeric/at.ts';
import type { Rig } from '../assembly/rig.ts';
import type { Mould } from '../document/mould.ts';
import { bareHead } from '../head/body.ts';
import { bodyOutlines, collarOutline } from '../head/outline.ts';
import type { Vec2, Vec3 } from '../numeric/vec.ts';
import type { Gating } from './gating.ts';
import { gatingFor } from './gating.ts';
import { meltingOf } from './melting.ts';

/** Room cut around steel that is laid into a mould, each side, mm (common practice, no source). */
const LAID = 0.05;
/** Vents: breadth and depth, mm: air passes, metal freezes in them (common practice, no source). */
export const VENT = { breadth: 2, depth: 0.12 };
/** A cutter's polygon reaches a hair beyond its circle. */
const CUT = 1.002;
/** Metal left between the gate and any wire, mm. */
const CLEAR = 0.5;

/** A wire or pin laid into the parting plane. */
export interface Channel {
  readonly kind: 'hook' | 'keeper' | 'core';
  /** in the plane y = 0, mm */
  readonly path: readonly Vec3[];
  /** mm, of the channel */
  readonly radius: number;
  /** it goes on straight through the lower face, so that the rod in it can be drawn */
  readonly isThrough?: boolean;
}

/**
 * One cavity as it lies in the block: across the block is z, up to the sprues is x; its own frame shifted by
 * `shift`. Lengths in mm.
 */
export interface LaidCavity {
  readonly place: number;
  readonly rig: Rig;
  /** how much larger than the drawn head */
  readonly factor: number;
  /** x and z added to the cavity's own */
  readonly shift: Vec2;
  /** outlines of the enlarged head in its own frame, (x, z) */
  readonly outline: readonly Vec2[];
  readonly collar: readonly Vec2[] | undefined;
  readonly channels: readonly Channel[];
  readonly gating: Gating | undefined;
  /**
   * where the gate meets the head, (x, z) in its own frame, and whether a wire is nearer to it than it should
   * be
   */
  readonly gateAt: Vec2;
  readonly isGateTight: boolean;
  /** upright grooves, each from x to x at a z, in its own frame */
  readonly vents: readonly { readonly from: number; readonly to: number; readonly z: number }[];
}

/** A mould laid out, before anything is cut; mm. */
export interface MouldLayout {
  readonly making: Mould['making'];
  readonly cavities: readonly LaidCavity[];
  /** the block in its own frame: x up, z across, y through; from and to, mm */
  readonly block: { readonly from: Vec3; readonly to: Vec3 };
  /** centres of the locating pins, (x, z), their radius and how far they stand out of the left half */
  readonly pins: readonly Vec2[];
  readonly pinRadius: number;
  readonly pinHeight: number;
}

/**
 * Length factor of a mould, or a cavity of one, for metal that shrinks by so many per cent of its length as
 * it cools.
 */
export const cavityFactor = (shrink: number): number => 1 / (1 - shrink / 100);

interface Span {
  low: number;
  high: number;
}
const grow = (span: Span, value: number, by = 0) => {
  span.low = Math.min(span.low, value - by);
  span.high = Math.max(span.high, value + by);
};

/**
 * Lays out a mould: cavities in a row, noses up, each with its own sprue, in a block with walls and pins
 * about them. `rigs` in the order of the cavities.
 */
export function layMould(mould: Mould, rigs: readonly Rig[]): MouldLayout {
  const { wall, between, making, shrink } = mould;
  const factor = cavityFactor(shrink);
  const pinRadius = mould.pin / 2;
  const side = Math.max(wall, mould.pin + 4);
  let [across, through, top, bottom] = [0, 0, 0, 0];
  const laid = rigs.map((rig, place) => {
    const one = layCavity(rig, place, factor, mould);
    through = Math.max(through, one.half);
    return one;
  });
  // Rear faces stand level: the highest of what is laid in sets the height under the sprues.
  const above = Math.max(...laid.map(({ x }) => x.high));
  const cavities = laid.map(({ cavity, x, z }, i): LaidCavity => {
    const shift: Vec2 = [0, across - z.low];
    across += z.high - z.low + (i + 1 < laid.length ? between : 0);
    bottom = Math.min(bottom, x.low);
    return { ...cavity, shift };
  });
  const tallest = Math.max(0, ...laid.map(({ cavity }) => cavity.gating?.height ?? 0));
  const funnel = Math.max(0, ...laid.map(({ cavity }) => (cavity.gating?.funnel ?? 0) / 2));
  top = above + (making === 'pour' ? tallest : wall);
  const half = Math.max(through, funnel) + wall;
  const block = {
    from: [bottom - wall, -half, -side] satisfies Vec3,
    to: [top, half, across + side] satisfies Vec3,
  };
  return {
    making,
    cavities: cavities.map((cavity) => ({
      ...cavity,
      vents: making === 'pour' ? ventsOf(cavity, top) : [],
      channels: cavity.channels.map((channel) =>
        channel.isThrough
          ? { ...channel, path: [...channel.path, [block.from[0] - 1, 0, channel.path.at(-1)?.[2] ?? 0]] }
          : channel,
      ),
    })),
    block,
    pins: [
      [block.from[0] + side / 2, -side / 2],
      [block.to[0] - side / 2, across + side / 2],
    ],
    pinRadius,
    pinHeight: Math.min(1.2 * mould.pin, half - 2),
  };
}

function layCavity(rig: Rig, place: number, factor: number, mould: Mould) {
  const { head, hook, keeper, guard, collar } = rig;
  const enlarged = (points: readonly Vec2[]) => points.map(([x, z]): Vec2 => [factor * x, factor * z]);
  const outlines = bodyOutlines(bareHead(head), 72);
  const outline = enlarged(outlines.side);
  const channels: Channel[] = [];
  const wire = hook.wire / 2 + LAID;
  if (mould.making === 'press') {
    // Of a sintered head only the bore is given: a rod of its size, through and out behind.
    const path = hook.legAndShank.filter(([x]) => x > -(keeper?.insertion ?? 0) - 1);
    const scaled = path.map(([x, y, z]): Vec3 => [factor * x, y, factor * z]);
    channels.push({ kind: 'core', path: scaled, radius: (factor * hook.wire) / 2, isThrough: true });
  } else {
    channels.push({ kind: 'hook', path: hook.hinge ? hook.legAndShank : hook.centre, radius: wire });
    if (hook.hinge) channels.push({ kind: 'hook', path: ringPath(hook.hinge.loop), radius: wire });
    if (keeper?.anchor)
      channels.push({ kind: 'keeper', path: keeper.anchor.path, radius: keeper.anchor.diameter / 2 + LAID });
  }
  if (guard) {
    // A pin stands where the guard's hole is to be, and out of the block's face far enough to be drawn.
    const [a, b] = [itemAt(guard.bore, 0), lastOf(guard.bore)];
    const length = Math.hypot(b[0] - a[0], b[2] - a[2]);
    const on = (s: number): Vec3 => [
      a[0] + ((b[0] - a[0]) / length) * s,
      0,
      a[2] + ((b[2] - a[2]) / length) * s,
    ];
    channels.push({
      kind: 'core',
      path: [on(0), on(length + 12)].map(([x, y, z]): Vec3 => [factor * x, y, factor * z]),
      radius: factor * guard.bundleRadius,
    });
  }
  const [x, z] = [
    { low: Infinity, high: -Infinity },
    { low: Infinity, high: -Infinity },
  ];
  let half = 0;
  for (const [u, w] of outline) {
    grow(x, u);
    grow(z, w);
  }
  for (const [, y] of outlines.top) half = Math.max(half, factor * Math.abs(y));
  for (const [u, r] of collar ? collarOutline(collar) : []) {
    grow(x, factor * u);
    grow(z, 0, factor * Math.abs(r));
    half = Math.max(half, factor * Math.abs(r));
  }
  for (const { path, radius } of channels)
    for (const [u, , w] of path) {
      grow(x, u, radius);
      grow(z, w, radius);
    }
  if (mould.making === 'pour') {
    const { centre, radius, wireRadius } = hook.eye;
    const reach = radius + wireRadius + LAID;
    grow(x, centre[0], reach);
    grow(z, centre[2], reach);
    if (hook.eye.plane !== 'in line') half = Math.max(half, reach);
  }
  // What is cut later must stay in the block, and out of the next cavity.
  for (const { at, to = at, diameter, depth } of mould.cavities[place]?.cuts ?? []) {
    for (const end of [at, to]) {
      grow(x, end.x, CUT * (diameter / 2));
      grow(z, end.z, CUT * (diameter / 2));
    }
    half = Math.max(half, depth);
  }
  const volume = rig.body.volume * factor ** 3;
  const gating =
    mould.making === 'pour'
      ? gatingFor(volume, rig.density, meltingOf(rig.metal.key), { gate: mould.gate, sprue: mould.sprue })
      : undefined;
  const gate = gating ? gateOf(rig, factor, outline, channels, gating.gate / 2) : undefined;
  if (gating && gate) grow(z, gate.at[1], gating.funnel / 2);
  return {
    x,
    z,
    half,
    cavity: {
      place,
      rig,
      factor,
      shift: [0, 0] satisfies Vec2,
      outline,
      collar: collar && enlarged(collarOutline(collar)),
      channels,
      gating,
      gateAt: gate?.at ?? ([x.high, 0] satisfies Vec2),
      isGateTight: gate?.isTight ?? false,
      vents: [],
    },
  };
}

/** A ring in the plane as a path around it. */
const ringPath = ({ centre, radius }: { readonly centre: Vec3; readonly radius: number }): Vec3[] =>
  Array.from({ length: 25 }, (_, i): Vec3 => {
    const turn = (2 * Math.PI * i) / 24;
    return [centre[0] + radius * Math.cos(turn), 0, centre[2] + radius * Math.sin(turn)];
  });

/** Places across the head at which a gate is tried. */
const TRIED = 60;

/**
 * Where the sprue comes down on the head: on its nose side, as near to the middle of its metal as the wires
 * leave room, where the head is thick enough to take it.
 */
function gateOf(
  rig: Rig,
  factor: number,
  outline: readonly Vec2[],
  channels: readonly Channel[],
  radius: number,
) {
  const { head, hook, profile } = rig;
  const zs = outline.map(([, z]) => z);
  const [low, high] = [Math.min(...zs), Math.max(...zs)];
  const middle = factor * rig.body.centroid[2];
  const wires: { readonly at: Vec2; readonly reach: number }[] = channels.flatMap(({ path, radius: r }) =>
    path.map(([x, , z]) => ({ at: [x, z] satisfies Vec2, reach: r })),
  );
  wires.push({
    at: [hook.eye.centre[0], hook.eye.centre[2]],
    reach: hook.eye.radius + hook.eye.wireRadius,
  });
  const topAt = (z: number): number | undefined => {
    const steps = 200;
    for (let i = 0; i <= steps; i++) {
      const x = profile.length * (1 - i / steps);
      const spans = head.spans(Math.max(1e-6, x), 1e-9);
      for (let k = 0; k + 1 < spans.length; k += 2)
        if (z / factor >= numberAt(spans, k) && z / factor <= numberAt(spans, k + 1)) return factor * x;
    }
    return undefined;
  };
  const places = Array.from({ length: TRIED + 1 }, (_, i) => low + ((high - low) * i) / TRIED).flatMap(
    (z) => {
      const top = topAt(z);
      if (top === undefined) return [];
      // The sprue stands over the head from there up: only wire above or in its reach is in the way.
      const room = wires.reduce(
        (least, { at, reach }) =>
          at[0] < top - 2 * radius ? least : Math.min(least, Math.abs(at[1] - z) - reach - radius),
        Infinity,
      );
      return [{ at: [top, z] satisfies Vec2, room, off: Math.abs(z - middle) }];
    },
  );
  const clear = places.filter(({ room }) => room >= CLEAR).sort((a, b) => a.off - b.off)[0];
  const best = clear ?? places.sort((a, b) => b.room - a.room)[0];
  return { at: best?.at ?? ([factor * profile.length, middle] satisfies Vec2), isTight: clear === undefined };
}

/** Air leaves from both sides of the head, up beside the sprue where there is room and down otherwise. */
function ventsOf({ outline, gating, gateAt, rig, factor }: LaidCavity, top: number): LaidCavity['vents'] {
  const zs = outline.map(([, z]) => z);
  const [low, high] = [Math.min(...zs), Math.max(...zs)];
  const inset = Math.min(VENT.breadth, 0.15 * (high - low));
  const middle = 0.5 * rig.profile.length * factor;
  return [low + inset, high - inset].map((z) => {
    const isClear = Math.abs(z - gateAt[1]) > (gating?.funnel ?? 0) / 2 + VENT.breadth;
    return isClear ? { from: middle, to: top, z } : { from: -1e3, to: middle, z };
  });
}
