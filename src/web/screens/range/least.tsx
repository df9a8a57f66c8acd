import { messageOf } from '../../../core/kind/index.ts';
import { fixed } from '../../data/locale.ts';
import { useRef, useState } from 'react';
import * as Comlink from 'comlink';
import type { RangePlan } from '../../../core/document/index.ts';
import type { Progress, RangeSolved, Serving } from '../../../core/range/index.ts';
import { outlayOf } from '../../../core/range/index.ts';
import { useUnits } from '../../data/units.ts';
import { rangeWorker, stopRangeWorker } from '../../workers/range.ts';
import type { HeadRow } from '../../workers/range.worker.ts';
import { tradeOf } from './trade.ts';

interface Props {
  readonly plan: RangePlan;
  readonly heads: readonly HeadRow[];
  readonly serves: readonly (readonly Serving[])[];
  readonly edit: (change: (plan: RangePlan) => RangePlan) => void;
}

const AIM_WORDS: Readonly<Record<Progress['aim'], string>> = {
  well: 'most briefs served well',
  served: 'most briefs served at all',
  heads: 'fewest heads',
  outlay: 'lowest first order',
};
/** Longest search, s. */
const SECONDS = 30;

/**
 * Finds the least range that covers the briefs well within the limits, with progress, a stop, and its proof
 * or the gap.
 */
export function Least({ plan, heads, serves, edit }: Props) {
  const { format } = useUnits();
  const [progress, setProgress] = useState<Progress | 'begun' | undefined>(undefined);
  const [found, setFound] = useState<{ readonly for: RangePlan; readonly solved: RangeSolved } | undefined>(
    undefined,
  );
  const [error, setError] = useState('');
  const running = useRef(0);
  const find = async () => {
    const run = ++running.current;
    setProgress('begun');
    setError('');
    const offers = new Map(plan.offers.map((offer) => [offer.design, offer]));
    const place = (ids: readonly string[]) =>
      ids.flatMap((id) => {
        const at = heads.findIndex((head) => head.id === id);
        return at < 0 ? [] : [at];
      });
    try {
      const solved = await rangeWorker().solve(
        {
          candidates: heads.map(({ id, design, values }) => ({
            id,
            metal: design.head.metal,
            hook: design.hook.size,
            mould: offers.get(id)?.mould || undefined,
            outlay: outlayOf(tradeOf(offers.get(id), values['cost.metal'])),
          })),
          serves,
          limits: plan.limits,
          keep: place(plan.keep),
          drop: place(plan.drop),
        },
        SECONDS,
        // Word of the search may come after its end, by another road.
        Comlink.proxy((now: Progress) => {
          if (running.current === run) setProgress(now);
        }),
      );
      if (running.current !== run) return;
      setFound({ for: plan, solved });
      if (solved.ok) edit((now) => ({ ...now, wall: solved.taken.flatMap((i) => heads[i]?.id ?? []) }));
    } catch (reason) {
      setError(messageOf(reason));
    }
    running.current++;
    setProgress(undefined);
  };
  const solved = found?.solved;
  return (
    <section aria-label="The smallest range">
      <div className="shop-row">
        <button
          type="button"
          className="btn btn-fern"
          disabled={progress !== undefined || heads.length === 0 || plan.briefs.length === 0}
          onClick={() => void find()}
        >
          Find the smallest range
        </button>
        {progress !== undefined && (
          <>
            <span role="status">
              {progress === 'begun'
                ? 'Looking …'
                : `${AIM_WORDS[progress.aim]}: ${Number.isFinite(progress.gap) ? `within ${fixed(100 * progress.gap, 1)}%` : 'looking'}, ` +
                  `${fixed(progress.seconds, 1)} s`}
            </span>
            <button
              type="button"
              className="btn btn-sm btn-quiet"
              onClick={() => {
                running.current++;
                stopRangeWorker();
                setProgress(undefined);
              }}
            >
              Stop
            </button>
          </>
        )}
        {progress === undefined && solved && (
          <span role="status" data-proven={solved.ok && solved.isProven}>
            {!solved.ok
              ? solved.reason === 'impossible'
                ? 'No wall with the heads that must be on it keeps within these limits. Ease a limit.'
                : 'Stopped before anything was found.'
              : solved.isProven
                ? `● Proven in ${fixed(solved.seconds, 1)} s: ${solved.taken.length} heads; no other range ` +
                  'within the limits serves more, with fewer, for less.'
                : `◐ The best found in ${fixed(solved.seconds, 1)} s: ${solved.taken.length} heads; at most ` +
                  `${fixed(100 * solved.gap, 1)}% is left to gain.`}
          </span>
        )}
        {error && <span className="field-said">{error}</span>}
      </div>
      {plan.wall.length > 0 && (
        <p>
          The heads on the wall take{' '}
          <b>
            {format(
              plan.wall.reduce((sum, id) => {
                const head = heads.find((one) => one.id === id);
                const offer = plan.offers.find(({ design }) => design === id);
                return sum + (head ? outlayOf(tradeOf(offer, head.values['cost.metal'])) : 0);
              }, 0),
              'money',
            )}
          </b>{' '}
          for the first order.
        </p>
      )}
    </section>
  );
}
