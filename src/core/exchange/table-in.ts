import Papa from 'papaparse';
import type { Parsed } from '../quantity/parse.ts';
import { parseQuantity } from '../quantity/parse.ts';
import type { QuantityKind } from '../quantity/units.ts';
import { UNITS, unitSpelled } from '../quantity/units.ts';

/** Longest table read. */
const MOST_ROWS = 2000;

/** Columns a table may have by their names, each with the quantity it holds; `text` for words and counts. */
export type Columns = Readonly<Record<string, QuantityKind | 'text'>>;

/** A table as it came: its columns by name, and its rows; `line` counts from 1 with the heading. */
export interface TableIn<C extends Columns> {
  readonly rows: readonly {
    readonly line: number;
    /**
     * what stands in a column, trimmed and without the apostrophe that keeps a spreadsheet from reckoning;
     * empty where there is none
     */
    readonly cell: (column: keyof C & string) => string;
    /**
     * The stored value of a column's quantity. A bare number is in the unit its heading names, in the metric
     * one where it names none; a unit that stands with the number goes before both.
     */
    readonly quantity: (column: keyof C & string) => Parsed;
  }[];
}

/** A heading as it was written: the column's name, and the unit in brackets behind it. */
function headingOf(title: string): { readonly name: string; readonly unit: string | undefined } {
  const [, name = '', unit] = /^(.*?)\s*(?:[([]\s*(.*?)\s*[)\]])?$/.exec(title.trim().toLowerCase()) ?? [];
  return { name, unit };
}

/**
 * The unit a heading names for a quantity. Throws a sentence for one that is not known: figures would be
 * taken for others.
 */
function unitOf(kind: QuantityKind, { name, unit }: ReturnType<typeof headingOf>) {
  if (unit === undefined || unit === '') return undefined;
  const found = unitSpelled(kind, unit);
  if (found) return found;
  const known = Object.values(UNITS[kind])
    .map(({ label }) => label)
    .filter(Boolean);
  throw new Error(
    `Heading: “${unit.slice(0, 20)}” is not a unit for ${name}. Use ${known.join(', ') || 'no unit'}, ` +
      `as in “${name} (${known[0] ?? ''})”.`,
  );
}

/**
 * Reads a table (RFC 4180, or with semicolons or tabs) whose first line names its columns, in any order, with
 * the unit of their figures in brackets where they are not metric. Throws a sentence when the heading lacks a
 * column that is needed, which names all there may be, when it names a unit that is not known, or when the
 * table is too long.
 */
export function readTable<const C extends Columns>(
  text: string,
  needed: readonly (keyof C & string)[],
  columns: C,
): TableIn<C> {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: 'greedy' });
  const [heading, ...rows] = data;
  const headings = (heading ?? []).map(headingOf);
  const missing = needed.filter((column) => !headings.some(({ name }) => name === column));
  if (missing.length > 0) {
    throw new Error(
      `Heading: ${missing.join(', ')} ${missing.length > 1 ? 'are' : 'is'} missing. The first ` +
        `line must name the columns ${Object.keys(columns).join(', ')}.`,
    );
  }
  if (rows.length > MOST_ROWS)
    throw new Error(`The table has ${rows.length} rows; at most ${MOST_ROWS} are read at once. Split it.`);
  const units = new Map(
    headings.flatMap((one) => {
      const kind = Object.hasOwn(columns, one.name) ? columns[one.name] : undefined;
      return kind === undefined || kind === 'text' ? [] : [[one.name, unitOf(kind, one)] as const];
    }),
  );
  return {
    rows: rows.map((row, i) => {
      const cell = (column: string) =>
        (row[headings.findIndex(({ name }) => name === column)] ?? '').trim().replace(/^'/, '');
      return {
        line: i + 2,
        cell,
        quantity: (column) => {
          const kind = columns[column];
          if (kind === undefined || kind === 'text') throw new Error(`${column} holds no quantity.`);
          return parseQuantity(cell(column), kind, 'metric', units.get(column));
        },
      };
    }),
  };
}
