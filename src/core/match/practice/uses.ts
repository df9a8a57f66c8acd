import type { Brief } from '../../document/brief.ts';
import type { Design } from '../../document/design.ts';
import type { RuleSet } from '../../document/rules.ts';
import type { ReadingValues } from '../engine/head.ts';
import type { Answer } from '../engine/judge.ts';
import type { Matched } from '../engine/match.ts';
import { matchingFor, matchKept } from '../engine/match.ts';
import { compareStandings, worstAnswer } from '../engine/order.ts';
import { plasticKindOf } from '../../plastic/kinds/index.ts';
import { MM_PER_INCH } from '../../quantity/units.ts';
import type { Situation } from '../engine/situation.ts';

/** Whether a head serves a situation: made for it, usable with care, or not to be taken there. */
export type Service = 'serves' | 'with care' | 'not there';

/** How a head serves one brief. */
export interface Use {
  readonly key: string;
  readonly brief: Brief;
  readonly situation: Situation;
  readonly service: Service;
  readonly matched: Matched;
  /** what decided, where it does not serve */
  readonly worst: Answer | undefined;
}

/** From the best to the worst. */
export const SERVICES: readonly Service[] = ['serves', 'with care', 'not there'];

/** What a standing comes to, in three words. */
export const serviceOf = ({ standing: { out, wrong, cares } }: Matched): Service =>
  out > 0 ? 'not there' : wrong === 0 && cares === 0 ? 'serves' : 'with care';

/** How well it does: those it is made for first. */
const byBest = (a: Use, b: Use): number =>
  shareMade(b.matched) - shareMade(a.matched) || a.matched.standing.doubts - b.matched.standing.doubts;

/** What the shape was made for, over the questions that ask it: briefs ask more or fewer of them. */
export function shareMade({ answers, standing }: Matched): number {
  const asked = answers.all.filter(
    ({ question, isDecisive, score }) => question.isOfShape && isDecisive && score !== undefined,
  );
  return asked.length === 0 ? 0 : standing.made / asked.length;
}

/**
 * The same brief with baits of its kind in each usual length, the brief’s own first: what is free where a
 * head is asked what it is for.
 */
function inUsualLengths(brief: Brief): Brief[] {
  const lengths = plasticKindOf(brief.bait.kind).usual.inches.map((inches) => inches * MM_PER_INCH);
  return [brief.bait.length, ...lengths.filter((length) => Math.abs(length - brief.bait.length) > 1)].map(
    (length) => ({ ...brief, bait: { ...brief.bait, length } }),
  );
}

/** A brief with a key to know it by. */
export interface NamedBrief {
  readonly key: string;
  readonly brief: Brief;
}

/**
 * What a head is good for: how it stands to each of some briefs with a bait of the brief’s kind that fits it,
 * those it serves first, from readings as they are kept.
 */
export const usesOf = (
  design: Design,
  values: ReadingValues,
  briefs: readonly NamedBrief[],
  set: Pick<RuleSet, 'rules' | 'schools'>,
): Use[] => byService(briefs.flatMap((brief) => useIn(design, values, brief, set)));

/** Uses in order: those a head serves first, the best of each first. */
export const byService = (uses: readonly Use[]): Use[] =>
  [...uses].sort((a, b) => SERVICES.indexOf(a.service) - SERVICES.indexOf(b.service) || byBest(a, b));

/**
 * What a head is in one brief, in the usual length of its bait that suits it best; none where no length is
 * usual.
 */
export function useIn(
  design: Design,
  values: ReadingValues,
  { key, brief: asked }: NamedBrief,
  set: Pick<RuleSet, 'rules' | 'schools'>,
): Use[] {
  const [best] = inUsualLengths(asked)
    .map((brief) => {
      const matching = matchingFor(brief, set);
      return { brief, matching, matched: matchKept(matching, design, values) };
    })
    .sort((a, b) => compareStandings(a.matched.standing, b.matched.standing));
  if (!best) return [];
  const { brief, matching, matched } = best;
  const service = serviceOf(matched);
  return [
    {
      key,
      brief,
      situation: matching.situation,
      service,
      matched,
      worst: service === 'serves' ? undefined : worstAnswer(matched.answers),
    },
  ];
}
