import { isKeyOf, isObject } from '../kind/keys.ts';
import diff from 'microdiff';

/** A leaf in which two documents differ. A list counts whole. */
export interface Difference {
  /** keys from the document down to it */
  readonly path: readonly string[];
  readonly before: unknown;
  readonly after: unknown;
}

const at = (value: unknown, path: readonly (string | number)[]): unknown =>
  path.reduce<unknown>(
    (inner, key) => (isObject(inner) && isKeyOf(inner, String(key)) ? inner[key] : undefined),
    value,
  );

/**
 * Leaves in which two plain documents differ, in the order of their keys. Lists count whole, and so does
 * whatever `isWhole` says of a path; `isOpen` lists are told item by item. A field that is absent and one
 * that is undefined are the same.
 */
export function differences(
  before: object,
  after: object,
  {
    isWhole = () => false,
    isOpen = () => false,
  }: {
    readonly isWhole?: (path: readonly string[]) => boolean;
    readonly isOpen?: (path: readonly string[]) => boolean;
  } = {},
): Difference[] {
  const told = new Map<string, Difference>();
  for (const { path } of diff(before, after, { cyclesFix: false })) {
    const names = path.map(String);
    // What counts whole ends the way down to it.
    const end = path.findIndex(
      (key, i) => i > 0 && ((typeof key === 'number' && !isOpen(names.slice(0, i))) || isWhole(names.slice(0, i))), // prettier-ignore
    );
    const cut = end < 0 ? names : names.slice(0, end);
    const pair = { before: at(before, cut), after: at(after, cut) };
    if (JSON.stringify(pair.before) === JSON.stringify(pair.after)) continue;
    told.set(cut.join('\u0000'), { path: cut, ...pair });
  }
  return [...told.values()];
}
