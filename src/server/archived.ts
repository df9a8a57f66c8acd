import { and, asc, desc, isNotNull, isNull, or, sql } from 'drizzle-orm';
import type { ArchivedRow } from '../contract/api.ts';
import type { Collection } from '../contract/collections/index.ts';
import { nounOf } from '../contract/collections/index.ts';
import type { Database } from './database.ts';
import { DOCUMENT_TABLES } from './tables.ts';

/**
 * Returns documents of a collection that are archived, or were deleted within so many days, the newest first,
 * at most so many.
 */
export async function archivedOf(
  db: Database,
  collection: Collection,
  days: number,
  most: number,
): Promise<ArchivedRow[]> {
  const table = DOCUMENT_TABLES[collection];
  const at = sql<Date>`coalesce(${table.deletedAt}, ${table.archivedAt})`;
  const isLate = sql`${table.deletedAt} >= now() - make_interval(days => ${days}::int)`;
  const rows = await db
    .select({
      id: table.id,
      name: table.name,
      version: table.version,
      deletedAt: table.deletedAt,
      archivedAt: table.archivedAt,
    })
    .from(table)
    .where(or(isLate, and(isNull(table.deletedAt), isNotNull(table.archivedAt))))
    .orderBy(desc(at), asc(table.id))
    .limit(most);
  return rows.map(({ id, name, version, deletedAt, archivedAt }) => ({
    collection,
    noun: nounOf(collection),
    id,
    name,
    version,
    is: deletedAt ? 'deleted' : 'archived',
    at: (deletedAt ?? archivedAt ?? new Date(0)).toISOString(),
  }));
}
