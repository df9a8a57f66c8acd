/** Whether two documents say the same, in whatever order their fields stand; a field that is absent and one that is undefined are the same. */
export function sameDocument(a: unknown, b: unknown): boolean {
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return Object.is(a, b);
  const [x, y] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = Object.keys(x).filter((key) => x[key] !== undefined);
  return (
    keys.length === Object.keys(y).filter((key) => y[key] !== undefined).length &&
    keys.every((key) => sameDocument(x[key], y[key]))
  );
}
