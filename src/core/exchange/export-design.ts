import { SolidFlaw } from '../assembly/cast-solid.ts';
import { cavityFactor } from '../make/mould-layout.ts';
import type { Surroundings } from '../behaviour/behaviour.ts';
import type { Design } from '../document/design.ts';
import type { Problem } from '../document/problem.ts';
import { USUAL_CHORD } from '../head/schema.ts';
import { loadSolids } from '../head/kernel.ts';
import { evaluate } from '../judge/evaluate.ts';
import type { SheetOptions } from '../plate/sheet.ts';
import type { ExportType } from './exports/index.ts';
import { exportOf } from './exports/index.ts';

/** How a file of a design is made. */
export interface ExportOptions extends Omit<SheetOptions, 'scale'> {
  /** shrinkage the solid is enlarged by, per cent of length: a mould this much larger casts the drawn size */
  readonly shrink: number;
  /** how far a facet of a solid may lie from the surface it stands for, mm; `USUAL_CHORD` where absent */
  readonly chord?: number;
}

/** A file’s contents, or why there is none. */
export type Exported =
  | { readonly ok: true; readonly data: string | Uint8Array }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/**
 * A design as a file: the document itself, the solid as cast (enlarged for the mould where asked), the plate
 * at true scale, or its readings.
 */
export async function exportDesign(
  design: Design,
  type: ExportType,
  surroundings: Surroundings,
  { shrink, chord = USUAL_CHORD, ...sheet }: ExportOptions,
): Promise<Exported> {
  const kind = exportOf(type);
  if (!kind) throw new Error(`A file of the kind ${type} is asked for, which is a mistake of the program.`);
  if (kind.asIs) return { ok: true, data: kind.asIs(design) };
  await loadSolids();
  const result = evaluate(design, { ...surroundings, isShort: !kind.hasReadings });
  if (!result.ok) return { ok: false, problems: result.problems };
  try {
    return { ok: true, data: await kind.write({ ...result, sheet, factor: cavityFactor(shrink), chord }) };
  } catch (error) {
    if (!(error instanceof SolidFlaw)) throw error;
    return { ok: false, problems: [{ path: '/head', message: `Solid: ${error.message}` }] };
  }
}
