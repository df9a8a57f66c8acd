// Installs what is missing, then: formatting, lint, types, unused exports, generated files, tests. With
// names, only the tests whose file holds one of them.
import { spawn, spawnSync } from 'node:child_process';
import { randomInt } from 'node:crypto';
import { once } from 'node:events';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ensureInstalled, root, run } from './ensure.mjs';

ensureInstalled({ whole: true });
const { ensureBuilt, ensureNode } = await import('./build.mjs');
const bin = (path) => join(root, 'node_modules', path);

ensureChromium();
// Random checks can be run again as they were: SEED=… npm test.
process.env.SEED ??= String(randomInt(2 ** 31 - 1));
const began = Date.now();
const parts = process.argv.slice(2);
if (parts.length === 0) {
  // Each by itself leaves a core idle.
  await together({
    formatting: ['oxfmt/bin/oxfmt', '--check', '.'],
    lint: ['eslint/bin/eslint.js', '.', '--max-warnings', '0'],
    types: ['tsc-native/bin/tsc', '--noEmit'],
    'unused packages and exports': ['knip/bin/knip.js'],
  });
}
await ensureBuilt();
await ensureNode();
if (parts.length === 0) {
  console.log('\n— generated documents');
  run(process.execPath, ['scripts/run.mjs', 'scripts/make-docs.ts', '--check']);
}
console.log(
  `\n— tests${parts.length > 0 ? ` of ${parts.join(', ')}` : ''}, random checks by SEED=${process.env.SEED}`,
);
if (parts.length === 0 && process.env.FERN_ANVIL_WHOLE !== '1') process.env.FERN_ANVIL_SHARE = '1';
run(process.execPath, [bin('vitest/vitest.mjs'), 'run', ...parts]);
console.log(`\nAll of it in ${Math.round((Date.now() - began) / 1000)} s.`);

/** Runs checks at once, says how each ended with what it printed, and ends this process where one failed. */
async function together(checks) {
  const ended = await Promise.all(
    Object.entries(checks).map(async ([title, [path, ...args]]) => {
      const started = Date.now();
      const child = spawn(process.execPath, [bin(path), ...args], {
        cwd: root,
        stdio: ['ignore', 'pipe', 'pipe'],
        env:
          process.env.FERN_ANVIL_WHOLE === '1' ? process.env : { ...process.env, FERN_ANVIL_LINT: 'brief' },
      });
      let said = '';
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk));
      const [code] = await once(child, 'close');
      console.log(
        `\n— ${title}: ${code === 0 ? 'in order' : 'NOT in order'}, ${Math.round((Date.now() - started) / 1000)} s`,
      );
      if (said.trim()) console.log(said.trim());
      return code;
    }),
  );
  if (ended.some((code) => code !== 0)) process.exit(1);
}

/**
 * The browser tests need Debian's Chromium: installs it where this user may, and says what to do where not.
 */
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
