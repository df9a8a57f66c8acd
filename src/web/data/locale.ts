import type { DecimalMark, QuantityKind, UnitSystem } from '../../core/quantity/index.ts';
import { parseQuantity } from '../../core/quantity/index.ts';

/**
 * The mark before decimals in a language (CLDR, by the runtime), a comma or a point: others are rare, and no
 * keyboard of this trade has them.
 */
export const decimalMarkOf = (language: string | undefined): DecimalMark =>
  new Intl.NumberFormat(language).formatToParts(0.5).find(({ type }) => type === 'decimal')?.value === ','
    ? ','
    : '.';

/** The reader's language, as the browser has it. */
export const READER: string | undefined = globalThis.navigator?.language;

/** The mark this reader is used to. */
export const DECIMAL_MARK = decimalMarkOf(READER);

/**
 * A text whose decimals follow a point, as a reader with another mark writes it. Codes of several points, as
 * of a version, stay.
 */
export const withMark = (text: string, mark: DecimalMark): string =>
  mark === '.' ? text : text.replace(/(?<![\d.]\d*)(\d+)\.(?=\d+(?![\d.]*\.\d))/g, `$1${mark}`);

/** A text of the program with this reader's decimals. */
export const localised = (text: string): string => withMark(text, DECIMAL_MARK);

/** A number with so many decimals, as this reader writes it. */
export const fixed = (value: number, digits: number): string => localised(value.toFixed(digits));

/** What a person typed for a quantity, in its stored unit, by the unit system and decimals on display. */
export const readQuantity = (text: string, kind: QuantityKind, system: UnitSystem) => {
  const parsed = parseQuantity(text, kind, system, undefined, DECIMAL_MARK);
  return parsed.ok ? parsed : { ...parsed, message: localised(parsed.message) };
};
