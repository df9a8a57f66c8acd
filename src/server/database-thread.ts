/**
 * The embedded database in a thread of its own: however long a statement takes, the server goes on answering
 * and can be stopped.
 */
import { parentPort, workerData } from 'node:worker_threads';
import type { Readable } from 'node:stream';
import { PGlite } from '@electric-sql/pglite';
import { openCheckpoints } from './checkpoints.ts';
import type { BackupPlan } from './backup-stream.ts';
import type { Answer, DatabaseThreadData, Order, ThreadFailure } from './database-client.ts';
import { inParts } from './answer-parts.ts';
import { DURABLE_START, DurableFS } from './durable-fs.ts';

/** Types that the mapper wants as the database writes them: times, dates and intervals, and lists of them. */
const AS_TEXT = [1114, 1184, 1186, 1082, 1231, 1115, 1185, 1187, 1182];
const parsers = Object.fromEntries(AS_TEXT.map((type) => [type, (value: string) => value]));

const port = parentPort;
if (!port) throw new Error('This is the program of a thread, and is not started by itself.');

const { path, program } = workerData as DatabaseThreadData;
const client = await PGlite.create({
  fs: new DurableFS(path),
  startParams: DURABLE_START,
  wasmModule: program,
});
const checkpoints = openCheckpoints(client);

type Session = Pick<PGlite, 'query' | 'exec'>;
/** Transactions that are open: where their statements go, and how they end. */
const open = new Map<
  number,
  { readonly session: Session; readonly end: (commits: boolean) => Promise<void> }
>();

/** Ends a transaction without keeping it. */
class RolledBack extends Error {}

function begin(id: number): Promise<void> {
  return new Promise((begun, failed) => {
    const whole = client.transaction(async (session) => {
      await new Promise<void>((commit, rollBack) => {
        open.set(id, {
          session,
          end: async (commits) => {
            open.delete(id);
            if (commits) commit();
            else rollBack(new RolledBack());
            await whole.catch((error: unknown) => {
              if (commits || !(error instanceof RolledBack)) throw error;
            });
          },
        });
        begun();
      });
    });
    whole.catch(failed);
  });
}

/** Backups that are being written, by their numbers. */
const backups = new Map<number, { readonly stream: Readable; readonly bytes: AsyncIterator<Buffer> }>();

async function beginBackup(id: number, plan: BackupPlan): Promise<void> {
  // Most starts never want it.
  const { backupStream } = await import('./backup-stream.ts');
  const stream = backupStream(client, plan);
  backups.set(id, { stream, bytes: stream[Symbol.asyncIterator]() as AsyncIterator<Buffer> });
}

/** The next bytes of a backup; nothing when all of it was given. */
async function moreOf(id: number): Promise<Uint8Array | undefined> {
  const next = await backups
    .get(id)
    ?.bytes.next()
    .catch((error: unknown) => {
      // What the database said, and not which of the mapper's statements it said it of.
      throw (error as Error).cause ?? error;
    });
  // A copy: what it is cut from would go over whole.
  return next && !next.done ? Uint8Array.from(next.value) : undefined;
}

function endBackup(id: number): void {
  backups.get(id)?.stream.destroy();
  backups.delete(id);
}

async function act(order: Order): Promise<unknown> {
  const inside = order.transaction === undefined ? undefined : open.get(order.transaction);
  if (order.transaction !== undefined && order.act !== 'begin' && !inside)
    throw new Error('This transaction has ended.');
  const session: Session = inside?.session ?? client;
  switch (order.act) {
    case 'query':
      return session.query(order.text, [...order.params], { rowMode: order.rowMode, parsers });
    case 'exec':
      return session.exec(order.text);
    case 'begin':
      return begin(order.transaction);
    case 'commit':
      return inside?.end(true);
    case 'rollback':
      return inside?.end(false);
    case 'backup':
      return beginBackup(order.backup, order.plan);
    case 'backup-more':
      return moreOf(order.backup);
    case 'backup-end':
      return endBackup(order.backup);
    case 'close':
      checkpoints.end();
      return client.close();
  }
}

/** What can have written to the log by itself; what stands in a transaction has when that ends. */
const WRITES: ReadonlySet<Order['act']> = new Set(['query', 'exec']);

/** A failure with what its name, code and number tell, which a copy between threads would drop. */
const plain = (error: unknown): ThreadFailure => {
  const { name, message, code, errno, detail, stack } = error as Partial<ThreadFailure>;
  return { name, message: String(message ?? error), code, errno, detail, stack };
};

port.on('message', (order: Order) => {
  act(order)
    .then(
      (value): Answer => ({ id: order.id, value }),
      (error: unknown): Answer => ({ id: order.id, failure: plain(error) }),
    )
    .then((answer) => {
      for (const part of inParts(answer)) port.postMessage(part);
      if (order.act === 'close') port.close();
      else if (order.act === 'commit' || (order.transaction === undefined && WRITES.has(order.act)))
        checkpoints.touched();
    })
    .catch((error: unknown) => {
      port.postMessage({ id: order.id, failure: plain(error) } satisfies Answer);
    });
});
port.postMessage({ id: 0, value: undefined } satisfies Answer);
