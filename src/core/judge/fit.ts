import type { Metal } from '../material/metals/metal.ts';
import { METALS } from '../material/metals/index.ts';
import type { LaidPlastic, Obstacle } from '../rigging/method.ts';
import { methodOf } from '../rigging/methods/index.ts';
import { fitChecks } from './checks.ts';
import type { Evaluation } from './evaluate.ts';
import { firstFittingHook } from './remedies.ts';
import type { FitCheck, Verdict } from './verdict.ts';
import { worst } from './verdict.ts';

/** How a plastic goes on a head by one method. */
export interface Fit {
  readonly laid: LaidPlastic;
  /** why the method cannot be used at all; undefined where it can */
  readonly obstacle: Obstacle | undefined;
  /** the steps of a person's hands, in order, with lengths marked */
  readonly steps: readonly string[];
  readonly checks: readonly FitCheck[];
  /** the worst of the checks */
  readonly verdict: Verdict;
}

/** What a fit is judged from: an evaluation that came out. */
type Judged = Pick<Extract<Evaluation, { ok: true }>, 'design' | 'rig' | 'readings'>;

/**
 * Judges every point of the fit of an evaluated rig; fixes are found by trying them. Throws where the rig has
 * no plastic, which is a mistake of the program.
 */
export function judgeFit({ design, rig, readings }: Judged, metals: readonly Metal[] = METALS): Fit {
  const { bait } = rig;
  if (!bait) throw new Error('There is no plastic on this rig to judge.');
  const method = methodOf(bait.method);
  // Fixes are looked for once, and only where something is wrong.
  let found: { readonly size: string } | undefined;
  const hook = () => (found ??= { size: firstFittingHook(design, bait.plastic, method, metals) }).size;
  const checks = fitChecks(rig, bait, (id) => readings[id]?.value ?? NaN, { design, hook });
  const obstacle = method.obstacle?.(rig, bait.plastic);
  return {
    laid: bait.laid,
    obstacle,
    steps: method.steps(bait.laid, rig),
    checks,
    verdict: obstacle ? 'bad' : worst(checks.map(({ verdict }) => verdict)),
  };
}
