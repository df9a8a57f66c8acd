import { exportKind, FILE_STATIONS } from './kind.ts';

/** The plate at true scale, as DXF. */
export const dxf = exportKind({
  key: 'dxf',
  name: 'Plate, DXF',
  does: 'true scale, by layers',
  mediaType: 'image/vnd.dxf',
  async write({ design, rig, sheet }) {
    const [{ writeDxf }, { plateSheet }, { drawingOf }] = await Promise.all([
      import('../dxf.ts'),
      import('../../plate/sheet.ts'),
      import('../../plate/drawing.ts'),
    ]);
    return writeDxf(plateSheet(drawingOf(rig, FILE_STATIONS), design.name, sheet));
  },
});
