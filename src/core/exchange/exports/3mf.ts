import { exportKind } from './kind.ts';

/** The metal as cast, as 3MF. */
export const threeMf = exportKind({
  key: '3mf',
  name: 'Solid, 3MF',
  does: 'the same with its units',
  mediaType: 'model/3mf',
  isSolid: true,
  async write({ design, rig, factor }) {
    const [{ writeThreeMf }, { castSolid }, { solids }] = await Promise.all([
      import('../threemf.ts'),
      import('../../assembly/cast-solid.ts'),
      import('../../head/kernel.ts'),
    ]);
    return writeThreeMf(castSolid(solids(), rig, undefined, factor), design.name);
  },
});
