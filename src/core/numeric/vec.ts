/**
 * A point or direction in the body frame: +x to the nose, +y left, +z towards the hook point; mm where a
 * length.
 */
export type Vec3 = readonly [x: number, y: number, z: number];
/** A point on a drawing. */
export type Vec2 = readonly [u: number, v: number];

/** Returns a − b. */
export const sub = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
/** Returns k a. */
export const scale = (a: Vec3, k: number): Vec3 => [a[0] * k, a[1] * k, a[2] * k];
/** Returns a · b. */
export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
/** Returns a × b. */
export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
/** Returns the length of a. */
export const norm = (a: Vec3): number => Math.hypot(a[0], a[1], a[2]);

/** Returns an angle of degrees in radians. */
export const radians = (degrees: number): number => (degrees * Math.PI) / 180;
/** Returns an angle of radians in degrees. */
export const degrees = (angle: number): number => (angle * 180) / Math.PI;
/** Returns x held between `low` and `high`. */
export const clamp = (x: number, low: number, high: number): number => Math.min(high, Math.max(low, x));
/** 0 up to `from`, 1 from `to` on, and a smooth cubic between them without a kink at either end. */
export const smooth = (x: number, from: number, to: number): number => {
  const share = clamp((x - from) / (to - from), 0, 1);
  return share * share * (3 - 2 * share);
};
