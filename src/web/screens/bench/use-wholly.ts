import { isKeyOf } from '../../../core/kind/index.ts';
import { useMemo } from 'react';
import type { Surroundings } from '../../../core/behaviour/index.ts';
import { BEHAVIOURS, READINGS } from '../../../core/behaviour/index.ts';
import type { Brief, Design } from '../../../core/document/index.ts';
import { PLAIN_WATER } from '../../../core/judge/index.ts';
import { surroundingsOfBrief } from '../../../core/match/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import type { UnitSystem } from '../../../core/quantity/index.ts';
import { roundIn } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import type { Judged, MetalLine } from '../../workers/judge.worker.ts';

/**
 * Water and depth of a brief, or plain water where none is chosen, of a depth that is round in the reader's
 * unit: the Tank begins with the same.
 */
function surroundingsOf(
  brief: Brief | undefined,
  metals: readonly Metal[],
  system: UnitSystem,
): Surroundings {
  if (!brief) return { ...PLAIN_WATER, depth: roundIn(PLAIN_WATER.depth, 'depth', system), metals };
  return { ...surroundingsOfBrief(brief), metals };
}

/** A design to be judged, and where. */
export interface Job {
  readonly design: Design;
  readonly surroundings: Surroundings;
}
/** Judges a design at once, without what takes a moment. */
export const runJudge = ({ design, surroundings }: Job): Promise<Judged> =>
  judgeWorker('now').judge(design, surroundings);
const runWhole = ({ design, surroundings }: Job): Promise<Judged> =>
  judgeWorker('later').judge(design, surroundings);
/** Behaviours that take a moment: a flag's code begins with the key of its own. */
const SLOW = new Set(BEHAVIOURS.filter(({ needs }) => needs !== 'at once').map(({ key }) => key));
const runMetals = ({ design, surroundings }: Job): Promise<MetalLine[]> =>
  judgeWorker('later').metals(design, surroundings);

/** What follows the hand, with what takes a moment put in once it comes, from the other worker. */
function joined(shortly: Judged | undefined, wholly: Judged | undefined): Judged | undefined {
  if (!shortly?.ok || !wholly?.ok) return shortly;
  const slow = Object.entries(wholly.readings).filter(([id]) => isKeyOf(READINGS, id) && READINGS[id].isSlow);
  const flags = wholly.flags.filter(({ code }) => SLOW.has(code.split('.')[0] ?? ''));
  return {
    ...shortly,
    readings: { ...shortly.readings, ...Object.fromEntries(slow) },
    flags: [...shortly.flags, ...flags],
  };
}

/**
 * A design judged in the water of a brief, first shortly and then wholly; `ask` judges another state
 * meanwhile, such as one being pulled.
 */
export function useWholly(document: Design, brief: Brief | undefined, metals: readonly Metal[]) {
  const { system } = useUnits();
  const whole = useMemo<Surroundings>(() => surroundingsOf(brief, metals, system), [brief, metals, system]);
  const surroundings = useMemo<Surroundings>(() => ({ ...whole, isShort: true }), [whole]);
  const job = useMemo<Job>(() => ({ design: document, surroundings }), [document, surroundings]);
  const wholeJob = useMemo<Job>(() => ({ design: document, surroundings: whole }), [document, whole]);
  const { output: shortly, for: answered, error, ask } = useJudged(job, runJudge);
  const { output: wholly, for: whollyOf } = useJudged(wholeJob, runWhole);
  const judged = useMemo(() => joined(shortly, wholly), [shortly, wholly]);
  return { surroundings, judged, error, answered, ask, isSettled: whollyOf === wholeJob };
}

/** The same head in each metal; undefined before it is worked out. */
export function useMetalLines(built: Design | undefined, surroundings: Surroundings) {
  const stripJob = useMemo<Job | undefined>(
    () => built && { design: built, surroundings },
    [built, surroundings],
  );
  return useJudged(stripJob, runMetals).output;
}
