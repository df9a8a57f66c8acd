import type { Design } from '../document/design.ts';
import { applyRemedy } from '../judge/remedies.ts';
import { usualPlastic } from '../plastic/usual.ts';
import type { Remedy } from '../rigging/method.ts';
import type { MethodKey } from '../rigging/methods/index.ts';
import type { Answer, Mark } from './judge.ts';
import { NO, YES } from './judge.ts';
import type { Matched, Matching } from './match.ts';
import { matchSettled } from './match.ts';
import { compareStandings, worstAnswer } from './order.ts';

/** The smallest single change that lifts the worst answer of a head. */
export interface Change {
  readonly remedy: Remedy;
  /** the question it lifts */
  readonly question: Answer['question'];
  readonly from: Mark;
  readonly to: Mark;
  /** the head with the change made, and how it stands then */
  readonly design: Design;
  readonly method: MethodKey | undefined;
  readonly matched: Matched;
}

/** What came of looking for one: nothing is wrong, nothing helps, or the change. */
export type ChangeFound =
  | { readonly kind: 'none needed' }
  | { readonly kind: 'none helps'; readonly question: Answer['question'] }
  | { readonly kind: 'change'; readonly change: Change };

/** How many times a lift must be seen above nothing. */
const LIFT = 0.04;

const scoreOf = (matched: Matched, of: Answer) =>
  matched.answers.all.find(({ question }) => question.key === of.question.key);

/** Whether no decisive answer has become worse by a mark, or a hard stop come in. */
function worsensNone(before: Matched, after: Matched): boolean {
  const level = (score: number) => (score >= YES ? 2 : score >= NO ? 1 : 0);
  return before.answers.all.every((old, i) => {
    const now = after.answers.all[i];
    if (!now || (now.isHard && !old.isHard)) return false;
    if (!old.isDecisive || old.score === undefined) return true;
    return now.score !== undefined && level(now.score) >= level(old.score);
  });
}

/**
 * Finds the smallest single change that lifts the worst answer of a settled head and worsens no decisive one, by recomputing each in turn,
 * the smallest first. The design is the one that was matched.
 */
export function smallestChange(matching: Matching, design: Design, matched: Matched): ChangeFound {
  const worst = worstAnswer(matched.answers);
  if (!worst || worst.score === undefined || worst.score >= YES) return { kind: 'none needed' };
  const { question } = worst;
  const { head } = matched.answers;
  const plastic = head.worn?.plastic ?? matching.plastics[0] ?? usualPlastic('paddle-tail', 4);
  for (const remedy of question.changes?.(matching.situation, head) ?? []) {
    const rigged = applyRemedy({ design, plastic, method: head.worn?.pairing.method ?? 'threaded' }, remedy);
    const method = remedy.of === 'method' ? rigged.method : undefined;
    const settled = matchSettled(matching, rigged.design, method);
    if (!settled.ok) continue;
    const now = scoreOf(settled.matched, worst);
    if (now?.score === undefined || now.score < worst.score + LIFT || now.mark === worst.mark) continue;
    if (!worsensNone(matched, settled.matched)) continue;
    if (compareStandings(settled.matched.standing, matched.standing) > 0) continue;
    return {
      kind: 'change',
      change: {
        remedy,
        question,
        from: worst.mark,
        to: now.mark,
        design: rigged.design,
        method,
        matched: settled.matched,
      },
    };
  }
  return { kind: 'none helps', question };
}
