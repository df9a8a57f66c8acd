import Papa from 'papaparse';

/** Longest table read. */
const MOST_ROWS = 2000;

/** A table as it came: its columns by name, and its rows; `line` counts from 1 with the heading. */
export interface TableIn {
  readonly rows: readonly {
    readonly line: number;
    /** what stands in a column, trimmed and without the apostrophe that keeps a spreadsheet from reckoning; empty where there is none */
    readonly cell: (column: string) => string;
  }[];
}

/**
 * Reads a table (RFC 4180, or with semicolons or tabs) whose first line names its columns, in any order, a unit in brackets behind a name left
 * aside. Throws a sentence when the heading lacks a column that is needed, which names all there may be, or the table is too long.
 */
export function readTable(text: string, needed: readonly string[], all: readonly string[]): TableIn {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: 'greedy' });
  const [heading, ...rows] = data;
  const titles = (heading ?? []).map((title) =>
    title
      .trim()
      .toLowerCase()
      .replace(/\s*\(.*\)$/, ''),
  );
  const missing = needed.filter((column) => !titles.includes(column));
  if (missing.length > 0) {
    throw new Error(
      `Heading: ${missing.join(', ')} ${missing.length > 1 ? 'are' : 'is'} missing. The first line must name the columns ${all.join(', ')}.`,
    );
  }
  if (rows.length > MOST_ROWS)
    throw new Error(`The table has ${rows.length} rows; at most ${MOST_ROWS} are read at once. Split it.`);
  return {
    rows: rows.map((row, i) => ({
      line: i + 2,
      cell: (column) => (row[titles.indexOf(column)] ?? '').trim().replace(/^'/, ''),
    })),
  };
}
