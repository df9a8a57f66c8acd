import { drawingOf } from '../../plate/drawing.ts';
import { plateSheet } from '../../plate/sheet.ts';
import { exportKind, FILE_STATIONS } from './kind.ts';

export const svg = exportKind({
  key: 'svg',
  name: 'Plate, SVG',
  does: 'true scale',
  mediaType: 'image/svg+xml',
  async write({ design, rig, sheet }) {
    const { writeSvg } = await import('../svg.ts');
    return writeSvg(plateSheet(drawingOf(rig, FILE_STATIONS), design.name, sheet), design.name);
  },
});
