import type { Brief } from '../../document/brief.ts';
import type { Design } from '../../document/design.ts';
import type { RuleSet } from '../../document/rules.ts';
import { evaluate, PLAIN_WATER } from '../../judge/evaluate.ts';
import type { Pairing } from '../../judge/pairings.ts';
import { byFit } from '../../judge/pairings.ts';
import type { Metal } from '../../material/metals/metal.ts';
import type { Plastic } from '../../plastic/schema.ts';
import type { MethodKey } from '../../rigging/methods/index.ts';
import { carries } from '../engine/carries.ts';
import { NO } from '../engine/marks.ts';
import type { Matched, Matching } from '../engine/match.ts';
import { isMeantIn, matchingFor, valuesOf } from '../engine/match.ts';
import { compareStandings } from '../engine/order.ts';
import type { KnownSituation } from './situations/situation.ts';
import { SITUATIONS } from './situations.ts';
import type { Service } from './uses.ts';
import { SERVICES, serviceOf, shareMade } from './uses.ts';
import type { Bare } from '../engine/wearing.ts';
import { bestOfWays, waysOn } from '../engine/wearing.ts';

/*
 * Heads for a plastic and plastics for a head are one judgement asked from two sides: the pair is held
 * against the ways such a plastic is usually fished, as a brief’s answer is, and stands as it does in the one
 * it serves best.
 */

/** A head with a plastic, as it stands in the use it serves best. */
export interface Paired {
  readonly pairing: Pairing;
  /** what it serves best, in words */
  readonly use: string;
  readonly brief: Brief;
  readonly service: Service;
  readonly matched: Matched;
}

/** Ways of fishing for a plastic of which the situations of the trade say little: one of each sort. */
const ANY = ['gravel-hop', 'open-swim', 'brush-pitch', 'rock-drag'];
/** Situations a plastic needs of its own for those to be left out. */
const ENOUGH = 2;

/** The situations of the trade a plastic is usually fished in, with it in place of the bait they name. */
export function usesOfPlastic({ kind, length }: Plastic): Brief[] {
  const own = SITUATIONS.filter(({ brief }) => brief.bait.kind === kind);
  const others: readonly KnownSituation[] =
    own.length >= ENOUGH
      ? []
      : SITUATIONS.filter(({ key }) => ANY.includes(key) && !own.some((one) => one.key === key));
  return [...own, ...others].map(({ brief }) => ({ ...brief, bait: { ...brief.bait, kind, length } }));
}

/** Judges pairs by one set of rules; what a plastic is usually fished in is made ready once. */
export function pairJudge(set: Pick<RuleSet, 'rules' | 'schools'>) {
  const known = new Map<string, readonly { readonly brief: Brief; readonly matching: Matching }[]>();
  const readyFor = (plastic: Plastic) => {
    const key = `${plastic.kind} ${plastic.length}`;
    const found =
      known.get(key) ?? usesOfPlastic(plastic).map((brief) => ({ brief, matching: matchingFor(brief, set) }));
    known.set(key, found);
    return found;
  };
  return (bare: Bare, plastic: Plastic, method?: MethodKey): Paired => {
    const ways = waysOn(bare.rig, [plastic], method);
    const { design, values } = bare;
    const [best] = readyFor(plastic)
      .flatMap(({ brief, matching: { judge, stand, situation } }): Paired[] => {
        const worn = bestOfWays(ways, bare, judge, stand, isMeantIn(situation, design));
        if (!worn) return [];
        const answers = judge({ design, values, worn });
        const matched = { answers, standing: stand(answers) };
        return [{ pairing: worn.pairing, use: brief.name, brief, service: serviceOf(matched), matched }];
      })
      .sort(byPair);
    if (!best) throw new Error('There is no use of a plastic, which is a mistake of the program.');
    return best;
  };
}

/** Whether it goes on at all. */
const goesOn = ({ pairing }: Paired): boolean => carries(pairing).score >= NO;

const MEANT: readonly Pairing['meant'][] = ['made', 'usual', 'seldom'];

/**
 * Better first: what goes on at all, what is made for each other, what serves, what the shape was made for
 * where it serves, then as a brief orders it, then by fit.
 */
export const byPair = (a: Paired, b: Paired): number =>
  Number(goesOn(b)) - Number(goesOn(a)) ||
  MEANT.indexOf(a.pairing.meant) - MEANT.indexOf(b.pairing.meant) ||
  SERVICES.indexOf(a.service) - SERVICES.indexOf(b.service) ||
  a.matched.standing.out - b.matched.standing.out ||
  shareMade(b.matched) - shareMade(a.matched) ||
  compareStandings(a.matched.standing, b.matched.standing) ||
  byFit(a.pairing, b.pairing);

/** A head built for judging: its quick readings, without a bait; undefined where it cannot be built. */
export function bareHead(design: Design, metals?: readonly Metal[]): Bare | undefined {
  const built = evaluate(design, { ...PLAIN_WATER, ...(metals ? { metals } : {}), isShort: true });
  return built.ok ? { design: built.design, values: valuesOf(built.readings), rig: built.rig } : undefined;
}

/** One of a list, by its place in what was given. */
export type PairedAt = Paired & { readonly index: number };

/** Plastics for a head, best first; by one method, or each by the one that suits its use. */
export function plasticsForHead(
  head: Bare,
  plastics: readonly Plastic[],
  set: Pick<RuleSet, 'rules' | 'schools'>,
  method?: MethodKey,
): PairedAt[] {
  const judge = pairJudge(set);
  return plastics
    .map((plastic, index) => ({ index, ...judge(head, plastic, method) }))
    .sort((a, b) => byPair(a, b) || a.index - b.index);
}

/** Heads for a plastic, best first; what cannot be built is left out. */
export function headsForPlastic(
  designs: readonly Design[],
  plastic: Plastic,
  set: Pick<RuleSet, 'rules' | 'schools'>,
  metals?: readonly Metal[],
): PairedAt[] {
  const judge = pairJudge(set);
  return designs
    .flatMap((design, index): PairedAt[] => {
      const head = bareHead(design, metals);
      return head ? [{ index, ...judge(head, plastic) }] : [];
    })
    .sort((a, b) => byPair(a, b) || a.index - b.index);
}
