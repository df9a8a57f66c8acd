import type { Answer, Answers } from './judge.ts';
import { NO, YES } from './judge.ts';
import type { Situation } from './situation.ts';
import { outside, usualWindow } from './window.ts';
import { leastFor } from './questions/least.ts';

/** Where a head stands, in counts: nothing is added up between questions that are not alike. */
export interface Standing {
  /** hard stops and a no to decisive questions: out */
  readonly out: number;
  /** a no to other questions */
  readonly wrong: number;
  /** decisive questions answered barely */
  readonly cares: number;
  /** decisive questions answered as well as can be */
  readonly best: number;
  /** other questions answered barely */
  readonly doubts: number;
  /** other questions answered as well as can be */
  readonly fine: number;
  /** steps of a tenth from the window of weights */
  readonly far: number;
  /** steps of half a doubling of what the metal costs */
  readonly cost: number;
}

/** From this on an answer is as good as can be. */
const BEST = 0.9;

/** Counts the answers of a head; `rank` does it for many. */
export type Stand = (answers: Answers) => Standing;

/** Makes what counts, for a situation. */
export function standFor(situation: Situation): Stand {
  const usual = usualWindow(situation);
  const least = leastFor(situation);
  return ({ head, all }) => {
    let [out, wrong, cares, best, doubts, fine] = [0, 0, 0, 0, 0, 0];
    for (const { score, isDecisive, isHard } of all) {
      if (score === undefined) continue;
      if (isHard || (isDecisive && score < NO)) out++;
      else if (isDecisive) {
        if (score < YES) cares++;
        else if (score >= BEST) best++;
      } else if (score < NO) wrong++;
      else if (score < YES) doubts++;
      else if (score >= BEST) fine++;
    }
    const metal = head.values['mass.metal'];
    const held = least(head) ?? 0;
    const ratio =
      metal === undefined
        ? 1
        : outside(metal, { least: Math.max(usual.least, held), most: Math.max(usual.most, 2.2 * held) });
    const dear = head.values['cost.metal'];
    return {
      out,
      wrong,
      cares,
      best,
      doubts,
      fine,
      far: Math.round(10 * Math.log2(ratio)),
      cost: dear !== undefined && dear > 0 ? Math.round(2 * Math.log2(dear)) : 0,
    };
  };
}

/**
 * Better first: no hard stop and no decisive no before any; fewest wrong; fewest cares and most as good as can be among the decisive; fewest
 * doubts and most as good as can be among the others; nearness to the window of weights; cost. 0 means equal, and is shown as equal.
 */
export function compareStandings(a: Standing, b: Standing): number {
  return (
    a.out - b.out ||
    a.wrong - b.wrong ||
    a.cares - b.cares ||
    b.best - a.best ||
    a.doubts - b.doubts ||
    b.fine - a.fine ||
    a.far - b.far ||
    a.cost - b.cost
  );
}

/** The answer that decided against a head: a hard stop, then a decisive no, then any other no, then the weakest of the decisive. */
export function worstAnswer({ all }: Answers): Answer | undefined {
  const weight = ({ isHard, isDecisive, score = 1 }: Answer) =>
    (isHard ? -10 : 0) +
    (score < NO ? (isDecisive ? -4 : -2) : score < YES ? (isDecisive ? -1 : -0.5) : 0) +
    score;
  let worst: Answer | undefined;
  for (const one of all) {
    if (one.score === undefined) continue;
    if (!worst || weight(one) < weight(worst)) worst = one;
  }
  return worst;
}

/** Things in order, with their places: equals share one, and the next follows after all of them. */
export function placed<T>(
  items: readonly T[],
  standing: (item: T) => Standing,
): { readonly place: number; readonly item: T }[] {
  const sorted = items
    .map((item, index) => ({ item, index, stand: standing(item) }))
    .sort((a, b) => compareStandings(a.stand, b.stand) || a.index - b.index);
  let place = 0;
  return sorted.map(({ item, stand }, i) => {
    const before = sorted[i - 1];
    if (!before || compareStandings(before.stand, stand) !== 0) place = i + 1;
    return { place, item };
  });
}
