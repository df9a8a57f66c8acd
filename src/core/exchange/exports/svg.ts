import { exportKind, FILE_STATIONS } from './kind.ts';

/** The plate at true scale, as SVG. */
export const svg = exportKind({
  key: 'svg',
  name: 'Plate, SVG',
  does: 'true scale',
  mediaType: 'image/svg+xml',
  async write({ design, rig, sheet }) {
    const [{ writeSvg }, { plateSheet }, { drawingOf }] = await Promise.all([
      import('../svg.ts'),
      import('../../plate/sheet.ts'),
      import('../../plate/drawing.ts'),
    ]);
    return writeSvg(plateSheet(drawingOf(rig, FILE_STATIONS), design.name, sheet), design.name);
  },
});
