import type { Context } from 'koa';
import type { MoneyInForce } from '../contract/api.ts';
import { checkMoney } from '../contract/validate.ts';
import type { Priced } from '../core/exchange/counter.ts';
import type { Money } from '../core/quantity/index.ts';
import { UNSAID } from '../core/quantity/index.ts';
import type { Database } from './database.ts';
import type { Expected } from './saving.ts';
import { readSetting, replaceSetting } from './settings.ts';

const KEY = 'money';

/** What the shop's prices are in, kept among its settings. */
export interface MoneyStore {
  /** what paper for whoever asks is priced by */
  readonly pricedFor: (ctx: Context) => Promise<Priced>;
  readonly read: () => Promise<MoneyInForce>;
  /** of two that began from the same version one wins, the other gets 412 */
  readonly replace: (money: Money, expected: Expected) => Promise<MoneyInForce>;
}

/**
 * Opens what the shop's prices are in: not said until somebody says it, nor where what is kept is of another
 * version.
 */
export function openMoney(db: Database): MoneyStore {
  const read = async (): Promise<MoneyInForce> => {
    const { version, document } = await readSetting(db, KEY);
    const kept = checkMoney(document);
    return { version, document: kept.ok ? kept.value : UNSAID };
  };
  return {
    read,
    pricedFor: async (ctx) => ({ money: (await read()).document, locale: localeOf(ctx) }),
    replace: async (document, expected) => ({
      version: await replaceSetting(db, KEY, document, expected, 'Currency or tax'),
      document,
    }),
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
