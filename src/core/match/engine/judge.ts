import { itemAt } from '../../numeric/at.ts';
import type { QuestionKey } from '../../document/brief-words.ts';
import type { Rule, Shade } from '../../document/rules.ts';
import type { Schools } from '../../document/schools.ts';
import { schoolOf } from '../../document/schools.ts';
import { inUnits, marked, withUsual } from '../../quantity/phrase.ts';
import type { QuantityKind, UnitSystem } from '../../quantity/units.ts';
import { every, factsIn, weigh } from './conditions.ts';
import { factFor, factOf, factText } from './facts.ts';
import type { Head } from './head.ts';
import type { Mark, Side } from './marks.ts';
import { markOf, sideOf } from './marks.ts';
import { QUESTIONS } from '../questions/index.ts';
import type { Found, Question } from '../questions/question.ts';
import { shapeOf } from './shapes.ts';
import type { Situation } from './situation.ts';

/** What each shade of a rule is worth. */
const WORTH: Readonly<Record<Shade, number>> = { best: 1, good: 0.8, fair: 0.5, poor: 0.2, never: 0 };

/** How a head stands to one question. */
export interface Answer {
  readonly question: Question;
  readonly mark: Mark;
  /** 0 to 1; undefined where nothing is said */
  readonly score: number | undefined;
  readonly isDecisive: boolean;
  /** true of a hard stop, by a rule or by what was computed, which nothing outranks */
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
  readonly side: Side;
  readonly text: string;
  readonly source: string;
}

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
  /** of a question that the shape answers: rules that ask for no shape, which can only lessen its grade */
  readonly traits: readonly Live[];
  /** the answer where it is not asked */
  readonly unsaid: Answer | undefined;
}

const NOTHING: readonly Found[] = [];

/** A judge of heads in one situation by one set of rules. */
export type Judge = (head: Head) => Answers;

/**
 * Makes the judge of a situation. Within a question nothing adds up: of the rules that hold the strongest
 * speaks, of equals the one that asks more, then the more cautious; a hard stop always. Of `only` some
 * questions the others are left unsaid. A firm computation goes before a rule, or both must be content where
 * the question says so.
 */
export function judgeFor(
  situation: Situation,
  rules: readonly Rule[],
  shop?: Schools,
  only?: ReadonlySet<QuestionKey>,
): Judge {
  const prepared = preparedFor(situation, rules, shop, only);
  const known = new Map<string, readonly OfShape[]>();
  return (head) => {
    const shape = shapeOf(head);
    let open = known.get(shape);
    if (!open) {
      open = prepared.map((one) => ofShape(one, situation, shape));
      known.set(shape, open);
    }
    const of = open;
    return { head, all: prepared.map((one, i) => one.unsaid ?? answer(one, head, itemAt(of, i))) };
  };
}

/**
 * The readings that answers in a situation can look at: those of the questions it asks, and those its rules
 * name.
 */
export function readingsAsked(
  situation: Situation,
  rules: readonly Rule[],
  shop?: Schools,
): ReadonlySet<string> {
  const asked = new Set<string>();
  for (const { question, isAsked, live, traits } of preparedFor(situation, rules, shop)) {
    if (isAsked) for (const id of question.reads ?? []) asked.add(id);
    for (const { rule } of [...live, ...traits]) {
      for (const condition of [...rule.when, ...(rule.claim ?? [])])
        for (const fact of factsIn(condition)) asked.add(fact);
      for (const [, name = ''] of rule.says.matchAll(NAMED)) asked.add(name);
    }
  }
  return asked;
}

/** A fact named in a rule’s words. */
const NAMED = /\{([^}]+)\}/g;

function preparedFor(
  situation: Situation,
  rules: readonly Rule[],
  shop: Schools | undefined,
  only?: ReadonlySet<QuestionKey>,
): Prepared[] {
  return QUESTIONS.map((question): Prepared => {
    const isAsked = (!only || only.has(question.key)) && question.isAsked(situation);
    const chosen = situation.brief.decisive?.[question.key];
    const asked = isAsked ? liveRules(question.key, situation, rules, shop) : [];
    const isOwn = ({ rule }: Live) => !question.isOfShape || rule.grade === 'never' || asksShape(rule);
    const live = asked.filter(isOwn);
    const traits = asked.filter((one) => !isOwn(one));
    return {
      question,
      isAsked,
      isDecisive: isAsked && (chosen ?? question.isDecisive(situation)),
      compute: isAsked ? question.compute?.(situation) : undefined,
      live,
      traits,
      unsaid: isAsked
        ? undefined
        : {
            question,
            mark: 'unsaid',
            score: undefined,
            isDecisive: false,
            isHard: false,
            found: NOTHING,
            rule: undefined,
          },
    };
  });
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
    const asked = askedOf(rule, situation);
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

/**
 * What is still to be asked of a head for a rule to speak, in a situation and of a shape where one is given;
 * false where it cannot.
 */
function askedOf(rule: Rule, situation: Situation, shape?: string): Live['asked'] | false {
  const held = every(rule.when, situation, false, shape);
  if (held === false) return false;
  const claimed = every(rule.claim ?? [], situation, true, shape);
  if (claimed === false) return false;
  if (held === true) return claimed;
  return claimed === true ? held : (head) => held(head) && claimed(head);
}

/** What a question asks of heads of one shape: of thousands of heads each is asked only what is left open. */
interface OfShape {
  readonly live: readonly Live[];
  readonly traits: readonly Live[];
}

function ofShape({ live, traits }: Prepared, situation: Situation, shape: string): OfShape {
  const open = (all: readonly Live[]) =>
    all.flatMap(({ rule }): Live[] => {
      const asked = askedOf(rule, situation, shape);
      return asked === false ? [] : [{ rule, asked }];
    });
  return { live: open(live), traits: open(traits) };
}

const SHAPE_FACTS = new Set(['shape', 'family']);

/** Whether a rule speaks of certain shapes, and not of a trait that any shape can have. */
const asksShape = ({ when }: Rule): boolean =>
  when.some((condition) => factsIn(condition).some((fact) => SHAPE_FACTS.has(fact)));

function firstOf(live: readonly Live[], head: Head): Rule | undefined {
  for (const { asked, rule } of live) if (asked === true || asked(head)) return rule;
  return undefined;
}

function answer({ question, isDecisive, compute }: Prepared, head: Head, { live, traits }: OfShape): Answer {
  let rule = firstOf(live, head);
  const trait = firstOf(traits, head);
  if (trait && (!rule || WORTH[trait.grade] < WORTH[rule.grade])) rule = trait;
  const found = compute ? compute(head) : NOTHING;
  let computed: Found | undefined;
  for (const one of found) if (!computed || one.score < computed.score) computed = one;
  const said = rule ? WORTH[rule.grade] : undefined;
  const isHard = rule?.grade === 'never' || computed?.isOut === true;
  let score: number | undefined;
  if (isHard) score = 0;
  else if (computed === undefined) score = said;
  else if (said === undefined) score = computed.score;
  else if (question.isBoth) score = Math.min(said, computed.score);
  else score = computed.isFirm ? computed.score : said;
  return { question, mark: markOf(score), score, isDecisive, isHard, found, rule };
}

/** The rule’s reason with its facts and quantities (`{10 to 12 lb}`) filled in, quantities marked. */
export function ruleText(rule: Rule, situation: Situation, head: Head): string {
  return withUsual(rule.says).replace(NAMED, (_, name: string) => {
    const fact = factFor(name, situation, head);
    const spec = factOf(name);
    return typeof fact === 'number' && spec && 'quantity' in spec
      ? marked(fact, spec.quantity as QuantityKind)
      : factText(name, fact, 'metric');
  });
}

/**
 * The grounds of an answer: the one that decided first, then others that speak on its side. Where what is
 * usual and what was computed of the same thing part, both stand in one sentence, on the side that decided.
 */
export function groundsOf(
  { question, found, rule, isHard }: Answer,
  situation: Situation,
  head: Head,
): Ground[] {
  const computed = [...found].sort((a, b) => a.score - b.score);
  const readings = computed.map(({ by, score, says }): Ground => ({
    by,
    from: 'reading',
    side: sideOf(score),
    text: says(sideOf(score)),
    source: 'computed',
  }));
  const said = rule ? WORTH[rule.grade] : undefined;
  if (!rule || said === undefined) return ownSide(readings);
  const voice: Ground = {
    by: rule.id,
    from: 'rule',
    side: sideOf(said),
    text: ruleText(rule, situation, head),
    source: rule.source,
  };
  const [worst] = computed;
  const [reading] = readings;
  if (!worst || !reading) return [voice];
  const isRuleFirst = worst.isOut ? false : isHard || (question.isBoth ? said < worst.score : !worst.isFirm);
  const [lead, other] = isRuleFirst ? [voice, reading] : [reading, voice];
  const rest = readings.slice(1);
  if (!isParted(lead, other) || !worst.isSame) return ownSide([lead, other, ...rest]);
  const text =
    lead === voice
      ? `${voice.text} Computed it is otherwise: ${reading.text}`
      : `Usual: ${voice.text} But computed: ${reading.text}`;
  return ownSide([{ ...lead, text }, ...rest]);
}

/** Whether one speaks for a head and the other against it. */
const isParted = (a: Ground, b: Ground): boolean =>
  (a.side === 'for' && b.side === 'against') || (a.side === 'against' && b.side === 'for');

/** Of grounds those on the side of the first. */
const ownSide = (grounds: readonly Ground[]): Ground[] =>
  grounds.filter(({ side }) => side === grounds[0]?.side);

/** A ground in the reader’s units. */
export const groundText = ({ text }: Pick<Ground, 'text'>, system: UnitSystem): string =>
  inUnits(text, system);
