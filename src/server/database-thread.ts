/**
 * The database in a thread of its own: however long a statement of the embedded one takes, the server goes on
 * answering and can be stopped; and rows of a backup do not pass through the server's memory.
 */
import { parentPort, workerData } from 'node:worker_threads';
import type { Readable } from 'node:stream';
import type { BackupPlan } from './backup-stream.ts';
import type {
  Answer,
  DatabaseThreadData,
  Order,
  ThreadFailure,
  MessageAnswer,
} from './database-connection.ts';
import { inParts } from './answer-parts.ts';
import type { Engine, EngineSession, EngineTransaction, Message } from './engine.ts';

const port = parentPort;
if (!port) throw new Error('This is the program of a thread, and is not started by itself.');

/** Passes on the messages of other processes, and of this one. */
const onMessage = (message: Message): void => port.postMessage({ message } satisfies MessageAnswer);

/** The engine that is wanted: each is read in only where it is. */
async function opened(data: DatabaseThreadData): Promise<Engine> {
  if ('url' in data) {
    const { openPostgres } = await import('./postgres-engine.ts');
    return openPostgres(data.url, data.connections, onMessage);
  }
  const { openEmbedded } = await import('./embedded-engine.ts');
  return openEmbedded(data.path, data.program);
}

const engine = await opened(workerData as DatabaseThreadData);

/** Transactions that are open: where their statements go, and how they end. */
const open = new Map<number, EngineTransaction>();

async function begin(id: number): Promise<void> {
  open.set(id, await engine.begin());
}

async function end(id: number | undefined, commits: boolean): Promise<void> {
  if (id === undefined) return;
  const transaction = open.get(id);
  open.delete(id);
  await transaction?.end(commits);
}

/** Backups that are being written, by their numbers. */
const backups = new Map<
  number,
  { readonly stream: Readable; readonly bytes: AsyncIterator<Buffer>; readonly end: () => Promise<void> }
>();

async function beginBackup(id: number, plan: BackupPlan): Promise<void> {
  // Most starts never want it.
  const { backupStream } = await import('./backup-stream.ts');
  const { source, end: letGo } = await engine.source();
  const stream = backupStream(source, plan);
  backups.set(id, { stream, bytes: stream[Symbol.asyncIterator]() as AsyncIterator<Buffer>, end: letGo });
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

async function endBackup(id: number): Promise<void> {
  const backup = backups.get(id);
  backups.delete(id);
  backup?.stream.destroy();
  await backup?.end();
}

async function act(order: Order): Promise<unknown> {
  const inside = order.transaction === undefined ? undefined : open.get(order.transaction);
  if (order.transaction !== undefined && order.act !== 'begin' && !inside)
    throw new Error('This transaction has ended.');
  const session: EngineSession = inside ?? engine;
  switch (order.act) {
    case 'query':
      return session.query(order.text, order.params, order.rowMode);
    case 'exec':
      return session.exec(order.text);
    case 'begin':
      return begin(order.transaction);
    case 'commit':
      return end(order.transaction, true);
    case 'rollback':
      return end(order.transaction, false);
    case 'backup':
      return beginBackup(order.backup, order.plan);
    case 'backup-more':
      return moreOf(order.backup);
    case 'backup-end':
      return endBackup(order.backup);
    case 'checkpoint':
      return engine.checkpoint();
    case 'claim':
      return engine.shared?.claim(order.key);
    case 'release':
      return engine.shared?.release(order.key);
    case 'publish':
      return engine.shared?.publish(order.message);
    case 'close':
      return engine.close();
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
        engine.touched();
    })
    .catch((error: unknown) => {
      port.postMessage({ id: order.id, failure: plain(error) } satisfies Answer);
    });
});
port.postMessage({ id: 0, value: undefined } satisfies Answer);
