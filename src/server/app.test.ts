import { MADE_BY } from '../contract/version.ts';
import { isStale } from './stale.ts';
import { MetalStore } from './stores.ts';
import { readStl } from '../core/exchange/stl.ts';
import { join } from 'node:path';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type {
  History,
  Intake,
  Kept,
  NamedVersion,
  Page,
  ProblemDetails,
  RackIndex,
  Shop,
  Stores,
} from '../contract/api.ts';
import type { ReadingId } from '../core/behaviour/index.ts';
import type { Design } from '../core/document/index.ts';
import { freshRig, newBatch, newMould, newTrial } from '../core/document/index.ts';
import { massProperties } from '../core/head/mesh.ts';
import { sampleDesign } from '../core/test-kit/sample.test-kit.ts';
import { createApp } from './app.ts';
import type { RunningApp } from './app.test-kit.ts';
import { problem, runApp, sharedPool, version } from './app.test-kit.ts';
import { openDatabase } from './database.ts';
import { isEmbedded } from './database.test-kit.ts';
import { DocumentStore } from './documents.ts';
import { designs as designsTable, metalDensities } from './schema.ts';

let app: RunningApp;
let send: RunningApp['send'];
let made: RunningApp['made'];

beforeAll(async () => {
  app = await runApp();
  ({ send, made } = app);
});
afterAll(() => app.end());

describe('documents', () => {
  it('are created, read, replaced and kept with their versions', async () => {
    const response = await send('POST', '/designs', sampleDesign('ball'));
    expect(response.status).toBe(201);
    expect(response.headers.get('ETag')).toBe('"v1"');
    const kept = (await response.json()) as Kept<Design>;
    expect(response.headers.get('Location')).toBe(`/api/designs/${kept.id}`);
    expect(kept.summary).toMatchObject({ ok: true, readings: { 'mass.total': expect.any(Number) } });

    const changed = { ...kept.document, name: 'Changed' };
    const put = await send('PUT', `/designs/${kept.id}`, changed, { 'If-Match': '"v1"' });
    expect(put.status).toBe(200);
    expect(put.headers.get('ETag')).toBe('"v2"');
    const again = (await (await send('GET', `/designs/${kept.id}`)).json()) as Kept<Design>;
    expect(again).toMatchObject({ version: 2, document: { name: 'Changed' } });
  });

  it('are created under an id of one’s own, once however often it is sent (RFC 9110 §13.1.2)', async () => {
    const first = (id: string, document: unknown, header = '*') =>
      send('PUT', `/designs/${id}`, document, { 'If-None-Match': header });
    const document = sampleDesign('ball');
    const answers = await Promise.all(Array.from({ length: 5 }, () => first('begun-on-the-water', document)));
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 412, 412, 412, 412]);
    const made = answers.find(({ status }) => status === 201);
    expect(made?.headers.get('Location')).toBe('/api/designs/begun-on-the-water');
    expect(made?.headers.get('ETag')).toBe('"v1"');
    const kept = (await (await send('GET', '/designs/begun-on-the-water')).json()) as Kept<Design>;
    expect(kept).toMatchObject({
      version: 1,
      document: JSON.parse(JSON.stringify(document)) as Design,
      summary: { ok: true },
    });
    // Its steps begin with it, as those of one made the other way do.
    expect(
      (await send('PUT', '/designs/begun-on-the-water', { ...document, name: 'Two' }, { 'If-Match': '"v1"' }))
        .status,
    ).toBe(200);
    // Nor is one that was deleted made anew under its id: it is restored.
    await send('DELETE', '/designs/begun-on-the-water', undefined, { 'If-Match': '"v2"' });
    expect((await first('begun-on-the-water', document)).status).toBe(412);
    expect((await first('-begins-wrong', document)).status).toBe(422);
    expect((await first('a'.repeat(101), document)).status).toBe(422);
    expect((await first('tagged', document, '"v1"')).status).toBe(400);
    expect((await first('not-valid', { ...document, name: 7 })).status).toBe(422);
    expect((await send('GET', '/designs/not-valid')).status).toBe(404);
  });

  it('a stale save gets 412 and changes nothing', async () => {
    const { id, document } = await made(sampleDesign('ball'));
    await send('PUT', `/designs/${id}`, { ...document, name: 'Theirs' }, { 'If-Match': '"v1"' });
    const stale = await send('PUT', `/designs/${id}`, { ...document, name: 'Mine' }, { 'If-Match': '"v1"' });
    expect(stale.status).toBe(412);
    expect(stale.headers.get('Content-Type')).toContain('application/problem+json');
    expect(await problem(stale)).toMatchObject({
      status: 412,
      detail: expect.stringMatching(/saved elsewhere/),
    });
    const now = (await (await send('GET', `/designs/${id}`)).json()) as Kept<Design>;
    expect(now.document.name).toBe('Theirs');
  });

  it('of two saves at once exactly one wins', async () => {
    const { id, document } = await made(sampleDesign('ball'));
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, i) =>
        send('PUT', `/designs/${id}`, { ...document, name: `Writer ${i}` }, { 'If-Match': '"v1"' }),
      ),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, ...Array<number>(7).fill(412)]);
    // All eight had read what there was before any of them wrote: those that were refused have left no step.
    const won = answers.findIndex(({ status }) => status === 200);
    const history = (await (await send('GET', `/designs/${id}/history`)).json()) as History;
    expect(history.now).toBe(1);
    expect(history.steps.map(({ step, words }) => [step, words])).toEqual([
      [0, 'Made'],
      [1, expect.stringContaining(`Writer ${won}`)],
    ]);
  });

  it('a save whose figures cannot be made fails as a whole, even where they fail before anything is read', async () => {
    const { id, document } = await made(sampleDesign('ball'));
    const unheard: unknown[] = [];
    const hear = (reason: unknown) => unheard.push(reason);
    process.on('unhandledRejection', hear);
    const store = new DocumentStore(app.database.db, 'designs', () => Promise.reject(new Error('no thread')));
    await expect(store.replace(id, { ...document, name: 'Lost' }, 1)).rejects.toThrow('no thread');
    await expect(store.replace(id, document, 7)).rejects.toThrow('saved elsewhere');
    // Rejections nobody waits for are told a turn later, and would end the server.
    await new Promise((resolve) => setImmediate(resolve));
    process.off('unhandledRejection', hear);
    expect(unheard).toEqual([]);
    expect(await store.read(id)).toMatchObject({ version: 1, document: { name: document.name } });
  });

  it('a save without a version is refused with what to send', async () => {
    const { id, document } = await made(sampleDesign('ball'));
    const response = await send('PUT', `/designs/${id}`, document);
    expect(response.status).toBe(428);
    expect((await problem(response)).detail).toMatch(/If-Match/);
    expect((await send('PUT', `/designs/${id}`, document, { 'If-Match': 'seven' })).status).toBe(400);
  });

  it('are deleted and brought back whole', async () => {
    const kept = await made(sampleDesign('pointed'));
    expect((await send('DELETE', `/designs/${kept.id}`)).status).toBe(428);
    expect((await send('DELETE', `/designs/${kept.id}`, undefined, version(7))).status).toBe(412);
    const gone = await send('DELETE', `/designs/${kept.id}`, undefined, version(1));
    expect([gone.status, gone.headers.get('etag')]).toEqual([204, '"v2"']);
    expect((await send('GET', `/designs/${kept.id}`)).status).toBe(404);
    const restore = (headers = {}) => send('POST', `/designs/${kept.id}/restore`, undefined, headers);
    expect((await restore()).status).toBe(428);
    expect((await restore(version(1))).status).toBe(412);
    const restored = (await (await restore(version(2))).json()) as Kept<Design>;
    expect(restored.document).toEqual(kept.document);
    expect((await send('POST', '/designs/none/restore', undefined, version(1))).status).toBe(404);
  });

  it('that cannot be built are kept all the same, with the reason in their summary', async () => {
    const design = sampleDesign('ball', { head: { dimensions: { breadth: 900 } } });
    const kept = await made(design);
    expect(kept.document).toEqual(design);
    expect(kept.summary).toMatchObject({ ok: false, problems: [{ path: '/head/dimensions/breadth' }] });
  });

  it('are listed in pages, in order, each once', async () => {
    const before = (await (await send('GET', '/plastics')).json()) as Page<unknown>;
    const plastic = {
      format: 'fern-anvil/plastic',
      version: 1,
      kind: 'stick',
      length: 100,
      breadth: 9,
      height: 9,
      density: 1.1,
      toughness: 'soft',
    };
    for (let i = 0; i < 7; i++) await send('POST', '/plastics', { ...plastic, name: `Sliver ${i % 3}` });
    const seen: string[] = [];
    let after: string | undefined;
    do {
      const page = (await (
        await send('GET', `/plastics?limit=3${after ? `&after=${after}` : ''}`)
      ).json()) as Page<{ name: string }>;
      expect(page.total).toBe(before.total + 7);
      expect(page.items.length).toBeLessThanOrEqual(3);
      seen.push(...page.items.map(({ id }) => id));
      after = page.next;
    } while (after);
    expect(new Set(seen).size).toBe(before.total + 7);
    const found = (await (await send('GET', '/plastics?q=sliver%202')).json()) as Page<unknown>;
    expect(found.total).toBe(2);
    expect(((await (await send('GET', '/plastics?q=%25')).json()) as Page<unknown>).total).toBe(0);
    expect((await send('GET', '/plastics?limit=0')).status).toBe(422);
    expect((await send('GET', '/plastics?after=zzz')).status).toBe(400);
  });
});

describe('bad input', () => {
  it.each([
    [
      'letters in a number',
      { ...sampleDesign('ball'), eye: { angle: 'sixty', plane: 'crosswise', setback: 0.4 } },
      '/eye/angle',
      /must be a number, not “sixty”/,
    ],
    ['an unknown field', { ...sampleDesign('ball'), colour: 'red' }, '/colour', /not a field here/],
    ['a missing part', { ...sampleDesign('ball'), hook: undefined }, '/hook', /missing/],
    ['a name of 200 kB', { ...sampleDesign('ball'), name: 'x'.repeat(200_000) }, '/name', /at most 120/],
    [
      'a number of 1e9',
      { ...sampleDesign('ball'), head: { ...sampleDesign('ball').head, dimensions: { breadth: 1e9 } } },
      '/head/dimensions/breadth',
      /at most 1000/,
    ],
    [
      'an unknown keeper',
      { ...sampleDesign('ball'), keeper: { kind: 'glue' } },
      '/keeper/kind',
      /use one of collar, barrel, wire/,
    ],
    [
      'a keeper half filled in',
      { ...sampleDesign('ball'), keeper: { kind: 'wire', length: 8 } },
      '/keeper/wire',
      /missing/,
    ],
    ['another version', { ...sampleDesign('ball'), version: 2 }, '/version', /must be 1/],
    ['a list', [1, 2], '', /must be an object/],
    ['a bare word', '"word"', '', /must be an object/],
  ])('%s is told at its field', async (_, body, path, message) => {
    const response = await send('POST', '/designs', body);
    expect(response.status).toBe(422);
    const { errors, detail } = await problem(response);
    expect(errors).toContainEqual({ path, message: expect.stringMatching(message) });
    expect(JSON.stringify({ errors, detail })).not.toMatch(/node_modules|at .*\.ts/);
    expect(JSON.stringify(errors).length).toBeLessThan(2000);
  });

  it.each([
    ['broken JSON', '/designs', 'POST', '{"name":', { 'Content-Type': 'application/json' }, 400, /JSON/],
    [
      'a body that is no JSON',
      '/designs',
      'POST',
      'name=x',
      { 'Content-Type': 'text/plain' },
      415,
      /application\/json/,
    ],
    ['an unknown id', '/designs/nope', 'GET', undefined, {}, 404, /not here/],
    ['an unknown address', '/heads', 'GET', undefined, {}, 404, /Nothing is served/],
    ['a query it does not know', '/designs?colour=red', 'GET', undefined, {}, 422, /colour/],
  ] as const)('%s gets %s problem details', async (_, path, method, body, headers, status, detail) => {
    const response = await fetch(`${app.base}/api${path}`, {
      method,
      headers: { ...headers },
      ...(body === undefined ? {} : { body }),
    });
    expect(response.status).toBe(status);
    expect(await problem(response)).toMatchObject({ status, detail: expect.stringMatching(detail) });
  });

  it('more than the limit is refused before it is read', async () => {
    const response = await send('POST', '/designs', JSON.stringify({ name: 'x'.repeat(2_200_000) }));
    expect(response.status).toBe(413);
  });
});

describe('guards', () => {
  it('answers only under a loopback name', async () => {
    const { request } = await import('node:http');
    const status = await new Promise<number | undefined>((resolve, reject) => {
      const asked = request(
        `${app.base}/api/health`,
        { headers: { Host: 'tackle.example' } },
        ({ statusCode }) => resolve(statusCode),
      );
      asked.on('error', reject);
      asked.end();
    });
    expect(status).toBe(421);
  });

  it('takes nothing from another origin', async () => {
    const response = await send('POST', '/designs', sampleDesign('ball'), { Origin: 'http://127.0.0.1:1' });
    expect(response.status).toBe(403);
    expect((await send('GET', '/health', undefined, { Origin: app.base })).status).toBe(200);
  });

  it('sends a policy that lets nothing in from outside', async () => {
    const { headers } = await send('GET', '/health');
    const policy = headers.get('Content-Security-Policy') ?? '';
    expect(policy).toContain("default-src 'none'");
    expect(policy).not.toMatch(/unsafe-inline|https?:|\*/);
    expect(headers.get('X-Content-Type-Options')).toBe('nosniff');
  });

  it('an interface that is not built yet says how to build it, without a path of the machine', async () => {
    const response = await fetch(`${app.base}/designs/some`);
    expect(response.status).toBe(503);
    const { detail } = (await response.json()) as ProblemDetails;
    expect(detail).toMatch(/not built yet\. Run npm start/);
    expect(detail).not.toContain('/');
  });
});

describe('stores', () => {
  const stores = async () => (await (await send('GET', '/stores')).json()) as Stores;

  it('hold metals, hooks, waters and lines, each with its source', async () => {
    const { metals, hooks, waters, lines } = await stores();
    expect(metals.map(({ key }) => key)).toEqual(expect.arrayContaining(['lead', 'bismuth-tin', 'tungsten']));
    expect(hooks.length).toBe(12);
    for (const { source } of [...metals, ...waters, ...lines]) expect(source.length).toBeGreaterThan(5);
  });

  it('a density typed for tungsten is kept and weighs in every tungsten design', async () => {
    const design = sampleDesign('ball', {
      head: { metal: 'tungsten' },
      keeper: { kind: 'wire', length: 8, wire: 0.6, flare: 10 },
    });
    const kept = await made(design);
    const weight = (summary: Kept<Design>['summary']) =>
      (summary?.ok ? summary.readings['mass.metal'] : undefined) ?? NaN;
    const tungsten = (await stores()).metals.find(({ key }) => key === 'tungsten');
    const response = await send(
      'PUT',
      '/stores/metals/tungsten',
      { density: 18.5 },
      { 'If-Match': `"v${tungsten?.version}"` },
    );
    expect(response.status).toBe(200);
    // Behind the answer: until then the figures are shown as out of date.
    const after = async () => (await (await send('GET', `/designs/${kept.id}`)).json()) as Kept<Design>;
    await expect
      .poll(async () => weight((await after()).summary) / weight(kept.summary), { timeout: 30_000 })
      .toBeCloseTo(18.5 / 17.5, 9);
    const stale = await send('PUT', '/stores/metals/tungsten', { density: 15 }, { 'If-Match': '"v0"' });
    expect(stale.status).toBe(412);
    expect((await send('PUT', '/stores/metals/tungsten', { density: 0 })).status).toBe(422);
    expect((await send('PUT', '/stores/metals/gold', { density: 19 }, { 'If-Match': '*' })).status).toBe(404);
  });
});

describe('the solid', () => {
  it('is served as STL with the cast volume of the reading', async () => {
    const kept = await made(sampleDesign('football'));
    const response = await send('GET', `/designs/${kept.id}/export/stl`);
    expect(response.status).toBe(200);
    expect(response.headers.get('Content-Type')).toContain('model/stl');
    const { volume } = massProperties(readStl(new Uint8Array(await response.arrayBuffer())));
    const expected = kept.summary?.ok ? (kept.summary.readings['head.castVolume'] ?? NaN) : NaN;
    expect(Math.abs(volume / expected - 1)).toBeLessThan(1e-3);
  });

  it('of a design that cannot be built is refused with the reason', async () => {
    const kept = await made(sampleDesign('ball', { head: { dimensions: { breadth: 900 } } }));
    const response = await send('GET', `/designs/${kept.id}/export/stl`);
    expect(response.status).toBe(422);
    expect((await problem(response)).detail).toMatch(/Breadth: 900.0 mm is outside/);
  });
});

describe('summaries', () => {
  it('kept by an older version are made anew at the next start', async () => {
    const kept = await made(sampleDesign('ball'));
    await app.database.db
      .update(designsTable)
      .set({ revision: 0, summary: { ok: false, revision: 0, problems: [] } });
    const { end } = createApp(
      app.database.db,
      { web: join(app.data, 'no-web'), data: app.data },
      pino({ level: 'silent' }),
      { pool: sharedPool() },
    );
    const read = async () => (await (await send('GET', `/designs/${kept.id}`)).json()) as Kept<Design>;
    await expect.poll(async () => (await read()).summary?.ok, { timeout: 30_000 }).toBe(true);
    // The same but for the last digits: which thread works it out, and what that had worked out before, shows
    // there.
    const [again, first] = [(await read()).summary, kept.summary];
    if (!again?.ok || !first?.ok) throw new Error('a ball cannot be built');
    expect(again.revision).toBe(first.revision);
    for (const [id, value] of Object.entries(first.readings))
      expect([id, again.readings[id as ReadingId]]).toEqual([id, expect.closeTo(value, 9)]);
    expect((await read()).version).toBe(kept.version);
    await end();
  });
});

describe('figures after a change of a metal', () => {
  it('are known to be old in the database, shown so, and resumed at the next start', async () => {
    const own = await runApp();
    const { db } = own.database;
    const designs = await Promise.all(Array.from({ length: 8 }, () => own.made(sampleDesign('ball'))));
    const ids = new Set(designs.map(({ id }) => id));
    const lead = { density: 11, price: 3 };
    // As another process writes it, or this one just before it ends: nothing is made anew yet.
    await db
      .insert(metalDensities)
      .values({ key: 'lead', ...lead, version: 1 })
      .onConflictDoUpdate({ target: metalDensities.key, set: lead });
    const metals = await new MetalStore(db).metals();
    const stale = await db.select({ id: designsTable.id }).from(designsTable).where(isStale(metals));
    expect(stale.filter(({ id }) => ids.has(id))).toHaveLength(8);
    const { end } = createApp(
      db,
      { web: join(own.data, 'no-web'), data: own.data },
      pino({ level: 'silent' }),
      { pool: sharedPool() },
    );
    await expect
      .poll(
        async () =>
          (await db.select({ id: designsTable.id }).from(designsTable).where(isStale(metals))).length,
        { timeout: 30_000 },
      )
      .toBe(0);
    const [first] = designs;
    const again = (await (await own.send('GET', `/designs/${first?.id}`)).json()) as Kept<Design>;
    const grams = (kept: Kept<Design> | undefined) =>
      (kept?.summary?.ok ? kept.summary.readings['mass.metal'] : undefined) ?? NaN;
    expect(grams(again) / grams(first)).toBeCloseTo(11 / 11.34, 6);
    await end();
    await own.end();
  });
});

describe('what no answer may do', () => {
  it('lie about what was stored: an answer that cannot be sent is told before anything is done', async () => {
    const before = ((await (await send('GET', '/designs')).json()) as Page<Design>).total;
    const refused = await send('POST', '/designs', sampleDesign('ball'), { 'Accept-Encoding': '*;q=0' });
    expect(refused.status).toBe(406);
    expect(((await (await send('GET', '/designs')).json()) as Page<Design>).total).toBe(before);
  });

  it.each([
    ['half of a sign in a note', { notes: `${'x'.repeat(159)}\ud83d` }, '/notes'],
    ['a NUL in a name', { name: 'a\u0000b' }, '/name'],
    ['a blank name', { name: '   ' }, '/name'],
  ])('%s is told at its field', async (_, change, path) => {
    const response = await send('POST', '/designs', { ...sampleDesign('ball'), ...change });
    expect(response.status).toBe(422);
    const { errors } = (await response.json()) as { errors: { path: string; message: string }[] };
    expect(errors.map((error) => error.path)).toContain(path);
  });

  it('a whole sign where the card cuts the note is saved', async () => {
    const response = await send('POST', '/designs', {
      ...sampleDesign('ball'),
      notes: `${'x'.repeat(159)}🐟 and more`,
    });
    expect(response.status).toBe(201);
  });

  it.each([
    ['/designs/%00', 400],
    ['/designs?q=%00', 400],
    ['/designs?q=%ud800', 400],
    ['/designs/%E0%A4%A', 400],
    ['/designs?limit=1e400', 400],
    ['/designs?limit=1.5', 400],
  ])('%s is refused, not failed', async (path, status) => {
    const response = await send('GET', path);
    expect([status, 422]).toContain(response.status);
  });

  it('a version no save can have had is stale, and other sites are not served', async () => {
    const { id } = await made(sampleDesign('ball'));
    const stale = await send('PUT', `/designs/${id}`, sampleDesign('ball'), {
      'If-Match': '"v99999999999999999999"',
    });
    expect(stale.status).toBe(412);
    for (const site of ['cross-site', 'same-site'])
      expect((await send('GET', '/readings.csv', undefined, { 'Sec-Fetch-Site': site })).status).toBe(403);
    expect((await send('GET', '/designs')).headers.get('Cache-Control')).toBe('no-store');
  });
});

describe.runIf(isEmbedded())('the data folder', () => {
  it('is taken by one process at a time', async () => {
    await expect(openDatabase(app.data)).rejects.toThrow(/in use by process/);
    const { writeFileSync, mkdirSync } = await import('node:fs');
    const folder = join(app.data, 'taken');
    mkdirSync(folder, { recursive: true });
    // A server of the first versions wrote its number alone; the parent of this process is a Node process
    // that lives as long as the test does.
    writeFileSync(join(folder, 'in-use-by'), String(process.ppid));
    await expect(openDatabase(folder)).rejects.toThrow(/in use by process/);
  });
});

const kept = async (response: Response) => (await response.json()) as Kept<Design>;

describe('history', () => {
  const history = async (id: string) =>
    (await (await send('GET', `/designs/${id}/history`)).json()) as History;

  it('tells every save in words, goes back and forth, and a new change after going back drops what was undone', async () => {
    const design = await made(sampleDesign('ball'));
    const put = (document: Design, at: number) =>
      send('PUT', `/designs/${design.id}`, document, version(at)).then(kept);
    const two = await put({ ...design.document, eye: { ...design.document.eye, angle: 30 } }, 1);
    const three = await put({ ...two.document, hook: { ...two.document.hook, size: '5/0' } }, 2);
    expect((await history(design.id)).steps.map(({ words }) => words)).toEqual([
      'Made',
      'Eye angle: ⟦60|angle⟧ → ⟦30|angle⟧',
      'Hook: 3/0 → 5/0',
    ]);
    const back = await send('PUT', `/designs/${design.id}/step`, { step: 1 }, version(3)).then(kept);
    expect(back.document).toEqual(two.document);
    expect((await history(design.id)).now).toBe(1);
    const forth = await send('PUT', `/designs/${design.id}/step`, { step: 2 }, version(back.version)).then(
      kept,
    );
    expect(forth.document).toEqual(three.document);
    const first = await send('PUT', `/designs/${design.id}/step`, { step: 0 }, version(forth.version)).then(
      kept,
    );
    expect(first.document).toEqual(design.document);
    await put({ ...first.document, notes: 'another way' }, first.version);
    expect((await history(design.id)).steps.map(({ words }) => words)).toEqual([
      'Made',
      'Notes: another way',
    ]);
  });

  it('one field changed again and again in a moment is one step, told from where it began', async () => {
    const design = await made(sampleDesign('ball'));
    let now = design;
    for (const angle of [50, 40, 30]) {
      now = await send(
        'PUT',
        `/designs/${design.id}`,
        { ...now.document, eye: { ...now.document.eye, angle } },
        version(now.version),
      ).then(kept);
    }
    expect((await history(design.id)).steps.map(({ words }) => words)).toEqual([
      'Made',
      'Eye angle: ⟦60|angle⟧ → ⟦30|angle⟧',
    ]);
  });

  it('a stale step is refused, and one that is not there is told', async () => {
    const design = await made(sampleDesign('ball'));
    await send('PUT', `/designs/${design.id}`, { ...design.document, name: 'B' }, version(1));
    expect((await send('PUT', `/designs/${design.id}/step`, { step: 0 }, version(1))).status).toBe(412);
    expect((await send('PUT', `/designs/${design.id}/step`, { step: 9 }, version(2))).status).toBe(404);
    expect((await send('PUT', `/designs/${design.id}/step`, { step: 0 })).status).toBe(428);
  });

  it('states with a name are kept, brought back as a step of their own, and dropped', async () => {
    const design = await made(sampleDesign('ball'));
    const named = (await (
      await send('POST', `/designs/${design.id}/versions`, { name: ' First pour ' })
    ).json()) as NamedVersion;
    expect(named.name).toBe('First pour');
    const changed = await send(
      'PUT',
      `/designs/${design.id}`,
      { ...design.document, name: 'Later' },
      version(1),
    ).then(kept);
    const back = await send(
      'POST',
      `/designs/${design.id}/versions/${named.id}/restore`,
      undefined,
      version(changed.version),
    ).then(kept);
    expect(back.document).toEqual(design.document);
    expect((await history(design.id)).steps).toHaveLength(3);
    const drop = (headers = {}) =>
      send('DELETE', `/designs/${design.id}/versions/${named.id}`, undefined, headers);
    expect((await drop()).status).toBe(428);
    expect((await drop(version(changed.version))).status).toBe(412);
    expect((await drop(version(back.version))).status).toBe(204);
    expect((await drop(version(back.version))).status).toBe(404);
    expect((await history(design.id)).versions).toEqual([]);
    expect((await send('POST', `/designs/${design.id}/versions`, { name: '' })).status).toBe(422);
  });
});

describe('the Rack', () => {
  it('gives a card for every design and outlines for those asked for', async () => {
    const design = await made(sampleDesign('dart', { head: { dimensions: {} } }));
    const { cards } = (await (await send('GET', '/rack')).json()) as RackIndex;
    const card = cards.find(({ id }) => id === design.id);
    expect(card).toMatchObject({
      family: 'dart',
      hook: '2/0',
      keeper: 'collar',
      guard: 'none',
      archived: false,
    });
    expect(card?.grams).toBeCloseTo(
      design.summary?.ok ? (design.summary.readings['mass.metal'] ?? NaN) : NaN,
      9,
    );
    const outlines = (await (await send('GET', `/rack/outlines?ids=${design.id},nobody`)).json()) as Record<
      string,
      { side: unknown[] }
    >;
    expect(Object.keys(outlines)).toEqual([design.id]);
    expect(outlines[design.id]?.side.length).toBeGreaterThan(20);
  });

  it('puts away and takes out again; a copy says that it is one', async () => {
    const design = await made(sampleDesign('ball'));
    const act = (word: string, headers = {}) =>
      send('POST', `/designs/${design.id}/${word}`, undefined, headers);
    expect((await act('archive')).status).toBe(428);
    expect(await act('archive', version(1)).then(kept)).toMatchObject({ archived: true });
    expect((await act('unarchive')).status).toBe(428);
    expect((await act('unarchive', version(1))).status).toBe(412);
    expect((await act('unarchive', version(2)).then(kept)).archived).toBeUndefined();
    expect((await send('POST', `/designs/${design.id}/duplicate`).then(kept)).document.name).toBe(
      'Sample (copy)',
    );
  });

  it('makes a series at once, all of it or nothing', async () => {
    const before = ((await (await send('GET', '/rack')).json()) as RackIndex).cards.length;
    const series = ['A', 'B'].map((name) => ({ ...sampleDesign('ball'), name }));
    expect((await send('POST', '/designs/series', series)).status).toBe(201);
    const wrong = await send('POST', '/designs/series', [series[0], { ...series[1], name: '' }]);
    expect(wrong.status).toBe(422);
    expect((await problem(wrong)).errors?.[0]?.path).toBe('/1/name');
    expect(((await (await send('GET', '/rack')).json()) as RackIndex).cards.length).toBe(before + 2);
  });
});

describe('exchange', () => {
  it.each(['json', 'stl', '3mf', 'svg', 'dxf', 'pdf', 'csv'])(
    'a design goes out as %s under its name',
    async (format) => {
      const design = await made({ ...sampleDesign('swimmer'), name: 'Ford “Nine”' });
      const response = await send(
        'GET',
        `/designs/${design.id}/export/${format}?units=both&arrangement=first`,
      );
      expect(response.status).toBe(200);
      // In any script, as RFC 6266 has it.
      expect(response.headers.get('Content-Disposition')).toContain(
        `filename*=UTF-8''${encodeURIComponent(`Ford “Nine”.${format}`)}`,
      );
      expect((await response.arrayBuffer()).byteLength).toBeGreaterThan(300);
    },
  );

  it('a mould is larger than its casting by the shrinkage', async () => {
    const design = await made(sampleDesign('ball'));
    const volume = async (query: string) =>
      massProperties(
        readStl(
          new Uint8Array(await (await send('GET', `/designs/${design.id}/export/stl${query}`)).arrayBuffer()),
        ),
      ).volume;
    // 2% of length: 1/0.98 cubed of volume.
    expect((await volume('?shrink=2')) / (await volume(''))).toBeCloseTo(1 / 0.98 ** 3, 5);
    expect((await send('GET', `/designs/${design.id}/export/stl?shrink=50`)).status).toBe(422);
    expect((await send('GET', `/designs/${design.id}/export/obj`)).status).toBe(404);
  });

  it('a whole shop goes out and in again the same: a trial changes nothing, a wrong file takes nothing', async () => {
    const text = await (await send('GET', '/shop.json')).text();
    expect((JSON.parse(text) as { by: string }).by).toBe(MADE_BY);
    const shop = JSON.parse(text) as Shop;
    const again = (await (await send('POST', '/shop', text)).json()) as Intake;
    expect(again.rows.every(({ does }) => does === 'same')).toBe(true);
    expect(await (await send('GET', '/shop.json')).text()).toBe(text);
    const [first] = shop.designs;
    if (!first) throw new Error('the shop is empty');
    const changed = {
      format: shop.format,
      version: shop.version,
      designs: [
        { id: first.id, document: { ...first.document, name: 'Other' } },
        { id: 'new-one', document: sampleDesign('oval') },
      ],
    };
    const trial = (await (await send('POST', '/shop?trial', changed)).json()) as Intake;
    expect(trial.rows.map(({ does }) => does)).toEqual(['changes', 'adds']);
    expect(trial.done).toBe(false);
    expect(await (await send('GET', '/shop.json')).text()).toBe(text);
    const wrong = await send('POST', '/shop', {
      ...changed,
      designs: [...changed.designs, { id: 'x', document: {} }],
    });
    expect(wrong.status).toBe(422);
    expect(await (await send('GET', '/shop.json')).text()).toBe(text);
    expect(((await (await send('POST', '/shop', changed)).json()) as Intake).done).toBe(true);
    expect((await send('GET', '/designs/new-one').then(kept)).document.head.family).toBe('oval');
  });

  it('one that was deleted comes back with a file that holds it', async () => {
    const design = await made(sampleDesign('ball'));
    await send('DELETE', `/designs/${design.id}`, undefined, { 'If-Match': '*' });
    const shop = {
      format: 'fern-anvil/shop',
      version: 1,
      designs: [{ id: design.id, document: design.document }],
    };
    expect(((await (await send('POST', '/shop', shop)).json()) as Intake).rows[0]?.does).toBe('adds');
    expect((await send('GET', `/designs/${design.id}`).then(kept)).document).toEqual(design.document);
  });

  it('readings of all heads go out as a table with a row each', async () => {
    const csv = await (await send('GET', '/readings.csv')).text();
    const { cards } = (await (await send('GET', '/rack')).json()) as RackIndex;
    // A heading, and a row for every head that can be built: some of this file cannot, on purpose.
    expect(csv.trim().split('\r\n').length).toBe(1 + cards.filter(({ grams }) => grams !== null).length);
    expect(csv).toContain('mass.metal (g)');
  });
});

describe('metals', () => {
  it('have a price of the shop’s own, which costs follow', async () => {
    const design = await made(sampleDesign('ball'));
    const cost = (of: Kept<Design>) => (of.summary?.ok ? (of.summary.readings['cost.metal'] ?? NaN) : NaN);
    expect((await send('PUT', '/stores/metals/lead', { price: 6 })).status).toBe(428);
    const response = await send('PUT', '/stores/metals/lead', { price: 6 }, { 'If-Match': '*' });
    expect(response.status).toBe(200);
    // The price is kept at once; the heads made of the metal follow it one after another.
    await expect
      .poll(async () => cost(await send('GET', `/designs/${design.id}`).then(kept)) / cost(design), {
        timeout: 30_000,
      })
      .toBeCloseTo(2, 9);
    expect((await send('PUT', '/stores/metals/lead', {})).status).toBe(422);
    expect((await send('PUT', '/stores/metals/lead', { price: -1 })).status).toBe(422);
  });
});

describe('making, range and days', () => {
  const mould = newMould(sampleDesign('ball'), 'some', 'pour');
  it('are kept, undone, refused by field, and go out and in with the shop', async () => {
    const made = (await (await send('POST', '/moulds', mould)).json()) as { id: string; version: number };
    const put = (document: unknown, version: number) =>
      send('PUT', `/moulds/${made.id}`, document, { 'If-Match': `"v${version}"` });
    expect((await put({ ...mould, shrink: 2 }, 1)).status).toBe(200);
    expect((await put({ ...mould, shrink: 3 }, 1)).status).toBe(412);
    const refused = (await (await put({ ...mould, shrink: 99 }, 2)).json()) as { errors: { path: string }[] };
    expect(refused.errors[0]?.path).toBe('/shrink');
    const history = (await (await send('GET', `/moulds/${made.id}/history`)).json()) as { now: number };
    expect(history.now).toBe(1);
    const back = await send('PUT', `/moulds/${made.id}/step`, { step: 0 }, { 'If-Match': '"v2"' });
    expect(((await back.json()) as { document: { shrink: number } }).document.shrink).toBe(mould.shrink);
    const shop = (await (await send('GET', '/shop.json')).json()) as { moulds: { id: string }[] };
    expect(shop.moulds.map(({ id }) => id)).toContain(made.id);
  });
  it('a batch knows its cavities, a day its places, and the scale stops when it was asked to', async () => {
    const batch = newBatch(sampleDesign('ball'), { id: 'x', version: 1 }, '2026-05-30', {
      target: 10,
      at: 400,
    });
    const odd = await send('POST', '/batches', {
      ...batch,
      weighings: [{ cavity: 9, piece: 1, grams: 1, by: 'typed' }],
    });
    expect(odd.status).toBe(422);
    expect(await odd.text()).toContain('/weighings/0/cavity');
    const day = newTrial('Day', '2026-05-30');
    expect((await send('POST', '/trials', { ...day, rigs: [freshRig('A', 3)] })).status).toBe(422);
    expect((await send('POST', '/trials', { ...day, day: '2026-13-01' })).status).toBe(422);
    expect((await send('POST', '/scale', { act: 'put', grams: 3 })).status).toBe(204);
    expect((await send('POST', '/scale', { act: 'break' })).status).toBe(422);
    const lines = await (await send('GET', '/scale/lines')).text();
    expect(lines.split('\r\n').length).toBeGreaterThan(2);
    expect((await send('GET', '/scale/lines?seconds=-1')).status).toBe(422);
  });
});
