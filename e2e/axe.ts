import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from 'puppeteer-core';

interface Axe {
  readonly run: (
    where: Document,
    options: object,
  ) => Promise<{
    violations: { id: string; impact: string; nodes: { html: string; failureSummary: string }[] }[];
  }>;
}

const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/**
 * Every fault that axe finds on a page by all of its rules, best practice and WCAG 2.2 (targets of 24 px)
 * with them, each with the first places it is at.
 */
export async function faultsOn(page: Page): Promise<string[]> {
  await page.evaluate(axeSource);
  return page.evaluate(async () => {
    const { violations } = await (window as unknown as { axe: Axe }).axe.run(document, {
      rules: { 'target-size': { enabled: true } },
    });
    return violations.map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .slice(0, 3)
          .map(({ html, failureSummary }) => `${html.slice(0, 160)} ${failureSummary}`)
          .join(' | ')}`,
    );
  });
}
