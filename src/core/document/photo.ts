import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { choice, closed, named, whole } from './parts.ts';

/** Most characters of a picture in a document: half a megabyte of it. */
export const PHOTO_CHARACTERS = 700_000;
/** Longest side a picture is kept at, px. */
export const PHOTO_SIDE = 1400;

/**
 * A photograph of a head, kept with the shop's data: a design names it by its id and says where it lies under
 * the plate.
 */
export const PhotoSchema = Type.Object(
  {
    ...named('fern-anvil/photo'),
    media: choice(['image/jpeg', 'image/png', 'image/webp'], 'What kind of picture it is'),
    width: whole(1, 4000, 'px'),
    height: whole(1, 4000, 'px'),
    data: Type.String({
      minLength: 4,
      maxLength: PHOTO_CHARACTERS,
      pattern: '^[A-Za-z0-9+/]*={0,2}$',
      description: 'The picture in Base64 (RFC 4648)',
    }),
  },
  { ...closed, $id: 'fern-anvil-photo-1', title: 'Fern Anvil photograph, version 1' },
);
/** A photograph’s document. */
export type Photo = Static<typeof PhotoSchema>;

/** A point of a picture, px from its upper left corner. */
type Pixel = readonly [u: number, v: number];

/**
 * Where a picture lies under the side view: the affine map from its pixels to mm of the plate, as (a, b, c,
 * d, e, f) of x = a u + c v + e, z = b u + d v + f. The rear mark comes to (0, 0), the nose mark to (length,
 * 0); `flipped` turns what lies above the line of the two below it. Undefined where the marks fall together.
 */
export function photoPlacement({
  rear,
  nose,
  length,
  flipped = false,
}: {
  readonly rear: Pixel | readonly number[];
  readonly nose: Pixel | readonly number[];
  readonly length: number;
  readonly flipped?: boolean | undefined;
}): readonly [a: number, b: number, c: number, d: number, e: number, f: number] | undefined {
  const [u0, v0] = [rear[0] ?? 0, rear[1] ?? 0];
  const [du, dv] = [(nose[0] ?? 0) - u0, (nose[1] ?? 0) - v0];
  const square = du * du + dv * dv;
  if (!(square > 0)) return undefined;
  const s = length / square;
  const way = flipped ? 1 : -1;
  // Along the marks and square to them; pixels count down, the plate counts up.
  const [a, c] = [s * du, s * dv];
  const [b, d] = [way * -s * dv, way * s * du];
  return [a, b, c, d, -(a * u0 + c * v0), -(b * u0 + d * v0)];
}
