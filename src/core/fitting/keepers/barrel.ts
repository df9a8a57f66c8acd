import { share, size } from '../../kind/field.ts';
import type { Profile } from '../../head/profile.ts';
import type { Revolve } from '../../head/revolve.ts';
import { entryOf } from './entry.ts';
import { checkCast, keeperKind, ringArea, rubbing } from './keeper.ts';

/** How far the barrel is drawn in at the head, as a share of its fullest. */
const NECK = 0.82;

/**
 * A barrel cast with the head: fullest a third of the way back, drawn in towards the head and tapered to its
 * rear end, so that tough plastic closes behind the bulge. Straight-sided between its three radii.
 */
export function barrelRevolve(
  { length, diameter, taper }: Readonly<Record<'length' | 'diameter' | 'taper', number>>,
  profile: Profile,
): Revolve | undefined {
  const full = diameter / 2;
  const neck = full * NECK;
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
export const barrel = keeperKind({
  key: 'barrel',
  name: 'cast barrel',
  alsoCalled: [],
  closesBehind: true,
  castName: 'barrel',
  castLength: ({ length }) => length,
  fields: {
    length: size('Barrel length', [1, 9, 40], { note: 'Behind the rear face.' }),
    diameter: size('Barrel diameter', [0.8, 4, 20], { step: 0.05, note: 'At its fullest.' }),
    taper: share('Taper to the rear', [0, 0.35, 0.8], {
      note: 'Share of the diameter lost at the rear end.',
    }),
  },
  build(spec, { profile }) {
    const cast = barrelRevolve(spec, profile);
    if (!cast) return undefined;
    return {
      cast,
      wires: [],
      anchor: undefined,
      insertion: spec.length,
      diameter: spec.diameter,
      holdArea: ringArea(spec.diameter, spec.diameter * NECK) + rubbing(spec.diameter, spec.length),
    };
  },
  check(spec, ground) {
    return checkCast('Barrel', spec, spec.diameter * Math.min(NECK, 1 - spec.taper), ground);
  },
});
