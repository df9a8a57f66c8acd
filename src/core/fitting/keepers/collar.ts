import type { CollarSpec } from '../../document/design.ts';
import type { Profile } from '../../head/profile.ts';
import type { Revolve } from '../../head/revolve.ts';
import { entryOf } from './entry.ts';
import type { KeeperKind } from './keeper.ts';
import { ringArea, rubbing } from './keeper.ts';

/**
 * A cast collar as a body of revolution: a plain core with barbs that rise towards the head, so that the plastic slides
 * on from behind and cannot slide off. `to` is where the collar has wholly entered the head.
 * Returns undefined when the head is nowhere wide enough to take the core.
 */
export function collarRevolve(spec: CollarSpec, profile: Profile): Revolve | undefined {
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
export const collar: KeeperKind<'collar'> = {
  kind: 'collar',
  name: 'cast collar',
  initial: { kind: 'collar', length: 7, diameter: 2.8, barb: 0.6, barbs: 2 },
  build: (spec, { profile }) => {
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
};
