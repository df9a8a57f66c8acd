import { exportKind } from './kind.ts';

/** The readings of one or many designs, a row each, as CSV (RFC 4180). */
export const csv = exportKind({
  key: 'csv',
  name: 'Readings, CSV',
  does: 'one row',
  mediaType: 'text/csv',
  hasReadings: true,
  async write({ design, readings }) {
    const { writeReadingsCsv } = await import('../csv.ts');
    return writeReadingsCsv([{ design, readings }]);
  },
});
