import { X509Certificate } from 'node:crypto';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect, createServer } from 'node:tls';
import { afterAll, describe, expect, it } from 'vitest';
import { ownCertificate } from './certificate.ts';

const folder = mkdtempSync(join(tmpdir(), 'fern-anvil-tls-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const DAY = 86_400_000;
const NAMES = ['shop.local', '192.0.2.7'];

/** What a device makes of a server under a name: nothing, or why it does not trust it. */
async function madeOf(
  { cert, key }: { readonly cert: string; readonly key: string },
  name: string,
  ca: string | undefined,
): Promise<string | undefined> {
  const server = createServer({ cert, key }, (socket) => socket.end());
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  try {
    return await new Promise((resolve) => {
      const socket = connect({ port, host: '127.0.0.1', servername: name, ...(ca ? { ca } : {}) }, () => {
        socket.end();
        resolve(undefined);
      });
      socket.on('error', ({ message }) => resolve(message));
    });
  } finally {
    server.close();
  }
}

describe('the shop’s own certificate', () => {
  it('is trusted by whoever trusts the shop’s authority, under its names alone', async () => {
    const made = await ownCertificate(folder, NAMES);
    expect(await madeOf(made, 'shop.local', made.authority)).toBeUndefined();
    expect(await madeOf(made, 'other.local', made.authority)).toMatch(/altname/i);
    expect(await madeOf(made, 'shop.local', undefined)).toMatch(/certificate/);
    const one = new X509Certificate(made.cert);
    expect(one.checkIP('192.0.2.7')).toBe('192.0.2.7');
    expect(one.ca).toBe(false);
    expect(new X509Certificate(made.authority).ca).toBe(true);
    // What phones take at most: 398 days (CA/Browser Forum, Baseline Requirements 6.3.2).
    expect((Date.parse(one.validTo) - Date.parse(one.validFrom)) / DAY).toBeLessThan(398);
    for (const name of ['server.key', 'authority.key'])
      expect(statSync(join(folder, name)).mode & 0o077).toBe(0);
  });

  it('stays over starts, and is made anew by the same authority before it ends and for another name', async () => {
    const first = await ownCertificate(folder, NAMES);
    expect(await ownCertificate(folder, NAMES)).toEqual(first);
    const later = await ownCertificate(folder, NAMES, new Date(Date.now() + 360 * DAY));
    expect(later.authority).toBe(first.authority);
    expect(Date.parse(new X509Certificate(later.cert).validTo)).toBeGreaterThan(
      Date.parse(new X509Certificate(first.cert).validTo),
    );
    const named = await ownCertificate(folder, [...NAMES, 'bench.local']);
    expect(named.authority).toBe(first.authority);
    expect(await madeOf(named, 'bench.local', first.authority)).toBeUndefined();
  });
});
