import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import type { Kept, ProblemDetails } from '../contract/api.ts';
import type { Design } from '../core/document/index.ts';
import type { Access } from './app.ts';
import { createApp } from './app.ts';
import type { OpenDatabase } from './database.ts';
import { openTestDatabase } from './database.test-kit.ts';
import type { Metrics } from './metrics.ts';
import type { Pool } from './pool.ts';
import { openPool } from './pool.ts';
import type { Accounts } from './routes/people.ts';
import { freePort } from '../../scripts/postgres.mjs';

export interface RunningApp {
  readonly routes: readonly { readonly method: string; readonly path: string }[];
  /** the folder its data lies in */
  readonly data: string;
  readonly database: OpenDatabase;
  /** where it asks for accounts */
  readonly accounts?: Accounts;
  readonly base: string;
  readonly send: (
    method: string,
    path: string,
    body?: unknown,
    headers?: Record<string, string>,
  ) => Promise<Response>;
  /** the same, read as JSON */
  readonly ask: <T>(
    method: string,
    path: string,
    body?: unknown,
    headers?: Record<string, string>,
  ) => Promise<T>;
  readonly made: (design: Design) => Promise<Kept<Design>>;
  readonly end: () => Promise<void>;
}

let threads: Pool | undefined;
/**
 * Threads of all applications of this process: starting them anew for each takes longer than most tests.
 */
export const sharedPool = (): Pool => ({
  ...(threads ??= openPool()),
  // Others still work with them.
  close: () => Promise.resolve(),
});

/**
 * The server's application on a data folder, an empty one where none is given, and a free port. A body that
 * is text goes out as it is.
 */
export async function runApp(
  data = mkdtempSync(join(tmpdir(), 'fern-anvil-app-')),
  accessAt?: (port: number) => Access,
  metrics?: Metrics,
): Promise<RunningApp> {
  const database = await openTestDatabase(data);
  const port = accessAt ? await freePort() : 0;
  const {
    koa,
    routes,
    accounts,
    end: endApp,
  } = createApp(database.db, { web: join(data, 'no-web'), data }, pino({ level: 'silent' }), {
    pool: sharedPool(),
    access: accessAt?.(port),
    metrics,
  });
  const server = createServer(koa.callback());
  // A connection that is closed for being idle, just when it is used again, is no finding: both sides share
  // this busy thread.
  server.keepAliveTimeout = 0;
  await new Promise<void>((resolve) => server.listen(port, '127.0.0.1', resolve));
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const send: RunningApp['send'] = (method, path, body, headers = {}) =>
    fetch(`${base}/api${path}`, {
      method,
      headers: { ...(body === undefined ? {} : { 'Content-Type': 'application/json' }), ...headers },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
  const ask = async <T>(...about: Parameters<RunningApp['send']>): Promise<T> =>
    (await (await send(...about)).json()) as T;
  return {
    data,
    database,
    ...(accounts ? { accounts } : {}),
    routes,
    base,
    send,
    ask,
    made: (design) => ask('POST', '/designs', design),
    end: async () => {
      server.closeAllConnections();
      server.close();
      await endApp();
      await database.close();
      rmSync(data, { recursive: true, force: true });
    },
  };
}

export const problem = async (response: Response): Promise<ProblemDetails> =>
  (await response.json()) as ProblemDetails;

/** The header that names the version a save goes out from. */
export const version = (n: number): Record<string, string> => ({ 'If-Match': `"v${n}"` });
