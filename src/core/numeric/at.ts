// Reads by index without a cast. The compiler takes every such read for one that may find nothing; these say,
// in one place, that the index is within.

/**
 * The number at an index of flat doubles. Nothing is checked: for loops over many, whose bounds are the
 * list's own. One reader to each kind of array, since an engine compiles a reader of one kind to a single
 * load.
 *
 * @param of flat doubles
 * @param index from 0 to its length less one; beyond it what is returned is no number
 */
export const float64At = (of: Float64Array, index: number): number => of[index] as number;

/** The number at an index of flat single-precision numbers, as {@link float64At}. */
export const float32At = (of: Float32Array, index: number): number => of[index] as number;

/** The number at an index of signed 32-bit numbers, as {@link float64At}. */
export const int32At = (of: Int32Array, index: number): number => of[index] as number;

/** The number at an index of a plain list of numbers, as {@link float64At}. */
export const numberAt = (of: readonly number[], index: number): number => of[index] as number;

/**
 * The number at an index of unsigned 32-bit numbers, ids of corners and facets mostly, as {@link float64At}.
 */
export const uint32At = (of: Uint32Array, index: number): number => of[index] as number;

const missing = (index: number, length: number): never => {
  throw new RangeError(`There is no item ${index} in a list of ${length}.`);
};

/**
 * The item at an index of a list.
 *
 * @param of any list
 * @param index from 0 to its length less one
 * @throws RangeError where there is none
 */
export function itemAt<T extends NonNullable<unknown> | null>(of: ArrayLike<T>, index: number): T {
  const found = of[index];
  return found === undefined ? missing(index, of.length) : found;
}

/**
 * The last item of a list.
 *
 * @param of a list that is not empty
 * @throws RangeError where it is
 */
export const lastOf = <T extends NonNullable<unknown> | null>(of: ArrayLike<T>): T =>
  itemAt(of, of.length - 1);

/** Two values by their place, 0 and 1. */
export const pair = <T>(make: (place: 0 | 1) => T): [T, T] => [make(0), make(1)];

/** Three values by their place, 0 to 2: of the axes of a point, of the corners of a facet. */
export const triple = <T>(make: (place: 0 | 1 | 2) => T): [T, T, T] => [make(0), make(1), make(2)];
