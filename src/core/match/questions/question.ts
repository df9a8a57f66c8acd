import type { ReadingId } from '../../behaviour/registry.ts';
import type { QuestionKey } from '../../document/brief-words.ts';
import type { Remedy } from '../../rigging/method.ts';
import type { Head } from '../engine/head.ts';
import type { Side } from '../engine/marks.ts';
import type { Situation } from '../engine/situation.ts';

/** What a computation says to a question about one head. */
export interface Found {
  /** how well, 0 to 1: from 0.65 on it is a yes, under 0.35 a no */
  readonly score: number;
  /** true where the computation decides by itself; else a rule of the trade that speaks goes before it */
  readonly isFirm: boolean;
  /** true where the head is out by it, whether the question decides or not */
  readonly isOut?: boolean;
  /**
   * true where it answers just what the rules of its question say, so that the two may be set against each
   * other in one sentence
   */
  readonly isSame?: boolean;
  /** the reading it is based on, or `fit` */
  readonly by: string;
  /**
   * the same in words that go with the side it speaks on, quantities marked for the reader’s units; asked for
   * only where it is shown
   */
  readonly says: (side: Side) => string;
}

/** One question that a situation asks of a head. */
export interface Question {
  readonly key: QuestionKey;
  /** in two or three words, for the head of a column */
  readonly name: string;
  /** as a person at the counter asks it */
  readonly asks: string;
  /** what goes wrong where the answer is no, as the common mistake it is */
  readonly mistake: string;
  /**
   * readings its computation looks at; what no asked question and no rule looks at is not computed for a
   * match
   */
  readonly reads?: readonly ReadingId[];
  /** whether the situation asks it at all; no rule speaks where it does not */
  isAsked(situation: Situation): boolean;
  /** whether a no is out, unless the brief says otherwise */
  isDecisive(situation: Situation): boolean;
  /** What is computed, prepared once for a situation. Of several findings the worst decides. */
  compute?(situation: Situation): (head: Head) => readonly Found[];
  /** true where rule and computation must both be content: the worse of both decides */
  readonly isBoth?: boolean;
  /**
   * true where it is the shape that answers: what a rule says of a trait (a hinge, a metal, a wire) can only
   * lessen the shape’s own grade, and where the question decides, its grade tells what the shape was made
   * for
   */
  readonly isOfShape?: boolean;
  /** true where it asks for the way of fishing itself */
  readonly isPurpose?: boolean;
  /** true where it asks how the bait goes on */
  readonly isFit?: boolean;
  /** Single changes that may mend a no, the smallest first; each is tried by recomputing. */
  changes?(situation: Situation, head: Head): readonly Remedy[];
}

/** Returns a step that sets a field of the design, by its JSON pointer, and the words for it. */
export const toDesign = (path: string, value: unknown, says: string): Remedy => ({
  of: 'design',
  path,
  value,
  says,
});
/** Returns a step that changes the method a bait is put on by. */
export const toMethod = (value: string, says: string): Remedy => ({ of: 'method', path: '', value, says });

/** A score from how many times too much something is: 1 at once, falling by `step` with every doubling. */
export const byRatio = (ratio: number, step = 0.6): number =>
  Math.min(1, Math.max(0, 1 - step * Math.log2(Math.max(1, ratio))));
