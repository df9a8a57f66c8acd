import { isObject } from '../kind/keys.ts';
/**
 * Whether two documents say the same, in whatever order their fields stand; a field that is absent and one
 * that is undefined are the same.
 */
export function sameDocument(a: unknown, b: unknown): boolean {
  if (!isObject(a) || !isObject(b)) return Object.is(a, b);
  const keys = Object.keys(a).filter((key) => a[key] !== undefined);
  return (
    keys.length === Object.keys(b).filter((key) => b[key] !== undefined).length &&
    keys.every((key) => sameDocument(a[key], b[key]))
  );
}
