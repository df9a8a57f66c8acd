import type { DrawnEdge } from '../head/features/shape.ts';
import type { Vec2 } from '../numeric/vec.ts';
import type { PlateViewName } from './dimensions.ts';
import type { Drawing, DrawnWire } from './drawing.ts';
import type { Entity, Layer } from './entities.ts';

/** What each view shows, in mm of the head. */
export function viewsOf(drawing: Drawing): Record<PlateViewName, Entity[]> {
  const { eye, hinge, guard, keeper } = drawing;
  const line = (layer: Layer, points: readonly Vec2[], closed: boolean, width?: number): Entity => ({
    kind: 'line',
    layer,
    points,
    closed,
    ...(width ? { width } : {}),
  });
  const edges = (list: readonly DrawnEdge[]) =>
    list.map(({ path, hidden }) => line(hidden ? 'hidden' : 'outline', path, false));
  const wires = (list: readonly DrawnWire[], view: PlateViewName) =>
    list.map((wire) => line('wire', wire[view], false, wire.wire));
  // What both views along the shank show.
  const along = (view: 'side' | 'top'): Entity[] => [
    ...(drawing.collar ? [line('outline', drawing.collar, true)] : []),
    ...wires(keeper, view),
    ...(guard ? wires(guard.strands, view) : []),
    ...edges(drawing.edges[view]),
    line(
      'centre',
      [
        [drawing.bendRear[0] - 2, 0],
        [drawing.length + 3, 0],
      ],
      false,
    ),
  ];
  const side: Entity[] = [
    line('outline', drawing.side, true),
    line('wire', drawing.hook, false, drawing.wire),
    ...(hinge
      ? [
          line('wire', hinge.wire, false, drawing.wire),
          ...hinge.rings.map(({ at, radius }): Entity => ({ kind: 'circle', layer: 'wire', at, radius })),
        ]
      : []),
    ...along('side'),
    eye.crosswise
      ? line(
          'wire',
          [
            [eye.at[0] - eye.along[0] * eye.radius, eye.at[1] - eye.along[1] * eye.radius],
            [eye.at[0] + eye.along[0] * eye.radius, eye.at[1] + eye.along[1] * eye.radius],
          ],
          false,
          eye.wire,
        )
      : { kind: 'circle', layer: 'wire', at: eye.at, radius: eye.radius },
    { kind: 'circle', layer: 'mark', at: drawing.centre, radius: 1 },
    line(
      'mark',
      [
        [drawing.centre[0] - 1.5, drawing.centre[1]],
        [drawing.centre[0] + 1.5, drawing.centre[1]],
      ],
      false,
    ),
    line(
      'mark',
      [
        [drawing.centre[0], drawing.centre[1] - 1.5],
        [drawing.centre[0], drawing.centre[1] + 1.5],
      ],
      false,
    ),
    line(
      'mark',
      [
        [drawing.tip[0], drawing.tip[1] - 1.2],
        [drawing.tip[0], drawing.tip[1] + 1.2],
      ],
      false,
    ),
  ];
  const top: Entity[] = [
    line('outline', drawing.top, true),
    line(
      'wire',
      [
        [drawing.bendRear[0], 0],
        [0, 0],
      ],
      false,
      drawing.wire,
    ),
    ...along('top'),
    eye.crosswise
      ? {
          kind: 'line',
          layer: 'wire',
          points: ellipse([eye.at[0], 0], eye.radius * Math.abs(eye.along[0]), eye.radius),
          closed: true,
          width: eye.wire,
        }
      : line(
          'wire',
          [
            [eye.at[0] - eye.radius, 0],
            [eye.at[0] + eye.radius, 0],
          ],
          false,
          eye.wire,
        ),
  ];
  const front: Entity[] = [
    line(
      'wire',
      [
        [0, drawing.shankLevel],
        [0, drawing.tip[1]],
      ],
      false,
      drawing.wire,
    ),
    line('outline', drawing.front, true),
    ...(guard ? wires(guard.strands, 'front') : []),
    line(
      'centre',
      [
        [0, -drawing.drop - 3],
        [0, Math.max(drawing.rise, drawing.tip[1]) + 3],
      ],
      false,
    ),
    eye.crosswise
      ? {
          kind: 'line',
          layer: 'wire',
          points: ellipse([0, eye.at[1]], eye.radius, eye.radius * Math.abs(eye.along[1])),
          closed: true,
          width: eye.wire,
        }
      : line(
          'wire',
          [
            [0, eye.at[1] - eye.radius],
            [0, eye.at[1] + eye.radius],
          ],
          false,
          eye.wire,
        ),
  ];
  return { side, top, front };
}

const ellipse = ([u, v]: Vec2, a: number, b: number): Vec2[] =>
  Array.from({ length: 36 }, (_, i): Vec2 => {
    const turn = (2 * Math.PI * i) / 36;
    return [u + a * Math.cos(turn), v + b * Math.sin(turn)];
  });
