import { useEffect, useRef, useState } from 'react';
import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import type { JudgeService } from './judge.worker.ts';

let remote: Remote<JudgeService> | undefined;

/** The worker that does all heavy computing of this page. */
export function judgeWorker(): Remote<JudgeService> {
  remote ??= wrap<JudgeService>(
    new Worker(new URL('./judge.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}

/**
 * Runs the newest job only. While one is under way, later requests replace each other, so a drag never queues up work:
 * when the worker comes back it gets the latest state and nothing in between.
 */
export function newestOnly<I, O>(
  run: (input: I) => Promise<O>,
  deliver: (output: O, input: I) => void,
  fail: (error: unknown) => void,
) {
  let running = false;
  let waiting: { input: I } | undefined;
  const next = async (): Promise<void> => {
    running = true;
    while (waiting) {
      const { input } = waiting;
      waiting = undefined;
      try {
        const output = await run(input);
        deliver(output, input);
      } catch (error) {
        fail(error);
      }
    }
    running = false;
  };
  return (input: I) => {
    waiting = { input };
    if (!running) void next();
  };
}

/** Newest result of a worker job for an input that keeps changing; undefined until the first. `input` undefined asks nothing. */
export function useJudged<I, O>(
  input: I | undefined,
  run: (input: I) => Promise<O>,
): { output: O | undefined; for: I | undefined; error: string } {
  const [state, setState] = useState<{ output: O | undefined; for: I | undefined; error: string }>({
    output: undefined,
    for: undefined,
    error: '',
  });
  const ask = useRef<((input: I) => void) | undefined>(undefined);
  useEffect(() => {
    let alive = true;
    ask.current = newestOnly<I, O>(
      run,
      (output, given) => alive && setState({ output, for: given, error: '' }),
      (error) => alive && setState((now) => ({ ...now, error: String((error as Error).message ?? error) })),
    );
    return () => {
      alive = false;
    };
  }, [run]);
  useEffect(() => {
    if (input !== undefined) ask.current?.(input);
  }, [input, run]);
  return state;
}
