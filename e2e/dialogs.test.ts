import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { share } from '../src/core/test-kit/runs.ts';
import { faultsOn } from './axe.ts';
import type { OpenBrowser } from './browser.ts';
import { named, openBrowser, openPage } from './browser.ts';
import type { RunningServer } from './server.ts';
import { dataFolder, startServer } from './server.ts';
import './steady.ts';

/*
 * What is laid over a screen: every dialog, the drawer of steps, menus and the word of a term, sound to axe on a
 * desk and on the narrowest phone, in the dark and where the system asks for more contrast; the focus stays in a
 * dialog while it is open.
 */

const data = dataFolder('demo');
const backups = mkdtempSync(join(tmpdir(), 'fern-anvil-backups-'));
let server: RunningServer;
let plain: OpenBrowser;
beforeAll(async () => {
  server = await startServer(data.path, { demo: true });
  plain = await openBrowser();
});
afterAll(async () => {
  await plain.close();
  await server.end();
  data.remove();
  rmSync(backups, { recursive: true });
});

/** Presses a button by its name. */
const press = async (page: Page, name: string) => (await named(page, name, 'button')).click();

/** Hands a file to the hidden field of this name. */
async function hand(page: Page, field: string, name: string, content: string | Uint8Array) {
  const path = join(backups, name);
  writeFileSync(path, content);
  const input = await page.waitForSelector(`input[type=file][aria-label="${field}"]`);
  await (input as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(path);
}

const fetched = async (path: string) => new Uint8Array(await (await fetch(server.url + path)).arrayBuffer());

interface Overlay {
  readonly name: string;
  readonly path: string;
  /** what shows that the screen is there */
  readonly ready: string;
  readonly open: (page: Page) => Promise<void>;
  /** what is laid over it */
  readonly over: string;
  /** how it is closed, where not by Escape */
  readonly close?: (page: Page) => Promise<void>;
}

const DIALOG = '[role=dialog]';

const OVERLAYS: readonly Overlay[] = [
  {
    name: 'Help',
    path: '/',
    ready: '.rack-card',
    open: (page) => page.keyboard.press('?'),
    over: DIALOG,
  },
  {
    name: 'a new head’s shape',
    path: '/',
    ready: '.rack-card',
    open: (page) => page.keyboard.press('n'),
    over: DIALOG,
  },
  {
    name: 'another shape',
    path: '/designs/gravel-oval-1-2',
    ready: '.strip-metal',
    open: (page) => page.click('.shape-button'),
    over: DIALOG,
  },
  {
    name: 'every metal',
    path: '/designs/gravel-oval-1-2',
    ready: '.strip-metal',
    open: async (page) => {
      await page.click('#bench-more');
      await (await named(page, 'Every metal')).click();
    },
    over: `${DIALOG} table`,
  },
  {
    name: 'a photograph under the plate',
    path: '/designs/gravel-oval-1-2?panel=photo',
    ready: '.strip-metal',
    open: () => Promise.resolve(),
    over: DIALOG,
  },
  {
    name: 'the steps of a head',
    path: '/designs/gravel-oval-1-2',
    ready: '.strip-metal',
    open: (page) => press(page, 'History'),
    over: '.offcanvas.show',
  },
  {
    name: 'the word of a term',
    path: '/designs/gravel-oval-1-2',
    ready: '.strip-metal',
    open: (page) => page.click('[aria-label^="What “"]'),
    over: '.popover',
  },
  {
    name: 'the menu of files',
    path: '/',
    ready: '.rack-card',
    open: (page) => page.click('#rack-files'),
    over: '.dropdown-menu.show',
  },
  {
    name: 'a shop file',
    path: '/',
    ready: '.rack-card',
    open: async (page) => hand(page, 'Design or shop file', 'shop.json', await fetched('/api/shop.json')),
    over: `${DIALOG} table, ${DIALOG} li`,
  },
  {
    name: 'a shop file that is none',
    path: '/',
    ready: '.rack-card',
    open: (page) => hand(page, 'Design or shop file', 'broken.json', '{"kind": 3'),
    over: DIALOG,
  },
  {
    name: 'a solid',
    path: '/',
    ready: '.rack-card',
    open: async (page) =>
      hand(page, 'Solid file', 'pip.stl', await fetched('/api/designs/pip-1-16/head.stl')),
    over: `${DIALOG} .modal-footer`,
  },
  {
    name: 'a table of hooks',
    path: '/stores?shelf=hooks',
    ready: '.hook-table tbody tr',
    open: async (page) => hand(page, 'Table of hooks', 'hooks.csv', await fetched('/api/hooks.csv')),
    over: `${DIALOG} table`,
  },
  {
    name: 'a table that is none',
    path: '/stores?shelf=hooks',
    ready: '.hook-table tbody tr',
    open: (page) => hand(page, 'Table of hooks', 'broken.csv', 'size;gap (furlong)\n1/0;3\n'),
    over: DIALOG,
  },
  {
    name: 'the backup to restore',
    path: '/backups',
    ready: '.backups-where',
    open: async (page) => {
      await press(page, 'Back up now');
      await page.waitForSelector('.backups-row button[aria-label^=Restore]:not(:disabled)');
      await page.click('.backups-row button[aria-label^=Restore]');
    },
    over: DIALOG,
  },
  {
    name: 'what someone else saved meanwhile',
    path: '/designs/alder-wedge-1-2',
    ready: '.strip-metal',
    open: async (page) => {
      const at = `${server.url}/api/designs/alder-wedge-1-2`;
      const before = await fetch(at);
      const { document } = (await before.json()) as { document: object };
      const saved = await fetch(at, {
        method: 'PUT',
        headers: { 'content-type': 'application/json', 'if-match': before.headers.get('etag') ?? '' },
        body: JSON.stringify({ ...document, name: 'Alder wedge, theirs' }),
      });
      expect(saved.status).toBe(200);
      const name = await named(page, 'Name', 'textbox');
      await name.click({ count: 3 });
      await name.type('Alder wedge, mine');
      await page.keyboard.press('Enter');
    },
    over: DIALOG,
    // It asks which of two to keep: there is no way past it.
    close: (page) => press(page, 'Take theirs'),
  },
];

/** Where and how it is looked at: how wide, and what the system asks for, as the browser tells pages. */
const LOOKS = [
  { width: 320, features: [] },
  { width: 1280, features: [] },
  { width: 1280, features: [{ name: 'prefers-color-scheme', value: 'dark' }] },
  { width: 1280, features: [{ name: 'prefers-contrast', value: 'more' }] },
] as const;

describe('what is laid over a screen', () => {
  let page: Awaited<ReturnType<typeof openPage>>;
  // One at a time: a page behind another draws nothing.
  afterEach(() => page.close());

  it.each(share(OVERLAYS, 4))('$name is sound to axe, and holds the focus', async (overlay) => {
    page = await openPage(plain.browser, server.url + overlay.path);
    await page.waitForSelector(overlay.ready);
    await overlay.open(page);
    await page.waitForSelector(overlay.over);
    // Faded in, what is half seen has half its contrast.
    await page.waitForFunction(() =>
      document
        .getAnimations()
        .every(
          ({ effect, playState }) => playState !== 'running' || effect?.getTiming().iterations === Infinity,
        ),
    );
    const system = await page.createCDPSession();
    const faults: string[] = [];
    for (const { width, features } of LOOKS) {
      await page.setViewport({ width, height: 800 });
      await system.send('Emulation.setEmulatedMedia', { features: [...features] });
      const how = [`${width} px`, ...features.map(({ value }) => value)].join(', ');
      faults.push(...(await faultsOn(page)).map((fault) => `${how}: ${fault}`));
    }
    expect(faults).toEqual([]);
    if (overlay.over.startsWith(DIALOG)) {
      for (let i = 0; i < 30; i++) {
        await page.keyboard.press('Tab');
        // Between the last and the first it is the browser's own; what lies behind gives it back at once.
        await page.waitForFunction(() => {
          const { activeElement: at, body } = document;
          return at === body || at?.closest('[role=dialog]');
        });
      }
    }
    await (overlay.close?.(page) ?? page.keyboard.press('Escape'));
    await page.waitForSelector(overlay.over, { hidden: true });
    // A save that came too late is refused on purpose.
    expect(page.complaints.filter((text) => !text.includes('412'))).toEqual([]);
  });
});
