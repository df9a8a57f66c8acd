import { exportKind } from './kind.ts';

/** The metal as cast, as 3MF. */
export const threeMf = exportKind({
  key: '3mf',
  name: 'Solid, 3MF',
  does: 'the same with its units',
  mediaType: 'model/3mf',
  isSolid: true,
  async write({ design, rig, factor, chord }) {
    const [{ writeThreeMf }, { castSolid }, { qualityWithin }, { solids }] = await Promise.all([
      import('../threemf.ts'),
      import('../../assembly/cast-solid.ts'),
      import('../../head/chord.ts'),
      import('../../head/kernel.ts'),
    ]);
    return writeThreeMf(castSolid(solids(), rig, qualityWithin(rig.head, chord), factor), design.name);
  },
});
