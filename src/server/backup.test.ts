import { mkdtempSync, readFileSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { sampleDesign } from '../core/test-kit/sample.test-kit.ts';
import type { RunningApp } from './app.test-kit.ts';
import { runApp, version } from './app.test-kit.ts';
import { restoreBackup } from './backup.ts';
import { openDatabase } from './database.ts';
import * as schema from './schema.ts';

let app: RunningApp;
let [folder, file] = ['', ''];
beforeAll(async () => {
  app = await runApp();
  folder = mkdtempSync(join(tmpdir(), 'fern-anvil-backup-'));
  file = join(folder, 'shop.gz');
  // A shop with history, a named version, something put away, something deleted, a price and words in many scripts.
  const first = await app.made({
    ...sampleDesign('ball'),
    name: 'Grundel “1/4” ☂ ぶら',
    notes: '1\u0000'.slice(0, 1),
  });
  for (let i = 1; i <= 3; i++)
    await app.send('PUT', `/designs/${first.id}`, { ...first.document, notes: `note ${i}` }, version(i));
  await app.send('POST', `/designs/${first.id}/versions`, { name: 'As sold' });
  const away = await app.made(sampleDesign('football'));
  await app.send('POST', `/designs/${away.id}/archive`);
  const gone = await app.made(sampleDesign('dart'));
  await app.send('DELETE', `/designs/${gone.id}`, undefined, version(1));
  await app.send('PUT', '/stores/metals/lead', { price: 4.5 }, { 'If-Match': '*' });
  const taken = await fetch(`${app.base}/api/backup`);
  expect(taken.headers.get('content-type')).toContain('gzip');
  writeFileSync(file, Buffer.from(await taken.arrayBuffer()));
});
afterAll(async () => {
  await app.end();
  rmSync(folder, { recursive: true, force: true });
});

/** Everything in a database but what is made anew from the documents. */
async function everything(db: RunningApp['database']['db']): Promise<unknown> {
  const all: Record<string, unknown> = {};
  for (const [name, table] of Object.entries(schema)) {
    const rows = (await db.select().from(table as typeof schema.designs)) as Record<string, unknown>[];
    all[name] = rows
      .map(({ summary: _summary, card: _card, revision: _revision, ...row }) => JSON.stringify(row))
      .sort();
  }
  return all;
}

describe('a backup', () => {
  it('given back into an empty folder is the same shop, history, names, prices and what is put away', async () => {
    const place = mkdtempSync(join(tmpdir(), 'fern-anvil-restored-'));
    const restored = await openDatabase(place, async (db) => {
      expect(await restoreBackup(db, file)).toBeGreaterThan(8);
    });
    expect(await everything(restored.db)).toEqual(await everything(app.database.db));
    await restored.close();
    // A shop that is there is never overwritten.
    await expect(openDatabase(place, (db) => restoreBackup(db, file).then(() => undefined))).rejects.toThrow(
      'there is a shop in',
    );
    rmSync(place, { recursive: true, force: true });
  });

  it.each([
    ['cut short', (whole: Buffer) => whole.subarray(0, whole.length - 30)],
    ['no backup', () => gzipSync('{"format":"something"}\n')],
    ['not packed', () => Buffer.from('hello')],
    ['changed', (whole: Buffer) => gzipSync(gunzipSync(whole).toString('utf8').replace('note 3', 'note 4'))],
    [
      'without its end',
      (whole: Buffer) => gzipSync(gunzipSync(whole).toString('utf8').split('\n').slice(0, -2).join('\n')),
    ],
  ])('that is %s is refused in a sentence, and the folder can be begun anew', async (_, spoil) => {
    const place = mkdtempSync(join(tmpdir(), 'fern-anvil-refused-'));
    const bad = join(folder, 'bad.gz');
    writeFileSync(bad, spoil(readFileSync(file)));
    await expect(openDatabase(place, (db) => restoreBackup(db, bad).then(() => undefined))).rejects.toThrow(
      '--restore',
    );
    const { db, close } = await openDatabase(place);
    expect(await db.$count(schema.designs)).toBe(0);
    await close();
    rmSync(place, { recursive: true, force: true });
  });
});

describe('a damaged database', () => {
  it('whose table of designs was cut is refused with what to do, not served as if it held less', async () => {
    const place = mkdtempSync(join(tmpdir(), 'fern-anvil-cut-'));
    const begun = await openDatabase(place);
    for (let i = 0; i < 60; i++)
      await begun.db
        .insert(schema.designs)
        .values({ id: `d${i}`, name: `${i}`, document: { fill: 'x'.repeat(900) } });
    const { rows } = await begun.db.execute<{ path: string }>(
      sql`select pg_relation_filepath('designs') as path`,
    );
    await begun.db.execute(sql`checkpoint`);
    await begun.close();
    const heap = join(place, 'postgres', rows[0]?.path ?? '');
    const { size } = statSync(heap);
    expect(size).toBeGreaterThanOrEqual(2 * 8192);
    truncateSync(heap, Math.floor(size / 8192 / 2) * 8192);
    await expect(openDatabase(place)).rejects.toThrow(/damaged.*--restore/s);
    rmSync(place, { recursive: true, force: true });
  });
});
