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
