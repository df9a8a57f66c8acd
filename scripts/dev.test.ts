import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, it } from 'vitest';
import { VERSION } from '../src/contract/version.ts';
import { usualPlastic } from '../src/core/plastic/usual.ts';

const root = fileURLToPath(new URL('..', import.meta.url));
const json = (name: string) =>
  JSON.parse(readFileSync(`${root}/${name}`, 'utf8')) as {
    version: string;
    packages: { '': { version: string } };
  };

it('the version is one: of the program, its package and its lock, and the newest in the changelog', () => {
  expect(json('package.json').version).toBe(VERSION);
  const lock = json('package-lock.json');
  expect([lock.version, lock.packages[''].version]).toEqual([VERSION, VERSION]);
  expect(/^## (\S+)/m.exec(readFileSync(`${root}/CHANGELOG.md`, 'utf8'))?.[1]).toBe(VERSION);
});

it('npm run dev serves the sources of the interface, and its page may save to the server behind it', async () => {
  const child = spawn(process.execPath, [`${root}/scripts/dev.mjs`], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, NO_COLOR: '1', FORCE_COLOR: '0' },
  });
  try {
    const address = await new Promise<string>((found, lost) => {
      let said = '';
      child.stdout.on('data', (chunk: Buffer) => {
        said += chunk.toString();
        const [at] = /http:\/\/127\.0\.0\.1:\d+/.exec(said) ?? [];
        if (at) found(at);
      });
      child.once('exit', () => lost(new Error(`it ended: ${said}`)));
    });
    expect(await (await fetch(`${address}/`)).text()).toContain('/@vite/client');
    expect(await (await fetch(`${address}/main.tsx`)).text()).toContain('createRoot');
    const list = (await (await fetch(`${address}/api/designs?limit=1`)).json()) as { items: unknown[] };
    expect(list.items).toHaveLength(1);
    const saved = await fetch(`${address}/api/plastics`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Origin: address },
      body: JSON.stringify(usualPlastic('stick', 4, { name: 'Tried' })),
    });
    expect(saved.status).toBe(201);
  } finally {
    const ended = new Promise((end) => child.once('exit', end));
    child.kill('SIGTERM');
    await ended;
  }
});
