import { useQueryClient } from '@tanstack/react-query';
import Dropdown from 'react-bootstrap/Dropdown';
import { useNavigate } from 'react-router';
import type { Kept } from '../../../../contract/api.ts';
import type { Design } from '../../../../core/document/index.ts';
import { draftOf } from '../../../data/draft.ts';
import { useNotices } from '../../../parts/notices.tsx';
import type { WallHook } from './wall-hooks.ts';

/** Puts a hook on a head of the tray; what the head had comes back by Undo. */
export function PutOn({ hook, heads }: { readonly hook: WallHook; readonly heads: readonly Kept<Design>[] }) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const { tell } = useNotices();
  const put = async (kept: Kept<Design>) => {
    const draft = draftOf(client, 'designs', kept);
    draft.edit((now) => ({ ...now, hook: { ...now.hook, ...hook.spec } }));
    const isKept = await draft.flush();
    tell(
      isKept
        ? {
            tone: 'good',
            text: `${kept.document.name} has the hook ${hook.name}.`,
            action: {
              label: 'Undo',
              run: async () => {
                draft.step(-1);
                await draft.flush();
              },
            },
          }
        : {
            tone: 'bad',
            text: `${kept.document.name} could not be saved with this hook. Open it on the Bench.`,
          },
    );
    if (!isKept) void navigate(`/designs/${kept.id}`);
  };
  return (
    <Dropdown>
      <Dropdown.Toggle size="sm" variant="quiet" aria-label={`Put on a head of the tray: ${hook.name}`}>
        Put on
      </Dropdown.Toggle>
      <Dropdown.Menu>
        <Dropdown.Header role="presentation">Heads in the tray</Dropdown.Header>
        {heads.map((kept) => (
          <Dropdown.Item key={kept.id} as="button" type="button" onClick={() => void put(kept)}>
            {kept.document.name}{' '}
            <small>now {kept.document.hook.measured?.name ?? kept.document.hook.size}</small>
          </Dropdown.Item>
        ))}
      </Dropdown.Menu>
    </Dropdown>
  );
}
