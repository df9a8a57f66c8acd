import { numberAt } from '../numeric/at.ts';
import { marked } from '../quantity/phrase.ts';
import type { Chart } from './control.ts';
import { capability, individuals } from './control.ts';
import type { Capability } from './control.ts';
import { samplesToTell } from './gauge.ts';
import type { Around } from './odd-pieces.ts';
import {
  ALIKE,
  COLD,
  coldStart,
  isApart,
  isWider,
  knownSpread,
  narrowest,
  spreadOf,
  stepOfScale,
  studentAt,
  withoutShort,
} from './odd-pieces.ts';
import { deviationOf, meanOf } from './spread.ts';

/** Weights wanted of a batch, g. */
export interface Wanted {
  readonly target: number;
  readonly low: number;
  readonly high: number;
}

/** What the weights of a cavity say of it. */
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
 * Chances that a sound pour is told to have a fault, of each kind and cavity: together they stay under one in
 * a hundred. What is less sure than that, but surer than `hint`, is told as too few pieces to tell.
 */
const FALSE = { short: 0.001, cold: 0.001, wild: 0.001, off: 0.003, hint: 0.01, without: 0.05 } as const;
/** A mean is off where it is this share of the room to the limit from the target, at least. */
const OFF_ROOM = 1 / 3;
/** A cavity is wild where its pieces spread this much wider than those of the others, at least. */
const WILD = 1.6;
/** A scale is too coarse where one of its steps is this share of the room to the limit. */
const COARSE = 1 / 3;
/** Most pieces that are asked for at once: what more would tell is too slight to matter. */
const MOST_MORE = 60;
/**
 * What each cavity of a batch throws and what to do about it: open it by so much, vent it, warm the melt,
 * weigh more. `pieces` by cavity, in the order poured, g.
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
    const each = rest.map(([, weights]) => spreadOf(weights, step)).sort((a, b) => a - b);
    const pooled = Math.sqrt(
      rest.reduce((sum, [, weights]) => sum + (weights.length - 1) * spreadOf(weights, step) ** 2, 0) /
        freedom,
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
      `The first ${COLD.first} lie ${g(cold)} under the rest: mould or melt was still cold. ` +
        'Warm up with some pours that go back in the pot, and weigh again.',
    );
  const { others } = around;
  const spread = { deviation: spreadOf(weights, step), freedom: count - 1 };
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
      `${short} of ${count} far lighter than the rest, down to ${g(Math.min(...weights))} ` +
        `against ${g(meanOf(sound))}: short fills. Vent it, or open its gate, before its size is ` +
        'judged.',
    );
  if (isWild)
    return say(
      'wild',
      `Spreads ${times.toFixed(1)} times as wide as the other cavities: vent it, look for a ` +
        'hook that lies loose, and pour hotter before changing its size.',
    );
  // What may be a short fill, a cold start or a wild cavity: more pieces say.
  const maybe = withoutShort(weights, around, FALSE.hint);
  if (maybe.length < count)
    return more(
      moreUntil(count, (n) => isApart(weights, maybe, around, FALSE.short, n)),
      `${count - maybe.length} of ${count} may be a short fill, ${g(Math.min(...weights))} ` +
        `against ${g(meanOf(maybe))}.`,
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
        `Casts ${g(mean)}, which may be ${is}.`,
      );
    const remedy =
      off < 0
        ? `Open it by ${g(-off)} of metal; the Mould screen tells how deep.`
        : `Metal cannot be put back: shim it, mark it for the next heavier rung, or make it anew.`;
    return say(is, `Casts ${g(mean)}, ${g(far)} ${is} of the target. ${remedy}`, -off);
  }
  if (step > COARSE * room)
    return say(
      'few',
      `Casts ${g(mean)} on a scale that shows ${g(step)}: too coarse for ${g(room)} of room, ` +
        'however many are weighed. Weigh on a finer one, or ten together.',
    );
  // On target as far as it goes: not where it could as well be beyond the limit.
  if (far + unsure(count, 0.05) > room)
    return more(
      moreUntil(count, (n) => far + unsure(n, 0.05) <= room),
      `Casts ${g(mean)}, near the target, but by so few it could be beyond the limits.`,
    );
  return say(
    'good',
    rejects.length > 0
      ? `Casts ${g(mean)}, on target, but ${rejects.length} of ${count} are beyond the limits: ` +
          'its spread is too wide for them.'
      : `Casts ${g(mean)}, on target.`,
  );
}

/** How many pieces more, so that something holds of all of them; undefined where `MOST_MORE` are too few. */
function moreUntil(count: number, holds: (count: number) => boolean): number | undefined {
  for (let more = 1; more <= MOST_MORE; more++) if (holds(count + more)) return more;
  return undefined;
}

/** Which cavity a head in the hand is likely from. */
export interface Belongs {
  readonly cavity: number;
  /** how many of its deviations the head lies off its mean; below 0 it is light */
  readonly off: number;
  /** chance that it is from here among all of them, each as likely before it was weighed */
  readonly chance: number;
}

/**
 * Places a single head among the cavities it may come from, the likeliest first; cavities with fewer than
 * three weights are left out.
 */
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
      chance: Math.exp(numberAt(likely, i) - top) / sum,
    }))
    .sort((a, b) => b.chance - a.chance);
}

/**
 * Pieces of each of two cavities that tell them apart, if they are as far apart as they seem; undefined where
 * one has no spread yet or both throw alike.
 */
export function tellApart(one: CavityVerdict, other: CavityVerdict): number | undefined {
  const difference = Math.abs(one.mean - other.mean);
  if (!(one.deviation > 0 && other.deviation > 0 && difference > 0)) return undefined;
  return samplesToTell(Math.sqrt((one.deviation ** 2 + other.deviation ** 2) / 2), difference);
}
