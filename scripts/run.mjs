// Runs one TypeScript file of the project with the arguments that follow, installing what is missing first.
import { spawnSync } from 'node:child_process';
import { resolve } from 'node:path';
import { ensureInstalled, root, tsx } from './ensure.mjs';

ensureInstalled({ whole: true });
const [file, ...args] = process.argv.slice(2);
const [node, options] = tsx();
// The caller's folder stays the working folder, so that file names mean what they say.
const cwd = process.env.INIT_CWD ?? process.cwd();
const loader = new URL(`file://${resolve(root, 'node_modules/tsx/dist/loader.mjs')}`).href;
const { status, signal } = spawnSync(node, [...options.slice(0, -1), loader, resolve(root, file), ...args], {
  cwd,
  stdio: 'inherit',
});
process.exit(signal ? 1 : (status ?? 1));
