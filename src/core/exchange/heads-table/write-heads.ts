import Papa from 'papaparse';
import type { Design } from '../../document/design.ts';
import { familyOf } from '../../head/families/index.ts';
import { PLAIN_STYLE } from '../../hook/styles/index.ts';
import { KEEPERS } from '../../fitting/keepers/index.ts';
import { GUARDS } from '../../fitting/guards/index.ts';
import { METALS } from '../../material/metals/index.ts';
import { harmless } from '../csv.ts';
import type { HeadField } from './columns.ts';
import { HEAD_FIELD_KEYS, HEAD_FIELDS, unitsOf } from './columns.ts';

/** A head as it goes into a table: its document, and the weight of its metal as built, g. */
export interface HeadOut {
  readonly design: Design;
  readonly grams: number | undefined;
}

const named = (kinds: readonly { readonly key: string; readonly name: string }[], key: string): string =>
  kinds.find((kind) => kind.key === key)?.name ?? key;

/** Units of the table’s figures. */
const UNIT: Partial<Record<HeadField, string>> = {
  weight: 'g',
  length: 'mm',
  breadth: 'mm',
  height: 'mm',
  eye: '°',
};

const rounded = (value: number | undefined, decimals: number): string =>
  value === undefined || !Number.isFinite(value) ? '' : String(Number(value.toFixed(decimals)));

function cellsOf({ design, grams }: HeadOut): Record<HeadField, string> {
  const { head, hook, eye, keeper, guard, article, notes } = design;
  const size = (key: string) => rounded(head.dimensions[key], 2);
  return {
    name: design.name,
    shape: familyOf(head.family)?.name ?? head.family,
    weight: rounded(grams, 3),
    metal: named(METALS, head.metal),
    hook: hook.size,
    style: hook.style ?? PLAIN_STYLE,
    wire: hook.grade,
    eye: rounded(eye.angle, 1),
    keeper: named(KEEPERS, keeper.kind),
    guard: named(GUARDS, guard.kind),
    length: size('length'),
    breadth: size('breadth'),
    height: size('height'),
    price: rounded(article?.price, 2),
    pack: rounded(article?.pack, 0),
    number: article?.number ?? '',
    ean: article?.ean ?? '',
    supplier: article?.supplier ?? '',
    stock: rounded(article?.stock, 0),
    notes: notes ?? '',
  };
}

const line = (cells: readonly string[]): string => `${Papa.unparse([cells.map(harmless)])}\r\n`;

/** Returns the heading of a table of heads, with its units, and its line end. */
export const headsHeading = (): string =>
  line(
    HEAD_FIELD_KEYS.map((field) => {
      const unit = UNIT[field];
      const isKnown = unit !== undefined && unitsOf(field).some(([, label]) => label === unit);
      return isKnown ? `${HEAD_FIELDS[field].title} (${unit})` : HEAD_FIELDS[field].title;
    }),
  );

/** Returns the lines of heads in a table, each with its line end. */
export const headsLines = (heads: readonly HeadOut[]): string =>
  heads
    .map((head) => {
      const cells = cellsOf(head);
      return line(HEAD_FIELD_KEYS.map((field) => cells[field]));
    })
    .join('');

/** Returns a table of heads, CSV (RFC 4180): what `guessColumns` and `readHeads` import again. */
export const writeHeadsCsv = (heads: readonly HeadOut[]): string => headsHeading() + headsLines(heads);
