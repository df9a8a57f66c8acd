import { MM_PER_INCH } from '../../quantity/units.ts';
import type { Rig } from '../../assembly/rig.ts';
import type { Design } from '../../document/design.ts';
import { familyOf } from '../../head/families/index.ts';
import type { Pairing } from '../../judge/pairings.ts';
import type { FitCheck } from '../../judge/verdict.ts';
import { atLeast, checked, worst } from '../../judge/verdict.ts';
import type { Limits } from '../../plastic/kinds/kind.ts';
import { plasticKindOf } from '../../plastic/kinds/index.ts';
import { byFit, pairingOf } from '../../judge/pairings.ts';
import type { Plastic } from '../../plastic/schema.ts';
import { usualPlastic } from '../../plastic/usual.ts';
import { carries } from './carries.ts';
import type { MethodKey } from '../../rigging/methods/index.ts';
import { hasRoom } from '../../rigging/lay.ts';
import { hookSizeLimits } from '../../rigging/limits.ts';
import { soldGap } from '../../hook/chart.ts';
import { METHODS } from '../../rigging/methods/index.ts';
import type { Head, ReadingValues, Worn } from './head.ts';
import type { Judge } from './judge.ts';
import { NO } from './marks.ts';
import type { Stand } from './order.ts';
import { compareStandings } from './order.ts';
import type { Situation } from './situation.ts';

/** How far a plastic of the shelf may be from the length asked for, as a ratio. */
const ALIKE = 1.3;

/**
 * The plastics a situation means: those of the shelf of that kind and about that length, the nearest first;
 * else one of the usual proportions.
 */
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

/** As baits are sold, in inches wherever they are. */
const usualName = ({ kind, length }: Situation['bait']): string =>
  `${kind} ${Number((length / MM_PER_INCH).toFixed(1))} in`;

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

/**
 * Every way some plastics go on a built head, or by one method only: worked out once and judged in as many
 * situations as one likes.
 */
export function waysOn(rig: Rig, plastics: readonly Plastic[], method?: MethodKey): Worn[] {
  const methods = METHODS.filter(({ key }) => method === undefined || key === method);
  return plastics.flatMap((plastic) =>
    methods.map(({ key }): Worn => ({ plastic, pairing: pairingOf(rig, { plastic, method: key }) })),
  );
}

/**
 * A plastic and a method for a head, chosen by what the situation asks: of the ways it goes on at all, the
 * one that stands best.
 */
export function bestWorn(
  { design, values, rig }: Bare,
  plastics: readonly Plastic[],
  judge: Judge,
  stand: Stand,
  { isMeant, method }: Ways,
): Worn | undefined {
  return bestOfWays(waysOn(rig, plastics, method), { design, values }, judge, stand, isMeant);
}

/** The same from ways that are known. */
export function bestOfWays(
  ways: readonly Worn[],
  { design, values }: Pick<Bare, 'design' | 'values'>,
  judge: Judge,
  stand: Stand,
  isMeant: Ways['isMeant'],
): Worn | undefined {
  const can = ways.filter(({ pairing }) => carries(pairing).score >= NO);
  const usable = can.filter(({ pairing: { meant, method } }) => meant !== 'seldom' && isMeant(method));
  const tried = usable.length > 0 ? usable : can;
  if (tried.length === 0)
    return [...ways].sort(
      (a, b) => carries(b.pairing).score - carries(a.pairing).score || byFit(a.pairing, b.pairing),
    )[0];
  return tried
    .map((one) => ({ one, stand: stand(judge({ design, values, worn: one })) }))
    .sort((a, b) => compareStandings(a.stand, b.stand) || byFit(a.one.pairing, b.one.pairing))[0]?.one;
}

/**
 * How a body lies on a hook before anything is laid, as it turns out over heads of every kind: where the hook
 * comes out over the shank that stands out of the head, with a fixed hook and a hinged one, and what of the
 * body’s height fills the gap (fitted to what laying finds, median of some 700 pairings each).
 */
const ABOUT = {
  bare: { fixed: 0.96, hinged: 0.7, fills: 0.45 },
  covered: { fixed: 0.47, hinged: 0.35, fills: 0.86 },
} as const;
/** A body that fills more of the gap than this is not buried at first (working value). */
const CAN_BURY = 1.05;

const guessed = (id: string, name: string, value: number, { good, tight }: Limits, says: string): FitCheck =>
  checked(
    { id, name, value, quantity: 'share', good, tight },
    () => says,
    () => '',
  );

/**
 * How a plastic probably goes on, from the readings kept at save alone, before anything is laid: enough for a
 * first order, and replaced by what {@link bestWorn} finds.
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
  const within = familyOf(design.head.family)?.within === true;
  // A hinged hook cannot be pushed into a bait with its head.
  const made = within && hasRoom(plastic) && !design.hook.joint;
  // In cover a point without a guard is buried where there is any room for it.
  const isBuried =
    !made &&
    situation.covers.length > 0 &&
    design.guard.kind === 'none' &&
    (ABOUT.covered.fills * plastic.height) / gap <= CAN_BURY;
  const point = isBuried ? 'buried' : 'bare';
  const method = METHODS.find((one) =>
    made ? one.within && one.suits?.(plastic) !== false : !one.within && one.point === point,
  );
  if (!method) return undefined;
  const about = isBuried ? ABOUT.covered : ABOUT.bare;
  const exit = ((design.hook.joint ? about.hinged : about.fixed) * outside) / plastic.length;
  const free = 1 - (about.fills * plastic.height) / gap;
  const checks = [
    guessed(
      'rig.exit',
      method.exitName,
      exit,
      method.exit ?? plasticKindOf(plastic.kind).exit,
      'Going by hook and bait alone it comes out too near an end.',
    ),
    guessed(
      'rig.hookSize',
      'Gap of the hook over the bait’s length',
      (soldGap(design.hook) ?? gap) / plastic.length,
      hookSizeLimits(plastic),
      'So large a hook deadens a bait of this length.',
    ),
    ...(made
      ? []
      : [
          guessed(
            'rig.freeGap',
            method.gapName,
            free,
            atLeast(method.freeGap.good, method.freeGap.tight),
            'Going by hook and bait alone the body leaves too little of the gap.',
          ),
        ]),
  ];
  const pairing: Pairing = {
    method: method.key,
    verdict: worst(checks.map(({ verdict }) => verdict)),
    why: checks.filter(({ verdict }) => verdict !== 'good').map(({ name, says }) => `${name}: ${says}`),
    checks,
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
