import { is } from 'drizzle-orm';
import { getTableConfig, PgTable } from 'drizzle-orm/pg-core';
import * as schema from './schema.ts';
import { COLLECTIONS } from '../contract/collections/index.ts';
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

function stored(table: PgTable): StoredTable {
  const { name, columns, primaryKeys } = getTableConfig(table);
  const composite = primaryKeys[0]?.columns.map((column) => column.name);
  const collection = COLLECTIONS.find((one) => one === name);
  return {
    name,
    columns: columns.map((column) => column.name),
    columnOf: new Map(
      Object.entries(table).flatMap(([key, column]) => {
        const found = columns.find((one) => one === column);
        return found ? [[key, found.name] as const] : [];
      }),
    ),
    primaryKey: composite ?? columns.filter(({ primary }) => primary).map((column) => column.name),
    ...(collection ? { collection } : {}),
  };
}

/**
 * Every table of the shop, from the schema itself: one that is added there is in the backup, the damage check
 * and the vacuum.
 */
export const TABLES: readonly StoredTable[] = Object.values(schema)
  .filter((value) => is(value, PgTable))
  .map(stored);

/** The table of each collection’s documents: a collection that lacks it does not compile. */
export const DOCUMENT_TABLES: Readonly<Record<Collection, typeof schema.designs>> = schema;

/** Tables whose rows belong to a document and go with it: its steps and its named versions. */
export const OWNED = ['steps', 'named_versions'] as const;

/**
 * The key a document's steps and named versions stand under: of a design its id, of others the collection
 * before it.
 */
export const ownerKey = (collection: Collection, id: string): string =>
  collection === 'designs' ? id : `${collection}/${id}`;
