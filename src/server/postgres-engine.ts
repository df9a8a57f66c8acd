import type { Results } from '@electric-sql/pglite';
import type { Client, QueryResult } from 'pg';
import pg from 'pg';
import { AS_TEXT } from './engine.ts';
import type {
  Engine,
  EngineSession,
  EngineTransaction,
  MapperSession,
  MapperSource,
  Message,
} from './engine.ts';
import { isLost, LOST, refusedAt } from './postgres-address.ts';
import { openListener } from './postgres-listener.ts';
import type { Pools } from './postgres-pools.ts';
import { openPools } from './postgres-pools.ts';

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

/**
 * Opens a database on a PostgreSQL server, of version 15 or newer, in UTF-8; `url` may name several servers,
 * of which the one that leads is used. `size` is the most connections at once, besides the one that stays.
 * Rejects with a sentence where it cannot be reached or will not do. A connection lost later is made anew;
 * what was under way over it fails with the code LOST, as nobody can know whether it was kept, unless it only
 * reads.
 */
export async function openPostgres(
  url: string,
  size: number,
  onMessage: (message: Message) => void,
): Promise<Engine> {
  const pools = openPools(url, size);
  const listener = openListener(pools, onMessage);
  try {
    (await pools.acquire(0)).release();
    await listener.open();
  } catch (error) {
    await pools.end();
    throw refusedAt(url, error);
  }

  const acquired = () =>
    pools.acquire().catch((error: unknown) => {
      throw asConnectionLost(error);
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
      throw asConnectionLost(error);
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
        throw asConnectionLost(error);
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
    checkpoint: () => Promise.resolve(),
    shared: listener,
    close: async () => {
      // First: a database that does not answer holds nobody who wants to end.
      pools.close();
      await listener.end();
      await pools.end();
    },
  };
}

/** A failure with the code LOST where the connection was lost under it. */
const asConnectionLost = (error: unknown): unknown =>
  isLost(error)
    ? Object.assign(new Error('The connection to the database was lost.', { cause: error }), { code: LOST })
    : error;

/**
 * The database as it is at one moment, for a backup, however long that takes: one transaction that reads, in
 * which what the backup does as a transaction of its own is a savepoint.
 */
async function snapshot(
  pools: Pools,
): Promise<{ readonly source: MapperSource; readonly end: () => Promise<void> }> {
  const client = await pools.dedicated();
  await client.query('begin isolation level repeatable read read only');
  // Whoever reads the backup may be slow.
  await client.query('set local idle_in_transaction_session_timeout = 0');
  const { query } = sessionOf(client);
  const session: MapperSession = {
    query: async <T>(text: string, params: unknown[] = [], options: { rowMode?: 'array' | 'object' } = {}) =>
      (await query(text, params, options.rowMode ?? 'object')) as Results<T>,
  };
  let turns: Promise<unknown> = Promise.resolve();
  const transaction = <T>(act: (tx: MapperSession) => Promise<T>): Promise<T> => {
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
    source: { ...session, transaction },
    end: () => client.end(),
  };
}
