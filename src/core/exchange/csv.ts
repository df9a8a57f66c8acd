import Papa from 'papaparse';
import type { Design } from '../document/design.ts';
import type { ReadingId } from '../behaviour/index.ts';
import { READING_IDS, READINGS } from '../behaviour/index.ts';

/** Text that a spreadsheet would take for a formula gets an apostrophe before it. */
export const harmless = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text);

/** A design with its readings: values, and spans where they have one, in stored units. */
export interface CsvRow {
  readonly design: Design;
  readonly readings: Readonly<
    Partial<
      Record<ReadingId, { readonly value: number; readonly range?: readonly [number, number] | undefined }>
    >
  >;
}

/**
 * Readings of designs as a table (RFC 4180): a row each, a column for every reading with its unit, in stored units,
 * and two more for the plausible span of those that have one.
 */
export function writeReadingsCsv(rows: readonly CsvRow[]): string {
  const ids = READING_IDS.filter((id) => rows.some(({ readings }) => readings[id]));
  const spanned = new Set(ids.filter((id) => rows.some(({ readings }) => readings[id]?.range)));
  const columns = [
    'name',
    'family',
    'metal',
    'hook size',
    'hook style',
    'wire',
    'eye angle (°)',
    'eye plane',
    'keeper',
    'guard',
    ...ids.flatMap((id) => {
      const name = `${id} (${READINGS[id].unit})`;
      return spanned.has(id) ? [name, `${id} from`, `${id} to`] : [name];
    }),
  ];
  const data = rows.map(({ design, readings }) => [
    harmless(design.name),
    design.head.family,
    design.head.metal,
    design.hook.size,
    design.hook.style ?? 'round bend',
    design.hook.grade,
    design.eye.angle,
    design.eye.plane,
    design.keeper.kind,
    design.guard.kind,
    ...ids.flatMap((id) => {
      const { value = '', range = [] } = readings[id] ?? {};
      return spanned.has(id) ? [value, range[0] ?? '', range[1] ?? ''] : [value];
    }),
  ]);
  return `${Papa.unparse([columns, ...data], { newline: '\r\n' })}\r\n`;
}
