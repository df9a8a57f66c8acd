import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root, run } from './ensure.mjs';

const SOURCES = ['src/core', 'src/contract', 'src/web', 'vite.config.ts', 'package-lock.json'];

function files(path) {
  if (!statSync(path).isDirectory()) return [path];
  return readdirSync(path)
    .sort()
    .flatMap((name) => files(join(path, name)));
}

/** Builds the interface unless the last build was made from these very sources. */
export function ensureBuilt() {
  const hash = createHash('sha256');
  for (const file of SOURCES.flatMap((source) => files(join(root, source)))) {
    if (!file.endsWith('.test.ts')) hash.update(file.slice(root.length)).update(readFileSync(file));
  }
  const digest = hash.digest('hex');
  const marker = join(root, 'dist/sources');
  if (
    existsSync(marker) &&
    readFileSync(marker, 'utf8') === digest &&
    existsSync(join(root, 'dist/web/index.html'))
  )
    return;
  console.error('Building the interface …');
  run(process.execPath, [join(root, 'node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'warn']);
  writeFileSync(marker, digest);
}
