import { exportKind } from './kind.ts';

/** The metal as cast, as binary STL. */
export const stl = exportKind({
  key: 'stl',
  name: 'Solid, STL',
  does: 'the metal as cast, mm',
  mediaType: 'model/stl',
  isSolid: true,
  async write({ design, rig, factor, chord }) {
    const [{ writeStl }, { castSolid }, { qualityWithin }, { solids }] = await Promise.all([
      import('../stl.ts'),
      import('../../assembly/cast-solid.ts'),
      import('../../head/chord.ts'),
      import('../../head/kernel.ts'),
    ]);
    return writeStl(castSolid(solids(), rig, qualityWithin(rig.head, chord), factor), design.name);
  },
});
