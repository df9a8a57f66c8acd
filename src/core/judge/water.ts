import type { Surroundings } from '../behaviour/behaviour.ts';
import { fallen } from '../behaviour/fall.ts';
import { fishingOf, hookSet, lineFacts } from '../behaviour/fishing.ts';
import type { Dragged } from '../behaviour/dragged.ts';
import { draggedOver } from '../behaviour/dragged.ts';
import { restOf } from '../behaviour/rest.ts';
import { hull2, seenAlong } from '../behaviour/outline.ts';
import { depthAt, towOf } from '../behaviour/towed-depth.ts';
import { lineToRod } from '../behaviour/tow.ts';
import type { Rig } from '../assembly/rig.ts';
import { waterDensity } from '../material/water.ts';
import type { Vec2, Vec3 } from '../numeric/vec.ts';

/** A way a head lies, for a picture. */
export interface PoseFigure {
  readonly down: Vec3;
  readonly share: number;
  readonly landed: number;
  /** work to leave it, mJ; Infinity where there is no other */
  readonly knock: number;
}

/** What the water does with a rig, as plain data for pictures; the figures are those of the readings. */
export interface WaterFigure {
  /** terminal speed, m/s, and acceleration at the start, m/s²; nose-down pitch, degrees */
  readonly fall: { readonly speed: number; readonly start: number; readonly attitude: number };
  readonly rest: {
    readonly poses: readonly PoseFigure[];
    /** outlines of all that touches, seen from the side and from the front: (forward or left, up), mm */
    readonly side: readonly Vec2[];
    readonly front: readonly Vec2[];
    readonly centre: Vec3;
  };
  readonly drag: Dragged;
  /** the line at the speed asked for, from the head up: m ahead and above; how much of it is in the water */
  readonly line: { readonly shape: readonly Vec2[]; readonly depth: number; readonly distance: number };
  /** depth kept against speed through the water */
  readonly curve: readonly Vec2[];
  /** N */
  readonly pulls: { readonly set: number; readonly test: number; readonly brake: number };
}

/** Speeds of the curve, m/s. */
const SPEEDS = Array.from({ length: 17 }, (_, i) => 0.1 + 0.1 * i);

/** Pictures of a rig in its surroundings; undefined where it floats. */
export function waterFigure(rig: Rig, around: Surroundings): WaterFigure | undefined {
  const rested = restOf(rig, around);
  const tow = towOf(rig, around);
  if (!rested || !tow) return undefined;
  const fall = fallen(rig, around);
  const fishing = fishingOf(around);
  const rho = waterDensity(around.water);
  const { poses, hull, weight } = rested;
  const dragged = draggedOver(rig, around);
  if (!dragged) return undefined;
  const through = Math.max(0.02, fishing.speed + fishing.current);
  const { drag, lift } = tow.at(through);
  const line = lineToRod({ weight: tow.weight - lift, drag }, through, rho, fishing);
  const { strength } = lineFacts(fishing);
  return {
    // From rest x = v²/a ln cosh(a t/v): the time to a small depth gives a.
    fall: {
      speed: fall.speed,
      start: (2 * NEAR) / fall.timeTo(NEAR) ** 2,
      attitude: fall.attitude,
    },
    rest: {
      poses: poses.map(({ down, share, landed, height, saddle }) => ({
        down,
        share,
        landed,
        knock: weight * (saddle - height),
      })),
      side: hull2(seenAlong(hull, 0, 2)),
      front: hull2(seenAlong(hull, 1, 2)),
      centre: rested.centre,
    },
    drag: dragged,
    line: { shape: line.shape, depth: line.depth, distance: line.distance },
    curve: SPEEDS.map((speed): Vec2 => [speed, depthAt(tow, speed, rho, fishing)]),
    pulls: { set: hookSet(fishing), test: strength, brake: fishing.brake * strength },
  };
}

/** A depth so small that the run-up is still free, m. */
const NEAR = 1e-3;
