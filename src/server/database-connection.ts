import { existsSync, statfsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { Results } from '@electric-sql/pglite';
import type { BackupPlan } from './backup-stream.ts';
import type { Message } from './engine.ts';

/** What the thread of the database is asked for. Statements of a transaction carry its number. */
export type Order = { readonly id: number; readonly transaction?: number | undefined } & (
  | {
      readonly act: 'query';
      readonly text: string;
      readonly params: readonly unknown[];
      readonly rowMode: 'array' | 'object';
    }
  | { readonly act: 'exec'; readonly text: string }
  | { readonly act: 'begin'; readonly transaction: number }
  | { readonly act: 'backup'; readonly backup: number; readonly plan: BackupPlan }
  | { readonly act: 'backup-more' | 'backup-end'; readonly backup: number }
  | { readonly act: 'claim' | 'release'; readonly key: string }
  | { readonly act: 'publish'; readonly message: Message }
  | { readonly act: 'commit' | 'rollback' | 'checkpoint' | 'close' }
);

/**
 * What the thread is started with: the embedded database's folder and its program, or a server's address and
 * the most connections to it at once.
 */
export type DatabaseThreadData =
  | { readonly path: string; readonly program: WebAssembly.Module }
  | { readonly url: string; readonly connections: number };

/** Where a database is: the folder of an embedded one, or a PostgreSQL server. */
export type DatabasePlace =
  | { readonly path: string }
  | { readonly url: string; readonly connections: number };

/** A failure in the thread, as plain data. */
export interface ThreadFailure {
  readonly name: string | undefined;
  readonly message: string;
  readonly code: string | undefined;
  readonly errno: number | undefined;
  readonly detail: string | undefined;
  readonly stack: string | undefined;
}

/**
 * What comes back; number 0 says that the database is open. Many rows come some at a time, before the value
 * that they belong to.
 */
export type Answer = { readonly id: number } & (
  | { readonly some: readonly unknown[] }
  | { readonly value: unknown }
  | { readonly failure: ThreadFailure }
);

/** A message of another process, or of this one: no answer to anything. */
export interface MessageAnswer {
  readonly message: Message;
}

/** An order that has no number yet. */
export type Wanted = Order extends infer O ? (O extends Order ? Omit<O, 'id'> : never) : never;

/**
 * A file or folder of the built program: beside this one, or where a server run from its sources finds it.
 */
export function built(name: string): string {
  const places = [`./${name}`, `../../dist/node/${name}`].map((place) =>
    fileURLToPath(new URL(place, import.meta.url)),
  );
  const found = places.find((place) => existsSync(place));
  if (!found)
    throw new Error('The program of the database is not built yet. Run npm start, which builds it.');
  return found;
}

/**
 * The database's program, compiled once in this process: a second thread of it, for a backup that is given
 * back say, takes over what the first has made of it.
 */
const program = (() => {
  let compiled: Promise<WebAssembly.Module> | undefined;
  return () =>
    (compiled ??= readFile(
      join(dirname(createRequire(import.meta.url).resolve('@electric-sql/pglite')), 'pglite.wasm'),
    ).then((bytes) => WebAssembly.compile(bytes)));
})();

/** Shortest time between two attempts to open a database anew, ms. */
const AGAIN_MS = 2_000;
/**
 * Room on the disk below which the database cannot be opened, bytes: it begins a new piece of its log, of 16
 * MiB, and wants as much again.
 */
const LEAST_ROOM = 32 * 2 ** 20;

/** One thread with the database open in it. */
export interface Connection {
  readonly ask: (order: Wanted) => Promise<unknown>;
  /** why nothing can be asked of it any more */
  readonly lost: () => Error | undefined;
  readonly end: (isOrderly: boolean) => Promise<void>;
}

/**
 * Whether a failure says that nothing more is to be had of the session it came from: a statement broke off
 * where none can.
 */
const breaks = (error: unknown): boolean => {
  const { code, name } = error as { code?: unknown; name?: unknown };
  // PostgreSQL's invalid_cursor_state, which here only a statement that was never ended can be the reason of;
  // and a trap of the runtime.
  return code === '24000' || name === 'RuntimeError';
};

/**
 * Opens a database in a thread. Rejects with the database's own words, or with ENOSPC where the disk is why.
 */
async function connect(place: DatabasePlace, onMessage: (message: Message) => void): Promise<Connection> {
  const waiting = new Map<
    number,
    { resolve: (value: unknown) => void; reject: (reason: unknown) => void; rows?: unknown[] }
  >();
  let count = 0;
  let gone: Error | undefined;
  const thread = new Worker(built('database.js'), {
    workerData: ('url' in place
      ? place
      : { path: place.path, program: await program() }) satisfies DatabaseThreadData,
  });
  const fail = (reason: Error): void => {
    gone ??= reason;
    for (const { reject } of waiting.values()) reject(gone);
    waiting.clear();
  };
  const begun = new Promise<unknown>((resolve, reject) => waiting.set(0, { resolve, reject }));
  thread.on('message', (answer: Answer | MessageAnswer) => {
    if ('message' in answer) {
      onMessage(answer.message);
      return;
    }
    const asked = waiting.get(answer.id);
    if ('some' in answer) {
      if (asked) (asked.rows ??= []).push(...answer.some);
      return;
    }
    waiting.delete(answer.id);
    if ('failure' in answer) asked?.reject(revived(answer.failure));
    else asked?.resolve(asked.rows ? { ...(answer.value as Results), rows: asked.rows } : answer.value);
  });
  thread.on('error', fail);
  thread.on('exit', (code) => fail(new Error(`The database has ended (${code}).`)));
  await begun.catch((error: unknown) => {
    if ('url' in place) throw error;
    const { bavail, bsize } = statfsSync(dirname(place.path));
    if (bavail * bsize >= LEAST_ROOM) throw error;
    throw Object.assign(new Error('There is no room on the disk for the database.', { cause: error }), {
      code: 'ENOSPC',
    });
  });
  const ask = (order: Wanted): Promise<unknown> =>
    new Promise((resolve, reject) => {
      if (gone) {
        reject(gone);
        return;
      }
      const id = ++count;
      waiting.set(id, { resolve, reject });
      thread.postMessage({ ...order, id });
    });
  return {
    ask,
    lost: () => gone,
    end: async (isOrderly) => {
      // A thread that ends with its last answer has closed.
      if (isOrderly)
        await ask({ act: 'close' }).catch((error: unknown) => {
          if (!gone) throw error;
        });
      fail(new Error('The database is closed.'));
      await thread.terminate();
    },
  };
}

/** The connection to a database, made anew when it is lost. */
export interface Connections {
  /** the one there is, or a new one */
  readonly connection: () => Promise<Connection>;
  /** asks one connection; one that turns out broken is not asked again */
  readonly askOf: (one: Connection, order: Wanted) => Promise<unknown>;
  /** asks whichever there is; what a broken one refused before it began is asked anew */
  readonly ask: (order: Wanted) => Promise<unknown>;
  readonly close: () => Promise<void>;
}

/**
 * Opens a database in a thread of its own: the embedded one of a folder, or one on a server. Rejects with the
 * database's own words when it cannot be opened. A session that broke, for want of room on the disk above
 * all, is let go and the database opened anew for whoever asks next: everything that was answered for is in
 * its log. Until that succeeds every statement fails with the reason. `onMessage` hears what processes tell
 * each other.
 */
export async function openConnections(
  place: DatabasePlace,
  onMessage: (message: Message) => void,
): Promise<Connections> {
  let current: Connection | undefined = await connect(place, onMessage);
  let opening: Promise<Connection> | undefined;
  let refusal: { readonly at: number; readonly reason: unknown } | undefined;
  let isClosed = false;

  const connection = async (): Promise<Connection> => {
    if (current && !current.lost()) return current;
    if (isClosed) throw new Error('The database is closed.');
    if (refusal && Date.now() - refusal.at < AGAIN_MS) throw refusal.reason;
    opening ??= (async () => {
      await current?.end(false);
      current = undefined;
      current = await connect(place, onMessage);
      refusal = undefined;
      return current;
    })()
      .catch((reason: unknown) => {
        refusal = { at: Date.now(), reason };
        throw reason;
      })
      .finally(() => {
        opening = undefined;
      });
    return opening;
  };
  const askOf = async (one: Connection, order: Wanted): Promise<unknown> => {
    try {
      return await one.ask(order);
    } catch (error) {
      if (breaks(error)) await one.end(false);
      throw error;
    }
  };
  const ask = async (order: Wanted): Promise<unknown> => {
    const one = await connection();
    try {
      return await askOf(one, order);
    } catch (error) {
      if ((error as { code?: unknown }).code !== '24000') throw error;
      return askOf(await connection(), order);
    }
  };
  return {
    connection,
    askOf,
    ask,
    close: async () => {
      isClosed = true;
      await current?.end(!current.lost());
    },
  };
}

const revived = ({ message, ...rest }: ThreadFailure): Error => Object.assign(new Error(message), rest);
