import { messageOf } from '../../core/kind/index.ts';
import { proxy } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { GoesOn } from './in-parts.ts';

/** A longer job as a screen sees it. */
export interface Parts<I, O, P = undefined> {
  /** what it made: all of it, or what there was when it was stopped; undefined until then */
  readonly output: O | undefined;
  /** what that is the result of */
  readonly for: I | undefined;
  readonly error: string;
  /** parts that came while it was under way, in their order */
  readonly parts: readonly P[];
  /** how far the job under way has come; undefined where none is */
  readonly progress: readonly [done: number, of: number] | undefined;
  /** whether what is there was made of a part of the input alone */
  readonly isStopped: boolean;
  readonly stop: () => void;
  /** does a stopped job once more, whole */
  readonly again: () => void;
}

/**
 * Runs a job of many parts for an input: a newer input, or a person who has enough, ends it between two
 * parts. `run` is handed what a worker asks after each; it and the input must stay the same between renders.
 * `input` undefined asks nothing.
 */
export function useParts<I, O, P = undefined>(
  input: I | undefined,
  run: (input: I, goesOn: GoesOn<P>) => Promise<O>,
): Parts<I, O, P> {
  type State = Omit<Parts<I, O, P>, 'stop' | 'again'>;
  const [state, setState] = useState<State>({
    output: undefined,
    for: undefined,
    error: '',
    parts: [],
    progress: undefined,
    isStopped: false,
  });
  const [turn, setTurn] = useState(0);
  const hasEnough = useRef(false);
  useEffect(() => {
    if (input === undefined) return undefined;
    let alive = true;
    hasEnough.current = false;
    const begin = async () => {
      setState((now) => ({ ...now, error: '', parts: [], progress: [0, 1], isStopped: false }));
      return await run(input, goesOn);
    };
    const goesOn = proxy((done: number, of: number, part: P): boolean => {
      if (!alive) return false;
      setState((now) => ({ ...now, parts: [...now.parts, part], progress: [done, of] }));
      return !hasEnough.current;
    });
    begin()
      .then((output) => {
        if (alive)
          setState((now) => ({
            ...now,
            output,
            for: input,
            progress: undefined,
            isStopped: hasEnough.current,
          }));
      })
      .catch((error: unknown) => {
        if (alive)
          setState((now) => ({
            ...now,
            error: messageOf(error),
            progress: undefined,
          }));
      });
    return () => {
      alive = false;
    };
  }, [input, run, turn]);
  const stop = useCallback(() => {
    hasEnough.current = true;
  }, []);
  const again = useCallback(() => setTurn((now) => now + 1), []);
  return { ...state, stop, again };
}
