import { useCallback } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { messageOf } from '../../core/kind/index.ts';
import type { Collection } from '../../contract/collections/index.ts';
import { create, read, remove } from '../data/api.ts';
import { oneKey, refreshLists } from '../data/queries.ts';
import { useUnits } from '../data/units.ts';
import { useNotices } from '../parts/notices.tsx';
import type { Guide } from './tour.ts';

/** The family of the head that the tour makes, and the situation it is asked of. */
const FAMILY = 'ball';
const SITUATION = 'gravel-hop';

/**
 * A way to start the tour, which makes a head, tries it in the water and asks a brief. It begins on the Rack;
 * what it made stays, and one undo takes it away.
 */
export function useTour(): () => Promise<void> {
  const navigate = useNavigate();
  const client = useQueryClient();
  const { tell } = useNotices();
  const { system } = useUnits();
  return useCallback(async () => {
    const fail = (error: unknown) => tell({ tone: 'bad', text: `The tour stopped: ${messageOf(error)}` });
    const keep = async <C extends 'designs' | 'briefs'>(
      collection: C,
      document: Parameters<typeof create<C>>[1],
    ) => {
      const kept = await create(collection, document);
      client.setQueryData(oneKey(collection, kept.id), kept);
      await refreshLists(client, collection);
      return kept.id;
    };
    const make: Guide['make'] = async (what) => {
      if (what === 'head') {
        const { newHead } = await import('../parts/new-head.ts');
        return keep('designs', { ...newHead(FAMILY, system), name: 'My first head' });
      }
      const { briefFrom } = await import('../screens/briefs/brief-templates.ts');
      return keep('briefs', briefFrom(SITUATION, system));
    };
    const drop = async (collection: Collection, id: string | undefined) => {
      if (id === undefined) return;
      // It may have been changed since, or deleted already.
      const now = await read(collection, id).catch(() => undefined);
      if (now) await remove(collection, id, now.version);
      await client.invalidateQueries({ queryKey: oneKey(collection, id) });
      await refreshLists(client, collection);
    };
    const onEnd: Guide['onEnd'] = ({ head, brief }) => {
      if (head === undefined) return;
      tell({
        tone: 'good',
        text: brief === undefined ? 'The tour made a head.' : 'The tour made a head and a brief.',
        action: {
          label: 'Undo',
          run: async () => {
            await Promise.all([drop('designs', head), drop('briefs', brief)]);
            await navigate('/');
          },
        },
      });
    };
    try {
      const { runTour } = await import('./tour.ts');
      await navigate('/');
      runTour({ go: navigate, make, fail, onEnd });
    } catch (error) {
      fail(error);
    }
  }, [navigate, client, tell, system]);
}
