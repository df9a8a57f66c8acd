import type { QuantityKind, UnitDefinition, UnitSystem } from './units.ts';
import { shownUnit, UNITS, unitSpelled } from './units.ts';

/** What came of reading what a person typed: a stored value, or a sentence saying what to type instead. */
export type Parsed =
  | {
      readonly ok: true;
      readonly value: number;
      /** how it was read, where a person may have meant something else */
      readonly said?: string;
    }
  | { readonly ok: false; readonly message: string };

const VULGAR: Readonly<Record<string, string>> = {
  '¼': '1/4',
  '½': '1/2',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅕': '1/5',
  '⅖': '2/5',
  '⅗': '3/5',
  '⅘': '4/5',
};

/** Short for grams on some packets, for grains on others. */
const GRAIN_OR_GRAM: ReadonlySet<string> = new Set(['gr', 'grs']);

const EXAMPLES: Readonly<Record<QuantityKind, string>> = {
  mass: '3/8, 3/8 oz or 10.6 g',
  size: '0.4", 13/32 in or 10.2 mm',
  depth: '12 ft or 3.7 m',
  speed: '1.2 m/s or 4 ft/s',
  temperature: '59 °F or 15 °C',
  lineTest: '15 lb or 6.8 kg',
  force: '8 gf or 0.3 ozf',
  pull: '20 N or 4.5 lbf',
  area: '130 mm²',
  volume: '900 mm³',
  density: '11.34',
  angle: '60 or 60°',
  time: '10 s',
  share: '40 %',
  money: '3.50',
  count: '18',
  number: '2',
};

/** What stands between thousands: spaces of any breadth, an apostrophe. */
const GROUPED = /^[+-]?\d{1,3}(?:[ \u00a0\u2009\u202f'’]\d{3})+(?:[.,]\d+)?$/;
/** Thousands and decimals by two different marks, or thousands twice: there is one way to read them. */
const BY_COMMAS = /^[+-]?\d{1,3}(?:,\d{3})+\.\d+$|^[+-]?\d{1,3}(?:,\d{3}){2,}$/;
const BY_POINTS = /^[+-]?\d{1,3}(?:\.\d{3})+,\d+$|^[+-]?\d{1,3}(?:\.\d{3}){2,}$/;
/** What a reader writes before decimals. */
export type DecimalMark = '.' | ',';
/** One or a thousand, by the mark before decimals: only the reader knows. */
const AMBIGUOUS: Readonly<Record<DecimalMark, RegExp>> = {
  '.': /^[+-]?[1-9]\d{0,2},\d{3}$/,
  ',': /^[+-]?[1-9]\d{0,2}\.\d{3}$/,
};

/** A number’s digits with a decimal point and without marks between thousands. */
function plainDigits(text: string): string {
  if (GROUPED.test(text)) return text.replace(/[ \u00a0\u2009\u202f'’]/g, '').replace(',', '.');
  if (BY_COMMAS.test(text)) return text.replace(/,/g, '');
  if (BY_POINTS.test(text)) return text.replace(/\./g, '').replace(',', '.');
  return text.replace(/^([+-]?\d*),(\d+)$/, '$1.$2');
}

/**
 * Reads a plain number as people type it: `3/8`, `1 1/2`, `1-1/2`, `⅜`, `0.4`, `.4`, `0,4`, `1 000`,
 * `1.000,5`, `1,000.5`. Returns undefined for anything else, among it `1,000` which could mean either one or
 * a thousand; to a reader whose decimals follow a comma (`mark`) it is one, and `1.000` could mean either.
 */
export function parseNumber(text: string, mark: DecimalMark = '.'): number | undefined {
  const plain = text
    .trim()
    .replace(/[¼½¾⅛⅜⅝⅞⅓⅔⅕⅖⅗⅘]/g, (glyph) => ` ${VULGAR[glyph] ?? ''}`)
    .replace(/\u2044/g, '/')
    .replace(/[\u2212\u2013]/g, '-')
    .trim();
  const mixed = /^([+-])?\s*(?:(\d+)[\s-]+)?(\d+)\s*\/\s*(\d+)$/.exec(plain);
  if (mixed) {
    const denominator = Number(mixed[4]);
    if (denominator === 0) return undefined;
    const magnitude = Number(mixed[2] ?? 0) + Number(mixed[3]) / denominator;
    return mixed[1] === '-' ? -magnitude : magnitude;
  }
  if (AMBIGUOUS[mark].test(plain)) return undefined;
  const decimal = plainDigits(plain);
  if (!/^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(decimal)) return undefined;
  const value = Number(decimal);
  return Number.isFinite(value) ? value : undefined;
}

/** Forms that only one kind of quantity is written in, as those every kind is. */
function usualForm(typed: string, kind: QuantityKind): string {
  // An inch mark made of two foot marks.
  if (kind === 'size' || kind === 'depth') return typed.replace(/(?:''|’’|′′)$/, '"');
  // #15, 15lb test.
  if (kind === 'lineTest') return typed.replace(/\s*test$/i, '').replace(/^#\s*(.+)$/, '$1 lb');
  // $1.50, 3,50 €, EUR 3.50: whether that is the shop's currency is asked where the shop is known.
  if (kind === 'money') return typed.replace(/^(?:\p{Sc}|[A-Z]{3})\s*|\s*(?:\p{Sc}|[A-Z]{3})$/gu, '');
  return typed;
}

/**
 * Feet and inches in one (`7'6"`, `20'6`), or minutes and seconds (`1:30`); undefined where it is neither.
 */
function inTwoParts(typed: string, kind: QuantityKind, mark: DecimalMark): number | undefined {
  if (kind === 'time') {
    const [, minutes, seconds] = /^(\d{1,3}):([0-5]\d)$/.exec(typed) ?? [];
    return minutes === undefined || seconds === undefined
      ? undefined
      : Number(minutes) * 60 + Number(seconds);
  }
  if (kind !== 'size' && kind !== 'depth') return undefined;
  const parts = /^(.+?)\s*(?:'|’|′|ft)\s*(.+?)\s*(?:"|”|″|in)?$/i.exec(typed);
  const [feet, inches] = [parseNumber(parts?.[1] ?? '', mark), parseNumber(parts?.[2] ?? '', mark)];
  return feet === undefined || inches === undefined
    ? undefined
    : UNITS[kind]['in']?.toStored(feet * 12 + inches);
}

/** Fractions of the trade: halves down to sixty-fourths, which nobody says of grams or millimetres. */
const FRACTION = /^[+-]?(?:\d+[\s-]+)?\d+\s*[/\u2044]\s*(?:2|4|8|16|32|64)$|[¼½¾⅛⅜⅝⅞]$/;
/** The unit such a fraction is in. */
const OF_FRACTIONS: Partial<Record<QuantityKind, string>> = { mass: 'oz', size: 'in' };

/**
 * Reads what a person typed for a quantity and gives it in the stored unit of that kind. A bare number means
 * the unit then on display, or `bare` where that is given; a bare fraction means ounces or inches where grams
 * or millimetres are on display; `mark` is what the reader writes before decimals. Feet and inches may be
 * mixed (`7'6"`) where both exist. What may have been meant otherwise says how it was read.
 */
export function parseQuantity(
  text: string,
  kind: QuantityKind,
  system: UnitSystem,
  bare?: UnitDefinition,
  mark: DecimalMark = '.',
): Parsed {
  const example = EXAMPLES[kind];
  if (text.trim() === '') return { ok: false, message: `Type a value, for example ${example}.` };
  if (text.trim().length > 60)
    return { ok: false, message: `That is too long for a value. Type for example ${example}.` };
  const typed = usualForm(text.trim(), kind);
  const twofold = inTwoParts(typed, kind, mark);
  if (twofold !== undefined) return { ok: true, value: twofold };
  const trade =
    bare === undefined && system === 'metric' && FRACTION.test(typed) ? OF_FRACTIONS[kind] : undefined;
  const ofTrade = trade === undefined ? undefined : UNITS[kind][trade];

  // The number is everything up to the last digit or fraction glyph; the rest names the unit.
  const split = /^(.*[\d¼½¾⅛⅜⅝⅞⅓⅔⅕⅖⅗⅘]\.?)\s*([^\d]*)$/u.exec(typed);
  // Units may themselves end in a digit or superscript (mm3): try the longest unit that is known.
  const exponentUnit = /^(.*\d)\s*((?:mm|in|cm|g\/cm)3)$/i.exec(typed);
  const [numberText, unitText] = exponentUnit
    ? [exponentUnit[1] ?? '', exponentUnit[2] ?? '']
    : split
      ? [split[1] ?? '', split[2] ?? '']
      : [typed, ''];
  const value = parseNumber(numberText, mark);
  if (value === undefined) {
    const why = AMBIGUOUS[mark].test(numberText.trim())
      ? `“${typed}” could mean one or a thousand. Leave the ${mark === '.' ? 'comma' : 'point'} out`
      : `“${typed}” is not a number I can read. Type`;
    return { ok: false, message: `${why}, for example ${example}.` };
  }
  const isBare = unitText.trim() === '';
  const unit = isBare ? (ofTrade ?? bare ?? shownUnit(kind, system)) : unitSpelled(kind, unitText);
  if (!unit && kind === 'mass' && GRAIN_OR_GRAM.has(unitText.trim().toLowerCase().replace(/\.$/, '')))
    return {
      ok: false,
      message: `“${unitText.trim()}” could mean grams or grains. Type ${value} g for grams; one grain is 0.0648 g.`,
    };
  if (!unit) {
    const known = Object.values(UNITS[kind])
      .map((candidate) => candidate.label)
      .filter(Boolean);
    const offer = known.length > 0 ? `Use ${known.join(', ')}` : 'Type the number alone';
    return {
      ok: false,
      message: `“${unitText.trim()}” is not a unit for this. ${offer}, for example ${example}.`,
    };
  }
  const said = isBare ? readAs(typed, kind, value, ofTrade) : undefined;
  return { ok: true, value: unit.toStored(value), ...(said === undefined ? {} : { said }) };
}

/** How a bare number was read, where it may have been meant otherwise. */
function readAs(
  typed: string,
  kind: QuantityKind,
  value: number,
  ofTrade: UnitDefinition | undefined,
): string | undefined {
  if (ofTrade) return `Read as ${typed} ${ofTrade.label}.`;
  if (kind === 'share' && value > 0 && value < 1)
    return `Read as ${value} %, not ${Number((100 * value).toPrecision(6))} %.`;
  return undefined;
}
