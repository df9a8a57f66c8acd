import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { OpenBrowser } from './browser.ts';
import { openBrowser, openPage } from './browser.ts';
import type { RunningServer } from './server.ts';
import { dataFolder, startServer } from './server.ts';

interface Axe {
  readonly run: () => Promise<{
    violations: { id: string; impact: string; nodes: { html: string; failureSummary: string }[] }[];
  }>;
}

const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

const data = dataFolder('demo');
let server: RunningServer;
let plain: OpenBrowser;
beforeAll(async () => {
  server = await startServer(data.path, { demo: true });
  plain = await openBrowser('plain');
});
afterAll(async () => {
  await plain.close();
  await server.end();
  data.remove();
});

/** Serious faults that axe finds on a page, once what it waits for is there. */
async function faultsOn({ browser }: OpenBrowser, path: string, ready: string): Promise<string[]> {
  const page = await openPage(browser, 'about:blank');
  await page.evaluateOnNewDocument(() =>
    localStorage.setItem('fern-anvil.tray', JSON.stringify(['pip-1-16', 'reedcutter-3-8'])),
  );
  await page.goto(`${server.url}${path}`, { waitUntil: 'load' });
  await page.waitForSelector(ready);
  await page.evaluate(axeSource);
  const faults = await page.evaluate(async () => {
    const { violations } = await (window as unknown as { axe: Axe }).axe.run();
    return violations
      .filter(({ impact }) => impact === 'serious' || impact === 'critical')
      .map(
        ({ id, nodes }) =>
          `${id}: ${nodes
            .slice(0, 3)
            .map(({ html, failureSummary }) => `${html.slice(0, 160)} ${failureSummary}`)
            .join(' | ')}`,
      );
  });
  const complaints = [...page.complaints];
  await page.close();
  return [...faults, ...complaints];
}

describe('accessibility', () => {
  it.each([
    ['/', '.rack-card'],
    ['/designs/fathers-pattern-1-2?section=0.4', '.section-inset path'],
    ['/designs/alder-wedge-1-2/ladder', '.ladder-weight'],
    ['/stores?shelf=hooks', '.hook-table tbody tr'],
    ['/designs/gravel-oval-1-2', '.strip-metal'],
    ['/designs/reedcutter-3-8', '.strip-metal'],
    ['/designs/tideway-ball-1/rig', '.verdict'],
    ['/designs/reedcutter-3-8/water', '.tank-figures'],
    ['/designs/reedcutter-3-8/water?view=bottom', '.tank-map'],
    ['/designs/reedcutter-3-8/water?view=line', '.tank-figures'],
    ['/designs/reedcutter-3-8/water?view=hook', '.tank-force'],
    ['/compare', '.compare-table, .state'],
    ['/briefs/hollin-ledges-drag', '.head-row[data-settled=true]'],
    ['/rules', '.rule'],
    ['/sayings', '.saying'],
    ['/designs/gravel-oval-1-2/uses', '.use-group li'],
    ['/stores', '.stores-table'],
    ['/backups', '.backups-where'],
    ['/stores?shelf=plastics', '.plastic-card'],
    ['/stores?shelf=plastics&plastic=tarn-grub-3', '.plastic-used li'],
  ])('axe finds no serious fault on %s, and it complains of nothing', async (path, ready) => {
    expect(await faultsOn(plain, path, ready)).toEqual([]);
  });

  it('nor on the solid, where there is WebGL', async () => {
    const webgl = await openBrowser('webgl');
    expect(
      await faultsOn(webgl, '/designs/kingfisher-dart-1-4?show=solid', '.solid[data-shown=true]'),
    ).toEqual([]);
    await webgl.close();
  });
});
