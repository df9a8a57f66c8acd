import { afterEach, describe, expect, it } from 'vitest';
import type { Page } from 'puppeteer-core';
import { isWhole } from '../src/core/test-kit/runs.ts';
import { sampleDesign } from '../src/core/test-kit/sample.test-kit.ts';
import type { Design } from '../src/core/document/index.ts';
import { named, openBrowser, openPage, sees } from './browser.ts';
import { dataFolder, startServer } from './server.ts';

const endings: (() => Promise<void> | void)[] = [];
afterEach(async () => {
  for (const end of endings.splice(0).reverse()) await end();
});

function folder(holds?: 'demo'): string {
  const data = dataFolder(holds);
  endings.push(data.remove);
  return data.path;
}
async function started(path: string, options: { port?: number; demo?: boolean } = {}) {
  const server = await startServer(path, options);
  endings.push(() =>
    server.process.exitCode === null && server.process.signalCode === null
      ? server.end('SIGKILL')
      : undefined,
  );
  return server;
}
async function browserPage(url: string) {
  const chromium = await openBrowser();
  endings.push(chromium.close);
  return openPage(chromium.browser, url);
}
async function type(page: Page, label: string, text: string): Promise<void> {
  const input = await named(page, label, 'textbox');
  await input.click({ count: 3 });
  await input.type(text);
  await page.keyboard.press('Enter');
}

/** One kill on most days; npm run kills does hundreds. */
const KILLS = isWhole ? 3 : 1;

describe('a killed server', () => {
  it(`has every save it acknowledged after SIGKILL in the middle of writing, ${KILLS} times over`, async () => {
    const path = folder();
    /** newest acknowledged version and name by id */
    const acknowledged = new Map<string, { version: number; name: string }>();
    const attempted = new Map<string, string>();
    for (let round = 0; round < KILLS; round++) {
      const server = await started(path);
      for (const [id, { version, name }] of acknowledged) {
        const kept = (await (await fetch(`${server.url}/api/designs/${id}`)).json()) as {
          version: number;
          document: Design;
        };
        // What was acknowledged is there; at most the one write that was under way may have landed on top of
        // it.
        expect(kept.version).toBeGreaterThanOrEqual(version);
        expect(kept.version).toBeLessThanOrEqual(version + 1);
        expect([name, attempted.get(id)]).toContain(kept.document.name);
        acknowledged.set(id, { version: kept.version, name: kept.document.name });
      }
      const headers = { 'Content-Type': 'application/json' };
      let stop = false;
      const writer = async (who: number) => {
        const design = sampleDesign('ball');
        const made = await fetch(`${server.url}/api/designs`, {
          method: 'POST',
          headers,
          body: JSON.stringify({ ...design, name: `Writer ${round}.${who}` }),
        });
        const { id, version } = (await made.json()) as { id: string; version: number };
        acknowledged.set(id, { version, name: `Writer ${round}.${who}` });
        for (let save = 1, now = version; !stop && save < 500; save++) {
          const name = `Writer ${round}.${who} save ${save}`;
          attempted.set(id, name);
          const answer = await fetch(`${server.url}/api/designs/${id}`, {
            method: 'PUT',
            headers: { ...headers, 'If-Match': `"v${now}"` },
            body: JSON.stringify({ ...design, name }),
          });
          if (!answer.ok) throw new Error(`save ${save} got ${answer.status}`);
          now = ((await answer.json()) as { version: number }).version;
          acknowledged.set(id, { version: now, name });
        }
      };
      const writers = Promise.allSettled([writer(1), writer(2)]);
      // Kill as soon as both have had a few saves acknowledged, in the middle of the next.
      const enough = () =>
        [...acknowledged.values()].filter(({ name }) =>
          new RegExp(`^Writer ${round}\\.\\d save ([4-9]|\\d\\d)`).test(name),
        ).length >= 2;
      while (!enough()) await new Promise((resolve) => setImmediate(resolve));
      await server.end('SIGKILL');
      stop = true;
      await writers;
    }
    const server = await started(path);
    for (const [id, { version }] of acknowledged) {
      const kept = (await (await fetch(`${server.url}/api/designs/${id}`)).json()) as { version: number };
      expect(kept.version).toBeGreaterThanOrEqual(version);
    }
    expect(acknowledged.size).toBe(2 * KILLS);
  });

  it('started again with an ordinary stop in between loses nothing either, and a real shop begins empty', async () => {
    const path = folder();
    const first = await started(path);
    expect(((await (await fetch(`${first.url}/api/designs`)).json()) as { total: number }).total).toBe(0);
    await fetch(`${first.url}/api/designs`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(sampleDesign('ball')),
    });
    await first.end('SIGTERM');
    const second = await started(path);
    expect(((await (await fetch(`${second.url}/api/designs`)).json()) as { total: number }).total).toBe(1);
  });
});

describe('a server that goes away and returns', () => {
  it('the screen says so, keeps what is typed over a reload, and saves it when the server is back', async () => {
    const path = folder('demo');
    const server = await started(path, { demo: true });
    const page = await browserPage(`${server.url}/designs/ledge-ball-1-4`);
    await page.waitForSelector('[data-reading="mass.metal"]');
    await server.end('SIGKILL');
    await type(page, 'Eye angle', '45');
    await sees(page, 'server away');
    // Readings go on without the server: they are computed in the page.
    await page.waitForFunction(() =>
      document.querySelector('[data-reading="eye.angle"], .bench-line')?.textContent?.includes('45°'),
    );
    await type(page, 'Eye angle', '50');
    const again = await started(path, { port: server.port });
    await page.waitForSelector('[data-state="saved"]');
    const kept = (await (await fetch(`${again.url}/api/designs/ledge-ball-1-4`)).json()) as {
      document: Design;
    };
    expect(kept.document.eye.angle).toBe(50);

    // And once more with the page closed before the server is back.
    await again.end('SIGKILL');
    await type(page, 'Eye angle', '33');
    await sees(page, 'server away');
    const third = await started(path, { port: server.port });
    await page.reload();
    await page.waitForSelector('[data-state="saved"]');
    await page.waitForFunction(() =>
      [...document.querySelectorAll('input')].some((input) => input.value === '33'),
    );
    const last = (await (await fetch(`${third.url}/api/designs/ledge-ball-1-4`)).json()) as {
      document: Design;
    };
    expect(last.document.eye.angle).toBe(33);
  });

  it('a screen that could not be fetched offers to try again', async () => {
    const path = folder('demo');
    const server = await started(path, { demo: true });
    const page = await browserPage(`${server.url}/stores`);
    await sees(page, 'Tungsten');
    await server.end('SIGKILL');
    await (await named(page, 'Briefs', 'link')).click();
    await sees(page, 'Couldn’t load this');
    await (await named(page, 'Try again', 'button')).click();
    await sees(page, 'still does not answer');
    await started(path, { port: server.port });
    await (await named(page, 'Try again', 'button')).click();
    await sees(page, 'Which water, which bait?');
  });
});
