import type { Drawing } from './drawing.ts';
import type { Vec2 } from '../numeric/vec.ts';

/** A view of the plate. */
export type PlateViewName = 'side' | 'top' | 'front';

/**
 * One dimension of a plate: what it measures, between which points of which view, and on which side of the
 * view it stands.
 */
export interface Dimension {
  readonly id: string;
  readonly name: string;
  readonly view: PlateViewName;
  readonly upright: boolean;
  /** which side of the view it stands on */
  readonly stands: 'below' | 'above' | 'left' | 'right';
  readonly from: Vec2;
  readonly to: Vec2;
  /** mm */
  readonly value: number;
}

type Row = Omit<Dimension, 'value'>;

/** Every head has these. */
const headRows = ({ length, breadth, rise, drop }: Drawing): Row[] => [
  {
    id: 'length',
    name: 'Head length',
    view: 'side',
    upright: false,
    stands: 'below',
    from: [0, -drop * 0.2],
    to: [length, 0],
  },
  {
    id: 'breadth',
    name: 'Breadth',
    view: 'front',
    upright: false,
    stands: 'below',
    from: [-breadth / 2, 0],
    to: [breadth / 2, 0],
  },
  {
    id: 'height',
    name: 'Height',
    view: 'front',
    upright: true,
    stands: 'right',
    from: [0, -drop],
    to: [0, rise],
  },
];

/** What only some shapes have to show: a body narrower than its fins, and an eye away from the nose. */
function shapeRows({ length, breadth, bodyBreadth, eye }: Drawing): Row[] {
  const rows: Row[] = [];
  if (breadth > bodyBreadth * 1.02)
    rows.push({
      id: 'body',
      name: 'Breadth without fins',
      view: 'front',
      upright: false,
      stands: 'below',
      from: [-bodyBreadth / 2, 0],
      to: [bodyBreadth / 2, 0],
    });
  if (Math.abs(eye.at[0] - length) > 0.4)
    rows.push({
      id: 'eye',
      name: 'Eye behind the nose',
      view: 'side',
      upright: false,
      stands: 'above',
      from: [eye.at[0], eye.at[1]],
      to: [length, 0],
    });
  return rows;
}

/** The keeper's length, and how thick a cast one is. */
function keeperRows({ collar, keeper }: Drawing): Row[] {
  const cast = collar && Math.min(...collar.map(([x]) => x));
  const wired =
    keeper.length > 0 ? Math.min(...keeper.flatMap(({ side }) => side.map(([x]) => x))) : undefined;
  const reach = cast ?? wired;
  const rows: Row[] = [];
  if (reach !== undefined && reach < -0.5)
    rows.push({
      id: 'keeper',
      name: 'Keeper',
      view: 'side',
      upright: false,
      stands: 'below',
      from: [reach, 0],
      to: [0, 0],
    });
  if (cast !== undefined && collar) {
    const across = Math.max(...collar.filter(([x]) => x < 0).map(([, r]) => r));
    rows.push({
      id: 'collar',
      name: 'Keeper across',
      view: 'top',
      upright: true,
      stands: 'left',
      from: [cast, -across],
      to: [cast, across],
    });
  }
  return rows;
}

/** Of the hook, where it is shown. */
function hookRows({ length, bendRear, wire, tip, eye, shankLevel }: Drawing): Row[] {
  const rear = bendRear[0] - wire / 2;
  return [
    {
      id: 'shank',
      name: 'Shank outside the head',
      view: 'side',
      upright: false,
      stands: 'below',
      from: [rear, bendRear[1]],
      to: [0, 0],
    },
    {
      id: 'whole',
      name: 'Whole length',
      view: 'side',
      upright: false,
      stands: 'below',
      from: [rear, bendRear[1]],
      to: [Math.max(length, eye.at[0] + eye.radius), 0],
    },
    {
      id: 'gap',
      name: 'Gap',
      view: 'side',
      upright: true,
      stands: 'left',
      from: [rear, shankLevel + wire / 2],
      to: [rear, tip[1] - wire / 2],
    },
    {
      id: 'bite',
      name: 'Bite above the eye',
      view: 'side',
      upright: true,
      stands: 'right',
      from: [eye.at[0], eye.top],
      to: [tip[0], tip[1]],
    },
  ];
}

/**
 * The dimensions a plate carries, following the shape. `whole` shows the hook; otherwise only the head is
 * drawn.
 */
export const dimensionsOf = (drawing: Drawing, whole: boolean): Dimension[] =>
  [
    ...headRows(drawing),
    ...shapeRows(drawing),
    ...keeperRows(drawing),
    ...(whole ? hookRows(drawing) : []),
  ].map((row) => {
    const axis = row.upright ? 1 : 0;
    return { ...row, value: Math.abs(row.to[axis] - row.from[axis]) };
  });

/** A dimension with the lane it runs in, counted outward from the view. */
export interface PlacedDimension extends Dimension {
  readonly lane: number;
  /** its line is too short for its text, which stands beyond its end or beside it */
  readonly short: boolean;
}

/**
 * Gives each dimension a lane, so that on one side of one view no two of them, with their texts, lie over
 * each other: the shortest nearest to the view, each in the first lane that is free over its whole run.
 * `textLength` is the length of its text along its line, in mm of the view.
 */
export function placeDimensions(
  dimensions: readonly Dimension[],
  textLength: (dimension: Dimension) => number,
): PlacedDimension[] {
  const taken = new Map<string, { lane: number; from: number; to: number }[]>();
  return [...dimensions]
    .sort((a, b) => a.value - b.value)
    .map((dimension) => {
      const axis = dimension.upright ? 1 : 0;
      const [a, b] = [dimension.from[axis], dimension.to[axis]];
      const span = Math.abs(b - a);
      const text = textLength(dimension);
      // A text too long for its line stands beyond its end, or beside an upright one.
      const short = span < text * 1.25;
      const over = short ? text * 1.35 : 0;
      const [from, to] = [Math.min(a, b) - text * 0.1, Math.max(a, b) + over + text * 0.1];
      const key = `${dimension.view}.${dimension.stands}`;
      const others = taken.get(key) ?? [];
      let lane = 0;
      while (others.some((other) => other.lane === lane && other.from < to && other.to > from)) lane++;
      taken.set(key, [...others, { lane, from, to }]);
      return { ...dimension, lane, short };
    });
}
