import { castSolid } from '../../build/cast-solid.ts';
import { solids } from '../../head/kernel.ts';
import { exportKind } from './kind.ts';

export const threeMf = exportKind({
  key: '3mf',
  name: 'Solid, 3MF',
  does: 'the same with its units',
  mediaType: 'model/3mf',
  isSolid: true,
  async write({ design, rig, factor }) {
    const { writeThreeMf } = await import('../threemf.ts');
    return writeThreeMf(castSolid(solids(), rig, undefined, factor), design.name);
  },
});
