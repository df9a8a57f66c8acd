import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { usualPlastic } from '../src/core/plastic/usual.ts';
import { isWhole } from '../src/core/test-kit/runs.ts';
import type { RunningServer } from './server.ts';
import { startServer } from './server.ts';

/**
 * The power is cut: a shop lies on a file system of its own in an image file, and at some moment that image
 * is copied as its device holds it. What the file system had not written by then is gone from the copy, as
 * from a disk. Every write that was answered must be there.
 */
const folder = mkdtempSync(join(tmpdir(), 'fern-anvil-cut-'));
const image = join(folder, 'disk.img');
const place = join(folder, 'disk');
const copy = join(folder, 'copy');
const run = (command: string, ...args: readonly string[]) => execFileSync(command, args, { stdio: 'pipe' });

/** Mounting needs a user who may; where that is not so, there is nothing to cut. */
const canMount = ((): boolean => {
  mkdirSync(place);
  mkdirSync(copy);
  run('truncate', '-s', '256M', image);
  if (spawnSync('mkfs.ext4', ['-q', image]).status !== 0) return false;
  return spawnSync('mount', ['-o', 'loop', image, place]).status === 0;
})();

/**
 * Cuts tried (FERN_ANVIL_CUTS=60 for a long run), and where in the life of a shop: their seed makes them come
 * again.
 */
const CUTS = Number(process.env['FERN_ANVIL_CUTS'] ?? (isWhole ? 6 : 1));
let seed = Number(process.env['SEED'] ?? 20261126);
/** The minimal standard generator (Park & Miller 1988). */
const chance = (): number => (seed = (seed * 48271) % 2147483647) / 2147483647;

async function save(server: RunningServer, name: string): Promise<boolean> {
  const response = await fetch(`${server.url}/api/plastics`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(usualPlastic('stick', 4, { name })),
  }).catch(() => undefined);
  return response?.status === 201;
}

async function namesIn(server: RunningServer): Promise<Set<string>> {
  const names = new Set<string>();
  for (let after = ''; ;) {
    const response = await fetch(`${server.url}/api/plastics?limit=500${after}`);
    const page = (await response.json()) as { items: { document: { name: string } }[]; next?: string };
    for (const { document } of page.items) names.add(document.name);
    if (page.next === undefined) return names;
    after = `&after=${encodeURIComponent(page.next)}`;
  }
}

/**
 * A machine that starts again has no servers yet: the copy's lock, whose holder lives on here, is taken off
 * it.
 */
function unlock(shop: string): void {
  for (const name of ['in-use-by', 'in-use.lock']) rmSync(join(shop, name), { recursive: true, force: true });
}

/**
 * Servers whose data lie on the disk: by their own command line, as one that is still starting has told
 * nobody yet.
 */
function serversOnDisk(): number[] {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .filter((name) => {
      try {
        const told = readFileSync(`/proc/${name}/cmdline`, 'utf8').split('\0');
        return told.some((word) => word.startsWith(`${place}/`)) && told.includes('dist/node/server.js');
      } catch {
        return false;
      }
    })
    .map(Number);
}

/** Copies tried until two looks at the device agree. */
const LOOKS = 30;

/**
 * The image as its device holds it at one moment. A copy takes a while, and what is written meanwhile would
 * be in one part of it and not in another, as on no disk: the servers are held still, and it is taken again
 * until the device is the same after it as it was under it.
 */
function snapshot(to: string): void {
  const held = serversOnDisk();
  for (const pid of held) process.kill(pid, 'SIGSTOP');
  try {
    for (let look = 0; look < LOOKS; look++) {
      run('cp', '--sparse=always', image, to);
      if (spawnSync('cmp', ['-s', image, to]).status === 0) return;
    }
    throw new Error(`The device never held still in ${LOOKS} looks.`);
  } finally {
    for (const pid of held) process.kill(pid, 'SIGCONT');
  }
}

/** The image as the device holds it now, as a disk of its own that is started from. */
async function startFromCopy<T>(look: (server: RunningServer) => Promise<T>): Promise<T> {
  const cut = join(folder, 'cut.img');
  snapshot(cut);
  run('mount', '-o', 'loop', cut, copy);
  try {
    unlock(join(copy, 'shop'));
    const server = await startServer(join(copy, 'shop'));
    try {
      return await look(server);
    } finally {
      await server.end('SIGKILL');
    }
  } finally {
    run('umount', copy);
    rmSync(cut);
  }
}

afterAll(() => {
  if (canMount) spawnSync('umount', [place]);
  rmSync(folder, { recursive: true, force: true });
});

describe.skipIf(!canMount)('when the power is cut', () => {
  it(
    `${CUTS} times over, every answered save is there and the shop starts`,
    { timeout: 1_200_000 },
    async () => {
      let server = await startServer(join(place, 'shop'));
      const answered: string[] = [];
      try {
        for (let cut = 0; cut < CUTS; cut++) {
          const saves = 3 + Math.floor(chance() * 40);
          for (let i = 0; i < saves; i++) {
            const name = `cut ${cut} save ${i}`;
            if (await save(server, name)) answered.push(name);
          }
          // Some cuts come in the middle of a save that nobody was told of.
          const open = chance() < 0.5 ? save(server, `cut ${cut} unanswered`) : Promise.resolve(false);
          const kept = await startFromCopy(namesIn);
          if (await open) answered.push(`cut ${cut} unanswered`);
          const due = answered.filter(
            (name) => !name.endsWith('unanswered') || !name.startsWith(`cut ${cut} `),
          );
          expect(due.filter((name) => !kept.has(name))).toEqual([]);
          // Now and then the shop is stopped in good order, or killed, and started again.
          if (chance() < 0.4) {
            await server.end(chance() < 0.5 ? 'SIGTERM' : 'SIGKILL');
            server = await startServer(join(place, 'shop'));
          }
        }
        expect(answered.length).toBeGreaterThan(CUTS * 3);
      } finally {
        await server.end('SIGKILL');
      }
    },
  );

  it('during a first start, the shop starts from what is there', { timeout: 600_000 }, async () => {
    const starting = startServer(join(place, 'second')).catch(() => undefined);
    try {
      for (let look = 0; look < (isWhole ? 3 : 1); look++) {
        await new Promise((resolve) => setTimeout(resolve, 300 + 1_500 * chance()));
        const cut = join(folder, `first-${look}.img`);
        snapshot(cut);
        run('mount', '-o', 'loop', cut, copy);
        try {
          unlock(join(copy, 'second'));
          const server = await startServer(join(copy, 'second'));
          try {
            expect(await save(server, 'first')).toBe(true);
          } finally {
            await server.end();
          }
        } finally {
          run('umount', copy);
          rmSync(cut);
        }
      }
    } finally {
      await (await starting)?.end();
    }
  });
});
