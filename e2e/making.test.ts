import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Batch, Design, Mould, RangePlan, Trial } from '../src/core/document/index.ts';
import { openEdges } from '../src/core/head/mesh.ts';
import { readStl } from '../src/core/exchange/stl.ts';
import { named, openBrowser, openPage, sees } from './browser.ts';
import type { RunningServer } from './server.ts';
import { root } from './root.ts';
import { dataFolder, startServer } from './server.ts';

let server: RunningServer;
let browser: Browser;
let page: Page & { readonly complaints: string[] };
let close: () => Promise<void>;
const data = dataFolder('demo');
const folder = mkdtempSync(join(tmpdir(), 'fern-anvil-making-'));

beforeAll(async () => {
  server = await startServer(data.path, { demo: true });
  ({ browser, close } = await openBrowser());
  page = await openPage(browser, server.url);
});
afterAll(async () => {
  await close();
  await server.end();
  data.remove();
  rmSync(folder, { recursive: true, force: true });
});

const go = (path: string) => page.goto(`${server.url}${path}`, { waitUntil: 'load' });
const saved = () => page.waitForSelector('.save-badge[data-state="saved"]');
const stored = async <T>(path: string): Promise<T> =>
  ((await (await fetch(`${server.url}/api/${path}`)).json()) as { document: T }).document;
const press = async (name: string) => (await named(page, name, 'button')).click();
/** Waits for what the server keeps, not for what the page shows. */
async function keeps<T>(path: string, is: (document: T) => boolean): Promise<T> {
  for (;;) {
    const document = await stored<T>(path);
    if (is(document)) return document;
    await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(resolve)));
  }
}
/** Gives a file to the chooser behind a label. */
async function give(label: string, path: string) {
  const input = (await page.waitForSelector(
    `input[type=file][aria-label="${label}"]`,
  )) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(path);
}

describe('a mould', () => {
  it('is laid out, cut, taken back, and leaves as closed halves', async () => {
    await go('/designs/pip-1-16/mould?mould=pip-mould&cavity=3');
    await page.waitForSelector('.shop-sheet[data-ready=true] .mould-face path');
    const before = (await stored<Mould>('moulds/pip-mould')).cavities[2]?.cuts.length;
    expect(before).toBe(0);
    await press('Cut here');
    await keeps<Mould>('moulds/pip-mould', ({ cavities }) => cavities[2]?.cuts.length === 1);
    await page.waitForFunction(() =>
      [...document.querySelectorAll('.shop-table tr[aria-current=true] td')].some((td) =>
        td.textContent?.includes('→'),
      ),
    );
    // The halves: what fills the block adds up, and both are closed as any reader of the file sees them.
    const file = async (name: string) => fetch(`${server.url}/api/moulds/pip-mould/files/${name}`);
    const volumes = (await (await file('volumes.json')).json()) as Record<string, number>;
    const sum = ['left', 'right', 'heads', 'channels', 'sprues', 'vents', 'sockets'].reduce(
      (total, key) => total + (volumes[key] ?? 0),
      0,
    );
    expect(sum / (volumes['block'] ?? 1)).toBeCloseTo(1, 6);
    for (const half of ['left.stl', 'right.stl'])
      expect(openEdges(readStl(new Uint8Array(await (await file(half)).arrayBuffer())))).toBe(0);
    expect((await file('drawing.svg')).headers.get('content-type')).toContain('svg');
    expect((await file('middle.stl')).status).toBe(404);
    await press('Undo');
    await keeps<Mould>('moulds/pip-mould', ({ cavities }) => cavities[2]?.cuts.length === 0);
  });
  it('says which cutter and how deep for a weight', async () => {
    await go('/designs/gravel-oval-1-2/mould');
    await page.waitForSelector('.shop-sheet[data-ready=true]');
    await press('Which cutter, how deep?');
    await page.waitForFunction(() =>
      [...document.querySelectorAll('button')].some((button) => button.textContent === 'Cut this deep'),
    );
  });
  it('is begun for a head that has none', async () => {
    await go('/designs/reedcutter-3-8/mould');
    await press('Lay out a mould');
    await page.waitForSelector('.shop-sheet[data-ready=true] .mould-face path');
    await sees(page, 'Hold');
  });
});

describe('a head in the hand', () => {
  it('is measured by caliper and scale, and added to the Rack', async () => {
    await go('/take-in?shape=ball&grams=9.1&metal=tungsten&m.breadth=10&density=17.5');
    await sees(page, 'hollow');
    await press('Add to the Rack');
    await page.waitForFunction(() => /\/designs\/[\w-]{20,}/.test(location.pathname));
    await sees(page, 'Same weight');
  });
});

describe('a photograph', () => {
  it('is laid under the plate by two marks, to scale, and stays with the design', async () => {
    await go('/designs/fathers-pattern-1-2');
    await sees(page, 'Same weight');
    await press('Photograph');
    await give('Photograph', join(root, 'docs/screenshots/bench.png'));
    const picture = await page.waitForSelector('.photo-picture');
    await page.waitForSelector('.photo-picture image');
    const box = await picture?.boundingBox();
    if (!box) throw new Error('no picture');
    await page.mouse.click(box.x + box.width * 0.45, box.y + box.height * 0.5);
    await page.mouse.click(box.x + box.width * 0.55, box.y + box.height * 0.5);
    await page.waitForFunction(() => document.querySelectorAll('.photo-mark').length === 2);
    const length = await page.waitForSelector('.photo-tools input[inputmode]');
    await length?.type('20 mm');
    await press('Lay it under');
    const design = await keeps<Design>('designs/fathers-pattern-1-2', ({ photo }) => photo !== undefined);
    expect(design.photo?.length).toBeCloseTo(20, 6);
    await page.waitForSelector('.plate image.photo-under');
    const kept = await fetch(`${server.url}/api/photos/${design.photo?.id}/picture`);
    expect(kept.headers.get('content-type')).toContain('image/jpeg');
    // Bounded in size, whatever came.
    expect((await kept.arrayBuffer()).byteLength).toBeLessThan(600_000);
  });
});

describe('a batch', () => {
  it('is weighed by the simulated scale, by typing and from a file; a scale gone silent loses nothing', async () => {
    await go('/batches/reedcutter-may');
    const first = (await stored<Batch>('batches/reedcutter-may')).weighings.length;
    await press('Read the simulated scale');
    await sees(page, 'steady');
    await press('Place a head on the scale');
    await keeps<Batch>('batches/reedcutter-may', ({ weighings }) => weighings.length === first + 1);
    await press('Take it off the scale');
    await press('Unplug it');
    await sees(page, 'Silent');
    await press('Plug it in');
    await sees(page, 'steady');
    const typed = await page.waitForSelector('.batch-typed input');
    await typed?.type('11.9 g');
    await press('Add weight');
    const now = await keeps<Batch>(
      'batches/reedcutter-may',
      ({ weighings }) => weighings.length === first + 2,
    );
    expect(now.weighings.at(-1)).toMatchObject({ grams: 11.9, by: 'typed' });
    const bad = join(folder, 'bad.csv');
    writeFileSync(bad, 'cavity,weight\r\n1,11.8\r\n9,11.7\r\n');
    await give('Table of weights', bad);
    await sees(page, 'Nothing was imported.');
    await sees(page, 'Line 3: ');
    await press('Close');
    await page.waitForSelector('[role=dialog]', { hidden: true });
    const good = join(folder, 'good.csv');
    writeFileSync(good, 'cavity,weight\r\n1,11.8\r\n2,11.7 g\r\n');
    await give('Table of weights', good);
    await keeps<Batch>('batches/reedcutter-may', ({ weighings }) => weighings.length === first + 4);
    await saved();
    // The same file again is asked about before it doubles every weight.
    await give('Table of weights', good);
    await sees(page, 'was imported into this batch before');
    await named(page, 'Import again', 'button');
    // What was acknowledged is there after the server was killed.
    await server.end('SIGKILL');
    server = await startServer(data.path, { port: server.port });
    expect((await stored<Batch>('batches/reedcutter-may')).weighings).toHaveLength(first + 4);
  });
  it('keeps the version it was poured from, whatever becomes of the head', async () => {
    const before = await stored<Batch>('batches/pip-april');
    const now = (await (await fetch(`${server.url}/api/designs/pip-1-16`)).json()) as {
      document: Design;
      version: number;
    };
    await fetch(`${server.url}/api/designs/pip-1-16`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json', 'If-Match': `"v${now.version}"` },
      body: JSON.stringify({ ...now.document, name: 'Pip, changed since' }),
    });
    expect((await stored<Batch>('batches/pip-april')).design).toEqual(before.design);
    await go('/batches/pip-april');
    await sees(page, 'Poured from Pip 1/16');
    await sees(page, 'light of the target');
    await go('/batches/pip-april?view=pour');
    await sees(page, 'First pot ready');
    await go('/batches/pip-april?view=cure');
    await sees(page, 'cured by the schedule');
    await go('/batches/pip-april?view=cost');
    await sees(page, 'Cost per sound head');
  });
});

describe('a range', () => {
  it('is found to proof within its limits, and printed with bar codes', async () => {
    await go('/range');
    await page.waitForSelector('.shop-sheet[data-ready=true] .matrix');
    await press('Find the smallest range');
    await page.waitForSelector('[data-proven=true]');
    const plan = await keeps<RangePlan>('ranges/skarnholm-wall', ({ wall }) => wall.length > 0);
    expect(plan.wall.length).toBeLessThanOrEqual(8);
    await sees(page, 'What each head adds');
    const pdf = await fetch(`${server.url}/api/ranges/skarnholm-wall/wall.pdf`);
    expect(
      Buffer.from(await pdf.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
  });
});

describe('days on the water', () => {
  it('are counted on a phone without a network, kept through a reload, and sent when the server is back', async () => {
    await page.setViewport({ width: 390, height: 844, hasTouch: true });
    await go('/trials/day-2026-05-03');
    await page.waitForSelector('.trial[data-at-hand=true]');
    const before = (await stored<Trial>('trials/day-2026-05-03')).rigs[0];
    const tap = (name: string) =>
      page.$$eval(
        '.counter-more',
        (all, what) =>
          (all.find((one) => one.textContent?.startsWith(what)) as HTMLElement | undefined)?.click(),
        name,
      );
    await server.end('SIGKILL');
    await tap('Cast');
    await tap('Cast');
    await tap('Hung up');
    await page.waitForSelector('.save-badge[data-state="away"]');
    // Nobody answers, and the page is opened anew all the same.
    await page.reload({ waitUntil: 'load' });
    await page.waitForSelector('.counter-more');
    await page.waitForFunction(
      (casts: number) => document.querySelector('.counter-more b')?.textContent === String(casts),
      {},
      (before?.casts ?? 0) + 2,
    );
    await tap('Touch');
    server = await startServer(data.path, { port: server.port });
    const after = await keeps<Trial>(
      'trials/day-2026-05-03',
      ({ rigs }) => rigs[0]?.touches === (before?.touches ?? 0) + 1,
    );
    expect(after.rigs[0]).toMatchObject({
      casts: (before?.casts ?? 0) + 2,
      hangUps: (before?.hangUps ?? 0) + 1,
    });
    await saved();
  });
  it('a new day is begun and a rig tied on, by thumb', async () => {
    await go('/trials');
    await press('+ A day on the water');
    await page.waitForFunction(() => /\/trials\/[\w-]{20,}/.test(location.pathname));
    await page.waitForSelector('.trial-form option[value="gravel-oval-1-2"]');
    await (await named(page, 'Head', 'combobox')).select('gravel-oval-1-2');
    await press('Add this rig');
    await page.waitForSelector('.counter-more');
    const id = await page.evaluate(() => location.pathname.split('/').at(-1) ?? '');
    await keeps<Trial>(`trials/${id}`, ({ rigs }) => rigs.length === 1);
    // Made a moment ago, and there all the same where nobody answers: counted, opened anew, and compared with
    // other days.
    await page.waitForSelector('.trial[data-at-hand=true]');
    await saved();
    await server.end('SIGKILL');
    const tap = () =>
      page.$$eval('.counter-more', (all) =>
        (all.find((one) => one.textContent?.startsWith('Landed')) as HTMLElement | undefined)?.click(),
      );
    await tap();
    await page.reload({ waitUntil: 'load' });
    await page.waitForFunction(
      () =>
        [...document.querySelectorAll('.counter-more')]
          .find((one) => one.textContent?.startsWith('Landed'))
          ?.querySelector('b')?.textContent === '1',
    );
    await tap();
    await page.goto(`${server.url}/trials?view=compare`, { waitUntil: 'load' });
    await page.waitForSelector('[aria-label=Compare]');
    server = await startServer(data.path, { port: server.port });
    await page.goto(`${server.url}/trials/${id}`, { waitUntil: 'load' });
    await keeps<Trial>(`trials/${id}`, ({ rigs }) => rigs[0]?.landed === 2);
    await page.setViewport({ width: 1280, height: 800 });
  });
  it('are begun where nobody answers, counted, opened anew, and sent when the server is back', async () => {
    await page.setViewport({ width: 390, height: 844, hasTouch: true });
    await go('/trials');
    await page.waitForSelector('.trial[data-at-hand=true]');
    await server.end('SIGKILL');
    // The browser was ended in between: nothing of the page is left but what it keeps.
    await page.reload({ waitUntil: 'load' });
    await press('+ A day on the water');
    await page.waitForFunction(() => /\/trials\/[\w-]{20,}/.test(location.pathname));
    const id = await page.evaluate(() => location.pathname.split('/').at(-1) ?? '');
    await page.waitForSelector('.trial-form option[value="gravel-oval-1-2"]');
    await (await named(page, 'Head', 'combobox')).select('gravel-oval-1-2');
    await press('Add this rig');
    const tap = async (name: string) => {
      const counter = await page.waitForSelector(
        `::-p-xpath(//button[contains(@class,"counter-more")][starts-with(.,"${name}")])`,
      );
      await counter?.click();
    };
    await tap('Cast');
    await tap('Hung up');
    await page.reload({ waitUntil: 'load' });
    await tap('Cast');
    await page.goto(`${server.url}/trials`, { waitUntil: 'load' });
    await page.waitForSelector(`a[href="/trials/${id}"] + .trial-unsent`);
    server = await startServer(data.path, { port: server.port });
    // It is sent from the list as well, without being opened.
    await page.waitForFunction(() => document.querySelector('.trial-unsent') === null);
    const sent = await keeps<Trial>(`trials/${id}`, ({ rigs }) => rigs[0]?.casts === 2);
    expect(sent.rigs[0]).toMatchObject({ casts: 2, hangUps: 1, design: 'gravel-oval-1-2' });
    await go(`/trials/${id}`);
    await saved();
    // One begun and given up where nobody answers was never anywhere else.
    await go('/trials');
    await page.waitForSelector('.trial[data-at-hand=true]');
    await server.end('SIGKILL');
    await press('+ A day on the water');
    await page.waitForSelector('.trial-form');
    await press('Delete');
    await sees(page, 'is deleted.');
    await press('Undo');
    await page.waitForSelector('.trial-form');
    await press('Delete');
    await page.waitForFunction(() => location.pathname === '/trials');
    const left = await page.evaluate(() =>
      Object.keys(localStorage).filter((key) => key.startsWith('fern-anvil.draft.trials')),
    );
    expect(left).toEqual([]);
    server = await startServer(data.path, { port: server.port });
    await page.setViewport({ width: 1280, height: 800 });
  });
  it('are compared place by place, and drops become the measured drag of a head', async () => {
    await go('/trials?view=compare&one=Gravel+Oval+1%2F2&other=Ledge+Ball+1%2F4');
    await sees(page, 'Hang-ups of casts');
    await sees(page, 'no winner yet');
    await go('/trials?view=weight');
    await sees(page, 'multiplies the catch by');
    await go('/trials?view=drag&head=gravel-oval-1-2');
    await press('Let fall and retrieve use it');
    const design = await keeps<Design>('designs/gravel-oval-1-2', ({ drag }) => drag !== undefined);
    expect(design.drag?.count).toBe(6);
    await go('/designs/gravel-oval-1-2');
    await sees(page, 'measured on the water');
  });
  it('go out as a table and come in again, all or nothing', async () => {
    const table = await (await fetch(`${server.url}/api/trials.csv`)).text();
    expect(table.split('\r\n')[0]).toContain('hang-ups');
    const bad = join(folder, 'days.csv');
    writeFileSync(bad, 'day,head,casts\r\n2026-13-40,Ball,5\r\n2026-05-30,Ball,5\r\n');
    await go('/trials');
    await give('Table of trials', bad);
    await sees(page, 'rows are wrong');
    await press('Cancel');
    const good = join(folder, 'good-days.csv');
    writeFileSync(good, 'day,name,head,casts,touches\r\n2025-05-30,Old book,Ball,5,1\r\n');
    await give('Table of trials', good);
    await press('Import 1');
    await sees(page, 'Old book');
  });
});

it('nothing went wrong in the page that was not meant to', () => {
  const meant = /Failed to load resource|ERR_CONNECTION|net::ERR/;
  expect(page.complaints.filter((one) => !meant.test(one))).toEqual([]);
});
