import type { Page } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import type { OpenBrowser } from './browser.ts';
import { named, openBrowser, openPage, openWindow, sees } from './browser.ts';
import type { RunningServer } from './server.ts';
import { dataFolder, startServer } from './server.ts';

let data: ReturnType<typeof dataFolder>;
let server: RunningServer;
let chromium: OpenBrowser;
/** Pages that are open, and whether they must not complain. */
let pages: { page: Page & { complaints: string[] }; calm: boolean }[] = [];
/** What pages complained of that must not. */
const told: string[] = [];
// A page that stays open goes on drawing, and takes that from the tests after it.
afterEach(async () => {
  for (const { page, calm } of pages) {
    if (calm)
      told.push(
        ...page.complaints.filter((text) => !text.includes('412')).map((text) => `${page.url()} ${text}`),
      );
    if (!page.isClosed()) await page.close();
  }
  pages = [];
});

beforeAll(async () => {
  data = dataFolder('demo');
  server = await startServer(data.path, { demo: true });
  chromium = await openBrowser();
});
afterAll(async () => {
  await chromium.close();
  await server.end();
  data.remove();
});

/** A page at an address of the application. `calm` pages must not complain on their console. */
async function at(path: string, calm = true) {
  const page = (await openPage(chromium.browser, `${server.url}${path}`)) as Page & { complaints: string[] };
  pages.push({ page, calm });
  return page;
}

/** Value of a reading as the screen shows it. */
const readingOf = (page: Page, id: string) =>
  page.$eval(`[data-reading="${id}"]`, (element) => element.textContent ?? '');
/** Waits until a reading shows something else, and gives it. */
async function readingAfter(page: Page, id: string, before: string): Promise<string> {
  await page.waitForFunction(
    (key: string, old: string) => {
      const shown = document.querySelector(`[data-reading="${key}"]`)?.textContent;
      return shown !== undefined && shown !== '' && shown !== old;
    },
    {},
    id,
    before,
  );
  return readingOf(page, id);
}
const saved = (page: Page) => page.waitForSelector('[data-state="saved"]');
const field = (page: Page, label: string) => named(page, label, 'textbox');
async function type(page: Page, label: string, text: string, role = 'textbox'): Promise<void> {
  const input = await named(page, label, role);
  await input.click({ count: 3 });
  await input.type(text);
  await page.keyboard.press('Enter');
}
/** A document as the server holds it. */
const kept = async (path: string) =>
  (await (await fetch(`${server.url}/api/${path}`)).json()) as {
    version: number;
    document: Record<string, never>;
  };

describe('Rack', () => {
  it('hangs the demo heads, opens one, and every head is reachable by keyboard', async () => {
    const page = await at('/');
    await sees(page, '32 of 32');
    const count = await page.$$eval('.rack-card', (cards) => cards.length);
    expect(count).toBeGreaterThanOrEqual(9);
    await page.waitForFunction(
      (cards) => document.querySelectorAll('.rack-card svg .fig').length >= cards,
      {},
      count,
    );
    await page.focus('a.rack-link');
    const first = await page.evaluate(() => document.activeElement?.textContent);
    await page.keyboard.press('ArrowRight');
    const second = await page.evaluate(() => document.activeElement?.textContent);
    expect(second).not.toBe(first);
    await page.keyboard.press('End');
    // The last head was not even drawn before: the Rack hangs what is on screen.
    await page.waitForFunction(
      () =>
        document.activeElement?.textContent?.includes('Deep Torpedo') ||
        document.activeElement?.getAttribute('data-index') === '31',
    );
    await page.keyboard.press('Enter');
    await page.waitForSelector('.bench');
    expect(page.url()).toContain('/designs/');
  });

  it('searches, filters and keeps that in the address', async () => {
    const page = await at('/');
    await sees(page, '32 of 32');
    await page.keyboard.press('/');
    await page.keyboard.type('reedcutter');
    await page.waitForFunction(() => document.querySelectorAll('.rack-card').length === 2);
    expect(page.url()).toContain('q=reedcutter');
    await page.reload();
    await page.waitForFunction(() => document.querySelectorAll('.rack-card').length === 2);
    await page.keyboard.press('/');
    await page.keyboard.type('zzz');
    await sees(page, 'No heads found');
    await (await named(page, 'Show all 32', 'button')).click();
    await sees(page, '32 of 32');
  });

  it('makes a new head, deletes it by key and brings it back with Undo', async () => {
    const page = await at('/');
    await sees(page, '32 of 32');
    await page.keyboard.press('n');
    await (
      await page.waitForSelector(
        '::-p-xpath(//button[contains(@class, "shape-card")][.//b[text()="Football"]])',
      )
    )?.click();
    await page.waitForSelector('.bench [data-reading="mass.metal"]');
    expect(await readingOf(page, 'mass.metal')).toBe('3/8 oz');
    await page.goto(`${server.url}/?q=new+football`);
    await page.waitForFunction(() => document.querySelectorAll('.rack-card').length === 1);
    await page.focus('a.rack-link');
    await page.keyboard.press('Delete');
    await sees(page, 'New football is deleted.');
    await page.waitForFunction(() => document.querySelectorAll('.rack-card').length === 0);
    await (await named(page, 'Undo', 'button')).click();
    await page.waitForFunction(() => document.querySelectorAll('.rack-card').length === 1);
  });
});

describe('Bench', () => {
  it('a dragged breadth moves drawing and readings at once, and is saved without being told', async () => {
    const page = await at('/designs/gravel-oval-1-2');
    await page.waitForSelector('[data-reading="head.breadth"]');
    const before = {
      breadth: await readingOf(page, 'head.breadth'),
      length: await readingOf(page, 'head.length'),
    };
    const handle = await named(page, 'Breadth', 'slider');
    const box = await handle.boundingBox();
    if (!box) throw new Error('the handle is not on the screen');
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x, y - 20, { steps: 6 });
    const during = await readingAfter(page, 'head.breadth', before.breadth);
    expect(parseFloat(during)).toBeGreaterThan(parseFloat(before.breadth));
    await page.mouse.up();
    await saved(page);
    // The weight is held: what grows across must shrink along.
    expect(await readingOf(page, 'mass.metal')).toBe('1/2 oz');
    expect(parseFloat(await readingOf(page, 'head.length'))).toBeLessThan(parseFloat(before.length));
    const { document } = await kept('designs/gravel-oval-1-2');
    const breadth = (document['head'] as unknown as { dimensions: { breadth: number } }).dimensions.breadth;
    await page.reload();
    await page.waitForSelector('[data-reading="head.breadth"]');
    expect(parseFloat(await readingOf(page, 'head.breadth'))).toBeCloseTo(breadth / 25.4, 2);
  });

  it('a typed weight scales the head, in whatever unit it is typed', async () => {
    const page = await at('/designs/broads-drop-1-2');
    await page.waitForSelector('[data-reading="mass.metal"]');
    const before = await readingOf(page, 'head.length');
    await type(page, 'Weight', '10.631 g');
    await readingAfter(page, 'head.length', before);
    expect(await readingOf(page, 'mass.metal')).toBe('3/8 oz');
    await saved(page);
    await type(page, 'Weight', '1/2');
    await page.waitForFunction(
      () => document.querySelector('[data-reading="mass.metal"]')?.textContent === '1/2 oz',
    );
    await saved(page);
  });

  it('what is typed and not yet left is there after a reload', async () => {
    const page = await at('/designs/stub-quay-1-8');
    await page.waitForSelector('[data-reading="mass.metal"]');
    const field = await named(page, 'Weight', 'textbox');
    await field.click({ count: 3 });
    await field.type('3/16');
    await page.reload();
    await page.waitForFunction(
      () => document.querySelector('[data-reading="mass.metal"]')?.textContent === '3/16 oz',
    );
    await saved(page);
  });

  it('the weight slider scales the head, catches at packet weights, and works by keyboard', async () => {
    const page = await at('/designs/ledge-ball-1-4-t');
    await page.waitForSelector('[data-reading="head.length"]');
    const before = await readingOf(page, 'head.length');
    await (await named(page, 'Target weight', 'slider')).focus();
    for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowRight');
    expect(parseFloat(await readingAfter(page, 'head.length', before))).toBeGreaterThan(parseFloat(before));
    await saved(page);
    await type(page, 'Weight', '1/4');
    await page.waitForFunction(
      () => document.querySelector('[data-reading="mass.metal"]')?.textContent === '1/4 oz',
    );
    await saved(page);
  });

  it('judged in a brief, the time to depth is that of its water', async () => {
    const page = await at('/designs/gravel-oval-1-2');
    await page.waitForSelector('[data-reading="fall.timeToDepth"]');
    const plain = await readingOf(page, 'fall.timeToDepth');
    await (await named(page, 'Judged in', 'combobox')).select('tideway-bass');
    expect(parseFloat(await readingAfter(page, 'fall.timeToDepth', plain))).toBeGreaterThan(
      2 * parseFloat(plain),
    );
    expect(page.url()).toContain('brief=tideway-bass');
    // And the design is judged there with its reasons.
    await page.waitForSelector('.judged-standing .answer-line');
    await page.waitForSelector('.judged-standing h3 [data-out]');
  });

  it('a dragged weight name scales the head while it moves', async () => {
    const page = await at('/designs/tideway-ball-1');
    await page.waitForSelector('[data-reading="head.length"]');
    const before = await readingOf(page, 'head.length');
    const label = await page.waitForSelector('.weight-row label');
    const box = await label?.boundingBox();
    if (!box) throw new Error('the weight is not on the screen');
    await page.mouse.move(box.x + 10, box.y + 8);
    await page.mouse.down();
    await page.mouse.move(box.x + 50, box.y + 8, { steps: 5 });
    const during = await readingAfter(page, 'head.length', before);
    expect(parseFloat(during)).toBeGreaterThan(parseFloat(before));
    await page.mouse.up();
    await saved(page);
  });

  it('by keyboard alone: eye angle on its handle, hook size by its list, units by U', async () => {
    const page = await at('/designs/rubble-oval-3-8');
    await page.waitForSelector('[data-reading="hook.biteAboveEye"]');
    const bite = await readingOf(page, 'hook.biteAboveEye');
    await (await named(page, 'Eye angle', 'slider')).evaluate((element) => (element as SVGGElement).focus());
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowDown');
    await readingAfter(page, 'hook.biteAboveEye', bite);
    await saved(page);
    const gap = await readingOf(page, 'hook.gap');
    await (await named(page, 'Larger hook', 'button')).focus();
    await page.keyboard.press('Enter');
    await readingAfter(page, 'hook.gap', gap);
    const inches = await readingOf(page, 'head.length');
    await page.keyboard.press('u');
    const mm = await readingAfter(page, 'head.length', inches);
    expect(parseFloat(mm) / parseFloat(inches)).toBeCloseTo(25.4, 0);
    const version = (await kept('designs/rubble-oval-3-8')).version;
    await page.keyboard.press('u');
    await readingAfter(page, 'head.length', mm);
    await saved(page);
    expect((await kept('designs/rubble-oval-3-8')).version).toBeGreaterThanOrEqual(version);
  });

  it('bad typing is told at the field, keeps what was typed, and Escape gives the old value back', async () => {
    const page = await at('/designs/ledge-ball-1-4');
    await page.waitForSelector('[data-reading="mass.metal"]');
    const input = await field(page, 'Breadth');
    const old = await input.evaluate((element) => (element as HTMLInputElement).value);
    for (const [text, message] of [
      ['wide', 'is not a number I can read'],
      ['0', 'must be from'],
      ['-3', 'must be from'],
      ['1e9', 'must be from'],
    ] as const) {
      await type(page, 'Breadth', text);
      await sees(page, message);
      expect(await input.evaluate((element) => (element as HTMLInputElement).value)).toBe(text);
      expect(await input.evaluate((element) => element.getAttribute('aria-invalid'))).toBe('true');
    }
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('[aria-invalid="true"]'));
    expect(await input.evaluate((element) => (element as HTMLInputElement).value)).toBe(old);
    await type(page, 'Name', 'x'.repeat(130));
    await sees(page, 'at most 120 fit');
    await page.keyboard.press('Escape');
  });

  it('a hook thicker than the head: the reason stands at the field and the last good drawing stays', async () => {
    const page = await at('/designs/pip-1-16');
    await page.waitForSelector('[data-reading="mass.metal"]');
    await type(page, 'Hook size', '8/0', 'combobox');
    await sees(page, 'last state that could be built');
    expect(
      await page.$$eval('.field-said', (said) => said.map((element) => element.textContent).join(' ')),
    ).toMatch(/wire of 0\.0\d\d in/);
    await type(page, 'Hook size', '9/0', 'combobox');
    await sees(page, 'is not in the chart');
    await type(page, 'Hook size', '2', 'combobox');
    await page.waitForFunction(() => !document.querySelector('.plate-outdated'));
    await saved(page);
  });

  it('shows the same weight and the same size in lead, bismuth-tin and tungsten', async () => {
    const page = await at('/designs/gravel-oval-3-4-t');
    await page.waitForSelector('.strip-metal');
    const strip = await page.$$eval('.strip-metal h3', (heads) =>
      heads.map((element) => element.textContent),
    );
    expect(strip).toEqual(['Lead', 'Bismuth-tin 58/42', 'Tungsten (heavy alloy)']);
    expect(
      await page.$$eval('.strip-case svg .fig-metal', (outlines) => outlines.length),
    ).toBeGreaterThanOrEqual(6);
  });
});

describe('Tray and Side by side', () => {
  it('two designs from the Rack, compared, reordered by keyboard and by dragging, kept across a reload', async () => {
    const page = await at('/');
    await page.waitForSelector('.rack-card');
    await page.evaluate(() => localStorage.removeItem('fern-anvil.tray'));
    for (const name of ['Ledge Ball 1/4 T', 'Reedcutter 3/8']) {
      await page.goto(`${server.url}/?q=${encodeURIComponent(name)}`);
      const card = await page.waitForSelector(
        `::-p-xpath(//a[contains(@class, 'rack-link')][.//b[text()='${name}']])`,
      );
      await card?.evaluate((element) => (element as HTMLElement).focus());
      await page.keyboard.press('t');
    }
    await (await named(page, 'Compare 2', 'button')).click();
    await page.waitForSelector('.overlay svg');
    const order = () => page.$$eval('.column-head a', (links) => links.map((element) => element.textContent));
    expect(await order()).toEqual(['Ledge Ball 1/4 T', 'Reedcutter 3/8']);
    // Differences that are sure first, the greatest first; leverage and inertia come last.
    const heads = await page.$$eval('.compare-table tbody th', (cells) =>
      cells.map((cell) => cell.textContent ?? ''),
    );
    const late = heads.findIndex((text) => /inertia|Lever|Centre/.test(text));
    const within = heads.findIndex((text) => text.includes('within their ranges'));
    expect(late === -1 || late > 5).toBe(true);
    const sure = heads.slice(0, within === -1 ? late : within).flatMap((text) => {
      const apart = /(\d+)% apart/.exec(text)?.[1];
      return apart === undefined ? [] : [Math.min(500, Number(apart))];
    });
    expect(sure).toEqual([...sure].sort((a, b) => b - a));
    expect((await page.$$('.compare-chart svg')).length).toBe(4);
    expect(await page.$$eval('.overlay-head', (paths) => paths.length)).toBe(4);

    const grip = await page.waitForSelector('.column-head .grip');
    await grip?.focus();
    await page.keyboard.press('Space');
    await page.waitForFunction(() =>
      [...document.querySelectorAll('[id^="DndLiveRegion"]')].some((region) =>
        region.textContent?.includes('lifted'),
      ),
    );
    // The drag begins to listen for arrows a moment after it was announced.
    const isOver = () =>
      page.evaluate(() =>
        [...document.querySelectorAll('[id^="DndLiveRegion"]')].some((region) =>
          region.textContent?.includes('is over'),
        ),
      );
    while (!(await isOver())) await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Space');
    await page.waitForFunction(
      () => document.querySelector('.column-head a')?.textContent === 'Reedcutter 3/8',
    );

    const [first, second] = await page.$$('.tray-item .grip');
    const [from, to] = [await first?.boundingBox(), await second?.boundingBox()];
    if (!from || !to) throw new Error('the tray is not on the screen');
    await page.mouse.move(from.x + 4, from.y + 10);
    await page.mouse.down();
    await page.mouse.move(from.x + 30, from.y + 10, { steps: 4 });
    await page.mouse.move(to.x + 40, to.y + 10, { steps: 8 });
    await page.mouse.up();
    await page.waitForFunction(
      () => document.querySelector('.column-head a')?.textContent === 'Ledge Ball 1/4 T',
    );
    await page.reload();
    await page.waitForSelector('.overlay svg');
    expect(await order()).toEqual(['Ledge Ball 1/4 T', 'Reedcutter 3/8']);
  });

  it('the questions of a brief come first, one is pinned, metals come by a key, and the table goes out', async () => {
    const page = await at('/compare?brief=hollin-ledges-drag');
    await page.evaluate(() =>
      localStorage.setItem('fern-anvil.tray', JSON.stringify(['gravel-oval-1-2', 'ledge-ball-1-4'])),
    );
    await page.reload();
    await sees(page, '(decides)');
    const first = await page.$eval('.compare-table tbody tr', (row) => row.textContent ?? '');
    expect(first).toMatch(/yes|barely|no/);
    await (await page.waitForSelector('.column-head [aria-pressed=false]'))?.click();
    await page.waitForSelector('.column-head [aria-pressed=true]');
    expect(page.url()).toContain('pin=gravel-oval-1-2');
    const grams = await page.$$eval('.compare-table tbody tr', (rows) =>
      rows
        .map((row) => row.textContent ?? '')
        .find((text) => text.startsWith('Metal') && text.includes('apart')),
    );
    expect(grams).toMatch(/−/);
    await page.keyboard.press('m');
    await page.waitForFunction(() =>
      /tungsten, its weight/.test(document.querySelector('.compare-table')?.textContent ?? ''),
    );
    expect((await page.$$('.column-head a')).length).toBeGreaterThanOrEqual(3);
    expect(page.url()).toContain('metals=both');
    await page.evaluate(() => {
      window.print = () => document.body.setAttribute('data-printed', 'true');
    });
    await (await named(page, 'Print', 'button')).click();
    await page.waitForSelector('body[data-printed=true]');
  });

  it('one head alone asks for another', async () => {
    const page = await at('/compare');
    await page.evaluate(() => localStorage.setItem('fern-anvil.tray', JSON.stringify(['pip-1-16'])));
    await page.reload();
    await sees(page, 'Two heads or more, please');
  });
});

describe('Rig', () => {
  it('tells whether a plastic fits, and doing what it says makes it fit better', async () => {
    const page = await at('/designs/ledge-ball-1-4/rig?plastic=wherry-paddle-4');
    await page.waitForSelector('[data-check="rig.exit"]');
    // Every plastic on the list says how it fits, before it is chosen.
    await page.waitForFunction(
      () => document.querySelectorAll('.rig-plastics .plastic-verdict').length === 60,
    );
    const verdict = () => page.$eval('[data-check="rig.exit"]', (element) => element.className);
    const before = await verdict();
    expect(before).not.toContain('check-good');
    const proposal = await page.waitForSelector('[data-check="rig.exit"] .btn-link-brass');
    await proposal?.click();
    await page.waitForFunction(() =>
      document.querySelector('[data-check="rig.exit"]')?.classList.contains('check-good'),
    );
    await saved(page);
    await (await named(page, 'Rigged', 'combobox')).select('buried');
    await page.waitForSelector('[data-check="rig.straight"]');
    expect(page.url()).toContain('method=buried');
  });
});

describe('Briefs', () => {
  /** The names of the heads in the answer, the first first. */
  const order = (page: Page) =>
    page.$$eval('.head-row h3 a', (links) => links.map((element) => element.textContent ?? ''));
  const answered = (page: Page) =>
    page.waitForFunction(() =>
      /\d+ heads answered/.test(document.querySelector('.ranking-head')?.textContent ?? ''),
    );

  it('answers question by question with grounds, and anew to a changed brief', async () => {
    const page = await at('/briefs');
    await sees(page, 'Which water, which bait?');
    await (
      await page.waitForSelector("::-p-xpath(//a[.//b[text()='Reed beds of the Skarn Broads']])")
    )?.click();
    await answered(page);
    expect((await order(page))[0]).toMatch(/^Reedcutter|^Marsh|^Sedge|^Slotted/);
    // A head opens on the Bench judged in the same brief.
    expect(await page.$eval('.head-row h3 a', (link) => link.getAttribute('href'))).toMatch(
      /\?brief=broads-reeds$/,
    );
    // Every mark has a word beside its shape.
    const marks = await page.$$eval('.head-row .sign', (signs) =>
      signs.map((sign) => sign.textContent ?? ''),
    );
    expect(marks.length).toBeGreaterThan(40);
    expect(marks.every((text) => /yes|barely|no|unsaid/.test(text))).toBe(true);
    await (await page.waitForSelector('.head-row[data-out=true] .head-row-tools button'))?.click();
    await page.waitForSelector('.head-row-open .answer-line p[data-side=against]');
    await (await named(page, 'Cover', 'combobox')).select('open');
    await (await named(page, 'Bottom', 'combobox')).select('gravel');
    await page.waitForFunction(
      () =>
        !/^Reedcutter|^Marsh|^Sedge/.test(document.querySelector('.head-row h3 a')?.textContent ?? 'Marsh'),
    );
    await saved(page);
    const { document: brief } = await kept('briefs/broads-reeds');
    expect(brief['cover']).toMatchObject({ kinds: [] });
  });

  it('a new brief has its first answer by keyboard alone within twelve presses', async () => {
    const page = await at('/briefs');
    await sees(page, 'Which water, which bait?');
    let presses = 0;
    const press = async (key: Parameters<Page['keyboard']['press']>[0]) => {
      presses++;
      await page.keyboard.press(key);
    };
    await press('n');
    await answered(page);
    // To the first question, and through the six: a word is chosen by its first letter.
    await (await named(page, 'Water', 'combobox')).focus();
    await press('s');
    await press('Tab');
    presses++;
    await page.keyboard.type('20 ft');
    await press('Tab');
    await press('b');
    await press('Tab');
    await press('Tab');
    await press('d');
    await press('d');
    await answered(page);
    await saved(page);
    expect(presses).toBeLessThanOrEqual(12);
    const id = page.url().split('/').at(-1) ?? '';
    const { document: brief } = await kept(`briefs/${id}`);
    expect(brief).toMatchObject({
      water: { kind: 'sea' },
      bottom: { kinds: ['broken rock'] },
      fishing: { retrieve: 'drag' },
    });
    expect((brief as unknown as { water: { depth: number } }).water.depth).toBeCloseTo(6.096, 3);
    expect((await order(page)).length).toBeGreaterThan(5);
  });

  it('offers the smallest change, and makes it as a copy that stands better', async () => {
    const page = await at('/briefs/hollin-ledges-drag');
    await answered(page);
    const designs = async () =>
      ((await (await fetch(`${server.url}/api/designs?limit=1`)).json()) as { total: number }).total;
    const before = await designs();
    // The first of those that are out and can be mended.
    const rows = await page.$$('.head-row[data-out=true] .head-row-tools button:first-child');
    let isMade = false;
    for (const row of rows.slice(0, 6)) {
      await row.click();
      await page.waitForFunction(() => !/Looking for the smallest/.test(document.body.textContent ?? ''));
      const copy = await page.$("::-p-xpath(//button[text()='Copy with this change'])");
      if (!copy) continue;
      await copy.click();
      await sees(page, 'added to the Rack.');
      isMade = true;
      break;
    }
    expect(isMade).toBe(true);
    expect(await designs()).toBe(before + 1);
  });
});

describe('Rules, uses and sayings', () => {
  it('a rule is tried, refused with its place, kept, switched off, and the shipped ones restored', async () => {
    const page = await at('/rules?find=cracks-ball');
    await sees(page, 'A round ball stays out of cracks.');
    await (await page.waitForSelector("::-p-xpath(//button[text()='Edit'])"))?.click();
    await page.waitForSelector('.rule-editor');
    await sees(page, 'Applies to');
    const when = await page.waitForSelector('.rule-editor-when textarea');
    const write = async (text: string) => {
      await when?.click({ clickCount: 3 });
      await page.keyboard.down('Control');
      await page.keyboard.press('a');
      await page.keyboard.up('Control');
      await when?.type(text);
    };
    await write('[{"fact":"moon","in":["full"]}]');
    await (await named(page, 'Save the rule', 'button')).click();
    await sees(page, 'is not a fact');
    // What was typed is still there.
    expect(await when?.evaluate((element) => (element as HTMLTextAreaElement).value)).toContain('moon');
    await write('[{"fact":"shape","in":["ball","drop"]}]');
    await (await named(page, 'Save the rule', 'button')).click();
    // The server said no to the first: that is what the page was to hear.
    page.complaints.splice(
      0,
      page.complaints.length,
      ...page.complaints.filter((text) => !text.includes('422')),
    );
    await sees(page, 'Rule cracks-ball kept.');
    await sees(page, 'changed');
    await (await page.waitForSelector('.rule-tools input'))?.click();
    await page.waitForSelector('.rule[data-off=true]');
    await (await named(page, 'Restore the shipped rules', 'button')).click();
    await page.waitForSelector('.rule[data-off=false]');
    const { version } = (await (await fetch(`${server.url}/api/rules`)).json()) as { version: number };
    expect(version).toBe(0);
  });

  it('a head tells what it is for and where it must not go, and sayings are held against the heads', async () => {
    const page = await at('/designs/reedcutter-3-8/uses');
    await page.waitForSelector('.use-group[data-service=serves] li');
    const good = await page.$$eval('.use-group:not([data-service="not there"])', (groups) =>
      groups.map((group) => group.textContent).join(' '),
    );
    expect(good).toMatch(/reeds|grass|mat/i);
    expect(await page.$eval('.use-group[data-service="not there"]', (group) => group.textContent)).toMatch(
      /rock/i,
    );
    const saying = await at('/sayings');
    // One after the other, and stopped in the middle: what is there stays, and the rest can be had.
    await saying.waitForSelector('.saying');
    await (await named(saying, 'Stop', 'button')).click();
    await sees(saying, 'Stopped: not all is here.');
    const some = await saying.$$eval('.saying h2', (all) => all.map((one) => one.textContent));
    await (await named(saying, 'Work out all', 'button')).click();
    await saying.waitForFunction(() => document.querySelector('.working') === null);
    expect(
      (await saying.$$eval('.saying h2', (all) => all.map((one) => one.textContent))).slice(0, some.length),
    ).toEqual(some);
    await saying.waitForSelector('.saying[data-verdict=agreed] td');
    expect((await saying.$$('.saying')).length).toBeGreaterThanOrEqual(12);
  });
});

describe('Stores', () => {
  it('an edited density is kept and told apart from the reference', async () => {
    const page = await at('/stores');
    await type(page, 'Density of Tungsten (heavy alloy)', '18');
    await sees(page, 'back to 17.50');
    await page.reload();
    await sees(page, 'back to 17.50');
    const back = await page.waitForSelector('.stores-density .btn-link-brass');
    await back?.click();
    await page.waitForFunction(() => !document.body.innerText.includes('back to'));
    for (const shelf of ['Hooks', 'Plastics', 'Waters', 'Lines']) {
      await (await named(page, shelf, 'button')).click();
      await page.waitForSelector('.stores-table tbody tr, .plastic-card');
    }
  });
});

describe('two tabs', () => {
  it('a stale save overwrites nothing: both versions are offered, and each choice does what it says', async () => {
    const path = 'designs/reedcutter-3-16';
    const [one, two] = [
      await openWindow(chromium.browser, `${server.url}/${path}`),
      await openWindow(chromium.browser, `${server.url}/${path}`),
    ];
    for (const window of [one, two]) {
      await window.waitForSelector('[data-reading="mass.metal"]');
      expect(await window.evaluate(() => document.visibilityState)).toBe('visible');
    }
    const angle = async () => ((await kept(path)).document['eye'] as unknown as { angle: number }).angle;
    const until = async (wanted: number) => {
      while ((await angle()) !== wanted) await one.evaluate(() => new Promise(requestAnimationFrame));
    };
    await type(one, 'Eye angle', '35');
    await until(35);
    const theirs = await kept(path);
    await type(two, 'Eye angle', '20');
    await sees(two, 'This was saved elsewhere');
    const rows = await two.$$eval('.stale-table tbody tr', (all) =>
      all.map((row) => [...row.children].map((cell) => cell.textContent)),
    );
    expect(rows).toEqual([['Eye angle', '20°', '35°']]);
    expect((await kept(path)).version).toBe(theirs.version);
    await (await named(two, 'Keep mine', 'button')).click();
    await until(20);
    // And the other way round: the first window is now the stale one.
    await type(one, 'Eye angle', '50');
    await sees(one, 'This was saved elsewhere');
    await (await named(one, 'Take theirs', 'button')).click();
    await one.waitForFunction(() =>
      [...document.querySelectorAll('input')].some((input) => input.value === '20'),
    );
    await saved(one);
    expect(await angle()).toBe(20);
  });
});

describe('the readings on the Bench', () => {
  it('begin with those that decide; the others unfold, stay so over a reload, and are whole on paper', async () => {
    const page = await at('/designs/gravel-oval-1-2');
    await page.waitForSelector('.readings-key [data-reading="hook.openingLoad"]');
    expect(
      await page.$$eval('.readings-key output', (all) => all.map(({ dataset }) => dataset['reading'])),
    ).toEqual(['mass.total', 'fall.speed', 'rest.hookUp', 'retrieve.maxBottomSpeed', 'hook.openingLoad']);
    const isSeen = (id: string) =>
      page.$eval(`[data-reading="${id}"]`, (reading) =>
        reading.checkVisibility({ contentVisibilityAuto: true }),
      );
    expect([await isSeen('mass.submerged'), await isSeen('hook.gap')]).toEqual([false, false]);
    const summary = await page.waitForSelector(
      '::-p-xpath(//summary[starts-with(normalize-space(.),"Weight")])',
    );
    await summary?.click();
    await page.waitForFunction(() => document.querySelector('.readings-group')?.hasAttribute('open'));
    await page.reload({ waitUntil: 'load' });
    await page.waitForSelector('.readings-group[open] [data-reading="mass.submerged"]');
    expect([await isSeen('mass.submerged'), await isSeen('hook.gap')]).toEqual([true, false]);
    await page.emulateMediaType('print');
    await page.waitForFunction(() =>
      document.querySelector('[data-reading="hook.gap"]')?.checkVisibility({ contentVisibilityAuto: true }),
    );
    await page.emulateMediaType('screen');
    expect(page.complaints).toEqual([]);
  });
});

describe('help and first load', () => {
  it('? opens the sheet of keys, Escape closes it', async () => {
    const page = await at('/');
    await sees(page, 'Gravel Oval 1/2');
    await page.keyboard.press('?');
    await named(page, 'Keys and what the figures mean', 'dialog');
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('[role=dialog]'));
  });

  it('single letters can be turned off as keys, stay so over a reload, and be turned on again', async () => {
    const page = await at('/');
    await sees(page, 'Gravel Oval 1/2');
    const toggle = async () => {
      await (await page.waitForSelector('button[title="Keys and help (?)"]'))?.click();
      await (await page.waitForSelector('.help-switch input'))?.click();
      await page.keyboard.press('Escape');
      await page.waitForFunction(() => !document.querySelector('[role=dialog]'));
    };
    await toggle();
    await page.reload();
    await sees(page, 'Gravel Oval 1/2');
    await page.keyboard.press('2');
    await page.keyboard.press('n');
    // A key that is no letter works on: by then the others would have been heard.
    await page.keyboard.press('Tab');
    await page.waitForFunction(() => document.activeElement !== document.body);
    expect([new URL(page.url()).pathname, await page.$('[role=dialog]')]).toEqual(['/', null]);
    await toggle();
    await page.keyboard.press('2');
    await page.waitForFunction(() => location.pathname.startsWith('/briefs'));
  });

  it('an unknown address and an unknown design say so kindly', async () => {
    const page = await at('/nowhere/at/all');
    await sees(page, 'Page not found');
    const lost = await at('/designs/no-such-head', false);
    await sees(lost, 'Nothing is kept at this address.');
  });

  it('the address of a head that was deleted offers it back', async () => {
    const api = `${server.url}/api/designs`;
    const copy = await fetch(`${api}/pip-1-16/duplicate`, { method: 'POST' });
    const { id, document: made } = (await copy.json()) as { id: string; document: { name: string } };
    await fetch(`${api}/${id}`, { method: 'DELETE', headers: { 'If-Match': '"v1"' } });
    const page = await at(`/designs/${id}`, false);
    await sees(page, `${made.name} was deleted`);
    await (await named(page, `Restore ${made.name}`, 'button')).click();
    await sees(page, 'Same weight');
    expect((await fetch(`${api}/${id}`)).status).toBe(200);
    // Gone again, for whoever counts the heads after this.
    await fetch(`${api}/${id}`, { method: 'DELETE', headers: { 'If-Match': '"v3"' } });
  });

  it('loads at most 250 kB of gzipped JavaScript before the Rack is drawn', async () => {
    // A context of its own: nothing is cached yet.
    const context = await chromium.browser.createBrowserContext();
    const page = await context.newPage();
    let bytes = 0;
    const client = await page.createCDPSession();
    await client.send('Network.enable');
    const scripts = new Set<string>();
    client.on('Network.responseReceived', ({ requestId, type: kind }) => {
      if (kind === 'Script') scripts.add(requestId);
    });
    client.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
      if (scripts.has(requestId)) bytes += encodedDataLength;
    });
    await page.goto(server.url, { waitUntil: 'networkidle0' });
    await sees(page, 'Gravel Oval 1/2');
    // What comes over the wire, headers and all: uncompressed it would be more than twice too much.
    expect(bytes).toBeGreaterThan(50_000);
    expect(bytes).toBeLessThan(250_000);
  });
});

describe('every page of this file', () => {
  it('complained of nothing on its console', () => {
    expect(told).toEqual([]);
  });
});
