import { figure, size } from '../../kind/field.ts';
import { anchorWire, checkReach, checkWound, helix, keeperKind, ringArea, rubbing } from './keeper.ts';

/** A screw of wire behind the head, standing off from it, that the nose of the plastic is turned on to. */
export const screw = keeperKind({
  key: 'screw',
  name: 'screw',
  alsoCalled: ['screw lock', 'corkscrew', 'coil screw'],
  isTurnedOn: true,
  fields: {
    length: size('Screw length', [3, 9, 40]),
    diameter: size('Screw diameter', [1, 4, 12], { step: 0.05, note: 'Outside.' }),
    wire: size('Screw wire', [0.2, 0.6, 1.5], { step: 0.02 }),
    turns: figure('Turns', [1, 5, 20]),
    standoff: size('Stand-off', [0, 3, 20], {
      note: 'Gap between head and screw: a thick nose sits clear of the head.',
    }),
  },
  build(spec) {
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
      standoff: spec.standoff,
      diameter: spec.diameter,
      holdArea:
        spec.turns * ringArea(spec.diameter, spec.diameter - 2 * spec.wire) +
        rubbing(spec.diameter, spec.length),
    };
  },
  check(spec, { wire, shankEnd }) {
    const wound = checkWound(spec, wire);
    return wound.length > 0 ? wound : checkReach(spec.standoff + spec.length, shankEnd);
  },
});
