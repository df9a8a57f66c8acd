/** Edits that follow each other this closely are one, as while a word is typed or a slider is pulled, ms. */
const TOGETHER = 700;
/** Edits that can be undone. */
const MOST_STEPS = 100;

/** Edits of a visit that can be undone and redone. */
export interface Trail<T> {
  /** notes what a document was before an edit */
  readonly edited: (before: T) => void;
  /** the document one step back (−1) or forth (+1) from the present one; undefined where there is none */
  readonly step: (by: 1 | -1, present: T) => T | undefined;
  readonly clear: () => void;
}

/** A trail without edits; `now` tells the time, ms. */
export function trailOf<T>(now: () => number = Date.now): Trail<T> {
  let [past, future]: [T[], T[]] = [[], []];
  let editedAt = 0;
  return {
    edited: (before) => {
      const at = now();
      if (at - editedAt > TOGETHER || past.length === 0) past = [...past, before].slice(-MOST_STEPS);
      editedAt = at;
      future = [];
    },
    step: (by, present) => {
      const [from, to] = by < 0 ? [past, future] : [future, past];
      const document = from.pop();
      if (document === undefined) return undefined;
      to.push(present);
      // What is typed next is an edit of its own.
      editedAt = 0;
      return document;
    },
    clear: () => {
      [past, future] = [[], []];
    },
  };
}
