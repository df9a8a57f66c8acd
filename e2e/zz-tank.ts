import { ensureBuilt, ensureNode } from '../scripts/build.mjs';
import { openBrowser, openPage } from './browser.ts';
import { dataFolder, startServer } from './server.ts';
await ensureBuilt(); await ensureNode();
const data = dataFolder();
const server = await startServer(data.path, { demo: true });
const { browser, close } = await openBrowser();
const page = await openPage(browser, server.url);
const ids: string[] = (process.env.TRAY ?? 'ledge-ball-1-4,gravel-oval-1-2,rubble-oval-3-8').split(',');
await page.evaluate((t) => localStorage.setItem('fern-anvil.tray', t), JSON.stringify(ids));
for (const spec of process.argv.slice(2)) {
  const [name, path, w = '1280', h = '800'] = spec.split('|');
  await page.setViewport({ width: Number(w), height: Number(h) });
  const t = Date.now();
  await page.goto(server.url + path, { waitUntil: 'load' });
  await page.waitForSelector('.tank-view');
  console.log(name, Date.now() - t, 'ms');
  await page.screenshot({ path: `/tmp/w/${name}.png` });
}
console.log(page.complaints);
await close(); await server.end(); data.remove();
