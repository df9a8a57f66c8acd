import { FIBRE_DENSITY } from '../../material/metals.ts';
import { radians } from '../../numeric/vec.ts';
import type { GuardKind } from './guard.ts';
import { guardFrame, strandBulk } from './guard.ts';

/** A moulded Y: one stem that forks to pass the point on both sides. */
export const y: GuardKind<'y'> = {
  kind: 'y',
  name: 'Y',
  initial: { kind: 'y', wire: 1.1, length: 24, fork: 0.45, spread: 30, lean: 38, setback: 0.6 },
  build: (spec, ground) => {
    const frame = guardFrame(spec, ground);
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
      kind: 'y',
      ...frame,
      free: end,
      bundleRadius: spec.wire / 2,
      end: at(end),
      bore: frame.bore(spec.wire / 2),
      ...strandBulk(strands, 1, depth, at),
      density: FIBRE_DENSITY.nylon,
      spread: spec.spread,
      strands,
      overPoint: frame.overPoint(end),
    };
  },
};
