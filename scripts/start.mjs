import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureInstalled, root } from './ensure.mjs';

ensureInstalled();
const { ensureBuilt, ensureNode } = await import('./build.mjs');
const args = process.argv.slice(2);
await ensureNode();
if (!args.includes('--help')) await ensureBuilt();
const data = args.indexOf('--data');
// A folder named by the caller is meant from where the caller stands.
if (data >= 0 && args[data + 1])
  process.argv[data + 3] = resolve(process.env.INIT_CWD ?? process.cwd(), args[data + 1]);
await import(pathToFileURL(resolve(root, 'dist/node/server.js')).href);
