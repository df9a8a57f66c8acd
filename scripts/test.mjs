// Installs what is missing, then: formatting, lint, types, generated files, unit tests, browser tests.
import { spawnSync } from 'node:child_process';
import { randomInt } from 'node:crypto';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ensureInstalled, root, run } from './ensure.mjs';

ensureInstalled();
const { ensureBuilt, ensureNode } = await import('./build.mjs');
const bin = (path) => join(root, 'node_modules', path);
const node = (title, path, ...args) => {
  console.log(`\n— ${title}`);
  run(process.execPath, [bin(path), ...args]);
};

ensureChromium();
node('formatting', 'prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.');
node('lint', 'eslint/bin/eslint.js', '.', '--max-warnings', '0');
node('types', 'typescript/bin/tsc', '--noEmit');
node('unused packages and exports', 'knip/bin/knip.js');
await ensureBuilt();
await ensureNode();
console.log('\n— generated documents');
run(process.execPath, ['scripts/run.mjs', 'scripts/make-docs.ts', '--check']);
// Random checks can be run again as they were: SEED=… npm test.
process.env.SEED ??= String(randomInt(2 ** 31 - 1));
console.log(`\nrandom checks by SEED=${process.env.SEED}`);
node('unit tests', 'vitest/vitest.mjs', 'run', '--project', 'unit');
node('browser tests', 'vitest/vitest.mjs', 'run', '--project', 'e2e');

/** The browser tests need Debian's Chromium: installs it where this user may, and says what to do where not. */
function ensureChromium() {
  const known = [
    process.env.CHROMIUM_PATH,
    '/usr/bin/chromium',
    '/usr/bin/chromium-browser',
    '/usr/bin/google-chrome',
  ];
  if (known.some((path) => path && existsSync(path))) return;
  console.log('Installing Chromium …');
  const apt = (...args) =>
    spawnSync('apt-get', args, { stdio: ['ignore', 'ignore', 'inherit'] }).status === 0;
  const installed = apt('update') && apt('install', '-y', '--no-install-recommends', 'chromium');
  if (installed && existsSync('/usr/bin/chromium')) return;
  console.error(
    'The browser tests need Chromium. Install it (apt-get install chromium, as root) or name it in CHROMIUM_PATH.',
  );
  process.exit(1);
}
