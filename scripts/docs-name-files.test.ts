import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { root } from '../e2e/root.ts';

/*
 * What the pages for developers say of files: each file they name is there, by its path or the end of it.
 */

const files = ['src', 'e2e', 'bench', 'fuzz', 'scripts'].flatMap((folder) =>
  readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' }).map((name) =>
    `${folder}/${name}`.replaceAll('\\', '/'),
  ),
);
files.push(...readdirSync(root));
/** A file's name in code marks; one with capitals in the place of a name stands for any. */
const NAMED = /`([\w./-]+\.(?:ts|tsx|mjs|css))`/g;

it.each(['README.md', 'CONTRIBUTING.md', 'docs/architecture.md', 'docs/api.md', 'docs/formats.md'])(
  '%s names no file that is not there',
  (page) => {
    const named = [...readFileSync(join(root, page), 'utf8').matchAll(NAMED)].map(([, name = '']) => name);
    const missing = named.filter((name) => {
      if (/\bNAME\b/.test(name)) return false;
      return !files.some((file) => file === name || file.endsWith(`/${name}`));
    });
    expect(missing).toEqual([]);
  },
);

it('and would be told of one', () => {
  expect([...'see `build/cast-solid.ts`'.matchAll(NAMED)].map(([, name]) => name)).toEqual([
    'build/cast-solid.ts',
  ]);
  expect(files.some((file) => file.endsWith('/build/cast-solid.ts'))).toBe(false);
});
