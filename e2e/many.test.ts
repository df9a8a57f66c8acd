import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { RackIndex } from '../src/contract/api.ts';
import { isWhole } from '../src/core/test-kit/runs.ts';
import { named, openBrowser, openPage, sees } from './browser.ts';
import { hangMany } from './many.ts';
import type { RunningServer } from './server.ts';
import { dataFolder, startServer } from './server.ts';

let server: RunningServer;
let browser: Browser;
let page: Page & { readonly complaints: string[] };
let close: () => Promise<void>;
let asked: string[];
let cards: RackIndex['cards'];
const data = dataFolder();

beforeAll(async () => {
  await hangMany(data.path, 5000);
  server = await startServer(data.path);
  ({ browser, close } = await openBrowser());
  page = await openPage(browser, `${server.url}/stores`);
  asked = [];
  page.on('request', (request) =>
    asked.push(new URL(request.url()).pathname + new URL(request.url()).search),
  );
  ({ cards } = (await (await fetch(`${server.url}/api/rack`)).json()) as RackIndex);
});
afterAll(async () => {
  await close();
  await server.end();
  data.remove();
});

const go = (path: string) => page.goto(`${server.url}${path}`, { waitUntil: 'load' });
const count = () => page.$eval('.rack-count', (element) => element.textContent ?? '');
const countBecomes = (test: string) =>
  page.waitForFunction(
    (pattern: string) => new RegExp(pattern).test(document.querySelector('.rack-count')?.textContent ?? ''),
    {},
    test,
  );
/** Every card on the screen has its outline, or says that it cannot be built. */
const allDrawn = () =>
  page.waitForFunction(() => {
    const shown = [...document.querySelectorAll('.rack-card')];
    return shown.length > 4 && shown.every((card) => card.querySelector('.fig, .rack-broken'));
  });
const names = () => page.$$eval('.rack-label b', (labels) => labels.map((label) => label.textContent ?? ''));
const focusOn = async (name: string) => {
  const link = await page.waitForSelector(
    `::-p-xpath(//a[contains(@class, 'rack-link')][.//b[text()='${name}']])`,
  );
  await link?.evaluate((element) => (element as HTMLElement).focus());
};
const emptyTray = () => page.evaluate(() => localStorage.removeItem('fern-anvil.tray'));
const trayNames = () =>
  page.$$eval('.tray-item .tray-name span', (labels) => labels.map((label) => label.textContent ?? ''));
const trayBecomes = (wanted: readonly string[]) =>
  page.waitForFunction(
    (texts: string) =>
      JSON.stringify(
        [...document.querySelectorAll('.tray-item .tray-name span')].map((label) => label.textContent),
      ) === texts,
    {},
    JSON.stringify(wanted),
  );

// Filling it takes as long as all that is looked at in it: before a change lands.
describe.runIf(isWhole)('a Rack of five thousand', () => {
  it('counts them all and draws only those near the window', async () => {
    await go('/');
    await allDrawn();
    const hanging = cards.filter(({ archived }) => !archived).length;
    expect(hanging).toBeGreaterThan(4900);
    expect(await count()).toBe(`${hanging} of ${hanging}`);
    expect(await page.$$eval('.rack-card', (all) => all.length)).toBeLessThan(120);
  });

  it('is scrolled through to its end, each head with its outline, and still holds few of them', async () => {
    const first = await names();
    for (let turn = 0; turn < 8; turn++) {
      await page.mouse.move(640, 420);
      await page.mouse.wheel({ deltaY: 1500 });
    }
    await page.waitForFunction(
      (name: string) => document.querySelector('.rack-label b')?.textContent !== name,
      {},
      first[0] ?? '',
    );
    await allDrawn();
    // To the very end.
    await page.evaluate(() => {
      const frame = [...document.querySelectorAll<HTMLElement>('main *')].find(
        (element) => element.scrollHeight > element.clientHeight + 5000,
      );
      if (!frame) throw new Error('nothing on the Rack scrolls');
      frame.scrollTop = frame.scrollHeight;
    });
    const heaviest = cards
      .filter(({ archived, grams }) => !archived && grams !== null)
      .reduce((a, b) => ((b.grams ?? 0) > (a.grams ?? 0) ? b : a));
    await page.waitForFunction(
      (grams: string) =>
        [...document.querySelectorAll('.rack-label b')].some((label) => label.textContent?.startsWith(grams)),
      {},
      heaviest.name.replace(/ \d+$/, ''),
    );
    await allDrawn();
    expect(await page.$$eval('.rack-card', (all) => all.length)).toBeLessThan(120);
  });

  it('is searched as one types, and the address keeps it', async () => {
    await go('/');
    await allDrawn();
    const wanted = cards.filter(({ archived, name }) => !archived && / 77$/.test(name));
    expect(wanted.length).toBeGreaterThan(5);
    const one = wanted[0]?.name ?? '';
    await page.type('input[type=search]', one);
    await countBecomes('^1 of');
    expect(await names()).toEqual([one]);
    await page.reload();
    await countBecomes('^1 of');
    expect(await page.$eval('input[type=search]', (input) => (input as HTMLInputElement).value)).toBe(one);
  });

  it('is filtered by shape and metal together, to as many as there are', async () => {
    await go('/');
    await allDrawn();
    await (await named(page, 'Shape', 'combobox')).select('football');
    await (await named(page, 'Metal', 'combobox')).select('tungsten');
    const wanted = cards.filter(
      ({ archived, family, metal }) => !archived && family === 'football' && metal === 'tungsten',
    );
    await countBecomes(`^${wanted.length} of`);
  });
});

describe.runIf(isWhole)('the tray in a large shop', () => {
  const pair = () => [cards[0]?.name ?? '', cards[1]?.name ?? ''] as const;
  const put = async (name: string) => {
    await go(`/?q=${encodeURIComponent(name)}`);
    await focusOn(name);
    await page.keyboard.press('t');
  };

  it('asks for the heads it holds and never for all of them, on the Rack, the Bench and side by side', async () => {
    await go('/');
    await emptyTray();
    const [one, two] = pair();
    await put(one);
    await put(two);
    await trayBecomes([one, two]);
    asked.length = 0;
    await go('/');
    await allDrawn();
    await trayBecomes([one, two]);
    await go(`/designs/${cards[2]?.id}`);
    await page.waitForSelector('[data-reading="mass.metal"]');
    await trayBecomes([one, two]);
    await go('/compare');
    await page.waitForSelector('.overlay svg');
    expect(await page.$$eval('.column-head a', (links) => links.map((link) => link.textContent))).toEqual([
      one,
      two,
    ]);
    const whole = asked.filter((path) => /^\/api\/designs\?/.test(path));
    expect(whole).toEqual([]);
    for (const { id } of cards.slice(0, 2)) expect(asked).toContain(`/api/designs/${id}`);
  });

  it('shapes and metals are named side by side as they are everywhere', async () => {
    const shape = await page.$$eval('.compare-table tr', (rows) =>
      rows.map((row) => row.textContent ?? '').find((text) => text.startsWith('Shape')),
    );
    // Keys of families are one small word; their names begin with a capital.
    if (shape) expect(shape.replace(/^Shape[\d%\s]*/, '')).toMatch(/^[A-Z]/);
  });

  it('loses a head that is deleted, and Undo brings it back into its place', async () => {
    const [one, two] = pair();
    await go(`/?q=${encodeURIComponent(one)}`);
    await trayBecomes([one, two]);
    await focusOn(one);
    await page.keyboard.press('Delete');
    await sees(page, `${one} is deleted.`);
    await trayBecomes([two]);
    await (await named(page, 'Undo', 'button')).click();
    await trayBecomes([one, two]);
  });

  it('shows a head’s new name and weight as soon as they are saved elsewhere on the screen', async () => {
    const [one, two] = pair();
    await go(`/designs/${cards[0]?.id}`);
    await trayBecomes([one, two]);
    const weightOf = () => page.$eval('.tray-item small', (element) => element.textContent ?? '');
    const before = await weightOf();
    const weight = await named(page, 'Weight', 'textbox');
    await weight.click({ count: 3 });
    await weight.type('21 g');
    await page.keyboard.press('Enter');
    await page.waitForFunction(
      (text: string) => document.querySelector('.tray-item small')?.textContent !== text,
      {},
      before,
    );
    expect(await trayNames()).toEqual([one, two]);
  });

  it('says when it is full, and a deleted head’s place is given to the next', async () => {
    // Names with three figures at the end are found alone.
    const hanging = cards.filter(({ archived, name }) => !archived && / \d{3}$/.test(name)).slice(0, 7);
    const [gone = '', ...others] = hanging.map(({ name }) => name);
    const seventh = others.at(-1) ?? '';
    await page.evaluate(
      (ids: string) => localStorage.setItem('fern-anvil.tray', ids),
      JSON.stringify(hanging.slice(0, 6).map(({ id }) => id)),
    );
    await put(seventh);
    await sees(page, 'The tray holds 6. Remove one first.');
    await trayBecomes([gone, ...others.slice(0, 5)]);
    await go(`/?q=${encodeURIComponent(gone)}`);
    await focusOn(gone);
    await page.keyboard.press('Delete');
    await trayBecomes(others.slice(0, 5));
    expect(await page.$eval('.bar-count', (element) => element.textContent)).toBe('5');
    const search = await page.waitForSelector('input[type=search]');
    await search?.click({ count: 3 });
    await search?.type(seventh);
    // A card that is about to be hung anew would lose the key.
    await countBecomes('^1 of ');
    await focusOn(seventh);
    await page.keyboard.press('t');
    await trayBecomes(others);
    expect(await page.$eval('.bar-count', (element) => element.textContent)).toBe('6');
  });
});
