/**
 * Step that figures seem to be read in: the first of `steps` (largest first) that so large a share of them
 * are whole numbers of; 0 where there is none, or nothing to see it by.
 */
export function stepRead(figures: readonly number[], steps: readonly number[], share = 1): number {
  if (figures.length === 0) return 0;
  const isWhole = (step: number) => (figure: number) =>
    Math.abs(figure / step - Math.round(figure / step)) < 1e-6 * Math.max(1, Math.abs(figure / step));
  return steps.find((step) => figures.filter(isWhole(step)).length >= share * figures.length) ?? 0;
}
