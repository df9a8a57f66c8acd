/** Convex outline of points in a plane, counter-clockwise (Andrew 1979). */
export function hull2(points: readonly (readonly [number, number])[]): (readonly [number, number])[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (list: readonly (readonly [number, number])[]) => {
    const chain: (readonly [number, number])[] = [];
    for (const p of list) {
      for (;;) {
        const [a, b] = [chain.at(-2), chain.at(-1)];
        if (!a || !b || (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]) > 0) break;
        chain.pop();
      }
      chain.push(p);
    }
    return chain.slice(0, -1);
  };
  return [...half(sorted), ...half(sorted.toReversed())];
}

/** Points x y z in turn as the two of their coordinates that a view shows: 0 forward, 1 to the left, 2 up. */
export const seenAlong = (
  points: ArrayLike<number>,
  across: 0 | 1,
  up: 1 | 2,
): (readonly [number, number])[] =>
  Array.from({ length: Math.floor(points.length / 3) }, (_, i) => [
    points[3 * i + across] as number,
    points[3 * i + up] as number,
  ]);
