/**
 * Servers killed without warning, so many (first argument, 200 unless given) from a seed (second argument):
 * in the middle of saves of every collection, of a first start, of a shop file being taken in, of earlier
 * data being brought to the present form, and of a backup being given back. Whatever was answered for must be
 * there afterwards, and what was begun is there whole or not at all. Ends with code 1 where something is
 * lost. Run: npm run kills [-- COUNT [SEED]].
 */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { root } from '../e2e/root.ts';
import { ensureNode } from '../scripts/build.mjs';
import { dataFolder, startServer } from '../e2e/server.ts';
import type { RunningServer } from '../e2e/server.ts';
import { usualPlastic } from '../src/core/plastic/usual.ts';
import { DURABLE_START, DurableFS } from '../src/server/durable-fs.ts';
import { COLLECTIONS } from '../src/contract/collections/index.ts';
import type { Collection } from '../src/contract/collections/index.ts';

const count = Number(process.argv[2] ?? 200);
const seed = Number(process.argv[3] ?? 1);
let state = seed % 2147483647 || 1;
/** The minimal standard generator (Park & Miller 1988). */
const chance = (): number => (state = (state * 48271) % 2147483647) / 2147483647;
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

const lost: string[] = [];
const check = (holds: boolean, what: string): void => {
  if (!holds) lost.push(what);
};
const json = { 'Content-Type': 'application/json' };

async function idsOf({ url }: RunningServer, collection: Collection): Promise<string[]> {
  const ids: string[] = [];
  for (let after = ''; ;) {
    const page = (await (await fetch(`${url}/api/${collection}?limit=500${after}`)).json()) as {
      items: { id: string }[];
      next?: string;
    };
    ids.push(...page.items.map(({ id }) => id));
    if (page.next === undefined) return ids.sort();
    after = `&after=${encodeURIComponent(page.next)}`;
  }
}

/** A document of a collection as the demo workshop has one. */
function documentOf(collection: Collection): object {
  if (collection === 'photos')
    return {
      format: 'fern-anvil/photo',
      version: 1,
      name: 'A picture',
      media: 'image/png',
      width: 40,
      height: 30,
      data: Buffer.from('a picture'.repeat(400)).toString('base64'),
    };
  const [first] = JSON.parse(readFileSync(join(root, `demo/${collection}.json`), 'utf8')) as {
    document: object;
  }[];
  return first?.document ?? {};
}

/** Starts the server's program and kills it after a while, however far it has come. */
async function killedStart(args: readonly string[], longest: number): Promise<void> {
  const child = spawn(process.execPath, ['dist/node/server.js', '--port', '0', ...args], {
    cwd: root,
    stdio: 'ignore',
  });
  const gone = once(child, 'exit');
  await Promise.race([pause(100 + longest * chance()), gone]);
  child.kill('SIGKILL');
  if (child.exitCode === null && child.signalCode === null) await gone;
}

const shop = dataFolder();
/** Newest acknowledged save of every document of the shop that is killed over and over. */
const acknowledged = new Map<string, { readonly collection: Collection; readonly version: number }>();

async function saves(): Promise<void> {
  const server = await startServer(shop.path);
  for (const [id, { collection, version }] of acknowledged) {
    const answer = await fetch(`${server.url}/api/${collection}/${id}`);
    const kept = (await answer.json()) as { version?: number };
    // The one save that was under way may have landed on top.
    check(
      kept.version === version || kept.version === version + 1,
      `${collection}/${id} at ${version}: is ${kept.version}`,
    );
    acknowledged.set(id, { collection, version: kept.version ?? version });
  }
  let isOver = false;
  const writer = async (collection: Collection) => {
    const document = documentOf(collection);
    for (let i = 0; !isOver; i++) {
      try {
        const own = [...acknowledged].filter(([, one]) => one.collection === collection);
        const [id, at] = own[Math.floor(own.length * chance())] ?? [];
        const isNew = id === undefined || own.length < 3;
        const answer = await fetch(`${server.url}/api/${collection}${isNew ? '' : `/${id}`}`, {
          method: isNew ? 'POST' : 'PUT',
          headers: { ...json, ...(isNew ? {} : { 'If-Match': `"v${at?.version}"` }) },
          body: JSON.stringify({ ...document, name: `${collection} ${i}` }),
        });
        const kept = (await answer.json()) as { id: string; version: number };
        if (answer.ok) acknowledged.set(kept.id, { collection, version: kept.version });
      } catch {
        // Killed under it: nothing was answered for.
        return;
      }
    }
  };
  const writers = COLLECTIONS.map(writer);
  await pause(200 + 2_500 * chance());
  await server.end('SIGKILL');
  isOver = true;
  await Promise.all(writers);
}

async function firstStart(): Promise<void> {
  const { path, remove } = dataFolder();
  await killedStart(['--data', path], 6_000);
  const server = await startServer(path);
  check((await idsOf(server, 'plastics')).length > 10, 'a first start: the generic plastics are not there');
  await server.end('SIGKILL');
  remove();
}

async function imported(): Promise<void> {
  const server = await startServer(shop.path);
  const before = await idsOf(server, 'plastics');
  const ids = Array.from({ length: 300 }, (_, i) => `import-${Math.floor(chance() * 1e9)}-${i}`);
  const plastics = ids.map((id) => ({ id, document: usualPlastic('stick', 4, { name: id }) }));
  const answer = fetch(`${server.url}/api/shop`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify({ format: 'fern-anvil/shop', version: 1, plastics }),
  }).then(
    ({ ok }) => ok,
    () => false,
  );
  await pause(20 + 900 * chance());
  await server.end('SIGKILL');
  const isAnswered = await answer;
  const again = await startServer(shop.path);
  const after = new Set(await idsOf(again, 'plastics'));
  const added = ids.filter((id) => after.has(id)).length;
  check(
    before.every((id) => after.has(id)),
    'a shop file: what was there before is gone',
  );
  check(added === 0 || added === ids.length, `a shop file: ${added} of ${ids.length} are there`);
  check(!isAnswered || added === ids.length, 'a shop file that was answered for is not there');
  await again.end('SIGKILL');
}

async function migrated(): Promise<void> {
  const { path, remove } = dataFolder();
  const first = await startServer(path);
  await fetch(`${first.url}/api/designs`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify(documentOf('designs')),
  });
  const kept = await idsOf(first, 'designs');
  await first.end();
  // As the data were before the last change of form.
  const client = await PGlite.create({
    fs: new DurableFS(join(path, 'postgres')),
    startParams: DURABLE_START,
  });
  await client.exec('drop table settings');
  await client.exec(
    'delete from drizzle.__drizzle_migrations where created_at = (select max(created_at) from drizzle.__drizzle_migrations)',
  );
  await client.close();
  await killedStart(['--data', path], 4_000);
  const again = await startServer(path);
  check(
    kept.length === 1 && String(await idsOf(again, 'designs')) === String(kept),
    'a migration: a design is gone',
  );
  check((await fetch(`${again.url}/api/backups`)).ok, 'a migration: the new table is not there');
  await again.end('SIGKILL');
  remove();
}

async function restored(): Promise<void> {
  const server = await startServer(shop.path);
  const wanted = new Map<Collection, string>();
  for (const collection of COLLECTIONS) wanted.set(collection, String(await idsOf(server, collection)));
  const file = join(shop.path, 'given.gz');
  writeFileSync(file, Buffer.from(await (await fetch(`${server.url}/api/backup`)).arrayBuffer()));
  await server.end('SIGKILL');
  const { path, remove } = dataFolder();
  await killedStart(['--data', path, '--restore', file], 9_000);
  // Not whole by then: nothing of it is there, and a shop begins anew. Whole: all of it is.
  const again = await startServer(path);
  const now = new Map<Collection, string>();
  for (const collection of COLLECTIONS) now.set(collection, String(await idsOf(again, collection)));
  const isWhole = [...wanted].every(([collection, ids]) => now.get(collection) === ids);
  const isBegun = COLLECTIONS.every((collection) => collection === 'plastics' || now.get(collection) === '');
  check(isWhole || isBegun, `a restore is there in part: ${JSON.stringify([...now])}`);
  await again.end('SIGKILL');
  rmSync(file);
  remove();
}

await ensureNode();
const KINDS = {
  saves,
  'first start': firstStart,
  'shop file': imported,
  migration: migrated,
  restore: restored,
};
const done: Record<string, number> = {};
for (let i = 0; i < count; i++) {
  const [name, act] = Object.entries(KINDS)[i % 5] ?? [];
  if (!name || !act) continue;
  await act();
  done[name] = (done[name] ?? 0) + 1;
  if ((i + 1) % 10 === 0 || i + 1 === count)
    console.log(
      `${i + 1} of ${count} kills: ${JSON.stringify(done)}, ${acknowledged.size} documents answered for, lost: ${lost.length}`,
    );
}
shop.remove();
for (const what of lost) console.error(what);
console.log(`seed ${seed}: ${lost.length === 0 ? 'nothing was lost' : `${lost.length} losses`}`);
process.exit(lost.length === 0 ? 0 : 1);
