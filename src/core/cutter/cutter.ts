import type { Kind } from '../kind/registry.ts';

/** A corner of a cutter's outline, mm: its distance from the axis, and its height over the tip. */
export type CutterCorner = readonly [radius: number, height: number];

/** A kind of end a cutter may have. */
export interface CutterKind<K extends string = string> extends Kind {
  readonly key: K;
  /** whether its end is a point of some angle, which the document then says */
  readonly hasTip?: true;
  /**
   * Returns the outline to one side of the axis from the tip up, mm, of a cutter of this radius (mm) that is
   * wanted up to `reach` (mm); `tip` is the full angle of its point in degrees.
   */
  outline(radius: number, reach: number, tip: number): readonly CutterCorner[];
}

/** Returns a kind of cutter as it is, its key kept as a type. */
export const cutterKind = <const K extends string>(cutter: CutterKind<K>): CutterKind<K> => cutter;

/** Corners about a cutter, and of a quarter of its arc. */
export const ROUND = 96;
const QUARTER = ROUND / 4;
/** Least rise of a shank, mm: an outline has no two corners in one place. */
export const HAIR = 1e-3;

/** Returns corners of an arc about (0, radius) from the tip through `turn` radians. */
export const arcFromTip = (radius: number, turn: number): readonly CutterCorner[] =>
  Array.from({ length: QUARTER + 1 }, (_, i): CutterCorner => {
    const angle = (turn * i) / QUARTER;
    return [radius * Math.sin(angle), radius - radius * Math.cos(angle)];
  });
