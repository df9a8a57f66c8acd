import type { DrawnEdge } from '../head/features/shape.ts';
import type { Vec2 } from '../numeric/vec.ts';
import type { PlateViewName } from './dimensions.ts';
import type { Drawing, DrawnWire } from './drawing.ts';
import type { Entity, Layer } from './entities.ts';

/** A line through points. */
const line = (layer: Layer, points: readonly Vec2[], closed: boolean, width?: number): Entity => ({
  kind: 'line',
  layer,
  points,
  closed,
  ...(width ? { width } : {}),
});
/** A straight line between two points. */
const straight = (layer: Layer, from: Vec2, to: Vec2, width?: number): Entity =>
  line(layer, [from, to], false, width);
const edges = (list: readonly DrawnEdge[]) =>
  list.map(({ path, hidden }) => line(hidden ? 'hidden' : 'outline', path, false));
const wires = (list: readonly DrawnWire[], view: PlateViewName) =>
  list.map((wire) => line('wire', wire[view], false, wire.wire));

/** What both views along the shank show. */
const along = (drawing: Drawing, view: 'side' | 'top'): Entity[] => [
  ...(drawing.collar ? [line('outline', drawing.collar, true)] : []),
  ...wires(drawing.keeper, view),
  ...(drawing.guard ? wires(drawing.guard.strands, view) : []),
  ...edges(drawing.edges[view]),
  straight('centre', [drawing.bendRear[0] - 2, 0], [drawing.length + 3, 0]),
];

/** A cross of two lines about a point, each reaching so far. */
const crosshair = ([u, v]: Vec2, reach: number): Entity[] => [
  straight('mark', [u - reach, v], [u + reach, v]),
  straight('mark', [u, v - reach], [u, v + reach]),
];

function sideView(drawing: Drawing): Entity[] {
  const { eye, hinge, tip } = drawing;
  const [ux, uz] = [eye.along[0] * eye.radius, eye.along[1] * eye.radius];
  return [
    line('outline', drawing.side, true),
    line('wire', drawing.hook, false, drawing.wire),
    ...(hinge
      ? [
          line('wire', hinge.wire, false, drawing.wire),
          ...hinge.rings.map(({ at, radius }): Entity => ({ kind: 'circle', layer: 'wire', at, radius })),
        ]
      : []),
    ...along(drawing, 'side'),
    eye.crosswise
      ? straight('wire', [eye.at[0] - ux, eye.at[1] - uz], [eye.at[0] + ux, eye.at[1] + uz], eye.wire)
      : { kind: 'circle', layer: 'wire', at: eye.at, radius: eye.radius },
    { kind: 'circle', layer: 'mark', at: drawing.centre, radius: 1 },
    ...crosshair(drawing.centre, 1.5),
    straight('mark', [tip[0], tip[1] - 1.2], [tip[0], tip[1] + 1.2]),
  ];
}

function topView(drawing: Drawing): Entity[] {
  const { eye } = drawing;
  return [
    line('outline', drawing.top, true),
    straight('wire', [drawing.bendRear[0], 0], [0, 0], drawing.wire),
    ...along(drawing, 'top'),
    eye.crosswise
      ? line('wire', ellipse([eye.at[0], 0], eye.radius * Math.abs(eye.along[0]), eye.radius), true, eye.wire)
      : straight('wire', [eye.at[0] - eye.radius, 0], [eye.at[0] + eye.radius, 0], eye.wire),
  ];
}

function frontView(drawing: Drawing): Entity[] {
  const { eye, guard } = drawing;
  return [
    straight('wire', [0, drawing.shankLevel], [0, drawing.tip[1]], drawing.wire),
    line('outline', drawing.front, true),
    ...(guard ? wires(guard.strands, 'front') : []),
    straight('centre', [0, -drawing.drop - 3], [0, Math.max(drawing.rise, drawing.tip[1]) + 3]),
    eye.crosswise
      ? line('wire', ellipse([0, eye.at[1]], eye.radius, eye.radius * Math.abs(eye.along[1])), true, eye.wire)
      : straight('wire', [0, eye.at[1] - eye.radius], [0, eye.at[1] + eye.radius], eye.wire),
  ];
}

/** What each view shows, in mm of the head. */
export const viewsOf = (drawing: Drawing): Record<PlateViewName, Entity[]> => ({
  side: sideView(drawing),
  top: topView(drawing),
  front: frontView(drawing),
});

const ellipse = ([u, v]: Vec2, a: number, b: number): Vec2[] =>
  Array.from({ length: 36 }, (_, i): Vec2 => {
    const turn = (2 * Math.PI * i) / 36;
    return [u + a * Math.cos(turn), v + b * Math.sin(turn)];
  });
