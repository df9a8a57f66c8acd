import type { TSchema } from '@sinclair/typebox';
import { NAMES } from '../core/document/index.ts';

const DIALECT = 'https://json-schema.org/draft/2020-12/schema';

/**
 * A schema as it is published: of the dialect 2020-12, which says tuples by `prefixItems` where the draft
 * before it listed them under `items`, and named by its format.
 */
export const publishedSchema = (schema: TSchema, name: string): object => ({
  $schema: DIALECT,
  $id: `urn:fern-anvil:${name}`,
  ...(modernSchema(schema) as object),
});

/** Returns a schema in the words of the dialect 2020-12, without its own name and dialect. */
export function modernSchema(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(modernSchema);
  if (typeof value !== 'object' || value === null) return value;
  const {
    items,
    additionalItems,
    // A keyword of our own: strict readers refuse what they do not know.
    [NAMES]: _,
    ...rest
  } = value as Readonly<Record<string, unknown>>;
  const others = Object.fromEntries(Object.entries(rest).map(([key, one]) => [key, modernSchema(one)]));
  if (items === undefined) return others;
  if (!Array.isArray(items)) return { ...others, items: modernSchema(items) };
  return {
    ...others,
    ...(items.length > 0 ? { prefixItems: items.map(modernSchema) } : {}),
    items: additionalItems === undefined ? true : modernSchema(additionalItems),
  };
}
