import { runs } from '../test-kit/runs.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Drawing } from './drawing.ts';
import { drawingOf } from './drawing.ts';
import { evaluate } from '../judge/evaluate.ts';
import { DRAWN_FAMILIES } from '../head/families/index.ts';
import { guardInitial, GUARDS } from '../fitting/guards/index.ts';
import { keeperInitial, KEEPERS } from '../fitting/keepers/index.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import { anyDesign } from '../test-kit/wild.test-kit.ts';
import type { Dimension } from './dimensions.ts';
import { dimensionsOf, placeDimensions } from './dimensions.ts';
import type { Entity } from './entities.ts';
import type { Sheet, SheetOptions } from './sheet.ts';
import { ARRANGEMENTS, dimensionText, plateSheet } from './sheet.ts';

const draw = (design: Parameters<typeof evaluate>[0]): Drawing | undefined => {
  const result = evaluate(design, AT_ONCE);
  return result.ok ? drawingOf(result.rig) : undefined;
};
const drawn = (family: string): Drawing => {
  const drawing = draw(sampleDesign(family));
  if (!drawing) throw new Error(`the sample ${family} cannot be built`);
  return drawing;
};

interface Box {
  readonly left: number;
  readonly right: number;
  readonly low: number;
  readonly high: number;
}
type Text = Extract<Entity, { kind: 'text' }>;
const figures = ({ entities }: Sheet): Text[] =>
  entities.filter((entity): entity is Text => entity.kind === 'text' && entity.layer === 'dimension');
/**
 * The paper a text covers. Half its height to the letter is the mean breadth of a figure in common sans-serif
 * faces (from memory).
 */
function boxOf({ at: [u, v], text, height, anchor, turned }: Text): Box {
  const long = text.length * height * 0.5;
  const before = anchor === 'start' ? 0 : anchor === 'middle' ? long / 2 : long;
  // Turned a quarter left its run goes up and its height to the left.
  return turned
    ? { left: u - height * 0.7, right: u, low: v - before, high: v - before + long }
    : { left: u - before, right: u - before + long, low: v, high: v + height * 0.7 };
}
const overlap = (a: Box, b: Box): boolean =>
  a.left < b.right && b.left < a.right && a.low < b.high && b.low < a.high;

function checkSheet(drawing: Drawing, options: SheetOptions): void {
  const sheet = plateSheet(drawing, 'A head', options);
  const texts = figures(sheet);
  const boxes = texts.map(boxOf);
  boxes.forEach((box, i) => {
    boxes.slice(i + 1).forEach((other, k) => {
      const pair = `“${texts[i]?.text}” over “${texts[i + 1 + k]?.text}”`;
      expect(overlap(box, other) ? pair : 'clear').toBe('clear');
    });
    expect(Math.min(box.left, box.low)).toBeGreaterThanOrEqual(0);
    expect(box.right).toBeLessThanOrEqual(sheet.width);
    expect(box.high).toBeLessThanOrEqual(sheet.height);
  });
}

describe.each(DRAWN_FAMILIES.map(({ key }) => [key] as const))('%s on its sheet', (family) => {
  it.each(
    ARRANGEMENTS.flatMap((arrangement) =>
      (['metric', 'imperial', 'both'] as const).map((units) => [arrangement, units] as const),
    ),
  )(
    '%s angle, %s: every dimension has its figure, none over another or off the sheet',
    (arrangement, units) => {
      const drawing = drawn(family);
      for (const scale of [0.5, 1, 2]) checkSheet(drawing, { arrangement, units, scale });
      const texts = figures(plateSheet(drawing, '', { arrangement, units })).map(({ text }) => text);
      expect([...texts].sort()).toEqual(
        dimensionsOf(drawing, true)
          .map(({ value }) => dimensionText(value, units))
          .sort(),
      );
    },
  );

  it('every line a dimension draws lies clear of the outline of its own view', () => {
    const drawing = drawn(family);
    const sheet = plateSheet(drawing, '', { arrangement: 'third', units: 'metric' });
    const views = Object.entries(sheet.origins).map(([view, [u, v]]) => {
      const points = drawing[view as 'side' | 'top' | 'front'];
      return {
        left: u + Math.min(...points.map(([x]) => x)),
        right: u + Math.max(...points.map(([x]) => x)),
        low: v + Math.min(...points.map(([, z]) => z)),
        high: v + Math.max(...points.map(([, z]) => z)),
      };
    });
    for (const box of figures(sheet).map(boxOf))
      for (const view of views) expect(overlap(box, view)).toBe(false);
  });
});

it('whatever head, keeper and guard: no figure over another, none off the sheet', () => {
  fc.assert(
    fc.property(
      anyDesign,
      fc.constantFrom(...ARRANGEMENTS),
      fc.constantFrom('metric' as const, 'imperial' as const, 'both' as const),
      (design, arrangement, units) => {
        const drawing = draw(design);
        // Drawn again until it is a head that can be.
        fc.pre(drawing !== undefined);
        checkSheet(drawing, { arrangement, units });
      },
    ),
    { numRuns: runs(100) },
  );
});

it.each([
  ...KEEPERS.map(({ key }) => [`keeper ${key}`, { keeper: keeperInitial(key) }] as const),
  ...GUARDS.map(({ key }) => [`guard ${key}`, { guard: guardInitial(key) }] as const),
])('%s is on the plate in every view it can be seen in', (_, fitting) => {
  const bare = draw(sampleDesign('football', { keeper: { kind: 'none' }, guard: { kind: 'none' } }));
  const with_ = draw(
    sampleDesign('football', { keeper: { kind: 'none' }, guard: { kind: 'none' }, ...fitting }),
  );
  if (!bare || !with_) throw new Error('the sample cannot be built');
  const options = { arrangement: 'third', units: 'metric' } as const;
  const count = (drawing: Drawing) => plateSheet(drawing, '', options).entities.length;
  const isNothing = Object.values(fitting).every(({ kind }) => kind === 'none');
  if (isNothing) expect(count(with_)).toBe(count(bare));
  else expect(count(with_)).toBeGreaterThan(count(bare));
});

describe('lanes', () => {
  const level = (from: number, to: number): Dimension => ({
    id: `${from}-${to}`,
    name: '',
    view: 'side',
    upright: false,
    stands: 'below',
    from: [from, 0],
    to: [to, 0],
    value: to - from,
  });

  it('the shorter runs nearer to the view, and what does not meet shares a lane', () => {
    const placed = placeDimensions([level(0, 100), level(0, 40), level(60, 100)], () => 10);
    const lane = (id: string) => placed.find((dimension) => dimension.id === id)?.lane;
    expect([lane('0-40'), lane('60-100'), lane('0-100')]).toEqual([0, 0, 1]);
  });

  it('a figure too long for its line takes the room it stands in', () => {
    const lanes = (text: number) =>
      placeDimensions([level(0, 4), level(6, 40)], () => text).map((dimension) => dimension.lane);
    expect(lanes(1)).toEqual([0, 0]);
    expect(lanes(20)).toEqual([0, 1]);
  });

  it('dimensions of other views and sides never push each other out', () => {
    const other = { ...level(0, 50), stands: 'above' as const };
    const third = { ...level(0, 50), view: 'top' as const };
    expect(placeDimensions([level(0, 50), other, third], () => 5).map((one) => one.lane)).toEqual([0, 0, 0]);
  });
});
