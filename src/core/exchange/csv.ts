import Papa from 'papaparse';
import type { Design } from '../document/design.ts';
import type { ReadingId } from '../behaviour/registry.ts';
import { READING_IDS, READINGS } from '../behaviour/registry.ts';

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
 * Which readings a table has columns for: each with its value, and with its plausible span where some design
 * has one.
 */
export interface ReadingColumns {
  readonly ids: readonly ReadingId[];
  readonly spanned: ReadonlySet<ReadingId>;
}

/** Columns in the order of the registry, for readings that are there and those of them that have a span. */
export function readingColumns(
  has: (id: ReadingId) => boolean,
  spans: (id: ReadingId) => boolean,
): ReadingColumns {
  const ids = READING_IDS.filter(has);
  return { ids, spanned: new Set(ids.filter(spans)) };
}

const csvText = (rows: readonly (readonly unknown[])[]): string =>
  `${Papa.unparse(rows as unknown[][], { newline: '\r\n' })}\r\n`;

/**
 * First line of a table of readings (RFC 4180): what a design is, then every reading with its unit, in stored
 * units, and two for its span.
 */
export const readingsHead = ({ ids, spanned }: ReadingColumns): string =>
  csvText([
    [
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
    ],
  ]);

/** Lines of a table of readings, one a design; none for no designs. */
export const readingsLines = (rows: readonly CsvRow[], { ids, spanned }: ReadingColumns): string =>
  rows.length === 0
    ? ''
    : csvText(
        rows.map(({ design, readings }) => [
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
        ]),
      );

/** Readings of designs as a whole table, see `readingsHead` and `readingsLines`. */
export function writeReadingsCsv(rows: readonly CsvRow[]): string {
  const columns = readingColumns(
    (id) => rows.some(({ readings }) => readings[id]),
    (id) => rows.some(({ readings }) => readings[id]?.range),
  );
  return readingsHead(columns) + readingsLines(rows, columns);
}
