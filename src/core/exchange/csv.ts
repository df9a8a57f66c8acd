import Papa from 'papaparse';
import type { Design } from '../document/design.ts';
import type { Readings } from '../behaviour/index.ts';
import { READING_IDS, READINGS } from '../behaviour/index.ts';

/** Text that a spreadsheet would take for a formula gets an apostrophe before it. */
export const harmless = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text);

/** Readings of designs as a table (RFC 4180): a row each, a column for every reading with its unit, in stored units. */
export function writeReadingsCsv(
  rows: readonly { readonly design: Design; readonly readings: Readings }[],
): string {
  const ids = READING_IDS.filter((id) => rows.some(({ readings }) => readings[id]));
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
    ...ids.map((id) => `${id} (${READINGS[id].unit})`),
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
    ...ids.map((id) => readings[id]?.value ?? ''),
  ]);
  return `${Papa.unparse([columns, ...data], { newline: '\r\n' })}\r\n`;
}
