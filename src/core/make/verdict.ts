import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import tQuantile from '@stdlib/stats-base-dists-t-quantile';
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
/**
 * Chances that a sound pour is told to have a fault, of each kind and cavity: together they stay under one in a hundred. What is less sure than
 * that, but surer than `hint`, is told as too few pieces to tell.
 */
const FALSE = { short: 0.001, cold: 0.001, wild: 0.001, off: 0.003, hint: 0.01, without: 0.05 } as const;
/** A mean is off where it is this share of the room to the limit from the target, at least. */
const OFF_ROOM = 1 / 3;
/** Share of the weight that a short fill is lighter by, at least: less is spread, whatever its cause (working value, no source). */
const SHORT_LEAST = 0.01;
/** Share of the pieces that can be short fills of an else sound cavity. */
const SHORT_MOST = 1 / 3;
/**
 * Pieces at the start of a run that a cold mould or melt shows in; so many of them must each lie low by so many deviations, and so many
 * must follow.
 */
const COLD = { first: 3, low: 2, each: 1.5, rest: 4 };
/** A cavity is wild where its pieces spread this much wider than those of the others, at least. */
const WILD = 1.6;
/** A scale is too coarse where one of its steps is this share of the room to the limit. */
const COARSE = 1 / 3;
/** Most pieces that are asked for at once: what more would tell is too slight to matter. */
const MOST_MORE = 60;
/**
 * Deviation that pieces may have which all read alike, in steps of the scale: of two in three such rows of four it is no more than this, and a
 * step either way is then no rare thing.
 */
const ALIKE = 0.4;

/** Steps a scale may show in, g, and that of most scales in a shop (common practice, no source). */
const READ_IN = [0.1, 0.05, 0.02, 0.01, 0.005, 0.002, 0.001];
const USUAL_STEP = 0.01;

/**
 * Step of the scale that some weights were read on, g: the largest usual one that most of them are whole numbers of, and no larger than what two
 * of them differ by. Of weights that are all alike nothing is seen: the usual one, where it fits. A piece weighed twice is a mean and may lie
 * between. 0 where there is none.
 */
function stepOfScale(weights: readonly number[]): number {
  const isWhole = (step: number) => (grams: number) =>
    Math.abs(grams / step - Math.round(grams / step)) < 1e-6 * Math.max(1, grams / step);
  const sorted = [...weights].sort((a, b) => a - b);
  const gaps = sorted.slice(1).flatMap((value, i) => {
    const gap = value - (sorted[i] as number);
    return gap > 1e-6 ? [gap] : [];
  });
  const most = gaps.length > 0 ? Math.min(...gaps) * 1.001 : USUAL_STEP;
  return (
    READ_IN.find((step) => step <= most && weights.filter(isWhole(step)).length >= 0.8 * weights.length) ?? 0
  );
}

/** A handful of weights read in steps: their mean, and what they spread, never less than the steps allow. */
interface Spread {
  readonly count: number;
  readonly mean: number;
  readonly deviation: number;
}
function spreadOf(weights: readonly number[], step: number): Spread {
  const own = deviationOf(weights);
  return {
    count: weights.length,
    mean: meanOf(weights),
    deviation: Math.max(Number.isFinite(own) ? own : 0, ALIKE * step),
  };
}

/** Student's quantile, one side. */
const studentAt = (chance: number, freedom: number): number => tQuantile(1 - chance, freedom);

/** What one cavity's weights are read with: the scale's step, and the spread of the other cavities. */
interface Around {
  readonly step: number;
  readonly others: { readonly deviation: number; readonly freedom: number } | undefined;
}

/** A deviation, and how many degrees of freedom it is known by. */
interface Known {
  readonly deviation: number;
  readonly freedom: number;
}

/**
 * The spread some weights of one sort are judged by: their own, with that of the other cavities where it is no narrower than these would be by
 * chance. A few pieces say little of their spread by themselves.
 */
function knownSpread(weights: readonly number[], { step, others }: Around): Known {
  const own = { deviation: spreadOf(weights, step).deviation, freedom: weights.length - 1 };
  if (!others || (own.freedom > 0 && isWider(own, others, FALSE.hint))) return own;
  const freedom = own.freedom + others.freedom;
  const squares = own.freedom * own.deviation ** 2 + others.freedom * others.deviation ** 2;
  return { deviation: Math.sqrt(squares / freedom), freedom };
}

/** Whether one spread is wider than another beyond what chance has. */
const isWider = (one: Known, other: Known, chance: number): boolean =>
  chanceOfRatio((one.deviation / other.deviation) ** 2, one.freedom, other.freedom) < chance;

/**
 * What each cavity of a batch throws and what to do about it: open it by so much, vent it, warm the melt, weigh more. `pieces` by cavity, in the
 * order poured, g.
 */
export function cavityVerdicts(
  pieces: ReadonlyMap<number, readonly number[]>,
  wanted: Wanted,
): CavityVerdict[] {
  const step = stepOfScale([...pieces.values()].flat());
  const sound = new Map(
    [...pieces].map(
      ([cavity, weights]) =>
        [cavity, withoutShort(weights, { step, others: undefined }, FALSE.hint)] as const,
    ),
  );
  const othersOf = (cavity: number): Around['others'] => {
    const rest = [...sound].filter(([key, weights]) => key !== cavity && weights.length > 1);
    const freedom = rest.reduce((sum, [, weights]) => sum + weights.length - 1, 0);
    if (freedom < 2) return undefined;
    // The middle cavity's, so that a second wild one does not hide the first.
    const each = rest.map(([, weights]) => spreadOf(weights, step).deviation).sort((a, b) => a - b);
    const pooled = Math.sqrt(
      rest.reduce(
        (sum, [, weights]) => sum + (weights.length - 1) * spreadOf(weights, step).deviation ** 2,
        0,
      ) / freedom,
    );
    const middle = each[Math.floor((each.length - 1) / 2)] ?? pooled;
    return { deviation: each.length < 4 ? pooled : Math.min(pooled, 1.5 * middle), freedom };
  };
  return [...pieces]
    .sort(([a], [b]) => a - b)
    .map(([cavity, weights]) => verdictOf(cavity, weights, wanted, { step, others: othersOf(cavity) }));
}

const g = (grams: number) => marked(grams, 'mass');

function verdictOf(
  cavity: number,
  weights: readonly number[],
  { target, low, high }: Wanted,
  around: Around,
): CavityVerdict {
  const { step } = around;
  const count = weights.length;
  const mean = count > 0 ? meanOf(weights) : NaN;
  const deviation = deviationOf(weights);
  const rejects = weights.flatMap((value, i) => (value < low || value > high ? [i] : []));
  const found = {
    cavity,
    weights,
    mean,
    deviation,
    chart: individuals(weights),
    capability: deviation > 0 ? capability(mean, deviation, low, high) : undefined,
    rejects,
  };
  const say = (state: CavityState, words: string, change?: number): CavityVerdict => ({
    ...found,
    state,
    words,
    change,
  });
  if (count < FEW) return say('few', `${count} weighed: weigh at least ${FEW} before judging this cavity.`);
  const more = (pieces: number | undefined, what: string) =>
    say(
      'few',
      `${what} Too few to tell: weigh ${pieces === undefined ? `${MOST_MORE} or more` : `${pieces} more`}.`,
    );

  const sound = withoutShort(weights, around, FALSE.short);
  const cold = coldStart(weights, sound, around, FALSE.cold);
  if (cold !== undefined)
    return say(
      'cold',
      `The first ${COLD.first} lie ${g(cold)} under the rest: mould or melt was still cold. Warm up with some pours that go back in the pot, and weigh again.`,
    );
  const { others } = around;
  const spread = { deviation: spreadOf(weights, step).deviation, freedom: count - 1 };
  const times = others ? spread.deviation / others.deviation : 0;
  // A cavity that is wild is so without its first pieces, and without its lightest, too.
  const isWild =
    others !== undefined &&
    times > WILD &&
    isWider(spread, others, FALSE.wild) &&
    isWider(narrowest(weights, step), others, FALSE.without);
  const short = count - sound.length;
  if (short > 0 && !(isWild && isWider(knownSpread(sound, { step, others: undefined }), others, FALSE.hint)))
    return say(
      'short',
      `${short} of ${count} far lighter than the rest, down to ${g(Math.min(...weights))} against ${g(meanOf(sound))}: short fills. Vent it, or open its gate, before its size is judged.`,
    );
  if (isWild)
    return say(
      'wild',
      `Spreads ${times.toFixed(1)} times as wide as the other cavities: vent it, look for a hook that lies loose, and pour hotter before changing its size.`,
    );
  // What may be a short fill, a cold start or a wild cavity: more pieces say.
  const maybe = withoutShort(weights, around, FALSE.hint);
  if (maybe.length < count)
    return more(
      moreUntil(count, (n) => isApart(weights, maybe, around, FALSE.short, n)),
      `${count - maybe.length} of ${count} may be a short fill, ${g(Math.min(...weights))} against ${g(meanOf(maybe))}.`,
    );
  if (coldStart(weights, weights, around, FALSE.hint) !== undefined)
    return more(Math.max(COLD.rest, count), `The first ${COLD.first} may have been poured cold.`);
  if (others && times > WILD && isWider(spread, others, FALSE.hint))
    return more(
      moreUntil(count, (n) => isWider({ ...spread, freedom: n - 1 }, others, FALSE.wild)),
      `Seems to spread ${times.toFixed(1)} times as wide as the other cavities.`,
    );
  return placed(found, { target, low, high }, around, say, more);
}

/** The spread of all pieces, of those after the first few, or of all but the lightest, whichever is least. */
function narrowest(weights: readonly number[], step: number): Known {
  const lightest = weights.indexOf(Math.min(...weights));
  const some = [weights, weights.filter((_, i) => i !== lightest)];
  if (weights.length >= COLD.first + COLD.rest) some.push(weights.slice(COLD.first));
  return some
    .map((of) => ({ deviation: spreadOf(of, step).deviation, freedom: of.length - 1 }))
    .reduce((least, one) => (one.deviation < least.deviation ? one : least));
}

/** A cavity whose pieces are of one sort: on target, off it, or not known well enough. */
function placed(
  { mean, weights, rejects }: Pick<CavityVerdict, 'mean' | 'weights' | 'rejects'>,
  { target, low, high }: Wanted,
  around: Around,
  say: (state: CavityState, words: string, change?: number) => CavityVerdict,
  more: (pieces: number | undefined, what: string) => CavityVerdict,
): CavityVerdict {
  const { step } = around;
  const count = weights.length;
  const { deviation, freedom } = knownSpread(weights, around);
  // Weights that all read alike may all be off by half a step together.
  const rounding = deviationOf(weights) < ALIKE * step ? step / 2 : 0;
  const unsure = (n: number, chance: number) =>
    (studentAt(chance / 2, freedom + n - count) * deviation) / Math.sqrt(n) + rounding;
  const off = mean - target;
  const room = off < 0 ? target - low : high - target;
  const far = Math.abs(off);
  if (far > OFF_ROOM * room) {
    const is = off < 0 ? 'light' : 'heavy';
    if (far <= unsure(count, FALSE.off))
      return more(
        moreUntil(count, (n) => far > unsure(n, FALSE.off)),
        `Throws ${g(mean)}, which may be ${is}.`,
      );
    const remedy =
      off < 0
        ? `Open it by ${g(-off)} of metal; the Mould screen tells how deep.`
        : `Metal cannot be put back: shim it, mark it for the next heavier rung, or make it anew.`;
    return say(is, `Throws ${g(mean)}, ${g(far)} ${is} of the target. ${remedy}`, -off);
  }
  if (step > COARSE * room)
    return say(
      'few',
      `Throws ${g(mean)} on a scale that shows ${g(step)}: too coarse for ${g(room)} of room, however many are weighed. Weigh on a finer one, or ten together.`,
    );
  // On target as far as it goes: not where it could as well be beyond the limit.
  if (far + unsure(count, 0.05) > room)
    return more(
      moreUntil(count, (n) => far + unsure(n, 0.05) <= room),
      `Throws ${g(mean)}, near the target, but by so few it could be beyond the limits.`,
    );
  return say(
    'good',
    rejects.length > 0
      ? `Throws ${g(mean)}, on target, but ${rejects.length} of ${count} are beyond the limits: its spread is too wide for them.`
      : `Throws ${g(mean)}, on target.`,
  );
}

/** How many pieces more, so that something holds of all of them; undefined where `MOST_MORE` are too few. */
function moreUntil(count: number, holds: (count: number) => boolean): number | undefined {
  for (let more = 1; more <= MOST_MORE; more++) if (holds(count + more)) return more;
  return undefined;
}

/** How many ways there are to choose so many of a number, as a logarithm. */
function logChoices(count: number, of: number): number {
  let sum = 0;
  for (let i = 0; i < count; i++) sum += Math.log((of - i) / (i + 1));
  return sum;
}

/**
 * Whether the lightest pieces lie farther below the rest than chance would have it: Grubbs' test (Technometrics 11 (1969) 1) for several at
 * once, the heaviest of them against mean and spread of the rest by Student's quantile at the chance over the ways to choose so many. As if there were
 * `count` pieces in all.
 */
function isApart(
  weights: readonly number[],
  rest: readonly number[],
  around: Around,
  chance: number,
  count = weights.length,
): boolean {
  const low = weights.length - rest.length;
  const edge = [...weights].sort((a, b) => a - b)[low - 1] as number;
  const mean = meanOf(rest);
  const { deviation, freedom } = knownSpread(rest, around);
  const more = count - weights.length;
  if (freedom + more < 1) return false;
  const each = Math.exp(Math.log(chance) - logChoices(low, count));
  const limit =
    studentAt(Math.max(each, 1e-12), freedom + more) * deviation * Math.sqrt(1 + 1 / (count - low)) +
    around.step / 2;
  return mean - edge > Math.max(limit, SHORT_LEAST * mean);
}

/** The weights without those far below the rest, in their order; all of them where there are none such. */
function withoutShort(weights: readonly number[], around: Around, chance: number): readonly number[] {
  const order = weights.map((_, i) => i).sort((a, b) => (weights[a] as number) - (weights[b] as number));
  for (let low = Math.floor(SHORT_MOST * weights.length); low > 0; low--) {
    const short = new Set(order.slice(0, low));
    const rest = weights.filter((_, i) => !short.has(i));
    if (isApart(weights, rest, around, chance)) return rest;
  }
  return weights;
}

/**
 * How far the first pieces lie under the rest where that is no accident and no single one's doing, g; undefined else. `sound`: the weights without
 * short fills. One that lies far below by itself is a short fill, unless it is the very first, or all of the first lie low; so is one that comes later.
 */
function coldStart(
  weights: readonly number[],
  sound: readonly number[],
  around: Around,
  chance: number,
): number | undefined {
  const { first, low, rest } = COLD;
  if (weights.length < first + rest) return undefined;
  const [head, tail] = [weights.slice(0, first), weights.slice(first)];
  const least = Math.min(...sound);
  const isShort = weights.map((value) => value < least);
  if (isShort.slice(first).includes(true)) return undefined;
  const isAlone = isShort.filter(Boolean).length === 1 && !isShort[0];
  const { deviation, freedom } = knownSpread(tail, around);
  const mean = meanOf(tail);
  const under = mean - meanOf(head);
  const limit =
    studentAt(chance, freedom) * deviation * Math.sqrt(1 / first + 1 / tail.length) + around.step / 4;
  const each = head.filter((value) => value < mean - COLD.each * deviation - around.step / 4).length;
  return under > limit && each >= (isAlone ? first : low) ? under : undefined;
}

/**
 * Chance of a ratio of two variances or more, of normal values with so many degrees of freedom above and below, after Paulson (Ann. Math. Stat. 13
 * (1942) 233).
 */
function chanceOfRatio(ratio: number, above: number, below: number): number {
  const [a, b] = [2 / (9 * above), 2 / (9 * below)];
  const root = Math.cbrt(ratio);
  return 1 - normalCdf(((1 - b) * root - (1 - a)) / Math.sqrt(b * root * root + a), 0, 1);
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
