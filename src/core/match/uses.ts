import type { Brief } from '../document/brief.ts';
import type { Design } from '../document/design.ts';
import type { RuleSet } from '../document/rules.ts';
import type { ReadingValues } from './head.ts';
import type { Answer } from './judge.ts';
import type { Matched } from './match.ts';
import { matchingFor, matchKept } from './match.ts';
import { worstAnswer } from './order.ts';
import type { Situation } from './situation.ts';

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

/** What a standing comes to, in three words. */
export const serviceOf = ({ standing: { out, wrong, cares } }: Matched): Service =>
  out > 0 ? 'not there' : wrong === 0 && cares === 0 ? 'serves' : 'with care';

/** How well it does: those it is made for first. */
const byBest = (a: Use, b: Use): number =>
  shareMade(b) - shareMade(a) || a.matched.standing.doubts - b.matched.standing.doubts;

/** What the shape was made for, over the questions that ask it: briefs ask more or fewer of them. */
function shareMade({ matched }: Use): number {
  const asked = matched.answers.all.filter(
    ({ question, isDecisive, score }) => question.isOfShape && isDecisive && score !== undefined,
  );
  return asked.length === 0 ? 0 : matched.standing.made / asked.length;
}

const ORDER: readonly Service[] = ['serves', 'with care', 'not there'];

/** What a head is good for: how it stands to each of some briefs, those it serves first, from readings as they are kept. */
export function usesOf(
  design: Design,
  values: ReadingValues,
  briefs: readonly { readonly key: string; readonly brief: Brief }[],
  set: Pick<RuleSet, 'rules' | 'schools'>,
): Use[] {
  return briefs
    .map(({ key, brief }): Use => {
      const matching = matchingFor(brief, set);
      const matched = matchKept(matching, design, values);
      const service = serviceOf(matched);
      return {
        key,
        brief,
        situation: matching.situation,
        service,
        matched,
        worst: service === 'serves' ? undefined : worstAnswer(matched.answers),
      };
    })
    .sort((a, b) => ORDER.indexOf(a.service) - ORDER.indexOf(b.service) || byBest(a, b));
}
