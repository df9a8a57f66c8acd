// The terminal, built when its sources have changed.
import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureInstalled, root } from './ensure.mjs';

ensureInstalled();
const { ensureNode } = await import('./build.mjs');
await ensureNode();
// The caller's folder stays the working folder, so that file names mean what they say.
process.chdir(process.env.INIT_CWD ?? process.cwd());
await import(pathToFileURL(resolve(root, 'dist/node/anvil.js')).href);
