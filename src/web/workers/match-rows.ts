import type { GoesOn } from './in-parts.ts';
import { inParts } from './in-parts.ts';
import type { NamedBrief } from '../../core/match/index.ts';
import type { Brief, Design, Problem, QuestionKey, RuleSet } from '../../core/document/index.ts';
import type {
  Ground,
  Mark,
  Matched,
  Matching,
  ReadingValues,
  SayingRow,
  Service,
  Standing as RankedStanding,
  TackleAdvice,
} from '../../core/match/index.ts';
import type { Metal } from '../../core/material/index.ts';
import type { Plastic } from '../../core/plastic/index.ts';
import type { Drawing } from '../../core/plate/index.ts';
import type { MethodKey } from '../../core/rigging/index.ts';
import { evaluate, PLAIN_WATER } from '../../core/judge/index.ts';
import {
  bareHead,
  groundsOf,
  matchingFor,
  matchKept,
  matchSettled,
  pairJudge,
  placed,
  proposeHead,
  shapeOf,
  smallestChange,
  standKept,
  tackleFor,
  byService,
  SAYINGS,
  sayingTest,
  useIn,
  valuesOf,
  worstAnswer,
} from '../../core/match/index.ts';
import { drawingOf } from '../../core/plate/index.ts';

/** What a brief is answered with, as it travels to the worker. */
export interface Asking {
  readonly brief: Brief;
  readonly rules: Pick<RuleSet, 'rules' | 'schools'>;
  readonly shelf: readonly Plastic[];
  readonly metals: readonly Metal[] | undefined;
}

/** An answer as plain data. */
export interface AnswerRow {
  readonly key: QuestionKey;
  readonly mark: Mark;
  readonly score: number | undefined;
  readonly isDecisive: boolean;
  readonly isHard: boolean;
  readonly grounds: readonly Ground[];
}

/** A head in the answer. */
export interface MatchRow {
  readonly id: string;
  readonly shape: string;
  readonly standing: RankedStanding | undefined;
  readonly answers: readonly AnswerRow[];
  readonly method: MethodKey | undefined;
  readonly plastic: string | undefined;
  /** place of the answer that decided against it, in `answers` */
  readonly worst: number;
  readonly isSettled: boolean;
  readonly problems: readonly Problem[];
}

let asked: { key: string; matching: Matching } | undefined;
/** Making a brief ready takes a moment; it is the same for all heads of an answer. */
function matchingOf({ brief, rules, shelf, metals: store }: Asking): Matching {
  const key = JSON.stringify([brief, rules, shelf, store]);
  if (asked?.key !== key) asked = { key, matching: matchingFor(brief, rules, shelf, store) };
  return asked.matching;
}

function rowOf(id: string, { situation }: Matching, { answers, standing: stood }: Matched): MatchRow {
  const { head, all } = answers;
  const worst = worstAnswer(answers);
  return {
    id,
    shape: shapeOf(head),
    standing: stood,
    answers: all.map((answer) => ({
      key: answer.question.key,
      mark: answer.mark,
      score: answer.score,
      isDecisive: answer.isDecisive,
      isHard: answer.isHard,
      grounds: groundsOf(answer, situation, head),
    })),
    method: head.worn?.pairing.method,
    plastic: head.worn?.plastic.name,
    worst: worst ? all.indexOf(worst) : -1,
    isSettled: head.isSettled === true,
    problems: [],
  };
}

const brokenRow = (id: string, problems: readonly Problem[]): MatchRow => ({
  id,
  shape: '',
  standing: undefined,
  answers: [],
  method: undefined,
  plastic: undefined,
  worst: -1,
  isSettled: true,
  problems,
});

/** Heads that are told of with their grounds: of a larger Rack the first. */
const TOLD = 400;

/** Heads at first, from the readings kept at save; of a large Rack the best of them. */
export function matchFirst(
  asking: Asking,
  heads: readonly { readonly id: string; readonly design: Design; readonly values: ReadingValues }[],
): MatchRow[] {
  const matching = matchingOf(asking);
  const told =
    heads.length <= TOLD
      ? heads
      : placed(
          heads.map((head) => ({ head, stood: standKept(matching, head.design, head.values) })),
          ({ stood }) => stood,
        )
          .slice(0, TOLD)
          .map(({ item }) => item.head);
  return told.map(({ id, design, values }) => rowOf(id, matching, matchKept(matching, design, values)));
}

/** Heads as they really stand. */
export function matchWhole(
  asking: Asking,
  heads: readonly { readonly id: string; readonly design: Design }[],
): MatchRow[] {
  const matching = matchingOf(asking);
  return heads.map(({ id, design }) => {
    const settled = matchSettled(matching, design);
    return settled.ok ? rowOf(id, matching, settled.matched) : brokenRow(id, settled.problems);
  });
}

/** The smallest change for a head, as plain data. */
export type ChangeRow =
  | { readonly kind: 'none needed' }
  | { readonly kind: 'none helps'; readonly question: QuestionKey }
  | {
      readonly kind: 'change';
      readonly question: QuestionKey;
      readonly says: string;
      readonly from: Mark;
      readonly to: Mark;
      /** what is then the weakest answer, where that is not a yes */
      readonly remains: { readonly question: QuestionKey; readonly mark: Mark } | undefined;
      readonly design: Design;
      /** undefined where the design changes; else the method that is to be used */
      readonly method: MethodKey | undefined;
    };

/** Returns the smallest change that lifts a head’s decisive answer. */
export function changeFor(asking: Asking, design: Design): ChangeRow {
  const matching = matchingOf(asking);
  const settled = matchSettled(matching, design);
  if (!settled.ok) return { kind: 'none needed' };
  const found = smallestChange(matching, design, settled.matched);
  if (found.kind === 'none helps') return { kind: 'none helps', question: found.question.key };
  if (found.kind === 'none needed') return found;
  const { question, remedies, from, to, remains, design: made, method, patch } = found.change;
  return {
    kind: 'change',
    question: question.key,
    says: remedies.map(({ says }) => says).join('; '),
    from,
    to,
    remains: remains && { question: remains.question.key, mark: remains.mark },
    design: made,
    // Where the design changes too the method is found anew; alone it is what is to be used.
    method: patch.length === 0 ? method : undefined,
  };
}

/** A head that nobody has yet. */
export interface ProposedRow {
  readonly design: Design;
  readonly row: MatchRow;
  readonly drawing: Drawing | undefined;
}

/**
 * Returns the best head that can be made for a brief; undefined where none can be built. `tell` hears how
 * many were tried.
 */
export function propose(asking: Asking, tell: (tried: number) => void): ProposedRow | undefined {
  const matching = matchingOf(asking);
  const found = proposeHead(matching, tell);
  if (!found) return undefined;
  const result = evaluate(found.design, { ...PLAIN_WATER, metals: asking.metals, isShort: true });
  return {
    design: found.design,
    row: rowOf('proposed', matching, found.matched),
    drawing: result.ok ? drawingOf(result.rig) : undefined,
  };
}

/**
 * Line and rod for a head with a bait on it by a method, in the use the pair serves best; undefined where it
 * cannot be built.
 */
export function tackle(
  design: Design,
  plastic: Plastic,
  method: MethodKey,
  rules: Asking['rules'],
  metals: readonly Metal[] | undefined,
): { readonly use: string; readonly advice: TackleAdvice } | undefined {
  const head = bareHead(design, metals);
  if (!head) return undefined;
  const { brief, use, pairing } = pairJudge(rules)(head, plastic, method);
  const whole = evaluate(design, { ...PLAIN_WATER, ...(metals ? { metals } : {}) }, { plastic, method });
  if (!whole.ok) return undefined;
  const worn = { design: whole.design, values: valuesOf(whole.readings), worn: { plastic, pairing } };
  return { use, advice: tackleFor(worn, brief, rules) };
}

/** What a head is good for, as plain data. */
export interface UseRow {
  readonly key: string;
  readonly name: string;
  readonly service: Service;
  readonly mark: Mark | undefined;
  readonly question: QuestionKey | undefined;
  readonly why: string;
}

/**
 * Returns what a head is for, among stated situations and the shop’s own briefs: of all of them, or of those
 * asked before it was enough.
 */
export async function uses(
  design: Design,
  briefs: readonly NamedBrief[],
  rules: Asking['rules'],
  metals: readonly Metal[] | undefined,
  goesOn: GoesOn,
): Promise<UseRow[]> {
  const result = evaluate(design, { ...PLAIN_WATER, ...(metals ? { metals } : {}) });
  if (!result.ok) return [];
  const values = valuesOf(result.readings);
  const found = await inParts(
    briefs,
    (brief) => useIn(result.design, values, brief, rules),
    (done, of) => goesOn(done, of, undefined),
  );
  return byService(found.flat()).map(({ key, brief, situation, service, matched, worst }) => ({
    key,
    name: brief.name,
    service,
    mark: worst?.mark,
    question: worst?.question.key,
    why: worst ? (groundsOf(worst, situation, matched.answers.head)[0]?.text ?? '') : '',
  }));
}

/** Sayings held against some heads, handed out one by one. */
export const sayings = (
  heads: readonly { readonly name: string; readonly design: Design; readonly values: ReadingValues }[],
  metals: readonly Metal[] | undefined,
  goesOn: GoesOn<SayingRow>,
): Promise<SayingRow[]> => inParts(SAYINGS, sayingTest(heads, metals), goesOn);
