/** A PostgreSQL server of our own for tests and the bench: a cluster in a temporary folder, on a free port. */
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as rest } from 'node:timers/promises';

const isRoot = process.getuid?.() === 0;
/** Where Debian keeps the programs, a folder for each version. */
const DEBIAN = '/usr/lib/postgresql';
/** Longest that a server may take to begin, ms. */
const LONGEST_START_MS = 120_000;

/** The folder of the newest version's programs; nothing where there is none. */
function programs() {
  const versions = existsSync(DEBIAN) ? readdirSync(DEBIAN).sort((a, b) => Number(b) - Number(a)) : [];
  const [found] = versions
    .map((version) => join(DEBIAN, version, 'bin'))
    .filter((bin) => existsSync(join(bin, 'initdb')));
  if (found) return found;
  const asked = spawnSync('pg_config', ['--bindir'], { encoding: 'utf8' });
  return asked.status === 0 ? asked.stdout.trim() : undefined;
}

/** Installs Debian's package where there is no PostgreSQL; throws with a sentence where that cannot be done. */
function installed() {
  const there = programs();
  if (there) return there;
  if (isRoot && spawnSync('apt-get', ['--version']).status === 0) {
    console.error('Installing PostgreSQL …');
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    const apt = (...words) => spawnSync('apt-get', words, { env, stdio: ['ignore', 2, 2] }).status === 0;
    const install = () => apt('install', '-y', '--no-install-recommends', 'postgresql');
    if (!install() && apt('update')) install();
  }
  const now = programs();
  if (!now) throw new Error('There is no PostgreSQL here. Install it: apt-get install postgresql');
  return now;
}

/** PostgreSQL refuses to run as root: who it runs as then. */
function owner() {
  if (!isRoot) return {};
  const id = (which) => Number(execFileSync('id', [which, 'postgres'], { encoding: 'utf8' }));
  return { uid: id('-u'), gid: id('-g') };
}

export function freePort() {
  return new Promise((resolve) => {
    const server = createServer();
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

function run(program, args, options = {}) {
  const { status, stderr, stdout } = spawnSync(join(installed(), program), args, {
    encoding: 'utf8',
    cwd: '/',
    ...owner(),
    ...options,
  });
  if (status !== 0) throw new Error(`${program}: ${stderr || stdout}`);
  return stdout;
}

/** A folder that the server's user may write in. */
function folderFor(name) {
  const folder = mkdtempSync(join(tmpdir(), name));
  const { uid, gid } = owner();
  if (uid !== undefined) chownSync(folder, uid, gid);
  return folder;
}

/**
 * Begins a cluster: letters in the order of a language, as most servers have them, and not of their bytes, as
 * the embedded database has. Nothing is put on the device for good, as nothing of it outlives the tests.
 */
export function makeCluster() {
  const folder = folderFor('fern-anvil-postgres-');
  const data = join(folder, 'data');
  run('initdb', [
    '-D',
    data,
    '-U',
    'shop',
    '-A',
    'trust',
    '-E',
    'UTF8',
    '--locale=C.UTF-8',
    '--locale-provider=icu',
    '--icu-locale=en',
    '--no-sync',
  ]);
  return { folder, data };
}

/** A cluster that follows another as its replica, by streaming. */
export function makeReplica(port) {
  const folder = folderFor('fern-anvil-replica-');
  const data = join(folder, 'data');
  run('pg_basebackup', [
    '-D',
    data,
    '-h',
    '127.0.0.1',
    '-p',
    String(port),
    '-U',
    'shop',
    '-R',
    '-X',
    'stream',
    '-c',
    'fast',
    '--no-sync',
  ]);
  return { folder, data };
}

/** Makes a replica lead, and waits until it does. */
export function promote(data) {
  run('pg_ctl', ['promote', '-w', '-D', data]);
}

/**
 * Starts the server of a cluster; `settings` as PostgreSQL's own, such as `fsync=off`. What it returns tells
 * its address, ends it in good order or at once, and takes its folder away.
 */
export async function startServer({ folder, data }, port, settings = ['fsync=off']) {
  const words = ['-D', data, '-p', String(port), '-k', folder, '-h', '127.0.0.1'];
  for (const setting of [...settings, 'max_connections=200']) words.push('-c', setting);
  const server = spawn(join(installed(), 'postgres'), words, {
    cwd: '/',
    stdio: ['ignore', 'ignore', 'pipe'],
    ...owner(),
  });
  let said = '';
  server.stderr.setEncoding('utf8').on('data', (text) => {
    said = (said + text).slice(-4_000);
  });
  const ended = new Promise((resolve) => server.once('exit', resolve));
  const until = Date.now() + LONGEST_START_MS;
  while (
    spawnSync(join(installed(), 'pg_isready'), ['-q', '-h', '127.0.0.1', '-p', String(port)]).status !== 0
  ) {
    if (server.exitCode !== null || Date.now() > until) throw new Error(`PostgreSQL did not start: ${said}`);
    await rest(100);
  }
  /** An address of one of its databases. */
  const url = (name = 'postgres') => `postgres://shop@127.0.0.1:${port}/${name}`;
  return {
    port,
    url,
    data,
    folder,
    /** SIGINT is its fast end: everyone is sent away; SIGKILL its sudden one, which its children notice. */
    stop: async (signal = 'SIGINT') => {
      server.kill(signal);
      await ended;
    },
    remove: () => rmSync(folder, { recursive: true, force: true }),
  };
}
