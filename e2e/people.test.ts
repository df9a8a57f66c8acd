import { createHash, X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { freePort } from '../scripts/postgres.mjs';
import { faultsOn } from './axe.ts';
import type { OpenBrowser } from './browser.ts';
import { named, openBrowser, openPage, sees } from './browser.ts';
import type { RunningServer } from './server.ts';
import { dataFolder, startServer } from './server.ts';
import './steady.ts';

/*
 * A shop that others reach: over TLS by its own certificate, each with an account, as an owner, somebody at the
 * counter and a guide would go about it.
 */

const PASSWORD = 'nine quiet herons at dusk';
const data = dataFolder('demo');
let server: RunningServer;
/** The owner's machine, and somebody else's. */
let [owners, others]: [OpenBrowser, OpenBrowser] = [] as never;
let owner: Page & { readonly complaints: string[] };
let link = '';

beforeAll(async () => {
  server = await startServer(data.path, { demo: true, name: 'localhost', port: await freePort() });
  link = /https:\S+\/join#\S+/.exec(server.said())?.[0] ?? '';
  // The digest a browser knows a key by: SHA-256 of its SubjectPublicKeyInfo (RFC 7469).
  const { publicKey } = new X509Certificate(readFileSync(join(data.path, 'tls/server.crt')));
  const trusted = createHash('sha256')
    .update(publicKey.export({ type: 'spki', format: 'der' }))
    .digest('base64');
  owners = await openBrowser('plain', trusted);
  others = await openBrowser('plain', trusted);
});
afterAll(async () => {
  await owners.close();
  await others.close();
  await server.end();
  data.remove();
});

const fill = async (page: Page, label: string, text: string) => {
  const field = await named(page, label, 'textbox');
  await field.click({ count: 3 });
  await field.type(text);
};
const password = async (page: Page, label: string, text: string) => {
  // A field of a password has no role; it is found by its label.
  const field = await page.waitForSelector(
    `::-p-xpath(//label[starts-with(normalize-space(.), "${label}")]//input)`,
  );
  if (!field) throw new Error(`No field ${label}`);
  await field.click({ count: 3 });
  await field.type(text);
};
const press = async (page: Page, name: string) => (await named(page, name, 'button')).click();
const go = (page: Page, path: string) => page.goto(`${server.url}${path}`, { waitUntil: 'load' });
const join_ = async (page: Page, name: string, mail: string) => {
  await fill(page, 'Name', name);
  await fill(page, 'Mail, which you sign in by', mail);
  await password(page, 'Password', PASSWORD);
  await press(page, 'Make the account');
  await page.waitForFunction(
    (who: string) => document.querySelector('.bar-person')?.textContent === who,
    {},
    name,
  );
};

describe('a shop that others reach', () => {
  it('lets nobody in without an account, and the printed link makes the first', async () => {
    owner = await openPage(owners.browser, `${server.url}/people`);
    await named(owner, 'Sign in', 'button');
    expect(await faultsOn(owner)).toEqual([]);
    await owner.goto(link, { waitUntil: 'load' });
    await sees(owner, 'Your shop, your account');
    expect(await faultsOn(owner)).toEqual([]);
    await join_(owner, 'Runa', 'runa@skarnholm.example');
    await owner.waitForSelector('.rack-count');
    // What was refused before it was signed in is told by the browser; nothing else went wrong.
    expect(owner.complaints.filter((text) => !/401|WebSocket/.test(text))).toEqual([]);
  });

  it('invites somebody to the counter by a link, who sees no costs and changes no head', async () => {
    await go(owner, '/people');
    await sees(owner, 'Everybody');
    await (await named(owner, 'Invite a', 'combobox')).select('counter');
    await press(owner, 'Make a link');
    const invitation = await (
      await owner.waitForSelector('.people-word p:nth-of-type(2)')
    )?.evaluate((element) => element.textContent);
    for (const [width, height] of [
      [1280, 800],
      [390, 844],
      [320, 800],
    ] as const) {
      await owner.setViewport({ width, height });
      expect(await faultsOn(owner)).toEqual([]);
      expect(
        await owner.evaluate(() => document.documentElement.scrollWidth - window.innerWidth),
      ).toBeLessThanOrEqual(0);
    }
    await owner.setViewport({ width: 1280, height: 800 });
    const clerk = await openPage(others.browser, invitation ?? '');
    await sees(clerk, 'counter');
    await join_(clerk, 'Eskil', 'eskil@skarnholm.example');
    await clerk.waitForSelector('.rack-count');
    const places = await clerk.$$eval('nav[aria-label="Places"] a', (links) =>
      links.map((one) => one.textContent),
    );
    expect(places).toContain('Briefs');
    expect(places).not.toContain('Range');
    const tried = await clerk.evaluate(async () => {
      const read = await fetch('/api/designs/gravel-oval-1-2');
      const { document } = (await read.json()) as { document: object };
      const saved = await fetch('/api/designs/gravel-oval-1-2', {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json', 'If-Match': '"v1"' },
        body: JSON.stringify(document),
      });
      return [saved.status, (await fetch('/api/people')).status, (await fetch('/api/ranges')).status];
    });
    expect(tried).toEqual([403, 403, 403]);
    await clerk.close();
  });

  it('keeps what is typed when somebody is signed out meanwhile, and goes on where he was', async () => {
    await go(owner, '/briefs');
    await press(owner, '+ New brief');
    await owner.waitForFunction(() => /\/briefs\/./.test(location.pathname));
    const at = new URL(owner.url()).pathname;
    const field = await owner.waitForSelector('#brief-name');
    await field?.click({ count: 3 });
    await field?.type('Typed while signed out');
    // Signed out elsewhere: the session is gone, and the page does not know until it saves.
    await owner.evaluate(() => fetch('/api/session', { method: 'DELETE' }));
    await owner.keyboard.press('Tab');
    await named(owner, 'Sign in', 'button');
    await fill(owner, 'Mail', 'runa@skarnholm.example');
    await password(owner, 'Password', PASSWORD);
    await press(owner, 'Sign in');
    await owner.waitForFunction(() => !document.querySelector('.people-door'));
    await owner.waitForFunction(
      async (path: string) =>
        ((await (await fetch(`/api${path}`)).json()) as { document: { name: string } }).document.name ===
        'Typed while signed out',
      {},
      at,
    );
  });

  it('takes a passkey in place of the password', async () => {
    const session = await owner.createCDPSession();
    await session.send('WebAuthn.enable');
    await session.send('WebAuthn.addVirtualAuthenticator', {
      options: {
        protocol: 'ctap2',
        transport: 'internal',
        hasResidentKey: true,
        hasUserVerification: true,
        isUserVerified: true,
        automaticPresenceSimulation: true,
      },
    });
    await go(owner, '/people');
    await fill(owner, 'Name of a new one', 'Bench');
    await press(owner, 'Add a passkey');
    await named(owner, 'Remove the passkey Bench', 'button');
    await press(owner, 'Sign out');
    // The page begins anew: nothing that was fetched stays on a device others use.
    await owner.waitForFunction(() => location.pathname === '/');
    await press(owner, 'Use a passkey');
    await owner.waitForFunction(() => document.querySelector('.bar-person')?.textContent === 'Runa');
    await go(owner, '/people');
    await sees(owner, 'by passkey');
  });

  it('says in a head’s history who did what', async () => {
    await go(owner, '/designs/gravel-oval-1-2');
    const field = await owner.waitForSelector('input[aria-label="Name"], .name-in-place input, h1');
    expect(field).not.toBeNull();
    await owner.evaluate(async () => {
      const at = '/api/designs/gravel-oval-1-2';
      const read = await fetch(at);
      const { document, version } = (await read.json()) as { document: object; version: number };
      await fetch(at, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json', 'If-Match': `"v${version}"` },
        body: JSON.stringify({ ...document, notes: 'Told by whom' }),
      });
    });
    await go(owner, '/designs/gravel-oval-1-2');
    await press(owner, 'History');
    await owner.waitForFunction(() =>
      /Runa/.test(document.querySelector('.history-steps')?.textContent ?? ''),
    );
  });
});
