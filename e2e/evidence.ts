import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { CDPSession, Page } from 'puppeteer-core';
import type { ChildProcess } from 'node:child_process';
import { root } from './root.ts';

/** Where what was found at a failed test is written, a folder each. */
const PLACE = join(root, 'test-evidence');
/** How long a page, a worker or a server may take to say what it is doing, ms: one that hangs does not. */
const PATIENCE = 5_000;

/** What a page has asked for and said since it was opened. */
interface WatchedPage {
  readonly page: Page;
  readonly open: Map<unknown, string>;
  readonly said: string[];
}
interface WatchedServer {
  readonly process: ChildProcess;
  readonly log: () => string;
  /** where its reports go when it is asked for one */
  readonly reports: string;
}

const pages = new Set<WatchedPage>();
const servers = new Set<WatchedServer>();

/** Remembers what a page asks for and says, to be told if the test it is used in fails. */
export function watchPage(page: Page): void {
  const watched: WatchedPage = { page, open: new Map(), said: [] };
  const began = Date.now();
  const say = (what: string) => watched.said.push(`${Date.now() - began} ms ${what}`);
  pages.add(watched);
  page.once('close', () => pages.delete(watched));
  page.on('request', (request) =>
    watched.open.set(request, `${Date.now() - began} ms ${request.method()} ${request.url()}`),
  );
  page.on('requestfinished', (request) => watched.open.delete(request));
  page.on('requestfailed', (request) => {
    watched.open.delete(request);
    say(`failed: ${request.url()} ${request.failure()?.errorText ?? ''}`);
  });
  page.on('console', (message) => say(`${message.type()}: ${message.text()}`));
  page.on('pageerror', (error) => say(`error: ${String(error)}`));
  page.on('workercreated', (worker) => say(`worker begun: ${worker.url()}`));
  page.on('workerdestroyed', (worker) => say(`worker ended: ${worker.url()}`));
  page.on('framenavigated', (frame) => say(`at ${frame.url()}`));
}

/** Remembers a server, to be asked what it is doing. */
export function watchServer(server: WatchedServer): void {
  servers.add(server);
  server.process.once('exit', () => servers.delete(server));
}

/** What comes of something, or that nothing came. */
const soon = <T>(what: Promise<T>): Promise<T | string> =>
  Promise.race([
    what.catch((error: unknown) => `failed: ${String(error)}`),
    new Promise<string>((resolve) => setTimeout(() => resolve(`nothing within ${PATIENCE} ms`), PATIENCE)),
  ]);

/** Functions that a page or a worker is in the middle of; nothing where it waits. */
async function stackOf(session: CDPSession): Promise<string> {
  await session.send('Debugger.enable');
  const paused = new Promise<string>((resolve) =>
    session.once(
      'Debugger.paused',
      ({
        callFrames,
      }: {
        callFrames: {
          functionName: string;
          url: string;
          location: { lineNumber: number; columnNumber?: number };
        }[];
      }) =>
        resolve(
          callFrames
            .slice(0, 12)
            .map(
              ({ functionName, url, location }) =>
                `${functionName || '(anonymous)'} ${url}:${location.lineNumber}:${location.columnNumber ?? 0}`,
            )
            .join('\n    '),
        ),
    ),
  );
  // Not waited for: what runs no script is not paused.
  session.send('Debugger.pause').catch(() => undefined);
  return paused;
}

async function tellPage({ page, open, said }: WatchedPage, folder: string, i: number): Promise<string> {
  const seen = await soon(
    page.evaluate(
      () =>
        new Promise<string>((resolve) => {
          let frames = 0;
          const count = () => {
            frames++;
            requestAnimationFrame(count);
          };
          requestAnimationFrame(count);
          setTimeout(
            () =>
              resolve(
                `${document.readyState}, ${document.visibilityState}, fonts ${document.fonts.status}, ${frames} frames in a second`,
              ),
            1000,
          );
        }),
    ),
  );
  const html = await soon(page.content());
  writeFileSync(join(folder, `page-${i}.html`), html);
  const shot = await soon(
    page.screenshot().then((picture) => writeFileSync(join(folder, `page-${i}.png`), picture)),
  );
  const session = await soon(page.createCDPSession());
  const stack = typeof session === 'string' ? session : await soon(stackOf(session));
  const workers = await Promise.all(
    page.workers().map(async (worker) => `${worker.url()}\n    ${await soon(stackOf(worker.client))}`),
  );
  return [
    `page ${i}: ${page.url()}`,
    `  ${seen}${typeof shot === 'string' ? `; picture: ${shot}` : ''}`,
    `  asked and not answered: ${[...open.values()].join(', ') || 'nothing'}`,
    `  in the middle of: ${stack}`,
    ...workers.map((worker) => `  worker ${worker}`),
    ...said.slice(-25).map((line) => `  | ${line}`),
  ].join('\n');
}

async function tellServer(
  { process: child, log, reports }: WatchedServer,
  folder: string,
  i: number,
): Promise<string> {
  child.kill('SIGUSR2');
  await new Promise((resolve) => setTimeout(resolve, 1500));
  const stacks = readdirSync(reports).flatMap((name) => {
    const text = readFileSync(join(reports, name), 'utf8');
    writeFileSync(join(folder, `server-${i}-${name}`), text);
    try {
      type Report = { javascriptStack?: { message?: string; stack?: string[] }; workers?: Report[] };
      const told = ({ javascriptStack, workers = [] }: Report): string[] => [
        [javascriptStack?.message, ...(javascriptStack?.stack ?? [])].slice(0, 8).join('\n    '),
        ...workers.flatMap(told),
      ];
      return told(JSON.parse(text) as Report);
    } catch {
      return ['its report is not whole'];
    }
  });
  return [
    `server ${i}: process ${child.pid}`,
    ...(stacks.length > 0 ? stacks : ['it does not report: its thread is not free']).map(
      (stack) => `  in the middle of: ${stack}`,
    ),
    ...log()
      .split('\n')
      .slice(-25)
      .map((line) => `  | ${line}`),
  ].join('\n');
}

/** Writes down what every page and server of this file is doing, and says the most of it. */
export async function collectEvidence(test: string): Promise<void> {
  const folder = join(
    PLACE,
    `${new Date().toISOString().replace(/[:.]/g, '')} ${test.replace(/[^\w]+/g, '-').slice(0, 80)}`,
  );
  mkdirSync(folder, { recursive: true });
  const parts = [
    ...(await Promise.all([...pages].map((page, i) => tellPage(page, folder, i)))),
    ...(await Promise.all([...servers].map((server, i) => tellServer(server, folder, i)))),
  ];
  const text = `What was there when “${test}” failed (whole in ${folder}):\n${parts.join('\n')}\n`;
  writeFileSync(join(folder, 'summary.txt'), text);
  console.error(text);
}
