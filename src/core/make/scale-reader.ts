import { GRAMS_PER_OUNCE } from '../quantity/units.ts';

/** One line of a scale, read. */
export type ScaleLine =
  | { readonly kind: 'weight'; readonly grams: number; readonly isSteady: boolean | undefined }
  | { readonly kind: 'over' }
  | { readonly kind: 'unreadable'; readonly line: string };

/**
 * Grams in the units small scales speak. A carat is 0.2 g by the General Conference of 1907, a grain 64.79891
 * mg, a pennyweight 24 grains.
 */
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
 * What a line from a scale says: the one number in it with its unit (grams where none is named), and whether
 * the scale calls it steady, where it does. It does not ask for one maker's form: a sign, spaces, leading
 * words and codes of steadiness may stand about the number.
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

/**
 * Lines in a row that must agree where the scale does not say itself that it is steady, and how closely, g.
 */
const AGREE = { lines: 4, within: 0.011 };

/** A pan that falls under this share of the piece on it has lost it, whether or not it was seen empty. */
const FALLEN = 0.5;
/**
 * One that dipped under this share of it and came back may hold another piece: the hand is asked, nothing is
 * guessed.
 */
const DIPPED = 0.9;
/**
 * A rest at less than this share of the piece before is no piece, but a zero that has wandered or something
 * left behind.
 */
const RESIDUE = 0.2;
/** A piece that is touched and comes to rest again differs by less, g: three digits of a small scale. */
const SAME = 0.035;

/** Why a weight at rest is not taken for a piece. */
export type PanDoubt = 'swapped' | 'residue';

/** What lies on the pan, as the lines so far tell. */
export interface Pan {
  /** the last weight, g; undefined before the first */
  readonly grams: number | undefined;
  readonly isSteady: boolean;
  /** the weight, g, of the piece that lies there and was told already */
  readonly told: number | undefined;
  /** the weight of the piece told last, g */
  readonly last: number | undefined;
  /** the least weight since a piece was told, g */
  readonly lowest: number;
  /** what the hand is asked about: another piece may lie there than the one that was told, or none at all */
  readonly doubt: PanDoubt | undefined;
  readonly recent: readonly number[];
  readonly unreadable: number;
}

/** A pan before its scale has told anything. */
export const EMPTY_PAN: Pan = {
  grams: undefined,
  isSteady: false,
  told: undefined,
  last: undefined,
  lowest: Infinity,
  doubt: undefined,
  recent: [],
  unreadable: 0,
};

/**
 * Follows a scale line by line: gives the pan as it is now, and the weight of a piece once, g, when it has
 * come to rest on a pan that was empty before it, or had fallen to less than half of the piece before.
 * `least` is the weight under which a pan counts as empty, g. Where a piece may have been changed for another
 * without that, the pan is in doubt, which whoever shows it must say.
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
  const size = Math.abs(read.grams);
  const isEmpty = size < least;
  const isLifted = isEmpty || (pan.told !== undefined && size < FALLEN * Math.abs(pan.told));
  const next: Pan = {
    ...pan,
    grams: read.grams,
    isSteady: read.isSteady ?? agree,
    told: isLifted ? undefined : pan.told,
    lowest: Math.min(pan.lowest, size),
    doubt: isEmpty ? undefined : pan.doubt,
    recent,
  };
  if (!next.isSteady || isEmpty) return { pan: next };
  if (next.told !== undefined) {
    const isSame = Math.abs(read.grams - next.told) <= SAME && next.lowest >= DIPPED * Math.abs(next.told);
    return { pan: { ...next, doubt: isSame ? pan.doubt : 'swapped' } };
  }
  if (pan.last !== undefined && size < RESIDUE * Math.abs(pan.last))
    return { pan: { ...next, doubt: 'residue' } };
  const told: Pan = { ...next, told: read.grams, last: read.grams, lowest: size, doubt: undefined };
  return { pan: told, piece: read.grams };
}
