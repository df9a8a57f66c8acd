/** Figures of a handful of weights. */
export const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** Sample standard deviation; NaN of fewer than two. */
export function deviationOf(values: readonly number[]): number {
  if (values.length < 2) return NaN;
  const mean = meanOf(values);
  return Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1));
}
