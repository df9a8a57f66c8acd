import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));

/** Runs a command with its output on our own; ends this process with its code when it fails. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (error || status !== 0) {
    if (error) console.error(`${command}: ${error.message}`);
    process.exit(status ?? 1);
  }
}

/**
 * Installs the packages of package-lock.json unless this very lock file is installed already: what a start
 * needs, or with `whole` what tests and work on the sources need besides. Quiet on standard output.
 */
export function ensureInstalled({ whole = false } = {}) {
  const lock = createHash('sha256')
    .update(readFileSync(`${root}/package-lock.json`))
    .digest('hex');
  const marker = `${root}/node_modules/.fern-anvil-lock`;
  const [installed, extent] = existsSync(marker) ? readFileSync(marker, 'utf8').split(' ') : [];
  if (installed === lock && (!whole || extent === 'whole')) return;
  console.error('Installing what is missing …');
  const share = whole ? '--include=dev' : '--omit=dev';
  run('npm', ['ci', share, '--no-audit', '--no-fund', '--loglevel=error'], { stdio: ['ignore', 2, 2] });
  mkdirSync(`${root}/node_modules`, { recursive: true });
  writeFileSync(marker, `${lock} ${whole ? 'whole' : 'start'}`);
}

/** The TypeScript runner of the project. */
export const tsx = () => [process.execPath, ['--no-warnings', '--import', 'tsx']];
