import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { PGlite, Results, Transaction } from '@electric-sql/pglite';

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
  | { readonly act: 'commit' | 'rollback' | 'close' }
);

/** A failure in the thread, as plain data. */
export interface ThreadFailure {
  readonly name: string | undefined;
  readonly message: string;
  readonly code: string | undefined;
  readonly errno: number | undefined;
  readonly detail: string | undefined;
  readonly stack: string | undefined;
}

/** What comes back; number 0 says that the database is open. */
export type Answer = { readonly id: number } & (
  { readonly value: unknown } | { readonly failure: ThreadFailure }
);

/** What of the embedded database is used here, and by the mapper. */
export type DatabaseClient = Pick<PGlite, 'query' | 'exec' | 'transaction' | 'close'>;

type Wanted = Order extends infer O ? (O extends Order ? Omit<O, 'id'> : never) : never;

/** A file of the built program: beside this one, or where a server run from its sources finds it. */
function built(name: string): string {
  const places = [`./${name}`, `../../dist/node/${name}`].map((place) =>
    fileURLToPath(new URL(place, import.meta.url)),
  );
  const found = places.find((place) => existsSync(place));
  if (!found)
    throw new Error('The program of the database is not built yet. Run npm start, which builds it.');
  return found;
}

/**
 * Opens the embedded database of a folder in a thread of its own; where there is none it begins as the empty shop that was made when the program
 * was built. Rejects with the database's own words when
 * it cannot be opened. `ended` is called if the thread ends without having been asked to; every statement fails from then on.
 */
export async function openClient(path: string, ended?: (reason: Error) => void): Promise<DatabaseClient> {
  const waiting = new Map<number, { resolve: (value: unknown) => void; reject: (reason: unknown) => void }>();
  let [count, transactions] = [0, 0];
  let gone: Error | undefined;
  let isClosing = false;
  const thread = new Worker(built('database.js'), {
    workerData: {
      path,
      ...(existsSync(join(path, 'PG_VERSION')) ? {} : { template: built('empty-shop.tar.gz') }),
    },
  });
  const begun = new Promise<unknown>((resolve, reject) => waiting.set(0, { resolve, reject }));
  const fail = (reason: Error): void => {
    if (gone) return;
    gone = reason;
    const isOpening = waiting.has(0);
    for (const { reject } of waiting.values()) reject(reason);
    waiting.clear();
    if (!isClosing && !isOpening) ended?.(reason);
  };
  thread.on('message', (answer: Answer) => {
    const asked = waiting.get(answer.id);
    waiting.delete(answer.id);
    if ('failure' in answer) asked?.reject(revived(answer.failure));
    else asked?.resolve(answer.value);
  });
  thread.on('error', (error) => fail(error));
  thread.on('exit', (code) => fail(new Error(`The database has ended (${code}).`)));

  const ask = (order: Wanted): Promise<unknown> => {
    if (gone) return Promise.reject(gone);
    const id = ++count;
    return new Promise((resolve, reject) => {
      waiting.set(id, { resolve, reject });
      try {
        thread.postMessage({ ...order, id });
      } catch (error) {
        waiting.delete(id);
        reject(error as Error);
      }
    });
  };
  const session = (transaction?: number): Pick<PGlite, 'query' | 'exec'> => ({
    query: async <T>(text: string, params: unknown[] = [], options: { rowMode?: 'array' | 'object' } = {}) =>
      (await ask({
        act: 'query',
        text,
        params,
        rowMode: options.rowMode ?? 'object',
        transaction,
      })) as Results<T>,
    exec: async (text) => (await ask({ act: 'exec', text, transaction })) as Results[],
  });
  await begun;
  return {
    ...session(),
    transaction: async <T>(act: (tx: Transaction) => Promise<T>): Promise<T> => {
      const transaction = ++transactions;
      await ask({ act: 'begin', transaction });
      let value: T;
      try {
        value = await act(session(transaction) as Transaction);
      } catch (error) {
        await ask({ act: 'rollback', transaction }).catch(() => undefined);
        throw error;
      }
      await ask({ act: 'commit', transaction });
      return value;
    },
    close: async () => {
      if (gone) return;
      isClosing = true;
      await ask({ act: 'close' }).catch((error: unknown) => {
        // A thread that ends with its last answer has closed.
        if (!gone) throw error;
      });
      await thread.terminate();
    },
  };
}

const revived = ({ message, ...rest }: ThreadFailure): Error => Object.assign(new Error(message), rest);
