import { createHash } from 'node:crypto';
import {
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { root, run } from './ensure.mjs';

/** What is built, from which sources, and what says that it was. */
const PARTS = {
  web: {
    says: 'Building the interface …',
    sources: ['src/core', 'src/contract', 'src/web', 'vite.config.ts'],
    make: () =>
      run(process.execPath, [join(root, 'node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'error'], {
        // What people get, whoever asks for it: under a test runner the slow half of every library would be
        // built in.
        env: { ...process.env, NODE_ENV: 'production' },
      }),
    there: 'dist/web/index.html',
  },
  node: {
    says: 'Building server and terminal …',
    sources: ['src/core', 'src/contract', 'src/disk', 'src/server', 'src/cli'],
    make: buildNode,
    there: 'dist/node/empty-shop/PG_VERSION',
  },
};

function files(path) {
  if (!statSync(path).isDirectory()) return [path];
  return readdirSync(path)
    .sort()
    .flatMap((name) => files(join(path, name)));
}

/**
 * Server and terminal as plain modules with the packages they use: nothing is transpiled and few files are
 * read at a start.
 */
async function buildNode() {
  const { build } = await import('esbuild');
  const out = join(root, 'dist/node');
  rmSync(out, { recursive: true, force: true });
  await build({
    entryPoints: {
      server: join(root, 'src/server/main.ts'),
      work: join(root, 'src/server/work.ts'),
      database: join(root, 'src/server/database-thread.ts'),
      template: join(root, 'src/server/template.ts'),
      anvil: join(root, 'src/cli/main.ts'),
    },
    outdir: out,
    bundle: true,
    splitting: true,
    // Those that find files beside themselves, or start threads, stay packages.
    external: ['@electric-sql/pglite', '@node-rs/argon2', 'manifold-3d', 'pg', 'pino', 'piscina'],
    // Packages of the older kind call require.
    banner: {
      js: "import { createRequire as __createRequire } from 'node:module'; const require = __createRequire(import.meta.url);",
    },
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'warning',
  });
  mkdirSync(out, { recursive: true });
  cpSync(join(root, 'src/server/migrations'), join(out, 'migrations'), { recursive: true });
  run(process.execPath, [join(out, 'template.js')]);
}

/** Builds a part unless it was last made from these very sources. Quiet on standard output. */
async function ensure(name) {
  const { says, sources, make, there } = PARTS[name];
  const hash = createHash('sha256');
  for (const file of [...sources, 'package-lock.json', 'scripts/build.mjs'].flatMap((source) =>
    files(join(root, source)),
  )) {
    if (!file.endsWith('.test.ts')) hash.update(file.slice(root.length)).update(readFileSync(file));
  }
  const digest = hash.digest('hex');
  const marker = join(root, `dist/${name}.sources`);
  if (existsSync(marker) && readFileSync(marker, 'utf8') === digest && existsSync(join(root, there))) return;
  console.error(says);
  await make();
  writeFileSync(marker, digest);
}

/** The interface, made when its sources have changed. */
export const ensureBuilt = () => ensure('web');

/** Server and terminal, likewise. */
export const ensureNode = () => ensure('node');
