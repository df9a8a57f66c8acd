import { and, eq, sql } from 'drizzle-orm';
import type { Database } from './database.ts';
import { HttpProblem } from './problem.ts';
import type { Expected } from './saving.ts';
import { settings } from './schema.ts';

/** One of the shop's settings as it is kept; version 0 is what holds where none was set. */
export interface Setting {
  readonly version: number;
  readonly document: unknown;
}

/** Returns a setting by its key, of version 0 and without a document where none was set. */
export async function readSetting(db: Database, key: string): Promise<Setting> {
  const [row] = await db.select().from(settings).where(eq(settings.key, key));
  return row ?? { version: 0, document: undefined };
}

/**
 * Replaces a setting and returns its new version. Of two that began from the same version one wins, the other
 * gets 412, which names the setting by `what`, such as “Currency or tax”.
 */
export async function replaceSetting(
  db: Database,
  key: string,
  document: object,
  expected: Expected,
  what: string,
): Promise<number> {
  const version = sql`${settings.version} + 1`;
  const [row] =
    expected === 0
      ? await db.insert(settings).values({ key, document }).onConflictDoNothing().returning()
      : expected === undefined
        ? await db
            .insert(settings)
            .values({ key, document })
            .onConflictDoUpdate({ target: settings.key, set: { document, version } })
            .returning()
        : await db
            .update(settings)
            .set({ document, version })
            .where(and(eq(settings.key, key), eq(settings.version, expected)))
            .returning();
  if (row) return row.version;
  throw new HttpProblem(
    412,
    'Changed elsewhere',
    `${what} changed elsewhere since you opened this page. Look again, then choose.`,
  );
}
