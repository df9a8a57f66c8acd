import { messageOf } from '../../../core/kind/index.ts';
import { useCallback, useEffect, useRef } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { Kept } from '../../../contract/api.ts';
import type { Design } from '../../../core/document/index.ts';
import { dropVersion, goToStep, readHistory, restoreVersion } from '../../data/api.ts';
import { oneKey, refreshLists, versionNow } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { useUndoKeys } from '../../parts/keys.ts';
import { useNotices } from '../../parts/notices.tsx';

interface DraftHand {
  readonly version: number;
  readonly flush: () => Promise<boolean>;
  readonly refresh: (kept: Kept<Design>) => void;
}

/** Returns the key a design’s history is kept under. */
export const historyKey = (id: string) => ['history', id] as const;

/**
 * A design's history: going back and forth on its steps, with words for each. What is unsaved is saved first,
 * so that nothing is lost by undoing.
 */
export function useHistory(id: string, draft: DraftHand) {
  const client = useQueryClient();
  const { tell } = useNotices();
  const { say } = useUnits();
  const { data: history } = useQuery({
    queryKey: historyKey(id),
    queryFn: () => readHistory(id),
    staleTime: 0,
  });
  const busy = useRef(false);
  // Every save makes a step.
  useEffect(() => {
    void client.invalidateQueries({ queryKey: historyKey(id) });
  }, [client, id, draft.version]);

  const settle = useCallback(
    async (kept: Kept<Design>) => {
      client.setQueryData(oneKey('designs', id), kept);
      draft.refresh(kept);
      await Promise.all([
        client.invalidateQueries({ queryKey: historyKey(id) }),
        refreshLists(client, 'designs'),
      ]);
    },
    [client, draft, id],
  );

  const run = useCallback(
    async (act: () => Promise<{ kept: Kept<Design>; text: string } | string>) => {
      if (busy.current) return;
      busy.current = true;
      try {
        if (!(await draft.flush()))
          throw new Error(
            'What is on screen could not be saved yet, so there is nothing to go back from. Try again in a moment.',
          );
        const done = await act();
        if (typeof done === 'string') tell({ tone: 'plain', text: done });
        else {
          await settle(done.kept);
          tell({ tone: 'plain', text: done.text });
        }
      } catch (error) {
        tell({ tone: 'bad', text: messageOf(error) });
      } finally {
        busy.current = false;
      }
    },
    [draft, settle, tell],
  );

  /** Goes `by` steps: −1 undoes, +1 redoes. */
  const step = useCallback(
    (by: 1 | -1) =>
      run(async () => {
        // Read anew: the save a moment ago has made a step.
        const now = await readHistory(id);
        const at = now.steps.findIndex((candidate) => candidate.step === now.now);
        const to = now.steps[at + by];
        if (at < 0 || !to) return by < 0 ? 'There is nothing to undo.' : 'There is nothing to redo.';
        const undone = by < 0 ? now.steps[at] : to;
        const version = versionNow(client, id, draft.version);
        return {
          kept: await goToStep(id, to.step, version),
          text: `${by < 0 ? 'Undone' : 'Redone'}: ${say(undone?.words ?? '')}`,
        };
      }),
    [run, client, id, draft.version, say],
  );
  const go = useCallback(
    (to: number) =>
      run(async () => {
        const version = versionNow(client, id, draft.version);
        return {
          kept: await goToStep(id, to, version),
          text: 'Back at that step. Later steps can be redone.',
        };
      }),
    [run, client, id, draft.version],
  );
  const bringBack = useCallback(
    (versionId: string, name: string) =>
      run(async () => {
        const version = versionNow(client, id, draft.version);
        return {
          kept: await restoreVersion(id, versionId, version),
          text: `${name} is back. Undo brings the other state back.`,
        };
      }),
    [run, client, id, draft.version],
  );

  /** Deletes a named version; the design itself stays as it is. */
  const drop = useCallback(
    (versionId: string) =>
      dropVersion(id, versionId, versionNow(client, id, draft.version))
        .then(() => client.invalidateQueries({ queryKey: historyKey(id) }))
        .catch((error: unknown) => tell({ tone: 'bad', text: messageOf(error) })),
    [client, id, draft.version, tell],
  );

  useUndoKeys(step);

  const at = history?.steps.findIndex((candidate) => candidate.step === history.now) ?? -1;
  return {
    history,
    undo: () => void step(-1),
    redo: () => void step(1),
    go,
    bringBack,
    drop,
    canUndo: at > 0,
    canRedo: history !== undefined && at >= 0 && at < history.steps.length - 1,
    undoWords: say(history?.steps[at]?.words ?? ''),
    redoWords: say(history?.steps[at + 1]?.words ?? ''),
  };
}

/** The history of a design, and how one moves on it. */
export type HistoryHand = ReturnType<typeof useHistory>;
