/**
 * A month of saves: batches of some 80 kB saved over and over by a running server, with the size of its
 * write-ahead log from day to day; then the server is killed in the middle of saves and begins again on what
 * it left. Told against the bound of the log (64 MB) and against a start after an orderly end. Run: npm run
 * bench -- month [SAVES].
 */
import { readFileSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../e2e/root.ts';
import { dataFolder, startServer } from '../e2e/server.ts';
import type { RunningServer } from '../e2e/server.ts';
import type { Batch } from '../src/core/document/index.ts';
import { line } from './kit.ts';

/** Days of the month, and what the log may hold at any moment, bytes. */
const DAYS = 30;
const BOUND = 64 * 2 ** 20;
/** Weighings that bring a batch to some 80 kB. */
const WEIGHINGS = 1_500;

/** Bytes of the write-ahead log in a shop's folder. */
function logBytes(folder: string): number {
  const log = join(folder, 'postgres/pg_wal');
  return readdirSync(log).reduce((sum, name) => sum + statSync(join(log, name)).size, 0);
}

/**
 * A batch as the demo has one, weighed so often; from save to save one reading is another, as when one piece
 * is weighed again.
 */
function batchOf(save: number): Batch {
  const [first] = JSON.parse(readFileSync(join(root, 'demo/batches.json'), 'utf8')) as { document: Batch }[];
  if (!first) throw new Error('The demo has no batch.');
  const weighings = Array.from({ length: WEIGHINGS }, (_, i) => ({
    cavity: 1 + (i % 4),
    piece: 1 + Math.floor(i / 4),
    grams:
      1.9 + (((i + 1) * 48271) % 997) / 10_000 + (i === save % WEIGHINGS ? 0.05 + (save % 13) / 1000 : 0),
    by: 'scale' as const,
  }));
  return { ...first.document, weighings };
}

/** Version of each batch as the server last answered for it. */
type Answered = Map<string, number>;

/**
 * Saves every batch in turn, from one number to another; what is answered for is written down. Ends quietly
 * where the server is gone.
 */
async function saves(
  { url }: RunningServer,
  answered: Answered,
  span: readonly [number, number],
  each: () => void,
): Promise<void> {
  const ids = [...answered.keys()];
  for (let n = span[0]; n < span[1]; n++) {
    const id = ids[n % ids.length] ?? '';
    const answer = await fetch(`${url}/api/batches/${id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json', 'If-Match': `"v${answered.get(id)}"` },
      body: JSON.stringify(batchOf(n)),
    }).catch(() => undefined);
    if (!answer) return;
    if (!answer.ok) throw new Error(`Save ${n} was answered ${answer.status}: ${await answer.text()}`);
    answered.set(id, ((await answer.json()) as { version: number }).version);
    each();
  }
}

/** Starts a server on a folder; the seconds until it gives a document are told with it. */
async function begun(folder: string, id: string): Promise<[RunningServer, number]> {
  const from = performance.now();
  const server = await startServer(folder);
  await (await fetch(`${server.url}/api/batches/${id}`)).text();
  return [server, (performance.now() - from) / 1000];
}

/**
 * Saves through a month and tells the log's course.
 *
 * @param count saves in all, at least 30
 */
export async function monthOfSaves(count: number): Promise<void> {
  const { path, remove } = dataFolder();
  const server = await startServer(path);
  const answered: Answered = new Map();
  for (let i = 0; i < 20; i++) {
    const answer = await fetch(`${server.url}/api/batches`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ ...batchOf(i), name: `Batch ${i}` }),
    });
    const kept = (await answer.json()) as { id: string; version: number };
    answered.set(kept.id, kept.version);
  }
  const [first = ''] = answered.keys();
  const size = JSON.stringify(batchOf(0)).length;
  console.log(
    `${count} saves of ${(size / 1000).toFixed(0)} kB in ${DAYS} days, ${((count * size) / 1e6).toFixed(0)} MB in all`,
  );
  let most = 0;
  const days: string[] = [];
  for (let day = 0; day < DAYS; day++) {
    const span = [Math.round((count * day) / DAYS), Math.round((count * (day + 1)) / DAYS)] as const;
    await saves(server, answered, span, () => (most = Math.max(most, logBytes(path))));
    days.push((logBytes(path) / 2 ** 20).toFixed(0));
  }
  console.log(`the log at the end of each day, MiB: ${days.join(' ')}`);
  line('the log at its largest', most / BOUND, 'its bound of 64 MiB');
  // An orderly end and a start after it, for comparison.
  await server.end();
  const [second, orderly] = await begun(path, first);
  // Killed in the middle of saves, with as much behind the last checkpoint as there happens to be.
  const under = saves(second, answered, [count, count + 400], () => undefined);
  await new Promise((resolve) => setTimeout(resolve, 4_000));
  await second.end('SIGKILL');
  await under;
  const [again, killed] = await begun(path, first);
  line('a start after a kill in the middle of saves', killed / orderly, 'one after an orderly end');
  line('the same', killed / 5, 'five seconds');
  let lost = 0;
  for (const [id, version] of answered) {
    const kept = (await (await fetch(`${again.url}/api/batches/${id}`)).json()) as { version: number };
    // The one save that was under way may have landed on top.
    if (kept.version !== version && kept.version !== version + 1) lost++;
  }
  console.log(`of ${answered.size} batches answered for, lost: ${lost}`);
  await again.end();
  remove();
  if (lost > 0 || most > BOUND) process.exitCode = 1;
}
