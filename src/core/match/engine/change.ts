import type { Operation } from 'rfc6902';
import { createPatch } from 'rfc6902';
import type { Design } from '../../document/design.ts';
import { applyRemedy } from '../../judge/remedies.ts';
import { usualPlastic } from '../../plastic/usual.ts';
import type { Remedy } from '../../rigging/method.ts';
import type { MethodKey } from '../../rigging/methods/index.ts';
import type { Answer } from './judge.ts';
import type { Mark } from './marks.ts';
import { NO, YES } from './marks.ts';
import type { Matched, Matching } from './match.ts';
import { matchSettled } from './match.ts';
import { compareStandings, worstAnswer } from './order.ts';

/** The smallest change that lifts the worst answer of a head: one, or two where no single one does. */
export interface Change {
  /** one or two, in the order they are made */
  readonly remedies: readonly Remedy[];
  /**
   * the same as an ordered patch of the design (RFC 6902): applied as it stands it gives a valid document;
   * empty where only the method changes
   */
  readonly patch: readonly Operation[];
  /** the question it lifts */
  readonly question: Answer['question'];
  readonly from: Mark;
  readonly to: Mark;
  /** what is then the weakest answer, where that is not a yes */
  readonly remains: Answer | undefined;
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

/** How much a lift must be to be one. */
const LIFT = 0.04;
/** First changes of a pair that are followed up, and seconds that are tried after each. */
const FIRSTS = 4;
const SECONDS = 6;

const scoreOf = (matched: Matched, of: Answer) =>
  matched.answers.all.find(({ question }) => question.key === of.question.key);

/** Whether an answer is a no: a hard stop, or a score that low. */
const isNo = ({ isHard, score = 1 }: Answer): boolean => isHard || score < NO;

/**
 * Whether nothing is worse by a mark that decides. What was out may come to a care elsewhere, or to a no that
 * does not decide, since a head that serves barely is better than one that does not serve; it never comes to
 * another hard stop or decisive no.
 */
function worsensNone(before: Matched, after: Matched): boolean {
  const level = (score: number) => (score >= YES ? 2 : score >= NO ? 1 : 0);
  const wasOut = before.standing.out > 0;
  return before.answers.all.every((old, i) => {
    const now = after.answers.all[i];
    if (!now) return false;
    if (isNo(now) && !isNo(old)) return wasOut && !now.isHard && !now.isDecisive;
    if (!old.isDecisive || old.score === undefined || wasOut) return true;
    return now.score !== undefined && level(now.score) >= level(old.score);
  });
}

/**
 * Whether the answer that was worst is lifted: by a mark, or to where nothing is said against it any more.
 */
function isLifted(worst: Answer, now: Answer | undefined): boolean {
  if (!now) return false;
  if (now.score === undefined) return isNo(worst);
  return now.score >= (worst.score ?? 0) + LIFT && now.mark !== worst.mark;
}

interface Tried {
  readonly remedies: readonly Remedy[];
  readonly design: Design;
  readonly method: MethodKey | undefined;
  readonly matched: Matched;
}

/** A head with a change made to it, settled anew; undefined where it cannot be built. */
function tryChange(matching: Matching, from: Omit<Tried, 'remedies'>, remedy: Remedy): Tried | undefined {
  const { worn } = from.matched.answers.head;
  const rigged = applyRemedy(
    {
      design: from.design,
      plastic: worn?.plastic ?? matching.plastics[0] ?? usualPlastic('paddle-tail', 4),
      method: from.method ?? worn?.pairing.method ?? 'threaded',
    },
    remedy,
  );
  const method = remedy.of === 'method' ? rigged.method : from.method;
  const settled = matchSettled(matching, rigged.design, method);
  return settled.ok
    ? { remedies: [remedy], design: rigged.design, method, matched: settled.matched }
    : undefined;
}

/** Plain JSON of a document: fields that are undefined are not there. */
const plain = (design: Design): unknown => JSON.parse(JSON.stringify(design));

function foundIn(worst: Answer, design: Design, tried: Tried): ChangeFound {
  const now = scoreOf(tried.matched, worst);
  const left = worstAnswer(tried.matched.answers);
  return {
    kind: 'change',
    change: {
      remedies: tried.remedies,
      patch: createPatch(plain(design), plain(tried.design)),
      question: worst.question,
      from: worst.mark,
      to: now?.mark ?? 'unsaid',
      remains: left?.score !== undefined && left.score < YES ? left : undefined,
      design: tried.design,
      method: tried.method,
      matched: tried.matched,
    },
  };
}

/**
 * Finds the smallest change that lifts the worst answer of a settled head, by recomputing each in turn, the
 * smallest first: a single one, or where none serves the first pair of which the second mends what the first
 * one spoils. The design is the one that was matched.
 */
export function smallestChange(matching: Matching, design: Design, matched: Matched): ChangeFound {
  const worst = worstAnswer(matched.answers);
  if (!worst || worst.score === undefined || worst.score >= YES) return { kind: 'none needed' };
  const { question } = worst;
  const begun = { design, method: undefined, matched };
  const serves = (tried: Tried) =>
    isLifted(worst, scoreOf(tried.matched, worst)) &&
    worsensNone(matched, tried.matched) &&
    compareStandings(tried.matched.standing, matched.standing) < 0;
  const firsts: Tried[] = [];
  for (const remedy of question.changes?.(matching.situation, matched.answers.head) ?? []) {
    const tried = tryChange(matching, begun, remedy);
    if (!tried) continue;
    if (serves(tried)) return foundIn(worst, design, tried);
    // What lifts it and spoils something else, or leaves something else as wrong, is worth a second change.
    if (isLifted(worst, scoreOf(tried.matched, worst)) && firsts.length < FIRSTS) firsts.push(tried);
  }
  for (const first of firsts) {
    const next = worstAnswer(first.matched.answers);
    const seconds = next?.question.changes?.(matching.situation, first.matched.answers.head) ?? [];
    for (const remedy of seconds.slice(0, SECONDS)) {
      const tried = tryChange(matching, first, remedy);
      if (tried && serves(tried))
        return foundIn(worst, design, { ...tried, remedies: [...first.remedies, remedy] });
    }
  }
  return { kind: 'none helps', question };
}
