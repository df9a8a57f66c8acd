import { exportKind, FILE_STATIONS } from './kind.ts';

/** A page with drawing, readings and cautions, as PDF. */
export const pdf = exportKind({
  key: 'pdf',
  name: 'Spec sheet',
  does: 'PDF: drawing, readings, cautions',
  mediaType: 'application/pdf',
  hasReadings: true,
  async write({ design, rig, readings, flags, sheet }) {
    const [{ writePdf }, { drawingOf }] = await Promise.all([
      import('../pdf.ts'),
      import('../../plate/drawing.ts'),
    ]);
    return writePdf({ design, drawing: drawingOf(rig, FILE_STATIONS), readings, flags, options: sheet });
  },
});
