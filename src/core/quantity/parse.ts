import type { QuantityKind, UnitDefinition, UnitSystem } from './units.ts';
import { shownUnit, UNITS, unitSpelled } from './units.ts';

/** What came of reading what a person typed: a stored value, or a sentence saying what to type instead. */
export type Parsed =
  | { readonly ok: true; readonly value: number }
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
  volume: '900 mm³',
  density: '11.34',
  angle: '60 or 60°',
  time: '10 s',
  share: '40 %',
  money: '3.50',
  count: '18',
  number: '2',
};

/**
 * Reads a plain number as people type it: `3/8`, `1 1/2`, `1-1/2`, `⅜`, `0.4`, `.4`, `0,4`.
 * Returns undefined for anything else, among it `1,000` which could mean either one or a thousand.
 */
export function parseNumber(text: string): number | undefined {
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
  if (/^[+-]?\d+,\d{3}$/.test(plain)) return undefined;
  const decimal = plain.replace(/^([+-]?\d*),(\d+)$/, '$1.$2');
  if (!/^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(decimal)) return undefined;
  const value = Number(decimal);
  return Number.isFinite(value) ? value : undefined;
}

/**
 * Reads what a person typed for a quantity and gives it in the stored unit of that kind.
 * A bare number means the unit then on display, or `bare` where that is given; feet and inches may be mixed (`7'6"`) where both exist.
 */
export function parseQuantity(
  text: string,
  kind: QuantityKind,
  system: UnitSystem,
  bare: UnitDefinition = shownUnit(kind, system),
): Parsed {
  const typed = text.trim();
  const example = EXAMPLES[kind];
  if (typed === '') return { ok: false, message: `Type a value, for example ${example}.` };
  if (typed.length > 60)
    return { ok: false, message: `That is too long for a value. Type for example ${example}.` };

  const feetAndInches = /^(.+?)\s*(?:'|’|′|ft)\s*(.+?)\s*(?:"|”|″|in)$/i.exec(typed);
  if (feetAndInches && (kind === 'size' || kind === 'depth')) {
    const feet = parseNumber(feetAndInches[1] ?? '');
    const inches = parseNumber(feetAndInches[2] ?? '');
    const unit = UNITS[kind]['in'];
    if (feet !== undefined && inches !== undefined && unit) {
      return { ok: true, value: unit.toStored(feet * 12 + inches) };
    }
  }

  // The number is everything up to the last digit or fraction glyph; the rest names the unit.
  const split = /^(.*[\d¼½¾⅛⅜⅝⅞⅓⅔⅕⅖⅗⅘]\.?)\s*([^\d]*)$/u.exec(typed);
  // Units may themselves end in a digit or superscript (mm3): try the longest unit that is known.
  const exponentUnit = /^(.*\d)\s*((?:mm|in|cm|g\/cm)3)$/i.exec(typed);
  const [numberText, unitText] = exponentUnit
    ? [exponentUnit[1] ?? '', exponentUnit[2] ?? '']
    : split
      ? [split[1] ?? '', split[2] ?? '']
      : [typed, ''];
  const value = parseNumber(numberText);
  if (value === undefined) {
    const why = /^[+-]?\d+,\d{3}$/.test(numberText.trim())
      ? `“${typed}” could mean one or a thousand. Leave the comma out`
      : `“${typed}” is not a number I can read. Type`;
    return { ok: false, message: `${why}, for example ${example}.` };
  }
  const unit = unitText.trim() === '' ? bare : unitSpelled(kind, unitText);
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
  return { ok: true, value: unit.toStored(value) };
}
