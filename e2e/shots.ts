// Makes docs/screenshots anew from the demo workshop: one picture of each main view, at 1280 x 800.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { ensureBuilt } from '../scripts/build.mjs';
import { named, openBrowser, openPage, sees } from './browser.ts';
import { dataFolder, root, startServer } from './server.ts';

const settled = (page: Page) =>
  page.waitForFunction(() => document.fonts.status === 'loaded' && !document.querySelector('.state-swing'));

interface Shot {
  readonly name: string;
  readonly path: string;
  readonly ready: (page: Page) => Promise<unknown>;
}

const SHOTS: readonly Shot[] = [
  { name: 'rack', path: '/', ready: (page) => sees(page, 'Gravel Oval 1/2') },
  { name: 'bench', path: '/designs/gravel-oval-1-2', ready: (page) => sees(page, 'Same weight') },
  {
    name: 'bench-guard',
    path: '/designs/reedcutter-3-8?view=head',
    ready: (page) => sees(page, 'Same weight'),
  },
  {
    name: 'rig',
    path: '/designs/tideway-ball-1/rig?plastic=wherry-paddle-4',
    ready: (page) => page.waitForSelector('.verdict'),
  },
  { name: 'side-by-side', path: '/compare', ready: (page) => page.waitForSelector('.overlay svg') },
  { name: 'briefs', path: '/briefs/hollin-ledges-drag', ready: (page) => sees(page, 'heads ranked') },
  { name: 'stores', path: '/stores', ready: (page) => sees(page, 'Tungsten') },
];

const only = process.argv.slice(2);
const out = process.env['SHOTS_TO'] ?? join(root, 'docs/screenshots');
mkdirSync(out, { recursive: true });
ensureBuilt();
const data = dataFolder();
const server = await startServer(data.path, { demo: true });
const { browser, close } = await openBrowser();
try {
  const page = await openPage(browser, server.url);
  await page.evaluate(() =>
    localStorage.setItem(
      'fern-anvil.tray',
      JSON.stringify(['ledge-ball-1-4', 'ledge-ball-1-4-t', 'rubble-oval-3-8']),
    ),
  );
  for (const { name, path, ready } of SHOTS) {
    if (only.length > 0 && !only.includes(name)) continue;
    await page.goto(`${server.url}${path}`, { waitUntil: 'load' });
    await ready(page);
    await settled(page);
    await page.mouse.move(2, 2);
    await page.screenshot({ path: join(out, `${name}.png`) as `${string}.png` });
    console.log(`${name}.png`);
  }
  if (only.length === 0 || only.includes('help')) {
    await page.goto(server.url, { waitUntil: 'load' });
    await sees(page, 'Gravel Oval 1/2');
    await page.keyboard.press('?');
    await named(page, 'Keys and what the figures mean', 'dialog');
    await page.waitForFunction(
      () => getComputedStyle(document.querySelector('.modal') as Element).opacity === '1',
    );
    await page.screenshot({ path: join(out, 'help.png') as `${string}.png` });
    console.log('help.png');
  }
  for (const complaint of page.complaints) console.error('page says:', complaint);
} finally {
  await close();
  await server.end();
  data.remove();
}
