import { setTimeout as rest } from 'node:timers/promises';
import { Readable } from 'node:stream';
import type { Results } from '@electric-sql/pglite';
import { causesOf } from '../core/kind/index.ts';
import type { BackupPlan } from './backup-stream.ts';
import type { DatabasePlace, Wanted } from './database-connection.ts';
import { openConnections } from './database-connection.ts';
import type { MapperSession, MapperSource, Message } from './engine.ts';

/** What of a database is used here and by the mapper, and what its thread does besides. */
export interface DatabaseClient extends MapperSource {
  /** statements without parameters, one after the other */
  readonly exec: (text: string) => Promise<unknown>;
  readonly close: () => Promise<void>;
  /** a backup as its gzipped bytes, written no faster than it is read */
  readonly backup: (plan: BackupPlan) => Readable;
  /** whether other processes may have it open too */
  readonly isShared: boolean;
  /** shortens the log now, where the database does not do so of itself */
  readonly checkpoint: () => Promise<void>;
  /**
   * Does something unless another process that shares the database, or this one, is at the same; the key says
   * what. Resolves to whether it was done. What a process that ends was at is free again.
   */
  readonly runExclusive: (key: string, act: () => Promise<void>) => Promise<boolean>;
  /** sends a message to every process that shares the database, this one too */
  readonly publish: (topic: string, text: string) => Promise<void>;
  /** hands on every message of a topic from now on; returns what ends that */
  readonly subscribe: (topic: string, on: (text: string) => void) => () => void;
}

/** How often a transaction that PostgreSQL broke off for another's sake is begun anew. */
const MOST_TURNS = 6;
/** Longest rest before the first of these, ms; twice that before the next, and so on. */
const TURN_MS = 20;

/**
 * Whether PostgreSQL broke a transaction off for another's sake, so that it can be begun anew:
 * serialization_failure, deadlock_detected.
 */
const isRetryable = (error: unknown): boolean =>
  [...causesOf(error)].some(({ code }) => code === '40001' || code === '40P01');

/**
 * Opens a database in a thread of its own: the embedded one of a folder, or one on a server. Rejects with the
 * database's own words when it cannot be opened. A transaction that PostgreSQL broke off for another's sake
 * is begun anew: what is handed in may run more than once.
 */
export async function openClient(place: DatabasePlace): Promise<DatabaseClient> {
  const subscribers = new Set<{ readonly topic: string; readonly on: (text: string) => void }>();
  const onMessage = ({ topic, text }: Message): void => {
    for (const one of subscribers) if (one.topic === topic) one.on(text);
  };
  const { connection, askOf, ask, close } = await openConnections(place, onMessage);
  const isShared = 'url' in place;
  const claimed = new Set<string>();
  let transactions = 0;
  let backups = 0;
  const session = (
    asked: (order: Wanted) => Promise<unknown>,
    transaction?: number,
  ): MapperSession & Pick<DatabaseClient, 'exec'> => ({
    query: async <T>(text: string, params: unknown[] = [], options: { rowMode?: 'array' | 'object' } = {}) =>
      (await asked({
        act: 'query',
        text,
        params,
        rowMode: options.rowMode ?? 'object',
        transaction,
      })) as Results<T>,
    exec: (text) => asked({ act: 'exec', text, transaction }),
  });
  const once = async <T>(act: (tx: MapperSession) => Promise<T>): Promise<T> => {
    const transaction = ++transactions;
    await ask({ act: 'begin', transaction });
    // All of it on the connection it was begun on: what another one has is another transaction.
    const one = await connection();
    const within = (order: Wanted) => askOf(one, order);
    let value: T;
    try {
      const inside = session(within, transaction);
      // The mapper's migrations ask whatever they are given for a transaction: here it is this one.
      const tx: MapperSource = { ...inside, transaction: (more) => more(tx) };
      value = await act(tx);
    } catch (error) {
      await within({ act: 'rollback', transaction }).catch(() => undefined);
      throw error;
    }
    await within({ act: 'commit', transaction });
    return value;
  };
  return {
    ...session(ask),
    isShared,
    transaction: async <T>(act: (tx: MapperSession) => Promise<T>): Promise<T> => {
      for (let turn = 1; ; turn++) {
        try {
          return await once(act);
        } catch (error) {
          if (turn === MOST_TURNS || !isRetryable(error)) throw error;
          // Not all at once again.
          await rest(Math.random() * TURN_MS * 2 ** (turn - 1));
        }
      }
    },
    checkpoint: async () => {
      await ask({ act: 'checkpoint' });
    },
    runExclusive: async (key, act) => {
      // Within this process first: over its one connection it would be given what it has.
      if (claimed.has(key)) return false;
      claimed.add(key);
      try {
        if (isShared && !(await ask({ act: 'claim', key }))) return false;
        try {
          await act();
        } finally {
          // With its connection the claim is gone too.
          if (isShared) await ask({ act: 'release', key }).catch(() => undefined);
        }
        return true;
      } finally {
        claimed.delete(key);
      }
    },
    publish: async (topic, text) => {
      if (isShared) await ask({ act: 'publish', message: { topic, text } });
      else onMessage({ topic, text });
    },
    subscribe: (topic, on) => {
      const one = { topic, on };
      subscribers.add(one);
      return () => {
        subscribers.delete(one);
      };
    },
    backup: (plan) => {
      const backup = ++backups;
      // All of it from the connection it was begun on: another one knows nothing of it.
      const begun = (async () => {
        const one = await connection();
        await one.ask({ act: 'backup', backup, plan });
        return one;
      })();
      // Message to whoever reads.
      begun.catch(() => undefined);
      return new Readable({
        read() {
          begun
            .then((one) => askOf(one, { act: 'backup-more', backup }))
            .then((some) => this.push(some === undefined ? null : Buffer.from(some as Uint8Array)))
            .catch((error: unknown) => this.destroy(error as Error));
        },
        destroy(error, done) {
          begun
            .then((one) => one.ask({ act: 'backup-end', backup }))
            .catch(() => {
              // A connection that is gone has taken it along.
            })
            .finally(() => done(error));
        },
      });
    },
    close,
  };
}
