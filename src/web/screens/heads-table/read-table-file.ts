import type { TableCells } from '../../../core/exchange/heads-table/index.ts';
import { tableCells } from '../../../core/exchange/heads-table/index.ts';

/** Largest table file read, bytes. */
const MOST = 20_000_000;

/**
 * Reads a table of a file: CSV, or the first sheet of an XLSX. Throws a sentence where it is neither, too
 * large, or empty.
 */
export async function readTableFile(file: File): Promise<TableCells> {
  if (file.size > MOST)
    throw new Error(
      `${file.name} has ${(file.size / 1e6).toFixed(0)} MB; at most ${MOST / 1e6} are read. Split it.`,
    );
  const start = new Uint8Array(await file.slice(0, 2).arrayBuffer());
  // A zip archive begins with PK: that is a spreadsheet, whatever its name says.
  if (start[0] !== 0x50 || start[1] !== 0x4b) return tableCells(decoded(await file.arrayBuffer()));
  const { readSheet } = await import('read-excel-file/browser');
  const rows = await readSheet(file).catch(() => {
    throw new Error(`${file.name} is no XLSX this program can read. Save it as CSV and choose that.`);
  });
  return tableCells(rows);
}

/** The text of a file: UTF-8, or what older spreadsheets write where it is not. */
function decoded(bytes: ArrayBuffer): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
