import { exportKind } from './kind.ts';

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
