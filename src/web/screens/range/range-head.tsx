import type { Kept } from '../../../contract/api.ts';
import type { RangePlan } from '../../../core/document/index.ts';
import type { useDraft } from '../../data/draft.ts';
import { useRemove } from '../../data/queries.ts';
import { Others } from '../../parts/others.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { Steps } from '../../parts/steps.tsx';

interface Props {
  readonly kept: Kept<RangePlan>;
  readonly others: readonly Kept<RangePlan>[];
  readonly draft: ReturnType<typeof useDraft<'ranges'>>;
  readonly onChoose: (id: string) => void;
  readonly onNew: () => void;
  readonly onPrint: () => void;
}

/** Name of a plan, the other plans, and what is done with a whole one. */
export function RangeHead({ kept, others, draft, onChoose, onNew, onPrint }: Props) {
  const remove = useRemove('ranges');
  const plan = draft.document;
  return (
    <div className="shop-head">
      <h1>
        {plan.name} <small>the range</small>
      </h1>
      <Others label="Plan" id={kept.id} all={others} onChoose={onChoose} />
      <SaveBadge state={draft.state} />
      <Steps collection="ranges" id={kept.id} draft={draft} />
      <span className="spring" />
      <button
        type="button"
        className="btn btn-sm btn-fern"
        disabled={plan.wall.length === 0}
        onClick={onPrint}
      >
        Wall plan, PDF
      </button>
      <button type="button" className="btn btn-sm btn-quiet" onClick={onNew}>
        + Another plan
      </button>
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        onClick={() => remove.mutate({ id: kept.id, name: plan.name, version: draft.version })}
      >
        Delete
      </button>
    </div>
  );
}
