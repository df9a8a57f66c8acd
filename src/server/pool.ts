import { availableParallelism } from 'node:os';
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import PQueue from 'p-queue';
import { Piscina } from 'piscina';
import { HttpProblem } from './problem.ts';
import type { Work } from './work.ts';

/** Most memory one thread may hold, MB: a file made to fill it ends that thread, not the server. */
const MOST_MB = 1024;
/** Orders of one lane that wait at most: more are refused for a while rather than kept. */
const MOST_WAITING = 500;
/** Threads for figures: one more than is made anew in, so that a save never waits for that. */
const FIGURE_THREADS = Math.max(2, availableParallelism() - 1);
/** Figures made anew at once. */
export const ANEW_AT_ONCE = FIGURE_THREADS - 1;

type Done<K extends keyof Work> = Awaited<ReturnType<Work[K]>>;

/** How a piece of work is asked for. */
export interface Asked {
  /** longest it may take from when it begins, s; what it waits before does not count */
  readonly seconds: number;
  /** stops it, for whoever has gone away */
  readonly signal?: AbortSignal | undefined;
  /** whether somebody waits for it; what nobody waits for comes after all that is waited for */
  readonly isAwaited?: boolean;
}

/**
 * Threads that compute while the server goes on answering. Figures and files have a lane each, so that
 * neither waits for the other.
 */
export interface Pool {
  /**
   * Has work done in a thread. Refused with 503 after `seconds` of work, or when too much waits; with 413
   * when it needs more memory than a thread has.
   */
  run<K extends keyof Work>(task: K, given: Parameters<Work[K]>, asked: Asked): Promise<Done<K>>;
  close(): Promise<void>;
}

/** The thread's program as built: beside this file, or where a server run from its sources finds it. */
function program(): string {
  const places = ['./work.js', '../../dist/node/work.js'].map((place) =>
    fileURLToPath(new URL(place, import.meta.url)),
  );
  const found = places.find((place) => existsSync(place));
  if (!found) throw new Error('The program of the threads is not built yet. Run npm start, which builds it.');
  return found;
}

/**
 * Threads of one lane and what waits for them. Work is handed to a thread only when one is free, so that its
 * time counts from there.
 */
function openLane(maxThreads: number, minThreads: number) {
  const threads = new Piscina({
    filename: program(),
    maxThreads,
    minThreads,
    idleTimeout: 30_000,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
  });
  return { threads, queue: new PQueue({ concurrency: maxThreads }) };
}

/** Returns threads for figures and files, each in a lane of its own. */
export function openPool(): Pool {
  const figures = openLane(FIGURE_THREADS, 1);
  const files = openLane(1, 0);
  return {
    run: async <K extends keyof Work>(
      task: K,
      given: Parameters<Work[K]>,
      { seconds, signal, isAwaited = true }: Asked,
    ): Promise<Done<K>> => {
      const { threads, queue } = task === 'summaries' ? figures : files;
      if (queue.size >= MOST_WAITING)
        throw new HttpProblem(503, 'Busy', 'Too much is waiting to be computed. Try again in a moment.');
      const done = await queue.add(
        async (): Promise<Done<K>> => {
          const late = AbortSignal.timeout(Math.ceil(seconds * 1000));
          try {
            return (await threads.run(
              { task, given },
              { name: 'work', signal: signal ? AbortSignal.any([late, signal]) : late },
            )) as Done<K>;
          } catch (error) {
            throw told(error, late.aborted, seconds);
          }
        },
        { priority: isAwaited ? 1 : 0, ...(signal ? { signal } : {}) },
      );
      return done as Done<K>;
    },
    close: async () => {
      figures.queue.clear();
      files.queue.clear();
      await Promise.all([figures.threads.destroy(), files.threads.destroy()]);
    },
  };
}

function told(error: unknown, isLate: boolean, seconds: number): unknown {
  const { code } = error as { code?: string };
  if (code === 'ERR_WORKER_OUT_OF_MEMORY')
    return new HttpProblem(
      413,
      'Too large',
      'This needs more memory than there is for it. Send less at once.',
    );
  if (isLate)
    return new HttpProblem(
      503,
      'Took too long',
      `This was not done within ${seconds} seconds and was stopped. Nothing was changed. Send ` +
        'less at once, or simpler heads.',
    );
  return error;
}
