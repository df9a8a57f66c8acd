import { describe, expect, it } from 'vitest';
import { withBait } from '../assembly/assemble.ts';
import { headMass } from '../assembly/rig.ts';
import type { Rig } from '../assembly/rig.ts';
import { bareHead } from '../head/body.ts';
import { DRAWN_FAMILIES } from '../head/families/index.ts';
import { massProperties } from '../head/mesh.ts';
import { surfaceMesh } from '../head/solid.ts';
import { guardInitial } from '../fitting/guards/index.ts';
import { evaluate } from '../judge/evaluate.ts';
import type { Vec2 } from '../numeric/vec.ts';
import { usualPlastic } from '../plastic/usual.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import { drawingOf, sectionOf } from './drawing.ts';
import { hangingHook, hangingReach, hung } from './hanging.ts';
import { turnedRig } from './turned.ts';

/*
 * Drawings held against the solid they are of: its closed surface as a general mesh, projected corner by
 * corner, its sections integrated by the trapezoid rule, its volume by the divergence theorem.
 */

const built = (...args: Parameters<typeof sampleDesign>): Rig => {
  const result = evaluate(sampleDesign(...args), AT_ONCE);
  if (!result.ok) throw new Error(result.problems[0]?.message);
  return result.rig;
};
const turn = ([x, z]: Vec2, angle: number): Vec2 => {
  const a = (angle * Math.PI) / 180;
  return [x * Math.cos(a) - z * Math.sin(a), x * Math.sin(a) + z * Math.cos(a)];
};
/** Area inside a closed outline, by the shoelace formula. */
const area = (points: readonly Vec2[]) =>
  Math.abs(
    points.reduce((sum, [u, v], i) => {
      const [p, q] = points[(i + 1) % points.length] as Vec2;
      return sum + u * q - p * v;
    }, 0) / 2,
  );
const bounds = (points: readonly Vec2[]) => ({
  left: Math.min(...points.map(([u]) => u)),
  right: Math.max(...points.map(([u]) => u)),
  low: Math.min(...points.map(([, v]) => v)),
  high: Math.max(...points.map(([, v]) => v)),
});

describe.each(DRAWN_FAMILIES.map(({ key }) => [key] as const))('%s against its own solid', (family) => {
  const rig = built(family, { keeper: { kind: 'none' }, guard: { kind: 'none' } });
  const fine = { rings: 120, corners: 96 };
  const mesh = surfaceMesh(bareHead(rig.head), fine, fine);
  const corners = Array.from({ length: mesh.positions.length / 3 }, (_, i) => [
    mesh.positions[3 * i] as number,
    mesh.positions[3 * i + 1] as number,
    mesh.positions[3 * i + 2] as number,
  ]) as [number, number, number][];
  const { length } = rig.profile;

  it.each([0, 25, 60, 90, 135, 180])('turned by %d° its outline is the shadow of its corners', (angle) => {
    const a = (angle * Math.PI) / 180;
    const shadow = bounds(corners.map(([x, y, z]) => [x, z * Math.cos(a) + y * Math.sin(a)]));
    const seen = bounds(turnedRig(rig, angle).head);
    for (const edge of ['left', 'right', 'low', 'high'] as const)
      expect([edge, Math.abs(seen[edge] - shadow[edge]) < 0.012 * length]).toEqual([edge, true]);
  });

  it('its views are the shadows of its corners', () => {
    const drawing = drawingOf(rig);
    const from = {
      side: bounds(corners.map(([x, , z]) => [x, z])),
      top: bounds(corners.map(([x, y]) => [x, y])),
      front: bounds(corners.map(([, y, z]) => [y, z])),
    };
    for (const view of ['side', 'top', 'front'] as const)
      for (const edge of ['left', 'right', 'low', 'high'] as const) {
        const off = Math.abs(bounds(drawing[view])[edge] - from[view][edge]);
        expect([view, edge, off < 0.006 * length]).toEqual([view, edge, true]);
      }
    expect(drawing.breadth).toBeCloseTo(from.top.high - from.top.low, 1);
    expect(drawing.height).toBeCloseTo(from.side.high - from.side.low, 1);
    expect(drawing.rise).toBeCloseTo(from.side.high, 1);
    expect(drawing.drop).toBeCloseTo(-from.side.low, 1);
  });

  it('its sections, laid one behind another, hold its volume', () => {
    // Stations closer together at both ends, where sections grow fast; the trapezoid rule over the angle.
    const n = 90;
    const at = (i: number) => (1 - Math.cos((Math.PI * i) / n)) / 2;
    const areas = Array.from({ length: n + 1 }, (_, i) => {
      const cut = sectionOf(rig, at(i));
      expect(cut.at).toBeCloseTo(length * at(i), 3);
      return cut.outlines.map(area).reduce((sum, one) => sum + one, 0);
    });
    const volume = areas.slice(1).reduce((sum, one, i) => {
      const step = (at(i + 1) - at(i)) * length;
      return sum + (step * (one + (areas[i] as number))) / 2;
    }, 0);
    expect(Math.abs(volume / massProperties(mesh).volume - 1)).toBeLessThan(0.006);
  });

  it('marks the centre of all its parts, weighed, and puts its handles where it is broadest', () => {
    const drawing = drawingOf(rig);
    const { section, breaks } = rig.profile;
    // No kink of the outline and not its middle is broader than where the handle sits.
    for (const x of [...breaks, length / 2])
      expect(section(drawing.fullest).b).toBeGreaterThanOrEqual(section(x).b - 1e-9);
    expect(drawing.fullest).toBeGreaterThanOrEqual(0);
    expect(drawing.fullest).toBeLessThanOrEqual(length);
    expect(drawing.bodyBreadth / 2).toBeGreaterThanOrEqual(section(drawing.fullest).b - 1e-9);
    const total = headMass(rig);
    for (const [i, axis] of [0, 2].entries()) {
      const moment = rig.parts.reduce((sum, part) => sum + part.mass * (part.centroid[axis] as number), 0);
      expect(drawing.centre[i]).toBeCloseTo(moment / total, 9);
    }
  });
});

describe('a rig turned', () => {
  const head = built('football', { keeper: { kind: 'none' }, guard: guardInitial('twin wire') });
  const rig = withBait(head, { plastic: usualPlastic('paddle-tail', 3.5), method: 'threaded' });
  const drawing = drawingOf(rig);

  it('by nothing is the view from the side; by a quarter, the view from above', () => {
    const [side, above] = [turnedRig(rig, 0), turnedRig(rig, 90)];
    rig.hook.centre.forEach(([x, y, z], i) => {
      expect(side.hook[i]).toEqual([x, z]);
      expect(above.hook[i]?.[0]).toBe(x);
      expect(above.hook[i]?.[1]).toBeCloseTo(y, 9);
    });
    expect(side.wire).toBe(drawing.wire);
    expect(side.eye.at[0]).toBeCloseTo(drawing.eye.at[0], 3);
    expect(side.eye.at[1]).toBeCloseTo(drawing.eye.at[1], 3);
    expect(side.eye.wire).toBeCloseTo(drawing.eye.wire, 9);
    expect(side.guardEnd).toEqual(drawing.guard?.end);
    expect(drawing.guard?.base).toEqual([rig.guard?.base[0], rig.guard?.base[2]]);
    expect(drawing.guard?.end).toEqual([rig.guard?.end[0], rig.guard?.end[2]]);
    expect(drawing.hinge).toBeUndefined();
    expect(above.guardEnd?.[1]).toBeCloseTo(0, 9);
  });

  it('half round is the side view upside down', () => {
    const [side, back] = [turnedRig(rig, 0), turnedRig(rig, 180)];
    const flipped = (points: readonly Vec2[]) => bounds(points.map(([x, v]): Vec2 => [x, -v]));
    for (const part of ['hook', 'body', 'head'] as const) {
      const [a, b] = [bounds(back[part]), flipped(side[part])];
      for (const edge of ['left', 'right', 'low', 'high'] as const) expect(a[edge]).toBeCloseTo(b[edge], 6);
    }
  });

  it('an eye in line is a ring from the side and no broader than its wire from above; crosswise the other way', () => {
    const eye = (plane: 'in line' | 'crosswise', angle: number) => {
      const one = built('ball', { eye: { plane, angle: 60 } });
      return { shown: turnedRig(one, angle).eye, ring: one.hook.eye };
    };
    const inLine = eye('in line', 0);
    expect(inLine.shown.across).toBeCloseTo(inLine.ring.radius, 9);
    expect(inLine.shown.along).toBeCloseTo(inLine.ring.radius, 9);
    expect(eye('in line', 90).shown.across).toBeCloseTo(inLine.ring.wireRadius, 9);
    expect(eye('crosswise', 0).shown.across).toBeCloseTo(inLine.ring.wireRadius, 9);
    expect(eye('crosswise', 90).shown.across).toBeCloseTo(inLine.ring.radius, 9);
    const between = eye('in line', 30);
    expect(between.shown.across).toBeCloseTo(between.ring.radius * Math.cos(Math.PI / 6), 9);
  });

  it('a plastic shows its height from the side and its breadth from above', () => {
    const laid = rig.bait?.laid.body ?? [];
    const [side, above] = [bounds(turnedRig(rig, 0).body), bounds(turnedRig(rig, 90).body)];
    const highest = Math.max(...laid.map(({ at, halfHeight }) => at[1] + halfHeight));
    const lowest = Math.min(...laid.map(({ at, halfHeight }) => at[1] - halfHeight));
    const broadest = Math.max(...laid.map(({ halfBreadth }) => halfBreadth));
    expect(side.high).toBeCloseTo(highest, 6);
    expect(side.low).toBeCloseTo(lowest, 6);
    expect(above.high).toBeCloseTo(broadest, 6);
    expect(above.low).toBeCloseTo(-broadest, 6);
  });

  it('a section between the two reaches as far as the furthest of its own rim does', () => {
    // The rim of |y/b|ⁿ + |z/h|ⁿ = 1, walked round and projected: no dual norm.
    const [section] = rig.bait?.laid.body.filter(({ halfHeight }) => halfHeight > 2) ?? [];
    if (!section) throw new Error('the bait has no body');
    const straight = { ...section, at: [0, 0] as Vec2 };
    const one = withBait(head, { plastic: usualPlastic('paddle-tail', 3.5), method: 'threaded' });
    const angle = 40;
    const a = (angle * Math.PI) / 180;
    const { halfBreadth: b, halfHeight: h, nt } = straight;
    let most = 0;
    for (let k = 0; k <= 4000; k++) {
      const t = (Math.PI / 2) * (k / 4000);
      const y = b * Math.cos(t) ** (2 / nt);
      const z = h * Math.sin(t) ** (2 / nt);
      most = Math.max(most, z * Math.cos(a) + y * Math.sin(a));
    }
    const outline = turnedRig(one, angle).body;
    const upper = outline.slice(0, outline.length / 2);
    const i = upper.findIndex(([x]) => Math.abs(x - section.at[0]) < 1e-9);
    expect((upper[i]?.[1] ?? NaN) - section.at[1] * Math.cos(a)).toBeCloseTo(most, 3);
  });

  it('a skirt’s strands begin at the collar, end as uneven as they were cut, and stand off by an eighth at most', () => {
    const skirt = { length: 60, uneven: 6 };
    const result = evaluate({ ...sampleDesign('football'), skirt }, AT_ONCE);
    if (!result.ok) throw new Error(result.problems[0]?.message);
    const skirted = result.rig;
    const ends = turnedRig(skirted, 0).skirt.map((path) => -(path.at(-1)?.[0] ?? 0));
    expect(Math.max(...ends)).toBeLessThanOrEqual(skirt.length + skirt.uneven + 1e-9);
    expect(Math.min(...ends)).toBeGreaterThanOrEqual(skirt.length - skirt.uneven - 1e-9);
    // Cut in turn: both ends of the range are met, and their mean is the length.
    expect(Math.max(...ends) - Math.min(...ends)).toBeGreaterThan(1.5 * skirt.uneven);
    expect(ends.reduce((sum, end) => sum + end, 0) / ends.length).toBeCloseTo(skirt.length, -0.5);
    const collar = skirted.head.collar?.radius(-1e-6) ?? 2;
    for (const angle of [0, 90]) {
      for (const path of turnedRig(skirted, angle).skirt) {
        const [root, bulge, end] = path as [Vec2, Vec2, Vec2];
        expect(Math.abs(root[1])).toBeLessThanOrEqual(Math.max(1, collar) + 1e-9);
        expect(Math.abs(end[1]) - Math.abs(bulge[1])).toBeLessThanOrEqual(-end[0] / 8);
        expect(end[0]).toBeLessThan(bulge[0]);
        // A third of the way it lies on what it covers: the collar, or the bait on it.
        expect(bulge[0] / end[0]).toBeCloseTo(0.35, 1);
        expect(Math.hypot(bulge[1], root[1])).toBeGreaterThanOrEqual(Math.abs(root[1]));
      }
    }
    expect(turnedRig(rig, 0).skirt).toEqual([]);
    // With a bait the strands lie outside it where they bulge.
    const plastic = usualPlastic('chunk', 3);
    const dressed = withBait(skirted, { plastic, method: 'trailer' });
    const thick = Math.max(
      ...(dressed.bait?.laid.body ?? []).map(({ halfHeight, halfBreadth }) =>
        Math.max(halfHeight, halfBreadth),
      ),
    );
    const out = turnedRig(dressed, 90).skirt.map((path) => Math.abs(path[1]?.[1] ?? 0));
    expect(Math.max(...out)).toBeCloseTo(Math.max(thick, Math.max(1, collar)), 1);
  });
});

describe('a head hung by its eye', () => {
  const rig = built('football');
  const drawing = drawingOf(rig);

  it.each([-40, 0, 30, 90])(
    'at %d° nose down: the eye stays, distances stay, and the nose goes down by that angle',
    (attitude) => {
      const place = hung(drawing, attitude);
      expect(place(drawing.eye.at).map((value) => Math.abs(value))).toEqual([0, 0]);
      const points: Vec2[] = [[0, 0], [drawing.length, 0], [drawing.tip[0], drawing.tip[1]], drawing.centre];
      for (const p of points)
        for (const q of points) {
          const [a, b] = [place(p), place(q)];
          expect(Math.hypot(a[0] - b[0], a[1] - b[1])).toBeCloseTo(Math.hypot(p[0] - q[0], p[1] - q[1]), 9);
        }
      // On the sheet y runs down: a nose that is down stands at a larger y.
      const [tail, nose] = [place([0, 0]), place([drawing.length, 0])];
      const down = (Math.atan2(nose[1] - tail[1], nose[0] - tail[0]) * 180) / Math.PI;
      expect(down).toBeCloseTo(attitude, 9);
      // A point above the shank stands above it, not mirrored.
      const [at, over] = [place([0, 0]), place([0, 5])];
      const cross = (nose[0] - tail[0]) * (over[1] - at[1]) - (nose[1] - tail[1]) * (over[0] - at[0]);
      expect(cross).toBeLessThan(0);
    },
  );

  it('reaches as far as its furthest point, left, right and down', () => {
    for (const attitude of [-20, 0, 45]) {
      const points = [...drawing.side, ...drawing.hook, ...(drawing.collar ?? [])].map(([x, z]) =>
        turn([x - drawing.eye.at[0], z - drawing.eye.at[1]], -attitude),
      );
      const { left, right, low } = bounds(points);
      const [l, r, below] = hangingReach({ ...drawing, guard: undefined }, attitude);
      expect(l).toBeCloseTo(Math.max(0, -left), 2);
      expect(r).toBeCloseTo(Math.max(0, right), 2);
      expect(below).toBeCloseTo(Math.max(0, -low), 2);
    }
  });

  it.each([-30, 0, 20, 70])(
    'a free hook hangs with its weight under the hinge, the head at %d°',
    (attitude) => {
      const swung = built('football', {
        keeper: { kind: 'none' },
        guard: { kind: 'none' },
        hook: { joint: { kind: 'split ring', size: 4 } },
      });
      const free = drawingOf(swung);
      if (!free.hinge) throw new Error('the head is not hinged');
      const hook = swung.parts.find(({ name }) => name === 'hook');
      if (!hook) throw new Error('there is no hook');
      const place = hung(free, attitude);
      const points = hangingHook(free, attitude);
      expect(points).toHaveLength(free.hook.length);
      // The hook keeps its shape and its hinge: its centre of mass is where three of its points say.
      const [hx, hz] = free.hinge.at;
      const angle = (() => {
        const [a, b] = [free.hook[0] as Vec2, free.hook.at(-1) as Vec2];
        const [p, q] = [points[0] as Vec2, points.at(-1) as Vec2];
        expect(Math.hypot(q[0] - p[0], q[1] - p[1])).toBeCloseTo(Math.hypot(b[0] - a[0], b[1] - a[1]), 6);
        return (
          ((Math.atan2(q[1] - p[1], q[0] - p[0]) - Math.atan2(b[1] - a[1], b[0] - a[0])) * 180) / Math.PI
        );
      })();
      const [cx, cz] = turn([hook.centroid[0] - hx, hook.centroid[2] - hz], angle);
      const [at, low] = [place([hx, hz]), place([hx + cx, hz + cz])];
      expect(low[0]).toBeCloseTo(at[0], 6);
      expect(low[1]).toBeGreaterThan(at[1]);
    },
  );

  it('a rigid hook stays as it is', () => {
    expect(hangingHook(drawing, 33)).toBe(drawing.hook);
  });
});
