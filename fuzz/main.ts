/**
 * Broken requests, so many (first argument, 20,000 unless given), and broken files (third argument, a tenth
 * as many unless given) from a seed (second argument): none may be answered 5xx other than by a stated limit,
 * take over two seconds, or make memory grow. Ends with code 1 where one does. Run: npm run fuzz [-- REQUESTS
 * [SEED [FILES]]].
 */
import { messageOf } from '../src/core/kind/index.ts';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { BackupProblem, verifyBackup } from '../src/disk/backup-file.ts';
import { fillShop } from '../src/server/full-shop.test-kit.ts';
import { freshRig, newBatch, newMould, newRange, newTrial } from '../src/core/document/index.ts';
import { runApp } from '../src/server/app.test-kit.ts';
import { sampleDesign } from '../src/core/test-kit/sample.test-kit.ts';
import { readStl, writeStl } from '../src/core/exchange/stl.ts';
import { readThreeMf, writeThreeMf } from '../src/core/exchange/threemf.ts';
import { readHooksCsv } from '../src/core/exchange/hooks-csv.ts';
import { examineSolid } from '../src/core/exchange/import-solid.ts';
import { ball } from '../src/core/head/families/ball.ts';
import { loft } from '../src/core/head/loft.ts';
import { loadSolids, solids } from '../src/core/head/kernel.ts';
import { COLLECTIONS, WITH_HISTORY } from '../src/contract/collections/index.ts';

const requests = Number(process.argv[2] ?? 20_000);
const seed = Number(process.argv[3] ?? 1);
const files = Number(process.argv[4] ?? Math.max(30, Math.floor(requests / 10)));

/** Mulberry32: the same numbers for the same seed everywhere. */
function randomFrom(start: number): () => number {
  let state = start >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
const random = randomFrom(seed);
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;

/** Values that programs trip over. */
const ODD: readonly unknown[] = [
  null,
  true,
  -1,
  0,
  1e308,
  -1e308,
  2 ** 31,
  2 ** 53,
  0.1,
  '',
  'x'.repeat(5000),
  '\ud83d',
  '\u0000',
  '=1+1',
  '__proto__',
  'toString',
  'constructor',
  [],
  {},
  [[]],
  { kind: 'none' },
  { kind: '__proto__' },
  Array(300).fill(7),
];
const ODD_TEXT = [
  '-1',
  '1e400',
  '0.5',
  'NaN',
  '2147483648',
  '%00',
  '%ED%A0%BD',
  'toString',
  '__proto__',
  '..%2f',
  'a'.repeat(300),
  '%',
  '💥',
  "'; drop table designs;--",
];

/** A value with some of its parts replaced, dropped or doubled. */
function spoilt(value: unknown, chance: number): unknown {
  if (random() < chance) return pick(ODD);
  if (Array.isArray(value)) return value.map((item) => spoilt(item, chance));
  if (typeof value !== 'object' || value === null) return value;
  const entries = Object.entries(value).filter(() => random() > chance / 2);
  if (random() < chance) entries.push([pick(['__proto__', 'extra', '', 'constructor']), pick(ODD)]);
  return Object.fromEntries(entries.map(([key, inner]) => [key, spoilt(inner, chance)]));
}

const FAMILIES = ['ball', 'football', 'dart', 'swimmer', 'glider', 'own', 'imported', 'nothing'];
const app = await runApp();
const ids: string[] = [];
for (let i = 0; i < 5; i++) ids.push((await app.made(sampleDesign('ball'))).id);
const { id: mouldId } = await app.ask<{ id: string }>(
  'POST',
  '/moulds',
  newMould(sampleDesign('ball'), 'x', 'pour'),
);

function request(): { method: string; path: string; body?: string; headers: Record<string, string> } {
  const id = random() < 0.7 ? pick(ids) : pick(ODD_TEXT);
  const odd = () => pick(ODD_TEXT);
  const path = pick([
    () => `/designs/${id}`,
    () => `/designs?limit=${odd()}&q=${odd()}&after=${odd()}`,
    () => `/designs/${id}/history/${odd()}`,
    () => `/designs/${id}/step`,
    () => `/designs/${id}/versions/${odd()}/restore`,
    () => `/designs/${id}/export/${pick(['stl', 'svg', 'json', odd()])}?shrink=${odd()}&units=${odd()}`,
    () => `/rack/outlines?ids=${odd()},${id}`,
    () => '/rack',
    () => '/rules',
    () => `/stores/metals/${pick(['lead', odd()])}`,
    () => `/${pick(['plastics', 'briefs', 'hooks', odd()])}/${odd()}`,
    () => `/${pick(COLLECTIONS)}`,
    () =>
      `/moulds/${pick([mouldId, odd()])}/files/${pick(['volumes.json', 'drawing.svg', odd()])}?units=${odd()}`,
    () => `/moulds/${mouldId}`,
    () => `/${pick(WITH_HISTORY)}/${pick([mouldId, odd()])}/${pick(['history', 'step', `history/${odd()}`])}`,
    () =>
      `/${pick(['photos', 'ranges', 'batches'])}/${odd()}/${pick(['picture', 'wall.pdf', 'weighings.csv'])}`,
    () => '/trials.csv',
    () => '/scale',
    () => `/scale/lines?seconds=${pick(['1', odd()])}`,
    () => '/designs/series',
    () => `/shop?${pick(['trial', `seen=${odd()}`])}`,
    () => `/backups${pick(['', `/${odd()}`, `/${odd()}/verify`])}`,
    () => `/readings.csv?ids=${id}`,
  ])();
  const method = pick(['GET', 'GET', 'POST', 'PUT', 'DELETE', 'PATCH']);
  const design = { ...sampleDesign(pick(FAMILIES.slice(0, 5))), name: pick(['A', 'é💥', '']) };
  const document = spoilt(
    pick<() => unknown>([
      () => design,
      () => design,
      () => newMould(design, 'x', 'pour'),
      () => newBatch(design, { id: 'x', version: 1 }, '2026-05-30', { target: 10, at: 400 }),
      () => newRange('Wall'),
      () => ({ ...newTrial('Day', '2026-05-30'), rigs: [freshRig('A', 0)] }),
      () => ({ act: 'put', grams: 2 }),
    ])(),
    pick([0, 0.02, 0.1, 0.4]),
  );
  const body = pick([
    () => JSON.stringify(document),
    () => JSON.stringify([document, document]),
    () =>
      JSON.stringify({
        format: 'fern-anvil/shop',
        version: 1,
        designs: [{ id: pick(['x', odd()]), document }],
      }),
    () => JSON.stringify(spoilt({ price: 3, density: 11, name: 'v', step: 1 }, 0.3)),
    () => JSON.stringify(document).slice(0, Math.floor(random() * 300)),
    () => `[${'['.repeat(2000)}`,
  ])();
  const headers: Record<string, string> = {
    ...(random() < 0.7 ? { 'If-Match': pick(['*', '"v1"', '"v99999999999"', '"v-1"', 'W/"v1"', 'x']) } : {}),
    ...(random() < 0.1 ? { 'Accept-Encoding': pick(['*;q=0', 'identity', 'br', 'x']) } : {}),
    ...(random() < 0.1 ? { 'Sec-Fetch-Site': pick(['cross-site', 'same-origin', 'none']) } : {}),
  };
  return method === 'GET' ? { method, path, headers } : { method, path, body, headers };
}

let failed = 0;
const by: Record<string, number> = {};
let slowest = 0;
const before = process.memoryUsage().rss;
for (let i = 0; i < requests; i++) {
  const { method, path, body, headers } = request();
  const began = performance.now();
  let status = 0;
  try {
    const answer = await app.send(method, path, body, headers);
    status = answer.status;
    await answer.arrayBuffer();
    // What was deleted comes back, or soon there would be nothing left to try.
    if (status === 204) await app.send('POST', `${path}/restore`, undefined, { 'If-Match': '*' });
  } catch (error) {
    console.error(`no answer: ${method} ${path} ${messageOf(error)}`);
    failed++;
  }
  const took = performance.now() - began;
  slowest = Math.max(slowest, took);
  by[status] = (by[status] ?? 0) + 1;
  if (status >= 500 || took > 2000) {
    failed++;
    console.error(`${status} in ${Math.round(took)} ms: ${method} ${path} ${(body ?? '').slice(0, 300)}`);
  }
}
const growth = (process.memoryUsage().rss - before) / 1e6;
console.log(
  `${requests} requests from seed ${seed}: ${JSON.stringify(by)}; slowest ${Math.round(slowest)} ms; memory ${growth.toFixed(0)} MB more`,
);
// A backup of all that, with one bit turned at every thousandth place, and cut, doubled and spoilt at random:
// refused in a sentence, or read as it was made.
const place = mkdtempSync(join(tmpdir(), 'fern-anvil-fuzz-'));
const [whole, spoiltFile] = [join(place, 'whole.gz'), join(place, 'spoilt.gz')];
await fillShop(app);
const backup = new Uint8Array(await (await app.send('GET', '/backup')).arrayBuffer());
writeFileSync(whole, backup);
const { rows } = await verifyBackup(whole, 'seal');
const spoilings: ((bytes: Uint8Array) => Uint8Array)[] = [
  ...Array.from({ length: Math.ceil(backup.length / 1000) }, (_, i) => (bytes: Uint8Array) => {
    bytes[i * 1000] = (bytes[i * 1000] ?? 0) ^ (1 << Math.floor(random() * 8));
    return bytes;
  }),
  ...Array.from({ length: Math.max(30, Math.floor(files / 6)) }, () => (bytes: Uint8Array) => {
    const at = Math.floor(random() * bytes.length);
    if (random() < 0.3) return bytes.slice(0, at);
    if (random() < 0.3) return new Uint8Array([...bytes.slice(at), ...bytes]);
    for (let k = 0; k < 1 + Math.floor(random() * 20); k++)
      bytes[Math.floor(random() * bytes.length)] = Math.floor(random() * 256);
    return bytes;
  }),
];
let [refused, same] = [0, 0];
for (const spoil of spoilings) {
  writeFileSync(spoiltFile, spoil(backup.slice()));
  try {
    const read = await verifyBackup(spoiltFile, 'seal');
    same++;
    if (read.rows !== rows) {
      failed++;
      console.error(`a spoilt backup was read as ${read.rows} rows`);
    }
  } catch (error) {
    refused++;
    if (!(error instanceof BackupProblem) || !/[.]$/.test(error.message)) {
      failed++;
      console.error(`backup: ${messageOf(error)}`);
    }
  }
}
console.log(
  `${spoilings.length} spoilt backups of ${rows} rows in ${backup.length} bytes: ${refused} refused in a sentence, ${same} read as they were made`,
);
rmSync(place, { recursive: true, force: true });
await app.end();

// Files: sound ones with bytes changed, cut or doubled.
await loadSolids();
const mesh = loft(ball.profile({ breadth: 9 }), undefined, { rings: 12, corners: 16 });
const sound: readonly { name: string; bytes: Uint8Array; read: (bytes: Uint8Array) => unknown }[] = [
  { name: 'STL', bytes: writeStl(mesh, 'x'), read: (bytes) => examineSolid(solids(), readStl(bytes)) },
  {
    name: '3MF',
    bytes: writeThreeMf(mesh, 'x'),
    read: (bytes) => examineSolid(solids(), readThreeMf(bytes)),
  },
  {
    name: 'CSV',
    bytes: new TextEncoder().encode('name,size,gap (mm)\r\nA,4/0,14.5\r\n"B ""x""",2/0,11.6\r\n'),
    read: (bytes) => readHooksCsv(new TextDecoder().decode(bytes)),
  },
];
let [sentences, taken, longest] = [0, 0, 0];
for (let i = 0; i < files; i++) {
  const { name, bytes, read } = pick(sound);
  let spoiled = bytes.slice();
  for (let k = 0; k < 1 + Math.floor(random() * 20); k++)
    spoiled[Math.floor(random() * spoiled.length)] = Math.floor(random() * 256);
  if (random() < 0.3) spoiled = spoiled.slice(0, Math.floor(random() * spoiled.length));
  const began = performance.now();
  try {
    read(spoiled);
    taken++;
  } catch (error) {
    sentences++;
    // A sentence of ours ends like one; what a library or the runtime throws does not.
    if (!/[.]$/.test(messageOf(error)) || error instanceof TypeError || error instanceof RangeError) {
      failed++;
      console.error(`${name}: ${messageOf(error)}`);
    }
  }
  const took = performance.now() - began;
  longest = Math.max(longest, took);
  if (took > 5000) {
    failed++;
    console.error(`${name} took ${Math.round(took)} ms`);
  }
}
console.log(
  `${files} spoilt files: ${taken} read or examined, ${sentences} refused in a sentence; longest ${Math.round(longest)} ms`,
);
process.exit(failed > 0 ? 1 : 0);
