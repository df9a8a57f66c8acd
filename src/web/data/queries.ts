import {
  QueryClient,
  queryOptions,
  useMutation,
  useQueries,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import type { UseQueryResult } from '@tanstack/react-query';
import type { ArchivedRow, Kept, RackCard } from '../../contract/api.ts';
import type { Design } from '../../core/document/index.ts';
import { useNotices } from '../parts/notices.tsx';
import {
  archive,
  create,
  duplicate,
  listAll,
  read,
  readArchive,
  readBackups,
  readRack,
  readRules,
  readStores,
  readUsed,
  remove,
  restore,
  ServerProblem,
} from './api.ts';
import { partOf } from './part-of.ts';
import type { Collection, Documents } from '../../contract/collections/index.ts';

/** What was fetched, kept for every screen. */
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

/** Returns the key a list is kept under. */
export const listKey = (collection: Collection) => [collection] as const;
/** Returns the key a document is kept under. */
export const oneKey = (collection: Collection, id: string) => [collection, id] as const;

/** Returns a whole collection as it is fetched, page by page. */
export function useList<C extends Collection>(collection: C) {
  return useQuery({ queryKey: listKey(collection), queryFn: ({ signal }) => listAll(collection, signal) });
}

const oneQuery = <C extends Collection>(collection: C, id: string) =>
  queryOptions({
    queryKey: oneKey(collection, id),
    queryFn: () => read(collection, id),
    enabled: id !== '',
  });

/** Returns a whole collection, fetched where it is not there yet. */
export const fetchList = <C extends Collection>(client: QueryClient, collection: C) =>
  client.ensureQueryData({
    queryKey: listKey(collection),
    queryFn: ({ signal }: { signal: AbortSignal }) => listAll(collection, signal),
  });

/** Returns one document as it is fetched; one that no server has yet is not asked for. */
export const useOne = <C extends Collection>(collection: C, id: string, isAsked = true) => {
  const query = oneQuery(collection, id);
  return useQuery({ ...query, enabled: id !== '' && isAsked });
};

/**
 * A few designs by their ids, in their order; those deleted meanwhile are left out. It asks for these alone,
 * never for a whole shop.
 */
export function useFew(ids: readonly string[]) {
  return useQueries({ queries: ids.map((id) => oneQuery('designs', id)), combine: present });
}

const isGone = (error: Error | null): boolean =>
  error instanceof ServerProblem && error.details.status === 404;

/** The version a design is at by what was last heard of it. */
export const versionNow = (client: QueryClient, id: string, otherwise: number): number =>
  client.getQueryData<Kept<Design>>(oneKey('designs', id))?.version ?? otherwise;

/** Whether a design was asked for and is no longer there. */
export const isDeleted = (client: QueryClient, id: string): boolean =>
  isGone(client.getQueryState(oneKey('designs', id))?.error ?? null);

/** What of some queries is there: kept data of a document since deleted is not. */
function present(results: readonly UseQueryResult<Kept<Design>>[]) {
  return {
    rows: results.flatMap(({ data, error }) => (data && !isGone(error) ? [data] : [])),
    isPending: results.some(({ isPending }) => isPending),
    error: results.find(({ data, error }) => !data && error && !isGone(error))?.error ?? null,
    refetch: () => Promise.all(results.map(({ refetch }) => refetch())),
  };
}

/** Returns the reference stores as they are fetched. */
export function useStores() {
  return useQuery({ queryKey: ['stores'], queryFn: readStores, staleTime: 60_000 });
}

/** The rules of the match in force; nothing is judged by rules before they are here. */
export function useRules() {
  return useQuery({ queryKey: ['rules'], queryFn: readRules, staleTime: 60_000 });
}

/** Lists that hold a document of a collection: its own, and the Rack for designs. */
export async function refreshLists(client: QueryClient, collection: Collection): Promise<void> {
  await Promise.all([
    client.invalidateQueries({ queryKey: listKey(collection), exact: true }),
    ...(collection === 'designs' ? [client.invalidateQueries({ queryKey: RACK_KEY, exact: true })] : []),
  ]);
}

/** The key the Rack’s cards are kept under. */
export const RACK_KEY = ['rack'] as const;

const rackQuery = queryOptions({
  queryKey: RACK_KEY,
  queryFn: async ({ signal }) => {
    const rack = await readRack(signal);
    // Outlines that came along need not be asked for.
    for (const card of rack.cards) {
      const drawing = rack.outlines[card.id];
      if (drawing !== undefined) queryClient.setQueryData(outlineKey(card), drawing);
    }
    return rack;
  },
});

/** How often the Rack is asked for again while some of its figures are being made anew, ms. */
const ANEW_MS = 5_000;

/** Every design's card: what the Rack searches, filters and sorts by. */
export const useRack = () =>
  useQuery({
    ...rackQuery,
    refetchInterval: ({ state }) => state.data?.cards.some(({ isStale }) => isStale) === true && ANEW_MS,
  });

/**
 * The shop's backups; asked for again while one is being made or restored, and now and then for the warning
 * in the bar.
 */
export const backupsQuery = queryOptions({
  queryKey: ['backups'],
  queryFn: readBackups,
  staleTime: 60_000,
  refetchInterval: ({ state }) => (state.data?.job?.isRunning === true ? 1_000 : 10 * 60_000),
});

/** What was archived, and what was deleted of late. */
export const archiveQuery = queryOptions({ queryKey: ['archive'], queryFn: readArchive, staleTime: 0 });

/** Brings a document back that was archived or deleted. */
export function useBringBack() {
  const client = useQueryClient();
  const { tell } = useNotices();
  return useMutation({
    mutationFn: ({ collection, id, version, is }: ArchivedRow): Promise<unknown> =>
      is === 'deleted' ? restore(collection, id, version) : archive(id, false, version),
    onSuccess: async (_, { collection, id, name, is }) => {
      tell({ tone: 'good', text: `${name} is ${is === 'deleted' ? 'restored' : 'unarchived'}.` });
      await Promise.all([
        client.invalidateQueries({ queryKey: archiveQuery.queryKey }),
        client.resetQueries({ queryKey: oneKey(collection, id) }),
        refreshLists(client, collection),
      ]);
    },
    onError: (error) => tell({ tone: 'bad', text: error.message }),
  });
}

/** Asks for the Rack before its screen is there. */
export const preloadRack = (): Promise<void> => queryClient.prefetchQuery(rackQuery);

/** An outline is of a version, and of the figures as they stand: another density makes it another. */
export const outlineKey = ({ id, version, isStale }: Pick<RackCard, 'id' | 'version' | 'isStale'>) =>
  ['outline', id, version, isStale] as const;

/** Creates a document and tells where it went wrong when it does. */
export function useCreate<C extends Collection>(collection: C) {
  const client = useQueryClient();
  const { tell } = useNotices();
  return useMutation({
    mutationFn: (document: Documents[C]) => create(collection, document),
    onSuccess: (kept: Kept<Documents[C]>) => {
      client.setQueryData(oneKey(collection, kept.id), kept);
      return refreshLists(client, collection);
    },
    onError: (error) => tell({ tone: 'bad', text: error.message }),
  });
}

/** Deletes a document with an undo that brings it back. */
export function useRemove(collection: Collection) {
  const client = useQueryClient();
  const { tell } = useNotices();
  // The document itself too: the tray holds it, and must learn that it went or came back.
  const refresh = (id: string) =>
    Promise.all([
      client.invalidateQueries({ queryKey: oneKey(collection, id) }),
      refreshLists(client, collection),
    ]);
  return useMutation({
    mutationFn: async ({ id, version }: { id: string; name: string; version: number }) => {
      // What it was part of is told, and never in the way of it.
      const used = await readUsed(collection, id).catch(() => ({ items: [] }));
      await remove(collection, id, version);
      return used.items;
    },
    onSuccess: async (used, { id, name, version }) => {
      tell({
        tone: 'plain',
        text: `${name} is deleted.${partOf(used)}`,
        action: {
          label: 'Undo',
          run: async () => {
            // Deleting was a save of its own.
            await restore(collection, id, version + 1);
            await refresh(id);
          },
        },
      });
      await refresh(id);
    },
    onError: (error) => tell({ tone: 'bad', text: error.message }),
  });
}

/** Copies a design under a name that says so. */
export function useDuplicate() {
  const client = useQueryClient();
  const { tell } = useNotices();
  return useMutation({
    mutationFn: (id: string) => duplicate(id),
    onSuccess: async (kept) => {
      client.setQueryData(oneKey('designs', kept.id), kept);
      tell({ tone: 'plain', text: `${kept.document.name} created.` });
      await refreshLists(client, 'designs');
    },
    onError: (error) => tell({ tone: 'bad', text: error.message }),
  });
}

/** Puts a design away, or takes it out again; either can be undone at once. */
export function useArchive() {
  const client = useQueryClient();
  const { tell } = useNotices();
  const settle = async (id: string) => {
    await Promise.all([
      refreshLists(client, 'designs'),
      client.invalidateQueries({ queryKey: oneKey('designs', id) }),
    ]);
  };
  return useMutation({
    mutationFn: ({ id, away, version }: { id: string; name: string; away: boolean; version: number }) =>
      archive(id, away, version),
    onSuccess: async ({ version }, { id, name, away }) => {
      tell({
        tone: 'plain',
        text: away ? `${name} archived.` : `${name} is back on the Rack.`,
        action: {
          label: 'Undo',
          run: async () => {
            await archive(id, !away, version);
            await settle(id);
          },
        },
      });
      await settle(id);
    },
    onError: (error) => tell({ tone: 'bad', text: error.message }),
  });
}
