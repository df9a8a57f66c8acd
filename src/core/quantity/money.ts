import { formatFigure } from './format.ts';

/** Whether the prices a shop names hold the tax, come before it, or say nothing of it. */
export const TAXES = ['not said', 'included', 'to be added'] as const;

/** What a shop's prices are in, and how they are written. */
export interface Money {
  /** code of ISO 4217, such as EUR; '' where the shop has not said, and figures stand alone */
  readonly currency: string;
  readonly tax: (typeof TAXES)[number];
}

/** Money of which nothing was said. */
export const UNSAID: Money = { currency: '', tax: 'not said' };

/** Codes of ISO 4217 that the runtime knows, by their letters. */
export const CURRENCIES: readonly string[] = Intl.supportedValuesOf('currency');

/** What is said behind a price of its tax; '' where nothing is. */
const TAX_WORDS = { 'not said': '', included: 'tax included', 'to be added': 'plus tax' } as const;

/** Every currency's code with its name in a language, such as “Euro”, in the order of the names. */
export function currencyNames(locale?: string): readonly (readonly [code: string, name: string])[] {
  const names = new Intl.DisplayNames(locale, { type: 'currency' });
  return CURRENCIES.map((code) => [code, names.of(code) ?? code] as const).sort(([, a], [, b]) =>
    a.localeCompare(b, locale),
  );
}

/** A currency's sign in a language, such as €; '' where the shop has not said which. */
export const currencySign = ({ currency }: Money, locale?: string): string =>
  currency === ''
    ? ''
    : (new Intl.NumberFormat(locale, { style: 'currency', currency, currencyDisplay: 'narrowSymbol' })
        .formatToParts(0)
        .find(({ type }) => type === 'currency')?.value ?? currency);

/** A sign or code before or behind an amount, such as €, CA$, kr or EUR. */
const SIGNED = /^([^\d\s.,+−-]{1,4})\s*(?=[\d.,+−-])|(?<=[\d.,])\s*([^\d\s.,]{1,4}\.?)$/u;

/**
 * Returns an amount as it was typed, without the shop's own sign or code; where it carries those of another
 * currency, a sentence that says so, as amounts are not converted. Of a shop that has not said its currency
 * any sign will do.
 */
export function amountTyped(
  typed: string,
  { currency }: Money,
  locale?: string,
): { readonly ok: true; readonly text: string } | { readonly ok: false; readonly message: string } {
  const text = typed.trim();
  const [whole, before, behind] = SIGNED.exec(text) ?? [];
  const sign = before ?? behind;
  if (whole === undefined || sign === undefined) return { ok: true, text };
  const bare = before === undefined ? text.slice(0, -whole.length) : text.slice(whole.length);
  if (currency === '') return { ok: true, text: bare };
  const own = (['narrowSymbol', 'symbol', 'code'] as const).flatMap((currencyDisplay) =>
    [locale, 'en'].flatMap((language) =>
      new Intl.NumberFormat(language, { style: 'currency', currency, currencyDisplay })
        .formatToParts(0)
        .filter(({ type }) => type === 'currency')
        .map(({ value }) => value.toLowerCase()),
    ),
  );
  if (own.includes(sign.toLowerCase())) return { ok: true, text: bare };
  return {
    ok: false,
    message:
      `“${sign}” is not this shop’s currency. Type the amount in ${currency}, for example 3.50: ` +
      'amounts are not converted.',
  };
}

/**
 * An amount in the shop's currency as the reader's language writes it: with as many decimals as the currency
 * has, and one more where less than one whole of it is named, as parts of a head's cost are. NaN and infinity
 * show as a dash; minus is the true minus sign.
 */
export function formatMoney(amount: number, { currency }: Money, locale?: string): string {
  if (!Number.isFinite(amount) || currency === '') return formatFigure(amount, 'money', 'metric');
  const usual = { style: 'currency', currency, currencyDisplay: 'narrowSymbol' } as const;
  const { maximumFractionDigits: digits = 2 } = new Intl.NumberFormat(locale, usual).resolvedOptions();
  const most = Math.abs(amount) < 1 && amount !== 0 ? digits + 1 : digits;
  const text = new Intl.NumberFormat(locale, {
    ...usual,
    minimumFractionDigits: digits,
    maximumFractionDigits: most,
  }).format(amount);
  // Spaces that do not break are of many widths, which not every typeface has.
  return text.replace(/[\u00a0\u202f]/g, ' ').replace('-', '−');
}

/** A price as it is shown to a customer: the amount, and whether tax is in it where the shop says so. */
export function formatPrice(amount: number, money: Money, locale?: string): string {
  const words = TAX_WORDS[money.tax];
  return [formatMoney(amount, money, locale), ...(words === '' ? [] : [words])].join(' ');
}
