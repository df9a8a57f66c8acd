import { count, size } from '../../kind/field.ts';
import { marked } from '../../quantity/phrase.ts';
import type { Profile } from '../../head/profile.ts';
import type { Revolve } from '../../head/revolve.ts';
import { entryOf } from './entry.ts';
import { checkCast, keeperKind, ringArea, rubbing } from './keeper.ts';

/**
 * A cast collar as a body of revolution: a plain core with barbs that rise towards the head, so that the
 * plastic slides on from behind and cannot slide off. `to` is where the collar has wholly entered the head.
 * Returns undefined when the head is nowhere wide enough to take the core.
 */
export function collarRevolve(
  spec: Readonly<Record<'length' | 'diameter' | 'barb' | 'barbs', number>>,
  profile: Profile,
): Revolve | undefined {
  const core = spec.diameter / 2;
  const crest = core + spec.barb;
  const to = entryOf(profile, core);
  if (to === undefined) return undefined;
  const pitch = spec.barbs > 0 ? spec.length / spec.barbs : spec.length;
  const ramp = pitch * 0.6;
  const starts = Array.from({ length: spec.barbs }, (_, i) => -spec.length + i * pitch);
  const breaks = [...starts.flatMap((start) => [start, start + ramp]), 0].filter((x) => x > -spec.length);
  return {
    from: -spec.length,
    to,
    breaks,
    radius: (x) => {
      if (x < -spec.length || x > to) return 0;
      for (const start of starts) {
        if (x >= start && x < start + ramp) return core + ((crest - core) * (x - start)) / ramp;
      }
      return core;
    },
  };
}

/** A collar cast with the head, plain or barbed. */
export const collar = keeperKind({
  key: 'collar',
  name: 'cast collar',
  alsoCalled: ['lead collar'],
  castName: 'collar',
  castLength: ({ length }) => length,
  fields: {
    length: size('Collar length', [1, 7, 40], { note: 'Behind the rear face.' }),
    diameter: size('Collar diameter', [0.8, 2.8, 20], { step: 0.05, note: 'Core of the collar.' }),
    barb: size('Barb height', [0, 0.6, 6], { step: 0.05, note: 'Above the core.' }),
    barbs: count('Barbs', [0, 2, 6]),
  },
  build(spec, { profile }) {
    const cast = collarRevolve(spec, profile);
    if (!cast) return undefined;
    const widest = spec.diameter + (spec.barbs > 0 ? 2 * spec.barb : 0);
    return {
      cast,
      wires: [],
      anchor: undefined,
      insertion: spec.length,
      diameter: widest,
      holdArea: spec.barbs * ringArea(widest, spec.diameter) + rubbing(spec.diameter, spec.length),
    };
  },
  check(spec, ground) {
    const { length, diameter, barb, barbs } = spec;
    const problems = checkCast('Collar', spec, diameter, ground);
    if (barbs > 0 && barb > (3 * length) / barbs) {
      problems.push({
        field: 'barb',
        message:
          `Barb height: ${marked(barb, 'size')} is too steep for ${barbs} barbs on ${marked(length, 'size')}. ` +
          'Lower the barbs or lengthen the collar.',
      });
    }
    return problems;
  },
  detail: ({ barb, barbs }) =>
    barbs > 0 && barb > 0
      ? { name: 'The collar’s barbs', isMany: true, size: barb, path: '/keeper/barb' }
      : undefined,
});
