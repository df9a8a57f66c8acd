import { messageOf } from '../../../core/kind/index.ts';
import { proxy } from 'comlink';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { familyOf } from '../../../core/head/index.ts';
import { useCreate } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { HangingHead } from '../../drawing/hanging-head.tsx';
import { AnswerList } from '../../parts/marks.tsx';
import { judgeWorker } from '../../workers/judge.ts';
import type { Asking, ProposedRow } from '../../workers/match-rows.ts';

/**
 * A head nobody has yet: searched for over all shapes, weights, hooks, eyes, keepers and guards, ready to
 * open on the Bench.
 */
export function Proposal({ asking, isWanting }: { readonly asking: Asking; readonly isWanting: boolean }) {
  const { format } = useUnits();
  const navigate = useNavigate();
  const create = useCreate('designs');
  const [state, setState] = useState<{
    for: Asking;
    tried: number;
    found?: ProposedRow | undefined;
    isDone: boolean;
  }>();
  const [error, setError] = useState('');
  const own = state?.for === asking ? state : undefined;
  const search = () => {
    setError('');
    setState({ for: asking, tried: 0, isDone: false });
    const tell = proxy((tried: number) =>
      setState((now) => (now?.for === asking && !now.isDone ? { ...now, tried } : now)),
    );
    judgeWorker('now')
      .propose(asking, tell)
      .then(
        (found) => setState({ for: asking, tried: 0, found, isDone: true }),
        (cause: unknown) => setError(messageOf(cause)),
      );
  };
  const found = own?.found;
  return (
    <section className="proposal" aria-label="A head to make">
      <p>
        {isWanting ? (
          <b>Nothing on the Rack is right for this. </b>
        ) : (
          'Is there a better head than any on the Rack? '
        )}
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          onClick={search}
          disabled={own !== undefined && !own.isDone}
        >
          Work out the best head
        </button>{' '}
        {own && !own.isDone && <span role="status">{own.tried} heads tried …</span>}
      </p>
      {error && <p className="problems">■ {error}</p>}
      {own?.isDone && !found && <p>No head can be built for this brief.</p>}
      {found && (
        <div className="proposal-found">
          {found.drawing && (
            <HangingHead
              drawing={found.drawing}
              attitude={0}
              k={2}
              metal={found.design.head.metal}
              width={130}
              height={100}
              drop={8}
            />
          )}
          <div>
            <h3>
              {familyOf(found.design.head.family)?.name},{' '}
              {format(found.design.head.target?.grams ?? NaN, 'mass')} {found.design.head.metal}, hook{' '}
              {found.design.hook.size} {found.design.hook.grade}, eye{' '}
              {format(found.design.eye.angle, 'angle')} {found.design.eye.plane}, keeper{' '}
              {found.design.keeper.kind}, guard {found.design.guard.kind}
            </h3>
            <button
              type="button"
              className="btn btn-sm btn-fern"
              onClick={() =>
                create.mutate(
                  { ...found.design, name: `For ${asking.brief.name}`.slice(0, 120) },
                  { onSuccess: (kept) => void navigate(`/designs/${kept.id}`) },
                )
              }
            >
              Open it on the Bench
            </button>
            <AnswerList answers={found.row.answers} />
          </div>
        </div>
      )}
    </section>
  );
}
