import type { BarrelSpec } from '../../document/design.ts';
import type { Profile } from '../../head/profile.ts';
import type { Revolve } from '../../head/revolve.ts';
import { entryOf } from './entry.ts';
import type { KeeperKind } from './keeper.ts';
import { ringArea, rubbing } from './keeper.ts';

/**
 * A barrel cast with the head: fullest a third of the way back, drawn in towards the head and tapered to its rear end, so that tough plastic
 * closes behind the bulge. Straight-sided between its three radii.
 */
export function barrelRevolve(
  { length, diameter, taper }: BarrelSpec,
  profile: Profile,
): Revolve | undefined {
  const full = diameter / 2;
  const neck = full * 0.82;
  const tail = full * (1 - taper);
  const to = entryOf(profile, neck);
  if (to === undefined) return undefined;
  const bulge = -length * 0.38;
  return {
    from: -length,
    to,
    breaks: [bulge, 0],
    radius: (x) => {
      if (x < -length || x > to) return 0;
      if (x >= 0) return neck;
      if (x >= bulge) return full + ((neck - full) * (x - bulge)) / -bulge;
      return tail + ((full - tail) * (x + length)) / (bulge + length);
    },
  };
}

/** A cast barrel that tough, stretchy plastic is pushed over. */
export const barrel: KeeperKind<'barrel'> = {
  kind: 'barrel',
  name: 'cast barrel',
  initial: { kind: 'barrel', length: 9, diameter: 4, taper: 0.35 },
  build: (spec, { profile }) => {
    const cast = barrelRevolve(spec, profile);
    if (!cast) return undefined;
    return {
      cast,
      wires: [],
      anchor: undefined,
      insertion: spec.length,
      diameter: spec.diameter,
      holdArea: ringArea(spec.diameter, spec.diameter * 0.82) + rubbing(spec.diameter, spec.length),
    };
  },
};
