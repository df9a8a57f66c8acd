import { messageOf } from '../../core/kind/index.ts';
import type { Problem } from '../../core/document/index.ts';
import { ServerAway, ServerProblem } from './api.ts';

/** Saves of one state that may fail inside the server before it is taken as one that can never be kept. */
const MOST_FAILURES = 4;

/** What became of a save that failed, and how many in a row now have failed inside the server. */
interface Verdict {
  readonly state: 'refused' | 'away';
  readonly problems: readonly Problem[];
  readonly failures: number;
}

/**
 * Whether a save that failed can never be kept, or is tried again; `failures` of the same state have gone
 * before.
 */
export function verdictOn(error: unknown, failures: number): Verdict {
  if (!(error instanceof ServerProblem)) {
    const problems = error instanceof ServerAway ? [] : [{ path: '', message: messageOf(error) }];
    return { state: 'away', problems, failures };
  }
  const { status, errors, detail } = error.details;
  // Whoever was signed out signs in again, and goes on: nothing is wrong with what was typed.
  if (status === 401) return { state: 'away', problems: [{ path: '', message: detail }], failures };
  if (status < 500)
    return { state: 'refused', problems: errors ?? [{ path: '', message: detail }], failures };
  const now = status === 500 ? failures + 1 : failures;
  if (now < MOST_FAILURES)
    return { state: 'away', problems: [{ path: '', message: error.message }], failures: now };
  // The same state has failed again and again: it is told once and kept here; the next edit tries anew.
  const message =
    `The server cannot take this: ${detail} What you typed is kept in this browser. Undo the ` +
    'last change, or export the document from the menu.';
  return { state: 'refused', problems: [{ path: '', message }], failures: 0 };
}
