import { expose } from 'comlink';
import solverWasm from 'highs/runtime?url';
import type { Brief, Design, RuleSet } from '../../core/document/index.ts';
import type {
  FallRung,
  LadderStep,
  Progress,
  RangeProblem,
  RangeSolved,
  Serving,
} from '../../core/range/index.ts';
import type { ReadingValues } from '../../core/match/index.ts';
import { matchingFor, matchKept, serviceOf } from '../../core/match/index.ts';
import { ladderSteps, leastRange, loadSolver } from '../../core/range/index.ts';
import type { GoesOn } from './in-parts.ts';
import { inParts } from './in-parts.ts';

/** A head with its readings as they are kept. */
export interface HeadRow {
  readonly id: string;
  readonly design: Design;
  readonly values: ReadingValues;
}

const WORTH: Readonly<Record<ReturnType<typeof serviceOf>, Serving>> = {
  serves: 2,
  'with care': 1,
  'not there': 0,
};

/**
 * How each head serves each brief, from kept readings: by brief, by head; of fewer briefs where that was
 * enough.
 */
const serving = (
  briefs: readonly Brief[],
  heads: readonly HeadRow[],
  rules: Pick<RuleSet, 'rules' | 'schools'>,
  goesOn: GoesOn,
): Promise<Serving[][]> =>
  inParts(
    briefs,
    (brief) => {
      const matching = matchingFor(brief, rules);
      return heads.map(({ design, values }) => WORTH[serviceOf(matchKept(matching, design, values))]);
    },
    (done, of) => goesOn(done, of, undefined),
  );

/** The smallest range, to proof or as long as it may take. */
async function solve(
  problem: RangeProblem,
  seconds: number,
  onProgress: (progress: Progress) => void,
): Promise<RangeSolved> {
  const highs = await loadSolver(solverWasm);
  return leastRange(highs, problem, { seconds, onProgress: (progress) => void onProgress(progress) });
}

const steps = (rungs: readonly FallRung[]): LadderStep[] => ladderSteps(rungs);

const service = { serving, solve, steps };
/** What the range’s worker does. */
export type RangeService = typeof service;

expose(service);
