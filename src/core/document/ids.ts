import { Type } from '@sinclair/typebox';

/** Keyword of a schema's text that is the id of another document: it says of which collection. */
export const NAMES = 'x-names';

/**
 * Returns the schema of the id of another document of a collection, by its key; the document may be gone
 * meanwhile.
 */
export const idOf = (collection: string, description: string) =>
  Type.String({ minLength: 1, maxLength: 100, description, [NAMES]: collection });
