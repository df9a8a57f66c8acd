import { figure, size } from '../../kind/field.ts';
import { anchorWire, checkReach, checkWound, helix, keeperKind, ringArea, rubbing } from './keeper.ts';

/**
 * A spring around the shank, close behind the head: the plastic is pushed over it and closes between its
 * turns.
 */
export const spring = keeperKind({
  key: 'spring',
  name: 'spring',
  alsoCalled: ['coil'],
  fields: {
    length: size('Spring length', [2, 7, 40]),
    diameter: size('Spring diameter', [1, 3.4, 12], { step: 0.05, note: 'Outside.' }),
    wire: size('Spring wire', [0.2, 0.45, 1.5], { step: 0.02 }),
    turns: figure('Turns', [1, 7, 30]),
  },
  build(spec) {
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
  check(spec, { wire, shankEnd }) {
    const wound = checkWound(spec, wire);
    return wound.length > 0 ? wound : checkReach(spec.length, shankEnd);
  },
});
