import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Kept } from '../src/contract/api.ts';
import type { Design } from '../src/core/document/index.ts';
import { castSolid } from '../src/core/assembly/index.ts';
import { loadSolids } from '../src/core/head/index.ts';
import { evaluate } from '../src/core/judge/index.ts';
import { writeStl } from '../src/core/exchange/stl.ts';
import { massProperties } from '../src/core/head/mesh.ts';
import { sampleDesign } from '../src/core/test-kit/sample.test-kit.ts';
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
});
afterAll(async () => {
  await close();
  await server.end();
  data.remove();
});

const go = (path: string) => page.goto(`${server.url}${path}`, { waitUntil: 'load' });
const press = async (name: string, role = 'button') => (await named(page, name, role)).click();
const saved = () =>
  page.waitForFunction(() =>
    document.querySelector('.save-badge, [data-state]')?.textContent?.includes('Saved'),
  );
const reading = (id: string) => page.$eval(`[data-reading="${id}"]`, (element) => element.textContent ?? '');
const readingBecomes = (id: string, not: string) =>
  page.waitForFunction(
    (key: string, old: string) => {
      const text = document.querySelector(`[data-reading="${key}"]`)?.textContent;
      return text !== undefined && text !== old;
    },
    {},
    id,
    not,
  );
const kept = async (id: string) =>
  (await (await fetch(`${server.url}/api/designs/${id}`)).json()) as Kept<Design>;
/** Puts text into a named field, as a person would. */
async function type(label: string, text: string, role = 'textbox') {
  const input = await named(page, label, role);
  await input.click({ count: 3 });
  await input.type(text);
  await page.keyboard.press('Enter');
}
async function drag(handle: ElementHandle, dx: number, dy: number) {
  const box = await handle.boundingBox();
  if (!box) throw new Error('it is not on the screen');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + dx, y + dy, { steps: 6 });
  await page.mouse.up();
}
/** Waits until a panel at the side has come to rest. */
const slidIn = () =>
  page.waitForFunction(() => {
    const panel = document.querySelector('.offcanvas');
    return panel !== null && getComputedStyle(panel).transform === 'none';
  });
/** Gives a file to a hidden input. */
async function give(label: string, path: string) {
  const input = (await page.waitForSelector(
    `input[aria-label="${label}"]`,
  )) as ElementHandle<HTMLInputElement> | null;
  await input?.uploadFile(path);
}
const temporary = (name: string, content: string | Uint8Array) => {
  const path = join(data.path, name);
  writeFileSync(path, content);
  return path;
};

describe('an own profile', () => {
  it('is edited by pulling a station, by its keys, and by typing, and each is a step that can be undone', async () => {
    await go('/designs/fathers-pattern-1-2?view=head');
    await page.waitForSelector('[data-reading="head.sphericity"]');
    const before = await kept('fathers-pattern-1-2');
    const rise = (design: Design, i: number) => design.head.stations?.[i]?.rise ?? NaN;
    await drag(await named(page, 'Rise of station 4', 'slider'), 0, -14);
    await saved();
    const pulled = await kept('fathers-pattern-1-2');
    expect(rise(pulled.document, 3)).toBeGreaterThan(rise(before.document, 3) + 0.02);
    await (
      await named(page, 'Breadth of station 2', 'slider')
    ).evaluate((element) => (element as SVGGElement).focus());
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('ArrowUp');
    await page.evaluate(() => (document.activeElement as SVGGElement | null)?.blur());
    await page.waitForFunction(() =>
      document.querySelector('[aria-label=Undo]')?.getAttribute('title')?.includes('Breadth of station 2'),
    );
    await saved();
    const place = (design: Design, i: number) => design.head.stations?.[i]?.at ?? NaN;
    await drag(await named(page, 'Place of station 3 along the shank', 'slider'), 18, 0);
    await saved();
    const moved = await kept('fathers-pattern-1-2');
    expect(place(moved.document, 2)).toBeGreaterThan(place(before.document, 2) + 0.02);
    // However far it is pulled it stays behind the next.
    await drag(await named(page, 'Place of station 5 along the shank', 'slider'), 400, 0);
    await saved();
    expect(place((await kept('fathers-pattern-1-2')).document, 4)).toBeCloseTo(0.99, 9);
    await press('Undo');
    await sees(page, 'Undone: Place of station 5');
    expect((await kept('fathers-pattern-1-2')).document.head.stations).toEqual(moved.document.head.stations);
    await type('Drop of station 3', '70 %');
    await saved();
    expect((await kept('fathers-pattern-1-2')).document.head.stations?.[2]?.drop).toBeCloseTo(0.7, 9);
  });

  it('undo and redo work after a reload, by Ctrl+Z and Ctrl+Shift+Z, and say what they did', async () => {
    const now = await kept('fathers-pattern-1-2');
    await page.reload();
    await page.waitForSelector('[data-reading="head.sphericity"]');
    await page.waitForFunction(
      () => !(document.querySelector('[aria-label=Undo]') as HTMLButtonElement | null)?.disabled,
    );
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await sees(page, 'Undone: Drop of station 3');
    const back = await kept('fathers-pattern-1-2');
    expect(back.document).not.toEqual(now.document);
    await page.waitForFunction(
      () => !(document.querySelector('[aria-label=Redo]') as HTMLButtonElement | null)?.disabled,
    );
    await page.keyboard.down('Control');
    await page.keyboard.down('Shift');
    await page.keyboard.press('z');
    await page.keyboard.up('Shift');
    await page.keyboard.up('Control');
    await sees(page, 'Redone: Drop of station 3');
    expect((await kept('fathers-pattern-1-2')).document).toEqual(now.document);
  });
});

describe('the Bench in full', () => {
  it('the plate is drawn at its place from the first picture on, so that a hand goes where it aims', async () => {
    // Written as text: the page has none of the helpers a compiled function would call.
    const watch = await page.evaluateOnNewDocument(`
      window.placesSeen = new Set();
      const look = () => {
        const plate = document.querySelector('.plate svg');
        if (plate) placesSeen.add([...plate.querySelectorAll('.dim-text tspan')].map((t) => t.getAttribute('x') + ' ' + t.getAttribute('y')).join());
        requestAnimationFrame(look);
      };
      requestAnimationFrame(look);
    `);
    await go('/designs/quayside-stand-3-8');
    await sees(page, 'Same weight');
    await page.evaluate(() => document.fonts.ready.then(() => undefined));
    expect(await page.evaluate('placesSeen.size')).toBe(1);
    await page.removeScriptToEvaluateOnNewDocument(watch.identifier);
  });

  it('a dimension’s figure can be grabbed and pulled', async () => {
    await go('/designs/quayside-stand-3-8');
    await page.waitForSelector('[data-reading="head.length"]');
    const before = await reading('head.length');
    const figure = await page.waitForSelector(
      '::-p-xpath(//*[local-name()="g"][./*[local-name()="title"][text()="Head length"]]/*[local-name()="text"])',
    );
    if (!figure) throw new Error('there is no dimension of the length');
    await drag(figure, 25, 0);
    await readingBecomes('head.length', before);
    expect(parseFloat(await reading('head.length'))).toBeGreaterThan(parseFloat(before));
    await saved();
  });

  it('figures lie neither over each other nor over a view, in one unit system or both', async () => {
    for (const head of ['gravel-oval-1-2', 'reedcutter-3-8', 'kingfisher-dart-1-4']) {
      await go(`/designs/${head}`);
      await sees(page, 'Same weight');
      for (const other of [false, true, true]) {
        if (other) await press('in [mm]');
        const found = await page.evaluate(() => {
          const boxes = (of: string) =>
            [...document.querySelectorAll(of)].map(
              (element) => [element.textContent || of, element.getBoundingClientRect()] as const,
            );
          const figures = boxes('.plate .dim-text');
          const over = figures.flatMap(([text, a], i) =>
            [...figures.slice(i + 1), ...boxes('.plate .fig-metal')]
              .filter(
                ([, b]) =>
                  a.left < b.right &&
                  b.left < a.right &&
                  a.top + 2 < b.bottom - 2 &&
                  b.top + 2 < a.bottom - 2,
              )
              .map(([other]) => `${text} over ${other}`),
          );
          return { over, count: figures.length };
        });
        expect(found.over).toEqual([]);
        expect(found.count).toBeGreaterThan(7);
      }
    }
  });

  it('a feature is put on, changed and refused with its reason', async () => {
    await go('/designs/broads-drop-1-2');
    await page.waitForSelector('[data-reading="head.castVolume"]');
    const length = await reading('head.length');
    await (await page.waitForSelector('::-p-xpath(//label[contains(., "Belly channel")]/input)'))?.click();
    // The weight is held, so a head with a channel must be larger.
    await readingBecomes('head.length', length);
    expect(parseFloat(await reading('head.length'))).toBeGreaterThan(parseFloat(length));
    await sees(page, 'Undercut');
    await type('Channel depth', '90 %');
    await sees(page, 'Belly channel: its roof leaves');
    await sees(page, 'last state that could be built');
    await type('Channel depth', '20 %');
    await page.waitForFunction(() => !document.querySelector('.plate-outdated'));
    await saved();
  });

  it('a section is cut where its line is pulled to, by keyboard too', async () => {
    await go('/designs/steady-swimmer-1-2?view=head&section=0.5');
    await page.waitForSelector('.section-inset path');
    const text = () => page.$eval('.section-inset text', (element) => element.textContent ?? '');
    const before = await text();
    await (await named(page, 'Section', 'slider')).evaluate((element) => (element as SVGGElement).focus());
    for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
    await page.evaluate(() => (document.activeElement as SVGGElement | null)?.blur());
    await page.waitForFunction(
      (old: string) => document.querySelector('.section-inset text')?.textContent !== old,
      {},
      before,
    );
    await page.waitForFunction(() => location.search.includes('section=0.55'));
  });

  it('first angle puts the view from above below the side view', async () => {
    const places = () =>
      page.$$eval('.view-names text', (names) =>
        names.map((name) => [name.textContent ?? '', Number(name.getAttribute('y'))] as const),
      );
    const high = Object.fromEntries(await places());
    await press('Third angle');
    await page.waitForFunction(() => document.body.innerText.includes('First angle'));
    const low = Object.fromEntries(await places());
    expect(high['From above'] ?? 0).toBeLessThan(high['From the nose'] ?? 0);
    expect(low['From above'] ?? 0).toBeGreaterThan(low['From the nose'] ?? 0);
    await press('First angle');
  });

  it('hook style, hinge and a measured hook change the readings', async () => {
    await go('/designs/longshore-3-4');
    await page.waitForSelector('[data-reading="hook.gap"]');
    const gap = await reading('hook.gap');
    await (await named(page, 'Style', 'combobox')).select('wide gap');
    await readingBecomes('hook.gap', gap);
    expect(parseFloat(await reading('hook.gap'))).toBeGreaterThan(parseFloat(gap));
    await (await named(page, 'Measured hook', 'combobox')).select('tideway-heavy-5-0');
    await page.waitForFunction(() =>
      document.querySelector('[data-reading="hook.wire"]')?.textContent?.startsWith('0.056'),
    );
    await (await named(page, 'Hinge', 'combobox')).select('open loop');
    await sees(page, 'a keeper on the head is in the way');
    await (await named(page, 'Kind of keeper', 'combobox')).select('none');
    await page.waitForSelector('[data-reading="mass.joint"]');
    await saved();
  });

  it('a state is named, compared with, and brought back', async () => {
    await go('/designs/reedcutter-3-16');
    await page.waitForSelector('[data-reading="head.length"]');
    const first = await kept('reedcutter-3-16');
    await page.keyboard.press('y');
    await slidIn();
    await type('Name of this version', 'As poured');
    await sees(page, 'As poured');
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('.offcanvas'));
    await type('Weight', '1/4');
    await page.waitForFunction(
      () => document.querySelector('[data-reading="mass.metal"]')?.textContent === '1/4 oz',
    );
    await saved();
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await page.keyboard.press('y');
    await slidIn();
    await (
      await page.waitForSelector('::-p-xpath(//li[contains(., "As poured")]//button[text()="compare"])')
    )?.click();
    await sees(page, 'Against the earlier state');
    await page.waitForSelector('.fig-before path');
    expect(await page.$$eval('.against tbody tr th', (rows) => rows.map((row) => row.textContent))).toContain(
      'Metal',
    );
    await (
      await page.waitForSelector('::-p-xpath(//li[contains(., "As poured")]//button[text()="Restore"])')
    )?.click();
    await sees(page, 'As poured is back');
    expect((await kept('reedcutter-3-16')).document).toEqual(first.document);
  });
});

describe('the ladder', () => {
  it('makes a series, its hooks growing by rule, a rung changed by hand, and hangs it on the Rack at once', async () => {
    await go('/designs/hood-stake-3-4/ladder');
    await page.waitForSelector('.ladder-weight');
    const hooks = () => page.$$eval('.ladder-size', (sizes) => sizes.map((size) => size.textContent));
    const grown = await hooks();
    expect(new Set(grown).size).toBeGreaterThan(3);
    await (await page.waitForSelector('::-p-xpath(//label[text()="kept on every rung"])'))?.click();
    await page.waitForFunction(
      () =>
        new Set([...document.querySelectorAll('.ladder-size')].map((size) => size.textContent)).size === 1,
    );
    await (await page.waitForSelector('::-p-xpath(//label[text()="in proportion to the head"])'))?.click();
    await page.waitForFunction(
      (count: number) =>
        new Set([...document.querySelectorAll('.ladder-size')].map((size) => size.textContent)).size ===
        count,
      {},
      new Set(grown).size,
    );
    // What is being typed stays in its field while the rungs are worked out anew.
    const drawnBefore = await page.$eval('.ladder-family', (family) => family.innerHTML);
    await (
      await page.waitForSelector('::-p-xpath(//label[text()="one size up for each doubling"])')
    )?.click();
    const weight = await named(page, 'Weight of rung 9', 'textbox');
    await weight.click({ count: 3 });
    await weight.type('7/');
    await page.waitForFunction(
      (before: string) => document.querySelector('.ladder-family')?.innerHTML !== before,
      {},
      drawnBefore,
    );
    expect(await page.evaluate(() => (document.activeElement as HTMLInputElement).value)).toBe('7/');
    await weight.type('8');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() =>
      [...document.querySelectorAll('.ladder-weight')].some((text) => text.textContent?.includes('7/8')),
    );
    const rungs = (await page.$$('.ladder-weight')).length;
    await press(`Add ${rungs} to the Rack`);
    await sees(page, `${rungs} heads added to the Rack`);
    await press('Show them');
    await page.waitForFunction(
      (count: number) =>
        document.querySelector('.rack-count')?.textContent?.startsWith(`${count} of`) ||
        document.querySelector('.rack-count')?.textContent?.startsWith(`${count + 1} of`),
      {},
      rungs,
    );
  });
});

describe('the Rack at work', () => {
  it('filters by what there is, keeps a view under a name, puts away and takes out', async () => {
    await go('/');
    await page.waitForSelector('.rack-card');
    await (await named(page, 'Metal', 'combobox')).select('tungsten');
    await (await named(page, 'Keeper', 'combobox')).select('wire');
    await page.waitForFunction(() => location.search.includes('keeper=wire'));
    const count = await page.$eval('.rack-count', (element) => element.textContent ?? '');
    await page.click('#rack-views');
    await type('Name of this view', 'Wired tungsten');
    await go('/');
    await page.waitForSelector('.rack-card');
    await page.click('#rack-views');
    await (await page.waitForSelector('::-p-xpath(//a[text()="Wired tungsten"])'))?.click();
    await page.waitForFunction(
      (text: string) => document.querySelector('.rack-count')?.textContent === text,
      {},
      count,
    );
    await page.focus('a.rack-link');
    await page.keyboard.press('a');
    await sees(page, 'archived.');
    await page.waitForFunction(
      (text: string) => document.querySelector('.rack-count')?.textContent !== text,
      {},
      count,
    );
    await (await named(page, 'Show', 'combobox')).select('yes');
    await page.waitForFunction(() => document.querySelectorAll('.rack-card').length === 1);
    await page.focus('a.rack-link');
    await page.keyboard.press('a');
    await sees(page, 'is back on the Rack.');
  });
});

describe('files', () => {
  it('a bad STL is refused with its reason and nothing is made', async () => {
    const cube =
      'solid open\n' +
      ['0 0 0 1 0 0 0 1 0', '0 0 0 0 1 0 0 0 1']
        .map((facet) => {
          const [a, b, c] = [0, 3, 6].map((i) =>
            facet
              .split(' ')
              .slice(i, i + 3)
              .join(' '),
          );
          return `facet normal 0 0 0\nouter loop\nvertex ${a}\nvertex ${b}\nvertex ${c}\nendloop\nendfacet\n`;
        })
        .join('') +
      'endsolid\n';
    await go('/');
    await page.waitForSelector('.rack-card');
    await give('Solid file', temporary('open.stl', cube));
    await sees(page, 'It cannot be taken');
    await sees(page, 'It is open');
    expect(
      await (
        await named(page, 'Make a design of it', 'button')
      ).evaluate((button) => (button as HTMLButtonElement).disabled),
    ).toBe(true);
    await press('Cancel');
    await page.waitForFunction(() => !document.querySelector('.modal'));
    await give('Solid file', temporary('torn.stl', 'hello'));
    await sees(page, 'too short to be an STL');
    await press('Cancel');
  });

  it('a sound STL becomes a design with its own volume', async () => {
    const kernel = await loadSolids();
    const result = evaluate(sampleDesign('football', { keeper: { kind: 'none' } }));
    if (!result.ok) throw new Error('the sample cannot be built');
    const mesh = castSolid(kernel, result.rig);
    await page.waitForFunction(() => !document.querySelector('.modal'));
    await give('Solid file', temporary('Lent Oval.stl', writeStl(mesh, 'x')));
    await sees(page, 'facets, closed');
    await page.waitForSelector('.solid-preview svg');
    // Its own wire channel is in it already: set the shank a little beside would cut a second one, so the
    // level stays.
    await press('Make a design of it');
    await page.waitForSelector('[data-reading="head.castVolume"]');
    await sees(page, 'Imported solid');
    const id = new URL(page.url()).pathname.split('/').at(-1) ?? '';
    const { document: made } = await kept(id);
    expect(made.name).toBe('Lent Oval');
    expect(made.head.dimensions['breadth']).toBeCloseTo(result.readings['head.breadth']?.value ?? NaN, 1);
    const again = evaluate(made);
    if (!again.ok) throw new Error(again.problems[0]?.message);
    expect(Math.abs(again.rig.body.volume / massProperties(mesh).volume - 1)).toBeLessThan(2e-3);
  });

  it('a table of hooks is shown row by row, refused while a row is wrong, and taken whole', async () => {
    await go('/stores?shelf=hooks');
    await page.waitForSelector('.hook-table tbody tr');
    const before = (await page.$$('.hook-table tbody tr')).length;
    await give(
      'Table of hooks',
      temporary(
        'bad.csv',
        'name,size,style,gap,shank,wire\nA,3/0,round bend,13,31,1.1\nB,9x,round bend,13,31,thick\n',
      ),
    );
    await sees(page, '1 of 2 rows are wrong');
    await press('Cancel');
    await page.waitForFunction(() => !document.querySelector('.modal'));
    await give(
      'Table of hooks',
      temporary(
        'good.csv',
        'name;size;style;gap;shank;wire\nQuay A;3/0;round bend;13;31;1.1\nQuay B;4/0;wide gap;0.6 in;35;1.2\n',
      ),
    );
    await sees(page, '2 hooks, all sound');
    await press('Import 2');
    await page.waitForFunction(
      (count: number) => document.querySelectorAll('.hook-table tbody tr').length === count,
      {},
      before + 2,
    );
  });

  it('the whole shop goes out and comes back the same; a changed file tells what it would do', async () => {
    const text = await (await fetch(`${server.url}/api/shop.json`)).text();
    const shop = JSON.parse(text) as { designs: { id: string; document: { name: string } }[] };
    const [first] = shop.designs;
    if (!first) throw new Error('the shop is empty');
    first.document.name = 'Renamed by file';
    await go('/');
    await page.waitForSelector('.rack-card');
    await give('Design or shop file', temporary('shop.json', JSON.stringify(shop)));
    await sees(page, '0 would be added, 1 changed');
    await press('Import');
    await sees(page, '1 documents imported');
    expect((await kept(first.id)).document.name).toBe('Renamed by file');
    await give('Design or shop file', temporary('wrong.json', JSON.stringify({ ...shop, version: 9 })));
    await sees(page, 'Nothing is imported until every problem is fixed');
    await press('Cancel');
  });

  it('the next file waits for nothing: it stays on screen while the last one is still being read back', async () => {
    await go('/');
    await page.waitForSelector('.rack-card');
    const shop = JSON.parse(await (await fetch(`${server.url}/api/shop.json`)).text()) as {
      designs: { document: { name: string } }[];
    };
    const [first] = shop.designs;
    if (!first) throw new Error('the shop is empty');
    first.document.name = 'Renamed again';
    await give('Design or shop file', temporary('again.json', JSON.stringify(shop)));
    await sees(page, '1 changed');
    // From here on nothing that is asked for anew comes back until it is let through.
    await page.evaluate(`
      window.plainFetch = window.fetch;
      window.held = new Promise((letThrough) => (window.letThrough = letThrough));
      window.fetch = async (what, how) => {
        if ((how?.method ?? 'GET') === 'GET') await window.held;
        return window.plainFetch(what, how);
      };
    `);
    await press('Import');
    await sees(page, '1 documents imported');
    await give('Design or shop file', temporary('no.json', '{'));
    await sees(page, 'Nothing is imported until every problem is fixed');
    await page.evaluate('letThrough(); fetch = plainFetch; undefined');
    await sees(page, 'Renamed again');
    expect(await page.$('.problems-list')).not.toBeNull();
    await press('Cancel');
  });

  it('exports what is on screen, the newest edit with it', async () => {
    await go('/designs/weir-roller');
    await go('/designs/roller-3-8');
    await page.waitForSelector('[data-reading="mass.metal"]');
    const session = await page.createCDPSession();
    await session.send('Browser.setDownloadBehavior', {
      behavior: 'allow',
      downloadPath: data.path,
      eventsEnabled: true,
    });
    const done = new Promise<void>((resolve) =>
      session.on('Browser.downloadProgress', ({ state }) => state === 'completed' && resolve()),
    );
    await type('Name', 'Roller to go');
    await page.click('#bench-export');
    await (await page.waitForSelector('::-p-xpath(//button[contains(., "Design, JSON")])'))?.click();
    await done;
    const file = JSON.parse(readFileSync(join(data.path, 'Roller to go.json'), 'utf8')) as Design;
    expect(file).toEqual((await kept('roller-3-8')).document);
  });
});

it('nothing complained on the console but what was refused on purpose', () => {
  expect(page.complaints.filter((text) => !/404|422/.test(text))).toEqual([]);
});
