import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { MoneyInForce } from '../contract/api.ts';
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

const read = () => app.ask<MoneyInForce>('GET', '/money');

describe('what the shop’s prices are in', () => {
  it('is not said at first, is set by a code of ISO 4217, and is kept among the settings that a backup holds', async () => {
    expect(await read()).toEqual({ version: 0, document: { currency: '', tax: 'not said' } });
    const set = { currency: 'EUR', tax: 'included' };
    const put = await app.send('PUT', '/money', set, { 'If-Match': '"v0"' });
    expect([put.headers.get('etag'), await put.json()]).toEqual(['"v1"', { version: 1, document: set }]);
    expect(await read()).toEqual({ version: 1, document: set });
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
      const response = await app.send('PUT', '/money', wrong, { 'If-Match': '"v1"' });
      expect(response.status).toBe(422);
      expect(await response.text()).toMatch(said);
    }
    expect(await read()).toMatchObject({ document: { currency: 'EUR', tax: 'included' } });
  });

  it('of two that say it at once one is heard, and the other told so', async () => {
    const { version, document } = await read();
    const answers = await Promise.all(
      ['GBP', 'NOK', 'USD'].map((currency) =>
        app.send('PUT', '/money', { ...document, currency }, { 'If-Match': `"v${version}"` }),
      ),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 412, 412]);
    const lost = await Promise.all(answers.filter(({ status }) => status === 412).map((one) => one.text()));
    expect(lost.join()).toMatch(/Currency or tax changed elsewhere/);
    expect((await read()).version).toBe(version + 1);
    await app.send('PUT', '/money', document, { 'If-Match': '*' });
    expect((await app.send('PUT', '/money', document)).status).toBe(428);
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
