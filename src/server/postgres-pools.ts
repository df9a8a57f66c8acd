import { setTimeout as rest } from 'node:timers/promises';
import type { Client, PoolClient } from 'pg';
import pg from 'pg';
import { hostsOf, isLost, LOST } from './postgres-address.ts';

/** Longest that a connection may take to be made, ms. */
const CONNECT_MS = 5_000;
/**
 * Longest that whoever asks waits for a database that does not answer, ms: a server that is started anew, or
 * a replica that takes over, is there by then.
 */
export const PATIENCE_MS = 20_000;
/** Rest between two attempts to reach it, ms. */
const AGAIN_MS = 250;
/** Bounds of PostgreSQL's own, ms: a statement, a wait for a lock, a transaction that idles. */
const BOUNDS = { statement: 120_000, lock: 20_000, idle: 60_000 } as const;
/** Oldest PostgreSQL that is worked with. */
const LEAST_VERSION = 15;

/** What a connection must be before it is used. Throws with a sentence where the server will not do. */
async function prepare(client: Client): Promise<void> {
  const { rows } = await client.query<{
    version: number;
    encoding: string;
    isReplica: boolean;
    sync: string;
  }>(
    `select current_setting('server_version_num')::int / 10000 as version,
      current_setting('server_encoding') as encoding, pg_is_in_recovery() as "isReplica",
      current_setting('synchronous_commit') as sync`,
  );
  const [{ version, encoding, isReplica, sync } = { version: 0, encoding: '', isReplica: false, sync: '' }] =
    rows;
  if (version < LEAST_VERSION)
    throw new Error(
      `--database: that is PostgreSQL ${version}; ${LEAST_VERSION} or newer is wanted. Name another server.`,
    );
  if (encoding !== 'UTF8')
    throw new Error(
      `--database: its encoding is ${encoding}, which cannot hold every name. Make one with: createdb -E UTF8 -T template0 NAME`,
    );
  // One that only follows another takes no writes; where several are named, the one that leads is sought.
  if (isReplica) throw Object.assign(new Error('The server is a replica.'), { code: LOST });
  // What is answered for is on the device, whatever the server's own default.
  if (sync === 'off') await client.query('set synchronous_commit = on');
}

/**
 * Opens connections to whichever of the servers named in an address leads, at most `size` at once besides the
 * dedicated ones.
 */
export function openPools(url: string, size: number) {
  const hosts = hostsOf(url);
  let at = 0;
  let isClosed = false;
  const settings = () => ({
    connectionString: hosts[at],
    application_name: 'fern-anvil',
    connectionTimeoutMillis: CONNECT_MS,
    keepAlive: true,
    statement_timeout: BOUNDS.statement,
    lock_timeout: BOUNDS.lock,
    idle_in_transaction_session_timeout: BOUNDS.idle,
    // A server that is gone without a word never answers: longer than its own bound.
    query_timeout: BOUNDS.statement + CONNECT_MS,
    options: '-c TimeZone=UTC',
  });
  const open = () => {
    const pool = new pg.Pool({
      ...settings(),
      max: size,
      onConnect: prepare as (client: unknown) => Promise<void>,
    });
    // A connection that is lost while nobody uses it is no failure: the next one is made anew. One that is lost
    // between two statements of a transaction fails the second.
    pool.on('error', () => undefined);
    pool.on('connect', (client) => client.on('error', () => undefined));
    return pool;
  };
  let pool = open();
  const turn = (from: pg.Pool): void => {
    if (from !== pool || hosts.length === 1) return;
    at = (at + 1) % hosts.length;
    pool = open();
    from.end().catch(() => undefined);
  };
  /** Asks for a connection until there is one: nothing has been sent yet. */
  const patiently = async <T>(connect: () => Promise<T>, patience = PATIENCE_MS): Promise<T> => {
    const until = Date.now() + patience;
    for (let tries = 1; ; tries++) {
      const tried = pool;
      try {
        return await connect();
      } catch (error) {
        // Each of those named is tried once at least.
        if (isClosed || !isLost(error) || (Date.now() > until && tries >= hosts.length)) throw error;
        turn(tried);
        await rest(AGAIN_MS);
      }
    }
  };
  return {
    acquire: (patience?: number): Promise<PoolClient> => patiently(() => pool.connect(), patience),
    /** a connection of its own, for as long as it is wanted */
    dedicated: (patience?: number): Promise<Client> =>
      patiently(async () => {
        const client = new pg.Client(settings());
        client.on('error', () => undefined);
        try {
          await client.connect();
          await prepare(client);
          return client;
        } catch (error) {
          await client.end().catch(() => undefined);
          throw error;
        }
      }, patience),
    /** nobody waits for a connection any more */
    close: (): void => {
      isClosed = true;
    },
    end: async () => {
      isClosed = true;
      await pool.end();
    },
  };
}

/** Connections to a server, shared by all statements. */
export type Pools = ReturnType<typeof openPools>;
