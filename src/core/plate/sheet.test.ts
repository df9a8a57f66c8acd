import { describe, expect, it } from 'vitest';
import { DRAWN_FAMILIES } from '../head/families/index.ts';
import { evaluate } from '../judge/evaluate.ts';
import type { Vec2 } from '../numeric/vec.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import type { Dimension } from './dimensions.ts';
import { dimensionsOf, placeDimensions } from './dimensions.ts';
import type { Drawing } from './drawing.ts';
import { drawingOf } from './drawing.ts';
import type { Entity } from './entities.ts';
import type { Sheet, SheetOptions } from './sheet.ts';
import { dimensionText, plateSheet } from './sheet.ts';

/*
 * A sheet is measured here as a person would: with a ruler laid along its lines, by the rules of technical
 * drawings. Lettering: ISO 3098-1, nominal sizes (2.5 mm is one of them). Arrangement of views: ISO 5456-2,
 * first and third angle. Dimension and extension lines, arrows and figures: ISO 129-1. All from memory.
 */

type Line = Extract<Entity, { kind: 'line' }>;
type Text = Extract<Entity, { kind: 'text' }>;
type Circle = Extract<Entity, { kind: 'circle' }>;
const lines = ({ entities }: Sheet, layer: Entity['layer']): Line[] =>
  entities.filter((entity): entity is Line => entity.kind === 'line' && entity.layer === layer);

const drawn = (...args: Parameters<typeof sampleDesign>): Drawing => {
  const result = evaluate(sampleDesign(...args), AT_ONCE);
  if (!result.ok) throw new Error(result.problems[0]?.message);
  return drawingOf(result.rig);
};
const OPTIONS: SheetOptions = { arrangement: 'third', units: 'metric' };

/** A dimension as it was drawn: its extension lines, its line, its arrows and its figure. */
interface Drawn {
  readonly extensions: readonly [Line, Line];
  readonly line: Line;
  readonly arrows: readonly [Line, Line];
  readonly figure: Text;
}
/** What a sheet shows of its dimensions, in the order they are placed in. */
function dimensionsDrawn(sheet: Sheet): Drawn[] {
  const all = sheet.entities.filter(({ layer }) => layer === 'dimension').slice(0, -1);
  expect(all.length % 6).toBe(0);
  return Array.from({ length: all.length / 6 }, (_, i): Drawn => {
    const [a, b, line, first, second, figure] = all.slice(6 * i, 6 * i + 6);
    return {
      extensions: [a as Line, b as Line],
      line: line as Line,
      arrows: [first as Line, second as Line],
      figure: figure as Text,
    };
  });
}
const placedAs = (drawing: Drawing, { units, scale = 1 }: SheetOptions) =>
  placeDimensions(
    dimensionsOf(drawing, true),
    ({ value }) => (dimensionText(value, units).length * 2.5 * 0.62) / scale,
  );
const ends = ({ points }: Line): readonly [Vec2, Vec2] => [points[0] as Vec2, points.at(-1) as Vec2];
const long = (line: Line) => {
  const [[a, b], [c, d]] = ends(line);
  return Math.hypot(c - a, d - b);
};

/**
 * Corners of what a view shows, its wires as thick as they are: found by which origin is nearest in the order
 * of drawing.
 */
function shownIn(sheet: Sheet, drawing: Drawing, view: 'side' | 'top' | 'front'): Vec2[] {
  const all = sheet.entities.filter(({ layer }) => layer !== 'dimension' && layer !== 'text');
  // Views are drawn one after the other, each with its own outline: side first, the front with its wire
  // before it.
  const starts = (['side', 'top', 'front'] as const).map((one) => {
    const [u, v] = sheet.origins[one];
    const i = all.findIndex(
      (entity) =>
        entity.kind === 'line' &&
        entity.points.length === drawing[one].length &&
        entity.points.every(
          ([x, y], k) =>
            Math.abs(x - u - (drawing[one][k] as Vec2)[0]) + Math.abs(y - v - (drawing[one][k] as Vec2)[1]) <
            1e-9,
        ),
    );
    return one === 'front' ? i - 1 : i;
  });
  const at = ['side', 'top', 'front'].indexOf(view);
  return all.slice(starts[at], starts[at + 1]).flatMap((entity): Vec2[] => {
    const points = entity.kind === 'line' ? entity.points : [entity.at];
    const reach =
      entity.kind === 'line' ? (entity.width ?? 0) / 2 : entity.kind === 'circle' ? entity.radius : 0;
    return points.flatMap(([u, v]): Vec2[] => [
      [u - reach, v - reach],
      [u + reach, v + reach],
    ]);
  });
}

describe.each(DRAWN_FAMILIES.map(({ key }) => [key] as const))('a ruler on the sheet of %s', (family) => {
  const drawing = drawn(family);

  it.each([
    ['metric', 1],
    ['imperial', 1],
    ['both', 2],
    ['metric', 0.5],
  ] as const)(
    '%s at %d:1: every line is as long as its figure says, and stands where it measures',
    (units, scale) => {
      const options: SheetOptions = { arrangement: 'third', units, scale };
      const sheet = plateSheet(drawing, 'A head', options);
      const placed = placedAs(drawing, options);
      const seen = dimensionsDrawn(sheet);
      expect(seen).toHaveLength(placed.length);
      placed.forEach((dimension, i) => {
        const { extensions, line, arrows, figure } = seen[i] as Drawn;
        expect(long(line)).toBeCloseTo(dimension.value * scale, 9);
        // Read as a person reads it: the figure before its unit, in millimetres or inches.
        const told = parseFloat(figure.text) * (units === 'metric' ? 1 : 25.4);
        expect(Math.abs(told - long(line) / scale)).toBeLessThanOrEqual(
          units === 'metric' ? 0.05 + 1e-9 : 0.0127 + 1e-9,
        );
        // Extension lines begin at the two points of the view and run straight to the ends of the line.
        const [u, v] = sheet.origins[dimension.view];
        const at = ([x, y]: Vec2): Vec2 => [u + x * scale, v + y * scale];
        extensions.forEach((extension, k) => {
          const [from, to] = ends(extension);
          const point = at(k === 0 ? dimension.from : dimension.to);
          expect(from[0]).toBeCloseTo(point[0], 9);
          expect(from[1]).toBeCloseTo(point[1], 9);
          const along = dimension.upright ? 1 : 0;
          expect(to[along]).toBeCloseTo(point[along], 9);
          expect(ends(line).some(([x, y]) => Math.hypot(x - to[0], y - to[1]) < 1e-9)).toBe(true);
        });
        // Level or upright as said, and an arrow with its tip on either end.
        const [a, b] = ends(line);
        expect(a[dimension.upright ? 0 : 1]).toBeCloseTo(b[dimension.upright ? 0 : 1], 9);
        expect(arrows.map(({ points }) => points[1])).toEqual([a, b]);
      });
    },
  );

  it('arrows point outward where the figure has room between them, and inward from outside where it has none', () => {
    const sheet = plateSheet(drawing, '', OPTIONS);
    const placed = placedAs(drawing, OPTIONS);
    dimensionsDrawn(sheet).forEach(({ line, arrows, figure }, i) => {
      const dimension = placed[i] as Dimension;
      const [axis, across] = dimension.upright ? ([1, 0] as const) : ([0, 1] as const);
      const [a, b] = ends(line);
      const [low, high] = a[axis] <= b[axis] ? [a[axis], b[axis]] : [b[axis], a[axis]];
      const barbs = arrows.map(({ points }) => (points[0] as Vec2)[axis]);
      const areBetween = barbs.every((barb) => barb > low && barb < high);
      const areBeyond = (barbs[0] as number) < low && (barbs[1] as number) > high;
      // Half its height to a figure, as the mean breadth in a common sans-serif face (from memory).
      const needs = figure.text.length * 2.5 * 0.5 + 2 * 1.6;
      if (high - low < needs) expect(areBeyond).toBe(true);
      if (areBetween) expect(high - low).toBeGreaterThan(needs);
      expect(areBetween || areBeyond).toBe(true);
      for (const { points } of arrows) {
        const [p, tip, q] = points as [Vec2, Vec2, Vec2];
        // As long along the line as broad in all by two: slim and even about it.
        expect(Math.abs(p[axis] - tip[axis])).toBeCloseTo(1.6, 9);
        expect(p[across] + q[across]).toBeCloseTo(2 * tip[across], 9);
        expect(Math.abs(p[across] - q[across])).toBeCloseTo(0.8, 9);
      }
    });
  });

  it('lines beside a view stand outside it, the nearest 5 mm off and each next 6 mm further', () => {
    const sheet = plateSheet(drawing, '', OPTIONS);
    const placed = placedAs(drawing, OPTIONS);
    const seen = dimensionsDrawn(sheet);
    for (const view of ['side', 'top', 'front'] as const) {
      for (const stands of ['below', 'above', 'left', 'right'] as const) {
        const level = stands === 'below' || stands === 'above';
        const of = placed.flatMap((one, i) =>
          one.view === view && one.stands === stands
            ? [{ lane: one.lane, at: ends((seen[i] as Drawn).line)[0][level ? 1 : 0] }]
            : [],
        );
        const sign = stands === 'below' || stands === 'left' ? -1 : 1;
        const base = of.map(({ lane, at }) => sign * at - 6 * lane);
        // All lanes of a side are counted from one edge.
        for (const each of base) expect(each).toBeCloseTo(base[0] as number, 9);
        // From the outermost of what the view shows, half a wire's thickness with it.
        const origin = sheet.origins[view];
        const edge = Math.max(
          ...shownIn(sheet, drawing, view).map(([u, v]) => sign * (level ? v : u)),
          ...drawing[view].map(([u, v]) => sign * (level ? origin[1] + v : origin[0] + u)),
        );
        for (const { lane, at } of of) expect(sign * at - edge).toBeCloseTo(5 + 6 * lane, 6);
      }
    }
  });
});

describe('a sheet', () => {
  const drawing = drawn('football');

  it('keeps the points of its views at true scale, in every view', () => {
    for (const scale of [0.5, 1, 3]) {
      const sheet = plateSheet(drawing, '', { ...OPTIONS, scale });
      for (const view of ['side', 'top', 'front'] as const) {
        const [u, v] = sheet.origins[view];
        const there = lines(sheet, 'outline').filter(({ points }) => points.length === drawing[view].length);
        const same = there.some(({ points }) =>
          points.every(
            ([x, y], i) =>
              Math.abs(x - u - scale * (drawing[view][i] as Vec2)[0]) < 1e-9 &&
              Math.abs(y - v - scale * (drawing[view][i] as Vec2)[1]) < 1e-9,
          ),
        );
        expect([view, scale, same]).toEqual([view, scale, true]);
      }
      // Wire is as thick as it is, to the sheet's scale.
      const hook = lines(sheet, 'wire').find(({ points }) => points.length === drawing.hook.length);
      expect(hook?.width).toBeCloseTo(drawing.wire * scale, 9);
    }
  });

  it('third angle: the view from above above, from the nose on the nose’s side; first angle the other way (ISO 5456-2)', () => {
    const third = plateSheet(drawing, '', OPTIONS).origins;
    const first = plateSheet(drawing, '', { ...OPTIONS, arrangement: 'first' }).origins;
    expect(third.top[1]).toBeGreaterThan(third.side[1]);
    expect(third.front[0]).toBeGreaterThan(third.side[0]);
    expect(first.top[1]).toBeLessThan(first.side[1]);
    expect(first.front[0]).toBeLessThan(first.side[0]);
    // Views of one object stand in line with each other.
    for (const origins of [third, first]) {
      expect(origins.top[0]).toBe(origins.side[0]);
      expect(origins.front[1]).toBe(origins.side[1]);
    }
  });

  it('is no larger than what stands on it asks for, and everything stands on it', () => {
    for (const arrangement of ['third', 'first'] as const) {
      const sheet = plateSheet(drawing, '', { ...OPTIONS, arrangement });
      // The foot's line of words may run on; everything drawn is on the sheet, at most a lane and a margin
      // from its edge.
      const points = sheet.entities.flatMap((entity): readonly Vec2[] =>
        entity.kind === 'line' ? entity.points : entity.kind === 'circle' ? [entity.at] : [],
      );
      const [us, vs] = [points.map(([u]) => u), points.map(([, v]) => v)];
      expect(Math.min(...us)).toBeGreaterThanOrEqual(10);
      expect(Math.min(...vs)).toBeGreaterThanOrEqual(10);
      expect(Math.max(...us)).toBeLessThanOrEqual(sheet.width - 10);
      expect(Math.max(...vs)).toBeLessThanOrEqual(sheet.height - 10);
      expect(Math.max(...vs)).toBeGreaterThan(sheet.height - 10 - 12);
    }
  });

  it.each([
    ['metric', 10, '10 mm', '±0.1 mm'],
    ['imperial', 25.4, '1 in', '±0.005 in'],
    ['both', 10, '10 mm', '±0.005 in [±0.1 mm]'],
  ] as const)('%s: its bar is as long as it says', (units, size, said, tolerance) => {
    for (const scale of [1, 2]) {
      const sheet = plateSheet(drawing, 'Head', { arrangement: 'first', units, scale });
      const bar = sheet.entities.at(-2) as Line;
      const words = sheet.entities.at(-1) as Text;
      expect(bar.points).toHaveLength(4);
      expect(long(bar)).toBeCloseTo(size * scale, 9);
      expect(bar.points[0]?.[1]).toBeCloseTo((bar.points[1]?.[1] ?? 0) + 2, 9);
      expect(words.text).toBe(
        `${said} · scale ${scale}:1 · first-angle · ${tolerance} where nothing else is said · Head`,
      );
      expect(words.at[0]).toBeCloseTo((bar.points[3]?.[0] ?? 0) + 3, 9);
    }
  });

  it('letters in a nominal size (ISO 3098-1), and each figure beside its own line', () => {
    const sheet = plateSheet(drawing, '', OPTIONS);
    for (const { line, figure } of dimensionsDrawn(sheet)) {
      expect(figure.height).toBe(2.5);
      const [[a, b], [c, d]] = ends(line);
      const [u, v] = figure.at;
      const isUpright = a === c;
      const off = isUpright ? Math.abs(u - a) : Math.abs(v - b);
      // On the line's side, half a figure's height off it at most.
      expect(off).toBeLessThanOrEqual(1.5);
      if (figure.anchor === 'middle') {
        // Between the arrows it stands over the middle, turned to read from the right where the line is
        // upright.
        expect(isUpright ? v : u).toBeCloseTo(isUpright ? (b + d) / 2 : (a + c) / 2, 9);
        expect(figure.turned ?? false).toBe(isUpright);
        expect(isUpright ? a - u : v - b).toBeCloseTo(0.8, 9);
      } else if (isUpright) {
        expect(v).toBeCloseTo((b + d) / 2 - 1.25, 9);
        expect(off).toBeCloseTo(1.5, 9);
      } else {
        expect(v).toBeCloseTo(b - 1.25, 9);
        expect(u).toBeCloseTo(Math.max(a, c) + 3.6, 9);
      }
    }
  });

  it('centre lines run past what they are the axis of, 2 mm behind the bend, 3 mm before the nose, above and below', () => {
    const sheet = plateSheet(drawing, '', OPTIONS);
    const [side, top, front] = lines(sheet, 'centre').map(ends) as [
      readonly [Vec2, Vec2],
      readonly [Vec2, Vec2],
      readonly [Vec2, Vec2],
    ];
    for (const [axis, origin] of [
      [side, sheet.origins.side],
      [top, sheet.origins.top],
    ] as const) {
      expect(axis[0]).toEqual([origin[0] + drawing.bendRear[0] - 2, origin[1]]);
      expect(axis[1][0]).toBeCloseTo(origin[0] + drawing.length + 3, 9);
      expect(axis[1][1]).toBe(origin[1]);
    }
    const [u, v] = sheet.origins.front;
    expect(front[0]).toEqual([u, v - drawing.drop - 3]);
    expect(front[1][1]).toBeCloseTo(v + Math.max(drawing.rise, drawing.tip[1]) + 3, 9);
  });

  it('marks the centre of mass by a circle of 1 mm and a cross of 3 mm, and the point by a stroke', () => {
    const sheet = plateSheet(drawing, '', OPTIONS);
    const [u, v] = sheet.origins.side;
    const at = [u + drawing.centre[0], v + drawing.centre[1]];
    const ring = sheet.entities.find(({ layer }) => layer === 'mark') as Circle;
    expect(ring.at).toEqual(at);
    expect(ring.radius).toBe(1);
    const [level, upright, point] = lines(sheet, 'mark') as [Line, Line, Line];
    expect(long(level)).toBeCloseTo(3, 9);
    expect(long(upright)).toBeCloseTo(3, 9);
    const middle = (line: Line) => {
      const [[a, b], [c, d]] = ends(line);
      return [(a + c) / 2, (b + d) / 2];
    };
    for (const cross of [level, upright]) {
      expect(middle(cross)[0]).toBeCloseTo(at[0] as number, 9);
      expect(middle(cross)[1]).toBeCloseTo(at[1] as number, 9);
    }
    expect(level.points[0]?.[1]).toBeCloseTo(level.points[1]?.[1] ?? NaN, 9);
    expect(middle(point)[0]).toBeCloseTo(u + drawing.tip[0], 9);
    expect(middle(point)[1]).toBeCloseTo(v + drawing.tip[1], 9);
    expect(long(point)).toBeCloseTo(2.4, 9);
  });
});

describe('a head smaller than its figures', () => {
  const tiny = drawn('ball', {
    keeper: { kind: 'none' },
    guard: { kind: 'none' },
    head: { dimensions: { breadth: 3 } },
    hook: { size: '#8' },
  });
  it.each([
    ['third', 'both'],
    ['first', 'both'],
    ['third', 'imperial'],
    ['first', 'metric'],
  ] as const)(
    '%s angle, %s: figures beside their lines stand clear of every view, on the sheet',
    (arrangement, units) => {
      const sheet = plateSheet(tiny, '', { arrangement, units });
      const views = (['side', 'top', 'front'] as const).map((view) => {
        const points = shownIn(sheet, tiny, view);
        return {
          left: Math.min(...points.map(([u]) => u)),
          right: Math.max(...points.map(([u]) => u)),
          low: Math.min(...points.map(([, v]) => v)),
          high: Math.max(...points.map(([, v]) => v)),
        };
      });
      const figures = dimensionsDrawn(sheet).map(({ figure }) => figure);
      expect(figures.some(({ anchor }) => anchor !== 'middle')).toBe(true);
      for (const { at, text, anchor, turned } of figures) {
        const long = text.length * 2.5 * 0.5;
        const [u, v] = at;
        const from = anchor === 'start' ? 0 : anchor === 'middle' ? long / 2 : long;
        const box = turned
          ? { left: u - 1.75, right: u, low: v - from, high: v - from + long }
          : { left: u - from, right: u - from + long, low: v, high: v + 1.75 };
        expect(box.left).toBeGreaterThanOrEqual(0);
        expect(box.right).toBeLessThanOrEqual(sheet.width);
        for (const view of views) {
          const apart =
            box.right < view.left || box.left > view.right || box.high < view.low || box.low > view.high;
          expect([text, apart]).toEqual([text, true]);
        }
      }
    },
  );
});

describe('an eye in three views', () => {
  const eyeOf = (crosswise: boolean, angle: number) => {
    const drawing = drawn('ball', { eye: { plane: crosswise ? 'crosswise' : 'in line', angle } });
    const sheet = plateSheet(drawing, '', OPTIONS);
    return { drawing, sheet };
  };
  /** Half the breadth of a ring seen in a view, along its two axes. */
  const halves = (line: Line | undefined) => {
    const points = line?.points ?? [];
    const span = (axis: 0 | 1) =>
      (Math.max(...points.map((p) => p[axis])) - Math.min(...points.map((p) => p[axis]))) / 2;
    return [span(0), span(1)];
  };

  it('in line it is a circle from the side and a bar of its breadth from above and from the nose', () => {
    const { drawing, sheet } = eyeOf(false, 60);
    const [u, v] = sheet.origins.side;
    const ring = sheet.entities.find(
      (entity): entity is Circle => entity.kind === 'circle' && entity.layer === 'wire',
    );
    expect(ring?.at[0]).toBeCloseTo(u + drawing.eye.at[0], 9);
    expect(ring?.at[1]).toBeCloseTo(v + drawing.eye.at[1], 9);
    expect(ring?.radius).toBe(drawing.eye.radius);
    const bars = lines(sheet, 'wire').filter(
      (line) => line.points.length === 2 && Math.abs(long(line) - 2 * drawing.eye.radius) < 1e-9,
    );
    expect(bars).toHaveLength(2);
    for (const bar of bars) expect(bar.width).toBeCloseTo(drawing.eye.wire, 9);
    const [above, nose] = bars as [Line, Line];
    expect(ends(above)[0][1]).toBeCloseTo(sheet.origins.top[1], 9);
    expect(ends(nose)[0][0]).toBeCloseTo(sheet.origins.front[0], 9);
    expect((ends(nose)[0][1] + ends(nose)[1][1]) / 2).toBeCloseTo(
      sheet.origins.front[1] + drawing.eye.at[1],
      9,
    );
  });

  it.each([30, 60, 90])(
    'crosswise at %d° it is a bar along its leg from the side, and an ellipse by the leg’s slant in the others',
    (angle) => {
      const { drawing, sheet } = eyeOf(true, angle);
      const { radius, wire } = drawing.eye;
      const slant = (angle * Math.PI) / 180;
      const bar = lines(sheet, 'wire').find(
        (line) => line.points.length === 2 && Math.abs(long(line) - 2 * radius) < 1e-6,
      );
      expect(bar?.width).toBeCloseTo(wire, 9);
      const [a, b] = ends(bar as Line);
      // The leg leaves the shank at the eye's angle: a circle whose plane holds it shows its cosine from
      // above and its sine from the nose.
      expect(Math.abs(b[0] - a[0])).toBeCloseTo(2 * radius * Math.cos(slant), 6);
      expect(Math.abs(b[1] - a[1])).toBeCloseTo(2 * radius * Math.sin(slant), 6);
      const rings = lines(sheet, 'wire').filter(({ points, closed }) => closed && points.length === 36);
      expect(rings).toHaveLength(2);
      const [above, nose] = rings.map(halves) as [number[], number[]];
      expect(above[0]).toBeCloseTo(radius * Math.cos(slant), 6);
      expect(above[1]).toBeCloseTo(radius, 6);
      expect(nose[0]).toBeCloseTo(radius, 6);
      expect(nose[1]).toBeCloseTo(radius * Math.sin(slant), 6);
      for (const ring of rings) expect(ring.width).toBeCloseTo(wire, 9);
    },
  );
});

describe('figures', () => {
  it.each([
    [25.4, 'metric', '25.4 mm'],
    [25.4, 'imperial', '1.000 in'],
    [25.4, 'both', '1.000 in [25.4 mm]'],
    // A sixteenth of an inch is 1.5875 mm by the inch of 25.4 mm (ISO 31, the international inch of 1959).
    [1.5875, 'both', '0.063 in [1.6 mm]'],
    [0, 'metric', '0.0 mm'],
  ] as const)('%d mm in %s is %s', (value, units, text) => {
    expect(dimensionText(value, units)).toBe(text);
  });
});

describe('which dimensions a head carries', () => {
  const ids = (drawing: Drawing, whole = true) => dimensionsOf(drawing, whole).map(({ id }) => id);
  const value = (drawing: Drawing, id: string) =>
    dimensionsOf(drawing, true).find((dimension) => dimension.id === id)?.value;

  it('a ball of known size: its length, breadth and height are its diameter; the hook’s are the hook’s', () => {
    const design = sampleDesign('ball');
    const drawing = drawn('ball');
    const size = design.head.dimensions['breadth'] ?? NaN;
    for (const id of ['length', 'breadth', 'height']) expect(value(drawing, id)).toBeCloseTo(size, 2);
    const rear = drawing.bendRear[0] - drawing.wire / 2;
    expect(value(drawing, 'shank')).toBeCloseTo(-rear, 9);
    expect(value(drawing, 'whole')).toBeCloseTo(
      Math.max(drawing.length, drawing.eye.at[0] + drawing.eye.radius) - rear,
      9,
    );
    // Between the wires, not between their middles.
    expect(value(drawing, 'gap')).toBeCloseTo(drawing.tip[1] - drawing.shankLevel - drawing.wire, 9);
    expect(value(drawing, 'bite')).toBeCloseTo(drawing.tip[1] - drawing.eye.top, 9);
    expect(ids(drawing, false)).not.toContain('gap');
    expect(ids(drawing, false)).toEqual(expect.arrayContaining(['length', 'breadth', 'height']));
  });

  it('an eye less than 0.4 mm from the nose has no distance of its own', () => {
    const drawing = drawn('ball');
    const moved = (by: number): Drawing => ({
      ...drawing,
      eye: { ...drawing.eye, at: [drawing.length + by, drawing.eye.at[1]] },
    });
    expect(ids(moved(0.39))).not.toContain('eye');
    expect(ids(moved(-0.39))).not.toContain('eye');
    expect(ids(moved(-0.41))).toContain('eye');
    expect(value(moved(-3), 'eye')).toBeCloseTo(3, 9);
  });

  it('fins count as breadth of their own once they stand out by a fiftieth', () => {
    const drawing = drawn('ball');
    const finned = (share: number): Drawing => ({ ...drawing, breadth: drawing.bodyBreadth * share });
    expect(ids(finned(1.019))).not.toContain('body');
    expect(ids(finned(1.021))).toContain('body');
    expect(value(finned(1.5), 'body')).toBeCloseTo(drawing.bodyBreadth, 9);
    expect(value(finned(1.5), 'breadth')).toBeCloseTo(1.5 * drawing.bodyBreadth, 9);
  });

  it('a keeper behind the head has its reach, and a cast one its breadth too', () => {
    const drawing = drawn('ball', { keeper: { kind: 'none' } });
    expect(ids(drawing)).not.toContain('keeper');
    const collar: Vec2[] = [
      [2, 9],
      [-3, 1.5],
      [-7, 2.5],
      [-7, -2.5],
      [0, -4],
      [2, -9],
    ];
    const cast: Drawing = { ...drawing, collar };
    expect(value(cast, 'keeper')).toBeCloseTo(7, 9);
    // The root that is buried in the head is not what a plastic is pushed over.
    expect(value(cast, 'collar')).toBeCloseTo(5, 9);
    const wire = { side: [[1, 0] as Vec2, [-4, 1] as Vec2], top: [], front: [], wire: 0.6 };
    const wired: Drawing = { ...drawing, keeper: [wire] };
    expect(value(wired, 'keeper')).toBeCloseTo(4, 9);
    expect(ids(wired)).not.toContain('collar');
    const scant: Drawing = { ...drawing, keeper: [{ ...wire, side: [[-0.4, 0] as Vec2] }] };
    expect(ids(scant)).not.toContain('keeper');
  });
});
