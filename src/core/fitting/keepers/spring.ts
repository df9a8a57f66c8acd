import type { KeeperKind } from './keeper.ts';
import { anchorWire, helix, ringArea, rubbing } from './keeper.ts';

/** A spring around the shank, close behind the head: the plastic is pushed over it and closes between its turns. */
export const spring: KeeperKind<'spring'> = {
  kind: 'spring',
  name: 'spring',
  initial: { kind: 'spring', length: 7, diameter: 3.4, wire: 0.45, turns: 7 },
  build: (spec) => {
    const radius = (spec.diameter - spec.wire) / 2;
    const anchor = anchorWire(-radius, 0, spec.wire);
    return {
      cast: undefined,
      wires: [
        {
          path: [...anchor.path, ...helix(0, -spec.length, radius, spec.turns).slice(1)],
          diameter: spec.wire,
        },
      ],
      anchor,
      insertion: spec.length,
      diameter: spec.diameter,
      holdArea:
        0.5 * spec.turns * ringArea(spec.diameter, spec.diameter - 2 * spec.wire) +
        rubbing(spec.diameter, spec.length),
    };
  },
};
