import type { ReadingId } from '../../../core/behaviour/index.ts';
import type { Vec2 } from '../../../core/numeric/index.ts';
import type { Wet } from '../../workers/judge.worker.ts';

/** A head that sinks, with what the water does with it. */
export type WetHead = Extract<Wet, { ok: true }> & {
  readonly water: NonNullable<Extract<Wet, { ok: true }>['water']>;
};

/** Returns a reading of a head in the water; NaN where it has none. */
export const readingOf = ({ readings }: Pick<WetHead, 'readings'>, id: ReadingId): number =>
  readings[id]?.value ?? NaN;

/** A mark for each head that does not rest on colour: a line's dashes. */
export const DASHES = ['', '7 4', '2 4', '10 4 2 4', '14 5', '5 2 1 2'] as const;

/** Depth fallen after a time from rest, m: x = v²/a ln cosh(a t/v). */
export function fallenBy({ speed, start }: WetHead['water']['fall'], time: number): number {
  const y = (start * time) / speed;
  return ((speed * speed) / start) * (y > 30 ? y - Math.LN2 : Math.log(Math.cosh(y)));
}

/** Turns a point of the side view nose down by so many degrees. */
export function pitched([x, z]: Vec2, pitch: number): Vec2 {
  const turn = (pitch * Math.PI) / 180;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  return [x * c + z * s, z * c - x * s];
}

/** Extent of points: left, right, low, high. */
export function extent(points: readonly Vec2[]) {
  const us = points.map(([u]) => u);
  const vs = points.map(([, v]) => v);
  return { left: Math.min(...us), right: Math.max(...us), low: Math.min(...vs), high: Math.max(...vs) };
}
