import type { Plastic } from '../../../core/plastic/index.ts';

/** Stations of an own outline, as shares of length, height and breadth. */
export type Stations = NonNullable<Plastic['stations']>;

/** Returns stations with one more in the middle of the widest space between two, on the line between them. */
export function withOneMore(stations: Stations): Stations {
  let widest = 0;
  stations.forEach((_, i) => {
    const gap = (k: number) => (stations[k + 1]?.at ?? 0) - (stations[k]?.at ?? 0);
    if (i + 1 < stations.length && gap(i) > gap(widest)) widest = i;
  });
  const [a, b] = [stations[widest], stations[widest + 1]];
  if (!a || !b) return stations;
  const middle = (x: number, y: number) => Math.round(500 * (x + y)) / 1000;
  const more = {
    at: middle(a.at, b.at),
    height: middle(a.height, b.height),
    breadth: middle(a.breadth, b.breadth),
  };
  return [...stations.slice(0, widest + 1), more, ...stations.slice(widest + 1)];
}
