import { join, resolve } from 'node:path';
import { isIP } from 'node:net';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { hostsOf, shownAddress } from './postgres-address.ts';
import { USUAL_CONNECTIONS } from './server-database.ts';

/** What the program says of its options. */
export const HELP = `Usage: npm start -- [--data DIR | --database URL] [--demo] [--restore FILE] [--port N]
                    [--host ADDRESS --name NAME]
  --data DIR   keep a real shop's data in DIR (begins empty); without it the demo workshop is served
  --database URL  keep them on a PostgreSQL server instead (15 or newer), as postgres://USER@HOST:5432/NAME;
               DATABASE_URL says the same
  --connections N  most connections to that server at once, 10 unless given
  --host ADDRESS  answer on this address of the house's network too, such as 0.0.0.0; asks for accounts and TLS
  --name NAME  name or address that others open it under, such as shop.local; may be given more than once
  --cert FILE, --key FILE  the certificate for those names, as PEM; without them the shop makes its own
  --behind-proxy  TLS ends in front of it, at a proxy on this machine that sends X-Forwarded-For
  --metrics [ADDRESS:]PORT  tell a watcher (Prometheus) how it fares, on this machine unless an address is named
  --demo       load the demo workshop as well
  --restore FILE  give a backup back into DIR or the database, which must hold no shop yet
  --move-to PLACE  carry the shop over into PLACE, a folder or the address of a database, and end
  --set-aside FILE  with --restore: write documents that do not fit to FILE and give back the rest
  --backup FILE   write a backup of the shop in DIR to FILE and end, without serving it
  --port N     port on this machine, 4600 unless given; 0 takes any free one`;

/** The folder the program lies in. */
export const root = fileURLToPath(new URL('../..', import.meta.url));

/** Where a shop is: its folder, whose backups lie in it too; and its database, where that is on a server. */
export interface Place {
  readonly folder: string;
  readonly database?: { readonly url: string; readonly connections: number };
}

/** Where a shop is, as it may be shown. */
export const placeText = ({ folder, database }: Place): string =>
  database ? shownAddress(database.url) : folder;

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
export interface Network {
  readonly host: string;
  readonly names: readonly [string, ...string[]];
  readonly isProxied: boolean;
  readonly files?: { readonly cert: string; readonly key: string };
}

const HOST_NAME = /^(?:[a-z0-9](?:[a-z0-9-]*[a-z0-9])?)(?:\.[a-z0-9](?:[a-z0-9-]*[a-z0-9])?)*$/i;

/** How others are to reach it; undefined where only this machine does. Throws with a sentence. */
function networkOf(
  values: {
    readonly host?: string | undefined;
    readonly name?: string[] | undefined;
    readonly cert?: string | undefined;
    readonly key?: string | undefined;
    readonly 'behind-proxy': boolean;
  },
  isNamed: boolean,
): Network | undefined {
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

/** Returns what the command line asks for. Throws with a sentence that names the option and the remedy. */
export function parseOptions() {
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
  const network = networkOf(values, isNamed);
  if (network && port === 0)
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
    network,
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

/** What the command line asks for. */
export type Options = ReturnType<typeof parseOptions>;
