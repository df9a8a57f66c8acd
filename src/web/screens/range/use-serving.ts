import { useMemo } from 'react';
import type { Kept } from '../../../contract/api.ts';
import type { Brief, Design, RangePlan, RuleSet } from '../../../core/document/index.ts';
import type { Serving } from '../../../core/range/index.ts';
import type { GoesOn } from '../../workers/in-parts.ts';
import { rangeWorker } from '../../workers/range.ts';
import type { HeadRow } from '../../workers/range.worker.ts';
import { useParts } from '../../workers/use-parts.ts';

interface Job {
  readonly briefs: readonly Brief[];
  readonly heads: readonly HeadRow[];
  readonly rules: RuleSet;
}
const run = ({ briefs, heads, rules }: Job, goesOn: GoesOn): Promise<Serving[][]> =>
  rangeWorker().serving(briefs, heads, rules, goesOn);

/** The heads and briefs of a plan, and how well each head serves each brief once that is worked out. */
export function useServing(
  plan: RangePlan,
  {
    designs,
    briefs,
    rules,
  }: {
    readonly designs: readonly Kept<Design>[];
    readonly briefs: readonly Kept<Brief>[];
    readonly rules: RuleSet;
  },
) {
  const byId = useMemo(() => new Map(designs.map((row) => [row.id, row])), [designs]);
  const heads = useMemo<readonly HeadRow[]>(
    () =>
      plan.offers.flatMap(({ design }) => {
        const row = byId.get(design);
        return row?.summary?.ok ? [{ id: design, design: row.document, values: row.summary.readings }] : [];
      }),
    [plan.offers, byId],
  );
  const wanted = useMemo(
    () => plan.briefs.flatMap((id) => briefs.find((row) => row.id === id) ?? []),
    [plan.briefs, briefs],
  );
  const job = useMemo<Job>(
    () => ({ briefs: wanted.map(({ document }) => document), heads, rules }),
    [wanted, heads, rules],
  );
  const { output, for: answered, ...work } = useParts(job, run);
  // A table of some of the briefs alone would show gaps where nothing was asked.
  const serves = answered === job && !work.isStopped ? output : undefined;
  return { heads, wanted, serves, work };
}
