import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { usualPlastic } from '../src/core/plastic/usual.ts';
import { root } from './root.ts';
import type { RunningServer } from './server.ts';
import { startServer } from './server.ts';

/*
 * A shop on a disk of its own that runs full, and one that cannot be written: every request answers in words,
 * the server can be ended within ten seconds, and with room again nothing that was answered for is missing.
 */

const folder = mkdtempSync(join(tmpdir(), 'fern-anvil-full-'));
const [image, disk] = [join(folder, 'disk.img'), join(folder, 'disk')];
const run = (command: string, ...args: readonly string[]) => execFileSync(command, args, { stdio: 'pipe' });
/** Mounting needs a user who may; where that is not so, there is no disk to fill. */
const canMount = ((): boolean => {
  mkdirSync(disk);
  run('truncate', '-s', '130M', image);
  if (spawnSync('mkfs.ext4', ['-q', image]).status !== 0) return false;
  return spawnSync('mount', ['-o', 'loop', image, disk]).status === 0;
})();
afterAll(() => {
  if (canMount) spawnSync('umount', [disk]);
  rmSync(folder, { recursive: true, force: true });
});

const filler = (name: string, megabytes: number) =>
  spawnSync('dd', ['if=/dev/zero', `of=${join(disk, name)}`, 'bs=1M', `count=${megabytes}`], {
    stdio: 'ignore',
  });

async function save(server: RunningServer, name: string): Promise<number> {
  const document = {
    ...usualPlastic('stick', 4, { name }),
    notes: Math.random().toString(36).repeat(150).slice(0, 1900),
  };
  const answer = await fetch(`${server.url}/api/plastics`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(document),
  });
  const { detail } = (await answer.json()) as { detail?: string };
  if (answer.status >= 400) expect(detail).toMatch(/disk .* full/i);
  return answer.status;
}

/** Starts the server where it cannot serve; how it ended and what it said. */
async function refusedStart(): Promise<{ code: number | null; said: string }> {
  const child = spawn(
    process.execPath,
    ['dist/node/server.js', '--data', join(disk, 'shop'), '--port', '0'],
    {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
    },
  );
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += String(chunk)));
  const [code] = (await once(child, 'exit')) as [number | null];
  return { code, said };
}

/** Ends a server by the usual signal; how long that took, ms. */
async function ended(server: RunningServer): Promise<number> {
  const began = performance.now();
  await server.end('SIGTERM');
  return performance.now() - began;
}

describe.skipIf(!canMount)('a disk', () => {
  it('that runs full is told with every save, lets the server end, and loses nothing that was kept', async () => {
    let server = await startServer(join(disk, 'shop'));
    // Room for some saves, and not for the next piece of the log.
    filler('most', 40);
    const kept: string[] = [];
    let status = 201;
    for (let i = 0; status === 201 && i < 20_000; i++) {
      status = await save(server, `save ${i}`);
      if (status === 201) kept.push(`save ${i}`);
      if (i === 20) filler('rest', 200);
    }
    expect(status).toBe(507);
    expect(kept.length).toBeGreaterThan(10);
    for (let i = 0; i < 5; i++) expect([201, 507]).toContain(await save(server, `late ${i}`));
    expect((await fetch(`${server.url}/api/health`)).status).toBe(200);
    expect(await ended(server)).toBeLessThan(10_000);
    // It does not serve on a full disk, and says why; killed or not, with room again all is there.
    const refused = await refusedStart();
    if (refused.code !== 0)
      expect([refused.code, refused.said]).toEqual([1, expect.stringMatching(/disk .* full/)]);
    rmSync(join(disk, 'rest'), { force: true });
    server = await startServer(join(disk, 'shop'));
    const names = new Set<string>();
    for (let after = ''; ;) {
      const page = (await (await fetch(`${server.url}/api/plastics?limit=500${after}`)).json()) as {
        items: { document: { name: string } }[];
        next?: string;
      };
      for (const { document } of page.items) names.add(document.name);
      if (page.next === undefined) break;
      after = `&after=${encodeURIComponent(page.next)}`;
    }
    expect(kept.filter((name) => !names.has(name))).toEqual([]);
    expect(await save(server, 'again')).toBe(201);
    await server.end();
  });

  it('that cannot be written is told in a sentence', async () => {
    run('mount', '-o', 'remount,ro', disk);
    try {
      expect(await refusedStart()).toEqual({
        code: 1,
        said: expect.stringMatching(/Nothing can be written in .* \(EROFS\)/) as string,
      });
    } finally {
      run('mount', '-o', 'remount,rw', disk);
    }
  });
});
