import { radians } from '../numeric/vec.ts';
import type { Vec2 } from '../numeric/vec.ts';
import type { Drawing } from './drawing.ts';

/**
 * Turns a point of the side view about the eye by its hang (degrees, nose down positive), the eye at the
 * origin, y downward, mm.
 */
export function hung(drawing: Drawing, attitude: number): (point: Vec2) => Vec2 {
  const angle = radians(attitude);
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const [ex, ez] = drawing.eye.at;
  // Nose down turns clockwise on a sheet whose y runs down.
  return ([x, z]) => [(x - ex) * c + (z - ez) * s, (x - ex) * s - (z - ez) * c];
}

/**
 * A free hook's points turned about its hinge so that it hangs straight down while the head hangs at its
 * attitude; others as they are.
 */
export function hangingHook(drawing: Drawing, attitude: number): readonly Vec2[] {
  const { hinge, hook } = drawing;
  if (!hinge) return hook;
  const turn = radians(hinge.hang + attitude);
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const [hx, hz] = hinge.at;
  return hook.map(([x, z]): Vec2 => [hx + (x - hx) * c - (z - hz) * s, hz + (x - hx) * s + (z - hz) * c]);
}

/** Reach of a hanging head from its eye to the left, to the right and below, mm. */
export function hangingReach(
  drawing: Drawing,
  attitude: number,
): readonly [left: number, right: number, below: number] {
  const turn = hung(drawing, attitude);
  const points = [
    ...drawing.side,
    ...hangingHook(drawing, attitude),
    ...(drawing.collar ?? []),
    ...(drawing.guard ? [drawing.guard.end] : []),
  ].map(turn);
  const round = (value: number) => Math.round(value * 100) / 100;
  return [
    round(Math.max(0, ...points.map(([u]) => -u))),
    round(Math.max(0, ...points.map(([u]) => u))),
    round(Math.max(0, ...points.map(([, v]) => v))),
  ];
}
