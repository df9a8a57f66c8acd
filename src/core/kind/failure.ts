/**
 * What a failure says: the message of an error, or whatever else was thrown as text.
 *
 * @param cause what was caught; anything can be thrown
 */
export const messageOf = (cause: unknown): string => (cause instanceof Error ? cause.message : String(cause));

/**
 * What lies behind a failure, as libraries wrap it: the cause an error names, or the failure itself where it
 * names none.
 *
 * @param failure what was caught
 */
export const causeOf = (failure: unknown): unknown =>
  failure instanceof Error ? (failure.cause ?? failure) : failure;

/** A failure as it can be asked about, whatever was thrown. */
export interface Cause {
  readonly code?: unknown;
  readonly errno?: unknown;
  readonly message?: unknown;
  readonly name?: unknown;
  readonly stack?: unknown;
}

/** Most causes behind each other that are followed. */
const MOST_CAUSES = 8;

/**
 * A failure and what caused it, from the outermost on, as libraries wrap it.
 *
 * @param failure what was caught
 */
export function* causesOf(failure: unknown): Generator<Cause> {
  for (let at = failure, depth = 0; at && depth < MOST_CAUSES; depth++) {
    yield at;
    at = (at as { cause?: unknown }).cause;
  }
}
