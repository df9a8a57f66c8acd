import { GRAMS_PER_OUNCE } from '../quantity/units.ts';

/** One line of a scale, read. */
export type ScaleLine =
  | { readonly kind: 'weight'; readonly grams: number; readonly isSteady: boolean | undefined }
  | { readonly kind: 'over' }
  | { readonly kind: 'unreadable'; readonly line: string };

/** Grams in the units small scales speak. A carat is 0.2 g by the General Conference of 1907, a grain 64.79891 mg, a pennyweight 24 grains. */
const UNITS: Readonly<Record<string, number>> = {
  g: 1,
  mg: 0.001,
  kg: 1000,
  oz: GRAMS_PER_OUNCE,
  ct: 0.2,
  gn: 0.06479891,
  gr: 0.06479891,
  dwt: 24 * 0.06479891,
};
/** Longest part of an unreadable line that is shown. */
const SHOWN = 40;

/**
 * What a line from a scale says: the one number in it with its unit (grams where none is named), and whether the scale calls it steady, where it
 * does. It does not ask for one maker's form: a sign, spaces, leading words and codes of steadiness may stand about the number.
 */
export function readScaleLine(line: string): ScaleLine {
  const text = line.trim();
  if (/\b(over|ol|err(or)?)\b|-{3,}/i.test(text)) return { kind: 'over' };
  const found = [...text.matchAll(/([+-]?)\s*(\d+(?:[.,]\d+)?|[.,]\d+)\s*([a-z]*)/gi)];
  const [only] = found;
  const unit = (only?.[3] ?? '').toLowerCase();
  const factor = unit === '' ? 1 : UNITS[unit];
  if (found.length !== 1 || !only || factor === undefined)
    return { kind: 'unreadable', line: text.slice(0, SHOWN) };
  const value = Number((only[2] ?? '').replace(',', '.')) * (only[1] === '-' ? -1 : 1);
  const isSteady = /\b(us|u|unst\w*|dynamic)\b|[~?]/i.test(text)
    ? false
    : /\b(st|s|stable|steady)\b/i.test(text)
      ? true
      : undefined;
  return { kind: 'weight', grams: value * factor, isSteady };
}

/** Lines in a row that must agree where the scale does not say itself that it is steady, and how closely, g. */
const AGREE = { lines: 4, within: 0.011 };

/** What lies on the pan, as the lines so far tell. */
export interface Pan {
  /** the last weight, g; undefined before the first */
  readonly grams: number | undefined;
  readonly isSteady: boolean;
  /** the piece on it was told already: it must come off before the next */
  readonly isTold: boolean;
  readonly recent: readonly number[];
  readonly unreadable: number;
}

/** A pan before its scale has told anything. */
export const EMPTY_PAN: Pan = { grams: undefined, isSteady: false, isTold: false, recent: [], unreadable: 0 };

/**
 * Follows a scale line by line: gives the pan as it is now, and the weight of a piece once, when it has come to rest on a pan that was empty
 * before it. `least` is the weight under which a pan counts as empty, g.
 */
export function followScale(
  pan: Pan,
  line: string,
  least: number,
): { readonly pan: Pan; readonly piece?: number } {
  const read = readScaleLine(line);
  if (read.kind !== 'weight')
    return {
      pan: {
        ...pan,
        isSteady: false,
        recent: [],
        unreadable: pan.unreadable + (read.kind === 'unreadable' ? 1 : 0),
      },
    };
  const recent = [...pan.recent, read.grams].slice(-AGREE.lines);
  const agree = recent.length === AGREE.lines && Math.max(...recent) - Math.min(...recent) <= AGREE.within;
  const isSteady = read.isSteady ?? agree;
  const isEmpty = Math.abs(read.grams) < least;
  const isNew = isSteady && !isEmpty && !pan.isTold;
  const next: Pan = {
    ...pan,
    grams: read.grams,
    isSteady,
    recent,
    isTold: isEmpty ? false : pan.isTold || isNew,
  };
  return isNew ? { pan: next, piece: read.grams } : { pan: next };
}
