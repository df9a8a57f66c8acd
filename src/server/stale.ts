import type { SQL } from 'drizzle-orm';
import { sql } from 'drizzle-orm';
import type { Metal } from '../core/material/index.ts';
import { designs } from './schema.ts';
import { revisionFor } from './summary.ts';

/** The condition that a design’s summary is out of date: not of the revision its metal asks for now. */
export function isStale(metals: readonly Metal[]): SQL<boolean> {
  const cases = metals.map((metal) => sql`when ${metal.key} then ${revisionFor(metal)}::int`);
  return sql<boolean>`${designs.revision} <>
    case ${designs.metal} ${sql.join(cases, sql` `)} else ${revisionFor(undefined)}::int end`;
}
