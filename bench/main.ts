// Speed, as ratios within one run: machines differ, a ratio says what it means anywhere. Run with npm run
// bench.
import { readFileSync } from 'node:fs';
import { ensureBuilt, ensureNode } from '../scripts/build.mjs';
import { assemble } from '../src/core/assembly/index.ts';
import { starterDesign } from '../src/core/document/index.ts';
import { DRAWN_FAMILIES, completeDimensions, loadSolids } from '../src/core/head/index.ts';
import { HOOK_CHART } from '../src/core/hook/index.ts';
import { PLAIN_WATER, evaluate, pairingOf } from '../src/core/judge/index.ts';
import {
  matchSettled,
  smallestChange,
  bareHead,
  plasticsForHead,
  REFERENCE_RULES,
  matchingFor,
  placed,
  standKept,
  valuesOf,
} from '../src/core/match/index.ts';
import { PLASTIC_KINDS, usualPlastic } from '../src/core/plastic/index.ts';
import { MM_PER_INCH } from '../src/core/quantity/index.ts';
import { metalTable } from '../src/core/series/index.ts';
import type { Design, Brief } from '../src/core/document/index.ts';
import type { Plastic } from '../src/core/plastic/index.ts';
import type { Serving } from '../src/core/range/index.ts';
import { newMould } from '../src/core/document/index.ts';
import { layMould } from '../src/core/make/index.ts';
import { leastRange, loadSolver } from '../src/core/range/index.ts';
import { mouldRigs } from '../src/core/exchange/mould-files.ts';
import { football } from '../src/core/head/families/football.ts';
import { mouldSolids, SHOWN } from '../src/core/make/mould-solids.ts';
import { DRAWING, loft } from '../src/core/head/loft.ts';
import { massProperties } from '../src/core/head/mesh.ts';
import { headBody, isPlain } from '../src/core/head/body.ts';
import { wholeBulk } from '../src/core/head/bulk.ts';
import { bodySolid } from '../src/core/head/solid.ts';
import { hangMany } from '../e2e/many.ts';
import { named, openBrowser, openPage } from '../e2e/browser.ts';
import { dataFolder, startServer } from '../e2e/server.ts';
import { behaviours } from './behaviours.ts';
import { busiest, FRAME, line, median, NAMED, NOTICEABLE } from './kit.ts';
import { monthOfSaves } from './month.ts';
import { largeShop } from './shop.ts';
import { draggedInTank } from './tank.ts';

// npm run bench -- shop [SCALE] measures that alone: filling a large one takes minutes.
if (process.argv[2] === 'shop') {
  await ensureNode();
  await largeShop(Number(process.argv[3] ?? 1));
  process.exit(0);
}
// npm run bench -- month [SAVES] likewise: some thousands of saves.
if (process.argv[2] === 'month') {
  await ensureNode();
  await monthOfSaves(Number(process.argv[3] ?? 6_000));
  process.exit();
}

const kernel = await loadSolids();
await making();
behaviours();
console.log(
  'Core: building a head and its mass properties, against the solid library building the same shape',
);
for (const family of DRAWN_FAMILIES) {
  const design = starterDesign(family, 'Bench');
  const dimensions = completeDimensions(family, {});
  const make = () => headBody(family, design.head, dimensions, { wire: 1 });
  const library = median(() => {
    const solid = bodySolid(kernel, make(), DRAWING);
    const volume = solid.volume();
    solid.delete();
    return volume;
  }, 15);
  line(
    `${family.name}: volume and centre by columns or sections`,
    median(() => wholeBulk(make()), 15) / library,
    'the library’s build',
  );
  if (isPlain(make())) {
    line(
      `${family.name}: mesh and mass properties`,
      median(() => massProperties(loft(make().profile, undefined, DRAWING)), 15) / library,
      'the same',
    );
  }
}
console.log('\nWhole evaluations');
for (const family of DRAWN_FAMILIES) {
  const design = starterDesign(family, 'Bench');
  const short = median(() => evaluate(design, { ...PLAIN_WATER, isShort: true }), 15);
  line(`${family.name}: solved and judged while a size is dragged`, short / FRAME, 'one frame at 60 Hz');
  const whole = median(() => evaluate(design), 15);
  line(`${family.name}: every reading, those of the worker too`, whole / FRAME, 'one frame at 60 Hz');
  const result = evaluate(design);
  if (!result.ok) throw new Error('the starter cannot be built');
  line(
    `${family.name}: six cases of the metal strip`,
    median(() => metalTable(result.design, { ...PLAIN_WATER, isShort: true }), 5) / short,
    'one evaluation',
  );
}
const brief: Brief = {
  format: 'fern-anvil/brief',
  version: 2,
  name: 'Bench',
  water: { kind: 'fresh', temperature: 12, depth: 6, sight: 3 },
  bottom: { kinds: ['broken rock'], slope: 20 },
  cover: { kinds: [] },
  fishing: { retrieve: 'drag' },
  line: { material: 'braid', test: 6.8 },
  bait: { kind: 'paddle-tail', length: 102 },
};
const kept = DRAWN_FAMILIES.flatMap((family) => {
  const result = evaluate(starterDesign(family, family.name));
  return result.ok ? [{ design: result.design, values: valuesOf(result.readings) }] : [];
});
const rack = Array.from({ length: 10_000 }, (_, i) => kept[i % kept.length]).flatMap((head) =>
  head ? [{ design: head.design, values: { ...head.values } }] : [],
);
const ranked = median(() => {
  const matching = matchingFor(brief, REFERENCE_RULES);
  placed(
    rack.map(({ design, values }) => standKept(matching, design, values)),
    (standing) => standing,
  );
}, 5);
line(`${rack.length.toLocaleString('en')} heads ranked from kept readings`, ranked / 100, '100 ms');
const shop = <T>(name: string): T[] =>
  (
    JSON.parse(readFileSync(new URL(`../demo/${name}.json`, import.meta.url), 'utf8')) as { document: T }[]
  ).map(({ document }) => document);
const demoHeads = shop<Design>('designs');
const demoBaits = shop<Plastic>('plastics');
const asked = matchingFor(brief, REFERENCE_RULES, demoBaits);
const settle = (heads: readonly Design[]) =>
  median(() => heads.map((design) => matchSettled(asked, design)), 1);
line(`the demo's ${demoHeads.length} heads settled for a brief`, settle(demoHeads) / 3000, 'three seconds');
line('the first five of them', settle(demoHeads.slice(0, 5)) / 1000, 'one second');
const one = demoHeads.find(({ head }) => head.family === 'pointed') ?? demoHeads[0];
const stood = one && matchSettled(asked, one);
if (one && stood?.ok)
  line(
    'the smallest change for a pointed head on rock',
    median(() => smallestChange(asked, one, stood.matched), 3) / 1000,
    'one second',
  );
const bareOne = one && bareHead(one);
if (bareOne)
  line(
    `${demoBaits.length} plastics for a head`,
    median(() => plasticsForHead(bareOne, demoBaits, REFERENCE_RULES), 3) / 1000,
    'one second',
  );
const first = DRAWN_FAMILIES[0] && evaluate(starterDesign(DRAWN_FAMILIES[0], 'Bench'));

console.log('\nPlastics on hooks: 200 plastics on 12 hooks');
const shelf = Array.from({ length: 200 }, (_, i) =>
  usualPlastic(PLASTIC_KINDS[i % PLASTIC_KINDS.length]?.key ?? 'stick', 2.4 + ((i * 7) % 80) / MM_PER_INCH),
);
if (first?.ok) {
  const { design } = first;
  const paired = median(() => {
    for (const { size } of HOOK_CHART.slice(0, 12)) {
      const rig = assemble({ ...design, hook: { ...design.hook, size } });
      for (const plastic of shelf) pairingOf(rig, { plastic, method: 'threaded' });
    }
  }, 3);
  line('each judged by one method', paired / 1000, 'one second');
}

console.log('\nInterface, a breadth dragged for 120 pointer moves in headless Chromium');
await ensureBuilt();
await ensureNode();
const data = dataFolder();
const server = await startServer(data.path, { demo: true });
const { browser, close } = await openBrowser();
try {
  const page = await openPage(browser, `${server.url}/designs/gravel-oval-1-2`);
  await page.waitForSelector('.strip-metal');
  const handle = await named(page, 'Breadth', 'slider');
  const box = await handle.boundingBox();
  if (!box) throw new Error('the handle is not on the screen');
  await page.evaluate(NAMED);
  await page.evaluate(() => {
    const seen = { longest: 0, frames: 0, changes: 0, delays: [] as number[], moved: 0 };
    Object.assign(window, { seen });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) seen.longest = Math.max(seen.longest, entry.duration);
    }).observe({ type: 'longtask' });
    window.addEventListener('pointermove', () => (seen.moved = performance.now()), { capture: true });
    const output = document.querySelector('[data-reading="head.breadth"]');
    if (output) {
      new MutationObserver(() => {
        seen.changes++;
        seen.delays.push(performance.now() - seen.moved);
      }).observe(output, { characterData: true, childList: true, subtree: true });
    }
    const tick = () => {
      seen.frames++;
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.tracing.start({ categories: ['toplevel', 'blink.user_timing'] });
  await page.evaluate(() => void performance.mark('pulled from here'));
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 120; i++) await page.mouse.move(x, y - 20 * Math.sin(i / 12));
  await page.mouse.up();
  await page.waitForSelector('[data-state="saved"]');
  const trace = await page.tracing.stop();
  const seen = await page.evaluate(
    () =>
      (window as unknown as { seen: { longest: number; frames: number; changes: number; delays: number[] } })
        .seen,
  );
  const delays = seen.delays.sort((a, b) => a - b);
  line(
    'longest task on the interface thread',
    seen.longest / NOTICEABLE,
    `${NOTICEABLE} ms (0: none was that long)`,
  );
  if (trace)
    line('the same in processor time', busiest(trace, 'pulled from here') / NOTICEABLE, `${NOTICEABLE} ms`);
  line(
    'pointer move to new reading, median',
    (delays[Math.floor(delays.length / 2)] ?? NaN) / FRAME,
    'one frame at 60 Hz',
  );
  line(
    'pointer move to new reading, 95 of 100',
    (delays[Math.floor(delays.length * 0.95)] ?? NaN) / FRAME,
    'one frame at 60 Hz',
  );
  line('readings shown', seen.changes / 120, 'pointer moves (the worker drops what is stale)');
  await draggedInTank(page, server.url);
} finally {
  await close();
  await server.end();
  data.remove();
}

console.log('\nThe Rack with 5,000 heads');
const many = dataFolder();
await hangMany(many.path, 5000);
const full = await startServer(many.path);
// Drawn plainly: the emulated graphics that WebGL needs here would be timed, not the Rack.
const second = await openBrowser('plain');
try {
  const page = await openPage(second.browser, `${full.url}/stores`);
  await page.waitForSelector('.stores-table');
  const from = Date.now();
  await page.goto(full.url, { waitUntil: 'domcontentloaded' });
  const hung = () => {
    const cards = document.querySelectorAll('.rack-card');
    return cards.length > 4 && [...cards].every((card) => card.querySelector('.fig'));
  };
  await page.waitForFunction(hung, { polling: 'raf' });
  line(
    'first screen, from asking for the page to every outline on it',
    (Date.now() - from) / 1000,
    'one second',
  );
  await page.evaluate(NAMED);
  await page.evaluate(() => {
    Object.assign(window, { longest: 0, frames: 0 });
    const seen = window as unknown as { longest: number; frames: number };
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) seen.longest = Math.max(seen.longest, entry.duration);
    }).observe({ type: 'longtask' });
    const tick = () => {
      seen.frames++;
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });
  const began = Date.now();
  await page.mouse.move(640, 420);
  for (let i = 0; i < 60; i++) await page.mouse.wheel({ deltaY: 240 });
  await page.waitForFunction(hung, { polling: 'raf' });
  const scrolled = await page.evaluate(() => (window as unknown as { longest: number }).longest);
  line(
    'scrolled 60 times by a wheel: longest task on the interface thread',
    scrolled / NOTICEABLE,
    `${NOTICEABLE} ms (0: none was that long)`,
  );
  const scrolling = Date.now() - began;
  const frames = await page.evaluate(() => (window as unknown as { frames: number }).frames);
  line('the same: time until all is drawn', scrolling / 1000, 'one second');
  line('the same: a frame', scrolling / frames / FRAME, 'one frame at 60 Hz');
  const typed = Date.now();
  await page.type('input[type=search]', 'glider 77');
  await page.waitForFunction(
    () => location.search.includes('glider+77') && document.querySelectorAll('.rack-card').length < 60,
    { polling: 'raf' },
  );
  line('nine letters searched for', (Date.now() - typed) / 1000, 'one second');
} finally {
  await second.close();
  await full.end();
  many.remove();
}

/** Moulds and ranges: against three and two seconds. */
async function making(): Promise<void> {
  console.log('Making and range');
  const design = (grams: number) => {
    const start = starterDesign(football, 'Bench');
    return { ...start, head: { ...start.head, target: { grams, of: 'metal' as const } } };
  };
  const rungs = [4, 5, 7, 9, 11, 14, 18, 21].map(design);
  const mould = {
    ...newMould(rungs[0] ?? design(10), 'bench', 'pour'),
    cavities: rungs.map((one) => ({ design: one, cuts: [] })),
  };
  const built = mouldRigs(mould);
  if (!built.ok) throw new Error('The bench’s mould cannot be built.');
  const eight = median(() => mouldSolids(kernel, layMould(mould, built.rigs), [], undefined, SHOWN), 1);
  line('a mould of eight cavities, both halves', eight / 3000, 'three seconds');
  let seed = 9;
  const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  const candidates = Array.from({ length: 60 }, (_, i) => ({
    id: String(i),
    metal: ['lead', 'tin', 'tungsten'][i % 3] ?? 'lead',
    hook: `${i % 5}/0`,
    mould: `m${i % 12}`,
    outlay: 5 + Math.floor(60 * random()),
  }));
  const serves = Array.from({ length: 20 }, () =>
    candidates.map((): Serving => (random() < 0.08 ? 2 : random() < 0.15 ? 1 : 0)),
  );
  const highs = await loadSolver();
  const from = performance.now();
  const found = leastRange(highs, { candidates, serves, limits: { heads: 9, moulds: 6, hooks: 4 } });
  if (!found.ok || !found.isProven) throw new Error('The bench’s range was not proven.');
  line('60 heads for 20 briefs, solved to proof', (performance.now() - from) / 2000, 'two seconds');
}
