import { spawn, spawnSync } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import {
  cpSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';
import { afterAll, beforeAll, expect, it } from 'vitest';

/**
 * A throw-away collection, one file, one line of the index and its table, put into a copy of the program that
 * is built and started: server, history, shop file, backup, damage check, terminal and documents must know it
 * by that alone.
 */
const root = fileURLToPath(new URL('..', import.meta.url));
const copy = join(root, '.cache/collections-probe');

const PROBES = `
import { Type } from '@sinclair/typebox';
import { checker } from '../checker.ts';
import { stepsByField } from './steps-by-field.ts';
import { NAMES } from '../../core/document/index.ts';
import { steppedCollection } from './collection.ts';
const schema = Type.Object(
  { format: Type.Literal('fern-anvil/probe'), version: Type.Literal(1), name: Type.String(), depth: Type.Number(), of: Type.Optional(Type.String({ [NAMES]: 'probes' })) },
  { additionalProperties: false },
);
export const probes = steppedCollection({
  key: 'probes', noun: 'probe', schema,
  check: checker<{ format: string; version: number; name: string; depth: number; of?: string }>(schema),
  steps: stepsByField(),
});
`;
const PROBE = { format: 'fern-anvil/probe', version: 1, name: 'First', depth: 2 };

/** Runs a program of the copy to its end. */
function inCopy(args: readonly string[]) {
  const { status, stdout, stderr } = spawnSync(process.execPath, args, { cwd: copy, encoding: 'utf8' });
  return { status, out: stdout + stderr };
}

function changed(file: string, how: (text: string) => string): void {
  const before = readFileSync(join(copy, file), 'utf8');
  const after = how(before);
  expect(after, file).not.toBe(before);
  writeFileSync(join(copy, file), after);
}

let servers: ChildProcess[] = [];
/** The built server of the copy on a folder of its own; its address. */
async function started(
  data: string,
  ...more: readonly string[]
): Promise<{ url: string; end: () => Promise<void> }> {
  const child = spawn(process.execPath, ['dist/node/server.js', '--data', data, '--port', '0', ...more], {
    cwd: copy,
  });
  servers.push(child);
  let said = '';
  const url = await new Promise<string>((resolve, reject) => {
    const hear = (chunk: Buffer) => {
      said += String(chunk);
      const found = /(http:\/\/127\.0\.0\.1:\d+)\//.exec(said)?.[1];
      if (found) resolve(`${found}/api`);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.once('exit', () => reject(new Error(`The server ended:\n${said}`)));
  });
  const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  return { url, end: () => (child.kill('SIGTERM'), gone) };
}

async function sent(method: string, url: string, body?: unknown, match?: string) {
  const answer = await fetch(url, {
    method,
    headers: { 'Content-Type': 'application/json', ...(match === undefined ? {} : { 'If-Match': match }) },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  return { status: answer.status, body: (await answer.json()) as Record<string, unknown> };
}

beforeAll(() => {
  rmSync(copy, { recursive: true, force: true });
  mkdirSync(copy, { recursive: true });
  for (const part of [
    'src',
    'scripts',
    'docs',
    'package.json',
    'package-lock.json',
    'drizzle.config.ts',
    '.oxfmtrc.json',
  ])
    cpSync(join(root, part), join(copy, part), { recursive: true });
  symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'));
  writeFileSync(join(copy, 'src/contract/collections/probes.ts'), PROBES);
  changed(
    'src/contract/collections/index.ts',
    (text) =>
      `import { probes } from './probes.ts';\n${text.replace('const ALL = [', 'const ALL = [probes, ')}`,
  );
  changed('src/server/schema.ts', (text) => `${text}\nexport const probes = documentTable('probes');\n`);
  const generated = inCopy(['node_modules/drizzle-kit/bin.cjs', 'generate']);
  expect(generated.status, generated.out).toBe(0);
  const built = inCopy(['-e', "import('./scripts/build.mjs').then(({ ensureNode }) => ensureNode())"]);
  expect(built.status, built.out).toBe(0);
});
afterAll(() => {
  for (const server of servers) server.kill('SIGKILL');
  servers = [];
  rmSync(copy, { recursive: true, force: true });
});

it('a collection that is one file, a line and a table is kept, checked, gone back on, given out and given back', async () => {
  const first = await started(join(copy, 'shop'));
  const made = await sent('POST', `${first.url}/probes`, PROBE);
  expect(made.status).toBe(201);
  const at = `${first.url}/probes/${String(made.body['id'])}`;
  // Checked at its door, in words that name the field.
  const odd = await sent('POST', `${first.url}/probes`, { ...PROBE, depth: 'deep' });
  expect([odd.status, JSON.stringify(odd.body)]).toEqual([422, expect.stringContaining('/depth')]);
  // Its history, with words, and a state with a name.
  expect((await sent('PUT', at, { ...PROBE, depth: 3 }, '"v1"')).status).toBe(200);
  expect((await sent('POST', `${at}/versions`, { name: 'As found' })).status).toBe(201);
  const history = JSON.stringify((await sent('GET', `${at}/history`)).body);
  expect(history).toContain('Changed: depth');
  // Told of by what it names.
  const child = await sent('POST', `${first.url}/probes`, { ...PROBE, name: 'Second', of: made.body['id'] });
  expect((await sent('GET', `${at}/used`)).body).toMatchObject({
    items: [{ noun: 'probe', name: 'Second' }],
  });
  const gone = await fetch(`${first.url}/probes/${String(child.body['id'])}`, {
    method: 'DELETE',
    headers: { 'If-Match': '"v1"' },
  });
  expect(gone.status).toBe(204);
  // Gone out with the shop, and taken in by another.
  const shop = (await sent('GET', `${first.url}/shop.json`)).body;
  expect(shop['probes']).toEqual([{ id: made.body['id'], document: { ...PROBE, depth: 3 } }]);
  const other = await started(join(copy, 'other'));
  const taken = await sent('POST', `${other.url}/shop`, shop);
  expect(JSON.stringify(taken.body)).toContain('"collection":"probes"');
  expect((await sent('GET', `${other.url}/probes`)).body).toMatchObject({ total: 1 });
  await other.end();
  await first.end();
  // Backed up whole, and given back with its history.
  const backup = join(copy, 'probe.backup');
  expect(
    inCopy(['dist/node/anvil.js', 'backup', '--data', join(copy, 'shop'), '--out', backup]),
  ).toMatchObject({ status: 0 });
  expect(inCopy(['dist/node/anvil.js', 'verify', backup])).toMatchObject({ status: 0 });
  const given = await started(join(copy, 'given'), '--restore', backup);
  const back = at.replace(first.url, given.url);
  expect((await sent('GET', back)).body['document']).toEqual({ ...PROBE, depth: 3 });
  const kept = JSON.stringify((await sent('GET', `${back}/history`)).body);
  expect(kept).toContain('Changed: depth');
  expect(kept).toContain('As found');
  await given.end();
  // A table of it that lost its rows is found at the next start.
  const files = new PGlite(join(copy, 'given/postgres'));
  const { rows } = await files.query<{ path: string }>("select pg_relation_filepath('probes') as path");
  await files.close();
  truncateSync(join(copy, 'given/postgres', String(rows[0]?.path)));
  await expect(started(join(copy, 'given'))).rejects.toThrow(/is damaged/);
});

it('its schema and its line in the documents are made from it', () => {
  const docs = inCopy(['--no-warnings', '--import', 'tsx', 'scripts/make-docs.ts']);
  expect(docs.status, docs.out).toBe(0);
  expect(readdirSync(join(copy, 'docs/schema'))).toContain('probe.schema.json');
  expect(readFileSync(join(copy, 'docs/formats.md'), 'utf8')).toMatch(
    /`\/api\/probes` +\| probe +\| `fern-anvil\/probe`/,
  );
});
