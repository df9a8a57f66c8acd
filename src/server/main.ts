import { messageOf } from '../core/kind/index.ts';
import { createWriteStream, existsSync, mkdirSync, readFileSync } from 'node:fs';
import type { Server } from 'node:http';
import { createServer } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { isIP } from 'node:net';
import { join, resolve } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import type { Logger } from 'pino';
import { pino } from 'pino';
import type { Access } from './app.ts';
import { createApp } from './app.ts';
import { misfitSentence, verifyBackup } from '../disk/backup-file.ts';
import { restoreBackup, writeBackup } from './backup.ts';
import type { Certificate } from './certificate.ts';
import { ownCertificate } from './certificate.ts';
import type { Filling, OpenDatabase } from './database.ts';
import { openDatabase } from './database.ts';
import { loadDemo } from './demo.ts';
import { moveShop } from './move.ts';
import { hostsOf, shownAddress } from './postgres-address.ts';
import type { Accounts } from './routes/people.ts';
import { openServerDatabase, USUAL_CONNECTIONS } from './server-database.ts';

const HELP = `Usage: npm start -- [--data DIR | --database URL] [--demo] [--restore FILE] [--port N]
                    [--host ADDRESS --name NAME]
  --data DIR   keep a real shop's data in DIR (begins empty); without it the demo workshop is served
  --database URL  keep them on a PostgreSQL server instead (15 or newer), as postgres://USER@HOST:5432/NAME;
               DATABASE_URL says the same
  --connections N  most connections to that server at once, 10 unless given
  --host ADDRESS  answer on this address of the house's network too, such as 0.0.0.0; asks for accounts and TLS
  --name NAME  name or address that others open it under, such as shop.local; may be given more than once
  --cert FILE, --key FILE  the certificate for those names, as PEM; without them the shop makes its own
  --behind-proxy  TLS ends in front of it, at a proxy on this machine that sends X-Forwarded-For and -Proto
  --metrics [ADDRESS:]PORT  tell a watcher (Prometheus) how it fares, on this machine unless an address is named
  --demo       load the demo workshop as well
  --restore FILE  give a backup back into DIR or the database, which must hold no shop yet
  --move-to PLACE  carry the shop over into PLACE, a folder or the address of a database, and end
  --set-aside FILE  with --restore: write documents that do not fit to FILE and give back the rest
  --backup FILE   write a backup of the shop in DIR to FILE and end, without serving it
  --port N     port on this machine, 4600 unless given; 0 takes any free one`;

/** Longest that answers which are under way may take once the server is to end, ms. */
const FINISH_MS = 2_500;
/** Longest that an end in good order may take, ms. */
const LONGEST_STOP_MS = 8_000;

const root = fileURLToPath(new URL('../..', import.meta.url));

/** Where a shop is: its folder, whose backups lie in it too; and its database, where that is on a server. */
interface Place {
  readonly folder: string;
  readonly database?: { readonly url: string; readonly connections: number };
}

const open = ({ folder, database }: Place, fill?: Filling): Promise<OpenDatabase> =>
  database ? openServerDatabase(database.url, database.connections, fill) : openDatabase(folder, fill);

const shown = ({ folder, database }: Place): string => (database ? shownAddress(database.url) : folder);

/** Reads a whole number of an option. Throws with a sentence that names it. */
function wholeNumber(
  option: string,
  given: string,
  [least, most]: readonly [number, number],
  what: string,
): number {
  const value = Number(given);
  if (!Number.isInteger(value) || value < least || value > most)
    throw new Error(`--${option}: “${given}” is not ${what}. Give a whole number from ${least} to ${most}.`);
  return value;
}

/** A path as it was typed, from the folder it was typed in. */
const given = (file: string): string => resolve(process.env['INIT_CWD'] ?? process.cwd(), file);

const isAddress = (place: string): boolean => /^postgres(?:ql)?:/.test(place);

/** How others reach the server: on which address, under which names, and what ends TLS. */
interface Seen {
  readonly host: string;
  readonly names: readonly [string, ...string[]];
  readonly isProxied: boolean;
  readonly files?: { readonly cert: string; readonly key: string };
}

const HOST_NAME = /^(?:[a-z0-9](?:[a-z0-9-]*[a-z0-9])?)(?:\.[a-z0-9](?:[a-z0-9-]*[a-z0-9])?)*$/i;

/** How others are to reach it; undefined where only this machine does. Throws with a sentence. */
function seenBy(
  values: {
    readonly host?: string | undefined;
    readonly name?: string[] | undefined;
    readonly cert?: string | undefined;
    readonly key?: string | undefined;
    readonly 'behind-proxy': boolean;
  },
  isNamed: boolean,
): Seen | undefined {
  const { host, cert, key, 'behind-proxy': isProxied } = values;
  const [first, ...others] = (values.name ?? []).map((name) => name.toLowerCase());
  if (host === undefined && !isProxied) {
    if (first !== undefined || cert !== undefined || key !== undefined)
      throw new Error('--name, --cert and --key go with --host ADDRESS, or --behind-proxy.');
    return undefined;
  }
  if (!isNamed)
    throw new Error('--host: others are to see a shop of your own. Name it with --data or --database.');
  if (host !== undefined && isIP(host) === 0)
    throw new Error(`--host: “${host}” is no address. Give one of this machine's, such as 0.0.0.0 for all.`);
  if (first === undefined)
    throw new Error('--name: say what others open it under, such as --name shop.local.');
  const odd = [first, ...others].find((name) => !HOST_NAME.test(name) && isIP(name) === 0);
  if (odd !== undefined)
    throw new Error(`--name: “${odd}” is no name of a host. Give it alone, without https:// and port.`);
  if ((cert === undefined) !== (key === undefined))
    throw new Error('--cert and --key: a certificate and its key go together. Give both, or neither.');
  if (isProxied && cert !== undefined)
    throw new Error('--behind-proxy: the proxy ends TLS, so that --cert and --key are its own to have.');
  return {
    // A proxy on this machine; one elsewhere is named by --host, whose network must be its own.
    host: host ?? '127.0.0.1',
    names: [first, ...others],
    isProxied,
    ...(cert !== undefined && key !== undefined ? { files: { cert: given(cert), key: given(key) } } : {}),
  };
}

/** Where metrics are told. Throws with a sentence where that is no place. */
function metricsAt(text: string): { readonly host: string; readonly port: number } {
  const [, host = '127.0.0.1', port = ''] = /^(?:(.+):)?(\d+)$/.exec(text) ?? [];
  const address = host.replace(/^\[(.*)\]$/, '$1');
  if (isIP(address) === 0)
    throw new Error(`--metrics: “${text}” is no place. Give a port, or an address with one: 192.0.2.7:9100.`);
  return { host: address, port: wholeNumber('metrics', port, [0, 65535], 'a port') };
}

/** Reads a file of an option. Throws with a sentence that names it. */
function read(option: string, path: string): string {
  try {
    return readFileSync(path, 'utf8');
  } catch (error) {
    throw new Error(`--${option}: ${path} cannot be read (${messageOf(error)}).`, { cause: error });
  }
}

/** What a server that others reach asks of them, and the certificate it is served with, unless a proxy does. */
async function accessOf(
  { names, isProxied, files }: Seen,
  port: number,
  folder: string,
): Promise<{ readonly access: Access; readonly certificate?: Certificate }> {
  const outside = isProxied || port === 443 ? '' : `:${port}`;
  const hosts = names.map((name) => (isIP(name) === 6 ? `[${name}]` : name));
  const access: Access = {
    hosts: hosts.map((host) => `${host}${outside}`),
    origins: hosts.map((host) => `https://${host}${outside}`),
    site: { name: names[0], origins: hosts.map((host) => `https://${host}${outside}`) },
    isProxied,
  };
  if (isProxied) return { access };
  if (files) return { access, certificate: { cert: read('cert', files.cert), key: read('key', files.key) } };
  const certificate = await ownCertificate(join(folder, 'tls'), names);
  return { access: { ...access, authority: certificate.authority }, certificate };
}

/** What the command line asks for. Throws with a sentence that names the option and the remedy. */
function asked() {
  const { values } = parseArgs({
    options: {
      data: { type: 'string' },
      database: { type: 'string' },
      connections: { type: 'string', default: String(USUAL_CONNECTIONS) },
      port: { type: 'string', default: '4600' },
      host: { type: 'string' },
      name: { type: 'string', multiple: true },
      cert: { type: 'string' },
      key: { type: 'string' },
      metrics: { type: 'string' },
      'behind-proxy': { type: 'boolean', default: false },
      demo: { type: 'boolean', default: false },
      web: { type: 'string' },
      restore: { type: 'string' },
      'set-aside': { type: 'string' },
      backup: { type: 'string' },
      'move-to': { type: 'string' },
      help: { type: 'boolean', default: false },
    },
  });
  const port = wholeNumber('port', values.port, [0, 65535], 'a port');
  const connections = wholeNumber('connections', values.connections, [1, 200], 'a number of connections');
  // A folder that is named is meant, whatever stands in the surroundings.
  const url = values.database ?? (values.data === undefined ? process.env['DATABASE_URL'] : undefined);
  if (url !== undefined) hostsOf(url);
  const placeOf = (folder: string, address: string | undefined): Place => ({
    folder,
    ...(address === undefined ? {} : { database: { url: address, connections } }),
  });
  const place = placeOf(
    resolve(values.data ?? join(root, '.data', url === undefined ? 'demo' : 'on-server')),
    url,
  );
  const isNamed = values.data !== undefined || url !== undefined;
  const seen = seenBy(values, isNamed);
  if (seen && port === 0)
    throw new Error('--port: others must know where to ask. Give a port, such as 443 or 4600.');
  const { restore, 'move-to': moveTo } = values;
  if (restore !== undefined && (!isNamed || values.demo))
    throw new Error(
      '--restore: name an empty folder for the shop with --data, or a database with --database, without --demo.',
    );
  if (moveTo !== undefined && (!isNamed || values.demo || restore !== undefined))
    throw new Error(
      '--move-to: name the shop that is carried over with --data or --database, and nothing else.',
    );
  return {
    port,
    seen,
    metrics: values.metrics === undefined ? undefined : metricsAt(values.metrics),
    place,
    isDemo: values.demo || !isNamed,
    isHelp: values.help,
    web: resolve(values.web ?? `${root}/dist/web`),
    restore: restore === undefined ? undefined : given(restore),
    setAside: values['set-aside'] === undefined ? undefined : given(values['set-aside']),
    backup: values.backup === undefined ? undefined : given(values.backup),
    moveTo:
      moveTo === undefined
        ? undefined
        : isAddress(moveTo)
          ? placeOf(place.folder, moveTo)
          : placeOf(given(moveTo), undefined),
  };
}

/** Gives a backup back into a database that is begun for it, and says what was. */
const givingBack =
  (file: string, setAside: string | undefined): Filling =>
  async (fresh) => {
    const { rows, aside } = await restoreBackup(fresh, file, setAside);
    console.log(`Given back: ${rows} rows.`);
    for (const misfit of aside) console.log(`Set aside: ${misfitSentence(misfit)}`);
  };

async function main(): Promise<void> {
  const { port, seen, metrics, place, isDemo, isHelp, web, restore, setAside, backup, moveTo } = asked();
  if (isHelp) {
    console.log(HELP);
    return;
  }
  const log = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' });
  // A signal that comes while the data are being opened ends the process at once: whatever was answered for
  // is on the device.
  let stop = (): void => process.exit(143);
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => stop());
  const { db, close } = await open(place, restore === undefined ? undefined : givingBack(restore, setAside));
  if (backup !== undefined) {
    await pipeline(writeBackup(db), createWriteStream(backup, { mode: 0o600 }));
    const { rows } = await verifyBackup(backup, 'seal');
    await close();
    console.log(`Backup of ${rows} rows in ${backup}.`);
    return;
  }
  if (moveTo) {
    const rows = await moveShop(db, (fill) => open(moveTo, fill)).finally(close);
    console.log(`Carried over: ${rows} rows, from ${shown(place)} to ${shown(moveTo)}.`);
    console.log('What is there now was compared with what it came from, which stays as it was.');
    return;
  }
  await serve({ db, close }, { port, seen, metrics, place, isDemo, web }, log, (how) => {
    stop = how;
  });
}

/** Serves an open shop; `onReady` is told how that is ended in good order. */
async function serve(
  { db, close }: OpenDatabase,
  {
    port,
    seen,
    metrics: told,
    place,
    isDemo,
    web,
  }: Pick<ReturnType<typeof asked>, 'port' | 'seen' | 'metrics' | 'place' | 'isDemo' | 'web'>,
  log: Logger,
  onReady: (stop: () => void) => void,
): Promise<void> {
  const { access, certificate } = seen ? await accessOf(seen, port, place.folder) : {};
  const metrics = told && (await import('./metrics.ts')).openMetrics();
  const watched = told && (await metrics?.listen(told.host, told.port));
  const { koa, end, accounts, ...shop } = createApp(db, { web, data: place.folder, isDemo }, log, {
    access,
    metrics,
  });
  if (isDemo) {
    mkdirSync(place.folder, { recursive: true });
    await loadDemo(db, shop, `${root}/demo`, place.folder);
  }
  const answer = koa.callback();
  const server = certificate ? createSecureServer(certificate, answer) : createServer(answer);
  // Longer than any asker keeps an idle connection: who closes first must not be the one that is asked.
  server.keepAliveTimeout = 75_000;
  server.on('error', (error: NodeJS.ErrnoException) => {
    const isInUse = error.code === 'EADDRINUSE';
    console.error(
      isInUse ? `Port ${port} is taken. Choose another with --port, or --port 0 for any.` : error.message,
    );
    process.exit(1);
  });
  server.listen(port, seen?.host ?? '127.0.0.1', () => {
    const { port: taken } = server.address() as AddressInfo;
    const address = access?.origins[0] ?? `http://127.0.0.1:${taken}`;
    console.log(`Fern Anvil is at ${address}/`);
    console.log(
      isDemo && !place.database ? 'Serving the demo workshop.' : `Serving the shop in ${shown(place)}.`,
    );
    if (!existsSync(web)) console.log('The interface is not built yet: run npm start, or npm run build.');
    if (access?.authority !== undefined)
      console.log(
        `Each device comes to trust it once: fetch ${address}/fern-anvil.crt there (docs/shop.md says how).`,
      );
    if (accounts)
      firstWord(accounts, address).catch((error: unknown) => {
        log.error(error, 'no word for the first account could be made');
      });
  });
  onReady(() => {
    // A disk that does not answer holds nobody for longer than this.
    setTimeout(() => process.kill(process.pid, 'SIGKILL'), LONGEST_STOP_MS);
    watched?.close();
    void finished(server)
      .then(end)
      .then(close)
      .catch((error: unknown) => {
        log.error(error, 'the shop was not closed in good order');
      })
      .finally(() => process.exit(0));
  });
}

/** Takes no requests any more, and resolves when those that were begun are answered, or have had their time. */
async function finished(server: Server): Promise<void> {
  const idle = setInterval(() => server.closeIdleConnections(), 50);
  const late = setTimeout(() => server.closeAllConnections(), FINISH_MS);
  await new Promise<void>((resolve) => server.close(() => resolve()));
  clearInterval(idle);
  clearTimeout(late);
}

/** Where nobody has an account yet, prints the word that makes the first, which owns the shop. */
async function firstWord({ people, tickets }: Accounts, address: string): Promise<void> {
  if (!(await people.isEmpty())) return;
  const { word } = await tickets.make('first', { role: 'owner' });
  console.log(`Nobody has an account yet. Make the first, which owns the shop, within a day:`);
  console.log(`  ${address}/join#${word}`);
}

main().catch((error: unknown) => {
  console.error(messageOf(error));
  process.exit(1);
});
