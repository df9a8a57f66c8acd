import { PDFDocument } from '@cantoo/pdf-lib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ArchivedRow, Kept } from '../contract/api.ts';
import type { Brief, Design } from '../core/document/index.ts';
import { guessColumns, readHeads, tableCells } from '../core/exchange/heads-table/index.ts';
import { sampleDesign } from '../core/test-kit/sample.test-kit.ts';
import type { RunningApp } from './app.test-kit.ts';
import { problem, runApp, version } from './app.test-kit.ts';

let app: RunningApp;
beforeAll(async () => {
  app = await runApp();
});
afterAll(() => app.end());

const BRIEF: Brief = {
  format: 'fern-anvil/brief',
  version: 2,
  name: 'From the quay',
  water: { kind: 'sea', depth: 5 },
  bottom: { kinds: ['gravel'] },
  cover: { kinds: [] },
  fishing: { retrieve: 'hop' },
  line: { material: 'fluorocarbon', test: 4.5 },
  bait: { kind: 'paddle-tail', length: 100 },
};
const archive = async () => (await app.ask<{ rows: ArchivedRow[] }>('GET', '/archive')).rows;
const total = async () => (await app.ask<{ total: number }>('GET', '/designs?limit=1')).total;

describe('the Archive', () => {
  it('holds what was archived and what was deleted, of every kind, the newest first, with what brings it back', async () => {
    const kept = await app.made({ ...sampleDesign('ball', {}), name: 'Kept apart' });
    const gone = await app.made({ ...sampleDesign('ball', {}), name: 'Deleted' });
    expect((await archive()).map(({ id }) => id)).not.toContain(kept.id);
    await app.send('POST', `/designs/${kept.id}/archive`, undefined, version(1));
    await app.send('DELETE', `/designs/${gone.id}`, undefined, version(1));
    const brief = await app.ask<Kept<Brief>>('POST', '/briefs', BRIEF);
    await app.send('DELETE', `/briefs/${brief.id}`, undefined, version(1));
    const rows = await archive();
    expect(rows.slice(0, 3).map(({ name, is, noun }) => [name, is, noun])).toEqual([
      ['From the quay', 'deleted', 'brief'],
      ['Deleted', 'deleted', 'design'],
      ['Kept apart', 'archived', 'design'],
    ]);
    for (const { collection, id, is, version: at } of rows) {
      const way = is === 'deleted' ? 'restore' : 'unarchive';
      expect((await app.send('POST', `/${collection}/${id}/${way}`, undefined, version(at))).status).toBe(
        200,
      );
    }
    expect(await archive()).toEqual([]);
  });
});

describe('a series', () => {
  it('of many is there at once, and is taken back whole, or not at all where one was changed since', async () => {
    const before = await total();
    const heads = Array.from({ length: 30 }, (_, i) => ({
      ...sampleDesign('ball', {}),
      name: `Series ${i}`,
    }));
    const made = await app.ask<Kept<Design>[]>('POST', '/designs/series', heads);
    expect(made).toHaveLength(30);
    expect(await total()).toBe(before + 30);
    const [first] = made;
    const edited = { ...first?.document, name: 'Edited since' };
    const put = await app.send('PUT', `/designs/${first?.id ?? ''}`, edited, version(1));
    expect(put.status).toBe(200);
    const all = made.map(({ id, version: at }) => ({ id, version: at }));
    expect((await app.send('POST', '/designs/series/remove', { heads: all })).status).toBe(412);
    expect(await total()).toBe(before + 30);
    const now = all.map((one, i) => (i === 0 ? { ...one, version: 2 } : one));
    expect((await app.send('POST', '/designs/series/remove', { heads: now })).status).toBe(204);
    expect(await total()).toBe(before);
    expect((await app.send('POST', '/designs/series/remove', { heads: [] })).status).toBe(422);
  });
});

it('heads go out as the table they come in as', async () => {
  const article = { number: 'SK-1', ean: '6291041500213', price: 2.5, pack: 3, supplier: 'Skarn', stock: 4 };
  await app.made({ ...sampleDesign('football', {}), name: 'Sold, with a comma', article });
  const text = await (await app.send('GET', '/heads.csv')).text();
  const { heading, rows } = tableCells(text);
  expect(rows).toHaveLength(await total());
  const row = readHeads(guessColumns(heading), rows).find(({ name }) => name === 'Sold, with a comma');
  expect(row?.design?.article).toEqual(article);
  expect(row?.odd).toEqual([]);
});

describe('an article', () => {
  it('whose EAN has a wrong check digit is refused by its field', async () => {
    const refused = await app.send('POST', '/designs', {
      ...sampleDesign('ball', {}),
      article: { ean: '6291041500219' },
    });
    expect(refused.status).toBe(422);
    const { errors } = await problem(refused);
    expect(errors?.map(({ path }) => path)).toEqual(['/article/ean']);
  });
});

describe('a customer’s card', () => {
  it('is one page of A4 for one to three heads of a brief', async () => {
    const brief = await app.ask<Kept<Brief>>('POST', '/briefs', BRIEF);
    for (const family of ['ball', 'football', 'pointed', 'mushroom'])
      await app.made({ ...sampleDesign(family, {}), name: `Carded ${family}` });
    const { items: heads } = await app.ask<{ items: Kept<Design>[] }>('GET', '/designs?limit=4');
    const path = `/briefs/${brief.id}/customer-card`;
    const ids = heads.map(({ id }) => id);
    const response = await app.send('GET', `${path}?units=metric&heads=${ids.slice(0, 3).join()}`);
    expect(response.status).toBe(200);
    const pdf = await PDFDocument.load(await response.arrayBuffer());
    expect(pdf.getPageCount()).toBe(1);
    // A4 (ISO 216): 210 × 297 mm.
    const { width, height } = pdf.getPage(0).getSize();
    expect([width, height].map((pt) => Math.round((pt / 72) * 25.4))).toEqual([210, 297]);
    expect(pdf.getTitle()).toBe('From the quay');
    expect((await app.send('GET', `${path}?heads=${ids.join()}`)).status).toBe(422);
    expect((await app.send('GET', `${path}?heads=none`)).status).toBe(404);
    expect((await app.send('GET', path)).status).toBe(422);
  });
});
