import type { KeeperKind } from './keeper.ts';
import { anchorWire, helix, ringArea, rubbing } from './keeper.ts';

/** A screw of wire behind the head, standing off from it, that the nose of the plastic is turned on to. */
export const screw: KeeperKind<'screw'> = {
  kind: 'screw',
  name: 'screw',
  initial: { kind: 'screw', length: 9, diameter: 4, wire: 0.6, turns: 5, standoff: 3 },
  build: (spec) => {
    const radius = (spec.diameter - spec.wire) / 2;
    const end = -spec.standoff - spec.length;
    const anchor = anchorWire(-radius, spec.standoff, spec.wire);
    return {
      cast: undefined,
      wires: [
        {
          path: [...anchor.path, ...helix(-spec.standoff, end, radius, spec.turns).slice(1)],
          diameter: spec.wire,
        },
      ],
      anchor,
      insertion: spec.standoff + spec.length,
      diameter: spec.diameter,
      holdArea:
        spec.turns * ringArea(spec.diameter, spec.diameter - 2 * spec.wire) +
        rubbing(spec.diameter, spec.length),
    };
  },
};
