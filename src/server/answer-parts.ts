import type { Results } from '@electric-sql/pglite';
import type { Answer } from './database-connection.ts';

/**
 * Characters of one message. What comes to a thread in a message of more than 100 kB is laid down there as if
 * it were to stay (V8 deserializes it into its old space), and is only cleared away when that has grown by as
 * much again as the thread holds: a table that is read piece by piece would make the server grow by hundreds
 * of megabytes.
 */
const MOST = 40_000;
/** What a value that is no text counts as, characters: a document of the usual size. */
const OTHER = 4_000;

const lengthOf = (row: unknown): number =>
  Object.values(row as object).reduce<number>(
    (sum, value) => sum + (typeof value === 'string' ? value.length : typeof value === 'object' ? OTHER : 16),
    0,
  );

const hasRows = (value: unknown): value is Results =>
  typeof value === 'object' && value !== null && 'rows' in value && Array.isArray(value.rows);

/** Returns the messages an answer goes out as: rows of some length a few at a time, then the rest of it. */
export function* inParts(answer: Answer): Generator<Answer> {
  if (!('value' in answer) || !hasRows(answer.value) || answer.value.rows.length < 2) {
    yield answer;
    return;
  }
  const { id, value } = answer;
  const { rows } = value;
  let [from, length] = [0, 0];
  for (const [i, row] of rows.entries()) {
    const more = lengthOf(row);
    if (i > from && length + more > MOST) {
      yield { id, some: rows.slice(from, i) };
      [from, length] = [i, 0];
    }
    length += more;
  }
  if (from === 0) {
    yield answer;
    return;
  }
  yield { id, some: rows.slice(from) };
  yield { id, value: { ...value, rows: [] } };
}
