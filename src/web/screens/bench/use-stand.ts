import { useMemo } from 'react';
import type { RulesInForce } from '../../../contract/api.ts';
import type { Brief, Design } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { useAsking } from '../../data/asking.ts';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import type { Judged } from '../../workers/judge.worker.ts';
import type { Asking } from '../../workers/match-rows.ts';

const runStand = async ({ asking, id, design }: { asking: Asking; id: string; design: Design }) =>
  (await judgeWorker('later').matchWhole(asking, [{ id, design }]))[0];

interface Asked {
  readonly id: string;
  readonly design: Design;
  readonly judged: Judged | undefined;
  readonly brief: Brief | undefined;
  readonly rules: RulesInForce | undefined;
  readonly metals: readonly Metal[];
}

/** How a head stands in a brief, settled, once it can be built; undefined before and without a brief. */
export function useStand({ id, design, judged, brief, rules, metals }: Asked) {
  const asking = useAsking(brief, rules, metals);
  const job = useMemo(
    () => (asking && judged?.ok ? { asking, id, design } : undefined),
    [asking, judged, id, design],
  );
  return useJudged(job, runStand).output;
}
