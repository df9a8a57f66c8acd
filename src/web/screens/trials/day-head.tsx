import { Link, useNavigate } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { Trial } from '../../../core/document/index.ts';
import type { useDraft } from '../../data/draft.ts';
import { UNSENT } from '../../data/draft-backup.ts';
import { useRemove } from '../../data/queries.ts';
import { beginHere } from '../../data/unsent.ts';
import { NameInPlace } from '../../parts/name-in-place.tsx';
import { useNotices } from '../../parts/notices.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { Steps } from '../../parts/steps.tsx';

interface Props {
  readonly kept: Kept<Trial>;
  readonly draft: ReturnType<typeof useDraft<'trials'>>;
}

/** Name and date of a day, and what is done with a whole one. */
export function DayHead({ kept, draft }: Props) {
  const remove = useRemove('trials');
  const navigate = useNavigate();
  const { tell } = useNotices();
  const trial = draft.document;
  const drop = () => {
    if (draft.version !== UNSENT)
      return remove.mutate(
        { id: kept.id, name: trial.name, version: draft.version },
        { onSuccess: () => void navigate('/trials') },
      );
    // No server has it: it goes from here alone, and comes back here.
    draft.abandon();
    tell({
      tone: 'plain',
      text: `${trial.name} is deleted.`,
      action: {
        label: 'Undo',
        run: () => {
          beginHere('trials', trial, kept.id);
          return navigate(`/trials/${kept.id}`);
        },
      },
    });
    void navigate('/trials');
  };
  return (
    <div className="trial-head">
      <Link className="btn btn-sm btn-quiet" to="/trials">
        ‹ Days
      </Link>
      <NameInPlace
        label="Name of the day"
        name={trial.name}
        onCommit={(name) => draft.edit((now) => ({ ...now, name }))}
      />
      <input
        type="date"
        aria-label="Day"
        value={trial.day}
        onChange={(event) => {
          const day = event.currentTarget.value;
          if (day) draft.edit((now) => ({ ...now, day }));
        }}
      />
      <SaveBadge state={draft.state} />
      <Steps collection="trials" id={kept.id} draft={draft} />
      <button type="button" className="btn btn-sm btn-quiet" onClick={drop}>
        Delete
      </button>
    </div>
  );
}
