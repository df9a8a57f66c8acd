import { isKeyOf } from '../../kind/keys.ts';
import { itemAt } from '../../numeric/at.ts';
import type { Article } from '../../document/article.ts';
import { eanProblem } from '../../document/article.ts';
import type { Design } from '../../document/design.ts';
import { starterDesign } from '../../document/starter.ts';
import { guardInitial, GUARDS } from '../../fitting/guards/index.ts';
import { keeperInitial, KEEPERS } from '../../fitting/keepers/index.ts';
import type { Dimensions } from '../../head/family.ts';
import { ball } from '../../head/families/ball.ts';
import { HEAD_RANGES } from '../../head/schema.ts';
import { DRAWN_FAMILIES } from '../../head/families/index.ts';
import type { Grade } from '../../hook/chart.ts';
import { GRADES, HOOK_CHART } from '../../hook/chart.ts';
import { EYE_ANGLES } from '../../hook/schema.ts';
import { STYLES } from '../../hook/styles/index.ts';
import type { Metal } from '../../material/metals/metal.ts';
import { METALS } from '../../material/metals/index.ts';
import { hookLabel, hookRank } from '../../quantity/hook-size.ts';
import { parseQuantity } from '../../quantity/parse.ts';
import { UNITS } from '../../quantity/units.ts';
import type { HeadColumn, HeadField } from './columns.ts';
import { HEAD_FIELDS } from './columns.ts';
import { recognise } from './recognise.ts';

/** A head as a row of a table tells it, before it is built. */
export interface HeadRow {
  /** its line in the table, counted from 1 with the heading */
  readonly line: number;
  readonly name: string;
  /** the design it makes; undefined where something needed is missing */
  readonly design: Design | undefined;
  /** weight of the whole head, g; NaN where the row tells none */
  readonly grams: number;
  /** sizes the row tells, by the family’s names, mm */
  readonly measured: Dimensions;
  /** whether the row tells no hook: one that suits the weight is found when the head is built */
  readonly isHookOpen: boolean;
  /** what was assumed for want of a word in the table */
  readonly guessed: readonly string[];
  /** what is strange about it, and left out or to be looked at */
  readonly odd: readonly string[];
  /** what keeps it from being made */
  readonly problem: string | undefined;
}

/** Weights heads are sold in, g: what is lighter or heavier is asked about (common practice, no source). */
const USUAL_WEIGHTS = [0.3, 120] as const;

/** Other words for wire grades (common practice, no source). */
const WIRE_WORDS: readonly {
  readonly key: Grade;
  readonly name: string;
  readonly alsoCalled: readonly string[];
}[] = GRADES.map((key, i) => ({
  key,
  name: key,
  alsoCalled:
    [
      ['fine', 'light', 'light wire', 'fine wire'],
      ['medium', 'regular'],
      ['strong', 'heavy', 'heavy wire'],
      ['extra strong', 'extra heavy'],
      ['3x'],
    ][i] ?? [],
}));

/** Letters a word needs to say something within a name. */
const IN_A_NAME = 4;

/** A hook’s size as its column tells it: 3/0, #2, size 4, 3/0 wide gap. */
function hookIn(text: string): string | undefined {
  const found = /(?:^|\s)(?:#|no\.?\s*|size\s*)?(\d{1,2}\s*\/\s*0|\d{1,2})(?![\d/])/i.exec(text);
  const rank = hookRank(found?.[1] ?? text);
  return rank === undefined ? undefined : hookLabel(rank);
}

/** A hook’s size within a name, where it can be nothing else: 3/0, #2. */
function hookInName(name: string): string | undefined {
  const found = /(?:^|\s)(\d{1,2}\/0|#\d{1,2})(?=\s|$|,)/.exec(name);
  const rank = found?.[1] === undefined ? undefined : hookRank(found[1]);
  return rank === undefined ? undefined : hookLabel(rank);
}

/** A weight within a name: “Ball 3/8 oz”, “Cone 10 g”. A fraction over nought is a hook. */
function weightIn(name: string): number | undefined {
  const found = /(?:^|\s)((?:\d+\s+)?\d+\/[1-9]\d?(?:\s*oz)?|\d+(?:[.,]\d+)?\s*(?:g|oz))(?:\s|$|,)/i.exec(
    name,
  );
  const read = found?.[1] === undefined ? undefined : parseQuantity(found[1], 'mass', 'imperial');
  return read?.ok ? read.value : undefined;
}

/**
 * Returns the heads of a table: each a design by its shape’s proportions, with what was guessed and what is
 * odd told. `cells` are the rows without the heading, each as long as the columns; `metals` are those of the
 * shop. Nothing is built here, so that a large table is read at once: `buildHead` finds the sizes.
 */
export function readHeads(
  columns: readonly HeadColumn[],
  cells: readonly (readonly string[])[],
  metals: readonly Metal[] = METALS,
): HeadRow[] {
  const at = new Map(columns.flatMap(({ field }, i) => (field === undefined ? [] : [[field, i] as const])));
  return cells.flatMap((row, i) => {
    const cell = (field: HeadField): string => (row[at.get(field) ?? -1] ?? '').trim().replace(/^'/, '');
    // A line of nothing is no head.
    if (row.every((text) => text.trim() === '')) return [];
    return [readHead(i + 2, cell, (field) => columns[at.get(field) ?? -1]?.unit, metals)];
  });
}

function readHead(
  line: number,
  cell: (field: HeadField) => string,
  unit: (field: HeadField) => string | undefined,
  metals: readonly Metal[],
): HeadRow {
  const guessed: string[] = [];
  const odd: string[] = [];
  const quantity = (field: HeadField): number | undefined => {
    const text = cell(field);
    const { kind, title } = HEAD_FIELDS[field];
    if (text === '' || kind === 'text') return undefined;
    const named = unit(field);
    const read = parseQuantity(text, kind, 'metric', named === undefined ? undefined : UNITS[kind][named]);
    if (!read.ok) {
      odd.push(`${title}: ${read.message}`);
      return undefined;
    }
    return read.value;
  };
  const word = <T extends { readonly key: string; readonly name: string }>(
    field: HeadField,
    kinds: readonly T[],
    usual: T,
  ): T => {
    const text = cell(field);
    const title = HEAD_FIELDS[field].title.toLowerCase();
    const found = text === '' ? undefined : recognise(text, kinds);
    if (found) return found;
    const fromName = text === '' ? recognise(cell('name'), kinds, IN_A_NAME) : undefined;
    if (text !== '') odd.push(`“${text.slice(0, 40)}” is no ${title} that is known.`);
    guessed.push(`${title} ${(fromName ?? usual).name}${fromName ? ', from the name' : ''}`);
    return fromName ?? usual;
  };
  const family = word('shape', DRAWN_FAMILIES, ball);
  const metal = word('metal', metals, metals[0] ?? itemAt(METALS, 0));
  const told = quantity('weight') ?? weightIn(cell('name'));
  if (cell('weight') === '' && told !== undefined) guessed.push('weight from the name');
  const grams = told ?? NaN;
  const name = cell('name') || `${family.name} ${cell('weight')}`.trim();
  if (cell('name') === '') guessed.push('name');
  const row = { line, name: name.slice(0, 120), grams, guessed, odd };
  if (!(grams >= HEAD_RANGES.grams[0] && grams <= HEAD_RANGES.grams[1])) {
    const problem = `Weight: enter one from ${HEAD_RANGES.grams.join(' to ')} g, such as 3/8 oz or 10.6 g.`;
    return { ...row, measured: {}, design: undefined, isHookOpen: false, problem };
  }
  if (grams < USUAL_WEIGHTS[0] || grams > USUAL_WEIGHTS[1])
    odd.push(`${Number(grams.toPrecision(3))} g is a strange weight for a head. Check its unit.`);
  const measured = Object.fromEntries(
    family.dimensions.flatMap(({ key }) => {
      const value = isKeyOf(HEAD_FIELDS, key) ? quantity(key) : undefined;
      return value === undefined ? [] : [[key, value]];
    }),
  );
  const usual = starterDesign(family, row.name);
  const base: Design = {
    ...usual,
    head: { ...usual.head, metal: metal.key, target: { grams, of: 'metal' } },
    ...(cell('notes') === '' ? {} : { notes: cell('notes').slice(0, 8000) }),
  };
  const asked = hookIn(cell('hook')) ?? hookInName(cell('name'));
  if (cell('hook') !== '' && asked === undefined) odd.push(`“${cell('hook').slice(0, 40)}” is no hook size.`);
  const isListed = HOOK_CHART.some(({ size }) => size === asked);
  if (asked !== undefined && !isListed) odd.push(`Hook ${asked} is not in the chart.`);
  const size = isListed ? asked : undefined;
  const styles = STYLES.map((style) => ({ ...style, name: style.key }));
  const style = cell('style') === '' ? undefined : recognise(cell('style'), styles);
  if (cell('style') !== '' && !style)
    odd.push(`“${cell('style').slice(0, 40)}” is no hook style that is known.`);
  const wire = cell('wire') === '' ? undefined : recognise(cell('wire'), WIRE_WORDS);
  if (cell('wire') !== '' && !wire) odd.push(`“${cell('wire').slice(0, 40)}” is no wire that is known.`);
  const asAsked = quantity('eye');
  const angle =
    asAsked !== undefined && asAsked >= EYE_ANGLES[0] && asAsked <= EYE_ANGLES[1] ? asAsked : undefined;
  if (asAsked !== undefined && angle === undefined)
    odd.push(`Eye angle: ${asAsked}° is outside ${EYE_ANGLES.join(' to ')}°.`);
  if (angle === undefined) guessed.push(`eye ${usual.eye.angle}°`);
  const usualKeeper = KEEPERS.find(({ key }) => key === usual.keeper.kind) ?? itemAt(KEEPERS, 0);
  const usualGuard = GUARDS.find(({ key }) => key === usual.guard.kind) ?? itemAt(GUARDS, 0);
  const keeper = word('keeper', KEEPERS, usualKeeper);
  const guard = word('guard', GUARDS, usualGuard);
  const article = articleOf(cell, quantity, odd);
  const design: Design = {
    ...base,
    hook: {
      ...base.hook,
      ...(size === undefined ? {} : { size }),
      ...(style ? { style: style.key } : {}),
      ...(wire ? { grade: wire.key } : {}),
    },
    eye: { ...base.eye, ...(angle === undefined ? {} : { angle }) },
    keeper: keeper.key === usual.keeper.kind ? usual.keeper : keeperInitial(keeper.key),
    guard: guard.key === usual.guard.kind ? usual.guard : guardInitial(guard.key),
    ...(article ? { article } : {}),
  };
  return { ...row, measured, design, isHookOpen: size === undefined, problem: undefined };
}

/** What a row tells of buying and selling; what is not right of it is odd, and left out. */
function articleOf(
  cell: (field: HeadField) => string,
  quantity: (field: HeadField) => number | undefined,
  odd: string[],
): Article | undefined {
  const ean = cell('ean').replace(/[\s-]/g, '');
  // A UPC-A of twelve digits is an EAN-13 that begins with a nought (GS1 General Specifications, 2.1).
  const full = /^\d{12}$/.test(ean) ? `0${ean}` : ean;
  const said = full === '' ? undefined : eanProblem(full);
  if (said !== undefined) odd.push(`EAN ${full.slice(0, 20)}: ${said}`);
  const amount = (field: HeadField, least: number, most: number, isWhole: boolean): number | undefined => {
    const value = quantity(field);
    if (value === undefined) return undefined;
    if (value >= least && value <= most && (!isWhole || Number.isInteger(value))) return value;
    odd.push(
      `${HEAD_FIELDS[field].title}: ${value} is not ${isWhole ? 'a whole number' : 'a price'} ` +
        `from ${least} to ${most}.`,
    );
    return undefined;
  };
  const article: { [K in keyof Article]?: Article[K] | undefined } = {
    number: cell('number').slice(0, 40) || undefined,
    ean: said === undefined && full !== '' ? full : undefined,
    price: amount('price', 0, 1e6, false),
    pack: amount('pack', 1, 10_000, true),
    supplier: cell('supplier').slice(0, 120) || undefined,
    stock: amount('stock', 0, 1e6, true),
  };
  const there = Object.fromEntries(Object.entries(article).filter(([, value]) => value !== undefined));
  return Object.keys(there).length > 0 ? (there as Article) : undefined;
}
