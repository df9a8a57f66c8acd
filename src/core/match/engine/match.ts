import type { Brief } from '../../document/brief.ts';
import type { Design } from '../../document/design.ts';
import type { Problem } from '../../document/problem.ts';
import type { RuleSet } from '../../document/rules.ts';
import type { ReadingId, Readings } from '../../behaviour/registry.ts';
import { behavioursOf } from '../../behaviour/registry.ts';
import { behave, evaluate } from '../../judge/evaluate.ts';
import type { Metal } from '../../material/metals/metal.ts';
import { withBait } from '../../assembly/assemble.ts';
import type { Plastic } from '../../plastic/schema.ts';
import type { Head, ReadingValues } from './head.ts';
import type { Answers, Judge } from './judge.ts';
import { judgeFor, readingsAsked } from './judge.ts';
import { NO } from './marks.ts';
import { carries } from './carries.ts';
import type { MethodKey } from '../../rigging/methods/index.ts';
import { methodOf } from '../../rigging/methods/index.ts';
import { SHAPELESS } from './shapes.ts';
import type { Stand, Standing } from './order.ts';
import { standFor } from './order.ts';
import type { Situation } from './situation.ts';
import { situationOf, surroundingsOf } from './situation.ts';
import { atFirst, bestWorn, plasticsMeant } from './wearing.ts';

/** Everything a brief is answered with, made ready once. */
export interface Matching {
  readonly situation: Situation;
  readonly judge: Judge;
  readonly stand: Stand;
  /** the plastics the brief means */
  readonly plastics: readonly Plastic[];
  readonly metals: readonly Metal[] | undefined;
  /** behaviours whose readings an answer can look at */
  readonly behaviours: ReadonlySet<string>;
}

/** A head as it stands to a brief. */
export interface Matched {
  readonly answers: Answers;
  readonly standing: Standing;
}

/**
 * Makes a brief ready to be answered: its situation, the rules that can speak in it, and the plastics it
 * means from a shelf.
 */
export function matchingFor(
  brief: Brief,
  set: Pick<RuleSet, 'rules' | 'schools'>,
  shelf: readonly Plastic[] = [],
  metals?: readonly Metal[],
): Matching {
  const situation = situationOf(brief);
  return {
    situation,
    judge: judgeFor(situation, set.rules, set.schools),
    stand: standFor(situation),
    plastics: plasticsMeant(situation, shelf),
    metals,
    behaviours: behavioursOf([...ALWAYS, ...readingsAsked(situation, set.rules, set.schools)]),
  };
}

/** Readings the order, and what goes on a hook, are judged by in every brief. */
const ALWAYS: readonly ReadingId[] = [
  'mass.metal',
  'cost.metal',
  'hook.gap',
  'hook.shankOutside',
  'rig.bite',
];
/** Behaviours a shape of one’s own is told by. */
const TOLD_BY: readonly ReadingId[] = ['head.breadth', 'pull.shedding', 'roll.factor'];
/**
 * Behaviours that are the same whatever bait is put on, and take their time: not asked while one is chosen.
 */
const SAME = behavioursOf(['fall.speed']);

/** Readings as plain numbers. */
export const valuesOf = (readings: Readings): ReadingValues =>
  Object.fromEntries(Object.entries(readings).map(([id, { value }]) => [id as ReadingId, value]));

const matched = ({ judge, stand }: Matching, head: Head): Matched => {
  const answers = judge(head);
  return { answers, standing: stand(answers) };
};

/** Ways of fishing for which a body is bent on purpose: it glides; on a straight path it spins. */
const BENT = new Set<string>(['snap', 'twitch']);

/**
 * Whether a method is meant for a head that is fished so: a trailer behind a skirt, a bent body where it is
 * jerked.
 */
export function isMeantIn(situation: Situation, design: Design): (method: MethodKey) => boolean {
  const isSkirted = design.skirt !== undefined || situation.bait.skirt === true;
  return (one) => {
    const { isUnderSkirt, isBentOnPurpose } = methodOf(one);
    return (!isUnderSkirt || isSkirted) && (!isBentOnPurpose || BENT.has(situation.retrieve));
  };
}

/** A head at first, from readings kept at save: quick enough for thousands, and settled afterwards. */
export const matchKept = (matching: Matching, design: Design, values: ReadingValues): Matched =>
  matched(matching, atFirst(design, values, matching.situation, matching.plastics));

/** How a head stands at first, and no more: what thousands are put in order by. */
export const standKept = (
  { situation, judge, stand, plastics }: Matching,
  design: Design,
  values: ReadingValues,
): Standing => stand(judge(atFirst(design, values, situation, plastics)));

/** A head judged for a brief, or why it cannot be built. */
export type Settled =
  | { readonly ok: true; readonly matched: Matched }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/**
 * A head as it really stands: built, the plastic and the method chosen that suit the brief best, and every
 * reading made in the brief’s own water with the plastic on. A method that is named is used whatever the
 * brief would choose.
 */
export function matchSettled(matching: Matching, design: Design, method?: MethodKey): Settled {
  const around = {
    ...surroundingsOf(matching.situation),
    ...(matching.metals ? { metals: matching.metals } : {}),
  };
  const { behaviours } = matching;
  const shaped = SHAPELESS.has(design.head.family)
    ? new Set([...behaviours, ...behavioursOf(TOLD_BY)])
    : behaviours;
  const plain = evaluate(design, {
    ...around,
    isShort: true,
    only: new Set([...shaped].filter((key) => !SAME.has(key))),
  });
  if (!plain.ok) return plain;
  const { judge, stand, plastics, situation } = matching;
  const values = valuesOf(plain.readings);
  const worn = bestWorn({ design: plain.design, values, rig: plain.rig }, plastics, judge, stand, {
    isMeant: isMeantIn(situation, design),
    method,
  });
  const bait =
    worn && carries(worn.pairing).score >= NO
      ? { plastic: worn.plastic, method: worn.pairing.method }
      : undefined;
  const { readings } = behave(bait ? withBait(plain.rig, bait) : plain.rig, {
    ...around,
    only: shaped,
  });
  return {
    ok: true,
    matched: matched(matching, { design: plain.design, values: valuesOf(readings), worn, isSettled: true }),
  };
}
