import { readdirSync, readFileSync } from 'node:fs';
import { isBuiltin } from 'node:module';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

const root = fileURLToPath(new URL('..', import.meta.url));
const { dependencies } = JSON.parse(readFileSync(`${root}package.json`, 'utf8')) as {
  readonly dependencies: Readonly<Record<string, string>>;
};

/** What `npm start` and `npm run anvil` read or build: they install the dependencies alone. */
const STARTED = [
  ...['start', 'anvil', 'dev', 'build', 'ensure'].map((name) => `scripts/${name}.mjs`),
  'vite.config.ts',
  ...readdirSync(`${root}src`, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.(tsx?|css)$/.test(name) && !/\.test|test-kit|test-setup|\.d\.ts$/.test(name))
    .map((name) => `src/${name}`),
];

/** Packages a file names. */
function packagesOf(file: string): string[] {
  const text = readFileSync(root + file, 'utf8');
  const named = file.endsWith('.css')
    ? [...text.matchAll(/@import ['"]([^'"]+)/g)].map(([, name = '']) => name)
    : ts.preProcessFile(text).importedFiles.map(({ fileName }) => fileName);
  return named
    .filter((name) => !/^[./]/.test(name) && !isBuiltin(name))
    .map((name) => name.split('/', name.startsWith('@') ? 2 : 1).join('/'));
}

describe('what a start needs', () => {
  it('is installed by it: no package that only tests and work on the sources have', () => {
    const asked = STARTED.flatMap((file) => packagesOf(file).map((name) => ({ file, name })));
    expect(asked.length).toBeGreaterThan(200);
    expect(asked.filter(({ name }) => !(name in dependencies))).toEqual([]);
  });
});
