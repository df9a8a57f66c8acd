import { is } from 'drizzle-orm';
import { getTableConfig, PgTable } from 'drizzle-orm/pg-core';
import * as schema from './schema.ts';
import { COLLECTIONS } from '../contract/collections/index.ts';
import type { Collection } from '../contract/collections/index.ts';
import type { StoredTable } from './stored-table.ts';

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
