import type { Vec3 } from '../../numeric/vec.ts';
import type { KeeperKind } from './keeper.ts';
import { rubbing } from './keeper.ts';

/** Two slivers set on the shank, above and below, rising towards the head like the barbs of a collar. */
export const barbs: KeeperKind<'barbs'> = {
  kind: 'barbs',
  name: 'barbs on the shank',
  initial: { kind: 'barbs', at: 3, length: 2.5, height: 1, wire: 0.5 },
  build: (spec, ground) => {
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
};
