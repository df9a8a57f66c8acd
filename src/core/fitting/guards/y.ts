import { angle, share, size } from '../../kind/field.ts';
import { FIBRE_DENSITY } from '../../material/densities.ts';
import { radians } from '../../numeric/vec.ts';
import { asStrands, guardFrame, guardKind, PLACE, strandBulk } from './guard.ts';

/** A moulded Y: one stem that forks to pass the point on both sides. */
export const y = guardKind({
  key: 'y',
  name: 'Y',
  alsoCalled: ['y guard', 'y shaped'],
  fields: {
    wire: size('Stem and arms', [0.3, 1.1, 3], { step: 0.05, note: 'Their thickness.' }),
    length: size('Stem and arm', [4, 24, 80], { step: 0.5, note: 'Together.' }),
    fork: share('Forks at', [0.1, 0.45, 0.9], { note: 'Share of the length.' }),
    spread: angle('Between the arms', [5, 30, 90]),
    ...PLACE,
  },
  build: (spec, ground) => {
    const frame = guardFrame(spec, ground, spec.wire / 2);
    const { at, depth } = frame;
    const stem = spec.length * spec.fork;
    const arm = spec.length - stem;
    const half = radians(spec.spread / 2);
    const end = stem + arm * Math.cos(half);
    const strands = [
      { path: [at(0), at(stem)], diameter: spec.wire },
      ...[-1, 1].map((way) => ({
        path: [at(stem), at(end, way * arm * Math.sin(half))],
        diameter: spec.wire,
      })),
    ];
    return {
      ...frame,
      free: end,
      end: at(end),
      ...strandBulk(strands, 1, depth, at),
      material: 'nylon',
      density: FIBRE_DENSITY.nylon,
      spread: spec.spread,
      strand: spec.wire,
      count: 2,
      parting: stem,
      ...asStrands(strands),
      overPoint: frame.overPoint(end),
    };
  },
});
