import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { isWhole } from '../src/core/test-kit/runs.ts';
import type { OpenBrowser } from './browser.ts';
import { openBrowser, openPage, sees } from './browser.ts';
import type { RunningServer } from './server.ts';
import { dataFolder, startServer } from './server.ts';

const folder = dataFolder('demo');
let server: RunningServer;
let chromium: OpenBrowser;
let page: Awaited<ReturnType<typeof openPage>>;

beforeAll(async () => {
  server = await startServer(folder.path, { demo: true });
  chromium = await openBrowser('plain');
  page = await openPage(chromium.browser, server.url);
  await page.evaluate(() =>
    localStorage.setItem('fern-anvil.tray', JSON.stringify(['ledge-ball-1-4', 'rubble-oval-3-8'])),
  );
});
afterAll(async () => {
  await chromium.close();
  await server.end();
  folder.remove();
});

const SCREENS: readonly (readonly [name: string, path: string, seen: string])[] = [
  ['Rack', '/', 'Toadstool'],
  ['Bench', '/designs/gravel-oval-1-2', 'Same weight'],
  ['Ladder', '/designs/alder-wedge-1-2/ladder', 'Ladder of'],
  ['Tank', '/designs/gravel-oval-1-2/water?view=line', 'Fastest on the bottom'],
  ['Tank’s bottom', '/designs/gravel-oval-1-2/water?view=bottom', 'It stands.'],
  ['Rig', '/designs/tideway-ball-1/rig?plastic=wherry-paddle-4', 'Hook comes out at'],
  ['Plastics', '/stores?shelf=plastics&plastic=tarn-grub-3', 'Heads it fits'],
  ['Side by side', '/compare', 'Differences first'],
  ['Briefs', '/briefs/hollin-ledges-drag', 'heads answered'],
  ['Rules', '/rules', 'common practice'],
  ['Sayings', '/sayings', 'Tungsten falls'],
  ['Uses', '/designs/gravel-oval-1-2/uses', 'Not there'],
  ['Stores', '/stores?shelf=hooks', 'Tideway heavy'],
  ['Mould', '/designs/pip-1-16/mould', 'All but the last add up'],
  ['Take in', '/take-in?shape=football&m.breadth=19', 'adds up'],
  ['Batch', '/batches/pip-april', 'on target'],
  ['Pour', '/batches/pip-april?view=pour', 'First pot ready'],
  ['Range', '/range', 'Prices, packs and moulds'],
  ['Day', '/trials/day-2026-05-03', 'Hung up'],
  ['Backups', '/backups', 'Back up every day'],
  ['Compare days', '/trials?view=compare', 'Hang-ups of casts'],
];

/** Controls that cannot be reached or used: outside the window and anything that scrolls, or lying over each other. */
const unusable = (on: Page) =>
  on.evaluate(() => {
    const scrolls = (element: Element) => {
      for (let up = element.parentElement; up; up = up.parentElement) {
        const { overflowX } = getComputedStyle(up);
        if (overflowX === 'auto' || overflowX === 'scroll') return true;
      }
      return false;
    };
    const controls = [...document.querySelectorAll<HTMLElement>('button, a[href], input, select')].filter(
      (element) => element.checkVisibility() && !element.closest('svg') && !element.matches('.skip'),
    );
    const boxes = controls.map((element) => ({ element, box: element.getBoundingClientRect() }));
    const said = ({ element }: (typeof boxes)[0]) =>
      `${element.tagName} ${element.getAttribute('aria-label') ?? element.textContent ?? ''}`.slice(0, 50);
    const outside = boxes
      .filter(
        ({ element, box }) =>
          box.width > 2 && (box.right > innerWidth + 1 || box.left < -1) && !scrolls(element),
      )
      .map((one) => `${said(one)} reaches to ${Math.round(one.box.right)}`);
    const over = boxes.flatMap((a, i) =>
      boxes.slice(i + 1).flatMap((b) => {
        if (a.element.contains(b.element) || b.element.contains(a.element)) return [];
        if (a.element.parentElement !== b.element.parentElement) return [];
        const wide = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left);
        const high = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top);
        return wide > 3 && high > 3 && getComputedStyle(b.element).position !== 'absolute'
          ? [`${said(a)} lies over ${said(b)}`]
          : [];
      }),
    );
    return { wide: document.documentElement.scrollWidth - innerWidth, outside, over };
  });

const WIDTHS = [
  [1280, 800],
  [390, 844],
  [2560, 1300],
  [820, 1180],
] as const;
// The desk and the phone every day, all four before a change lands.
describe.each(isWhole ? WIDTHS : WIDTHS.slice(0, 2))('at %d px wide', (width, height) => {
  it.each(SCREENS)('%s is whole and usable', async (_, path, seen) => {
    await page.setViewport({ width, height });
    await page.goto(`${server.url}${path}`, { waitUntil: 'load' });
    await sees(page, seen);
    expect(await unusable(page)).toEqual({ wide: 0, outside: [], over: [] });
  });
});
