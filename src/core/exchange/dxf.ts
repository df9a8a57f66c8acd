import type { DxfBlock } from '@tarikjabiri/dxf';
import {
  Colors,
  DxfWriter,
  LWPolylineFlags,
  point2d,
  point3d,
  TextHorizontalAlignment,
  Units,
} from '@tarikjabiri/dxf';
import type { Vec2 } from '../numeric/vec.ts';
import type { Entity, Layer, SheetDimension } from '../plate/entities.ts';
import type { Sheet } from '../plate/sheet.ts';
import { arcsThrough, smoothRuns, splineThrough } from './curves.ts';
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

/** How far an arc may lie from the points of a line it stands for, mm: points are kept to a thousandth. */
const ARC_WITHIN = 0.002;
/** Points from which on a line is a curve and not a figure of straight pieces. */
const CURVED = 9;

const at3 = ([u, v]: Vec2) => point3d(u, v);

type Line = Extract<Entity, { readonly kind: 'line' }>;

/** A line as it is; one with a width keeps it, and its bends are true arcs. */
function addLine(to: DxfBlock, { points, closed, width, layer }: Line): void {
  const vertices = closed ? points.map((at) => ({ at, bulge: 0 })) : arcsThrough(points, ARC_WITHIN);
  to.addLWPolyline(
    vertices.map(({ at: [u, v], bulge }) => ({ point: point2d(u, v), ...(bulge === 0 ? {} : { bulge }) })),
    {
      layerName: layer.toUpperCase(),
      flags: closed ? LWPolylineFlags.Closed : LWPolylineFlags.None,
      ...(width ? { constantWidth: width } : {}),
    },
  );
}

/** A curve as splines between its corners; what is straight between two of them is a line. */
function addCurve(to: DxfBlock, { points, closed, layer }: Line): void {
  const layerName = layer.toUpperCase();
  for (const run of smoothRuns(points, closed)) {
    const [first, second] = run;
    if (run.length === 2 && first && second) to.addLine(at3(first), at3(second), { layerName });
    else {
      const { control, knots } = splineThrough(run);
      to.addSpline(
        { controlPoints: control.map(at3), fitPoints: run.map(at3), degreeCurve: 3, knots: [...knots] },
        { layerName },
      );
    }
  }
}

function addEntity(to: DxfBlock, entity: Entity): void {
  const layerName = entity.layer.toUpperCase();
  if (entity.kind === 'circle') to.addCircle(at3(entity.at), entity.radius, { layerName });
  else if (entity.kind === 'text')
    // The second place is what the text is centred on.
    to.addText(at3(entity.at), entity.height, oneLine(entity.text), {
      layerName,
      rotation: entity.turned ? 90 : 0,
      ...(entity.anchor === 'start'
        ? {}
        : {
            horizontalAlignment:
              entity.anchor === 'middle' ? TextHorizontalAlignment.Center : TextHorizontalAlignment.Right,
            secondAlignmentPoint: at3(entity.at),
          }),
    });
  else if (entity.points.length < CURVED || entity.width || entity.layer === 'wire') addLine(to, entity);
  else addCurve(to, entity);
}

/**
 * A sheet as ASCII DXF in millimetres at true scale, one layer for each kind of line. Outlines are splines
 * between their corners, wires carry their width and bend in arcs, dimensions are dimensions, each with the
 * block that shows it.
 */
export function writeDxf({ entities, dimensions }: Sheet): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.addLType('HIDDEN', '_ _ _', [1.2, -0.8]);
  dxf.addLType('CENTRE', '___ _ ___', [4, -0.8, 0.8, -0.8]);
  for (const [layer, colour, lines] of LAYERS) dxf.addLayer(layer.toUpperCase(), colour, lines);
  const model = dxf.modelSpace;
  const isShown = new Set(
    dimensions.flatMap(({ first, count }) => Array.from({ length: count }, (_, k) => first + k)),
  );
  entities.forEach((entity, i) => {
    if (!isShown.has(i)) addEntity(model, entity);
  });
  dimensions.forEach((dimension, i) => {
    const name = `*D${i + 1}`;
    // Without its asterisk a block is one of the drawing's own, and no dimension's.
    const block = dxf.document.blocks.addBlock(name, dxf.document.objects, false);
    for (const entity of entities.slice(dimension.first, dimension.first + dimension.count))
      addEntity(block, entity);
    addDimension(model, dimension, name);
  });
  return dxf.stringify();
}

/** A level or upright dimension, its figure as it is written. */
function addDimension(
  to: DxfBlock,
  { from, to: end, run, upright, text }: SheetDimension,
  blockName: string,
): void {
  const middle: Vec2 = upright ? [run[0], (from[1] + end[1]) / 2] : [(from[0] + end[0]) / 2, run[1]];
  to.addLinearDim(at3(from), at3(end), {
    layerName: 'DIMENSION',
    blockName,
    definitionPoint: at3(run),
    middlePoint: at3(middle),
    angle: upright ? 90 : 0,
    text: oneLine(text),
    ActualMeasurement: upright ? Math.abs(end[1] - from[1]) : Math.abs(end[0] - from[0]),
  });
}
