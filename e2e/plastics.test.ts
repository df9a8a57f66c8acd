import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { named, openBrowser, openPage, sees } from './browser.ts';
import type { RunningServer } from './server.ts';
import { dataFolder, startServer } from './server.ts';

let server: RunningServer;
let browser: Browser;
let page: Page & { readonly complaints: string[] };
let close: () => Promise<void>;
const data = dataFolder('demo');
const folder = mkdtempSync(join(tmpdir(), 'fern-anvil-plastics-'));

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
const saved = () => page.waitForSelector('.plastic-editor [data-state="saved"]');
const stored = async (id: string) =>
  ((await (await fetch(`${server.url}/api/plastics/${id}`)).json()) as { document: Record<string, unknown> })
    .document;
const cards = () => page.$$eval('.plastic-card', (all) => all.length);

describe('the shelf of plastics', () => {
  it('draws every one to one scale, and is searched and filtered', async () => {
    await go('/stores?shelf=plastics');
    await page.waitForSelector('.plastic-card svg path');
    const all = await cards();
    expect(all).toBeGreaterThan(60);
    await (await named(page, 'Kind', 'combobox')).select('stick');
    await page.waitForFunction(
      (before: number) => document.querySelectorAll('.plastic-card').length < before,
      {},
      all,
    );
    // Five inches are drawn five thirds as long as three.
    const wide = (name: string) =>
      page.$$eval(
        '.plastic-card',
        (list, wanted) => {
          const card = list.find((one) => one.textContent?.includes(wanted));
          return Number(card?.querySelector('svg')?.getAttribute('width')) - 8;
        },
        name,
      );
    expect((await wide('Generic stick 5 in')) / (await wide('Generic stick 3 in'))).toBeCloseTo(5 / 3, 2);
    await (await named(page, 'Kind', 'combobox')).select('');
    await (await named(page, 'In fresh water', 'combobox')).select('floats');
    await page.waitForFunction(() =>
      [...document.querySelectorAll('.plastic-card')].every((card) => card.textContent?.includes('floats')),
    );
    expect(page.url()).toContain('floats=floats');
  });

  it('an editor’s handle is stepped by key and pulled by pointer, and what is pulled is kept', async () => {
    await go('/stores?shelf=plastics&plastic=tarn-grub-3');
    const handle = await named(page, 'Pull the length', 'slider');
    await handle.evaluate((grip) => (grip as unknown as SVGElement).focus());
    for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowUp');
    await page.keyboard.press('Tab');
    await page.waitForFunction(() => document.querySelector('.plastic-editor [data-state="saved"]'));
    await expect
      .poll(async () => (await stored('tarn-grub-3'))['length'], { timeout: 60_000 })
      .toBeCloseTo(78.2, 1);
    const tall = (await stored('tarn-grub-3'))['height'] as number;
    const grip = await named(page, 'Pull the height', 'slider');
    const box = await (grip as ElementHandle).boundingBox();
    if (!box) throw new Error('the handle is not on the screen');
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let i = 1; i <= 8; i++) await page.mouse.move(x, y - 2 * i);
    await page.mouse.up();
    await saved();
    await expect
      .poll(async () => (await stored('tarn-grub-3'))['height'], { timeout: 60_000 })
      .toBeGreaterThan(tall + 2);
  });

  it('a weight goes before the density and says what that must be; a cut makes all anew', async () => {
    await go('/stores?shelf=plastics&plastic=withy-stick-5');
    const type = async (label: string, text: string) => {
      const field = await named(page, label, 'textbox');
      await field.click({ count: 3 });
      await field.type(text);
      await page.keyboard.press('Tab');
    };
    await type('Measured weight', '9.2 g');
    await sees(page, 'Its weight means');
    await type('Cut off the nose', '1 in');
    await sees(page, '4.00 in after the cut');
    await saved();
    await type('Measured weight', '90 g');
    await sees(page, 'no plastic is so dense');
  });

  it('a table is shown before it is taken in; a wrong row is told and nothing is taken', async () => {
    await go('/stores?shelf=plastics');
    await page.waitForSelector('.plastic-card');
    const before = await cards();
    const bring = async (name: string, text: string) => {
      const path = join(folder, name);
      writeFileSync(path, text);
      const input = await page.waitForSelector('input[aria-label="Table of plastics"]');
      await (input as ElementHandle<HTMLInputElement>).uploadFile(path);
    };
    await bring('wrong.csv', 'name,kind,length,breadth,height\nGood,stick,100,9,9\nBad,sausage,100,9,9\n');
    await sees(page, '1 of 2 rows are wrong');
    await sees(page, 'is not known. Use paddle-tail');
    expect(await page.$eval('.modal .btn-fern', (button) => (button as HTMLButtonElement).disabled)).toBe(
      true,
    );
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('.modal'));
    await bring('right.csv', 'name,kind,length,breadth,height\nLantern Stick,stick,100,9,9\n');
    await sees(page, '1 plastics, all sound.');
    await (await named(page, 'Import 1', 'button')).click();
    await sees(page, 'Lantern Stick');
    await page.waitForFunction(
      (was: number) => document.querySelectorAll('.plastic-card').length === was + 1,
      {},
      before,
    );
    const csv = await (await fetch(`${server.url}/api/plastics.csv`)).text();
    expect(csv).toContain('Lantern Stick,stick,100,9,9');
  });
});

describe('the Rig', () => {
  it('every method is drawn and judged, or says why it cannot be used', async () => {
    await go('/designs/tideway-ball-1/rig?plastic=wherry-paddle-4');
    const method = await named(page, 'Rigged', 'combobox');
    const keys = await method.$$eval('option', (options) => options.map((option) => option.value));
    expect(keys).toHaveLength(11);
    for (const key of keys) {
      await method.select(key);
      await page.waitForFunction(
        (wanted: string) => location.search.includes(`method=${wanted}`) || wanted === 'threaded',
        {},
        key,
      );
      await page.waitForFunction(
        () =>
          document.querySelectorAll('.rig-svg path').length > 4 &&
          document.querySelectorAll('.rig-steps li').length > 2,
      );
      const [verdict, obstacle] = await page.$eval('.rig-verdict', (aside) => [
        aside.querySelector('.verdict')?.textContent ?? '',
        aside.querySelector('[data-check="obstacle"]')?.textContent ?? '',
      ]);
      expect(verdict).toMatch(/fits|tight|does not fit/);
      if (['tube-insert', 'hollow-insert'].includes(key)) expect(obstacle).toContain('✕');
    }
  });

  it('a fix is done by its button: the screw that a method wants is put on', async () => {
    await go('/designs/tideway-ball-1/rig?plastic=withy-stick-5&method=screwed');
    await sees(page, 'no screw to turn the nose on to');
    await (await named(page, 'Apply: Give it a screw keeper', 'button')).click();
    await page.waitForFunction(
      () =>
        !document.querySelector('[data-check="obstacle"]') &&
        document.querySelector('[data-check="rig.exit"]'),
    );
    await page.waitForSelector('.rig-head [data-state="saved"]');
    const { document: design } = (await (await fetch(`${server.url}/api/designs/tideway-ball-1`)).json()) as {
      document: { keeper: { kind: string } };
    };
    expect(design.keeper.kind).toBe('screw');
  });

  it('turns at will by key, and the address keeps it', async () => {
    await go('/designs/alder-wedge-1-2/rig?plastic=mudlark-flat-3&method=exposed');
    const turn = await named(page, 'Turn', 'slider');
    await turn.focus();
    const before = await page.$eval('.rig-svg', (svg) => svg.innerHTML);
    for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowRight');
    await page.waitForFunction(() => document.querySelector('.rig-turn output')?.textContent === '30°');
    await page.waitForSelector('.rig-svg[aria-label*="turned by 30"]');
    expect(page.url()).toContain('turn=30');
    expect(await page.$eval('.rig-svg', (svg) => svg.innerHTML)).not.toBe(before);
  });

  it('lists hooks and heads for the plastic, and a rigging card', async () => {
    await page.waitForFunction(
      () =>
        document.querySelectorAll('.rig-ways ol').length === 2 &&
        [...document.querySelectorAll('.rig-ways ol')].every((list) => list.children.length > 2),
    );
    const href = await page.$eval('.rig-head a[download]', (link) => (link as HTMLAnchorElement).href);
    const answer = await fetch(href);
    expect(answer.headers.get('content-type')).toBe('application/pdf');
    expect(
      Buffer.from(await answer.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
    expect((await fetch(`${href}&sheet=true`)).status).toBe(200);
    const pair = await page.$eval(
      '.rig-head a[href*=counter-card]',
      (link) => (link as HTMLAnchorElement).href,
    );
    expect((await fetch(pair)).headers.get('content-type')).toBe('application/pdf');
    const wrong = await fetch(href.replace(/method=\w+/, 'method=glued'));
    expect(wrong.status).toBe(422);
  });

  it('the same bait is put on all heads side by side, on each as it goes best', async () => {
    await page.evaluate(() =>
      localStorage.setItem(
        'fern-anvil.tray',
        JSON.stringify(['ledge-ball-1-4', 'stub-quay-1-8', 'tube-slug-1-4']),
      ),
    );
    await go('/compare');
    await page.waitForSelector('option[value="hollin-tube-3-5"]');
    await (await named(page, 'Bait on all', 'combobox')).select('hollin-tube-3-5');
    await sees(page, 'inside a tube');
    await (await named(page, 'Rigged', 'combobox')).select('threaded');
    await page.waitForFunction(
      () =>
        !document.body.innerText.includes('on each as it goes best') ||
        location.search.includes('method=threaded'),
    );
    expect(page.url()).toContain('plastic=hollin-tube-3-5');
  });

  it('no page complained', () => {
    expect(page.complaints.filter((text) => !text.includes('422'))).toEqual([]);
  });
});
