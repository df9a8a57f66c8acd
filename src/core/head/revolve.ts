/** Radius of a body of revolution about the shank, behind and inside the head: a cast collar. */
export interface Revolve {
  /** rear end, ≤ 0, mm */
  readonly from: number;
  /** front end, inside the head, mm */
  readonly to: number;
  /** kinks of the radius between the ends, rising */
  readonly breaks: readonly number[];
  /** radius at x, mm; 0 outside from..to */
  readonly radius: (x: number) => number;
}

/** Surface of the part of a revolve behind the rear face with its rear end, without its front, mm². */
export function revolveSurface(revolve: Revolve): number {
  const xs = [revolve.from, ...revolve.breaks.filter((x) => x > revolve.from && x < 0), 0];
  const hair = (0 - revolve.from) * 1e-9;
  let area = Math.PI * revolve.radius(revolve.from + hair) ** 2;
  let before = revolve.radius(revolve.from + hair);
  for (let i = 1; i < xs.length; i++) {
    const [from, to] = [xs[i - 1] ?? 0, xs[i] ?? 0];
    const [r1, r2] = [revolve.radius(from + hair), revolve.radius(to - hair)];
    // A step in the radius shows as a ring; a slope as the side of a frustum.
    area += Math.PI * Math.abs(before ** 2 - r1 ** 2) + Math.PI * (r1 + r2) * Math.hypot(to - from, r2 - r1);
    before = r2;
  }
  return area;
}
