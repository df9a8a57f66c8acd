import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { COLLECTIONS } from '../src/contract/collections/index.ts';
import { PLASTIC_KINDS } from '../src/core/plastic/index.ts';
import { share } from '../src/core/test-kit/runs.ts';
import { WORDS } from '../src/web/parts/save-badge.tsx';
import { faultsOn } from './axe.ts';
import type { OpenBrowser } from './browser.ts';
import { openBrowser, openPage, sees } from './browser.ts';
import type { RunningServer } from './server.ts';
import { dataFolder, startServer } from './server.ts';

/*
 * Every screen, opened once: whole and usable at every width from a phone to a wide desk, free of faults that
 * axe calls serious, and without a complaint on its console.
 */

const data = dataFolder('demo');
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
});

/** Screens, and the selector or the words that show that one is there. */
const SCREENS: readonly (readonly [
  name: string,
  path: string,
  ready: string | { readonly words: string },
])[] = [
  ['Rack', '/', '.rack-card'],
  ['Bench', '/designs/gravel-oval-1-2', '.strip-metal'],
  ['Bench with a guard', '/designs/reedcutter-3-8', '.strip-metal'],
  ['a section', '/designs/fathers-pattern-1-2?section=0.4', '.section-inset path'],
  ['Ladder', '/designs/alder-wedge-1-2/ladder', '.ladder-weight'],
  ['Tank', '/designs/reedcutter-3-8/water', '.tank-figures'],
  ['Tank’s line', '/designs/gravel-oval-1-2/water?view=line', '.tank-figures'],
  ['Tank’s bottom', '/designs/gravel-oval-1-2/water?view=bottom', { words: 'It stands.' }],
  ['Tank’s map', '/designs/reedcutter-3-8/water?view=bottom', '.tank-map'],
  ['Tank’s hook', '/designs/reedcutter-3-8/water?view=hook', '.tank-force'],
  ['Rig', '/designs/tideway-ball-1/rig?plastic=wherry-paddle-4', { words: 'Hook comes out at' }],
  ['Rig without a plastic', '/designs/tideway-ball-1/rig', '.verdict'],
  ['Plastics', '/stores?shelf=plastics', '.plastic-card'],
  ['a plastic', '/stores?shelf=plastics&plastic=tarn-grub-3', '.plastic-used li'],
  ['Side by side', '/compare', { words: 'Differences first' }],
  ['Briefs', '/briefs/hollin-ledges-drag', '.head-row[data-settled=true]'],
  ['Rules', '/rules', '.rule'],
  ['Sayings', '/sayings', '.saying'],
  ['Uses', '/designs/gravel-oval-1-2/uses', '.use-group li'],
  ['Stores', '/stores', '.stores-table'],
  ['Hooks', '/stores?shelf=hooks', '.hook-table tbody tr'],
  [
    'Hooks laid over',
    '/stores?shelf=hooks&over=3/0~round%20bend~standard,4/0~wide%20gap~2X%20strong',
    '.laid-over tbody tr',
  ],
  ['Mould', '/designs/pip-1-16/mould', { words: 'The volumes add up to the block' }],
  ['Measure a head', '/take-in?shape=football&m.breadth=19', { words: 'Possible metals' }],
  ['Help', '/help', { words: 'stand-up head' }],
  ['How we compute', '/help?page=computing', { words: 'Terminal fall' }],
  ['For programs', '/help?page=api', { words: 'openapi' }],
  ['Archive', '/archive', '.archive-head'],
  ['Import heads', '/import-heads', { words: 'A table with one head per row' }],
  ['Batch', '/batches/pip-april', { words: 'on target' }],
  ['Pour', '/batches/pip-april?view=pour', { words: 'First pot ready' }],
  ['Range', '/range', { words: 'Prices, packs and moulds' }],
  ['Day', '/trials/day-2026-05-03', { words: 'Hung up' }],
  ['Backups', '/backups', '.backups-where'],
  ['Compare days', '/trials?view=compare', '.strata, table'],
];

/**
 * Controls that cannot be reached or used: outside the window and anything that scrolls, or lying over each
 * other.
 */
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
        // What is set over something on purpose, as a mark on a card, may; two such may not lie over each
        // other.
        const isSetOver = getComputedStyle(b.element).position === 'absolute';
        const areBoth = isSetOver && getComputedStyle(a.element).position === 'absolute';
        const isSeen = [a, b].every(({ element }) => getComputedStyle(element).opacity !== '0');
        return wide > 3 && high > 3 && isSeen && (!isSetOver || areBoth)
          ? [`${said(a)} lies over ${said(b)}`]
          : [];
      }),
    );
    // The window holds the frame; what is longer scrolls within it, or a thumb would push the places off the
    // screen.
    const { scrollWidth, scrollHeight } = document.documentElement;
    return { wide: scrollWidth - innerWidth, tall: scrollHeight - innerHeight, outside, over };
  });

/** Controls that would move, by whatever the sign of a save says: they may be what a finger is on its way to. */
const movedByBadge = (page: Page, words: readonly string[]) =>
  page.evaluate((sayings: readonly string[]) => {
    const badge = document.querySelector('.save-badge');
    if (!badge) return [];
    const controls = [...document.querySelectorAll<HTMLElement>('button, a[href], input, select')];
    const places = () =>
      controls.map((control) => {
        const { left, top } = control.getBoundingClientRect();
        return `${Math.round(left)} ${Math.round(top)}`;
      });
    const before = places();
    const said = badge.textContent;
    const moved = sayings.flatMap((text) => {
      badge.textContent = text;
      return places().flatMap((place, i) =>
        place === before[i]
          ? []
          : [`${text}: ${controls[i]?.textContent ?? ''} from ${before[i]} to ${place}`],
      );
    });
    badge.textContent = said;
    return moved.slice(0, 5);
  }, words);

const WIDTHS = [
  [2560, 1300],
  [820, 1180],
  [390, 844],
  [320, 640],
  [1280, 800],
] as const;

/** Cumulative layout shift up to which a page is good to its reader (Web Vitals, 2020; from memory). */
const GOOD_SHIFT = 0.1;

/**
 * How far a screen has moved by itself since it was opened or last asked, as cumulative layout shift, with
 * what moved.
 */
const movedBy = (page: Page) =>
  page.evaluate(() => {
    const shifts = (window as unknown as { shifts?: { by: number; what: string }[] }).shifts ?? [];
    const found = {
      by: shifts.reduce((sum, { by }) => sum + by, 0),
      what: shifts.map(({ by, what }) => `${by.toFixed(3)} ${what}`),
    };
    shifts.length = 0;
    return found;
  });

/** A screen with two heads in the tray, once it is there, whose shifts are kept from the first on. */
async function opened(
  { browser }: OpenBrowser,
  path: string,
  ready: (typeof SCREENS)[number][2],
  width = 1280,
) {
  const page = await openPage(browser, 'about:blank');
  await page.setViewport({ width, height: 844 });
  await page.evaluateOnNewDocument(() => {
    localStorage.setItem('fern-anvil.tray', JSON.stringify(['pip-1-16', 'reedcutter-3-8']));
    const shifts: { by: number; what: string }[] = [];
    Object.assign(window, { shifts });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as (PerformanceEntry & {
        value: number;
        hadRecentInput: boolean;
        sources: { node: Node | null }[];
      })[])
        if (!entry.hadRecentInput)
          shifts.push({
            by: entry.value,
            what: entry.sources.map(({ node }) => node?.textContent?.slice(0, 40)).join(' | '),
          });
    }).observe({ type: 'layout-shift', buffered: true });
  });
  await page.goto(`${server.url}${path}`, { waitUntil: 'load' });
  if (typeof ready === 'string') await page.waitForSelector(ready);
  else await sees(page, ready.words);
  return page;
}

describe('by keyboard', () => {
  it('a screen that is chosen takes the focus, and every control shows it', async () => {
    const page = await opened(plain, '/', '.rack-card');
    await page.keyboard.press('2');
    await page.waitForSelector('.brief-list');
    await page.waitForFunction(() => document.activeElement?.id === 'main');
    await page.goto(`${server.url}/designs/gravel-oval-1-2`, { waitUntil: 'load' });
    await page.waitForSelector('.strip-metal');
    const bare: string[] = [];
    for (let i = 0; i < 60; i++) {
      await page.keyboard.press('Tab');
      const said = await page.evaluate(() => {
        const { activeElement } = document;
        if (!activeElement || activeElement === document.body) return undefined;
        const { outlineStyle, outlineWidth } = getComputedStyle(activeElement);
        // What is drawn, and what lies under a label of its own, shows it on what is seen of it.
        const isElsewhere = activeElement.closest('svg, .segments, .btn-group, .qf') !== null;
        return outlineStyle === 'none' || outlineWidth === '0px'
          ? isElsewhere
            ? undefined
            : `${activeElement.tagName}.${activeElement.className}`
          : undefined;
      });
      if (said) bare.push(said);
    }
    expect(bare).toEqual([]);
    await page.close();
  });
});

/** How long a drawing may take to follow a change of units, ms. */
const SETTLES = 20_000;

/** Screens that are documents of ours, which tell what is stored and how it is computed. */
const DOCUMENTS: ReadonlySet<string> = new Set(['Help', 'How we compute', 'For programs']);

/**
 * Quantities of the other system that stand on a page, without those in names that people gave; grams beside
 * ounces are the trade's own.
 */
const foreignOn = (page: Page, system: 'imperial' | 'metric', names: readonly string[]) =>
  page.evaluate(
    (shown, known, kinds) => {
      const found =
        shown === 'metric'
          ? /[\d½¼¾] ?(?:in(?! (?:the|a|it)\b)|ft|lb|oz|ozf|lbf|°F|ft\/s|in²|in³)(?![\w/²³])/
          : /[\d½¼¾] ?(?:mm|cm|m|kg|gf|N|°C|m\/s|mm²|mm³)(?![\w/²³·])/;
      // Baits are sold by the inch wherever they are; a handbook is cited as it stands.
      const plain = (text: string) =>
        text.includes('Handbook')
          ? ''
          : known
              .reduce((rest, name) => rest.replaceAll(name, '…'), text)
              .replace(new RegExp(`\\b(?:${kinds.join('|')}) [\\d.]+ in\\b`, 'g'), '…');
      const words = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      const texts = new Set<string>();
      for (let node = words.nextNode(); node; node = words.nextNode()) {
        const { parentElement } = node;
        if (!parentElement?.checkVisibility() || parentElement.closest('script, style, kbd')) continue;
        // A figure and its unit may be two nodes beside each other.
        const whole = parentElement.closest(
          'p, li, td, th, dd, dt, h1, h2, h3, label, button, a, text, span',
        );
        texts.add((whole ?? parentElement).textContent ?? '');
      }
      for (const name of ['aria-label', 'placeholder'])
        for (const element of document.querySelectorAll(`[${name}]`))
          texts.add(element.getAttribute(name) ?? '');
      return [...texts]
        .filter((text) => text.length < 2_000 && found.test(plain(text)))
        .map((text) => text.slice(0, 140));
    },
    system,
    names,
    PLASTIC_KINDS.map(({ key }) => key),
  );

describe('units', () => {
  it('are of one system on a screen, whichever is chosen', async () => {
    const names: string[] = [];
    for (const collection of COLLECTIONS) {
      const { items } = (await (await fetch(`${server.url}/api/${collection}?limit=100`)).json()) as {
        items: { document: { name: string } }[];
      };
      names.push(...items.map(({ document: { name } }) => name));
    }
    expect(names.length).toBeGreaterThan(60);
    // The longest first: one name may be part of another.
    names.sort((a, b) => b.length - a.length);
    const mixed: string[] = [];
    for (const [name, path, ready] of share(SCREENS, 6)) {
      if (DOCUMENTS.has(name)) continue;
      const page = await opened(plain, path, ready);
      for (const system of ['imperial', 'metric'] as const) {
        await page.waitForFunction(
          (now) => document.querySelector('.unit-flip [data-on=true]')?.textContent?.startsWith(now),
          {},
          system === 'imperial' ? 'oz' : 'g',
        );
        // A drawing made off the page's thread follows in a moment.
        let foreign = await foreignOn(page, system, names);
        for (const until = Date.now() + SETTLES; foreign.length > 0 && Date.now() < until;) {
          await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(resolve)));
          foreign = await foreignOn(page, system, names);
        }
        mixed.push(...foreign.map((text) => `${name}, ${system}: ${text}`));
        await page.click('.unit-flip');
      }
      await page.close();
    }
    expect(mixed).toEqual([]);
  });
});

describe('a screen', () => {
  it('stays where it is while it is put together on a desk', async () => {
    const moved: string[] = [];
    for (const [name, path, ready] of share(SCREENS, 6)) {
      const page = await opened(plain, path, ready);
      const { by, what } = await movedBy(page);
      if (by >= GOOD_SHIFT) moved.push(`${name}: ${by.toFixed(3)}: ${what.join('; ')}`);
      await page.close();
    }
    expect(moved).toEqual([]);
  });

  it.each(share(SCREENS, 6))(
    '%s is whole and usable at every width, and sound to axe',
    async (_, path, ready) => {
      const page = await opened(plain, path, ready, 390);
      const { by, what } = await movedBy(page);
      expect(by, what.join('\n')).toBeLessThan(GOOD_SHIFT);
      for (const [width, height] of WIDTHS) {
        await page.setViewport({ width, height });
        // What is laid out by its box is laid out anew a frame or two later.
        await expect
          .poll(async () => [width, await unusable(page)], { timeout: 20_000 })
          .toEqual([width, { wide: 0, tall: 0, outside: [], over: [] }]);
        expect(await movedByBadge(page, Object.values(WORDS)), `at ${width} px`).toEqual([]);
        if (width <= 390 || width === 1280) expect(await faultsOn(page), `at ${width} px`).toEqual([]);
      }
      await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: 'dark' }]);
      await page.waitForFunction(() => document.documentElement.dataset['bsTheme'] === 'dark');
      expect(await faultsOn(page), 'in the dark').toEqual([]);
      // The tab tells which screen it is, and of which document.
      expect(await page.title()).toMatch(/^.+ · Fern Anvil$/);
      expect(page.complaints).toEqual([]);
      await page.close();
    },
  );
});
