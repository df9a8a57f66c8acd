import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, mkdirSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { lockFolder } from './folder-lock.ts';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'fern-anvil-lock-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));
const lost = (reason: Error) => {
  throw reason;
};
const note = () => JSON.parse(readFileSync(join(folder, 'in-use-by'), 'utf8')) as Record<string, unknown>;

describe('a folder is one server’s', () => {
  it('is refused to a second with a sentence, and free again when given back', async () => {
    const release = await lockFolder(folder, lost);
    await expect(lockFolder(folder, lost)).rejects.toThrow(
      new RegExp(`in use by process ${process.pid}\\. Stop that server first`),
    );
    await release();
    expect(existsSync(join(folder, 'in-use.lock'))).toBe(false);
    await (
      await lockFolder(folder, lost)
    )();
  });

  it('of a killed server is taken at once, whoever has its number now', async () => {
    const release = await lockFolder(folder, lost);
    const mine = note();
    await release();
    const killed = spawn(process.execPath, ['-e', '']);
    const pid = killed.pid ?? NaN;
    await new Promise((resolve) => killed.once('exit', resolve));
    for (const change of [{ pid }, { began: '1' }]) {
      mkdirSync(join(folder, 'in-use.lock'));
      writeFileSync(join(folder, 'in-use-by'), JSON.stringify({ ...mine, ...change }));
      const taken = await lockFolder(folder, lost);
      expect(note()).toEqual(mine);
      await taken();
    }
  });

  it('of a server in another container holds while it shows signs of life, and not when it has shown none', async () => {
    mkdirSync(join(folder, 'in-use.lock'));
    writeFileSync(join(folder, 'in-use-by'), JSON.stringify({ pid: 1, machine: 'elsewhere', began: '1' }));
    const signs = setInterval(() => {
      const now = new Date();
      utimesSync(join(folder, 'in-use.lock'), now, now);
    }, 500);
    await expect(lockFolder(folder, lost)).rejects.toThrow('is in use by process 1');
    clearInterval(signs);
    const old = new Date(Date.now() - 60_000);
    utimesSync(join(folder, 'in-use.lock'), old, old);
    await (
      await lockFolder(folder, lost)
    )();
  });
});
