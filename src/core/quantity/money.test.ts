import { describe, expect, it } from 'vitest';
import {
  amountTyped,
  CURRENCIES,
  currencyNames,
  currencySign,
  formatMoney,
  formatPrice,
  UNSAID,
} from './money.ts';

const money = (currency: string) => ({ ...UNSAID, currency });

// What each language writes is the Unicode CLDR's (the runtime's own data); decimals of a currency are ISO
// 4217's minor units.
describe('an amount that is typed', () => {
  it('may carry the shop’s own sign or code, before or behind', () => {
    for (const [typed, currency, locale, text] of [
      ['$1.50', 'USD', 'en', '1.50'],
      ['$1.50', 'CAD', 'en-CA', '1.50'],
      ['CA$1.50', 'CAD', 'en', '1.50'],
      ['3,50 €', 'EUR', 'de', '3,50'],
      ['EUR 3.50', 'EUR', 'de', '3.50'],
      ['3.50eur', 'EUR', 'en', '3.50'],
      ['24 kr', 'SEK', 'sv', '24'],
      ['kr 24,50', 'NOK', 'nb', '24,50'],
      ['£.75', 'GBP', 'en', '.75'],
      [' 12 ', 'EUR', 'en', '12'],
      ['1 000', 'EUR', 'en', '1 000'],
      ['−2', 'EUR', 'en', '−2'],
      ['€ 3', '', 'en', '3'],
    ] as const)
      expect(amountTyped(typed, money(currency), locale), typed).toEqual({ ok: true, text });
  });

  it('in another currency is refused with what to type, as nothing is converted', () => {
    for (const [typed, sign] of [
      ['$1.50', '$'],
      ['1.50 USD', 'USD'],
      ['£3', '£'],
      ['24 kr', 'kr'],
    ] as const)
      expect(amountTyped(typed, money('EUR'), 'de')).toEqual({
        ok: false,
        message:
          `“${sign}” is not this shop’s currency. Type the amount in EUR, for example 3.50: ` +
          'amounts are not converted.',
      });
  });
});

describe('an amount of money', () => {
  it('is written as the reader’s language writes the shop’s currency', () => {
    expect(formatMoney(3.5, money('EUR'), 'en')).toBe('€3.50');
    expect(formatMoney(3.5, money('EUR'), 'de')).toBe('3,50 €');
    expect(formatMoney(1234.5, money('USD'), 'en')).toBe('$1,234.50');
    expect(formatMoney(1234.5, money('CHF'), 'de-CH')).toMatch(/^CHF 1.234\.50$/);
    expect(formatMoney(2.4, money('SEK'), 'sv')).toBe('2,40 kr');
  });

  it('has as many decimals as ISO 4217 gives the currency, and one more under one whole', () => {
    expect(formatMoney(350, money('JPY'), 'en')).toBe('¥350');
    expect(formatMoney(1.5, money('KWD'), 'en')).toMatch(/1\.500$/);
    expect(formatMoney(0.0344, money('EUR'), 'en')).toBe('€0.034');
    expect(formatMoney(0.5, money('EUR'), 'en')).toBe('€0.50');
    expect(formatMoney(0, money('EUR'), 'en')).toBe('€0.00');
  });

  it('stands alone where the shop has not said its currency, and is a dash where there is none', () => {
    expect(formatMoney(3.5, UNSAID)).toBe('3.50');
    expect(formatMoney(NaN, money('EUR'), 'en')).toBe('–');
    expect(formatMoney(-2, money('EUR'), 'en')).toBe('−€2.00');
    expect(currencySign(UNSAID)).toBe('');
  });

  it('holds no space that a typeface may lack', () => {
    for (const locale of ['fr', 'de', 'sv', 'pl', 'fr-CH'])
      expect(formatMoney(12_345.6, money('EUR'), locale)).not.toMatch(/[\u00a0\u202f]/);
  });

  it('of a price says whether tax is in it', () => {
    expect(formatPrice(3.5, { currency: 'EUR', tax: 'included' }, 'en')).toBe('€3.50 tax included');
    expect(formatPrice(3.5, { currency: 'EUR', tax: 'to be added' }, 'en')).toBe('€3.50 plus tax');
    expect(formatPrice(3.5, { currency: '', tax: 'not said' }, 'en')).toBe('3.50');
  });

  it('is in one of the currencies there are', () => {
    expect(CURRENCIES).toEqual(expect.arrayContaining(['EUR', 'GBP', 'JPY', 'USD']));
    expect(CURRENCIES.every((code) => /^[A-Z]{3}$/.test(code))).toBe(true);
    expect(currencyNames('en')).toHaveLength(CURRENCIES.length);
    expect(currencyNames('en')).toContainEqual(['EUR', 'Euro']);
    expect(currencySign(money('GBP'), 'en')).toBe('£');
  });
});
