import { isObject } from '../../core/kind/index.ts';
import type { TSchema } from '@sinclair/typebox';
import { NAMES } from '../../core/document/index.ts';

/** Another document that one names by its id. */
export interface Pointer {
  /** key of its collection */
  readonly to: string;
  readonly id: string;
}

/** What a schema may be instead, or is all of. */
const choicesOf = (schema: TSchema): TSchema[] => (schema['anyOf'] ?? schema['allOf'] ?? []) as TSchema[];
const fieldsOf = (schema: TSchema): Record<string, TSchema> =>
  (schema['properties'] ?? {}) as Record<string, TSchema>;
/** The schemas of a list's items: one for all, or one for each of a tuple. */
const itemsOf = (schema: TSchema): TSchema[] => [schema['items'] ?? []].flat() as TSchema[];

/** The schemas a schema is made of one level down: what it may be, its fields, and its items. */
const within = (schema: TSchema): TSchema[] => [
  ...choicesOf(schema),
  ...Object.values(fieldsOf(schema)),
  ...itemsOf(schema),
];

/** Keys of the collections that a document of a schema may name documents of. */
export function namedBy(schema: TSchema): ReadonlySet<string> {
  const own = schema[NAMES] as string | undefined;
  return new Set([
    ...(own === undefined ? [] : [own]),
    ...within(schema).flatMap((one) => [...namedBy(one)]),
  ]);
}

/**
 * The documents that a document names, wherever its schema says that a text is an id; each as often as it
 * does.
 */
export function pointersIn(schema: TSchema, value: unknown): Pointer[] {
  const to = schema[NAMES] as string | undefined;
  if (to !== undefined) return typeof value === 'string' ? [{ to, id: value }] : [];
  if (Array.isArray(value)) {
    const items = itemsOf(schema);
    return value.flatMap((one, i) => {
      const item = items[i] ?? items[0];
      return item ? pointersIn(item, one) : [];
    });
  }
  const fields = isObject(value) ? value : {};
  return [
    ...choicesOf(schema).flatMap((one) => pointersIn(one, value)),
    ...Object.entries(fieldsOf(schema)).flatMap(([key, one]) =>
      fields[key] === undefined ? [] : pointersIn(one, fields[key]),
    ),
  ];
}
