import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { Design } from '../../core/document/index.ts';
import { useNotices } from '../parts/notices.tsx';
import { createSeries, removeSeries } from './api.ts';
import { refreshLists } from './queries.ts';

/** Puts a table’s heads on the Rack as one step, with an undo that takes all of them off again. */
export function useImportHeads() {
  const client = useQueryClient();
  const { tell } = useNotices();
  return useMutation({
    mutationFn: (heads: readonly Design[]) => createSeries(heads),
    onSuccess: async (kept) => {
      await refreshLists(client, 'designs');
      tell({
        tone: 'good',
        text: `${kept.length} ${kept.length === 1 ? 'head' : 'heads'} imported.`,
        action: {
          label: 'Undo',
          run: async () => {
            await removeSeries(kept.map(({ id, version }) => ({ id, version })));
            await refreshLists(client, 'designs');
          },
        },
      });
    },
    onError: (error) => tell({ tone: 'bad', text: error.message }),
  });
}
