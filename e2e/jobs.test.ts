import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strToU8, zipSync } from 'fflate';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { eanCheckDigit } from '../src/core/document/index.ts';
import { TOUR } from '../src/web/tour/tour-steps.ts';
import { faultsOn } from './axe.ts';
import { named, openBrowser, openPage, sees } from './browser.ts';
import type { RunningServer } from './server.ts';
import { dataFolder, startServer } from './server.ts';

// The jobs people come with, driven as they would be, and what each takes counted: a press, a choice, a line
// typed, a scroll.

let server: RunningServer;
let empty: RunningServer;
let browser: Browser;
let close: () => Promise<void>;
const data = dataFolder('demo');
const bare = dataFolder();
const folder = mkdtempSync(join(tmpdir(), 'fern-anvil-jobs-'));

beforeAll(async () => {
  server = await startServer(data.path, { demo: true });
  empty = await startServer(bare.path);
  ({ browser, close } = await openBrowser());
});
afterAll(async () => {
  await close();
  await server.end();
  await empty.end();
  data.remove();
  bare.remove();
  rmSync(folder, { recursive: true, force: true });
});

/** A person at a page, whose doings are counted. */
function person(page: Page) {
  const count = { acts: 0, scrolls: 0 };
  const reach = async (element: ElementHandle<Element>) => {
    const isSeen = await element.evaluate((one) => {
      const { top, bottom } = one.getBoundingClientRect();
      return top >= 0 && bottom <= innerHeight;
    });
    if (isSeen) return;
    count.scrolls++;
    await element.evaluate((one) => one.scrollIntoView({ block: 'center' }));
  };
  return {
    count,
    press: async (name: string, role: 'button' | 'link' = 'button') => {
      const element = await named(page, name, role);
      await reach(element);
      count.acts++;
      await element.click();
    },
    choose: async (name: string, value: string) => {
      const element = await named(page, name, 'combobox');
      await reach(element);
      count.acts++;
      await element.select(value);
    },
    type: async (name: string, text: string) => {
      const element = await named(page, name, 'textbox');
      await reach(element);
      count.acts++;
      await element.click({ clickCount: 3 });
      await element.type(text);
      await page.keyboard.press('Tab');
    },
  };
}

const answered = (page: Page) =>
  page.waitForFunction(() =>
    /\d+ heads answered/.test(document.querySelector('.ranking-head')?.textContent ?? ''),
  );
const firstHead = (page: Page) =>
  page.$eval('.head-row', (row) => ({
    name: row.querySelector('h3 a')?.textContent ?? '',
    top: row.getBoundingClientRect().top,
    height: innerHeight,
  }));

/** A clerk's question: from the sea wall, 20 ft, broken rock, dragged, with what the shelf has. */
async function ask(page: Page) {
  const { count, press, choose, type } = person(page);
  await press('Briefs', 'link');
  await press('+ New brief');
  await answered(page);
  await choose('Water', 'sea');
  await type('Depth', '20 ft');
  await choose('Bottom', 'broken rock');
  await choose('Fished', 'drag');
  return { count, press, choose, type };
}

describe('a clerk’s question', () => {
  it('by desk is answered in ten interactions', async () => {
    const page = await openPage(browser, server.url);
    await page.waitForSelector('.rack-link');
    const { count } = await ask(page);
    await answered(page);
    const { name, top, height } = await firstHead(page);
    expect(name).not.toBe('');
    expect(top).toBeLessThan(height);
    expect(count.acts).toBeLessThanOrEqual(10);
    expect(page.complaints).toEqual([]);
    await page.close();
  });

  it('by phone is answered in ten, with one scroll at most', async () => {
    const page = await openPage(browser, server.url);
    await page.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true });
    await page.waitForSelector('.thumb-bar');
    const { count } = await ask(page);
    await answered(page);
    // The situation folds to its line, and the answer stands under it.
    count.acts++;
    const summary = await page.waitForSelector('.brief-form summary');
    await summary?.evaluate((one) => one.scrollIntoView());
    if ((await summary?.evaluate((one) => one.closest('main')?.scrollTop ?? 0)) !== 0) count.scrolls++;
    await summary?.click();
    const { name, top, height } = await firstHead(page);
    expect(name).not.toBe('');
    expect(top).toBeLessThan(height * 0.75);
    expect(count.acts).toBeLessThanOrEqual(10);
    expect(count.scrolls).toBeLessThanOrEqual(1);
    // Opened anew the answer is there with nothing to scroll.
    await page.reload({ waitUntil: 'load' });
    await answered(page);
    expect((await firstHead(page)).top).toBeLessThan(height * 0.6);
    await page.close();
  });
});

it('an answer stays where it is while it settles, and moves when it is told to', async () => {
  const page = await openPage(browser, `${server.url}/briefs/hollin-ledges-drag`);
  const order = () =>
    page.$$eval('.head-row', (rows) => rows.map((row) => row.getAttribute('data-design') ?? ''));
  await page.waitForSelector('.head-row');
  const before = await order();
  await answered(page);
  expect(await order()).toEqual(before);
  expect(await page.$$eval('.head-row[data-settled=false]', (rows) => rows.length)).toBe(0);
  const offer = await page.waitForSelector('.answer-moved:not([hidden])');
  expect(await offer?.evaluate((one) => one.textContent)).toMatch(/^\d+ heads? changes? place/);
  await (await named(page, 'Show the new order', 'button')).click();
  await page.waitForSelector('.answer-moved[hidden]');
  expect(await order()).not.toEqual(before);
  await page.close();
});

it('a head is asked for by name, an answer narrowed to a metal, and the card holds what is left', async () => {
  const page = await openPage(browser, `${server.url}/briefs/hollin-ledges-drag`);
  await answered(page);
  const find = await page.waitForSelector('.answer-filter input[type=search]');
  await find?.type('toadstool');
  await page.waitForFunction(() => document.querySelectorAll('.head-row').length === 1);
  expect(await page.$eval('.head-row h3 a', (link) => link.textContent)).toContain('Toadstool');
  await page.waitForSelector('.head-row[data-settled=true]');
  expect(await page.$eval('.head-row-why', (why) => why.textContent ?? '')).not.toBe('');
  await find?.evaluate((input) => (input as HTMLInputElement).select());
  await page.keyboard.press('Backspace');
  await (await named(page, 'Metal', 'combobox')).select('lead-free');
  const names = await page.waitForFunction(() => {
    const found = [...document.querySelectorAll('.head-row')].map(
      (row) => row.getAttribute('data-design') ?? '',
    );
    return found.length > 0 && found.length < 12 ? found : false;
  });
  for (const id of (await names.jsonValue()) as string[]) {
    const { document } = (await (await fetch(`${server.url}/api/designs/${id}`)).json()) as {
      document: { head: { metal: string } };
    };
    expect(document.head.metal, id).not.toMatch(/^lead/);
  }
  expect(page.url()).toContain('metal=lead-free');
  // On paper there is the answer, and nothing to press.
  await page.emulateMediaType('print');
  const onPaper = await page.evaluate(() => ({
    pressed: [...document.querySelectorAll('.bar, .tray, .answer-filter, main .btn')].filter((one) =>
      one.checkVisibility(),
    ).length,
    rows: [...document.querySelectorAll('.head-row')].filter((one) => one.checkVisibility()).length,
    cut: getComputedStyle(document.querySelector('.ranking') ?? document.body).overflowY,
  }));
  expect(onPaper).toEqual({
    pressed: 0,
    rows: ((await names.jsonValue()) as string[]).length,
    cut: 'visible',
  });
  await page.emulateMediaType('screen');
  // The card the button fetches: three heads at most, and a PDF.
  const response = await fetch(
    `${server.url}/api/briefs/hollin-ledges-drag/customer-card?units=imperial&heads=ledge-ball-1-4-t`,
  );
  expect(response.status).toBe(200);
  expect(Buffer.from(await response.arrayBuffer()).toString('latin1', 0, 5)).toBe('%PDF-');
  await page.close();
});

describe('heads by spreadsheet', () => {
  const shapes = ['ball', 'football', 'cone', 'mushroom', 'stand-up', 'dart', 'tube', 'wedge'];
  const weights = ['1/8', '3/16', '1/4', '3/8', '1/2', '3/4'];
  const ean = (i: number) => {
    const twelve = `200${String(i).padStart(9, '0')}`;
    return `${twelve}${eanCheckDigit(twelve)}`;
  };
  const rows = Array.from({ length: 200 }, (_, i) => {
    const [shape, weight] = [shapes[i % shapes.length] ?? '', weights[i % weights.length] ?? ''];
    return [
      `Skarn ${shape} ${weight} ${i}`,
      shape,
      weight,
      i % 3 === 0 ? 'tungsten' : 'lead',
      `SK-${i}`,
      ean(i),
      '2,40',
      String(i % 7),
    ];
  });
  const heading = ['Product', 'Head style', 'Weight (oz)', 'Material', 'SKU', 'EAN', 'Price', 'On hand'];

  it('two hundred are on the Rack in four interactions, found by their numbers, and taken back as one step', async () => {
    const path = join(folder, 'heads.csv');
    writeFileSync(path, [heading, ...rows].map((row) => row.join(';')).join('\r\n'));
    const page = await openPage(browser, empty.url);
    const { count, press } = person(page);
    await press('Files');
    const link = await page.waitForSelector("::-p-xpath(//a[contains(.,'Heads from CSV or XLSX')])");
    count.acts++;
    await link?.click();
    const input = (await page.waitForSelector(
      'input[type=file][aria-label="Table of heads"]',
    )) as ElementHandle<HTMLInputElement>;
    count.acts++;
    await input.uploadFile(path);
    await sees(page, '200 heads: 0 cannot be made, 0 odd, 0 doubles');
    await press('Import 200 heads');
    await sees(page, '200 heads imported.');
    expect(count.acts).toBeLessThanOrEqual(4);
    const total = async () =>
      ((await (await fetch(`${empty.url}/api/designs?limit=1`)).json()) as { total: number }).total;
    expect(await total()).toBe(200);
    const search = await page.waitForSelector('.rack-tools input[type=search]');
    await search?.type(ean(42));
    await page.waitForFunction(() => document.querySelectorAll('.rack-link').length === 1);
    expect(await page.$eval('.rack-link', (card) => card.textContent ?? '')).toContain('Skarn');
    await press('Undo');
    await page.waitForFunction(() => /0 of 0|The Rack is empty/.test(document.body.textContent ?? ''));
    expect(await total()).toBe(0);
    await page.close();
  });

  it('the first sheet of an XLSX is read as the same table, its doubles left unticked', async () => {
    const cell = (text: string, at: string) => `<c r="${at}" t="inlineStr"><is><t>${text}</t></is></c>`;
    const sheet = [heading, rows[0] ?? [], rows[0] ?? []]
      .map(
        (row, i) =>
          `<row r="${i + 1}">${row.map((text, k) => cell(text, `${'ABCDEFGH'[k] ?? ''}${i + 1}`)).join('')}</row>`,
      )
      .join('');
    // The least an office program writes (ECMA-376, part 1): content types, relations, a book, a sheet.
    const relations = 'http://schemas.openxmlformats.org/package/2006/relationships';
    const office = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
    const main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
    const files = {
      '[Content_Types].xml': `<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/></Types>`,
      '_rels/.rels': `<Relationships xmlns="${relations}"><Relationship Id="rId1" Type="${office}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
      'xl/workbook.xml': `<workbook xmlns="${main}" xmlns:r="${office}"><sheets><sheet name="Heads" sheetId="1" r:id="rId1"/></sheets></workbook>`,
      'xl/_rels/workbook.xml.rels': `<Relationships xmlns="${relations}"><Relationship Id="rId1" Type="${office}/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`,
      'xl/worksheets/sheet1.xml': `<worksheet xmlns="${main}"><sheetData>${sheet}</sheetData></worksheet>`,
    };
    const path = join(folder, 'heads.xlsx');
    writeFileSync(
      path,
      zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)]))),
    );
    const page = await openPage(browser, `${empty.url}/import-heads`);
    const input = (await page.waitForSelector(
      'input[type=file][aria-label="Table of heads"]',
    )) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(path);
    await sees(page, '2 heads: 0 cannot be made, 0 odd, 1 doubles');
    await sees(page, 'Import 1 head');
    await page.close();
  });
});

it('what a head is sold as is kept, refused where an EAN is wrong, and found on the Rack', async () => {
  const page = await openPage(browser, `${server.url}/designs/ledge-ball-1-4`);
  await page.waitForSelector('.stages');
  await (await page.waitForSelector("::-p-xpath(//summary[text()='Article'])"))?.click();
  const { type } = person(page);
  await type('Article number', 'LB-014');
  await type('EAN', '4006381333930');
  await sees(page, 'The check digit of this EAN is 1, not 0.');
  await type('EAN', '4006381 333931');
  await type('Price of a pack', '3,50 €');
  await type('Packs in stock', '12');
  await page.waitForSelector('.save-badge[data-state="saved"]');
  const kept = async () =>
    (
      (await (await fetch(`${server.url}/api/designs/ledge-ball-1-4`)).json()) as {
        document: { article?: unknown };
      }
    ).document.article;
  while (JSON.stringify(await kept())?.includes('stock') !== true)
    await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(resolve)));
  expect(await kept()).toEqual({ number: 'LB-014', ean: '4006381333931', price: 3.5, stock: 12 });
  await page.goto(`${server.url}/?q=LB-014`, { waitUntil: 'load' });
  await page.waitForFunction(() => document.querySelectorAll('.rack-link').length === 1);
  await (await named(page, 'Stock', 'combobox')).select('yes');
  await page.waitForFunction(() => document.querySelectorAll('.rack-link').length === 1);
  await page.close();
});

it('a newcomer takes the tour: a head, the water, a brief, one press each, and one undo', async () => {
  const page = await openPage(browser, empty.url);
  const { press } = person(page);
  const rows = async (collection: 'designs' | 'briefs') =>
    (
      (await (await fetch(`${empty.url}/api/${collection}`)).json()) as {
        items: { document: { name: string } }[];
      }
    ).items;
  const before = { designs: (await rows('designs')).length, briefs: (await rows('briefs')).length };
  await press('Take the tour');
  const faults: string[] = [];
  for (const [i, { title }] of TOUR.entries()) {
    await page.waitForFunction(
      (said, at) =>
        document.querySelector('.driver-popover-title')?.textContent === said &&
        // What it points at is on the page, and the next press is at hand.
        document.querySelector('.driver-active-element:not(#driver-dummy-element)')?.checkVisibility() ===
          true &&
        document.querySelector('.driver-popover-progress-text')?.textContent === at &&
        document.activeElement?.classList.contains('driver-popover-next-btn') === true,
      {},
      title,
      `${i + 1} of ${TOUR.length}`,
    );
    faults.push(...(await faultsOn(page)).map((fault) => `${title}: ${fault}`));
    await page.keyboard.press('Enter');
  }
  expect(faults).toEqual([]);
  await sees(page, 'The tour made a head and a brief.');
  expect((await rows('designs')).map(({ document }) => document.name)).toContain('My first head');
  expect(await rows('briefs')).toHaveLength(before.briefs + 1);
  await press('Undo');
  await page.waitForFunction(() => !document.body.textContent?.includes('My first head'));
  expect(await rows('designs')).toHaveLength(before.designs);
  expect(await rows('briefs')).toHaveLength(before.briefs);
  // It is left at any stop with Escape, and what had been made is told.
  await page.keyboard.type('?');
  await (await page.waitForSelector('.modal .btn-fern'))?.click();
  await page.waitForSelector('.driver-popover-next-btn');
  await page.keyboard.press('Escape');
  await page.waitForFunction(() => !document.querySelector('.driver-popover'));
  expect(await rows('designs')).toHaveLength(before.designs);
  await page.close();
});

it('an empty shop has examples, and a brief begins from a usual situation', async () => {
  const page = await openPage(browser, empty.url);
  const { count, press } = person(page);
  await press('Add six examples');
  await page.waitForFunction(() => document.querySelectorAll('.rack-link').length === 6);
  await page.goto(`${empty.url}/briefs`, { waitUntil: 'load' });
  await press('Dragging broken rock');
  await answered(page);
  await sees(page, 'Dragging broken rock');
  expect(await page.$$('.head-row')).toHaveLength(6);
  expect(count.acts).toBe(2);
  await page.goto(empty.url, { waitUntil: 'load' });
  await page.waitForSelector('.rack-link');
  for (const { id, version } of (
    (await (await fetch(`${empty.url}/api/designs`)).json()) as { items: { id: string; version: number }[] }
  ).items)
    await fetch(`${empty.url}/api/designs/${id}`, {
      method: 'DELETE',
      headers: { 'If-Match': `"v${version}"` },
    });
  await page.close();
});

it('a designer comes from an empty shop to mould halves in eighteen interactions', async () => {
  const page = await openPage(browser, empty.url);
  const { count, press, type } = person(page);
  await press('Pick a shape');
  await (await page.waitForSelector('.shape-card'))?.click();
  count.acts++;
  await page.waitForSelector('.stages');
  await type('Weight', '1/2');
  await press('Larger hook');
  await page.waitForSelector('.save-badge[data-state="saved"]');
  await press('Mould', 'link');
  await press('Lay out a mould');
  await page.waitForSelector('.shop-sheet[data-ready=true] .mould-face path');
  // Both halves as files, as the server was asked for them.
  for (const [button, file] of [
    ['Left, STL', 'left.stl'],
    ['Right, STL', 'right.stl'],
  ] as const) {
    const came = page.waitForResponse((answer) => answer.url().includes(`/files/${file}`));
    await press(button);
    expect((await came).status()).toBe(200);
  }
  expect(count.acts).toBeLessThanOrEqual(18);
  await page.close();
});

it('a hook is laid over another, put on a head from the shelf, and taken off again', async () => {
  const page = await openPage(browser, 'about:blank');
  await page.evaluateOnNewDocument(() =>
    localStorage.setItem('fern-anvil.tray', JSON.stringify(['gravel-oval-1-2'])),
  );
  await page.goto(`${server.url}/stores?shelf=hooks`, { waitUntil: 'load' });
  const { press } = person(page);
  const hookOf = async () =>
    (
      (await (await fetch(`${server.url}/api/designs/gravel-oval-1-2`)).json()) as {
        document: { hook: { size: string; style?: string; grade: string; measured?: { name?: string } } };
      }
    ).document.hook;
  const before = await hookOf();
  await page.waitForSelector('.hook-wall');
  await press('Lay over 3/0');
  await press('Lay over Broads jig 4/0');
  await page.waitForFunction(() => document.querySelectorAll('.laid-over tbody tr').length === 2);
  await press('Take 3/0 away');
  await page.waitForFunction(() => document.querySelectorAll('.laid-over tbody tr').length === 1);
  await press('Put on a head of the tray: Broads jig 4/0');
  await (await page.waitForSelector("::-p-xpath(//button[contains(.,'Gravel Oval 1/2')])"))?.click();
  await sees(page, 'Gravel Oval 1/2 has the hook Broads jig 4/0.');
  expect(await hookOf()).toMatchObject({ size: '4/0', measured: { name: 'Broads jig 4/0' } });
  await press('Undo');
  while (JSON.stringify(await hookOf()) !== JSON.stringify(before))
    await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(resolve)));
  await page.close();
});

it('to a reader of decimal commas every figure is written with them, and read so', async () => {
  const page = await openPage(browser, 'about:blank');
  await page.evaluateOnNewDocument(() => {
    Object.defineProperty(navigator, 'language', { get: () => 'de-DE' });
    localStorage.setItem('fern-anvil.units', '"metric"');
  });
  /** Figures with a decimal point that are seen or stand in fields. */
  const points = () =>
    page.evaluate(() => {
      const found: string[] = [];
      const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      for (let node = walk.nextNode(); node; node = walk.nextNode())
        if (node.parentElement?.checkVisibility() && !node.parentElement.closest('style, script'))
          found.push(...(node.textContent?.match(/.{0,20}\d\.\d.{0,12}/g) ?? []));
      for (const field of document.querySelectorAll('input'))
        if (/\d\.\d/.test(field.value) && field.checkVisibility() && field.type !== 'range')
          found.push(`${field.getAttribute('aria-label')} ${field.value}`);
      return found;
    });
  const left: Record<string, string[]> = {};
  for (const [path, ready] of [
    ['/', '.rack-card'],
    ['/designs/ledge-ball-1-4', '.strip-metal'],
    ['/designs/gravel-oval-1-2/water', '.tank-figures'],
    ['/designs/gravel-oval-1-2/water?view=line', '.tank-figures'],
    ['/designs/tideway-ball-1/rig?plastic=wherry-paddle-4', '.verdict'],
    ['/briefs/hollin-ledges-drag', '.head-row[data-settled=true]'],
    ['/stores', '.stores-table'],
    ['/stores?shelf=hooks', '.hook-wall'],
    ['/batches/pip-april', '.shop-table'],
    ['/designs/pip-1-16/mould', '.shop-sheet[data-ready=true]'],
    ['/range', '.shop-sheet[data-ready=true]'],
    ['/trials/day-2026-05-03', '.counter-more'],
  ] as const) {
    await page.goto(`${server.url}${path}`, { waitUntil: 'load' });
    await page.waitForSelector(ready);
    // Names are what the shop made them; a handbook's chapters are no figures.
    const found = (await points()).filter(
      (text) => !/Cinder Claw|Hollin Tube|Midge|micro body|Handbook/.test(text),
    );
    if (found.length > 0) left[path] = found;
  }
  expect(left).toEqual({});
  await page.goto(`${server.url}/designs/ledge-ball-1-4`, { waitUntil: 'load' });
  await page.waitForSelector('.strip-metal');
  const { type } = person(page);
  await type('Density', '11,25');
  await page.waitForSelector('.save-badge[data-state="saved"]');
  const kept = (await (await fetch(`${server.url}/api/designs/ledge-ball-1-4`)).json()) as {
    document: { head: { density?: number } };
  };
  expect(kept.document.head.density).toBe(11.25);
  expect(
    await (await named(page, 'Density', 'textbox')).evaluate((field) => (field as HTMLInputElement).value),
  ).toBe('11,25');
  await page.close();
});
