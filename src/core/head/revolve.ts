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

/** Volume of the part of a revolve that lies on [a, b], from trapezoids between its kinks: exact for straight sides. */
export function revolveVolume(revolve: Revolve, a: number, b: number): number {
  const xs = [a, ...revolve.breaks.filter((x) => x > a && x < b), b];
  let volume = 0;
  for (let i = 1; i < xs.length; i++) {
    const [from, to] = [xs[i - 1] ?? 0, xs[i] ?? 0];
    // Read a hair inside, where a step in radius is not ambiguous.
    const hair = (to - from) * 1e-9;
    const [r1, r2] = [revolve.radius(from + hair), revolve.radius(to - hair)];
    volume += (Math.PI / 3) * (to - from) * (r1 * r1 + r1 * r2 + r2 * r2);
  }
  return volume;
}
