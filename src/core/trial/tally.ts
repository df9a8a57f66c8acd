import { recordOf } from '../kind/keys.ts';
import type { CountKey, Trial, TrialRig } from '../document/trial.ts';
import { COUNTS } from '../document/trial.ts';
import type { Proportion } from './proportion.ts';
import { moreWanted, wilson } from './proportion.ts';
import type { Stratified } from './strata.ts';
import { falseWinner, stratified } from './strata.ts';

/** What a day's counts are asked: so many of so many. */
export interface Outcome {
  readonly key: string;
  readonly name: string;
  readonly events: CountKey;
  readonly of: CountKey;
  /** whether more of it is better */
  readonly isGood: boolean;
}

/** Shares that days are compared by. */
export const OUTCOMES: readonly Outcome[] = [
  { key: 'hook', name: 'Hook-ups of touches', events: 'hookUps', of: 'touches', isGood: true },
  { key: 'land', name: 'Landed of hook-ups', events: 'landed', of: 'hookUps', isGood: true },
  { key: 'throw', name: 'Thrown of hook-ups', events: 'thrown', of: 'hookUps', isGood: false },
  { key: 'hang', name: 'Hang-ups of casts', events: 'hangUps', of: 'casts', isGood: false },
  { key: 'free', name: 'Freed of hang-ups', events: 'freed', of: 'hangUps', isGood: true },
  { key: 'lose', name: 'Lost of casts', events: 'lost', of: 'casts', isGood: false },
  { key: 'touch', name: 'Touches of casts', events: 'touches', of: 'casts', isGood: true },
];

/** What rigs are told apart by. */
export const SPLITS = ['design', 'plastic', 'method'] as const;
/** What days are split by. */
export type Split = (typeof SPLITS)[number];

/** What a rig counts under. */
export function groupOf(rig: TrialRig, split: Split): string {
  if (split === 'design') return rig.head;
  return (split === 'plastic' ? rig.plastic : rig.method) ?? 'none';
}

/** Counts summed over rigs, and hours fished. */
export type Totals = Readonly<Record<CountKey, number>> & { readonly hours: number };

const NOTHING: Totals = {
  ...recordOf(COUNTS, () => 0),
  hours: 0,
};

const plus = (sum: Totals, rig: Totals): Totals => ({
  ...recordOf(COUNTS, (key) => sum[key] + rig[key]),
  hours: sum.hours + rig.hours,
});

/** Counts by group over some days, in the order first met. */
export function totalsBy(days: readonly Trial[], split: Split): Map<string, Totals> {
  const totals = new Map<string, Totals>();
  for (const { rigs } of days)
    for (const rig of rigs) {
      const key = groupOf(rig, split);
      totals.set(key, plus(totals.get(key) ?? NOTHING, rig));
    }
  return totals;
}

/** A count can never be more than what it is of: what was noted askew is held to it. */
const held = (events: number, of: number): readonly [number, number] => [Math.min(events, of), of];

/** One group's share of an outcome. */
export const shareOf = (totals: Totals, { events, of }: Outcome): Proportion =>
  wilson(...held(totals[events], totals[of]));

/** How two groups compare in one outcome. */
export interface Compared {
  readonly outcome: Outcome;
  readonly first: Proportion;
  readonly second: Proportion;
  /** held place by place; undefined where no place saw both */
  readonly by: Stratified | undefined;
  /** which does better, by what is good of this outcome */
  readonly better: 'first' | 'second' | undefined;
  /**
   * how many more of each it would take, were the shares to stay; undefined where no thousand times as many
   * would do
   */
  readonly more: readonly [first: number, second: number] | undefined;
}

/** A place as days tell it: its name, or what it is like. */
const placeOf = (day: Trial, index: number): string => {
  const place = day.places[index];
  return place ? [place.name, place.bottom, place.cover].filter(Boolean).join(', ') : 'unnamed';
};

/** Compares two groups in an outcome over some days, place by place. */
export function compareGroups(
  days: readonly Trial[],
  split: Split,
  [one, other]: readonly [string, string],
  outcome: Outcome,
): Compared {
  const strata = new Map<string, { first: [number, number]; second: [number, number] }>();
  for (const day of days)
    for (const rig of day.rigs) {
      const group = groupOf(rig, split);
      const side = group === one ? 'first' : group === other ? 'second' : undefined;
      if (!side) continue;
      const place = placeOf(day, rig.place);
      const stratum = strata.get(place) ?? { first: [0, 0], second: [0, 0] };
      stratum[side][0] += rig[outcome.events];
      stratum[side][1] += rig[outcome.of];
      strata.set(place, stratum);
    }
  const rows = [...strata].map(([place, { first, second }]) => ({
    place,
    first: held(...first),
    second: held(...second),
  }));
  const total = (side: 'first' | 'second') =>
    rows.reduce<readonly [number, number]>(
      (sum, row) => [sum[0] + row[side][0], sum[1] + row[side][1]],
      [0, 0],
    );
  const [first, second] = [total('first'), total('second')];
  const by = stratified(rows);
  const winner = by?.winner;
  return {
    outcome,
    first: wilson(...first),
    second: wilson(...second),
    by,
    better: winner === undefined || outcome.isGood ? winner : winner === 'first' ? 'second' : 'first',
    more: by?.winner ? [0, 0] : moreWanted(first, second),
  };
}

/**
 * What looking after every one of so many days makes of an interval at 95%, in a sentence; empty for a first
 * look.
 */
export function peekingWarning(days: number): string {
  if (days < 2) return '';
  return (
    `Looked at after each of ${days} days, a false winner comes up in ${Math.round(100 * falseWinner(days))} ` +
    'of 100 seasons and not in 5. Decide beforehand how long to count.'
  );
}

/**
 * What is counted askew in a rig: more hook-ups than touches, more freed than hung up. Empty where all is
 * well.
 */
export function askew(rig: TrialRig): string[] {
  const out: string[] = [];
  const say = (more: CountKey, than: CountKey, words: string) => {
    if (rig[more] > rig[than]) out.push(words);
  };
  say('hookUps', 'touches', 'More hook-ups than touches: a hook-up is a touch too.');
  if (rig.landed + rig.thrown > rig.hookUps) out.push('Landed and thrown are more than were hooked.');
  if (rig.freed + rig.lost > rig.hangUps) out.push('Freed and lost are more than hung up.');
  say('hangUps', 'casts', 'More hang-ups than casts.');
  return out;
}
