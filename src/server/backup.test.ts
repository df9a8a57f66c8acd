import { createHash } from 'node:crypto';
import { once } from 'node:events';
import {
  createWriteStream,
  mkdtempSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { pipeline } from 'node:stream/promises';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { RackIndex } from '../contract/api.ts';
import { WITH_HISTORY } from '../contract/collections/index.ts';
import { verifyBackup } from '../disk/backup-file.ts';
import { sampleDesign } from '../core/test-kit/sample.test-kit.ts';
import type { RunningApp } from './app.test-kit.ts';
import { runApp } from './app.test-kit.ts';
import { restoreBackup, writeBackup } from './backup.ts';
import { backupStream } from './backup-stream.ts';
import { isEmbedded, openTestDatabase } from './database.test-kit.ts';
import { DocumentStore } from './documents.ts';
import { apart, everything, fillShop } from './full-shop.test-kit.ts';
import { stepRecorder } from './history.ts';
import * as schema from './schema.ts';
import { isStale } from './stale.ts';
import { MetalStore } from './stores.ts';
import { TABLES } from './tables.ts';

let app: RunningApp;
let [folder, file] = ['', ''];
beforeAll(async () => {
  app = await runApp();
  folder = mkdtempSync(join(tmpdir(), 'fern-anvil-backup-'));
  file = join(folder, 'shop.gz');
  await fillShop(app);
  const taken = await fetch(`${app.base}/api/backup`);
  expect(taken.headers.get('content-type')).toContain('gzip');
  writeFileSync(file, Buffer.from(await taken.arrayBuffer()));
});
afterAll(async () => {
  await app.end();
  rmSync(folder, { recursive: true, force: true });
});

const place = (): string => mkdtempSync(join(tmpdir(), 'fern-anvil-restored-'));
/** Lines of the backup, changed, and sealed as they then are. */
function resealed(change: (lines: string[]) => string[]): string {
  const lines = gunzipSync(readFileSync(file)).toString('utf8').split('\n').slice(0, -2);
  const changed = change(lines);
  const body = changed.map((line) => `${line}\n`).join('');
  const foot = { rows: changed.length - 1, sha256: createHash('sha256').update(body).digest('hex') };
  const path = join(folder, `changed-${Math.random().toString(36).slice(2)}.gz`);
  writeFileSync(path, gzipSync(`${body}${JSON.stringify(foot)}\n`));
  return path;
}

describe('a backup', () => {
  it('given back into an empty folder is the same database: every table, filled, every column', async () => {
    const before = await everything(app.database.db);
    // What is compared is not empty, and holds every table there is.
    expect(Object.keys(before).sort()).toEqual(TABLES.map(({ name }) => name).sort());
    for (const { name, columns } of TABLES)
      for (const column of columns) {
        const isFilled = before[name]?.some(
          (row) => (JSON.parse(row) as Record<string, unknown>)[column] !== null,
        );
        expect([name, column, isFilled]).toEqual([name, column, true]);
      }
    const into = place();
    const restored = await openTestDatabase(into, async (db) => {
      expect((await restoreBackup(db, file)).rows).toBe(Object.values(before).flat().length);
    });
    expect(apart(before, await everything(restored.db))).toEqual([]);
    // The figures came along: the Rack is there at once, and nothing is worked out anew.
    const metals = await new MetalStore(restored.db).metals();
    expect(await restored.db.$count(schema.designs, isStale(metals))).toBe(0);
    await restored.close();
    // A shop that is there is never overwritten.
    await expect(
      openTestDatabase(into, (db) => restoreBackup(db, file).then(() => undefined)),
    ).rejects.toThrow('there is a shop');
    rmSync(into, { recursive: true, force: true });
  });

  it('spells line separators out, so that no reader ends a line there', () => {
    const text = gunzipSync(readFileSync(file)).toString('utf8');
    expect(text).toContain('\\u2028');
    expect(text).not.toMatch(/[\u2028\u2029]/);
  });

  it('of version 1, or with figures of another form, names every head from the first second and works them out', async () => {
    const old = resealed((lines) =>
      lines.map((line, i) => {
        if (i === 0) return '{"format":"fern-anvil/backup","version":1}';
        const { table, row } = JSON.parse(line) as { table: string; row: Record<string, unknown> };
        const camel = Object.fromEntries(
          Object.entries(row).map(([key, value]) => [
            key.replace(/_(\w)/g, (_, letter: string) => letter.toUpperCase()),
            value,
          ]),
        );
        return JSON.stringify({
          table,
          row: table === 'designs' ? { ...camel, summary: { ok: true }, card: null, revision: 0 } : camel,
        });
      }),
    );
    const into = place();
    const { db, close } = await openTestDatabase(into, (fresh) =>
      restoreBackup(fresh, old).then(() => undefined),
    );
    await close();
    expect(db).toBeDefined();
    const again = await runApp(into);
    const rack = () => again.ask<RackIndex>('GET', '/rack');
    const first = await rack();
    expect(first.cards.map(({ name }) => name)).toContain('Archived');
    expect(first.figures.of).toBe(first.cards.length);
    await expect
      .poll(async () => (await rack()).figures, { timeout: 30_000 })
      .toEqual({ done: first.cards.length, of: first.cards.length });
    expect((await rack()).cards.every(({ grams, pending }) => grams !== null && !pending)).toBe(true);
    await again.end();
  });

  it('whose documents do not fit is refused with their names, or gives back the rest and sets them aside', async () => {
    const spoilt = resealed((lines) =>
      lines.map((line) =>
        line.includes('"table":"batches"') && line.includes('"Archived"')
          ? line.replace('"format": "fern-anvil/batch"', '"format": "fern-anvil/botch"')
          : line,
      ),
    );
    expect((await verifyBackup(spoilt, 'documents')).misfits).toMatchObject([
      { collection: 'batches', name: 'Archived', part: 'the document' },
    ]);
    const into = place();
    await expect(
      openTestDatabase(into, (db) => restoreBackup(db, spoilt).then(() => undefined)),
    ).rejects.toThrow(
      /1 of its documents do not fit: batches “Archived”, the document: Format: .*--set-aside/,
    );
    const aside = join(folder, 'aside.jsonl');
    const { db, close } = await openTestDatabase(into, async (fresh) => {
      expect((await restoreBackup(fresh, spoilt, aside)).aside).toHaveLength(1);
    });
    expect(readFileSync(aside, 'utf8')).toContain('fern-anvil/botch');
    const before = await everything(app.database.db);
    const after = await everything(db);
    expect(after['batches']).toHaveLength((before['batches']?.length ?? 0) - 1);
    expect(apart({ ...before, batches: [] }, { ...after, batches: [] })).toEqual([]);
    await close();
    rmSync(into, { recursive: true, force: true });
  });

  it.each([
    ['now and then', 4],
    ['after every look at it', 1000],
  ])('made while a head is saved %s holds it as it was at one moment', async (_, most) => {
    const { db, close } = await openTestDatabase(place());
    const store = new DocumentStore(db, 'designs', undefined, stepRecorder('designs'));
    const { id, document } = await store.create(sampleDesign('ball'));
    let saves = 0;
    /** The database as the backup sees it, with a save after each of its looks. */
    const moving: typeof db.$client = {
      ...db.$client,
      transaction: async (act) => {
        const seen = await db.$client.transaction(act);
        if (saves < most)
          await store.replace(id, { ...document, name: `Save ${++saves}` }, undefined, { isFresh: true });
        return seen;
      },
    };
    const taken = join(folder, 'moving.gz');
    await pipeline(
      backupStream(moving, { tables: TABLES, withHistory: WITH_HISTORY }),
      createWriteStream(taken),
    );
    await close();
    expect(gunzipSync(readFileSync(taken)).toString('utf8')).toContain('{"forget":"designs"');
    const restored = await openTestDatabase(place(), (fresh) =>
      restoreBackup(fresh, taken).then(() => undefined),
    );
    const { rows } = await restored.db.execute<{ alike: boolean; last: boolean }>(
      sql`select d.document = s.document as alike, s.step = (select max(step) from steps) as last
          from designs d left join steps s on s.design_id = d.id and s.step = d.step`,
    );
    expect(rows).toEqual([{ alike: true, last: true }]);
    await restored.close();
  });

  it('of more rows, and of larger ones, than are read at once holds each once', async () => {
    const { db, close } = await openTestDatabase(place());
    await db.execute(sql`
      insert into plastics (id, name, document)
      select 'many-' || n, name, document from generate_series(1, 601) n, (select * from plastics limit 1) as one`);
    // Noise does not pack: each by itself is more than a piece may hold.
    await db.execute(sql`
      insert into photos (id, name, document)
      select 'large-' || k, 'Large', jsonb_build_object('data', (select string_agg(md5(random()::text), '') from generate_series(1, 9000) where k > 0))
      from generate_series(1, 5) k`);
    const taken = join(folder, 'many.gz');
    await pipeline(writeBackup(db), createWriteStream(taken));
    const counts = await Promise.all(
      TABLES.map(async ({ name }) => {
        const { rows } = await db.execute<{ n: number }>(
          sql`select count(*)::int as n from ${sql.identifier(name)}`,
        );
        return [name, rows[0]?.n ?? NaN] as const;
      }),
    );
    await close();
    const lines = gunzipSync(readFileSync(taken)).toString('utf8').trimEnd().split('\n').slice(1, -1);
    const keys = lines.map((line) => JSON.parse(line) as { table: string; row: { id?: string } });
    for (const [name, n] of counts) expect(keys.filter(({ table }) => table === name)).toHaveLength(n);
    const ids = keys.filter(({ table }) => table === 'plastics').map(({ row }) => row.id);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('is not read ahead of whoever takes it', async () => {
    const stream = writeBackup(app.database.db);
    const chunks: Buffer[] = [];
    stream.on('data', (chunk: Buffer) => {
      chunks.push(chunk);
      stream.destroy();
    });
    await once(stream, 'close');
    expect(chunks).toHaveLength(1);
    // Nothing of it goes on: the database answers.
    expect((await app.send('GET', '/designs')).status).toBe(200);
  });

  it('of a database that is closed meanwhile fails, and is not taken for a whole one', async () => {
    const { db, close } = await openTestDatabase(place());
    const stream = writeBackup(db);
    await close();
    await expect(pipeline(stream, createWriteStream(join(folder, 'closed.gz')))).rejects.toThrow('closed');
  });

  it.each([
    ['cut short', (whole: Buffer) => whole.subarray(0, whole.length - 30)],
    ['no backup', () => gzipSync('{"format":"something"}\n')],
    ['not packed', () => Buffer.from('hello')],
    [
      'changed',
      (whole: Buffer) => gzipSync(gunzipSync(whole).toString('utf8').replace('Archived', 'Archives')),
    ],
    [
      'without its end',
      (whole: Buffer) => gzipSync(gunzipSync(whole).toString('utf8').split('\n').slice(0, -2).join('\n')),
    ],
  ])('that is %s is refused in a sentence before anything is written', async (_, spoil) => {
    const bad = join(folder, 'bad.gz');
    writeFileSync(bad, spoil(readFileSync(file)));
    // The shop itself: nothing of it may be touched.
    const { db } = app.database;
    const live = { execute: db.execute.bind(db), checkpoint: db.$client.checkpoint };
    await expect(restoreBackup(live, bad)).rejects.toThrow('--restore');
    expect(await app.database.db.$count(schema.designs)).toBeGreaterThan(0);
  });

  it('that is refused leaves a folder that can be begun anew', async () => {
    const into = place();
    await expect(
      openTestDatabase(into, (db) => restoreBackup(db, join(folder, 'bad.gz')).then(() => undefined)),
    ).rejects.toThrow('--restore');
    const { db, close } = await openTestDatabase(into);
    expect(await db.$count(schema.designs)).toBe(0);
    await close();
    rmSync(into, { recursive: true, force: true });
  });
});

describe.runIf(isEmbedded())('a damaged database', () => {
  it('whose table of designs was cut is refused with what to do, not served as if it held less', async () => {
    const into = place();
    const begun = await openTestDatabase(into);
    for (let i = 0; i < 60; i++)
      await begun.db
        .insert(schema.designs)
        .values({ id: `d${i}`, name: `${i}`, document: { fill: 'x'.repeat(900) } });
    const { rows } = await begun.db.execute<{ path: string }>(
      sql`select pg_relation_filepath('designs') as path`,
    );
    await begun.db.execute(sql`checkpoint`);
    await begun.close();
    const heap = join(into, 'postgres', rows[0]?.path ?? '');
    const { size } = statSync(heap);
    expect(size).toBeGreaterThanOrEqual(2 * 8192);
    truncateSync(heap, Math.floor(size / 8192 / 2) * 8192);
    await expect(openTestDatabase(into)).rejects.toThrow(/damaged.*--restore/s);
    rmSync(into, { recursive: true, force: true });
  });
});
