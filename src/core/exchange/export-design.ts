import { castSolid } from '../build/cast-solid.ts';
import type { Surroundings } from '../behaviour/behaviour.ts';
import type { Problem } from '../document/problem.ts';
import type { Design } from '../document/design.ts';
import { drawingOf } from '../plate/drawing.ts';
import { evaluate } from '../judge/evaluate.ts';
import { loadSolids } from '../head/kernel.ts';
import { plateSheet } from '../plate/sheet.ts';
import type { SheetOptions } from '../plate/sheet.ts';
import { writeReadingsCsv } from './csv.ts';
import { writeDxf } from './dxf.ts';
import { writePdf } from './pdf.ts';
import { writeStl } from './stl.ts';
import { writeSvg } from './svg.ts';
import { writeThreeMf } from './threemf.ts';

/** Files a design goes out as, with their media types. */
export const EXPORT_TYPES = {
  json: 'application/json',
  stl: 'model/stl',
  '3mf': 'model/3mf',
  svg: 'image/svg+xml',
  dxf: 'image/vnd.dxf',
  pdf: 'application/pdf',
  csv: 'text/csv',
} as const;
export type ExportType = keyof typeof EXPORT_TYPES;

export interface ExportOptions extends Omit<SheetOptions, 'scale'> {
  /** shrinkage the solid is enlarged by, per cent of length: a mould this much larger casts the drawn size */
  readonly shrink: number;
}

export type Exported =
  | { readonly ok: true; readonly data: string | Uint8Array }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** Length factor of a mould for metal that shrinks by so many per cent of its length as it cools. */
export const mouldFactor = (shrink: number): number => 1 / (1 - shrink / 100);

/** A design as a file: the document itself, the solid as cast (enlarged for the mould where asked), the plate at true scale, or its readings. */
export async function exportDesign(
  design: Design,
  type: ExportType,
  surroundings: Surroundings,
  { shrink, ...sheet }: ExportOptions,
): Promise<Exported> {
  if (type === 'json') return { ok: true, data: `${JSON.stringify(design, null, 2)}\n` };
  const kernel = await loadSolids();
  const result = evaluate(design, surroundings);
  if (!result.ok) return { ok: false, problems: result.problems };
  const { rig, readings, flags } = result;
  switch (type) {
    case 'stl':
      return {
        ok: true,
        data: writeStl(castSolid(kernel, rig, undefined, mouldFactor(shrink)), design.name),
      };
    case '3mf':
      return {
        ok: true,
        data: writeThreeMf(castSolid(kernel, rig, undefined, mouldFactor(shrink)), design.name),
      };
    case 'svg':
      return {
        ok: true,
        data: writeSvg(plateSheet(drawingOf(rig, 96), design.name, sheet), design.name),
      };
    case 'dxf':
      return { ok: true, data: writeDxf(plateSheet(drawingOf(rig, 96), design.name, sheet)) };
    case 'pdf':
      return {
        ok: true,
        data: await writePdf({
          design: result.design,
          drawing: drawingOf(rig, 96),
          readings,
          flags,
          options: sheet,
        }),
      };
    case 'csv':
      return { ok: true, data: writeReadingsCsv([{ design: result.design, readings }]) };
  }
}
