import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { isWhole } from '../src/core/test-kit/runs.ts';
import { faultsOn } from './axe.ts';
import type { OpenBrowser } from './browser.ts';
import { openBrowser, openPage, sees } from './browser.ts';
import type { RunningServer } from './server.ts';
import { dataFolder, startServer } from './server.ts';

/** The solid that is turned, with WebGL by emulation and without any. */

const data = dataFolder('demo');
let server: RunningServer;
beforeAll(async () => {
  server = await startServer(data.path, { demo: true });
});
afterAll(async () => {
  await server.end();
  data.remove();
});

/** A head's solid in a window only as large as it needs: emulation pays for each point of the picture. */
async function openSolid({ browser }: OpenBrowser) {
  const page = await openPage(browser, 'about:blank');
  await page.setViewport({ width: 600, height: 480 });
  await page.goto(`${server.url}/designs/kingfisher-dart-1-4?show=solid`, { waitUntil: 'load' });
  return page;
}

const picture = (page: Page) =>
  page.$eval('.solid canvas', (canvas) => (canvas as HTMLCanvasElement).toDataURL());
/** Waits until there is more on the canvas than nothing, whose picture packs to next to nothing. */
const drawn = (page: Page) =>
  page.waitForFunction(
    () =>
      ((document.querySelector('.solid canvas') as HTMLCanvasElement | null)?.toDataURL().length ?? 0) >
      8_000,
  );
async function turn(page: Page) {
  const before = await picture(page);
  await page.focus('.solid');
  await page.keyboard.press('ArrowLeft');
  await page.waitForFunction(
    (old: string) => (document.querySelector('.solid canvas') as HTMLCanvasElement).toDataURL() !== old,
    {},
    before,
  );
}

// Emulated it takes every core there is for half a minute.
it.runIf(isWhole)('with WebGL it turns by keys, and is sound to axe', async () => {
  const webgl = await openBrowser('webgl');
  const page = await openSolid(webgl);
  await page.waitForSelector('.solid[data-shown=true]:not([data-still=true])');
  await drawn(page);
  await turn(page);
  expect(await faultsOn(page)).toEqual([]);
  expect(page.complaints).toEqual([]);
  await webgl.close();
});

it('without WebGL a still picture is drawn, and turned by the same keys', async () => {
  const plain = await openBrowser('plain');
  const page = await openSolid(plain);
  await page.waitForSelector('.solid[data-still=true][data-shown=true]');
  await sees(page, 'A still picture');
  await drawn(page);
  await turn(page);
  await plain.close();
});
