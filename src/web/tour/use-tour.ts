import { useCallback } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { messageOf } from '../../core/kind/index.ts';
import type { Collection } from '../../contract/collections/index.ts';
import { read, remove } from '../data/api.ts';
import { oneKey, refreshLists, useCreate } from '../data/queries.ts';
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
  // What cannot be made is told by these.
  const { mutateAsync: makeHead } = useCreate('designs');
  const { mutateAsync: makeBrief } = useCreate('briefs');
  return useCallback(async () => {
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
      // All of it at once: a stop waits for nothing that might not come.
      const [{ runTour }, { newHead }, { briefFrom }] = await Promise.all([
        import('./tour.ts'),
        import('../parts/new-head.ts'),
        import('../screens/briefs/brief-templates.ts'),
      ]);
      const make: Guide['make'] = async (what) => {
        const { id } =
          what === 'head'
            ? await makeHead({ ...newHead(FAMILY, system), name: 'My first head' })
            : await makeBrief(briefFrom(SITUATION, system));
        return id;
      };
      await navigate('/');
      runTour({ go: navigate, make, onEnd });
    } catch (error) {
      tell({ tone: 'bad', text: `The tour could not be loaded: ${messageOf(error)}` });
    }
  }, [navigate, client, tell, system, makeHead, makeBrief]);
}
