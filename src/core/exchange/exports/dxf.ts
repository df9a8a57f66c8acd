import { drawingOf } from '../../plate/drawing.ts';
import { plateSheet } from '../../plate/sheet.ts';
import { exportKind, FILE_STATIONS } from './kind.ts';

export const dxf = exportKind({
  key: 'dxf',
  name: 'Plate, DXF',
  does: 'true scale, by layers',
  mediaType: 'image/vnd.dxf',
  async write({ design, rig, sheet }) {
    const { writeDxf } = await import('../dxf.ts');
    return writeDxf(plateSheet(drawingOf(rig, FILE_STATIONS), design.name, sheet));
  },
});
