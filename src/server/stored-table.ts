import type { Collection } from '../contract/collections/index.ts';

/** A table of the shop as backup, damage check and vacuum see it: by its names in the database. */
export interface StoredTable {
  readonly name: string;
  /** columns in their order, by their names in the database */
  readonly columns: readonly string[];
  /** the same by the names that the code gives them, which version 1 of the backup wrote */
  readonly columnOf: ReadonlyMap<string, string>;
  /** columns of the primary key, in its order */
  readonly primaryKey: readonly string[];
  /** the collection whose documents it holds; none for the tables beside them */
  readonly collection?: Collection;
}

/** Tables whose rows belong to a document and go with it: its steps and its named versions. */
export const OWNED = ['steps', 'named_versions'] as const;

/**
 * The key a document's steps and named versions stand under: of a design its id, of others the collection
 * before it.
 */
export const ownerKey = (collection: Collection, id: string): string =>
  collection === 'designs' ? id : `${collection}/${id}`;
