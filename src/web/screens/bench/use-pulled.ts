import { useCallback, useEffect, useRef, useState } from 'react';
import type { Surroundings } from '../../../core/behaviour/index.ts';
import type { Design } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { judgeWorker } from '../../workers/judge.ts';
import type { Built } from '../../workers/judge.worker.ts';
import type { Edit } from './stage-kit.ts';
import type { Job } from './use-wholly.ts';
import { runJudge } from './use-wholly.ts';

interface Hands {
  readonly edit: Edit;
  /** has a state judged that is not yet part of the document */
  readonly ask: (job: Job) => void;
  readonly surroundings: Surroundings;
}

/**
 * A state of the head in the hand: judged and drawn as it is pulled, and put into the document when it is let
 * go.
 */
export function usePulled({ edit, ask, surroundings }: Hands) {
  const pulled = useRef<Design | undefined>(undefined);
  const [pulling, setPulling] = useState(false);
  const pull = useCallback(
    (next: Design) => {
      pulled.current = next;
      setPulling(true);
      ask({ design: next, surroundings });
    },
    [ask, surroundings],
  );
  /**
   * Puts a pulled or typed state into the document, with the sizes that are built, so that it says what it
   * means even without its target.
   */
  const commit = useCallback(
    async (next: Design) => {
      pull(next);
      // A worker that fails costs only the built sizes: what was pulled is kept all the same.
      const result = await runJudge({ design: next, surroundings }).catch(() => undefined);
      // Something else was pulled meanwhile: that is built on this and will be put in itself.
      if (pulled.current !== next) return;
      pulled.current = undefined;
      const dimensions = result?.ok ? result.design.head.dimensions : next.head.dimensions;
      // Only head and eye are pulled; whatever else was edited meanwhile stays.
      edit((now) => ({ ...now, eye: next.eye, head: { ...next.head, dimensions, locks: now.head.locks } }));
      setPulling(false);
    },
    [edit, pull, surroundings],
  );
  // A page that is left has no time to have it built: it goes in as it was pulled, and is built when it is
  // seen again.
  useEffect(() => {
    const keep = () => {
      const next = pulled.current;
      if (!next) return;
      pulled.current = undefined;
      edit((now) => ({ ...now, eye: next.eye, head: { ...next.head, locks: now.head.locks } }));
    };
    window.addEventListener('pagehide', keep);
    return () => window.removeEventListener('pagehide', keep);
  }, [edit]);
  const settle = useCallback(
    (next: Design, isLive: boolean) => (isLive ? pull(next) : void commit(next)),
    [pull, commit],
  );
  return { pulled, pulling, pull, settle, commit };
}

/**
 * An edit that needs the head as it is built, which the worker says. Edited meanwhile, it is asked of the
 * newer state, so that no edit is lost.
 */
export function useEditBuilt(edit: Edit, metals: readonly Metal[]) {
  return useCallback(
    async (change: (now: Design, built: Built | undefined) => Design) => {
      let asked: Design | undefined;
      for (let isIn = false; !isIn;) {
        edit((now) => (asked = now));
        if (!asked) return;
        const built = await judgeWorker('now')
          .built(asked, metals)
          .catch(() => undefined);
        edit((now) => {
          isIn = now === asked;
          return isIn ? change(now, built) : now;
        });
      }
    },
    [edit, metals],
  );
}
