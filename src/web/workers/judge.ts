import { messageOf } from '../../core/kind/index.ts';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import type { JudgeService } from './judge.worker.ts';

const remotes = new Map<'now' | 'later', Remote<JudgeService>>();

/**
 * A worker that computes for this page. What follows the hand goes to the one for `now`; what may come a
 * moment after it, such as the metals and a ranking, to the one for `later`, so that neither waits for the
 * other.
 */
export function judgeWorker(when: 'now' | 'later'): Remote<JudgeService> {
  let remote = remotes.get(when);
  if (!remote) {
    remote = wrap<JudgeService>(
      new Worker(new URL('./judge.worker.ts', import.meta.url), { type: 'module' }),
    );
    remotes.set(when, remote);
  }
  return remote;
}

/**
 * Runs the newest job only. While one is under way, later requests replace each other, so a drag never queues
 * up work: when the worker comes back it gets the latest state and nothing in between.
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

/** What a worker makes of a screen’s newest input. */
export interface Judging<I, O> {
  /** newest result; undefined until the first */
  readonly output: O | undefined;
  /** what it is the result of */
  readonly for: I | undefined;
  readonly error: string;
  /** asks at once for something that is not the input, such as a state in the middle of a drag */
  readonly ask: (input: I) => void;
}

/**
 * Results of a worker job for an input that keeps changing, the newest only. `input` undefined asks nothing.
 */
export function useJudged<I, O>(input: I | undefined, run: (input: I) => Promise<O>): Judging<I, O> {
  const [state, setState] = useState<Omit<Judging<I, O>, 'ask'>>({
    output: undefined,
    for: undefined,
    error: '',
  });
  const newest = useRef<((input: I) => void) | undefined>(undefined);
  useEffect(() => {
    let alive = true;
    newest.current = newestOnly<I, O>(
      run,
      (output, given) => alive && setState({ output, for: given, error: '' }),
      (error) => alive && setState((now) => ({ ...now, error: messageOf(error) })),
    );
    return () => {
      alive = false;
    };
  }, [run]);
  useEffect(() => {
    if (input !== undefined) newest.current?.(input);
  }, [input, run]);
  const ask = useCallback((next: I) => newest.current?.(next), []);
  return { ...state, ask };
}
