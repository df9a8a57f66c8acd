// Speed, as ratios within one run: machines differ, a ratio says what it means anywhere. Run with npm run bench.
import Module from 'manifold-3d';
import { ensureBuilt } from '../scripts/build.mjs';
import {
  completeDimensions,
  evaluate,
  FAMILIES,
  metalTable,
  PLAIN_WATER,
  RULES,
  standing,
  starterDesign,
} from '../src/core/index.ts';
import type { Brief } from '../src/core/index.ts';
import { DRAWING, loft } from '../src/core/head/loft.ts';
import { massProperties } from '../src/core/head/mesh.ts';
import { bodyBulk } from '../src/core/head/quadrature.ts';
import { toManifold } from '../src/core/head/solid.ts';
import { named, openBrowser, openPage } from '../e2e/browser.ts';
import { dataFolder, startServer } from '../e2e/server.ts';

/** One frame at sixty a second, and the longest an interface may be busy without a person noticing, ms. */
const FRAME = 1000 / 60;
const NOTICEABLE = 50;

/** Median time of a call, ms, after warming up. */
function median(work: () => unknown, runs = 40): number {
  for (let i = 0; i < 8; i++) work();
  const times = Array.from({ length: runs }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  }).sort((a, b) => a - b);
  return times[Math.floor(runs / 2)] ?? NaN;
}
const line = (what: string, ratio: number, of: string) =>
  console.log(`${what.padEnd(58)} ${ratio.toFixed(3).padStart(8)} × ${of}`);

const kernel = await Module();
kernel.setup();
console.log('Core');
for (const family of FAMILIES) {
  const profile = family.profile(completeDimensions(family, {}));
  const mesh = loft(profile, undefined, DRAWING);
  const library = median(() => {
    const solid = toManifold(kernel, mesh);
    const volume = solid.volume();
    solid.delete();
    return volume;
  });
  const own = median(() => massProperties(loft(profile, undefined, DRAWING)));
  line(
    `${family.name}: build and mass properties`,
    own / library,
    'the solid library taking in the same mesh',
  );
  line(`${family.name}: quadrature`, median(() => bodyBulk(profile)) / library, 'the same');
}
for (const family of FAMILIES) {
  const design = starterDesign(family, 'Bench');
  const whole = median(() => evaluate(design));
  line(`${family.name}: solved, judged, every reading`, whole / FRAME, 'one frame at 60 Hz');
  const result = evaluate(design);
  if (!result.ok) throw new Error('the starter cannot be built');
  line(
    `${family.name}: six cases of the metal strip`,
    median(() => metalTable(result.design, PLAIN_WATER), 15) / whole,
    'one evaluation',
  );
}
const brief: Brief = {
  format: 'fern-anvil/brief', version: 1, name: 'Bench', water: { kind: 'fresh', temperature: 12, depth: 6, current: 0, clarity: 'clear' },
  bottom: { kind: 'broken rock', slope: 20 }, cover: 'none', retrieve: 'drag', line: { material: 'braid', test: 6.8 },
  bait: { kind: 'paddle-tail', length: 102 }, mood: 'willing',
}; // prettier-ignore
const first = FAMILIES[0] && evaluate(starterDesign(FAMILIES[0], 'Bench'));
if (first?.ok) {
  const { design, readings } = first;
  const thousand = median(() => {
    for (let i = 0; i < 1000; i++) standing(brief, design, readings, RULES);
  }, 10);
  line('1,000 designs with known readings against all rules', thousand / FRAME, 'one frame at 60 Hz');
}

console.log('\nInterface, a breadth dragged for 120 pointer moves in headless Chromium');
ensureBuilt();
const data = dataFolder();
const server = await startServer(data.path, { demo: true });
const { browser, close } = await openBrowser();
try {
  const page = await openPage(browser, `${server.url}/designs/gravel-oval-1-2`);
  await page.waitForSelector('.strip-metal');
  const handle = await named(page, 'Breadth', 'slider');
  const box = await handle.boundingBox();
  if (!box) throw new Error('the handle is not on the screen');
  // The runner names functions by a helper that the page does not have.
  await page.evaluate('globalThis.__name = (named) => named');
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
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 120; i++) await page.mouse.move(x, y - 20 * Math.sin(i / 12));
  await page.mouse.up();
  await page.waitForSelector('[data-state="saved"]');
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
} finally {
  await close();
  await server.end();
  data.remove();
}
