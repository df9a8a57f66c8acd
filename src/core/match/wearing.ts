import { MM_PER_INCH } from '../quantity/units.ts';
import type { Rig } from '../build/rig.ts';
import type { Design } from '../document/design.ts';
import { familyOf } from '../head/families/index.ts';
import type { Pairing } from '../judge/pairings.ts';
import { byFit, pairingOf } from '../judge/pairings.ts';
import type { Plastic } from '../plastic/schema.ts';
import { usualPlastic } from '../plastic/usual.ts';
import { carries } from './carries.ts';
import type { MethodKey } from '../rigging/methods/index.ts';
import { hasRoom } from '../rigging/lay.ts';
import { METHODS } from '../rigging/methods/index.ts';
import type { Head, ReadingValues, Worn } from './head.ts';
import type { Judge } from './judge.ts';
import { NO } from './judge.ts';
import type { Stand } from './order.ts';
import { compareStandings } from './order.ts';
import type { Situation } from './situation.ts';

/** How far a plastic of the shelf may be from the length asked for, as a ratio. */
const ALIKE = 1.3;

/** The plastics a situation means: those of the shelf of that kind and about that length, the nearest first; else one of the usual proportions. */
export function plasticsMeant({ bait }: Situation, shelf: readonly Plastic[] = []): Plastic[] {
  const far = ({ length }: Plastic) => Math.abs(Math.log(length / bait.length));
  const found = shelf
    .filter((plastic) => plastic.kind === bait.kind && far(plastic) <= Math.log(ALIKE))
    .sort((a, b) => far(a) - far(b))
    .slice(0, 6);
  return found.length > 0
    ? found
    : [usualPlastic(bait.kind, bait.length / MM_PER_INCH, { name: usualName(bait) })];
}

const usualName = ({ kind, length }: Situation['bait']): string =>
  `${kind} ${(length / MM_PER_INCH).toFixed(1)} in`;

/** A head that is built and has no plastic on it yet. */
export interface Bare {
  readonly design: Design;
  readonly values: ReadingValues;
  readonly rig: Rig;
}

/** What methods may be used. */
export interface Ways {
  /** whether a method is meant for such a head, fished so */
  readonly isMeant: (method: MethodKey) => boolean;
  /** the one that is used whatever else would be chosen */
  readonly method?: MethodKey | undefined;
}

/** A plastic and a method for a head, chosen by what the situation asks: of the ways it goes on at all, the one that stands best. */
export function bestWorn(
  { design, values, rig }: Bare,
  plastics: readonly Plastic[],
  judge: Judge,
  stand: Stand,
  { isMeant, method: wanted }: Ways,
): Worn | undefined {
  const methods = METHODS.filter(({ key }) => wanted === undefined || key === wanted);
  const worn = plastics.flatMap((plastic) =>
    methods.map(({ key }): Worn => ({ plastic, pairing: pairingOf(rig, { plastic, method: key }) })),
  );
  const can = worn.filter(({ pairing }) => carries(pairing).score >= NO);
  const usable = can.filter(({ pairing: { meant, method } }) => meant !== 'seldom' && isMeant(method));
  const tried = usable.length > 0 ? usable : can;
  if (tried.length === 0)
    return [...worn].sort(
      (a, b) => carries(b.pairing).score - carries(a.pairing).score || byFit(a.pairing, b.pairing),
    )[0];
  return tried
    .map((one) => ({ one, stand: stand(judge({ design, values, worn: one })) }))
    .sort((a, b) => compareStandings(a.stand, b.stand) || byFit(a.one.pairing, b.one.pairing))[0]?.one;
}

/** Height of a bait over the gap of a hook up to which it goes on well, threaded and with the point covered; and tightly (working values). */
const ROOM = { threaded: [0.9, 1.2], buried: [0.75, 1] } as const;
/** Share of a bait's length that the hook reaches to: well, and tightly (working values). */
const REACH = { good: [0.14, 0.62], tight: [0.1, 0.8] } as const;

const isIn = (value: number, [low, high]: readonly [number, number]): boolean =>
  value >= low && value <= high;

/**
 * How a plastic probably goes on, from the readings kept at save alone, before anything is laid: enough for a first order, and replaced by
 * what {@link bestWorn} finds.
 */
export function wornAtFirst(
  design: Design,
  values: ReadingValues,
  situation: Situation,
  [plastic]: readonly Plastic[],
): Worn | undefined {
  const gap = values['hook.gap'];
  const outside = values['hook.shankOutside'];
  if (!plastic || gap === undefined || outside === undefined) return undefined;
  const fill = plastic.height / gap;
  const reach = outside / plastic.length;
  const within = familyOf(design.head.family)?.within === true;
  const room = hasRoom(plastic);
  const made = within && room;
  // In cover a point without a guard is buried where there is any room for it.
  const isBuried =
    !made && situation.covers.length > 0 && design.guard.kind === 'none' && fill <= ROOM.buried[1];
  const point = isBuried ? 'buried' : 'bare';
  const method = METHODS.find((one) =>
    made ? one.within && one.suits?.(plastic) !== false : !one.within && one.point === point,
  )?.key;
  if (!method) return undefined;
  const [good, tight] = isBuried ? ROOM.buried : ROOM.threaded;
  const verdict =
    (made || fill <= good) && isIn(reach, REACH.good)
      ? 'good'
      : (made || fill <= tight) && isIn(reach, REACH.tight)
        ? 'tight'
        : 'bad';
  const pairing: Pairing = {
    method,
    verdict,
    why: verdict === 'good' ? [] : ['Going by hook and bait alone the sizes do not agree.'],
    checks: [],
    margin: 0,
    meant: made ? 'made' : 'usual',
  };
  return { plastic, pairing };
}

/** A head for the first order: its kept readings, and how the plastic probably goes on. */
export const atFirst = (
  design: Design,
  values: ReadingValues,
  situation: Situation,
  plastics: readonly Plastic[],
): Head => ({ design, values, worn: wornAtFirst(design, values, situation, plastics) });
