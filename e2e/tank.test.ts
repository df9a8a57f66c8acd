import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { named, openBrowser, openPage, sees } from './browser.ts';
import type { RunningServer } from './server.ts';
import { dataFolder, startServer } from './server.ts';

let server: RunningServer;
let browser: Browser;
let page: Page & { readonly complaints: string[] };
let close: () => Promise<void>;
const data = dataFolder('demo');

beforeAll(async () => {
  server = await startServer(data.path, { demo: true });
  ({ browser, close } = await openBrowser());
  page = await openPage(browser, server.url);
  await page.evaluate(() =>
    localStorage.setItem('fern-anvil.tray', JSON.stringify(['ledge-ball-1-4', 'reedcutter-3-8'])),
  );
});
afterAll(async () => {
  await close();
  await server.end();
  data.remove();
});

const go = async (query = '') => {
  await page.goto(`${server.url}/designs/gravel-oval-1-2/water${query}`, { waitUntil: 'load' });
  await page.waitForSelector('.tank-view');
};
const says = () => page.$eval('.tank-says', (said) => said.textContent ?? '');
/** Waits until what is said is something else than it was. */
const saysAnew = (before: string) =>
  page.waitForFunction(
    (old: string) => document.querySelector('.tank-says')?.textContent !== old,
    {},
    before,
  );

describe('the Tank', () => {
  it('drops the tray’s heads side by side, by button and by key, and says who lands first', async () => {
    await go();
    expect(
      await page.$$eval('.tank-figures tbody th', (names) => names.map((name) => name.textContent)),
    ).toEqual(['Gravel Oval 1/2', 'Ledge Ball 1/4', 'Reedcutter 3/8']);
    expect(await says()).toMatch(/lands first, 0\.\d s before/);
    const before = await page.$eval('.tank-svg', (picture) => picture.innerHTML);
    await (await named(page, 'Step', 'button')).click();
    await page.waitForFunction(
      (old: string) => document.querySelector('.tank-svg')?.innerHTML !== old,
      {},
      before,
    );
    await (await named(page, 'Time', 'slider')).press('End');
    await page.waitForFunction(
      () => !document.querySelector('.tank-time output')?.textContent?.startsWith('0.'),
    );
  });

  it('takes hold of the water itself: its bottom is pulled down, its current stepped by key', async () => {
    await go();
    const depth = await named(page, 'Depth', 'textbox');
    const before = parseFloat(await depth.evaluate((input) => (input as HTMLInputElement).value));
    const said = await says();
    const grip = await (await named(page, 'Depth, in the picture', 'slider')).boundingBox();
    if (!grip) throw new Error('The bottom of the water has no grip.');
    const [x, y] = [grip.x + grip.width / 2, grip.y + grip.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x, y + 30, { steps: 4 });
    await page.mouse.up();
    await saysAnew(said);
    const deeper = parseFloat(await depth.evaluate((input) => (input as HTMLInputElement).value));
    expect(deeper).toBeGreaterThan(before * 1.5);
    // A part of a drawing takes the focus as any other.
    await (
      await named(page, 'Current, in the picture', 'slider')
    ).evaluate((part) => (part as unknown as SVGElement).focus());
    await page.keyboard.press('ArrowUp');
    await page.waitForFunction(() => new URLSearchParams(location.search).get('current') === '0.05');
    expect(
      await (
        await named(page, 'Current', 'textbox')
      ).evaluate((input) => parseFloat((input as HTMLInputElement).value)),
    ).toBeCloseTo(0.05 / 0.3048, 1);
  });

  it('shows one head at its weight and at its size in another metal', async () => {
    await go('?with=metals');
    const rows = await page.$$eval('.tank-figures tbody tr', (all) =>
      all.map((row) => [row.querySelector('th')?.textContent, row.querySelector('[data-tank]')?.textContent]),
    );
    expect(rows.map(([name]) => name)).toEqual([
      'Gravel Oval 1/2',
      'tungsten, its weight',
      'tungsten, its size',
    ]);
    const speeds = rows.map(([, text]) => parseFloat(text ?? ''));
    // Denser falls faster: more so at the same size, which also weighs more.
    expect(speeds[1]).toBeGreaterThan(speeds[0] ?? NaN);
    expect(speeds[2]).toBeGreaterThan(speeds[1] ?? NaN);
  });

  it('tilts the bed until the head rolls, and knocks it with a key', async () => {
    await go('?view=bottom');
    await sees(page, 'It stands.');
    const tilt = await named(page, 'Tilt', 'slider');
    for (let i = 0; i < 12; i++) await tilt.press('ArrowRight');
    await page.waitForFunction(() => location.search.includes('tilt=12'));
    await tilt.press('End');
    await sees(page, 'It rolls.');
    await tilt.press('Home');
    await sees(page, 'It stands.');
    for (let i = 0; i < 6; i++) await page.keyboard.press('k');
    await sees(page, 'It rolls.');
  });

  it('meets an edge that it climbs, or that stops it, by its height', async () => {
    await go('?view=through&edge=1');
    await page.waitForSelector('[data-meets="climbs"]');
    await (await named(page, 'Edge', 'slider')).press('End');
    await page.waitForSelector('[data-meets="stops"]');
  });

  it('reads the weight to tie on from the line, and keeps what was set in the address', async () => {
    await go('?view=line');
    const before = await says();
    expect(before).toContain('stays on the bottom');
    const speed = await named(page, 'Speed', 'slider');
    await speed.press('End');
    await saysAnew(before);
    await sees(page, 'swims over the bottom');
    expect(new URL(page.url()).searchParams.get('speed')).toBe('2');
    await page.reload({ waitUntil: 'load' });
    await sees(page, 'swims over the bottom');
    // More weight holds it at a lesser speed; the design keeps its own.
    await go('?view=line&speed=1');
    await sees(page, 'swims over the bottom');
    await (await named(page, 'Weight of Gravel Oval 1/2', 'slider')).press('End');
    await sees(page, 'stays on the bottom');
    await (await named(page, 'Its own weight', 'button')).click();
    await sees(page, 'swims over the bottom');
  });

  it('shows what hook and guard take, with a plastic on it too', async () => {
    await go('?view=hook');
    await sees(page, 'of it the guard takes');
    const plastic = await named(page, 'Plastic', 'combobox');
    const options = await plastic.$$eval('option', (all) =>
      all.map((option) => option.value).filter(Boolean),
    );
    await plastic.select(options[0] ?? '');
    await page.waitForFunction(() => location.search.includes('plastic='));
    await named(page, 'Put on', 'combobox');
    expect(page.complaints).toEqual([]);
  });

  it('bends rod, line and hooks under a pull set by key, from nothing to where the hook has opened', async () => {
    await go('?view=hook&with=alone');
    await page.waitForSelector('.pull-scene .fig-wire');
    const told = async (wanted: RegExp) =>
      page.waitForFunction(
        (source: string) =>
          new RegExp(source, 's').test(
            document.querySelector('[aria-label="Hook and guard"]')?.textContent ?? '',
          ),
        {},
        wanted.source,
      );
    const hook = () =>
      page.$eval('[aria-label="Hook of Gravel Oval 1/2"] .fig-wire', (path) => path.getAttribute('d'));
    const slider = await named(page, 'Pull', 'slider');
    await slider.press('Home');
    await told(/The drag holds.*its tip gives 0.0 ft.*0.0 ft longer.*keeps its shape/);
    const before = await hook();
    for (let i = 0; i < 12; i++) await slider.press('ArrowRight');
    await told(/gap \d+% wider, and springs back/);
    expect(await hook()).not.toBe(before);
    await slider.press('End');
    await told(
      /The line has parted.*stands free.*parted.*on a line that bears it: .*(stays \d+% wider|slips free)/,
    );
    // The address keeps it.
    await page.waitForFunction(() => new URLSearchParams(location.search).has('pull'));
    await page.reload({ waitUntil: 'load' });
    await told(/The line has parted/);
    expect(page.complaints).toEqual([]);
  });

  it('moves nothing for who wants no motion: places at several moments instead', async () => {
    await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
    await go();
    expect(await page.$$eval('.tank-tools button', (all) => all.map((button) => button.textContent))).toEqual(
      ['Step'],
    );
    expect((await page.$$('.tank-svg .fig')).length).toBe(3 * 5);
    await page.emulateMediaFeatures([]);
  });
});
