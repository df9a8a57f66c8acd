import { STEEL_DENSITY } from '../../material/metals.ts';
import { radians } from '../../numeric/vec.ts';
import type { GuardKind } from './guard.ts';
import { guardFrame, strandBulk } from './guard.ts';

/** Two wires side by side that pass the point left and right. */
export const twinWire: GuardKind<'twin wire'> = {
  kind: 'twin wire',
  name: 'twin wire',
  initial: { kind: 'twin wire', wire: 0.35, length: 24, spread: 12, lean: 38, setback: 0.6 },
  build: (spec, ground) => {
    const frame = guardFrame(spec, ground);
    const { at, depth } = frame;
    const half = radians(spec.spread / 2);
    const end = spec.length * Math.cos(half);
    const strands = [-1, 1].map((way) => ({
      path: [at(0, (way * spec.wire) / 2), at(end, way * (spec.wire / 2 + spec.length * Math.sin(half)))],
      diameter: spec.wire,
    }));
    return {
      kind: 'twin wire',
      ...frame,
      free: end,
      bundleRadius: spec.wire,
      end: at(end),
      bore: frame.bore(spec.wire),
      ...strandBulk(strands, 2, depth, at),
      density: STEEL_DENSITY,
      spread: spec.spread,
      strands,
      overPoint: frame.overPoint(end),
    };
  },
};
