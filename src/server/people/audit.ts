import { randomUUID } from 'node:crypto';
import { and, count, desc, eq, gt, lt } from 'drizzle-orm';
import type { AuditAct, AuditRow } from '../../contract/people.ts';
import type { Database } from '../database.ts';
import { audit, people } from '../schema.ts';
import type { Requester } from './requester.ts';

/** Rows of the log on one page. */
const PAGE = 100;
/** How long the log is kept, ms: a year, after which it is nobody's business any more. */
const KEPT_MS = 366 * 86_400_000;

/** What somebody is called whose account was deleted with his name. */
export const GONE = 'somebody who left';

/** What people did that a shop may have to account for: sign-ins, refusals, what was taken out or deleted. */
export interface Audit {
  readonly write: (act: AuditAct, what: string, by: Requester) => Promise<void>;
  /** a page, the newest first; `before` is the id of the last of the page before */
  readonly page: (
    before?: string,
  ) => Promise<{ readonly items: readonly AuditRow[]; readonly next?: string }>;
  /** how often something was written down since so many ms ago, of one address or about one thing */
  readonly count: (
    act: AuditAct,
    since: number,
    of: { readonly address: string } | { readonly what: string },
  ) => Promise<number>;
}

/** Opens the log of what people did. */
export const openAudit = (db: Database): Audit => ({
  write: async (act, what, { address, person }) => {
    const at = new Date();
    await db.insert(audit).values({
      id: `${at.toISOString()} ${randomUUID()}`,
      at,
      act,
      what: what.slice(0, 300),
      address,
      personId: person?.id,
    });
    // Now and then is enough.
    if (Math.random() < 0.01) await db.delete(audit).where(lt(audit.at, new Date(Date.now() - KEPT_MS)));
  },
  page: async (before) => {
    const rows = await db
      .select({ row: audit, person: people.name })
      .from(audit)
      .leftJoin(people, eq(people.id, audit.personId))
      .where(before === undefined ? undefined : lt(audit.id, before))
      .orderBy(desc(audit.id))
      .limit(PAGE + 1);
    const items = rows
      .slice(0, PAGE)
      .map(({ row: { id, at, personId, act, what, address }, person }): AuditRow => ({
        id,
        at: at.toISOString(),
        ...(personId === null ? {} : { person: person ?? GONE }),
        act: act as AuditAct,
        what,
        address,
      }));
    const last = items.at(-1);
    return { items, ...(rows.length > PAGE && last ? { next: last.id } : {}) };
  },
  count: async (act, since, of) => {
    const [row] = await db
      .select({ n: count() })
      .from(audit)
      .where(
        and(
          eq(audit.act, act),
          gt(audit.at, new Date(Date.now() - since)),
          'address' in of ? eq(audit.address, of.address) : eq(audit.what, of.what),
        ),
      );
    return row?.n ?? 0;
  },
});
