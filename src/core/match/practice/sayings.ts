import { withUsual } from '../../quantity/phrase.ts';
import type { Bait } from '../../assembly/rig.ts';
import { solveTarget } from '../../assembly/solve.ts';
import { usualBait } from '../../assembly/usual-bait.ts';
import type { Design } from '../../document/design.ts';
import { evaluate, PLAIN_WATER } from '../../judge/evaluate.ts';
import { METALS } from '../../material/metals/index.ts';
import type { Metal } from '../../material/metals/metal.ts';
import { coversPoint } from '../../rigging/method.ts';
import { METHODS } from '../../rigging/methods/index.ts';
import type { ReadingValues } from '../engine/head.ts';
import { valuesOf } from '../engine/match.ts';
import type { Look, Span } from './said.ts';
import type { Saying } from './said.ts';
import { SAYINGS } from './said.ts';

/** A head a saying is held against. */
export interface SaidOf {
  readonly name: string;
  readonly design: Design;
  /** readings kept at save */
  readonly values: ReadingValues;
}

/** Whether a saying holds: for all, for none, or it depends. */
export type SayingVerdict = 'agreed' | 'not' | 'depends' | 'nothing to test it on';

/** One head’s part in it. */
export interface Evidence {
  readonly name: string;
  readonly holds: boolean;
  /** the figures, quantities marked */
  readonly figures: string;
}

/** A saying, tested. */
export interface SayingRow {
  readonly key: string;
  readonly says: string;
  /**
   * what it was held to, and what was found, in words made of the same figures as the evidence; quantities
   * marked
   */
  readonly why: string;
  readonly verdict: SayingVerdict;
  readonly evidence: readonly Evidence[];
}

/** Heads a saying is held against at most: one computes several of each. */
const MOST = 6;
/** Shares of heads for which it must hold to be agreed, and up to which it is not. */
const AGREED = 0.8;
const NOT = 0.2;

/**
 * A plastic that a head is said to be fished with in cover: the usual one, the point buried where its method
 * allows.
 */
function weedless(design: Design, metals: readonly Metal[]): Bait | undefined {
  const solved = solveTarget(design, metals);
  if (!solved.ok) return undefined;
  const bait = usualBait(solved.rig);
  if (!bait) return undefined;
  const buried = METHODS.find(
    (method) => coversPoint(method) && method.obstacle?.(solved.rig, bait.plastic) === undefined,
  );
  return buried ? { ...bait, method: buried.key } : bait;
}

/** Holds every saying against some heads: the first of the sort it is about, a few of each. */
export const testSayings = (heads: readonly SaidOf[], metals: readonly Metal[] = METALS): SayingRow[] =>
  SAYINGS.map(sayingTest(heads, metals));

/** Returns the test of one saying on some heads; heads that several sayings are about are computed once. */
export function sayingTest(
  heads: readonly SaidOf[],
  metals: readonly Metal[] = METALS,
): (saying: Saying) => SayingRow {
  const looked = new Map<string, ReadingValues | undefined>();
  const look: Look = (design, around = {}, isWeedless = false) => {
    const key = JSON.stringify([design, around, isWeedless]);
    if (looked.has(key)) return looked.get(key);
    const bait = isWeedless ? weedless(design, metals) : undefined;
    const result = evaluate(design, { ...PLAIN_WATER, metals, ...around }, bait);
    const values = result.ok ? valuesOf(result.readings) : undefined;
    looked.set(key, values);
    return values;
  };
  return ({ key, says, held, reason, isOf, test }) => {
    const evidence: Evidence[] = [];
    const numbers: number[][] = [];
    for (const head of heads) {
      if (evidence.length >= MOST) break;
      if (!isOf(head)) continue;
      const found = test(head, look);
      if (!found) continue;
      evidence.push({ name: head.name, holds: found.holds, figures: withUsual(found.figures) });
      found.numbers.forEach((value, i) => (numbers[i] ??= []).push(value));
    }
    const spans = numbers.map((values): Span => [Math.min(...values), Math.max(...values)]);
    const why = evidence.length > 0 ? `${held} ${reason(...spans)}` : held;
    const share = evidence.filter(({ holds }) => holds).length / evidence.length;
    const verdict: SayingVerdict =
      evidence.length === 0
        ? 'nothing to test it on'
        : share >= AGREED
          ? 'agreed'
          : share <= NOT
            ? 'not'
            : 'depends';
    return { key, says: withUsual(says), why: withUsual(why), verdict, evidence };
  };
}
