import type { QuestionKey } from '../document/brief-words.ts';
import type { Rule, Shade } from '../document/rules.ts';
import type { Schools } from '../document/schools.ts';
import { schoolOf } from '../document/schools.ts';
import { inUnits, marked } from '../quantity/phrase.ts';
import type { QuantityKind, UnitSystem } from '../quantity/units.ts';
import { every, weigh } from './conditions.ts';
import { factFor, factOf, factText } from './facts.ts';
import type { Head } from './head.ts';
import { QUESTIONS } from './questions/index.ts';
import type { Found, Question } from './questions/question.ts';
import type { Situation } from './situation.ts';

/** What a head is told to a question. */
export const MARKS = ['yes', 'barely', 'no', 'unsaid'] as const;
export type Mark = (typeof MARKS)[number];

/** Scores from which an answer is a yes, and under which it is a no. */
export const YES = 0.65;
export const NO = 0.35;

/** What each shade of a rule is worth. */
const WORTH: Readonly<Record<Shade, number>> = { best: 1, good: 0.8, fair: 0.5, poor: 0.2, never: 0 };

export const markOf = (score: number | undefined): Mark =>
  score === undefined ? 'unsaid' : score >= YES ? 'yes' : score < NO ? 'no' : 'barely';

/** How a head stands to one question. */
export interface Answer {
  readonly question: Question;
  readonly mark: Mark;
  /** 0 to 1; undefined where nothing is said */
  readonly score: number | undefined;
  readonly isDecisive: boolean;
  /** true of a hard stop, which nothing outranks */
  readonly isHard: boolean;
  /** what was computed, the worst first */
  readonly found: readonly Found[];
  /** the rule that speaks: the strongest of those that hold */
  readonly rule: Rule | undefined;
}

/** One ground of an answer, in words with its quantities marked. */
export interface Ground {
  readonly by: string;
  readonly from: 'rule' | 'reading';
  readonly side: 'for' | 'against' | 'care';
  readonly text: string;
  readonly source: string;
}

const sideOf = (score: number): Ground['side'] => (score >= YES ? 'for' : score < NO ? 'against' : 'care');

/** What is answered to the questions of a situation, in their order; those it does not ask are unsaid. */
export interface Answers {
  readonly head: Head;
  readonly all: readonly Answer[];
}

interface Live {
  readonly rule: Rule;
  readonly asked: true | ((head: Head) => boolean);
}

interface Prepared {
  readonly question: Question;
  readonly isAsked: boolean;
  readonly isDecisive: boolean;
  readonly compute: ((head: Head) => readonly Found[]) | undefined;
  /** rules that can still speak, in the order in which they are asked */
  readonly live: readonly Live[];
}

/** A judge of heads in one situation by one set of rules. */
export type Judge = (head: Head) => Answers;

/**
 * Makes the judge of a situation. Within a question nothing adds up: of the rules that hold the strongest speaks, of equals the one that asks
 * more, then the more cautious; a hard stop always. A firm computation goes before a rule, or both must be content where the question says so.
 */
export function judgeFor(situation: Situation, rules: readonly Rule[], shop?: Schools): Judge {
  const prepared = QUESTIONS.map((question): Prepared => {
    const isAsked = question.isAsked(situation);
    const chosen = situation.brief.decisive?.[question.key];
    return {
      question,
      isAsked,
      isDecisive: isAsked && (chosen ?? question.isDecisive(situation)),
      compute: isAsked ? question.compute?.(situation) : undefined,
      live: isAsked ? liveRules(question.key, situation, rules, shop) : [],
    };
  });
  return (head) => ({ head, all: prepared.map((one) => answer(one, head)) });
}

/** The rules of a question that a situation leaves open, the first to be asked first. */
function liveRules(
  key: QuestionKey,
  situation: Situation,
  rules: readonly Rule[],
  shop: Schools | undefined,
): Live[] {
  const live: (Live & { readonly weight: number })[] = [];
  for (const rule of rules) {
    if (rule.question !== key || rule.off) continue;
    const { school } = rule;
    if (school && schoolOf(school.topic, situation.brief.schools, shop) !== school.side) continue;
    const asked = every(rule.when, situation);
    if (asked === false) continue;
    live.push({ rule, asked, weight: rule.when.reduce((sum, one) => sum + weigh(one), 0) });
  }
  const first = (rule: Rule) => (rule.grade === 'never' ? 1 : 0);
  return live.sort(
    (a, b) =>
      first(b.rule) - first(a.rule) ||
      b.rule.strength - a.rule.strength ||
      b.weight - a.weight ||
      WORTH[a.rule.grade] - WORTH[b.rule.grade],
  );
}

const NOTHING: readonly Found[] = [];

function answer({ question, isAsked, isDecisive, compute, live }: Prepared, head: Head): Answer {
  if (!isAsked)
    return {
      question,
      mark: 'unsaid',
      score: undefined,
      isDecisive: false,
      isHard: false,
      found: NOTHING,
      rule: undefined,
    };
  let rule: Rule | undefined;
  for (const one of live) {
    if (one.asked !== true && !one.asked(head)) continue;
    rule = one.rule;
    break;
  }
  const found = compute ? compute(head) : NOTHING;
  let computed: Found | undefined;
  for (const one of found) if (!computed || one.score < computed.score) computed = one;
  const said = rule ? WORTH[rule.grade] : undefined;
  const isHard = rule?.grade === 'never';
  let score: number | undefined;
  if (isHard) score = 0;
  else if (computed === undefined) score = said;
  else if (said === undefined) score = computed.score;
  else if (question.isBoth) score = Math.min(said, computed.score);
  else score = computed.isFirm ? computed.score : said;
  return { question, mark: markOf(score), score, isDecisive, isHard, found, rule };
}

/** The rule’s reason with its facts filled in, quantities marked. */
export function ruleText(rule: Rule, situation: Situation, head: Head): string {
  return rule.says.replace(/\{([^}]+)\}/g, (_, name: string) => {
    const fact = factFor(name, situation, head);
    const spec = factOf(name);
    return typeof fact === 'number' && spec && 'quantity' in spec
      ? marked(fact, spec.quantity as QuantityKind)
      : factText(name, fact, 'metric');
  });
}

/** The grounds of an answer: the one that decided first, then the others, the worst before the better. */
export function groundsOf(
  { question, found, rule, isHard }: Answer,
  situation: Situation,
  head: Head,
): Ground[] {
  const computed = [...found].sort((a, b) => a.score - b.score);
  const said = rule ? WORTH[rule.grade] : undefined;
  const worst = computed[0];
  const isRuleFirst =
    said !== undefined &&
    (isHard || worst === undefined || (question.isBoth ? said < worst.score : !worst.isFirm));
  const readings = computed.map((one): Ground => ({
    by: one.by,
    from: 'reading',
    side: sideOf(one.score),
    text: one.says(),
    source: 'computed',
  }));
  if (!rule || said === undefined) return readings;
  const voice: Ground = {
    by: rule.id,
    from: 'rule',
    side: sideOf(said),
    text: ruleText(rule, situation, head),
    source: rule.source,
  };
  return isRuleFirst ? [voice, ...readings] : [...readings, voice];
}

/** A ground in the reader’s units. */
export const groundText = ({ text }: Pick<Ground, 'text'>, system: UnitSystem): string =>
  inUnits(text, system);
