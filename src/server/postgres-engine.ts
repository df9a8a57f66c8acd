import { setTimeout as rest } from 'node:timers/promises';
import type { PGlite } from '@electric-sql/pglite';
import type { Client, PoolClient, QueryResult } from 'pg';
import pg from 'pg';
import { AS_TEXT } from './embedded-engine.ts';
import type { BackupSource, Engine, EngineSession, EngineTransaction, Told } from './engine.ts';
import { hostsOf, isLost, LOST, refusedAt } from './postgres-address.ts';

/** Longest that a connection may take to be made, ms. */
const CONNECT_MS = 5_000;
/**
 * Longest that whoever asks waits for a database that does not answer, ms: a server that is started anew, or
 * a replica that takes over, is there by then.
 */
const PATIENCE_MS = 20_000;
/** Rest between two attempts to reach it, ms. */
const AGAIN_MS = 250;
/** Bounds of PostgreSQL's own, ms: a statement, a wait for a lock, a transaction nobody goes on with. */
const BOUNDS = { statement: 120_000, lock: 20_000, idle: 60_000 } as const;
/** The channel that processes tell each other on. */
const CHANNEL = 'fern_anvil';
/** Oldest PostgreSQL that is worked with. */
const LEAST_VERSION = 15;

/**
 * What comes over as numbers: PostgreSQL's bigint too, where a number holds it, as the embedded database has
 * it.
 */
const BIGINT = 20;
const asNumber = (text: string): number | bigint =>
  Number.isSafeInteger(Number(text)) ? Number(text) : BigInt(text);
const types = {
  getTypeParser: ((type: number, format?: 'text') =>
    AS_TEXT.includes(type)
      ? (text: string) => text
      : type === BIGINT
        ? asNumber
        : pg.types.getTypeParser(type, format)) as typeof pg.types.getTypeParser,
};

const resultOf = ({ rows, fields, rowCount }: QueryResult) => ({
  rows,
  fields: fields.map(({ name, dataTypeID }) => ({ name, dataTypeID })),
  affectedRows: rowCount ?? 0,
});

/** Statements that may be sent again when the connection was lost under them: they change nothing. */
const ONLY_READS = /^\s*select\b/i;

const sessionOf = (client: Pick<Client, 'query'>): EngineSession => ({
  query: async (text, params, rowMode) =>
    resultOf(
      await client.query({ text, values: [...params], types, ...(rowMode === 'array' ? { rowMode } : {}) }),
    ),
  exec: (text) => client.query(text),
});

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

/** Connections to whichever of the named servers leads. */
function openPools(url: string, size: number) {
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
    standing: (patience?: number): Promise<Client> =>
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

type Pools = ReturnType<typeof openPools>;

/** What was told; nothing where it is of another program on the same channel. */
function toldIn(payload: string | undefined): Told | undefined {
  try {
    const { topic, text } = JSON.parse(payload ?? '') as Partial<Told>;
    return typeof topic === 'string' && typeof text === 'string' ? { topic, text } : undefined;
  } catch {
    return undefined;
  }
}

/**
 * The connection that stays: it holds what this process has claimed, and hears what others tell. Lost, it is
 * made anew, and what was claimed over it is free again.
 */
function openStanding(pools: Pools, onTold: (told: Told) => void) {
  let isEnding = false;
  let opening: Promise<Client> | undefined;
  const open = (): Promise<Client> =>
    (opening ??= (async () => {
      const client = await pools.standing();
      client.on('notification', ({ payload }) => {
        const news = toldIn(payload);
        if (news) onTold(news);
      });
      client.once('end', () => {
        opening = undefined;
        if (!isEnding) listenAgain();
      });
      await client.query(`listen ${CHANNEL}`);
      return client;
    })().catch((error: unknown) => {
      opening = undefined;
      throw error;
    }));
  const listenAgain = (): void => {
    open().catch(() => {
      if (!isEnding) setTimeout(listenAgain, PATIENCE_MS).unref();
    });
  };
  const KEY = 'hashtextextended($1, 0)';
  return {
    open,
    claim: async (key: string): Promise<boolean> => {
      const { rows } = await (
        await open()
      ).query<{ ok: boolean }>(`select pg_try_advisory_lock(${KEY}) as ok`, [key]);
      return rows[0]?.ok ?? false;
    },
    release: async (key: string): Promise<void> => {
      await (await open()).query(`select pg_advisory_unlock(${KEY})`, [key]);
    },
    tell: async (told: Told): Promise<void> => {
      await (await open()).query('select pg_notify($1, $2)', [CHANNEL, JSON.stringify(told)]);
    },
    end: async (): Promise<void> => {
      isEnding = true;
      await (await opening?.catch(() => undefined))?.end();
    },
  };
}

/**
 * Opens a database on a PostgreSQL server, of version 15 or newer, in UTF-8; `url` may name several servers,
 * of which the one that leads is used. `size` is the most connections at once, besides the one that stays.
 * Rejects with a sentence where it cannot be reached or will not do. A connection lost later is made anew;
 * what was under way over it fails with the code LOST, as nobody can know whether it was kept, unless it only
 * reads.
 */
export async function openPostgres(url: string, size: number, onTold: (told: Told) => void): Promise<Engine> {
  const pools = openPools(url, size);
  const standing = openStanding(pools, onTold);
  try {
    (await pools.acquire(0)).release();
    await standing.open();
  } catch (error) {
    await pools.end();
    throw refusedAt(url, error);
  }

  const acquired = () =>
    pools.acquire().catch((error: unknown) => {
      throw told(error);
    });
  /** Runs something over a connection and gives it back, or throws it away where it is broken. */
  const over = async <T>(act: (session: EngineSession) => Promise<T>): Promise<T> => {
    const client = await acquired();
    try {
      const value = await act(sessionOf(client));
      client.release();
      return value;
    } catch (error) {
      client.release(isLost(error));
      throw told(error);
    }
  };

  const begin = async (): Promise<EngineTransaction> => {
    const client = await acquired();
    const session = sessionOf(client);
    let isBroken = false;
    /** Notes whether the connection is still good for others. */
    const watched = async <T>(asked: Promise<T>): Promise<T> => {
      try {
        return await asked;
      } catch (error) {
        isBroken ||= isLost(error);
        throw told(error);
      }
    };
    try {
      await watched(session.exec('begin'));
    } catch (error) {
      client.release(true);
      throw error;
    }
    return {
      query: (...about) => watched(session.query(...about)),
      exec: (text) => watched(session.exec(text)),
      end: async (commits) => {
        try {
          const { command } = (await watched(session.exec(commits ? 'commit' : 'rollback'))) as QueryResult;
          // A transaction in which something failed is rolled back by a commit, without an error.
          if (commits && command !== 'COMMIT') throw new Error('The transaction was not kept.');
        } finally {
          client.release(isBroken);
        }
      },
    };
  };

  return {
    query: async (text, params, rowMode) => {
      const ask = () => over((session) => session.query(text, params, rowMode));
      try {
        return await ask();
      } catch (error) {
        if (!isLost(error) || !ONLY_READS.test(text)) throw error;
        return ask();
      }
    },
    exec: (text) => over((session) => session.exec(text)),
    begin,
    source: () => snapshot(pools),
    touched: () => undefined,
    settle: () => Promise.resolve(),
    shared: standing,
    close: async () => {
      // First: a database that does not answer holds nobody who wants to end.
      pools.close();
      await standing.end();
      await pools.end();
    },
  };
}

/** A failure with the code LOST where the connection was lost under it. */
const told = (error: unknown): unknown =>
  isLost(error)
    ? Object.assign(new Error('The connection to the database was lost.', { cause: error }), { code: LOST })
    : error;

/**
 * The database as it is at one moment, for a backup, however long that takes: one transaction that reads, in
 * which what the backup does as a transaction of its own is a savepoint.
 */
async function snapshot(
  pools: Pools,
): Promise<{ readonly source: BackupSource; readonly end: () => Promise<void> }> {
  const client = await pools.standing();
  await client.query('begin isolation level repeatable read read only');
  // Whoever reads the backup may be slow.
  await client.query('set local idle_in_transaction_session_timeout = 0');
  const { query } = sessionOf(client);
  const session = {
    query: (text: string, params: unknown[] = [], { rowMode }: { rowMode?: 'array' | 'object' } = {}) =>
      query(text, params, rowMode ?? 'object'),
  };
  let turns: Promise<unknown> = Promise.resolve();
  const transaction = <T>(act: (tx: typeof session) => Promise<T>): Promise<T> => {
    const mine = turns.then(async () => {
      await client.query('savepoint piece');
      try {
        return await act(session);
      } finally {
        // It has only read; what it set for itself falls away.
        await client.query('rollback to savepoint piece');
      }
    });
    turns = mine.catch(() => undefined);
    return mine;
  };
  return {
    source: { ...session, transaction } as unknown as Pick<PGlite, 'query' | 'transaction'>,
    end: () => client.end(),
  };
}
