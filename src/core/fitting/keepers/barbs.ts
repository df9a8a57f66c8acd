import { size } from '../../kind/field.ts';
import type { Vec3 } from '../../numeric/vec.ts';
import { checkReach, keeperKind, rubbing } from './keeper.ts';

/** Two slivers set on the shank, above and below, rising towards the head like the barbs of a collar. */
export const barbs = keeperKind({
  key: 'barbs',
  name: 'barbs on the shank',
  alsoCalled: ['barb', 'barbed'],
  swings: true,
  fields: {
    at: size('First barb behind the head', [1, 3, 60]),
    length: size('Barb length', [1, 2.5, 12]),
    height: size('Barb height', [0.2, 1, 5], { step: 0.05, note: 'How far it stands out from the shank.' }),
    wire: size('Barb thickness', [0.2, 0.5, 1.5], { step: 0.02 }),
  },
  build(spec, ground) {
    const root = ground.wire / 2;
    const sliver = (way: 1 | -1) => {
      const path: Vec3[] = [
        [-spec.at - spec.length, 0, way * root],
        [-spec.at, 0, way * (root + spec.height)],
      ];
      return { path, diameter: spec.wire };
    };
    return {
      cast: undefined,
      wires: [sliver(1), sliver(-1)],
      anchor: undefined,
      insertion: spec.at + spec.length,
      diameter: ground.wire + 2 * spec.height,
      holdArea: 2 * spec.wire * spec.height + rubbing(ground.wire, spec.at + spec.length),
    };
  },
  check({ at, length }, { shankEnd }) {
    return checkReach(at + length, shankEnd);
  },
});
