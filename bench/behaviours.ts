// What each behaviour costs, and the resting poses against a search that knows nothing of hulls.
import {
  BEHAVIOURS,
  evaluate,
  PLAIN_WATER,
  restPoses,
  starterDesign,
  usualPlastic,
  familyOf,
  assemble,
} from '../src/core/index.ts';
import type { Design, Rig, Vec3 } from '../src/core/index.ts';
import { withBait } from '../src/core/build/assemble.ts';
import { FRAME, line, median } from './kit.ts';

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

/** Median time of a look at a rig that was only just built, ms: what is kept of a rig between looks does not count. */
function timed(design: Design, look: (rig: Rig) => unknown): number {
  const plastic = usualPlastic('paddle-tail', 3.5);
  const times: number[] = [];
  for (let i = 0; i < 15; i++) {
    const rig = withBait(assemble(design), { plastic, method: 'threaded' });
    const from = performance.now();
    look(rig);
    if (i > 3) times.push(performance.now() - from);
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? NaN;
}

/** The poses by the hull against the same from thousands of directions, each followed downhill over the raw points. */
function restAgainstSearch(key: string, rig: Rig): void {
  const points = rig.bodies[0].hull();
  const whole = rig.parts.reduce((sum, { mass }) => sum + mass, 0);
  const at = (axis: 0 | 1 | 2) =>
    rig.parts.reduce((sum, { mass, centroid }) => sum + mass * centroid[axis], 0) / whole;
  const centre: Vec3 = [at(0), at(1), at(2)];
  const byHull = median(() => restPoses(points, centre), 5);
  const from = performance.now();
  const found = searched(points, centre, 400);
  const bySearch = ((performance.now() - from) * 1500) / 400;
  const [best] = restPoses(points, centre);
  const away = found.filter((down) => best && dot(down, best.down) < Math.cos(Math.PI / 18)).length;
  line(`${key}: rest poses by the hull`, byHull / bySearch, 'a search of 1,500 landings over all points');
  line(
    `${key}: landings of the likeliest pose`,
    (found.length - away) / found.length / (best?.share ?? NaN),
    'its share (1: they agree)',
  );
}

const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** Where each of some even directions ends when the height of the centre is followed down in shrinking steps. */
function searched(points: ArrayLike<number>, centre: Vec3, landings: number): Vec3[] {
  const height = (n: Vec3) => {
    let most = -Infinity;
    for (let i = 0; i < points.length; i += 3) {
      const high =
        n[0] * ((points[i] ?? 0) - centre[0]) +
        n[1] * ((points[i + 1] ?? 0) - centre[1]) +
        n[2] * ((points[i + 2] ?? 0) - centre[2]);
      if (high > most) most = high;
    }
    return most;
  };
  const turned = (n: Vec3, way: number, step: number): Vec3 => {
    // Two directions square to n, and those between them.
    const ref: Vec3 = Math.abs(n[0]) < 0.8 ? [1, 0, 0] : [0, 1, 0];
    const side = unit(crossed(n, ref));
    const up = crossed(n, side);
    const [c, s] = [Math.cos(way), Math.sin(way)];
    return unit(
      [0, 1, 2].map((k) => (n[k] ?? 0) + step * (c * (side[k] ?? 0) + s * (up[k] ?? 0))) as unknown as Vec3,
    );
  };
  return Array.from({ length: landings }, (_, i) => {
    const z = 1 - (2 * i + 1) / landings;
    const turn = i * Math.PI * (3 - Math.sqrt(5));
    const wide = Math.sqrt(1 - z * z);
    let n: Vec3 = [wide * Math.cos(turn), wide * Math.sin(turn), z];
    let low = height(n);
    for (let step = 0.05; step > 5e-4;) {
      let better: Vec3 | undefined;
      for (let way = 0; way < 8; way++) {
        const there = turned(n, (way * Math.PI) / 4, step);
        const high = height(there);
        if (high < low) [low, better] = [high, there];
      }
      if (better) n = better;
      else step /= 2;
    }
    return n;
  });
}

const crossed = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
function unit(a: Vec3): Vec3 {
  const long = Math.hypot(a[0], a[1], a[2]);
  return [a[0] / long, a[1] / long, a[2] / long];
}
