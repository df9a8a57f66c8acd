import { and, asc, isNull, sql } from 'drizzle-orm';
import type { UsedIn } from '../contract/api.ts';
import type { Collection } from '../contract/collections/index.ts';
import { COLLECTIONS, kindOf, nounOf } from '../contract/collections/index.ts';
import { namedBy, pointersIn } from '../contract/collections/pointers.ts';
import type { Database } from './database.ts';
import { DOCUMENT_TABLES } from './tables.ts';

/** Most documents told of one collection. */
const MOST = 50;

/**
 * Documents that name another, deleted ones left out, collection by collection in the order of names. Only
 * collections whose schema can name such a document are looked through; that the id stands anywhere in the
 * text is looked for first, so that of thousands only a few are read.
 */
export async function usedIn(db: Database, to: Collection, id: string): Promise<UsedIn[]> {
  const found: UsedIn[] = [];
  for (const collection of COLLECTIONS) {
    const { schema } = kindOf(collection);
    if (!namedBy(schema).has(to)) continue;
    const table = DOCUMENT_TABLES[collection];
    const rows = await db
      .select({ id: table.id, name: table.name, document: table.document })
      .from(table)
      .where(
        and(isNull(table.deletedAt), sql`position(${JSON.stringify(id)} in ${table.document}::text) > 0`),
      )
      .orderBy(asc(table.name), asc(table.id))
      .limit(MOST);
    for (const row of rows)
      if (pointersIn(schema, row.document).some((pointer) => pointer.to === to && pointer.id === id))
        found.push({ collection, noun: nounOf(collection), id: row.id, name: row.name });
  }
  return found;
}
