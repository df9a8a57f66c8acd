import { size } from '../../kind/field.ts';
import { STEEL_DENSITY } from '../../material/densities.ts';
import type { Vec3 } from '../../numeric/vec.ts';
import { degrees } from '../../numeric/vec.ts';
import { asStrands, guardFrame, guardKind, PLACE, strandBulk } from './guard.ts';

/** One wire from the crown, out, round a half circle and back: the loop lies over the point. */
export const wireLoop = guardKind({
  key: 'wire loop',
  name: 'wire loop',
  alsoCalled: ['loop', 'wire guard', 'wire'],
  fields: {
    wire: size('Guard wire', [0.15, 0.4, 1.2], { step: 0.01 }),
    length: size('Guard length', [4, 24, 80], { step: 0.5, note: 'From base to the far end of the loop.' }),
    width: size('Loop width', [0.5, 4, 15]),
    ...PLACE,
  },
  build: (spec, ground) => {
    const frame = guardFrame(spec, ground, spec.wire);
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
      ...frame,
      free: spec.length,
      end: at(spec.length),
      ...strandBulk(strands, 2, depth, at),
      material: 'steel',
      density: STEEL_DENSITY,
      spread: degrees(2 * Math.atan2(radius, turn)),
      strand: spec.wire,
      // Out and back: two legs bend.
      count: 2,
      parting: 0,
      ...asStrands(strands),
      overPoint: frame.overPoint(spec.length),
    };
  },
});
