import './steady.ts';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import type { Browser, Page } from 'puppeteer-core';
import { watchPage } from './evidence.ts';

const CANDIDATES = [
  process.env['CHROMIUM_PATH'],
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
];

export interface OpenBrowser {
  readonly browser: Browser;
  readonly close: () => Promise<void>;
}

/**
 * Graphics as a machine without any has them: WebGL by emulation, which makes all other drawing slow; or
 * none, and plain drawing.
 */
const GRAPHICS = {
  webgl: ['--use-angle=swiftshader', '--enable-unsafe-swiftshader'],
  plain: ['--disable-gpu', '--disable-3d-apis'],
} as const;

/**
 * Debian's Chromium, headless, with a fresh profile and no contact to the outside. `trusted` is the digest of
 * a certificate's key that it takes as good, as a device does that was told to.
 */
export async function openBrowser(
  graphics: keyof typeof GRAPHICS = 'plain',
  trusted?: string,
): Promise<OpenBrowser> {
  const executablePath = CANDIDATES.find((path) => path && existsSync(path));
  if (!executablePath)
    throw new Error('Chromium is not installed. Run npm test, or apt-get install chromium.');
  const profile = mkdtempSync(join(tmpdir(), 'fern-anvil-chromium-'));
  const browser = await puppeteer.launch({
    executablePath,
    headless: true,
    userDataDir: profile,
    defaultViewport: { width: 1280, height: 800 },
    protocolTimeout: 120_000,
    args: [
      '--no-sandbox',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      ...GRAPHICS[graphics],
      ...(trusted === undefined ? [] : [`--ignore-certificate-errors-spki-list=${trusted}`]),
      '--force-color-profile=srgb',
    ],
  });
  return {
    browser,
    close: async () => {
      await browser.close();
      rmSync(profile, { recursive: true, force: true });
    },
  };
}

/**
 * How long a page may take to show what is waited for, ms: a test's own limit, so that a busy machine fails
 * nothing that works.
 */
const PATIENCE = 110_000;

/** A page that collects what goes wrong in it. */
export async function openPage(
  browser: Browser,
  url: string,
): Promise<Page & { readonly complaints: string[] }> {
  const page = await browser.newPage();
  page.setDefaultTimeout(PATIENCE);
  watchPage(page);
  lookSometimes(page);
  const complaints: string[] = [];
  page.on('pageerror', (error) => complaints.push(String(error)));
  page.on('console', (message) => {
    if (message.type() === 'error') complaints.push(`${message.text()} ${message.location().url ?? ''}`);
  });
  await page.goto(url, { waitUntil: 'load' });
  return Object.assign(page, { complaints });
}

/**
 * How often a page is looked at for what is waited for, ms: in every frame, as is usual, keeps a core busy
 * with looking.
 */
const LOOK_MS = 80;

function lookSometimes(page: Page): void {
  const look = page.waitForFunction.bind(page);
  page.waitForFunction = (what, options, ...args) => look(what, { polling: LOOK_MS, ...options }, ...args);
}

/** Waits until the page shows a text. */
export async function sees(page: Page, text: string, timeout = PATIENCE): Promise<void> {
  await page.waitForFunction((wanted: string) => document.body.innerText.includes(wanted), { timeout }, text);
}

/** Waits until an element with this accessible name (and role) is there. */
export async function named(page: Page, name: string, role?: string) {
  const handle = await page.waitForSelector(`::-p-aria([name="${name}"]${role ? `[role="${role}"]` : ''})`, {
    timeout: PATIENCE,
  });
  if (!handle) throw new Error(`Nothing is called “${name}”.`);
  return handle;
}

/**
 * A page in a window of its own, in the same profile. Unlike a tab it stays visible while another is worked
 * in, so coming back to it is no reason for the application to fetch anew.
 */
export async function openWindow(browser: Browser, url: string): Promise<Page> {
  const session = await browser.target().createCDPSession();
  // A mark that the router does not look at, to tell this window from others at the same address.
  const marked = `${url}#window-${Math.random().toString(36).slice(2)}`;
  await session.send('Target.createTarget', { url: marked, newWindow: true, width: 1280, height: 800 });
  const target = await browser.waitForTarget((candidate) => candidate.url() === marked);
  const page = await target.page();
  if (!page) throw new Error('The window has no page.');
  await page.setViewport({ width: 1280, height: 800 });
  watchPage(page);
  lookSometimes(page);
  return page;
}
