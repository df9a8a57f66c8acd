import type { Vec2 } from '../numeric/vec.ts';
import type { Entity, SheetDimension } from '../plate/entities.ts';
import type { Sheet } from '../plate/sheet.ts';
import { dimensionText, toleranceText } from '../plate/sheet.ts';
import type { UnitSystem } from '../quantity/units.ts';
import type { MouldLayout } from './mould-layout.ts';

/** Margin about the block, height of figures, distance of dimension lines, mm. */
const MARGIN = 22;
const FIGURE = 2.5;
const LANE = 7;

/** A straight dimension with its figure. */
function measure(from: Vec2, to: Vec2, text: string, isUpright: boolean): Entity[] {
  const middle: Vec2 = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
  const tick = (at: Vec2): Entity => ({
    kind: 'line',
    layer: 'dimension',
    closed: false,
    points: isUpright
      ? [
          [at[0] - 1, at[1]],
          [at[0] + 1, at[1]],
        ]
      : [
          [at[0], at[1] - 1],
          [at[0], at[1] + 1],
        ],
  });
  return [
    { kind: 'line', layer: 'dimension', closed: false, points: [from, to] },
    tick(from),
    tick(to),
    {
      kind: 'text',
      layer: 'dimension',
      at: isUpright ? [middle[0] - 0.8, middle[1]] : [middle[0], middle[1] + 0.8],
      text,
      height: FIGURE,
      anchor: 'middle',
      turned: isUpright,
    },
  ];
}

/**
 * The parting face of the left half at true scale with the sizes a maker needs, and the block seen from
 * above: cavities enlarged for shrinkage, channels, sprues, vents, pins.
 */
export function mouldSheet(layout: MouldLayout, title: string, units: UnitSystem): Sheet {
  const { from, to } = layout.block;
  const [wide, high, deep] = [to[2] - from[2], to[0] - from[0], to[1] - from[1]];
  const entities: Entity[] = [];
  // The face: across is z, up is x. The view from above stands below it.
  const ground = MARGIN + deep + MARGIN;
  const at = (x: number, z: number): Vec2 => [MARGIN + z - from[2], ground + x - from[0]];
  const over = (y: number, z: number): Vec2 => [MARGIN + z - from[2], MARGIN + y - from[1]];
  const line = (points: readonly Vec2[], layer: 'outline' | 'wire' | 'hidden' | 'centre', closed = false) => {
    entities.push({ kind: 'line', layer, points, closed });
  };
  const size = (value: number) => dimensionText(value, units);
  line([at(from[0], from[2]), at(from[0], to[2]), at(to[0], to[2]), at(to[0], from[2])], 'outline', true);
  line(
    [over(from[1], from[2]), over(from[1], to[2]), over(to[1], to[2]), over(to[1], from[2])],
    'outline',
    true,
  );
  line([over(0, from[2]), over(0, to[2])], 'centre');
  for (const { outline, collar, channels, gating, gateAt, vents, shift, place } of layout.cavities) {
    const own = (x: number, z: number) => at(x + shift[0], z + shift[1]);
    line(
      outline.map(([x, z]) => own(x, z)),
      'outline',
      true,
    );
    if (collar)
      line(
        collar.map(([x, z]) => own(x, z)),
        'outline',
        true,
      );
    for (const { path, radius } of channels)
      entities.push({
        kind: 'line',
        layer: 'wire',
        closed: false,
        points: path.map(([x, , z]) => own(x, z)),
        width: 2 * radius,
      });
    for (const { from: low, to: top, z } of vents)
      line([own(Math.max(low, from[0]), z), own(Math.min(top, to[0]), z)], 'hidden');
    if (gating) {
      const [x, z] = gateAt;
      const mouth = to[0] - gating.funnelHeight;
      const half = (width: number) => width / 2;
      line(
        [
          own(x, z - half(gating.gate)),
          own(mouth, z - half(gating.sprue)),
          own(to[0], z - half(gating.funnel)),
          own(to[0], z + half(gating.funnel)),
          own(mouth, z + half(gating.sprue)),
          own(x, z + half(gating.gate)),
        ],
        'outline',
      );
      entities.push({
        kind: 'text',
        layer: 'dimension',
        at: own(to[0] + 1.5, z),
        text: `gate ⌀ ${size(gating.gate)}`,
        height: 2,
        anchor: 'middle',
      });
    }
    entities.push({
      kind: 'text',
      layer: 'text',
      // Beside the outermost of what is cut there, so that no line runs through it.
      at: [own(0, Math.min(0, ...vents.map(({ z }) => z)))[0] - 2, at(from[0], 0)[1] + 1.5],
      text: String(place + 1),
      height: 3,
      anchor: 'middle',
    });
    line([at(from[0], shift[1]), at(to[0], shift[1])], 'centre');
  }
  for (const [x, z] of layout.pins)
    entities.push({ kind: 'circle', layer: 'outline', at: at(x, z), radius: layout.pinRadius });
  const [left, right] = [MARGIN, MARGIN + wide];
  const dimensions: SheetDimension[] = [];
  const dimension = (from: Vec2, to: Vec2, value: number, upright: boolean) => {
    const parts = measure(from, to, size(value), upright);
    const [first, count] = [entities.length, parts.length];
    dimensions.push({ from, to, run: to, upright, text: size(value), first, count });
    entities.push(...parts);
  };
  dimension([left, ground - LANE], [right, ground - LANE], wide, false);
  dimension([left - LANE, ground], [left - LANE, ground + high], high, true);
  dimension([left - LANE, MARGIN], [left - LANE, MARGIN + deep], deep, true);
  const [first, second] = layout.cavities;
  if (first && second) {
    const [one, other] = [at(0, first.shift[1])[0], at(0, second.shift[1])[0]];
    dimension(
      [one, ground + high + LANE],
      [other, ground + high + LANE],
      second.shift[1] - first.shift[1],
      false,
    );
  }
  entities.push({
    kind: 'text',
    layer: 'text',
    at: [MARGIN, 8],
    text:
      `${title}: parting face and view from above, true scale; pins ⌀ ${size(2 * layout.pinRadius)}; ` +
      toleranceText(units),
    height: FIGURE,
    anchor: 'start',
  });
  const origin: Vec2 = at(0, 0);
  return {
    width: wide + 2 * MARGIN,
    height: ground + high + MARGIN,
    entities,
    dimensions,
    origins: { side: origin, top: origin, front: origin },
  };
}
