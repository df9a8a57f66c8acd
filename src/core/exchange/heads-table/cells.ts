import Papa from 'papaparse';

/** Most heads of a table read at once. */
export const MOST_HEADS = 1000;

/** A table as it lies in a file: its heading, and the rows below it, each as long as the heading. */
export interface TableCells {
  readonly heading: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/**
 * Returns the cells of a table: of text (RFC 4180, or with semicolons or tabs between), or of rows that a
 * spreadsheet held. What stands over the heading, such as a title, is passed over: the heading is the first
 * row with at least two cells filled. Throws a sentence where there is no row under it, or there are too
 * many.
 */
export function tableCells(from: string | readonly (readonly unknown[])[]): TableCells {
  const raw: readonly (readonly unknown[])[] =
    typeof from === 'string'
      ? Papa.parse<string[]>(from.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: 'greedy' }).data
      : from;
  const cells = raw.map((row) => row.map(asText));
  const at = cells.findIndex((row) => row.filter((cell) => cell !== '').length >= 2);
  const heading = cells[at] ?? [];
  const rows = cells
    .slice(at + 1)
    .filter((row) => row.some((cell) => cell !== ''))
    .map((row) => heading.map((_, i) => row[i] ?? ''));
  if (at < 0 || rows.length === 0)
    throw new Error('The table has no rows under a heading. Name the columns in its first line.');
  if (rows.length > MOST_HEADS)
    throw new Error(`The table has ${rows.length} heads; at most ${MOST_HEADS} are read at once. Split it.`);
  return { heading, rows };
}

/**
 * A cell of a spreadsheet as it would be typed. A date there is mostly a weight that the spreadsheet took for
 * one: 3/8 is the 3rd of August.
 */
function asText(cell: unknown): string {
  if (cell === null || cell === undefined) return '';
  if (cell instanceof Date) return `${cell.getUTCMonth() + 1}/${cell.getUTCDate()}`;
  if (typeof cell === 'number') return String(Number(cell.toPrecision(12)));
  return typeof cell === 'string' || typeof cell === 'boolean' ? String(cell).trim() : '';
}
