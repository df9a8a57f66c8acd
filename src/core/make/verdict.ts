import { marked } from '../quantity/phrase.ts';
import type { Chart } from './control.ts';
import { capability, individuals } from './control.ts';
import type { Capability } from './control.ts';
import { samplesToTell } from './gauge.ts';
import { deviationOf, meanOf } from './spread.ts';

/** Weights wanted of a batch, g. */
export interface Wanted {
  readonly target: number;
  readonly low: number;
  readonly high: number;
}

export type CavityState = 'good' | 'light' | 'heavy' | 'wild' | 'cold' | 'short' | 'few';

/** How one cavity of a batch throws. */
export interface CavityVerdict {
  readonly cavity: number;
  /** pieces, each once, in the order poured; g */
  readonly weights: readonly number[];
  readonly mean: number;
  readonly deviation: number;
  readonly chart: Chart | undefined;
  readonly capability: Capability | undefined;
  /** places in `weights` beyond the limits wanted */
  readonly rejects: readonly number[];
  readonly state: CavityState;
  /** one sentence: what it does, and what to do; quantities in it are marked */
  readonly words: string;
  /** g to be added to its mean to meet the target; where a change of the cavity would do it */
  readonly change: number | undefined;
}

/** Fewer pieces than this say nothing of a cavity (common practice, no source). */
const FEW = 3;
/** A mean is off where it is this many standard errors from the target, and this share of the room to the limit. */
const OFF = { errors: 2, room: 1 / 3 };
/** Deviations below the rest at which a piece is a short fill and no ordinary light one (working value, no source). */
const SHORT = 5;
/** Pieces at the start of a run that a cold mould or melt shows in, and how far below the rest their mean must lie, deviations. */
const COLD = { first: 3, below: 2, rest: 4 };
/** A cavity is wild where its pieces spread this much wider than those of the others. */
const WILD = 2;

/**
 * What each cavity of a batch throws and what to do about it: open it by so much, vent it, warm the melt, weigh more. `pieces` by cavity, in the
 * order poured, g.
 */
export function cavityVerdicts(
  pieces: ReadonlyMap<number, readonly number[]>,
  wanted: Wanted,
): CavityVerdict[] {
  const deviations = [...pieces.values()]
    .map(deviationOf)
    .filter(Number.isFinite)
    .sort((a, b) => a - b);
  const usual = deviations[Math.floor((deviations.length - 1) / 2)] ?? NaN;
  return [...pieces]
    .sort(([a], [b]) => a - b)
    .map(([cavity, weights]) => verdictOf(cavity, weights, wanted, usual));
}

const g = (grams: number) => marked(grams, 'mass');

function verdictOf(
  cavity: number,
  weights: readonly number[],
  { target, low, high }: Wanted,
  usual: number,
): CavityVerdict {
  const mean = weights.length > 0 ? meanOf(weights) : NaN;
  const deviation = deviationOf(weights);
  const chart = individuals(weights);
  const rejects = weights.flatMap((value, i) => (value < low || value > high ? [i] : []));
  const found = {
    cavity,
    weights,
    mean,
    deviation,
    chart,
    capability: deviation > 0 ? capability(mean, deviation, low, high) : undefined,
    rejects,
  };
  const say = (state: CavityState, words: string, change?: number): CavityVerdict => ({
    ...found,
    state,
    words,
    change,
  });
  if (weights.length < FEW)
    return say('few', `${weights.length} weighed: weigh at least ${FEW} before judging this cavity.`);
  const short = shortFills(weights);
  if (short.length > 0) {
    const sound = weights.filter((_, i) => !short.includes(i));
    return say(
      'short',
      `${short.length} of ${weights.length} far lighter than the rest, down to ${g(Math.min(...weights))} against ${g(meanOf(sound))}: short fills. Vent it, or open its gate, before its size is judged.`,
    );
  }
  const cold = coldStart(weights);
  if (cold !== undefined)
    return say(
      'cold',
      `The first ${cold} lie ${g(meanOf(weights.slice(cold)) - meanOf(weights.slice(0, cold)))} under the rest: mould or melt was still cold. Warm up with some pours that go back in the pot, and weigh again.`,
    );
  if (deviation > WILD * usual && usual > 0)
    return say(
      'wild',
      `Spreads ${(deviation / usual).toFixed(1)} times as wide as the usual cavity: vent it, look for a hook that lies loose, and pour hotter before changing its size.`,
    );
  const error = deviation / Math.sqrt(weights.length);
  const off = mean - target;
  const room = off < 0 ? target - low : high - target;
  if (Math.abs(off) > OFF.errors * error && Math.abs(off) > OFF.room * room) {
    const is = off < 0 ? 'light' : 'heavy';
    const remedy =
      off < 0
        ? `Open it by ${g(-off)} of metal; the Mould screen tells how deep.`
        : `Metal cannot be put back: shim it, mark it for the next heavier rung, or make it anew.`;
    return say(is, `Throws ${g(mean)}, ${g(Math.abs(off))} ${is} of the target. ${remedy}`, -off);
  }
  return say(
    'good',
    rejects.length > 0
      ? `Throws ${g(mean)}, on target, but ${rejects.length} of ${weights.length} are beyond the limits: its spread is too wide for them.`
      : `Throws ${g(mean)}, on target.`,
  );
}

/** Places of pieces far below the rest: by the median and the median deviation, which a short fill does not move. */
function shortFills(weights: readonly number[]): number[] {
  const middle = median(weights);
  const spread = 1.4826 * median(weights.map((value) => Math.abs(value - middle)));
  // Weights alike to the last digit of the scale have no spread: a hundredth of the weight stands in.
  const unit = Math.max(spread, middle * 0.002);
  return weights.flatMap((value, i) => (value < middle - SHORT * unit ? [i] : []));
}

function coldStart(weights: readonly number[]): number | undefined {
  const { first, below, rest } = COLD;
  if (weights.length < first + rest) return undefined;
  const [head, tail] = [weights.slice(0, first), weights.slice(first)];
  const spread = deviationOf(tail);
  const isRising = head.every((value) => value < meanOf(tail));
  return isRising && meanOf(tail) - meanOf(head) > below * spread ? first : undefined;
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1
    ? (sorted[half] as number)
    : ((sorted[half - 1] as number) + (sorted[half] as number)) / 2;
}

/** Which cavity a head in the hand is likely from. */
export interface Belongs {
  readonly cavity: number;
  /** how many of its deviations the head lies off its mean; below 0 it is light */
  readonly off: number;
  /** chance that it is from here among all of them, each as likely before it was weighed */
  readonly chance: number;
}

/** Places a single head among the cavities it may come from, the likeliest first; cavities with fewer than three weights are left out. */
export function belongsTo(grams: number, verdicts: readonly CavityVerdict[]): Belongs[] {
  const known = verdicts.filter(({ deviation, weights }) => deviation > 0 && weights.length >= FEW);
  const likely = known.map(({ mean, deviation }) => {
    const z = (grams - mean) / deviation;
    return Math.log(1 / deviation) - (z * z) / 2;
  });
  const top = Math.max(...likely);
  const sum = likely.reduce((total, log) => total + Math.exp(log - top), 0);
  return known
    .map(({ cavity, mean, deviation }, i) => ({
      cavity,
      off: (grams - mean) / deviation,
      chance: Math.exp((likely[i] as number) - top) / sum,
    }))
    .sort((a, b) => b.chance - a.chance);
}

/** Pieces of each of two cavities that tell them apart, if they are as far apart as they seem; undefined where one has no spread yet or both throw alike. */
export function tellApart(one: CavityVerdict, other: CavityVerdict): number | undefined {
  const difference = Math.abs(one.mean - other.mean);
  if (!(one.deviation > 0 && other.deviation > 0 && difference > 0)) return undefined;
  return samplesToTell(Math.sqrt((one.deviation ** 2 + other.deviation ** 2) / 2), difference);
}
