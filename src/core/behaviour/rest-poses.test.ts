import { describe, expect, it } from 'vitest';
import { solids } from '../head/kernel.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { dot } from '../numeric/vec.ts';
import { landings } from './rest.ts';
import { resting, restPoses } from './rest-poses.ts';
import { slopeHeld } from './slope-held.ts';
import { spread } from './spread.ts';

const box = (a: number, b: number, c: number): Vec3[] =>
  [0, 1, 2, 3, 4, 5, 6, 7].map((i): Vec3 => [i & 1 ? a : -a, i & 2 ? b : -b, i & 4 ? c : -c]);
/** Points on circles: radius and height of each. */
const turned = (rings: readonly (readonly [r: number, z: number])[], around = 96): Vec3[] =>
  rings.flatMap(([r, z]) =>
    Array.from({ length: around }, (_, k): Vec3 => {
      const turn = (2 * Math.PI * k) / around;
      return [r * Math.cos(turn), r * Math.sin(turn), z];
    }),
  );
const arc = (from: number, to: number, count: number) =>
  Array.from({ length: count + 1 }, (_, i) => from + ((to - from) * i) / count);
/** Share of all directions that a disc takes, seen from a point over its middle (solid angle of a cone). */
const disc = (radius: number, distance: number) => (1 - Math.cos(Math.atan2(radius, distance))) / 2;

describe('landings with scatter', () => {
  it('of a square bar that comes down on its end fall as often on each of its four sides', () => {
    // It stands on its end until its centre is past the edge, atan(3/5) over.
    const field = resting(box(5, 3, 3), [0, 0, 0]);
    const landed = landings(field, 90, 35);
    const ends = new Map([...landed].map(([{ down }, share]) => [down.map(Math.round).join(), share]));
    const sides = ['0,1,0', '0,-1,0', '0,0,1', '0,0,-1'].map((way) => ends.get(way) ?? 0);
    const mean = sides.reduce((sum, share) => sum + share, 0) / 4;
    expect(mean).toBeGreaterThan(0.05);
    for (const share of sides) expect(Math.abs(share / mean - 1)).toBeLessThan(0.05);
    // From level the scatter is in pitch and in roll alike: as often over its end as over its side, were both
    // as far.
    const cube = landings(resting(box(3, 3, 3), [0, 0, 0]), 0, 35);
    const over = [...cube].filter(([{ down }]) => Math.abs(down[2]) < 0.5);
    const [ahead, aside] = [0, 1].map((axis) =>
      over.reduce((sum, [{ down }, share]) => sum + Math.abs(down[axis as 0 | 1]) * share, 0),
    ) as [number, number];
    expect(Math.abs(ahead / aside - 1)).toBeLessThan(0.05);
  });
});

describe('resting poses against closed forms', () => {
  it('a cube: six alike, parted by its edges', () => {
    const poses = restPoses(box(5, 5, 5), [0, 0, 0]);
    expect(poses).toHaveLength(6);
    for (const { height, share, saddle } of poses) {
      expect(height).toBeCloseTo(5, 9);
      expect(share).toBeCloseTo(1 / 6, 9);
      expect(saddle).toBeCloseTo(5 * Math.SQRT2, 9);
    }
  });

  it('a cuboid: each face by its solid angle, the lowest pass over its nearest edge', () => {
    const [a, b, c] = [7, 5, 3];
    const face = (p: number, q: number, h: number) =>
      (4 * Math.asin((p * q) / Math.hypot(p, h) / Math.hypot(q, h))) / (4 * Math.PI);
    const poses = restPoses(box(a, b, c).flat(), [0, 0, 0]);
    const standing = (height: number) => poses.filter((pose) => Math.abs(pose.height - height) < 1e-9);
    expect(standing(c)).toHaveLength(2);
    expect(standing(c)[0]?.share).toBeCloseTo(face(a, b, c), 9);
    expect(standing(b)[0]?.share).toBeCloseTo(face(a, c, b), 9);
    expect(standing(a)[0]?.share).toBeCloseTo(face(b, c, a), 9);
    expect(standing(c)[0]?.saddle).toBeCloseTo(Math.hypot(b, c), 9);
    expect(standing(a)[0]?.saddle).toBeCloseTo(Math.hypot(a, c), 9);
  });

  it('a cuboid that water lifts almost whole stands on the face below which its weight acts, however far, and no wall is too steep for it', () => {
    for (const far of [20, 1e3, 1e5]) {
      const [pose, ...others] = restPoses(box(7, 5, 3), [far, 0, 0]);
      expect(pose?.down[0]).toBeCloseTo(1, 9);
      expect(pose?.height).toBeCloseTo(7 - far, 6);
      expect(pose?.share).toBeCloseTo(1, 9);
      expect(others.every(({ share }) => share === 0)).toBe(true);
      expect(slopeHeld(box(7, 5, 3), [far, 0, 0], [1, 0, 0], [0, 1, 0])).toBe(90);
    }
  });

  it('a cylinder: on either end, or on its side all round as one pose', () => {
    const [radius, half] = [4, 6];
    const poses = restPoses(
      turned(
        [
          [radius, -half],
          [radius, half],
        ],
        240,
      ),
      [0, 0, 0],
    );
    expect(poses).toHaveLength(3);
    expect(poses[0]?.height).toBeCloseTo(radius, 2);
    const ends = poses.filter(({ height }) => Math.abs(height - half) < 1e-9);
    expect(ends).toHaveLength(2);
    for (const { share, saddle } of ends) {
      expect(share).toBeCloseTo(disc(radius, half), 3);
      expect(saddle).toBeCloseTo(Math.hypot(radius, half), 3);
    }
  });

  it('a cone: on its base, or on its side', () => {
    const [radius, tall] = [3, 12];
    // Solid cone: its centre a quarter up.
    const poses = restPoses([...turned([[radius, -tall / 4]], 240), [0, 0, (3 * tall) / 4]], [0, 0, 0]);
    expect(poses).toHaveLength(2);
    const lean = Math.atan2(radius, tall);
    const base = poses.find(({ down }) => down[2] < -0.99);
    expect(base?.height).toBeCloseTo(tall / 4, 9);
    expect(base?.share).toBeCloseTo(disc(radius, tall / 4), 3);
    expect(poses.find((pose) => pose !== base)?.height).toBeCloseTo(((3 * tall) / 4) * Math.sin(lean), 2);
  });

  it('a hemisphere: flat down, or on its dome; a slope rolls it as far as its centre lies off', () => {
    const r = 10;
    const dome = turned(
      arc(0, Math.PI / 2, 90).map((t) => [r * Math.cos(t), -r * Math.sin(t)] as const),
      180,
    );
    const centre: Vec3 = [0, 0, (-3 / 8) * r];
    const poses = restPoses(dome, centre);
    expect(poses).toHaveLength(2);
    const flat = poses.find(({ down }) => down[2] > 0.99);
    const round = poses.find(({ down }) => down[2] < -0.5);
    expect(flat?.height).toBeCloseTo((3 / 8) * r, 6);
    expect(flat?.share).toBeCloseTo(disc(r, (3 / 8) * r), 3);
    expect(round?.height).toBeCloseTo((5 / 8) * r, 2);
    // Rolling, its centre stands over the contact where sin θ = 3/8; on its flat, over the rim.
    const degrees = (angle: number) => (angle * 180) / Math.PI;
    expect(slopeHeld(dome, centre, [0, 0, -1], [1, 0, 0])).toBeCloseTo(degrees(Math.asin(3 / 8)), 0);
    expect(slopeHeld(dome, centre, [0, 0, 1], [1, 0, 0])).toBeCloseTo(degrees(Math.atan(8 / 3)), 6);
  });

  it('an ellipsoid: on either flat side, over the middle axis from one to the other', () => {
    const [a, b, c] = [9, 6, 4];
    const poses = restPoses(
      turned(
        arc(-Math.PI / 2, Math.PI / 2, 64).map((t) => [Math.cos(t), Math.sin(t)] as const),
        96,
      ).map(([x, y, z]): Vec3 => [a * x, b * y, c * z]),
      [0, 0, 0],
    );
    expect(poses).toHaveLength(2);
    for (const { height, share, saddle, down } of poses) {
      expect(Math.abs(down[2])).toBeGreaterThan(0.99);
      expect(height).toBeCloseTo(c, 1);
      expect(share).toBeCloseTo(0.5, 1);
      expect(saddle).toBeCloseTo(b, 1);
    }
  });

  it('a loaded ball: one pose, and a slope up to its load', () => {
    const ball = turned(
      arc(-Math.PI / 2, Math.PI / 2, 90).map((t) => [10 * Math.cos(t), 10 * Math.sin(t)] as const),
      120,
    );
    const poses = restPoses(ball, [0, 0, -3]);
    expect(poses).toHaveLength(1);
    expect(poses[0]).toMatchObject({ saddle: Infinity });
    expect(poses[0]?.height).toBeCloseTo(7, 1);
    expect(slopeHeld(ball, [0, 0, -3], [0, 0, -1], [0, 1, 0])).toBeCloseTo(
      (Math.asin(0.3) * 180) / Math.PI,
      0,
    );
  });

  it('a block holds a slope until its centre stands over its lower edge, either way', () => {
    const [a, b, c] = [7, 5, 3];
    const held = (towards: Vec3) => slopeHeld(box(a, b, c), [1, 0, -0.5], [0, 0, -1], towards);
    const angle = (over: number) => (Math.atan2(over, c - 0.5) * 180) / Math.PI;
    expect(held([1, 0, 0])).toBeCloseTo(angle(a - 1), 6);
    expect(held([-2, 0, 0])).toBeCloseTo(angle(a + 1), 6);
    expect(held([0, 1, 0.7])).toBeCloseTo(angle(b), 6);
    expect(slopeHeld(box(a, b, c), [0, 0, 0], { down: [0, 0, -1] }, [0, 0, 3])).toBeNaN();
  });

  it('points in one plane are refused', () => {
    expect(() => restPoses(turned([[3, 0]], 6), [0, 0, 0])).toThrow(/one plane/);
  });
});

describe('resting poses against a general hull library', () => {
  /** Numbers from 0 to 1, the same each run (Park & Miller 1988). */
  const randoms = (seed: number) => {
    let state = seed;
    return () => (state = (state * 48271) % 2147483647) / 2147483647;
  };

  it.each([11, 12, 13, 14])('a random polyhedron, seed %i: its stable facets, heights and basins', (seed) => {
    const random = randoms(seed);
    const points = Array.from({ length: 14 }, (): Vec3 => [random() * 20, random() * 12, random() * 9]);
    // The library's hull, its volume's centre and its facets.
    const { Manifold } = solids();
    const hull = Manifold.hull(points.map(([x, y, z]): [number, number, number] => [x, y, z]));
    const { vertProperties: v, triVerts: t, numProp } = hull.getMesh();
    const corner = (i: number): Vec3 => [
      v[numProp * i] as number,
      v[numProp * i + 1] as number,
      v[numProp * i + 2] as number,
    ];
    const corners = Array.from({ length: v.length / numProp }, (_, i) => corner(i));
    const centre: Vec3 = [0, 1, 2].map(
      (k) => corners.reduce((sum, p) => sum + (p[k] as number), 0) / corners.length,
    ) as unknown as Vec3;
    const h = (n: Vec3) => Math.max(...corners.map((p) => dot(p, n) - dot(centre, n)));
    const field = resting(points, centre);
    // Each pose is a place no small turn lowers, found by trying.
    for (const { down, height } of field.poses) {
      expect(height).toBeCloseTo(h(down), 4);
      for (const d of spread(60)) {
        const near = [down[0] + 0.002 * d[0], down[1] + 0.002 * d[1], down[2] + 0.002 * d[2]] as const;
        const size = Math.hypot(...near);
        expect(h([near[0] / size, near[1] / size, near[2] / size])).toBeGreaterThan(height - 1e-4);
      }
    }
    expect(field.poses.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    expect(t.length).toBeGreaterThan(0);
    // Sliding down a smoothed h in small steps ends where the field says, but for directions on the very
    // ridges.
    const from = corners.map((p): Vec3 => [p[0] - centre[0], p[1] - centre[1], p[2] - centre[2]]);
    const starts = spread(150);
    const agree = starts.filter((start) => {
      let n = start;
      for (let step = 0; step < 6000; step++) {
        // The smooth maximum's gradient: corners weighted by how nearly they touch.
        const reach = from.map((p) => dot(p, n));
        const most = Math.max(...reach);
        const weights = reach.map((h) => Math.exp((h - most) * 60));
        const sum = weights.reduce((all, w) => all + w, 0);
        const [x, y, z] = [0, 1, 2].map(
          (k) => from.reduce((all, p, i) => all + (p[k] as number) * (weights[i] as number), 0) / sum,
        ) as [number, number, number];
        const to = [n[0] - 0.0008 * x, n[1] - 0.0008 * y, n[2] - 0.0008 * z] as const;
        const size = Math.hypot(...to);
        n = [to[0] / size, to[1] / size, to[2] / size];
      }
      // A hollow too shallow to be a pose of its own belongs to the one beside it.
      return field.landing(start) === field.landing(n);
    });
    expect(agree.length / starts.length).toBeGreaterThan(0.9);
  });
});
