/** A day in the reader’s own way of writing it: 30 May 2026, 30.05.2026. */
const DAY = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium' });
/** A day with its time of day. */
const MOMENT = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });
const TIME = new Intl.DateTimeFormat(undefined, { timeStyle: 'short' });

/** Returns the day of a moment, ISO 8601, as the reader writes it. */
export const dayText = (at: string): string => DAY.format(new Date(at));

/** Returns a moment, ISO 8601, as the reader writes it: of today its time alone. */
export function momentText(at: string): string {
  const date = new Date(at);
  return new Date().toDateString() === date.toDateString() ? TIME.format(date) : MOMENT.format(date);
}
