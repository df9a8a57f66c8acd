import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Money } from '../core/quantity/index.ts';
import { sampleDesign } from '../core/test-kit/sample.test-kit.ts';
import { readPdf } from '../core/test-kit/pdf.test-kit.ts';
import type { RunningApp } from './app.test-kit.ts';
import { runApp } from './app.test-kit.ts';
import { settings } from './schema.ts';

let app: RunningApp;
beforeAll(async () => {
  app = await runApp();
});
afterAll(() => app.end());

const read = () => app.ask<Money>('GET', '/money');

describe('what the shop’s prices are in', () => {
  it('is not said at first, is set by a code of ISO 4217, and is kept among the settings that a backup holds', async () => {
    expect(await read()).toEqual({ currency: '', tax: 'not said' });
    const set = { currency: 'EUR', tax: 'included' };
    expect(await app.ask('PUT', '/money', set)).toEqual(set);
    expect(await read()).toEqual(set);
    const rows = await app.database.db.select().from(settings);
    expect(rows.filter(({ key }) => key === 'money').map(({ document }) => document)).toEqual([set]);
  });

  it('is refused in words where there is no such currency or tax, and stays as it was', async () => {
    for (const [wrong, said] of [
      [{ currency: 'QQQ', tax: 'included' }, /“QQQ” is no code of ISO 4217. Use one such as EUR/],
      [{ currency: 'euro', tax: 'included' }, /Currency/],
      [{ currency: 'EUR', tax: 'some' }, /Tax/],
      [{ currency: 'EUR' }, /tax/],
    ] as const) {
      const response = await app.send('PUT', '/money', wrong);
      expect(response.status).toBe(422);
      expect(await response.text()).toMatch(said);
    }
    expect(await read()).toEqual({ currency: 'EUR', tax: 'included' });
  });

  it('stands on cards and labels, as the reader’s language writes it', async () => {
    const { id } = await app.made({
      ...sampleDesign('ball'),
      name: 'Priced',
      article: { number: 'FA-7', price: 1234.5 },
    });
    const card = async (language: string) => {
      const response = await app.send('GET', `/designs/${id}/counter-card`, undefined, {
        'Accept-Language': language,
      });
      // A sign in a typeface of its own is a piece of its own.
      const { pieces } = await readPdf(new Uint8Array(await response.arrayBuffer()));
      return pieces.join('').replaceAll(' ', '');
    };
    expect(await card('en-GB,en;q=0.8')).toContain('€1,234.50taxincluded');
    expect(await card('de')).toContain('1.234,50€taxincluded');
    // What is no language, or none that is known, is answered in English.
    expect(await card('q-*-z, tlh')).toContain('€1,234.50taxincluded');
  });
});
