import { itemAt } from '../numeric/at.ts';
import { halve } from '../numeric/halve.ts';
import type { Vec2 } from '../numeric/vec.ts';
import { clamp, degrees } from '../numeric/vec.ts';
import type { Flat } from './outline.ts';
import { BENT } from './outline.ts';

/**
 * Share of the front's height that must slide before a head counts as come free (working value, no source).
 */
const FREED = 0.8;
/** A side turned aside by no more than this beyond friction is not yet swept, degrees. */
const SQUARE = 1e-9;

/** A side of an outline that faces forward. */
export interface FrontSide {
  /** how far it faces down, degrees */
  readonly down: number;
  /** the same at its lower and its upper end: they differ where it is the chord of a curve */
  readonly turns: readonly [number, number];
  readonly height: number;
  readonly ends: readonly [Vec2, Vec2];
}

/** Sides of an outline that face forward, from the bottom up. Outline counter-clockwise, forward and up. */
export function frontOf(outline: Flat): FrontSide[] {
  const { length } = outline;
  const downOf = (i: number) => {
    const [[x, z], [u, w]] = [itemAt(outline, (i + length) % length), itemAt(outline, (i + 1) % length)];
    return degrees(Math.atan2(u - x, w - z));
  };
  const sides = outline.flatMap((from, i): FrontSide[] => {
    const to = itemAt(outline, (i + 1) % length);
    const height = to[1] - from[1];
    // Counter-clockwise: a side that faces forward runs up.
    if (height <= 1e-9) return [];
    const down = downOf(i);
    const shared = (other: number) => (Math.abs(other - down) < BENT ? (down + other) / 2 : down);
    return [{ down, turns: [shared(downOf(i - 1)), shared(downOf(i + 1))], height, ends: [from, to] }];
  });
  // An outline begins anywhere, its nose too.
  return sides.sort((a, b) => a.ends[0][1] - b.ends[0][1]);
}

/**
 * Share of a side that faces down by more than an angle, degrees; along the chord of a curve it turns evenly.
 */
const facing = ({ turns: [low, high] }: FrontSide, angle: number): number =>
  low - high > 1e-9 ? clamp((low - angle) / (low - high), 0, 1) : low >= angle ? 1 : 0;

/** Share of the height of sides of which `part` says how much counts; NaN where there are none. */
function shareOf(sides: readonly FrontSide[], part: (side: FrontSide) => number): number {
  const whole = sides.reduce((sum, { height }) => sum + height, 0);
  return whole > 0 ? sides.reduce((sum, side) => sum + side.height * part(side), 0) / whole : NaN;
}

/**
 * Share of a front's height on which an edge makes it ride up: the pull's share along the surface beats
 * friction where the line's angle and how far the surface faces down add up to the angle of friction. All in
 * degrees.
 */
export const climbShare = (outline: Flat, line: number, friction: number): number =>
  shareOf(frontOf(outline), (side) => facing(side, friction - line));

/**
 * Least angle of the line, degrees, at which four fifths of a front's height slides off what holds it; NaN
 * where nothing faces forward.
 */
export function popFree(outline: Flat, friction: number): number {
  const sides = frontOf(outline);
  if (sides.length === 0) return NaN;
  const isHeld = (line: number) => shareOf(sides, (side) => facing(side, friction - line)) < FREED;
  return isHeld(0) ? halve(0, 180, 30, isHeld)[1] : 0;
}

/**
 * Share of the frontal breadth, seen from above, whose sweep lets a stem slide off to the side. Outline
 * (forward, aside); friction in degrees.
 */
export const sheddingShare = (outline: Flat, friction: number): number =>
  // How far a side is swept back from square to the way it goes, whichever way it is swept.
  shareOf(frontOf(outline), (side) => facing(side, friction + SQUARE) + 1 - facing(side, -friction - SQUARE));
