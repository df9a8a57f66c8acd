// What each behaviour costs, and the resting poses against a search that knows nothing of hulls.
import { int32At, itemAt } from '../src/core/numeric/at.ts';
import { assemble } from '../src/core/assembly/index.ts';
import { BEHAVIOURS, restPoses } from '../src/core/behaviour/index.ts';
import { starterDesign } from '../src/core/document/index.ts';
import { familyOf } from '../src/core/head/index.ts';
import { evaluate, PLAIN_WATER } from '../src/core/judge/index.ts';
import { usualPlastic } from '../src/core/plastic/index.ts';
import type { Rig } from '../src/core/assembly/index.ts';
import type { Design } from '../src/core/document/index.ts';
import type { Vec3 } from '../src/core/numeric/index.ts';
import { withBait } from '../src/core/assembly/assemble.ts';
import { hanging } from '../src/core/behaviour/hang.ts';
import { waterDensity } from '../src/core/material/water.ts';
import { SHALLOW } from '../src/core/behaviour/rest-poses.ts';
import { spread } from '../src/core/behaviour/spread.ts';
import { dot } from '../src/core/numeric/vec.ts';
import { FRAME, line, median, middle } from './kit.ts';

/** Heads whose behaviours are timed: one turned, one broad, one with a sole, one with everything. */
const HEADS = ['ball', 'football', 'standup', 'dart'];

/** Readings that are wanted within one frame together. */
const TOGETHER = ['fall', 'hang', 'pull', 'hook'];

/** Times every behaviour on heads with a bait on, each on a rig nothing is known of yet. */
export function behaviours(): void {
  console.log('\nBehaviours, with a paddle tail on the hook');
  for (const key of HEADS) {
    const family = familyOf(key);
    const result = family && evaluate(starterDesign(family, 'Bench'));
    if (!result?.ok) throw new Error(`The bench’s ${key} cannot be built.`);
    const cost = new Map<string, number>();
    for (const { key: name, read } of BEHAVIOURS) {
      cost.set(
        name,
        timed(result.design, (rig) => read(rig, PLAIN_WATER)),
      );
      line(`${key}: ${name}`, (cost.get(name) ?? NaN) / FRAME, 'one frame at 60 Hz');
    }
    const together = timed(result.design, (rig) => {
      for (const { key: name, read } of BEHAVIOURS) if (TOGETHER.includes(name)) read(rig, PLAIN_WATER);
    });
    line(`${key}: ${TOGETHER.join(', ')} together`, together / FRAME, 'one frame at 60 Hz');
    line(`${key}: rest, its first answer`, (cost.get('rest') ?? NaN) / 100, '100 ms');
    line(`${key}: retrieve, its first answer`, (cost.get('retrieve') ?? NaN) / 100, '100 ms');
    restAgainstSearch(key, result.rig);
  }
}

/**
 * Median time of a look at a rig that was only just built, ms: what is kept of a rig between looks does not
 * count.
 */
function timed(design: Design, look: (rig: Rig) => unknown): number {
  const plastic = usualPlastic('paddle-tail', 3.5);
  const times: number[] = [];
  for (let i = 0; i < 15; i++) {
    const rig = withBait(assemble(design), { plastic, method: 'threaded' });
    const from = performance.now();
    look(rig);
    if (i > 3) times.push(performance.now() - from);
  }
  return middle(times);
}

/** Directions the height function is flooded on: 1.4° apart. */
const DIRECTIONS = 20_000;

/**
 * The poses by the hull against the height function itself, looked at from all directions alike and flooded
 * from its lowest places up.
 */
function restAgainstSearch(key: string, rig: Rig): void {
  const points = rig.bodies[0].hull();
  const { centre } = hanging(rig, waterDensity(PLAIN_WATER.water));
  const byHull = median(() => restPoses(points, centre), 5);
  const from = performance.now();
  const shareOf = flooded(points, centre);
  const byFlood = performance.now() - from;
  line(
    `${key}: rest poses by the hull`,
    byHull / byFlood,
    `flooding ${DIRECTIONS.toLocaleString('en')} directions`,
  );
  const [best] = restPoses(points, centre);
  if (best)
    line(
      `${key}: share of the likeliest pose, flooded`,
      shareOf(best.down) / best.share,
      'its share by the hull',
    );
}

/**
 * Share of all directions in the basin that one lies in. Basins that meet less than a hundredth of the height
 * over the shallower are one.
 */
function flooded(points: ArrayLike<number>, centre: Vec3): (down: Vec3) => number {
  const ways = spread(DIRECTIONS);
  const heights = ways.map((n) => {
    let most = -Infinity;
    for (let i = 0; i < points.length; i += 3) {
      const high =
        n[0] * ((points[i] ?? 0) - centre[0]) +
        n[1] * ((points[i + 1] ?? 0) - centre[1]) +
        n[2] * ((points[i + 2] ?? 0) - centre[2]);
      if (high > most) most = high;
    }
    return most;
  });
  // They come in rising order of one coordinate, so neighbours are not far in the list.
  const reach = Math.ceil(4 * Math.sqrt(DIRECTIONS));
  const near = Math.cos(2.2 * Math.sqrt((4 * Math.PI) / DIRECTIONS));
  const basin = new Int32Array(DIRECTIONS).fill(-1);
  const parent: number[] = [];
  const lowest: number[] = [];
  const find = (one: number): number => (parent[one] === one ? one : find(parent[one] ?? one));
  for (const i of heights.map((_, one) => one).sort((a, b) => (heights[a] ?? 0) - (heights[b] ?? 0))) {
    const level = heights[i] ?? 0;
    let [own, least] = [-1, Infinity];
    const met = new Set<number>();
    for (let j = Math.max(0, i - reach); j <= Math.min(DIRECTIONS - 1, i + reach); j++) {
      if ((basin[j] ?? -1) < 0 || dot(itemAt(ways, i), itemAt(ways, j)) < near) continue;
      met.add(find(int32At(basin, j)));
      if ((heights[j] ?? 0) < least) [own, least] = [find(int32At(basin, j)), heights[j] ?? 0];
    }
    if (own < 0) {
      own = parent.length;
      parent.push(own);
      lowest.push(level);
    }
    basin[i] = own;
    for (const other of met) {
      const [a, b] = [find(own), find(other)];
      const shallower = Math.max(lowest[a] ?? 0, lowest[b] ?? 0);
      if (a === b || level - shallower >= SHALLOW * Math.abs(shallower)) continue;
      const [deep, shallow] = (lowest[a] ?? 0) <= (lowest[b] ?? 0) ? [a, b] : [b, a];
      parent[shallow] = deep;
    }
  }
  return (down) => {
    let [best, most] = [0, -Infinity];
    ways.forEach((way, i) => {
      const close = dot(way, down);
      if (close > most) [best, most] = [i, close];
    });
    const wanted = find(int32At(basin, best));
    return basin.reduce((sum, one) => sum + (find(one) === wanted ? 1 : 0), 0) / DIRECTIONS;
  };
}
