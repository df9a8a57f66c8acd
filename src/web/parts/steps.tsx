import { messageOf } from '../../core/kind/index.ts';
import { useCallback, useRef } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import type { Kept } from '../../contract/api.ts';
import { goStep, readSteps } from '../data/api.ts';
import { oneKey, refreshLists } from '../data/queries.ts';
import { RedoSign, UndoSign } from './icons.tsx';
import { useUndoKeys } from './keys.ts';
import { useNotices } from './notices.tsx';
import type { Documents, WithHistory } from '../../contract/collections/index.ts';

interface Hand<T> {
  readonly flush: () => Promise<boolean>;
  readonly refresh: (kept: Kept<T>) => void;
}

/**
 * Undo and redo of a document that keeps its steps, by button and by Ctrl+Z; what is unsaved is saved first.
 */
export function Steps<C extends WithHistory>({
  collection,
  id,
  draft,
}: {
  readonly collection: C;
  readonly id: string;
  readonly draft: Hand<Documents[C]>;
}) {
  const client = useQueryClient();
  const { tell } = useNotices();
  const busy = useRef(false);
  const { flush, refresh } = draft;
  const step = useCallback(
    async (by: 1 | -1) => {
      if (busy.current) return;
      busy.current = true;
      try {
        if (!(await flush()))
          throw new Error('What is on screen could not be saved yet. Try again in a moment.');
        const now = await readSteps(collection, id);
        const at = now.steps.findIndex((one) => one.step === now.now);
        const to = now.steps[at + by];
        if (!to) {
          tell({ tone: 'plain', text: by < 0 ? 'There is nothing to undo.' : 'There is nothing to redo.' });
          return;
        }
        const kept = await goStep(collection, id, to.step);
        client.setQueryData(oneKey(collection, id), kept);
        refresh(kept);
        await refreshLists(client, collection);
      } catch (error) {
        tell({ tone: 'bad', text: messageOf(error) });
      } finally {
        busy.current = false;
      }
    },
    [client, collection, id, flush, refresh, tell],
  );
  useUndoKeys(step);
  return (
    <span className="steps">
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        aria-label="Undo"
        title="Undo (Ctrl+Z)"
        onClick={() => void step(-1)}
      >
        <UndoSign />
      </button>
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        aria-label="Redo"
        title="Redo (Ctrl+Shift+Z)"
        onClick={() => void step(1)}
      >
        <RedoSign />
      </button>
    </span>
  );
}
