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

/** Installs the packages of package-lock.json unless this very lock file is installed already. Quiet on standard output. */
export function ensureInstalled() {
  const lock = createHash('sha256')
    .update(readFileSync(`${root}/package-lock.json`))
    .digest('hex');
  const marker = `${root}/node_modules/.fern-anvil-lock`;
  if (existsSync(marker) && readFileSync(marker, 'utf8') === lock) return;
  console.error('Installing what is missing …');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { stdio: ['ignore', 2, 2] });
  mkdirSync(`${root}/node_modules`, { recursive: true });
  writeFileSync(marker, lock);
}

/** The TypeScript runner of the project. */
export const tsx = () => [process.execPath, ['--no-warnings', '--import', 'tsx']];
