/** Whole units of time, s, from the longest. */
const UNITS = [
  ['year', 31_557_600],
  ['month', 2_629_800],
  ['week', 604_800],
  ['day', 86_400],
  ['hour', 3_600],
  ['minute', 60],
] as const;

/** How long ago something was, in the reader's language: “3 days ago”. Less than a minute is “now”. */
export function ageOf(at: string, now: number = Date.now(), locale?: string): string {
  const seconds = (Date.parse(at) - now) / 1000;
  const tell = new Intl.RelativeTimeFormat(locale, { numeric: 'auto' });
  const [unit, size] =
    UNITS.find(([, length]) => Math.abs(seconds) >= length) ?? (['second', Infinity] as const);
  return tell.format(size === Infinity ? 0 : Math.trunc(seconds / size), unit);
}

/** A moment in the reader's language and time. */
export const dateOf = (at: string, locale?: string): string =>
  new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeStyle: 'short' }).format(new Date(at));

/** Bytes as a person reads them, in steps of a thousand. */
export function sizeOf(bytes: number, locale?: string): string {
  const [unit, size] = bytes >= 1e6 ? (['megabyte', 1e6] as const) : (['kilobyte', 1e3] as const);
  return new Intl.NumberFormat(locale, {
    style: 'unit',
    unit,
    maximumSignificantDigits: 3,
  }).format(bytes / size);
}
