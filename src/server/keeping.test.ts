import { randomBytes } from 'node:crypto';
import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { BackupsState, Intake, Kept, RackIndex } from '../contract/api.ts';
import type { Design } from '../core/document/index.ts';
import { newRange } from '../core/document/index.ts';
import { sampleDesign } from '../core/test-kit/sample.test-kit.ts';
import type { RunningApp } from './app.test-kit.ts';
import { problem, runApp, version } from './app.test-kit.ts';
import { verifyBackup } from '../disk/backup-file.ts';
import { DocumentStore } from './documents.ts';
import { stepRecorder } from './history.ts';

let app: RunningApp;
beforeAll(async () => {
  app = await runApp();
});
afterAll(() => app.end());

describe('a shop file', () => {
  const fileWith = (id: string, document: Design) => ({
    format: 'fern-anvil/shop',
    version: 1,
    designs: [{ id, document }],
  });

  it('does not overwrite what was saved since it was looked at', async () => {
    const { id, document } = await app.made(sampleDesign('ball'));
    const file = fileWith(id, { ...document, name: 'From the file' });
    const { seen } = await app.ask<Intake>('POST', '/shop?trial', file);
    await app.send('PUT', `/designs/${id}`, { ...document, name: 'Saved meanwhile' }, version(1));
    const refused = await app.send('POST', `/shop?seen=${seen}`, file);
    expect([refused.status, (await problem(refused)).detail]).toEqual([
      412,
      expect.stringMatching(/look at the file again/) as string,
    ]);
    expect((await app.ask<Kept<Design>>('GET', `/designs/${id}`)).document.name).toBe('Saved meanwhile');
    const again = await app.ask<Intake>('POST', '/shop?trial', file);
    expect((await app.send('POST', `/shop?seen=${again.seen}`, file)).status).toBe(200);
    expect((await app.ask<Kept<Design>>('GET', `/designs/${id}`)).document.name).toBe('From the file');
  });

  it('of the same new ids twice at once is taken once, and the other told', async () => {
    const file = fileWith('twice-at-once', sampleDesign('ball'));
    const both = await Promise.all([1, 2, 3, 4].map(() => app.send('POST', '/shop', file)));
    const statuses = both.map(({ status }) => status);
    expect(statuses).toContain(200);
    expect(statuses.every((status) => status === 200 || status === 412)).toBe(true);
  });
});

describe('history', () => {
  it('keeps as many steps as it says, the newest', async () => {
    const store = new DocumentStore(app.database.db, 'ranges', undefined, stepRecorder('ranges'));
    const { id, document } = await store.create(newRange('Wall'));
    for (let i = 1; i <= 70; i++)
      await store.replace(id, { ...document, name: `Wall ${i}` }, i, { isFresh: true });
    const { steps, now } = await app.ask<{ steps: { step: number }[]; now: number }>(
      'GET',
      `/ranges/${id}/history`,
    );
    expect([steps.length, steps.at(-1)?.step, now]).toEqual([60, 70, 70]);
  });

  it('has no more named versions than it may, however many are named at once', async () => {
    const { id } = await app.made(sampleDesign('ball'));
    const { db } = app.database;
    await db.execute(
      sql`insert into named_versions (id, design_id, name, document) select 'v' || n, ${id}, 'v' || n, '{}' from generate_series(1, 198) n`,
    );
    const names = await Promise.all(
      [1, 2, 3, 4, 5].map((n) => app.send('POST', `/designs/${id}/versions`, { name: `n${n}` })),
    );
    expect(names.map(({ status }) => status).sort()).toEqual([201, 201, 409, 409, 409]);
    await db.execute(sql`delete from named_versions where document = '{}'`);
  });
});

describe('what is asked with odd characters', () => {
  it.each(['designs', 'plastics', 'photos'])(
    'a page mark with a NUL inside is refused for %s',
    async (collection) => {
      const mark = Buffer.from(JSON.stringify(['a\u0000', 'b'])).toString('base64url');
      const answer = await app.send('GET', `/${collection}?after=${mark}`);
      expect([answer.status, (await problem(answer)).detail]).toEqual([
        400,
        expect.stringMatching(/page mark/) as string,
      ]);
    },
  );

  it('a file’s name is spelled in Latin letters beside its own', async () => {
    const { id } = await app.made({ ...sampleDesign('ball'), name: 'Жак ½ Köder 魚' });
    const { headers } = await app.send('GET', `/designs/${id}/export/json`);
    const said = headers.get('content-disposition') ?? '';
    expect(said).toMatch(/filename="Zhak 1_2 Koder Yu\.json"/);
    expect(said).toContain(`filename*=UTF-8''${encodeURIComponent('Жак ½ Köder 魚.json')}`);
  });
});

describe('backups', () => {
  it('are made on request into the shop’s folder, checked, listed with their age, and given back beside the shop', async () => {
    const before = await app.ask<BackupsState>('GET', '/backups');
    expect(before).toMatchObject({ isOn: true, isInside: true, isOld: false, items: [] });
    expect((await app.send('POST', '/backups')).status).toBe(202);
    const state = () => app.ask<BackupsState>('GET', '/backups');
    await expect.poll(async () => (await state()).job?.isRunning, { timeout: 60_000 }).toBe(false);
    const made = await state();
    expect(made.items).toHaveLength(1);
    const [{ name = '' } = {}] = made.items;
    expect(readdirSync(made.folder)).toEqual([name]);
    expect((await verifyBackup(join(made.folder, name), 'documents')).misfits).toEqual([]);
    expect(await app.ask('POST', `/backups/${name}/verify`)).toMatchObject({ misfits: [] });
    expect((await app.send('POST', '/backups/fern-anvil-none.gz/verify')).status).toBe(404);
    expect((await app.send('POST', `/backups/${name}/restore`)).status).toBe(202);
    await expect.poll(async () => (await state()).job?.isRunning, { timeout: 120_000 }).toBe(false);
    const { job } = await state();
    expect(job).toMatchObject({ kind: 'restore', result: expect.stringContaining('-restored-') as string });
    const count = await app.ask<{ total: number }>('GET', '/designs');
    const again = await runApp(job?.result);
    expect((await again.ask<{ total: number }>('GET', '/designs')).total).toBe(count.total);
    await again.end();
  });

  it('refuse a folder that will not do, and keep what was set', async () => {
    const edit = (change: object) => app.send('PUT', '/backups', change, { 'If-Match': '*' });
    expect(await problem(await edit({ folder: 'somewhere' }))).toMatchObject({
      status: 422,
      errors: [{ path: '/folder' }],
    });
    expect((await problem(await edit({ folder: '/proc/nowhere' }))).detail).toMatch(
      /nothing can be written there/,
    );
    expect(((await (await edit({ isOn: false })).json()) as BackupsState).isOn).toBe(false);
  });
});

describe('the write-ahead log', () => {
  it('stays short however much is written', async () => {
    const { db } = app.database;
    const log = join(app.data, 'postgres/pg_wal');
    const size = () => readdirSync(log).reduce((sum, name) => sum + statSync(join(log, name)).size, 0);
    // What does not pack: nothing of it is saved by that.
    const noise = () => randomBytes(120_000).toString('base64');
    let largest = 0;
    for (let i = 0; i < 600; i++) {
      await db.execute(
        sql`insert into photos (id, name, document) values (${`noise-${i}`}, 'noise', ${JSON.stringify({ data: noise() })})`,
      );
      largest = Math.max(largest, size());
    }
    const { rows } = await db.execute<{ bytes: number }>(
      sql`select sum(pg_column_size(document))::float8 as bytes from photos`,
    );
    expect(rows[0]?.bytes).toBeGreaterThan(80e6);
    expect(largest).toBeLessThanOrEqual(64 * 2 ** 20);
    await db.execute(sql`delete from photos where name = 'noise'`);
  });
});

describe('a shop file of many heads', () => {
  it('has them on the Rack at once by name, and their figures follow', async () => {
    const ids = Array.from({ length: 24 }, (_, i) => `many-${i}`);
    const designs = ids.map((id) => ({ id, document: { ...sampleDesign('ball'), name: id } }));
    const taken = await app.send('POST', '/shop', { format: 'fern-anvil/shop', version: 1, designs });
    expect(taken.status).toBe(200);
    const cards = async () =>
      (await app.ask<RackIndex>('GET', '/rack')).cards.filter(({ id }) => ids.includes(id));
    expect((await cards()).map(({ name }) => name).sort()).toEqual([...ids].sort());
    await expect
      .poll(async () => (await cards()).filter(({ grams }) => grams !== null).length, { timeout: 60_000 })
      .toBe(24);
  });
});
