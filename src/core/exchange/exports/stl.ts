import { castSolid } from '../../build/cast-solid.ts';
import { solids } from '../../head/kernel.ts';
import { exportKind } from './kind.ts';

export const stl = exportKind({
  key: 'stl',
  name: 'Solid, STL',
  does: 'the metal as cast, mm',
  mediaType: 'model/stl',
  isSolid: true,
  async write({ design, rig, factor }) {
    const { writeStl } = await import('../stl.ts');
    return writeStl(castSolid(solids(), rig, undefined, factor), design.name);
  },
});
