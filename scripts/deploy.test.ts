import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { dataFolder, startServer } from '../e2e/server.ts';

const root = fileURLToPath(new URL('..', import.meta.url));
const text = (path: string) => readFileSync(join(root, path), 'utf8');
const help = spawnSync(process.execPath, [join(root, 'dist/node/server.js'), '--help'], {
  encoding: 'utf8',
}).stdout;

const optionsIn = (words: string): string[] => [...new Set(words.match(/--[a-z][a-z-]*/g) ?? [])];

/** Of other programs, which stand in the same files. */
const OTHERS = new Set([
  '--omit',
  '--no-audit',
  '--no-fund',
  '--system',
  '--home-dir',
  '--create-home',
  '--from',
]);

describe('what a shop is set up by', () => {
  it.each(['deploy/Containerfile', 'deploy/fern-anvil.service', 'docs/shop.md'])(
    '%s names only options there are',
    (path) => {
      // What the terminal's own commands and PostgreSQL's take is no option of the server.
      const own = optionsIn(text(path)).filter((option) => !OTHERS.has(option));
      expect(own).not.toEqual([]);
      for (const option of own) expect([option, help.includes(option)]).toEqual([option, true]);
    },
  );

  it('the container has in it what the program reads beside itself', () => {
    const copied = [...text('deploy/Containerfile').matchAll(/COPY --from=build \/program\/(\S+)/g)].map(
      ([, path = '']) => path,
    );
    for (const path of copied) expect([path, existsSync(join(root, path))]).toEqual([path, true]);
    expect(copied).toEqual(expect.arrayContaining(['dist', 'demo', 'node_modules', 'package.json']));
  });

  it('the program starts from those files alone, as another user would have them', () => {
    const folder = mkdtempSync(join(tmpdir(), 'fern-anvil-deployed-'));
    try {
      const { status, stdout, stderr } = spawnSync(
        process.execPath,
        [join(root, 'dist/node/server.js'), '--data', join(folder, 'data'), '--backup', join(folder, 'b.gz')],
        { cwd: folder, encoding: 'utf8' },
      );
      expect([status, stderr]).toEqual([0, '']);
      expect(stdout).toContain('Backup of');
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  });

  it('ends in good order when it is told to: what was begun is answered whole, and nothing new is taken', async () => {
    const { path, remove } = dataFolder();
    const server = await startServer(path);
    try {
      const answer = await fetch(`${server.url}/api/scale/lines?seconds=1`);
      const lines = answer.text();
      const ended = server.end('SIGTERM');
      // Ended by the server when its second is over, and not cut off.
      expect((await lines).split('\r\n').length).toBeGreaterThan(2);
      await ended;
      expect(server.process.exitCode).toBe(0);
      await expect(fetch(`${server.url}/api/health`)).rejects.toThrow();
    } finally {
      await server.end('SIGKILL');
      remove();
    }
  });

  it('the service ends no sooner than the program does of itself, and keeps its data where it may write', () => {
    const unit = text('deploy/fern-anvil.service');
    const [, seconds = '0'] = /TimeoutStopSec=(\d+)/.exec(unit) ?? [];
    // Eight seconds are the longest that an end in good order takes.
    expect(Number(seconds)).toBeGreaterThan(8);
    const [, state = ''] = /StateDirectory=(\S+)/.exec(unit) ?? [];
    expect(unit).toContain(`--data /var/lib/${state}/`);
    const asked = spawnSync('systemd-analyze', ['verify', join(root, 'deploy/fern-anvil.service')], {
      encoding: 'utf8',
    });
    // Where there is no systemd, or no such program at its place, that is no fault of the unit's.
    if (asked.status !== null && asked.status !== 0)
      expect(
        asked.stderr
          .split('\n')
          .filter((line) => /fern-anvil\.service/.test(line) && !/not executable|No such file/.test(line)),
      ).toEqual([]);
  });
});
