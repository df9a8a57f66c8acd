import { readFileSync } from 'node:fs';
import { sql } from 'drizzle-orm';
import { PDFDocument } from '@cantoo/pdf-lib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { RulesInForce } from '../contract/api.ts';
import type { Brief1 } from '../core/document/index.ts';
import { upgradeBrief } from '../core/document/index.ts';
import { REFERENCE_RULES } from '../core/match/index.ts';
import { sampleDesign } from '../core/test-kit/sample.test-kit.ts';
import type { RunningApp } from './app.test-kit.ts';
import { problem, runApp, version } from './app.test-kit.ts';
import { checkBriefDocument } from '../contract/collections/briefs.ts';

let app: RunningApp;
beforeAll(async () => {
  app = await runApp();
});
afterAll(() => app.end());

describe('the rules of the match', () => {
  it('are the shipped ones at first, are replaced whole, and restored in one step', async () => {
    const first = await app.ask<RulesInForce>('GET', '/rules');
    expect(first).toMatchObject({ version: 0, problems: [] });
    const own = {
      ...REFERENCE_RULES,
      schools: { 'eye plane': 'in line' },
      rules: REFERENCE_RULES.rules.slice(0, 3).map((rule) => ({ ...rule, off: true })),
    };
    const put = await app.send('PUT', '/rules', own, version(0));
    expect(put.status).toBe(200);
    expect((await app.ask<RulesInForce>('GET', '/rules')).document).toEqual(own);
    // Of two who began from the same one loses, and nothing is lost for it.
    expect((await app.send('PUT', '/rules', own, version(0))).status).toBe(412);
    expect((await app.send('DELETE', '/rules', undefined, version(7))).status).toBe(412);
    const gone = await app.send('DELETE', '/rules', undefined, version(1));
    expect(gone.status).toBe(200);
    expect(await app.ask<RulesInForce>('GET', '/rules')).toMatchObject({ version: 0 });
  });

  it('that cannot be read are refused with their place', async () => {
    const [rule] = REFERENCE_RULES.rules;
    const wrong = { ...REFERENCE_RULES, rules: [{ ...rule, when: [{ fact: 'moon', in: ['full'] }] }] };
    const response = await app.send('PUT', '/rules', wrong, version(0));
    expect(response.status).toBe(422);
    expect((await problem(response)).errors?.[0]).toMatchObject({ path: '/rules/0/when/0/fact' });
    expect((await app.send('PUT', '/rules', { ...REFERENCE_RULES, version: 1 }, version(0))).status).toBe(
      422,
    );
  });
});

describe('briefs of version 1', () => {
  const old = (cover: Brief1['cover'], clarity: Brief1['water']['clarity']): Brief1 => ({
    format: 'fern-anvil/brief',
    version: 1,
    name: `Old ${cover} ${clarity}`,
    water: { kind: 'sea', temperature: 11, depth: 7.5, current: 0.3, clarity },
    bottom: { kind: 'gravel', slope: 12 },
    cover,
    retrieve: 'stroke',
    line: { material: 'nylon', test: 5 },
    bait: { kind: 'creature', length: 110 },
    mood: 'aggressive',
    schools: { 'weedless keeper': 'plain' },
    notes: 'Kept.',
  });

  it('are taken over by the migration as the check takes them over, and posted ones are kept as version 2', async () => {
    const olds = [old('none', 'clear'), old('brush and wood', 'stained'), old('matted weed', 'murky')];
    const { db } = app.database;
    for (const [i, brief] of olds.entries())
      await db.execute(
        sql`insert into briefs (id, name, document) values (${`old-${i}`}, ${brief.name}, ${JSON.stringify(brief)}::jsonb)`,
      );
    const migration = readFileSync(new URL('./migrations/0006_briefs_2.sql', import.meta.url), 'utf8');
    await db.execute(sql.raw(migration));
    await db.execute(sql.raw(migration));
    for (const [i, brief] of olds.entries()) {
      const kept = await app.ask<{ document: unknown; version: number }>('GET', `/briefs/old-${i}`);
      expect(kept.document).toEqual(upgradeBrief(brief));
      expect(kept.version).toBe(2);
      expect(checkBriefDocument(kept.document).ok).toBe(true);
    }
    const posted = await app.ask<{ document: unknown }>('POST', '/briefs', olds[1]);
    expect(posted.document).toEqual(upgradeBrief(olds[1] as Brief1));
    const shop = { format: 'fern-anvil/shop', version: 1, briefs: [{ id: 'from-file', document: olds[2] }] };
    expect((await app.send('POST', '/shop', shop)).status).toBe(200);
    expect((await app.ask<{ document: unknown }>('GET', '/briefs/from-file')).document).toEqual(
      upgradeBrief(olds[2] as Brief1),
    );
  });
});

describe('a counter card', () => {
  it('is one page of A6 with the head’s name, weight in both units, and where it serves', async () => {
    const { id } = await app.made({
      ...sampleDesign('football', {
        head: { target: { grams: 14.175, of: 'metal' } },
        hook: { size: '4/0' },
      }),
      name: 'Counter Oval',
    });
    const response = await app.send('GET', `/designs/${id}/counter-card?units=imperial`);
    expect(response.status).toBe(200);
    expect(response.headers.get('content-type')).toBe('application/pdf');
    const pdf = await PDFDocument.load(await response.arrayBuffer());
    expect(pdf.getPageCount()).toBe(1);
    // A6 (ISO 216): 105 × 148 mm.
    const { width, height } = pdf.getPage(0).getSize();
    expect([width, height].map((pt) => Math.round((pt / 72) * 25.4))).toEqual([105, 148]);
    expect(pdf.getTitle()).toBe('Counter Oval');
    const { items } = await app.ask<{ items: { id: string; document: { name: string } }[] }>(
      'GET',
      '/plastics?limit=1',
    );
    const [plastic] = items;
    const pair = await app.send(
      'GET',
      `/designs/${id}/counter-card?plastic=${plastic?.id ?? ''}&method=threaded`,
    );
    expect((await PDFDocument.load(await pair.arrayBuffer())).getTitle()).toBe(
      `Counter Oval with ${plastic?.document.name ?? ''}`,
    );
    expect((await app.send('GET', `/designs/${id}/counter-card?plastic=none`)).status).toBe(404);
    expect((await app.send('GET', `/designs/${id}/counter-card?units=stone`)).status).toBe(422);
    expect((await app.send('GET', '/designs/none/counter-card')).status).toBe(404);
  });
});
