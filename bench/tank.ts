// The Tank's sliders dragged, and what the interface thread is busy with meanwhile.
import type { Page } from 'puppeteer-core';
import { named } from '../e2e/browser.ts';
import { line, NAMED, NOTICEABLE } from './kit.ts';

/** Views of the Tank and the slider that is moved on each. */
const SLIDERS = [
  ['bottom', 'Tilt'],
  ['through', 'Edge'],
  ['line', 'Speed'],
] as const;

/**
 * Moves a slider of each view a hundred steps by its key, and tells the longest task of the interface thread
 * meanwhile.
 */
export async function draggedInTank(page: Page, url: string): Promise<void> {
  for (const [view, name] of SLIDERS) {
    await page.goto(`${url}/designs/gravel-oval-1-2/water?view=${view}`, { waitUntil: 'load' });
    await page.waitForSelector('.tank-says');
    await page.evaluate(NAMED);
    await page.evaluate(() => {
      Object.assign(window, { longest: 0 });
      new PerformanceObserver((list) => {
        const seen = window as unknown as { longest: number };
        for (const entry of list.getEntries()) seen.longest = Math.max(seen.longest, entry.duration);
      }).observe({ type: 'longtask' });
    });
    const slider = await named(page, name, 'slider');
    await slider.press('Home');
    for (let i = 0; i < 100; i++) await slider.press(i < 50 ? 'ArrowRight' : 'ArrowLeft');
    await page.waitForFunction(() => document.querySelector('.tank-says')?.textContent !== '');
    const longest = await page.evaluate(() => (window as unknown as { longest: number }).longest);
    line(
      `Tank, ${view}, ${name.toLowerCase()} moved 100 steps: longest task`,
      longest / NOTICEABLE,
      `${NOTICEABLE} ms (0: none was that long)`,
    );
  }
}
