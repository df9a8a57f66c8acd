import type { Highs } from 'highs';
import type { Aim, RangeProblem } from './programme.ts';
import { AIMS, lpText, programmeFor } from './programme.ts';

/** How a search stands. */
export interface Progress {
  readonly aim: Aim;
  /** share by which the best found may still be bettered; Infinity before anything is found */
  readonly gap: number;
  /** s since the search began */
  readonly seconds: number;
}

/** The smallest range found. */
export interface RangeFound {
  /** places among the candidates, in their order */
  readonly taken: readonly number[];
  /** proven: no range does better in any of the aims, taken in their order */
  readonly isProven: boolean;
  /** share by which it may still be bettered in the first aim that was not proven; 0 where all were */
  readonly gap: number;
  readonly seconds: number;
}

/** The smallest range, or why none was found. */
export type RangeSolved =
  | ({ readonly ok: true } & RangeFound)
  | { readonly ok: false; readonly reason: 'impossible' | 'stopped' };

let loading: Promise<Highs> | undefined;

/** Loads the solver once. `wasm` is the address of its binary where the bundler moves it. */
export function loadSolver(wasm?: string): Promise<Highs> {
  loading ??= import('highs').then(({ default: load }) =>
    load(wasm === undefined ? {} : { locateFile: () => wasm }),
  );
  return loading;
}

/** How long a range is looked for, and how its progress is told. */
export interface SolveOptions {
  /** s allowed in all; what is found by then is given with its gap */
  readonly seconds?: number;
  readonly onProgress?: (progress: Progress) => void;
  /** asked between steps of the search */
  readonly isStopped?: () => boolean;
}

/** Longest search where nothing else is said, s. */
const SECONDS = 20;

/**
 * The smallest range: as many briefs served well as can be within the limits, then as many served at all,
 * then with the fewest heads, then for the least outlay; each aim an integer programme solved to proof
 * (HiGHS, branch and cut), with what came before held. Impossible where even an empty wall breaks a limit,
 * which takes a head that must be there.
 */
export function leastRange(highs: Highs, problem: RangeProblem, options: SolveOptions = {}): RangeSolved {
  const began = Date.now();
  const spent = () => (Date.now() - began) / 1000;
  const allowed = options.seconds ?? SECONDS;
  const { optimal, infeasible, unboundedOrInfeasible } = highs.constants.modelStatus;
  const { mipLogging, mipInterrupt } = highs.constants.callbackType;
  const reached: Partial<Record<Aim, number>> = {};
  let taken: number[] | undefined;
  let gap = 0;
  for (const aim of AIMS) {
    if (options.isStopped?.() === true) break;
    const data = lpText(programmeFor(problem, aim, reached));
    const model = highs.createModel({ format: 'lp', data });
    try {
      model.options.set({
        output_flag: false,
        // Aims are small whole numbers and money: to proof, not to within a ten-thousandth.
        mip_rel_gap: 0,
        mip_abs_gap: 1e-6,
        time_limit: Math.max(0.05, allowed - spent()),
      });
      const { modelStatus } = model.run({
        [mipLogging]: (event) => {
          options.onProgress?.({ aim, gap: event.data.mip_gap ?? Infinity, seconds: spent() });
        },
        [mipInterrupt]: (event) => {
          if (options.isStopped?.() === true) event.interrupt();
        },
      });
      if (modelStatus === infeasible || modelStatus === unboundedOrInfeasible)
        return { ok: false, reason: 'impossible' };
      const isFound = model.info.get('primal_solution_status') === 2;
      const left = modelStatus === optimal ? 0 : Number(model.info.get('mip_gap'));
      if (isFound) {
        const { colValue } = model.getSolution();
        taken = problem.candidates.flatMap((_, i) =>
          (colValue[model.getColByName(`x${i}`)] ?? 0) > 0.5 ? [i] : [],
        );
        const value = model.getObjectiveValue();
        // Counts are whole; a solver's sum of them may be off by its tolerance.
        reached[aim] = aim === 'outlay' ? value : Math.round(value);
      }
      options.onProgress?.({ aim, gap: left, seconds: spent() });
      if (modelStatus !== optimal) {
        gap = left;
        break;
      }
    } finally {
      model.dispose();
    }
  }
  if (!taken) return { ok: false, reason: 'stopped' };
  const isProven = AIMS.every((aim) => reached[aim] !== undefined) && gap === 0;
  return { ok: true, taken, isProven, gap, seconds: spent() };
}
