import { describe, expect, it, vi } from 'vitest';
import type { Vec2 } from '../core/numeric/index.ts';
import { DRAWN_FAMILIES } from '../core/head/index.ts';
import { evaluate } from '../core/judge/index.ts';
import { ARRANGEMENTS, dimensionText, drawingOf } from '../core/plate/index.ts';
import { formatQuantity } from '../core/quantity/index.ts';
import { sampleDesign } from '../core/test-kit/sample.test-kit.ts';
import { hangingBox } from './drawing/hanging-head.tsx';
import { pathOf } from './drawing/path.ts';
import type { Run } from './screens/bench/figure.ts';
import { figureAt, figureSize } from './screens/bench/figure.ts';
import { plateLayout } from './screens/bench/plate-layout.ts';
import { newestOnly } from './workers/judge.ts';

vi.mock('comlink', () => ({ wrap: () => ({}) }));

function drawing(family: string) {
  const result = evaluate(sampleDesign(family));
  if (!result.ok) throw new Error('the sample cannot be built');
  return { drawing: drawingOf(result.rig), readings: result.readings };
}

describe('the worker gets the newest job only', () => {
  it('drops what became stale while it was busy, and ends with the last', async () => {
    const asked: number[] = [];
    const given: number[] = [];
    let release: () => void = () => undefined;
    const ask = newestOnly<number, number>(
      (input) =>
        new Promise((resolve) => {
          asked.push(input);
          release = () => resolve(input * 10);
        }),
      (output) => given.push(output),
      () => undefined,
    );
    for (let i = 1; i <= 50; i++) ask(i);
    release();
    await vi.waitFor(() => expect(asked).toEqual([1, 50]));
    release();
    await vi.waitFor(() => expect(given).toEqual([10, 500]));
  });

  it('goes on after a job that failed', async () => {
    const given: number[] = [];
    const failed: unknown[] = [];
    const ask = newestOnly<number, number>(
      (input) => (input === 1 ? Promise.reject(new Error('no')) : Promise.resolve(input)),
      (output) => given.push(output),
      (error) => failed.push(error),
    );
    ask(1);
    await vi.waitFor(() => expect(failed.length).toBe(1));
    ask(2);
    await vi.waitFor(() => expect(given).toEqual([2]));
  });
});

const inches = (value: number) => formatQuantity(value, 'size', 'imperial');

interface Box {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}
const boxOf = (points: readonly Vec2[]): Box => ({
  left: Math.min(...points.map(([x]) => x)),
  right: Math.max(...points.map(([x]) => x)),
  top: Math.min(...points.map(([, y]) => y)),
  bottom: Math.max(...points.map(([, y]) => y)),
});
const overlap = (a: Box, b: Box) =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
function figureBox(run: Run, text: string): Box {
  const { x, y, anchor } = figureAt(run);
  const { wide, high } = figureSize(text, run.upright);
  const left = x - { start: 0, middle: wide / 2, end: wide }[anchor];
  return { left, right: left + wide, top: y - high / 2, bottom: y + high / 2 };
}

describe('the plate', () => {
  it.each(['ball', 'football', 'pointed'])(
    '%s: three views on the sheet, to one scale, not over each other',
    (family) => {
      const { drawing: shape } = drawing(family);
      for (const view of ['whole', 'head'] as const) {
        const { k, scale, side, top, front } = plateLayout(shape, 748, 534, view, 'third', inches);
        expect(k / scale).toBeCloseTo(96 / 25.4, 9);
        // One scale: a millimetre is k px in every view.
        expect(side([1, 0])[0] - side([0, 0])[0]).toBeCloseTo(k, 9);
        expect(top([1, 0])[0] - top([0, 0])[0]).toBeCloseTo(k, 9);
        expect(front([1, 0])[0] - front([0, 0])[0]).toBeCloseTo(k, 9);
        // Projection lines agree: same x above, same z beside.
        expect(top([3, 0])[0]).toBeCloseTo(side([3, 0])[0], 9);
        expect(front([0, 2])[1]).toBeCloseTo(side([0, 2])[1], 9);
        // The views keep clear of each other and on the sheet.
        expect(top([0, -shape.breadth / 2])[1]).toBeLessThan(side([0, shape.rise])[1]);
        expect(side([shape.length, 0])[0]).toBeLessThan(front([-shape.breadth / 2, 0])[0]);
        expect(front([shape.breadth / 2, 0])[0]).toBeLessThan(748);
        expect(side([0, -shape.drop])[1]).toBeLessThan(534);
        expect(top([0, shape.breadth / 2])[1]).toBeGreaterThan(0);
      }
    },
  );

  it('with first angle the view from above lies below, and the view from the nose at the tail', () => {
    const { drawing: shape } = drawing('football');
    const { side, top, front } = plateLayout(shape, 748, 534, 'whole', 'first', inches);
    expect(top([0, shape.breadth / 2])[1]).toBeGreaterThan(side([0, -shape.drop])[1]);
    expect(front([shape.breadth / 2, 0])[0]).toBeLessThan(side([shape.bendRear[0], 0])[0]);
  });

  describe.each([['imperial'], ['both']] as const)('in %s units', (units) => {
    const text = (value: number) => dimensionText(value, units);

    it.each(
      DRAWN_FAMILIES.flatMap(({ key }) => ARRANGEMENTS.map((arrangement) => [key, arrangement] as const)),
    )('%s, %s angle: no figure over another, over a view, or off the sheet', (family, arrangement) => {
      const { drawing: shape } = drawing(family);
      for (const [width, height] of [
        [748, 534],
        [520, 420],
        [1500, 1000],
      ] as const) {
        for (const view of ['whole', 'head'] as const) {
          const layout = plateLayout(shape, width, height, view, arrangement, text);
          const figures = layout.dimensions.map((dimension): [string, Box] => [
            `${dimension.name}, ${view} on ${width} × ${height}`,
            figureBox(dimension, text(dimension.value)),
          ]);
          const metal = {
            'the view from the side': boxOf(
              [...shape.side, ...(view === 'whole' ? shape.hook : [])].map(layout.side),
            ),
            'the view from above': boxOf(shape.top.map(layout.top)),
            'the view from the nose': boxOf([...shape.front, [0, shape.eye.top] as const].map(layout.front)),
          };
          // The tools stand in one row along the top: no handle on a view may lie under them.
          const tools: Box = { left: 0, top: 0, right: width, bottom: 36 };
          for (const [name, box] of Object.entries(metal))
            expect([name, overlap(box, tools)]).toEqual([name, false]);
          figures.forEach(([name, box], i) => {
            const others = [...figures.slice(i + 1), ...Object.entries({ ...metal, 'the tools': tools })];
            const over = others.filter(([, other]) => overlap(box, other)).map(([other]) => other);
            expect([name, ...over]).toEqual([name]);
            expect([
              name,
              box.left >= 0 && box.top >= 0 && box.right <= width && box.bottom <= height,
            ]).toEqual([name, true]);
          });
        }
      }
    });
  });

  it('takes a smaller scale where there is less room', () => {
    const { drawing: shape } = drawing('football');
    expect(plateLayout(shape, 400, 300, 'whole', 'third', inches).scale).toBeLessThan(
      plateLayout(shape, 1400, 1000, 'whole', 'third', inches).scale,
    );
  });
});

describe('a hanging head', () => {
  it('hangs from its eye: level it spreads sideways, nose up it hangs down', () => {
    const { drawing: shape } = drawing('ball');
    const level = hangingBox(shape, 0, 1);
    const noseUp = hangingBox(shape, -90, 1);
    expect(level.right - level.left).toBeGreaterThan(level.bottom);
    expect(noseUp.bottom).toBeGreaterThan(noseUp.right - noseUp.left);
    expect(noseUp.bottom).toBeGreaterThan(30);
    // Turned right round, the far end is as far to the other side.
    expect(hangingBox(shape, 180, 1).right).toBeCloseTo(-level.left, 0);
  });

  it('paths are closed unless told otherwise', () => {
    const points = [
      [0, 0],
      [1, 0],
      [1, 1],
    ] as const;
    expect(pathOf(points, ([x, y]) => [x * 2, y * 2])).toBe('M0.00 0.00L2.00 0.00L2.00 2.00Z');
    expect(pathOf(points, (point) => point, false)).not.toContain('Z');
  });
});
