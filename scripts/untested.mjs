// Lists files of the core that no test imports by name: what they do is tested, if it is, only through
// others.
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { root } from './ensure.mjs';

const files = readdirSync(join(root, 'src'), { recursive: true, encoding: 'utf8' })
  .filter((name) => /\.tsx?$/.test(name))
  .map((name) => join(root, 'src', name));
const isTest = (file) => /\.test\.tsx?$|test-kit/.test(file);
const named = new Set(
  files
    .filter(isTest)
    .flatMap((file) =>
      [...readFileSync(file, 'utf8').matchAll(/from '(\.{1,2}\/[^']+)'/g)].map(([, path]) =>
        resolve(dirname(file), path),
      ),
    ),
);
const core = files.filter(
  (file) => relative(root, file).startsWith('src/core/') && !isTest(file) && !file.endsWith('/index.ts'),
);
const untested = core.filter((file) => !named.has(file)).map((file) => relative(root, file));
for (const file of untested.sort()) console.log(file);
console.error(`${untested.length} of ${core.length} files of the core are imported by no test.`);
