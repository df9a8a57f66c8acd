import { eq, sql } from 'drizzle-orm';
import type { Context } from 'koa';
import { checkMoney } from '../contract/validate.ts';
import type { Money } from '../core/quantity/index.ts';
import { UNSAID } from '../core/quantity/index.ts';
import type { Database } from './database.ts';
import { settings } from './schema.ts';

const KEY = 'money';

/** What the shop's prices are in, kept among its settings. */
export interface MoneyStore {
  readonly read: () => Promise<Money>;
  readonly write: (money: Money) => Promise<Money>;
}

/** Opens what the shop's prices are in: not said until somebody says it, nor where what is kept is of another version. */
export const openMoney = (db: Database): MoneyStore => ({
  read: async () => {
    const [row] = await db.select().from(settings).where(eq(settings.key, KEY));
    const kept = checkMoney(row?.document);
    return kept.ok ? kept.value : UNSAID;
  },
  write: async (document) => {
    await db
      .insert(settings)
      .values({ key: KEY, document })
      .onConflictDoUpdate({
        target: settings.key,
        set: { document, version: sql`${settings.version} + 1` },
      });
    return document;
  },
});

/** The language that amounts are written in for whoever asks: the first they accept that the runtime knows, or English. */
export function localeOf(ctx: Context): string {
  for (const language of ctx.acceptsLanguages()) {
    try {
      const [known] = Intl.NumberFormat.supportedLocalesOf(language);
      if (known) return known;
    } catch {
      // A language that is spelled as none is passed over, as one that is not known.
    }
  }
  return 'en';
}
