import { messageOf } from '../kind/failure.ts';
import { buildSound } from '../assembly/sound.ts';
import type { Rig } from '../assembly/rig.ts';
import type { Mould } from '../document/mould.ts';
import type { Problem } from '../document/problem.ts';
import { loadSolids } from '../head/kernel.ts';
import { layMould } from '../make/mould-layout.ts';
import { mouldSheet } from '../make/mould-sheet.ts';
import { mouldSolids } from '../make/mould-solids.ts';
import type { Metal } from '../material/metals/metal.ts';
import { METALS } from '../material/metals/index.ts';
import type { UnitSystem } from '../quantity/units.ts';
import { writeDxf } from './dxf.ts';
import type { Exported } from './export-design.ts';
import { writeStl } from './stl.ts';
import { writeSvg } from './svg.ts';
import { writeThreeMf } from './threemf.ts';

/** Files a mould goes out as. */
export const MOULD_FILES = [
  'left.stl',
  'right.stl',
  'left.3mf',
  'right.3mf',
  'drawing.svg',
  'drawing.dxf',
  'volumes.json',
] as const;
/** The name of a file of a mould. */
export type MouldFile = (typeof MOULD_FILES)[number];

/**
 * The heads of a mould's cavities as built, in their order; or what keeps one from being built, with its
 * cavity.
 */
export function mouldRigs(
  mould: Mould,
  metals: readonly Metal[] = METALS,
):
  | { readonly ok: true; readonly rigs: readonly Rig[] }
  | { readonly ok: false; readonly problems: readonly Problem[] } {
  const rigs: Rig[] = [];
  const problems: Problem[] = [];
  mould.cavities.forEach(({ design }, i) => {
    const at = (all: readonly Problem[]) =>
      problems.push(
        ...all.map(({ path, message }) => ({
          path: `/cavities/${i}/design${path}`,
          message: `Cavity ${i + 1}: ${message}`,
        })),
      );
    const sound = buildSound(design, metals);
    if (sound.ok) rigs.push(sound.rig);
    else at(sound.problems);
  });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, rigs };
}

/** A file of a mould: a half as a closed solid in mm, its drawing, or what fills the block. */
export async function exportMould(
  mould: Mould,
  file: MouldFile,
  metals: readonly Metal[] = METALS,
  units: UnitSystem = 'metric',
): Promise<Exported> {
  const kernel = await loadSolids();
  const built = mouldRigs(mould, metals);
  if (!built.ok) return built;
  let solids;
  try {
    const layout = layMould(mould, built.rigs);
    if (file === 'drawing.svg' || file === 'drawing.dxf') {
      const sheet = mouldSheet(layout, mould.name, units);
      return { ok: true, data: file === 'drawing.svg' ? writeSvg(sheet, mould.name) : writeDxf(sheet) };
    }
    solids = mouldSolids(
      kernel,
      layout,
      mould.cavities.map(({ cuts }) => cuts),
    );
  } catch (error) {
    return { ok: false, problems: [{ path: '/cavities', message: `Mould: ${messageOf(error)}` }] };
  }
  if (file === 'volumes.json') {
    const { volumes, metal, sprue } = solids;
    return { ok: true, data: `${JSON.stringify({ unit: 'mm³', ...volumes, metal, sprue }, null, 2)}\n` };
  }
  const half = file.startsWith('left') ? solids.left : solids.right;
  const name = `${mould.name}, ${file.startsWith('left') ? 'left' : 'right'} half`;
  return { ok: true, data: file.endsWith('stl') ? writeStl(half, name) : writeThreeMf(half, name) };
}
