import { availableParallelism } from 'node:os';
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import { HttpProblem } from './problem.ts';
import type { Work } from './work.ts';

/** Most memory one thread may hold, MB: a file made to fill it ends that thread, not the server. */
const MOST_MB = 1024;
/** Orders that wait at most: more are refused for a while rather than kept. */
const MOST_WAITING = 500;

type Done<K extends keyof Work> = Awaited<ReturnType<Work[K]>>;

/** Threads that compute while the server goes on answering. */
export interface Pool {
  /**
   * Has work done in a thread. Refused with 503 after `seconds`, or when too much waits; with 413 when it needs more memory than a thread has.
   * `signal` stops it, for whoever has gone away.
   */
  run<K extends keyof Work>(
    task: K,
    given: Parameters<Work[K]>,
    seconds: number,
    signal?: AbortSignal,
  ): Promise<Done<K>>;
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

export function openPool(): Pool {
  const threads = new Piscina({
    filename: program(),
    // One is left to the event loop.
    maxThreads: Math.max(1, availableParallelism() - 1),
    minThreads: 1,
    idleTimeout: 30_000,
    maxQueue: MOST_WAITING,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
  });
  return {
    run: async <K extends keyof Work>(
      task: K,
      given: Parameters<Work[K]>,
      seconds: number,
      signal?: AbortSignal,
    ): Promise<Done<K>> => {
      const late = AbortSignal.timeout(seconds * 1000);
      try {
        return (await threads.run(
          { task, given },
          { name: 'work', signal: signal ? AbortSignal.any([late, signal]) : late },
        )) as Done<K>;
      } catch (error) {
        throw told(error, late.aborted, seconds);
      }
    },
    close: () => threads.destroy(),
  };
}

function told(error: unknown, isLate: boolean, seconds: number): unknown {
  const { code, message = '' } = error as { code?: string; message?: string };
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
      `This was not done within ${seconds} seconds and was stopped. Nothing was changed. Send less at once, or simpler heads.`,
    );
  if (/queue is at limit/i.test(message))
    return new HttpProblem(503, 'Busy', 'Too much is waiting to be computed. Try again in a moment.');
  return error;
}
