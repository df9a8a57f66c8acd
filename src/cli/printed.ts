import Papa from 'papaparse';
import { harmless } from '../core/exchange/csv.ts';

/** How an answer is printed. */
export type Printed = 'json' | 'table' | 'csv';

/** A line of a table: what is under each heading, in the order of the first line. */
export type Line = Readonly<Record<string, string | number | null | undefined>>;

/** Digits a figure is told with in a table for the eye; files carry it whole. */
const DIGITS = 4;

/** Prints an answer: whole as JSON, or its lines as a table for the eye or as CSV (RFC 4180). */
export function print(format: Printed, whole: unknown, lines: () => readonly Line[]): void {
  if (format === 'json') console.log(JSON.stringify(whole, null, 2));
  else console.log(format === 'csv' ? asCsv(lines()) : asTable(lines()));
}

const headingsOf = (lines: readonly Line[]): string[] => [
  ...new Set(lines.flatMap((line) => Object.keys(line))),
];

function asCsv(lines: readonly Line[]): string {
  const headings = headingsOf(lines);
  const cell = (value: Line[string]) => (typeof value === 'string' ? harmless(value) : (value ?? ''));
  return Papa.unparse({
    fields: headings,
    data: lines.map((line) => headings.map((key) => cell(line[key]))),
  });
}

/**
 * Columns as wide as their widest cell, words to the left and figures to the right; one without a single
 * entry is left out.
 */
function asTable(lines: readonly Line[]): string {
  const text = (value: Line[string]): string =>
    typeof value === 'number' ? String(Number(value.toPrecision(DIGITS))) : (value ?? '');
  const columns = headingsOf(lines)
    .filter((key) => lines.some((line) => text(line[key]) !== ''))
    .map((key) => {
      const width = Math.max(key.length, ...lines.map((line) => text(line[key]).length));
      return { key, width, isFigure: lines.every((line) => typeof line[key] !== 'string') };
    });
  const row = (cell: (key: string) => string) =>
    columns
      .map(({ key, width, isFigure }) => (isFigure ? cell(key).padStart(width) : cell(key).padEnd(width)))
      .join('  ')
      .trimEnd();
  return [row((key) => key), ...lines.map((line) => row((key) => text(line[key])))].join('\n');
}
