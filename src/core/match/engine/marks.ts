/** What a head is told to a question. */
export const MARKS = ['yes', 'barely', 'no', 'unsaid'] as const;
/** A mark of an answer, best first. */
export type Mark = (typeof MARKS)[number];

/** Scores from which an answer is a yes, and under which it is a no. */
export const YES = 0.65;
/** Score below which an answer is no. */
export const NO = 0.35;

/** The mark of a score, 0 to 1; unsaid of none. */
export const markOf = (score: number | undefined): Mark =>
  score === undefined ? 'unsaid' : score >= YES ? 'yes' : score < NO ? 'no' : 'barely';

/** Whether a ground speaks for a head or against it, or asks for care. */
export type Side = 'for' | 'care' | 'against';

/** The side of a score: the one place where for and against are told apart. */
export const sideOf = (score: number): Side => (score >= YES ? 'for' : score < NO ? 'against' : 'care');
