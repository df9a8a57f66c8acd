import type { PGlite } from '@electric-sql/pglite';

/**
 * Bytes of write-ahead log after which it is checkpointed: the embedded database has no process that does so
 * of itself.
 */
export const CHECKPOINT_BYTES = 16 * 2 ** 20;
/** Shortest time between two looks at the log while statements follow each other, ms. */
const LOOK_MS = 250;
/**
 * Rest after which whatever was written is checkpointed, ms: a start after a crash then has nothing to
 * replay.
 */
const REST_MS = 30_000;

/** Checkpoints of an embedded database, by volume and at rest. */
export interface Checkpoints {
  /** to be called after every statement and every transaction that came to its end */
  readonly touched: () => void;
  readonly end: () => void;
}

/**
 * Keeps the write-ahead log of an embedded database short, so that it neither fills the disk nor makes a
 * start after a crash long: a checkpoint after 16 MiB, and one when nothing was asked for half a minute. A
 * checkpoint that fails, on a full disk say, is tried again with the next statement; nothing is lost, since
 * the log is kept until then.
 */
export function openCheckpoints(client: Pick<PGlite, 'query' | 'exec'>): Checkpoints {
  let lookedAt = 0;
  let running: Promise<void> | undefined;
  let timer: NodeJS.Timeout | undefined;
  const settle = (least: number): void => {
    running ??= (async () => {
      const { rows } = await client.query<{ bytes: number }>(
        'select pg_wal_lsn_diff(pg_current_wal_lsn(), redo_lsn)::float8 as bytes from pg_control_checkpoint()',
      );
      if ((rows[0]?.bytes ?? 0) >= least) await client.exec('checkpoint');
    })()
      .catch(() => {
        // The database says so to whoever asks next.
      })
      .finally(() => {
        running = undefined;
      });
  };
  return {
    touched: () => {
      clearTimeout(timer);
      // A checkpoint leaves a record of its own, which is no reason for another.
      timer = setTimeout(() => settle(4096), REST_MS);
      timer.unref();
      const now = Date.now();
      if (now - lookedAt < LOOK_MS) return;
      lookedAt = now;
      settle(CHECKPOINT_BYTES);
    },
    end: () => clearTimeout(timer),
  };
}
