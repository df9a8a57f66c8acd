import type { Vec2 } from '../numeric/vec.ts';

/** A layer of a drawing. */
export type Layer = 'outline' | 'wire' | 'hidden' | 'centre' | 'dimension' | 'text' | 'mark';

/** What stands on a sheet, in mm of the sheet, y up. */
export type Entity =
  | {
      readonly kind: 'line';
      readonly layer: Layer;
      readonly points: readonly Vec2[];
      readonly closed: boolean;
      readonly width?: number;
    }
  | { readonly kind: 'circle'; readonly layer: Layer; readonly at: Vec2; readonly radius: number }
  | {
      readonly kind: 'text';
      readonly layer: Layer;
      readonly at: Vec2;
      readonly text: string;
      readonly height: number;
      readonly anchor: 'start' | 'middle' | 'end';
      readonly turned?: boolean;
    };

/** A dimension of a sheet: what it measures, where its line runs, and which entities of the sheet show it. */
export interface SheetDimension {
  readonly from: Vec2;
  readonly to: Vec2;
  /** a point of the dimension line */
  readonly run: Vec2;
  readonly upright: boolean;
  /** the figure as it is written */
  readonly text: string;
  /** the first of its entities, by number, and how many they are */
  readonly first: number;
  readonly count: number;
}

/** Places an entity reaches; of a text none. */
export const pointsOf = (entity: Entity): Vec2[] => {
  if (entity.kind === 'line') {
    const half = (entity.width ?? 0) / 2;
    return entity.points.flatMap(([u, v]): Vec2[] => [
      [u - half, v - half],
      [u + half, v + half],
    ]);
  }
  if (entity.kind === 'circle') {
    const [[u, v], r] = [entity.at, entity.radius];
    return [
      [u - r, v - r],
      [u + r, v + r],
    ];
  }
  return [];
};

/** An entity elsewhere, and larger by a scale. */
export function moved(entity: Entity, place: (point: Vec2) => Vec2, scale: number): Entity {
  if (entity.kind === 'line') {
    return {
      ...entity,
      points: entity.points.map(place),
      ...(entity.width ? { width: entity.width * scale } : {}),
    };
  }
  if (entity.kind === 'circle') return { ...entity, at: place(entity.at), radius: entity.radius * scale };
  return { ...entity, at: place(entity.at) };
}
