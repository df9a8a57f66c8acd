import {
  Colors,
  DxfWriter,
  LWPolylineFlags,
  point2d,
  point3d,
  TextHorizontalAlignment,
  Units,
} from '@tarikjabiri/dxf';
import type { Layer } from '../plate/entities.ts';
import type { Sheet } from '../plate/sheet.ts';
import { oneLine } from './text.ts';

const LAYERS: readonly (readonly [Layer, number, string])[] = [
  ['outline', Colors.White, 'CONTINUOUS'],
  ['wire', Colors.Blue, 'CONTINUOUS'],
  ['hidden', Colors.White, 'HIDDEN'],
  ['centre', Colors.Green, 'CENTRE'],
  ['dimension', Colors.Yellow, 'CONTINUOUS'],
  ['text', Colors.White, 'CONTINUOUS'],
  ['mark', Colors.Red, 'CONTINUOUS'],
];

/** A sheet as ASCII DXF in millimetres at true scale, one layer for each kind of line; wires carry their width. */
export function writeDxf({ entities }: Sheet): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.addLType('HIDDEN', '_ _ _', [1.2, -0.8]);
  dxf.addLType('CENTRE', '___ _ ___', [4, -0.8, 0.8, -0.8]);
  for (const [layer, colour, lines] of LAYERS) dxf.addLayer(layer.toUpperCase(), colour, lines);
  for (const entity of entities) {
    const layerName = entity.layer.toUpperCase();
    if (entity.kind === 'circle')
      dxf.addCircle(point3d(entity.at[0], entity.at[1]), entity.radius, { layerName });
    else if (entity.kind === 'text') {
      // The second place is what the text is centred on.
      dxf.addText(point3d(entity.at[0], entity.at[1]), entity.height, oneLine(entity.text), {
        layerName,
        rotation: entity.turned ? 90 : 0,
        ...(entity.anchor === 'start'
          ? {}
          : {
              horizontalAlignment:
                entity.anchor === 'middle' ? TextHorizontalAlignment.Center : TextHorizontalAlignment.Right,
              secondAlignmentPoint: point3d(entity.at[0], entity.at[1]),
            }),
      });
    } else {
      dxf.addLWPolyline(
        entity.points.map(([u, v]) => ({ point: point2d(u, v) })),
        {
          layerName,
          flags: entity.closed ? LWPolylineFlags.Closed : LWPolylineFlags.None,
          ...(entity.width ? { constantWidth: entity.width } : {}),
        },
      );
    }
  }
  return dxf.stringify();
}
