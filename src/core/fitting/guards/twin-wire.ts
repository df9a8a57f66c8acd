import { angle, size } from '../../kind/field.ts';
import { STEEL_DENSITY } from '../../material/densities.ts';
import { radians } from '../../numeric/vec.ts';
import { asStrands, guardFrame, guardKind, PLACE, strandBulk } from './guard.ts';

/** Two wires side by side that pass the point left and right. */
export const twinWire = guardKind({
  key: 'twin wire',
  name: 'twin wire',
  alsoCalled: ['double wire', 'two wires'],
  fields: {
    wire: size('Guard wire', [0.15, 0.35, 1.2], { step: 0.01 }),
    length: size('Guard length', [4, 24, 80], { step: 0.5, note: 'Free length of each.' }),
    spread: angle('Between the wires', [0, 12, 60]),
    ...PLACE,
  },
  build: (spec, ground) => {
    const frame = guardFrame(spec, ground, spec.wire);
    const { at, depth } = frame;
    const half = radians(spec.spread / 2);
    const end = spec.length * Math.cos(half);
    const strands = [-1, 1].map((way) => ({
      path: [at(0, (way * spec.wire) / 2), at(end, way * (spec.wire / 2 + spec.length * Math.sin(half)))],
      diameter: spec.wire,
    }));
    return {
      ...frame,
      free: end,
      end: at(end),
      ...strandBulk(strands, 2, depth, at),
      material: 'steel',
      density: STEEL_DENSITY,
      spread: spec.spread,
      strand: spec.wire,
      count: 2,
      parting: 0,
      ...asStrands(strands),
      overPoint: frame.overPoint(end),
    };
  },
});
