/** Words of the trade that fields of the interface explain; the glossary says what each means. */
export const TERMS = [
  'cover',
  'retrieve',
  'line test',
  'keeper',
  'weed guard',
  'eye',
  'gauge',
  'rigging',
] as const;

/** A word of the trade that is explained where it stands. */
export type TermWord = (typeof TERMS)[number];
