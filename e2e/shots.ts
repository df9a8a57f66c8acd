// Makes docs/screenshots anew from the demo workshop: one picture of each main view, at 1280 x 800.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { ensureBuilt, ensureNode } from '../scripts/build.mjs';
import { named, openBrowser, openPage, sees } from './browser.ts';
import { root } from './root.ts';
import { dataFolder, startServer } from './server.ts';

const settled = (page: Page) =>
  page.waitForFunction(() => document.fonts.status === 'loaded' && !document.querySelector('.state-swing'));

interface Shot {
  readonly name: string;
  readonly path: string;
  readonly ready: (page: Page) => Promise<unknown>;
}

/** An outline is on every card that is on screen. */
const hung = (page: Page) =>
  page.waitForFunction(() => {
    const cards = document.querySelectorAll('.rack-card');
    return cards.length > 4 && [...cards].every((card) => card.querySelector('.fig, .rack-broken'));
  });

const SHOTS: readonly Shot[] = [
  { name: 'rack', path: '/', ready: hung },
  { name: 'bench', path: '/designs/gravel-oval-1-2', ready: (page) => sees(page, 'Same weight') },
  {
    name: 'solid',
    path: '/designs/kingfisher-dart-1-4?show=solid',
    ready: async (page) => {
      await page.waitForSelector('.solid[data-shown=true]');
      await sees(page, 'Same weight');
    },
  },
  {
    name: 'tank-line',
    path: '/designs/gravel-oval-1-2/water?view=line&speed=0.9',
    ready: (page) => page.waitForSelector('.tank-view'),
  },
  {
    name: 'tank-pull',
    path: '/designs/gravel-oval-1-2/water?view=hook&pull=40',
    ready: (page) => page.waitForSelector('.pull-scene'),
  },
  {
    name: 'tank-bottom',
    path: '/designs/gravel-oval-1-2/water?view=bottom&tilt=12',
    ready: (page) => page.waitForSelector('.tank-view'),
  },
  {
    name: 'ladder',
    path: '/designs/alder-wedge-1-2/ladder',
    ready: (page) => page.waitForSelector('.ladder-family .ladder-weight'),
  },
  {
    name: 'rig',
    path: '/designs/rubble-oval-3-8/rig?plastic=cinder-claw-3-5',
    ready: (page) => page.waitForSelector('.rig-ways li'),
  },
  {
    name: 'plastics',
    path: '/stores?shelf=plastics&plastic=mudlark-flat-3',
    ready: (page) => page.waitForSelector('.plastic-used li'),
  },
  { name: 'side-by-side', path: '/compare', ready: (page) => page.waitForSelector('.overlay svg') },
  { name: 'briefs', path: '/briefs/hollin-ledges-drag', ready: (page) => sees(page, '32 heads answered') },
  { name: 'rules', path: '/rules', ready: (page) => page.waitForSelector('.rule') },
  {
    name: 'sayings',
    path: '/sayings',
    ready: (page) =>
      page.waitForFunction(() => document.querySelector('.saying') && !document.querySelector('.working')),
  },
  { name: 'uses', path: '/designs/gravel-oval-1-2/uses', ready: (page) => sees(page, 'Not there') },
  {
    name: 'mould',
    path: '/designs/pip-1-16/mould?cavity=2',
    ready: (page) => sees(page, 'The volumes add up to the block'),
  },
  { name: 'batch', path: '/batches/pip-april', ready: (page) => sees(page, 'light of the target') },
  {
    name: 'range',
    path: '/range',
    ready: async (page) => {
      await page.waitForSelector('.shop-sheet[data-ready=true] .matrix');
      await (await named(page, 'Find the smallest range', 'button')).click();
      await page.waitForSelector('[data-proven=true]');
      await page.waitForSelector('.save-badge[data-state=saved]');
    },
  },
  {
    name: 'take-in',
    path: '/take-in?shape=ball&grams=9.1&metal=tungsten&m.breadth=10&density=17.5',
    ready: async (page) => {
      await sees(page, 'hollow');
      await page.waitForSelector('.take-figure[role=img] path');
    },
  },
];
const PHONE: readonly Shot[] = [
  { name: 'trials', path: '/trials/day-2026-05-03', ready: (page) => page.waitForSelector('.counter-more') },
];

const only = process.argv.slice(2);
const out = process.env['SHOTS_TO'] ?? join(root, 'docs/screenshots');
mkdirSync(out, { recursive: true });
await ensureBuilt();
await ensureNode();
const data = dataFolder();
const server = await startServer(data.path, { demo: true });
const { browser, close } = await openBrowser('webgl');
try {
  const page = await openPage(browser, server.url);
  // Another width than the documents’ own, for looking at: SHOTS_WIDTH=390 SHOTS_TO=somewhere.
  const wide = Number(process.env['SHOTS_WIDTH'] ?? 1280);
  if (wide !== 1280) await page.setViewport({ width: wide, height: wide < 600 ? 844 : 1180 });
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
  // Made for a thumb: as a phone shows it.
  if (wide === 1280) await page.setViewport({ width: 390, height: 844 });
  for (const { name, path, ready } of PHONE) {
    if (only.length > 0 && !only.includes(name)) continue;
    await page.goto(`${server.url}${path}`, { waitUntil: 'load' });
    await ready(page);
    await settled(page);
    await page.screenshot({ path: join(out, `${name}.png`) as `${string}.png` });
    console.log(`${name}.png`);
  }
  for (const complaint of page.complaints) console.error('page says:', complaint);
} finally {
  await close();
  await server.end();
  data.remove();
}
