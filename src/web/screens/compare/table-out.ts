import { unparse } from 'papaparse';
import type { Row } from './laid.ts';
import type { Line } from './line-table.tsx';

/** The comparison as text, a line each. */
export const tableText = (rows: readonly Row[], lines: readonly Line[], between: string): string =>
  [['', ...rows.map(({ document }) => document.name)], ...lines.map(({ name, texts }) => [name, ...texts])]
    .map((cells) => cells.map((cell) => cell.replace(/[\t\n]/g, ' ')).join(between))
    .join('\n');

/** The same as CSV (RFC 4180). */
export const csvText = (rows: readonly Row[], lines: readonly Line[]): string =>
  unparse(
    [['', ...rows.map(({ document }) => document.name)], ...lines.map(({ name, texts }) => [name, ...texts])],
    {
      newline: '\r\n',
      escapeFormulae: true,
    },
  );
