/**
 * A large shop backed up and given back, seeded by this: so many heads, batches of 500 weighings with their
 * steps, photographs. Told as multiples of the rows' own bytes read once, with memory above rest and the
 * longest that a small request had to wait meanwhile. Run: npm run bench -- shop [SCALE].
 */
import { createWriteStream, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { Readable } from 'node:stream';
import { sql } from 'drizzle-orm';
import { hangMany } from '../e2e/many.ts';
import { startServer } from '../e2e/server.ts';
import { openDatabase } from '../src/server/database.ts';
import { restoreBackup } from '../src/server/backup.ts';

/** Resident memory of a process, MB, as the kernel counts it. */
const residentMb = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? NaN) / 1024;

/** Fills a folder: heads by copying the demo's, and the rest by the database itself. */
async function fill(folder: string, scale: number): Promise<void> {
  await hangMany(folder, Math.round(100_000 * scale));
  const { db, close } = await openDatabase(folder);
  const [batches, photos] = [Math.round(1_000 * scale), Math.round(1_000 * scale)];
  await db.execute(sql`
    with one as (select document from batches limit 1),
      weighed as (select jsonb_agg(jsonb_build_object('cavity', 1 + n % 2, 'piece', (n + 1) / 2, 'grams', 1.77 + (n % 17) / 1000.0, 'by', 'scale')) as list from generate_series(1, 500) n)
    insert into batches (id, name, document, step)
    select 'many-' || k, 'Batch ' || k, jsonb_set(jsonb_set(one.document, '{weighings}', weighed.list), '{name}', to_jsonb('Batch ' || k)), 59
    from one, weighed, generate_series(1, ${sql.raw(String(batches))}) k`);
  for (let from = 1; from <= batches; from += 50)
    await db.execute(sql`
      insert into steps (design_id, step, words, document)
      select 'batches/' || id, n, 'Changed: weighings', document from batches, generate_series(0, 59) n
      where id in (${sql.join(
        Array.from({ length: Math.min(50, batches - from + 1) }, (_, i) => sql`${`many-${from + i}`}`),
        sql`, `,
      )})`);
  // Noise, since a picture does not pack.
  await db.execute(sql`
    insert into photos (id, name, document)
    select 'many-' || k, 'Photo ' || k, jsonb_build_object('format', 'fern-anvil/photo', 'version', 1, 'name', 'Photo ' || k, 'media', 'image/jpeg', 'width', 1400, 'height', 1000, 'data',
      (select string_agg(md5(random()::text), '') from generate_series(1, 6000) where k > 0))
    from generate_series(1, ${sql.raw(String(photos))}) k`);
  await close();
}

/** Backs a large shop up and gives it back. */
export async function largeShop(scale: number): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'fern-anvil-large-'));
  const file = join(folder, 'backup.gz');
  let at = performance.now();
  const lap = () => {
    const took = (performance.now() - at) / 1000;
    at = performance.now();
    return took;
  };
  await fill(join(folder, 'shop'), scale);
  console.log(
    `Filled in ${lap().toFixed(0)} s: scale ${scale} of 100,000 heads, 1,000 batches of 500 ` +
      'weighings with 60 steps, 1,000 photographs',
  );
  const server = await startServer(join(folder, 'shop'));
  const pid = server.process.pid ?? 0;
  console.log(`  start ${lap().toFixed(1)} s`);
  const health = async () => {
    const from = performance.now();
    await (await fetch(`${server.url}/api/health`)).text();
    return performance.now() - from;
  };
  // What a start sets going (tables counted, statements learned) is over before rest is measured.
  for (let before = 0, now = residentMb(pid); Math.abs(now - before) > 5; now = residentMb(pid)) {
    before = now;
    await new Promise((resolve) => setTimeout(resolve, 5_000));
  }
  const quiet: number[] = [];
  for (let i = 0; i < 50; i++) quiet.push(await health());
  const rest = residentMb(pid);
  let [most, slowest, isOver] = [rest, 0, false];
  const watching = (async () => {
    while (!isOver) {
      slowest = Math.max(slowest, await health());
      most = Math.max(most, residentMb(pid));
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
  })();
  lap();
  const answer = await fetch(`${server.url}/api/backup`);
  await pipeline(
    Readable.fromWeb(answer.body as Parameters<typeof Readable.fromWeb>[0]),
    createWriteStream(file),
  );
  const took = lap();
  isOver = true;
  await watching;
  console.log(
    `  backup ${took.toFixed(0)} s, ${(statSync(file).size / 1e6).toFixed(0)} MB; memory ` +
      `${rest.toFixed(0)} → ${most.toFixed(0)} MB; health at most ${slowest.toFixed(0)} ms ` +
      `(${Math.max(...quiet).toFixed(0)} ms at rest)`,
  );
  await server.end();
  lap();
  const { close } = await openDatabase(join(folder, 'given'), async (db) => {
    const { rows } = await restoreBackup(db, file);
    console.log(`  given back: ${rows} rows`);
  });
  await close();
  console.log(`  given back in ${lap().toFixed(0)} s`);
  rmSync(folder, { recursive: true, force: true });
}
