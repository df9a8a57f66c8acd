import { angle, size } from '../../kind/field.ts';
import type { Vec3 } from '../../numeric/vec.ts';
import { radians } from '../../numeric/vec.ts';
import { ANCHOR, keeperKind, rubbing } from './keeper.ts';

/** Length and rise of the bit that turns back at the end, mm (generic, from memory). */
const HOOKED = { back: 1.2, out: 0.9 };

/**
 * Centre line of a wire keeper: anchored in the head beside the shank, out of the rear face, flaring off,
 * with a hooked end.
 */
export function wireKeeperPath(
  spec: Readonly<Record<'length' | 'wire' | 'flare', number>>,
  hookWire: number,
): Vec3[] {
  const z = -(hookWire + spec.wire) / 2 - 0.15;
  const slope = radians(spec.flare);
  const end: Vec3 = [-spec.length * Math.cos(slope), 0, z - spec.length * Math.sin(slope)];
  // The last bit turns back towards the head, the barb that holds the plastic.
  const hooked: Vec3 = [end[0] + HOOKED.back, 0, end[2] - HOOKED.out];
  const path: Vec3[] = [];
  const pieces = 12;
  for (let i = 0; i <= pieces; i++) path.push([ANCHOR * (1 - i / pieces), 0, z]);
  for (let i = 1; i <= pieces; i++) path.push([(end[0] * i) / pieces, 0, z + ((end[2] - z) * i) / pieces]);
  path.push(hooked);
  return path;
}

/** A wire holder. */
export const wire = keeperKind({
  key: 'wire',
  name: 'wire holder',
  alsoCalled: ['wire keeper', 'bait pin'],
  fields: {
    length: size('Keeper length', [2, 8, 40], { note: 'Behind the rear face.' }),
    wire: size('Keeper wire', [0.2, 0.6, 2], { step: 0.02 }),
    flare: angle('Flare', [0, 14, 45], { note: 'Away from the shank.' }),
  },
  build(spec, ground) {
    const path = wireKeeperPath(spec, ground.wire);
    const reach = Math.max(...path.map(([, , z]) => -z));
    const across = spec.length * Math.sin(radians(spec.flare)) + HOOKED.out;
    return {
      cast: undefined,
      wires: [{ path, diameter: spec.wire }],
      anchor: { path, diameter: spec.wire },
      insertion: -Math.min(...path.map(([x]) => x)),
      diameter: reach + ground.wire / 2 + spec.wire / 2,
      // The hooked end cuts its own width out of the plastic over all it stands out by.
      holdArea: spec.wire * across + rubbing(spec.wire, spec.length),
    };
  },
  check() {
    return [];
  },
});
