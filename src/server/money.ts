import { eq, sql } from 'drizzle-orm';
import type { Context } from 'koa';
import { checkMoney } from '../contract/validate.ts';
import type { Priced } from '../core/exchange/counter.ts';
import type { Money } from '../core/quantity/index.ts';
import { UNSAID } from '../core/quantity/index.ts';
import type { Database } from './database.ts';
import { settings } from './schema.ts';

const KEY = 'money';

/** What the shop's prices are in, kept among its settings. */
export interface MoneyStore {
  /** what paper for whoever asks is priced by */
  readonly pricedFor: (ctx: Context) => Promise<Priced>;
  readonly read: () => Promise<Money>;
  readonly write: (money: Money) => Promise<Money>;
}

/**
 * Opens what the shop's prices are in: not said until somebody says it, nor where what is kept is of another
 * version.
 */
export function openMoney(db: Database): MoneyStore {
  const read = async (): Promise<Money> => {
    const [row] = await db.select().from(settings).where(eq(settings.key, KEY));
    const kept = checkMoney(row?.document);
    return kept.ok ? kept.value : UNSAID;
  };
  return {
    read,
    pricedFor: async (ctx) => ({ money: await read(), locale: localeOf(ctx) }),
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
  };
}

/**
 * The language that amounts are written in for whoever asks: the first they accept that the runtime knows, or
 * English.
 */
function localeOf(ctx: Context): string {
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
