import { STEEL_DENSITY } from '../../material/metals.ts';
import type { Vec3 } from '../../numeric/vec.ts';
import { degrees } from '../../numeric/vec.ts';
import type { GuardKind } from './guard.ts';
import { guardFrame, strandBulk } from './guard.ts';

/** One wire from the crown, out, round a half circle and back: the loop lies over the point. */
export const wireLoop: GuardKind<'wire loop'> = {
  kind: 'wire loop',
  name: 'wire loop',
  initial: { kind: 'wire loop', wire: 0.4, length: 24, width: 4, lean: 38, setback: 0.6 },
  build: (spec, ground) => {
    const frame = guardFrame(spec, ground);
    const { at, depth } = frame;
    const radius = spec.width / 2;
    const turn = Math.max(0.2 * spec.length, spec.length - radius);
    const path: Vec3[] = [at(0, -spec.wire / 2), at(turn, -radius)];
    const pieces = 16;
    for (let i = 1; i < pieces; i++) {
      const angle = (Math.PI * i) / pieces;
      path.push(at(turn + (spec.length - turn) * Math.sin(angle), -radius * Math.cos(angle)));
    }
    path.push(at(turn, radius), at(0, spec.wire / 2));
    const strands = [{ path, diameter: spec.wire }];
    return {
      kind: 'wire loop',
      ...frame,
      free: spec.length,
      bundleRadius: spec.wire,
      end: at(spec.length),
      bore: frame.bore(spec.wire),
      ...strandBulk(strands, 2, depth, at),
      density: STEEL_DENSITY,
      spread: degrees(2 * Math.atan2(radius, turn)),
      strands,
      overPoint: frame.overPoint(spec.length),
    };
  },
};
