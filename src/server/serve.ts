import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import type { Server } from 'node:http';
import { createServer } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { isIP } from 'node:net';
import { join } from 'node:path';
import type { Logger } from 'pino';
import { messageOf } from '../core/kind/index.ts';
import type { Access } from './app.ts';
import { createApp } from './app.ts';
import type { Certificate } from './certificate.ts';
import { ownCertificate } from './certificate.ts';
import type { OpenDatabase } from './database.ts';
import { loadDemo } from './demo.ts';
import type { Network, Options } from './options.ts';
import { placeText, root } from './options.ts';
import type { Accounts } from './routes/people.ts';

/** Longest that answers which are under way may take once the server is to end, ms. */
const FINISH_MS = 2_500;
/** Longest that an end in good order may take, ms. */
const LONGEST_STOP_MS = 8_000;

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
  { names, isProxied, files }: Network,
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

/** Serves an open shop; `onReady` is told how that is ended in good order. */
export async function serve(
  { db, close }: OpenDatabase,
  { port, network, metrics: metricsPlace, place, isDemo, web }: Options,
  log: Logger,
  onReady: (stop: () => void) => void,
): Promise<void> {
  const { access, certificate } = network ? await accessOf(network, port, place.folder) : {};
  const metrics = metricsPlace && (await import('./metrics.ts')).openMetrics();
  const metricsServer = metricsPlace && (await metrics?.listen(metricsPlace.host, metricsPlace.port));
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
  server.listen(port, network?.host ?? '127.0.0.1', () => {
    const { port: taken } = server.address() as AddressInfo;
    const address = access?.origins[0] ?? `http://127.0.0.1:${taken}`;
    console.log(`Fern Anvil is at ${address}/`);
    console.log(
      isDemo && !place.database ? 'Serving the demo workshop.' : `Serving the shop in ${placeText(place)}.`,
    );
    if (!existsSync(web)) console.log('The interface is not built yet: run npm start, or npm run build.');
    if (access?.authority !== undefined)
      console.log(
        `Each device comes to trust it once: fetch ${address}/fern-anvil.crt there (docs/shop.md says how).`,
      );
    if (accounts)
      firstLink(accounts, address).catch((error: unknown) => {
        log.error(error, 'no link for the first account could be made');
      });
  });
  onReady(() => {
    // A disk that does not answer holds nobody for longer than this.
    setTimeout(() => process.kill(process.pid, 'SIGKILL'), LONGEST_STOP_MS);
    metricsServer?.close();
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

/** Where nobody has an account yet, prints the link that makes the first, which owns the shop. */
async function firstLink({ people, tickets }: Accounts, address: string): Promise<void> {
  if (!(await people.isEmpty())) return;
  const { token } = await tickets.make('first', { role: 'owner' });
  console.log(`Nobody has an account yet. Make the first, which owns the shop, within a day:`);
  console.log(`  ${address}/join#${token}`);
}
