import { QueryClient, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { Collection, Documents, Kept } from '../../contract/api.ts';
import { useNotices } from '../parts/notices.tsx';
import { create, listAll, read, readStores, remove, restore, ServerProblem } from './api.ts';

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      networkMode: 'always',
      // A server that said no will say it again; one that is away may be back.
      retry: (failures, error) => !(error instanceof ServerProblem) && failures < 3,
      retryDelay: (attempt) => Math.min(4_000, 500 * 2 ** attempt),
    },
    mutations: { networkMode: 'always' },
  },
});

export const listKey = (collection: Collection) => [collection] as const;
export const oneKey = (collection: Collection, id: string) => [collection, id] as const;

export function useList<C extends Collection>(collection: C) {
  return useQuery({ queryKey: listKey(collection), queryFn: ({ signal }) => listAll(collection, signal) });
}

export function useOne<C extends Collection>(collection: C, id: string) {
  return useQuery({
    queryKey: oneKey(collection, id),
    queryFn: () => read(collection, id),
    enabled: id !== '',
  });
}

export function useStores() {
  return useQuery({ queryKey: ['stores'], queryFn: readStores, staleTime: 60_000 });
}

/** Creates a document and tells where it went wrong when it does. */
export function useCreate<C extends Collection>(collection: C) {
  const client = useQueryClient();
  const { tell } = useNotices();
  return useMutation({
    mutationFn: (document: Documents[C]) => create(collection, document),
    onSuccess: (kept: Kept<Documents[C]>) => {
      client.setQueryData(oneKey(collection, kept.id), kept);
      return client.invalidateQueries({ queryKey: listKey(collection), exact: true });
    },
    onError: (error) => tell({ tone: 'bad', text: error.message }),
  });
}

/** Deletes a document with an undo that brings it back. */
export function useRemove(collection: Collection) {
  const client = useQueryClient();
  const { tell } = useNotices();
  const refresh = () => client.invalidateQueries({ queryKey: listKey(collection), exact: true });
  return useMutation({
    mutationFn: ({ id }: { id: string; name: string }) => remove(collection, id),
    onSuccess: async (_, { id, name }) => {
      tell({
        tone: 'plain',
        text: `${name} is deleted.`,
        action: {
          label: 'Undo',
          run: async () => {
            await restore(collection, id);
            await client.invalidateQueries({ queryKey: oneKey(collection, id) });
            await refresh();
          },
        },
      });
      await refresh();
    },
    onError: (error) => tell({ tone: 'bad', text: error.message }),
  });
}
