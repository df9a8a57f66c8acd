import type { Problem } from '../core/document/index.ts';
import { isStorable, shortened } from '../core/quantity/index.ts';
import { fieldName } from './field-name.ts';

/**
 * What no database stores, with its place: half a sign or a NUL, which some programs leave where they cut a
 * text; a number without end.
 */
export function unstorable(data: unknown, path = ''): Problem[] {
  if (typeof data === 'string') {
    if (isStorable(data)) return [];
    return [
      {
        path,
        message: `${fieldName(path)}: holds a broken character that cannot be kept. Delete it, or type the text anew.`,
      },
    ];
  }
  // A number too large for a number becomes infinite when it is read, and passes by every limit.
  if (typeof data === 'number' && !Number.isFinite(data))
    return [{ path, message: `${fieldName(path)}: is too large a number. Type a smaller one.` }];
  if (typeof data !== 'object' || data === null) return [];
  for (const [key, value] of Object.entries(data)) {
    const found = isStorable(key)
      ? unstorable(value, `${path}/${key}`)
      : [
          {
            path,
            message: `${fieldName(path)}: a name in it holds a broken character that cannot be kept. Remove it.`,
          },
        ];
    if (found.length > 0) return found;
  }
  return [];
}

/**
 * Most entries of any list or object of a document, and most of all of them: the largest sound one has some
 * hundreds.
 */
const MOST_ENTRIES = 2_000;
const MOST_VALUES = 50_000;

/**
 * Where a document holds more than any sound one does: told at once, since every entry of a huge list would
 * be told one by one otherwise.
 */
export function overgrown(data: unknown): Problem[] {
  let values = 0;
  const waiting: { readonly value: unknown; readonly path: string }[] = [{ value: data, path: '' }];
  for (let here = waiting.pop(); here; here = waiting.pop()) {
    const { value, path } = here;
    if (typeof value !== 'object' || value === null) continue;
    const entries = Array.isArray(value) ? value.length : Object.keys(value).length;
    values += entries;
    if (entries > MOST_ENTRIES || values > MOST_VALUES)
      return [
        {
          path,
          message: `${fieldName(path)}: holds ${entries} entries, far more than belong here. Leave out what does not.`,
        },
      ];
    for (const [key, inner] of Object.entries(value))
      waiting.push({ value: inner, path: `${path}/${shortened(key, 60)}` });
  }
  return [];
}

/**
 * Deepest nesting of a set of rules that is looked at: what lies deeper is refused before a check walks into
 * it.
 */
const DEEPEST = 40;

/** Where conditions stand deeper within each other than anybody means; undefined where they do not. */
export function tooDeep(data: unknown): Problem | undefined {
  const waiting: { readonly value: unknown; readonly depth: number; readonly path: string }[] = [
    { value: data, depth: 0, path: '' },
  ];
  for (let here = waiting.pop(); here; here = waiting.pop()) {
    const { value, depth, path } = here;
    if (typeof value !== 'object' || value === null) continue;
    if (depth > DEEPEST)
      return {
        path: shortened(path, 200),
        message: `${fieldName(path)}: conditions stand more than ${DEEPEST} deep. Say it with fewer.`,
      };
    for (const [key, inner] of Object.entries(value))
      waiting.push({ value: inner, depth: depth + 1, path: `${path}/${shortened(key, 40)}` });
  }
  return undefined;
}
