import type { Answer, Answers } from './judge.ts';
import { NO, YES } from './marks.ts';
import type { Situation } from './situation.ts';
import { outside, usualWindow } from './window.ts';
import { leastFor } from '../questions/least.ts';

/**
 * Where a head stands, in the order in which it is compared: each line is asked only among those that are
 * equal in all before it. Nothing is added up between questions that are not alike.
 */
export interface Standing {
  /** hard stops and a no to decisive questions: out */
  readonly out: number;
  /** a no to other questions */
  readonly wrong: number;
  /** decisive questions answered barely: told, and compared by `short` */
  readonly cares: number;
  /**
   * how far the decisive answers fall short of a yes, the worst first: digits of steps of a twentieth, as one
   * number
   */
  readonly short: number;
  /**
   * how much the shape was made for this: grades of the decisive questions that ask for the shape, in fifths
   */
  readonly made: number;
  /** quarters of a doubling from the window of weights */
  readonly far: number;
  /** other questions answered barely: told, and compared by `lacks` */
  readonly doubts: number;
  /** how far the other answers fall short of a yes, in steps of a tenth */
  readonly lacks: number;
  /** how well the bait goes on it, in fifths */
  readonly fits: number;
  /** how good the remaining answers are, in fifths */
  readonly fine: number;
  /** steps of half a doubling of what the metal costs */
  readonly cost: number;
}

/**
 * Steps a decisive answer can fall short of a yes by without being a no; and how many such answers are told
 * apart.
 */
const STEP = 0.05;
const DIGITS = 6;
const BASE = Math.ceil((YES - NO) / STEP) + 1;
/** Steps of a doubling the window of weights is told apart by: heads a tenth off it are as good as in it. */
const NEAR = 4;

/**
 * Steps answers fall short by, the worst first, as one number: of two the one whose worst is worse is larger,
 * of equals by the next.
 */
function worstFirst(steps: number[]): number {
  steps.sort((a, b) => b - a);
  let whole = 0;
  for (let i = 0; i < DIGITS; i++) whole = whole * BASE + (steps[i] ?? 0);
  return whole;
}

/**
 * Weight of the way of fishing among what a shape was made for: enough to tell equals apart, too little to
 * turn a fifth round.
 */
const PURPOSE = 1.125;

/** A score in fifths: as finely as rules are graded. */
const fifths = (score: number): number => Math.round(5 * score);

/** Counts the answers of a head; `rank` does it for many. */
export type Stand = (answers: Answers) => Standing;

/** Makes what counts, for a situation. */
export function standFor(situation: Situation): Stand {
  const usual = usualWindow(situation);
  const least = leastFor(situation);
  return ({ head, all }) => {
    let [out, wrong, cares, made, doubts, lacks, fits, fine] = [0, 0, 0, 0, 0, 0, 0, 0];
    const short: number[] = [];
    for (const { score, isDecisive, isHard, question } of all) {
      if (score === undefined) continue;
      if (isHard || (isDecisive && score < NO)) out++;
      else if (!isDecisive && score < NO) wrong++;
      else if (isDecisive) {
        if (score < YES) {
          cares++;
          short.push(Math.ceil((YES - score) / STEP - 1e-9));
        }
      } else if (score < YES) {
        doubts++;
        lacks += Math.ceil((YES - score) / (2 * STEP) - 1e-9);
      }
      // Of two shapes made for it equally the one made for the way of fishing itself goes first.
      if (isDecisive && question.isOfShape) made += fifths(score) * (question.isPurpose ? PURPOSE : 1);
      else if (question.isFit) fits += fifths(score);
      else fine += fifths(score);
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
      short: worstFirst(short),
      made,
      doubts,
      lacks,
      fits,
      far: Math.round(NEAR * Math.log2(ratio)),
      fine,
      cost: dear !== undefined && dear > 0 ? Math.round(2 * Math.log2(dear)) : 0,
    };
  };
}

/**
 * Better first: no hard stop and no decisive no before any; fewest wrong; what falls least short in a
 * decisive question, the worst first; what the shape was made for; nearness to the window of weights; what
 * falls least short elsewhere; the bait’s fit; the remaining answers; cost. 0 means equal, and is shown as
 * equal.
 */
export function compareStandings(a: Standing, b: Standing): number {
  return (
    a.out - b.out ||
    a.wrong - b.wrong ||
    a.short - b.short ||
    b.made - a.made ||
    a.far - b.far ||
    a.lacks - b.lacks ||
    b.fits - a.fits ||
    b.fine - a.fine ||
    a.cost - b.cost
  );
}

/**
 * The answer that decided against a head: a hard stop, then a decisive no, then any other no, then the
 * weakest of the decisive.
 */
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
